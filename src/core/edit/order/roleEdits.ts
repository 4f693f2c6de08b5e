// A division gets another role: it is dressed for it, and goes where a division of that role stands.
import type { Book, Division, Matter } from '../../model/copy/book';
import type { BookEdit } from '../../model/copy/bookEdit';
import { isDisplayRole, isMadeDivision, roleFacts, ROLES, type DivisionRole } from '../../model/copy/roles';
import type { StreamId } from '../../model/copy/streams';
import { dressedFor } from '../../copy/dress';
import { placeOfRole } from '../../copy/placeOfRole';
import { moveDivisionEdits, setDivisionEdit } from './runningOrder';

const ORDER = Object.keys(ROLES) as DivisionRole[];
/** Roles of the body with a place by custom: before all others, and after them. */
const FIRST: ReadonlySet<DivisionRole> = new Set(['prologue']);
const LAST: ReadonlySet<DivisionRole> = new Set(['epilogue']);

export interface RoleMove {
  /** Its place, counted in the order without it. */
  readonly to: number;
  /** Parts of the book that it would go over. */
  readonly parts: number;
}

/** Where a division goes when it gets the role; null: it stands well where it is. */
export function moveForRole(book: Book, id: StreamId, role: DivisionRole): RoleMove | null {
  const from = book.divisions.findIndex((division) => division.id === id);
  const division = book.divisions[from];
  if (division === undefined || role === 'blank') return null;
  const others = book.divisions.toSpliced(from, 1);
  const { matter } = roleFacts(role);
  if (standsWell(others, from, role, division.matter === matter)) return null;
  const to = placeIn(others, role, matter);
  const between = others.slice(Math.min(from, to), Math.max(from, to));
  return { to, parts: between.filter((one) => one.role === 'part').length };
}

function standsWell(others: readonly Division[], at: number, role: DivisionRole, isOfMatter: boolean): boolean {
  if (!isOfMatter) return false;
  const { matter } = roleFacts(role);
  const inMatter = (division: Division) => division.matter === matter;
  const [before, after] = [others.slice(0, at).filter(inMatter), others.slice(at).filter(inMatter)];
  if (matter === 'body') return FIRST.has(role) ? before.length === 0 : LAST.has(role) ? after.length === 0 : true;
  const own = ORDER.indexOf(role);
  return before.every((one) => ORDER.indexOf(one.role) <= own) && after.every((one) => ORDER.indexOf(one.role) >= own);
}

function placeIn(others: readonly Division[], role: DivisionRole, matter: Matter): number {
  const first = others.findIndex((one) => one.matter === 'body');
  return matter === 'body' && FIRST.has(role) && first >= 0 ? first : placeOfRole({ divisions: others }, role);
}

/** The edits that give a division a role; what it has by its old role alone goes to the new one's. `moves`: it goes where that belongs. */
export function setRoleEdits(book: Book, id: StreamId, role: DivisionRole, moves = true): BookEdit[] {
  const division = book.divisions.find((one) => one.id === id);
  if (division === undefined || division.role === role) return [];
  const [was, is] = [roleFacts(division.role), roleFacts(role)];
  const listed = division.listed === (was.listed ?? false) ? (is.listed ?? false) : division.listed;
  const facts = setDivisionEdit(book, id, { role, listed, layout: undefined, placing: undefined });
  const edits: BookEdit[] = facts === null ? [] : [facts];
  const isDressed =
    !isMadeDivision({ role }) && !isMadeDivision(division) && isDisplayRole(role) !== isDisplayRole(division.role);
  const blocks =
    isDressed || (isDisplayRole(role) && !isMadeDivision({ role }))
      ? dressedFor(division.blocks, role)
      : division.blocks;
  if (JSON.stringify(blocks) !== JSON.stringify(division.blocks))
    edits.push({ kind: 'replaceBlocks', stream: id, at: 0, removed: division.blocks, inserted: blocks });
  const move = moves ? moveForRole(book, id, role) : null;
  if (move === null || facts?.kind !== 'setDivision') return edits;
  const divisions = book.divisions.map((one) => (one.id === id ? { ...one, ...facts.to, blocks } : one));
  return [...edits, ...moveDivisionEdits({ ...book, divisions }, id, move.to, is.matter)];
}

/** Where a new division goes beside the one that is chosen: after it where its matter allows, else at the end of that matter. */
export function placeBeside(
  book: Book,
  chosen: StreamId | null,
  role: DivisionRole,
): { readonly at: number; readonly isBeside: boolean } {
  const { matter } = roleFacts(role);
  const at = book.divisions.findIndex(({ id }) => id === chosen);
  if (at < 0) return { at: placeOfRole(book, role), isBeside: true };
  if (book.divisions[at].matter === matter) return { at: at + 1, isBeside: true };
  const last = book.divisions.findLastIndex((division) => division.matter === matter);
  return { at: last < 0 ? placeOfRole(book, role) : last + 1, isBeside: false };
}
