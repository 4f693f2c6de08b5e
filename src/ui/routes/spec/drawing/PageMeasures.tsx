// The measures of a page where they stand: trim, margins, type area, binding, each with its line.
import { useUnits } from '../../../components/useUnits';
import { useSpec } from '../useSetSpec';
import type { DrawingLayout } from './layout';
import { CHIP_WIDTH, LengthChip } from './LengthChip';

export function PageMeasures({ layout, hasRulers }: { layout: DrawingLayout; hasRulers: boolean }) {
  const { spec } = useSpec();
  const units = useUnits();
  const { trim, margins } = spec.page;
  const { scale, left, recto, right, top, w, h, area, edge, pages } = layout;
  /** Beyond the figures of the rulers. */
  const [acrossY, linesX] = hasRulers ? [top - 36, right + 52] : [top - 22, right + 34];
  const downX = left - 42;
  /** Back and fore-edge are dimensioned low in the foot, clear of the folio. */
  const sideY = Math.max(edge.foot + 6, top + h - 16);
  /** Head and foot are dimensioned in the outer margin, clear of the words there. */
  const marginX = left + 12;
  const chips = {
    head: { x: downX, y: (top + edge.head) / 2 },
    foot: { x: downX, y: (edge.foot + top + h) / 2 },
    back: { x: recto + Math.max(margins.back.pt * scale, CHIP_WIDTH + 8) / 2, y: top + h + 20 },
    foreEdge: { x: right - Math.max(margins.foreEdge.pt * scale, CHIP_WIDTH + 8) / 2, y: top + h + 20 },
  };
  /** From each chip, outside the page, to the dimension of what it measures. */
  const leaders = [
    `M${chips.head.x} ${chips.head.y}H${marginX}`,
    `M${chips.foot.x} ${chips.foot.y}H${marginX}`,
    `M${(recto + edge.rectoLeft) / 2} ${sideY}V${chips.back.y}`,
    `M${(edge.rectoRight + right) / 2} ${sideY}V${chips.foreEdge.y}`,
  ].join('');
  return (
    <>
      <svg className="pointer-events-none absolute inset-0 size-full" aria-hidden>
        <path d={leaders} fill="none" stroke="#8f887c" strokeDasharray="2 2" />
        <Dimension x1={left} x2={left + w} y={acrossY} />
        {pages === 2 && <Dimension x1={edge.rectoLeft} x2={edge.rectoRight} y={acrossY} />}
        <Dimension vertical x1={top} x2={top + h} y={downX} />
        <Dimension vertical x1={edge.head} x2={edge.foot} y={linesX} />
        <Dimension vertical x1={top} x2={edge.head} y={marginX} onPaper />
        <Dimension vertical x1={edge.foot} x2={top + h} y={marginX} onPaper />
        <Dimension x1={recto} x2={edge.rectoLeft} y={sideY} onPaper />
        <Dimension x1={edge.rectoRight} x2={right} y={sideY} onPaper />
      </svg>

      <LengthChip label="Trim width" path="page.trim.width" value={trim.width} x={left + w / 2} y={acrossY} />
      <LengthChip label="Trim height" path="page.trim.height" value={trim.height} x={downX} y={top + h / 2} />
      <LengthChip label="Head margin" path="page.margins.head" value={margins.head} x={chips.head.x} y={chips.head.y} />
      <LengthChip label="Foot margin" path="page.margins.foot" value={margins.foot} x={chips.foot.x} y={chips.foot.y} />
      <LengthChip label="Back margin" path="page.margins.back" value={margins.back} x={chips.back.x} y={chips.back.y} />
      <LengthChip
        label="Fore-edge margin"
        path="page.margins.foreEdge"
        value={margins.foreEdge}
        x={chips.foreEdge.x}
        y={chips.foreEdge.y}
      />
      {spec.page.bindingAllowance.pt > 0 && (
        <Fact
          x={pages === 2 ? recto - 64 : left + w / 2}
          y={top + h + 20}
          words={`binding ${units.show(spec.page.bindingAllowance)} of`}
        />
      )}
      <Fact
        x={pages === 2 ? (edge.rectoLeft + edge.rectoRight) / 2 : left + w * 0.82}
        y={acrossY}
        words={units.show({ pt: area.measure, unit: margins.back.unit })}
      />
      <Fact x={linesX} y={(edge.head + edge.foot) / 2} words={`${area.lines} lines`} />
    </>
  );
}

interface DimensionProps {
  /** Start and end along the line, and its place across. */
  readonly x1: number;
  readonly x2: number;
  readonly y: number;
  readonly vertical?: boolean;
  readonly onPaper?: boolean;
}

/** A dimension line with slanted ends, as in a workshop drawing. */
function Dimension({ x1, x2, y, vertical = false, onPaper = false }: DimensionProps) {
  const stroke = onPaper ? '#5f5a51' : 'var(--color-base-content)';
  const point = (along: number, across: number) => (vertical ? `${across} ${along}` : `${along} ${across}`);
  const slant = (along: number) => `M${point(along - 3, y + 3)} L${point(along + 3, y - 3)}`;
  return (
    <path
      d={`M${point(x1, y)} L${point(x2, y)} ${slant(x1)} ${slant(x2)}`}
      fill="none"
      stroke={stroke}
      strokeWidth={1}
    />
  );
}

function Fact({ x, y, words }: { x: number; y: number; words: string }) {
  return (
    <span
      className="absolute -translate-x-1/2 -translate-y-1/2 whitespace-nowrap bg-base-200 px-1.5 text-primary"
      style={{ left: x, top: y }}
    >
      {words}
    </span>
  );
}
