// Puts pictures on the page with the captions under them, in their place and at the head of a later region.
import { append } from '../base/append';
import { gridBaseline, type Fragment, type PageGeometry } from '../model/composed/pages';
import type { Flow } from './flow';
import { depthOfWhole, type FlowParagraph } from './flowParagraph';
import type { FilledRegion } from './tracePages';

/** The pictures that have come over to the head of a region, one under another. They stand behind its text in reading order. */
export function placeFloats(
  flow: Flow,
  { region, floatFrom, floatTo }: FilledRegion,
  geometry: PageGeometry,
): Fragment[] {
  const fragments: Fragment[] = [];
  let { top } = region;
  for (const { anchor, height, isPicture } of flow.floats.slice(floatFrom, floatTo)) {
    const { source } = flow.items[anchor];
    if (isPicture) {
      const { paragraph } = source;
      const tall = depthOfWhole({ paragraph }, geometry.leading);
      const placed = { paragraph, from: 0, to: 1, x: region.x, y: gridBaseline(geometry, top + tall - 1) };
      append(fragments, withUnder(source, placed, geometry));
    }
    top += height;
  }
  return fragments;
}

/** A picture and what stands under it. */
export function withUnder({ under = [] }: FlowParagraph, placed: Fragment, geometry: PageGeometry): Fragment[] {
  let { y } = placed;
  const others = under.map(({ paragraph, gap }): Fragment => {
    const { leading } = paragraph.styled.style;
    const { count } = paragraph.broken;
    const first = y + gap * geometry.leading + leading;
    y = first + (count - 1) * leading;
    return { paragraph, from: 0, to: count, x: placed.x, y: first };
  });
  return [placed, ...others];
}
