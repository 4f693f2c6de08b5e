// Faces: those that ship and those of the person's own, brought in, dropped, and put in place of each other.
import { clampedSizes, replaceFaceEdits } from '../../core/edit';
import type { FaceTable } from '../../core/model/spec/faces';
import { edit } from '../book/bookThunks';
import type { AppThunk } from '../store';
import type { Services } from '../services';

/** Every face that a book can be set in. */
export function askFaces(): AppThunk<Promise<FaceTable>> {
  return async (_dispatch, _getState, services) => [
    ...(await services.fetchFaces()),
    ...services.ownFonts.map(({ record }) => record),
  ];
}

/** Takes font files in and keeps them in this browser. Answers a sentence for each that was not taken. */
export function bringFontsIn(
  files: readonly { readonly name: string; readonly bytes: Uint8Array }[],
): AppThunk<Promise<readonly string[]>> {
  return async (_dispatch, _getState, services) => {
    const problems: string[] = [];
    let taken = 0;
    for (const { name, bytes } of files) {
      const result = await services.startWriteJob({ kind: 'readFont', fileName: name, bytes }).result;
      if (result.kind === 'font') {
        await services.fonts.keep(result.font);
        taken += 1;
      } else problems.push(result.kind === 'failed' ? result.message : `${name} was not read.`);
    }
    if (taken > 0) await composeAnew(services);
    return problems;
  };
}

/** Drops a family of the person's own; a book that is set in it gets another in its place, with a finding. */
export function dropFamily(family: string): AppThunk<Promise<void>> {
  return async (_dispatch, _getState, services) => {
    for (const { record } of services.ownFonts) if (record.family === family) await services.fonts.drop(record.id);
    await composeAnew(services);
  };
}

/** The worker learns of the faces that there are now, and composes the open book with them. */
async function composeAnew(services: Services): Promise<void> {
  services.ownFonts = await services.fonts.all();
  services.sessions.current?.composeAnew();
}

/** Puts a face in place of another everywhere; sizes times `factor`. Answers what could not be taken so far, or null. */
export function replaceFace(from: string, to: string, factor: number, name: string): AppThunk<string | null> {
  return (dispatch, getState) => {
    const { book, readOnly } = getState().book;
    if (book === null || readOnly) return null;
    const edits = replaceFaceEdits(book, from, to, factor);
    const clamped = clampedSizes(book, from, to, factor);
    if (edits.length > 0) dispatch(edit(name, edits));
    if (clamped === 0) return null;
    return `${clamped === 1 ? '1 size is' : `${clamped} sizes are`} only as near as the leading and the page allow.`;
  };
}
