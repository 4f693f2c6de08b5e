// Which paragraphs of a newer version are which of the older one: by equal text first, then inside the gaps by likeness, in
// order both times.
import { append } from '../../base/append';
import { picturesIn } from '../../model/copy/holders';
import { OBJECT_CHARACTER, type Block } from '../../model/copy/streams';

/** Pairs of places, old and new, each used once, both rising. */
export type Alignment = readonly (readonly [number, number])[];

/** Share of the words that two paragraphs must have in common to be one. */
export const LEAST_LIKENESS = 0.5;
/** Cells of a table of comparisons; beyond, texts that stand once in both are taken as fixed first. */
const MOST_CELLS = 4_000_000;
/** The same for likeness, where each cell compares words. */
const MOST_LIKENESS_CELLS = 40_000;

/** Aligns two lists of blocks. Words in common are counted once for each time that both have them. */
export function alignBlocks(before: readonly Block[], after: readonly Block[]): Alignment {
  const [old, fresh] = [before.map(keyOf), after.map(keyOf)];
  const equal = alignEqual(old, fresh, [0, old.length], [0, fresh.length]);
  const all: (readonly [number, number])[] = [];
  let [i, j] = [0, 0];
  for (const pair of [...equal, [old.length, fresh.length] as const]) {
    append(all, alignLike(before, after, [i, pair[0]], [j, pair[1]]));
    if (pair[0] < old.length) all.push(pair);
    [i, j] = [pair[0] + 1, pair[1] + 1];
  }
  return all;
}

/** The words of a block, objects left out and spaces made one; its kind before them. Empty paragraphs are never equal to anything. */
function keyOf(block: Block): string {
  if (block.kind === 'table')
    return `table ${JSON.stringify(block.rows.map((row) => row.map(({ blocks }) => blocks.map(keyOf))))}`;
  const words = block.text.replaceAll(OBJECT_CHARACTER, ' ').replace(/\s+/g, ' ').trim();
  if (words !== '') return words;
  // A picture is the same picture when its bytes are, or, without any, when its name is.
  const pictures = picturesIn(block).map(({ asset, name }) => asset || name);
  return pictures.length === 0 ? '' : `picture ${pictures.join(' ')}`;
}

type Range = readonly [number, number];

/** A longest common subsequence of equal keys; where that would take too long, of those between texts that stand once in both. */
function alignEqual(
  old: readonly string[],
  fresh: readonly string[],
  a: Range,
  b: Range,
): (readonly [number, number])[] {
  let [i, m] = a;
  let [j, n] = b;
  const head: (readonly [number, number])[] = [];
  while (i < m && j < n && old[i] === fresh[j] && old[i] !== '') head.push([i++, j++]);
  const tail: (readonly [number, number])[] = [];
  while (i < m && j < n && old[m - 1] === fresh[n - 1] && old[m - 1] !== '') tail.push([--m, --n]);
  if (i === m || j === n) return [...head, ...tail.reverse()];
  const middle =
    (m - i) * (n - j) <= MOST_CELLS
      ? longestCommon(m - i, n - j, (x, y) => (old[i + x] !== '' && old[i + x] === fresh[j + y] ? 1 : 0)).map(
          ([x, y]) => [i + x, j + y] as const,
        )
      : betweenUnique(old, fresh, [i, m], [j, n]);
  return [...head, ...middle, ...tail.reverse()];
}

/** Pairs with the greatest sum of scores, in order (Needleman & Wunsch 1970, gaps free). */
function longestCommon(rows: number, columns: number, score: (x: number, y: number) => number): [number, number][] {
  const width = columns + 1;
  const best = new Float32Array((rows + 1) * width);
  for (let x = rows - 1; x >= 0; x -= 1) {
    for (let y = columns - 1; y >= 0; y -= 1) {
      const own = score(x, y);
      const skip = Math.max(best[(x + 1) * width + y], best[x * width + y + 1]);
      best[x * width + y] = own > 0 ? Math.max(skip, own + best[(x + 1) * width + y + 1]) : skip;
    }
  }
  const pairs: [number, number][] = [];
  for (let x = 0, y = 0; x < rows && y < columns;) {
    const here = best[x * width + y];
    const own = score(x, y);
    if (own > 0 && here === Math.fround(own + best[(x + 1) * width + y + 1])) pairs.push([x++, y++]);
    else if (here === best[(x + 1) * width + y]) x += 1;
    else y += 1;
  }
  return pairs;
}

/** Texts that stand once in both are fixed in their longest rising run; between them it goes on as before. */
function betweenUnique(
  old: readonly string[],
  fresh: readonly string[],
  a: Range,
  b: Range,
): (readonly [number, number])[] {
  const once = (keys: readonly string[], [from, to]: Range) => {
    const places = new Map<string, number>();
    for (let k = from; k < to; k += 1) places.set(keys[k], places.has(keys[k]) ? -1 : k);
    return places;
  };
  const [inOld, inFresh] = [once(old, a), once(fresh, b)];
  const shared = [...inOld].flatMap(([key, at]): [number, number][] => {
    const found = inFresh.get(key) ?? -1;
    return at >= 0 && found >= 0 && key !== '' ? [[at, found]] : [];
  });
  const fixed = longestRising(shared.sort((x, y) => x[0] - y[0]));
  if (fixed.length === 0) return [];
  const pairs: (readonly [number, number])[] = [];
  let [i, j] = [a[0], b[0]];
  for (const [x, y] of [...fixed, [a[1], b[1]] as const]) {
    append(pairs, alignEqual(old, fresh, [i, x], [j, y]));
    if (x < a[1]) pairs.push([x, y]);
    [i, j] = [x + 1, y + 1];
  }
  return pairs;
}

/** The longest run of pairs whose second places rise (Fredman 1975). */
function longestRising(pairs: readonly (readonly [number, number])[]): (readonly [number, number])[] {
  const ends: number[] = [];
  const back = new Array<number>(pairs.length).fill(-1);
  pairs.forEach(([, place], k) => {
    let [low, high] = [0, ends.length];
    while (low < high) {
      const middle = (low + high) >> 1;
      if (pairs[ends[middle]][1] < place) low = middle + 1;
      else high = middle;
    }
    back[k] = low > 0 ? ends[low - 1] : -1;
    ends[low] = k;
  });
  const found: (readonly [number, number])[] = [];
  for (let k = ends.at(-1) ?? -1; k >= 0; k = back[k]) found.unshift(pairs[k]);
  return found;
}

function alignLike(
  before: readonly Block[],
  after: readonly Block[],
  a: Range,
  b: Range,
): (readonly [number, number])[] {
  const [rows, columns] = [a[1] - a[0], b[1] - b[0]];
  if (rows === 0 || columns === 0) return [];
  if (rows * columns > MOST_LIKENESS_CELLS) return alignLikeInParts(before, after, a, b);
  const old = before.slice(a[0], a[1]).map(wordsOf);
  const fresh = after.slice(b[0], b[1]).map(wordsOf);
  const scores = new Float32Array(rows * columns);
  for (let x = 0; x < rows; x += 1) {
    for (let y = 0; y < columns; y += 1) {
      const likeness = likenessOf(old[x], fresh[y]);
      scores[x * columns + y] = likeness >= LEAST_LIKENESS ? likeness : 0;
    }
  }
  return longestCommon(rows, columns, (x, y) => scores[x * columns + y]).map(([x, y]) => [a[0] + x, b[0] + y] as const);
}

/** A gap too large to compare all with all is cut at the same shares of both sides. */
function alignLikeInParts(
  before: readonly Block[],
  after: readonly Block[],
  a: Range,
  b: Range,
): (readonly [number, number])[] {
  const middle = (range: Range) => (range[0] + range[1]) >> 1;
  const [x, y] = [middle(a), middle(b)];
  return [...alignLike(before, after, [a[0], x], [b[0], y]), ...alignLike(before, after, [x, a[1]], [y, b[1]])];
}

interface Words {
  readonly isTable: boolean;
  readonly count: number;
  readonly words: ReadonlyMap<string, number>;
}

function wordsOf(block: Block): Words {
  const words = new Map<string, number>();
  const list =
    keyOf(block)
      .toLowerCase()
      .match(/[\p{L}\p{N}]+/gu) ?? [];
  for (const word of list) words.set(word, (words.get(word) ?? 0) + 1);
  return { isTable: block.kind === 'table', count: list.length, words };
}

/** Words in common, of the words of the longer one; 0 for blocks of two kinds or without words. */
function likenessOf(a: Words, b: Words): number {
  const most = Math.max(a.count, b.count);
  if (a.isTable !== b.isTable || most === 0 || Math.min(a.count, b.count) < most * LEAST_LIKENESS) return 0;
  let shared = 0;
  for (const [word, count] of a.words) shared += Math.min(count, b.words.get(word) ?? 0);
  return shared / most;
}
