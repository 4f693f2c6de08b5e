// The lines of a composed book where they stand, page by page: what the measures of quality look at.
import { LINE_END } from '../../model/composed/broken';
import {
  columnLeft,
  geometryOf,
  type ComposedParagraph,
  type Page,
  type TypesetBook,
} from '../../model/composed/pages';

export interface PlacedLine {
  readonly paragraph: ComposedParagraph;
  readonly line: number;
  /** Left edge of its column, and its baseline, on the trimmed page. */
  readonly left: number;
  readonly y: number;
}

/** Lines of the text of a page from top to bottom, notes left out. */
export function linesOf(page: Page, book: Pick<TypesetBook, 'geometry'>): PlacedLine[] {
  const lines: PlacedLine[] = [];
  const left = columnLeft(geometryOf(page, book.geometry), page.side);
  for (const { paragraph, from, to, x, y } of page.fragments) {
    const { leading } = paragraph.styled.style;
    for (let line = from; line < to; line += 1)
      lines.push({ paragraph, line, left: left + x, y: y + (line - from) * leading });
  }
  return lines;
}

/** A line of running text that fills its measure: justified, and not the last of its paragraph. */
export function isFull({ paragraph, line }: PlacedLine): boolean {
  const { styled, broken } = paragraph;
  const end = broken.end[line];
  return (
    styled.style.align === 'justify' &&
    styled.style.meaning === 'body' &&
    end !== LINE_END.last &&
    end !== LINE_END.forced
  );
}

/** Whether one line follows another in the same paragraph. */
export function follows(before: PlacedLine | undefined, line: PlacedLine): boolean {
  return before !== undefined && before.paragraph === line.paragraph && before.line + 1 === line.line;
}
