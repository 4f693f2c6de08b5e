// Prefix sums of a shaped paragraph at its break opportunities, in points: width, stretch and shrink. Any line's sums
// are then two subtractions.
import { isElasticSpace } from '../base/elasticSpace';
import { LINE_END } from '../model/broken';
import type { ShapedParagraph } from '../model/shaped';
import { isPlayed, type StyledParagraph } from '../model/styled';
import { hangLeft, hangRight } from './opticalMargins';
import type { Opportunities } from './opportunities';
import type { TabSums } from './tabs';

/** What widths need of the faces and of cutting, given by whoever runs the stages. */
export interface WidthContext {
  readonly unitsPerEm: (face: string) => number;
  /** Advance of the space and of the hyphen of a face, in em. */
  readonly space: (face: string) => number;
  readonly hyphen: (face: string) => number;
  /** Ink of a glyph, in font units from its origin. */
  readonly ink: (face: string, glyph: number) => { readonly left: number; readonly right: number };
  /** Outline of a glyph in font units (model/displayList, GlyphOutline). */
  readonly outline: (face: string, glyph: number) => ArrayLike<number>;
  /** How cutting at an offset changes the widths on both sides, in points. */
  readonly cutWidths: (offset: number) => { readonly before: number; readonly after: number };
}

/**
 * One element per opportunity. A line from opportunity i to j is `end[j] - start[i]` wide in its natural setting, where
 * `start` already counts what stands before the line. Element 0 of the start arrays is the paragraph's beginning,
 * so that a line after opportunity i starts at element i + 1. The arrays are longer than that and are filled anew for the
 * next paragraph: nothing of them may be kept.
 */
export interface BreakWidths {
  readonly end: Float64Array;
  readonly endStretch: Float64Array;
  readonly endShrink: Float64Array;
  readonly endSpaces: Uint32Array;
  readonly start: Float64Array;
  readonly startStretch: Float64Array;
  readonly startShrink: Float64Array;
  readonly startSpaces: Uint32Array;
  /** What the letters can give by their scale and the space between them, in points. */
  readonly endPlayed: Float64Array;
  readonly startPlayed: Float64Array;
  /** How far the first character of a line hangs out at the left; `start` counts it already. */
  readonly hangLeft: Float64Array;
  /** Null for a paragraph without tabs. */
  tabs: TabSums | null;
}

function makeArrays(size: number) {
  return {
    end: new Float64Array(size),
    endStretch: new Float64Array(size),
    endShrink: new Float64Array(size),
    endSpaces: new Uint32Array(size),
    start: new Float64Array(size),
    startStretch: new Float64Array(size),
    startShrink: new Float64Array(size),
    startSpaces: new Uint32Array(size),
    endPlayed: new Float64Array(size),
    startPlayed: new Float64Array(size),
    hangLeft: new Float64Array(size),
    tabs: null as TabSums | null,
  };
}

let scratch = makeArrays(1024);

/** Arrays for one paragraph: allocating eleven of them for each took as long as filling them. */
function scratchFor(size: number): BreakWidths {
  if (scratch.end.length < size) scratch = makeArrays(size * 2);
  return scratch;
}

const SPACE = 0x20;
const HYPHEN = 0x2d;
const NO_BREAK_SPACE = 0xa0;
const TAB = 0x09;
const POINT = 0x2e;
const COMMA = 0x2c;

export function measureBreaks(
  styled: StyledParagraph,
  shaped: ShapedParagraph,
  breaks: Opportunities,
  context: WidthContext,
): BreakWidths {
  const { text, runs, style, isRtl } = styled;
  // Marks hang at the ends of lines that run from left to right.
  const hanging = isRtl ? 0 : style.opticalMargins;
  const n = breaks.count;
  const widths = scratchFor(n + 1);
  const tabs: TabSums | null = text.includes('\t')
    ? { at: [], width: [], stretch: [], shrink: [], spaces: [], point: [] }
    : null;
  widths.tabs = tabs;
  widths.hangLeft.fill(0, 0, n + 1);
  widths.start[0] = widths.startStretch[0] = widths.startShrink[0] = widths.startPlayed[0] = 0;
  widths.startSpaces[0] = 0;
  const { least, wished, most } = style.wordSpace;
  let width = 0;
  let stretch = 0;
  let shrink = 0;
  let spaces = 0;
  let played = 0;
  /** Share of its advance, and points besides, by which a letter of the run may change. */
  let scalePlay = 0;
  let spacePlay = 0;
  const glyphPlay = style.glyphPlay / 100;
  const letterPlay = style.letterPlay / 1000;
  let nextEnd = 0;
  let nextStart = 0;
  let run = 0;
  let scale = 0;
  let tracking = 0;
  let ownSpace = 0;
  let isApart = false;
  const enterRun = (index: number) => {
    const { face, size, tracking: thousandths } = runs[index];
    scale = size / context.unitsPerEm(face);
    tracking = (thousandths * size) / 1000;
    ownSpace = context.space(face) * size;
    isApart = runs[index].initial !== undefined;
    const plays = isPlayed(runs[index]);
    scalePlay = plays ? glyphPlay : 0;
    spacePlay = plays ? letterPlay * size : 0;
  };
  /** The last letter met, for what hangs out at a line's end; and the first opportunity whose line begins with the next. */
  let last = -1;
  let lastAdvance = 0;
  let beginning = hanging > 0 ? (runs[0]?.initial === undefined ? 0 : 1) : n + 1;
  const hangEnd = (at: number, kind: number): number => {
    if (hanging === 0) return 0;
    if (kind === LINE_END.hyphen)
      return runs.length === 0 ? 0 : hangRight(HYPHEN) * context.hyphen(runs[run].face) * runs[run].size;
    return last === at - 1 && at > 0 ? hangRight(text.charCodeAt(last)) * lastAdvance : 0;
  };
  /** Records every opportunity whose place is at or before the offset. */
  const record = (offset: number) => {
    while (nextEnd < n && breaks.at[nextEnd] <= offset) {
      const at = breaks.at[nextEnd];
      widths.end[nextEnd] = width - hanging * hangEnd(at, breaks.kind[nextEnd]);
      widths.endStretch[nextEnd] = stretch;
      widths.endShrink[nextEnd] = shrink;
      widths.endSpaces[nextEnd] = spaces;
      widths.endPlayed[nextEnd] = played;
      nextEnd += 1;
    }
    while (nextStart < n && breaks.next[nextStart] <= offset) {
      widths.start[nextStart + 1] = width;
      widths.startStretch[nextStart + 1] = stretch;
      widths.startShrink[nextStart + 1] = shrink;
      widths.startSpaces[nextStart + 1] = spaces;
      widths.startPlayed[nextStart + 1] = played;
      nextStart += 1;
    }
  };
  const nextPlace = () =>
    Math.min(nextEnd < n ? breaks.at[nextEnd] : Infinity, nextStart < n ? breaks.next[nextStart] : Infinity);
  let place = nextPlace();
  if (runs.length > 0) enterRun(0);
  const { clusters, advances, runStarts, count } = shaped;
  let nextRun = runs.length > 1 ? runStarts[1] : count;
  for (let k = 0; k < count; k += 1) {
    const offset = clusters[k];
    while (k >= nextRun) {
      enterRun((run += 1));
      nextRun = run + 1 < runs.length ? runStarts[run + 1] : count;
    }
    if (offset >= place) {
      record(offset);
      place = nextPlace();
    }
    // A drop capital stands apart from its line.
    if (isApart) continue;
    const code = text.charCodeAt(offset);
    if (code === SPACE || code === NO_BREAK_SPACE) {
      if (!isElasticSpace(text, offset)) continue;
      const { size } = runs[run];
      width += wished * size + advances[k] * scale - ownSpace + tracking;
      stretch += (most - wished) * size;
      shrink += (wished - least) * size;
      spaces += 1;
    } else {
      if (tabs !== null && passTab(tabs, code, offset, width, stretch, shrink, spaces)) continue;
      const advance = advances[k] * scale;
      last = offset;
      lastAdvance = advance;
      if (beginning <= nextStart) {
        // Lines after these opportunities begin with this letter.
        const hang = hangLeft(code) * hanging * advance;
        for (; beginning <= nextStart; beginning += 1) {
          const place = beginning === 0 ? 0 : breaks.next[beginning - 1];
          if (hang === 0 || place !== offset) continue;
          widths.hangLeft[beginning] = hang;
          widths.start[beginning] += hang;
        }
      }
      if (advance === 0) continue;
      width += advance + tracking;
      played += advance * scalePlay + spacePlay;
    }
  }
  record(text.length);
  addCuts(styled, breaks, widths, context);
  return widths;
}

/** Notes the sums at a tab, which answers true, and at the first decimal mark after one. */
function passTab(
  tabs: TabSums,
  code: number,
  offset: number,
  width: number,
  stretch: number,
  shrink: number,
  spaces: number,
): boolean {
  if (code === TAB) {
    tabs.at.push(offset);
    tabs.width.push(width);
    tabs.stretch.push(stretch);
    tabs.shrink.push(shrink);
    tabs.spaces.push(spaces);
    tabs.point.push(-1);
    return true;
  }
  const last = tabs.at.length - 1;
  if ((code === POINT || code === COMMA) && last >= 0 && tabs.point[last] < 0) tabs.point[last] = width;
  return false;
}

/** Adds the hyphen, and what shaping again at unsafe places changes. */
function addCuts(styled: StyledParagraph, breaks: Opportunities, widths: BreakWidths, context: WidthContext): void {
  let run = 0;
  for (let k = 0; k < breaks.count; k += 1) {
    const kind = breaks.kind[k];
    if (kind !== LINE_END.hyphen && kind !== LINE_END.dash && kind !== LINE_END.emergency) continue;
    const offset = breaks.at[k];
    while (run + 1 < styled.runs.length && styled.runs[run].to < offset) run += 1;
    const cut = context.cutWidths(offset);
    widths.end[k] += cut.before;
    widths.start[k + 1] -= cut.after;
    if (kind === LINE_END.hyphen) widths.end[k] += context.hyphen(styled.runs[run].face) * styled.runs[run].size;
  }
}
