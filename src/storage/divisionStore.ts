// Divisions in the database: short ones in one row, the blocks of long ones in pieces beside it.
import type { Division } from '../core/model/copy/book';
import type { WalnutDatabase } from './database';
import { changed, firstPieces, MOST_BLOCKS, type PieceLayout } from './pieces';

/** How the blocks of a division that is open lie in the database. Kept by identity: an edited division is another object. */
const layouts = new WeakMap<Division, PieceLayout>();

/**
 * The requests that turn the divisions of a book from one state into another; to be made in a transaction over divisions
 * and pieces. Only divisions that are other objects are written, and of long ones only pieces whose blocks are.
 */
export function divisionWrites(
  { divisions, pieces }: WalnutDatabase,
  book: string,
  before: readonly Division[],
  after: readonly Division[],
): PromiseLike<unknown>[] {
  if (before === after) return [];
  const old = new Map(before.map((division) => [division.id, division]));
  const kept = new Set(after.map((division) => division.id));
  const requests: PromiseLike<unknown>[] = [];
  const dropPieces = (division: string) => requests.push(pieces.where({ book, division }).delete());
  for (const value of after) {
    const was = old.get(value.id);
    if (was === value) continue;
    const layout = was && layouts.get(was);
    if (value.blocks.length <= MOST_BLOCKS) {
      if (layout !== undefined) dropPieces(value.id);
      requests.push(divisions.put({ book, division: value.id, value }));
      continue;
    }
    const change =
      layout === undefined || was === undefined ? firstPieces(value.blocks) : changed(layout, was.blocks, value.blocks);
    layouts.set(value, change.layout);
    requests.push(
      divisions.put({ book, division: value.id, value: { ...value, blocks: [] }, layout: change.layout }),
      ...change.written.map(({ number, blocks }) => pieces.put({ book, division: value.id, piece: number, blocks })),
      ...change.gone.map((number) => pieces.delete([book, value.id, number])),
    );
  }
  for (const division of old.keys())
    if (!kept.has(division)) {
      requests.push(divisions.delete([book, division]));
      dropPieces(division);
    }
  return requests;
}

/** The divisions of a book by id; `remember` tells how those lie that were opened, perhaps brought to today's format. */
export interface GatheredDivisions {
  readonly divisions: ReadonlyMap<string, Division>;
  readonly remember: (opened: readonly Division[]) => void;
}

/** Reads a book's divisions; to be called in a transaction over divisions and pieces. */
export async function gatherDivisions({ divisions, pieces }: WalnutDatabase, book: string): Promise<GatheredDivisions> {
  const [rows, all] = await Promise.all([
    divisions.where('book').equals(book).toArray(),
    pieces.where('book').equals(book).toArray(),
  ]);
  const blocks = new Map(all.map((row) => [`${row.division} ${row.piece}`, row.blocks]));
  const found = new Map<string, Division>();
  const known = new Map<string, PieceLayout>();
  for (const { division, value, layout } of rows) {
    if (layout === undefined) {
      found.set(division, value);
      continue;
    }
    const own = layout.pieces.flatMap(({ number }) => blocks.get(`${division} ${number}`) ?? []);
    found.set(division, { ...value, blocks: own });
    known.set(division, layout);
  }
  const remember = (opened: readonly Division[]) => {
    for (const division of opened) {
      const layout = known.get(division.id);
      // A migration may make blocks anew; then all pieces are written again at the next change.
      if (layout !== undefined && division === found.get(division.id)) layouts.set(division, layout);
    }
  };
  return { divisions: found, remember };
}
