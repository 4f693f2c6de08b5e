// Prefix sums of a shaped paragraph at its break opportunities, in points: width, stretch and shrink. Any line's sums
// are then two subtractions.
import { isElasticSpace } from '../base/elasticSpace';
import { LINE_END } from '../model/composed/broken';
import type { ShapedParagraph } from '../model/composed/shaped';
import { isPlayed, type ResolvedStyle, type StyledParagraph, type StyledRun } from '../model/composed/styled';
import { hangLeft, hangRight } from './hangingPunctuation';
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

/** What a run gives to its glyphs, per font unit or in points. */
interface RunFacts {
  readonly scale: number;
  readonly tracking: number;
  /** Advance of the face's own space. */
  readonly ownSpace: number;
  /** Share of its advance, and points besides, by which a letter may change. */
  readonly scalePlay: number;
  readonly spacePlay: number;
  /** How far a hyphen set at a line's end hangs out. */
  readonly hyphenHang: number;
  /** A drop capital stands apart from its line. */
  readonly isApart: boolean;
}

function factsOf(run: StyledRun | undefined, style: ResolvedStyle, context: WidthContext): RunFacts {
  if (run === undefined)
    return { scale: 0, tracking: 0, ownSpace: 0, scalePlay: 0, spacePlay: 0, hyphenHang: 0, isApart: false };
  const { face, size } = run;
  const plays = isPlayed(run);
  return {
    scale: size / context.unitsPerEm(face),
    tracking: (run.tracking * size) / 1000,
    ownSpace: context.space(face) * size,
    scalePlay: plays ? style.letterWidth / 100 : 0,
    spacePlay: plays ? (style.letterPlay / 1000) * size : 0,
    hyphenHang: hangRight(HYPHEN) * context.hyphen(face) * size,
    isApart: run.initial !== undefined,
  };
}

/**
 * The sums at all opportunities. One piece: one loop over the glyphs, and one step more for what stands at the end of the text; its
 * sums are plain local numbers: caught in a function within they were objects, made anew for each glyph.
 */
export function measureBreaks(
  styled: StyledParagraph,
  shaped: ShapedParagraph,
  breaks: Opportunities,
  context: WidthContext,
): BreakWidths {
  const { text, runs, style, isRtl } = styled;
  // Marks hang at the ends of lines that run from left to right.
  const hanging = isRtl ? 0 : style.hangingPunctuation;
  const { at: ends, next: starts, kind: kinds, count: n } = breaks;
  const widths = scratchFor(n + 1);
  const tabs: TabSums | null = text.includes('\t')
    ? { at: [], width: [], stretch: [], shrink: [], spaces: [], point: [] }
    : null;
  widths.tabs = tabs;
  widths.hangLeft.fill(0, 0, n + 1);
  widths.start[0] = widths.startStretch[0] = widths.startShrink[0] = widths.startPlayed[0] = 0;
  widths.startSpaces[0] = 0;
  const { least, wished, most } = style.wordSpace;
  const { clusters, advances, runStarts, unsafe, count } = shaped;
  kernedEnds.length = kernedStarts.length = 0;
  let width = 0;
  let stretch = 0;
  let shrink = 0;
  let spaces = 0;
  let played = 0;
  let run = 0;
  let facts = factsOf(runs[0], style, context);
  let nextRun = runs.length > 1 ? runStarts[1] : count;
  let nextEnd = 0;
  let nextStart = 0;
  let place = 0;
  /** The last letter met, for what hangs out at a line's end; and the first opportunity whose line begins with the next. */
  let last = -1;
  let lastAdvance = 0;
  let beginning = hanging > 0 ? (facts.isApart ? 1 : 0) : n + 1;
  for (let k = 0; k <= count; k += 1) {
    const offset = k < count ? clusters[k] : text.length;
    while (k >= nextRun && run + 1 < runs.length) {
      facts = factsOf(runs[(run += 1)], style, context);
      nextRun = run + 1 < runs.length ? runStarts[run + 1] : count;
    }
    if (offset >= place) {
      // Every opportunity whose place is at or before the offset.
      const isKerned = k < count && unsafe[k] === 1;
      for (; nextEnd < n && ends[nextEnd] <= offset; nextEnd += 1) {
        if (isKerned && ends[nextEnd] === offset) kernedEnds.push(nextEnd);
        let hang = 0;
        if (kinds[nextEnd] === LINE_END.hyphen) hang = facts.hyphenHang;
        else if (last >= 0 && last === ends[nextEnd] - 1) hang = hangRight(text.charCodeAt(last)) * lastAdvance;
        widths.end[nextEnd] = width - hanging * hang;
        widths.endStretch[nextEnd] = stretch;
        widths.endShrink[nextEnd] = shrink;
        widths.endSpaces[nextEnd] = spaces;
        widths.endPlayed[nextEnd] = played;
      }
      for (; nextStart < n && starts[nextStart] <= offset; nextStart += 1) {
        if (isKerned && starts[nextStart] === offset) kernedStarts.push(nextStart);
        widths.start[nextStart + 1] = width;
        widths.startStretch[nextStart + 1] = stretch;
        widths.startShrink[nextStart + 1] = shrink;
        widths.startSpaces[nextStart + 1] = spaces;
        widths.startPlayed[nextStart + 1] = played;
      }
      place = Math.min(nextEnd < n ? ends[nextEnd] : Infinity, nextStart < n ? starts[nextStart] : Infinity);
    }
    if (k === count) break;
    if (facts.isApart) continue;
    const code = text.charCodeAt(offset);
    if (code === SPACE || code === NO_BREAK_SPACE) {
      if (!isElasticSpace(text, offset)) continue;
      const { size } = runs[run];
      width += wished * size + advances[k] * facts.scale - facts.ownSpace + facts.tracking;
      stretch += (most - wished) * size;
      shrink += (wished - least) * size;
      spaces += 1;
    } else {
      if (tabs !== null && passTab(tabs, code, offset, width, stretch, shrink, spaces)) continue;
      const advance = advances[k] * facts.scale;
      last = offset;
      lastAdvance = advance;
      // Lines after these opportunities begin with this letter.
      for (; beginning <= nextStart; beginning += 1) {
        const hang = hangLeft(code) * hanging * advance;
        if (hang === 0 || (beginning === 0 ? 0 : starts[beginning - 1]) !== offset) continue;
        widths.hangLeft[beginning] = hang;
        widths.start[beginning] += hang;
      }
      if (advance === 0) continue;
      width += advance + facts.tracking;
      played += advance * facts.scalePlay + facts.spacePlay;
    }
  }
  addCuts(styled, breaks, widths, context);
  return widths;
}

/**
 * Notes the sums at a tab, which answers true, and at the first decimal mark after one. Sums one by one: called for each glyph, it
 * makes no object.
 */
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

/** Opportunities before and after which glyphs hang together, such as a letter that is kerned with the space after it. */
const kernedEnds: number[] = [];
const kernedStarts: number[] = [];

const isInsideWord = (kind: number) =>
  kind === LINE_END.hyphen || kind === LINE_END.dash || kind === LINE_END.emergency;

/** Adds the hyphen, and what shaping again at unsafe places changes. */
function addCuts(styled: StyledParagraph, breaks: Opportunities, widths: BreakWidths, context: WidthContext): void {
  let run = 0;
  for (let k = 0; k < breaks.count; k += 1) {
    const kind = breaks.kind[k];
    if (!isInsideWord(kind)) continue;
    const offset = breaks.at[k];
    while (run + 1 < styled.runs.length && styled.runs[run].to < offset) run += 1;
    const cut = context.cutWidths(offset);
    widths.end[k] += cut.before;
    widths.start[k + 1] -= cut.after;
    if (kind === LINE_END.hyphen) widths.end[k] += context.hyphen(styled.runs[run].face) * styled.runs[run].size;
  }
  // Where a line ends at a space, that falls away, and with it what it was kerned with on either side.
  for (const k of kernedEnds)
    if (!isInsideWord(breaks.kind[k])) widths.end[k] += context.cutWidths(breaks.at[k]).before;
  for (const k of kernedStarts)
    if (!isInsideWord(breaks.kind[k])) widths.start[k + 1] -= context.cutWidths(breaks.next[k]).after;
}
