// What had to give on a page, in words for findings: read off the regions after the search, with the paragraph at which it
// happened.
import { append } from '../base/append';
import type { ComposedParagraph } from '../model/composed/pages';
import { cutsWord, type CutFault, type Flow } from './flow';
import type { PagePlan } from './pagePlan';
import { floatsOf } from './placePictures';
import { reasonFor, type Reason } from './reasons';
import { closesPage } from './regions';
import type { FilledRegion } from './tracePages';

export type GiveKind =
  | Exclude<CutFault, 'none'>
  | 'uneven'
  | 'spread-short'
  | 'spread-long'
  | 'line-shorter'
  | 'line-longer'
  | 'space-given'
  | 'hyphen-over-recto'
  | 'short-last-page'
  | 'picture-over'
  | 'figure-late'
  | 'figure-below'
  | 'note-divided'
  | 'note-late'
  | 'margin-note-late'
  | 'unweighed';

export interface Give {
  readonly kind: GiveKind;
  readonly paragraph: ComposedParagraph;
  /** Grid lines by which it differs from what was wished, of a late figure pages; 0 where that means nothing. */
  readonly lines: number;
  /** What it was for. */
  readonly reason?: Reason;
}

const WITH_REASON: ReadonlySet<GiveKind> = new Set([
  'spread-short',
  'spread-long',
  'line-shorter',
  'line-longer',
  'space-given',
]);

/** Gives of one page, `regions` its columns from left to right. `firstPages`: pages on which the items of the flow begin. */
export function givesOf(
  regions: readonly FilledRegion[],
  flow: Flow,
  plan: PagePlan,
  firstPages: readonly number[] = [],
): Give[] {
  const { items } = flow;
  const gives: Give[] = regions.flatMap((region) => [
    ...givesOfPictures(region, flow),
    ...lateFigures(region, flow, firstPages),
  ]);
  const first = regions.find((region) => region.stretches.length > 0);
  if (first === undefined) return gives;
  const firstParagraph = first.stretches[0].setting.paragraph;
  const { depth, page } = regions[0];
  const closes = regions[regions.length - 1];
  const isLast = closes.endItem === items.length;
  if (depth !== 0 && !isLast)
    gives.push({ kind: depth < 0 ? 'spread-short' : 'spread-long', paragraph: firstParagraph, lines: depth });
  for (const region of regions) {
    for (const { item, setting, from, to, gap } of region.stretches) {
      const { paragraph, step } = setting;
      const isWished = items[item].source.wishes?.lines === step;
      if (from === 0 && step !== 0 && !isWished)
        gives.push({ kind: step < 0 ? 'line-shorter' : 'line-longer', paragraph, lines: step });
      for (const { line, moved, figure } of items[item].source.hung ?? [])
        if (moved > 0 && line >= from && line < to)
          gives.push({ kind: 'figure-below', paragraph: figure.paragraph, lines: moved });
      if (gap !== null) gives.push({ kind: 'space-given', paragraph, lines: gap - items[item].source.gap });
    }
    append(gives, givesOfNotes(region, flow));
    if (region.endItem < items.length) append(gives, givesOfEnd(region, flow, plan));
  }
  const used = depthOf(closes, flow);
  if (isLast && page > 0 && regions.length === 1 && used < plan.chapterEnd && used > 0)
    gives.push({ kind: 'short-last-page', paragraph: firstParagraph, lines: used });
  if (closes.region.columns > 1 || !gives.some((give) => WITH_REASON.has(give.kind))) return gives;
  const { item, from } = first.stretches[0];
  const reason = reasonFor(flow, plan, page, item, from);
  return gives.map((give) => (WITH_REASON.has(give.kind) ? { ...give, reason } : give));
}

/** Pictures at the head of a region, where text that comes after them stands before it. */
function givesOfPictures({ floatFrom, floatTo, stretches, endItem, endLine }: FilledRegion, flow: Flow): Give[] {
  const { items, floats } = flow;
  const [begins, line] = stretches.length > 0 ? [stretches[0].item, stretches[0].from] : [endItem, endLine];
  return floats.slice(floatFrom, floatTo).flatMap(({ anchor, isPicture }): Give[] => {
    let next = anchor + 1;
    while (next < items.length && items[next].mayPass) next += 1;
    const goesOn = begins > next || (begins === next && line > 0);
    return isPicture && goesOn ? [{ kind: 'picture-over', paragraph: items[anchor].source.paragraph, lines: 0 }] : [];
  });
}

/** Pages after its reference from which a figure is late: at the head of the next page it is where it should be. */
const LATE = 2;

function lateFigures(region: FilledRegion, flow: Flow, firstPages: readonly number[]): Give[] {
  return floatsOf(flow, region).flatMap(({ anchor, isPicture, figure: { paragraph } }): Give[] => {
    const away = region.page - (firstPages[anchor] ?? region.page);
    return isPicture || away < LATE ? [] : [{ kind: 'figure-late', paragraph, lines: away }];
  });
}

/** What the end of a region is: its place in the text, and how level it ends. */
function givesOfEnd(region: FilledRegion, flow: Flow, plan: PagePlan): Give[] {
  const gives: Give[] = [];
  const { endItem, endLine, page, white } = region;
  const item = flow.items[endItem];
  const last = region.stretches[region.stretches.length - 1];
  const setting = last !== undefined && last.item === endItem ? last.setting : item.settings[0];
  const fault = endLine === 0 ? item.faultBefore : setting.faults[endLine];
  if (fault !== 'none' && !(item.breakBefore && endLine === 0))
    gives.push({ kind: fault, paragraph: setting.paragraph, lines: 0 });
  const isRecto = (page % 2 === 0) === (plan.firstSide === 'recto');
  if (endLine > 0 && isRecto && closesPage(region.region) && cutsWord(setting, endLine))
    gives.push({ kind: 'hyphen-over-recto', paragraph: setting.paragraph, lines: 0 });
  const hasNotes = region.noteTo > region.noteFrom;
  const isUneven = white > 1e-3 && !hasNotes && !plan.exempt && !item.breakBefore && last !== undefined;
  if (isUneven) gives.push({ kind: 'uneven', paragraph: setting.paragraph, lines: white });
  return gives;
}

/** A note that goes on on the next page, and one that cannot even begin on the page of its reference. */
function givesOfNotes({ noteTo, endItem, endLine, stretches }: FilledRegion, flow: Flow): Give[] {
  const last = stretches[stretches.length - 1];
  const inside = endLine > 0 && last?.item === endItem ? last.setting.noteLinesBefore : null;
  const due = flow.noteStart[Math.min(endItem, flow.items.length)] + (inside === null ? 0 : inside[endLine]);
  if (noteTo >= due) return [];
  const { starts, paragraphs } = flow.notes;
  const gives: Give[] = [];
  if (starts[noteTo] === 0) gives.push({ kind: 'note-divided', paragraph: paragraphs[noteTo], lines: 0 });
  const late = starts.indexOf(1, noteTo);
  if (late >= 0 && late < due) gives.push({ kind: 'note-late', paragraph: paragraphs[late], lines: 0 });
  return gives;
}

function depthOf({ stretches }: FilledRegion, flow: Flow): number {
  const last = stretches[stretches.length - 1];
  return last === undefined ? 0 : last.start + (last.to - last.from) * flow.items[last.item].height;
}
