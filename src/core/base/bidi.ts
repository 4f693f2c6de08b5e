// Text of two directions (UAX #9): embedding levels of a paragraph, and the order in which the runs of a line are seen.
import { greatest, smallest } from './append';
import bidiFactory from 'bidi-js';

const bidi = bidiFactory();

/** Scripts that run from right to left, and the marks that make text do so. */
const MAY_RUN_BACK = /[\u0590-\u08FF\u200F\u202B\u202E\u2067\uFB1D-\uFDFF\uFE70-\uFEFC\uD802\uD803\uD83A\uD83B]/;

export interface Levels {
  /** One per UTF-16 unit; odd: right to left. */
  readonly levels: Uint8Array;
  /** Level of the paragraph: as it was given, or by its first strong character (P2, P3). */
  readonly base: number;
}

/** `base`: the direction of the paragraph. Undefined for text that runs from left to right throughout. */
export function embeddingLevels(text: string, base: 'ltr' | 'rtl' | 'auto' = 'auto'): Levels | undefined {
  if (base !== 'rtl' && !MAY_RUN_BACK.test(text)) return undefined;
  const { levels, paragraphs } = bidi.getEmbeddingLevels(text, base);
  return { levels, base: paragraphs[0]?.level ?? 0 };
}

/** Rule L2 on the runs of one line: their indexes in the order in which they are seen, from left to right. */
export function visualOrder(levels: readonly number[]): number[] {
  const order = levels.map((_, index) => index);
  const highest = greatest(0, levels);
  const lowestOdd = smallest(
    Infinity,
    levels.filter((level) => level % 2 === 1),
  );
  for (let level = highest; level >= lowestOdd; level -= 1) {
    for (let from = 0; from < order.length; from += 1) {
      if (levels[order[from]] < level) continue;
      let to = from;
      while (to < order.length && levels[order[to]] >= level) to += 1;
      order.splice(from, to - from, ...order.slice(from, to).reverse());
      from = to;
    }
  }
  return order;
}
