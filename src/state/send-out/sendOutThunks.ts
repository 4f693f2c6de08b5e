// Products: started, followed, stopped, handed over as files, and recorded.
import { bookFingerprint } from '../../core/copy/bookFingerprint';
import type { ToldProduct } from '../../core/model/checks/outside';
import type { CopyKind } from '../../core/model/copy/copyKinds';
import type { Book } from '../../core/model/copy/book';
import { USE_SUFFIX } from '../../core/model/products/ebook';
import {
  PRODUCTS,
  type MadeProduct,
  type ProductChoice,
  type ProductId,
  type ProductSource,
} from '../../core/model/products/products';
import { checkMadeProduct, checkOutsideFacts } from '../../core/validate';
import type { Services } from '../services';
import type { AppThunk } from '../store';
import { jobChanged, madeProductsRead, type ProductJob } from './jobsSlice';

const COPY_TYPES: Readonly<Record<CopyKind, string>> = {
  docx: 'application/vnd.openxmlformats-officedocument.wordprocessingml.document',
  md: 'text/markdown',
  html: 'text/html',
  txt: 'text/plain',
};

/** Extension and media type of the file that a choice comes to. */
function fileOf(choice: ProductChoice): { readonly extension: string; readonly type: string } {
  if (choice.product === 'epub') {
    const { extension, type } = PRODUCTS.epub;
    return { extension: `${USE_SUFFIX[choice.settings.use]}${extension}`, type };
  }
  if (choice.product !== 'copy') return PRODUCTS[choice.product];
  const { format } = choice.settings;
  return { extension: `.${format}`, type: COPY_TYPES[format] };
}

/** Writes a product of the book as it is now, or of a pull, hands it over as a download, and keeps a record of it. */
export function makeProduct(product: ProductId, source: ProductSource = { kind: 'open' }): AppThunk<Promise<void>> {
  return async (dispatch, getState, services) => {
    const { book: open, revision } = getState().book;
    const session = services.sessions.current;
    if (open === null || session === null) return;
    const choice = { product, settings: getState().jobs.settings[product] } as ProductChoice;
    const { extension, type } = fileOf(choice);
    const fileName = `${fileStem(open.particulars.title)}${extension}`;
    const change = (changed: Partial<ProductJob>) => dispatch(jobChanged({ product, change: changed }));
    change({ status: 'running', share: 0, message: null, revision });
    const date = new Date(services.now()).toISOString().replace(/\.\d+Z$/, 'Z');
    const book = await bookOf(source, open, services);
    if (book === undefined) return void change({ status: 'failed', message: 'This state is not kept any more.' });
    const pictures = await services.pictures.load(book);
    const copyBase = product === 'project' ? await baseOf(open.id, book, services) : undefined;
    const order = { kind: 'product', ...choice, date, book, copyBase, pictures } as const;
    const result = await session.write(product, order, (share) => change({ share }));
    // The book was closed meanwhile: nobody waits for it.
    if (result === undefined) return;
    if (result.kind === 'file') {
      services.download(fileName, result.file, type);
      const { pages, hash, file, counts } = result;
      const told = counts === undefined ? {} : { counts };
      const facts = { source, book: bookFingerprint(book), hash, bytes: file.size, pages, fileName, ...told };
      const made: MadeProduct = { ...choice, ...facts, time: services.now() };
      change({ status: 'done', share: 1, made, facts: [] });
      // The file is the person's already: without its record the card only forgets it sooner.
      await services.products.keep(open.id, made).catch(() => undefined);
    } else if (result.kind === 'failed') change({ status: 'failed', message: result.message });
    else change({ status: 'stopped' });
  };
}

const bookOf = async (source: ProductSource, open: Book, { pulls }: Services): Promise<Book | undefined> =>
  source.kind === 'open' ? open : (await pulls.read(open.id, source.name))?.book;

const baseOf = async (id: string, { source }: Book, { pulls }: Services): Promise<Book | undefined> =>
  source.base === undefined ? undefined : pulls.readBase(id, source.base).catch(() => undefined);

/** Reads what was written of the open book before. A record that is none is passed over. */
export function readMadeProducts(): AppThunk<Promise<void>> {
  return async (dispatch, getState, { products }) => {
    const id = getState().book.book?.id;
    if (id === undefined) return;
    const kept = await products.list(id).catch(() => []);
    if (getState().book.book?.id !== id) return;
    dispatch(madeProductsRead(kept.flatMap(toldProduct)));
  };
}

function toldProduct({ made, facts }: { readonly made: unknown; readonly facts: unknown }): ToldProduct[] {
  try {
    return [{ made: checkMadeProduct(made), facts: checkOutsideFacts(facts) }];
  } catch {
    return [];
  }
}

export function stopProduct(product: ProductId): AppThunk {
  return (_dispatch, _getState, { sessions }) => sessions.current?.stopWriting(product);
}

/** A file name of the title: letters, figures and hyphens. */
export function fileStem(title: string): string {
  const stem = title
    .normalize('NFKD')
    .replace(/[^\p{L}\p{N}]+/gu, '-')
    .replace(/^-+|-+$/g, '')
    .toLowerCase()
    .slice(0, 80);
  return stem || 'book';
}
