// The one chain of migrations, shared by project file and database: each step takes plain data of one format to the next.
import { BOOK_FORMAT } from './book';
import { CONTENTS } from './contents';
import { plainFurniture, token, type Token } from './furniture';
import { INDEX } from './indexSpec';
import { MADE_STYLES, NOTE_STYLES } from './madeStyles';
import { NOTES } from './notes';
import { NUMBERING } from './numbering';

export type PlainBook = Readonly<Record<string, unknown>> & { readonly format: number };
export type Migration = (book: PlainBook) => PlainBook;

/** `MIGRATIONS[n]` takes format n to n + 1. */
export const MIGRATIONS: Readonly<Record<number, Migration>> = {
  // Glyph-scale play, optical margins and what pages keep came in with what the starting spec gave them.
  1: (book) =>
    withSpec(book, 2, (spec) => ({
      marks: { set: 'typed' },
      pages: PAGES_OF_FORMAT_2,
      ...spec,
      openers: { dropLines: 0, dropLetters: 1, ...part(spec, 'openers') },
      text: {
        ...TEXT_OF_FORMAT_2,
        ...part(spec, 'text'),
        hyphenation: { capitals: 'dear', exceptions: [], ...part(part(spec, 'text'), 'hyphenation') },
      },
    })),
  // Marks after italic words and first words in small capitals: as they were before there was a choice.
  2: (book) =>
    withSpec(book, 3, (spec) => ({
      ...spec,
      marks: { afterItalic: 'typed', ...part(spec, 'marks') },
      openers: { leadWords: 0, ...part(spec, 'openers') },
    })),
  // What was done with the author's file was not kept.
  3: (book) => ({ ...book, format: 4, source: { recipe: [], mapping: {}, ...part(book, 'source') } }),
  // Pictures came into the text: a book of before has none.
  4: (book) => ({ ...book, format: 5 }),
  // A page had trim and margins alone.
  5: (book) =>
    withSpec(book, 6, (spec) => ({
      ...spec,
      inks: INKS_OF_FORMAT_6,
      page: { ...PAGE_OF_FORMAT_6, ...part(spec, 'page') },
      pages: { columnRule: { pt: 0, unit: 'pt' }, others: {}, ...part(spec, 'pages') },
      openers: { part: null, front: null, short: null, shortUnder: 300, ...part(spec, 'openers') },
    })),
  // Heads were chosen from five; contents listed divisions, and nothing was numbered or indexed.
  6: (book) => ({
    pageTouches: [],
    ...withoutHalfTitle(
      withSpec(book, 7, (spec) => ({
        numbering: NUMBERING,
        contents: CONTENTS,
        index: INDEX,
        ...spec,
        styles: withUnnumberedParts({ ...MADE_STYLES, ...part(spec, 'styles') }),
        furniture: furnitureOfFormat6(part(spec, 'furniture')),
      })),
    ),
  }),
  // All notes stood at the foot; endnotes go to a division of their own.
  7: (book) =>
    withNotesDivision(
      withSpec(book, 8, (spec) => ({ notes: NOTES, ...spec, styles: { ...NOTE_STYLES, ...part(spec, 'styles') } })),
    ),
  // Every rag was four em deep.
  8: (book) => withSpec(book, 9, (spec) => ({ ...spec, text: { rag: 4, ...part(spec, 'text') } })),
  // Every note had a number.
  9: (book) => ({ ...book, format: 10 }),
};

/** A book with endnotes and no place for them gets a notes division. */
function withNotesDivision(book: PlainBook): PlainBook {
  const { divisions, notes, nextId } = book;
  if (!Array.isArray(divisions) || typeof nextId !== 'number') return book;
  const hasEndnotes = Object.values(part({ notes }, 'notes')).some(
    (note) => (note as Plain | null)?.kind === 'endnote',
  );
  if (!hasEndnotes || (divisions as Plain[]).some((one) => one?.role === 'notes')) return book;
  const title = { kind: 'paragraph', id: `p${nextId + 1}`, style: 'CT', text: 'Notes', spans: [], objects: [] };
  const made = { id: `d${nextId}`, role: 'notes', matter: 'back', listed: true, blocks: [title] };
  const index = (divisions as Plain[]).findIndex((one) => one?.role === 'index');
  const at = index < 0 ? divisions.length : index;
  const all = [...(divisions as Plain[]).slice(0, at), made, ...(divisions as Plain[]).slice(at)];
  return { ...book, nextId: nextId + 2, divisions: all };
}

/** A half-title was in no ebook. */
function withoutHalfTitle(book: PlainBook): PlainBook {
  const { divisions } = book;
  if (!Array.isArray(divisions)) return book;
  const made = (divisions as Plain[]).map((one) => (one?.role === 'half-title' ? { ...one, notInEbook: true } : one));
  return { ...book, divisions: made };
}

/** A part title takes from the chapters': their numbers are not its own. */
function withUnnumberedParts(styles: Plain): Plain {
  return 'PT' in styles ? { ...styles, PT: { number: null, ...part(styles, 'PT') } } : styles;
}

function furnitureOfFormat6(old: Plain): unknown {
  if ('sets' in old) return old;
  const tokens: Readonly<Record<string, Token>> = {
    author: 'author',
    title: 'shortTitle',
    part: 'partTitle',
    chapter: 'chapterTitle',
  };
  const head = (of: unknown) => (typeof of === 'string' && of in tokens ? token(tokens[of]) : null);
  const plain = {
    verso: head(old.verso),
    recto: head(old.recto),
    folio: 'foreEdge' as const,
    dropFolio: old.dropFolio !== false,
  };
  return { set: 'Book', sets: { Book: plainFurniture(plain) } };
}

const INKS_OF_FORMAT_6 = {
  set: 'Black only',
  sets: { 'Black only': { Black: { colour: { kind: 'grey', k: 100 }, press: 'k' } } },
};
const NO_BLEED = { pt: 0, unit: 'mm' };
const PAGE_OF_FORMAT_6 = {
  facing: true,
  bindingAllowance: { pt: 9, unit: 'in' },
  canon: null,
  bleed: { head: NO_BLEED, foot: NO_BLEED, back: NO_BLEED, foreEdge: NO_BLEED },
  slug: NO_BLEED,
  guides: [],
  unit: null,
  dpi: 96,
};

const TEXT_OF_FORMAT_2 = { glyphPlay: 2, opticalMargins: 100, letterPlay: 0, ties: true, liftedTies: [] };

const PAGES_OF_FORMAT_2 = {
  linesAtFoot: 2,
  linesAtHead: 2,
  chapterEnd: 5,
  spreadShort: 1,
  spreadLong: 3,
  elastic: true,
  footFree: false,
  columns: 1,
  columnGap: { pt: 14.5, unit: 'pt' },
  columnShares: null,
  balanceColumns: true,
};

type Plain = Readonly<Record<string, unknown>>;

/** A part of plain data as an object; empty when it is none, so that the check after the migration can say so. */
function part(of: Plain, key: string): Plain {
  const value = of[key];
  return typeof value === 'object' && value !== null && !Array.isArray(value) ? (value as Plain) : {};
}

function withSpec(book: PlainBook, format: number, change: (spec: Plain) => Plain): PlainBook {
  return { ...book, format, spec: change(part(book, 'spec')) };
}

/** The book in today's format. */
export function migrate(book: PlainBook): PlainBook {
  let current = book;
  while (current.format < BOOK_FORMAT && MIGRATIONS[current.format] !== undefined) {
    current = MIGRATIONS[current.format](current);
  }
  return current;
}
