// Where a division of a role stands by custom.
import type { Book, Matter } from '../model/copy/book';
import { roleFacts, ROLES, type DivisionRole } from '../model/copy/roles';

const MATTERS: readonly Matter[] = ['front', 'body', 'back'];
const ORDER = Object.keys(ROLES) as DivisionRole[];

/** Where a new division of a role goes: behind the last that stands before it by custom in its matter. */
export function placeOfRole({ divisions }: Pick<Book, 'divisions'>, role: DivisionRole): number {
  const own = ORDER.indexOf(role);
  const matter = MATTERS.indexOf(roleFacts(role).matter);
  let place = 0;
  divisions.forEach((division, index) => {
    const theirs = MATTERS.indexOf(division.matter);
    if (theirs < matter || (theirs === matter && (matter === 1 || ORDER.indexOf(division.role) <= own)))
      place = index + 1;
  });
  return place;
}
