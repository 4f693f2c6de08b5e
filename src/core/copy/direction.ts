// The direction of paragraphs: as a person or a file says, else that of their language (UAX #9, HL1: a higher protocol sets it).
import type { Direction, Paragraph } from '../model/copy/streams';

/** Languages that are written from right to left, by their primary subtag (CLDR, character orientation). */
const FROM_RIGHT = new Set('ar arc ckb dv fa he iw ks ku-arab mzn nqo pnb ps sd syr ug ur yi'.split(' '));
/** Scripts that are, where a tag names its script (ISO 15924). */
const SCRIPTS_FROM_RIGHT = new Set('arab hebr syrc thaa nkoo'.split(' '));

/** The direction of a language by its BCP 47 tag. */
export function directionOfLanguage(tag: string): Direction {
  const [primary, ...rest] = tag.toLowerCase().split('-');
  const script = rest.find((part) => part.length === 4 && /^[a-z]+$/.test(part));
  if (script !== undefined) return SCRIPTS_FROM_RIGHT.has(script) ? 'rtl' : 'ltr';
  return FROM_RIGHT.has(primary) ? 'rtl' : 'ltr';
}

const LETTER = /\p{L}/u;

/** The direction of a paragraph; `language` is that of its style. Where other languages stand over all its letters, theirs counts. */
export function directionOf({ touches, text, spans }: Paragraph, language: string): Direction {
  if (touches?.direction !== undefined) return touches.direction;
  const own = directionOfLanguage(language);
  let at = 0;
  let other: Direction | undefined;
  for (const span of spans) {
    if (span.language === undefined) continue;
    const direction = directionOfLanguage(span.language);
    if (direction === own || (other !== undefined && other !== direction)) return own;
    if (LETTER.test(text.slice(at, span.from))) return own;
    other = direction;
    at = span.to;
  }
  return other === undefined || LETTER.test(text.slice(at)) ? own : other;
}

/** Letters of scripts that run from right to left (UAX #9, classes R and AL). */
const RUNS_BACK = /[\u0590-\u08FF\uFB1D-\uFDFF\uFE70-\uFEFC]|[\u{10800}-\u{10FFF}\u{1E800}-\u{1EFFF}]/u;
export const hasLettersFromRight = (text: string): boolean => RUNS_BACK.test(text);

/** The touch that says a direction which a file gives a paragraph: one that its letters would not need is none. */
export function directionTouch(said: Direction | undefined, text: string): { readonly direction?: Direction } {
  const isNeeded = said === 'rtl' ? text.trim() !== '' : said === 'ltr' && hasLettersFromRight(text);
  return isNeeded ? { direction: said } : {};
}
