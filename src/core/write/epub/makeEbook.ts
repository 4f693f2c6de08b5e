// The texts of an ebook and all that its package says of them; its files are written from that (writeEpub).
import { divisionMark } from '../../copy/copyMarks';
import { PLAIN_TEXT } from '../../copy/plainTags';
import { editionOf } from '../../copy/editionOf';
import { effectiveTag } from '../../copy/effectiveTag';
import { fieldText } from '../../copy/fields';
import { plainBook } from '../../copy/figures/gatherFigures';
import { isOpenerPart, meaningOfTag } from '../../copy/meanings';
import { placesOf } from '../../copy/places';
import { escapeXml } from '../../base/xml';
import type { Book, Division } from '../../model/copy/book';
import { madeHead } from '../../copy/madeWords';
import type { EbookSettings, EbookStart } from '../../model/products/ebook';
import type { FileCount } from '../../model/products/products';
import { PLAIN_TABLE } from '../../model/spec/tableStyle';
import type { Block, BlockId, Paragraph, StyleTag } from '../../model/copy/streams';
import { headsOf, numberedNotes } from '../copy/copyOf';
import type { PictureFiles } from '../copy/pictureFiles';
import { withPlaceLinks } from '../copy/placeLinks';
import { clean } from '../copy/clean';
import { blocksXhtml, elementId, MADE, notesXhtml, type XhtmlContext } from '../copy/xhtml';
import { compareEbook } from './compareEbook';
import { ebookCover, type EbookCover } from './ebookCover';
import { CONTENTS_FILE, COVER_FILE, ebookFiles, SECTION_ROLES, SECTION_TYPES, type TextFile } from './ebookFiles';
import type { EbookFacts } from './ebookFacts';
import { endnotesXhtml, NoteHomes, NOTES_FILE } from './ebookNotes';
import { ebookPictures } from './ebookPictures';
import { captionList, indexXhtml, type AddressOf } from './madeLists';
import { contentsOf, navXhtml, ncx, textStart, type NavPage } from './navigation';
import { identifierOf, type Contained } from './packageDocument';
import { setWords } from './setWords';
import { printPages, textMarks, type PrintPage, type TextMark } from './textMarks';
import { xhtmlPage } from './xhtmlPage';

export interface Ebook {
  readonly book: Book;
  /** By their names, without the folder: texts, navigation. */
  readonly texts: Readonly<Record<string, string>>;
  /** Texts in the order of reading. */
  readonly spine: readonly { readonly name: string }[];
  readonly pictures: PictureFiles;
  readonly cover: EbookCover | null;
  /** Styles that stand in the text. */
  readonly used: ReadonlySet<StyleTag>;
  readonly contained: Contained;
  /** The file at which it opens; null: the first. */
  readonly start: string | null;
  /** What of the book is in it. */
  readonly counts: readonly FileCount[];
}

/** What an ebook is made with; `settings` null: for correcting, its pictures as they are. */
export interface EbookMaking {
  readonly settings: EbookSettings | null;
  readonly facts: EbookFacts;
  /** Hashes of the pictures that can be had. */
  readonly there: ReadonlySet<string>;
}

/** Yields after each file, with the share that is made. */
export function* makeEbook(of: Book, { settings, facts, there }: EbookMaking): Generator<number, Ebook> {
  const book = plainBook(editionOf(of, 'ebook'));
  const notes = numberedNotes(book, book.divisions);
  const heads = headsOf(book);
  const files = ebookFiles(book, heads, facts.index.length > 0);
  const hasIndex = files.some(({ holds }) => holds === 'index');
  const pages = printPages(facts.pages);
  const isDressed = settings?.level === 'dressed';
  const text: EbookText = {
    ...{ book, notes, heads, files },
    homes: new NoteHomes(files, notes, book.spec.notes),
    pictures: ebookPictures(there, settings),
    places: placesOf(book),
    marks: textMarks(pages, hasIndex ? facts.index : []),
    used: new Set(),
    initialLetters: isDressed ? lettersOfInitial(book) : 0,
    tables: settings?.tables ?? 'rows',
    tellsTyped: settings === null || settings.use === 'keep',
  };
  const cover = ebookCover(book, settings, text.pictures, facts.drawnCover);
  const copy = yield* copyFiles(text, isDressed);
  const addressOf = addressesIn(copy);
  // What the book makes has no place for notes.
  const headOf = ({ name, division }: TextFile) =>
    blocksXhtml(division.blocks, { ...xhtmlContext(name, division, text), notes: new Map() }) ||
    madeHeadXhtml(division, book);
  const lists = listFiles(files, facts, book, { addressOf, headOf });
  const navPages = reachedPages(pages, addressOf);
  const written = files.filter(({ name, holds }) => holds === 'contents' || name in copy || name in lists);
  const notesEntry =
    NOTES_FILE in copy ? { href: NOTES_FILE, title: madeHead('notes', book.particulars.language)! } : null;
  const contents = contentsOf(written, notesEntry, heads);
  const divisions = files.filter(({ holds }) => holds === 'copy').map(({ division }) => division);
  const nav = navXhtml(written, contents, navPages, book, { headOf, section, hasCover: cover !== null });
  const settled = withPlaceLinks({ ...copy, ...lists, [CONTENTS_FILE]: nav });
  const texts = Object.keys(copy).map((name) => settled[name]);
  return {
    book,
    cover,
    texts: {
      ...(cover === null ? {} : { [COVER_FILE]: cover.xhtml }),
      ...settled,
      'toc.ncx': ncx(contents, navPages, book, identifierOf(book)),
    },
    spine: [
      ...(cover === null ? [] : [{ name: COVER_FILE }]),
      ...written,
      ...(notesEntry === null ? [] : [{ name: NOTES_FILE }]),
    ],
    pictures: text.pictures,
    used: text.used,
    contained: {
      ...containedIn(cover === null ? texts : [cover.xhtml, ...texts]),
      ...{ hasPageList: navPages.length > 0, hasIndex },
    },
    start: startOf(settings?.opensAt ?? 'text', cover !== null, written),
    counts: compareEbook({ book, heads, notes, divisions }, texts),
  };
}

/** The pages of the printed book whose mark stands in a file. */
const reachedPages = (pages: readonly PrintPage[], addressOf: AddressOf): NavPage[] =>
  pages.flatMap(({ folio, id }) => {
    const href = addressOf(id);
    return href === null ? [] : [{ folio, href }];
  });

function startOf(at: EbookStart, hasCover: boolean, files: readonly TextFile[]): string | null {
  if (at === 'cover' && hasCover) return COVER_FILE;
  return (at === 'text' ? textStart(files) : files[0])?.name ?? null;
}

/** The files of the copy, and of its notes where they have one, their links settled. */
function* copyFiles(text: EbookText, isDressed: boolean): Generator<number, Record<string, string>> {
  const { files, homes, book } = text;
  const { language } = book.particulars;
  const texts: Record<string, string> = {};
  for (const [index, file] of files.entries()) {
    const { name, division, title, holds } = file;
    if (holds === 'copy') {
      const body = divisionXhtml(file, homes, xhtmlContext(name, division, text), isDressed);
      texts[name] = xhtmlPage(escapeXml(title), body, division.language ?? language);
    }
    yield (0.9 * (index + 1)) / files.length;
  }
  if (homes.notesFile === NOTES_FILE) {
    const head = madeHead('notes', language)!;
    const list = homes.gatheredXhtml(xhtmlContext(NOTES_FILE, null, text));
    texts[NOTES_FILE] = xhtmlPage(head, `<h1 class="made"${MADE}>${head}</h1>\n${list}`, language);
  }
  return texts;
}

/** Pictures, those that are not described, tables. */
function containedIn(texts: readonly string[]): Pick<Contained, 'pictures' | 'withoutWords' | 'hasTables'> {
  const images = texts.flatMap((text) => text.match(/<img [^>]*>/g) ?? []);
  return {
    pictures: images.length,
    withoutWords: images.filter((image) => image.includes('alt=""')).length,
    hasTables: texts.some((own) => own.includes('<table')),
  };
}

/** Finds the address of an element by its id; null where no file has it. */
function addressesIn(texts: Readonly<Record<string, string>>): AddressOf {
  const found = new Map<string, string>();
  for (const [name, text] of Object.entries(texts))
    for (const [, id] of text.matchAll(/ id="([^"]*)"/g)) if (!found.has(id)) found.set(id, name);
  return (id) => (found.has(id) ? `${found.get(id)}#${id}` : null);
}

/** What the book makes: index and lists. One of nothing is left out. */
function listFiles(
  files: readonly TextFile[],
  { index, captions }: EbookFacts,
  book: Book,
  { addressOf, headOf }: { readonly addressOf: AddressOf; readonly headOf: (file: TextFile) => string },
): Record<string, string> {
  const made: Record<string, string> = {};
  for (const file of files) {
    const { name, division, holds, title } = file;
    if (holds !== 'index' && holds !== 'figures' && holds !== 'tables') continue;
    const list =
      holds === 'index'
        ? indexXhtml(index, book, addressOf)
        : captionList(holds === 'figures' ? 'figure' : 'table', captions, addressOf);
    if (list === '') continue;
    const body = `${headOf(file)}\n<div${MADE}>${list}</div>`;
    made[name] = xhtmlPage(escapeXml(title), section(division, '', body), book.particulars.language);
  }
  return made;
}

/** On a division without words: our own reader of ebooks takes it for one. */
const EMPTY = '<div data-book-empty=""></div>';

/** The head of a division that the book makes and that has no words. */
function madeHeadXhtml({ role }: Division, { particulars }: Book): string {
  const words = madeHead(role, particulars.language) ?? '';
  return `<h1 class="made"${MADE}>${escapeXml(words)}</h1>\n${EMPTY}`;
}

function section({ role, matter }: Division, more: string, body: string): string {
  const [type, name] = [SECTION_TYPES[role], SECTION_ROLES[role]];
  const classes = [type, more].filter(Boolean).join(' ');
  const said = ` data-division="${divisionMark(matter, role, 1)}"`;
  return `<section${type ? ` epub:type="${type}"` : ''}${name ? ` role="${name}"` : ''}${classes === '' ? '' : ` class="${classes}"`}${said}>\n${body}\n</section>`;
}

/** The text of a division, the notes that stand with it after it, and those of the book where this is their division. */
function divisionXhtml(
  { name, division }: TextFile,
  homes: NoteHomes,
  context: XhtmlContext,
  isDressed: boolean,
): string {
  const own = homes.in(name);
  const ofKind = (kind: string) => own.filter((id) => context.notes.get(id)!.kind === kind);
  const ends = ofKind('endnote');
  const parts = [blocksXhtml(division.blocks, context) || EMPTY, notesXhtml(ofKind('footnote'), context)];
  if (ends.length > 0) parts.push(endnotesXhtml(ends, context.book.spec.notes.divisionHead, context));
  if (name === homes.notesFile) parts.push(homes.gatheredXhtml(context));
  return section(division, isDressed && division.matter === 'body' ? 'opener' : '', parts.join('\n'));
}

/** What the text of all files is written from. */
interface EbookText extends Pick<XhtmlContext, 'book' | 'notes' | 'heads'> {
  readonly files: readonly TextFile[];
  readonly homes: NoteHomes;
  readonly pictures: PictureFiles;
  readonly places: ReturnType<typeof placesOf>;
  readonly marks: ReadonlyMap<BlockId, readonly TextMark[]>;
  /** Filled as styles are met. */
  readonly used: Set<StyleTag>;
  readonly initialLetters: number;
  /** As in XhtmlContext. */
  readonly tellsTyped: boolean;
  readonly tables: EbookSettings['tables'];
}

const NO_MARKS: readonly TextMark[] = [];

/** How the text of one file says what stands elsewhere. `division`: whose text it is. */
function xhtmlContext(
  name: string,
  division: Division | null,
  { files, homes, pictures, places, marks, used, initialLetters, tellsTyped, tables, ...text }: EbookText,
): XhtmlContext {
  const tags = division === null ? new Map<BlockId, StyleTag>() : tagsOf(division.blocks, text.book);
  const opening = division === null || initialLetters === 0 ? null : openingOf(division, text.book);
  return {
    ...text,
    hrefOf: (id) => {
      const file = homes.homeOf(id);
      return file === name ? `#${id}` : `${file}#${id}`;
    },
    headHref: (block) => {
      const file = files.find(({ division: own }) => own.id === text.heads.targets.get(block)?.division);
      return file === undefined || file.name === name ? `#${elementId(block)}` : `${file.name}#${elementId(block)}`;
    },
    placeHref: (to) => {
      const place = places.get(to);
      if (place === undefined) return null;
      const file = files.find(({ division: own }) => own.id === place.stream)?.name ?? homes.homeOf(place.stream);
      return `${file === undefined || file === null || file === name ? '' : file}#${elementId(place.block)}`;
    },
    deeper: 0,
    fieldText: (paragraph, at) => filledField(paragraph, at, text.book),
    pictureHref: (picture) => {
      const file = pictures.take(picture);
      return file === null ? null : `pictures/${file}`;
    },
    ebook: {
      tagOf: ({ id, style }) => {
        const tag = tags.get(id) ?? style;
        used.add(style).add(tag);
        return tag;
      },
      setWords: (paragraph) =>
        setWords(paragraph, text.book.spec, division?.language ?? text.book.particulars.language),
      tellsTyped,
      tables,
      marksIn: (block) => marks.get(block) ?? NO_MARKS,
      initialOf: (block) => (block === opening ? initialLetters : 0),
    },
  };
}

/** The styles by which the paragraphs of a stream are set, those of cells among them. */
function tagsOf(blocks: readonly Block[], { spec }: Book): Map<BlockId, StyleTag> {
  const tags = new Map<BlockId, StyleTag>();
  blocks.forEach((block, k) => {
    if (block.kind === 'paragraph') tags.set(block.id, effectiveTag(blocks, k, spec.styles));
    else
      for (const row of block.rows)
        for (const cell of row)
          for (const inner of cell.blocks)
            if (inner.kind === 'paragraph' && inner.style === PLAIN_TEXT) tags.set(inner.id, PLAIN_TABLE);
  });
  return tags;
}

const lettersOfInitial = ({ spec }: Book) => (spec.openers.dropLines === 0 ? 0 : spec.openers.dropLetters);

/** The paragraph with which the text of a chapter begins, after its head. */
function openingOf({ matter, role, blocks }: Division, { spec }: Book): BlockId | null {
  if (matter !== 'body' || role === 'part') return null;
  const first = blocks.find(
    (block) =>
      block.kind === 'table' || (block.text.trim() !== '' && !isOpenerPart(meaningOfTag(spec.styles, block.style))),
  );
  return first?.kind === 'paragraph' && first.style === PLAIN_TEXT ? first.id : null;
}

function filledField({ objects }: Paragraph, at: number, book: Book): string {
  const object = objects.find((own) => own.at === at);
  return object?.kind === 'field' ? clean(fieldText(object.field, book.particulars, 'ebook')) : '';
}
