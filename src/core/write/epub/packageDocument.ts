// The package document (EPUB 3.3, 5; valid under 3.2): what is known of the book, what is in the file, and in which order it is read.
import { escapeXml } from '../../base/xml';
import { fingerprint } from '../../base/hash';
import { directionOfLanguage } from '../../copy/direction';
import type { Book, Person } from '../../model/copy/book';
import { clean } from '../copy/clean';
import { CONTENTS_FILE, COVER_FILE, type TextFile } from './ebookFiles';

/** MARC relators of contributors. */
const RELATORS: Readonly<Record<Person['role'], string>> = {
  author: 'aut',
  editor: 'edt',
  translator: 'trl',
  illustrator: 'ill',
  foreword: 'aui',
};

/** A file of the package besides the texts. */
export interface PackageItem {
  readonly href: string;
  readonly type: string;
  readonly isCover?: boolean;
}

/** What the file holds, for the metadata that tells whom it serves. */
export interface Contained {
  readonly pictures: number;
  /** Pictures without words for those who do not see them. */
  readonly withoutWords: number;
  readonly hasPageList: boolean;
  readonly hasIndex: boolean;
  readonly hasTables: boolean;
}

export interface PackageParts {
  /** Texts in the order of reading, the contents where they are one of them. */
  readonly texts: readonly Pick<TextFile, 'name'>[];
  readonly items: readonly PackageItem[];
  readonly contained: Contained;
  /** The file at which it opens. */
  readonly start: string | null;
}

const digitsOf = (isbn: string) => isbn.replace(/[^0-9Xx]/g, '');

/** The identifier of the edition: its ISBN, else one made of the book. */
export function identifierOf({ id, particulars }: Book): string {
  const isbn = digitsOf(particulars.isbnEbook);
  return isbn.length === 13 ? `urn:isbn:${isbn}` : `urn:walnut-leaf:${fingerprint(`${id}\u0000${particulars.title}`)}`;
}

const said = (text: string) => escapeXml(clean(text));
const property = (name: string, value: string, refines?: string) =>
  `<meta${refines === undefined ? '' : ` refines="#${refines}"`} property="${name}">${said(value)}</meta>`;

/** Title and subtitle, each with what it is. */
function titles({ title, subtitle }: Book['particulars']): string {
  const main = `<dc:title id="title">${said(title) || 'Untitled'}</dc:title>${property('title-type', 'main', 'title')}`;
  if (subtitle === '') return main;
  return `${main}<dc:title id="subtitle">${said(subtitle)}</dc:title>${property('title-type', 'subtitle', 'subtitle')}`;
}

/** Authors are creators, others contribute; each with the code of what they did. */
function people({ people: all }: Book['particulars']): string {
  return all
    .filter(({ name }) => name.trim() !== '')
    .map(({ name, role }, k) => {
      const element = role === 'author' ? 'creator' : 'contributor';
      const id = `person-${k + 1}`;
      return `<dc:${element} id="${id}">${said(name)}</dc:${element}><meta refines="#${id}" property="role" scheme="marc:relators">${RELATORS[role]}</meta>`;
    })
    .join('');
}

/** A series as it is typed: its name, and its number where it ends with one. */
function series({ series: typed }: Book['particulars']): string {
  const found = /^(.*?)[\s,;:]*(?:(?:no\.|vol\.|volume|book|band|tome|#)\s*)?(\d{1,4})?\s*$/i.exec(typed.trim());
  const name = found?.[1] || typed.trim();
  if (name === '') return '';
  const position = found?.[2] === undefined ? '' : property('group-position', found[2], 'series');
  return `<meta property="belongs-to-collection" id="series">${said(name)}</meta>${property('collection-type', 'series', 'series')}${position}`;
}

/** Accessibility of what is in the file (EPUB Accessibility 1.1, 2; the vocabulary of schema.org). */
function accessibility({ pictures, withoutWords, hasPageList, hasIndex, hasTables }: Contained): string {
  const areTold = withoutWords === 0;
  const features = [
    ...['structuralNavigation', 'tableOfContents', 'readingOrder', 'displayTransformability'],
    ...(hasPageList ? ['printPageNumbers'] : []),
    ...(hasIndex ? ['index'] : []),
    ...(pictures > 0 && areTold ? ['alternativeText'] : []),
  ];
  const modes = ['textual', ...(pictures > 0 ? ['visual'] : [])];
  const summary = [
    'Text in its order of reading, with headings, a table of contents and notes that lead back to their place.',
    ...(hasPageList ? ['The pages of the printed book are marked.'] : []),
    ...(hasTables ? ['Tables have their head cells.'] : []),
    ...(pictures === 0
      ? []
      : [areTold ? 'Every picture is described.' : `${withoutWords} of ${pictures} pictures are not described.`]),
  ];
  const sufficient = pictures === 0 || areTold ? 'textual' : 'textual,visual';
  return [
    ...modes.map((mode) => property('schema:accessMode', mode)),
    property('schema:accessModeSufficient', sufficient),
    ...features.map((feature) => property('schema:accessibilityFeature', feature)),
    property('schema:accessibilityHazard', 'none'),
    property('schema:accessibilitySummary', summary.join(' ')),
  ].join('\n');
}

const idOf = (href: string) => `i-${href.replace(/[^A-Za-z0-9-]/g, '-')}`;

/** `date`: ISO 8601, of the writing. */
export function packageDocument(book: Book, { texts, items, contained, start }: PackageParts, date: string): string {
  const { particulars } = book;
  const { language, publisher, rights, year, isbnPrint, description = '', subjects = '' } = particulars;
  const optional = (name: string, words: string) =>
    words.trim() === '' ? '' : `<dc:${name}>${said(words)}</dc:${name}>`;
  const print = digitsOf(isbnPrint);
  const cover = items.find(({ isCover }) => isCover);
  const isNavRead = texts.some(({ name }) => name === CONTENTS_FILE);
  const manifest = [
    `<item id="nav" href="${CONTENTS_FILE}" media-type="application/xhtml+xml" properties="nav"/>`,
    '<item id="ncx" href="toc.ncx" media-type="application/x-dtbncx+xml"/>',
    '<item id="css" href="book.css" media-type="text/css"/>',
    ...texts
      .filter(({ name }) => name !== CONTENTS_FILE)
      .map(({ name }) => `<item id="${idOf(name)}" href="${name}" media-type="application/xhtml+xml"/>`),
    ...items.map(
      ({ href, type, isCover }) =>
        `<item id="${idOf(href)}" href="${href}" media-type="${type}"${isCover ? ' properties="cover-image"' : ''}/>`,
    ),
  ];
  const refs = texts.map(({ name }) => `<itemref idref="${name === CONTENTS_FILE ? 'nav' : idOf(name)}"/>`);
  const spine = isNavRead || refs.length > 0 ? refs : ['<itemref idref="nav"/>'];
  const direction = directionOfLanguage(language) === 'rtl' ? ' page-progression-direction="rtl"' : '';
  const guide = [
    ...(cover === undefined ? [] : [`<reference type="cover" title="Cover" href="${COVER_FILE}"/>`]),
    ...(isNavRead ? [`<reference type="toc" title="Contents" href="${CONTENTS_FILE}"/>`] : []),
    ...(start === null ? [] : [`<reference type="text" title="Text" href="${start}"/>`]),
  ];
  return `<?xml version="1.0" encoding="UTF-8"?>
<package xmlns="http://www.idpf.org/2007/opf" version="3.0" unique-identifier="id" xml:lang="${escapeXml(language)}"${directionOfLanguage(language) === 'rtl' ? ' dir="rtl"' : ''}>
<metadata xmlns:dc="http://purl.org/dc/elements/1.1/">
<dc:identifier id="id">${escapeXml(identifierOf(book))}</dc:identifier>${titles(particulars)}<dc:language>${escapeXml(language)}</dc:language>
${people(particulars)}${optional('description', description)}${subjects
    .split(';')
    .map((subject) => optional('subject', subject.trim()))
    .join(
      '',
    )}${optional('publisher', publisher)}${optional('rights', rights)}${/^\d{4}$/.test(year.trim()) ? optional('date', year.trim()) : ''}
${print.length === 13 ? `<dc:source>urn:isbn:${print}</dc:source>` : ''}${series(particulars)}
${accessibility(contained)}
${cover === undefined ? '' : `<meta name="cover" content="${idOf(cover.href)}"/>\n`}<meta property="dcterms:modified">${date.replace(/\.\d+Z$/, 'Z')}</meta>
</metadata>
<manifest>${manifest.join('\n')}</manifest>
<spine toc="ncx"${direction}>${spine.join('')}</spine>
${guide.length === 0 ? '' : `<guide>${guide.join('')}</guide>\n`}</package>
`;
}
