// Verse whose stanzas stand as one block centred on the longest line of them all, never line by line (house rules, section 5).
import type { FlowParagraph } from '../../paginate';

/** A place that was moved in, by the place that it was made from. */
const shifted = new WeakMap<FlowParagraph, FlowParagraph>();

/**
 * The flow of a book of verse, everything that begins at the left moved in to the edge at which its widest poem is centred; the
 * same list when there is none to move.
 */
export function atVerseEdge(text: readonly FlowParagraph[], edge: number): readonly FlowParagraph[] {
  if (edge === 0) return text;
  return text.map((place) => {
    const { align } = place.paragraph.styled.style;
    return align === 'longest' || align === 'left' ? withShift(place, edge) : place;
  });
}

/** The flow with every run of such paragraphs moved in together; the same list when there is none. */
export function centreVerse(text: readonly FlowParagraph[], measure: number): readonly FlowParagraph[] {
  if (!text.some(isBlock)) return text;
  const moved = [...text];
  for (let from = 0; from < text.length; from += 1) {
    if (!isBlock(text[from])) continue;
    let to = from;
    let right = 0;
    for (; to < text.length && isBlock(text[to]); to += 1) right = Math.max(right, longestOf(text[to]));
    const shift = Math.max(0, (measure - right) / 2);
    for (let k = from; k < to; k += 1) moved[k] = withShift(text[k], shift);
    from = to;
  }
  return moved;
}

/** Left edge of the poems of a book, by the widest line of all of them and of this flow. */
export function verseEdge(text: readonly FlowParagraph[], ofBook: number, measure: number): number {
  const own = text.reduce((right, place) => (isBlock(place) ? Math.max(right, longestOf(place)) : right), 0);
  const widest = Math.max(own, ofBook);
  return widest === 0 ? 0 : Math.max(0, (measure - widest) / 2);
}

const isBlock = ({ paragraph }: FlowParagraph) => paragraph.styled.style.align === 'longest';

/** Right end of the longest line, from the left edge of the column. */
function longestOf({ paragraph: { broken } }: FlowParagraph): number {
  let right = 0;
  for (let line = 0; line < broken.count; line += 1) right = Math.max(right, broken.x[line] + broken.textWidth[line]);
  return right;
}

function withShift(place: FlowParagraph, shift: number): FlowParagraph {
  if (shift === 0) return place;
  const known = shifted.get(place);
  if (known?.shift === shift) return known;
  const made = { ...place, shift };
  shifted.set(place, made);
  return made;
}
