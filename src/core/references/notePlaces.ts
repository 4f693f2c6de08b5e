// Finds the pages on which notes are referred to.
import { lastAtMost } from '../base/search';
import type { Book } from '../model/copy/book';
import { settledKind } from '../numbering/settledKind';
import { noteKind, type NoteKind } from '../model/spec/notes';
import type { Page } from '../model/composed/pages';
import type { NotePlaces } from '../model/composed/referenceTable';
import type { StreamId } from '../model/copy/streams';

/** Whether the number or the words of a kind's notes hang on the pages of their references. */
const hangsOnPage = ({ restart, keyed, place }: NoteKind): boolean =>
  restart === 'page' || keyed || place === 'bookEnd';

/** The page and folio of each reference on these pages; of notes whose number or words hang on them, or of `all`. */
export function notePlaces(pages: readonly Page[], book: Pick<Book, 'spec' | 'notes'>, all = false): NotePlaces {
  const found: Record<StreamId, { page: number; folio: string }> = {};
  const { spec, notes } = book;
  const hangs = (kind: NoteKind) => hangsOnPage(settledKind(kind, book));
  const isAsked = all || Object.values(spec.notes.kinds).some(hangs);
  if (!isAsked || Object.keys(notes).length === 0) return found;
  for (const { index, folio, fragments, notes: atFoot } of pages)
    for (const list of [fragments, atFoot])
      for (const { paragraph, from, to } of list) {
        const { styled, broken } = paragraph;
        for (const { at, note } of styled.notes) {
          const line = Math.max(0, lastAtMost(broken.from, at, broken.count));
          if (line < from || line >= to || note in found) continue;
          if (all || hangs(noteKind(spec.notes, notes[note]?.kind ?? ''))) found[note] = { page: index, folio };
        }
      }
  return found;
}
