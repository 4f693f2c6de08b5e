// The signs of a kind of notes that goes by the book: figures, or symbols for notes at the foot where others stand at an end,
// so that no reader looks for a footnote among the endnotes.
import type { Book } from '../model/copy/book';
import { noteKind, type NoteKind, type NotesSpec } from '../model/spec/notes';

type Noted = Pick<Book, 'notes'> & { readonly spec: { readonly notes: NotesSpec } };

const atPage = ({ place }: NoteKind) => place === 'foot' || place === 'margin';

const known = new WeakMap<Book['notes'], { readonly spec: NotesSpec; readonly isSo: boolean }>();

/** Whether the book has notes beside its text and notes at an end. */
function hasBoth({ notes, spec }: Noted): boolean {
  const found = known.get(notes);
  if (found?.spec === spec.notes) return found.isSo;
  const kinds = new Set(Object.values(notes).map(({ kind }) => noteKind(spec.notes, kind)));
  const isSo = [...kinds].some(atPage) && [...kinds].some((kind) => !atPage(kind));
  known.set(notes, { spec: spec.notes, isSo });
  return isSo;
}

/** Kinds settled once: counters go by the identity of a kind. */
const settled = new WeakMap<NoteKind, { readonly figures: NoteKind; readonly symbols: NoteKind }>();

/** A kind with the signs that its notes have in this book: symbols begin again on each page. */
export function settledKind(kind: NoteKind, book: Noted): NoteKind {
  if (kind.numerals !== 'auto') return kind;
  let both = settled.get(kind);
  if (both === undefined) {
    both = {
      figures: { ...kind, numerals: 'arabic' },
      symbols: { ...kind, numerals: 'symbols', restart: 'page' },
    };
    settled.set(kind, both);
  }
  return atPage(kind) && hasBoth(book) ? both.symbols : both.figures;
}
