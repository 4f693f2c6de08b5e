// The command `compose`: a manuscript in, files out. They get their names when all are written, so that no half-written file
// is ever left.
import { readFileSync } from 'node:fs';
import { basename } from 'node:path';
import {
  checkLanguage,
  ebookFacts,
  heldStarts,
  makeBook,
  movedPages,
  needsOf,
  pageTableOf,
  readManuscript,
  tellMoved,
  typesetBook,
  ValueError,
  COPY_KINDS,
  writeCopy,
  writeEpub,
  writePressPdf,
  writeScreenPdf,
  writeProject,
  type Ebook,
  type FileJob,
  type HarfBuzzSubsetter,
  type TypesetContext,
} from '../src/core/index';
import { pictureKindsOf, type Book } from '../src/core/model/copy/book';
import { EBOOK_LEVELS, FIRST_EBOOK, type EbookLevel } from '../src/core/model/products/ebook';
import type { FileCount } from '../src/core/model/products/products';
import type { CopyKind } from '../src/core/model/copy/copyKinds';
import type { Spec } from '../src/core/model/spec/spec';
import type { OwnFont } from '../src/core/model/spec/faces';
import type { TypesetBook } from '../src/core/model/composed/pages';
import type { PageRange } from '../src/core/model/products/products';
import type { PageTable } from '../src/core/model/composed/pageTable';
import { loadDecoders } from '../src/decoders/loadDecoders';
import type { NodeAssets } from './assets';
import { openProjectFile, readInput, WrittenFiles, type PictureSources } from './files';
import { UsageError, type ComposeOptions } from './options';
import { specOf } from './specOptions';

/** The report's shape is described in docs/formats.md. */
export interface Report {
  readonly manuscript: string;
  readonly words: number;
  readonly pages: number;
  readonly lines: number;
  readonly passes: number;
  /** Milliseconds of each stage. */
  readonly times: Readonly<Record<string, number>>;
  readonly remarks: readonly { readonly what: string; readonly count: number }[];
  /** What the held pull came to: a sentence, and runs of page indexes, from 0, that begin elsewhere. */
  /** Of an ebook: what of the book is in it. */
  readonly ebook?: readonly FileCount[];
  readonly hold?: { readonly moved: string; readonly pages: readonly (readonly [number, number])[] };
  readonly findings: TypesetBook['findings'];
}

export async function compose(options: ComposeOptions, assets: NodeAssets): Promise<Report> {
  const spec = specOf(options, options.spec === undefined ? undefined : readJson(options.spec), assets.faces);
  const language = options.lang === undefined ? undefined : languageOf(options.lang);
  const times: Record<string, number> = {};
  const timed = <T>(name: string, work: () => T): T => {
    const start = performance.now();
    const result = work();
    times[name] = Math.round((performance.now() - start) * 10) / 10;
    return result;
  };
  const { book, remarks, pictures, fonts } = timed('read', () => openBook(options.manuscript, spec, language, options));
  const context = timed('faces', () => assets.contextFor(book, fonts));
  const pull = options.hold === undefined ? undefined : timed('hold', () => openPull(options.hold!, assets));
  const held = pull && heldStarts(pull.book, pull.table, book);
  const composed = timed('compose', () => drain(typesetBook(book, context, held)));
  const moved = pull && movedPages(pull.book, pull.table, book, composed);
  for (const [stage, ms] of Object.entries(composed.times)) times[`compose.${stage}`] = Math.round(ms * 10) / 10;
  if ([options.press, options.screen, options.epub].some((path) => path !== undefined))
    await loadDecoders(pictureKindsOf(book), assets.bytes);
  const files = new WrittenFiles();
  try {
    const ebook = writeProducts(
      options,
      { book, composed, context, pictures, fonts, subsetter: () => assets.subsetter() },
      files,
      timed,
    );
    const report: Report = {
      manuscript: basename(options.manuscript),
      words: composed.words,
      pages: composed.pages.length,
      lines: composed.lines,
      passes: composed.passes,
      times,
      remarks,
      ...(ebook === undefined ? {} : { ebook }),
      ...(moved === undefined ? {} : { hold: { moved: tellMoved(moved), pages: moved } }),
      findings: composed.findings,
    };
    if (options.report !== undefined) files.write(options.report, jsonBytes(report));
    files.commit();
    return report;
  } catch (error) {
    files.drop();
    throw error;
  }
}

interface Composed {
  readonly book: Book;
  readonly composed: TypesetBook;
  readonly context: TypesetContext;
  readonly pictures: PictureSources;
  /** Faces that came with the project file. */
  readonly fonts: readonly OwnFont[];
  readonly subsetter: () => HarfBuzzSubsetter;
}

function writeProducts(
  options: ComposeOptions,
  { book, composed, context, pictures, fonts, subsetter }: Composed,
  files: WrittenFiles,
  timed: <T>(name: string, work: () => T) => T,
): readonly FileCount[] | undefined {
  const date = new Date().toISOString().replace(/\.\d+Z$/, 'Z');
  const there = new Set(Object.keys(pictures));
  const range = options.pages === undefined ? undefined : pageRange(options.pages);
  const put = (name: string, path: string | undefined, job: () => FileJob) => {
    if (path !== undefined) timed(name, () => files.write(path, job(), pictures));
  };
  put('press', options.press, () => writePressPdf(book, composed, context, subsetter(), date, range));
  put('screen', options.screen, () => writeScreenPdf(book, composed, context, subsetter(), date, range));
  put('project', options.project, () => writeProject(book, there, null, facesUsed(fonts, book, context)));
  let counts: readonly FileCount[] | undefined;
  const level = levelOf(options['epub-level']);
  put('epub', options.epub, () => {
    const settings = { ...FIRST_EBOOK, level };
    const facts = ebookFacts(book, composed, context, settings, subsetter);
    const onMade = (ebook: Ebook) => void (counts = ebook.counts);
    return writeEpub(book, { date, there, settings, facts, onMade });
  });
  put('copy', options.copy, () => writeCopy(book, copyKind(options.copy!), there));
  return counts;
}

function levelOf(said: string = FIRST_EBOOK.level): EbookLevel {
  const level = EBOOK_LEVELS.find((own) => own === said);
  if (level === undefined) throw new UsageError(`--epub-level is ${EBOOK_LEVELS.join(' or ')}, not “${said}”.`);
  return level;
}

const facesUsed = (fonts: readonly OwnFont[], book: Book, { library }: TypesetContext) => {
  const { faces } = needsOf(book, library.table);
  return fonts.filter(({ record }) => faces.includes(record.id));
};

export const jsonBytes = (value: unknown): Uint8Array =>
  new TextEncoder().encode(`${JSON.stringify(value, null, 2)}\n`);

/** Pages of a book by their index, of `12` or `12-48`, which count from 1. */
function pageRange(words: string): PageRange {
  const [, from, to = from] = /^(\d{1,6})(?:-(\d{1,6}))?$/.exec(words) ?? [];
  const range = { from: Number(from) - 1, to: Number(to) - 1 };
  if (from === undefined || range.from < 0 || range.to < range.from)
    throw new UsageError(`--pages ${words} must be a page, or two with a hyphen between, such as 12-48.`);
  return range;
}

function copyKind(path: string): CopyKind {
  const extension = /\.([^.]*)$/.exec(path.toLowerCase())?.[1];
  const kind = COPY_KINDS.find((one) => one === extension);
  if (kind === undefined)
    throw new UsageError(`--copy ${path} must end in ${COPY_KINDS.map((one) => `.${one}`).join(', ')}.`);
  return kind;
}

function openBook(
  name: string,
  spec: Spec,
  language: string | undefined,
  options: ComposeOptions,
): { book: Book; remarks: Report['remarks']; pictures: PictureSources; fonts: readonly OwnFont[] } {
  if (name.toLowerCase().endsWith('.walnut')) {
    const { book: kept, pictures, fonts, needed } = openProjectFile(name);
    const changed = options.start ?? options.spec ?? options.trim ?? options.margins ?? options.type;
    const particulars = language === undefined ? kept.particulars : { ...kept.particulars, language };
    const remarks = needed.map((face) => ({ what: `a face that the file does not hold: ${face}`, count: 1 }));
    const book = { ...kept, particulars, spec: changed === undefined ? kept.spec : spec };
    return { book, remarks, pictures, fonts };
  }
  const manuscript = drain(readManuscript(basename(name), readInput(name)));
  const book = makeBook(manuscript, { bookId: 'book', fileName: basename(name), spec, language });
  return { book, remarks: manuscript.remarks, pictures: manuscript.pictures, fonts: [] };
}

/** The pull to hold to: a project file, composed as it is. */
function openPull(path: string, assets: NodeAssets): { book: Book; table: PageTable } {
  const { book, fonts } = openProjectFile(path);
  return { book, table: pageTableOf(drain(typesetBook(book, assets.contextFor(book, fonts)))) };
}

function readJson(path: string): unknown {
  try {
    return JSON.parse(readFileSync(path, 'utf8'));
  } catch (error) {
    throw new UsageError(`--spec ${path} cannot be read: ${(error as Error).message.split(',')[0]}.`);
  }
}

function languageOf(tag: string): string {
  try {
    return checkLanguage(tag);
  } catch (error) {
    if (error instanceof ValueError) throw new UsageError(error.message);
    throw error;
  }
}

/** Runs a generator to its end. */
export function drain<T>(work: Generator<unknown, T>): T {
  for (;;) {
    const step = work.next();
    if (step.done) return step.value;
  }
}
