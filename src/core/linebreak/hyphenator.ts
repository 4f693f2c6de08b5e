// Hyphenation by Liang's method (F. M. Liang, Word Hy-phen-a-tion by Com-put-er, 1983): patterns in a packed trie, each
// word worked out once per language.

/** Patterns as data: distinct level lists, and a trie of `[levelIndex or -1, children by character]`. */
export interface PatternData {
  readonly levels: readonly (readonly number[])[];
  readonly root: PatternNode;
  readonly exceptions: Readonly<Record<string, readonly number[]>>;
}
export type PatternNode = readonly [number, { readonly [char: string]: PatternNode }];

const NONE = new Uint8Array(0);

/** The trie: children of node n are entries `first[n]` to `first[n + 1]` of `chars` and `targets`, sorted by character. */
export class Hyphenator {
  private readonly first: Uint32Array;
  private readonly chars: Uint16Array;
  private readonly targets: Uint32Array;
  private readonly levelOf: Int32Array;
  private readonly words = new Map<string, Uint8Array>();

  constructor(private readonly data: PatternData) {
    const nodes: PatternNode[] = [data.root];
    const first: number[] = [];
    const chars: number[] = [];
    const targets: number[] = [];
    for (let n = 0; n < nodes.length; n += 1) {
      first.push(chars.length);
      for (const char of Object.keys(nodes[n][1]).sort((a, b) => a.charCodeAt(0) - b.charCodeAt(0))) {
        chars.push(char.charCodeAt(0));
        targets.push(nodes.length);
        nodes.push(nodes[n][1][char]);
      }
    }
    first.push(chars.length);
    this.first = Uint32Array.from(first);
    this.chars = Uint16Array.from(chars);
    this.targets = Uint32Array.from(targets);
    this.levelOf = Int32Array.from(nodes, (node) => node[0]);
  }

  /**
   * Where the word may be divided: one element per letter, 1 when it may be divided before that letter. Empty when it
   * may not be divided at all. Least letters before and after are the caller's.
   */
  divide(word: string): Uint8Array {
    const known = this.words.get(word);
    if (known !== undefined) return known;
    const found = this.work(word.toLowerCase());
    this.words.set(word, found);
    return found;
  }

  private work(word: string): Uint8Array {
    const exception = Object.hasOwn(this.data.exceptions, word) ? this.data.exceptions[word] : undefined;
    const allowed = new Uint8Array(word.length);
    if (exception !== undefined) {
      for (const at of exception) allowed[at] = 1;
      return allowed;
    }
    const levels = this.levelsOf(`.${word}.`);
    let any = false;
    for (let k = 1; k < word.length; k += 1) {
      allowed[k] = levels[k + 1] & 1;
      any ||= allowed[k] === 1;
    }
    return any ? allowed : NONE;
  }

  /** Highest level before each character of the dotted word. */
  private levelsOf(dotted: string): Uint8Array {
    const levels = new Uint8Array(dotted.length + 1);
    for (let start = 0; start < dotted.length; start += 1) {
      // The lists of patterns that begin with the dot count from the letter after it.
      const base = start === 0 ? 1 : start;
      let node = 0;
      for (let at = start; at < dotted.length; at += 1) {
        node = this.child(node, dotted.charCodeAt(at));
        if (node === 0) break;
        const index = this.levelOf[node];
        if (index < 0) continue;
        const list = this.data.levels[index];
        for (let k = 0; k < list.length; k += 1) {
          if (list[k] > levels[base + k]) levels[base + k] = list[k];
        }
      }
    }
    return levels;
  }

  /** Child by character, or 0 (the root is nobody's child). */
  private child(node: number, char: number): number {
    let low = this.first[node];
    let high = this.first[node + 1];
    while (low < high) {
      const middle = (low + high) >> 1;
      if (this.chars[middle] < char) low = middle + 1;
      else high = middle;
    }
    return low < this.first[node + 1] && this.chars[low] === char ? this.targets[low] : 0;
  }
}
