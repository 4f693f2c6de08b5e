// What paragraphs are, by the meaning of their styles: nothing asks for the code of a style to know it.
import type { StyleTag } from '../model/copy/streams';
import { valueOf } from '../model/spec/inheritance';
import type { Meaning, Spec } from '../model/spec/spec';

/** What stands in the head of a division, its title among it. */
const OPENER_PARTS: ReadonlySet<Meaning> = new Set<Meaning>([
  'heading1',
  'chapterNumber',
  'partNumber',
  'subtitle',
  'chapterAuthor',
  'epigraph',
  'ornament',
]);

export const isOpenerPart = (meaning: Meaning): boolean => OPENER_PARTS.has(meaning);

/** The number of a chapter or part, typed on a line of its own. */
export const isTypedNumber = (meaning: Meaning): boolean => meaning === 'chapterNumber' || meaning === 'partNumber';

/** Every block of a book is asked, again and again; styles never change, a changed sheet is another. */
const known = new WeakMap<Spec['styles'], Map<StyleTag, Meaning>>();

/** The meaning of a style; of one that the spec does not have, text. */
export function meaningOfTag(styles: Spec['styles'], tag: StyleTag): Meaning {
  let meanings = known.get(styles);
  if (meanings === undefined) known.set(styles, (meanings = new Map()));
  let meaning = meanings.get(tag);
  if (meaning === undefined) meanings.set(tag, (meaning = valueOf(styles, tag, 'meaning') ?? 'body'));
  return meaning;
}

/** The first style that says itself that it has a meaning. */
export const tagOfMeaning = (styles: Spec['styles'], meaning: Meaning): StyleTag | undefined =>
  Object.keys(styles).find((tag) => styles[tag].meaning === meaning);
