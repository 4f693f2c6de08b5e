// The command `compose`: a manuscript in, files out. Everything is made in memory first, so that no half-written file
// is ever left.
import { readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { basename } from 'node:path';
import {
  checkLanguage,
  heldStarts,
  ImportError,
  makeBook,
  movedPages,
  pageTableOf,
  readManuscript,
  readProject,
  checkBook,
  tellMoved,
  typesetBook,
  ValueError,
  COPY_KINDS,
  writeCopy,
  writeEpub,
  writePressPdf,
  writeScreenPdf,
  writeProject,
} from '../src/core/index';
import type { Book } from '../src/core/model/copy/book';
import type { PictureBytes } from '../src/core/model/copy/streams';
import type { CopyKind } from '../src/core/model/copy/copyKinds';
import type { Spec } from '../src/core/model/spec/spec';
import type { TypesetBook } from '../src/core/model/composed/pages';
import type { PageTable } from '../src/core/model/composed/pageTable';
import type { NodeAssets } from './assets';
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
  readonly hold?: { readonly moved: string; readonly pages: readonly (readonly [number, number])[] };
  readonly findings: TypesetBook['findings'];
}

export function compose(options: ComposeOptions, assets: NodeAssets): Report {
  const spec = specOf(options, options.spec === undefined ? undefined : readJson(options.spec), assets.faces);
  const language = options.lang === undefined ? undefined : languageOf(options.lang);
  const bytes = readInput(options.manuscript);
  const times: Record<string, number> = {};
  const timed = <T>(name: string, work: () => T): T => {
    const start = performance.now();
    const result = work();
    times[name] = Math.round((performance.now() - start) * 10) / 10;
    return result;
  };
  const { book, remarks, pictures } = timed('read', () => openBook(options.manuscript, bytes, spec, language, options));
  const context = timed('faces', () => assets.contextFor(book));
  const pull = options.hold === undefined ? undefined : timed('hold', () => openPull(options.hold!, assets));
  const held = pull && heldStarts(pull.book, pull.table, book);
  const composed = timed('compose', () => drain(typesetBook(book, context, held)));
  const moved = pull && movedPages(pull.book, pull.table, book, composed);
  for (const [stage, ms] of Object.entries(composed.times)) times[`compose.${stage}`] = Math.round(ms * 10) / 10;
  const outputs: [string, Uint8Array][] = [];
  const date = new Date().toISOString().replace(/\.\d+Z$/, 'Z');
  for (const [kind, write] of [['press', writePressPdf] as const, ['screen', writeScreenPdf] as const]) {
    const file = options[kind];
    if (file !== undefined)
      outputs.push([
        file,
        timed(kind, () => drain(write(book, composed, context, assets.subsetter(), date, pictures))),
      ]);
  }
  if (options.project !== undefined)
    outputs.push([options.project, timed('project', () => writeProject(book, pictures))]);
  if (options.epub !== undefined)
    outputs.push([options.epub, timed('epub', () => drain(writeEpub(book, new Date().toISOString(), pictures)))]);
  if (options.copy !== undefined)
    outputs.push([options.copy, timed('copy', () => writeCopy(book, copyKind(options.copy!), pictures))]);
  const report: Report = {
    manuscript: basename(options.manuscript),
    words: composed.words,
    pages: composed.pages.length,
    lines: composed.lines,
    passes: composed.passes,
    times,
    remarks,
    ...(moved === undefined ? {} : { hold: { moved: tellMoved(moved), pages: moved } }),
    findings: composed.findings,
  };
  if (options.report !== undefined)
    outputs.push([options.report, new TextEncoder().encode(`${JSON.stringify(report, null, 2)}\n`)]);
  writeAll(outputs);
  return report;
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
  bytes: Uint8Array,
  spec: Spec,
  language: string | undefined,
  options: ComposeOptions,
): { book: Book; remarks: Report['remarks']; pictures: PictureBytes } {
  if (name.toLowerCase().endsWith('.walnut')) {
    const { book: kept, pictures } = readProject(bytes, checkBook);
    const changed = options.start ?? options.spec ?? options.trim ?? options.margins ?? options.type;
    const particulars = language === undefined ? kept.particulars : { ...kept.particulars, language };
    return { book: { ...kept, particulars, spec: changed === undefined ? kept.spec : spec }, remarks: [], pictures };
  }
  const manuscript = drain(readManuscript(basename(name), bytes));
  const book = makeBook(manuscript, { bookId: 'book', fileName: basename(name), spec, language });
  return { book, remarks: manuscript.remarks, pictures: manuscript.pictures };
}

/** The pull to hold to: a project file, composed as it is. */
function openPull(path: string, assets: NodeAssets): { book: Book; table: PageTable } {
  const { book } = readProject(readInput(path), checkBook);
  return { book, table: pageTableOf(drain(typesetBook(book, assets.contextFor(book)))) };
}

export function readInput(path: string): Uint8Array {
  try {
    return new Uint8Array(readFileSync(path));
  } catch (error) {
    throw new ImportError('unknown-kind', `${path} cannot be opened: ${(error as Error).message.split(',')[0]}.`);
  }
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

/** Writes every file beside its name first, and gives all their names at the end. */
export function writeAll(outputs: readonly [string, Uint8Array][]): void {
  const written: string[] = [];
  try {
    for (const [path, bytes] of outputs) {
      writeFileSync(`${path}.part`, bytes);
      written.push(path);
    }
    for (const path of written) renameSync(`${path}.part`, path);
  } catch (error) {
    for (const path of written) rmSync(`${path}.part`, { force: true });
    throw new ImportError('damaged', `A file cannot be written: ${(error as Error).message.split(',')[0]}.`);
  }
}

/** Runs a generator to its end. */
export function drain<T>(work: Generator<unknown, T>): T {
  for (;;) {
    const step = work.next();
    if (step.done) return step.value;
  }
}
