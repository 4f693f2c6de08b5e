// Title case by language: where words begin with a capital, their first letters are set as capitals; the copy stays as it is.
import type { ResolvedStyle, StyledRun } from '../model/composed/styled';

/** Small words that English titles leave as they are, but for the first and the last. */
const SMALL = new Set(
  'a an and as at but by for from if in into nor of off on onto or out over per so than the to up upon via with yet'.split(
    ' ',
  ),
);

/** The runs with the first letters of title words apart, set as capitals. Languages but English begin their titles with one. */
export function titleCase(text: string, runs: readonly StyledRun[], style: ResolvedStyle): readonly StyledRun[] {
  if (style.caps !== 'title') return runs;
  const starts = titleStarts(text, style.language);
  if (starts.length === 0) return runs;
  return runs.flatMap((run): StyledRun[] => {
    const parts: StyledRun[] = [];
    let at = run.from;
    for (const start of starts) {
      if (start < run.from || start >= run.to) continue;
      if (start > at) parts.push({ ...run, from: at, to: start });
      parts.push({ ...run, from: start, to: start + 1, upper: true });
      at = start + 1;
    }
    if (at < run.to) parts.push({ ...run, from: at, to: run.to });
    return parts;
  });
}

/** Offsets of small letters that a title in that language has as capitals. */
export function titleStarts(text: string, language: string): number[] {
  const words = [...text.matchAll(/[\p{L}\p{M}\p{N}'’]+/gu)].filter(({ 0: word }) => /[\p{L}\p{N}]/u.test(word));
  const isEnglish = language.startsWith('en');
  const starts: number[] = [];
  words.forEach((found, index) => {
    const end = found.index + found[0].length;
    const isFirst = index === 0 || /[:.?!]\s*$/.test(text.slice(0, found.index));
    const isLast = index === words.length - 1 || /^[:.?!]/.test(text.slice(end));
    const isTitle = isEnglish ? isFirst || isLast || !SMALL.has(found[0].toLowerCase()) : index === 0;
    const letter = found[0].search(/\p{L}/u);
    const at = found.index + letter;
    if (isTitle && letter >= 0 && /\p{Ll}/u.test(text[at])) starts.push(at);
  });
  return starts;
}
