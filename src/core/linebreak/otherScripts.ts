// Breaks beside characters of scripts that have rules of their own: ideographs, Hangul, Hebrew, Indic letters, pictographs.
// Only where such a character stands on one side of a place does UAX #14 decide; the rest of a paragraph stays as it is.
import { LINE_END } from '../model/composed/broken';
import { lineBreaks, LINE_BREAK } from './uax14/lineBreaks';

/** Surrogates are among them: what lies beyond the first plane is an ideograph, a pictograph or an old script. */
const OTHER = /[\u0590-\u1CFF\u231A\u231B\u2329\u232A\u23E9-\u23FF\u2600-\u27BF\u2E80-\uFFEF]/;
const MARK = /[\p{M}\u200D]/u;

export const hasOtherScripts = (text: string): boolean => OTHER.test(text);

/** A place found: a line ends at `at`, the next begins at `next`. */
export interface OtherPlace {
  readonly at: number;
  readonly next: number;
  readonly kind: number;
}

/** Places and the say of UAX #14 on those that were found without it. */
export interface OtherPlaces {
  readonly places: readonly OtherPlace[];
  /** Whether a line may end at `at` and go on at `next`: always where no such character is beside the place. */
  readonly allows: (at: number, next: number) => boolean;
}

/** A soft hyphen, a zero-width space and a line's end are found in any script. */
const FOUND_ELSEWHERE = /[\u00AD\u200B\u2028]/;
/** A note reference or a picture stays with what it follows. */
const OBJECT = '\uFFFC';

export function placesBesideOtherScripts(text: string): OtherPlaces {
  const breaks = lineBreaks(text);
  const isOther = (at: number) => OTHER.test(text[at] ?? '');
  const isOtherBefore = (at: number) => {
    let k = at - 1;
    while (k > 0 && MARK.test(text[k])) k -= 1;
    return isOther(k) || isOther(at - 1);
  };
  const places: OtherPlace[] = [];
  for (let next = 1; next < text.length; next += 1) {
    if (breaks[next] === LINE_BREAK.prohibited || FOUND_ELSEWHERE.test(text[next - 1])) continue;
    let at = next;
    while (at > 0 && text[at - 1] === ' ') at -= 1;
    if (at === 0 || text[next] === OBJECT || !(isOtherBefore(at) || isOther(next))) continue;
    places.push({ at, next, kind: at < next ? LINE_END.space : LINE_END.dash });
  }
  const allows = (at: number, next: number) =>
    !(isOtherBefore(at) || isOther(next)) || breaks[next] !== LINE_BREAK.prohibited;
  return { places, allows };
}
