// Spaces at which no line ends whatever the script: rules LB11 and LB13 to LB15d of UAX #14.

const set = (characters: string) => new Set([...characters].map((char) => char.charCodeAt(0)));
/** Word joiners; closing brackets, exclamation and question marks, the solidus (classes CL, CP, EX, SY). */
const NEVER_FIRST = set('\u2060\uFEFF)]}⟩!?‼⁇⁈⁉/');
const STOPS = set(',.:;');
/** Opening brackets, inverted marks and low quotes (class OP). */
const OPENING = set('([{⟨¡¿‚„');
const INITIAL_QUOTES = set('«‹“‘‛‟');
const FINAL_QUOTES = set('»›”’');
/** What may stand after a final quote that belongs to the word before it. */
const AFTER_QUOTE = /^(?:[\s\u00A0\u200B\u2060)\]}!?/,.:;»›”’«‹“‘"']|$)/;
/** What may stand before an initial quote that belongs to the word after it. */
const BEFORE_QUOTE = /(?:^|[\s\u00A0\u200B([{«‹“‘»›”’"'])$/;

export const isNeverFirst = (code: number): boolean => NEVER_FIRST.has(code);

/** Whether a line may end at spaces from `at` to `next`, by what stands on either side. */
export function mayPart(text: string, at: number, next: number): boolean {
  let last = at - 1;
  while (last > 0 && isMark(text.charCodeAt(last))) last -= 1;
  const before = text.charCodeAt(last);
  const after = text.charCodeAt(next);
  if (NEVER_FIRST.has(after) || OPENING.has(before)) return false;
  if (STOPS.has(after)) return after === 0x2e && isFigure(text, next + 1);
  if (FINAL_QUOTES.has(after) && AFTER_QUOTE.test(text.slice(next + 1, next + 2))) return false;
  return !(INITIAL_QUOTES.has(before) && BEFORE_QUOTE.test(text.slice(Math.max(0, last - 1), last)));
}

/** Of the block of combining marks, which is all that Latin words need. */
const isMark = (code: number) => code >= 0x300 && code < 0x370;
const isFigure = (text: string, at: number) => /\d/.test(text[at] ?? '');
