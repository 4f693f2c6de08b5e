// Finds the pages on which places of the text stand: one walk over the pages for all places that are asked for.
import type { Page } from '../model/pages';
import type { BlockId } from '../model/streams';

/** Page index of a place in the text; -1 when it stands on none. Of a block without an offset: of its beginning. */
export type PageOf = (block: BlockId, offset?: number) => number;

export function findPlaces(pages: readonly Page[], wanted: ReadonlySet<BlockId>): PageOf {
  const found = new Map<BlockId, [page: number, from: number][]>();
  if (wanted.size > 0)
    for (const page of pages) {
      for (const fragments of [page.fragments, page.notes])
        for (const { paragraph, from } of fragments) {
          const { styled, broken } = paragraph;
          if (!wanted.has(styled.block)) continue;
          const at = broken.from[from] ?? 0;
          const start = from === 0 ? 0 : (styled.source?.[at] ?? at);
          const places = found.get(styled.block) ?? [];
          if (places.length === 0) found.set(styled.block, places);
          places.push([page.index, start]);
        }
    }
  return (block, offset = 0) => {
    const places = found.get(block) ?? [];
    let page = -1;
    for (const [index, from] of places) if (from <= offset || page < 0) page = index;
    return page;
  };
}
