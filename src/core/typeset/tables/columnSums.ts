// What the entries of each column come to together: figures or words, the marks they stand at, the widths they ask for. Summed up in runs of rows,
// each kept as long as its rows are the same: a letter typed in a table of thousands of rows sums up one run again.
import { Remembered } from '../../base/remembered';
import type { FaceLibrary } from '../../fonts/faceLibrary';
import type { Pt } from '../../model/spec/length';
import { askedBy, type AskedWidths, type CellWords } from './columnWidths';
import type { PlacedRow } from './placedCells';
import { entriesOf, type TableEntry } from './tableEntries';

/** What kinds of entries a column has, and its decimal mark: the first that is sure, else the first that does not part thousands. */
export interface ColumnKinds {
  readonly hasFigures: boolean;
  /** Some entry is no figure, or is of several paragraphs. */
  readonly hasWords: boolean;
  readonly sureMark: string | null;
  readonly likelyMark: string | null;
}

interface MarkWidths {
  readonly before: Pt;
  readonly after: Pt;
}

/** Rows of a run. */
const RUN = 64;

/** Rows one after another, and which of them are of the body. */
class RowRun {
  private readonly rows: readonly (readonly TableEntry[])[];
  /** The entries of the body that are in one column alone. */
  private readonly alone: readonly TableEntry[][];
  readonly kinds: readonly ColumnKinds[];
  private readonly marks = new Map<number, { readonly mark: string | null; readonly widths: MarkWidths }>();
  private asked: { readonly figures: readonly (Pt | null)[]; readonly widths: AskedWidths } | undefined;

  constructor(
    rows: readonly PlacedRow[],
    private readonly inBody: readonly boolean[],
    private readonly columns: number,
    library: FaceLibrary,
  ) {
    this.rows = rows.map((row) => entriesOf(row, library));
    this.alone = Array.from({ length: columns }, () => []);
    this.rows.forEach((row, k) => {
      if (!inBody[k]) return;
      for (const entry of row) if (entry.cell.across === 1) this.alone[entry.cell.column].push(entry);
    });
    this.kinds = Array.from({ length: columns }, (_, column) => this.kindsOf(column));
  }

  private kindsOf(column: number): ColumnKinds {
    let [hasFigures, hasWords] = [false, false];
    let sureMark: string | null = null;
    let likelyMark: string | null = null;
    for (const { facts, cell } of this.alone[column]) {
      if (facts === null) {
        hasWords ||= cell.composed.paragraphs.length > 1;
        continue;
      }
      hasFigures ||= facts.kind === 'figure';
      hasWords ||= facts.kind === 'words';
      if (facts.hasTwoMarks) sureMark ??= facts.mark;
      if (!facts.mayBeThousands) likelyMark ??= facts.mark;
    }
    return { hasFigures, hasWords, sureMark, likelyMark };
  }

  /** The most that entries of a column take before a mark, and from there on. */
  markWidths(column: number, mark: string | null): MarkWidths {
    const known = this.marks.get(column);
    if (known?.mark === mark) return known.widths;
    let [before, after] = [0, 0];
    for (const entry of this.alone[column]) {
      if (entry.facts === null) continue;
      const parted = entry.parted(mark);
      before = Math.max(before, parted.before);
      after = Math.max(after, parted.after);
    }
    const widths = { before, after };
    this.marks.set(column, { mark, widths });
    return widths;
  }

  /** `figures`: points that figures take in each column; null where it is none of figures. */
  widths(figures: readonly (Pt | null)[]): AskedWidths {
    if (this.asked?.figures.every((own, k) => own === figures[k])) return this.asked.widths;
    const widths = askedBy(this.words(figures).flat(), this.columns);
    this.asked = { figures, widths };
    return widths;
  }

  words(figures: readonly (Pt | null)[]): CellWords[][] {
    return this.rows.map((row, k) =>
      row.map((entry) => entry.words(this.inBody[k] && entry.cell.across === 1 ? figures[entry.cell.column] : null)),
    );
  }
}

const known = new Remembered<PlacedRow, RowRun>();

/** The columns of a table, summed up over its rows. */
export class ColumnSums {
  private readonly runs: readonly RowRun[];

  constructor(
    rows: readonly PlacedRow[],
    inBody: readonly boolean[],
    private readonly columns: number,
    library: FaceLibrary,
  ) {
    this.runs = Array.from({ length: Math.ceil(rows.length / RUN) }, (_, k) => {
      const own = rows.slice(k * RUN, (k + 1) * RUN);
      const body = inBody.slice(k * RUN, (k + 1) * RUN);
      return known.take(own[0], [...own, ...body, columns, library], () => new RowRun(own, body, columns, library));
    });
  }

  kinds(column: number): ColumnKinds {
    const all = this.runs.map(({ kinds }) => kinds[column]);
    return {
      hasFigures: all.some(({ hasFigures }) => hasFigures),
      hasWords: all.some(({ hasWords }) => hasWords),
      sureMark: all.find(({ sureMark }) => sureMark !== null)?.sureMark ?? null,
      likelyMark: all.find(({ likelyMark }) => likelyMark !== null)?.likelyMark ?? null,
    };
  }

  markWidths(column: number, mark: string | null): MarkWidths {
    const all = this.runs.map((run) => run.markWidths(column, mark));
    return {
      before: Math.max(0, ...all.map(({ before }) => before)),
      after: Math.max(0, ...all.map(({ after }) => after)),
    };
  }

  widths(figures: readonly (Pt | null)[]): AskedWidths {
    const all = this.runs.map((run) => run.widths(figures));
    const most = (what: 'natural' | 'least') =>
      Array.from({ length: this.columns }, (_, k) => all.reduce((width, own) => Math.max(width, own[what][k]), 0));
    return { natural: most('natural'), least: most('least'), spanning: all.flatMap(({ spanning }) => spanning) };
  }

  /** What is set in every cell, by row. */
  words(figures: readonly (Pt | null)[]): readonly (readonly CellWords[])[] {
    return this.runs.flatMap((run) => run.words(figures));
  }
}
