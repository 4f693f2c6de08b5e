// What came in with a manuscript, counted and listed: for the arrival sheet and for the report of the command line.
import { table } from '../base/table';
import { readByline, wordsOfBlock } from '../copy/firstPages';
import { countWords } from '../model/copy/book';
import type { Arrival, ImportRemark, IncomingImage, IncomingStyle, Manuscript } from '../model/copy/manuscript';
import { readFirstPages } from './opening/firstPages';
import { OBJECT_CHARACTER, type Block, type Paragraph, type Span, type Table } from '../model/copy/streams';

export interface NoteText {
  readonly text: string;
  readonly paragraphs: number;
}

/** The report of `read` (docs/formats.md). Characters are UTF-16 units of the main copy and the notes. */
export interface ManuscriptReport {
  readonly title: string;
  readonly author: string;
  readonly language: string;
  readonly words: number;
  /** Plain text of the main copy, a paragraph a line. */
  readonly text: string;
  readonly paragraphs: number;
  readonly headings: readonly { readonly level: number; readonly text: string }[];
  readonly footnotes: readonly NoteText[];
  readonly endnotes: readonly NoteText[];
  readonly italicCharacters: number;
  readonly boldCharacters: number;
  readonly smallCapitalCharacters: number;
  readonly superscriptCharacters: number;
  readonly subscriptCharacters: number;
  readonly images: readonly IncomingImage[];
  readonly tables: readonly { readonly rows: number; readonly columns: number; readonly text: string }[];
  readonly lists: number;
  readonly pageBreaks: number;
  readonly links: readonly { readonly text: string; readonly href: string }[];
  readonly styles: readonly Omit<IncomingStyle, 'blocks'>[];
  readonly dropped: readonly ImportRemark[];
}

export function describeManuscript(manuscript: Manuscript): ManuscriptReport {
  const { metadata, blocks, notes } = manuscript;
  const main = paragraphsOf(blocks);
  const bodies = Object.values(notes);
  const all = [...main, ...bodies.flatMap((note) => paragraphsOf(note.blocks))];
  const said = firstWords(manuscript);
  const characters = (is: (span: Span) => boolean) =>
    all.reduce((sum, one) => sum + one.spans.reduce((n, span) => n + (is(span) ? span.to - span.from : 0), 0), 0);
  const noteTexts = (kind: 'footnote' | 'endnote'): NoteText[] =>
    bodies
      .filter((note) => note.kind === kind)
      .map((note) => {
        const own = paragraphsOf(note.blocks);
        return { text: own.map(plainText).join('\n'), paragraphs: own.length };
      });
  return {
    title: said.title || (metadata.title ?? ''),
    author: said.author || (metadata.author ?? ''),
    language: metadata.language ?? '',
    words: wordsOf(main),
    text: main.map(plainText).join('\n'),
    paragraphs: main.length,
    headings: headingsOf(manuscript, main),
    footnotes: noteTexts('footnote'),
    endnotes: noteTexts('endnote'),
    italicCharacters: characters((span) => (span.touches?.italic ?? span.style === 'em') === true),
    boldCharacters: characters((span) => (span.touches?.bold ?? span.style === 'strong') === true),
    smallCapitalCharacters: characters((span) => span.style === 'sc'),
    superscriptCharacters: characters((span) => span.style === 'sup'),
    subscriptCharacters: characters((span) => span.style === 'sub'),
    images: manuscript.images,
    tables: tablesOf(blocks).map((table) => ({
      rows: table.rows.length,
      columns: table.columns,
      text: table.rows
        .map((row) => row.map((cell) => paragraphsOf(cell.blocks).map(plainText).join(' ')).join('\t'))
        .join('\n'),
    })),
    lists: countLists(blocks),
    pageBreaks: manuscript.pageBreaks,
    links: all.flatMap(linksOf),
    styles: manuscript.styles.map(({ name, count, mappedTo, sample }) => ({ name, count, mappedTo, sample })),
    dropped: manuscript.remarks,
  };
}

/** Title and authors as the first pages of the text say them. */
function firstWords(manuscript: Manuscript): { readonly title?: string; readonly author?: string } {
  const { pieces } = readFirstPages(manuscript);
  const words = (part: 'title' | 'author') => {
    const found = pieces.find((piece) => piece.part === part);
    return found?.blocks.map(wordsOfBlock).join(' ');
  };
  const [title, author] = [words('title'), words('author')];
  return {
    ...(title === undefined ? {} : { title }),
    ...(author === undefined ? {} : { author: readByline(author).names.join(', ') }),
  };
}

const wordsOf = (main: readonly Paragraph[]): number => main.reduce((sum, one) => sum + countWords(one.text), 0);

/** What is told of a manuscript while its book is made: no more is worked out, since somebody waits for it. */
export function arrivalOf(manuscript: Manuscript, fileName: string): Arrival {
  const { blocks, notes } = manuscript;
  const main = paragraphsOf(blocks);
  const count = (kind: 'footnote' | 'endnote') => Object.values(notes).filter((note) => note.kind === kind).length;
  return {
    fileName,
    words: wordsOf(main),
    paragraphs: main.length,
    headings: headingsOf(manuscript, main),
    footnotes: count('footnote'),
    endnotes: count('endnote'),
    tables: tablesOf(blocks).length,
    lists: countLists(blocks),
    images: manuscript.images,
    styles: manuscript.styles,
    comments: manuscript.comments,
    dropped: manuscript.remarks,
  };
}

/** Levels as the file gave them, words as they are now; what became a heading since has the level of its style. */
function headingsOf({ headings }: Manuscript, main: readonly Paragraph[]): { level: number; text: string }[] {
  const levels = new Map(headings.map((heading) => [heading.block, heading.level]));
  return main.flatMap((one) => {
    const level = levels.get(one.id) ?? (levels.size === 0 ? LEVEL_OF_TAG[one.style] : NEW_LEVELS[one.style]);
    if (level === undefined) return [];
    const text = plainText(one).replace(/\s+/g, ' ').trim();
    return text === '' ? [] : [{ level, text }];
  });
}

const NEW_LEVELS: Readonly<Record<string, number>> = table({ CT: 1, PT: 1 });
const LEVEL_OF_TAG: Readonly<Record<string, number>> = table({ ...NEW_LEVELS, AH: 2, BH: 3 });

/** Paragraphs in order, those of tables cell by cell. */
function paragraphsOf(blocks: readonly Block[]): Paragraph[] {
  return blocks.flatMap((block) =>
    block.kind === 'paragraph'
      ? [block]
      : block.rows.flatMap((row) => row.flatMap((cell) => paragraphsOf(cell.blocks))),
  );
}

function tablesOf(blocks: readonly Block[]): Table[] {
  return blocks.flatMap((block) =>
    block.kind === 'table' ? [block, ...block.rows.flatMap((row) => row.flatMap((cell) => tablesOf(cell.blocks)))] : [],
  );
}

/** Text with breaks as spaces, tabs as tabs, and nothing where a note is referred to. */
function plainText({ text, objects }: Paragraph): string {
  if (objects.length === 0) return text;
  const kinds = new Map(objects.map((object) => [object.at, object.kind]));
  let plain = '';
  for (let k = 0; k < text.length; k += 1) {
    if (text[k] !== OBJECT_CHARACTER) plain += text[k];
    else if (kinds.get(k) === 'break') plain += ' ';
    else if (kinds.get(k) === 'tab') plain += '\t';
  }
  return plain;
}

/** Runs of list paragraphs, one inside another counted with the outer one. */
function countLists(blocks: readonly Block[]): number {
  let lists = 0;
  let isInside = false;
  for (const block of blocks) {
    const isItem = block.kind === 'paragraph' && block.list !== undefined;
    if (isItem && !isInside) lists += 1;
    isInside = isItem;
    if (block.kind === 'table') for (const row of block.rows) for (const cell of row) lists += countLists(cell.blocks);
  }
  return lists;
}

function linksOf(paragraph: Paragraph): { text: string; href: string }[] {
  const links: { text: string; href: string; end: number }[] = [];
  for (const span of paragraph.spans) {
    if (span.link === undefined) continue;
    const text = paragraph.text.slice(span.from, span.to).replaceAll(OBJECT_CHARACTER, '');
    const last = links[links.length - 1];
    // Words of several looks are one link.
    if (last !== undefined && last.href === span.link && last.end === span.from) {
      links[links.length - 1] = { text: last.text + text, href: span.link, end: span.to };
    } else links.push({ text, href: span.link, end: span.to });
  }
  return links.map(({ text, href }) => ({ text, href }));
}
