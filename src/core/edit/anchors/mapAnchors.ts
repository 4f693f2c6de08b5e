// Takes the anchors of a book through an edit. An anchor whose words go keeps its last place and a fingerprint of the text there;
// when that text is back, by undo or by typing, it stands again as it stood.
import { fingerprint } from '../../base/hash';
import { eachStream, type Book } from '../../model/copy/book';
import type { Anchor, AnchorId } from '../../model/copy/anchors';
import type { BookEdit } from '../../model/copy/bookEdit';
import { FIGURE_TEXTS } from '../../model/copy/figures';
import type { Block, BlockId, StreamId } from '../../model/copy/streams';
import { mapStretch, textOf } from './mapStretch';

/** The blocks that an edit replaces in one stream. */
interface StreamChange {
  readonly stream: StreamId;
  readonly removed: readonly Block[];
  readonly inserted: readonly Block[];
}

/** The book after an edit, with its anchors where the edit took them. Anchors that stay keep their identity. */
export function mapAnchors(after: Book, edit: BookEdit): Book {
  const changes = changesOf(edit);
  if (changes.length === 0) return after;
  const moved: [AnchorId, Anchor][] = [];
  for (const [id, anchor] of Object.entries(after.anchors)) {
    const mapped = anchor.lost === undefined ? mapStanding(anchor, changes, after) : mapLost(anchor, changes);
    if (mapped !== anchor) moved.push([id, mapped]);
  }
  return moved.length === 0 ? after : { ...after, anchors: { ...after.anchors, ...Object.fromEntries(moved) } };
}

function mapStanding(anchor: Anchor, changes: readonly StreamChange[], after: Book): Anchor {
  for (const { stream, removed, inserted } of changes) {
    if (stream !== anchor.stream) continue;
    const before = removed.find(({ id }) => id === anchor.block);
    if (before === undefined) return anchor;
    const mapped = mapStretch(anchor, removed, inserted);
    if (mapped !== null) return isSamePlace(mapped, anchor) ? anchor : { ...anchor, ...placeOf(mapped) };
    const elsewhere = streamOfBlock(after, anchor.block, textOf(before));
    return elsewhere === undefined
      ? { ...anchor, lost: fingerprint(textOf(before)) }
      : { ...anchor, stream: elsewhere };
  }
  return anchor;
}

const placeOf = ({ block, from, to }: Pick<Anchor, 'block' | 'from' | 'to'>) => ({ block, from, to });

const isSamePlace = (a: Pick<Anchor, 'block' | 'from' | 'to'>, b: Anchor) =>
  a.block === b.block && a.from === b.from && a.to === b.to;

/** Words come back only by a change whose way back would take them again: else undo after it would leave them standing. */
function mapLost(anchor: Anchor, changes: readonly StreamChange[]): Anchor {
  for (const { stream, removed, inserted } of changes) {
    const block = inserted.find(({ id }) => id === anchor.block);
    if (block === undefined || fingerprint(textOf(block)) !== anchor.lost) continue;
    if (mapStretch(anchor, inserted, removed) !== null) continue;
    const { lost: _, ...standing } = anchor;
    return { ...standing, stream };
  }
  return anchor;
}

/** Text that goes from one stream to another is put in there before it is taken out here, or after: both are found. */
function streamOfBlock(book: Book, id: BlockId, text: string): StreamId | undefined {
  for (const { stream, blocks } of eachStream(book))
    if (blocks.some((block) => block.id === id && textOf(block) === text)) return stream;
  return undefined;
}

function changesOf(edit: BookEdit): StreamChange[] {
  switch (edit.kind) {
    case 'replaceBlocks':
      return withCells(edit.stream, edit.removed, edit.inserted);
    case 'insertDivision':
      return withCells(edit.division.id, [], edit.division.blocks);
    case 'removeDivision':
      return withCells(edit.division.id, edit.division.blocks, []);
    case 'setNote':
      return withCells(edit.id, edit.from?.blocks ?? [], edit.to?.blocks ?? []);
    case 'setFigure':
      return FIGURE_TEXTS.flatMap((role) => {
        const [from, to] = [edit.from?.[role], edit.to?.[role]];
        if (from !== undefined && to !== undefined && from.id !== to.id)
          return [...withCells(from.id, from.blocks, []), ...withCells(to.id, [], to.blocks)];
        return withCells((from ?? to)!.id, from?.blocks ?? [], to?.blocks ?? []);
      });
    default:
      return [];
  }
}

/** The change of a stream, and those of the cells of tables in it. */
function withCells(stream: StreamId, removed: readonly Block[], inserted: readonly Block[]): StreamChange[] {
  const changes: StreamChange[] = [{ stream, removed, inserted }];
  const [before, after] = [cellsOf(removed), cellsOf(inserted)];
  for (const id of new Set([...before.keys(), ...after.keys()])) {
    const [from, to] = [before.get(id) ?? [], after.get(id) ?? []];
    if (from !== to) changes.push(...withCells(id, from, to));
  }
  return changes;
}

function cellsOf(blocks: readonly Block[]): Map<StreamId, readonly Block[]> {
  const cells = new Map<StreamId, readonly Block[]>();
  for (const block of blocks)
    if (block.kind === 'table') for (const row of block.rows) for (const cell of row) cells.set(cell.id, cell.blocks);
  return cells;
}
