// The page table of a composed book, for what outlives its pages.
import { fnv1a } from '../../base/hash';
import type { Finding } from '../../model/checks/finding';
import type { Page, TypesetBook } from '../../model/composed/pages';
import type { PageTable } from '../../model/composed/pageTable';
import { ENGINE } from '../engine';

/** What tells a finding from others, on whatever page it stands. */
export const findingKey = ({ kind, stream, block, from, to, message }: Finding): string =>
  [kind, stream, block, from, to, message].join('\u0000');

export function pageTableOf({ pages, findings }: Pick<TypesetBook, 'pages' | 'findings'>): PageTable {
  return {
    engine: ENGINE,
    pages: pages.map((page) => ({ folio: page.folio, role: page.role, start: startOf(page), lines: lineEnds(page) })),
    findings: findings.map((finding) => fnv1a(findingKey(finding)).toString(16).padStart(8, '0')),
  };
}

const isCopy = ({ paragraph }: Page['fragments'][number]) => /^p\d+$/.test(paragraph.styled.block);

function startOf({ fragments }: Page): { block: string; offset: number } | null {
  const first = fragments.find(isCopy);
  if (first === undefined) return null;
  const { styled, broken } = first.paragraph;
  const at = broken.from[first.from] ?? 0;
  return { block: styled.block, offset: first.from === 0 ? 0 : (styled.source?.[at] ?? at) };
}

function lineEnds({ fragments, notes }: Page): string {
  const ends = [...fragments, ...notes].map(({ paragraph: { styled, broken }, from, to }) => {
    const source = (at: number) => styled.source?.[at] ?? at;
    return `${styled.block} ${Array.from({ length: to - from }, (_, k) => source(broken.to[from + k])).join(' ')}`;
  });
  return fnv1a(ends.join('|')).toString(16).padStart(8, '0');
}

/** Indices of the pages of `after` whose lines end otherwise than those of the page of the same place in `before`. */
export const otherLines = (before: PageTable, after: PageTable): number[] =>
  after.pages.flatMap(({ lines }, index) => (before.pages[index]?.lines === lines ? [] : [index]));
