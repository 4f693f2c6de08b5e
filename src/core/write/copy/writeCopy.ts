// The copy in the format that is asked for.
import type { Book } from '../../model/copy/book';
import type { CopyKind } from '../../model/copy/copyKinds';
import type { PictureBytes } from '../../model/copy/streams';
import { writeDocx } from './writeDocx';
import { writeHtml } from './writeHtml';
import { writeMarkdown } from './writeMarkdown';
import { writePlainText } from './writeText';

export { COPY_KINDS, type CopyKind } from '../../model/copy/copyKinds';

/** Bytes of the copy; texts are UTF-8. */
export function writeCopy(book: Book, kind: CopyKind, pictures: PictureBytes = {}): Uint8Array {
  if (kind === 'docx') return writeDocx(book, pictures);
  const text =
    kind === 'md' ? writeMarkdown(book, pictures) : kind === 'html' ? writeHtml(book, pictures) : writePlainText(book);
  return new TextEncoder().encode(text);
}
