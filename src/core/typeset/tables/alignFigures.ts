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

/** What an entry says of its column. */
export interface EntryFacts {
  /** A figure; what stands for none; words. */
  readonly kind: 'figure' | 'none' | 'words';
  /** Of a figure: the last of its marks between digits; null: it has none. */
  readonly mark: string | null;
  /** It has two kinds of them: the last is the decimal one. */
  readonly hasTwoMarks: boolean;
  /** Its mark may part thousands. */
  readonly mayBeThousands: boolean;
}

export function entryFacts(text: string): EntryFacts {
  const isFigure = text.length <= LONGEST && FIGURE.test(text);
  const kind = isFigure ? 'figure' : NONE.test(text) ? 'none' : 'words';
  const marks = isFigure && /\d[.,]\d/.test(text) ? text.match(SEPARATORS)! : [];
  return {
    kind,
    mark: marks.at(-1) ?? null,
    hasTwoMarks: new Set(marks).size > 1,
    mayBeThousands: THOUSANDS.test(text),
  };
}

const SEPARATORS = /[.,]/g;
/** Groups of three digits, parted by what parts thousands. */
const THOUSANDS = /^\D*\d{1,3}([.,])\d{3}(?:\1\d{3})*\D*$/;

export interface PartedWidths {
  readonly before: Pt;
  readonly after: Pt;
}

/** Widths of an entry before the mark that is aligned, and from there on. One without it ends there: after its last digit. */
export function partedAt(paragraph: ComposedParagraph, mark: string | null, library: FaceLibrary): PartedWidths {
  const { text } = paragraph.styled;
  const widths = widthsTo(paragraph, library);
  const at = mark === null ? -1 : text.lastIndexOf(mark);
  const digits = /\d(?=\D*$)/.exec(text);
  const end = at >= 0 ? at : digits === null ? text.trimEnd().length : digits.index + 1;
  return { before: widths[end], after: widths[text.length] - widths[end] };
}
