// A reach as the page optimiser sees it: for each paragraph the ways in which it may be set, the spaces before it, the
// note lines and floats that it brings, and what it costs to end a page at each of its lines. Heights are in grid lines.
import { commonEndsBy } from '../base/commonEnds';
import { lastAtMost } from '../base/search';
import { endsInOwnHyphen } from '../base/words';
import { LINE_END, type Measure } from '../model/composed/broken';
import type { ComposedParagraph, PageSide } from '../model/composed/pages';
import { COST } from './costs';
import { AFTER_HEAD, followers, goesOver, isHead, TALL, NEAR_START } from './goesOver';
import { depthOfWhole, notesAt, type FlowParagraph, type PageWishes } from './flowParagraph';
import type { NoteLines } from './noteBlocks';
import { lineOf, rowAt, rowsOf, type Rows } from './settingRows';
import { leadsToGrid, standsOnGrid } from './snap';
import { isCaptionOf, neededAfter } from './neededAfter';
import { isJoined, packFloats, packNotes, type PackedFloat } from './packInsertions';

export type { FlowFloat, FlowNote, FlowParagraph, Insertion, NoteLayout, PageWishes, Variant } from './flowParagraph';

/** Why a page should not have ended where it did. */
export type CutFault =
  | 'none'
  | 'orphan'
  | 'widow'
  | 'short-widow'
  | 'stranded-head'
  | 'break-at-top'
  | 'parted'
  | 'two-after-head'
  | 'line-by-break'
  | 'by-figure';

/** Least lines of a paragraph at a page's foot and head. */
export interface KeepRules {
  readonly linesAtFoot: number;
  readonly linesAtHead: number;
}

/** A way to set a paragraph. Arrays have an element per line, and one more where they are `before` something. */
export interface Setting {
  readonly paragraph: ComposedParagraph;
  /** Lines; of a paragraph on both sides of a figure its rows, and so everywhere here. */
  readonly count: number;
  readonly rows: Rows;
  readonly cost: number;
  /** Lines more than the best setting. */
  readonly step: -1 | 0 | 1;
  /** What ending a region before a line costs by itself, and why. */
  readonly cut: Float64Array;
  readonly faults: readonly CutFault[];
  /** Note lines of this paragraph that belong to lines before a line; null: it has none. */
  readonly noteLinesBefore: Int32Array | null;
  /** Widths that it is set to, where columns differ. */
  readonly measure?: Measure;
}

/** A paragraph, compiled for the search. */
export interface FlowItem {
  readonly source: FlowParagraph;
  readonly height: number;
  /** True when its baselines stand on the grid. */
  readonly snaps: boolean;
  /** A head: half a line of its space may be given, and it stands between two lines of the grid then. */
  readonly mayHalve: boolean;
  readonly afterHead: boolean;
  readonly settings: Setting[];
  readonly gaps: readonly { readonly gap: number; readonly cost: number }[];
  /** The same where the picture before it has gone over. */
  readonly gapsPassed: FlowItem['gaps'];
  /** A picture that may go over to a later region. */
  readonly mayPass: boolean;
  /** What ending a region before it costs, and why. */
  readonly cutBefore: number;
  readonly faultBefore: CutFault;
  /** Cost of standing first on a page. */
  readonly topCost: number;
  readonly breakBefore: boolean;
  /** Stands first in the first column: columns before it stay empty. */
  readonly beginsPage: boolean;
  /** The side of the page that it begins; null: either. */
  readonly side: PageSide | null;
  /** Grid lines that may be left free before it without looking for another way: it cannot be divided. */
  readonly mayLeave: number;
  /** The same inside it, before the lines beside a figure that begins there. */
  readonly mayLeaveInside: number;
  readonly wish: -1 | 0 | 1 | null;
  readonly isBreak: boolean;
  /** One line of several grid lines: a picture. */
  readonly isTall: boolean;
  readonly held: ReadonlySet<number> | null;
}

export interface Flow {
  readonly items: readonly FlowItem[];
  readonly floats: readonly PackedFloat[];
  /** Floats to which paragraphs before each one refer; one more element than items. */
  readonly floatStart: Int32Array;
  /** Note lines that belong to paragraphs before each one; one more element than items. */
  readonly noteStart: Int32Array;
  readonly notes: NoteLines;
  /** Heights of the best settings and gaps from each paragraph on. */
  readonly rest: Float64Array;
  /** Grid lines after each paragraph without which it would be parted from what it belongs to: of a head, a picture, beside a figure. */
  readonly needs: Float64Array;
  readonly isHeld: boolean;
}

/** A stanza of so many lines is not divided (house rules, section 2). */
const WHOLE_STANZA = 4;
const DEFAULT_KEEPS: KeepRules = { linesAtFoot: 2, linesAtHead: 2 };

/** What a flow is made with, besides its paragraphs. */
export interface FlowMaking {
  readonly keeps?: KeepRules | undefined;
  /** What paragraphs came to before, kept between flows. */
  readonly known?: WeakMap<FlowParagraph, CompiledSettings>;
  /** Items of the flow before: those that cannot differ are taken over. */
  readonly before?: readonly FlowItem[] | undefined;
  /** Sets notes that run on as one paragraph. */
  readonly join?: NoteLines['join'] | undefined;
}

export function makeFlow(paragraphs: readonly FlowParagraph[], leading: number, making: FlowMaking = {}): Flow {
  const { keeps = DEFAULT_KEEPS, known = new WeakMap(), before } = making;
  const { join = ([first]) => first.paragraphs[0] } = making;
  const kept = before === undefined ? [0, 0] : sharedSources(before, paragraphs);
  const items = paragraphs.map((source, index) => {
    // Items depend on three paragraphs before them and one after.
    if (index < kept[0] - AFTER_HEAD) return before![index];
    if (index >= paragraphs.length - kept[1] + 3) return before![index - paragraphs.length + before!.length];
    const [a, b, c] = followers(paragraphs, index);
    const seen = [paragraphs[index - 1], paragraphs[index - 2], paragraphs[index - 3], a, b, c];
    const old = known.get(source);
    if (old !== undefined && old.leading === leading && sameKeeps(old, keeps) && sameSeen(old.seen, seen))
      return old.item;
    const item = compile(paragraphs, index, leading, keeps, old);
    known.set(source, { leading, ...keeps, settings: item.own, seen, item: item.item });
    return item.item;
  });
  const rest = new Float64Array(items.length + 1);
  for (let p = items.length - 1; p >= 0; p -= 1)
    rest[p] = rest[p + 1] + items[p].source.gap + items[p].settings[0].count * items[p].height;
  const needs = Float64Array.from(items, (_, index) => neededAfter(items, index));
  return {
    items,
    rest,
    needs,
    isHeld: items.some((item) => item.held !== null),
    ...packNotes(paragraphs, leading, join),
    ...packFloats(paragraphs, leading),
  };
}

/** How many paragraphs at both ends are those of a flow made before. */
function sharedSources(items: readonly FlowItem[], paragraphs: readonly FlowParagraph[]): [number, number] {
  return commonEndsBy(items.length, paragraphs.length, (i, j) => items[i].source === paragraphs[j]);
}

/** An item and everything that it depends on: its paragraph, three before it, and the one after it, after a head three. */
export interface CompiledSettings extends KeepRules {
  readonly leading: number;
  readonly settings: Setting[];
  readonly seen: readonly (FlowParagraph | undefined)[];
  readonly item: FlowItem;
}

const sameKeeps = (a: KeepRules, b: KeepRules) => a.linesAtFoot === b.linesAtFoot && a.linesAtHead === b.linesAtHead;
const sameSeen = (a: readonly unknown[], b: readonly unknown[]) => a.every((value, k) => value === b[k]);

/** The item, and its settings as they are whatever stands before it. */
function compile(
  paragraphs: readonly FlowParagraph[],
  index: number,
  leading: number,
  keeps: KeepRules,
  old: CompiledSettings | undefined,
): { item: FlowItem; own: Setting[] } {
  const source = paragraphs[index];
  const { broken, styled } = source.paragraph;
  const { style } = styled;
  const isKept = old !== undefined && old.leading === leading && sameKeeps(old, keeps);
  const own = isKept ? old.settings : settingsOf(source, keeps);
  const height = source.captions === undefined ? style.leading / leading : depthOfWhole(source, leading);
  const before = cutBetween(paragraphs, index);
  const near = linesSinceHead(paragraphs, index);
  const isWhole = style.withNext || style.keepTogether === true || source.wishes?.together === true;
  const { byFigure } = source;
  const isBeside = byFigure !== undefined && !byFigure.joins;
  const gaps = [
    { gap: source.gap, cost: 0 },
    ...(source.elastic ?? []).map((gap) => ({ gap, cost: COST.ELASTIC * Math.max(1, Math.abs(gap - source.gap)) })),
  ];
  const { gapPassed = source.gap } = source;
  const item: FlowItem = {
    source,
    height,
    snaps: standsOnGrid(source, leading) && (!style.withNext || leadsToGrid(followers(paragraphs, index))),
    mayHalve: style.withNext,
    afterHead: index > 0 && isHead(paragraphs[index - 1]),
    settings: near === null ? own : own.map((setting) => withHeadBefore(setting, near)),
    gaps,
    gapsPassed: gapPassed === source.gap ? gaps : [{ gap: gapPassed, cost: 0 }],
    mayPass: source.mayPass === true,
    cutBefore: before.cost,
    faultBefore: before.fault,
    topCost: topCostOf(source),
    breakBefore: source.wishes?.breakBefore !== undefined,
    beginsPage: source.wishes?.breakBefore !== undefined && source.wishes.breakBefore !== 'column',
    side: sideOf(source.wishes?.breakBefore),
    mayLeaveInside: isBeside && byFigure.from > 0 ? byFigure.depth + 1 : 0,
    mayLeave:
      isBeside && byFigure.from <= NEAR_START
        ? byFigure.from + GOES_WITH * byFigure.depth
        : isWhole
          ? broken.count * height +
            1 +
            Math.max(AFTER_HEAD, style.withNext ? goesOver(followers(paragraphs, index), leading) : 0)
          : 3,
    wish: source.wishes?.spread ?? null,
    isBreak: style.meaning === 'break',
    isTall: broken.count === 1 && height >= TALL,
    held: source.held === undefined ? null : new Set(source.held),
  };
  return { item, own };
}

/** What goes over with text beside a figure, in its depth: its notes go too. */
const GOES_WITH = 2;

const isBreak = (item: FlowParagraph) => item.paragraph.styled.style.meaning === 'break';

/** The settings among which the search may choose; only the wished one when a person wished. */
function settingsOf(source: FlowParagraph, keeps: KeepRules): Setting[] {
  const best = makeSetting(source, source.paragraph, 0, 0, keeps);
  const shorter =
    source.shorter && makeSetting(source, source.shorter.paragraph, -1, COST.SHORTER + source.shorter.cost, keeps);
  const longer =
    source.longer && makeSetting(source, source.longer.paragraph, 1, COST.LONGER + source.longer.cost, keeps);
  if (source.wishes?.lines === -1 && shorter) return [{ ...shorter, cost: 0 }];
  if (source.wishes?.lines === 1 && longer) return [{ ...longer, cost: 0 }];
  if (source.wishes?.lines !== undefined) return [best];
  return [best, shorter, longer].filter((setting) => setting !== undefined);
}

/** Makes one way of setting a paragraph known to the search. */
export function makeSetting(
  source: FlowParagraph,
  paragraph: ComposedParagraph,
  step: -1 | 0 | 1,
  cost: number,
  keeps: KeepRules = DEFAULT_KEEPS,
): Setting {
  const rows = rowsOf(source, paragraph);
  const count = rows === null ? paragraph.broken.count : rows.length - 1;
  const { byFigure } = source;
  const cut = new Float64Array(count);
  const faults: CutFault[] = new Array<CutFault>(count).fill('none');
  for (let line = 1; line < count; line += 1) {
    const isBeside = byFigure !== undefined && line > byFigure.from && line < byFigure.to;
    const fault = isBeside ? 'by-figure' : cutInside(paragraph, lineOf(rows, line), keeps);
    faults[line] = fault;
    cut[line] = FAULT_COST[fault];
  }
  if (source.wishes?.together) for (let line = 1; line < count; line += 1) cut[line] += COST.WISH;
  return { paragraph, count, rows, cost, step, cut, faults, noteLinesBefore: noteLinesBefore(source, paragraph, rows) };
}

const FAULT_COST: Readonly<Record<CutFault, number>> = {
  none: 0,
  orphan: COST.ORPHAN,
  widow: COST.WIDOW,
  'short-widow': COST.SHORT_WIDOW,
  'stranded-head': COST.STRANDED_HEAD,
  'break-at-top': COST.BREAK_AT_TOP,
  parted: COST.PARTED,
  'two-after-head': COST.TWO_AFTER_HEAD,
  'line-by-break': COST.LINE_BY_BREAK,
  'by-figure': COST.BY_FIGURE,
};

/** A widow is a paragraph's last line alone at a page top, an orphan its first alone at a page foot. */
function cutInside(paragraph: ComposedParagraph, line: number, keeps: KeepRules): CutFault {
  const { broken, styled } = paragraph;
  const { style } = styled;
  if (style.withNext) return 'stranded-head';
  if (style.meaning === 'verse' && broken.count <= WHOLE_STANZA) return 'parted';
  if (style.keepTogether === true) return 'parted';
  if (style.initial && line < style.initial.lines) return 'parted';
  if (line < Math.min(keeps.linesAtFoot, broken.count)) return 'orphan';
  const after = broken.count - line;
  if (after >= keeps.linesAtHead) return 'none';
  const last = broken.count - 1;
  return after === 1 && broken.textWidth[last] < (2 / 3) * broken.width[last] ? 'short-widow' : 'widow';
}

function noteLinesBefore(source: FlowParagraph, { broken }: ComposedParagraph, rows: Rows): Int32Array | null {
  const notes = notesAt(source, 'foot');
  if (notes.length === 0) return null;
  const count = rows === null ? broken.count : rows.length - 1;
  const before = new Int32Array(count + 1);
  for (const note of notes) {
    const line = rowAt(rows, Math.max(0, lastAtMost(broken.from, note.at, broken.count)));
    const lines = isJoined(note) ? 1 : note.paragraphs.reduce((sum, one) => sum + one.broken.count, 0);
    for (let k = line + 1; k <= count; k += 1) before[k] += lines;
  }
  return before;
}

function cutBetween(paragraphs: readonly FlowParagraph[], index: number): { cost: number; fault: CutFault } {
  if (index === 0) return { cost: 0, fault: 'none' };
  const before = paragraphs[index - 1];
  const item = paragraphs[index];
  let cost = before.wishes?.together ? COST.WISH : 0;
  if (item.rows?.goesOn) cost += item.rows.goesOn === 'group' ? COST.TABLE_GROUP : COST.TABLE_ROW;
  let fault: CutFault = 'none';
  const near = linesSinceHead(paragraphs, index);
  if (item.byFigure?.joins) fault = 'by-figure';
  else if (isHead(before)) fault = 'stranded-head';
  else if (isCaptionOf(before, item)) fault = 'parted';
  // What a head stands over is whole where the next head begins.
  else if (near !== null && !(near.isHead && isHead(item)))
    fault = near.isHead ? headFault(near.lines) : near.lines < 2 ? 'line-by-break' : 'none';
  if (fault === 'none') {
    if (isBreak(item)) fault = 'break-at-top';
    else if (index + 1 < paragraphs.length && isBreak(paragraphs[index + 1]) && item.paragraph.broken.count === 1)
      fault = 'line-by-break';
    else if (leadsIn(before, item)) fault = 'parted';
  }
  cost += FAULT_COST[fault];
  const { styled, broken } = before.paragraph;
  if (broken.count === 1 && /:\s*$/.test(styled.text ?? '')) cost += COST.COLON_FOOT;
  return { cost, fault };
}

/** A line that ends with a colon before an extract or a list leads in to it. */
function leadsIn(before: FlowParagraph, item: FlowParagraph): boolean {
  const { meaning } = item.paragraph.styled.style;
  if (meaning !== 'extract' && meaning !== 'listItem' && meaning !== 'verse') return false;
  return before.paragraph.styled.style.meaning === 'body' && /:\s*$/.test(before.paragraph.styled.text ?? '');
}

interface NearHead {
  readonly isHead: boolean;
  readonly lines: number;
}

const headFault = (lines: number): CutFault =>
  lines < 2 ? 'stranded-head' : lines < AFTER_HEAD ? 'two-after-head' : 'none';

/** Lines between a paragraph and the head or space break before it, when they are fewer than must follow one. */
function linesSinceHead(paragraphs: readonly FlowParagraph[], index: number): NearHead | null {
  let lines = 0;
  for (let k = index - 1; k >= 0; k -= 1) {
    if (isHead(paragraphs[k])) return { isHead: true, lines };
    // After the break at a page's foot nothing needs to follow: the ornament stands there.
    if (isBreak(paragraphs[k])) return lines === 0 ? null : { isHead: false, lines };
    lines += paragraphs[k].paragraph.broken.count;
    if (lines >= AFTER_HEAD) return null;
  }
  return null;
}

/** The same setting after a head that wants lines after it. */
function withHeadBefore(setting: Setting, near: NearHead): Setting {
  const cut = setting.cut.slice();
  const faults = [...setting.faults];
  for (let line = 1; line < setting.count; line += 1) {
    const fault = near.isHead ? headFault(near.lines + line) : near.lines + line < 2 ? 'line-by-break' : 'none';
    if (FAULT_COST[fault] <= FAULT_COST[faults[line]]) continue;
    cut[line] += FAULT_COST[fault] - FAULT_COST[faults[line]];
    faults[line] = fault;
  }
  return { ...setting, cut, faults };
}

function topCostOf({ paragraph }: FlowParagraph): number {
  const { broken } = paragraph;
  return broken.count === 1 && broken.textWidth?.[0] < broken.width[0] / 2 ? COST.SHORT_TOP : 0;
}

/** Whether a line ends inside a word, be it at the word's own hyphen. */
function endsInHyphen({ broken, styled }: ComposedParagraph, line: number): boolean {
  const end = broken.end?.[line];
  return end === LINE_END.hyphen || (end === LINE_END.dash && endsInOwnHyphen(styled.text, broken.to[line]));
}

/** Whether the line before a row ends inside a word. */
export const cutsWord = ({ paragraph, rows }: Setting, row: number): boolean =>
  endsInHyphen(paragraph, lineOf(rows, row) - 1);

/** The side on which a paragraph begins; null: either. */
function sideOf(breakBefore: PageWishes['breakBefore']): PageSide | null {
  return breakBefore === 'recto' || breakBefore === 'verso' ? breakBefore : null;
}
