// What a transaction of the galley changed, as an edit of the book: only the blocks that are other nodes now.
import { commonEndsBy } from '../core/base/commonEnds';
import type { Node } from 'prosemirror-model';
import type { EditorState, Transaction } from 'prosemirror-state';
import type { BookEdit } from '../core/model/copy/bookEdit';
import type { StreamId } from '../core/model/copy/streams';
import { blocksOfCell, toBlock } from './convert';

/** Children of a document that differ from another's: from `at`, so many of the old and of the new. */
export interface ChangedChildren {
  readonly at: number;
  readonly removed: number;
  readonly inserted: number;
}

/** Null when both have the same children. Children are compared by identity, which ProseMirror keeps. */
export function changedChildren(before: Node, after: Node): ChangedChildren | null {
  const [oldCount, newCount] = [before.childCount, after.childCount];
  const [at, end] = commonEndsBy(oldCount, newCount, (i, j) => before.child(i) === after.child(j));
  if (at === oldCount && at === newCount) return null;
  return { at, removed: oldCount - at - end, inserted: newCount - at - end };
}

/**
 * The edit that makes the blocks of `before` those of `after`; null when nothing changed. `first` is the place of the
 * document's first block in its stream; `isEmpty`: the stream had no block, the one of `before` only stands for it.
 */
export function replaceBlocksEdit(
  stream: StreamId,
  before: Node,
  after: Node,
  first = 0,
  isEmpty = false,
): Extract<BookEdit, { kind: 'replaceBlocks' }> | null {
  const changed = changedChildren(before, after);
  if (changed === null) return null;
  const cell = isEmpty ? null : changedCell(before, after, changed);
  if (cell !== null) {
    const was = blocksOfCell(cell.before);
    if (was !== undefined)
      return replaceBlocksEdit(cell.before.attrs.id as StreamId, cell.before, cell.after, 0, was.length === 0);
  }
  const { at, removed, inserted } = changed;
  const blocks = (doc: Node, count: number) => Array.from({ length: count }, (_, k) => toBlock(doc.child(at + k)));
  return {
    kind: 'replaceBlocks',
    stream,
    at: first + at,
    removed: isEmpty ? [] : blocks(before, removed),
    inserted: blocks(after, inserted),
  };
}

/** The one cell that is all that changed of a document: a letter typed in a large table is an edit of its cell. Null for any other change. */
function changedCell(
  before: Node,
  after: Node,
  { at, removed, inserted }: ChangedChildren,
): { readonly before: Node; readonly after: Node; readonly start: number } | null {
  if (removed !== 1 || inserted !== 1) return null;
  let [was, is] = [before.child(at), after.child(at)];
  let start = 0;
  for (let k = 0; k < at; k += 1) start += after.child(k).nodeSize;
  if (was.type.name !== 'table') return null;
  for (let depth = 0; depth < 2; depth += 1) {
    const changed = was.sameMarkup(is) ? changedChildren(was, is) : null;
    if (changed?.removed !== 1 || changed.inserted !== 1) return null;
    start += 1;
    for (let k = 0; k < changed.at; k += 1) start += is.child(k).nodeSize;
    [was, is] = [was.child(changed.at), is.child(changed.at)];
  }
  return was.sameMarkup(is) && was.attrs.id !== null ? { before: was, after: is, start } : null;
}

/** What the naming of new blocks needs to know of the book. */
export interface Naming {
  /** A new id: the letter with the book's next number. */
  readonly take: (letter: string) => string;
  /** What becomes of a reference or mark that was put in: its record is new, a copy of a record is made for it, or it is taken away. */
  readonly recordFor: (kind: RecordKind, id: string) => 'new' | 'copy' | null;
}

/** What an atom of the text leads to: a record of the book. */
export type RecordKind = 'note' | 'figure';

/** The letters of the ids. */
const LETTERS = { note: 'n', figure: 'f' } as const;

export interface RecordsMoved {
  /** Marks that need a record of their own: the record to copy, and the id of the copy. */
  readonly copied: readonly { readonly kind: RecordKind; readonly from: string; readonly to: string }[];
  /** Records that no mark stands for any more. */
  readonly dropped: readonly { readonly kind: RecordKind; readonly id: string }[];
}

/**
 * Gives ids to blocks that have none or that of another, and notes and figures of their own to marks that were put in twice.
 * Looks only at the children that changed. The transaction is null when all is well.
 */
export function nameChanged(
  before: Node,
  state: EditorState,
  naming: Naming,
): { readonly transaction: Transaction | null; readonly records: RecordsMoved } {
  const changed = changedChildren(before, state.doc);
  const nothing = { copied: [], dropped: [] };
  if (changed === null) return { transaction: null, records: nothing };
  const cell = changedCell(before, state.doc, changed);
  const was =
    cell === null ? namesIn(before, changed.at, changed.removed) : namesIn(cell.before, 0, cell.before.childCount);
  const now =
    cell === null
      ? namesIn(state.doc, changed.at, changed.inserted)
      : namesIn(cell.after, 0, cell.after.childCount, cell.start + 1);
  const known = new Set(was.map(({ name }) => name));
  const kept = new Set<string | null>();
  const copied: { kind: RecordKind; from: string; to: string }[] = [];
  let transaction: Transaction | null = null;
  const change = () => (transaction ??= state.tr);
  for (const { at, name, letter, record } of now) {
    const place = (transaction as Transaction | null)?.mapping.map(at) ?? at;
    const fate = record !== null && !known.has(name) ? naming.recordFor(record, name!) : null;
    const isOwn = name !== null && !kept.has(name) && (known.has(name) || fate === 'new');
    if (isOwn) kept.add(name);
    else if (record === null) change().setNodeAttribute(place, 'id', naming.take(letter));
    else if (fate === 'copy' || kept.has(name)) {
      const to = naming.take(LETTERS[record]);
      copied.push({ kind: record, from: name!, to });
      change().setNodeAttribute(place, record, to);
    } else change().delete(place, place + 1);
  }
  const dropped = was.flatMap(({ record, name }) =>
    record !== null && !kept.has(name) ? [{ kind: record, id: name! }] : [],
  );
  return { transaction, records: { copied, dropped } };
}

interface Named {
  readonly at: number;
  readonly name: string | null;
  readonly letter: 'p' | 'c';
  /** The kind of record that an atom leads to; null for a block or a cell. */
  readonly record: RecordKind | null;
}

/** Everything with an id in some children of a node, with its position; `first`: that of its first child. */
function namesIn(doc: Node, at: number, count: number, first = 0): Named[] {
  const names: Named[] = [];
  let start = first;
  for (let k = 0; k < at; k += 1) start += doc.child(k).nodeSize;
  for (let k = at; k < at + count; k += 1) {
    const child = doc.child(k);
    const visit = (node: Node, position: number) => {
      const record = node.type.name;
      if (record === 'note' || record === 'figure')
        names.push({ at: position, name: node.attrs[record] as string, letter: 'p', record });
      else if ('id' in node.attrs)
        names.push({
          at: position,
          name: node.attrs.id as string | null,
          letter: node.type.name === 'cell' ? 'c' : 'p',
          record: null,
        });
      return true;
    };
    visit(child, start);
    const base = start + 1;
    child.descendants((node, position) => visit(node, base + position));
    start += child.nodeSize;
  }
  return names;
}
