// A set of short texts with numbers, asked with stretches of a longer one given as UTF-16 units: no text is cut out for the
// question, and no string is asked for its units one by one, which takes ten times as long.

/** As a signed number: one that begins beyond 2^31 is reckoned with as a float, six times slower. */
const FNV_BASIS = 0x811c9dc5 | 0;

/** Texts are kept one after another in UTF-16 units; a table of open places holds their numbers (FNV-1a hash). */
export class WordIndex {
  /** How many texts there are; their numbers run from 0. */
  count = 0;
  private units = new Uint16Array(16384);
  private starts = new Int32Array(2048);
  /** Number of a text plus 1; 0 in a free place. Its length is a power of two. */
  private places = new Int32Array(4096);

  /** Where text `number` begins among all; with `count`, where the last one ends. */
  startOf(number: number): number {
    return this.starts[number];
  }

  /** The texts [first, end), one after another. */
  textOf(first: number, end: number): string {
    let text = '';
    for (let k = this.starts[first]; k < this.starts[end]; k += 1) text += String.fromCharCode(this.units[k]);
    return text;
  }

  /** Number of asked[from, to), which is added when it is not there. */
  findOrAdd(asked: Uint16Array, from: number, to: number): number {
    const { units, starts, places } = this;
    const mask = places.length - 1;
    let hash = FNV_BASIS;
    for (let k = from; k < to; k += 1) hash = Math.imul(hash ^ asked[k], 0x01000193);
    for (let place = (hash ^ (hash >>> 15)) & mask; ; place = (place + 1) & mask) {
      const number = places[place] - 1;
      if (number < 0) return this.add(asked, from, to, place);
      const start = starts[number];
      if (starts[number + 1] - start !== to - from) continue;
      let k = from;
      while (k < to && units[start + k - from] === asked[k]) k += 1;
      if (k === to) return number;
    }
  }

  private add(asked: Uint16Array, from: number, to: number, place: number): number {
    const number = this.count;
    const start = this.starts[number];
    const end = start + to - from;
    if (end > this.units.length) this.units = copied(this.units, new Uint16Array(end * 2));
    if (number + 2 > this.starts.length) this.starts = copied(this.starts, new Int32Array(number * 2 + 2));
    for (let k = from; k < to; k += 1) this.units[start + k - from] = asked[k];
    this.starts[number + 1] = end;
    this.places[place] = number + 1;
    this.count += 1;
    if (this.count * 2 > this.places.length) this.widen();
    return number;
  }

  private widen(): void {
    const places = new Int32Array(this.places.length * 4);
    const mask = places.length - 1;
    for (let number = 0; number < this.count; number += 1) {
      let hash = FNV_BASIS;
      for (let k = this.starts[number]; k < this.starts[number + 1]; k += 1)
        hash = Math.imul(hash ^ this.units[k], 0x01000193);
      let place = (hash ^ (hash >>> 15)) & mask;
      while (places[place] !== 0) place = (place + 1) & mask;
      places[place] = number + 1;
    }
    this.places = places;
  }
}

function copied<T extends Uint16Array | Int32Array>(from: T, to: T): T {
  to.set(from);
  return to;
}

let scratch = new Uint16Array(512);

/** The units of text[from, to) at the head of an array that the next call fills anew. */
export function unitsOf(text: string, from: number, to: number): Uint16Array {
  if (to - from > scratch.length) scratch = new Uint16Array((to - from) * 2);
  for (let k = from; k < to; k += 1) scratch[k - from] = text.charCodeAt(k);
  return scratch;
}
