// The copy in the format that is asked for.
import type { FileJob } from '../../base/fileJob';
import { picturesOf, type Book } from '../../model/copy/book';
import type { CopyKind } from '../../model/copy/copyKinds';
import { writeDocx } from './writeDocx';
import { writeHtml } from './writeHtml';
import { writeMarkdown } from './writeMarkdown';
import { writePlainText } from './writeText';

export { COPY_KINDS, type CopyKind } from '../../model/copy/copyKinds';

/** The copy as a file; texts are UTF-8. `there`: hashes of the pictures that can be had. */
export function* writeCopy(book: Book, kind: CopyKind, there: ReadonlySet<string> = NONE): FileJob {
  if (kind === 'docx') return yield* writeDocx(book, there);
  const pictures: Record<string, Uint8Array> = {};
  // A text holds them all.
  if (kind !== 'txt')
    for (const asset of picturesOf(book)) {
      const bytes = there.has(asset) ? yield { kind: 'picture', asset } : undefined;
      if (bytes !== undefined) pictures[asset] = bytes;
    }
  const text =
    kind === 'md' ? writeMarkdown(book, pictures) : kind === 'html' ? writeHtml(book, pictures) : writePlainText(book);
  yield { kind: 'bytes', bytes: new TextEncoder().encode(text) };
}

const NONE: ReadonlySet<string> = new Set();
