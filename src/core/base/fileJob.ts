// Files that are written and read bit by bit. A job asks for the bytes that it needs, one picture or one stretch of a file at
// a time, and gives away what it has written; whoever runs it has the memory, the disk or the Blobs.
import { concat } from './bytes';

/** What a writer says. */
export type FileStep =
  /** How far it is, from 0 to 1. */
  | { readonly kind: 'share'; readonly share: number }
  /** The next bytes of the file. */
  | { readonly kind: 'bytes'; readonly bytes: Uint8Array }
  /** The next bytes of the file are those of a picture's own, `to` exclusive. */
  | { readonly kind: 'copy'; readonly asset: string; readonly from: number; readonly to: number }
  /** It needs the bytes of a picture: `next` gives them, undefined where there are none. They are let go at the next picture. */
  | { readonly kind: 'picture'; readonly asset: string };

export type FileJob = Generator<FileStep, void, Uint8Array | undefined>;

/** A stretch of a file, `to` exclusive. */
export interface ByteRange {
  readonly from: number;
  readonly to: number;
}

/** Reads a file: each range that it yields is answered with its bytes. */
export type ReadJob<T> = Generator<ByteRange, T, Uint8Array>;

export const shareStep = (share: number): FileStep => ({ kind: 'share', share });

/** The whole file of a job, for a caller that has all pictures at hand. */
export function fileBytes(job: FileJob, pictures: Readonly<Record<string, Uint8Array>> = {}): Uint8Array<ArrayBuffer> {
  const parts: Uint8Array[] = [];
  let answer: Uint8Array | undefined;
  for (let step = job.next(); !step.done; step = job.next(answer)) {
    const { value } = step;
    answer = undefined;
    if (value.kind === 'bytes') parts.push(value.bytes);
    else if (value.kind === 'copy') parts.push(pictures[value.asset].subarray(value.from, value.to));
    else if (value.kind === 'picture') answer = pictures[value.asset];
  }
  return concat(parts);
}

/** What a reader makes of a file that is all in memory. */
export function readBytes<T>(job: ReadJob<T>, bytes: Uint8Array): T {
  let step = job.next();
  while (!step.done) step = job.next(bytes.subarray(step.value.from, step.value.to));
  return step.value;
}
