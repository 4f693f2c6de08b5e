// The notes of the book as a list: in the order of reading, those without a reference last.
import { editionOf } from '../../core/copy/editionOf';
import { numberNotes } from '../../core/numbering/numberNotes';
import type { Book } from '../../core/model/copy/book';
import { noteKind } from '../../core/model/spec/notes';
import type { NotePlaces } from '../../core/model/composed/referenceTable';
import { OBJECT_CHARACTER, type StreamId } from '../../core/model/copy/streams';

export interface NoteRow {
  readonly id: StreamId;
  /** The id of its kind; that of the first where its own is gone. */
  readonly kind: string;
  readonly kindName: string;
  /** As it stands in the text; empty for keyed notes and those without a reference. */
  readonly label: string;
  /** The folio, or the place in the book where its page has none; empty where it is not known. */
  readonly folio: string;
  readonly words: string;
  readonly isEmpty: boolean;
  readonly hasReference: boolean;
}

/** Characters of a note's first words. */
const FIRST = 90;

/** All notes of a book. `places`: where they are referred to, as it was last composed. */
export function noteRows(book: Book, places: NotePlaces): NoteRow[] {
  const { labels } = numberNotes(editionOf(book, 'print'), places);
  const kinds = book.spec.notes.kinds;
  const first = Object.keys(kinds)[0];
  const row = (id: StreamId): NoteRow => {
    const note = book.notes[id];
    const words = wordsOf(note?.blocks ?? []);
    const place = places[id];
    return {
      id,
      kind: note !== undefined && note.kind in kinds ? note.kind : first,
      kindName: noteKind(book.spec.notes, note?.kind ?? '').name,
      label: labels.get(id) ?? '',
      folio: place === undefined ? '' : place.folio || String(place.page + 1),
      words: words.slice(0, FIRST),
      isEmpty: words === '',
      hasReference: labels.has(id),
    };
  };
  const lost = Object.keys(book.notes).filter((id) => !labels.has(id));
  return [...labels.keys(), ...lost].map(row);
}

/** The words of a note in one line. */
function wordsOf(blocks: Book['notes'][string]['blocks']): string {
  return blocks
    .map((block) => (block.kind === 'paragraph' ? block.text.replaceAll(OBJECT_CHARACTER, '') : ''))
    .join(' ')
    .replace(/\s+/g, ' ')
    .trim();
}
