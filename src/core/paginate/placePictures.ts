// Puts pictures on the page with the captions under them: in their place, at the head or the foot of a region, on a page by themselves.
import { append } from '../base/append';
import { gridBaseline, type Fragment, type PageGeometry } from '../model/composed/pages';
import type { Flow } from './flow';
import type { FlowParagraph } from './flowParagraph';
import { noteHeight } from './noteBlocks';
import type { PackedFloat } from './packInsertions';
import type { FilledRegion } from './tracePages';

/** The floats of a region. */
export const floatsOf = (flow: Flow, { floatFrom, floatTo }: Pick<FilledRegion, 'floatFrom' | 'floatTo'>) =>
  flow.floats.slice(floatFrom, floatTo);

/** Grid lines that the figures at the foot of a region take from it: its text begins as much higher as the search has it. */
export const footDepth = (flow: Flow, region: Pick<FilledRegion, 'floatFrom' | 'floatTo'>): number =>
  floatsOf(flow, region).reduce((sum, { place, height }) => sum + (place === 'foot' ? height : 0), 0);

/**
 * The figures of a region, one under another at its head, or up from the foot line over its notes. They stand behind its text in reading order.
 * `noteGap`: grid lines between them and the notes.
 */
export function placeFloats(flow: Flow, region: FilledRegion, geometry: PageGeometry, noteGap: number): Fragment[] {
  const fragments: Fragment[] = [];
  const { x } = region.region;
  let { top } = region.region;
  let foot = footLine(flow, region, noteGap) - footDepth(flow, region);
  for (const float of floatsOf(flow, region)) {
    if (float.place === 'foot') append(fragments, standing(float.figure, x, (foot += float.height), geometry));
    else {
      const placed = float.place === 'page' ? onPage(float, region, geometry) : hung(float.figure, x, top, geometry);
      append(fragments, placed);
      top += float.height;
    }
  }
  return fragments;
}

/** The grid line on which the last figure at the foot stands: the foot line of the spread, or above the notes. */
function footLine(flow: Flow, { region, depth, noteFrom, noteTo }: FilledRegion, noteGap: number): number {
  const notes = noteTo > noteFrom ? noteGap + noteHeight(flow.notes, noteFrom, noteTo) : 0;
  return region.top + region.lines + depth - 1 - notes;
}

/** A figure down from a grid line. */
function hung(figure: FlowParagraph, x: number, top: number, geometry: PageGeometry): Fragment[] {
  return hungAt(figure, x, gridBaseline(geometry, top), geometry);
}

/** A figure down from the cap height of a line; `baseline`: of that line. */
export function hungAt(figure: FlowParagraph, x: number, baseline: number, geometry: PageGeometry): Fragment[] {
  const { paragraph } = figure;
  const y = baseline + paragraph.styled.style.leading - geometry.leading;
  return withUnder(figure, { paragraph, from: 0, to: 1, x, y }, geometry);
}

/** A figure whose last line, or whose picture, stands on a grid line. */
function standing(figure: FlowParagraph, x: number, line: number, geometry: PageGeometry): Fragment[] {
  const y = gridBaseline(geometry, line) - depthUnder(figure, geometry);
  return withUnder(figure, { paragraph: figure.paragraph, from: 0, to: 1, x, y }, geometry);
}

/** A figure on a page by itself: its captions on the foot line, its pictures in the middle of what is above them. */
function onPage({ figure }: PackedFloat, { region, depth }: FilledRegion, geometry: PageGeometry): Fragment[] {
  const { x, top, lines } = region;
  const { paragraph, under = [] } = figure;
  const placed = standing(figure, x, top + lines + depth - 1, geometry);
  const highest = gridBaseline(geometry, top) - geometry.capHeight;
  const { leading } = paragraph.styled.style;
  const height = leading - geometry.leading + geometry.capHeight;
  // The first line of the captions takes the white above it along.
  const [first] = under;
  const lowest = first === undefined ? placed[0].y : placed[1].y - first.paragraph.styled.style.leading;
  const y = highest + height + Math.max(0, lowest - highest - height) / 2;
  return [{ ...placed[0], y }, ...placed.slice(1)];
}

/** Points from the foot of a figure's pictures to the last baseline under them. */
const depthUnder = ({ under = [] }: FlowParagraph, { leading }: PageGeometry): number =>
  under.reduce(
    (sum, { paragraph, gap }) => sum + gap * leading + paragraph.broken.count * paragraph.styled.style.leading,
    0,
  );

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
