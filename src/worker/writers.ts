// The writers of the products, one for each.
import {
  fingerprint,
  HarfBuzzSubsetter,
  typesetBook,
  writeCopy,
  writeEpub,
  writePressPdf,
  writeProject,
  writeScreenPdf,
} from '../core/index';
import type { ProductId, ProductSettings } from '../core/model/products/products';
import type { OwnFont } from '../core/model/spec/faces';
import { WorkerAssets, type FetchBytes } from './assets';
import { drain } from './drain';
import type { WholeBook, WriteReply } from './protocol';

/** What a writer is given besides the choices of a person. */
export interface WriterTools {
  readonly fetchBytes: FetchBytes;
  readonly fonts: readonly OwnFont[] | undefined;
  /** As ISO 8601, for the metadata. */
  readonly date: string;
  readonly report: (share: number) => void;
}

interface Written {
  readonly bytes: Uint8Array<ArrayBuffer>;
  readonly pages: number;
}

type Writer<K extends ProductId> = (
  whole: WholeBook,
  settings: ProductSettings[K],
  tools: WriterTools,
) => Written | Promise<Written>;

const pdfWriter =
  (write: typeof writePressPdf): Writer<'press' | 'screen'> =>
  async ({ book, pictures }, _settings, { fetchBytes, fonts, date, report }) => {
    const [context, wasm] = await Promise.all([
      new WorkerAssets(fetchBytes, fonts).contextFor(book),
      fetchBytes('harfbuzz-subset.wasm'),
    ]);
    const composed = drain(typesetBook(book, context), (share) => report(share * 0.5));
    const writing = write(book, composed, context, new HarfBuzzSubsetter(wasm), date, pictures);
    const bytes = drain(writing, (share) => report(0.5 + share * 0.5));
    return { bytes, pages: composed.pages.length };
  };

export const WRITERS: { readonly [K in ProductId]: Writer<K> } = {
  press: pdfWriter(writePressPdf),
  screen: pdfWriter(writeScreenPdf),
  epub: ({ book, pictures }, _settings, { date, report }) => ({
    bytes: drain(writeEpub(book, date, pictures), report),
    pages: 0,
  }),
  copy: ({ book, pictures }, { format }) => ({ bytes: new Uint8Array(writeCopy(book, format, pictures)), pages: 0 }),
  project: ({ book, pictures }) => ({ bytes: new Uint8Array(writeProject(book, pictures)), pages: 0 }),
};

/** Writes a product, and tells its bytes from others. */
export async function writeProduct<K extends ProductId>(
  product: K,
  whole: WholeBook,
  settings: ProductSettings[K],
  tools: WriterTools,
): Promise<Extract<WriteReply, { kind: 'file' }>> {
  const { bytes, pages } = await WRITERS[product](whole, settings, tools);
  return { kind: 'file', bytes, pages, hash: fingerprint(bytes) };
}
