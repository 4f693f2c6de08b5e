// The ways into an ebook: contents with landmarks and the pages of the printed book (EPUB 3.3, 5.4), and the same for old readers (NCX, ANSI/NISO Z39.86).
import { escapeXml } from '../../base/xml';
import { madeHead } from '../../copy/madeWords';
import type { Book, Division } from '../../model/copy/book';
import { plainWords } from '../../numbering/headWords';
import type { HeadsOfCopy } from '../copy/copyOf';
import { clean } from '../copy/clean';
import { elementId, MADE } from '../copy/xhtml';
import { CONTENTS_FILE, COVER_FILE, type TextFile } from './ebookFiles';
import { xhtmlPage } from './xhtmlPage';

/** An entry of the contents, with those under it. */
export interface NavEntry {
  readonly title: string;
  readonly href: string;
  readonly entries: readonly NavEntry[];
}

/** A page of the printed book, and where it begins. */
export interface NavPage {
  readonly folio: string;
  readonly href: string;
}

/** Listed divisions, or all where none is, with the listed heads inside them. `notes`: the file of notes of its own. */
export function contentsOf(
  files: readonly TextFile[],
  notes: { href: string; title: string } | null,
  heads: HeadsOfCopy,
): NavEntry[] {
  const texts = files.filter(({ holds }) => holds !== 'contents');
  const listed = texts.filter(({ division }) => division.listed);
  const entries = (listed.length > 0 ? listed : texts).map((file): NavEntry => ({
    title: file.title,
    href: file.name,
    entries: headEntries(file, heads),
  }));
  return notes === null ? entries : [...entries, { ...notes, entries: [] }];
}

/** The listed heads inside a file, under each other by their levels. */
function headEntries({ name, division }: TextFile, heads: HeadsOfCopy): NavEntry[] {
  const top: { level: number; entries: NavEntry[] } = { level: 0, entries: [] };
  const open = [top];
  for (const block of division.blocks) {
    const level = heads.listed.get(block.id);
    if (level === undefined || block.kind !== 'paragraph') continue;
    const said = [heads.numbers.get(block.id)?.text ?? '', plainWords(block)].filter(Boolean).join(' ');
    const entries: NavEntry[] = [];
    while (open[open.length - 1].level >= level) open.pop();
    open[open.length - 1].entries.push({ title: clean(said), href: `${name}#${elementId(block.id)}`, entries });
    open.push({ level, entries });
  }
  return top.entries;
}

const listXhtml = (entries: readonly NavEntry[]): string =>
  entries.length === 0
    ? ''
    : `<ol>${entries.map(({ title, href, entries: inner }) => `<li><a href="${href}">${escapeXml(title) || '·'}</a>${listXhtml(inner)}</li>`).join('')}</ol>`;

/** Where the book's own parts are, for a device that goes to them. */
function landmarks(files: readonly TextFile[], book: Book, hasCover: boolean): string {
  const start = textStart(files);
  const of = (role: string) => files.find(({ division, holds }) => division.role === role && holds !== 'contents');
  const head = (role: 'contents' | 'index' | 'figures' | 'tables' | 'bibliography' | 'glossary') =>
    madeHead(role, book.particulars.language) ?? role;
  const marks: (readonly [string, string | undefined, string])[] = [
    ['cover', hasCover ? COVER_FILE : undefined, 'Cover'],
    ['titlepage', of('title')?.name, 'Title page'],
    ['toc', files.find(({ name }) => name === CONTENTS_FILE)?.name, head('contents')],
    ['bodymatter', start?.name, 'Text'],
    ['loi', of('figures')?.name, head('figures')],
    ['lot', of('tables')?.name, head('tables')],
    ['glossary', of('glossary')?.name, head('glossary')],
    ['bibliography', of('bibliography')?.name, head('bibliography')],
    ['index', of('index')?.name, head('index')],
  ];
  const items = marks.flatMap(([type, href, title]) =>
    href === undefined ? [] : [`<li><a epub:type="${type}" href="${href}">${escapeXml(title)}</a></li>`],
  );
  return `<nav epub:type="landmarks" hidden="hidden"${MADE}><h2>Landmarks</h2><ol>${items.join('')}</ol></nav>`;
}

/** The file with which the text begins. */
export const textStart = (files: readonly TextFile[]): TextFile | undefined =>
  files.find(({ division }) => division.matter === 'body') ?? files.find(({ holds }) => holds === 'copy');

/** How the contents page of the book is written. */
export interface ContentsPage {
  readonly headOf: (file: TextFile) => string;
  readonly section: (division: Division, more: string, body: string) => string;
  readonly hasCover: boolean;
}

export function navXhtml(
  files: readonly TextFile[],
  contents: readonly NavEntry[],
  pages: readonly NavPage[],
  book: Book,
  { headOf, section, hasCover }: ContentsPage,
): string {
  const head = escapeXml(madeHead('contents', book.particulars.language)!);
  const page = files.find(({ name }) => name === CONTENTS_FILE);
  const pageItems = pages.map(({ folio, href }) => `<li><a href="${href}">${escapeXml(folio)}</a></li>`);
  const pageList =
    pages.length === 0
      ? ''
      : `<nav epub:type="page-list" role="doc-pagelist" hidden="hidden"${MADE}><h2>Pages</h2><ol>${pageItems.join('')}</ol></nav>\n`;
  const nav = (inner: string) =>
    `<nav epub:type="toc" role="doc-toc" id="toc"${MADE}>${inner}${listXhtml(contents)}</nav>\n`;
  // Where the book has a contents page, this is it, with the words that it has there.
  const toc = page === undefined ? nav(`<h1>${head}</h1>`) : section(page.division, '', `${headOf(page)}\n${nav('')}`);
  return xhtmlPage(head, `${toc}${landmarks(files, book, hasCover)}\n${pageList}`, book.particulars.language);
}

/** The same for readers of EPUB 2. `id`: the identifier of the package. */
export function ncx(contents: readonly NavEntry[], pages: readonly NavPage[], book: Book, id: string): string {
  const { title, language } = book.particulars;
  let order = 0;
  const text = (said: string) => `<text>${escapeXml(clean(said)) || '·'}</text>`;
  const points = (entries: readonly NavEntry[]): string =>
    entries
      .map(({ title: said, href, entries: inner }) => {
        order += 1;
        return `<navPoint id="n${order}" playOrder="${order}"><navLabel>${text(said)}</navLabel><content src="${href}"/>${points(inner)}</navPoint>`;
      })
      .join('');
  const map = points(contents);
  const targets = pages.map(({ folio, href }, k) => {
    order += 1;
    const isNormal = /^\d+$/.test(folio);
    return `<pageTarget id="p${k + 1}" type="${isNormal ? 'normal' : 'front'}"${isNormal ? ` value="${folio}"` : ''} playOrder="${order}"><navLabel>${text(folio)}</navLabel><content src="${href}"/></pageTarget>`;
  });
  const normal = pages.filter(({ folio }) => /^\d+$/.test(folio)).map(({ folio }) => Number(folio));
  const most = normal.reduce((last, own) => Math.max(last, own), 0);
  const pageList =
    targets.length === 0 ? '' : `<pageList><navLabel>${text('Pages')}</navLabel>${targets.join('')}</pageList>`;
  return `<?xml version="1.0" encoding="UTF-8"?>
<ncx xmlns="http://www.daisy.org/z3986/2005/ncx/" version="2005-1" xml:lang="${escapeXml(language)}">
<head><meta name="dtb:uid" content="${escapeXml(id)}"/><meta name="dtb:depth" content="${depthOf(contents)}"/><meta name="dtb:totalPageCount" content="${normal.length}"/><meta name="dtb:maxPageNumber" content="${most}"/></head>
<docTitle>${text(title || 'Untitled')}</docTitle>
<navMap>${map}</navMap>
${pageList}
</ncx>
`;
}

const depthOf = (entries: readonly NavEntry[]): number =>
  entries.reduce((most, { entries: inner }) => Math.max(most, 1 + depthOf(inner)), 0);
