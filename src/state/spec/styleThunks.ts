// Changes of the style sheet, each one undo step, refused with a sentence where no page could be set by it.
import {
  circleOf,
  clearTouchesEdits,
  findParagraph,
  freeName,
  freeTag,
  isBuiltIn,
  lessonFrom,
  mergeCharacterStyleEdits,
  mergeStyleEdits,
  retagStyleEdits,
  tagFault,
  styleFromEdits,
  teachEdits,
  valueOf,
  withLookChange,
} from '../../core/edit';
import type { Book } from '../../core/model/copy/book';
import type { BookEdit, Plain } from '../../core/model/copy/bookEdit';
import type { CharacterStyle, ParagraphStyle } from '../../core/model/spec/spec';
import type { LocalLook, StyleTag } from '../../core/model/copy/streams';
import { ValueError } from '../../core/base/errors';
import { spotPattern } from '../../core/looks/spotPatterns';
import { checkSpec } from '../../core/validate';
import { edit, setTouches } from '../book/bookThunks';
import { plainFault, setSpec } from './specThunks';
import type { AppThunk } from '../store';
import { paragraphPointed } from '../view/viewSlice';

export {
  characterUsesOf,
  countPattern,
  heirsOf,
  isBuiltIn,
  lessonFrom,
  localTouchesOf,
  originOf,
  usesOf,
} from '../../core/edit';
import { callPage } from '../view/pageThunks';

/** Leading as a share of the size, at least and at most. */
const LEADING = { least: 0.7, most: 3 };

type Change<T> = { readonly [K in keyof T]?: T[K] | undefined };

/** Changes values of a paragraph style; undefined puts one back to what it takes from. Answers why not, or null. */
export function setStyle(tag: StyleTag, change: Change<ParagraphStyle>, name: string): AppThunk<string | null> {
  return (dispatch, getState) => {
    const { book, readOnly } = getState().book;
    const from = book?.spec.styles[tag];
    if (book === null || readOnly || from === undefined) return null;
    const to = merged(from, change);
    if (JSON.stringify(to) === JSON.stringify(from)) return null;
    const fault = newRuleFault(from, to) ?? styleFault(book, tag, to);
    if (fault !== null) return fault;
    dispatch(edit(name, [{ kind: 'setStyle', tag, from, to }]));
    return null;
  };
}

/** What is wrong with a spot rule that the style did not have before; those kept from before may stay. */
function newRuleFault(from: ParagraphStyle, to: ParagraphStyle): string | null {
  const known = new Set(from.spots?.map(({ pattern }) => pattern));
  try {
    for (const { pattern } of to.spots ?? []) if (!known.has(pattern)) spotPattern(pattern);
    return null;
  } catch (error) {
    if (error instanceof ValueError) return error.message;
    throw error;
  }
}

function merged<T extends object>(from: T, change: Change<T>): T {
  return Object.fromEntries(Object.entries({ ...from, ...change }).filter(([, value]) => value !== undefined)) as T;
}

/** Why the book cannot have the style so; null when it can. */
function styleFault(book: Book, tag: StyleTag, style: ParagraphStyle): string | null {
  const styles = { ...book.spec.styles, [tag]: style };
  const circle = circleOf(styles, tag, style.basedOn);
  if (circle !== null) return `That would go in a circle: ${circle.join(', which takes from ')}.`;
  const { text } = book.spec;
  const size = valueOf(styles, tag, 'size') ?? text.size.pt;
  const own = valueOf(styles, tag, 'leading');
  const leading = own === undefined ? text.leading.pt : typeof own === 'number' ? own : own.grid * text.leading.pt;
  if (style.size !== undefined || style.leading !== undefined) {
    if (leading < size * LEADING.least)
      return `A leading of ${round(leading)} pt is under 70 % of ${round(size)} pt: lines would run into each other.`;
    if (leading > size * LEADING.most)
      return `A leading of ${round(leading)} pt is over 300 % of ${round(size)} pt: lines would fall apart.`;
  }
  try {
    checkSpec({ ...book.spec, styles });
    return null;
  } catch (error) {
    return plainFault((error as Error).message);
  }
}

const round = (value: number) => Math.round(value * 100) / 100;

/** Changes values of a character style; undefined takes one away. */
export function setCharacterStyle(
  tag: StyleTag,
  change: Change<CharacterStyle>,
  name: string,
): AppThunk<string | null> {
  return (dispatch, getState) => {
    const { book } = getState().book;
    const from = book?.spec.characterStyles[tag];
    if (book === null || from === undefined) return null;
    const styles = { ...book.spec.characterStyles, [tag]: merged(from, change) };
    const circle = circleOf(styles, tag, styles[tag].basedOn);
    if (circle !== null) return `That would go in a circle: ${circle.join(', which takes from ')}.`;
    return dispatch(setSpec(['characterStyles'], styles as unknown as Plain, name));
  };
}

export type StyleSort = 'paragraph' | 'character';

/** Makes a style that takes from another, or is a copy of it. Answers its tag. */
export function addStyle(sort: StyleSort, of: StyleTag, isCopy: boolean): AppThunk<StyleTag | null> {
  return (dispatch, getState) => {
    const { book, readOnly } = getState().book;
    if (book === null || readOnly) return null;
    if (sort === 'character') {
      const styles = book.spec.characterStyles;
      const tag = freeTag(styles, of);
      const name = freeName(styles, styles[of].name);
      const made: CharacterStyle = isCopy ? { ...styles[of], name } : { name, basedOn: of };
      dispatch(setSpec(['characterStyles'], { ...styles, [tag]: made } as unknown as Plain, `Style ${name}`));
      return tag;
    }
    const { styles } = book.spec;
    const tag = freeTag(styles, of);
    const name = freeName(styles, styles[of].name);
    const { waits: _, ...copied } = styles[of];
    const to: ParagraphStyle = isCopy ? { ...copied, name } : { name, basedOn: of };
    dispatch(edit(`Style ${name}`, [{ kind: 'setStyle', tag, from: null, to }]));
    return tag;
  };
}

/** Makes a style with a name, as text or, with values of its own, as the text around it; its tag is taken from the name. */
export function makeStyle(
  sort: StyleSort,
  wanted: string,
  values: Partial<CharacterStyle> = {},
): AppThunk<StyleTag | null> {
  return (dispatch, getState) => {
    const { book, readOnly } = getState().book;
    if (book === null || readOnly || wanted.trim() === '') return null;
    const initials = initialsOf(wanted);
    if (sort === 'character') {
      const styles = book.spec.characterStyles;
      const { tag, name } = freeOf(styles, initials.toLowerCase(), wanted.trim());
      dispatch(
        setSpec(['characterStyles'], { ...styles, [tag]: { ...values, name } } as unknown as Plain, `Style ${name}`),
      );
      return tag;
    }
    const { styles } = book.spec;
    const { tag, name } = freeOf(styles, initials.toUpperCase(), wanted.trim());
    dispatch(edit(`Style ${name}`, [{ kind: 'setStyle', tag, from: null, to: { name, basedOn: 'TX' } }]));
    return tag;
  };
}

/** Makes a style of a paragraph as it is set by hand, and sets the paragraph in it. Answers its tag. */
export function styleFromParagraph(
  place: { readonly stream: string; readonly block: string },
  wanted: string,
): AppThunk<StyleTag | null> {
  return (dispatch, getState) => {
    const { book, readOnly } = getState().book;
    const block = book === null ? undefined : findParagraph(book, place.stream, place.block);
    if (book === null || readOnly || block === undefined || wanted.trim() === '') return null;
    const { tag, name } = freeOf(book.spec.styles, initialsOf(wanted).toUpperCase(), wanted.trim());
    dispatch(edit(`Style ${name}`, styleFromEdits(book, block, tag, name)));
    return tag;
  };
}

const initialsOf = (name: string) =>
  (name.normalize('NFD').match(/[A-Za-z0-9]+/g) ?? ['S']).map((word) => word[0]).join('');

/** The tag and name that are wanted, or with a number where a style has them. */
function freeOf(styles: Readonly<Record<string, { readonly name: string }>>, tag: string, name: string) {
  const short = tag.slice(0, 4);
  const isTaken = Object.values(styles).some((style) => style.name === name);
  return { tag: short in styles ? freeTag(styles, short) : short, name: isTaken ? freeName(styles, name) : name };
}

/** Gives a style of one's own another tag. Answers why not, or null. */
export function retagStyle(tag: StyleTag, to: StyleTag): AppThunk<string | null> {
  return (dispatch, getState) => {
    const { book, readOnly } = getState().book;
    if (book === null || readOnly || to === tag) return null;
    if (isBuiltIn(tag)) return `The book itself sets text in ${tag}, so its tag stays.`;
    const fault = tagFault(book.spec.styles, to);
    if (fault !== null) return fault;
    dispatch(edit(`Tag ${tag} is ${to}`, retagStyleEdits(book, tag, to)));
    return null;
  };
}

/** Drops a style, another in its place; null for a character style: none. Answers why not, or null. */
export function dropStyle(sort: StyleSort, tag: StyleTag, into: StyleTag | null): AppThunk<string | null> {
  return (dispatch, getState) => {
    const { book, readOnly } = getState().book;
    if (book === null || readOnly || into === tag) return null;
    if (sort === 'character') {
      dispatch(edit(`Style ${tag} dropped`, mergeCharacterStyleEdits(book, tag, into)));
      return null;
    }
    if (isBuiltIn(tag)) return `The book itself sets text in ${tag}, so it cannot be dropped.`;
    if (into === null || book.spec.styles[into] === undefined) return 'Choose the style that takes its place.';
    dispatch(edit(`${tag} is ${into} now`, mergeStyleEdits(book, tag, into)));
    return null;
  };
}

/** Clears the local touches of a style, or those of one paragraph. */
export function clearTouches(tag: StyleTag, block?: string): AppThunk {
  return (dispatch, getState) => {
    const { book, readOnly } = getState().book;
    if (book === null || readOnly) return;
    const edits: BookEdit[] = clearTouchesEdits(book, tag, block);
    if (edits.length > 0) dispatch(edit(block === undefined ? `Touches of ${tag} cleared` : 'Touches cleared', edits));
  };
}

/** The style of a paragraph takes over its local touches. */
export function teachStyle(place: { readonly stream: string; readonly block: string }): AppThunk {
  return (dispatch, getState) => {
    const { book, readOnly } = getState().book;
    const block = book === null ? undefined : findParagraph(book, place.stream, place.block);
    if (book === null || readOnly || block === undefined || lessonFrom(book, block) === null) return;
    dispatch(edit(`${block.style} taught`, teachEdits(book, block)));
  };
}

/** Changes the look of one paragraph; undefined takes a change away. Answers why not, or null. */
export function setLook(
  place: { readonly stream: string; readonly block: string },
  change: Partial<Record<keyof LocalLook, unknown>>,
  name: string,
): AppThunk<string | null> {
  return (dispatch, getState) => {
    const { book } = getState().book;
    const block = book === null ? undefined : findParagraph(book, place.stream, place.block);
    if (book === null || block === undefined) return null;
    const look = withLookChange(block.touches?.look, change);
    const fault = styleFault(book, block.style, { ...book.spec.styles[block.style], ...look });
    if (fault !== null) return fault;
    dispatch(setTouches(place, { look }, name));
    return null;
  };
}

/** Shows the spread on which a paragraph stands, and points at it. */
export function walkTo(place: { readonly stream: string; readonly block: string }): AppThunk<Promise<void>> {
  return async (dispatch, _getState, { sessions }) => {
    const page = await sessions.current?.client?.locate(place.stream, place.block, 0);
    if (page === undefined || page < 0) return;
    dispatch(callPage(page));
    dispatch(paragraphPointed({ stream: place.stream, block: place.block }));
  };
}
