// Breaks a shaped paragraph into lines: opportunities, widths, the optimum, and the packed lines that come of it.
import { LINE_END, type BrokenParagraph, type Measure } from '../model/broken';
import type { ShapedParagraph } from '../model/shaped';
import type { ResolvedStyle, StyledParagraph } from '../model/styled';
import type { Hyphenator } from './hyphenator';
import { findOpportunities, withEmergencies, type Opportunities } from './opportunities';
import { findTies } from './ties';
import { initialWidths } from './initialShape';
import { faultsOf } from './lineFaults';
import { chooseNearEqual } from './nearEqual';
import { placeTabs, rulerOf, tabsBetween } from './tabs';
import { settlePlay, type PlayedLine } from './glyphPlay';
import { fitLineCount, fitLines, type FitSettings, type FittedLines } from './totalFit';
import { measureBreaks, type BreakWidths, type WidthContext } from './widths';

export interface BreakContext extends WidthContext {
  /** Null for a language without patterns. */
  readonly hyphenator: (language: string) => Hyphenator | null;
}

/** Depth of the rag in em (house rules, section 3). */
const RAG = 4;
/** No line is narrower than this, whatever the indents: a column is never without an answer. */
const LEAST_WIDTH = 6;

/** A paragraph set in its best way, and a line shorter and longer where that can be done well. */
export interface BrokenSettings {
  readonly best: BrokenParagraph;
  readonly shorter: BrokenParagraph | null;
  readonly longer: BrokenParagraph | null;
}

/** Which variants are looked for: those that might be good; none; or the one that a person wants, whatever it costs. */
export type VariantWish = 'good' | 'none' | -1 | 1;

/** Breaks to a column. Always answers; a word wider than the line is cut between its letters. */
export function breakParagraph(
  styled: StyledParagraph,
  shaped: ShapedParagraph,
  measure: Measure,
  context: BreakContext,
  wish: VariantWish = 'none',
): BrokenSettings {
  const { breaks, widths, settings } = prepare(styled, shaped, measure, context);
  const { wordSpace, size } = styled.style;
  const faultContext = { text: styled.text, breaks, widths, settings, size, wished: wordSpace.wished };
  const faults = (ends: readonly number[]) => faultsOf(ends, faultContext);
  const fitted = chooseNearEqual((barred) => fitLines(breaks, widths, settings, barred), faults)!;
  const best = packLines(styled, breaks, widths, settings, fitted);
  const variant = (step: -1 | 1): BrokenParagraph | null => {
    const lines = best.count + step;
    if (wish === 'none' || lines < 1 || lines > MOST_VARIED || isBalanced(styled.style)) return null;
    if (wish === 'good' ? !isWithinReach(best, styled, step) : wish !== step) return null;
    const tolerance = wish === 'good' ? VARIANT_TOLERANCE : WANTED_TOLERANCE;
    const find = (barred: ReadonlySet<number>) => fitLineCount(breaks, widths, settings, lines, tolerance, barred);
    const found = chooseNearEqual(find, faults);
    return found === null ? null : packLines(styled, breaks, widths, settings, found);
  };
  return { best, shorter: variant(-1), longer: variant(1) };
}

/** Longer paragraphs have no variants: so many ways lead to each of their line counts that the search would not end. */
const MOST_VARIED = 200;

/** No line of a variant is stretched beyond its limit, so none is loose; one that a person wants may be. */
const VARIANT_TOLERANCE = 2;
const WANTED_TOLERANCE = 3;
/** Share of what all its lines can give that a variant may ask for before it is looked at closely. */
const REACH = 1.2;

/** Whether the last line can be filled up, or emptied, by what the lines before it can give. */
function isWithinReach(best: BrokenParagraph, styled: StyledParagraph, step: -1 | 1): boolean {
  if (styled.style.align !== 'justify') return isWithinRag(best, styled, step);
  const full = best.count - 1;
  const measure = best.width[full];
  const last = best.textWidth[full];
  const { least, wished, most } = styled.style.wordSpace;
  const { size, glyphPlay } = styled.style;
  let spaces = 0;
  let room = 0;
  for (let k = 0; k < full; k += 1) {
    if (best.end[k] === LINE_END.forced) return false;
    const count = best.spaceCount[k];
    spaces += count;
    room += step < 0 ? best.spaceEm[k] - least : most - best.spaceEm[k];
  }
  if (full === 0) return step > 0 && last > measure * 0.9;
  const perSpace = (room / full) * size;
  const letters = full * measure * (glyphPlay / 100);
  const give = perSpace * spaces + letters;
  const needed = step < 0 ? last : Math.max(0, measure - last) + wished * size;
  return needed <= give * REACH;
}

/** Ragged lines give by their rag: by half of it each, on the mean. */
function isWithinRag(best: BrokenParagraph, { style }: StyledParagraph, step: -1 | 1): boolean {
  const full = best.count - 1;
  const last = best.textWidth[full];
  const room = (full * RAG * style.size) / 2;
  return (step < 0 ? last : best.width[full] - last) <= room * REACH;
}

interface Prepared {
  readonly breaks: Opportunities;
  readonly widths: BreakWidths;
  readonly settings: LineSettings;
}

interface LineSettings extends FitSettings {
  /** Widths that a drop capital takes from the lines beside it. */
  readonly initial: readonly number[];
}

/** Opportunities and widths, with emergency cuts where a word is wider than a line. */
function prepare(styled: StyledParagraph, shaped: ShapedParagraph, measure: Measure, context: BreakContext): Prepared {
  const { style } = styled;
  const breaks = findOpportunities(styled.text, {
    hyphenatorAt: hyphenatorAt(styled, context),
    limits: style.hyphenate ? style.hyphenation : null,
    weakEnds: style.align === 'justify' ? null : isBalanced(style) ? 'heading' : 'short',
    ties: style.ties ? findTies(styled.text, style.language, style.liftedTies) : NO_TIES,
  });
  const widths = measureBreaks(styled, shaped, breaks, context);
  const settings = settingsOf(styled, measure, initialWidths(styled, shaped, context));
  const extra = emergencies(
    shaped,
    breaks,
    widths,
    Math.min(settings.width, ...settings.firstWidths),
    styled.text,
    advanceIn(styled, shaped, context),
  );
  if (extra.length === 0) return { breaks, widths, settings };
  const more = withEmergencies(breaks, extra);
  return { breaks: more, widths: measureBreaks(styled, shaped, more, context), settings };
}

/** Advance of a glyph in points; glyphs are asked in rising order. */
function advanceIn(
  { runs }: StyledParagraph,
  shaped: ShapedParagraph,
  context: BreakContext,
): (glyph: number) => number {
  let run = 0;
  return (glyph) => {
    while (run + 1 < runs.length && shaped.runStarts[run + 1] <= glyph) run += 1;
    return runs.length === 0 ? 0 : (shaped.advances[glyph] * runs[run].size) / context.unitsPerEm(runs[run].face);
  };
}

const NO_TIES: readonly number[] = [];

/** Heads and titles stand in lines of like width, whatever side they keep to; so does what is centred. */
const isBalanced = ({ align, meaning }: ResolvedStyle) =>
  align === 'centre' || meaning.startsWith('heading') || meaning === 'title';

/** Patterns by the language of the run; offsets are asked in rising order. */
function hyphenatorAt({ runs, style }: StyledParagraph, context: BreakContext): (offset: number) => Hyphenator | null {
  const own = context.hyphenator(style.language);
  if (runs.every((run) => run.language === style.language)) return () => own;
  let run = 0;
  return (offset) => {
    while (run + 1 < runs.length && runs[run].to <= offset) run += 1;
    return context.hyphenator(runs[run].language);
  };
}

function settingsOf(styled: StyledParagraph, measure: Measure, initial: readonly number[]): LineSettings {
  const { style } = styled;
  const inside = (width: number) => Math.max(LEAST_WIDTH, width - style.leftIndent - style.rightIndent);
  const first = Array.from(
    { length: Math.max(1, measure.first.length, initial.length) },
    (_, k) => (measure.first[k] ?? measure.width) - (initial[k] ?? 0),
  );
  return {
    initial,
    width: inside(measure.width),
    firstWidths: first.map((width, k) => Math.max(LEAST_WIDTH, inside(width) - (k === 0 ? style.firstIndent : 0))),
    mode: style.align === 'justify' ? 'justify' : isBalanced(style) ? 'balanced' : 'ragged',
    restarts: style.meaning === 'verse',
    running: style.hyphenation.running,
    lastLine: style.lastLine * style.size,
    rag: RAG * style.size,
    ruler: rulerOf(style),
  };
}

/** A stretch of more characters than this has cuts only where its lines are full: no word is so long. */
const LONG_STRETCH = 600;

/** Offsets between letters inside stretches that are wider than a line and have no opportunity. */
function emergencies(
  shaped: ShapedParagraph,
  breaks: Opportunities,
  widths: BreakWidths,
  width: number,
  text: string,
  advanceOf: (glyph: number) => number,
): number[] {
  const offsets: number[] = [];
  let glyph = 0;
  for (let k = 0; k < breaks.count; k += 1) {
    const shrink = widths.endShrink[k] - widths.startShrink[k];
    if (widths.end[k] - widths.start[k] - shrink <= width) continue;
    const from = k === 0 ? 0 : breaks.next[k - 1];
    while (glyph < shaped.count && shaped.clusters[glyph] <= from) glyph += 1;
    const everywhere = breaks.at[k] - from < LONG_STRETCH;
    let line = 0;
    for (; glyph < shaped.count && shaped.clusters[glyph] < breaks.at[k]; glyph += 1) {
      const offset = shaped.clusters[glyph];
      const advance = advanceOf(glyph);
      line += advance;
      if (offset === shaped.clusters[glyph - 1] || text[offset] === ' ' || (!everywhere && line <= width)) continue;
      offsets.push(offset);
      line = advance;
    }
  }
  return offsets;
}

function packLines(
  styled: StyledParagraph,
  breaks: Opportunities,
  widths: BreakWidths,
  settings: LineSettings,
  { ends, demerits }: FittedLines,
): BrokenParagraph {
  const count = ends.length;
  /** The paragraph's first line, and in verse every line that a person began. */
  const isStart = (line: number) =>
    line === 0 || (settings.restarts && breaks.kind[ends[line - 1]] === LINE_END.forced);
  const widthOf = (line: number) =>
    line > 0 && isStart(line) ? settings.firstWidths[0] : (settings.firstWidths[line] ?? settings.width);
  const lines = {
    initial: settings.initial[0] ?? 0,
    count,
    demerits,
    from: new Uint32Array(count),
    to: new Uint32Array(count),
    x: new Float32Array(count),
    width: new Float32Array(count),
    spaceDelta: new Float32Array(count),
    scale: new Float32Array(count).fill(1),
    letterSpace: new Float32Array(count),
    spaceEm: new Float32Array(count),
    spaceCount: new Uint16Array(count),
    end: new Uint8Array(count),
    textWidth: new Float32Array(count),
    over: new Float32Array(count),
    tabs:
      widths.tabs === null
        ? null
        : { widths: new Float32Array(widths.tabs.at.length), leaders: widths.tabs.at.map(() => '') },
  };
  const { style } = styled;
  const justified = settings.mode === 'justify';
  const played: (PlayedLine & { natural: number; spaces: number })[] = [];
  let s = 0;
  ends.forEach((j, k) => {
    const width = widthOf(k);
    const kind = breaks.kind[j];
    const tabbed = tabbedLine(k, s, j, width);
    const gap = width - (tabbed?.width ?? widths.end[j] - widths.start[s]);
    const open = kind === LINE_END.last || kind === LINE_END.forced;
    played.push({
      // An open line keeps its natural spaces unless it must close up.
      gap: !justified || (open && gap >= 0 && style.lastAlign !== 'justify') || tabbed?.mayStretch === false ? 0 : gap,
      stretch: widths.endStretch[j] - (tabbed?.stretch ?? widths.startStretch[s]),
      shrink: widths.endShrink[j] - (tabbed?.shrink ?? widths.startShrink[s]),
      room: tabbed === null ? widths.endPlayed[j] - widths.startPlayed[s] : 0,
      natural: width - gap,
      spaces: widths.endSpaces[j] - (tabbed?.spaces ?? widths.startSpaces[s]),
    });
    s = j + 1;
  });
  const ratios = settlePlay(played, style.glyphPlay / 100);
  s = 0;
  ends.forEach((j, k) => {
    const width = widthOf(k);
    const line = played[k];
    const { natural, spaces } = line;
    const byLetters = ratios[k] * line.room;
    // No line closes its spaces beyond their limit: what is left over is overfull.
    const bySpaces = spaces > 0 ? Math.max(line.gap - byLetters, -line.shrink) : 0;
    lines.from[k] = s === 0 ? 0 : breaks.next[s - 1];
    lines.to[k] = breaks.at[j];
    lines.width[k] = width;
    lines.end[k] = breaks.kind[j];
    lines.scale[k] = 1 + (ratios[k] * style.glyphPlay) / 100;
    lines.letterSpace[k] = (ratios[k] * style.letterPlay) / 1000;
    lines.spaceCount[k] = spaces;
    lines.spaceDelta[k] = spaces > 0 ? bySpaces / spaces : 0;
    // The letter before a space brings its letter-space to the gap.
    const added = bySpaces / spaces / style.size + lines.letterSpace[k];
    lines.spaceEm[k] = spaces > 0 ? style.wordSpace.wished + added : 0;
    lines.textWidth[k] = natural + byLetters + bySpaces;
    lines.over[k] = Math.max(0, lines.textWidth[k] - width - 0.01);
    // Indents stand at the side where lines begin.
    const { isRtl } = styled;
    const left = isRtl
      ? style.rightIndent
      : style.leftIndent + (isStart(k) ? style.firstIndent : 0) + (settings.initial[k] ?? 0);
    const open = lines.end[k] === LINE_END.last || lines.end[k] === LINE_END.forced;
    const align = justified && open ? style.lastAlign : style.align;
    const side = isRtl && (align === 'left' || align === 'right') ? (align === 'left' ? 'right' : 'left') : align;
    lines.x[k] = leftOf(side, left, width, lines.textWidth[k]) - widths.hangLeft[s];
    s = j + 1;
  });
  return lines;

  /** What a line with tabs comes to, and the sums at its last one; null for a line without. */
  function tabbedLine(line: number, from: number, to: number, width: number) {
    const { tabs } = widths;
    if (tabs === null) return null;
    const [first, end] = tabsBetween(tabs, from === 0 ? 0 : breaks.next[from - 1], breaks.at[to]);
    if (first === end) return null;
    const { ruler } = settings;
    const begin = isStart(line) ? ruler.first : ruler.other;
    const [start, stop] = [widths.start[from], widths.end[to]];
    const placed = placeTabs(tabs, ruler, first, end, start, stop, begin, begin + width, lines.tabs!);
    const { last } = placed;
    const sums = { stretch: tabs.stretch[last], shrink: tabs.shrink[last], spaces: tabs.spaces[last] };
    return { width: placed.width, mayStretch: placed.mayStretch, ...sums };
  }
}

function leftOf(
  align: ResolvedStyle['align'] | ResolvedStyle['lastAlign'],
  left: number,
  width: number,
  textWidth: number,
): number {
  if (align === 'right') return left + width - textWidth;
  if (align === 'centre') return left + (width - textWidth) / 2;
  return left;
}
