// Divides one division into pages: the opener's head from its sink, the text from the text start, or, for a display
// page, each paragraph at its place.
import type { DivisionRole, Placing } from '../model/copy/book';
import type { StreamId } from '../model/copy/streams';
import { isDisplayRole, isPlateRole } from '../model/copy/roles';
import {
  gridBaseline,
  type ComposedParagraph,
  type Fragment,
  type PageGeometry,
  type PageRole,
  type PageSide,
} from '../model/composed/pages';
import type { NotesSpec } from '../model/spec/notes';
import type { PagesSpec } from '../model/spec/spec';
import type { DivisionPage } from './divisionPage';
import type { FillMemory } from './fillMemory';
import { fillPages } from './fillPages';
import { makeFlow, type CompiledSettings, type Flow, type FlowNote, type FlowParagraph } from './flow';
import { givesOf, type Give } from './gives';
import { KeptPages, type KeptPage } from './keptPages';
import { MarginNotes, type MarginColumn } from './marginNotes';
import type { PagePlan } from './pagePlan';
import { placeNotes, placeText } from './placeLines';
import { floatsOf, footDepth } from './placePictures';
import { regionsOf, type RegionSequence } from './regions';
import { traceRegions, type FilledRegion } from './tracePages';

/** A division as the page maker gets it. */
export interface DivisionFlow {
  /** Its id: that of the stream of its text. */
  readonly stream: StreamId;
  readonly role: DivisionRole;
  /** Number and title of an opener. */
  readonly head: readonly ComposedParagraph[];
  /** Points by which a head that begins at the left stands further in: at the edge of a book's poems. */
  readonly headEdge?: number;
  readonly text: readonly FlowParagraph[];
  /** Of a display page; undefined: as its styles say. */
  readonly placing?: Placing | undefined;
  /** How notes stand under the text; absent: on the foot line. */
  readonly notes?: Pick<NotesSpec, 'stand' | 'space'>;
  /** The column of notes beside the text. */
  readonly margin?: MarginColumn | null;
  /** Sets short notes as one paragraph. */
  readonly joinNotes?: (notes: readonly FlowNote[]) => ComposedParagraph;
}

export interface OpenerSettings {
  readonly sink: number;
  /** Grid line, from 1, on which the text of an opener begins. */
  readonly textStart: number;
}

/** What one making of a division's pages leaves for the next. */
export interface PaginateMemory {
  readonly plan: PagePlan;
  readonly leading: number;
  readonly geometry: PageGeometry;
  readonly fill: FillMemory;
  readonly pages: readonly KeptPage[];
  readonly compiled: WeakMap<FlowParagraph, CompiledSettings>;
}

export interface PaginatedDivision {
  readonly pages: readonly DivisionPage[];
  /** Undefined for display pages. */
  readonly memory: PaginateMemory | undefined;
}

/** On shallower pages a line more or less would be seen by anybody. */
const LEAST_ELASTIC_LINES = 10;
/** Grid lines from the last text line to the first note line, at least, where the spec says nothing. */
const NOTE_GAP = 0.6;

export function* paginateDivision(
  flow: DivisionFlow,
  geometry: PageGeometry,
  opener: OpenerSettings,
  spec: PagesSpec,
  side: PageSide,
  memory?: PaginateMemory,
): Generator<void, PaginatedDivision> {
  if (isDisplayRole(flow.role)) return { pages: yield* placeDisplay(flow, geometry), memory: undefined };
  const head = placeHead(flow, geometry, opener);
  const noteGap = flow.notes?.space ?? NOTE_GAP;
  const top = Math.min(head.textLine, geometry.lines - 1);
  const ofSpec = planOf(pagesBelow(flow.stream, geometry, top), geometry, spec, side, noteGap);
  // Notes have a leading of their own: their pages cannot end level.
  const plan = flow.role === 'notes' ? { ...ofSpec, exempt: true } : ofSpec;
  const compiled = memory?.compiled ?? new WeakMap<FlowParagraph, CompiledSettings>();
  const old =
    memory !== undefined && memory.leading === geometry.leading && samePlan(memory.plan, plan) ? memory : null;
  const before = old?.fill.flow.items;
  const lines = makeFlow(flow.text, geometry.leading, {
    ...{ keeps: plan.keeps, known: compiled, before },
    join: flow.joinNotes,
  });
  const fill = yield* fillPages(lines, plan, old?.fill);
  const filled = traceRegions(fill, plan);
  const regions = byPage(filled);
  const firstPages = lines.floats.length === 0 ? [] : firstPagesOf(filled);
  const kept = new KeptPages(old !== null && sameGeometry(old.geometry, geometry) ? old.pages : []);
  const finisher = new PageFinisher(flow, lines, plan, geometry, head, side);
  const pages = regions.map((own, index) => {
    const gives = [...givesOf(own, lines, plan, firstPages), ...unweighed(own, fill)];
    const mayStay = index > 0 && !finisher.mayHaveMarginNotes(own);
    const page = (mayStay && kept.take(own, lines, gives)) || finisher.finish(own, index, gives);
    return { page, regions: own, flow: lines };
  });
  return {
    pages: [...pages.map((one) => one.page), ...finisher.notesAlone(pages.length)],
    memory: { plan, leading: geometry.leading, geometry, fill, compiled, pages },
  };
}

/** Makes the pages of a division, one after the other, of what the search has put on them. */
class PageFinisher {
  private readonly margin: MarginNotes | null;
  private readonly partAlone: boolean;

  constructor(
    private readonly flow: DivisionFlow,
    private readonly lines: Flow,
    private readonly plan: PagePlan,
    private readonly geometry: PageGeometry,
    private readonly head: PlacedHead,
    private readonly side: PageSide,
  ) {
    this.margin = flow.margin == null ? null : new MarginNotes(lines, geometry, flow.margin);
    this.partAlone = flow.role === 'part' && flow.text.length === 0;
  }

  mayHaveMarginNotes(own: readonly FilledRegion[]): boolean {
    return this.margin?.mayStand(own) === true;
  }

  finish(own: readonly FilledRegion[], index: number, gives: readonly Give[]): DivisionPage {
    const { flow, lines, plan, geometry, head, margin } = this;
    const text = own.flatMap((region) => placeText(lines, region, geometry, plan.noteGap));
    const notes = own.map((region) => {
      const isUnder = flow.notes?.stand === 'text';
      const used = region.region.top + usedBy(region, lines);
      const text = footDepth(lines, region) > 0 ? null : used;
      const foot = { lines: geometry.lines, under: isUnder ? used : null, text, gap: plan.noteGap };
      return placeNotes(lines, region, geometry, foot);
    });
    const beside = margin?.place(own, this.sideOf(index)) ?? [];
    return {
      role: roleOf(own, index, this.partAlone, lines),
      fragments: index === 0 ? [...head.fragments, ...text] : text,
      notes: [...notes.flatMap((placed) => placed.fragments), ...beside],
      noteRules: notes.flatMap(({ rule }) => (rule === null ? [] : [rule])),
      depth: own[0].depth,
      gives: margin?.owes ? [...gives, ...lateInMargin(beside)] : gives,
      headTooDeep: index === 0 && head.tooDeep,
    };
  }

  /** Pages for what is left of the notes in the margin after the last line of the text. */
  notesAlone(from: number): DivisionPage[] {
    const { margin } = this;
    const more: DivisionPage[] = [];
    while (margin?.owes) {
      const notes = margin.place([], this.sideOf(from + more.length));
      more.push({ ...EMPTY_PAGE, notes, gives: margin.owes ? lateInMargin(notes) : [] });
    }
    return more;
  }

  private sideOf(index: number): PageSide {
    return (index % 2 === 0) === (this.side === 'recto') ? 'recto' : 'verso';
  }
}

const EMPTY_PAGE: DivisionPage = {
  role: 'text',
  fragments: [],
  notes: [],
  noteRules: [],
  depth: 0,
  gives: [],
  headTooDeep: false,
};

/** Paragraphs that begin on a page and through which not all ways were looked at. */
const unweighed = (own: readonly FilledRegion[], { layers }: FillMemory): Give[] =>
  own.flatMap(({ stretches }) =>
    stretches
      .filter(({ item, from }) => from === 0 && layers[item]?.isHurried === true)
      .map(({ setting }) => ({ kind: 'unweighed' as const, paragraph: setting.paragraph, lines: 0 })),
  );

const lateInMargin = (notes: readonly Fragment[]): Give[] =>
  notes.length === 0 ? [] : [{ kind: 'margin-note-late', paragraph: notes[notes.length - 1].paragraph, lines: 0 }];

/** Grid lines of text in a region. */
function usedBy({ stretches, floatFrom, floatTo }: FilledRegion, { items, floats }: Flow): number {
  const last = stretches[stretches.length - 1];
  const above = floats.slice(floatFrom, floatTo).reduce((sum, { height }) => sum + height, 0);
  return last === undefined ? above : last.start + (last.to - last.from) * items[last.item].height;
}

/** A page that a side skips inside a division holds nothing; one of a figure by itself is a plate. */
function roleOf(own: readonly FilledRegion[], index: number, partAlone: boolean, flow: Flow): PageRole {
  if (partAlone) return 'display';
  if (index === 0) return 'opener';
  const isEmpty = own.every(
    ({ stretches, noteFrom, noteTo, floatFrom, floatTo }) =>
      stretches.length === 0 && noteFrom === noteTo && floatFrom === floatTo,
  );
  if (isEmpty) return 'blank';
  const isPlate = own.every((region) => region.stretches.length === 0 && region.noteFrom === region.noteTo);
  return isPlate && own.some((region) => floatsOf(flow, region).some(({ place }) => place === 'page'))
    ? 'plate'
    : 'text';
}

/** The page on which each item of the flow begins. */
function firstPagesOf(regions: readonly FilledRegion[]): number[] {
  const pages: number[] = [];
  for (const { page, stretches } of regions) for (const { item } of stretches) pages[item] ??= page;
  return pages;
}

function byPage(regions: readonly FilledRegion[]): FilledRegion[][] {
  const pages: FilledRegion[][] = [];
  for (const region of regions) (pages[region.page] ??= []).push(region);
  return pages;
}

/** The columns of pages whose first begins `top` grid lines lower. */
function pagesBelow(stream: StreamId, { lines, columns }: PageGeometry, top: number): RegionSequence {
  return regionsOf(stream, [
    { top, lines: lines - top, columns },
    { top: 0, lines, columns },
  ]);
}

function planOf(
  regions: RegionSequence,
  geometry: PageGeometry,
  spec: PagesSpec,
  side: PageSide,
  noteGap: number,
): PagePlan {
  return {
    regions,
    firstSide: side,
    balance: spec.balanceColumns,
    noteGap,
    keeps: { linesAtFoot: spec.linesAtFoot, linesAtHead: spec.linesAtHead },
    chapterEnd: spec.chapterEnd,
    short: geometry.lines < LEAST_ELASTIC_LINES ? null : spec.spreadShort,
    long: geometry.lines < LEAST_ELASTIC_LINES ? null : spec.spreadLong,
    exempt: spec.footFree,
  };
}

function sameGeometry(a: PageGeometry, b: PageGeometry): boolean {
  return a === b || JSON.stringify(a) === JSON.stringify(b);
}

function samePlan(a: PagePlan, b: PagePlan): boolean {
  return JSON.stringify(a) === JSON.stringify(b);
}

interface PlacedHead {
  readonly fragments: Fragment[];
  /** Grid line, from 0, on which the text begins. */
  readonly textLine: number;
  readonly tooDeep: boolean;
}

/**
 * The head of an opener from its sink; the text start is the same whether the title takes one line or three. Where the page is
 * too shallow for the sink, the head stands as much higher as it must for a line of text to follow.
 */
function placeHead(
  { head, headEdge = 0 }: Pick<DivisionFlow, 'head' | 'headEdge'>,
  geometry: PageGeometry,
  opener: OpenerSettings,
): PlacedHead {
  const fragments: Fragment[] = [];
  const deepest = Math.max(0, Math.floor(geometry.lines - headLines(head, geometry) - 2));
  // A title of more lines grows upward into the sink, so that its last line stands where that of a short one does.
  const grown = headLines(head, geometry) - headLines(head, geometry, true);
  let line = head.length === 0 ? opener.sink : Math.min(Math.max(0, opener.sink - grown), deepest);
  for (const [index, paragraph] of head.entries()) {
    const { style } = paragraph.styled;
    const height = style.leading / geometry.leading;
    if (index > 0) line += Math.max(style.above, head[index - 1].styled.style.below);
    fragments.push({
      paragraph,
      from: 0,
      to: paragraph.broken.count,
      x: style.align === 'left' ? headEdge : 0,
      y: gridBaseline(geometry, line + height - 1),
    });
    line += height * paragraph.broken.count;
  }
  const wished = opener.textStart - 1;
  const least = head.length === 0 ? 0 : Math.ceil(line - SLACK) + CLEAR;
  return { fragments, textLine: Math.max(wished, least), tooDeep: head.length > 0 && least > wished };
}

/** Grid lines left free between the head of an opener and its text, at least (house rules, section 6). */
const CLEAR = 2;
const SLACK = 1e-3;

/** Grid lines that the head takes, with the spaces between its paragraphs; `short`: if its titles were of one line. */
const headLines = (head: readonly ComposedParagraph[], { leading }: PageGeometry, short = false): number =>
  head.reduce((sum, { styled, broken }, index) => {
    const { style } = styled;
    const gap = index === 0 ? 0 : Math.max(style.above, head[index - 1].styled.style.below);
    const lines = short && style.meaning.startsWith('heading') ? Math.min(1, broken.count) : broken.count;
    return sum + gap + (style.leading / leading) * lines;
  }, 0);

/** A display page: paragraphs from the top with all their space, then those of the foot. What does not fit goes on. */
function* placeDisplay(flow: DivisionFlow, geometry: PageGeometry): Generator<void, DivisionPage[]> {
  const firstFoot = flow.text.findIndex((item) => item.paragraph.styled.style.atFoot);
  const top = firstFoot < 0 ? flow.text : flow.text.slice(0, firstFoot);
  const foot = firstFoot < 0 ? [] : flow.text.slice(firstFoot);
  const footLines = foot.reduce((sum, item) => sum + heightOf(item, geometry), 0);
  const topLines = top.reduce((sum, item) => sum + heightOf(item, geometry), 0);
  const isAll = topLines + footLines > geometry.lines;
  const all = isAll ? flow.text : top;
  const placed = isAll ? undefined : placedLead(flow, topLines - (top[0]?.gap ?? 0), geometry.lines - footLines);
  const lead = all.length === 0 ? 0 : Math.min(placed ?? all[0].gap, geometry.lines - 1);
  const lines = makeFlow(all, geometry.leading, { join: flow.joinNotes });
  const onePlate = { ...geometry, columns: [{ x: 0, width: geometry.measure }] };
  const plan: PagePlan = {
    regions: pagesBelow(flow.stream, onePlate, lead),
    firstSide: 'recto',
    balance: false,
    noteGap: NOTE_GAP,
    keeps: { linesAtFoot: 1, linesAtHead: 1 },
    chapterEnd: 0,
    short: null,
    long: null,
    exempt: true,
  };
  const regions = traceRegions(yield* fillPages(lines, plan), plan);
  const pageRole = flow.role === 'blank' ? 'blank' : isPlateRole(flow.role) ? 'plate' : 'display';
  return regions.map((region, index): DivisionPage => {
    const text = placeText(lines, region, geometry, NOTE_GAP);
    const notes = placeNotes(lines, region, geometry, {
      lines: geometry.lines,
      under: null,
      text: null,
      gap: NOTE_GAP,
    });
    return {
      role: pageRole,
      fragments: all === top && index === regions.length - 1 ? [...text, ...placeFoot(foot, geometry)] : text,
      notes: notes.fragments,
      noteRules: notes.rule === null ? [] : [notes.rule],
      depth: 0,
      gives: [],
      headTooDeep: false,
    };
  });
}

/** Whole grid lines above the words of a display page that stand at its placing; undefined: as the first style says. */
function placedLead({ placing }: DivisionFlow, height: number, room: number): number | undefined {
  if (placing === undefined) return undefined;
  const free = Math.max(0, room - height);
  const middle = (share: number) => Math.min(free, Math.max(0, Math.round(room * share - height / 2)));
  const leads = { head: 0, third: middle(1 / 3), middle: middle(1 / 2), foot: Math.floor(free) };
  return leads[placing];
}

function heightOf(item: FlowParagraph, geometry: PageGeometry): number {
  const { broken, styled } = item.paragraph;
  return item.gap + (broken.count * styled.style.leading) / geometry.leading;
}

/** Up from the foot line, each paragraph at its own leading. */
function placeFoot(foot: readonly FlowParagraph[], geometry: PageGeometry): Fragment[] {
  const fragments: Fragment[] = [];
  let y = gridBaseline(geometry, geometry.lines - 1);
  for (let k = foot.length - 1; k >= 0; k -= 1) {
    const { paragraph, gap } = foot[k];
    const { leading } = paragraph.styled.style;
    const first = y - leading * (paragraph.broken.count - 1);
    fragments.unshift({ paragraph, from: 0, to: paragraph.broken.count, x: 0, y: first });
    y = first - leading - gap * geometry.leading;
  }
  return fragments;
}
