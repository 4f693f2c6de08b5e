// Tabs: where the text of a line stands after each of them. What is before a line's last tab keeps its natural spaces; what
// follows it takes all of the stretch. Widths are in points; places are measured from the edge at which lines begin.
import type { SetTabs } from '../model/composed/broken';
import type { ResolvedStyle } from '../model/composed/styled';
import type { TabStop } from '../model/spec/spec';

/** Sums of a paragraph at its tabs, one element per tab: those of widths.ts, up to the tab. */
export interface TabSums {
  readonly at: number[];
  readonly width: number[];
  readonly stretch: number[];
  readonly shrink: number[];
  readonly spaces: number[];
  /** Width up to the decimal mark between this tab and the next; -1: it has none. */
  readonly point: number[];
}

/** The stops of a style, and where its lines begin. */
export interface TabRuler {
  readonly stops: readonly TabStop[];
  /** Place at which the paragraph's first line begins, and its others. */
  readonly first: number;
  readonly other: number;
  /** Distance of the stops that follow the last one given. */
  readonly step: number;
  /** Least width of a tab. */
  readonly least: number;
}

/** Em between the stops of a paragraph that has none of its own, or no more. */
const STEP = 2;

export function rulerOf(style: ResolvedStyle): TabRuler {
  const { leftIndent, firstIndent, size, wordSpace } = style;
  // A hanging indent is a stop: the number of a list item hangs before its text.
  const hanging: TabStop[] = firstIndent < 0 ? [{ at: leftIndent, kind: 'left' }] : [];
  const stops = [...hanging, ...style.tabs].sort((a, b) => placeOf(a, Infinity) - placeOf(b, Infinity));
  return {
    stops,
    first: leftIndent + firstIndent,
    other: leftIndent,
    step: STEP * size,
    least: wordSpace.wished * size,
  };
}

const placeOf = ({ at }: TabStop, right: number) => (at === 'end' ? right : Math.min(at, right));

/** What a line with tabs comes to. */
export interface TabbedLine {
  /** Width from the line's beginning to its end, tabs and all. */
  width: number;
  /** True when what follows the last tab may be stretched to the measure. */
  mayStretch: boolean;
  /** Index of the line's last tab. */
  last: number;
}

/** One answer serves all questions, which come one after another. */
const answer: TabbedLine = { width: 0, mayStretch: false, last: 0 };

/** A line whose tabs are to be placed. */
export interface LineOfTabs {
  /** Its tabs: from `firstTab` on, before `endTab`. */
  readonly firstTab: number;
  readonly endTab: number;
  /** The sums of widths at its ends. */
  readonly start: number;
  readonly end: number;
  /** Where it begins, and its right edge. */
  readonly begin: number;
  readonly right: number;
}

/** Places the text of a line after its tabs. `into`: takes the width of each tab. */
export function placeTabs(
  sums: TabSums,
  ruler: TabRuler,
  { firstTab, endTab, start, end, begin, right }: LineOfTabs,
  into?: SetTabs,
): TabbedLine {
  let place = begin + sums.width[firstTab] - start;
  let mayStretch = true;
  for (let t = firstTab; t < endTab; t += 1) {
    const follows = (t + 1 < endTab ? sums.width[t + 1] : end) - sums.width[t];
    const stop = nextStop(ruler, place, right);
    const target = stop === null ? (Math.floor(place / ruler.step + 1e-6) + 1) * ruler.step : placeOf(stop, right);
    const kind = stop?.kind ?? 'left';
    const hasPoint = sums.point[t] >= 0 && sums.point[t] <= sums.width[t] + follows;
    const before =
      kind === 'left'
        ? 0
        : kind === 'centre'
          ? follows / 2
          : kind === 'decimal' && hasPoint
            ? sums.point[t] - sums.width[t]
            : follows;
    const width = Math.max(ruler.least, target - before - place);
    if (into !== undefined) {
      into.widths[t] = width;
      into.leaders[t] = stop?.leader ?? '';
    }
    place += width + follows;
    mayStretch = kind === 'left';
  }
  answer.width = place - begin;
  answer.mayStretch = mayStretch;
  answer.last = endTab - 1;
  return answer;
}

/** Tabs of the text from one offset to another: the first, and the one after the last. */
export function tabsBetween({ at }: TabSums, from: number, to: number): [number, number] {
  let first = 0;
  while (first < at.length && at[first] < from) first += 1;
  let end = first;
  while (end < at.length && at[end] < to) end += 1;
  return [first, end];
}

/** The first stop to the right of a place; null when there is none. */
export function nextStop({ stops }: TabRuler, place: number, right: number): TabStop | null {
  return stops.find((stop) => placeOf(stop, right) > place + 0.01) ?? null;
}
