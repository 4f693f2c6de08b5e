// Outlines of the glyphs of pages, each sent once.
import type { TypesetContext } from '../core/index';
import type { DisplayList, GlyphOutline } from '../core/model/composed/displayList';

/** The outlines of pages that were not sent before; they are noted in `sent` as `face:glyph`. */
export function newOutlines(
  lists: readonly DisplayList[],
  { library }: TypesetContext,
  sent: Set<string>,
): GlyphOutline[] {
  const outlines: GlyphOutline[] = [];
  for (const list of lists)
    for (const item of list.items) {
      const font = library.font(item.face);
      for (let k = item.first; k < item.first + item.count; k += 1) {
        const glyph = list.glyphs[k];
        const key = `${item.face}:${glyph}`;
        if (sent.has(key)) continue;
        sent.add(key);
        const path = library.harfBuzz.outlineOf(font, glyph);
        outlines.push({ face: item.face, glyph, unitsPerEm: font.unitsPerEm, path });
      }
    }
  return outlines;
}

/** What is handed over with pages instead of being copied. */
export function buffersOf(lists: readonly DisplayList[], outlines: readonly GlyphOutline[]): ArrayBuffer[] {
  const arrays = [
    ...lists.flatMap((list) => [list.glyphs, list.xs, list.rises, list.charOffsets, list.sourceOffsets]),
    ...outlines.map((outline) => outline.path),
  ];
  return arrays.map((array) => array.buffer as ArrayBuffer);
}
