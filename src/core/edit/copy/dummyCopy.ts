// Dummy copy: made-up paragraphs for a design that has no text yet. The same count always gives the same words.

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

/** So many paragraphs, each of three to eight sentences. */
export function dummyCopy(paragraphs: number): string[] {
  let state = 7;
  // A linear congruential generator (Knuth, TAOCP 2, 3.3.4): only the spread of the words depends on it.
  const pick = <T>(list: readonly T[]): T => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return list[(state >>> 16) % list.length];
  };
  const sentence = () => {
    const subject = pick(SUBJECTS);
    const isShort = pick([false, false, true]);
    if (isShort) return `${subject[0].toUpperCase()}${subject.slice(1)} ${pick(VERBS)}.`;
    return `${pick(OPENINGS)}, ${subject} ${pick(VERBS)}, ${pick(ENDINGS)}.`;
  };
  return Array.from({ length: paragraphs }, () => Array.from({ length: pick([3, 4, 5, 6, 7, 8]) }, sentence).join(' '));
}
