// Characters that stand for others: ligatures, accents in two parts, marks of no width, letters of another script.
import { table } from '../../base/table';
import { isTechnical } from '../held';
import { replaceAll, textJob } from '../makeJobs';
import type { TidyJob } from '../types';

const LIGATURES: Readonly<Record<string, string>> = table({
  ﬀ: 'ff',
  ﬁ: 'fi',
  ﬂ: 'fl',
  ﬃ: 'ffi',
  ﬄ: 'ffl',
  ﬅ: 'st',
  ﬆ: 'st',
});

/** Letters of Cyrillic and Greek that look like those of Latin. */
const LOOKALIKES: Readonly<Record<string, string>> = Object.fromEntries(
  [...'АВЕКМНОРСТХаеорсухіјѕΑΒΕΖΗΙΚΜΝΟΡΤΥΧο'].map((letter, k) => [letter, 'ABEKMHOPCTXaeopcyxijsABEZHIKMNOPTYXo'[k]]),
);

export const CHARACTER_JOBS: readonly TidyJob[] = [
  textJob({ id: 'ligatures', name: 'Ligature characters to letters', kind: 'safe', stage: 'characters' }, ({ text }) =>
    replaceAll(text, /[\uFB00-\uFB06]/g, ([char]) => LIGATURES[char] ?? null),
  ),
  textJob(
    { id: 'accents', name: 'Accents in two parts to one character', kind: 'safe', stage: 'characters' },
    ({ text }) =>
      replaceAll(text, /\p{L}\p{M}+/gu, ([sign]) => {
        const whole = sign.normalize('NFC');
        return whole.length < sign.length ? whole : null;
      }),
  ),
  // A person may have put them in: a word joiner is left, the others are looked at first.
  textJob({ id: 'zero-width', name: 'Zero-width characters', kind: 'look', stage: 'characters' }, ({ text }) =>
    replaceAll(text, /[\u200B-\u200F\uFEFF]/g, ({ 0: mark, index }) => (isNeeded(text, mark, index) ? null : '')),
  ),
  // Those of old line ends and those put in by name look alike.
  textJob({ id: 'soft-hyphens', name: 'Soft hyphens', kind: 'look', stage: 'characters' }, ({ text }) =>
    replaceAll(text, /\u00AD/g, () => ''),
  ),
  textJob(
    { id: 'web-spaces', name: 'No-break spaces from the web', kind: 'look', stage: 'characters' },
    ({ text }, { language }) =>
      replaceAll(text, /\u00A0+/g, (match) => (isWantedNoBreak(text, match, language) ? null : ' ')),
  ),
  textJob(
    { id: 'lookalikes', name: 'Letters of another script in a word', kind: 'look', stage: 'characters' },
    ({ text }) =>
      replaceAll(text, /\p{L}+/gu, ([word]) => {
        if (!/[A-Za-z]/.test(word) || !/[\u0370-\u04FF]/.test(word)) return null;
        const made = [...word].map((letter) => LOOKALIKES[letter] ?? letter).join('');
        return /[\u0370-\u04FF]/.test(made) ? null : made;
      }),
  ),
  textJob({ id: 'private-use', name: 'Characters of a private font', kind: 'tell', stage: 'characters' }, ({ text }) =>
    replaceAll(text, /[\uE000-\uF8FF]/g, () => ''),
  ),
  textJob({ id: 'letters-for-figures', name: 'l for 1, O for 0', kind: 'tell', stage: 'characters' }, ({ text }) =>
    replaceAll(text, /(?<![\p{L}\p{N}])(?=[lO\d]*\d)(?=[lO\d]*[lO])[lO\d]{2,}(?![\p{L}\p{N}])/gu, ([word]) =>
      word.replaceAll('l', '1').replaceAll('O', '0'),
    ),
  ),
];

/** Letters that joiners join or part, and signs that they make one of. */
const JOINED =
  /[\p{M}\p{Extended_Pictographic}\uFE0F\p{Script=Arabic}\p{Script=Syriac}\p{Script=Mongolian}\u0900-\u0DFF]/u;
/** Scripts without spaces, whose words a space of no width parts. */
const UNSPACED = /[\p{Script=Thai}\p{Script=Lao}\p{Script=Khmer}\p{Script=Myanmar}\p{Script=Tibetan}]/u;
const RIGHT_TO_LEFT = /[\p{Script=Hebrew}\p{Script=Arabic}\p{Script=Syriac}\p{Script=Thaana}\p{Script=Nko}]/u;

/** A mark of no width that its text is wrong without: joiners, directions in mixed text, word ends of unspaced scripts. */
function isNeeded(text: string, mark: string, at: number): boolean {
  const around = text.slice(Math.max(0, at - 2), at) + text.slice(at + 1, at + 3);
  if (mark === '\u200C' || mark === '\u200D') return JOINED.test(around);
  if (mark === '\u200B') return UNSPACED.test(around) || isTechnical(text, at, at + 1);
  return mark !== '\uFEFF' && RIGHT_TO_LEFT.test(text);
}

/** A no-break space that typography asks for: before a French mark, between figure and unit, initials, a title and a name. */
function isWantedNoBreak(text: string, match: RegExpExecArray, language: string): boolean {
  if (match[0].length > 1) return false;
  const [before, after] = [text.slice(0, match.index), text.slice(match.index + 1)];
  if (language.startsWith('fr') && (/^[;:!?»%]/.test(after) || /«$/.test(before))) return true;
  return /\d$/.test(before) || /\b(?:\p{Lu}|Mrs?|Ms|Dr|St|p|pp|vol|no|fig)\.?$/iu.test(before) || /^[–—…]/.test(after);
}
