// Paragraphs for page tests: only their counts of lines, leading and keeps matter.
import type { BrokenParagraph } from '../../src/core/model/broken';
import type { ComposedParagraph } from '../../src/core/model/pages';
import type { ResolvedStyle } from '../../src/core/model/styled';
import type { FlowParagraph } from '../../src/core/paginate';

export const LEADING = 10;

export interface FlowParts {
  readonly lines: number;
  readonly gap?: number;
  readonly withNext?: boolean;
  /** Points; the grid is LEADING. */
  readonly leading?: number;
  /** Lines of a note at a line: `[line, lines]`. */
  readonly notes?: readonly (readonly [number, number])[];
}

let counter = 0;

export function composed(lines: number, style: Partial<ResolvedStyle> = {}): ComposedParagraph {
  const block = `p${(counter += 1)}`;
  const resolved = { leading: LEADING, withNext: false, above: 0, below: 0, atFoot: false, ...style } as ResolvedStyle;
  return {
    styled: { stream: 'd1', block, style: resolved } as never,
    shaped: {} as never,
    broken: { count: lines } as BrokenParagraph,
  };
}

export function flowOf(parts: readonly FlowParts[]): FlowParagraph[] {
  return parts.map((part) => ({
    paragraph: composed(part.lines, { leading: part.leading ?? LEADING, withNext: part.withNext ?? false }),
    gap: part.gap ?? 0,
    notes: (part.notes ?? []).map(([line, lines]) => ({ line, paragraphs: [composed(lines, { leading: 8 })] })),
  }));
}
