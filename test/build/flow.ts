// Paragraphs for page tests: only their counts of lines, leading and keeps matter. A line has ten characters.
import type { BrokenParagraph } from '../../src/core/model/composed/broken';
import type { ComposedParagraph } from '../../src/core/model/composed/pages';
import type { ResolvedStyle } from '../../src/core/model/composed/styled';
import type { FloatPlace } from '../../src/core/paginate/flowParagraph';
import {
  regionsOf,
  type DivisionPage,
  type FlowParagraph,
  type NoteLayout,
  type PagePlan,
  type PageShape,
  type PageWishes,
} from '../../src/core/paginate';

export const LEADING = 10;

/** One under another, at the foot. */
export const PLAIN_NOTES: NoteLayout = {
  columns: 1,
  width: 100,
  gap: 10,
  separator: { kind: 'short', width: 48, weight: 0.4 },
  continuation: { kind: 'full', width: 48, weight: 0.4 },
  runsOn: false,
};
const LINE = 10;

export interface FlowParts {
  readonly lines: number;
  readonly gap?: number;
  readonly elastic?: readonly number[];
  readonly withNext?: boolean;
  readonly meaning?: ResolvedStyle['meaning'];
  readonly style?: Partial<ResolvedStyle>;
  /** Points; the grid is LEADING. */
  readonly leading?: number;
  /** Lines of a note at a line: `[line, lines]`. */
  readonly notes?: readonly (readonly [number, number])[];
  readonly noteLayout?: NoteLayout;
  /** Heights of floats. */
  readonly floats?: readonly number[];
  readonly floatPlace?: FloatPlace;
  /** The two floats are the halves of a picture over two facing pages. */
  readonly areHalves?: boolean;
  /** What a setting of a line fewer, or more, costs beyond the best. */
  readonly shorter?: number;
  readonly longer?: number;
  /** Lines that end in a hyphen. */
  readonly hyphens?: readonly number[];
  /** Width of the last line, of 100. */
  readonly last?: number;
  readonly wishes?: PageWishes;
  /** A picture that may go over; `gapPassed`: the space before the next one then. */
  readonly mayPass?: boolean;
  readonly gapPassed?: number;
  readonly held?: readonly number[];
  /** Rows of a table that goes on: grid lines of its heads, which stand over them where they are first on a page. */
  readonly heads?: number;
  readonly text?: string;
}

let counter = 0;

export function composed(
  lines: number,
  style: Partial<ResolvedStyle> = {},
  { hyphens = [], last = 100, text = 'x' }: Pick<FlowParts, 'hyphens' | 'last' | 'text'> = {},
): ComposedParagraph {
  const block = `p${(counter += 1)}`;
  const resolved = {
    leading: LEADING,
    withNext: false,
    meaning: 'body',
    above: 0,
    below: 0,
    atFoot: false,
    ...style,
  } as ResolvedStyle;
  const broken = {
    count: lines,
    from: Uint32Array.from({ length: lines }, (_, k) => k * LINE),
    end: Uint8Array.from({ length: lines }, (_, k) => (hyphens.includes(k) ? 1 : 0)),
    width: new Float32Array(lines).fill(100),
    textWidth: Float32Array.from({ length: lines }, (_, k) => (k === lines - 1 ? last : 100)),
  };
  return {
    styled: { stream: 'd1', block, text, style: resolved } as never,
    shaped: {} as never,
    broken: broken as unknown as BrokenParagraph,
  };
}

const rowsOf = (depth: number): FlowParagraph['rows'] => ({
  texts: [],
  marks: [],
  top: { texts: [], marks: [], depth },
  goesOn: 'row',
  mayPass: false,
});

export function flowOf(parts: readonly FlowParts[]): FlowParagraph[] {
  return parts.map((part) => {
    const style = {
      leading: part.leading ?? LEADING,
      withNext: part.withNext ?? false,
      meaning: part.meaning ?? 'body',
      ...(part.heads === undefined ? {} : { meaning: 'table' as const, keepTogether: true }),
      ...part.style,
    };
    const variant = (lines: number, cost: number | undefined) =>
      cost === undefined || lines < 1 ? undefined : { paragraph: composed(lines, style, part), cost };
    return {
      paragraph: composed(part.lines, style, part),
      shorter: variant(part.lines - 1, part.shorter),
      longer: variant(part.lines + 1, part.longer),
      gap: part.gap ?? 0,
      elastic: part.elastic,
      insertions: [
        ...(part.notes ?? []).map(([line, lines]) => ({
          place: 'foot' as const,
          at: line * LINE,
          paragraphs: [composed(lines, { leading: 8 })],
          layout: part.noteLayout ?? PLAIN_NOTES,
        })),
        ...(part.floats ?? []).map((height, k) => ({
          place: part.floatPlace ?? ('head' as const),
          ...(part.areHalves ? { half: k === 0 ? ('verso' as const) : ('recto' as const) } : {}),
          at: 0,
          height,
          figure: { paragraph: composed(1, { leading: (height - 1) * LEADING }), gap: 0, insertions: [] },
        })),
      ],
      wishes: part.wishes,
      mayPass: part.mayPass,
      gapPassed: part.gapPassed,
      held: part.held,
      ...(part.heads === undefined ? {} : { rows: rowsOf(part.heads) }),
    };
  });
}

/** What a plan is made of for a test: equal pages, the first below its opener, or pages one by one. */
export interface PlanParts extends Partial<Omit<PagePlan, 'regions'>> {
  readonly firstLines?: number;
  readonly columns?: PageShape['columns'];
  /** The pages, of which the last come again. */
  readonly pages?: { readonly shapes: readonly PageShape[]; readonly repeated: number };
}

/** Pages of one column without an opener, that begin on a recto and may run a line short or long. */
export function planOf(lines: number, parts: PlanParts = {}): PagePlan {
  const { firstLines = lines, columns = [{ x: 0, width: 100 }], pages, ...rest } = parts;
  const below = { top: lines - firstLines, lines: firstLines, columns };
  const equal = { shapes: [below, { top: 0, lines, columns }], repeated: 1 };
  const { shapes, repeated } = pages ?? equal;
  return {
    regions: regionsOf('d1', shapes, repeated),
    firstSide: 'recto',
    balance: false,
    noteGap: 0.6,
    keeps: { linesAtFoot: 2, linesAtHead: 2 },
    chapterEnd: 3,
    short: 1,
    long: 3,
    exempt: false,
    ...rest,
  };
}

/** The same for columns of 60 and of 30 points: a line of the first holds twenty characters, of the second ten. */
export function flowToMeasure(parts: readonly FlowParts[]): FlowParagraph[] {
  return flowOf(parts.map((part) => ({ ...part, shorter: undefined, longer: undefined, elastic: undefined }))).map(
    (item, index) => {
      const length = parts[index].lines * 2 * LINE;
      const { block, style, text } = item.paragraph.styled;
      const toMeasure = ({ first, width }: { readonly first: readonly number[]; readonly width: number }) => {
        const from: number[] = [];
        for (let at = 0; at < length || from.length === 0;) {
          from.push(at);
          at += (first[from.length - 1] ?? width) === 60 ? 2 * LINE : LINE;
        }
        const made = composed(from.length, style, { text });
        const broken = { ...made.broken, from: Uint32Array.from(from) };
        return { ...made, styled: { ...made.styled, block }, broken } as ComposedParagraph;
      };
      return { ...item, paragraph: toMeasure({ first: [], width: 60 }), toMeasure };
    },
  );
}

/** A page of a division on which nothing stands. */
export const emptyPage = (role: DivisionPage['role']): DivisionPage => ({
  role,
  fragments: [],
  notes: [],
  noteRules: [],
  depth: 0,
  gives: [],
  headTooDeep: false,
});
