// The copy as one HTML file.
import { plainBook } from '../../copy/figures/gatherFigures';
import { escapeXml } from '../../base/xml';
import type { Book } from '../../model/copy/book';
import { authorOf, copyDivisions, headsOf, numberedNotes } from './copyOf';
import type { PictureBytes } from '../../model/copy/streams';
import { placesOf } from '../../copy/places';
import { dataAddress } from './pictureFiles';
import { withPlaceLinks } from './placeLinks';
import { clean } from './clean';
import { blocksXhtml, elementId, notesXhtml, type XhtmlContext } from './xhtml';

export function writeHtml(of: Book, pictures: PictureBytes = {}): string {
  const book = plainBook(of);
  const notes = numberedNotes(book);
  const places = placesOf(book);
  const context: XhtmlContext = {
    book,
    notes,
    hrefOf: (id) => `#${id}`,
    heads: headsOf(book),
    headHref: (block) => `#${elementId(block)}`,
    placeHref: (name) => {
      const place = places.get(name);
      return place === undefined ? null : `#${elementId(place.block)}`;
    },
    deeper: 1,
    fieldText: () => '',
    pictureHref: dataAddress(pictures),
  };
  const ids = (kind: 'footnote' | 'endnote') => [...notes].filter(([, one]) => one.kind === kind).map(([id]) => id);
  const { title, subtitle, language } = book.particulars;
  const name = escapeXml(clean(title));
  const text = copyDivisions(book).map(
    (division) =>
      `<section${division.language === undefined ? '' : ` lang="${escapeXml(division.language)}"`}>\n${blocksXhtml(division.blocks, context)}\n</section>`,
  );
  const ends = ids('endnote');
  const html = [
    '<!doctype html>',
    `<html lang="${escapeXml(language)}">`,
    `<head><meta charset="utf-8"><title>${name}</title><meta name="author" content="${escapeXml(clean(authorOf(book)))}">`,
    '<style>body { max-width: 36em; margin: 2em auto; line-height: 1.4 } .smallcaps { font-variant: small-caps }</style></head>',
    `<body>\n<h1>${name}</h1>`,
    ...(subtitle === '' ? [] : [`<p class="subtitle" role="doc-subtitle">${escapeXml(clean(subtitle))}</p>`]),
    ...text,
    notesXhtml(ids('footnote'), context),
    ...(ends.length > 0 ? [`<section role="doc-endnotes"><ol>${notesXhtml(ends, context)}</ol></section>`] : []),
    '</body>\n</html>\n',
  ]
    .join('\n')
    .replaceAll(' epub:type="noteref"', '')
    .replace(/ epub:type="(foot|end)note"/g, '')
    .replace(/ xml:lang="[^"]*"/g, '');
  return withPlaceLinks({ html }).html;
}
