// What is in an ebook against what is in the book that it is made of: nothing that is the author's may be lost on the way.
import type { FileCount } from '../../model/products/products';
import { countWords, type Book, type Division } from '../../model/copy/book';
import { fieldText } from '../../copy/fields';
import { isBreak } from '../../copy/readingTree';
import { placesOf, nameOfLink } from '../../copy/places';
import type { Block, Paragraph } from '../../model/copy/streams';
import { noteKind } from '../../model/spec/notes';
import { levelOf, referenceWords, type HeadsOfCopy, type NumberedNote } from '../copy/copyOf';
import { notesOfDivision } from './ebookNotes';
import { setWords } from './setWords';

interface Counts {
  words: number;
  heads: number;
  pictures: number;
  links: number;
  tables: number;
  /** By the name of their kind. */
  readonly notes: Map<string, number>;
}

export interface ComparedBook {
  readonly book: Book;
  /** Those whose words are in the file. */
  readonly divisions: readonly Division[];
  readonly heads: HeadsOfCopy;
  readonly notes: ReadonlyMap<string, NumberedNote>;
}

/** `texts`: the files of the copy, without what the book makes of it. */
export function compareEbook(of: ComparedBook, texts: readonly string[]): FileCount[] {
  const [inBook, inFile] = [countBook(of), countTexts(texts, of)];
  const rows: FileCount[] = (['words', 'heads', 'tables', 'pictures', 'links'] as const).map((what) => ({
    what,
    inBook: inBook[what],
    inFile: inFile[what],
  }));
  for (const [kind, count] of inBook.notes)
    rows.push({ what: kind, inBook: count, inFile: inFile.notes.get(kind) ?? 0 });
  return rows;
}

const noCounts = (): Counts => ({ words: 0, heads: 0, pictures: 0, links: 0, tables: 0, notes: new Map() });

const more = (notes: Map<string, number>, kind: string) => notes.set(kind, (notes.get(kind) ?? 0) + 1);

const nameOfKind = ({ spec }: Book, { note }: NumberedNote) => noteKind(spec.notes, note.kind).name;

function countBook({ book, divisions, heads, notes }: ComparedBook): Counts {
  const counts = noCounts();
  const places = placesOf(book);
  const visit = (blocks: readonly Block[], language: string) => {
    for (const block of blocks) {
      if (block.kind === 'table') {
        counts.tables += 1;
        for (const row of block.rows) for (const cell of row) visit(cell.blocks, language);
      } else countParagraph(block, language);
    }
  };
  const countParagraph = (block: Paragraph, language: string) => {
    // A dash may be set between spaces that it was typed without.
    if (isBreak(block, book.spec.styles)) return;
    counts.words += countWords(spoken(setWords(block, book.spec, language).paragraph, book, heads));
    if (levelOf(book, block) > 0) counts.heads += 1;
    for (const object of block.objects) {
      if (object.kind === 'picture') counts.pictures += 1;
      if (object.kind === 'reference' && heads.targets.has(object.target)) counts.links += 1;
    }
    for (const { link } of block.spans) {
      const name = nameOfLink(link);
      if (name === undefined ? link !== undefined && /^[a-z][a-z0-9+.-]*:/i.test(link.trim()) : places.has(name))
        counts.links += 1;
    }
  };
  const met = new Set<string>();
  for (const division of divisions) {
    const { language = book.particulars.language } = division;
    visit(division.blocks, language);
    for (const id of notesOfDivision(division, notes)) {
      if (met.has(id)) continue;
      met.add(id);
      more(counts.notes, nameOfKind(book, notes.get(id)!));
      visit(notes.get(id)!.note.blocks, language);
    }
  }
  return counts;
}

/** The words of a paragraph as a file without pages says them. */
function spoken({ text, objects }: Paragraph, book: Book, heads: HeadsOfCopy): string {
  let said = '';
  let from = 0;
  for (const object of objects) {
    said += text.slice(from, object.at);
    from = object.at + 1;
    if (object.kind === 'break' || object.kind === 'tab') said += ' ';
    else if (object.kind === 'field') said += fieldText(object.field, book.particulars, 'ebook');
    else if (object.kind === 'reference') said += referenceWords(object, heads);
  }
  return said + text.slice(from);
}

/** What the book puts between its words: numbers of heads and notes, marks of pages, what stands for a picture. */
const MADE =
  /<(span|p|h2) [^>]*data-made=""[^>]*>[^<]*<\/\1>|<a [^>]*role="doc-(?:noteref|backlink)"[^>]*>[^<]*<\/a>|<span class="picture">[^<]*<\/span>/g;
const ENTITIES: Readonly<Record<string, string>> = { amp: '&', lt: '<', gt: '>', quot: '"', apos: "'" };

/** The words of XHTML. */
function wordsOf(xhtml: string): string {
  return xhtml
    .replace(/^[\s\S]*?<body>/, '')
    .replace(MADE, '')
    .replace(
      /<\/?(?:p|h\d|li|td|th|br|hr|div|section|figure|figcaption|caption|aside|blockquote|tr|table|ol|ul)\b[^>]*>/g,
      ' ',
    )
    .replace(/<[^>]*>/g, '')
    .replace(/&(amp|lt|gt|quot|apos);|&#x([0-9a-f]+);|&#(\d+);/gi, (_, name: string, hex: string, decimal: string) =>
      name ? ENTITIES[name.toLowerCase()] : String.fromCodePoint(hex ? parseInt(hex, 16) : Number(decimal)),
    );
}

function countTexts(texts: readonly string[], { book, notes }: ComparedBook): Counts {
  const counts = noCounts();
  for (const text of texts) {
    const count = (pattern: RegExp) => text.match(pattern)?.length ?? 0;
    counts.words += countWords(wordsOf(text));
    counts.heads += count(/<h[1-6] class="(?!made")/g);
    counts.pictures += count(/<img |<span class="picture">/g);
    counts.tables += count(/<table[ >]/g);
    counts.links += count(/<a href="[^"]*"(?: data-shows="[^"]*")?>/g);
    for (const [, id] of text.matchAll(/<(?:aside|li) id="([^"]+)" epub:type="(?:footnote|endnote)"/g)) {
      const note = notes.get(id);
      if (note !== undefined) more(counts.notes, nameOfKind(book, note));
    }
  }
  return counts;
}
