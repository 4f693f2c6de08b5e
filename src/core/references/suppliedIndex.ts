// An index that somebody else made from the pages of a pull: read as terms with locators, and each locator found again in the
// text, so that it lives from then on.
import { ValueError } from '../base/errors';
import { sortKey } from '../base/collate';
import type { PageTable } from '../model/composed/pageTable';
import type { Book } from '../model/copy/book';
import type { Block, BlockId, Paragraph } from '../model/copy/streams';

/** A term or sub-term with the folios that it names. */
export interface SuppliedEntry {
  readonly term: string;
  readonly sub: string;
  /** First and last folio as they are written. */
  readonly locators: readonly (readonly [string, string])[];
  readonly see: string;
  readonly seeAlso: string;
}

const LOCATOR = /^([\p{L}-]*\d+|[ivxlcdm]+)(?:\s*[–—-]\s*([\p{L}-]*\d+|[ivxlcdm]+))?[nf]{0,2}\.?$/iu;
const MOST_ENTRIES = 20_000;

/**
 * Reads lines such as `weir, 12, 14–15`; sub-entries are indented, or follow a colon; `see` and `see also` are told apart. Throws
 * ValueError with the number of a line that says nothing that can be understood.
 */
export function readSuppliedIndex(text: string): SuppliedEntry[] {
  const entries: SuppliedEntry[] = [];
  let term = '';
  text.split(/\r\n?|\n/).forEach((raw, at) => {
    const line = raw.replace(/\uFEFF/g, '').trimEnd();
    const words = line.trim();
    if (words === '' || /^\p{L}$/u.test(words)) return;
    if (entries.length >= MOST_ENTRIES)
      throw new ValueError('index', `The index has more than ${MOST_ENTRIES} entries.`);
    const isSub = /^\s/.test(line) && term !== '';
    const entry = readLine(words, isSub ? term : '');
    if (entry === null)
      throw new ValueError('index', `Line ${at + 1} of the index has no term: “${words.slice(0, 60)}”.`);
    if (!isSub) term = entry.term;
    entries.push(entry);
  });
  if (entries.length === 0) throw new ValueError('index', 'The index holds no entry.');
  return entries;
}

function readLine(words: string, term: string): SuppliedEntry | null {
  const refer = /[.,;]?\s+(see(?:\s+also)?)\s+(.+)$/i.exec(words);
  const said = refer === null ? words : words.slice(0, refer.index);
  const parts = said.split(/\s*[,;]\s*/);
  const locators: [string, string][] = [];
  while (parts.length > 1 || (parts.length === 1 && term !== '')) {
    const found = LOCATOR.exec(parts[parts.length - 1]);
    if (found === null) break;
    locators.unshift([found[1], fullEnd(found[1], found[2])]);
    parts.pop();
  }
  const name = parts
    .join(', ')
    .replace(/[,:;]$/, '')
    .trim();
  if (name === '' || name.length > 200) return null;
  const also = refer !== null && /also/i.test(refer[1]) ? refer[2].trim() : '';
  const see = refer !== null && also === '' ? refer[2].trim() : '';
  const [own, sub] = term === '' ? [name, ''] : [term, name];
  return { term: own, sub, locators, see: see.slice(0, 200), seeAlso: also.slice(0, 200) };
}

/** The last folio of a range whose figures may be left out: 123–24. */
function fullEnd(from: string, to: string | undefined): string {
  if (to === undefined) return from;
  if (!/^\d+$/.test(from) || !/^\d+$/.test(to) || to.length >= from.length) return to;
  return from.slice(0, from.length - to.length) + to;
}

/** A place in the text of the pull. */
export interface LocatedPlace {
  readonly block: BlockId;
  /** Source offset. */
  readonly offset: number;
}

export type LocatorDoubt = 'no page' | 'words not found';

export interface FoundLocator {
  readonly entry: SuppliedEntry;
  readonly locator: readonly [string, string];
  /** Where the range begins and ends; undefined: there is no such page. */
  readonly from?: LocatedPlace;
  readonly to?: LocatedPlace;
  /** Index of the first page in the pull. */
  readonly page: number;
  readonly doubt: LocatorDoubt | null;
}

/** A stretch of a paragraph of the copy on a page, as source offsets. */
export interface PageStretch extends LocatedPlace {
  readonly text: string;
}

/** A page by its folio, and the copy on it. */
export interface PageOfCopy {
  readonly folio: string;
  readonly index: number;
  readonly stretches: readonly PageStretch[];
}

/** The copy on each page of a table that was made of the book: from the page's first text up to that of the next. */
export function copyOfPages(book: Book, { pages }: PageTable): PageOfCopy[] {
  const copy = book.divisions.flatMap(({ blocks, notInPrint }) => (notInPrint === true ? [] : paragraphsIn(blocks)));
  const placeOf = new Map(copy.map(({ id }, at) => [id, at]));
  const starts = pages.map(({ start }) => {
    const at = start === null ? undefined : placeOf.get(start.block);
    return at === undefined ? null : { at, offset: start!.offset };
  });
  let next: { at: number; offset: number } = { at: copy.length, offset: 0 };
  const made: PageOfCopy[] = [];
  for (let index = pages.length - 1; index >= 0; index -= 1) {
    const start = starts[index];
    const stretches = start === null ? [] : stretchesBetween(copy, start, next);
    if (start !== null) next = start;
    made.push({ folio: pages[index].role === 'blank' ? '' : pages[index].folio, index, stretches });
  }
  return made.reverse();
}

/** In reading order, those of tables cell by cell. */
const paragraphsIn = (blocks: readonly Block[]): Paragraph[] =>
  blocks.flatMap((block) =>
    block.kind === 'paragraph'
      ? [block]
      : block.rows.flatMap((row) => row.flatMap((cell) => paragraphsIn(cell.blocks))),
  );

function stretchesBetween(
  copy: readonly Paragraph[],
  start: { readonly at: number; readonly offset: number },
  end: { readonly at: number; readonly offset: number },
): PageStretch[] {
  const stretches: PageStretch[] = [];
  for (let at = start.at; at <= end.at && at < copy.length; at += 1) {
    const from = at === start.at ? start.offset : 0;
    const to = at === end.at ? end.offset : copy[at].text.length;
    if (to > from || (at < end.at && copy[at].text === ''))
      stretches.push({ block: copy[at].id, offset: from, text: copy[at].text.slice(from, to) });
  }
  return stretches;
}

/** Finds the locators of entries on the pages of the pull: at the words of the term where they stand on the page, else at its first. */
export function findLocators(entries: readonly SuppliedEntry[], pages: readonly PageOfCopy[]): FoundLocator[] {
  const byFolio = new Map<string, PageOfCopy>();
  for (const page of pages) if (page.folio !== '' && !byFolio.has(page.folio)) byFolio.set(page.folio, page);
  return entries.flatMap((entry) =>
    entry.locators.map((locator): FoundLocator => {
      const [first, last] = [byFolio.get(locator[0]), byFolio.get(locator[1])];
      if (first === undefined || last === undefined || last.index < first.index)
        return { entry, locator, page: first?.index ?? -1, doubt: 'no page' };
      const words = placeOfWords(first, entry);
      const from = words ?? startOf(first);
      const to = first === last ? from : endOf(last);
      if (from === undefined || to === undefined) return { entry, locator, page: first.index, doubt: 'no page' };
      const isRange = first !== last;
      return {
        entry,
        locator,
        page: first.index,
        from: isRange ? (startOf(first) ?? from) : from,
        to,
        doubt: words === undefined && !isRange ? 'words not found' : null,
      };
    }),
  );
}

function startOf({ stretches }: PageOfCopy): LocatedPlace | undefined {
  const first = stretches[0];
  return first && { block: first.block, offset: first.offset };
}

/** The beginning of the last word of a page. */
function endOf({ stretches }: PageOfCopy): LocatedPlace | undefined {
  const last = stretches[stretches.length - 1];
  return last && { block: last.block, offset: last.offset + Math.max(0, last.text.trimEnd().search(/\S+$/u)) };
}

/** Where the words of an entry stand on a page: the sub-term's own words count before the term's. */
function placeOfWords({ stretches }: PageOfCopy, { term, sub }: SuppliedEntry): LocatedPlace | undefined {
  for (const wanted of [sub, term]) {
    const key = sortKey(wanted.split(/[,(]/)[0], 'words').replace(/^(?:of|the|a|an|and|in|on|for|to|with) /, '');
    if (key === '') continue;
    for (const { block, offset, text } of stretches) {
      const at = findWords(text, key);
      if (at >= 0) return { block, offset: offset + at };
    }
  }
  return undefined;
}

/** Offset of words in a text, accents, capitals and marks between them aside; -1: they do not stand there. */
function findWords(text: string, key: string): number {
  const starts = [...text.matchAll(/[\p{L}\p{N}]+/gu)];
  const wanted = key.split(' ');
  const stem = (word: string) => sortKey(word, 'words').replace(/s$/, '').replace(/e$/, '');
  for (let k = 0; k + wanted.length <= starts.length; k += 1)
    if (wanted.every((word, n) => stem(starts[k + n][0]) === stem(word))) return starts[k].index;
  return -1;
}
