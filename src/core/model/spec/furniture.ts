// Furniture: running heads, folios and rules. A set says for each page role what stands at its head and its foot; every line is
// written for the recto and mirrored, or written for each side.
import type { InkUse } from './inks';
import type { Pt } from './length';
import type { FurnitureRole, PageRole, PageSide } from './pageRoles';
import type { StyleTag } from '../copy/streams';

/** What a slot can tell of the book and of its page. */
export const TOKENS = [
  'folio',
  'pageCount',
  'title',
  'subtitle',
  'shortTitle',
  'author',
  'partTitle',
  'partNumber',
  'chapterTitle',
  'chapterNumber',
  'firstHead',
  'lastHead',
  'section',
  'notePages',
  'date',
] as const;
export type Token = (typeof TOKENS)[number];

export type FurniturePart =
  | { readonly kind: 'text'; readonly text: string; readonly style?: StyleTag }
  /** What comes after it goes to the next tab of the slot's style; without one, to the other end of the slot. */
  | { readonly kind: 'tab'; readonly style?: StyleTag }
  /** A rule on the height of small letters, so many whole em long. */
  | { readonly kind: 'rule'; readonly length: number; readonly style?: StyleTag }
  | {
      readonly kind: 'token';
      readonly token: Token;
      /** Level of the head, 2 to 6, for `firstHead` and `lastHead`. */
      readonly level?: number;
      /** Told where there is nothing of the first. */
      readonly orElse?: Token;
      /** A character style. */
      readonly style?: StyleTag;
    };

export interface FurnitureSlot {
  /** A paragraph style. */
  readonly style: StyleTag;
  readonly parts: readonly FurniturePart[];
}

export interface FurnitureSlots {
  readonly spine: FurnitureSlot;
  readonly centre: FurnitureSlot;
  readonly foreEdge: FurnitureSlot;
}
export const SLOTS = ['spine', 'centre', 'foreEdge'] as const;
export type SlotName = (typeof SLOTS)[number];

/** A rule as wide as the measure; `offset` from the baseline of the line: upwards above it, downwards below it. */
export interface FurnitureRule {
  readonly weight: Pt;
  readonly offset: Pt;
  readonly ink?: InkUse;
}

export interface FurnitureLine {
  readonly recto: FurnitureSlots;
  /** Null: the recto, mirrored. */
  readonly verso: FurnitureSlots | null;
  /** Grid lines from the nearest text baseline: upwards at the head, downwards at the foot. */
  readonly distance: number;
  readonly ruleAbove: FurnitureRule | null;
  readonly ruleBelow: FurnitureRule | null;
}

export interface RoleFurniture {
  readonly head: FurnitureLine | null;
  readonly foot: FurnitureLine | null;
}

export interface FurnitureSet {
  /** `section`: the first pages of sections; null: as other text pages. */
  readonly roles: Readonly<Record<PageRole, RoleFurniture>> & { readonly section: RoleFurniture | null };
}

export interface FurnitureSpec {
  /** The set of divisions that name none. */
  readonly set: string;
  /** By name. */
  readonly sets: Readonly<Record<string, FurnitureSet>>;
}

/** Grid lines from the first text baseline up to a head, and from the last down to a foot (house rules, section 1). */
export const HEAD_DISTANCE = 2;
export const FOOT_DISTANCE = 2.5;

const NOTHING: RoleFurniture = { head: null, foot: null };

export const emptySlot = (style: StyleTag): FurnitureSlot => ({ style, parts: [] });

export const token = (name: Token, rest: { readonly level?: number; readonly orElse?: Token } = {}): FurniturePart => ({
  kind: 'token',
  token: name,
  ...rest,
});

/** A line whose slots are empty but for those given. */
export function furnitureLine(
  distance: number,
  recto: Partial<FurnitureSlots>,
  verso: Partial<FurnitureSlots> | null = null,
  style: StyleTag = 'RH',
): FurnitureLine {
  const empty = emptySlot(style);
  const slots = (own: Partial<FurnitureSlots>) => ({ spine: empty, centre: empty, foreEdge: empty, ...own });
  return {
    recto: slots(recto),
    verso: verso === null ? null : slots(verso),
    distance,
    ruleAbove: null,
    ruleBelow: null,
  };
}

/** A set of heads and feet for text pages and openers; blanks, display pages and plates carry nothing. */
export function furnitureSet(text: RoleFurniture, opener: RoleFurniture): FurnitureSet {
  return { roles: { text, section: null, opener, blank: NOTHING, display: NOTHING, plate: NOTHING } };
}

/** What one side's head says; null: nothing. */
export type HeadWords = FurniturePart | null;

export interface PlainFurniture {
  readonly verso: HeadWords;
  readonly recto: HeadWords;
  /** Where the folio of a text page stands; that of an opener always at the foot. */
  readonly folio: 'foreEdge' | 'centre' | 'head';
  /** Whether an opener shows its folio. */
  readonly dropFolio: boolean;
}

/** The usual furniture: heads at the fore-edge (beside a folio: at the spine), the folio at the foot or in the head. */
export function plainFurniture({ verso, recto, folio, dropFolio }: PlainFurniture): FurnitureSet {
  const words = (part: HeadWords): FurnitureSlot => {
    const style = part?.kind === 'token' && part.token === 'author' ? 'RHA' : 'RH';
    return { style, parts: part === null ? [] : [part] };
  };
  const number: FurnitureSlot = { style: 'FO', parts: [token('folio')] };
  const side = (part: HeadWords): Partial<FurnitureSlots> =>
    folio === 'head' ? { spine: words(part), foreEdge: number } : { foreEdge: words(part) };
  const hasHead = folio === 'head' || verso !== null || recto !== null;
  const head = hasHead ? furnitureLine(HEAD_DISTANCE, side(recto), side(verso)) : null;
  const drop = folio === 'centre' ? { centre: number } : { foreEdge: number };
  const foot = furnitureLine(FOOT_DISTANCE, drop, null, 'FO');
  return furnitureSet({ head, foot: folio === 'head' ? null : foot }, { head: null, foot: dropFolio ? foot : null });
}

/** What the pages of a role carry. */
export const roleFurniture = ({ roles }: FurnitureSet, role: FurnitureRole): RoleFurniture => roles[role] ?? roles.text;

/** What a line says on a side. */
export function slotsOf(line: FurnitureLine, side: PageSide): FurnitureSlots {
  return side === 'verso' && line.verso !== null ? line.verso : line.recto;
}
