// Breaks a shaped paragraph into lines: opportunities, widths, the optimum, and the packed lines that come of it.
import { LINE_END, type BrokenParagraph, type Measure } from '../model/composed/broken';
import type { ShapedParagraph } from '../model/composed/shaped';
import type { ResolvedStyle, StyledParagraph } from '../model/composed/styled';
import type { Hyphenator } from './hyphenator';
import { findOpportunities, withEmergencies, type Opportunities } from './opportunities';
import { findTies } from './ties';
import { initialWidths } from './initialShape';
import { faultsOf } from './lineFaults';
import { chooseNearEqual, mostWays } from './nearEqual';
import { oneLine } from './oneLine';
import { packLines, type LineSettings } from './packLines';
import { rulerOf } from './tabs';
import type { FitSettings, FittedLines } from './fitSettings';
import { fitLineCount, fitLines } from './totalFit';
import { measureBreaks, type BreakWidths, type WidthContext } from './widths';

export interface BreakContext extends WidthContext {
  /** Null for a language without patterns. */
  readonly hyphenator: (language: string) => Hyphenator | null;
}

/** Depth of the rag of heads and titles, whose lines are balanced, in em. */
const BALANCED_RAG = 4;
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
  const whole = isBalanced(styled.style) || wish !== 'none' ? null : oneLine(styled, shaped, measure, context);
  if (whole !== null) return { best: whole, shorter: null, longer: null };
  const { breaks, widths, settings } = prepare(styled, shaped, measure, context);
  const best = packLines(styled, breaks, widths, settings, chooseLines(styled, breaks, widths, settings, fitLines)!);
  const variant = (step: -1 | 1): BrokenParagraph | null => {
    const lines = best.count + step;
    if (wish === 'none' || lines < 1 || lines > MOST_VARIED || isBalanced(styled.style)) return null;
    if (wish === 'good' ? !isWithinReach(best, styled, step) : wish !== step) return null;
    const tolerance = wish === 'good' ? VARIANT_TOLERANCE : WANTED_TOLERANCE;
    const found = chooseLines(styled, breaks, widths, settings, (...of) => fitLineCount(...of, lines, tolerance));
    return found === null ? null : packLines(styled, breaks, widths, settings, found);
  };
  return { best, shorter: variant(-1), longer: variant(1) };
}

/**
 * Breaks the rest of a paragraph that goes on in a column of another width: as many first lines as the measure has widths
 * of their own stand as they are in `before`. What comes of the rest hangs only on where it begins, on its widths and, beside
 * a drop capital, on its line.
 */
export function breakOn(
  styled: StyledParagraph,
  shaped: ShapedParagraph,
  measure: Measure,
  before: BrokenParagraph,
  context: BreakContext,
): BrokenParagraph {
  const line = measure.first.length;
  const at = before.to[line - 1];
  const { breaks, widths, settings } = prepare(styled, shaped, measure, context, { line, at });
  let after = 0;
  while (breaks.at[after] < at) after += 1;
  const begun = { ...settings, begin: { after, line } };
  return packLines(styled, breaks, widths, begun, chooseLines(styled, breaks, widths, begun, fitLines)!);
}

/** The lines that `fit` finds cheapest, with the faults that no single line shows; null when it finds none. */
function chooseLines(
  { text, style }: StyledParagraph,
  breaks: Opportunities,
  widths: BreakWidths,
  settings: LineSettings,
  fit: (...of: Fitting) => FittedLines | null,
): FittedLines | null {
  const faultContext = { text, breaks, widths, settings, size: style.size, wished: style.wordSpace.wished };
  return chooseNearEqual(
    (barred) => fit(breaks, widths, settings, barred),
    (ends) => faultsOf(ends, faultContext),
    mostWays(breaks.count),
  );
}

type Fitting = [breaks: Opportunities, widths: BreakWidths, settings: FitSettings, barred: ReadonlySet<number>];

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
  const { size, letterWidth } = styled.style;
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
  const letters = full * measure * (letterWidth / 100);
  const give = perSpace * spaces + letters;
  const needed = step < 0 ? last : Math.max(0, measure - last) + wished * size;
  return needed <= give * REACH;
}

/** Ragged lines give by their rag: by half of it each, on the mean. */
function isWithinRag(best: BrokenParagraph, { style }: StyledParagraph, step: -1 | 1): boolean {
  const full = best.count - 1;
  const last = best.textWidth[full];
  const room = (full * style.rag * style.size) / 2;
  return (step < 0 ? last : best.width[full] - last) <= room * REACH;
}

interface Prepared {
  readonly breaks: Opportunities;
  readonly widths: BreakWidths;
  readonly settings: LineSettings;
}

/** Opportunities and widths, with emergency cuts where a word is wider than a line. */
function prepare(
  styled: StyledParagraph,
  shaped: ShapedParagraph,
  measure: Measure,
  context: BreakContext,
  begin: { readonly line: number; readonly at: number } = { line: 0, at: -1 },
): Prepared {
  const { style } = styled;
  const breaks = findOpportunities(styled.text, {
    hyphenatorAt: hyphenatorAt(styled, context),
    limits: style.hyphenate ? style.hyphenation : null,
    weakEnds: style.align === 'justify' ? null : isBalanced(style) ? 'heading' : 'short',
    ties: style.ties ? findTies(styled.text, style.language, style.liftedTies, styled.notes) : NO_TIES,
  });
  const widths = measureBreaks(styled, shaped, breaks, context);
  const settings = settingsOf(styled, measure, initialWidths(styled, shaped, context));
  const extra = emergencies(
    shaped,
    breaks,
    widths,
    Math.min(settings.width, ...settings.firstWidths.slice(begin.line)),
    styled.text,
    advanceIn(styled, shaped, context),
  );
  // A cut in a word that was too wide where it stood may be no opportunity here.
  if (begin.line > 0 && !extra.includes(begin.at) && !breaks.at.subarray(0, breaks.count).includes(begin.at)) {
    extra.push(begin.at);
    extra.sort((a, b) => a - b);
  }
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
  if (runs.every((run) => run.language === style.language && run.asTyped !== true)) return () => own;
  let run = 0;
  return (offset) => {
    while (run + 1 < runs.length && runs[run].to <= offset) run += 1;
    return runs[run].asTyped === true ? null : context.hyphenator(runs[run].language);
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
    inset: measure.inset ?? [],
    width: inside(measure.width),
    firstWidths: first.map((width, k) => Math.max(LEAST_WIDTH, inside(width) - (k === 0 ? style.firstIndent : 0))),
    mode: style.align === 'justify' ? 'justify' : isBalanced(style) ? 'balanced' : 'ragged',
    restarts: style.meaning === 'verse',
    running: style.hyphenation.running,
    lastLine: style.lastLine * style.size,
    rag: (isBalanced(style) ? BALANCED_RAG : style.rag) * style.size,
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
