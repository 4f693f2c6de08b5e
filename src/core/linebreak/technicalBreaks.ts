// Where words of machines may be broken: at points that cannot be misread, and never with a hyphen of ours.

/** A path goes on after these, as it would be read out. */
const AFTER = new Set([...'/\\']);
/** Marks before which a word may go on to the next line: at the end of one they would look like the sentence's. */
const BEFORE = new Set([...'.?&=#%~@_-']);
/** Characters that stay together at both ends. */
const LEAST = 3;

/** Whether a word of a machine may be broken before an offset inside it. */
export function isTechnicalBreak(text: string, at: number, from: number, to: number): boolean {
  if (at - from < LEAST || to - at < LEAST) return false;
  const [before, after] = [text[at - 1], text[at]];
  if (AFTER.has(before)) return !AFTER.has(after);
  return BEFORE.has(after) && !BEFORE.has(before);
}
