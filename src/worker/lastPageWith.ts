// Finds a place of the text on composed pages.
import type { Page } from '../core/model/composed/pages';
import type { TextInView } from './protocol';

/** The last page on which the paragraph of a place stands with lines up to it; undefined: it is on none. */
export function lastPageWith(
  pages: readonly Page[],
  { stream, block, offset }: Omit<TextInView, 'pages'>,
): Page | undefined {
  let found: Page | undefined;
  for (const page of pages) {
    for (const { paragraph, from, isRepeated } of [...page.fragments, ...page.notes]) {
      if (isRepeated) continue;
      const { styled, broken } = paragraph;
      if (styled.stream !== stream || styled.block !== block) continue;
      const start = styled.source?.[broken.from[from]] ?? broken.from[from];
      if (start <= offset || found === undefined) found = page;
    }
  }
  return found;
}
