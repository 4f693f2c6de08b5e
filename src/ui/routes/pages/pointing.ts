// Pointing at paragraphs of composed pages: with a click, and from one to the next.
import type { DisplayList } from '../../../core/model/composed/displayList';
import type { PageCache } from '../../../state/compose/pageCache';
import type { ParagraphPlace } from '../../../state/view/viewSlice';

/** The paragraphs and pictures of display lists, each once, down the page. */
export function paragraphsOf(lists: readonly (DisplayList | undefined)[]): ParagraphPlace[] {
  const places: ParagraphPlace[] = [];
  const add = ({ stream, block }: ParagraphPlace) => {
    const last = places[places.length - 1];
    if (last?.block !== block || last.stream !== stream) places.push({ stream, block });
  };
  for (const list of lists) {
    const pictures = [...(list?.pictures ?? [])].sort((a, b) => a.y - b.y);
    for (const { source, y } of list?.items ?? []) {
      if (source === null) continue;
      while (pictures.length > 0 && pictures[0].y < y) add(pictures.shift()!);
      add(source);
    }
    pictures.forEach(add);
  }
  return places;
}

/** The paragraph under a click, with the place in its text; null beside all text. `scale`: CSS pixels a point. */
export function paragraphAt(
  target: HTMLElement,
  clientX: number,
  cache: PageCache,
  scale: number,
): (ParagraphPlace & { readonly offset?: number }) | null {
  const text = target.closest<HTMLElement>('[data-block]');
  const page = text?.closest<HTMLElement>('[data-page]');
  const { stream, block, item } = text?.dataset ?? {};
  if (!stream || !block) return null;
  const list = page == null ? undefined : cache.get(Number(page.dataset.page) - 1);
  const left = (clientX - (page?.getBoundingClientRect().left ?? 0)) / scale;
  const offset = list === undefined || item === undefined ? undefined : offsetAt(list, Number(item), left);
  return { stream, block, ...(offset === undefined ? {} : { offset }) };
}

/** The place in the text of the glyph of an item that stands at `left` on its page, in points. */
function offsetAt(list: DisplayList, index: number, left: number): number | undefined {
  const item = list.items[index];
  if (item === undefined || item.source === null || item.count === 0) return undefined;
  let found = 0;
  for (let k = 0; k < item.count; k += 1) if (list.xs[item.first + k] <= left) found = k;
  return list.sourceOffsets[item.first + found];
}
