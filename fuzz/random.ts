// Numbers by seed (mulberry32): the same seed, the same file.

export interface Random {
  /** From 0 inclusive to 1 exclusive. */
  readonly next: () => number;
  /** A whole number from 0, below `end`. */
  readonly below: (end: number) => number;
  readonly pick: <T>(list: readonly T[]) => T;
}

export function seeded(seed: number): Random {
  let state = seed >>> 0;
  const next = () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
  const below = (end: number) => Math.floor(next() * end);
  return { next, below, pick: (list) => list[below(list.length)] };
}
