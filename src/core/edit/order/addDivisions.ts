// Divisions of another manuscript, put into the running order.
import { eachStream, isMadeDivision, type Book, type Division } from '../../model/copy/book';
import { applyEdits } from '../applyEdit';
import { addDivisionOfRole } from './runningOrder';
import type { BookEdit } from '../../model/copy/bookEdit';
import { recordsOf, renumbered } from '../copy/renumber';
import { newStyleEdits } from '../styles/styleEdits';

/** The edits that put the incoming book's own divisions in before the one at `at`; those that a book makes itself stay out. */
export function addDivisionsEdits(book: Book, at: number, incoming: Book): BookEdit[] {
  let { nextId } = book;
  const take = (letter: string) => `${letter}${nextId++}`;
  const matter = (book.divisions[at - 1] ?? book.divisions[at])?.matter;
  const edits: BookEdit[] = [];
  let place = at;
  for (const division of incoming.divisions) {
    if (isMadeDivision(division) || isNotesHead(division)) continue;
    const { blocks, notes, figures } = renumbered(division.blocks, recordsOf(incoming), take);
    for (const note of notes) edits.push({ kind: 'setNote', id: note.id, from: null, to: note });
    for (const figure of figures) edits.push({ kind: 'setFigure', id: figure.id, from: null, to: figure });
    const own = { ...division, id: take('d'), matter: matter ?? division.matter, blocks };
    edits.push({ kind: 'insertDivision', at: place, division: own });
    place += 1;
  }
  const blocks = incoming.divisions.filter((one) => !isMadeDivision(one)).flatMap((division) => division.blocks);
  const beside = [...eachStream(incoming)].flatMap((place) => (place.owner === 'division' ? [] : place.blocks));
  edits.unshift(...newStyleEdits(book, incoming.spec.styles, [...blocks, ...beside]));
  if (edits.length > 0) edits.push({ kind: 'setNextId', from: book.nextId, to: nextId });
  // Endnotes are gathered at the end of the book, not amid it.
  const after = applyEdits(book, edits);
  const hasEndnotes = edits.some((one) => one.kind === 'setNote' && one.to?.kind === 'endnote');
  const isGathered = after.divisions.some(({ role }) => role === 'notes');
  return hasEndnotes && !isGathered ? [...edits, ...addDivisionOfRole(after, 'notes').edits] : edits;
}

/** Made for the endnotes of the file: a head and nothing else. */
const isNotesHead = ({ role, blocks }: Division) => role === 'notes' && blocks.length <= 1;
