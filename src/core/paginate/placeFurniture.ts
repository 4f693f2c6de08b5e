// Furniture by the role of each page: what its set says for that role stands at the head and the foot, written for the recto
// and mirrored. Nobody clears a page by hand: blanks, display pages and plates have nothing in their set.
import {
  roleFurniture,
  SLOTS,
  slotsOf,
  type FurnitureLine,
  type FurnitureSet,
  type FurnitureSlot,
  type SlotName,
} from '../model/spec/furniture';
import type { FurnitureRole } from '../model/spec/pageRoles';
import {
  columnLeft,
  gridBaseline,
  type ComposedParagraph,
  type Page,
  type PageGeometry,
  type PlacedFurniture,
  type PlacedRule,
} from '../model/composed/pages';

/** A slot's words as one line, and whether they were cut to the room that there was. */
export interface SlotLine {
  readonly paragraph: ComposedParagraph;
  readonly tellsFolio: boolean;
  readonly isCut: boolean;
}

export interface FurnitureSource {
  /** The set of a page; what a page touch hides is null in it. */
  readonly setOf: (page: Page) => FurnitureSet;
  readonly roleOf: (page: Page) => FurnitureRole;
  /** What a slot says on a page, no wider than `room` in points; null: nothing. */
  readonly slot: (page: Page, slot: FurnitureSlot, at: 'head' | 'foot', room: number) => SlotLine | null;
  /** A slot with tabs, opened to its room; any other as `slot` has it. */
  readonly opened: FurnitureSource['slot'];
  readonly ruleInk: (rule: NonNullable<FurnitureLine['ruleAbove']>) => PlacedRule['ink'];
}

export interface FurnishedPage {
  readonly furniture: readonly PlacedFurniture[];
  readonly rules: readonly PlacedRule[];
  /** Slots whose words were cut. */
  readonly cut: readonly ('head' | 'foot')[];
}

export const UNFURNISHED: FurnishedPage = { furniture: [], rules: [], cut: [] };

export function placeFurniture(page: Page, geometry: PageGeometry, source: FurnitureSource): FurnishedPage {
  const { head, foot } = roleFurniture(source.setOf(page), source.roleOf(page));
  if (head === null && foot === null) return UNFURNISHED;
  const placed: { furniture: PlacedFurniture[]; rules: PlacedRule[]; cut: ('head' | 'foot')[] } = {
    furniture: [],
    rules: [],
    cut: [],
  };
  for (const [at, line] of [['head', head] as const, ['foot', foot] as const]) {
    if (line === null) continue;
    const grid = at === 'head' ? -line.distance : geometry.lines - 1 + line.distance;
    placeLine({ page, geometry, source }, line, at, gridBaseline(geometry, grid), placed);
  }
  return placed;
}

interface PageToFurnish {
  readonly page: Page;
  readonly geometry: PageGeometry;
  readonly source: FurnitureSource;
}

function placeLine(
  { page, geometry, source }: PageToFurnish,
  line: FurnitureLine,
  at: 'head' | 'foot',
  y: number,
  placed: { furniture: PlacedFurniture[]; rules: PlacedRule[]; cut: ('head' | 'foot')[] },
): void {
  const slots = slotsOf(line, page.side);
  const left = columnLeft(geometry, page.side);
  const isWritten = SLOTS.some((name) => slots[name].parts.length > 0);
  const lines = slotLines(page, slots, at, geometry, source);
  if (isWritten && lines.size === 0) return;
  for (const [name, { paragraph, tellsFolio, isCut }] of lines) {
    const slack = geometry.measure - widthOf(paragraph);
    const isLeft = (name === 'spine') === (page.side === 'recto');
    const x = left + (name === 'centre' ? slack / 2 : isLeft ? 0 : slack);
    placed.furniture.push({ kind: tellsFolio ? 'folio' : 'head', at, slot: name, paragraph, x, y });
    if (isCut) placed.cut.push(at);
  }
  const rule = (of: FurnitureLine['ruleAbove'], sign: -1 | 1) => {
    if (of === null || of.weight <= 0) return;
    const ink = source.ruleInk(of);
    const drawn = { x: left, y: y + sign * of.offset, width: geometry.measure, weight: of.weight };
    placed.rules.push(ink === undefined ? drawn : { ...drawn, ink });
  };
  rule(line.ruleAbove, -1);
  rule(line.ruleBelow, 1);
}

const widthOf = ({ broken }: ComposedParagraph) => broken.textWidth[0];

/** White between two slots of a line, in grid lines. */
const BETWEEN = 1;

/** The slots that say something; where they do not fit beside each other, that with the folio keeps its words. */
function slotLines(
  page: Page,
  slots: Readonly<Record<SlotName, FurnitureSlot>>,
  at: 'head' | 'foot',
  { measure, leading }: PageGeometry,
  source: FurnitureSource,
): Map<SlotName, SlotLine> {
  const lines = new Map<SlotName, SlotLine>();
  for (const name of SLOTS) {
    const line = source.slot(page, slots[name], at, measure);
    if (line !== null) lines.set(name, line);
  }
  const width = (name: SlotName) => {
    const line = lines.get(name);
    return line === undefined ? 0 : widthOf(line.paragraph) + BETWEEN * leading;
  };
  const room = (name: SlotName) => {
    if (name === 'centre') return measure - 2 * Math.max(width('spine'), width('foreEdge'));
    if (lines.has('centre')) return (measure - width('centre') - BETWEEN * leading) / 2;
    return measure - width(name === 'spine' ? 'foreEdge' : 'spine');
  };
  // The widest that is no folio gives first.
  const byWidth = [...lines.keys()].filter((name) => !lines.get(name)!.tellsFolio).sort((a, b) => width(b) - width(a));
  for (const name of byWidth) {
    const most = Math.max(0, room(name));
    if (widthOf(lines.get(name)!.paragraph) <= most + 1e-6) continue;
    const cut = source.slot(page, slots[name], at, most);
    if (cut === null) lines.delete(name);
    else lines.set(name, cut);
  }
  for (const name of lines.keys()) {
    const opened = slots[name].parts.some(({ kind }) => kind === 'tab') && !lines.get(name)!.isCut;
    const line = opened ? source.opened(page, slots[name], at, Math.max(0, room(name))) : null;
    if (line !== null) lines.set(name, line);
  }
  return lines;
}
