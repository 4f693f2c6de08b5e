// Words of machines inside text: paths, addresses of the web and of mail, file names, options of commands. They are set letter
// by letter as they were typed, and never hyphenated.

/** A stretch of text, from inclusive, to exclusive. */
export interface Stretch {
  readonly from: number;
  readonly to: number;
}

/** A quick look that most paragraphs do not pass. */
const MAY_HOLD_ONE = /[/_@\\]|--\w|\.[^\s.”’"')\]A-Z]|www\.|doi:/;
const TOKEN = /[^\s\u00A0\u2028\uFFFC“”„«»<>"]+/gu;
const OPENING = /^[([{'‘‚›‹]+/;
const CLOSING = /[.,;:!?)\]}'’‘…›‹]+$/;

const ADDRESS = /^(?:[a-z][a-z\d+.-]*:\/\/|www\.|doi:)./i;
const MAIL = /[\p{L}\d.+_-]+@[\p{L}\d-]+|^@[\p{L}\d_]/u;
const OPTION = /^--[\p{Ll}\d][\p{L}\d-]*(?:=.*)?$/u;
/** Two words with a stroke between them are words of the language: and/or. */
const EITHER_OR = /^[\p{L}\p{M}'’-]+\/[\p{L}\p{M}'’-]+$/u;
const WORD = /^[\p{L}\p{M}\d'’-]*$/u;
/** Dates and fractions, whose figures have nothing to be replaced: they may stand in ranges. */
const FIGURES = /^[\d.,:/–-]+$/;
/** Figures with points and letters, or with more than one point: versions, addresses of machines. */
const VERSION = /^(?=.*\d\.[\p{L}\d])(?:(?=.*\p{L})|\d+\.\d+\.\d).*$/u;
const FILE_NAME = /^[\p{L}\d-]{2,}(?:\.[\p{Ll}\d][\p{L}\d-]*)*\.[\p{Ll}\d]{2,10}$/u;
/** A path, or a name of more than two parts. */
const PATH = /^[~.]*[/\\]\.?[\p{L}\d_]|[\p{L}\d_.~:][/\\](?:$|[\p{L}\d_.])|_/u;

/** Words of machines in text order, without the marks of the sentence around them. */
export function findTechnicalWords(text: string): Stretch[] {
  if (!MAY_HOLD_ONE.test(text)) return [];
  const found: Stretch[] = [];
  // A dash typed as two hyphens may be closed to the word after it where its pair is closed to the word before.
  const hasOpenDash = /[\p{L}\p{P}]--(?=\s|$)/u.test(text) || /^--\s*\S/.test(text);
  for (const match of text.matchAll(TOKEN)) {
    const opening = OPENING.exec(match[0])?.[0].length ?? 0;
    const word = match[0].slice(opening).replace(CLOSING, '');
    if (!isTechnical(word, hasOpenDash)) continue;
    const from = match.index + opening;
    found.push({ from, to: from + word.length });
  }
  return found;
}

function isTechnical(word: string, hasOpenDash: boolean): boolean {
  if (word.length < 4) return false;
  if (ADDRESS.test(word) || MAIL.test(word)) return true;
  if (OPTION.test(word)) return !hasOpenDash || word.includes('=');
  if (EITHER_OR.test(word) || FIGURES.test(word)) return /^\d+\.\d+\.\d/.test(word);
  // Words of the language joined by a dash.
  const parts = word.split(/--+|—/);
  if (parts.length > 1 && parts.every((part) => WORD.test(part) || EITHER_OR.test(part))) return false;
  return VERSION.test(word) || FILE_NAME.test(word) || PATH.test(word);
}
