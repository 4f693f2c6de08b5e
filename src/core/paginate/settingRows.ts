// Rows of a paragraph: its lines one under another, but for two that stand on either side of a figure.
import { lastAtMost } from '../base/search';
import type { ComposedParagraph, Fragment } from '../model/composed/pages';
import type { FlowParagraph } from './flowParagraph';

/** The first line of each row, and the count of lines; null: a line a row. */
export type Rows = Int32Array | null;

export function rowsOf({ byFigure }: Pick<FlowParagraph, 'byFigure'>, { broken }: ComposedParagraph): Rows {
  const doubled = byFigure?.doubled ?? [];
  if (doubled.length === 0) return null;
  const isSecond = new Set(doubled);
  const rows: number[] = [];
  for (let line = 0; line < broken.count; line += 1) if (!isSecond.has(line)) rows.push(line);
  return Int32Array.from([...rows, broken.count]);
}

export const lineOf = (rows: Rows, row: number): number => (rows === null ? row : rows[row]);

export const rowAt = (rows: Rows, line: number): number =>
  rows === null ? line : Math.max(0, lastAtMost(rows, line, rows.length - 1));

/** A fragment of rows as fragments of lines that stand one under another. `height`: of a row, in points. */
export function inLines(rows: Rows, { paragraph, from, to, x, y }: Fragment, height: number): Fragment[] {
  if (rows === null) return [{ paragraph, from, to, x, y }];
  const made: { -readonly [K in keyof Fragment]: Fragment[K] }[] = [];
  let isOpen = false;
  for (let row = from; row < to; row += 1) {
    const isDouble = rows[row + 1] > rows[row] + 1;
    if (isOpen && !isDouble) made[made.length - 1].to = rows[row + 1];
    else
      for (let line = rows[row]; line < rows[row + 1]; line += 1)
        made.push({ paragraph, from: line, to: line + 1, x, y: y + (row - from) * height });
    isOpen = !isDouble;
  }
  return made;
}
