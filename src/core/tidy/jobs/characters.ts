// Characters that stand for others: ligatures, accents in two parts, marks of no width, letters of another script.
import { replaceAll, textJob } from '../makeJobs';
import type { TidyJob } from '../types';

const LIGATURES: Readonly<Record<string, string>> = { ﬀ: 'ff', ﬁ: 'fi', ﬂ: 'fl', ﬃ: 'ffi', ﬄ: 'ffl', ﬅ: 'st', ﬆ: 'st' };

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
  textJob({ id: 'zero-width', name: 'Marks of no width', kind: 'safe', stage: 'characters' }, ({ text }) =>
    // Joiners stay between signs that need them: emoji, and letters of joined scripts.
    replaceAll(
      text,
      /[\u200B\u200E\u200F\u2060\uFEFF]|(?<![\p{M}\p{Extended_Pictographic}\uFE0F\u0600-\u06FF\u0900-\u0DFF])[\u200C\u200D]/gu,
      () => '',
    ),
  ),
  textJob(
    { id: 'soft-hyphens', name: 'Soft hyphens of old line ends', kind: 'safe', stage: 'characters' },
    ({ text }) => replaceAll(text, /\u00AD/g, () => ''),
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

/** A no-break space that typography asks for: before a French mark, between figure and unit, initials, a title and a name. */
function isWantedNoBreak(text: string, match: RegExpExecArray, language: string): boolean {
  if (match[0].length > 1) return false;
  const [before, after] = [text.slice(0, match.index), text.slice(match.index + 1)];
  if (language.startsWith('fr') && (/^[;:!?»%]/.test(after) || /«$/.test(before))) return true;
  return /\d$/.test(before) || /\b(?:\p{Lu}|Mrs?|Ms|Dr|St|p|pp|vol|no|fig)\.?$/iu.test(before) || /^[–—…]/.test(after);
}
