// The copy in the format that is asked for.
import type { Book } from '../../model/book';
import type { CopyKind } from '../../model/copyKinds';
import { writeDocx } from './writeDocx';
import { writeHtml } from './writeHtml';
import { writeMarkdown, writePlainText } from './writeText';

export { COPY_KINDS, type CopyKind } from '../../model/copyKinds';

/** Bytes of the copy; texts are UTF-8. */
export function writeCopy(book: Book, kind: CopyKind): Uint8Array {
  if (kind === 'docx') return writeDocx(book);
  const text = kind === 'md' ? writeMarkdown(book) : kind === 'html' ? writeHtml(book) : writePlainText(book);
  return new TextEncoder().encode(text);
}
