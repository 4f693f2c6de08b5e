// Characters that their face lacks: found in the worker, given a face or replaced from the screen.
import { fallbackFaceEdits } from '../../core/edit';
import type { ScriptCode } from '../../core/model/spec/scripts';
import { setSpec } from '../spec/specThunks';
import type { LackingCharacter } from '../../core/model/answers/lacking';
import { edit } from '../book/bookThunks';
import { replaceInBook } from './findThunks';
import type { AppThunk } from '../store';

export function askLacking(): AppThunk<Promise<readonly LackingCharacter[]>> {
  return async (_dispatch, _getState, { sessions }) => (await sessions.current?.client?.lacking()) ?? [];
}

/** Gives a face to all characters of a script that the wished face lacks, now and later; null takes it back. One undo step. */
export function giveScriptFace(script: ScriptCode, family: string | null, name: string): AppThunk<string | null> {
  return (dispatch, getState) => {
    const { book } = getState().book;
    if (book === null) return null;
    const { [script]: _, ...others } = book.spec.text.fallbacks;
    const to = family === null ? others : { ...others, [script]: family };
    return dispatch(setSpec(['text', 'fallbacks'], to, name));
  };
}

/** Sets a character, wherever its face lacks it, in another family; one undo step. */
export function giveFace({ character, places }: LackingCharacter, family: string, familyName: string): AppThunk {
  return (dispatch, getState) => {
    const { book, readOnly } = getState().book;
    if (book === null || readOnly) return;
    const edits = fallbackFaceEdits(book, places, family, familyName);
    if (edits.length > 0) dispatch(edit(`${character} set in ${familyName}`, edits));
  };
}

/** Puts other characters in its place, wherever its face lacks it; answers how many places. */
export function replaceCharacter({ character, places }: LackingCharacter, words: string): AppThunk<Promise<number>> {
  const within = places.map(({ block, offset, length }) => ({ block, from: offset, to: offset + length }));
  const query = {
    words: character,
    isPattern: false,
    wholeWords: false,
    matchCase: true,
    style: null,
    look: null,
    division: null,
    within,
  };
  return (dispatch) => dispatch(replaceInBook(query, { words, style: null, paragraphStyle: null }, null));
}
