// The style sheet as pages: every style with its tag and name, set in itself on words of the book, as a PDF.
import { styleSheetBook } from '../../core/edit';
import { fileStem } from '../send-out/sendOutThunks';
import type { AppThunk } from '../store';

/** Writes the style sheet and hands it over. Answers why not, or null. */
export function styleSheetPrinted(): AppThunk<Promise<string | null>> {
  return async (_dispatch, getState, services) => {
    const { book } = getState().book;
    if (book === null) return null;
    const date = new Date(services.now()).toISOString().replace(/\.\d+Z$/, 'Z');
    const order = {
      kind: 'product',
      product: 'press',
      settings: {},
      book: styleSheetBook(book),
      pictures: {},
      date,
    } as const;
    const result = await services.startWriteJob(order).result;
    if (result.kind === 'failed') return result.message;
    if (result.kind === 'file')
      services.download(`${fileStem(book.particulars.title)}-styles.pdf`, result.file, 'application/pdf');
    return null;
  };
}
