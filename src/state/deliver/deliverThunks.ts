// Products: started, followed, stopped, handed over as files.
import { jobChanged, type Product, type ProductJob } from './jobsSlice';
import type { AppThunk } from '../store';
import type { CopyKind } from '../../core/model/copy/copyKinds';
import type { WriteOrder, WholeBook } from '../../worker/typesetClient';

const TYPES: Readonly<Record<Product, { readonly extension: string; readonly type: string }>> = {
  press: { extension: '.pdf', type: 'application/pdf' },
  screen: { extension: '-screen.pdf', type: 'application/pdf' },
  project: { extension: '.walnut', type: 'application/zip' },
  epub: { extension: '.epub', type: 'application/epub+zip' },
  copy: { extension: '', type: 'application/octet-stream' },
};

const COPY_TYPES: Readonly<Record<CopyKind, string>> = {
  docx: 'application/vnd.openxmlformats-officedocument.wordprocessingml.document',
  md: 'text/markdown',
  html: 'text/html',
  txt: 'text/plain',
};

/** Writes a product of the book as it is now, and hands it over as a download. */
export function makeProduct(product: Product): AppThunk<Promise<void>> {
  return async (dispatch, getState, services) => {
    const { book, revision } = getState().book;
    const session = services.sessions.current;
    if (book === null || session === null) return;
    const { format } = getState().jobs[product];
    const { extension, type } =
      product === 'copy' ? { extension: `.${format}`, type: COPY_TYPES[format] } : TYPES[product];
    const fileName = `${fileStem(book.particulars.title)}${extension}`;
    dispatch(jobChanged({ product, change: { status: 'running', share: 0, message: null, revision, fileName } }));
    const date = new Date(services.now()).toISOString().replace(/\.\d+Z$/, 'Z');
    const change = (changed: Partial<ProductJob>) => dispatch(jobChanged({ product, change: changed }));
    const whole = { book, pictures: await services.pictures.load(book) };
    const result = await session.write(product, orderFor(product, whole, date, format), (share) => change({ share }));
    // The book was closed meanwhile: nobody waits for it.
    if (result === undefined) return;
    if (result.kind === 'file') {
      services.download(fileName, result.bytes, type);
      change({ status: 'done', share: 1, bytes: result.bytes.length, pages: result.pages });
    } else if (result.kind === 'failed') change({ status: 'failed', message: result.message });
    else change({ status: 'stopped' });
  };
}

function orderFor(product: Product, whole: WholeBook, date: string, format: CopyKind): WriteOrder {
  switch (product) {
    case 'press':
    case 'screen':
    case 'epub':
      return { kind: product, ...whole, date };
    case 'copy':
      return { kind: 'copy', ...whole, format };
    case 'project':
      return { kind: 'project', ...whole };
  }
}

export function stopProduct(product: Product): AppThunk {
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
