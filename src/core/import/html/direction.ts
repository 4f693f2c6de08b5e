// Directions in HTML (HTML Living Standard, 3.2.6.4, the dir attribute; 4.5.24 bdi, 4.5.25 bdo).
import { hasLettersFromRight } from '../../copy/direction';
import type { XmlElement } from '../../base/xml';
import type { Direction } from '../../model/copy/streams';
import { END_OF_ISOLATE, ISOLATE } from '../isolates';

export type SaidDirection = Direction | 'auto';

/** What an element says of the direction of its text; undefined: nothing. */
export function directionSaid({ attributes }: XmlElement): SaidDirection | undefined {
  const said = (
    attributes.dir ??
    /(?:^|;)\s*direction:\s*(ltr|rtl)/i.exec(attributes.style ?? '')?.[1] ??
    ''
  ).toLowerCase();
  return said === 'ltr' || said === 'rtl' || said === 'auto' ? said : undefined;
}

/** The direction of text for what is said around it: that of its first letter for `auto`. */
export function directionAround(said: SaidDirection | undefined, text: string): Direction | undefined {
  if (said !== 'auto') return said;
  const first = /\p{L}/u.exec(text)?.[0];
  return first === undefined ? undefined : hasLettersFromRight(first) ? 'rtl' : 'ltr';
}

/** Begins an override of the order of letters, and ends it (UAX #9, LRO, RLO, PDF). */
const OVERRIDE = { ltr: '\u202D', rtl: '\u202E' } as const;
const END_OF_OVERRIDE = '\u202C';

/** The signs before and after the text of an inline element that has a direction of its own; null for one that has none. */
export function signsOf(element: XmlElement): readonly [before: string, after: string] | null {
  const said = directionSaid(element);
  if (element.name === 'bdo' && (said === 'ltr' || said === 'rtl')) return [OVERRIDE[said], END_OF_OVERRIDE];
  if (said === undefined && element.name !== 'bdi') return null;
  return [ISOLATE[said ?? 'auto'], END_OF_ISOLATE];
}
