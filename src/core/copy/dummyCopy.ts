// Dummy copy: made-up paragraphs for a design that has no text yet. The same count always gives the same words, by which they are
// known again.
import type { Division } from '../model/copy/book';
import { isDisplayRole, isMadeDivision } from '../model/copy/roles';
import type { Block } from '../model/copy/streams';

const OPENINGS = [
  'Before the tide turned',
  'On the second morning',
  'By the time the lamps were lit',
  'Nobody at the landing',
  'From the upper window',
  'After the long rain',
  'In the margin of the ledger',
  'Whatever the almanac said',
];
const SUBJECTS = [
  'the pilot',
  'her brother',
  'the clerk of the wharf',
  'an old surveyor',
  'the woman with the baskets',
  'his neighbour',
  'the ferry',
  'a boy from the mill',
];
const VERBS = [
  'counted the barges twice',
  'wrote nothing down',
  'waited under the eaves',
  'turned back at the sluice',
  'mended the same net',
  'kept the window open',
  'asked for the other key',
  'walked as far as the weir',
];
const ENDINGS = [
  'and said so to anyone who would listen',
  'though the letter had been plain enough',
  'because there was no reason to hurry',
  'with the patience of somebody who is paid by the day',
  'until the bell on the far bank answered',
  'and the water went on past the steps',
  'as people do who have been told to stay where they are',
  'while the kettle went cold behind her',
];

/** Titles for chapters that have nothing else yet. */
const TITLES = [
  'The Lower Landing',
  'Lamps on the Water',
  'An Old Surveyor',
  'The Other Key',
  'Barges',
  'What the Almanac Said',
  'Under the Eaves',
  'The Far Bank',
  'A Kettle Gone Cold',
  'The Sluice',
  'Baskets',
  'After the Long Rain',
];

/** So many paragraphs, each of three to eight sentences, the first of them a long one. */
export function dummyCopy(paragraphs: number): string[] {
  let state = 7;
  // A linear congruential generator (Knuth, TAOCP 2, 3.3.4): only the spread of the words depends on it.
  const pick = <T>(list: readonly T[]): T => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return list[(state >>> 16) % list.length];
  };
  const sentence = (_: unknown, at: number) => {
    const subject = pick(SUBJECTS);
    const isShort = pick([false, false, true]) && at > 0;
    if (isShort) return `${subject[0].toUpperCase()}${subject.slice(1)} ${pick(VERBS)}.`;
    return `${pick(OPENINGS)}, ${subject} ${pick(VERBS)}, ${pick(ENDINGS)}.`;
  };
  return Array.from({ length: paragraphs }, () => Array.from({ length: pick([3, 4, 5, 6, 7, 8]) }, sentence).join(' '));
}

/** The title of the chapter at a place, from 0; they come again with a number after twelve. */
export function dummyTitle(at: number): string {
  const round = Math.floor(at / TITLES.length);
  return `${TITLES[at % TITLES.length]}${round === 0 ? '' : ` ${round + 1}`}`;
}

const DUMMY_TITLE = new RegExp(`^(?:${TITLES.join('|')})(?: \\d+)?$`);
export const isDummyTitle = (text: string): boolean => DUMMY_TITLE.test(text);

const any = (list: readonly string[]) => `(?:${list.join('|')})`;
const capital = (list: readonly string[]) => list.map((words) => words[0].toUpperCase() + words.slice(1));
const LONG = `${any(OPENINGS)}, ${any(SUBJECTS)} ${any(VERBS)}, ${any(ENDINGS)}\\.`;
const SHORT = `${any(capital(SUBJECTS))} ${any(VERBS)}\\.`;
/** Sentences of dummy copy that follow each other, a long one among them: a short one alone may be anybody's. */
const STRETCH = new RegExp(`(?:${SHORT} )*${LONG}(?: (?:${LONG}|${SHORT}))* ?`, 'g');

/** The stretches of a text that are dummy copy, from inclusive, to exclusive. */
export function dummyStretches(text: string): readonly (readonly [from: number, to: number])[] {
  // Nearly every text has none of the beginnings: that is seen much faster.
  if (!OPENINGS.some((words) => text.includes(`${words}, `))) return [];
  return [...text.matchAll(STRETCH)].map((match) => [match.index, match.index + match[0].length]);
}

/** Looked at anew only when a paragraph has changed. */
const known = new WeakMap<Block, boolean>();

/** Whether a paragraph has dummy copy in it. */
export function isDummy(block: Block): boolean {
  let is = known.get(block);
  if (is === undefined) {
    is = block.kind === 'paragraph' && dummyStretches(block.text).length > 0;
    known.set(block, is);
  }
  return is;
}

/** Whether a division can be filled: text of its own, no display page, nothing that the book makes. */
export const takesDummyCopy = (division: Division): boolean =>
  !isDisplayRole(division.role) && !isMadeDivision(division) && division.role !== 'part' && division.role !== 'notes';
