// Reads the cheapest way out of a finished search: regions with the lines, notes and floats that stand in each.
import { FIRST_EXTRA } from './columnSettings';
import type { FillMemory } from './fillMemory';
import { joinLines, type LinePiece } from '../model/composed/joinLines';
import { makeSetting, type Flow, type Setting } from './flow';
import { snappedStart } from './snap';
import { noteHeight } from './noteBlocks';
import type { PagePlan } from './pagePlan';
import type { Region } from './regions';
import { CHOICE, FLAG, stateOf, type LayerState } from './stateList';

/** Lines of one paragraph in a region: from inclusive, to exclusive. */
export interface Stretch {
  /** Index of the paragraph in the flow. */
  readonly item: number;
  readonly setting: Setting;
  readonly from: number;
  readonly to: number;
  /** Grid lines from the region's top to that of its first line. */
  readonly start: number;
  /** The space before it, where it is not the one that its style wishes. */
  readonly gap: number | null;
}

export interface FilledRegion {
  /** Page of the reach, from 0. */
  readonly page: number;
  readonly region: Region;
  readonly stretches: readonly Stretch[];
  readonly noteFrom: number;
  readonly noteTo: number;
  /** Floats at its head. */
  readonly floatFrom: number;
  readonly floatTo: number;
  /** Grid lines more or fewer than the page has: those of its spread. */
  readonly depth: -1 | 0 | 1;
  /** Grid lines left white at the foot; 0 for the last region. */
  readonly white: number;
  /** Where the next region begins: paragraph and line; the count of paragraphs at the end. */
  readonly endItem: number;
  readonly endLine: number;
}

const SLACK = 1e-3;

export function traceRegions(memory: FillMemory, plan: PagePlan): FilledRegion[] {
  const { flow } = memory;
  const path = pathTo(flow, memory.layers, memory.last);
  const placed = placedLines(path, memory, plan);
  const regions: FilledRegion[] = [];
  let open = path[0];
  let floatFrom = 0;
  let page = 0;
  let stretches: Stretch[] = [];
  for (let k = 1; k < path.length; k += 1) {
    const [before, step] = [path[k - 1], path[k]];
    const lines = placed[k];
    if (lines !== null)
      stretches.push(makeStretch(flow, regionAt(plan, before.state), before.state, step.state, lines));
    if (!isRegionEnd(step.state)) continue;
    const depth = (((step.state.flags & FLAG.DEPTH_MASK) >> FLAG.DEPTH_SHIFT) - 1) as -1 | 0 | 1;
    const endLine = step.state.line === 0 ? 0 : lastLineBefore(placed, k);
    const floats = { floatFrom, floatTo: floatAt(flow, open) };
    const notes = { noteFrom: noteAt(flow, open), noteTo: noteAt(flow, step) };
    regions.push(
      regionOf(flow, plan, open, { page, stretches, depth, ...notes, ...floats, endItem: step.at, endLine }),
    );
    if (regionAt(plan, step.state).column === 0) page += 1;
    open = step;
    floatFrom = floatAt(flow, before);
    stretches = [];
  }
  const end = path[path.length - 1];
  const floats = { floatFrom, floatTo: floatAt(flow, open) };
  const notes = { noteFrom: noteAt(flow, open), noteTo: flow.noteStart[end.at] };
  const depth = depthOfLast(open.state, regionAt(plan, open.state));
  regions.push(
    regionOf(flow, plan, open, { page, stretches, depth, ...notes, ...floats, endItem: end.at, endLine: 0 }),
  );
  return regions;
}

/** Whether a step ended a region; a picture may go over below figures alone, and nothing stands in the region all the same. */
const isRegionEnd = ({ flags, choice }: LayerState): boolean => (flags & FLAG.EMPTY) !== 0 && choice !== CHOICE.PASSED;

/** The first note that is owed at a step. */
const noteAt = (flow: Flow, { at, state }: Step) => flow.noteStart[at] - state.owed;

/** The first float that stands nowhere at a step. */
const floatAt = (flow: Flow, { at, state }: Step) => flow.floatStart[at] + state.float;

/** The line after the last of the paragraph that stands before the step `k` inside it. */
function lastLineBefore(placed: readonly (PlacedLines | null)[], k: number): number {
  for (let j = k; j > 0; j -= 1) {
    const lines = placed[j];
    if (lines !== null) return lines.to;
  }
  return 0;
}

/** A region by what was found of it: `depth` is that of its spread. */
function regionOf(
  flow: Flow,
  plan: PagePlan,
  start: Step,
  found: Omit<FilledRegion, 'region' | 'white'>,
): FilledRegion {
  const { stretches, noteFrom, noteTo, depth, endItem } = found;
  const deep = baseOf(start.state, plan) + depth;
  const last = stretches[stretches.length - 1];
  const used =
    last === undefined ? start.state.used : last.start + (last.to - last.from) * flow.items[last.item].height;
  const notes = noteTo > noteFrom ? plan.noteGap + noteHeight(flow.notes, noteFrom, noteTo) : 0;
  const isLast = endItem === flow.items.length;
  return {
    ...found,
    region: regionAt(plan, start.state),
    depth: isLast && used + notes > deep + SLACK ? 0 : depth,
    white: isLast ? 0 : Math.max(0, deep - used - notes),
  };
}

interface Step {
  /** The paragraph that the state stands before or in. */
  readonly at: number;
  readonly state: LayerState;
}

function pathTo(flow: Flow, layers: FillMemory['layers'], last: number): Step[] {
  const path: Step[] = [];
  let at = flow.items.length;
  let index = last;
  while (index >= 0) {
    const state = stateOf(layers[at], index);
    path.push({ at, state });
    index = state.from;
    if (!isRegionEnd(state)) at -= 1;
  }
  return path.reverse();
}

/** Lines of a paragraph that a step placed, as they are numbered in its whole. */
interface PlacedLines {
  readonly at: number;
  setting: Setting;
  readonly from: number;
  readonly to: number;
}

/**
 * What each step of the path placed; null: nothing. A paragraph that goes on in columns of other widths stands in several
 * settings: these are put together.
 */
function placedLines(path: readonly Step[], { flow, extra }: FillMemory, plan: PagePlan): (PlacedLines | null)[] {
  const settingOf = (at: number, index: number) =>
    index < FIRST_EXTRA ? flow.items[at].settings[index] : extra.get(at)![index - FIRST_EXTRA];
  let pieces: (LinePiece & { readonly setting: Setting; readonly lines: PlacedLines })[] = [];
  const close = (at: number) => {
    if (pieces.some(({ setting }) => setting !== pieces[0].setting)) {
      const { source } = flow.items[at];
      const { styled, shaped } = source.paragraph;
      const whole = { styled, shaped, broken: joinLines(styled.text, pieces) };
      const setting = makeSetting(source, whole, 0, 0, plan.keeps);
      for (const { lines } of pieces) lines.setting = setting;
    }
    pieces = [];
  };
  return path.map((step, k) => {
    if (k === 0) return null;
    const { at, state } = path[k - 1];
    const isEnd = isRegionEnd(step.state);
    if (isEnd && step.state.line === 0) return null;
    if (!isEnd && step.state.choice === CHOICE.PASSED) return null;
    const setting = settingOf(at, step.state.choice & CHOICE.SETTING);
    const { broken } = setting.paragraph;
    let to = setting.count;
    if (isEnd && step.state.setting === (step.state.choice & CHOICE.SETTING)) to = step.state.line;
    else if (isEnd) {
      // The next line begins where that of the setting does in which the paragraph goes on.
      const next = settingOf(at, step.state.setting).paragraph.broken.from[step.state.line];
      to = state.line;
      while (to < setting.count && broken.from[to] < next) to += 1;
    }
    const before = pieces.reduce((sum, piece) => sum + piece.to - piece.from, 0);
    const lines: PlacedLines = { at, setting, from: before, to: before + to - state.line };
    if (to > state.line) pieces.push({ broken, from: state.line, to, setting, lines });
    if (!isEnd) close(at);
    return to > state.line ? lines : null;
  });
}

function makeStretch(
  flow: Flow,
  region: Region,
  before: LayerState,
  after: LayerState,
  { at, setting, from, to }: PlacedLines,
): Stretch {
  const item = flow.items[at];
  const empty = (before.flags & FLAG.EMPTY) !== 0;
  const gaps = before.flags & FLAG.PASSED ? item.gapsPassed : item.gaps;
  const gap = gaps[after.choice >> CHOICE.GAP_SHIFT];
  let start = before.used;
  if (!empty) start += gap.gap;
  else if (item.source.rows !== undefined) start += item.source.rows.top.depth;
  else if (before.line === 0 && item.source.paragraph.styled.style.keepSpace === true && region.page > 0)
    start += item.source.gap;
  if (!empty) start = snappedStart(item, start, gap.gap);
  return { item: at, setting, from, to, start, gap: empty || gap.cost === 0 ? null : gap.gap };
}

const regionAt = (plan: PagePlan, state: LayerState): Region => plan.regions.list[state.region];

function baseOf(state: LayerState, plan: PagePlan): number {
  const final = (state.flags & FLAG.FINAL_MASK) >> FLAG.FINAL_SHIFT;
  if (final > 0) return final;
  return regionAt(plan, state).lines;
}

/** The last page hangs on its spread's depth only where that was longer. */
function depthOfLast(state: LayerState, region: Region): -1 | 0 | 1 {
  if ((state.flags & FLAG.FINAL_MASK) !== 0) return 0;
  const code = (state.flags & FLAG.DEPTH_MASK) >> FLAG.DEPTH_SHIFT;
  const isOpen = code === 3 || (region.column === 0 && (state.flags & FLAG.VERSO) !== 0);
  return isOpen ? 0 : ((code - 1) as -1 | 0 | 1);
}
