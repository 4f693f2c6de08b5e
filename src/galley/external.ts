// Changes made elsewhere (undo, tidying, replacing, another stream's edit) come into the galley as one transaction that
// is marked external and touches no more than what differs, so that the caret keeps its place.
import type { Node } from 'prosemirror-model';
import { TextSelection, type EditorState, type Transaction } from 'prosemirror-state';
import { mapTextOffset } from '../core/base/textMap';
import { OBJECT_CHARACTER, type Block } from '../core/model/copy/streams';
import { changedChildren } from './changes';
import { bind, knownBlock, toDocument, toNode } from './convert';
import { placeAt, positionOf } from './positions';

export const EXTERNAL = 'external';

/** The transaction that makes the document that of the blocks; null when it is already. */
export function externalTransaction(state: EditorState, blocks: readonly Block[]): Transaction | null {
  const target = toDocument(blocks);
  const changed = changedChildren(state.doc, target);
  if (changed === null) return null;
  const { at, removed, inserted } = changed;
  const transaction = state.tr.setMeta(EXTERNAL, true).setMeta('addToHistory', false);
  const old = Array.from({ length: removed }, (_, k) => state.doc.child(at + k));
  const fresh = Array.from({ length: inserted }, (_, k) => target.child(at + k));
  let start = 0;
  for (let k = 0; k < at; k += 1) start += state.doc.child(k).nodeSize;
  const starts = old.map((node) => (start += node.nodeSize) - node.nodeSize);
  const both = { old, starts, fresh };
  // From the end to the front, so that places before stay true.
  let oldEnd = removed;
  let freshEnd = inserted;
  for (const [oldAt, freshAt] of sameIds(old, fresh).reverse()) {
    replaceRun(transaction, both, [oldAt + 1, oldEnd], [freshAt + 1, freshEnd]);
    replaceWithin(transaction, starts[oldAt], old[oldAt], fresh[freshAt]);
    oldEnd = oldAt;
    freshEnd = freshAt;
  }
  replaceRun(transaction, both, [0, oldEnd], [0, freshEnd], start);
  keepCaret(state, transaction);
  return transaction;
}

/** The caret stays in its word, also where the text around it has other looks now. */
function keepCaret({ doc, selection }: EditorState, transaction: Transaction): void {
  if (!(selection instanceof TextSelection)) return;
  const [anchor, head] = [selection.anchor, selection.head].map((at) => {
    const place = placeAt(doc, at);
    const [before, after] = [textOf(doc, place.block), textOf(transaction.doc, place.block)];
    if (before === null || after === null) return null;
    return positionOf(transaction.doc, { ...place, offset: mapTextOffset(before, after, place.offset, -1) });
  });
  if (anchor !== null && head !== null) transaction.setSelection(TextSelection.create(transaction.doc, anchor, head));
}

/** The text of a paragraph at the top of a document; null for none. */
function textOf(doc: Node, block: string): string | null {
  for (let k = 0; k < doc.childCount; k += 1) {
    const child = doc.child(k);
    if (child.attrs.id === block)
      return child.isTextblock ? child.textBetween(0, child.content.size, undefined, OBJECT_CHARACTER) : null;
  }
  return null;
}

/** Pairs of places whose nodes have one id, in the order of both lists. */
function sameIds(old: readonly Node[], fresh: readonly Node[]): [number, number][] {
  const places = new Map(fresh.map((node, at) => [node.attrs.id as string, at]));
  const pairs: [number, number][] = [];
  let last = -1;
  old.forEach((node, at) => {
    const found = places.get(node.attrs.id as string);
    if (found === undefined || found <= last || fresh[found].type !== node.type) return;
    pairs.push([at, found]);
    last = found;
  });
  return pairs;
}

/** The paragraphs that there are with the places where they begin, and those that are to be. */
interface BothTexts {
  readonly old: readonly Node[];
  readonly starts: readonly number[];
  readonly fresh: readonly Node[];
}

function replaceRun(
  transaction: Transaction,
  { old, starts, fresh }: BothTexts,
  [from, to]: readonly [number, number],
  [freshFrom, freshTo]: readonly [number, number],
  empty = 0,
): void {
  if (from === to && freshFrom === freshTo) return;
  const begin = from < old.length ? starts[from] : old.length === 0 ? empty : endOf(old, starts, old.length - 1);
  const end = to > from ? endOf(old, starts, to - 1) : begin;
  transaction.replaceWith(begin, end, fresh.slice(freshFrom, freshTo));
}

const endOf = (old: readonly Node[], starts: readonly number[], at: number) => starts[at] + old[at].nodeSize;

/** Only the stretch of the text that differs is replaced. */
function replaceWithin(transaction: Transaction, start: number, before: Node, after: Node): void {
  if (before === after) return;
  if (!before.sameMarkup(after)) transaction.setNodeMarkup(start, null, after.attrs, after.marks);
  const from = before.content.findDiffStart(after.content);
  if (from === null) return;
  const end = before.content.findDiffEnd(after.content)!;
  const overlap = Math.max(0, from - Math.min(end.a, end.b));
  const slice = after.slice(from, end.b + overlap);
  transaction.replace(start + 1 + from, start + 1 + end.a + overlap, slice);
}

/** After an external transaction equal nodes stand for the blocks: from now on they are known as theirs. */
export function adoptBlocks(doc: Node, blocks: readonly Block[]): void {
  blocks.forEach((block, at) => {
    const node = doc.maybeChild(at);
    if (node !== null && knownBlock(node) !== block && node.eq(toNode(block))) bind(node, block);
  });
}
