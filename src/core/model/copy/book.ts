// The book: particulars, spec, running order and notes. Plain immutable data; every change is a book edit.
import type { Anchors } from './anchors';
import type { FirstPiece } from './firstPages';
import type { FolioRun } from '../spec/numbering';
import type { PageTouch } from './pageTouches';
import type { DivisionRole, Matter, StartSide } from './roles';
import type { Spec } from '../spec/spec';
import { figureTexts, FIGURE_TEXTS, type Figure, type FigureText, type FigureTextRole } from './figures';
import { picturesIn } from './holders';
import type { Block, BlockId, FigureId, InlineObject, PictureFacts, PictureKind, StreamId, StyleTag } from './streams';

export { isMadeDivision, type DivisionRole, type Matter, type StartSide } from './roles';

/** The number of the model's shape, shared by the database and the project file. */
export const BOOK_FORMAT = 17;

export interface Person {
  readonly name: string;
  readonly role: 'author' | 'editor' | 'translator' | 'illustrator' | 'foreword';
}

/** The book's own facts: typed once, read by display pages, furniture and metadata. An empty string is "not given". */
export interface Particulars {
  readonly title: string;
  readonly subtitle: string;
  readonly shortTitle: string;
  readonly people: readonly Person[];
  readonly publisher: string;
  readonly place: string;
  readonly year: string;
  readonly edition: string;
  readonly isbnPrint: string;
  readonly isbnEbook: string;
  readonly rights: string;
  readonly credits: string;
  readonly series: string;
  /** What shops and libraries are told; absent: nothing. */
  readonly description?: string;
  /** Parted by semicolons. */
  readonly subjects?: string;
  /** Where the printed book can be had: an address of the web; absent: nothing. */
  readonly printAddress?: string;
  /** The picture on the cover of the ebook; absent: none. */
  readonly cover?: PictureFacts;
  /** A BCP 47 tag of a language that can be set: see LANGUAGES. */
  readonly language: string;
}

/** `third`: the middle of the words at a third of the height; `middle`: at half of it. */
export type Placing = 'head' | 'third' | 'middle' | 'foot';

/** One entry of the running order. Its id is the id of its stream. */
export interface Division {
  readonly id: StreamId;
  readonly role: DivisionRole;
  readonly matter: Matter;
  /** Its language where it is another than the book's: a tag of LANGUAGES. */
  readonly language?: string;
  /** The side on which it begins; undefined: as the role and the spec say. */
  readonly start?: StartSide;
  readonly listed: boolean;
  /** Grid lines left empty above its first element; undefined: as openers of its kind. */
  readonly sink?: number;
  /** The set of its furniture; undefined: the book's. */
  readonly furniture?: string;
  /** The folio run that begins with it; undefined: the one before goes on. */
  readonly run?: FolioRun;
  /** In running heads, where the title is too long. */
  readonly shortTitle?: string;
  /** Left out of the printed book, or of the ebook. */
  readonly notInPrint?: boolean;
  readonly notInEbook?: boolean;
  /** No blank is made before it for its side: it begins on the next page. */
  readonly noBlank?: boolean;
  /** Where the words of a display page stand; undefined: as their styles say. */
  readonly placing?: Placing;
  /** The designed layout that its words were last set in. */
  readonly layout?: string;
  /** Of a list that the book makes (contents): what is said otherwise of an entry, by the block that it stands for. */
  readonly corrections?: Readonly<Record<BlockId, string>>;
  readonly blocks: readonly Block[];
}

/** Whether a division can be in an ebook at all: only pages are blank. */
export const canBeRead = ({ role }: Pick<Division, 'role'>): boolean => role !== 'blank';

export interface Note {
  readonly id: StreamId;
  /** A kind of the spec, by its id. */
  readonly kind: string;
  /** A sign of its own in place of a number; it takes no part in the counting. */
  readonly mark?: string;
  readonly blocks: readonly Block[];
}

/** What is done with the author's files: kept, so that the next one is read like the last. */
export interface Source {
  /** Tidy jobs taken, by id, in the order of their first use. */
  readonly recipe: readonly string[];
  /** What each incoming style becomes. */
  readonly mapping: Readonly<Record<string, string>>;
  /** What the first pages of the file were taken for, in its order; absent: it had none. */
  readonly firstPages?: readonly FirstPiece[];
  /** Fingerprint of the copy as its author last sent it, which is kept as a hidden pull; absent: nothing is kept of it. */
  readonly base?: string;
  /** Of such a copy alone: the styles of the file, so that what they become can be decided again. */
  readonly styles?: readonly SourceStyle[];
}

export interface SourceStyle {
  readonly name: string;
  readonly mappedTo: StyleTag;
  readonly blocks: readonly BlockId[];
}

export interface Book {
  readonly format: number;
  readonly id: string;
  /** The next number for an id; ids are a letter and a number, so the same input always gives the same book. */
  readonly nextId: number;
  readonly particulars: Particulars;
  readonly spec: Spec;
  readonly divisions: readonly Division[];
  readonly notes: Readonly<Record<StreamId, Note>>;
  /** By id; each has one mark in the copy. */
  readonly figures: Readonly<Record<FigureId, Figure>>;
  /** Places of the copy that something is tied to. */
  readonly anchors: Anchors;
  /** In the order in which they were made. */
  readonly pageTouches: readonly PageTouch[];
  readonly source: Source;
}

/** Particulars with nothing given but the language. */
export function emptyParticulars(language = 'en'): Particulars {
  return {
    title: '',
    subtitle: '',
    shortTitle: '',
    people: [],
    publisher: '',
    place: '',
    year: '',
    edition: '',
    isbnPrint: '',
    isbnEbook: '',
    rights: '',
    credits: '',
    series: '',
    language,
  };
}

/** One stream of the book with its owner. */
export interface StreamPlace {
  readonly stream: StreamId;
  readonly owner: 'division' | 'note' | 'cell' | 'figure';
  readonly blocks: readonly Block[];
}

/** Every stream of the book: divisions in running order, the cells of their tables, then notes, then captions and credit lines of figures. */
export function* eachStream(book: Book): Generator<StreamPlace> {
  for (const { stream, owner, blocks } of outerStreams(book)) yield* withCells(stream, owner, blocks);
}

/** The same streams without those of cells. */
export function* outerStreams(book: Book): Generator<StreamPlace> {
  for (const { id, blocks } of book.divisions) yield { stream: id, owner: 'division', blocks };
  for (const { id, blocks } of Object.values(book.notes)) yield { stream: id, owner: 'note', blocks };
  for (const figure of Object.values(book.figures))
    for (const { id, blocks } of figureTexts(figure)) yield { stream: id, owner: 'figure', blocks };
}

/** The blocks of a division, a note, or a text of a figure; undefined where the book has none of the id. */
export function blocksOfStream(book: Book, stream: StreamId): readonly Block[] | undefined {
  const owner = book.divisions.find(({ id }) => id === stream) ?? book.notes[stream];
  return owner?.blocks ?? figureOfStream(book, stream)?.text.blocks;
}

/** The figure whose caption or credit line is the stream. */
export function figureOfStream(
  { figures }: Pick<Book, 'figures'>,
  stream: StreamId,
): { readonly figure: Figure; readonly role: FigureTextRole; readonly text: FigureText } | undefined {
  for (const figure of Object.values(figures))
    for (const role of FIGURE_TEXTS) if (figure[role].id === stream) return { figure, role, text: figure[role] };
  return undefined;
}

function* withCells(stream: StreamId, owner: StreamPlace['owner'], blocks: readonly Block[]): Generator<StreamPlace> {
  yield { stream, owner, blocks };
  for (const block of blocks) {
    if (block.kind !== 'table') continue;
    for (const row of block.rows) for (const cell of row) yield* withCells(cell.id, 'cell', cell.blocks);
  }
}

/** What a note reference or the mark of a figure leads to. */
export function textsOfObject(
  book: Book,
  object: InlineObject,
): readonly { readonly id: StreamId; readonly blocks: readonly Block[] }[] {
  const found = object.kind === 'note' ? book.notes[object.note] : undefined;
  if (found !== undefined) return [found];
  const figure = object.kind === 'figure' ? book.figures[object.figure] : undefined;
  return figure === undefined ? [] : figureTexts(figure);
}

/** The book with the blocks of every stream changed but for those in cells, which belong to their tables. */
export function withEachBlock(book: Book, change: (block: Block) => Block): Book {
  const changed = <T extends { readonly blocks: readonly Block[] }>(owner: T): T => ({
    ...owner,
    blocks: owner.blocks.map(change),
  });
  const entries = <T>(of: Readonly<Record<string, T>>, each: (value: T) => T): Record<string, T> =>
    Object.fromEntries(Object.entries(of).map(([key, value]) => [key, each(value)]));
  return {
    ...book,
    divisions: book.divisions.map(changed),
    notes: entries(book.notes, changed),
    figures: entries(book.figures, (figure) => ({
      ...figure,
      caption: changed(figure.caption),
      credit: changed(figure.credit),
    })),
  };
}

/** The pictures of a book: those among its words, the parts of its figures, its cover. */
export function* eachPicture(book: Book): Generator<PictureFacts> {
  for (const { owner, blocks } of eachStream(book)) {
    // Those in cells are found with their table.
    if (owner !== 'cell') for (const block of blocks) yield* picturesIn(block);
  }
  for (const { parts } of Object.values(book.figures)) for (const { picture } of parts) yield picture;
  if (book.particulars.cover !== undefined) yield book.particulars.cover;
}

/** Hashes of the pictures of a book, each once, in the order in which they come. */
export function picturesOf(book: Book): string[] {
  const found = new Set<string>();
  for (const { asset } of eachPicture(book)) if (asset !== '') found.add(asset);
  for (const { kept } of book.source.firstPages ?? [])
    for (const block of kept) for (const { asset } of picturesIn(block)) if (asset !== '') found.add(asset);
  return [...found];
}

/** Kinds of the pictures of a book. */
export const pictureKindsOf = (book: Book): ReadonlySet<PictureKind> =>
  new Set([...eachPicture(book)].map(({ format }) => format));

/** The names with a role, in order, joined as in a line of type: `A`, `A and B`, `A, B and C`. */
export function namesOf(particulars: Particulars, role: Person['role']): string {
  const names = particulars.people.filter((person) => person.role === role && person.name).map((p) => p.name);
  if (names.length < 2) return names.join('');
  return `${names.slice(0, -1).join(', ')} and ${names[names.length - 1]}`;
}

/** Words of a text: runs without white space that hold a letter or a figure. */
export function countWords(text: string): number {
  let words = 0;
  let isCounted = false;
  for (let k = 0; k < text.length; k += 1) {
    const code = text.charCodeAt(k);
    if (code === 0x20) isCounted = false;
    else if (
      !isCounted &&
      (code < 0x80 ? isAsciiWord(code) : /[\p{L}\p{N}]/u.test(String.fromCodePoint(text.codePointAt(k)!)))
    ) {
      isCounted = true;
      words += 1;
    } else if ((code < 0x20 || code >= 0x80) && /[\s\uFFFC]/.test(text[k])) isCounted = false;
  }
  return words;
}

const isAsciiWord = (code: number) =>
  (code >= 0x30 && code <= 0x39) || ((code | 0x20) >= 0x61 && (code | 0x20) <= 0x7a);
