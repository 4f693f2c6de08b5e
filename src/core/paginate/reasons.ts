// Why something had to give: what the pages would have come to without it. From the page's first line on, pages are
// filled as they come, with the best settings, the wished spaces and the plain depth, until the first fault.
import { cutsWord, type CutFault, type Flow } from './flow';
import { snappedStart } from './snap';
import { noteHeight } from './noteBlocks';
import type { PagePlan } from './pagePlan';
import { firstRegionOf } from './regions';

export interface Reason {
  readonly fault: Exclude<CutFault, 'none'> | 'uneven' | 'hyphen-over-recto' | 'short-last-page';
  /** Pages after the one that gives; 0: on it. */
  readonly after: number;
}

/** Pages looked ahead. */
const FAR = 6;
const SLACK = 1e-3;

/** Undefined when the plain pages come to no fault so soon: then it is the lines after that gain by it. */
export function reasonFor(flow: Flow, plan: PagePlan, page: number, item: number, line: number): Reason | undefined {
  let [p, l] = [item, line];
  for (let after = 0; after < FAR && p < flow.items.length; after += 1) {
    const end = fillPlainly(flow, plan, p, l, firstRegionOf(plan.regions, page + after).lines);
    if (end.item === flow.items.length) {
      const isStub = page + after > 0 && end.used < plan.chapterEnd;
      return isStub ? { fault: 'short-last-page', after } : undefined;
    }
    const next = flow.items[end.item];
    const fault = end.line === 0 ? next.faultBefore : next.settings[0].faults[end.line];
    if (fault !== 'none' && fault !== 'two-after-head') return { fault, after };
    const isRecto = ((page + after) % 2 === 0) === (plan.firstSide === 'recto');
    if (end.line > 0 && isRecto && cutsWord(next.settings[0], end.line)) return { fault: 'hyphen-over-recto', after };
    if (end.white > SLACK && !end.hasNotes && !plan.exempt) return { fault: 'uneven', after };
    [p, l] = [end.item, end.line];
  }
  return undefined;
}

interface PlainEnd {
  readonly item: number;
  readonly line: number;
  readonly used: number;
  readonly white: number;
  readonly hasNotes: boolean;
}

/** Where a page of `lines` grid lines ends that begins at a line and takes all that fits. */
function fillPlainly(flow: Flow, plan: PagePlan, item: number, line: number, lines: number): PlainEnd {
  let used = 0;
  let notes = 0;
  for (let p = item; p < flow.items.length; p += 1) {
    const { height, source, settings } = flow.items[p];
    const { count, noteLinesBefore } = settings[0];
    const from = p === item ? line : 0;
    let start = used === 0 ? 0 : used + source.gap;
    if (used > 0) start = snappedStart(flow.items[p], start, source.gap);
    for (let l = from; l < count; l += 1) {
      const own = noteLinesBefore === null ? 0 : noteLinesBefore[l + 1] - noteLinesBefore[l];
      const base = flow.noteStart[p] + (noteLinesBefore === null ? 0 : noteLinesBefore[l]);
      const more = own === 0 ? 0 : noteHeight(flow.notes, base, base + own) + (notes === 0 ? plan.noteGap : 0);
      const bottom = start + (l - from + 1) * height;
      const isFirst = used === 0;
      if (bottom + notes + more > lines + SLACK && !isFirst)
        return { item: p, line: l, used, white: Math.max(0, lines - used - notes), hasNotes: notes > 0 };
      used = bottom;
      notes += more;
    }
  }
  return { item: flow.items.length, line: 0, used, white: 0, hasNotes: notes > 0 };
}
