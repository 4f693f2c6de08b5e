// Presses the content streams of pages (RFC 1950 and 1951). One probe a place and one Huffman block a stream, whose code is
// that of the streams before it: half the time of a general compressor on such streams, which are short, many, alike, and
// made of glyph strings; they come out an eighth larger.

const HASH_BITS = 13;
const MIN_MATCH = 4;
const MAX_MATCH = 258;
const WINDOW = 32768;
const END = 256;
const CODES = 286;
const DISTANCES = 30;
const MATCH = 0x80000000;

/** Length codes (RFC 1951, 3.2.5): by length less 3 the code less 257, and by code its base and extra bits. */
const LENGTH_EXTRA = [0, 0, 0, 0, 0, 0, 0, 0, 1, 1, 1, 1, 2, 2, 2, 2, 3, 3, 3, 3, 4, 4, 4, 4, 5, 5, 5, 5, 0];
// The longest match has a code of its own, though the code before it could hold it.
const LENGTH_BASE = [...bases(LENGTH_EXTRA.slice(0, 28), 3), MAX_MATCH];
const lengthCode = Uint8Array.from({ length: 256 }, (_, k) => (k === 255 ? 28 : codeIn(LENGTH_BASE, k + 3, 28)));
const DISTANCE_EXTRA = Array.from({ length: DISTANCES }, (_, k) => (k < 4 ? 0 : (k >> 1) - 1));
const DISTANCE_BASE = bases(DISTANCE_EXTRA, 1);
const nearCode = Uint8Array.from({ length: 512 }, (_, k) => codeIn(DISTANCE_BASE, k + 1, DISTANCES));
/** Order in which the lengths of the code for code lengths stand (3.2.7). */
const ORDER = [16, 17, 18, 0, 8, 7, 9, 6, 10, 5, 11, 4, 12, 3, 13, 2, 14, 1, 15];

function bases(extra: readonly number[], first: number): number[] {
  const list: number[] = [];
  let at = first;
  for (const bits of extra) {
    list.push(at);
    at += 1 << bits;
  }
  return list;
}

function codeIn(base: readonly number[], value: number, count: number): number {
  let code = 0;
  while (code + 1 < count && base[code + 1] <= value) code += 1;
  return code;
}

/** Code of a distance, from 1 to 32768. */
function distanceCode(distance: number): number {
  if (distance <= 512) return nearCode[distance - 1];
  const bits = 31 - Math.clz32(distance - 1);
  return bits * 2 + (((distance - 1) >> (bits - 1)) & 1);
}

const heads = new Int32Array(1 << HASH_BITS);
/** Places in `heads` are counted on over all streams: what an earlier one left lies before this. */
let origin = 1;
let tokens = new Uint32Array(1 << 14);
const literals = new Uint32Array(CODES);
const distances = new Uint32Array(DISTANCES);

/** Bytes of a token at most: two words of 15 bits, and 5 and 13 bits more for a match, which takes the place of four bytes. */
const MOST_BYTES = 6;
/** How often each code is counted as seen before it is: every one must have a word. */
const UNSEEN = 1;
const SEEN = 4;

/** A code, and what stands before the first of its words in a stream. */
interface BlockCode {
  readonly literalLengths: Uint8Array;
  readonly literalCodes: Uint16Array;
  readonly distanceLengths: Uint8Array;
  readonly distanceCodes: Uint16Array;
  readonly head: BitWriter;
}

/**
 * Presses the streams of one file. The code is worked out from all streams so far, at the first, second, fourth and so on:
 * working one out for each took a third of the time.
 */
export class FastDeflate {
  private readonly literals = new Uint32Array(CODES).fill(UNSEEN);
  private readonly distances = new Uint32Array(DISTANCES).fill(UNSEEN);
  private code: BlockCode | null = null;
  private pressed = 0;

  /** A zlib stream of the bytes. */
  press(data: Uint8Array): Uint8Array<ArrayBuffer> {
    const count = tokenise(data);
    for (let k = 0; k < CODES; k += 1) this.literals[k] += SEEN * literals[k];
    for (let k = 0; k < DISTANCES; k += 1) this.distances[k] += SEEN * distances[k];
    this.pressed += 1;
    if (this.code === null || (this.pressed & (this.pressed - 1)) === 0)
      this.code = codeOf(this.literals, this.distances);
    const out = this.code.head.copy(count * MOST_BYTES + 16);
    writeTokens(out, count, this.code);
    const sum = adler32(data);
    for (const shift of [24, 16, 8, 0]) out.byte((sum >>> shift) & 0xff);
    return out.take();
  }
}

function codeOf(literalCounts: Uint32Array, distanceCounts: Uint32Array): BlockCode {
  const literalLengths = codeLengths(literalCounts, 15);
  const distanceLengths = codeLengths(distanceCounts, 15);
  const head = new BitWriter(512);
  head.byte(0x78);
  head.byte(0x01);
  // The last block, with a code of its own.
  head.bits(1, 1);
  head.bits(2, 2);
  writeHeader(head, literalLengths, distanceLengths);
  return {
    literalLengths,
    literalCodes: canonical(literalLengths),
    distanceLengths,
    distanceCodes: canonical(distanceLengths),
    head,
  };
}

/** Fills `tokens` and counts the codes; answers how many tokens there are. */
function tokenise(data: Uint8Array): number {
  const { length } = data;
  if (tokens.length < length) tokens = new Uint32Array(length * 2);
  if (origin > 0x3fffffff) {
    heads.fill(0);
    origin = 1;
  }
  literals.fill(0);
  distances.fill(0);
  let count = 0;
  const last = length - MIN_MATCH;
  for (let at = 0; at < length;) {
    let size = 0;
    let distance = 0;
    if (at <= last) {
      const key = data[at] | (data[at + 1] << 8) | (data[at + 2] << 16) | (data[at + 3] << 24) | 0;
      const slot = Math.imul(key, 0x9e3779b1) >>> (32 - HASH_BITS);
      const before = heads[slot] - origin;
      heads[slot] = at + origin;
      distance = at - before;
      if (before >= 0 && distance <= WINDOW) {
        const most = Math.min(MAX_MATCH, length - at);
        while (size < most && data[before + size] === data[at + size]) size += 1;
      }
    }
    if (size >= MIN_MATCH) {
      tokens[count++] = (MATCH | ((size - 3) << 16) | (distance - 1)) >>> 0;
      literals[257 + lengthCode[size - 3]] += 1;
      distances[distanceCode(distance)] += 1;
      at += size;
    } else {
      tokens[count++] = data[at];
      literals[data[at]] += 1;
      at += 1;
    }
  }
  origin += length + WINDOW;
  literals[END] = 1;
  return count;
}

/** The tokens and the end, into a writer with room for two bytes each: the innermost loop of a press PDF. */
function writeTokens(out: BitWriter, count: number, code: BlockCode): void {
  const { literalLengths, literalCodes, distanceLengths, distanceCodes } = code;
  const { bytes } = out;
  let { length, held, count: bits } = out;
  for (let k = 0; k < count; k += 1) {
    const token = tokens[k];
    const isLiteral = token < MATCH;
    const size = isLiteral ? 0 : (token >>> 16) & 0xff;
    const long = lengthCode[size];
    const symbol = isLiteral ? token : 257 + long;
    held |= literalCodes[symbol] << bits;
    bits += literalLengths[symbol];
    for (; bits >= 8; bits -= 8, held >>>= 8) bytes[length++] = held;
    if (isLiteral) continue;
    held |= (size + 3 - LENGTH_BASE[long]) << bits;
    bits += LENGTH_EXTRA[long];
    for (; bits >= 8; bits -= 8, held >>>= 8) bytes[length++] = held;
    const distance = (token & 0xffff) + 1;
    const far = distanceCode(distance);
    held |= distanceCodes[far] << bits;
    bits += distanceLengths[far];
    for (; bits >= 8; bits -= 8, held >>>= 8) bytes[length++] = held;
    held |= (distance - DISTANCE_BASE[far]) << bits;
    bits += DISTANCE_EXTRA[far];
    for (; bits >= 8; bits -= 8, held >>>= 8) bytes[length++] = held;
  }
  out.length = length;
  out.held = held;
  out.count = bits;
  out.bits(literalCodes[END], literalLengths[END]);
  out.flush();
}

/** The two codes by the lengths of their words, runs of which are shortened (3.2.7). */
function writeHeader(out: BitWriter, literalLengths: Uint8Array, distanceLengths: Uint8Array): void {
  const used = (lengths: Uint8Array, least: number) => {
    let end = lengths.length;
    while (end > least && lengths[end - 1] === 0) end -= 1;
    return end;
  };
  const [most, far] = [used(literalLengths, 257), used(distanceLengths, 1)];
  const all = [...literalLengths.subarray(0, most), ...distanceLengths.subarray(0, far)];
  const symbols: [number, number, number][] = [];
  const counts = new Uint32Array(19);
  const put = (symbol: number, extra = 0, bits = 0) => {
    symbols.push([symbol, extra, bits]);
    counts[symbol] += 1;
  };
  for (let k = 0; k < all.length;) {
    let end = k + 1;
    while (end < all.length && all[end] === all[k]) end += 1;
    let run = end - k;
    if (all[k] === 0) {
      for (; run >= 11; run -= Math.min(138, run)) put(18, Math.min(138, run) - 11, 7);
      if (run >= 3) {
        put(17, run - 3, 3);
        run = 0;
      }
      for (; run > 0; run -= 1) put(0);
    } else {
      put(all[k]);
      run -= 1;
      for (; run >= 3; run -= Math.min(6, run)) put(16, Math.min(6, run) - 3, 2);
      for (; run > 0; run -= 1) put(all[k]);
    }
    k = end;
  }
  const lengths = codeLengths(counts, 7);
  const codes = canonical(lengths);
  let shown = 19;
  while (shown > 4 && lengths[ORDER[shown - 1]] === 0) shown -= 1;
  out.bits(most - 257, 5);
  out.bits(far - 1, 5);
  out.bits(shown - 4, 4);
  for (let k = 0; k < shown; k += 1) out.bits(lengths[ORDER[k]], 3);
  for (const [symbol, extra, bits] of symbols) {
    out.bits(codes[symbol], lengths[symbol]);
    out.bits(extra, bits);
  }
}

/**
 * Lengths of the words of a Huffman code, none longer than `limit`: what is longer is shortened as in RFC 1951's reference
 * code, by lengthening words of the next shorter length. 0 for symbols that do not occur.
 */
export function codeLengths(counts: Uint32Array, limit: number): Uint8Array {
  const lengths = new Uint8Array(counts.length);
  const symbols = Array.from(counts.keys()).filter((symbol) => counts[symbol] > 0);
  symbols.sort((a, b) => counts[a] - counts[b] || a - b);
  const n = symbols.length;
  if (n <= 1) {
    if (n === 1) lengths[symbols[0]] = 1;
    return lengths;
  }
  // Leaves come sorted, and so do the nodes that are made of them: two queues are enough.
  const weights = new Float64Array(2 * n - 1);
  const parents = new Int32Array(2 * n - 1);
  symbols.forEach((symbol, k) => (weights[k] = counts[symbol]));
  let leaf = 0;
  let node = n;
  for (let made = n; made < 2 * n - 1; made += 1) {
    for (let half = 0; half < 2; half += 1) {
      const lightest = leaf < n && (node >= made || weights[leaf] <= weights[node]) ? leaf++ : node++;
      weights[made] += weights[lightest];
      parents[lightest] = made;
    }
  }
  const depths = new Uint8Array(2 * n - 1);
  const ofLength = new Uint32Array(limit + 1);
  let over = 0;
  for (let k = 2 * n - 3; k >= 0; k -= 1) {
    depths[k] = Math.min(255, depths[parents[k]] + 1);
    if (k >= n) continue;
    if (depths[k] > limit) over += 1;
    ofLength[Math.min(limit, depths[k])] += 1;
  }
  if (over > 0) shorten(ofLength, limit);
  let at = 0;
  for (let length = limit; length > 0; length -= 1)
    for (let k = 0; k < ofLength[length]; k += 1) lengths[symbols[at++]] = length;
  return lengths;
}

/** Makes room for the words that were cut to the limit, until the code is complete and no more (Kraft's sum is 1). */
function shorten(ofLength: Uint32Array, limit: number): void {
  let sum = 0;
  for (let length = 1; length <= limit; length += 1) sum += ofLength[length] * 2 ** (limit - length);
  for (; sum > 2 ** limit; sum -= 1) {
    let length = limit - 1;
    while (ofLength[length] === 0) length -= 1;
    ofLength[length] -= 1;
    ofLength[length + 1] += 2;
    ofLength[limit] -= 1;
  }
}

/** Code words by their lengths (3.2.2), turned round: they are written from their first bit on. */
function canonical(lengths: Uint8Array): Uint16Array {
  const next = new Uint16Array(17);
  for (const length of lengths) if (length > 0) next[length + 1] += 1;
  for (let length = 2; length < 17; length += 1) next[length] = (next[length] + next[length - 1]) << 1;
  const codes = new Uint16Array(lengths.length);
  lengths.forEach((length, symbol) => {
    if (length === 0) return;
    let word = next[length]++;
    let turned = 0;
    for (let k = 0; k < length; k += 1, word >>= 1) turned = (turned << 1) | (word & 1);
    codes[symbol] = turned;
  });
  return codes;
}

class BitWriter {
  bytes: Uint8Array<ArrayBuffer>;
  length = 0;
  /** Bits that fill no byte yet, and how many they are. */
  held = 0;
  count = 0;

  constructor(size: number) {
    this.bytes = new Uint8Array(size);
  }

  /** At most 16 bits, the lowest first. */
  bits(value: number, count: number): void {
    this.held |= value << this.count;
    this.count += count;
    while (this.count >= 8) {
      this.byte(this.held & 0xff);
      this.held >>>= 8;
      this.count -= 8;
    }
  }

  byte(value: number): void {
    if (this.length === this.bytes.length) {
      const larger = new Uint8Array(this.bytes.length * 2 + 64);
      larger.set(this.bytes);
      this.bytes = larger;
    }
    this.bytes[this.length++] = value;
  }

  flush(): void {
    if (this.count > 0) this.byte(this.held & 0xff);
    this.held = 0;
    this.count = 0;
  }

  take(): Uint8Array<ArrayBuffer> {
    return this.bytes.slice(0, this.length);
  }

  /** A writer that goes on from here, with room for so many bytes. */
  copy(room: number): BitWriter {
    const copy = new BitWriter(this.length + room);
    copy.bytes.set(this.bytes.subarray(0, this.length));
    copy.length = this.length;
    copy.held = this.held;
    copy.count = this.count;
    return copy;
  }
}

/** Adler-32 (RFC 1950, 8.2). */
function adler32(data: Uint8Array): number {
  let [a, b] = [1, 0];
  for (let at = 0; at < data.length;) {
    // So many sums stay below 2^32 before they must be taken by the modulus.
    const end = Math.min(at + 5552, data.length);
    for (; at < end; at += 1) {
      a += data[at];
      b += a;
    }
    a %= 65521;
    b %= 65521;
  }
  return ((b << 16) | a) >>> 0;
}
