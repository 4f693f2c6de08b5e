// What a file says, brought within what a book can hold: a manuscript of any origin makes a book that is valid (validate/bookSchema).
import type { IndexMark } from '../model/spec/indexSpec';
import type { Span, TextTouches } from '../model/copy/streams';

/** Most characters of the name of a style, a title, a person's name, an address and a term of the index. */
export const LONGEST = {
  STYLE: 200,
  TITLE: 400,
  NAME: 200,
  LINK: 4000,
  TERM: 200,
  MARK: 8,
  FACE: 80,
  LANGUAGE: 40,
} as const;
export const MOST_PEOPLE = 40;
/** Points of type. */
const SIZE = { least: 1, most: 400 };

/** Signs that no text has: controls, what stands for objects, and no characters at all. */
const NO_TEXT = /[\u0000-\u0008\u000B\u000C\u000E-\u001F\uFFFC\uFFFE\uFFFF]/g;

/** Text of a file as a paragraph can hold it: line ends are spaces, as paragraphs have none. */
export const plainText = (text: string): string => text.replace(NO_TEXT, '').replace(/[\r\n\u2028\u2029]/g, ' ');

/** Halves of characters without the other half are shown as what they are: a character that is lost. */
export const wellFormed = (text: string): string => text.replace(/\p{Surrogate}/gu, '\uFFFD');

export const styleName = (name: string): string => name.trim().slice(0, LONGEST.STYLE) || 'Normal';

export function spanWithinBounds({ touches, link, language, ...rest }: Span): Span {
  const kept = touches && touchesWithinBounds(touches);
  return {
    ...rest,
    ...(kept === undefined || Object.keys(kept).length === 0 ? {} : { touches: kept }),
    ...(language === undefined || language === '' || language.length > LONGEST.LANGUAGE ? {} : { language }),
    ...(link === undefined || link === '' || link.length > LONGEST.LINK ? {} : { link }),
  };
}

function touchesWithinBounds({ face, size, colour, ...rest }: TextTouches): TextTouches {
  return {
    ...rest,
    ...(face === undefined || face.length === 0 ? {} : { face: face.slice(0, LONGEST.FACE) }),
    ...(size !== undefined && size >= SIZE.least && size <= SIZE.most ? { size } : {}),
    ...(colour !== undefined && /^#[0-9a-f]{6}$/.test(colour) ? { colour } : {}),
  };
}

export const termsWithinBounds = <T extends Partial<IndexMark>>(mark: T): T => ({
  ...mark,
  ...(['term', 'sub', 'see', 'seeAlso'] as const).reduce<Partial<IndexMark>>(
    (made, key) => (mark[key] === undefined ? made : { ...made, [key]: mark[key].slice(0, LONGEST.TERM) }),
    {},
  ),
});
