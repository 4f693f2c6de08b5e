// Reads a supplied index against the pull that it was made from, and puts its locators into the book as it is now.
import { editionOf } from '../../copy/editionOf';
import { flatBook } from '../../copy/figures/flatBook';
import { placeMarksEdits, type MarkPlace } from '../../edit';
import type { Book } from '../../model/copy/book';
import type { TypesetBook } from '../../model/composed/pages';
import type { IndexQuestion, SuppliedIndex } from '../../model/answers/suppliedIndex';
import type { PageTable } from '../../model/composed/pageTable';
import {
  copyOfPages,
  findLocators,
  findPlaces,
  readSuppliedIndex,
  type FoundLocator,
  type PageOfCopy,
} from '../../references';

/** The book from whose pages an index was made, and those pages as they were kept. */
export interface PullPages {
  readonly book: Book;
  readonly table: PageTable;
}

/** `composed`: the book as it is now. Throws ValueError for a text that is no index. */
export function supplyIndex(text: string, pull: PullPages, book: Book, composed: TypesetBook): SuppliedIndex {
  const entries = readSuppliedIndex(text);
  const pages = copyOfPages(flatBook(editionOf(pull.book, 'print')), pull.table);
  const found = findLocators(entries, pages);
  const places = found.flatMap(marksOfLocator);
  const first = book.divisions.find(({ matter }) => matter === 'body')?.blocks.find(({ kind }) => kind === 'paragraph');
  const referring = entries.flatMap(({ term, sub, see, seeAlso, locators }): MarkPlace[] =>
    first !== undefined && (see !== '' || (seeAlso !== '' && locators.length === 0))
      ? [{ block: first.id, offset: 0, mark: { term, sub, see, seeAlso, range: 'here' } }]
      : [],
  );
  const { edits, lost } = placeMarksEdits(book, [...places, ...referring]);
  const gone = new Set(lost.map(({ block }) => block));
  return {
    edits,
    entries: entries.length,
    marks: places.length + referring.length - lost.length,
    questions: questionsOf(found, gone, pages, composed),
  };
}

function marksOfLocator({ entry, from, to }: FoundLocator): MarkPlace[] {
  if (from === undefined || to === undefined) return [];
  const { term, sub, seeAlso } = entry;
  const mark = { term, sub, see: '', seeAlso };
  if (from.block === to.block && from.offset === to.offset) return [{ ...from, mark: { ...mark, range: 'here' } }];
  return [
    { ...from, mark: { ...mark, range: 'from' } },
    { ...to, mark: { ...mark, range: 'to' } },
  ];
}

/** What could not be placed, what stands on another page now, and what a page break goes through. */
function questionsOf(
  found: readonly FoundLocator[],
  gone: ReadonlySet<string>,
  pull: readonly PageOfCopy[],
  composed: TypesetBook,
): IndexQuestion[] {
  const wanted = new Set(found.flatMap(({ from, to }) => [from?.block ?? '', to?.block ?? '']));
  const pageOf = findPlaces(composed.pages, wanted);
  const [then, now] = [pagesThen(pull, wanted), pagesOfBlocks(composed, wanted)];
  return found.flatMap(({ entry, locator, from, to, doubt }): IndexQuestion[] => {
    const said = {
      term: entry.sub === '' ? entry.term : `${entry.term}, ${entry.sub}`,
      locator: locator[0] === locator[1] ? locator[0] : `${locator[0]}–${locator[1]}`,
    };
    if (from === undefined || to === undefined) return [{ ...said, why: 'no page', now: '', block: '' }];
    if (gone.has(from.block) || gone.has(to.block)) return [{ ...said, why: 'text gone', now: '', block: '' }];
    const folio = composed.pages[pageOf(from.block, from.offset)]?.folio ?? '';
    const place = { ...said, now: folio, block: from.block };
    if (folio !== locator[0]) return [{ ...place, why: 'moved' }];
    // What is told of may run on over the page end that its paragraph meets now.
    if ((now.get(from.block)?.size ?? 0) > (then.get(from.block)?.size ?? 0)) return [{ ...place, why: 'straddles' }];
    return doubt === 'words not found' ? [{ ...place, why: 'words not found' }] : [];
  });
}

function pagesThen(pages: readonly PageOfCopy[], wanted: ReadonlySet<string>): Map<string, Set<number>> {
  const found = new Map<string, Set<number>>();
  for (const { index, stretches } of pages)
    for (const { block } of stretches)
      if (wanted.has(block)) found.set(block, (found.get(block) ?? new Set()).add(index));
  return found;
}

function pagesOfBlocks({ pages }: TypesetBook, wanted: ReadonlySet<string>): Map<string, Set<number>> {
  const found = new Map<string, Set<number>>();
  for (const { fragments, index } of pages)
    for (const { paragraph } of fragments) {
      const { block } = paragraph.styled;
      if (!wanted.has(block)) continue;
      const own = found.get(block) ?? new Set();
      found.set(block, own.add(index));
    }
  return found;
}
