// Where the entries of a column of figures are parted, so that their marks stand one under another.
import type { ComposedParagraph } from '../../model/composed/pages';
import type { Pt } from '../../model/spec/length';
import type { FaceLibrary } from '../../fonts/faceLibrary';
import { widthsTo } from './textWidths';

/** A figure alone, with what may stand around it: signs, brackets, currency, a unit of a letter or two, a mark of a note. */
const FIGURE =
  /^[\s([<>≈~±−–—+-]*(?:\p{Sc}\s?)?[−–+-]?\d[\d.,’'\u00A0\u202F/:×x-]*\s*(?:[%‰°′″\])*†‡§\uFFFC]|\p{Sc}|\p{L}{1,2}[²³]?)*\s*$/u;
/** What stands for a figure that there is none of. */
const NONE = /^[\s–—−.…\u00A0-]*$/u;

/** Longer entries are words. */
const LONGEST = 40;

export const isFigure = (text: string): boolean => text.length <= LONGEST && FIGURE.test(text);
export const isNoFigure = (text: string): boolean => NONE.test(text);

/** Whether a column is one of figures: some entry is, and every other one stands for none. */
export const areFigures = (texts: readonly string[]): boolean =>
  texts.some(isFigure) && texts.every((text) => isFigure(text) || isNoFigure(text));

const SEPARATORS = /[.,]/g;
/** Groups of three digits, parted by what parts thousands. */
const THOUSANDS = /^\D*\d{1,3}([.,])\d{3}(?:\1\d{3})*\D*$/;

/** The decimal mark of a column, by its entries; null where none has decimals. */
export function decimalMark(texts: readonly string[]): string | null {
  const marked = texts.filter((text) => isFigure(text) && /\d[.,]\d/.test(text));
  // The last of two kinds of marks is the decimal one.
  for (const text of marked) {
    const marks = text.match(SEPARATORS)!;
    if (new Set(marks).size > 1) return marks[marks.length - 1];
  }
  const plain = marked.filter((text) => !THOUSANDS.test(text));
  return plain.length === 0 ? null : plain[0].match(SEPARATORS)!.at(-1)!;
}

/** Widths of an entry before the mark that is aligned, and from there on. One without it ends there: after its last digit. */
export function partedAt(
  paragraph: ComposedParagraph,
  mark: string | null,
  library: FaceLibrary,
): { readonly before: Pt; readonly after: Pt } {
  const { text } = paragraph.styled;
  const widths = widthsTo(paragraph, library);
  const at = mark === null ? -1 : text.lastIndexOf(mark);
  const digits = /\d(?=\D*$)/.exec(text);
  const end = at >= 0 ? at : digits === null ? text.trimEnd().length : digits.index + 1;
  return { before: widths[end], after: widths[text.length] - widths[end] };
}
