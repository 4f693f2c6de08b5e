// An ebook of a composed book with twenty pictures: its texts and its file, against the time of the compose.
import { encode } from 'jpeg-js';
import { ebookFacts, fileBytes, writeEpub, type TypesetContext, type HarfBuzzSubsetter } from '../src/core/index';
import type { TypesetBook } from '../src/core/model/composed/pages';
import type { Book } from '../src/core/model/copy/book';
import { FIRST_EBOOK } from '../src/core/model/products/ebook';

/** Pixels. */
const [WIDTH, HEIGHT] = [1500, 1000];

/** A picture of no subject, as large as one of a book is. */
function photograph(): Uint8Array {
  const data = new Uint8Array(WIDTH * HEIGHT * 4);
  for (let k = 0; k < data.length; k += 1) data[k] = (k * 7 + (k >> 11) * 13) & 255;
  return new Uint8Array(encode({ width: WIDTH, height: HEIGHT, data }, 80).data);
}

/** The book with the bytes of its figures, each picture another file. */
export function withFiles(book: Book): {
  readonly book: Book;
  readonly pictures: Readonly<Record<string, Uint8Array>>;
} {
  const bytes = photograph();
  const pictures: Record<string, Uint8Array> = {};
  const figures = Object.fromEntries(
    Object.entries(book.figures).map(([id, figure], k) => {
      const asset = String(k + 1).padStart(32, '0');
      pictures[asset] = bytes;
      const facts = { asset, format: 'jpeg' as const, width: WIDTH, height: HEIGHT };
      return [
        id,
        { ...figure, parts: figure.parts.map((part) => ({ ...part, picture: { ...part.picture, ...facts } })) },
      ];
    }),
  );
  return { book: { ...book, figures }, pictures };
}

/** Ms in which a dressed ebook is made of a composed book, and its bytes. */
export function ebookTime(
  { book, pictures }: ReturnType<typeof withFiles>,
  composed: TypesetBook,
  context: TypesetContext,
  subsetter: () => HarfBuzzSubsetter,
): { readonly time: number; readonly bytes: number } {
  const start = performance.now();
  const facts = ebookFacts(book, composed, context, FIRST_EBOOK, subsetter);
  const there = new Set(Object.keys(pictures));
  const job = writeEpub(book, { date: '2026-01-01T00:00:00Z', there, settings: FIRST_EBOOK, facts });
  const { length } = fileBytes(job, pictures);
  return { time: performance.now() - start, bytes: length };
}
