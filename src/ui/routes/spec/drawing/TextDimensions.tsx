// The values of the text on the text itself: two baselines with the leading between them, the size of the letters, the indent of a
// first line and the measure, each to be typed.
import { useAppSelector } from '../../../../state/hooks';
import { useUnits } from '../../../components/useUnits';
import type { DrawingLayout } from './layout';
import { LengthChip } from './LengthChip';
import type { Focus } from './useDrawingView';
import { useSpec } from '../useSetSpec';

/** Lines of the grid below the first at which the leading is shown where nothing is looked at. */
const AT_LINE = 3;

export function TextDimensions({ layout, focus }: { layout: DrawingLayout; focus: Focus }) {
  const { spec } = useSpec();
  const units = useUnits();
  const capHeight = useAppSelector((state) => state.compose.summary?.geometry.capHeight) ?? 0;
  if (focus.topic !== 'text') return null;
  const { edge, scale, area } = layout;
  const isRecto = focus.side === 'recto';
  const [left, right] = isRecto ? [edge.rectoLeft, edge.rectoRight] : [edge.versoLeft, edge.versoRight];
  const { size, leading, indent } = spec.text;
  const baseline = (line: number) => edge.head + capHeight * scale + line * leading.pt * scale;
  const x = right + 18;
  const at = lineNear(focus.paragraphY, area.lines, (line) => (baseline(line) - layout.top) / scale);
  const [upper, lower] = [baseline(at), baseline(at + 1)];
  const tick = (y: number) => `M${right} ${y}H${x + 6}M${x - 3} ${y + 3}L${x + 3} ${y - 3}`;
  const top = edge.head - 18;
  // Outside the page, with a line to what it measures.
  const pageEdge = isRecto ? layout.right : layout.left + layout.w;
  const chipX = Math.max(x + 44, isRecto ? pageEdge + 40 : x + 44);
  return (
    <>
      <svg className="pointer-events-none absolute inset-0 size-full" aria-hidden>
        <g fill="none" stroke="#27694b">
          <path d={`M${x} ${upper}V${lower}${tick(upper)}${tick(lower)}M${x} ${(upper + lower) / 2}H${chipX}`} />
          <path
            d={`M${left} ${top}H${right}M${left} ${top - 4}V${edge.head}M${right} ${top - 4}V${edge.head}`}
            strokeOpacity={0.7}
          />
          <path d={`M${left} ${baseline(at + 3)}h${indent.pt * scale}`} strokeWidth={2} />
        </g>
      </svg>
      <span
        className="pointer-events-none absolute -translate-x-1/2 -translate-y-1/2 whitespace-nowrap bg-[#fffefb] px-1.5 text-[#27694b]"
        style={{ left: (left + right) / 2, top }}
      >
        {units.show({ pt: area.measure, unit: spec.page.margins.back.unit })}
      </span>
      <LengthChip isNamed label="Leading" path="text.leading" value={leading} x={chipX} y={(upper + lower) / 2} />
      <LengthChip isNamed label="Type size" path="text.size" value={size} x={chipX} y={(upper + lower) / 2 - 44} />
      <LengthChip isNamed label="Indent" path="text.indent" value={indent} x={left - 46} y={baseline(at + 3) - 4} />
    </>
  );
}

/** The line of the grid at which the values are shown: that which is looked at, with room for those below it. */
function lineNear(y: number | null, lines: number, yOf: (line: number) => number): number {
  if (y === null) return AT_LINE;
  const leading = yOf(1) - yOf(0);
  return Math.max(0, Math.min(lines - 5, Math.round((y - yOf(0)) / leading)));
}
