// The signs of notes: what stands in the text and before the note, with what is around the number and where it stands.
import type { NumberedNotes } from '../../numbering/numberNotes';
import type { Book } from '../../model/copy/book';
import { noteKind, type NoteMarkSpec } from '../../model/spec/notes';
import type { NoteSign } from '../../styles';

const NOTHING: NoteSign = { text: '', position: 'line' };

/** What stands in the text for a note; nothing for a keyed one. */
export function referenceSign({ spec, notes }: Pick<Book, 'spec' | 'notes'>, labels: NumberedNotes['labels']) {
  return (note: string): NoteSign => {
    const kind = noteKind(spec.notes, notes[note]?.kind ?? '');
    return kind.keyed ? NOTHING : signOf(labels.get(note) ?? '?', kind.reference);
  };
}

/** A number between its signs. Superiors are figures, other signs are made small; an asterisk stands high by itself. */
export function signOf(label: string, { before, after, position }: NoteMarkSpec): NoteSign {
  // A symbol ends by itself.
  const text = `${before}${label}${/[\p{L}\p{N}]/u.test(label) ? after : after.replace(/^\.$/, '')}`;
  if (position === 'line' || label === '' || /^\*+$/.test(text)) return { text, position: 'line' };
  return { text, position: position === 'superior' && /^\d+$/.test(text) ? 'superior' : 'raised' };
}
