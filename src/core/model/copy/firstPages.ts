// What stands before the first chapter of a manuscript, and what each piece of it is taken for.
import type { DivisionRole } from './roles';
import type { Block, BlockId } from './streams';

/** Roles that a piece before the first chapter can have as a division of its own. */
export const FIRST_ROLES = [
  'also-by',
  'dedication',
  'epigraph',
  'foreword',
  'preface',
  'acknowledgements',
  'introduction',
  'note-on-text',
  'abbreviations',
  'chronology',
  'prologue',
  'chapter',
] as const satisfies readonly DivisionRole[];

/**
 * `title`, `subtitle`, `author`: particulars, which the made pages print. `imprint`: facts of the imprint go into the particulars, the
 * rest onto the imprint page. `contents`: a list that the author typed; ours takes its place. `toTypesetter`: an address, a count of
 * words. `cover`: a picture outside the pages.
 */
export const FIRST_PARTS = [
  'title',
  'subtitle',
  'author',
  'imprint',
  'contents',
  'toTypesetter',
  'cover',
  ...FIRST_ROLES,
] as const;
export type FirstPart = (typeof FIRST_PARTS)[number];
export type FirstRole = (typeof FIRST_ROLES)[number];

/** At most so many pieces of one manuscript are told apart. */
export const MOST_FIRST_PIECES = 60;

export interface FirstPiece {
  readonly part: FirstPart;
  /** Its first words, at most 80 characters. */
  readonly words: string;
  /** The blocks that it came as. */
  readonly ids: readonly BlockId[];
  /** Those of them that stand in no division, as they came. */
  readonly kept: readonly Block[];
  /** Nothing in it says for certain what it is. */
  readonly isGuess?: true;
}

export const isFirstRole = (part: FirstPart | DivisionRole): part is FirstRole =>
  (FIRST_ROLES as readonly string[]).includes(part);
