// The author's new copy as the base of the file after it.
import type { Book, Division, Note } from '../../model/copy/book';
import type { Block, StreamId } from '../../model/copy/streams';

export interface NewBase {
  /** Divisions of the file, and their blocks one after another under the ids of the book. */
  readonly fresh: readonly Division[];
  readonly blocks: readonly Block[];
  readonly notes: ReadonlyMap<StreamId, Note>;
  /** Divisions of the base that the file stands for, and the blocks of them that it stands for. */
  readonly replaced: ReadonlySet<StreamId>;
  readonly known: readonly Block[];
  /** The file is the whole copy. */
  readonly isWhole: boolean;
}

/** `takeId` gives ids to divisions that the base had not. */
export function newBase(
  base: Book,
  { fresh, blocks, notes, replaced, known, isWhole }: NewBase,
  takeId: (letter: string) => string,
): Book {
  let at = 0;
  const homes = new Map(
    base.divisions.flatMap(({ id, blocks: theirs }) => theirs.map((block) => [block.id, id] as const)),
  );
  const used = new Set<StreamId>();
  // A division that the base had keeps its id there, so that a file that says the same gives the same base.
  const idOf = (part: readonly Block[]) => {
    const before = part.map((block) => homes.get(block.id)).find((id) => id !== undefined && !used.has(id));
    const id = before ?? takeId('d');
    used.add(id);
    return id;
  };
  const own = fresh.map((division) => {
    const part = blocks.slice(at, at + division.blocks.length);
    at += division.blocks.length;
    return { ...division, id: idOf(part), blocks: part };
  });
  const { divisions } = base;
  const first = divisions.findIndex(({ id }) => replaced.has(id));
  const others = divisions.filter(({ id }) => !replaced.has(id));
  const place = first < 0 ? others.length : divisions.slice(0, first).filter(({ id }) => !replaced.has(id)).length;
  // What of them stands in other divisions of the book by now stays as it came.
  const done = new Set(known);
  const left = divisions
    .filter(({ id }) => replaced.has(id))
    .map((division) => ({ ...division, blocks: division.blocks.filter((block) => !done.has(block)) }))
    .filter((division) => division.blocks.length > 0)
    .map((division) => ({ ...division, id: takeId('d') }));
  const all = isWhole ? own : [...others.slice(0, place), ...own, ...left, ...others.slice(place)];
  const kept = isWhole ? Object.fromEntries(notes) : { ...base.notes, ...Object.fromEntries(notes) };
  return { ...base, divisions: all, notes: kept };
}
