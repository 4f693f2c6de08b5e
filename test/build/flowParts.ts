// Random paragraphs for page tests, and pages drawn as text.
import fc from 'fast-check';
import type { FilledRegion, PageWishes } from '../../src/core/paginate';
import type { FlowParts } from './flow';

/** `0:0-3 1:0-2 | 1:2-5`: paragraph and lines of each region. */
export function drawn(regions: readonly FilledRegion[]): string {
  return regions.map((region) => region.stretches.map((s) => `${s.item}:${s.from}-${s.to}`).join(' ')).join(' | ');
}

export const line = fc.integer({ min: 0, max: 5 });
export const part: fc.Arbitrary<FlowParts> = fc.record({
  lines: fc.integer({ min: 1, max: 5 }),
  gap: fc.constantFrom(0, 0, 0, 1),
  withNext: fc.constantFrom(false, false, false, false, true),
  hyphens: fc.constantFrom([], [], [1], [0, 2]),
  last: fc.constantFrom(30, 80),
});
export const varied = fc
  .tuple(part, fc.constantFrom(undefined, 3, 40), fc.constantFrom(undefined, 5), fc.boolean())
  .map(([own, shorter, longer, elastic]): FlowParts => ({
    ...own,
    shorter: own.lines > 2 ? shorter : undefined,
    longer,
    gap: elastic && own.withNext ? 2 : own.gap,
    elastic: !elastic ? undefined : own.withNext ? [1.5, 2.5] : own.gap === 1 ? [0.5] : undefined,
    meaning: elastic && !own.withNext ? 'extract' : 'body',
  }));
export const noted = fc
  .tuple(part, fc.array(fc.tuple(line, fc.integer({ min: 1, max: 5 })), { maxLength: 1 }))
  .map(([own, notes]): FlowParts => ({
    ...own,
    withNext: false,
    notes: notes.map(([at, lines]) => [at % own.lines, lines] as const),
  }));

/** What is deeper than a line, what a person wished, and what is no body text. */
export const tall: fc.Arbitrary<FlowParts> = fc.record({
  lines: fc.constant(1),
  leading: fc.constantFrom(14, 33, 45),
  withNext: fc.boolean(),
  gap: fc.constantFrom(0, 1, 2),
});
export const wished = fc
  .tuple(
    part,
    fc.constantFrom<PageWishes>(
      { breakBefore: 'page' },
      { breakBefore: 'verso' },
      { together: true },
      { spread: -1 },
      { spread: 1 },
      { spread: 0 },
    ),
  )
  .map(([own, wishes]): FlowParts => ({ ...own, wishes }));
export const other: fc.Arbitrary<FlowParts> = fc.record({
  lines: fc.constant(1),
  meaning: fc.constantFrom('break' as const, 'verse' as const, 'heading2' as const, 'extract' as const),
  gap: fc.constantFrom(0, 1, 2),
  withNext: fc.boolean(),
});

/** At most two floats, and where they hang when there are so many paragraphs. */
export const twoFloats = fc.array(
  fc.record({ anchor: fc.integer({ min: 0, max: 5 }), height: fc.integer({ min: 1, max: 2 }) }),
  { maxLength: 2 },
);
/** The paragraphs with floats to which they refer. */
export const anchored = (
  floats: readonly { readonly anchor: number; readonly height: number }[],
  parts: readonly FlowParts[],
): FlowParts[] =>
  parts.map((own, k) => {
    const heights = floats.filter(({ anchor }) => Math.min(anchor, parts.length - 1) === k).map(({ height }) => height);
    return heights.length === 0 ? own : { ...own, floats: heights };
  });

/** At most so many notes in all: brute force would never end otherwise. */
export const fewNotes = (parts: readonly FlowParts[], most: number): FlowParts[] => {
  let left = most;
  return parts.map((own) => {
    const notes = (own.notes ?? []).slice(0, left);
    left -= notes.length;
    return { ...own, notes };
  });
};

export const TWO_COLUMNS = [
  { x: 0, width: 45 },
  { x: 50, width: 45 },
];
