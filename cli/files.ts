// Files on the disk, read by stretches and written bit by bit: pictures are in memory one at a time.
import { closeSync, fstatSync, openSync, readFileSync, readSync, renameSync, rmSync, writeSync } from 'node:fs';
import {
  checkBook,
  ImportError,
  readProject,
  type FileJob,
  type ProjectContent,
  type ReadJob,
} from '../src/core/index';

/** A picture: bytes, or where it stands in a file, `to` exclusive. */
export type PictureSource = Uint8Array | { readonly path: string; readonly from: number; readonly to: number };
export type PictureSources = Readonly<Record<string, PictureSource>>;

const firstClause = (error: unknown) => (error as Error).message.split(',')[0];

/** The bytes of a file. Throws ImportError. */
export function readInput(path: string): Uint8Array {
  try {
    return new Uint8Array(readFileSync(path));
  } catch (error) {
    throw new ImportError('unknown-kind', `${path} cannot be opened: ${firstClause(error)}.`);
  }
}

/** The book of a project file, its faces, and where its pictures stand. Throws ImportError. */
export function openProjectFile(
  path: string,
): Omit<ProjectContent, 'pictures'> & { readonly pictures: PictureSources } {
  const file = openInput(path);
  try {
    const { pictures, ...rest } = readFrom(readProject(fstatSync(file).size, checkBook), file);
    const sources = Object.entries(pictures).map(([asset, place]) => [
      asset,
      place instanceof Uint8Array ? place : { path, ...place },
    ]);
    return { ...rest, pictures: Object.fromEntries(sources) as PictureSources };
  } finally {
    closeSync(file);
  }
}

function openInput(path: string): number {
  try {
    return openSync(path, 'r');
  } catch (error) {
    throw new ImportError('unknown-kind', `${path} cannot be opened: ${firstClause(error)}.`);
  }
}

function readFrom<T>(job: ReadJob<T>, file: number): T {
  let step = job.next();
  while (!step.done) step = job.next(stretch(file, step.value.from, step.value.to));
  return step.value;
}

function stretch(file: number, from: number, to: number): Uint8Array {
  const bytes = new Uint8Array(to - from);
  let at = 0;
  while (at < bytes.length) {
    const read = readSync(file, bytes, at, bytes.length - at, from + at);
    if (read === 0) break;
    at += read;
  }
  return bytes.subarray(0, at);
}

function pictureBytes(source: PictureSource | undefined): Uint8Array | undefined {
  if (source === undefined || source instanceof Uint8Array) return source;
  const file = openSync(source.path, 'r');
  try {
    return stretch(file, source.from, source.to);
  } finally {
    closeSync(file);
  }
}

/** Files that are written beside their names first and get them all at the end, or none of them. */
export class WrittenFiles {
  private readonly paths: string[] = [];

  /** Throws ImportError when the file cannot be written. */
  write(path: string, content: Uint8Array | FileJob, pictures: PictureSources = {}): void {
    let file: number;
    try {
      file = openSync(`${path}.part`, 'w');
    } catch (error) {
      throw cannotWrite(error);
    }
    this.paths.push(path);
    try {
      if (content instanceof Uint8Array) writeBytes(file, content);
      else runJob(content, file, pictures);
    } finally {
      closeSync(file);
    }
  }

  commit(): void {
    try {
      for (const path of this.paths) renameSync(`${path}.part`, path);
    } catch (error) {
      throw cannotWrite(error);
    }
  }

  drop(): void {
    for (const path of this.paths) rmSync(`${path}.part`, { force: true });
  }
}

const cannotWrite = (error: unknown) => new ImportError('damaged', `A file cannot be written: ${firstClause(error)}.`);

function runJob(job: FileJob, file: number, pictures: PictureSources): void {
  let held: { readonly asset: string; readonly bytes: Uint8Array | undefined } | null = null;
  const bytesOf = (asset: string) => {
    if (held?.asset !== asset) {
      held = null;
      held = { asset, bytes: pictureBytes(pictures[asset]) };
    }
    return held.bytes;
  };
  let answer: Uint8Array | undefined;
  for (let step = job.next(); !step.done; step = job.next(answer)) {
    const { value } = step;
    answer = undefined;
    if (value.kind === 'bytes') writeBytes(file, value.bytes);
    else if (value.kind === 'copy') writeBytes(file, bytesOf(value.asset)!.subarray(value.from, value.to));
    else if (value.kind === 'picture') answer = bytesOf(value.asset);
  }
}

function writeBytes(file: number, bytes: Uint8Array): void {
  try {
    for (let at = 0; at < bytes.length;) at += writeSync(file, bytes, at);
  } catch (error) {
    throw cannotWrite(error);
  }
}

/** Writes some files, all or none. */
export function writeAll(outputs: readonly [string, Uint8Array][]): void {
  const files = new WrittenFiles();
  try {
    for (const [path, bytes] of outputs) files.write(path, bytes);
    files.commit();
  } catch (error) {
    files.drop();
    throw error;
  }
}
