// Hyphens typed for dashes and ranges, points typed for an ellipsis, marks typed twice.
import { isTechnical } from '../held';
import { replaceAll, textJob } from '../makeJobs';
import type { TidyJob } from '../types';

export const DASH_JOBS: readonly TidyJob[] = [
  textJob({ id: 'dashes', name: 'Hyphens typed for dashes', kind: 'safe', stage: 'dashes' }, ({ text }) => [
    ...replaceAll(
      text,
      /(?<![-\S])-{2,3}(?=\S)|(?<=[^\s-])-{2,3}(?=[^\s-]|$)|(?<=\S) -{1,3} (?=\S)|(?<=\S)-{2,3}(?=\s|$)/g,
      (match) => dashFor(text, match),
    ),
  ]),
  textJob({ id: 'ellipses', name: 'Points to an ellipsis', kind: 'safe', stage: 'dashes' }, ({ text }) =>
    replaceAll(text, /(?<!\.)(?:\.{3}|\. \. \.)(?! ?\.)|(?<!\.)\.{4}(?!\.)/g, ({ 0: points, index }) => {
      // Figures on both sides, or a move of a game: 12...Ke5.
      if (/\d$/.test(text.slice(0, index)) || isTechnical(text, index, index + points.length)) return null;
      return points === '....' ? '.…' : '…';
    }),
  ),
  textJob({ id: 'ranges', name: 'Hyphens in ranges of figures', kind: 'look', stage: 'dashes' }, ({ text }) =>
    replaceAll(text, /(?<![\p{L}\p{N}.,/+-])(\d{1,4})-(\d{1,4})(?![\p{L}\p{N}/+-]|[.,]\d)/gu, (match) =>
      isRange(text, match) ? `${match[1]}–${match[2]}` : null,
    ),
  ),
  textJob({ id: 'doubled-marks', name: 'Stops typed twice', kind: 'look', stage: 'dashes' }, ({ text }) =>
    replaceAll(text, /,{2,}(?!\p{L})|;{2,}|(?<!:):{2}(?!:)|(?<![.…])\.{2}(?![.…])|\?{4,}|!{4,}/gu, ([marks]) =>
      /[?!]/.test(marks) ? marks.slice(0, 3) : marks[0],
    ),
  ),
  textJob({ id: 'doubled-words', name: 'Words typed twice', kind: 'look', stage: 'dashes' }, ({ text }) =>
    replaceAll(text, /(?<![\p{L}\p{M}’'-])(\p{L}{2,}) \1(?![\p{L}\p{M}’'-])/gu, (match) =>
      OFTEN_TWICE.has(match[1].toLowerCase()) ? null : match[1],
    ),
  ),
];

/** Between figures a range; with spaces an en dash, which the house may set closed; else an em dash. */
function dashFor(text: string, match: RegExpExecArray): string | null {
  const hyphens = match[0].trim();
  const end = match.index + match[0].length;
  if (isTechnical(text, match.index, end)) return null;
  // A word of a command, as in `--force`: speech begins with a capital.
  if (/^-{2,3}$/.test(match[0]) && /(?:^|\s)$/.test(text.slice(0, match.index)) && /^\p{Ll}/u.test(text.slice(end)))
    return null;
  // A sum: single signs on both sides.
  const isSum =
    hyphens === '-' &&
    /(?<![\p{L}\p{N}])[\p{L}\p{N}]$/u.test(text.slice(0, match.index)) &&
    /^[\p{L}\p{N}](?![\p{L}\p{N}’'])/u.test(text.slice(end));
  if (isSum) return null;
  const isBetweenFigures =
    /\d$/.test(text.slice(0, match.index)) && /^\d/.test(text.slice(match.index + match[0].length));
  if (isBetweenFigures) return hyphens === '-' ? null : '–';
  return match[0].startsWith(' ') ? ' – ' : '—';
}

/** Words that are often meant twice. */
const OFTEN_TWICE = new Set([
  'had',
  'that',
  'very',
  'no',
  'ha',
  'bye',
  'so',
  'now',
  'there',
  'come',
  'ho',
  'la',
  'tut',
  'knock',
  'again',
  'long',
  'sie',
  'die',
  'der',
  'das',
  'nous',
  'vous',
]);

/** Phone numbers, dates, codes and ISBNs are no ranges; nor is what falls. */
function isRange(text: string, match: RegExpExecArray): boolean {
  const [, first, second] = match;
  const before = text.slice(Math.max(0, match.index - 24), match.index);
  if (/(?:isbn|issn|tel|phone|fax|ref|no|nr|code|model|part|form|flight|boeing|postcode)\.?:? *[\d\s-]*$/i.test(before))
    return false;
  if (first.length > 1 && first.startsWith('0')) return false;
  const from = Number(first);
  const to = Number(second);
  // A shortened end, as in 123-24, stands for 124.
  const whole = second.length < first.length ? Number(first.slice(0, first.length - second.length) + second) : to;
  if (whole <= from) return false;
  // Three figures and four are how telephone numbers are written.
  return !(first.length === 3 && second.length === 4 && from > 99);
}
