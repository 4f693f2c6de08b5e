// What the book makes for its ebook: the index with links to its marks, the lists of figures and tables.
import { initialOf } from '../../base/collate';
import { escapeXml } from '../../base/xml';
import { madeWords } from '../../copy/madeWords';
import type { Book } from '../../model/copy/book';
import { clean } from '../copy/clean';
import { elementId } from '../copy/xhtml';
import type { EbookIndexEntry, ListedCaption } from './ebookFacts';
import { indexPlaceId } from './textMarks';

/** Finds the address of an element by its id; null where no file has it. */
export type AddressOf = (id: string) => string | null;

const words = (text: string) => escapeXml(clean(text));

/** Folios as links to the marks; one whose mark is not in the ebook is words. */
function locators({ folios, places }: EbookIndexEntry, addressOf: AddressOf): string {
  return folios
    .map(([from, to], k) => {
      const said = words(from === to ? from : `${from}–${to}`) || '·';
      const place = places[k];
      const address = place === null ? null : addressOf(indexPlaceId(place));
      return address === null ? said : `<a href="${address}" epub:type="index-locator">${said}</a>`;
    })
    .join(', ');
}

/** Empty: nothing is marked. */
export function indexXhtml(entries: readonly EbookIndexEntry[], book: Book, addressOf: AddressOf): string {
  const { language } = book.particulars;
  const said = madeWords(language);
  const entryXhtml = (entry: EbookIndexEntry) => {
    const name = words(entry.sub || entry.term);
    const found = locators(entry, addressOf);
    const see = entry.see === '' ? '' : `. <em>${said.see}</em> ${words(entry.see)}`;
    const also = entry.seeAlso.length === 0 ? '' : `. <em>${said.seeAlso}</em> ${words(entry.seeAlso.join('; '))}`;
    return `${name}${found === '' ? '' : `, ${found}`}${see}${also}`;
  };
  let made = '';
  let letter = '';
  let open = '';
  for (let k = 0; k < entries.length; k += 1) {
    const entry = entries[k];
    const own = initialOf(entry.term, language);
    if (entry.sub === '' && own !== letter) {
      letter = own;
      made += `${open}${book.spec.index.letterHeads && own !== '0' ? `<h2>${words(own)}</h2>\n` : ''}<ul class="index">`;
      open = '</ul>\n';
    }
    if (open === '') {
      made += '<ul class="index">';
      open = '</ul>\n';
    }
    let subs = '';
    while (
      entry.sub === '' &&
      entries[k + 1] !== undefined &&
      entries[k + 1].sub !== '' &&
      entries[k + 1].term === entry.term
    )
      subs += `<li>${entryXhtml(entries[(k += 1)])}</li>`;
    made += `<li>${entryXhtml(entry)}${subs === '' ? '' : `<ul>${subs}</ul>`}</li>\n`;
  }
  return `${made}${open}`;
}

/** The captions of a kind as links; one whose figure is not in the ebook is left out. */
export function captionList(
  kind: ListedCaption['kind'],
  captions: readonly ListedCaption[],
  addressOf: AddressOf,
): string {
  const items = captions
    .filter((caption) => caption.kind === kind)
    .flatMap(({ block, text }) => {
      const address = addressOf(elementId(block));
      return address === null ? [] : [`<li><a href="${address}">${words(text)}</a></li>`];
    });
  return items.length === 0 ? '' : `<ol class="list">\n${items.join('\n')}\n</ol>`;
}
