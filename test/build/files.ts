// Files in memory, as tests write and read them.
import { zipSync, type Zippable } from 'fflate';
import { fileBytes, readBytes } from '../../src/core/base/fileJob';
import { checkBook } from '../../src/core/validate';
import type { Book } from '../../src/core/model/copy/book';
import type { CopyKind } from '../../src/core/model/copy/copyKinds';
import type { PictureBytes } from '../../src/core/model/copy/streams';
import { writeCopy } from '../../src/core/write/copy';
import { writeEpub } from '../../src/core/write/epub';
import { readProject, writeProject } from '../../src/core/write/projectFile';

export const bytesOf = async (file: Blob) => new Uint8Array(await file.arrayBuffer());
export const blobOf = (bytes: Uint8Array) => new Blob([bytes as Uint8Array<ArrayBuffer>]);

/** Members as a zip, pressed: as project files were before. */
export const pack = (members: Zippable): Uint8Array => zipSync(members, { level: 6, mtime: '1980-01-02T00:00:00' });

const hashesOf = (pictures: PictureBytes) => new Set(Object.keys(pictures));

export const projectFile = (book: Book, pictures: PictureBytes = {}) =>
  fileBytes(writeProject(book, hashesOf(pictures)), pictures);

export const copyFile = (book: Book, kind: CopyKind, pictures: PictureBytes = {}) =>
  fileBytes(writeCopy(book, kind, hashesOf(pictures)), pictures);

export const epubFile = (book: Book, date: string, pictures: PictureBytes = {}) =>
  fileBytes(writeEpub(book, { date, there: hashesOf(pictures) }), pictures);

/** A project file, opened; pictures as bytes. */
export function openProject(
  bytes: Uint8Array,
  check: (value: unknown) => Book = checkBook,
): { book: Book; pictures: PictureBytes } {
  const { book, pictures } = readBytes(readProject(bytes.length, check), bytes);
  const read = Object.entries(pictures).map(([asset, place]) => [
    asset,
    place instanceof Uint8Array ? place : bytes.slice(place.from, place.to),
  ]);
  return { book, pictures: Object.fromEntries(read) as PictureBytes };
}
