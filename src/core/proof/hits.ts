// What a check gives: hits, each on a place of the copy; on lines of a paragraph, or on the whole of it.
import type { FindingPlace, Hit } from '../model/checks/finding';
import type { ComposedParagraph, Page, PageGeometry } from '../model/composed/pages';
import type { StyledParagraph } from '../model/composed/styled';
import type { PlacedLine } from './quality/placedLines';
import type { FaceMeasures } from './quality/rivers';

/** A hit on a line of a paragraph: it is told on the page where that line stands. */
export interface LineHit extends Hit {
  readonly line: number;
}

/** Looks at one paragraph as it was set. */
export type ParagraphRunner = (paragraph: ComposedParagraph) => LineHit[];

/** A page with the lines of its text; `geometry` is that of the text pages of the book. */
export interface PageFacts {
  readonly page: Page;
  readonly lines: readonly PlacedLine[];
  readonly geometry: PageGeometry;
  readonly faces: FaceMeasures;
}

/** Looks at one page. */
export type PageRunner = (facts: PageFacts) => Hit[];

export const onParagraph = ({ stream, block }: Pick<StyledParagraph, 'stream' | 'block'>): FindingPlace => ({
  stream,
  block,
  from: 0,
  to: 0,
});

/** A stretch of the set text, in offsets of the copy. */
export function onStretch({ stream, block, source }: StyledParagraph, from: number, to: number): FindingPlace {
  if (source === null) return { stream, block, from, to };
  const at = (offset: number) => source[Math.min(offset, source.length - 1)] ?? 0;
  return { stream, block, from: at(from), to: Math.max(at(from), at(to)) };
}

export const onLine = ({ styled, broken }: ComposedParagraph, line: number): FindingPlace =>
  onStretch(styled, broken.from[line], broken.to[line]);
