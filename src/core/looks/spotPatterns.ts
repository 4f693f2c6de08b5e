// Patterns of spot rules: regular expressions that a person typed, matched in time that grows with the text and no faster.
import { linearPattern, type LinearPattern } from '../base/linearPattern';
import { ValueError } from '../base/errors';

export const LONGEST_SPOT_PATTERN = 200;

/** Patterns by their text; null for those that cannot be run. */
const compiled = new Map<string, LinearPattern | null>();
const MOST_COMPILED = 500;

/** The pattern of a rule; null for one that cannot be matched in one pass, which is kept and not run. */
export function maybeSpotPattern(pattern: string): LinearPattern | null {
  let known = compiled.get(pattern);
  if (known === undefined) {
    known = linearPattern(pattern, { ignoreCase: false, withoutGroups: true });
    if (compiled.size >= MOST_COMPILED) compiled.clear();
    compiled.set(pattern, known);
  }
  return known;
}

/** What is wrong with a pattern so that no rule can hold it, in a sentence; null when one can. */
export function spotPatternFault(pattern: string): string | null {
  if (pattern === '') return 'The pattern is empty.';
  if (pattern.length > LONGEST_SPOT_PATTERN) return `The pattern is longer than ${LONGEST_SPOT_PATTERN} characters.`;
  try {
    if (new RegExp(pattern, 'u').exec('')?.[0] === '') return `“${pattern}” matches where there is nothing.`;
  } catch (error) {
    if (!(error instanceof SyntaxError)) throw error;
    return `“${pattern}” is no pattern: ${reasonOf(error)}.`;
  }
  return null;
}

/** A pattern for a new rule. Throws ValueError with a sentence when none can hold it, or it could not be run. */
export function spotPattern(pattern: string): LinearPattern {
  const fault = spotPatternFault(pattern);
  if (fault !== null) throw new ValueError('pattern', fault);
  const made = maybeSpotPattern(pattern);
  if (made === null)
    throw new ValueError(
      'pattern',
      `“${pattern}” looks around or refers back, which a rule for every paragraph cannot.`,
    );
  return made;
}

const reasonOf = (error: SyntaxError) =>
  error.message
    .replace(/^Invalid regular expression: \/.*\/[a-z]*: /, '')
    .replace(/\.$/, '')
    .toLowerCase();
