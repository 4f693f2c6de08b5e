// What was moved at the desk: the fewest blocks that stand out of the order of the base.
import type { Block } from '../../model/copy/streams';

/** `pairs`: the desk's block of a block of the base, by the place of that one. In the order of the base. */
export function movedAtDesk(desk: readonly Block[], pairs: ReadonlyMap<number, Block>): Block[] {
  const placeOf = new Map(desk.map((block, k) => [block, k]));
  const blocks = [...pairs].sort(([a], [b]) => a - b).map(([, block]) => block);
  const stays = longestRising(blocks.map((block) => placeOf.get(block) ?? -1));
  return blocks.filter((_, k) => !stays.has(k));
}

/** Places in a list of the longest run of rising numbers (Fredman 1975, by binary search). */
function longestRising(numbers: readonly number[]): ReadonlySet<number> {
  /** Places of the smallest number that ends a run of each length; and of each place the one before it in its run. */
  const ends: number[] = [];
  const before: number[] = [];
  numbers.forEach((number, k) => {
    let [low, high] = [0, ends.length];
    while (low < high) {
      const middle = (low + high) >> 1;
      if (numbers[ends[middle]] < number) low = middle + 1;
      else high = middle;
    }
    before.push(low === 0 ? -1 : ends[low - 1]);
    ends[low] = k;
  });
  const run = new Set<number>();
  for (let k = ends[ends.length - 1] ?? -1; k >= 0; k = before[k]) run.add(k);
  return run;
}
