// A paragraph as it stands on a page: its lines with their places and word spaces, read off what is drawn.
import type { DisplayList, TextItem } from '../../../../core/model/composed/displayList';

export interface PlacedLine {
  /** Baseline, left and right end, in points of the page. */
  readonly y: number;
  readonly left: number;
  readonly right: number;
  readonly size: number;
  readonly face: string;
  /** Mean width of its word spaces, in em; null: it has none. */
  readonly space: number | null;
}

/** The lines of a paragraph on a page, from the first. */
export function paragraphLines(list: DisplayList, block: string): PlacedLine[] {
  const byBaseline = new Map<number, TextItem[]>();
  for (const item of list.items) {
    if (item.source?.block !== block || item.count === 0) continue;
    const y = Math.round(item.y * 100) / 100;
    byBaseline.set(y, [...(byBaseline.get(y) ?? []), item]);
  }
  return [...byBaseline].map(([y, items]) => lineOf(list, y, items)).sort((a, b) => a.y - b.y);
}

function lineOf(list: DisplayList, y: number, items: readonly TextItem[]): PlacedLine {
  const spaces = items.flatMap((item) => spacesOf(list, item));
  // Notes and small capitals are smaller than the text of a line: its largest letters tell its size.
  const largest = items.reduce((a, b) => (b.size > a.size ? b : a));
  return {
    y,
    left: Math.min(...items.map((item) => list.xs[item.first])),
    right: Math.max(...items.map((item) => item.endX)),
    size: largest.size,
    face: largest.face,
    space: spaces.length === 0 ? null : spaces.reduce((sum, space) => sum + space, 0) / spaces.length,
  };
}

function spacesOf({ xs, charOffsets }: DisplayList, item: TextItem): number[] {
  const spaces: number[] = [];
  for (let k = item.first; k < item.first + item.count - 1; k += 1)
    if (item.text[charOffsets[k]] === ' ') spaces.push((xs[k + 1] - xs[k]) / item.size);
  return spaces;
}

/** A paragraph of text to judge by: of those with a few lines, the one nearest to the middle of what is in view. */
export function paragraphNear(list: DisplayList, y: number): string | null {
  const lines = new Map<string, number[]>();
  for (const { source, y: at } of list.items)
    if (source?.meaning === 'body') lines.set(source.block, [...(lines.get(source.block) ?? []), at]);
  const off = (ys: readonly number[]) => Math.abs(ys[Math.floor(ys.length / 2)] - y);
  const long = [...lines].filter(([, ys]) => new Set(ys).size > 2);
  return long.sort(([, a], [, b]) => off(a) - off(b))[0]?.[0] ?? null;
}
