// A process that reads damaged files, each by its seed, and says how it went. It is ended from outside when one takes too long.
import { dirname, join } from 'node:path';
import { isDeepStrictEqual } from 'node:util';
import { fileURLToPath } from 'node:url';
import {
  checkBook,
  describeManuscript,
  ImportError,
  makeBook,
  manuscriptOf,
  readManuscript,
  fileBytes,
  readBytes,
  readProject,
  typesetBook,
  ValueError,
  writeProject,
} from '../src/core/index';
import type { Book } from '../src/core/model/copy/book';
import { nodeAssets } from '../cli/assets';
import { drained, makeCorpus, type CorpusFile } from './corpus';
import { mutate } from './mutate';
import { seeded } from './random';

/** How a file went: read, or refused with a sentence; anything else is a failure. */
export interface Outcome {
  readonly seed: number;
  readonly file: string;
  readonly kind: 'read' | 'refused' | 'failed';
  /** The sentence, or what went wrong. */
  readonly words: string;
  /** Largest resident size of the process so far, in MB. */
  readonly memory: number;
  readonly ms: number;
}

const root = process.env.FUZZ_ROOT ?? join(dirname(fileURLToPath(import.meta.url)), '..');
const corpus = makeCorpus(root);
const isProject = ({ name }: CorpusFile) => name.endsWith('.walnut');
const [projects, manuscripts] = [corpus.filter(isProject), corpus.filter((file) => !isProject(file))];
const assets = nodeAssets(join(root, 'generated/public'));
/** One book in so many is composed too, when it is short. */
const COMPOSED = 12;

/** The damaged file of a seed. */
export function fileOf(seed: number): { readonly name: string; readonly bytes: Uint8Array } {
  const random = seeded(seed * 2654435761);
  const file = random.pick(random.next() < 0.25 ? projects : manuscripts);
  return { name: file.name, bytes: mutate(file, random) };
}

function read(name: string, bytes: Uint8Array, seed: number): void {
  if (name.endsWith('.walnut')) {
    const { book } = readBytes(readProject(bytes.length, checkBook), bytes);
    describeManuscript(manuscriptOf(book));
    return keptWhole(book, seed);
  }
  const manuscript = drained(readManuscript(name, bytes));
  describeManuscript(manuscript);
  const book = makeBook(manuscript, { bookId: 'b1', fileName: name });
  keptWhole(book, seed);
}

/** What is made is valid, and a project file of it opens to the same book. */
function keptWhole(book: Book, seed: number): void {
  if (!isDeepStrictEqual(checkBook(book), book)) throw new Error('the check of a book changes it');
  const written = fileBytes(writeProject(book));
  const again = readBytes(readProject(written.length, checkBook), written).book;
  if (!isDeepStrictEqual(again, book)) throw new Error('the project file opens to another book');
  const length = JSON.stringify(book.divisions).length;
  if (seed % COMPOSED === 0 && length < 60_000) drained(typesetBook(book, assets.contextFor(book)));
}

function outcomeOf(seed: number): Outcome {
  const { name, bytes } = fileOf(seed);
  const start = performance.now();
  const told = (kind: Outcome['kind'], words: string): Outcome => ({
    seed,
    file: name,
    kind,
    words,
    memory: Math.round(process.resourceUsage().maxRSS / 1024),
    ms: Math.round(performance.now() - start),
  });
  try {
    read(name, bytes, seed);
    return told('read', '');
  } catch (error) {
    const isSentence =
      (error instanceof ImportError || (error instanceof ValueError && name.endsWith('.walnut'))) &&
      /^\S.*[.!?]$/s.test(error.message);
    const { message, stack = '' } = error as Error;
    return isSentence
      ? told('refused', message)
      : told('failed', `${message} ${stack.split('\n').slice(1, 5).join(' ')}`);
  }
}

process.on('message', (seed: number) => process.send!(outcomeOf(seed)));
process.send?.('ready');
