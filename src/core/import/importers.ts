// The readers of manuscripts, in one list: each says which files are its own and reads them.
import { ImportError } from '../base/errors';
import { looksLikeZip } from '../base/zip';
import type { Manuscript } from '../model/manuscript';
import { readDocx } from './docx/readDocx';
import { readTxt } from './txt/readTxt';

/** A reader of one kind of file. `read` is a generator: it yields where it can be stopped. */
export interface Importer {
  readonly extension: string;
  readonly name: string;
  readonly read: (bytes: Uint8Array) => Generator<void, Manuscript>;
}

export const IMPORTERS: readonly Importer[] = [
  { extension: '.docx', name: 'Word document', read: readDocx },
  { extension: '.txt', name: 'plain text', read: readTxt },
];

/** The largest file that is read, in bytes. */
export const FILE_LIMIT = 64 * 1024 * 1024;

/**
 * Reads a manuscript by its name and content. Throws ImportError with one sentence for the person:
 * `empty`, `unknown-kind`, `not-a-document`, `truncated`, `too-large`, `not-text` or `damaged`.
 */
export function* readManuscript(fileName: string, bytes: Uint8Array): Generator<void, Manuscript> {
  if (bytes.length === 0) throw new ImportError('empty', `${fileName} is empty.`);
  if (bytes.length > FILE_LIMIT) {
    throw new ImportError('too-large', `${fileName} is larger than ${FILE_LIMIT >> 20} MB, so it was not opened.`);
  }
  const extension = /\.[^.]*$/.exec(fileName.toLowerCase())?.[0] ?? '';
  const importer = IMPORTERS.find((candidate) => candidate.extension === extension);
  if (importer === undefined) {
    const known = IMPORTERS.map((candidate) => candidate.extension).join(' or ');
    throw new ImportError('unknown-kind', `${fileName} is not a kind of manuscript that can be read: use ${known}.`);
  }
  if (extension === '.docx' && !looksLikeZip(bytes)) {
    throw new ImportError('not-a-document', `${fileName} is not a Word document, whatever its name says.`);
  }
  const manuscript = yield* importer.read(bytes);
  const hasWords = manuscript.blocks.some((block) => block.kind === 'table' || block.text.trim() !== '');
  if (!hasWords) throw new ImportError('empty', `${fileName} holds no text.`);
  return manuscript;
}
