// What each cell of a table says of its columns: whether it is a figure, where its mark stands, how wide its words are. Kept with its row: an edit of
// a long table asks all rows again.
import { greatest } from '../../base/append';
import type { FaceLibrary } from '../../fonts/faceLibrary';
import type { Pt } from '../../model/spec/length';
import { entryFacts, partedAt, type EntryFacts, type PartedWidths } from './alignFigures';
import type { CellWords } from './columnWidths';
import type { CellParagraph } from './composeCell';
import type { PlacedCell } from './placedCells';
import { wordWidths } from './textWidths';

export class TableEntry {
  /** Of a cell of one paragraph. */
  readonly facts: EntryFacts | null;
  private lastMark: string | null | undefined;
  private lastParted: PartedWidths | undefined;
  private plain: CellWords | undefined;
  private marked: CellWords | undefined;

  constructor(
    readonly cell: PlacedCell,
    private readonly library: FaceLibrary,
  ) {
    const { paragraphs } = cell.composed;
    this.facts = paragraphs.length === 1 ? entryFacts(paragraphs[0].composed.styled.text) : null;
  }

  /** Widths of its one paragraph before a mark and from there on. */
  parted(mark: string | null): PartedWidths {
    if (this.lastParted === undefined || this.lastMark !== mark) {
      this.lastParted = partedAt(this.cell.composed.paragraphs[0].composed, mark, this.library);
      this.lastMark = mark;
    }
    return this.lastParted;
  }

  /** What it asks of its columns. `figures`: points that the entries of its column take around their mark; null where they have none. */
  words(figures: Pt | null): CellWords {
    if (figures === null) return (this.plain ??= this.asked(null));
    if (this.marked === undefined || this.marked.natural !== Math.max(this.cell.composed.width, figures))
      this.marked = this.asked(figures);
    return this.marked;
  }

  private asked(figures: Pt | null): CellWords {
    const { column, across, composed } = this.cell;
    const paragraphs = composed.paragraphs.map((one) => ({ leading: one.style.leading, words: this.wordsIn(one) }));
    const natural = Math.max(composed.width, figures ?? 0);
    const least = figures === null ? paragraphs.reduce((most, { words }) => greatest(most, words.words), 0) : natural;
    return { column, across, natural, least: Math.min(natural, least), paragraphs };
  }

  /** A word alone, and a picture, are never parted. */
  private wordsIn({ style, width, composed }: CellParagraph): CellWords['paragraphs'][number]['words'] {
    const isWhole = style.pictures !== undefined || !/\s/.test(composed.styled.text);
    return isWhole ? { words: [width], space: 0 } : wordWidths(composed, this.library);
  }
}

const known = new WeakMap<
  readonly PlacedCell[],
  { readonly library: FaceLibrary; readonly entries: readonly TableEntry[] }
>();

/** The entries of a row; the same ones as long as it is the same row. */
export function entriesOf(row: readonly PlacedCell[], library: FaceLibrary): readonly TableEntry[] {
  let kept = known.get(row);
  if (kept?.library !== library) {
    kept = { library, entries: row.map((cell) => new TableEntry(cell, library)) };
    known.set(row, kept);
  }
  return kept.entries;
}
