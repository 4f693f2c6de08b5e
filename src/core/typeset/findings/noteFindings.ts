// Findings of notes: without words, without a reference, of a kind that is gone, without the place that they are meant for,
// of two kinds that nobody can tell apart.
import type { Book } from '../../model/copy/book';
import { noteKind, type NoteKind } from '../../model/spec/notes';
import type { StreamId } from '../../model/copy/streams';
import { placeOf } from '../notes/composeNotes';
import type { ComposeContext } from '../flow/composeContext';
import { placeless, type BookFacts, type BookRunner } from './bookFacts';

const at = ({ compose, notes }: BookFacts, note: StreamId) => ({
  ...placeless(note),
  block: compose.book.notes[note]?.blocks[0]?.id ?? '',
  page: notes[note]?.page ?? -1,
});

export const emptyNotes: BookRunner = (facts) =>
  [...facts.compose.notes.labels.keys()]
    .filter((note) => isEmpty(facts.compose.book, note))
    .map((note) => ({
      ...at(facts, note),
      kind: 'note-empty',
      message: 'A note has no words: its reference leads to nothing.',
      repairs: [{ kind: 'dropNote', note }],
    }));

export const lostNotes: BookRunner = (facts) =>
  Object.keys(facts.compose.book.notes)
    .filter((note) => !facts.compose.notes.labels.has(note))
    .map((note) => ({
      ...at(facts, note),
      kind: 'note-without-reference',
      message: 'A note has lost its reference in the text: it is not set anywhere.',
      repairs: [{ kind: 'dropNote', note }],
    }));

export const notesOfNoKind: BookRunner = (facts) => {
  const { spec, notes } = facts.compose.book;
  return Object.values(notes)
    .filter(({ id, kind }) => facts.compose.notes.labels.has(id) && spec.notes.kinds[kind] === undefined)
    .map(({ id, kind }) => {
      const stands = noteKind(spec.notes, kind);
      const to = Object.keys(spec.notes.kinds).find((own) => spec.notes.kinds[own] === stands);
      return {
        ...at(facts, id),
        kind: 'note-kind-gone',
        message: `The kind of this note is gone: it is set as ${stands.name}.`,
        ...(to === undefined ? {} : { repairs: [{ kind: 'setNoteKind', note: id, to }] }),
      };
    });
};

/** Whether a reference leads to no words and no picture. */
function isEmpty({ notes }: Book, id: StreamId): boolean {
  return (notes[id]?.blocks ?? []).every(
    (block) => block.kind === 'paragraph' && block.text.trim() === '' && block.objects.length === 0,
  );
}

/** One hit for each kind that stands elsewhere than it is meant to. */
export const placelessNotes: BookRunner = ({ compose }) =>
  kindsInUse(compose.book, compose).flatMap(([kind, first]) => {
    if (placeOf(kind, compose) === kind.place) return [];
    const message =
      kind.place === 'bookEnd'
        ? `${kind.name}: the running order has no notes division, so these notes stand at the end of each division.`
        : `${kind.name}: the margin has no room for notes, so they stand at the foot.`;
    return [{ ...placeless(first), kind: 'notes-nowhere', message }];
  });

/** Two kinds with the same signs in the text of one division. */
export const notesAlike: BookRunner = ({ compose }) => {
  const { spec, notes } = compose.book;
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
      return [{ ...placeless(division), kind: 'notes-alike', message }];
    }
  }
  return [];
};

/** Kinds that have notes with a reference, and the first of those. */
function kindsInUse({ spec, notes }: Book, compose: ComposeContext): [NoteKind, StreamId][] {
  const found = new Map<NoteKind, StreamId>();
  for (const id of compose.notes.labels.keys()) {
    const kind = noteKind(spec.notes, notes[id]?.kind ?? '');
    if (notes[id] !== undefined && !found.has(kind)) found.set(kind, id);
  }
  return [...found];
}
