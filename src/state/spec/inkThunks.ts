// Changes of the inks: of one ink in the book's set, of sets, and which set the book is set in.
import { BLACK, type Ink, type InksSpec, type PicturePress } from '../../core/model/spec/inks';
import type { Plain } from '../../core/model/copy/bookEdit';
import { setSpec } from './specThunks';
import type { AppThunk } from '../store';

const LONGEST = 60;

function setInks(change: (inks: InksSpec) => InksSpec | string, name: string): AppThunk<string | null> {
  return (dispatch, getState) => {
    const { book } = getState().book;
    if (book === null) return null;
    const to = change(book.spec.inks);
    return typeof to === 'string' ? to : dispatch(setSpec(['inks'], to as unknown as Plain, name));
  };
}

const withSet = (inks: InksSpec, set: InksSpec['sets'][string]): InksSpec => ({
  ...inks,
  sets: { ...inks.sets, [inks.set]: set },
});

/** Sets the whole book from another of its sets. */
export const chooseInkSet = (set: string) => setInks((inks) => ({ ...inks, set }), `Inks of “${set}”`);

/** A set of the same inks, to be changed; the book is set in it. Answers why not, or null. */
export const addInkSet = (name: string) =>
  setInks((inks) => {
    const own = name.trim().slice(0, LONGEST);
    if (own === '') return 'An ink set has a name.';
    if (own in inks.sets) return `There is a set “${own}” already.`;
    return { ...inks, set: own, sets: { ...inks.sets, [own]: inks.sets[inks.set] } };
  }, 'Ink set added');

/** Drops the set that the book is set in; another takes its place. */
export const dropInkSet = () =>
  setInks((inks) => {
    const { [inks.set]: _, ...sets } = inks.sets;
    const [first] = Object.keys(sets);
    return first === undefined ? 'A book has one set at least.' : { ...inks, set: first, sets };
  }, 'Ink set dropped');

/** Puts an ink into every set, as it is, so that styles find it whichever is used. Answers why not, or null. */
export const addInk = (name: string, ink: Ink) =>
  setInks((inks) => {
    const own = name.trim().slice(0, LONGEST);
    if (own === '') return 'An ink has a name.';
    if (own in inks.sets[inks.set]) return `There is an ink “${own}” already.`;
    const sets = Object.entries(inks.sets).map(([set, known]) => [set, { [own]: ink, ...known }] as const);
    return { ...inks, sets: Object.fromEntries(sets.map(([set, all]) => [set, { ...all, [own]: all[own] ?? ink }])) };
  }, `Ink ${name}`);

export const setInkOf = (name: string, ink: Ink) =>
  setInks((inks) => withSet(inks, { ...inks.sets[inks.set], [name]: ink }), `Ink ${name}`);

/** Takes an ink out of the book's set; what is set in it is black then. */
export const dropInk = (name: string) =>
  setInks((inks) => {
    if (name === BLACK) return 'Text is set in black where no style says more, so it stays.';
    const { [name]: _, ...rest } = inks.sets[inks.set];
    return withSet(inks, rest);
  }, `Ink ${name} dropped`);

/** What the press has for pictures. Answers why not, or null. */
export const setPicturePress = (change: Partial<PicturePress>, name: string) =>
  setInks((inks) => ({ ...inks, pictures: { ...inks.pictures, ...change } }), name);
