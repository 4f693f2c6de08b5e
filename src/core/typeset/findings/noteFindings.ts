// Findings of notes: without words, without a reference, of a kind that is gone, without the place that they are meant for,
// of two kinds that nobody can tell apart.
import type { Book } from '../../model/copy/book';
import type { Finding } from '../../model/answers/finding';
import { noteKind, type NoteKind } from '../../model/spec/notes';
import type { NotePlaces } from '../../model/composed/referenceTable';
import type { StreamId } from '../../model/copy/streams';
import { placeOf } from '../notes/composeNotes';
import type { ComposeContext } from '../flow/composeContext';

/** `places`: the pages of all references. */
export function noteFindings(book: Book, compose: ComposeContext, places: NotePlaces): Finding[] {
  const { labels } = compose.notes;
  const at = (note: StreamId): Pick<Finding, 'stream' | 'block' | 'page'> => ({
    stream: note,
    block: book.notes[note]?.blocks[0]?.id ?? '',
    page: places[note]?.page ?? -1,
  });
  const found: Finding[] = [];
  for (const id of labels.keys()) {
    if (isEmpty(book, id)) {
      const message = 'A note has no words: its reference leads to nothing.';
      found.push({ ...at(id), kind: 'note-empty', grade: 'must', message });
    }
  }
  for (const { id, kind } of Object.values(book.notes)) {
    if (!labels.has(id)) {
      const message = 'A note has lost its reference in the text: it is not set anywhere.';
      found.push({ ...at(id), kind: 'note-without-reference', grade: 'must', message });
    } else if (book.spec.notes.kinds[kind] === undefined) {
      const { name } = noteKind(book.spec.notes, kind);
      const message = `The kind of this note is gone: it is set as ${name}.`;
      found.push({ ...at(id), kind: 'note-kind-gone', grade: 'should', message });
    }
  }
  return [...found, ...placeFindings(book, compose), ...alikeFindings(book, compose)];
}

/** Whether a reference leads to no words and no picture. */
function isEmpty({ notes }: Book, id: StreamId): boolean {
  return (notes[id]?.blocks ?? []).every(
    (block) => block.kind === 'paragraph' && block.text.trim() === '' && block.objects.length === 0,
  );
}

/** One finding for each kind that stands elsewhere than it is meant to. */
function placeFindings(book: Book, compose: ComposeContext): Finding[] {
  return kindsInUse(book, compose).flatMap(([kind, first]) => {
    const place = placeOf(kind, compose);
    if (place === kind.place) return [];
    const message =
      kind.place === 'bookEnd'
        ? `${kind.name}: the running order has no notes division, so these notes stand at the end of each division.`
        : `${kind.name}: the margin has no room for notes, so they stand at the foot.`;
    return [{ kind: 'notes-nowhere' as const, grade: 'should' as const, ...placeless(first), message }];
  });
}

/** Two kinds with the same signs in the text of one division. */
function alikeFindings(book: Book, compose: ComposeContext): Finding[] {
  const { spec, notes } = book;
  for (const [division, list] of compose.notes.byDivision) {
    const seen = new Map<string, NoteKind>();
    for (const id of list) {
      const kind = noteKind(spec.notes, notes[id]?.kind ?? '');
      if (kind.keyed) continue;
      const look = JSON.stringify([kind.numerals, kind.signs, kind.reference]);
      const other = seen.get(look) ?? kind;
      seen.set(look, other);
      if (other === kind) continue;
      const message = `${other.name} and ${kind.name} have the same signs in one division: a reader cannot tell which is meant.`;
      return [{ kind: 'notes-alike', grade: 'should', stream: division, block: '', page: -1, message }];
    }
  }
  return [];
}

/** Kinds that have notes with a reference, and the first of those. */
function kindsInUse({ spec, notes }: Book, compose: ComposeContext): [NoteKind, StreamId][] {
  const found = new Map<NoteKind, StreamId>();
  for (const id of compose.notes.labels.keys()) {
    const kind = noteKind(spec.notes, notes[id]?.kind ?? '');
    if (notes[id] !== undefined && !found.has(kind)) found.set(kind, id);
  }
  return [...found];
}

const placeless = (stream: StreamId): Pick<Finding, 'stream' | 'block' | 'page'> => ({ stream, block: '', page: -1 });
