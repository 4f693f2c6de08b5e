// Patterns of spot rules: regular expressions that a person typed, refused when they could run away.
import { ValueError } from '../base/errors';

/** Unbounded quantifiers that a pattern may have: each more is another power of the length of the paragraph. */
const MOST_OPEN = 3;

/**
 * The pattern compiled, for use with `matchAll`. Throws ValueError with a sentence when it is none, matches nothing at all, or
 * could take for ever: a repeated group that holds another repetition or a choice, or too many open repetitions.
 */
export function spotPattern(pattern: string): RegExp {
  if (pattern === '') throw new ValueError('pattern', 'The pattern is empty.');
  if (pattern.length > 200) throw new ValueError('pattern', 'The pattern is longer than 200 characters.');
  let made: RegExp;
  try {
    made = new RegExp(pattern, 'gu');
  } catch (error) {
    throw new ValueError('pattern', `“${pattern}” is no pattern: ${reasonOf(error)}.`);
  }
  const fault = runaway(pattern);
  if (fault !== null) throw new ValueError('pattern', `“${pattern}” could run for ever: ${fault}.`);
  if (new RegExp(pattern, 'u').exec('')?.[0] === '')
    throw new ValueError('pattern', `“${pattern}” matches where there is nothing.`);
  return made;
}

const reasonOf = (error: unknown) =>
  (error as Error).message
    .replace(/^Invalid regular expression: \/.*\/[a-z]*: /, '')
    .replace(/\.$/, '')
    .toLowerCase();

interface Group {
  hasOpen: boolean;
  hasChoice: boolean;
}

/** Why the pattern could run away; null when it cannot. */
function runaway(pattern: string): string | null {
  const groups: Group[] = [{ hasOpen: false, hasChoice: false }];
  let closed: Group | null = null;
  let open = 0;
  for (let k = 0; k < pattern.length; k += 1) {
    const char = pattern[k];
    const before: Group | null = closed;
    closed = null;
    if (char === '\\') {
      if (/[1-9k]/.test(pattern[k + 1] ?? '')) return 'it refers back to a group';
      k += 1;
    } else if (char === '[') {
      k += 1;
      while (k < pattern.length && pattern[k] !== ']') k += pattern[k] === '\\' ? 2 : 1;
    } else if (char === '(') groups.push({ hasOpen: false, hasChoice: false });
    else if (char === ')') {
      closed = groups.pop() ?? null;
      const outer = groups[groups.length - 1];
      if (closed !== null && outer !== undefined) {
        outer.hasOpen ||= closed.hasOpen;
        outer.hasChoice ||= closed.hasChoice;
      }
    } else if (char === '|') groups[groups.length - 1].hasChoice = true;
    else if (char === '*' || char === '+' || /^\{\d+,\}/.test(pattern.slice(k))) {
      if (before?.hasOpen) return 'a repeated group holds another repetition';
      if (before?.hasChoice) return 'a repeated group holds a choice';
      groups[groups.length - 1].hasOpen = true;
      open += 1;
      if (open > MOST_OPEN) return `it has more than ${MOST_OPEN} open repetitions`;
    }
  }
  return null;
}
