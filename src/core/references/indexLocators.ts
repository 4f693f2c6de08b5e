// The index: marks of the copy gathered by term, with the pages on which they stand, ranges merged.
import { commonEnds } from '../base/commonEnds';
import { compareTerms, sortKey, sortKeyOfSub } from '../base/collate';
import type { IndexMark, IndexSpec } from '../model/spec/indexSpec';
import type { Page } from '../model/composed/pages';
import type { IndexLocators } from '../model/composed/referenceTable';
import type { BlockId, Paragraph } from '../model/copy/streams';
import type { PageOf } from './findPlaces';

export interface PlacedMark extends IndexMark {
  readonly block: BlockId;
  readonly at: number;
}

/** The index marks of a paragraph, in order. */
export function marksOf(block: Paragraph): PlacedMark[] {
  return block.objects.flatMap((object) => {
    if (object.kind !== 'index') return [];
    const { kind: _, ...mark } = object;
    return [{ ...mark, block: block.id }];
  });
}

interface Gathered {
  readonly term: string;
  readonly sub: string;
  readonly ranges: [number, number][];
  readonly see: Set<string>;
  readonly seeAlso: Set<string>;
  open: number | null;
}

/** Entries in the order of the index: terms, each with its sub-entries after it. A term of sub-entries alone has no pages. */
export function indexLocators(
  marks: readonly PlacedMark[],
  pageOf: PageOf,
  folioOf: (page: number) => string,
  spec: IndexSpec,
  language = 'en',
): IndexLocators[] {
  const entries = new Map<string, Gathered>();
  const entry = (term: string, sub: string): Gathered => {
    const key = `${term}\u0000${sub}`;
    const known = entries.get(key);
    if (known !== undefined) return known;
    const made: Gathered = { term, sub, ranges: [], see: new Set(), seeAlso: new Set(), open: null };
    entries.set(key, made);
    return made;
  };
  for (const mark of marks) {
    const term = mark.term.trim();
    if (term === '') continue;
    if (mark.sub.trim() !== '') entry(term, '');
    const own = entry(term, mark.sub.trim());
    if (mark.see.trim() !== '') own.see.add(mark.see.trim());
    if (mark.seeAlso.trim() !== '') own.seeAlso.add(mark.seeAlso.trim());
    // A mark is set as nothing: it stands where the sign after it does.
    if (mark.see.trim() === '') addPage(own, mark, pageOf(mark.block, mark.at + 1));
  }
  return [...entries.values()]
    .sort((a, b) => compareEntries(a, b, spec.order, language))
    .map(({ term, sub, ranges, see, seeAlso }) => {
      const pages = merged(ranges);
      const folios = pages.map(([from, to]): [string, string] => [folioOf(from), folioOf(to)]);
      return { term, sub, pages, folios, see: [...see].join('; '), seeAlso: [...seeAlso] };
    });
}

/** A mark on no page yet counts as on page -1: the first pass then makes the entry at its length. */
function addPage(entry: Gathered, { range }: IndexMark, page: number): void {
  if (range === 'from') entry.open ??= page;
  const from = range === 'to' ? (entry.open ?? page) : page;
  entry.ranges.push([Math.min(from, page), page]);
  if (range === 'to') entry.open = null;
}

/** Ranges in order; those that overlap or follow page upon page are one when one of them is a range already. */
function merged(ranges: readonly (readonly [number, number])[]): [number, number][] {
  const made: [number, number][] = [];
  for (const [from, to] of [...ranges].sort((a, b) => a[0] - b[0] || b[1] - a[1])) {
    const last = made[made.length - 1];
    if (last !== undefined && from <= last[1] + 1) last[1] = Math.max(last[1], to);
    else made.push([from, to]);
  }
  return made;
}

function compareEntries(a: Gathered, b: Gathered, order: IndexSpec['order'], language: string): number {
  const keys = [a.term, b.term].map((term) => sortKey(term, order, language));
  const byTerm = compareTerms(a.term, b.term, keys[0], keys[1]);
  if (byTerm !== 0) return byTerm;
  if (a.sub === '' || b.sub === '') return a.sub === b.sub ? 0 : a.sub === '' ? -1 : 1;
  return compareTerms(a.sub, b.sub, sortKeyOfSub(a.sub, order, language), sortKeyOfSub(b.sub, order, language));
}

/** Folios of a range, such as `123–24`; full, or with the figures that both have in common left out of the last. */
export function rangeText([from, to]: readonly [string, string], ranges: IndexSpec['ranges']): string {
  if (from === to) return from;
  return `${from}–${ranges === 'full' ? to : elided(from, to)}`;
}

/** House rules, section 5: 123-24, 107-8, 100-104; roman folios and those under 100 are full. */
function elided(from: string, to: string): string {
  if (!/^\d+$/.test(from) || !/^\d+$/.test(to) || from.length !== to.length || from.length < 3) return to;
  const number = Number(from);
  if (number % 100 === 0) return to;
  const [same] = commonEnds(from, to);
  const rest = to.slice(same);
  const isFirstTen = number % 100 < 10;
  if (isFirstTen) return rest.replace(/^0+/, '') || to;
  return rest.length < 2 ? to.slice(-2) : rest;
}

/** What the block of an index paragraph begins with, and what one begins with that says a term again. */
export const INDEX_BLOCK = 'index:';
export const CONTINUED_BLOCK = 'index:continued:';

/** Sub-entries that stand first on a verso, or would but for the line that says their term again (house rules, section 5). */
export function continuedEntries(pages: readonly Page[]): string[] {
  return pages.flatMap(({ divisionRole, side, fragments: [first] }) => {
    if (divisionRole !== 'index' || side !== 'verso' || first === undefined || first.from > 0) return [];
    const { block, style } = first.paragraph.styled;
    const key = block.replace(/\[\{.*$/, '');
    if (key.startsWith(CONTINUED_BLOCK)) return [key.slice(CONTINUED_BLOCK.length)];
    return style.tag === 'IXS' && key.startsWith(INDEX_BLOCK) ? [key.slice(INDEX_BLOCK.length)] : [];
  });
}
