// What is seen only when lines stand below each other: the same word at three line ends, white running down through the
// lines, more than three lines that end in a mark (house rules, sections 3 and 4). Each names the breaks that make it.
import { endsInMark, firstWord, lastWord } from '../base/words';
import { LINE_END } from '../model/composed/broken';
import type { Opportunities } from './opportunities';
import { PARAGRAPH, type FitSettings } from './fitSettings';
import type { BreakWidths } from './widths';

/** A fault, its price in demerits, and the opportunities at which the lines end that it takes. */
export interface LineFault {
  readonly cost: number;
  readonly ends: readonly number[];
}

/** Demerits; a line stretched to its limit has some 12,000. */
export const FAULT = { MARKS: 60_000, STACK: 12_000, RIVER: 12_000 } as const;

/** Lines running that may end in a hyphen, dash or stop. */
const MARKS_RUNNING = 3;
const STACK = 3;
/** Letters of the shortest word that counts. */
const WORD = 3;
/** As the proof measures rivers: lines, least width of their spaces in em, share of the narrower that overlaps. */
const RIVER = { LINES: 4, WIDTH: 0.25, OVERLAP: 0.5 } as const;

export interface FaultContext {
  readonly text: string;
  readonly breaks: Opportunities;
  readonly widths: BreakWidths;
  readonly settings: FitSettings;
  /** Size in points, and word space wished, in em. */
  readonly size: number;
  readonly wished: number;
}

/** Faults of lines that end at the opportunities `ends`. */
export function faultsOf(ends: readonly number[], context: FaultContext): LineFault[] {
  const faults: LineFault[] = [];
  if (ends.length < STACK) return faults;
  findMarks(ends, context, faults);
  findStacks(ends, context, faults);
  if (context.settings.mode === 'justify' && ends.length >= RIVER.LINES) findRivers(ends, context, faults);
  return faults;
}

/** The last line ends in its stop whatever is done, and rarely at the margin: it does not count. */
function findMarks(ends: readonly number[], { text, breaks }: FaultContext, faults: LineFault[]): void {
  let running = 0;
  for (let k = 0; k < ends.length - 1; k += 1) {
    const j = ends[k];
    const isMarked = breaks.kind[j] === LINE_END.hyphen || endsInMark(text, breaks.at[j]);
    running = isMarked ? running + 1 : 0;
    if (running > MARKS_RUNNING) faults.push({ cost: FAULT.MARKS, ends: ends.slice(k - MARKS_RUNNING, k + 1) });
  }
}

/** A word that counts; shorter ones come together by chance. */
const long = (word: string) => (word.length < WORD ? '' : word);

function findStacks(ends: readonly number[], { text, breaks, settings }: FaultContext, faults: LineFault[]): void {
  const { after } = settings.begin ?? PARAGRAPH;
  let [starts, stops] = [1, 1];
  let before = { first: '', last: '' };
  for (let k = 0; k < ends.length; k += 1) {
    const j = ends[k];
    const end = k === 0 ? after : ends[k - 1];
    const from = end < 0 ? 0 : breaks.next[end];
    const to = breaks.at[j];
    const line = {
      first: long(firstWord(text, from, to)),
      last: breaks.kind[j] === LINE_END.hyphen ? '' : long(lastWord(text, from, to)),
    };
    starts = line.first !== '' && line.first === before.first ? starts + 1 : 1;
    stops = line.last !== '' && line.last === before.last ? stops + 1 : 1;
    // A line begins where the one before it ends.
    if (starts === STACK) faults.push({ cost: FAULT.STACK, ends: ends.slice(Math.max(0, k - STACK), k) });
    if (stops === STACK) faults.push({ cost: FAULT.STACK, ends: ends.slice(k - STACK + 1, k + 1) });
    before = line;
  }
}

/** Left and right ends of wide spaces, in turn. */
type Gaps = readonly number[];

function findRivers(ends: readonly number[], context: FaultContext, faults: LineFault[]): void {
  let above: { gaps: Gaps; chains: number[] } = { gaps: [], chains: [] };
  for (let k = 0; k < ends.length - 1; k += 1) {
    const gaps = gapsOf(k, ends, context);
    const chains: number[] = [];
    for (let g = 0; g < gaps.length; g += 2) {
      let chain = 1;
      for (let a = 0; a < above.gaps.length; a += 2) {
        const overlap = Math.min(gaps[g + 1], above.gaps[a + 1]) - Math.max(gaps[g], above.gaps[a]);
        const narrower = Math.min(gaps[g + 1] - gaps[g], above.gaps[a + 1] - above.gaps[a]);
        if (overlap >= RIVER.OVERLAP * narrower) chain = Math.max(chain, above.chains[a / 2] + 1);
      }
      chains.push(chain);
    }
    if (chains.includes(RIVER.LINES))
      faults.push({ cost: FAULT.RIVER, ends: ends.slice(Math.max(0, k - RIVER.LINES), k + 1) });
    above = { gaps, chains };
  }
}

const NONE: Gaps = [];

/** Spaces of a line that are wide enough for a river, at their places in the set line. */
function gapsOf(line: number, ends: readonly number[], { breaks, widths, settings, size, wished }: FaultContext): Gaps {
  const j = ends[line];
  const { after, line: first } = settings.begin ?? PARAGRAPH;
  const s = (line === 0 ? after : ends[line - 1]) + 1;
  const spaces = widths.endSpaces[j] - widths.startSpaces[s];
  if (spaces === 0) return NONE;
  const measure = settings.firstWidths[first + line] ?? settings.width;
  const gap = measure - (widths.end[j] - widths.start[s]);
  const played = widths.endPlayed[j] - widths.startPlayed[s];
  const stretch = widths.endStretch[j] - widths.startStretch[s];
  if (gap <= 0) return NONE;
  const letters = played > 0 ? Math.min(1, gap / (stretch + played)) : 0;
  const added = (gap - letters * played) / spaces;
  const width = wished * size + added;
  if (width < RIVER.WIDTH * size) return NONE;
  const gaps: number[] = [];
  const begin = settings.width - measure;
  for (let k = s; k < j; k += 1) {
    if (breaks.kind[k] !== LINE_END.space) continue;
    const natural = widths.start[k + 1] - widths.hangLeft[k + 1] - widths.start[s];
    const before = widths.startSpaces[k + 1] - widths.startSpaces[s];
    const to = begin + natural + letters * (widths.startPlayed[k + 1] - widths.startPlayed[s]) + before * added;
    gaps.push(to - width, to);
  }
  return gaps;
}
