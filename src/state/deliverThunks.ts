// Products: started, followed, stopped, handed over as files.
import { jobChanged, type Product } from './jobsSlice';
import type { AppThunk } from './store';
import type { WriteJob } from '../worker/typesetClient';

const running = new Map<Product, WriteJob>();

const TYPES: Readonly<Record<Product, { readonly extension: string; readonly type: string }>> = {
  press: { extension: '.pdf', type: 'application/pdf' },
  project: { extension: '.walnut', type: 'application/zip' },
};

/** Writes a product of the book as it is now, and hands it over as a download. */
export function makeProduct(product: Product): AppThunk<Promise<void>> {
  return async (dispatch, getState, services) => {
    const { book, revision } = getState().book;
    if (book === null) return;
    const { extension, type } = TYPES[product];
    const fileName = `${fileStem(book.particulars.title)}${extension}`;
    dispatch(jobChanged({ product, change: { status: 'running', share: 0, message: null, revision, fileName } }));
    const date = new Date(services.now()).toISOString().replace(/\.\d+Z$/, 'Z');
    const order = product === 'press' ? ({ kind: 'press', book, date } as const) : ({ kind: 'project', book } as const);
    const job = services.startWriteJob(order, (share) => dispatch(jobChanged({ product, change: { share } })));
    running.set(product, job);
    const result = await job.result;
    running.delete(product);
    if (result.kind === 'file') {
      services.download(fileName, result.bytes, type);
      dispatch(
        jobChanged({ product, change: { status: 'done', share: 1, bytes: result.bytes.length, pages: result.pages } }),
      );
    } else if (result.kind === 'failed')
      dispatch(jobChanged({ product, change: { status: 'failed', message: result.message } }));
    else dispatch(jobChanged({ product, change: { status: 'stopped' } }));
  };
}

export function stopProduct(product: Product): AppThunk {
  return () => running.get(product)?.cancel();
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
