// Specs kept by name for all books of this browser, taken from and given to files; and what each looks like on this book's text.
import Joi from 'joi';
import { ValueError } from '../../core/base/errors';
import { editsBetweenBooks } from '../../core/edit';
import type { GlyphOutline } from '../../core/model/composed/displayList';
import type { Spec } from '../../core/model/spec/spec';
import { partKind, partOfSpec, readSpecFile, withSpecPart, type SpecPart } from '../../core/validate';
import type { Specimen } from '../../worker/writeClient';
import { edit } from '../book/bookThunks';
import { fileStem } from '../send-out/sendOutThunks';
import { keptList } from '../keptList';
import type { AppThunk } from '../store';

export type { SpecPart };

export interface KeptSpec {
  readonly name: string;
  readonly part: SpecPart;
  /** Plain data of the part; checked again when it is used. */
  readonly spec: Readonly<Record<string, unknown>>;
}

export const keptSpecs = keptList<KeptSpec>('kept specs', {
  part: Joi.string().valid('whole', 'page', 'type').required(),
  spec: Joi.object().required(),
});

/** Keeps the book's spec, or a part of it, under a name. */
export function keepSpec(name: string, part: SpecPart): AppThunk<Promise<readonly KeptSpec[]>> {
  return async (dispatch, getState) => {
    const { book } = getState().book;
    if (book === null) return [];
    const spec = { ...partOfSpec(book.spec, part), name };
    return dispatch(keptSpecs.keep({ name, part, spec }));
  };
}

/** Lays a kept spec over the book's; one undo step. Answers why not, or null. */
export function applyKeptSpec({ name, spec, part }: KeptSpec): AppThunk<string | null> {
  return (dispatch, getState) => {
    const { book, readOnly } = getState().book;
    if (book === null || readOnly) return 'This book can only be read here.';
    const made = resultOf(book.spec, spec);
    if (typeof made === 'string') return made;
    // The page or the type of another spec does not make the book's one that.
    const own = part === 'whole' ? made : { ...made, name: book.spec.name };
    const edits = editsBetweenBooks(book, { ...book, spec: own });
    if (edits.length > 0) dispatch(edit(`Set by “${name}”`, edits));
    return null;
  };
}

function resultOf(own: Spec, spec: unknown): Spec | string {
  try {
    return withSpecPart(own, spec);
  } catch (error) {
    if (error instanceof ValueError) return error.message;
    throw error;
  }
}

/** Hands a kept spec over as a file. */
export function exportSpec({ name, spec }: KeptSpec): AppThunk {
  return (_dispatch, _getState, { download }) => {
    const file = new Blob([`${JSON.stringify(spec, null, 2)}\n`]);
    download(`${fileStem(name)}.spec.json`, file, 'application/json');
  };
}

/** Keeps the spec of a file under the name that it has. Answers the list, or why it was not read. */
export function importSpec(fileName: string, text: string): AppThunk<Promise<readonly KeptSpec[] | string>> {
  return async (dispatch, getState) => {
    const { book } = getState().book;
    if (book === null) return 'No book is open.';
    try {
      const spec = readSpecFile(text, book.spec);
      const given = typeof spec.name === 'string' ? spec.name : fileName.replace(/(\.spec)?\.[^.]*$/, '');
      const name = given.slice(0, 80);
      const part = partKind(spec);
      return await dispatch(keptSpecs.keep({ name, part, spec: { ...spec, name } }));
    } catch (error) {
      if (error instanceof ValueError) return `${fileName}: ${error.message}`;
      throw error;
    }
  };
}

export interface Specimens {
  readonly specimens: readonly Specimen[];
  readonly outlines: readonly GlyphOutline[];
}

/** What each spec makes of the beginning of the book; null when it could not be composed. Stopped through the signal. */
export function askSpecimens(specs: readonly Spec[], signal: AbortSignal): AppThunk<Promise<Specimens | null>> {
  return async (_dispatch, getState, { startWriteJob }) => {
    const { book } = getState().book;
    if (book === null || specs.length === 0) return null;
    const job = startWriteJob({ kind: 'specimens', book, specs });
    signal.addEventListener('abort', () => job.cancel());
    const result = await job.result;
    return result.kind === 'specimens' ? result : null;
  };
}

/** What the book's spec would be with a kept one; undefined when that cannot be. */
export function specUnder(own: Spec, kept: KeptSpec): Spec | undefined {
  const made = resultOf(own, kept.spec);
  return typeof made === 'string' ? undefined : made;
}
