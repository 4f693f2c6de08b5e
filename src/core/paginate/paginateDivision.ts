// Divides one division into pages: the opener's head from its sink, the text from the text start, or, for a display
// page, each paragraph at its place. Independent of the side on which the division begins.
import type { DivisionRole } from '../model/book';
import { gridBaseline, type ComposedParagraph, type Fragment, type PageGeometry, type PageRole } from '../model/pages';
import { fillPages, type FilledPage } from './fillPages';
import { makeFlow, type FlowParagraph } from './flow';
import { placeNotes, placeText } from './placeLines';

/** A division as the page maker gets it. */
export interface DivisionFlow {
  readonly role: DivisionRole;
  /** Number and title of an opener. */
  readonly head: readonly ComposedParagraph[];
  readonly text: readonly FlowParagraph[];
}

export interface OpenerSettings {
  readonly sink: number;
  /** Grid line, from 1, on which the text of an opener begins. */
  readonly textStart: number;
}

/** What a page of the division holds, before it has a side and a folio. */
export interface DivisionPage {
  readonly role: PageRole;
  readonly fragments: readonly Fragment[];
  readonly notes: readonly Fragment[];
  readonly noteRule: number | null;
  readonly notesContinued: boolean;
  /** What the page's end gave up, a BREAK_FAULT, and the paragraph that stands there. */
  readonly fault: number;
  readonly faultAt: ComposedParagraph | null;
  /** True when the head of an opener pushed its text below the text start. */
  readonly headTooDeep: boolean;
}

const DISPLAY_ROLES: ReadonlySet<DivisionRole> = new Set(['half-title', 'title', 'imprint', 'dedication', 'epigraph']);

/** True for roles whose pages are designed as a whole and carry no furniture. */
export function isDisplayRole(role: DivisionRole): boolean {
  return DISPLAY_ROLES.has(role);
}

/** Note rule: grid lines from the last text line to the first note line, at least. */
const NOTE_GAP = 0.6;
/** The rule stands this far above the top of the notes, in points: clear of their ascenders and of the text's descenders. */
const RULE_ABOVE = 1;

export function* paginateDivision(
  flow: DivisionFlow,
  geometry: PageGeometry,
  opener: OpenerSettings,
): Generator<void, DivisionPage[]> {
  if (isDisplayRole(flow.role)) return yield* placeDisplay(flow, geometry);
  const head = placeHead(flow.head, geometry, opener);
  const lines = makeFlow(flow.text, geometry.leading);
  const room = geometry.lines - head.textLine;
  const filled = yield* fillPages(lines, { lines: geometry.lines, firstLines: Math.max(1, room), noteGap: NOTE_GAP });
  const partAlone = flow.role === 'part' && lines.count === 0;
  return filled.map((page, index) => finish(page, index));

  function finish(page: FilledPage, index: number): DivisionPage {
    const text = placeText(lines, page, geometry, index === 0 ? Math.min(head.textLine, geometry.lines - 1) : 0);
    const notes = placeNotes(lines, page, geometry);
    const faultLine = page.fault === 0 ? -1 : page.to;
    return {
      role: partAlone ? 'display' : index === 0 ? 'opener' : 'text',
      fragments: index === 0 ? [...head.fragments, ...text] : text,
      notes: notes.fragments,
      noteRule: notes.top === null ? null : notes.top - RULE_ABOVE,
      notesContinued: notes.continued,
      fault: page.fault,
      faultAt: faultLine < 0 ? null : flow.text[lines.paragraphOf[faultLine]].paragraph,
      headTooDeep: index === 0 && head.tooDeep,
    };
  }
}

interface PlacedHead {
  readonly fragments: Fragment[];
  /** Grid line, from 0, on which the text begins. */
  readonly textLine: number;
  readonly tooDeep: boolean;
}

/** The head of an opener from its sink; the text start is the same whether the title takes one line or three. */
function placeHead(head: readonly ComposedParagraph[], geometry: PageGeometry, opener: OpenerSettings): PlacedHead {
  const fragments: Fragment[] = [];
  let line = opener.sink;
  for (const [index, paragraph] of head.entries()) {
    const { style } = paragraph.styled;
    const height = style.leading / geometry.leading;
    if (index > 0) line += Math.max(style.above, head[index - 1].styled.style.below);
    fragments.push({ paragraph, from: 0, to: paragraph.broken.count, y: gridBaseline(geometry, line + height - 1) });
    line += height * paragraph.broken.count;
  }
  const wished = opener.textStart - 1;
  const least = head.length === 0 ? 0 : Math.ceil(line) + 1;
  return { fragments, textLine: Math.max(wished, least), tooDeep: head.length > 0 && least > wished };
}

/** A display page: paragraphs from the top with all their space, then those of the foot. What does not fit goes on. */
function* placeDisplay(flow: DivisionFlow, geometry: PageGeometry): Generator<void, DivisionPage[]> {
  const firstFoot = flow.text.findIndex((item) => item.paragraph.styled.style.atFoot);
  const top = firstFoot < 0 ? flow.text : flow.text.slice(0, firstFoot);
  const foot = firstFoot < 0 ? [] : flow.text.slice(firstFoot);
  const footLines = foot.reduce((sum, item) => sum + heightOf(item, geometry), 0);
  const topLines = top.reduce((sum, item) => sum + heightOf(item, geometry), 0);
  const all = topLines + footLines > geometry.lines ? flow.text : top;
  const lead = all.length === 0 ? 0 : Math.min(all[0].gap, geometry.lines - 1);
  const lines = makeFlow(all, geometry.leading);
  const firstLines = Math.max(1, geometry.lines - lead);
  const filled = yield* fillPages(lines, { lines: geometry.lines, firstLines, noteGap: NOTE_GAP });
  return filled.map((page, index): DivisionPage => {
    const text = placeText(lines, page, geometry, index === 0 ? lead : 0);
    const notes = placeNotes(lines, page, geometry);
    return {
      role: 'display',
      fragments: all === top && index === filled.length - 1 ? [...text, ...placeFoot(foot, geometry)] : text,
      notes: notes.fragments,
      noteRule: notes.top === null ? null : notes.top - RULE_ABOVE,
      notesContinued: notes.continued,
      fault: 0,
      faultAt: null,
      headTooDeep: false,
    };
  });
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
    fragments.unshift({ paragraph, from: 0, to: paragraph.broken.count, y: first });
    y = first - leading - gap * geometry.leading;
  }
  return fragments;
}
