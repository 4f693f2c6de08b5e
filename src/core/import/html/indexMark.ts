// Index marks in files of ours: an element without words that says them (`data-index`, JSON).
import type { IndexMark } from '../../model/spec/indexSpec';

/** Characters of a part of a mark, at most. */
const MOST = 500;
const RANGES: readonly IndexMark['range'][] = ['here', 'from', 'to'];

/** The mark that an attribute says; null for what is none. */
export function indexMarkOf(said: string): IndexMark | null {
  let value: unknown;
  try {
    value = JSON.parse(said);
  } catch {
    return null;
  }
  if (typeof value !== 'object' || value === null) return null;
  const parts = value as Record<string, unknown>;
  const words = (key: string) => {
    const part = parts[key];
    return typeof part === 'string' ? part.slice(0, MOST) : '';
  };
  const range = RANGES.find((own) => own === parts.range) ?? 'here';
  return { term: words('term'), sub: words('sub'), see: words('see'), seeAlso: words('seeAlso'), range };
}
