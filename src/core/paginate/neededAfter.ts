// What must follow an item on its page: two lines after a head, the caption after a picture.
import { notesAt, type FlowParagraph } from './flowParagraph';
import { isJoined } from './packInsertions';
import { AFTER_HEAD, isHead, NEAR_START } from './goesOver';

/** An item of the flow, as far as it is looked at here. */
interface Item {
  readonly source: FlowParagraph;
  readonly height: number;
  readonly mayPass: boolean;
  readonly settings: readonly { readonly count: number }[];
  readonly gaps: readonly { readonly gap: number }[];
}

export const isCaptionOf = (before: FlowParagraph, { paragraph }: FlowParagraph) =>
  before.paragraph.styled.style.pictures !== undefined && paragraph.styled.style.meaning === 'caption';

const LEAST_AFTER = 2;
/** Grid lines that a page may not have of those that it might: its spread cannot run long everywhere. */
const MAY_LACK = 1;

/** Least depth of what must follow on an item's page: two lines after a head, a picture's caption, the rest of what stands beside a figure. */
export function neededAfter(items: readonly Item[], index: number): number {
  const next = items[index + 1];
  if (next === undefined) return 0;
  const end = Math.min(items.length, index + 1 + AFTER_HEAD); // No further than a change is felt.
  const { byFigure } = items[index].source;
  if (byFigure !== undefined && next.source.byFigure?.joins)
    return (
      byFigure.depth -
      (byFigure.to - byFigure.from) * items[index].height +
      notesBeside(items, index + 1, end) +
      MAY_LACK
    );
  if (isCaptionOf(items[index].source, next.source)) return depthOf(next, LEAST_AFTER);
  let lines = linesAfterHead(items, index);
  let depth = 0;
  for (let k = index + 1; k < end && lines < LEAST_AFTER; k += 1) {
    const item = items[k];
    if (item.mayPass) continue;
    const isNew = isHead(item.source);
    if (isNew && lines > 0) break; // What the head stands over is whole.
    const { byFigure: beside } = item.source;
    // Text beside a figure goes over with it.
    if (beside !== undefined && beside.from <= NEAR_START)
      return depth + depthOf(item, 0) + beside.from + beside.depth + notesBeside(items, k, end) + MAY_LACK;
    const wanted = isNew || item.source.paragraph.styled.style.keepTogether ? Infinity : LEAST_AFTER - lines;
    depth += depthOf(item, wanted);
    lines = isNew ? 0 : lines + Math.min(wanted, item.source.paragraph.broken.count);
  }
  return depth;
}

/** Depth of so many lines of an item at least, with the space before it. */
const depthOf = ({ gaps, settings, height }: Item, lines: number) =>
  Math.min(...gaps.map(({ gap }) => gap)) + Math.min(lines, ...settings.map(({ count }) => count)) * height;

/** Lines from a head to the end of an item, as many as matter; Infinity where no head is near. */
function linesAfterHead(items: readonly Item[], index: number): number {
  let lines = 0;
  for (let k = index; k >= 0 && lines < LEAST_AFTER; k -= 1) {
    if (isHead(items[k].source)) return lines;
    lines += items[k].source.paragraph.broken.count;
  }
  return Infinity;
}

/** Grid lines that the notes take of an item and of those before `end` that stand beside the same figure after it. */
function notesBeside(items: readonly Item[], from: number, end: number): number {
  let depth = 0;
  for (let k = from; k < end && (k === from || items[k].source.byFigure?.joins); k += 1) {
    const { source, height } = items[k];
    const leading = source.paragraph.styled.style.leading / height;
    for (const note of notesAt(source, 'foot'))
      if (!isJoined(note))
        for (const { broken, styled } of note.paragraphs) depth += (broken.count * styled.style.leading) / leading;
  }
  return depth;
}
