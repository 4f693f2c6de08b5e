// The readers of manuscripts, in one list: each says which files are its own and reads them.
import { ImportError } from '../base/errors';
import { looksLikeZip } from '../base/zip';
import type { Manuscript } from '../model/copy/manuscript';
import { readDocx } from './docx/readDocx';
import { readEpub } from './epub/readEpub';
import { readHtml } from './html/readHtml';
import { readMarkdown } from './markdown/readMarkdown';
import { PROTECTED, readOdt } from './odt/readOdt';
import { readRtf } from './rtf/readRtf';
import { readTxt } from './txt/readTxt';

/** A reader of one kind of file. `read` is a generator: it yields where it can be stopped. */
export interface Importer {
  /** In small letters, with their point. */
  readonly extensions: readonly string[];
  readonly name: string;
  readonly isZip: boolean;
  readonly read: (bytes: Uint8Array) => Generator<void, Manuscript>;
}

export const IMPORTERS: readonly Importer[] = [
  { extensions: ['.docx'], name: 'a Word document', isZip: true, read: readDocx },
  { extensions: ['.odt'], name: 'an OpenDocument text', isZip: true, read: readOdt },
  { extensions: ['.rtf'], name: 'a rich text file', isZip: false, read: readRtf },
  { extensions: ['.md', '.markdown'], name: 'a Markdown text', isZip: false, read: readMarkdown },
  { extensions: ['.html', '.htm', '.xhtml'], name: 'a web page', isZip: false, read: readHtml },
  { extensions: ['.epub'], name: 'an EPUB', isZip: true, read: readEpub },
  { extensions: ['.txt', '.text'], name: 'a plain text', isZip: false, read: readTxt },
];

/** The compound file of older office programs ([MS-CFB], 2.2); newer ones put a document that has a password into one. */
const isCompound = (bytes: Uint8Array): boolean =>
  [0xd0, 0xcf, 0x11, 0xe0, 0xa1, 0xb1, 0x1a, 0xe1].every((byte, k) => bytes[k] === byte);

/** Why such a file is not read. A document with a password lies in a stream of this name ([MS-OFFCRYPTO], 2.3.4.4). */
function compoundFault(bytes: Uint8Array): string {
  const name = 'EncryptedPackage';
  const words = Uint8Array.from({ length: name.length * 2 }, (_, k) => (k % 2 === 0 ? name.charCodeAt(k / 2) : 0));
  for (let at = bytes.indexOf(words[0]); at >= 0; at = bytes.indexOf(words[0], at + 1))
    if (words.every((byte, k) => bytes[at + k] === byte)) return PROTECTED;
  return 'is a Word document of the older kind (.doc). Save it as .docx, and take that.';
}

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
  const importer = IMPORTERS.find((candidate) => candidate.extensions.includes(extension));
  if (importer === undefined) {
    const known = IMPORTERS.map((candidate) => candidate.extensions[0]).join(', ');
    throw new ImportError('unknown-kind', `${fileName} is not a kind of manuscript that can be read: use ${known}.`);
  }
  if (isCompound(bytes)) throw new ImportError('not-a-document', `${fileName} ${compoundFault(bytes)}`);
  if (importer.isZip && !looksLikeZip(bytes))
    throw new ImportError('not-a-document', `${fileName} is not ${importer.name}, whatever its name says.`);
  if (!importer.isZip && looksLikeZip(bytes))
    throw new ImportError(
      'not-a-document',
      `${fileName} is a packed file and not ${importer.name}, whatever its name says.`,
    );
  const manuscript = yield* importer.read(bytes);
  const hasWords = manuscript.blocks.some((block) => block.kind === 'table' || block.text.trim() !== '');
  if (!hasWords) throw new ImportError('empty', `${fileName} holds no text.`);
  return manuscript;
}
