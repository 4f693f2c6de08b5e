// The project file: a zip of JSON that opens again to an identical book. Described in docs/formats.md.
import { ImportError, ValueError } from '../../base/errors';
import type { ByteRange, FileJob, ReadJob } from '../../base/fileJob';
import { MOST_PART_BYTES } from '../../base/limits';
import { table } from '../../base/table';
import { looksLikeZip } from '../../base/zip';
import { readMember, readZipDirectory, storedRange, type ZipEntry } from '../../base/zipReader';
import { writeZip } from '../../base/zipWriter';
import { fingerprint } from '../../base/hash';
import { baseHash } from '../../copy/copyBase';
import type { OwnFont } from '../../model/spec/faces';
import { BOOK_FORMAT, picturesOf, type Book, type Division, type Source } from '../../model/copy/book';
import { facesAmong, facesMembers, type ProjectFaces } from './projectFaces';
import { migrate } from '../../formats/migrate';

const KIND = 'walnut-leaf-book';

interface ProjectHead {
  readonly kind: typeof KIND;
  readonly format: number;
  readonly id: string;
  readonly nextId: number;
  /** Ids of the divisions in running order; each is a member of its own. */
  readonly divisions: readonly string[];
  /** From format 4 on. */
  readonly source?: Source;
  /** From format 11 on. */
  readonly anchors?: Book['anchors'];
  /** From format 7 on. */
  readonly pageTouches?: Book['pageTouches'];
}

/** The copy as its author last sent it, as it stands in the file: its divisions are members of their own. */
interface BaseHead {
  readonly nextId: number;
  readonly divisions: readonly string[];
  readonly styles: NonNullable<Source['styles']>;
}

/**
 * The book as a file; pictures stand in it as they are. Same book, same bytes. `there`: hashes of the pictures that can be had. `base`:
 * the copy as its author last sent it, which the book names. `fonts`: the faces of the person's own that it is set in.
 */
export function* writeProject(
  book: Book,
  there: ReadonlySet<string> = new Set(),
  base: Book | null = null,
  fonts: readonly OwnFont[] = [],
): FileJob {
  const head: ProjectHead = {
    kind: KIND,
    format: book.format,
    id: book.id,
    nextId: book.nextId,
    divisions: book.divisions.map((division) => division.id),
    source: book.source,
    anchors: book.anchors,
    pageTouches: book.pageTouches,
  };
  const encoder = new TextEncoder();
  const json = (value: unknown) => encoder.encode(`${JSON.stringify(value, null, 1)}\n`);
  const members: Record<string, Uint8Array> = {
    'book.json': json(head),
    'particulars.json': json(book.particulars),
    'spec.json': json(book.spec),
    'notes.json': json(book.notes),
    'figures.json': json(book.figures),
  };
  for (const division of book.divisions) members[`divisions/${division.id}.json`] = json(division);
  if (base !== null) {
    const { nextId, divisions, source } = base;
    const own: BaseHead = { nextId, divisions: divisions.map(({ id }) => id), styles: source.styles ?? [] };
    members['base/book.json'] = json(own);
    members['base/notes.json'] = json(base.notes);
    members['base/figures.json'] = json(base.figures);
    for (const division of divisions) members[`base/divisions/${division.id}.json`] = json(division);
  }
  const pictures = [...picturesOf(book)].filter((asset) => there.has(asset));
  yield* writeZip([
    ...Object.entries(members).map(([name, content]) => ({ name, content })),
    ...facesMembers(fonts),
    ...pictures.map((asset) => ({ name: `pictures/${asset}`, content: { asset } })),
  ]);
}

/** What a project file holds. A picture is the stretch of the file where it stands, or, where it was pressed, its bytes. */
export interface ProjectContent extends ProjectFaces {
  readonly book: Book;
  /** The copy as its author last sent it; null: the file has none, or another one than the book names. */
  readonly base: Book | null;
  readonly pictures: Readonly<Record<string, ByteRange | Uint8Array>>;
}

/** The most that texts of a project may unpack to together, and one picture that was pressed; bytes. */
const MOST_TEXT = 256 * 1024 * 1024;
const MOST_PICTURE = 256 * 1024 * 1024;

/**
 * Reads a project file of `size` bytes, however large. `checkBook` validates what was read. Throws ImportError:
 * `not-a-document`, `truncated`, `too-large`, `newer-format` or `damaged`.
 */
export function* readProject(size: number, checkBook: (value: unknown) => Book): ReadJob<ProjectContent> {
  const start = yield { from: 0, to: Math.min(size, 4) };
  if (!looksLikeZip(start)) throw new ImportError('not-a-document', 'This is not a project file of Walnut Leaf.');
  const entries = yield* readZipDirectory(size);
  const members = yield* textsAmong(entries, size);
  const book = bookOf(members, checkBook);
  const base = baseOf(members, book, checkBook);
  const faces = yield* facesAmong(entries, size);
  return { book, base, ...faces, pictures: yield* picturesAmong(entries, size) };
}

function bookOf(members: Record<string, Uint8Array>, checkBook: (value: unknown) => Book): Book {
  const read = parsedMember(members, 'book.json');
  const head: Partial<ProjectHead> = read !== null && typeof read === 'object' ? read : {};
  if (head.kind !== KIND) throw new ImportError('not-a-document', 'This is not a project file of Walnut Leaf.');
  if (typeof head.format !== 'number' || !Number.isInteger(head.format) || head.format < 1)
    throw new ImportError('damaged', 'This project file is damaged: its head does not say which format it has.');
  if (head.format > BOOK_FORMAT) {
    throw new ImportError(
      'newer-format',
      'This project file was written by a newer Walnut Leaf; this one cannot open it.',
    );
  }
  if (!Array.isArray(head.divisions) || !head.divisions.every((id) => typeof id === 'string'))
    throw new ImportError('damaged', 'This project file is damaged: its head does not list its divisions.');
  const divisions = head.divisions.map((id) => parsedMember(members, `divisions/${id}.json`) as Division);
  const raw = {
    format: head.format,
    id: head.id,
    nextId: head.nextId,
    particulars: parsedMember(members, 'particulars.json'),
    spec: parsedMember(members, 'spec.json'),
    divisions,
    notes: parsedMember(members, 'notes.json'),
    // From format 14 on.
    ...(members['figures.json'] === undefined ? {} : { figures: parsedMember(members, 'figures.json') }),
    ...(head.source === undefined ? {} : { source: head.source }),
    ...(head.anchors === undefined ? {} : { anchors: head.anchors }),
    ...(head.pageTouches === undefined ? {} : { pageTouches: head.pageTouches }),
  };
  try {
    return checkBook(migrate(raw));
  } catch (error) {
    if (error instanceof ValueError)
      throw new ImportError('damaged', `This project file is damaged. ${error.message}`, error.path);
    throw error;
  }
}

/** What is wrong with a base costs the base alone: the book does without. */
function baseOf(members: Record<string, Uint8Array>, book: Book, checkBook: (value: unknown) => Book): Book | null {
  if (book.source.base === undefined || members['base/book.json'] === undefined) return null;
  try {
    const head = parsedMember(members, 'base/book.json') as BaseHead;
    const divisions = head.divisions.map((id) => parsedMember(members, `base/divisions/${id}.json`) as Division);
    const { base: _, firstPages: __, ...source } = book.source;
    const raw = {
      ...book,
      ...{ nextId: head.nextId, divisions, notes: parsedMember(members, 'base/notes.json') as Book['notes'] },
      figures: (members['base/figures.json'] === undefined
        ? {}
        : parsedMember(members, 'base/figures.json')) as Book['figures'],
      ...{ anchors: {}, pageTouches: [], source: { ...source, styles: head.styles } },
    };
    const base = checkBook(raw);
    return baseHash(base) === book.source.base ? base : null;
  } catch (error) {
    if (error instanceof ValueError || error instanceof ImportError || error instanceof TypeError) return null;
    throw error;
  }
}

function* textsAmong(entries: readonly ZipEntry[], size: number): ReadJob<Record<string, Uint8Array>> {
  const members: Record<string, Uint8Array> = {};
  let announced = 0;
  for (const entry of entries) {
    if (
      !/^(book|particulars|spec|notes|figures)\.json$|^(base\/)?divisions\/[a-z]\d+\.json$|^base\/(book|notes|figures)\.json$/.test(
        entry.name,
      )
    )
      continue;
    announced += entry.size;
    const most = entry.size > MOST_PART_BYTES ? MOST_PART_BYTES : MOST_TEXT;
    if (entry.size > most || announced > most)
      throw new ImportError(
        'too-large',
        `This file unpacks to more than ${most >> 20} MB of text, so it was not opened.`,
      );
    members[entry.name] = yield* readMember(entry, size);
  }
  return table(members);
}

/** A picture whose bytes are not those of its hash is damaged, and left out. One is in memory at a time, but for those that were pressed. */
function* picturesAmong(entries: readonly ZipEntry[], size: number): ReadJob<ProjectContent['pictures']> {
  const pictures: Record<string, ByteRange | Uint8Array> = {};
  for (const entry of entries) {
    const asset = /^pictures\/([0-9a-f]{32})$/.exec(entry.name)?.[1];
    if (asset === undefined) continue;
    const range = yield* storedRange(entry, size);
    if (range === null && entry.size > MOST_PICTURE) continue;
    const bytes = range === null ? yield* readMember(entry, size) : yield range;
    if (fingerprint(bytes) === asset) pictures[asset] = range ?? bytes;
  }
  return pictures;
}

function parsedMember(members: Record<string, Uint8Array>, name: string): unknown {
  const bytes = members[name];
  if (bytes === undefined) throw new ImportError('damaged', `This project file is damaged: ${name} is missing.`);
  try {
    return JSON.parse(new TextDecoder('utf-8').decode(bytes));
  } catch (error) {
    if (!(error instanceof SyntaxError)) throw error;
    throw new ImportError('damaged', `This project file is damaged: ${name} cannot be read.`);
  }
}
