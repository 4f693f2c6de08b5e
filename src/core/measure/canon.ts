// Canons: rules that derive the margins of a page from its trim (house rules, section 1). They apply to the page less the
// binding allowance, which is added back to the back margin.
import { ValueError } from '../base/errors';
import type { Length, Pt, Unit } from '../model/spec/length';
import type { BackRow, Canon, CanonKind, Margins, PageSpec } from '../model/spec/pageSpec';
import { typeArea } from './typeArea';

const inches = (value: number): Length => ({ pt: value * 72, unit: 'in' });

/** Back margins by extent for adhesive binding; a sewn book opens flatter (house rules, section 1). */
export const BACK_TABLE: readonly BackRow[] = [
  { upTo: 200, back: inches(0.7) },
  { upTo: 320, back: inches(0.8) },
  { upTo: 450, back: inches(0.85) },
  { upTo: null, back: inches(0.9) },
];
const SEWN_LESS = 0.1 * 72;

export const CANONS: Readonly<Record<CanonKind, Canon>> = {
  twoThirds: { kind: 'twoThirds' },
  nths: { kind: 'nths', parts: 9 },
  ratio: { kind: 'ratio', back: 2, head: 3, foreEdge: 4, foot: 6, part: null },
  equal: { kind: 'equal', margin: null },
  bound: { kind: 'bound', binding: 'adhesive', table: BACK_TABLE },
};

/** One line of the working: what is found, the sum that finds it, and the lengths in points. */
export interface CanonStep {
  readonly what: string;
  readonly sum: string;
  readonly values: readonly Pt[];
}

/** Margins in points, and how they were found. */
export interface CanonResult {
  readonly margins: Readonly<Record<keyof Margins, Pt>>;
  readonly steps: readonly CanonStep[];
}

/** Least back margin of a book of so many pages, in points. */
export function backForExtent(pages: number, binding: 'adhesive' | 'sewn', table: readonly BackRow[] = BACK_TABLE): Pt {
  const row = table.find(({ upTo }) => upTo === null || pages <= upTo) ?? table[table.length - 1];
  return Math.max(0, (row?.back.pt ?? 0) - (binding === 'sewn' ? SEWN_LESS : 0));
}

/**
 * Works the margins out. `pages`: extent, for the back by extent. Throws ValueError when the rule leaves no page. One piece: a
 * case a kind of canon.
 */
export function applyCanon(page: PageSpec, canon: Canon, pages: number): CanonResult {
  const allowance = page.bindingAllowance.pt;
  const width = page.trim.width.pt - allowance;
  const height = page.trim.height.pt;
  const less: CanonStep = { what: 'Page less binding', sum: 'w, h', values: [width, height] };
  switch (canon.kind) {
    case 'twoThirds': {
      if (width >= height)
        throw new ValueError(
          'page.canon',
          'The type area would be as high as the page is wide, which is more than its height.',
        );
      const measure = (width * width) / height;
      const [side, top] = [(width - measure) / 3, (height - width) / 3];
      return {
        margins: { back: side + allowance, foreEdge: 2 * side, head: top, foot: 2 * top },
        steps: [
          less,
          { what: 'Type depth', sum: 'as the page is wide', values: [width] },
          { what: 'Type width', sum: 'w · w ÷ h', values: [measure] },
          { what: 'Back, fore-edge', sum: '1 : 2', values: [side + allowance, 2 * side] },
          { what: 'Head, foot', sum: '1 : 2', values: [top, 2 * top] },
        ],
      };
    }
    case 'nths': {
      const [across, down] = [width / canon.parts, height / canon.parts];
      const type = canon.parts - 3;
      return {
        margins: { back: across + allowance, foreEdge: 2 * across, head: down, foot: 2 * down },
        steps: [
          less,
          { what: `One part of ${canon.parts}`, sum: `w ÷ ${canon.parts}, h ÷ ${canon.parts}`, values: [across, down] },
          { what: 'Type area', sum: `${type} parts`, values: [type * across, type * down] },
          { what: 'Back, fore-edge', sum: '1, 2 parts', values: [across + allowance, 2 * across] },
          { what: 'Head, foot', sum: '1, 2 parts', values: [down, 2 * down] },
        ],
      };
    }
    case 'ratio': {
      const part = canon.part?.pt ?? width / 3 / (canon.back + canon.foreEdge);
      const margins = {
        back: canon.back * part + allowance,
        foreEdge: canon.foreEdge * part,
        head: canon.head * part,
        foot: canon.foot * part,
      };
      return {
        margins,
        steps: [
          less,
          {
            what: 'One part',
            sum: canon.part === null ? `w ÷ 3 ÷ ${canon.back + canon.foreEdge}` : 'as typed',
            values: [part],
          },
          {
            what: 'Back, fore-edge',
            sum: `${canon.back} : ${canon.foreEdge}`,
            values: [margins.back, margins.foreEdge],
          },
          { what: 'Head, foot', sum: `${canon.head} : ${canon.foot}`, values: [margins.head, margins.foot] },
        ],
      };
    }
    case 'equal': {
      const margin = canon.margin?.pt ?? width / 6;
      return {
        margins: { back: margin + allowance, foreEdge: margin, head: margin, foot: margin },
        steps: [
          less,
          { what: 'All around', sum: canon.margin === null ? 'w ÷ 6' : 'as typed', values: [margin] },
          { what: 'Back', sum: 'with the binding', values: [margin + allowance] },
        ],
      };
    }
    case 'bound': {
      const back = backForExtent(pages, canon.binding, canon.table);
      const { foreEdge, head, foot } = page.margins;
      return {
        margins: { back, foreEdge: foreEdge.pt, head: head.pt, foot: foot.pt },
        steps: [{ what: 'Back', sum: `${pages} pages, ${canon.binding}`, values: [back] }],
      };
    }
  }
}

/** Slack of two lengths that are the same to a person, in points. */
const SAME = 0.05;

const sides = ['head', 'foot', 'back', 'foreEdge'] as const;

function isSame(margins: Margins, wished: CanonResult['margins']): boolean {
  return sides.every((side) => Math.abs(margins[side].pt - wished[side]) < SAME);
}

/** What whole lines of the grid leave of a type area, in points. */
export interface Snap {
  readonly head: Pt;
  readonly foot: Pt;
  /** Points by which the type area is less deep. */
  readonly shift: Pt;
}

/** Head and foot margins with which whole lines fill the type area: what is left over is added to both in their proportion. */
export function snapToLines(page: PageSpec, capHeight: Pt, leading: Pt): Snap {
  const { head, foot } = page.margins;
  const { left, lines } = typeArea(page, capHeight, leading);
  if (lines === 0 || left < SAME) return { head: head.pt, foot: foot.pt, shift: 0 };
  const sum = head.pt + foot.pt;
  const share = sum > 0 ? head.pt / sum : 0.5;
  return { head: head.pt + left * share, foot: foot.pt + left * (1 - share), shift: left };
}

/** How the margins stand to their canon: as it gives them, so snapped to whole lines, or changed by hand. */
export type CanonState = 'none' | 'exact' | 'snapped' | 'changed';

export function canonState(page: PageSpec, capHeight: Pt, leading: Pt, pages: number): CanonState {
  if (page.canon === null) return 'none';
  let wished: Margins;
  try {
    wished = withUnit(applyCanon(page, page.canon, pages).margins, page.trim.width.unit);
  } catch {
    return 'changed';
  }
  if (isSame(page.margins, points(wished))) return 'exact';
  const { head, foot } = snapToLines({ ...page, margins: wished }, capHeight, leading);
  return isSame(page.margins, { ...points(wished), head, foot }) ? 'snapped' : 'changed';
}

const points = (margins: Margins): CanonResult['margins'] => ({
  head: margins.head.pt,
  foot: margins.foot.pt,
  back: margins.back.pt,
  foreEdge: margins.foreEdge.pt,
});

function withUnit(margins: CanonResult['margins'], unit: Unit): Margins {
  const length = (pt: Pt): Length => ({ pt, unit });
  return {
    head: length(margins.head),
    foot: length(margins.foot),
    back: length(margins.back),
    foreEdge: length(margins.foreEdge),
  };
}

/** The page with the margins of a canon, in the unit of the trim; snapped to whole lines when asked. Throws as applyCanon. */
export function withCanon(
  page: PageSpec,
  canon: Canon,
  facts: { readonly capHeight: Pt; readonly leading: Pt; readonly pages: number },
  isSnapped: boolean,
): PageSpec {
  const { unit } = page.trim.width;
  const wished = withUnit(applyCanon(page, canon, facts.pages).margins, unit);
  // A margin that the rule leaves as it was keeps the unit in which it was typed.
  const kept = (side: keyof Margins) =>
    Math.abs(page.margins[side].pt - wished[side].pt) < SAME / 100 ? page.margins[side] : wished[side];
  const margins = { head: kept('head'), foot: kept('foot'), back: kept('back'), foreEdge: kept('foreEdge') };
  const exact: PageSpec = { ...page, canon, margins };
  if (!isSnapped) return exact;
  const { head, foot } = snapToLines(exact, facts.capHeight, facts.leading);
  return { ...exact, margins: { ...margins, head: { pt: head, unit }, foot: { pt: foot, unit } } };
}

/** Share of the page that is type, from 0 to 1. */
export function typeShare(page: PageSpec, depth: Pt): number {
  const measure = page.trim.width.pt - page.margins.back.pt - page.margins.foreEdge.pt;
  return (measure * depth) / (page.trim.width.pt * page.trim.height.pt);
}

/** Typed margins with another binding allowance: the back margin, which holds it, is as much wider or narrower. */
function withBinding(before: PageSpec, page: PageSpec): PageSpec {
  const more = page.bindingAllowance.pt - before.bindingAllowance.pt;
  if (Math.abs(more) < 1e-6) return page;
  const { back } = page.margins;
  return { ...page, margins: { ...page.margins, back: { ...back, pt: Math.max(0, back.pt + more) } } };
}

/**
 * The page after a change: while the margins were those of the canon, they stay so. `before` and `after` with their leading;
 * the page as it was changed when the canon did not hold, or holds no more, but for the binding, which typed margins follow too.
 */
export function followCanon(
  before: { readonly page: PageSpec; readonly leading: Pt },
  after: { readonly page: PageSpec; readonly leading: Pt },
  facts: { readonly capHeight: Pt; readonly pages: number },
): PageSpec {
  const { page } = after;
  if (page.margins !== before.page.margins) return page;
  const state = canonState(before.page, facts.capHeight, before.leading, facts.pages);
  if (page.canon === null || (state !== 'exact' && state !== 'snapped')) return withBinding(before.page, page);
  try {
    return withCanon(page, page.canon, { ...facts, leading: after.leading }, state === 'snapped');
  } catch {
    return page;
  }
}
