// The project file: a zip of JSON that opens again to an identical book. Described in docs/formats.md.
import { ImportError, ValueError } from '../../base/errors';
import { looksLikeZip, pack, unpack } from '../../base/zip';
import { fingerprint } from '../../base/hash';
import { BOOK_FORMAT, picturesOf, type Book, type Division, type Source } from '../../model/copy/book';
import type { PictureBytes } from '../../model/copy/streams';
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

/** The book as bytes. Same book, same bytes. */
export function writeProject(book: Book, pictures: PictureBytes = {}): Uint8Array {
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
  };
  for (const division of book.divisions) members[`divisions/${division.id}.json`] = json(division);
  for (const asset of picturesOf(book))
    if (pictures[asset] !== undefined) members[`pictures/${asset}`] = pictures[asset];
  return pack(members);
}

/** What a project file holds. */
export interface ProjectContent {
  readonly book: Book;
  readonly pictures: PictureBytes;
}

/**
 * Reads a project file. `checkBook` validates what was read. Throws ImportError: `not-a-document`, `truncated`,
 * `too-large`, `newer-format` or `damaged`.
 */
export function readProject(bytes: Uint8Array, checkBook: (value: unknown) => Book): ProjectContent {
  if (!looksLikeZip(bytes)) throw new ImportError('not-a-document', 'This is not a project file of Walnut Leaf.');
  const members = unpack(bytes, (name) =>
    /^(book|particulars|spec|notes)\.json$|^divisions\/[a-z]\d+\.json$|^pictures\/[0-9a-f]{32}$/.test(name),
  );
  const read = readMember(members, 'book.json');
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
  const divisions = head.divisions.map((id) => readMember(members, `divisions/${id}.json`) as Division);
  const raw = {
    format: head.format,
    id: head.id,
    nextId: head.nextId,
    particulars: readMember(members, 'particulars.json'),
    spec: readMember(members, 'spec.json'),
    divisions,
    notes: readMember(members, 'notes.json'),
    ...(head.source === undefined ? {} : { source: head.source }),
    ...(head.anchors === undefined ? {} : { anchors: head.anchors }),
    ...(head.pageTouches === undefined ? {} : { pageTouches: head.pageTouches }),
  };
  try {
    return { book: checkBook(migrate(raw)), pictures: picturesAmong(members) };
  } catch (error) {
    if (error instanceof ValueError)
      throw new ImportError('damaged', `This project file is damaged. ${error.message}`, error.path);
    throw error;
  }
}

/** A picture whose bytes are not those of its hash is damaged, and left out. */
function picturesAmong(members: Record<string, Uint8Array>): PictureBytes {
  const pictures: Record<string, Uint8Array> = {};
  for (const [name, bytes] of Object.entries(members)) {
    const asset = /^pictures\/([0-9a-f]{32})$/.exec(name)?.[1];
    if (asset !== undefined && fingerprint(bytes) === asset) pictures[asset] = bytes;
  }
  return pictures;
}

function readMember(members: Record<string, Uint8Array>, name: string): unknown {
  const bytes = members[name];
  if (bytes === undefined) throw new ImportError('damaged', `This project file is damaged: ${name} is missing.`);
  try {
    return JSON.parse(new TextDecoder('utf-8').decode(bytes));
  } catch (error) {
    if (!(error instanceof SyntaxError)) throw error;
    throw new ImportError('damaged', `This project file is damaged: ${name} cannot be read.`);
  }
}
