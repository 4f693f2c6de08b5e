// Copies of blocks with ids of their own, and with them copies of the notes and figures that they refer to.
import type { Note } from '../../model/copy/book';
import type { Figure, FigureText } from '../../model/copy/figures';
import type { Block, FigureId, InlineObject, StreamId } from '../../model/copy/streams';

/** Gives the next id with a letter. */
export type TakeId = (letter: string) => string;

/** Where the notes and figures of what is copied are found. */
export interface RecordsOf {
  readonly note: (id: StreamId) => Omit<Note, 'id'> | undefined;
  readonly figure: (id: FigureId) => Figure | undefined;
}

export interface Renumbered {
  readonly blocks: readonly Block[];
  /** In the order of their references. */
  readonly notes: readonly Note[];
  readonly figures: readonly Figure[];
}

/** The notes and figures of a book. */
export const recordsOf = (book: {
  readonly notes: Readonly<Record<StreamId, Omit<Note, 'id'>>>;
  readonly figures?: Readonly<Record<FigureId, Figure>>;
}): RecordsOf => ({ note: (id) => book.notes[id], figure: (id) => book.figures?.[id] });

/** The blocks under new ids. References to notes and figures that are not known are taken over as they are. */
export function renumbered(blocks: readonly Block[], records: RecordsOf, take: TakeId): Renumbered {
  const copying = new Copying(records, take);
  return { blocks: blocks.map(copying.block), notes: copying.notes, figures: copying.figures };
}

/** A figure under an id, with texts of its own; notes and figures in these are copied with it. */
export function renumberedFigure(
  figure: Figure,
  id: FigureId,
  records: RecordsOf,
  take: TakeId,
): Pick<Renumbered, 'notes' | 'figures'> {
  const copying = new Copying(records, take);
  copying.figure(figure, id);
  return copying;
}

class Copying {
  readonly notes: Note[] = [];
  readonly figures: Figure[] = [];

  constructor(
    private readonly records: RecordsOf,
    private readonly take: TakeId,
  ) {}

  readonly block = (block: Block): Block => {
    if (block.kind === 'table') {
      const rows = block.rows.map((row) =>
        row.map((cell) => ({ id: this.take('c'), blocks: cell.blocks.map(this.block) })),
      );
      return { ...block, id: this.take('p'), rows };
    }
    const objects = block.objects.map(this.object);
    return { ...block, id: this.take('p'), objects };
  };

  private readonly object = (object: InlineObject): InlineObject => {
    if (object.kind === 'note') return { ...object, note: this.note(object.note) };
    if (object.kind !== 'figure') return object;
    const figure = this.records.figure(object.figure);
    if (figure === undefined) return object;
    const id = this.take('f');
    this.figure(figure, id);
    return { ...object, figure: id };
  };

  private note(old: StreamId): StreamId {
    const note = this.records.note(old);
    if (note === undefined) return old;
    const id = this.take('n');
    const place = this.notes.length;
    this.notes.push({ id, kind: note.kind, blocks: [] });
    this.notes[place] = { ...this.notes[place], blocks: note.blocks.map(this.block) };
    return id;
  }

  figure(figure: Figure, id: FigureId): void {
    const text = ({ blocks }: FigureText): FigureText => ({ id: this.take('s'), blocks: blocks.map(this.block) });
    const place = this.figures.length;
    this.figures.push(figure);
    this.figures[place] = { ...figure, id, caption: text(figure.caption), credit: text(figure.credit) };
  }
}
