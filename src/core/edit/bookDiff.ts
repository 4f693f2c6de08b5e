// The edits that make one book another: for changes that are worked out as a whole, such as a newer version of the copy.
import type { Book, Division } from '../model/copy/book';
import type { BookEdit, Plain } from '../model/copy/bookEdit';
import { applyEdit } from './applyEdit';
import { givenOf } from './makeEdits';

const isSame = (a: unknown, b: unknown) => a === b || JSON.stringify(a) === JSON.stringify(b);

/** Edits from `before` to `after`, in the order in which to apply them; the id of the book stays. */
export function editsBetweenBooks(before: Book, after: Book): BookEdit[] {
  const edits: BookEdit[] = [];
  if (before.nextId !== after.nextId) edits.push({ kind: 'setNextId', from: before.nextId, to: after.nextId });
  if (!isSame(before.spec, after.spec))
    edits.push({
      kind: 'setSpec',
      path: [],
      from: before.spec as unknown as Plain,
      to: after.spec as unknown as Plain,
    });
  if (!isSame(before.source, after.source)) edits.push({ kind: 'setSource', from: before.source, to: after.source });
  if (!isSame(before.pageTouches, after.pageTouches))
    edits.push({ kind: 'setPageTouches', from: before.pageTouches, to: after.pageTouches });
  const keys = new Set([...Object.keys(before.particulars), ...Object.keys(after.particulars)]);
  for (const key of keys as Set<keyof Book['particulars']>) {
    // What is not given is empty.
    const [from, to] = [givenOf(before.particulars, key), givenOf(after.particulars, key)];
    if (!isSame(from, to)) edits.push({ kind: 'setParticulars', key, from, to });
  }
  for (const id of new Set([...Object.keys(before.notes), ...Object.keys(after.notes)])) {
    const [from, to] = [before.notes[id] ?? null, after.notes[id] ?? null];
    if (!isSame(from, to)) edits.push({ kind: 'setNote', id, from, to });
  }
  for (const id of new Set([...Object.keys(before.figures), ...Object.keys(after.figures)])) {
    const [from, to] = [before.figures[id] ?? null, after.figures[id] ?? null];
    if (!isSame(from, to)) edits.push({ kind: 'setFigure', id, from, to });
  }
  edits.push(...divisionEdits(before, after));
  return [...edits, ...anchorEdits(before, after, edits)];
}

/** What the edits of the copy do not do to the anchors by themselves. */
function anchorEdits(before: Book, after: Book, edits: readonly BookEdit[]): BookEdit[] {
  const ids = new Set([...Object.keys(before.anchors), ...Object.keys(after.anchors)]);
  if (ids.size === 0) return [];
  const { anchors } = edits.reduce(applyEdit, before);
  return [...ids].flatMap((id): BookEdit[] => {
    const [from, to] = [anchors[id] ?? null, after.anchors[id] ?? null];
    return isSame(from, to) ? [] : [{ kind: 'setAnchor', id, from, to }];
  });
}

function divisionEdits(before: Book, after: Book): BookEdit[] {
  const edits: BookEdit[] = [];
  let current: Book = before;
  const take = (edit: BookEdit) => {
    edits.push(edit);
    current = applyEdit(current, edit);
  };
  const kept = new Set(after.divisions.map(({ id }) => id));
  for (let at = current.divisions.length - 1; at >= 0; at -= 1) {
    const division = current.divisions[at];
    if (!kept.has(division.id)) take({ kind: 'removeDivision', at, division });
  }
  after.divisions.forEach((division, at) => {
    const from = current.divisions.findIndex(({ id }) => id === division.id);
    if (from < 0) return take({ kind: 'insertDivision', at, division });
    if (from !== at) take({ kind: 'moveDivision', from, to: at });
    const own = current.divisions[at];
    const [facts, wished] = [factsOf(own), factsOf(division)];
    if (!isSame(facts, wished)) take({ kind: 'setDivision', id: own.id, from: facts, to: wished });
    blockEdits(own, division).forEach(take);
  });
  return edits;
}

function factsOf({ id: _, blocks: _blocks, ...facts }: Division): Omit<Division, 'id' | 'blocks'> {
  return facts;
}

/** One edit for each run of blocks that differ; blocks that say the same keep their identity. */
function blockEdits(before: Division, after: Division): BookEdit[] {
  const edits: BookEdit[] = [];
  const places = new Map(after.blocks.map((block, at) => [block.id, at]));
  let [i, j] = [0, 0];
  while (i < before.blocks.length || j < after.blocks.length) {
    if (i < before.blocks.length && j < after.blocks.length && isSame(before.blocks[i], after.blocks[j])) {
      [i, j] = [i + 1, j + 1];
      continue;
    }
    const [from, at] = [i, j];
    // Up to the next block that stands in both, unchanged.
    for (; i < before.blocks.length; i += 1) {
      const place = places.get(before.blocks[i].id) ?? -1;
      if (place < j || !isSame(before.blocks[i], after.blocks[place])) continue;
      j = place;
      break;
    }
    if (i === before.blocks.length) j = after.blocks.length;
    edits.push({
      kind: 'replaceBlocks',
      stream: before.id,
      at,
      removed: before.blocks.slice(from, i),
      inserted: after.blocks.slice(at, j),
    });
  }
  return edits;
}
