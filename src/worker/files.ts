// Files of a write worker, in and out, as Blobs: what a book's pictures hold stays where it lies, on the disk as a rule, and one
// of them is in memory at a time.
import { checkBook, Fingerprint, readProject, type FileJob, type ProjectContent, type ReadJob } from '../core/index';
import type { PictureBytes } from '../core/model/copy/streams';
import type { PictureBlobs } from './protocol';

/** Written bytes from which they are put away, in bytes. */
const PART = 8 * 1024 * 1024;
/** Least milliseconds between two words of progress. */
const BETWEEN = 50;

/** A file in the making: bytes, and stretches of pictures that are not copied. */
class Parts {
  private readonly done: Blob[] = [];
  private open: BlobPart[] = [];
  private size = 0;
  private readonly hash = new Fingerprint();

  add(bytes: Uint8Array): void {
    this.hash.add(bytes);
    this.open.push(bytes as Uint8Array<ArrayBuffer>);
    this.size += bytes.length;
    if (this.size >= PART) this.close();
  }

  /** Bytes that stand in a Blob already. */
  copy(bytes: Uint8Array, blob: Blob): void {
    this.hash.add(bytes);
    this.close();
    this.done.push(blob);
  }

  private close(): void {
    if (this.open.length > 0) this.done.push(new Blob(this.open));
    this.open = [];
    this.size = 0;
  }

  end(): { readonly file: Blob; readonly hash: string } {
    this.close();
    return { file: new Blob(this.done), hash: this.hash.digits };
  }
}

/** Runs a writer. Answers its file, and the fingerprint of all its bytes. */
export async function writeFile(
  job: FileJob,
  pictures: PictureBlobs,
  report: (share: number) => void,
): Promise<{ readonly file: Blob; readonly hash: string }> {
  const parts = new Parts();
  let held: { readonly asset: string; readonly bytes: Uint8Array | undefined } | null = null;
  const bytesOf = async (asset: string) => {
    if (held?.asset !== asset) {
      held = null;
      held = { asset, bytes: await readBlob(pictures[asset]) };
    }
    return held.bytes;
  };
  let told = performance.now();
  let answer: Uint8Array | undefined;
  for (let step = job.next(); !step.done; step = job.next(answer)) {
    const { value } = step;
    answer = undefined;
    if (value.kind === 'bytes') parts.add(value.bytes);
    else if (value.kind === 'picture') answer = await bytesOf(value.asset);
    else if (value.kind === 'copy') {
      const { asset, from, to } = value;
      const bytes = await bytesOf(asset);
      if (bytes === undefined) throw new Error('A picture went away while the file was written.');
      parts.copy(bytes.subarray(from, to), pictures[asset].slice(from, to));
    } else if (performance.now() - told > BETWEEN) {
      report(value.share);
      told = performance.now();
    }
  }
  return parts.end();
}

/** The bytes of a picture; undefined when it is not there or cannot be read. */
async function readBlob(blob: Blob | undefined): Promise<Uint8Array | undefined> {
  try {
    return blob && new Uint8Array(await blob.arrayBuffer());
  } catch {
    return undefined;
  }
}

/** Runs a reader over a file, of which it takes the stretches that it needs. */
export async function readFile<T>(job: ReadJob<T>, file: Blob): Promise<T> {
  let step = job.next();
  while (!step.done) {
    const { from, to } = step.value;
    step = job.next(new Uint8Array(await file.slice(from, to).arrayBuffer()));
  }
  return step.value;
}

/** The book of a project file, and its pictures where they stand in it. */
export async function openProjectFile(
  file: Blob,
): Promise<Omit<ProjectContent, 'pictures'> & { readonly pictures: PictureBlobs }> {
  const { pictures, ...rest } = await readFile(readProject(file.size, checkBook), file);
  const blobs = Object.entries(pictures).map(([asset, place]) => [
    asset,
    place instanceof Uint8Array ? new Blob([place as Uint8Array<ArrayBuffer>]) : file.slice(place.from, place.to),
  ]);
  return { ...rest, pictures: Object.fromEntries(blobs) as PictureBlobs };
}

export const blobsOf = (pictures: PictureBytes): PictureBlobs =>
  Object.fromEntries(
    Object.entries(pictures).map(([asset, bytes]) => [asset, new Blob([bytes as Uint8Array<ArrayBuffer>])]),
  );
