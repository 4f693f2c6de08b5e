// The marks of list items: a bullet, or the number that counting comes to, hanging before the text.
import { inNumerals } from '../measure/numerals';
import type { NumberingSpec } from '../model/numbering';
import type { ResolvedStyle } from '../model/styled';
import type { Paragraph } from '../model/streams';

/** Room of a mark, in em of the text. */
const HANG = 1.5;

/** Counts the items of a stream in order. */
export class ListMarks {
  private counts: number[] = [];

  constructor(
    private readonly marks: Pick<NumberingSpec, 'ordered' | 'bullets'>,
    private readonly language: string,
  ) {}

  /** What is set before a paragraph; empty for one that is no list item. */
  next({ list }: Paragraph): string {
    if (list === undefined) {
      this.counts = [];
      return '';
    }
    this.counts.length = Math.min(this.counts.length, list.level + 1);
    const count = (this.counts[list.level] ?? 0) + 1;
    this.counts[list.level] = count;
    const { ordered, bullets } = this.marks;
    if (!list.ordered) return `${bullets[list.level % bullets.length]}\t`;
    const number = inNumerals(count, ordered[list.level % ordered.length], this.language);
    return number === '' ? '\t' : `${number}.\t`;
  }
}

/** The style of an item of a level, its mark hanging. */
export function itemStyle(style: ResolvedStyle, level: number): ResolvedStyle {
  const hang = HANG * style.size;
  return { ...style, leftIndent: Math.max(style.leftIndent, hang) + level * hang, firstIndent: -hang };
}
