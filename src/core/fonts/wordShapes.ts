// The words of a face that were shaped before. A run of 100,000 words has some ten thousand different ones; where the face
// allows it (wordsApart) each is shaped once, with the spaces at its sides, and runs are put together from them.
import { makeGlyphArrays, type ShapedGlyphs } from './glyphArrays';
import type { HarfBuzz, HarfBuzzFont } from './harfbuzz';
import { unitsOf, WordIndex } from '../base/wordIndex';

/** Most glyphs remembered per face and features; then all are forgotten and remembered anew (about 14 bytes each). */
const MOST_GLYPHS = 1_500_000;

/** Kinds of UTF-16 units: what is asked word by word, and among it letters of Latin, which settle the script. */
const PLAIN = 1;
const LETTER = 2;
/**
 * Letters of Latin, digits, stops, quotes and dashes, by their first and last. No combining marks, no fraction slash, and
 * nothing that the engine draws itself.
 */
const PLAIN_RANGES = [
  [0x20, 0x7e],
  [0xa1, 0xac],
  [0xae, 0x24f],
  [0x2010, 0x2010],
  [0x2012, 0x2027],
  [0x2030, 0x2043],
  [0x2045, 0x2051],
  [0x20a0, 0x20bf],
  [0x2116, 0x2116],
  [0x2122, 0x2122],
] as const;
const LETTER_RANGES = [
  [0x41, 0x5a],
  [0x61, 0x7a],
  [0xaa, 0xaa],
  [0xba, 0xba],
  [0xc0, 0xd6],
  [0xd8, 0xf6],
  [0xf8, 0x24f],
] as const;
const kinds = new Uint8Array(0x2123);
for (const [first, last] of PLAIN_RANGES) kinds.fill(PLAIN, first, last + 1);
for (const [first, last] of LETTER_RANGES) kinds.fill(LETTER, first, last + 1);

const kindOf = (unit: number) => (unit < kinds.length ? kinds[unit] : 0);

const SPACE = 32;

/** Longest text that is remembered as a word, in UTF-16 units: what is longer does not come again. */
const LONGEST = 60;

const ARRAYS = ['glyphs', 'clusters', 'advances', 'xOffsets', 'yOffsets', 'unsafe'] as const;

/** One growing set of arrays for the glyphs of all words: a word is a stretch of them. */
type Pool = Record<'glyphs' | 'clusters', Uint16Array> &
  Record<'advances', Int32Array> &
  Record<'xOffsets' | 'yOffsets', Int16Array> &
  Record<'unsafe', Uint8Array>;

/** Words of one face, list of features and language. */
export class WordShapes {
  private index = new WordIndex();
  private pool = emptyPool(4096);
  private used = 0;
  /** Per word: where its glyphs begin in the pool; the next word's begin where they end. */
  private starts: number[] = [0];
  /** Per word: 1 when a glyph of it is moved off its place. */
  private moved: number[] = [];
  /** Words of the run at hand. */
  private line = new Int32Array(256);
  private readonly canBatch: boolean;

  constructor(
    private readonly harfBuzz: HarfBuzz,
    private readonly font: HarfBuzzFont,
    private readonly features: string,
    private readonly language: string,
    private readonly most = MOST_GLYPHS,
  ) {
    // New words are shaped together, the space after one beside the space before the next: these may not be a pair.
    const [one, two] = [this.shapeLatin(' '), this.shapeLatin('  ')];
    this.canBatch = two.count === 2 && two.unsafe[1] === 0 && two.advances[0] === one.advances[0];
  }

  /**
   * The glyphs of a run, equal to those of `HarfBuzz.shape` in every array; undefined when it is not plain Latin text
   * with single spaces and words of ordinary length, so that it must be shaped whole.
   */
  shape(text: string): ShapedGlyphs | undefined {
    const words = this.findWords(text, 0, text.length);
    return words === 0 ? undefined : this.join(words);
  }

  /** Advances of text[from, to), shaped by itself, together, in font units; undefined as in `shape`. */
  advance(text: string, from: number, to: number): number | undefined {
    const words = this.findWords(text, from, to);
    if (words === 0) return undefined;
    const { advances } = this.pool;
    let sum = 0;
    for (let w = 0; w < words; w += 1) {
      const word = this.line[w];
      const end = this.starts[word + 1] - (w === words - 1 ? 0 : 1);
      for (let k = this.starts[word]; k < end; k += 1) sum += advances[k];
    }
    return sum;
  }

  /** Puts the words of text[from, to) into `line`, shaped; answers how many there are, 0 for text to be shaped whole. */
  private findWords(text: string, from: number, to: number): number {
    const units = unitsOf(text, from, to);
    const length = to - from;
    if (!isPlainLatin(units, length)) return 0;
    if (this.used > this.most) this.forget();
    const { index } = this;
    const known = index.count;
    let words = 0;
    let start = units[0] === SPACE ? 1 : 0;
    while (start < length) {
      let end = start;
      while (end < length && units[end] !== SPACE) end += 1;
      if (end === start || end - start > LONGEST) {
        words = 0;
        break;
      }
      if (words === this.line.length) this.line = grown(this.line);
      this.line[words] = index.findOrAdd(units, start > 0 ? start - 1 : 0, end < length ? end + 1 : length);
      words += 1;
      start = end + 1;
    }
    this.shapeNew(known);
    return words;
  }

  /** The words of the run one after another. A space between two is taken from the second, which it may be kerned with. */
  private join(words: number): ShapedGlyphs {
    const { starts, moved, line } = this;
    let count = 1 - words;
    for (let w = 0; w < words; w += 1) count += starts[line[w] + 1] - starts[line[w]];
    const result = makeGlyphArrays(count);
    const { glyphs, clusters, advances, unsafe } = result;
    const from = this.pool;
    const { glyphs: fromGlyphs, clusters: fromClusters, advances: fromAdvances, unsafe: fromUnsafe } = from;
    let to = 0;
    let offset = 0;
    let spaceIsUnsafe = 0;
    for (let w = 0; w < words; w += 1) {
      const start = starts[line[w]];
      const end = starts[line[w] + 1] - (w === words - 1 ? 0 : 1);
      const first = to;
      for (let k = start; k < end; k += 1, to += 1) {
        glyphs[to] = fromGlyphs[k];
        clusters[to] = fromClusters[k] + offset;
        advances[to] = fromAdvances[k];
        unsafe[to] = fromUnsafe[k];
      }
      if (moved[line[w]] !== 0) {
        result.xOffsets.set(from.xOffsets.subarray(start, end), first);
        result.yOffsets.set(from.yOffsets.subarray(start, end), first);
      }
      if (spaceIsUnsafe !== 0) unsafe[first] = 1;
      if (w < words - 1) {
        spaceIsUnsafe = fromUnsafe[end];
        // The next word's text begins at the space with which this one's ended.
        offset += fromClusters[end];
      }
    }
    return result;
  }

  /** Shapes the words from number `known` on, in one call where that is the same. */
  private shapeNew(known: number): void {
    const { index } = this;
    for (let word = known; word < index.count;) {
      const first = word;
      word = this.canBatch ? index.count : word + 1;
      const from = index.startOf(first);
      this.keep(this.shapeLatin(index.textOf(first, word)), first, word, from);
    }
  }

  private shapeLatin(text: string): ShapedGlyphs {
    return this.harfBuzz.shape(this.font, text, this.features, this.language, false, 'Latn');
  }

  /** Puts the glyphs of words [first, end), shaped together, into the pool: each word has those of its stretch of text. */
  private keep(shaped: ShapedGlyphs, first: number, end: number, from: number): void {
    if (this.used + shaped.count > this.pool.glyphs.length)
      this.pool = grownPool(this.pool, (this.used + shaped.count) * 2);
    for (const key of ARRAYS) this.pool[key].set(shaped[key], this.used);
    let glyph = 0;
    for (let word = first; word < end; word += 1) {
      const wordStart = this.index.startOf(word) - from;
      const wordEnd = this.index.startOf(word + 1) - from;
      let isMoved = 0;
      for (; glyph < shaped.count && shaped.clusters[glyph] < wordEnd; glyph += 1) {
        this.pool.clusters[this.used + glyph] = shaped.clusters[glyph] - wordStart;
        if (shaped.xOffsets[glyph] !== 0 || shaped.yOffsets[glyph] !== 0) isMoved = 1;
      }
      this.starts.push(this.used + glyph);
      this.moved.push(isMoved);
    }
    this.used += shaped.count;
  }

  private forget(): void {
    this.index = new WordIndex();
    this.starts = [0];
    this.moved = [];
    this.used = 0;
  }
}

function isPlainLatin(units: Uint16Array, length: number): boolean {
  let hasLetter = false;
  for (let k = 0; k < length; k += 1) {
    const kind = kindOf(units[k]);
    if (kind === 0) return false;
    if (kind === LETTER) hasLetter = true;
  }
  return hasLetter;
}

function emptyPool(room: number): Pool {
  return {
    glyphs: new Uint16Array(room),
    clusters: new Uint16Array(room),
    advances: new Int32Array(room),
    xOffsets: new Int16Array(room),
    yOffsets: new Int16Array(room),
    unsafe: new Uint8Array(room),
  };
}

function grownPool(pool: Pool, room: number): Pool {
  const larger = emptyPool(room);
  for (const key of ARRAYS) larger[key].set(pool[key]);
  return larger;
}

function grown(list: Int32Array<ArrayBuffer>): Int32Array<ArrayBuffer> {
  const larger = new Int32Array(list.length * 2);
  larger.set(list);
  return larger;
}
