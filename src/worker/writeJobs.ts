// The jobs of the write worker: reading manuscripts and project files into books, writing books out as files.
import {
  applyEdits,
  arrivalOf,
  composeSpecimen,
  copyBaseOf,
  editsBetweenBooks,
  emptyBook,
  findInScope,
  HarfBuzzSubsetter,
  ImportError,
  makeBook,
  pageTableOf,
  manuscriptOf,
  ownFace,
  partOfPiece,
  pictureAsPng,
  pictureKey,
  picturesMissing,
  mapStyles,
  readManuscript,
  replaceAll,
  remappedBase,
  simplifiedDrawing,
  specimenBook,
  takeNextFile,
  TIDY_JOBS,
  tidyBook,
  tidyManuscript,
  typesetBook,
  ValueError,
  supplyIndex,
  withBase,
  withKnownPictures,
  withPicturesBeside,
} from '../core/index';
import type { Book } from '../core/model/copy/book';
import type { Manuscript } from '../core/model/copy/manuscript';
import { loadDecoders } from '../decoders/loadDecoders';
import { WorkerAssets, type FetchBytes } from './assets';
import type { GlyphOutline } from '../core/model/composed/displayList';
import { drain } from './drain';
import { blobsOf, openProjectFile } from './files';
import { unpackFont } from './unpackFont';
import { newOutlines } from './outlines';
import type { NamedFile, PictureBlobs, Specimen, WriteReply, WriteRequest } from './protocol';
import { writeProduct } from './writers';

/** Does one job and answers with its result; progress goes to `post` on the way. Never throws. */
export async function doWriteJob(
  job: WriteRequest,
  fetchBytes: FetchBytes,
  post: (reply: WriteReply) => void,
): Promise<WriteReply> {
  try {
    switch (job.kind) {
      case 'import': {
        const read = drain(readManuscript(job.fileName, await bytesOf(job.file)));
        const { manuscript, placed } = await withBeside(read, job.beside);
        const { bookId, fileName, isPart = false } = job;
        const made = makeBook(manuscript, { bookId, fileName, isPart });
        const base = copyBaseOf(made, manuscript.styles);
        const book = withBase({ ...made, particulars: { ...made.particulars, ...job.particulars } }, base);
        const pictures = blobsOf(manuscript.pictures);
        return { kind: 'book', book, base, pictures, arrival: arrivalOf(manuscript, job.fileName), placed };
      }
      case 'begin':
        return { kind: 'book', book: emptyBook(job.bookId), base: null, pictures: {}, arrival: null };
      case 'read':
        return { kind: 'manuscript', ...(await readAny(job.fileName, job.file)) };
      case 'replaceCopy':
        return await replaced(job);
      case 'openProject':
        return await openProject(job.file, job.bookId);
      case 'showPicture':
        return await shownPicture(job, fetchBytes);
      case 'readFont':
        return await readFont(job, fetchBytes);
      case 'find':
        return { kind: 'found', ...drain(findInScope(job.book, job.query)), problem: null };
      case 'replace': {
        const only = job.only === null ? undefined : new Set(job.only);
        return { kind: 'edits', ...drain(replaceAll(job.book, job.query, job.replacement, only)) };
      }
      case 'supplyIndex':
        return await suppliedIndex(job, fetchBytes, post);
      case 'specimens':
        return await specimens(job, fetchBytes);
      case 'product':
        return await product(job, fetchBytes, post);
    }
  } catch (error) {
    if (error instanceof ImportError || error instanceof ValueError)
      return { kind: 'failed', code: error.code, message: error.message };
    return {
      kind: 'failed',
      code: 'fault',
      message: `This did not work, and the fault is ours: ${(error as Error).message}`,
    };
  }
}

async function readFont({ fileName, bytes: packed }: { fileName: string; bytes: Uint8Array }, fetchBytes: FetchBytes) {
  const bytes = await unpackFont(fileName, packed);
  const record = ownFace(fileName, bytes);
  if (!new HarfBuzzSubsetter(await fetchBytes('harfbuzz-subset.wasm')).canSubset(bytes))
    throw new ImportError('damaged', `${fileName} is damaged: it could not be put into a PDF.`);
  return { kind: 'font', font: { record, bytes } } as const;
}

async function shownPicture(
  { file, format }: Extract<WriteRequest, { kind: 'showPicture' }>,
  fetchBytes: FetchBytes,
): Promise<WriteReply> {
  if (format === 'svg') {
    // A browser has its own faces for the words of a drawing: outlines are the same everywhere.
    await loadDecoders(['svg'], fetchBytes);
    const outlined = simplifiedDrawing(await bytesOf(file));
    return { kind: 'picture', file: outlined === null ? file : new Blob([outlined], { type: 'image/svg+xml' }) };
  }
  const png = pictureAsPng(await bytesOf(file), format);
  return { kind: 'picture', file: new Blob([png as Uint8Array<ArrayBuffer>], { type: 'image/png' }) };
}

function product(
  job: Extract<WriteRequest, { kind: 'product' }>,
  fetchBytes: FetchBytes,
  post: (reply: WriteReply) => void,
): Promise<WriteReply> {
  const { fonts, date, book, copyBase, pictures, range } = job;
  const report = (share: number) => post({ kind: 'progress', share });
  const tools = { fetchBytes, fonts, date, copyBase, range, report };
  return writeProduct(job.product, { book, pictures }, job.settings, tools);
}

const bytesOf = async (file: Blob) => new Uint8Array(await file.arrayBuffer());

async function openProject(file: Blob, bookId: string): Promise<WriteReply> {
  const { book, base, pictures, fonts, needed } = await openProjectFile(file);
  return { kind: 'book', book: { ...book, id: bookId }, base, pictures, arrival: null, fonts, facesNeeded: needed };
}

/** A manuscript with the pictures beside it to which it refers; only those are read. `placed`: their names. */
async function withBeside(
  manuscript: Manuscript,
  beside: readonly NamedFile[] = [],
): Promise<{ readonly manuscript: Manuscript; readonly placed: readonly string[] }> {
  if (beside.length === 0) return { manuscript, placed: [] };
  const missing = picturesMissing(manuscript);
  const wanted = beside.filter(({ name }) => missing.has(pictureKey(name)));
  const bytes = await Promise.all(
    wanted.map(async ({ name, file }) => [pictureKey(name), await bytesOf(file)] as const),
  );
  return { manuscript: withPicturesBeside(manuscript, new Map(bytes)), placed: wanted.map(({ name }) => name) };
}

/** A manuscript of a file, or of the copy of a project file. */
async function readAny(
  fileName: string,
  file: Blob,
  beside: readonly NamedFile[] = [],
): Promise<{ readonly manuscript: Manuscript; readonly pictures: PictureBlobs }> {
  if (fileName.toLowerCase().endsWith('.walnut')) {
    const { book, pictures } = await openProjectFile(file);
    return { manuscript: manuscriptOf(book), pictures };
  }
  const whole = await withBeside(drain(readManuscript(fileName, await bytesOf(file))), beside);
  const { pictures, ...read } = whole.manuscript;
  return { manuscript: { ...read, pictures: {} }, pictures: blobsOf(pictures) };
}

/** Reads a newer version as the last one was read, and says what of the book it changes. */
async function replaced({
  book,
  copyBase,
  division,
  fileName,
  file,
  beside,
}: Extract<WriteRequest, { kind: 'replaceCopy' }>): Promise<WriteReply> {
  const { manuscript: read, pictures } = await readAny(fileName, file, beside);
  const mapped = mapStyles(withKnownPictures(read, book), book.source.mapping);
  const manuscript = { ...mapped, metadata: { ...mapped.metadata, language: book.particulars.language } };
  const { recipe, firstPages = [] } = book.source;
  const jobs = TIDY_JOBS.filter((job) => recipe.includes(job.id) && job.kind !== 'tell');
  const tidied = drain(tidyManuscript(manuscript, jobs)).manuscript;
  const parts = new Map(firstPages.map((piece) => [piece.words, partOfPiece(book, piece)]));
  const incoming = makeBook(tidied, { bookId: book.id, fileName, parts, isPart: division !== null });
  const before = copyBase && readyBase(copyBase, book);
  const next = takeNextFile(book, before, { incoming, styles: mapped.styles }, division);
  const edits = editsBetweenBooks(book, next.book);
  const { report, ids } = next;
  const arrival = arrivalOf(manuscript, fileName);
  const styles = arrival.styles.map((style) => ({ ...style, blocks: style.blocks.flatMap((id) => ids.get(id) ?? []) }));
  const comments = arrival.comments.map((one) => ({ ...one, block: ids.get(one.block) ?? '' }));
  return { kind: 'replaced', edits, report, base: next.base, pictures, arrival: { ...arrival, styles, comments } };
}

/** The copy as it last came, mapped and tidied by what is said today. */
function readyBase(base: Book, book: Book): Book {
  const mapped = { ...remappedBase(base, book.source.mapping), particulars: book.particulars, spec: book.spec };
  const { edits } = drain(tidyBook(mapped, book.source.recipe));
  return applyEdits(mapped, edits);
}

/** Composes the book, and finds the locators of the index again on the pages of the pull. */
async function suppliedIndex(
  { book, pull, table, text, fonts }: Extract<WriteRequest, { kind: 'supplyIndex' }>,
  fetchBytes: FetchBytes,
  post: (reply: WriteReply) => void,
): Promise<WriteReply> {
  const assets = new WorkerAssets(fetchBytes, fonts);
  const compose = async (of: Book, from: number, to: number) =>
    drain(typesetBook(of, await assets.contextFor(of)), (share) =>
      post({ kind: 'progress', share: from + share * (to - from) }),
    );
  const then = table ?? pageTableOf(await compose(pull, 0, 0.5));
  const now = await compose(book, table === null ? 0.5 : 0, 1);
  return { kind: 'index', ...supplyIndex(text, { book: pull, table: then }, book, now) };
}

/** Each spec on the beginning of the book's first chapter. */
async function specimens(
  { book, specs, fonts }: Extract<WriteRequest, { kind: 'specimens' }>,
  fetchBytes: FetchBytes,
): Promise<WriteReply> {
  const assets = new WorkerAssets(fetchBytes, fonts);
  const sent = new Set<string>();
  const made: Specimen[] = [];
  const outlines: GlyphOutline[] = [];
  for (const spec of specs) {
    const one = specimenBook(book, spec);
    const context = await assets.contextFor(one);
    const lists = composeSpecimen(one, context);
    made.push({ lists });
    outlines.push(...newOutlines(lists, context, sent));
  }
  return { kind: 'specimens', specimens: made, outlines };
}
