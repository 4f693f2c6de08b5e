// Reads the cheapest way out of a finished search: regions with the lines, notes and floats that stand in each.
import { FIRST_EXTRA } from './columnSettings';
import type { FillMemory } from './fillPages';
import type { Flow, Setting } from './flow';
import { noteHeight } from './noteBlocks';
import type { PagePlan } from './pagePlan';
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
  /** Page of the reach, from 0, and column. */
  readonly page: number;
  readonly column: number;
  readonly stretches: readonly Stretch[];
  readonly noteFrom: number;
  readonly noteTo: number;
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

export function traceRegions({ flow, layers, extra, last }: FillMemory, plan: PagePlan): FilledRegion[] {
  const path = pathTo(flow, layers, last);
  const final = finalSettings(path, flow, extra);
  const regions: FilledRegion[] = [];
  let open = path[0];
  let page = 0;
  let stretches: Stretch[] = [];
  const noteOf = ({ at, state }: Step) => flow.noteStart[at] - state.owed;
  let floatFrom = 0;
  for (let k = 1; k < path.length; k += 1) {
    const [before, step] = [path[k - 1], path[k]];
    const isEnd = (step.state.flags & FLAG.EMPTY) !== 0;
    const at = isEnd ? step.at : before.at;
    const to = isEnd ? step.state.line : final[at].count;
    if (to > before.state.line) stretches.push(makeStretch(flow, before.state, step.state, at, to, final[at]));
    if (!isEnd) continue;
    const depth = (((step.state.flags & FLAG.DEPTH_MASK) >> FLAG.DEPTH_SHIFT) - 1) as -1 | 0 | 1;
    regions.push(regionOf(open, stretches, depth, noteOf(step), open.state.float, step.at, step.state.line));
    const column = columnOf(step.state);
    if (column === 0) page += 1;
    open = step;
    stretches = [];
  }
  const end = path[path.length - 1];
  const fixed = depthOfLast(open.state);
  regions.push(regionOf(open, stretches, fixed, flow.noteStart[end.at], end.state.float, end.at, 0));
  return regions;

  function regionOf(
    start: Step,
    own: readonly Stretch[],
    depth: -1 | 0 | 1,
    noteTo: number,
    floatTo: number,
    endItem: number,
    endLine: number,
  ): FilledRegion {
    const noteFrom = noteOf(start);
    const from = floatFrom;
    floatFrom = floatTo;
    const deep = baseOf(start.state, plan) + depth;
    const lastOf = own[own.length - 1];
    const used =
      lastOf === undefined
        ? start.state.used
        : lastOf.start + (lastOf.to - lastOf.from) * flow.items[lastOf.item].height;
    const notes = noteTo > noteFrom ? plan.noteGap + noteHeight(flow.notes, noteFrom, noteTo) : 0;
    const isLast = endItem === flow.items.length;
    return {
      page,
      column: columnOf(start.state),
      stretches: own,
      noteFrom,
      noteTo,
      floatFrom: from,
      floatTo,
      depth: isLast && used + notes > deep + SLACK ? 0 : depth,
      white: isLast ? 0 : Math.max(0, deep - used - notes),
      endItem,
      endLine,
    };
  }
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
    if ((state.flags & FLAG.EMPTY) === 0) at -= 1;
  }
  return path.reverse();
}

/** One setting per paragraph: the last one that its lines were given. */
function finalSettings(path: readonly Step[], flow: Flow, extra: FillMemory['extra']): Setting[] {
  const final = flow.items.map((item) => item.settings[0]);
  path.forEach((step, k) => {
    if (k === 0) return;
    const isEnd = (step.state.flags & FLAG.EMPTY) !== 0;
    if (isEnd && step.state.line === 0) return;
    const at = isEnd ? step.at : path[k - 1].at;
    const index = step.state.choice & CHOICE.SETTING;
    final[at] = index < FIRST_EXTRA ? flow.items[at].settings[index] : extra.get(at)![index - FIRST_EXTRA];
  });
  return final;
}

function makeStretch(
  flow: Flow,
  before: LayerState,
  after: LayerState,
  at: number,
  to: number,
  setting: Setting,
): Stretch {
  const item = flow.items[at];
  const empty = (before.flags & FLAG.EMPTY) !== 0;
  const gap = item.gaps[after.choice >> CHOICE.GAP_SHIFT];
  let start = before.used;
  if (!empty) start += gap.gap;
  else if (
    before.line === 0 &&
    item.source.paragraph.styled.style.keepSpace === true &&
    (before.flags & FLAG.FIRST) === 0
  )
    start += item.source.gap;
  if (item.snaps && !empty) start = Math.ceil(start - SLACK);
  return { item: at, setting, from: before.line, to, start, gap: empty || gap.cost === 0 ? null : gap.gap };
}

const columnOf = (state: LayerState) => (state.flags & FLAG.COLUMN_MASK) >> FLAG.COLUMN_SHIFT;

function baseOf(state: LayerState, plan: PagePlan): number {
  const final = (state.flags & FLAG.FINAL_MASK) >> FLAG.FINAL_SHIFT;
  if (final > 0) return final;
  return state.flags & FLAG.FIRST ? plan.firstLines : plan.lines;
}

/** The last page hangs on its spread's depth only where that was longer. */
function depthOfLast(state: LayerState): -1 | 0 | 1 {
  if ((state.flags & FLAG.FINAL_MASK) !== 0) return 0;
  const code = (state.flags & FLAG.DEPTH_MASK) >> FLAG.DEPTH_SHIFT;
  const isOpen = code === 3 || (columnOf(state) === 0 && (state.flags & FLAG.VERSO) !== 0);
  return isOpen ? 0 : ((code - 1) as -1 | 0 | 1);
}
