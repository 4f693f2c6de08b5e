// The line breaking class of a code point (Unicode Standard Annex #14, table 1), resolved as rule LB1 says.
import { CLASS_RUNS } from './classTable';

export interface LineClass {
  /** `AL`, `OP` and so on; and our own: QI and QF, quotes of category Pi and Pf; XP, pictographs not assigned; DC, U+25CC; HH, U+2010. */
  readonly name: string;
  /** East Asian width F, W or H. */
  readonly isWide: boolean;
}

interface Table {
  readonly starts: Uint32Array;
  readonly classes: readonly LineClass[];
}

let table: Table | undefined;

/** Unpacked at the first text that asks. */
function unpack(): Table {
  const words = CLASS_RUNS.split(';');
  const starts = new Uint32Array(words.length);
  const known = new Map<string, LineClass>();
  let at = 0;
  const classes = words.map((word, k) => {
    const [step, name] = word.split(' ');
    starts[k] = at += parseInt(step, 36);
    const isWide = name.endsWith('*');
    const shared = known.get(name) ?? { name: isWide ? name.slice(0, -1) : name, isWide };
    known.set(name, shared);
    return shared;
  });
  return { starts, classes };
}

export function lineClassOf(code: number): LineClass {
  const { starts, classes } = (table ??= unpack());
  let [low, high] = [0, starts.length - 1];
  while (low < high) {
    const middle = (low + high + 1) >> 1;
    if (starts[middle] <= code) low = middle;
    else high = middle - 1;
  }
  return classes[low];
}
