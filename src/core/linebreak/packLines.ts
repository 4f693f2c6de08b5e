// The packed lines that come of the ends that a search has found: what each is stretched by, and where it stands.
import { LINE_END, type BrokenParagraph } from '../model/composed/broken';
import type { ResolvedStyle, StyledParagraph } from '../model/composed/styled';
import { settlePlay, type PlayedLine } from './letterWidth';
import type { Opportunities } from './opportunities';
import { placeTabs, tabsBetween } from './tabs';
import { PARAGRAPH, type FitSettings, type FittedLines } from './fitSettings';
import type { BreakWidths } from './widths';

export interface LineSettings extends FitSettings {
  /** Widths that a drop capital takes from the lines beside it. */
  readonly initial: readonly number[];
  /** From the column's left edge to that of each of the first lines. */
  readonly inset: readonly number[];
}

/** A line whose spaces would be wider than this is left short, in em (house rules, section 6). */
const MOST_SPACE = 0.45;

/**
 * The lines that end at given opportunities, packed: of a paragraph, or of its rest where the settings begin there. One piece:
 * all arrays are filled line by line, side by side.
 */
export function packLines(
  styled: StyledParagraph,
  breaks: Opportunities,
  widths: BreakWidths,
  settings: LineSettings,
  { ends, demerits, isUnweighed }: FittedLines,
): BrokenParagraph {
  const count = ends.length;
  const { after, line: first } = settings.begin ?? PARAGRAPH;
  const endBefore = (line: number) => (line === 0 ? after : ends[line - 1]);
  /** The paragraph's first line, and in verse every line that a person began. */
  const isStart = (line: number) =>
    endBefore(line) < 0 || (settings.restarts && breaks.kind[endBefore(line)] === LINE_END.forced);
  const widthOf = (line: number) =>
    endBefore(line) >= 0 && isStart(line)
      ? settings.firstWidths[0]
      : (settings.firstWidths[first + line] ?? settings.width);
  const lines = {
    initial: settings.initial[0] ?? 0,
    count,
    demerits,
    ...(isUnweighed ? { isUnweighed } : {}),
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
  let s = after + 1;
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
  const ratios = settlePlay(played, style.letterWidth / 100);
  s = after + 1;
  ends.forEach((j, k) => {
    const width = widthOf(k);
    const line = played[k];
    const { natural, spaces } = line;
    const byLetters = ratios[k] * line.room;
    // No line closes its spaces beyond their limit: what is left over is overfull.
    const open = breaks.kind[j] === LINE_END.last || breaks.kind[j] === LINE_END.forced;
    const wanted = spaces > 0 ? Math.max(line.gap - byLetters, -line.shrink) : 0;
    // A last line that is to fill its measure does.
    const bySpaces = open || spaces === 0 ? wanted : kept(wanted, spaces, style);
    lines.from[k] = s === 0 ? 0 : breaks.next[s - 1];
    lines.to[k] = breaks.at[j];
    lines.width[k] = width;
    lines.end[k] = breaks.kind[j];
    lines.scale[k] = 1 + (ratios[k] * style.letterWidth) / 100;
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
    const indent = isRtl
      ? style.rightIndent
      : style.leftIndent + (isStart(k) ? style.firstIndent : 0) + (settings.initial[first + k] ?? 0);
    const left = indent + (settings.inset[first + k] ?? 0);
    const align = justified && open ? style.lastAlign : style.align;
    const side = isRtl && (align === 'left' || align === 'right') ? (align === 'left' ? 'right' : 'left') : align;
    const isShort = justified && !open && lines.textWidth[k] < width - 1;
    lines.x[k] = leftOf(isShort && isRtl ? 'right' : side, left, width, lines.textWidth[k]) - widths.hangLeft[s];
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
    const placed = placeTabs(
      tabs,
      ruler,
      { firstTab: first, endTab: end, start, end: stop, begin, right: begin + width },
      lines.tabs!,
    );
    const { last } = placed;
    const sums = { stretch: tabs.stretch[last], shrink: tabs.shrink[last], spaces: tabs.spaces[last] };
    return { width: placed.width, mayStretch: placed.mayStretch, ...sums };
  }
}

/** What is added to a line's spaces, in points: what fills it, or what they bear where filling it would tear it apart. */
function kept(added: number, spaces: number, { wordSpace, size }: ResolvedStyle): number {
  const { wished, most } = wordSpace;
  const isTorn = wished + added / spaces / size > Math.max(MOST_SPACE, most);
  return isTorn ? Math.min(added, (most - wished) * size * spaces) : added;
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
