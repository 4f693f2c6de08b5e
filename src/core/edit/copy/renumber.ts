// Copies of blocks with ids of their own, and with them copies of the notes that they refer to.
import type { Note } from '../../model/copy/book';
import type { Block, StreamId } from '../../model/copy/streams';

/** Gives the next id with a letter. */
export type TakeId = (letter: string) => string;

export interface Renumbered {
  readonly blocks: readonly Block[];
  /** In the order of their references. */
  readonly notes: readonly Note[];
}

/** The blocks under new ids. References to notes that `noteOf` does not know are taken over as they are. */
export function renumbered(
  blocks: readonly Block[],
  noteOf: (id: StreamId) => Omit<Note, 'id'> | undefined,
  take: TakeId,
): Renumbered {
  const notes: Note[] = [];
  const copy = (block: Block): Block => {
    if (block.kind === 'table') {
      const rows = block.rows.map((row) => row.map((cell) => ({ id: take('c'), blocks: cell.blocks.map(copy) })));
      return { ...block, id: take('p'), rows };
    }
    const objects = block.objects.map((object) =>
      object.kind === 'note' ? { ...object, note: copyNote(object.note) } : object,
    );
    return { ...block, id: take('p'), objects };
  };
  const copyNote = (old: StreamId): StreamId => {
    const note = noteOf(old);
    if (note === undefined) return old;
    const id = take('n');
    const place = notes.length;
    notes.push({ id, kind: note.kind, blocks: [] });
    notes[place] = { ...notes[place], blocks: note.blocks.map(copy) };
    return id;
  };
  return { blocks: blocks.map(copy), notes };
}
