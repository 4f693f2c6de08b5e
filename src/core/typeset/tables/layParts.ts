// Which rows stand together on a page, and what stands over them where a table goes on.
import { gridOf } from '../../copy/tableGrid';
import { setInk } from '../../looks/setInk';
import { Remembered } from '../../base/remembered';
import type { TableMark } from '../../model/composed/pages';
import type { Pt } from '../../model/spec/length';
import type { TableRowKind } from '../../model/copy/streams';
import type { TableRulePlace } from '../../model/spec/tableStyle';
import type { SetRows, SetText } from '../../paginate';
import { footRuleAt, gapsOf, layRows, ruleAt, ruleMark, rulePlace, type LaidRow, type Laying } from './layRows';
import { cutAtLines } from './cutAtLines';
import type { LaidPart } from './laidPart';
import { continuedLine, depthOfCaptions, placeCaptions, type SetCaption } from './tableCaptions';
import type { PlacedCell, PlacedRow } from './placedCells';
import { widthOf, type TableColumns } from './tableColumns';

interface Captions {
  readonly above: readonly SetCaption[];
  readonly below: readonly SetCaption[];
}

/** Rows from one to before another, and their depth with the white before the first. */
interface Stretch {
  readonly from: number;
  readonly to: number;
}

/** Grid lines over the rule at the head of a page. */
const OVER_RULE = 0.5;

/** The parts of a table, from the top; those that are as they were are the same objects. */
export function layParts(cells: readonly PlacedRow[], laying: Laying, captions: Captions): readonly LaidPart[] {
  return new PartLayer(cells, laying, captions).lay();
}

type Top = SetRows['top'];

/** Parts by their first row, and what stands over them by the first row of the table, by the white that comes with each. */
const knownParts = new Remembered<LaidRow, readonly LaidPart[]>();
const knownTops = new Remembered<LaidRow, Map<Pt, Top>>();
/** Stands for the columns and all else that every part is made with. */
const grounds = new Remembered<TableColumns, object>();
/** Among the parts of what ends a table. */
const END = { composed: 'end' } as const;

class PartLayer {
  private readonly kinds: readonly TableRowKind[];
  private readonly gaps: readonly Pt[];
  private readonly rows: readonly LaidRow[];
  /** Rows of the head. */
  private readonly heads: number;
  /** The most rows that a cell covers. */
  private readonly deepest: number;
  /** What says over the heads that the table goes on. */
  private readonly line: SetCaption | null;
  private readonly tops: Map<Pt, Top>;
  private readonly ground: object;
  private readonly grid: Pt;
  private readonly page: Pt;

  constructor(
    private readonly cells: readonly PlacedRow[],
    private readonly laying: Laying,
    private readonly captions: Captions,
  ) {
    const { geometry } = laying.compose;
    this.grid = geometry.leading;
    this.page = geometry.lines * geometry.leading;
    const { rowLooks, rows } = laying.table;
    this.kinds = rows.map((_, k) => rowLooks?.[k]?.kind ?? (k === 0 && rows.length > 1 ? 'head' : 'body'));
    const first = this.kinds.findIndex((kind) => kind !== 'head' && kind !== 'units');
    this.heads = first < 0 ? 0 : first;
    this.gaps = gapsOf(this.kinds, laying, this.grid);
    this.rows = layRows(cells, laying, this.gaps);
    this.deepest = gridOf(laying.table).deepest;
    this.line = continuedLine(captions.above, laying.style.continued, laying.compose);
    const { style, columns, compose } = laying;
    const { book, context } = compose;
    const made = [style, book.spec, book.particulars.language, context, this.grid, this.page];
    this.ground = grounds.take(columns, made, () => ({}));
    const heads = [this.ground, this.heads, ...this.stackedOn(0, this.heads), this.gaps[this.heads], this.line];
    this.tops = knownTops.take(this.rows[0], heads, () => new Map());
  }

  lay(): LaidPart[] {
    return this.stretches().flatMap((stretch) => {
      const { from, to } = stretch;
      const parts = this.stackedOn(from, to);
      parts.push(this.ground, this.tops, this.idOf(from));
      if (from === 0) for (const { composed } of this.captions.above) parts.push(composed);
      if (to === this.rows.length) for (const { composed } of [...this.captions.below, END]) parts.push(composed);
      return knownParts.take(this.rows[from], parts, () => this.partsOf(stretch));
    });
  }

  /** What rows look like one under another. */
  private stackedOn(from: number, to: number): unknown[] {
    const parts: unknown[] = [this.laying.table.rowLooks?.[from]?.breakBefore, this.bodyNumber(from) % 2];
    for (let k = from; k < to; k += 1) parts.push(this.rows[k], this.gaps[k], rulePlace(this.kinds, k));
    // Rules leave out the cells that go on from above.
    if (this.deepest > 1) for (let k = Math.max(0, from - this.deepest); k < to; k += 1) parts.push(this.cells[k]);
    return parts;
  }

  /** Runs of rows that no page end parts. One that is too deep for a page is parted at every row where it may be. */
  private stretches(): Stretch[] {
    const runs = this.runs((k) => this.stay(k));
    return runs.flatMap((run) =>
      this.depthOf(run) <= this.roomFor(run)
        ? [run]
        : this.runs((k) => k < this.heads || this.isSpanned(k), run.from, run.to),
    );
  }

  private runs(stay: (k: number) => boolean, from = 0, to = this.rows.length): Stretch[] {
    const runs: Stretch[] = [];
    let start = from;
    for (let k = from + 1; k <= to; k += 1) {
      if (k < to && stay(k)) continue;
      runs.push({ from: start, to: k });
      start = k;
    }
    return runs;
  }

  private isSpanned(k: number): boolean {
    return this.cellsOver(k).length > 0;
  }

  /** Cells that go on from above row k in it, looked for as far back as any reaches. */
  private cellsOver(k: number): PlacedCell[] {
    const found: PlacedCell[] = [];
    if (this.deepest === 1) return found;
    for (let row = k - 1; row >= 0 && row >= k - this.deepest; row -= 1)
      for (const cell of this.cells[row]) if (row + cell.down > k) found.push(cell);
    return found;
  }

  /** Whether row k stays with the one before it. */
  private stay(k: number): boolean {
    const { kinds, heads } = this;
    const { setting, rowLooks } = this.laying.table;
    if (rowLooks?.[k]?.breakBefore) return false;
    // What floats is whole.
    if (setting?.together || setting?.place || this.isSpanned(k)) return true;
    if (k <= heads + 1) return heads > 0 || k === 1;
    if (k === this.rows.length - 1 || kinds[k] === 'total') return true;
    if (kinds[k - 1] === 'group' || kinds[k - 2] === 'group' || kinds[k - 1] === 'units') return true;
    // The last row of a group does not stand alone.
    return kinds[k] === 'body' && kinds[k + 1] !== 'body' && kinds[k - 1] === 'body';
  }

  private depthOf({ from, to }: Stretch): Pt {
    let depth = from === 0 ? depthOfCaptions(this.captions.above, this.grid) : 0;
    for (let k = from; k < to; k += 1) depth += this.gaps[k] + this.rows[k].height;
    return to === this.rows.length ? depth + this.below() : depth;
  }

  private below(): Pt {
    const depth = depthOfCaptions(this.captions.below, this.grid);
    return depth === 0 ? 0 : depth + this.grid;
  }

  private roomFor({ from }: Stretch): Pt {
    return this.page - (from === 0 ? OVER_RULE * this.grid : this.topAt(from).depth * this.grid);
  }

  private partsOf(stretch: Stretch): LaidPart[] {
    const part = this.partAt(stretch);
    const room = this.roomFor(stretch);
    if (part.height <= room + 0.01) return [part];
    // The pieces after the first bring no white of their own.
    return cutAtLines(part, this.topAt(stretch.to - 1, 0), room, this.grid);
  }

  private partAt({ from, to }: Stretch): LaidPart {
    const { rowLooks } = this.laying.table;
    const texts: SetText[] = [];
    const marks: TableMark[] = [];
    let y = 0;
    if (from === 0) {
      const placed = placeCaptions(this.captions.above, 0);
      texts.push(...placed);
      y = depthOfCaptions(this.captions.above, this.grid);
    }
    y = this.stack(from, to, y, texts, marks);
    if (to === this.rows.length) {
      this.addRule(marks, 'foot', y + footRuleAt(this.laying));
      texts.push(...placeCaptions(this.captions.below, y + this.grid));
      y += this.below();
    }
    const goesOn = from === 0 ? null : this.kinds[from] === 'group' ? 'group' : 'row';
    const depth = this.captions.above.length > 0 ? 0 : OVER_RULE;
    const top = from === 0 ? { texts: [], marks: [], depth } : this.topAt(from);
    return {
      rows: {
        texts,
        marks,
        top,
        goesOn,
        mayPass: from === 0 && to === this.rows.length && this.captions.above.length > 0,
      },
      height: y,
      id: this.idOf(from),
      beginsPage: rowLooks?.[from]?.breakBefore === true && from > 0,
    };
  }

  /** Rows one under another from a depth on; answers where they end. */
  private stack(from: number, to: number, start: Pt, texts: SetText[], marks: TableMark[]): Pt {
    let y = start;
    for (let k = from; k < to; k += 1) {
      const gap = this.gaps[k];
      this.addBand(marks, k, y, gap);
      y += gap;
      const place = rulePlace(this.kinds, k);
      if (place !== null) this.addRule(marks, place, y + ruleAt(this.laying, place === 'top' ? null : gap), k);
      const { texts: own, height } = this.rows[k];
      for (const text of own) texts.push({ ...text, x: text.x + this.left, y: text.y + y });
      y += height;
      this.addSpanRules(marks, k, y);
    }
    return y;
  }

  /** A table that is narrower than its column stands at its left edge. */
  private readonly left = 0;

  /** A rule as wide as the table; before row k it leaves out the cells that go on there from above. */
  private addRule(marks: TableMark[], place: TableRulePlace, y: Pt, k = 0): void {
    const { style, columns, compose } = this.laying;
    const over = this.cellsOver(k).sort((a, b) => a.column - b.column);
    let from = 0;
    const add = (to: Pt) => {
      const mark = ruleMark(style.rules[place], { x: this.left + from, y, width: to - from }, compose.book.spec.inks);
      if (mark !== null) marks.push(mark);
    };
    for (const cell of over) {
      const start = columns.starts[cell.column];
      add(start - (cell.column > 0 ? columns.gap : 0));
      from = start + widthOf(cell, columns.widths, columns.gap) + columns.gap;
    }
    if (from < columns.width) add(columns.width);
  }

  /** Under a head over several columns, as wide as they are. */
  private addSpanRules(marks: TableMark[], k: number, y: Pt): void {
    if (k >= this.heads - 1) return;
    const { style, columns, compose, size } = this.laying;
    for (const cell of this.cells[k]) {
      if (cell.across === 1 || cell.across === columns.widths.length || cell.composed.paragraphs.length === 0) continue;
      const x = this.left + columns.starts[cell.column];
      const width = widthOf(cell, columns.widths, columns.gap);
      const mark = ruleMark(style.rules.head, { x, y: y + size * SPAN_RULE, width }, compose.book.spec.inks);
      if (mark !== null) marks.push(mark);
    }
  }

  /** The ground of every second row of the body. */
  private addBand(marks: TableMark[], k: number, y: Pt, gap: Pt): void {
    const { style, columns, compose } = this.laying;
    if (style.band === null || this.kinds[k] !== 'body' || this.bodyNumber(k) % 2 === 0) return;
    const ink = setInk(compose.book.spec.inks, style.band);
    if (ink === null) return;
    const thickness = gap + this.rows[k].height;
    const shift = this.laying.size * BAND_SHIFT;
    marks.push({ kind: 'ground', x: this.left, y: y + thickness / 2 + shift, width: columns.width, thickness, ink });
  }

  /** Rows of the body before row k since the last that is none. */
  private bodyNumber(k: number): number {
    if (this.bodyNumbers === undefined) {
      let count = 0;
      this.bodyNumbers = this.kinds.map((kind) => (kind === 'body' ? count++ : (count = 0)));
    }
    return this.bodyNumbers[k];
  }
  private bodyNumbers: number[] | undefined;

  /** What stands over row k at the head of a page; `own`: the white that comes with the row. */
  private topAt(k: number, own = this.gaps[k]): Top {
    let top = this.tops.get(own);
    if (top === undefined) this.tops.set(own, (top = this.makeTop(own)));
    return top;
  }

  private makeTop(own: Pt): Top {
    const { style } = this.laying;
    const { line } = this;
    if (!style.repeatHead || this.heads === 0) {
      const depth = line === null ? 0 : depthOfCaptions([line], this.grid) / this.grid;
      return { texts: line === null ? [] : placeCaptions([line], 0), marks: [], depth };
    }
    const texts: SetText[] = line === null ? [] : placeCaptions([line], 0);
    const marks: TableMark[] = [];
    const start = line === null ? OVER_RULE * this.grid : depthOfCaptions([line], this.grid);
    let y = this.stack(0, this.heads, start, texts, marks);
    const gap = this.gaps[this.heads];
    this.addRule(marks, 'head', y + gap + ruleAt(this.laying, gap));
    y += Math.max(0, gap - own);
    return { texts, marks, depth: y / this.grid };
  }

  private idOf(row: number): string {
    const { table } = this.laying;
    return this.rows[row].first ?? (row === 0 ? table.id : `${table.id}.${row}`);
  }
}

/** Below the line of a head over several columns, and of the middle of a row's ground below that of its line, in em. */
const SPAN_RULE = 0.32;
const BAND_SHIFT = 0.1;
