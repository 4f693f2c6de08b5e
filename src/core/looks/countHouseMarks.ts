// How many places of a book are set otherwise than they were typed, by the house's marks.
import { eachStream, type Book } from '../model/copy/book';
import type { Block, Paragraph } from '../model/copy/streams';
import type { MarkSet, Spec } from '../model/spec/spec';
import { asTypedStretches } from './asTyped';
import { houseMarks } from './houseMarks';

/** Places, by what stands there. */
export interface MarkCounts {
  /** Quotes and apostrophes. */
  readonly quotes: number;
  readonly ellipses: number;
  /** Dashes, and the hyphens of ranges. */
  readonly dashes: number;
  /** Spaces between initials, before units and before stops. */
  readonly spaces: number;
}

export const NO_MARKS: MarkCounts = { quotes: 0, ellipses: 0, dashes: 0, spaces: 0 };

export function countHouseMarks(book: Book, set: MarkSet = book.spec.marks.set): MarkCounts {
  const { language } = book.particulars;
  const sum = { ...NO_MARKS } as { -readonly [K in keyof MarkCounts]: number };
  const add = (block: Block): void => {
    // The cells of a table are streams of their own.
    if (block.kind === 'table') return;
    const counts = countsOf(block, set, language, book.spec);
    for (const key of Object.keys(sum) as (keyof MarkCounts)[]) sum[key] += counts[key];
  };
  for (const { blocks } of eachStream(book)) blocks.forEach(add);
  return sum;
}

interface Known {
  readonly key: string;
  readonly styles: Spec['characterStyles'];
  readonly counts: MarkCounts;
}

/** Counted anew only where a paragraph has changed, or the marks. */
const known = new WeakMap<Paragraph, Known>();

function countsOf(paragraph: Paragraph, set: MarkSet, language: string, spec: Spec): MarkCounts {
  const key = `${set} ${language}`;
  const found = known.get(paragraph);
  const styles = spec.characterStyles;
  if (found?.key === key && found.styles === styles) return found.counts;
  const asTyped = asTypedStretches(paragraph, spec);
  const counts = { ...NO_MARKS } as { -readonly [K in keyof MarkCounts]: number };
  for (const { from, to } of houseMarks(paragraph.text, set, language, asTyped).edits) {
    const typed = paragraph.text.slice(from, to);
    const kind = /["'“”‘’„‚«»‹›]/.test(typed)
      ? 'quotes'
      : /[.…]/.test(typed)
        ? 'ellipses'
        : /[-–—]/.test(typed)
          ? 'dashes'
          : 'spaces';
    counts[kind] += 1;
  }
  known.set(paragraph, { key, styles, counts });
  return counts;
}
