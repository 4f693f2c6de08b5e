// The marks of list items: a bullet, or the number that counting comes to.
import type { NumberingSpec } from '../model/spec/numbering';
import type { Paragraph } from '../model/copy/streams';
import { inNumerals } from './numerals';

/** Counts the items of a stream in order. */
export class ListMarks {
  private counts: number[] = [];
  /** Whether the last item of a level had a number: items of another kind begin another list. */
  private kinds: boolean[] = [];

  constructor(
    private readonly marks: Pick<NumberingSpec, 'ordered' | 'bullets'>,
    private readonly language: string,
  ) {}

  /** The mark of a paragraph, such as `2.`; null for one that is no list item. */
  next({ list }: Paragraph): string | null {
    if (list === undefined) {
      this.counts = [];
      return null;
    }
    this.counts.length = Math.min(this.counts.length, list.level + 1);
    if (this.kinds[list.level] !== list.ordered) this.counts[list.level] = 0;
    this.kinds[list.level] = list.ordered;
    const count = list.start ?? (this.counts[list.level] ?? 0) + 1;
    this.counts[list.level] = count;
    const { ordered, bullets } = this.marks;
    if (!list.ordered) return bullets[list.level % bullets.length];
    const number = inNumerals(count, ordered[list.level % ordered.length], this.language);
    return number === '' ? '' : `${number}.`;
  }
}
