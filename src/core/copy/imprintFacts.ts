// What lines of an imprint say, as particulars; what they say besides stays as it is.
import type { Particulars } from '../model/copy/book';

type Facts = Partial<Record<'publisher' | 'place' | 'year' | 'edition' | 'isbnPrint' | 'isbnEbook' | 'rights', string>>;

const PUBLISHER = /\b(?:press|books?|publish(?:ers?|ing)|verlag|éditions?|editorial|ediciones|house)\b/iu;
const YEAR = /^(?:1[4-9]|20)\d\d$/;
const CITED = /^([^:]{2,60}):\s*(.{2,80}?),\s*((?:1[4-9]|20)\d\d)\.?$/u;
const LISTED = /^(.{2,80}?),\s*([^,]{2,60}?),?\s+((?:1[4-9]|20)\d\d)\.?$/u;
const DATED = /^(.{2,80}?),?\s+((?:1[4-9]|20)\d\d)\.?$/u;
const ISBN = /^(?:E-?)?ISBN(?:-1[03])?[\s:.–—-]*((?:97[89][\s–-]?)?(?:\d[\s–-]?){9}[\dXx])\b/iu;
const LONGEST = 200;

/** Facts that the line states, and nothing else; null for any other line. */
export function imprintFacts(line: string): Facts | null {
  const words = line.replace(/\s+/g, ' ').trim();
  if (words.length > LONGEST) return null;
  const isbn = ISBN.exec(words);
  if (isbn !== null)
    return /^e-?isbn|e-?book|electronic|epub/i.test(words) ? { isbnEbook: isbn[1] } : { isbnPrint: isbn[1] };
  if (/^(?:copyright\b|©|\(c\)\s)/i.test(words)) return { rights: words };
  if (/\b(?:first|second|third|new|revised|\d+(?:st|nd|rd|th)) (?:edition|published|printing)\b/i.test(words))
    return { edition: words };
  if (YEAR.test(words)) return { year: words };
  const cited = CITED.exec(words);
  if (cited !== null) return { place: cited[1], publisher: cited[2], year: cited[3] };
  const listed = LISTED.exec(words);
  if (listed !== null && PUBLISHER.test(listed[1])) return { publisher: listed[1], place: listed[2], year: listed[3] };
  const dated = DATED.exec(words);
  if (dated !== null)
    return PUBLISHER.test(dated[1]) ? { publisher: dated[1], year: dated[2] } : { place: dated[1], year: dated[2] };
  if (!PUBLISHER.test(words) || words.length > 80 || /[.!?]\s/.test(words)) return null;
  const parts = /^(.+?),\s*([^,]+)$/.exec(words);
  return parts === null
    ? { publisher: words.replace(/^published by\s+/i, '') }
    : { publisher: parts[1], place: parts[2] };
}

/** The particulars with facts where they say nothing yet. Facts that find a place taken are answered as false. */
export function withFacts(particulars: Particulars, facts: Facts): Particulars | null {
  const keys = Object.keys(facts) as (keyof Facts)[];
  if (keys.some((key) => particulars[key] !== '' && particulars[key] !== facts[key])) return null;
  return { ...particulars, ...facts };
}
