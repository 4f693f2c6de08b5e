// A plain EPUB 3 (EPUB 3.3, valid as 3.2 too): a file a division, contents and landmarks, notes that readers show beside the
// text. Made for reading and correcting; the look is the reader's own.
import { plainBook } from '../../copy/figures/gatherFigures';
import { placesOf } from '../../copy/places';
import { withPlaceLinks } from '../copy/placeLinks';
import { pictureAsPng } from '../../base/images/asPng';
import { escapeXml } from '../../base/xml';
import { fingerprint } from '../../base/hash';
import { shareStep, type FileJob } from '../../base/fileJob';
import { writeZip } from '../../base/zipWriter';
import { fieldText } from '../../copy/fields';
import { isTypedNumber } from '../../copy/meanings';
import { breakOrnament } from './breakOrnament';
import { canBeRead, type Book, type Division } from '../../model/copy/book';
import { madeHead } from '../../copy/madeWords';
import { roleName } from '../../model/copy/roles';
import { noteKind } from '../../model/spec/notes';
import type { Paragraph, PictureKind } from '../../model/copy/streams';
import { plainWords } from '../../numbering/headWords';
import {
  authorOf,
  headsOf,
  levelOf,
  meaningOf,
  numberedNotes,
  type HeadsOfCopy,
  type NumberedNote,
} from '../copy/copyOf';
import { cleanDrawing, PictureFiles } from '../copy/pictureFiles';
import { blocksXhtml, clean, elementId, notesXhtml, type XhtmlContext } from '../copy/xhtml';

const isRead = (division: Division) => canBeRead(division) && division.notInEbook !== true;

const TYPES: Readonly<Partial<Record<Division['role'], string>>> = {
  title: 'titlepage',
  'half-title': 'halftitlepage',
  'second-half-title': 'halftitlepage',
  imprint: 'copyright-page',
  dedication: 'dedication',
  epigraph: 'epigraph',
  foreword: 'foreword',
  preface: 'preface',
  acknowledgements: 'acknowledgments',
  introduction: 'introduction',
  prologue: 'prologue',
  epilogue: 'epilogue',
  appendix: 'appendix',
  glossary: 'glossary',
  bibliography: 'bibliography',
  index: 'index',
  colophon: 'colophon',
  contributors: 'contributors',
  part: 'part',
  chapter: 'chapter',
  afterword: 'afterword',
};

/** Kinds of pictures that come into the package; the core media types of EPUB 3.2 (3.3 has WebP too) as they are, others as PNG. */
const SHOWN: ReadonlySet<PictureKind> = new Set<PictureKind>(['jpeg', 'png', 'gif', 'svg', 'webp', 'tiff']);
const AS_PNG: Readonly<Partial<Record<PictureKind, PictureKind>>> = { webp: 'png', tiff: 'png' };

const pictureMember = ({ name, asset, format }: PictureFiles['files'][number]) => ({
  name: `OPS/pictures/${name}`,
  content: { asset, convert: converterOf(format) },
});

/** What becomes of a picture's file in the package; undefined: it stays as it is. */
function converterOf(format: PictureKind): ((bytes: Uint8Array) => Uint8Array) | undefined {
  if (format === 'svg') return cleanDrawing;
  return AS_PNG[format] === undefined ? undefined : (bytes) => pictureAsPng(bytes, format);
}

const CSS = `body { margin: 0 5%; }
h1, h2, h3 { font-weight: normal; line-height: 1.2; text-align: center; }
p { margin: 0; text-indent: 1.3em; }
h1 + p, h2 + p, hr + p, blockquote p, .cn, .pn { text-indent: 0; }
.cn, .pn { text-align: center; margin-top: 2em; }
.verse { text-indent: -1.5em; margin-left: 3em; }
.smallcaps { font-variant: small-caps; }
.dedication p, .titlepage p { text-align: center; text-indent: 0; margin: 1em 0; }
hr { border: 0; margin: 1em 0; text-align: center; }
hr::before { content: "* * *"; }
table { border-collapse: collapse; margin: 1em 0; border-top: 1px solid; border-bottom: 1px solid; font-variant-numeric: lining-nums tabular-nums; }
caption { font-size: 0.9em; text-align: left; padding-bottom: 0.4em; }
th { font-weight: normal; text-align: left; }
td, th { padding: 0 1em 0 0; vertical-align: top; }
thead th, thead td { vertical-align: bottom; }
thead tr:last-child th, thead tr:last-child td { border-bottom: 1px solid; }
tr[data-kind="group"] th { font-style: italic; }
tr[data-kind="total"] th, tr[data-kind="total"] td { border-top: 1px solid; }
td p, th p, caption p { text-indent: 0; }
aside { font-size: 0.9em; margin: 0.6em 0; }
ol.notes { list-style: none; padding: 0; font-size: 0.9em; }
ol.notes p { text-indent: 0; margin: 0.4em 0; }
figure { margin: 1em 0; text-align: center; page-break-inside: avoid; break-inside: avoid; }
figcaption { font-size: 0.9em; text-align: left; margin-top: 0.4em; }
figcaption p { text-indent: 0; }
figcaption .cr { font-size: 0.85em; }
figure img + img { margin-left: 1em; }
img { max-width: 100%; }
`;

interface TextFile {
  readonly name: string;
  readonly division: Division;
  readonly title: string;
}

/** `date`: ISO 8601, given by the caller; `there`: hashes of the pictures that can be had. */
export function* writeEpub(of: Book, date: string, there: ReadonlySet<string> = new Set()): FileJob {
  const book = plainBook(of);
  const notes = numberedNotes(book);
  const heads = headsOf(book);
  const pictureFiles = new PictureFiles(there, SHOWN, AS_PNG);
  const files = book.divisions.filter(isRead).map((division, index): TextFile => ({
    name: `d${index + 1}.xhtml`,
    division,
    title: titleOf(division, book, heads),
  }));
  const fileOf = new Map<string, string>();
  for (const { name, division } of files)
    for (const id of notesOf(division, notes)) if (!fileOf.has(id)) fileOf.set(id, name);
  const isGathered = (id: string) => noteKind(book.spec.notes, notes.get(id)!.note.kind).place === 'bookEnd';
  const gathered = [...fileOf.keys()].filter(isGathered);
  // They stand in the notes division of the book, or in a file of their own at its end.
  const home = files.find(({ division }) => division.role === 'notes')?.name;
  const notesFile = gathered.length === 0 ? null : (home ?? 'notes.xhtml');
  const texts: Record<string, string> = {};
  const members: Record<string, string> = {};
  const places = placesOf(book);
  const fileOfNote = (id: string) => (isGathered(id) ? notesFile : fileOf.get(id));
  const contextOf = (name: string) =>
    xhtmlContext(name, { book, notes, heads, files, fileOfNote, pictureFiles, places });
  for (const [index, { name, division, title }] of files.entries()) {
    const context = contextOf(name);
    const own = [...fileOf].filter(([id, file]) => file === name && !isGathered(id)).map(([id]) => id);
    const last = name === notesFile ? [gatheredXhtml(gathered, files, fileOf, context)] : [];
    const body = divisionXhtml(division, own, last, notes, context);
    texts[name] = page(title, body, division.language ?? book.particulars.language);
    yield shareStep((index + 1) / files.length);
  }
  const hasNotes = notesFile === 'notes.xhtml';
  if (hasNotes) {
    const list = gatheredXhtml(gathered, files, fileOf, contextOf(notesFile));
    const head = madeHead('notes', book.particulars.language)!;
    texts['notes.xhtml'] = page(head, `<h1>${head}</h1>\n${list}`, book.particulars.language);
  }
  for (const [name, text] of Object.entries(withPlaceLinks(texts))) members[`OPS/${name}`] = text;
  members['OPS/nav.xhtml'] = navigation(files, hasNotes, book, heads);
  const { css, files: drawings } = breakOrnament(book.spec);
  members['OPS/book.css'] = CSS + css;
  for (const [name, svg] of Object.entries(drawings)) members[`OPS/${name}`] = svg;
  members['OPS/package.opf'] = packageDocument(
    files,
    hasNotes,
    { pictureFiles, drawings: Object.keys(drawings) },
    book,
    date,
  );
  members['META-INF/container.xml'] =
    '<?xml version="1.0" encoding="UTF-8"?>\n<container version="1.0" xmlns="urn:oasis:names:tc:opendocument:xmlns:container"><rootfiles><rootfile full-path="OPS/package.opf" media-type="application/oebps-package+xml"/></rootfiles></container>';
  const encoder = new TextEncoder();
  yield* writeZip([
    // Its type first and unpressed, so that the file tells what it is (OCF 3.3, 4.2).
    { name: 'mimetype', content: encoder.encode('application/epub+zip'), asItIs: true },
    ...Object.entries(members).map(([name, text]) => ({ name, content: encoder.encode(text) })),
    ...pictureFiles.files.map(pictureMember),
  ]);
}

/** The text of a division, the notes `own` of it after it, and what else comes in its file. */
function divisionXhtml(
  { role, blocks }: Division,
  own: readonly string[],
  last: readonly string[],
  notes: ReadonlyMap<string, NumberedNote>,
  context: XhtmlContext,
): string {
  const type = TYPES[role];
  const feet = notesXhtml(
    own.filter((id) => notes.get(id)!.kind === 'footnote'),
    context,
  );
  const ends = own.filter((id) => notes.get(id)!.kind === 'endnote');
  const parts = [blocksXhtml(blocks, context), feet];
  if (ends.length > 0) parts.push(endnotesXhtml(ends, context.book.spec.notes.divisionHead, context));
  parts.push(...last);
  return `<section${type ? ` epub:type="${type}" class="${type}"` : ''}>\n${parts.join('\n')}\n</section>`;
}

/** What the text of all files is written from. */
interface EpubText extends Pick<XhtmlContext, 'book' | 'notes' | 'heads'> {
  readonly files: readonly TextFile[];
  readonly fileOfNote: (note: string) => string | null | undefined;
  readonly pictureFiles: PictureFiles;
  readonly places: ReturnType<typeof placesOf>;
}

/** How the text of one file says what stands elsewhere. */
function xhtmlContext(name: string, { files, fileOfNote, pictureFiles, places, ...text }: EpubText): XhtmlContext {
  return {
    ...text,
    hrefOf: (id) => {
      const file = fileOfNote(id);
      return file === name ? `#${id}` : `${file}#${id}`;
    },
    headHref: (block) => {
      const file = files.find(({ division }) => division.id === text.heads.targets.get(block)?.division);
      return file === undefined || file.name === name ? `#${elementId(block)}` : `${file.name}#${elementId(block)}`;
    },
    placeHref: (to) => {
      const place = places.get(to);
      if (place === undefined) return null;
      const file = files.find(({ division }) => division.id === place.stream)?.name ?? fileOfNote(place.stream);
      return `${file === undefined || file === null || file === name ? '' : file}#${elementId(place.block)}`;
    },
    deeper: 0,
    fieldText: (paragraph, at) => filledField(paragraph, at, text.book),
    pictureHref: (picture) => {
      const file = pictureFiles.take(picture);
      return file === null ? null : `pictures/${file}`;
    },
  };
}

/** Notes that stand together at the end of what they belong to; `head` empty: without one. */
function endnotesXhtml(
  ids: readonly string[],
  head: string,
  context: XhtmlContext,
  backTo?: (id: string) => string,
): string {
  const title = head === '' ? '' : `<h2>${escapeXml(clean(head))}</h2>\n`;
  return `<section epub:type="endnotes" role="doc-endnotes">\n${title}<ol class="notes">${notesXhtml(ids, context, backTo)}</ol>\n</section>`;
}

/** The notes of the whole book, under the titles of their divisions. */
function gatheredXhtml(
  ids: readonly string[],
  files: readonly TextFile[],
  fileOf: ReadonlyMap<string, string>,
  context: XhtmlContext,
): string {
  return files
    .map(({ name, title }) => {
      const own = ids.filter((id) => fileOf.get(id) === name);
      const head = context.book.spec.notes.heads ? title : '';
      return own.length === 0 ? '' : endnotesXhtml(own, head, context, (id) => `${fileOf.get(id)}#ref-${id}`);
    })
    .filter((part) => part !== '')
    .join('\n');
}

function filledField({ objects }: Paragraph, at: number, book: Book): string {
  const object = objects.find((one) => one.at === at);
  return object?.kind === 'field' ? clean(fieldText(object.field, book.particulars)) : '';
}

function notesOf(division: Division, notes: ReadonlyMap<string, NumberedNote>): string[] {
  const ids: string[] = [];
  const visit = (blocks: Division['blocks']) => {
    for (const block of blocks) {
      if (block.kind === 'table') for (const row of block.rows) for (const cell of row) visit(cell.blocks);
      else
        for (const object of block.objects) {
          if (object.kind !== 'note' || !notes.has(object.note) || ids.includes(object.note)) continue;
          ids.push(object.note);
          visit(notes.get(object.note)!.note.blocks);
        }
    }
  };
  visit(division.blocks);
  return ids;
}

/** Number and title of a division, or what its role is called. */
function titleOf(division: Division, book: Book, { numbers }: HeadsOfCopy): string {
  const heads = division.blocks.filter(
    (block): block is Paragraph =>
      block.kind === 'paragraph' && (levelOf(book, block) === 1 || isTypedNumber(meaningOf(book, block.style))),
  );
  const words = heads.flatMap((head) => [numbers.get(head.id)?.text ?? '', plainWords(head)]).filter(Boolean);
  return clean(words.join(' ')) || roleName(division.role);
}

function page(title: string, body: string, tag: string): string {
  const language = escapeXml(tag);
  return `<?xml version="1.0" encoding="UTF-8"?>
<!DOCTYPE html>
<html xmlns="http://www.w3.org/1999/xhtml" xmlns:epub="http://www.idpf.org/2007/ops" lang="${language}" xml:lang="${language}">
<head><title>${escapeXml(title)}</title><link rel="stylesheet" type="text/css" href="book.css"/></head>
<body>
${body}
</body>
</html>
`;
}

function navigation(files: readonly TextFile[], hasNotes: boolean, book: Book, heads: HeadsOfCopy): string {
  const listed = files.filter(({ division }) => division.listed);
  const entries = (listed.length > 0 ? listed : files).map(
    (file) => `<li><a href="${file.name}">${escapeXml(file.title)}</a>${headList(file, heads)}</li>`,
  );
  if (hasNotes) entries.push('<li><a href="notes.xhtml">Notes</a></li>');
  const start = files.find(({ division }) => division.matter === 'body') ?? files[0];
  const title = files.find(({ division }) => division.role === 'title');
  const landmarks = [
    ...(title ? [`<li><a epub:type="titlepage" href="${title.name}">Title page</a></li>`] : []),
    ...(start ? [`<li><a epub:type="bodymatter" href="${start.name}">Text</a></li>`] : []),
  ];
  const marks =
    landmarks.length > 0
      ? `<nav epub:type="landmarks" hidden="hidden"><h2>Landmarks</h2><ol>${landmarks.join('')}</ol></nav>`
      : '';
  const head = madeHead('contents', book.particulars.language)!;
  return page(
    head,
    `<nav epub:type="toc" id="toc"><h1>${head}</h1><ol>${entries.join('')}</ol></nav>\n${marks}`,
    book.particulars.language,
  );
}

/** The listed heads inside a file, under each other by their levels; empty for none. */
function headList({ name, division }: TextFile, heads: HeadsOfCopy): string {
  const listed = division.blocks.flatMap((block) => {
    const level = heads.listed.get(block.id);
    if (level === undefined || block.kind !== 'paragraph') return [];
    const words = [heads.numbers.get(block.id)?.text ?? '', plainWords(block)].filter(Boolean).join(' ');
    return [{ level, item: `<a href="${name}#${elementId(block.id)}">${escapeXml(clean(words))}</a>` }];
  });
  let made = '';
  const open: number[] = [];
  for (const { level, item } of listed) {
    while (open.length > 1 && open[open.length - 1] > level) {
      made += '</li></ol>';
      open.pop();
    }
    const isDeeper = open.length === 0 || level > open[open.length - 1];
    if (isDeeper) open.push(level);
    made += `${isDeeper ? '<ol>' : '</li>'}<li>${item}`;
  }
  return made + '</li></ol>'.repeat(open.length);
}

function packageDocument(
  files: readonly TextFile[],
  hasNotes: boolean,
  { pictureFiles, drawings }: { readonly pictureFiles: PictureFiles; readonly drawings: readonly string[] },
  book: Book,
  date: string,
): string {
  const { particulars } = book;
  const isbn = particulars.isbnEbook.replace(/[^0-9Xx]/g, '');
  const id =
    isbn.length === 13 ? `urn:isbn:${isbn}` : `urn:walnut-leaf:${fingerprint(`${book.id}\u0000${particulars.title}`)}`;
  const meta = (name: string, words: string) =>
    words === '' ? '' : `<dc:${name}>${escapeXml(clean(words))}</dc:${name}>`;
  const names = [...files.map(({ name }) => name), ...(hasNotes ? ['notes.xhtml'] : [])];
  const items = names.map(
    (name) => `<item id="${name.replace('.', '-')}" href="${name}" media-type="application/xhtml+xml"/>`,
  );
  const media = [
    ...pictureFiles.files.map(
      ({ name, type }) => `<item id="p-${name.replace('.', '-')}" href="pictures/${name}" media-type="${type}"/>`,
    ),
    ...drawings.map((name) => `<item id="${name.replace('.', '-')}" href="${name}" media-type="image/svg+xml"/>`),
  ];
  const refs = names.map((name) => `<itemref idref="${name.replace('.', '-')}"/>`);
  return `<?xml version="1.0" encoding="UTF-8"?>
<package xmlns="http://www.idpf.org/2007/opf" version="3.0" unique-identifier="id" xml:lang="${escapeXml(particulars.language)}">
<metadata xmlns:dc="http://purl.org/dc/elements/1.1/">
<dc:identifier id="id">${escapeXml(id)}</dc:identifier><dc:title>${escapeXml(clean(particulars.title)) || 'Untitled'}</dc:title><dc:language>${escapeXml(particulars.language)}</dc:language>
${meta('creator', authorOf(book))}${meta('publisher', particulars.publisher)}${meta('rights', particulars.rights)}
<meta property="dcterms:modified">${date.replace(/\.\d+Z$/, 'Z')}</meta>
</metadata>
<manifest><item id="nav" href="nav.xhtml" media-type="application/xhtml+xml" properties="nav"/><item id="css" href="book.css" media-type="text/css"/>${items.join('')}${media.join('')}</manifest>
<spine>${refs.join('')}</spine>
</package>
`;
}
