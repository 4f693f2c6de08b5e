// Words at the ends of a stretch of text, found without looking at the rest of it.

const UNIT = /[\p{L}\p{M}’']/u;

/** Whether a UTF-16 unit belongs to a word. */
function isWordUnit(text: string, at: number): boolean {
  const code = text.charCodeAt(at);
  if (code < 0x80) return (code >= 0x61 && code <= 0x7a) || (code >= 0x41 && code <= 0x5a) || code === 0x27;
  return UNIT.test(text[at] ?? '');
}

/** The first word of text[from, to) in small letters; empty without one. */
export function firstWord(text: string, from: number, to: number): string {
  let start = from;
  while (start < to && !isWordUnit(text, start)) start += 1;
  let end = start;
  while (end < to && isWordUnit(text, end)) end += 1;
  return text.slice(start, end).toLowerCase();
}

/** The last word of text[from, to) in small letters; empty without one. */
export function lastWord(text: string, from: number, to: number): string {
  let end = to;
  while (end > from && !isWordUnit(text, end - 1)) end -= 1;
  let start = end;
  while (start > from && isWordUnit(text, start - 1)) start -= 1;
  return text.slice(start, end).toLowerCase();
}

/** Whether text[0, at) ends in a hyphen that is written, such as that of a compound. */
export function endsInOwnHyphen(text: string, at: number): boolean {
  const last = text.charCodeAt(at - 1);
  return last === 0x2d || last === 0x2010;
}

const MARKS = new Set([...'.,;:!?…-\u2010–—'].map((mark) => mark.charCodeAt(0)));
const CLOSING = new Set([...'”’"\')]»'].map((mark) => mark.charCodeAt(0)));

/** Whether text[0, at) ends in a hyphen, dash or stop, closing quotes and brackets left out. */
export function endsInMark(text: string, at: number): boolean {
  let last = at - 1;
  while (last > 0 && CLOSING.has(text.charCodeAt(last))) last -= 1;
  return MARKS.has(text.charCodeAt(last));
}
