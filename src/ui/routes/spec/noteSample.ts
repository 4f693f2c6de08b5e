// A kind of notes told by its signs.
import { noteLabel } from '../../../core/numbering/numberNotes';
import type { NoteKind } from '../../../core/model/spec/notes';

/** The first signs of a kind as they stand in the text. */
export function noteSample(kind: NoteKind): string {
  if (kind.keyed) return 'by first words';
  const { before, after } = kind.reference;
  return [0, 1, 2].map((k) => `${before}${noteLabel(kind, kind.first + k)}${after}`).join(' ');
}
