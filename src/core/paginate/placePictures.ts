// Puts pictures on the page with their captions: in their place, at the head or the foot of a region, on a page by themselves.
import { append } from '../base/append';
import { gridBaseline, type Fragment, type PageGeometry } from '../model/composed/pages';
import type { Flow } from './flow';
import { depthOfWhole, type CaptionParagraph, type FlowParagraph } from './flowParagraph';
import { noteHeight } from './noteBlocks';
import type { PackedFloat } from './packInsertions';
import { placeRows } from './placeRows';
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
  // The rule over a table stands in the type area.
  return hungAt(figure, x, gridBaseline(geometry, top + (figure.rows?.top.depth ?? 0)), geometry);
}

/** A figure down from the cap height of a line; `baseline`: of that line. */
export const hungAt = (figure: FlowParagraph, x: number, baseline: number, geometry: PageGeometry): Fragment[] =>
  figureFrom(figure, x, baseline - geometry.leading, geometry);

/** A figure whose last line, or whose picture, stands on a grid line. */
function standing(figure: FlowParagraph, x: number, line: number, geometry: PageGeometry): Fragment[] {
  const depth = depthOfWhole(figure, geometry.leading) * geometry.leading;
  return figureFrom(figure, x, gridBaseline(geometry, line) - depth, geometry);
}

/** A figure on a page by itself: its captions on the foot line or at the head, its pictures in the middle of the rest. */
function onPage({ figure }: PackedFloat, { region, depth }: FilledRegion, geometry: PageGeometry): Fragment[] {
  const { x, top, lines } = region;
  const { paragraph, captions = [] } = figure;
  const { leading, captionAt } = paragraph.styled.style;
  const isAbove = captionAt === 'above';
  if (figure.rows !== undefined) return hung(figure, x, top, geometry);
  const placed = isAbove ? hung(figure, x, top, geometry) : standing(figure, x, top + lines + depth - 1, geometry);
  const height = leading - geometry.leading + geometry.capHeight;
  const foot = gridBaseline(geometry, top + lines + depth - 1);
  // A picture and its captions beside it stand in the middle together.
  if (captionAt === 'beside') {
    const room = foot - gridBaseline(geometry, top) + geometry.capHeight - height;
    return placed.map((one) => ({ ...one, y: one.y - Math.max(0, room) / 2 }));
  }
  const lastCaption = placed[captions.length - 1];
  const head = gridBaseline(geometry, top) - geometry.capHeight;
  // The first line of the captions takes the white above it along.
  const [first] = captions;
  const [highest, lowest] = isAbove
    ? [
        lastCaption === undefined || captions.length === 0 ? head : lastBaseline(lastCaption) + geometry.leading / 2,
        foot,
      ]
    : [head, first === undefined ? foot : placed[1].y - first.paragraph.styled.style.leading];
  const y = paragraph.styled.style.pictures?.[0].foot ?? highest + height + Math.max(0, lowest - highest - height) / 2;
  return placed.map((one) => (one.paragraph === paragraph ? { ...one, y } : one));
}

const lastBaseline = ({ paragraph, from, to, y }: Fragment): number =>
  y + (to - from - 1) * paragraph.styled.style.leading;

/** White between a picture and captions beside it, in points. */
export const BESIDE_PICTURE = 12;

/** A picture with its captions, in reading order, down from the baseline above it. */
export function figureFrom(
  { paragraph, captions = [], rows }: FlowParagraph,
  x: number,
  top: number,
  geometry: PageGeometry,
): Fragment[] {
  const { leading, captionAt, pictures = [] } = paragraph.styled.style;
  if (rows !== undefined) {
    const placed = { paragraph, from: 0, to: 1, x, y: top + leading };
    return placeRows(rows, placed, leading / geometry.leading, false, geometry);
  }
  const picture = (y: number): Fragment => ({ paragraph, from: 0, to: 1, x, y });
  if (captionAt === 'above') {
    const texts = captionsFrom(captions, x, top, geometry);
    const depth = depthOf(captions, geometry);
    return [...texts, picture(top + depth + leading)];
  }
  if (captionAt === 'beside') {
    // Their last line stands on the foot of the picture.
    const foot = top + Math.max(leading, depthOf(captions, geometry));
    const left = x + Math.max(...pictures.map((one) => one.x + one.width)) + BESIDE_PICTURE;
    return [picture(foot), ...captionsFrom(captions, left, foot - depthOf(captions, geometry), geometry)];
  }
  return [picture(top + leading), ...captionsFrom(captions, x, top + leading, geometry)];
}

/** Points from the baseline above captions to their last. */
const depthOf = (captions: readonly CaptionParagraph[], { leading }: PageGeometry): number =>
  captions.reduce(
    (sum, { paragraph, gap }) => sum + gap * leading + paragraph.broken.count * paragraph.styled.style.leading,
    0,
  );

function captionsFrom(
  captions: readonly CaptionParagraph[],
  x: number,
  top: number,
  geometry: PageGeometry,
): Fragment[] {
  let y = top;
  return captions.map(({ paragraph, gap }): Fragment => {
    const { leading } = paragraph.styled.style;
    const { count } = paragraph.broken;
    const first = y + gap * geometry.leading + leading;
    y = first + (count - 1) * leading;
    return { paragraph, from: 0, to: count, x, y: first };
  });
}
