// Finds the pages on which places of the text stand: one walk over the pages for all places that are asked for.
import type { Fragment, Page } from '../model/composed/pages';
import type { BlockId } from '../model/copy/streams';

/** Page index of a place in the text; -1 when it stands on none. Of a block without an offset: of its beginning. */
export type PageOf = (block: BlockId, offset?: number) => number;

export function findPlaces(pages: readonly Page[], wanted: ReadonlySet<BlockId>): PageOf {
  const found = new Map<BlockId, [page: number, from: number][]>();
  if (wanted.size > 0)
    for (const page of pages)
      for (const fragments of [page.fragments, page.notes]) {
        const { blocks, starts } = beginningsOf(fragments);
        for (let k = 0; k < blocks.length; k += 1) {
          if (!wanted.has(blocks[k])) continue;
          const places = found.get(blocks[k]);
          if (places === undefined) found.set(blocks[k], [[page.index, starts[k]]]);
          else places.push([page.index, starts[k]]);
        }
      }
  return (block, offset = 0) => {
    const places = found.get(block) ?? [];
    let page = -1;
    for (const [index, from] of places) if (from <= offset || page < 0) page = index;
    return page;
  };
}

/** The blocks of fragments, and the source offset at which each begins there. */
interface Beginnings {
  readonly blocks: readonly BlockId[];
  readonly starts: readonly number[];
}

/** Remembered: pages keep their fragments while nothing on them changes. */
const beginnings = new WeakMap<readonly Fragment[], Beginnings>();

function beginningsOf(fragments: readonly Fragment[]): Beginnings {
  let known = beginnings.get(fragments);
  if (known === undefined) {
    const stood = fragments.filter(({ isRepeated }) => !isRepeated);
    const starts = stood.map(({ paragraph: { styled, broken }, from }) => {
      const at = broken.from[from] ?? 0;
      return from === 0 ? 0 : (styled.source?.[at] ?? at);
    });
    known = { blocks: stood.map(({ paragraph }) => paragraph.styled.block), starts };
    beginnings.set(fragments, known);
  }
  return known;
}

/** Where each page with a folio of its own begins in the copy: its first text that stands there for the first time. */
export function pageStarts(
  pages: readonly Page[],
): { readonly folio: string; readonly block: BlockId; readonly at: number }[] {
  return pages.flatMap(({ folio, folioHidden, fragments }) => {
    const { blocks, starts } = beginningsOf(fragments);
    return folio === '' || folioHidden || blocks.length === 0 ? [] : [{ folio, block: blocks[0], at: starts[0] }];
  });
}
