// Elements of no words that stand in the text of an ebook: where the pages of the printed book begin, and what the index leads to.
import { escapeXml } from '../../base/xml';
import type { BlockId } from '../../model/copy/streams';
import type { CopyPlace, EbookIndexEntry, PageStart } from './ebookFacts';

export interface TextMark {
  readonly at: number;
  readonly xhtml: string;
}

/** A page of the printed book by its folio, and the id of its element. */
export interface PrintPage {
  readonly folio: string;
  readonly id: string;
}

const idPart = (text: string) => text.replace(/[^A-Za-z0-9-]/g, (sign) => `.${sign.codePointAt(0)!.toString(16)}`);

/** The id of the place to which a locator of the index leads. */
export const indexPlaceId = ({ block, at }: CopyPlace): string => `ix-${idPart(block)}-${at}`;

/** Each page once: folios that come twice, such as those of two runs, are told apart. */
export function printPages(starts: readonly PageStart[]): (PrintPage & CopyPlace)[] {
  const ids = new Set<string>();
  return starts
    .filter(({ folio }) => folio !== '')
    .map(({ folio, block, at }) => {
      let id = `page-${idPart(folio)}`;
      while (ids.has(id)) id += '_';
      ids.add(id);
      return { folio, id, block, at };
    });
}

/** The marks of all blocks, each list in the order of its places. */
export function textMarks(
  pages: readonly (PrintPage & CopyPlace)[],
  index: readonly EbookIndexEntry[],
): ReadonlyMap<BlockId, readonly TextMark[]> {
  const marks = new Map<BlockId, TextMark[]>();
  const add = ({ block, at }: CopyPlace, xhtml: string) => {
    const own = marks.get(block);
    if (own === undefined) marks.set(block, [{ at, xhtml }]);
    else own.push({ at, xhtml });
  };
  for (const page of pages) {
    const said = escapeXml(page.folio);
    add(page, `<span id="${page.id}" epub:type="pagebreak" role="doc-pagebreak" title="${said}"></span>`);
  }
  const ids = new Set<string>();
  for (const { places } of index)
    for (const place of places) {
      if (place === null || ids.has(indexPlaceId(place))) continue;
      ids.add(indexPlaceId(place));
      add(place, `<span id="${indexPlaceId(place)}"></span>`);
    }
  for (const own of marks.values()) own.sort((a, b) => a.at - b.at);
  return marks;
}
