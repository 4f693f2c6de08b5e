// What both changed, decided for one side or the other, as often as a person likes.
import { eachStream, isMadeDivision, type Book } from '../../model/copy/book';
import type { BookEdit } from '../../model/copy/bookEdit';
import type { CopyConflict } from '../../model/copy/manuscript';
import { flatBlocks } from '../../copy/figures/flatBook';
import { untied } from '../../copy/figures/gatherFigures';
import { figuresIn, notesIn, picturesIn } from '../../model/copy/holders';
import { isFigureAlone, isPictureAlone, type Block, type StreamId } from '../../model/copy/streams';

export type ConflictSide = 'together' | 'desk' | 'author';

interface Place {
  readonly stream: StreamId;
  readonly at: number;
  readonly block: Block;
}

function placeOf(book: Book, id: string): Place | null {
  for (const { stream, blocks } of eachStream(book)) {
    const at = blocks.findIndex((block) => block.id === id);
    if (at >= 0) return { stream, at, block: blocks[at] };
  }
  return null;
}

const idOf = ({ desk, author }: CopyConflict): string => desk?.id ?? author?.id ?? '';
const says = (block: Block | null): string => JSON.stringify(block);

/** Whose version stands in the book now; null: neither, it was changed since. */
export function conflictStand(book: Book, conflict: CopyConflict): ConflictSide | null {
  const place = placeOf(book, idOf(conflict));
  const now = says(place === null ? null : asFile(book, place.block));
  // One that is as the desk or the author alone has it is called so.
  const sides = ['desk', 'author', 'together'] as const;
  return sides.find((side) => now === says(conflict[side])) ?? null;
}

/** The edits that make one side's version stand. */
export function conflictEdits(book: Book, conflict: CopyConflict, side: ConflictSide): BookEdit[] {
  const wished = conflict[side];
  const place = placeOf(book, idOf(conflict));
  const edits: BookEdit[] = [];
  if (wished !== null)
    for (const note of conflict.notes)
      if (book.notes[note.id] === undefined && notesIn(wished).includes(note.id))
        edits.push({ kind: 'setNote', id: note.id, from: null, to: note });
  const picture = place === null || wished === null ? null : pictureEdit(book, place.block, wished);
  if (picture !== null) edits.push(...picture);
  else if (place !== null) {
    const inserted = wished === null ? [] : [wished];
    if (says(place.block) === says(wished)) return [];
    edits.push({ kind: 'replaceBlocks', stream: place.stream, at: place.at, removed: [place.block], inserted });
    edits.push(...orphans(book, place.block, wished));
  } else if (wished !== null) {
    const to = startOf(book, conflict);
    if (to !== null) edits.push({ kind: 'replaceBlocks', ...to, removed: [], inserted: [wished] });
  }
  return edits;
}

/** A block as files have it: the paragraph of a figure is that of its first picture. */
const asFile = (book: Book, block: Block): Block =>
  isFigureAlone(block) ? untied(flatBlocks([block], book.figures)[0] ?? block) : block;

/** Another picture for the figure of a paragraph; null where it is none, or what is wished is no picture. */
function pictureEdit(book: Book, block: Block, wished: Block): BookEdit[] | null {
  const from = isFigureAlone(block) ? book.figures[figuresIn(block)[0]] : undefined;
  if (from === undefined || !isPictureAlone(wished)) return null;
  const [{ at: _, ...picture }] = picturesIn(wished);
  if (says(asFile(book, block)) === says(wished)) return [];
  const parts = from.parts.with(0, { ...from.parts[0], picture });
  return [{ kind: 'setFigure', id: from.id, from, to: { ...from, parts } }];
}

/** Where a block that is gone comes back: after the one that it stood behind, else at the start of its stream. */
function startOf(
  book: Book,
  { after, stream }: CopyConflict,
): { readonly stream: StreamId; readonly at: number } | null {
  const before = after === '' ? null : placeOf(book, after);
  if (before !== null) return { stream: before.stream, at: before.at + 1 };
  if (book.notes[stream] !== undefined) return { stream, at: 0 };
  const first = book.divisions.find((division) => !isMadeDivision(division) && division.matter === 'body');
  return first === undefined ? null : { stream: first.id, at: 0 };
}

/** Notes and figures to which nothing leads once a block gives way. */
function orphans(book: Book, gone: Block, wished: Block | null): BookEdit[] {
  const kept = new Set(wished === null ? [] : notesIn(wished));
  const others = new Set<StreamId>();
  for (const { blocks } of eachStream(book))
    for (const block of blocks) if (block !== gone) notesIn(block).forEach((id) => others.add(id));
  const figures = figuresIn(gone).flatMap((id): BookEdit[] =>
    book.figures[id] === undefined || (wished !== null && figuresIn(wished).includes(id))
      ? []
      : [{ kind: 'setFigure', id, from: book.figures[id], to: null }],
  );
  const notes = notesIn(gone).flatMap((id): BookEdit[] =>
    kept.has(id) || others.has(id) || book.notes[id] === undefined
      ? []
      : [{ kind: 'setNote', id, from: book.notes[id], to: null }],
  );
  return [...notes, ...figures];
}
