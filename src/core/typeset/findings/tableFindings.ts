// Findings about tables for which their pages have too little room.
import type { Table } from '../../model/copy/streams';
import type { Page } from '../../model/composed/pages';
import { fateOf } from '../tables/tableFate';
import type { BookHit, BookRunner } from './bookFacts';

const MESSAGES = {
  narrow:
    'Words of this table are wider than their columns, and are divided: it wants fewer columns, shorter words, smaller type or a wider page.',
  text: 'There is no room for the columns of this table: its cells are set one after another, as text.',
} as const;

export const tables: BookRunner = ({ compose, furnished }) => {
  const hits: BookHit[] = [];
  for (const { id: stream, blocks } of compose.book.divisions)
    for (const block of blocks) {
      if (block.kind !== 'table') continue;
      const fate = fateOf(block);
      if (fate === undefined) continue;
      const place = { stream, block: block.id, from: 0, to: 0, page: pageOf(block, furnished.pages) };
      hits.push({ ...place, kind: fate === 'narrow' ? 'table-narrow' : 'table-as-text', message: MESSAGES[fate] });
    }
  return hits;
};

/** The page on which a table begins; -1 where it stands on none. Its first row stands there, or the first that holds anything. */
function pageOf({ id, rows }: Table, pages: readonly Page[]): number {
  const first = rows.find((row) =>
    row.some(({ blocks }) => blocks.some((block) => block.kind === 'table' || block.text !== '')),
  );
  const own = new Set([
    id,
    ...[...rows.slice(0, 1), first ?? []].flat().flatMap(({ blocks }) => blocks.map((block) => block.id)),
  ]);
  const page = pages.find(({ fragments }) => fragments.some(({ paragraph }) => own.has(paragraph.styled.block)));
  return page?.index ?? -1;
}
