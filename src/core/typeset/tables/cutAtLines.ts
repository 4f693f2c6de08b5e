// Rows that are deeper than a page, cut where no line of any cell stands: each piece goes on where the one before ended.
import type { Pt } from '../../model/spec/length';
import type { SetText } from '../../paginate';
import type { LaidPart } from './laidPart';

/** A line of a cell, and its edges. */
interface Line {
  readonly text: SetText;
  readonly from: Pt;
  readonly to: Pt;
}

/** The part in pieces of a line or a few; `top`: what stands over those after the first; `room`: points that a page has for the deepest. */
export function cutAtLines(part: LaidPart, top: LaidPart['rows']['top'], room: Pt, grid: Pt): LaidPart[] {
  const lines = part.rows.texts.flatMap(linesOf).sort((a, b) => a.from - b.from);
  const cuts = cutsBetween(lines, part.height, room, grid);
  return cuts.slice(1).map((to, k): LaidPart => {
    const from = cuts[k];
    const isFirst = k === 0;
    const own = lines.filter((line) => line.from >= from - SLACK && line.from < to - SLACK);
    // Marks belong to the line over which they stand; those over all lines to the first.
    const isIn = (y: Pt) => (isFirst || y >= from) && (y < to || k === cuts.length - 2);
    return {
      rows: {
        texts: joined(own, part.rows.texts).map((text) => ({ ...text, y: text.y - from })),
        marks: part.rows.marks.filter(({ y }) => isIn(y)).map((mark) => ({ ...mark, y: mark.y - from })),
        top: isFirst ? part.rows.top : top,
        goesOn: isFirst ? part.rows.goesOn : 'row',
        mayPass: false,
      },
      height: to - from,
      id: isFirst ? part.id : `${part.id}.${k}`,
      beginsPage: isFirst && part.beginsPage,
    };
  });
}

const SLACK = 0.01;

function linesOf(text: SetText): Line[] {
  const { leading } = text.paragraph.styled.style;
  return Array.from({ length: text.to - text.from }, (_, k) => {
    const to = text.y + k * leading;
    return { text: { ...text, from: text.from + k, to: text.from + k + 1, y: to }, from: to - leading, to };
  });
}

/** Depths at which no line is cut, from 0 to the end; each piece as small as it can be. */
function cutsBetween(lines: readonly Line[], height: Pt, room: Pt, grid: Pt): Pt[] {
  const cuts = [0];
  let open = 0;
  for (const { from, to } of lines) {
    if (from >= open - SLACK && from > cuts[cuts.length - 1] + SLACK) cuts.push(from);
    open = Math.max(open, to);
  }
  const last = cuts[cuts.length - 1];
  if (height > last + SLACK) cuts.push(height);
  // What has no lines, such as white under a picture, is cut wherever a page ends.
  return cuts.flatMap((cut, k) => {
    const before = k === 0 ? 0 : cuts[k - 1];
    const more: Pt[] = [];
    const step = Math.max(grid, Math.floor(room / grid) * grid);
    for (let at = before + step; at < cut - SLACK && cut - before > room; at += step) more.push(at);
    return [...more, cut];
  });
}

/** Lines of one paragraph that follow one another are one stretch of it again, in the order of the cells. */
function joined(lines: readonly Line[], order: readonly SetText[]): SetText[] {
  const rank = new Map(order.map(({ paragraph }, k) => [paragraph, k]));
  const sorted = lines.map(({ text }) => text).sort((a, b) => rank.get(a.paragraph)! - rank.get(b.paragraph)!);
  const texts: SetText[] = [];
  for (const text of sorted) {
    const last = texts[texts.length - 1];
    if (last?.paragraph === text.paragraph && last.to === text.from) texts[texts.length - 1] = { ...last, to: text.to };
    else texts.push(text);
  }
  return texts;
}
