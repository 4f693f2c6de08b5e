// Widths of a table's columns that fill a measure (house rules, section 6): none is narrower than its longest word, the rest is
// shared by content.

/** What a column asks for, in points: the width of its longest word, and of its widest entry on one line. */
export interface ColumnWish {
  readonly least: number;
  readonly natural: number;
}

/**
 * A width for each column, together `room` points at most. Where not even the longest words fit, the widest columns are narrowed,
 * and their words are divided.
 */
export function columnWidths(wishes: readonly ColumnWish[], room: number): number[] {
  const natural = wishes.reduce((sum, wish) => sum + wish.natural, 0);
  if (natural <= room) return wishes.map((wish) => wish.natural);
  const least = wishes.reduce((sum, wish) => sum + wish.least, 0);
  if (least >= room) {
    const cap = capOf(
      wishes.map((wish) => wish.least),
      room,
    );
    return wishes.map((wish) => Math.min(wish.least, cap));
  }
  const share = (room - least) / (natural - least);
  return wishes.map((wish) => wish.least + (wish.natural - wish.least) * share);
}

/** The width at which the widest columns are cut off so that all fit the room. */
function capOf(least: readonly number[], room: number): number {
  const sorted = [...least].sort((a, b) => a - b);
  let left = room;
  for (const [k, width] of sorted.entries()) {
    const share = left / (sorted.length - k);
    if (width >= share) return share;
    left -= width;
  }
  return Infinity;
}
