// The writers of the products, one for each.
import {
  ebookFacts,
  HarfBuzzSubsetter,
  typesetBook,
  writeCopy,
  writeEpub,
  writePressPdf,
  writeProject,
  writeScreenPdf,
  type Ebook,
  type FileJob,
} from '../core/index';
import type { FileCount, PageRange, ProductId, ProductSettings } from '../core/model/products/products';
import { pictureKindsOf, type Book } from '../core/model/copy/book';
import type { OwnFont } from '../core/model/spec/faces';
import { loadDecoders } from '../decoders/loadDecoders';
import { WorkerAssets, type FetchBytes } from './assets';
import { drain } from './drain';
import { writeFile } from './files';
import type { PictureBlobs, WholeBook, WriteReply } from './protocol';

/** What a writer is given besides the choices of a person. */
export interface WriterTools {
  readonly fetchBytes: FetchBytes;
  readonly fonts: readonly OwnFont[] | undefined;
  /** As ISO 8601, for the metadata. */
  readonly date: string;
  readonly report: (share: number) => void;
  /** Told what of the book is in the file, by a writer that holds them against each other. */
  readonly onCounts: (counts: readonly FileCount[]) => void;
  /** Absent: all pages. */
  readonly range: PageRange | undefined;
  /** The copy as its author last sent it; absent: it is not kept. */
  readonly copyBase: Book | undefined;
}

/** The file in the making, and how many pages it has; 0 where it has none. */
interface Writing {
  readonly job: FileJob;
  readonly pages: number;
  /** Share of the work that was done before. */
  readonly from?: number;
}

type Writer<K extends ProductId> = (
  whole: WholeBook,
  settings: ProductSettings[K],
  tools: WriterTools,
) => Writing | Promise<Writing>;

const pdfWriter =
  (write: typeof writePressPdf): Writer<'press' | 'screen'> =>
  async ({ book }, _settings, { fetchBytes, fonts, date, report, range }) => {
    const [context, wasm] = await Promise.all([
      new WorkerAssets(fetchBytes, fonts).contextFor(book),
      fetchBytes('harfbuzz-subset.wasm'),
      loadDecoders(pictureKindsOf(book), fetchBytes),
    ]);
    const composed = drain(typesetBook(book, context), (share) => report(share * 0.5));
    const job = write(book, composed, context, new HarfBuzzSubsetter(wasm), date, range);
    const pages = range === undefined ? composed.pages.length : range.to - range.from + 1;
    return { job, pages, from: 0.5 };
  };

const hashesOf = (pictures: PictureBlobs): ReadonlySet<string> => new Set(Object.keys(pictures));

export const WRITERS: { readonly [K in ProductId]: Writer<K> } = {
  press: pdfWriter(writePressPdf),
  screen: pdfWriter(writeScreenPdf),
  epub: async ({ book, pictures }, settings, { date, fetchBytes, fonts, report, onCounts }) => {
    const [context, wasm] = await Promise.all([
      new WorkerAssets(fetchBytes, fonts).contextFor(book),
      fetchBytes('harfbuzz-subset.wasm'),
      // Drawings are in it as they are.
      loadDecoders(
        [...pictureKindsOf(book)].filter((kind) => kind !== 'svg'),
        fetchBytes,
      ),
    ]);
    const composed = drain(typesetBook(book, context), (share) => report(share * 0.5));
    const facts = ebookFacts(book, composed, context, settings, () => new HarfBuzzSubsetter(wasm));
    const onMade = ({ counts }: Ebook) => onCounts(counts);
    return { job: writeEpub(book, { date, there: hashesOf(pictures), settings, facts, onMade }), pages: 0, from: 0.5 };
  },
  copy: ({ book, pictures }, { format }) => ({ job: writeCopy(book, format, hashesOf(pictures)), pages: 0 }),
  project: async ({ book, pictures }, _settings, { copyBase, fetchBytes, fonts = [] }) => {
    const used = fonts.length === 0 ? [] : await new WorkerAssets(fetchBytes, fonts).ownFacesOf(book);
    return { job: writeProject(book, hashesOf(pictures), copyBase ?? null, used), pages: 0 };
  },
};

/** Writes a product, and tells its bytes from others. */
export async function writeProduct<K extends ProductId>(
  product: K,
  whole: WholeBook,
  settings: ProductSettings[K],
  tools: Omit<WriterTools, 'onCounts'>,
): Promise<Extract<WriteReply, { kind: 'file' }>> {
  let counts: readonly FileCount[] | undefined;
  const onCounts = (told: readonly FileCount[]) => void (counts = told);
  const { job, pages, from = 0 } = await WRITERS[product](whole, settings, { ...tools, onCounts });
  const written = await writeFile(job, whole.pictures, (share) => tools.report(from + share * (1 - from)));
  return { kind: 'file', pages, ...written, ...(counts === undefined ? {} : { counts }) };
}
