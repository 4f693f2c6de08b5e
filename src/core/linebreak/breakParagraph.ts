// Breaks a shaped paragraph into lines: opportunities, widths, the optimum, and the packed lines that come of it.
import { LINE_END, type BrokenParagraph, type Measure } from '../model/broken';
import type { ShapedParagraph } from '../model/shaped';
import type { StyledParagraph } from '../model/styled';
import type { Hyphenator } from './hyphenator';
import { findOpportunities, withEmergencies, type Opportunities } from './opportunities';
import { settlePlay, type PlayedLine } from './glyphPlay';
import { fitLines, type FitSettings } from './totalFit';
import { measureBreaks, type BreakWidths, type WidthContext } from './widths';

export interface BreakContext extends WidthContext {
  /** Null for a language without patterns. */
  readonly hyphenator: (language: string) => Hyphenator | null;
}

/** Depth of the rag in em (house rules, section 3). */
const RAG = 4;
/** No line is narrower than this, whatever the indents: a column is never without an answer. */
const LEAST_WIDTH = 6;

/** Breaks to a column of `measure` points. Always answers; a word wider than the line is cut between its letters. */
export function breakParagraph(
  styled: StyledParagraph,
  shaped: ShapedParagraph,
  measure: Measure,
  context: BreakContext,
): BrokenParagraph {
  const { style } = styled;
  const hyphenator = style.hyphenate ? context.hyphenator(style.language) : null;
  let breaks = findOpportunities(styled.text, hyphenator, style.hyphenate ? style.hyphenation : null);
  let widths = measureBreaks(styled, shaped, breaks, context);
  const settings = settingsOf(styled, measure);
  const extra = emergencies(shaped, breaks, widths, Math.min(settings.width, settings.firstWidth), styled.text);
  if (extra.length > 0) {
    breaks = withEmergencies(breaks, extra);
    widths = measureBreaks(styled, shaped, breaks, context);
  }
  return packLines(styled, breaks, widths, settings, fitLines(breaks, widths, settings));
}

function settingsOf(styled: StyledParagraph, measure: Measure): FitSettings {
  const { style } = styled;
  const width = Math.max(LEAST_WIDTH, measure - style.leftIndent - style.rightIndent);
  return {
    width,
    firstWidth: Math.max(LEAST_WIDTH, width - style.firstIndent),
    mode: style.align === 'justify' ? 'justify' : style.align === 'centre' ? 'balanced' : 'ragged',
    running: style.hyphenation.running,
    lastLine: style.lastLine * style.size,
    play: style.align === 'justify' ? style.glyphPlay / 100 : 0,
    rag: RAG * style.size,
  };
}

/** Offsets between letters inside stretches that are wider than a line and have no opportunity. */
function emergencies(
  shaped: ShapedParagraph,
  breaks: Opportunities,
  widths: BreakWidths,
  width: number,
  text: string,
): number[] {
  const offsets: number[] = [];
  for (let k = 0; k < breaks.count; k += 1) {
    const shrink = widths.endShrink[k] - widths.startShrink[k];
    if (widths.end[k] - widths.start[k] - shrink <= width) continue;
    const from = k === 0 ? 0 : breaks.next[k - 1];
    for (let g = 0; g < shaped.count; g += 1) {
      const offset = shaped.clusters[g];
      if (offset > from && offset < breaks.at[k] && offset !== shaped.clusters[g - 1] && text[offset] !== ' ')
        offsets.push(offset);
    }
  }
  return offsets;
}

function packLines(
  styled: StyledParagraph,
  breaks: Opportunities,
  widths: BreakWidths,
  settings: FitSettings,
  ends: readonly number[],
): BrokenParagraph {
  const count = ends.length;
  const lines = {
    count,
    from: new Uint32Array(count),
    to: new Uint32Array(count),
    x: new Float32Array(count),
    width: new Float32Array(count),
    spaceDelta: new Float32Array(count),
    scale: new Float32Array(count).fill(1),
    spaceEm: new Float32Array(count),
    end: new Uint8Array(count),
    textWidth: new Float32Array(count),
    over: new Float32Array(count),
  };
  const { style } = styled;
  const justified = settings.mode === 'justify';
  const played: PlayedLine[] = [];
  let s = 0;
  ends.forEach((j, k) => {
    const width = k === 0 ? settings.firstWidth : settings.width;
    const kind = breaks.kind[j];
    const gap = width - (widths.end[j] - widths.start[s]);
    const open = kind === LINE_END.last || kind === LINE_END.forced;
    played.push({
      // An open line keeps its natural spaces unless it must close up.
      gap: !justified || (open && gap >= 0) ? 0 : gap,
      stretch: widths.endStretch[j] - widths.startStretch[s],
      shrink: widths.endShrink[j] - widths.startShrink[s],
      letters: widths.endPlayed[j] - widths.startPlayed[s],
    });
    s = j + 1;
  });
  const scales = settlePlay(played, settings.play);
  s = 0;
  ends.forEach((j, k) => {
    const width = k === 0 ? settings.firstWidth : settings.width;
    const natural = widths.end[j] - widths.start[s];
    const spaces = widths.endSpaces[j] - widths.startSpaces[s];
    const line = played[k];
    const byLetters = (scales[k] - 1) * line.letters;
    // No line closes its spaces beyond their limit: what is left over is overfull.
    const bySpaces = spaces > 0 ? Math.max(line.gap - byLetters, -line.shrink) : 0;
    lines.from[k] = s === 0 ? 0 : breaks.next[s - 1];
    lines.to[k] = breaks.at[j];
    lines.width[k] = width;
    lines.end[k] = breaks.kind[j];
    lines.scale[k] = scales[k];
    lines.spaceDelta[k] = spaces > 0 ? bySpaces / spaces : 0;
    lines.spaceEm[k] = spaces > 0 ? style.wordSpace.wished + bySpaces / spaces / style.size : 0;
    lines.textWidth[k] = natural + byLetters + bySpaces;
    lines.over[k] = Math.max(0, lines.textWidth[k] - width - 0.01);
    const left = style.leftIndent + (k === 0 ? style.firstIndent : 0);
    lines.x[k] = leftOf(style.align, left, width, lines.textWidth[k]) - widths.hangLeft[s];
    s = j + 1;
  });
  return lines;
}

function leftOf(align: StyledParagraph['style']['align'], left: number, width: number, textWidth: number): number {
  if (align === 'right') return left + width - textWidth;
  if (align === 'centre') return left + (width - textWidth) / 2;
  return left;
}
