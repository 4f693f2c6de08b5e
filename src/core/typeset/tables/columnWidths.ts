// Widths of a table's columns: the least height of the whole table within its measure. No word is divided as long as the longest of all
// columns fit together.
import { greatest } from '../../base/append';
import type { Pt } from '../../model/spec/length';
import { linesIn, type WordWidths } from './textWidths';

/** What is set in a cell of one column: its paragraphs. `natural`: its widest, on one line. */
export interface CellWords {
  readonly column: number;
  readonly across: number;
  readonly natural: Pt;
  /** The width under which a word of it would be divided; of figures, all of it. */
  readonly least: Pt;
  /** Leading and words of each of its paragraphs. */
  readonly paragraphs: readonly { readonly leading: Pt; readonly words: WordWidths }[];
}

/** What a person said of a column, in points, or as a share of what the columns without a length have. */
export interface WidthWish {
  readonly width?: Pt | undefined;
  readonly share?: number | undefined;
}

export interface SetWidths {
  readonly widths: readonly Pt[];
  /** Some words are wider than their columns. */
  readonly areNarrow: boolean;
}

/** What cells ask for together: the most of each column, at least and on one line; those over several columns by themselves. */
export interface AskedWidths {
  readonly natural: readonly Pt[];
  readonly least: readonly Pt[];
  readonly spanning: readonly CellWords[];
}

/** What some cells of a table of so many columns ask for together. */
export function askedBy(cells: Iterable<CellWords>, columns: number): AskedWidths {
  const [natural, least] = [new Array<Pt>(columns).fill(0), new Array<Pt>(columns).fill(0)];
  const spanning: CellWords[] = [];
  for (const cell of cells) {
    if (cell.across > 1) spanning.push(cell);
    else {
      natural[cell.column] = Math.max(natural[cell.column], cell.natural);
      least[cell.column] = Math.max(least[cell.column], cell.least);
    }
  }
  return { natural, least, spanning };
}

/**
 * A width for each column, `room` points together at most. `cells`: those that begin in each row, asked for where the table is too wide; one
 * that covers several columns has them all and the `gap`s between them.
 */
export function columnWidths(
  asked: AskedWidths,
  cells: () => readonly (readonly CellWords[])[],
  wishes: readonly WidthWish[],
  room: Pt,
  gap: Pt,
): SetWidths {
  const natural = wished(demand(asked, gap, 'natural'), wishes, room);
  if (sum(natural) <= room + SLACK) return { widths: natural, areNarrow: isNarrow(asked, natural, gap) };
  const least = wished(demand(asked, gap, 'least'), wishes, room);
  if (sum(least) >= room - SLACK) {
    const cap = capOf(least, room);
    const widths = least.map((width) => Math.min(width, cap));
    return { widths, areNarrow: isNarrow(asked, widths, gap) };
  }
  const isFixed = wishes.map(({ width, share }) => width !== undefined || share !== undefined);
  const share = () => byContent(least, natural, isFixed, room);
  const search = (rows: readonly (readonly CellWords[])[]) =>
    rows.length * wishes.length > MOST_CELLS
      ? share()
      : new LeastHeight(rows, least, natural, isFixed, room, gap).find();
  const widths = isFixed.every(Boolean) ? least : search(cells());
  return { widths, areNarrow: isNarrow(asked, widths, gap) };
}

const SLACK = 0.01;
const sum = (widths: readonly Pt[]) => widths.reduce((total, width) => total + width, 0);

/** The width of a cell whose columns have these widths. */
const widthOf = ({ column, across }: CellWords, widths: readonly Pt[], gap: Pt) =>
  across === 1 ? widths[column] : sum(widths.slice(column, column + across)) + gap * (across - 1);

const isNarrow = ({ least, spanning }: AskedWidths, widths: readonly Pt[], gap: Pt) =>
  least.some((own, k) => own > widths[k] + SLACK) ||
  spanning.some((cell) => cell.least > widthOf(cell, widths, gap) + SLACK);

/** What each column asks for; what a cell over several columns lacks is shared by them. */
function demand({ spanning, ...alone }: AskedWidths, gap: Pt, what: 'natural' | 'least'): Pt[] {
  const widths = [...alone[what]];
  for (const cell of spanning) {
    const lacks = cell[what] - widthOf(cell, widths, gap);
    if (lacks > 0) for (let k = 0; k < cell.across; k += 1) widths[cell.column + k] += lacks / cell.across;
  }
  return widths;
}

/** The widths with what a person said of them. Lengths that leave the others nothing are cut to the room. */
function wished(widths: readonly Pt[], wishes: readonly WidthWish[], room: Pt): Pt[] {
  if (wishes.every(({ width, share }) => width === undefined && share === undefined)) return [...widths];
  const given = sum(wishes.map(({ width = 0 }) => width));
  const cut = given > room ? room / given : 1;
  const fixed = widths.map((own, k) => (wishes[k].width === undefined ? own : wishes[k].width * cut));
  const shares = sum(wishes.map(({ share = 0 }) => share));
  if (shares === 0) return fixed;
  const others = sum(fixed.filter((_, k) => wishes[k].share === undefined));
  const left = Math.max(0, room - others);
  return fixed.map((own, k) => (wishes[k].share === undefined ? own : (left * wishes[k].share) / shares));
}

/** The width at which the widest columns are cut off so that all fit the room. */
function capOf(least: readonly Pt[], room: Pt): Pt {
  const sorted = [...least].sort((a, b) => a - b);
  let left = room;
  for (const [k, width] of sorted.entries()) {
    const share = left / (sorted.length - k);
    if (width >= share) return share;
    left -= width;
  }
  return Infinity;
}

/** Widths with what is left of the room, shared by what the columns lack. */
function byContent(
  widths: readonly Pt[],
  natural: readonly Pt[],
  isFixed: readonly boolean[],
  room: Pt,
): readonly Pt[] {
  const left = room - sum(widths);
  const wants = widths.map((width, k) => (isFixed[k] ? 0 : Math.max(0, natural[k] - width)));
  const all = sum(wants);
  if (left <= SLACK || all <= SLACK) return widths;
  const share = Math.min(1, left / all);
  return widths.map((width, k) => width + wants[k] * share);
}

/** Cells looked at in the search for the least height, all together. */
const WORK = 100_000;
/** Tables of more cells are shared by content. */
const MOST_CELLS = 1000;
/** Widths that are tried of a column, at most. */
const MOST_TRIED = 60;

/**
 * The widths of least height: each column is tried at the widths at which a cell of it comes to another number of lines, the columns of most
 * words first; a beginning that cannot lead to less than the best so far is given up. The best so far is what a share by content comes to,
 * and stays the answer for what cannot be searched in bounds.
 */
class LeastHeight {
  private best: readonly Pt[];
  private bestHeight: Pt;
  private work = 0;
  private readonly order: readonly number[];
  /** Of each column, the cells that are in it alone, by row. */
  private readonly alone: readonly { readonly row: number; readonly cell: CellWords }[][];
  private readonly spanning: readonly (readonly CellWords[])[];
  private readonly tried: ReadonlyMap<number, readonly Pt[]>;

  constructor(
    private readonly rows: readonly (readonly CellWords[])[],
    private readonly least: readonly Pt[],
    private readonly natural: readonly Pt[],
    private readonly isFixed: readonly boolean[],
    private readonly room: Pt,
    private readonly gap: Pt,
  ) {
    const columns = least.map((_, column) => column);
    this.alone = columns.map((column) =>
      rows.flatMap((cells, row) =>
        cells.filter((cell) => cell.column === column && cell.across === 1).map((cell) => ({ row, cell })),
      ),
    );
    this.spanning = rows.map((cells) => cells.filter(({ across }) => across > 1));
    const free = columns.filter((column) => !isFixed[column] && natural[column] > least[column] + SLACK);
    this.order = free.sort((a, b) => natural[b] - natural[a]);
    this.tried = new Map(this.order.map((column) => [column, this.widthsOf(column)]));
    this.best = byContent(least, natural, isFixed, room);
    this.bestHeight = this.heightAt(this.best);
  }

  find(): readonly Pt[] {
    const heights = this.rows.map(() => 0);
    const widths = [...this.least];
    const fixed = widths.map((_, column) => column).filter((column) => !this.order.includes(column));
    for (const column of fixed) this.raise(heights, column, widths[column]);
    this.try(0, widths, heights, this.room - sum(this.least));
    return byContent(this.best, this.natural, this.isFixed, this.room);
  }

  /** The widths at which a cell of the column comes to one line fewer, from the least on. */
  private widthsOf(column: number): readonly Pt[] {
    const found = new Set<Pt>([this.least[column]]);
    const most = Math.min(this.natural[column], this.least[column] + this.room - sum(this.least));
    for (const { cell } of this.alone[column])
      for (const { words } of cell.paragraphs) {
        // Runs of words are all that can make a line.
        for (let from = 0; from < words.words.length; from += 1) {
          let width = -words.space;
          for (let to = from; to < words.words.length; to += 1) {
            width += words.space + words.words[to];
            if (width > most + SLACK) break;
            if (width > this.least[column]) found.add(Math.ceil(width * 10) / 10);
          }
        }
      }
    const all = [...found].sort((a, b) => a - b);
    if (all.length <= MOST_TRIED) return all;
    const step = (all.length - 1) / (MOST_TRIED - 1);
    return Array.from({ length: MOST_TRIED }, (_, k) => all[Math.round(k * step)]);
  }

  private heightOf({ paragraphs }: CellWords, width: Pt): Pt {
    this.work += 1;
    return paragraphs.reduce((height, { leading, words }) => height + leading * linesIn(words, width), 0);
  }

  private heightAt(widths: readonly Pt[]): Pt {
    return sum(
      this.rows.map((cells) =>
        greatest(
          0,
          cells.map((cell) => this.heightOf(cell, widthOf(cell, widths, this.gap))),
        ),
      ),
    );
  }

  private raise(heights: number[], column: number, width: Pt): void {
    for (const { row, cell } of this.alone[column]) heights[row] = Math.max(heights[row], this.heightOf(cell, width));
  }

  /** Columns from the k-th in order on. `heights`: those of the rows by the columns that are settled; `left`: room that none has taken. */
  private try(k: number, widths: Pt[], heights: readonly Pt[], left: Pt): void {
    if (this.work > WORK) return;
    if (k === this.order.length) return this.take(widths, heights);
    // What the rows are at least: every other column with all that is left.
    const bound = [...heights];
    for (const column of this.order.slice(k)) this.raise(bound, column, widths[column] + left);
    if (sum(bound) >= this.bestHeight - SLACK) return;
    const column = this.order[k];
    const least = widths[column];
    for (const width of this.tried.get(column)!.toReversed()) {
      if (width > least + left + SLACK) continue;
      const own = [...heights];
      this.raise(own, column, width);
      widths[column] = width;
      this.try(k + 1, widths, own, left - (width - least));
    }
    widths[column] = least;
  }

  private take(widths: readonly Pt[], heights: readonly Pt[]): void {
    const height = sum(
      heights.map((own, row) =>
        greatest(
          own,
          this.spanning[row].map((cell) => this.heightOf(cell, widthOf(cell, widths, this.gap))),
        ),
      ),
    );
    if (height >= this.bestHeight - SLACK) return;
    this.bestHeight = height;
    this.best = [...widths];
  }
}
