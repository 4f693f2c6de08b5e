// Drop capitals: the first letters of a paragraph cut out of its runs and set large, fitted from the cap height of the
// first line to the baseline of the last that they stand beside; an opening quote before them stays at text size.
import type { FaceTable } from '../model/spec/faces';
import type { ResolvedStyle, StyledRun } from '../model/composed/styled';

const OPENING = /^([“‘"'«„‚]\s?)?(\p{L}[\p{L}\p{M}]*)/u;

/** The runs with the initial apart; as they are when the text does not begin with a letter. */
export function withInitial(
  text: string,
  runs: readonly StyledRun[],
  style: ResolvedStyle,
  faces: FaceTable,
): readonly StyledRun[] {
  const { initial } = style;
  const found = initial === null ? null : OPENING.exec(text);
  const [first] = runs;
  if (initial === null || found === null) return runs;
  const quote = found[1]?.length ?? 0;
  const end = quote + clusterLength(found[2], initial.letters);
  const face = faces.find((record) => record.id === first.face);
  if (face === undefined || first.from !== 0 || first.to < end) return runs;
  const cap = face.capHeight / face.unitsPerEm;
  const below = (initial.lines - 1) * style.leading;
  // Set from a capital as it is, whatever becomes of the small letters after it.
  const { upper: _, ...capital } = first;
  const letter: StyledRun = {
    ...capital,
    from: quote,
    to: end,
    size: (below + cap * style.size) / cap,
    rise: initial.isRaised ? 0 : -below,
    tracking: 0,
    ...(initial.isRaised ? {} : { initial: 'letter' as const }),
  };
  const before: StyledRun[] =
    quote === 0 ? [] : [{ ...first, to: quote, ...(initial.isRaised ? {} : { initial: 'quote' as const }) }];
  const after: StyledRun[] = end < first.to ? [{ ...first, from: end }] : [];
  return [...before, letter, ...after, ...runs.slice(1)];
}

/** UTF-16 units of the first letters, marks kept with theirs. */
function clusterLength(word: string, letters: number): number {
  let length = 0;
  let count = 0;
  for (const char of word) {
    const isMark = /\p{M}/u.test(char);
    if (!isMark && count === letters) break;
    if (!isMark) count += 1;
    length += char.length;
  }
  return length;
}
