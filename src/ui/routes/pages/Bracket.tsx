// The bracket beside the paragraph pointed at, in the page's outer margin: the type itself is never tinted. Its leaf green is
// that of the day: paper is light by day and by evening.
import type { DisplayList } from '../../../core/model/composed/displayList';
import type { PageSide } from '../../../core/model/composed/pages';
import type { ParagraphPlace } from '../../../state/view/viewSlice';

interface Props {
  readonly list: DisplayList;
  readonly place: ParagraphPlace;
  /** CSS pixels a point. */
  readonly scale: number;
  readonly side: PageSide;
}

/** Points between the text and the bracket, and its depth. */
const AWAY = 9;
const DEPTH = 4;

export function Bracket({ list, place, scale, side }: Props) {
  const own = list.items.filter((item) => item.source?.stream === place.stream && item.source.block === place.block);
  const pictures = list.pictures.filter((picture) => picture.stream === place.stream && picture.block === place.block);
  if (own.length === 0 && pictures.length === 0) return null;
  const text = list.items.filter((item) => item.artifact === null);
  const left = Math.min(...text.map((item) => list.xs[item.first]), ...pictures.map(({ x }) => x));
  const right = Math.max(...text.map((item) => item.endX), ...pictures.map(({ x, width }) => x + width));
  const top = Math.min(...own.map((item) => item.y - item.size * 0.75), ...pictures.map(({ y }) => y));
  const bottom = Math.max(
    ...own.map((item) => item.y + item.size * 0.25),
    ...pictures.map((one) => one.y + one.height),
  );
  const x = side === 'verso' ? left - AWAY - DEPTH : right + AWAY;
  return (
    <div
      aria-hidden
      data-bracket
      className={`pointer-events-none absolute border-y-[1.5px] border-[#1f6b4a] ${side === 'verso' ? 'border-l-[1.5px]' : 'border-r-[1.5px]'}`}
      style={{ left: x * scale, top: top * scale, width: DEPTH * scale, height: (bottom - top) * scale }}
    />
  );
}
