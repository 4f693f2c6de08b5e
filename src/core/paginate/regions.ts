// The regions that a stream is poured into: rectangles of pages, one after another.
import type { Pt } from '../model/spec/length';
import type { StreamId } from '../model/copy/streams';

export interface Region {
  readonly stream: StreamId;
  /** Page of the reach, from 0; of regions that come again: the page on which they stand first. */
  readonly page: number;
  /** Its place among the regions of its page, from 0, and how many they are. */
  readonly column: number;
  readonly columns: number;
  /** Left edge from that of the type area. */
  readonly x: Pt;
  readonly width: Pt;
  /** Grid line of the type area, from 0, on which its first line stands. */
  readonly top: number;
  /** Grid lines that it holds where its spread runs neither short nor long. */
  readonly lines: number;
}

/**
 * Regions in the order in which they are filled. After the last one those from `repeat` on come again: whole pages, the first not
 * among them, for what is asked of it is asked of no other.
 */
export interface RegionSequence {
  readonly list: readonly Region[];
  readonly repeat: number;
}

export interface PageShape {
  readonly top: number;
  readonly lines: number;
  readonly columns: readonly Pick<Region, 'x' | 'width'>[];
}

/** The columns of some pages; the last `repeated` pages come again and again. */
export function regionsOf(stream: StreamId, pages: readonly PageShape[], repeated = 1): RegionSequence {
  const all = repeated < pages.length ? pages : [...pages, ...pages];
  const list = all.flatMap(({ top, lines, columns }, page) =>
    columns.map(({ x, width }, column): Region => ({
      stream,
      page,
      column,
      columns: columns.length,
      x,
      width,
      top,
      lines,
    })),
  );
  return { list, repeat: list.findIndex(({ page }) => page >= all.length - repeated) };
}

/** A search fills the regions of one stream; throws a RangeError where they are of several. */
export function mustBeOneStream({ list }: RegionSequence): void {
  if (list.some(({ stream }) => stream !== list[0].stream))
    throw new RangeError('A search fills regions of one stream.');
}

/** Index of the region after one. */
export const regionAfter = ({ list, repeat }: RegionSequence, index: number): number =>
  index + 1 < list.length ? index + 1 : repeat;

export const closesPage = ({ column, columns }: Region): boolean => column + 1 === columns;

/** The first region of a page, counted from 0, however often those of the sequence have come again. */
export function firstRegionOf({ list, repeat }: RegionSequence, page: number): Region {
  const last = list[list.length - 1].page;
  const from = list[repeat].page;
  const known = page <= last ? page : from + ((page - from) % (last - from + 1));
  return list.find((region) => region.page === known)!;
}
