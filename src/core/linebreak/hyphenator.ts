// Hyphenation by Liang's method (F. M. Liang, Word Hy-phen-a-tion by Com-put-er, 1983): patterns in a packed trie, each
// word worked out once per language.
import { unitsOf, WordIndex } from '../base/wordIndex';

/** Patterns as data: distinct level lists, and a trie of `[levelIndex or -1, children by character]`. */
export interface PatternData {
  readonly levels: readonly (readonly number[])[];
  readonly root: PatternNode;
  readonly exceptions: Readonly<Record<string, readonly number[]>>;
}
export type PatternNode = readonly [number, { readonly [char: string]: PatternNode }];

const NONE = new Uint8Array(0);
const DOT = 0x2e;

/** Most words remembered; then all are forgotten and remembered anew. */
const MOST_WORDS = 300_000;

/** Characters of patterns are below this: the last are letters of old Cyrillic. */
const CHARACTERS = 0xa700;

/**
 * The trie as a table: the child of node n by the k-th letter of the patterns is `children[n * letters + k]`, 0 for none
 * (the root is nobody's child). A search among the children of a node took three times as long.
 */
export class Hyphenator {
  /** Place of each character among the letters of the patterns, from 1; 0: no pattern has it. */
  private readonly letterOf = new Uint16Array(CHARACTERS);
  private readonly letters: number;
  private readonly children: Uint16Array | Uint32Array;
  private readonly levelOf: Int32Array;
  /** The word at hand, as letters of the patterns. */
  private dotted = new Uint16Array(64);
  private index = new WordIndex();
  /** By number in the index: what `divide` answers. */
  private places: Uint8Array[] = [];

  constructor(private readonly data: PatternData) {
    const nodes: PatternNode[] = [data.root];
    /** Of each child in the order of `nodes`: its parent, and its letter. */
    const links: [number, number][] = [[0, 0]];
    let letters = 1;
    for (let n = 0; n < nodes.length; n += 1) {
      for (const [char, child] of Object.entries(nodes[n][1])) {
        const code = char.charCodeAt(0);
        if (code >= CHARACTERS) continue;
        if (this.letterOf[code] === 0) this.letterOf[code] = letters++;
        links.push([n, this.letterOf[code]]);
        nodes.push(child);
      }
    }
    this.letters = letters;
    const room = nodes.length * letters;
    this.children = nodes.length <= 0xffff ? new Uint16Array(room) : new Uint32Array(room);
    for (let n = 1; n < nodes.length; n += 1) this.children[links[n][0] * letters + links[n][1]] = n;
    this.levelOf = Int32Array.from(nodes, (node) => node[0]);
  }

  /**
   * Where the word text[from, to) may be divided: one element per letter, 1 when it may be divided before that letter.
   * Empty when it may not be divided at all. Least letters before and after are the caller's.
   */
  divide(text: string, from = 0, to = text.length): Uint8Array {
    if (this.places.length >= MOST_WORDS) {
      this.index = new WordIndex();
      this.places = [];
    }
    const number = this.index.findOrAdd(unitsOf(text, from, to), 0, to - from);
    if (number === this.places.length) this.places.push(this.work(text.slice(from, to).toLowerCase()));
    return this.places[number];
  }

  private work(word: string): Uint8Array {
    const exception = Object.hasOwn(this.data.exceptions, word) ? this.data.exceptions[word] : undefined;
    const allowed = new Uint8Array(word.length);
    if (exception !== undefined) {
      for (const at of exception) allowed[at] = 1;
      return allowed;
    }
    const levels = this.levelsOf(word);
    let any = false;
    for (let k = 1; k < word.length; k += 1) {
      allowed[k] = levels[k + 1] & 1;
      any ||= allowed[k] === 1;
    }
    return any ? allowed : NONE;
  }

  /** Highest level before each character of the word with a dot at either end. */
  private levelsOf(word: string): Uint8Array {
    const { children, letters, letterOf, levelOf } = this;
    const length = word.length + 2;
    if (length > this.dotted.length) this.dotted = new Uint16Array(length * 2);
    const { dotted } = this;
    dotted[0] = dotted[length - 1] = letterOf[DOT];
    for (let k = 0; k < word.length; k += 1) {
      const code = word.charCodeAt(k);
      dotted[k + 1] = code < CHARACTERS ? letterOf[code] : 0;
    }
    const levels = new Uint8Array(length + 1);
    for (let start = 0; start < length; start += 1) {
      // The lists of patterns that begin with the dot count from the letter after it.
      const base = start === 0 ? 1 : start;
      let node = 0;
      for (let at = start; at < length && dotted[at] > 0; at += 1) {
        node = children[node * letters + dotted[at]];
        if (node === 0) break;
        const index = levelOf[node];
        if (index < 0) continue;
        const list = this.data.levels[index];
        for (let k = 0; k < list.length; k += 1) {
          if (list[k] > levels[base + k]) levels[base + k] = list[k];
        }
      }
    }
    return levels;
  }
}
