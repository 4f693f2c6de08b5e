// What stands between the lines of the grid, such as an extract of smaller type or a table, has the same white above it as
// below: half of what is left to the next grid line is put above it, the rest falls below.
import type { FlowParagraph } from '../../paginate';
import type { Meaning } from '../../model/spec/spec';

const OFF_GRID: ReadonlySet<Meaning> = new Set<Meaning>(['extract', 'verse', 'listItem', 'table']);
/** Parts of a grid line that nobody sees. */
const UNSEEN = 0.01;
/** Remainders are held to so many parts of a grid line: sums of them are without error. */
const PARTS = 1024;

/** A place with another gap, by the place that it was made from. */
const levelled = new WeakMap<FlowParagraph, FlowParagraph>();

/** The flow with its remainders halved; the same list where there are none. `leading`: of the grid, in points. */
export function levelOffGrid(text: readonly FlowParagraph[], leading: number): readonly FlowParagraph[] {
  let made: FlowParagraph[] | null = null;
  for (let from = 0; from < text.length; from += 1) {
    if (!isOff(text[from])) continue;
    let to = from;
    let height = 0;
    for (; to < text.length && isOff(text[to]); to += 1) height += text[to].gap + depthOf(text[to], leading);
    const next = text[to];
    // What goes on off the grid, or ends the flow, has no line to return to.
    const rest = next === undefined || !isOnGrid(next) ? 0 : remainder(height + next.gap);
    if (rest > UNSEEN && from > 0) {
      made ??= [...text];
      made[from] = withMore(text[from], rest / 2);
    }
    from = to;
  }
  return made ?? text;
}

const isOff = ({ paragraph, marginal }: FlowParagraph) =>
  OFF_GRID.has(paragraph.styled.style.meaning) && marginal === undefined;

const isOnGrid = ({ paragraph }: FlowParagraph) => {
  const { above, below, meaning } = paragraph.styled.style;
  return above % 1 === 0 && below % 1 === 0 && meaning !== 'caption';
};

const depthOf = ({ paragraph }: FlowParagraph, leading: number) =>
  (paragraph.broken.count * paragraph.styled.style.leading) / leading;

/** Up to the next grid line. */
const remainder = (height: number) => Math.round((Math.ceil(height - UNSEEN) - height) * PARTS) / PARTS;

function withMore(place: FlowParagraph, more: number): FlowParagraph {
  const known = levelled.get(place);
  if (known?.gap === place.gap + more) return known;
  const made = { ...place, gap: place.gap + more, elastic: place.elastic?.map((gap) => gap + more) };
  levelled.set(place, made);
  return made;
}
