// Text that stands over the edge of its page, or on a page too shallow for it: valid specs can come to that.
import type { Finding } from '../model/answers/finding';
import type { Page, PageGeometry } from '../model/composed/pages';

/** What of a line hangs below its baseline, as a share of its size. */
const BELOW = 0.2;

/** One finding for a page, on the first paragraph that is over its edge. */
export function offPage(page: Page, geometry: PageGeometry): Finding[] {
  for (const { paragraph, from, to, y } of [...page.fragments, ...page.notes]) {
    const { styled } = paragraph;
    const { leading, size } = styled.style;
    const last = y + Math.max(0, to - from - 1) * leading;
    if (last + size * BELOW <= geometry.height && y > 0) continue;
    const message = `Text stands over the ${y > 0 ? 'foot' : 'head'} of the page: the page is too shallow for what its spec puts there.`;
    const { stream, block } = styled;
    return [{ kind: 'off-page', grade: 'must', stream, block, page: page.index, message }];
  }
  return [];
}
