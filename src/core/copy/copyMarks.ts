// The names by which our copy of a book as a Word document says what a word processor has no words for: bookmarks that stay with their
// words when the author edits them. A low line before a name hides it (ECMA-376-1, 17.13.6.2).
import { ROLES, type DivisionRole } from '../model/copy/roles';
import type { Matter } from '../model/copy/book';

/** A division begins. */
export const divisionMark = (matter: Matter, role: DivisionRole, number: number): string =>
  `_wld_${matter}_${role.replaceAll('-', '0')}_${number}`;

export interface DivisionStart {
  readonly role: DivisionRole;
  readonly matter: Matter;
}

export function readDivisionMark(name: string): DivisionStart | null {
  const found = /^_wld_(front|body|back)_([a-z0]+)_\d+$/.exec(name);
  const role = found?.[2].replaceAll('0', '-');
  return found === null || role === undefined || !(role in ROLES)
    ? null
    : { role: role as DivisionRole, matter: found[1] as Matter };
}

/** A section begins, named by the property of the document that has the bookmark's name. */
export const sectionMark = (number: number): string => `_wls_${number}`;
export const isSectionMark = (name: string): boolean => /^_wls_\d+$/.test(name);

/** The range of an index mark, from its beginning to its end. */
export const rangeMark = (number: number): string => `_wlr_${number}`;
export const isRangeMark = (name: string): boolean => /^_wlr_\d+$/.test(name);

/** The property of the document that holds the subtitle. */
export const SUBTITLE = 'Subtitle';

/** In an ebook, the picture of a cover that we drew: it is drawn anew for the next. */
export const DRAWN_COVER = 'pictures/cover.png';
