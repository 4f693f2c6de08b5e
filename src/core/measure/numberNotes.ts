// Numbers the notes from their references: 1, 2, 3 in reading order, from 1 again in each division.
import type { Book } from '../model/book';
import type { Block, StreamId } from '../model/streams';

/** The number of each note; a note without a reference has none. A note's own references follow it. */
export function numberNotes(book: Book): Map<StreamId, string> {
  const labels = new Map<StreamId, string>();
  for (const division of book.divisions) {
    let next = 1;
    const walk = (blocks: readonly Block[]): void => {
      for (const block of blocks) {
        if (block.kind === 'table') block.rows.forEach((row) => row.forEach((cell) => walk(cell.blocks)));
        else {
          for (const object of block.objects) {
            if (object.kind !== 'note' || labels.has(object.note)) continue;
            labels.set(object.note, String(next));
            next += 1;
            walk(book.notes[object.note]?.blocks ?? []);
          }
        }
      }
    };
    walk(division.blocks);
  }
  return labels;
}
