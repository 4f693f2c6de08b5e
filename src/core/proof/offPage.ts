// Text that stands over the edge of its page, or on a page too shallow for it: valid specs can come to that.
import { geometryOf } from '../model/composed/pages';
import { onParagraph, type PageRunner } from './hits';

/** What of a line hangs below its baseline, as a share of its size. */
const BELOW = 0.2;

/** One hit for a page, on the first paragraph that is over its edge. */
export const offPage: PageRunner = ({ page, geometry }) => {
  const { height } = geometryOf(page, geometry);
  for (const { paragraph, from, to, y } of [...page.fragments, ...page.notes]) {
    const { leading, size, pictures } = paragraph.styled.style;
    // A picture that fills its page is cut at the trim.
    if (pictures?.[0].foot !== undefined) continue;
    const last = y + Math.max(0, to - from - 1) * leading;
    if (last + size * BELOW <= height && y > 0) continue;
    const message = `Text stands over the ${y > 0 ? 'foot' : 'head'} of the page: the page is too shallow for what its spec puts there.`;
    return [{ ...onParagraph(paragraph.styled), kind: 'off-page', message }];
  }
  return [];
};
