// How far a character at a line end hangs into the margin, as a share of its own advance. Small dark marks leave a dent
// in the edge of a column when they stand inside it; slanted letters too, a little.

const RIGHT: Readonly<Record<string, number>> = {
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
};

const LEFT: Readonly<Record<string, number>> = {
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
};

/** Share of its advance by which a character hangs out at the end of a line; 0 for most. */
export function hangRight(character: string): number {
  return RIGHT[character] ?? 0;
}

/** The same at the start of a line. */
export function hangLeft(character: string): number {
  return LEFT[character] ?? 0;
}
