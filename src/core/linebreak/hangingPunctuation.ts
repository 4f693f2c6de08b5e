// How far a character at a line end hangs into the margin, as a share of its own advance. Small dark marks leave a dent
// in the edge of a column when they stand inside it; slanted letters too, a little.

import { table } from '../base/table';
const RIGHT: Readonly<Record<string, number>> = table({
  '-': 0.6,
  '\u2010': 0.6,
  '\u00AD': 0.6,
  '.': 0.65,
  ',': 0.65,
  ';': 0.4,
  ':': 0.4,
  '!': 0.12,
  '?': 0.12,
  '’': 0.6,
  '”': 0.45,
  '"': 0.45,
  "'": 0.6,
  '»': 0.3,
  '–': 0.3,
  '—': 0.16,
  ')': 0.1,
  r: 0.05,
  y: 0.05,
  v: 0.05,
  w: 0.04,
  f: 0.04,
  T: 0.06,
  V: 0.06,
  Y: 0.06,
  W: 0.05,
  A: 0.04,
});

const LEFT: Readonly<Record<string, number>> = table({
  '‘': 0.6,
  '“': 0.45,
  '"': 0.45,
  "'": 0.6,
  '«': 0.3,
  '(': 0.1,
  A: 0.05,
  T: 0.06,
  V: 0.06,
  W: 0.05,
  Y: 0.06,
  v: 0.05,
  w: 0.04,
  y: 0.05,
});

/** Shares by code unit, so that looking one up costs nothing for the many characters that do not hang. */
function byCode(shares: Readonly<Record<string, number>>): Float32Array {
  const table = new Float32Array(0x2100);
  for (const [char, share] of Object.entries(shares)) table[char.charCodeAt(0)] = share;
  return table;
}

const RIGHT_BY_CODE = byCode(RIGHT);
const LEFT_BY_CODE = byCode(LEFT);

/** Share of its advance by which a character (a UTF-16 unit) hangs out at the end of a line; 0 for most. */
export function hangRight(code: number): number {
  return code < RIGHT_BY_CODE.length ? RIGHT_BY_CODE[code] : 0;
}

/** The same at the start of a line. */
export function hangLeft(code: number): number {
  return code < LEFT_BY_CODE.length ? LEFT_BY_CODE[code] : 0;
}
