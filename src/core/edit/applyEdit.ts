// Applies a book edit. Pure: the input stays as it was, and every part that the edit does not touch keeps its object
// identity, which is the key of every cache.
import { mapAnchors } from './anchors/mapAnchors';
import { invariant, unreachable } from '../base/errors';
import { figureOfStream, type Book, type Division, type Particulars } from '../model/copy/book';
import type { BookEdit, Plain } from '../model/copy/bookEdit';
import type { Block, StreamId } from '../model/copy/streams';

/**
 * The book after the edit, its anchors where the edit took them. Throws InvariantError when the edit was made for another state
 * of the book.
 */
export function applyEdit(book: Book, edit: BookEdit): Book {
  return mapAnchors(changed(book, edit), edit);
}

function changed(book: Book, edit: BookEdit): Book {
  switch (edit.kind) {
    case 'replaceBlocks':
      return withStream(book, edit.stream, (blocks) => {
        invariant(edit.at >= 0 && edit.at + edit.removed.length <= blocks.length, 'the blocks to replace exist');
        for (let k = 0; k < edit.removed.length; k += 1) {
          invariant(blocks[edit.at + k].id === edit.removed[k].id, `block ${edit.removed[k].id} stands where it did`);
        }
        return [...blocks.slice(0, edit.at), ...edit.inserted, ...blocks.slice(edit.at + edit.removed.length)];
      });
    case 'setSpec':
      return { ...book, spec: withPath(book.spec as unknown as Plain, edit.path, edit.to) as unknown as Book['spec'] };
    case 'setParticulars':
      return { ...book, particulars: withGiven(book.particulars, edit.key, edit.to) };
    case 'setStyle':
      return { ...book, spec: { ...book.spec, styles: withEntry(book.spec.styles, edit.tag, edit.to) } };
    case 'moveDivision': {
      invariant(book.divisions[edit.from] !== undefined, 'the division to move exists');
      const divisions = [...book.divisions];
      const [moved] = divisions.splice(edit.from, 1);
      divisions.splice(edit.to, 0, moved);
      return { ...book, divisions };
    }
    case 'insertDivision':
      return { ...book, divisions: book.divisions.toSpliced(edit.at, 0, edit.division) };
    case 'removeDivision':
      invariant(book.divisions[edit.at]?.id === edit.division.id, 'the division to remove stands where it did');
      return { ...book, divisions: book.divisions.toSpliced(edit.at, 1) };
    case 'setDivision':
      return withDivision(book, edit.id, (division) => ({ id: division.id, ...edit.to, blocks: division.blocks }));
    case 'setNote':
      return { ...book, notes: withEntry(book.notes, edit.id, edit.to) };
    case 'setFigure':
      return { ...book, figures: withEntry(book.figures, edit.id, edit.to) };
    case 'setAnchor':
      return { ...book, anchors: withEntry(book.anchors, edit.id, edit.to) };
    case 'setPageTouches':
      return { ...book, pageTouches: edit.to };
    case 'setSource':
      return { ...book, source: edit.to };
    case 'setNextId':
      return { ...book, nextId: edit.to };
    default:
      return unreachable(edit);
  }
}

/** The book after all edits, in order. */
/** Null takes a particular away. */
function withGiven(particulars: Particulars, key: keyof Particulars, to: Plain): Particulars {
  const { [key]: _, ...rest } = particulars;
  return (to === null ? rest : { ...particulars, [key]: to }) as Particulars;
}

export function applyEdits(book: Book, edits: readonly BookEdit[]): Book {
  return edits.reduce(applyEdit, book);
}

/** The edit that takes this one back. */
export function invertEdit(edit: BookEdit): BookEdit {
  switch (edit.kind) {
    case 'replaceBlocks':
      return { ...edit, removed: edit.inserted, inserted: edit.removed };
    case 'setSpec':
    case 'setParticulars':
    case 'setStyle':
    case 'moveDivision':
    case 'setDivision':
    case 'setNote':
    case 'setFigure':
    case 'setAnchor':
    case 'setPageTouches':
    case 'setSource':
    case 'setNextId':
      return { ...edit, from: edit.to, to: edit.from } as BookEdit;
    case 'insertDivision':
      return { ...edit, kind: 'removeDivision' };
    case 'removeDivision':
      return { ...edit, kind: 'insertDivision' };
    default:
      return unreachable(edit);
  }
}

/** The edits that take these back, in the order in which to apply them. */
export function invertEdits(edits: readonly BookEdit[]): BookEdit[] {
  return edits.map(invertEdit).reverse();
}

function withDivision(book: Book, id: StreamId, change: (division: Division) => Division): Book {
  const at = book.divisions.findIndex((division) => division.id === id);
  invariant(at >= 0, `division ${id} exists`);
  return { ...book, divisions: book.divisions.with(at, change(book.divisions[at])) };
}

function withStream(book: Book, id: StreamId, change: (blocks: readonly Block[]) => readonly Block[]): Book {
  const note = book.notes[id];
  if (note !== undefined) return { ...book, notes: { ...book.notes, [id]: { ...note, blocks: change(note.blocks) } } };
  const owner = figureOfStream(book, id);
  if (owner !== undefined) {
    const { figure, role, text } = owner;
    const changed = { ...figure, [role]: { ...text, blocks: change(text.blocks) } };
    return { ...book, figures: { ...book.figures, [figure.id]: changed } };
  }
  if (book.divisions.some((division) => division.id === id)) {
    return withDivision(book, id, (division) => ({ ...division, blocks: change(division.blocks) }));
  }
  return withCell(book, id, change);
}

/** Rows and cells that do not hold the stream stay the same objects: what was made of them is known by them. */
function withCell(book: Book, id: StreamId, change: (blocks: readonly Block[]) => readonly Block[]): Book {
  const inBlocks = (blocks: readonly Block[]): readonly Block[] | null => {
    for (let k = 0; k < blocks.length; k += 1) {
      const block = blocks[k];
      if (block.kind !== 'table') continue;
      for (let row = 0; row < block.rows.length; row += 1) {
        const cells = block.rows[row];
        for (let column = 0; column < cells.length; column += 1) {
          const cell = cells[column];
          const changed = cell.id === id ? change(cell.blocks) : inBlocks(cell.blocks);
          if (changed === null) continue;
          const rows = block.rows.with(row, cells.with(column, { ...cell, blocks: changed }));
          return blocks.with(k, { ...block, rows });
        }
      }
    }
    return null;
  };
  let blocks: readonly Block[] | null = null;
  const at = book.divisions.findIndex((division) => (blocks = inBlocks(division.blocks)) !== null);
  invariant(blocks !== null, `stream ${id} exists`);
  return { ...book, divisions: book.divisions.with(at, { ...book.divisions[at], blocks }) };
}

function withEntry<T>(record: Readonly<Record<string, T>>, key: string, value: T | null): Record<string, T> {
  const next = { ...record };
  if (value === null) delete next[key];
  else next[key] = value;
  return next;
}

/** A copy with the value at the path changed; every key of the path must exist. */
function withPath(value: Plain, path: readonly string[], to: Plain): Plain {
  if (path.length === 0) return to;
  invariant(value !== null && typeof value === 'object' && path[0] in value, `the spec has ${path.join('.')}`);
  const holder = value as Record<string, Plain>;
  return { ...holder, [path[0]]: withPath(holder[path[0]], path.slice(1), to) };
}
