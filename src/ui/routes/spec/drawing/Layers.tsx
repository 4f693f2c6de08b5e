// What can be laid over the drawing: the grid of baselines, columns, the lines of the canon while it holds, guides, rulers.
import { canonState } from '../../../../core/measure/canon';
import { pointsPer } from '../../../../core/measure/units';
import type { Unit } from '../../../../core/model/spec/length';
import type { Guide } from '../../../../core/model/spec/pageSpec';
import type { Spec } from '../../../../core/model/spec/spec';
import { useAppSelector } from '../../../../state/hooks';
import { pageFacts } from '../../../../state/spec/specThunks';
import type { Layer } from '../../../../state/view/viewSlice';
import type { DrawingLayout } from './layout';

const LEAF = '#27694b';

export function Layers({ spec, layout, shown }: { spec: Spec; layout: DrawingLayout; shown: readonly Layer[] }) {
  const capHeight = useAppSelector((state) => pageFacts(state).capHeight);
  const pages = useAppSelector((state) => pageFacts(state).pages);
  const columns = useAppSelector((state) => state.compose.summary?.geometry.columns);
  const holds = ['exact', 'snapped'].includes(canonState(spec.page, capHeight, spec.text.leading.pt, pages));
  const has = (layer: Layer) => shown.includes(layer);
  return (
    <g fill="none" strokeWidth={1}>
      {has('grid') && <path d={gridPath(spec, layout, capHeight)} stroke={LEAF} strokeOpacity={0.22} />}
      {has('grid') && columns !== undefined && columns.length > 1 && (
        <path d={columnPath(layout, columns)} stroke={LEAF} strokeOpacity={0.6} />
      )}
      {has('canon') && holds && (
        <path d={canonPath(spec, layout)} stroke={LEAF} strokeOpacity={0.55} strokeDasharray="5 4" />
      )}
      {has('guides') && (
        <path d={guidesPath(spec.page.guides, spec.page.facing, layout)} stroke="#7a5ea8" strokeOpacity={0.9} />
      )}
    </g>
  );
}

/** Baselines of both pages. */
function gridPath(spec: Spec, { top, scale, area, edge }: DrawingLayout, capHeight: number): string {
  const lines: string[] = [];
  for (let k = 0; k < area.lines; k += 1) {
    const y = round(top + (spec.page.margins.head.pt + capHeight + k * spec.text.leading.pt) * scale);
    lines.push(`M${edge.versoLeft} ${y}H${edge.versoRight}M${edge.rectoLeft} ${y}H${edge.rectoRight}`);
  }
  return lines.join('');
}

function columnPath(
  { scale, edge }: DrawingLayout,
  columns: readonly { readonly x: number; readonly width: number }[],
): string {
  return [edge.versoLeft, edge.rectoLeft]
    .flatMap((left) => columns.flatMap(({ x, width }) => [left + x * scale, left + (x + width) * scale]).slice(1, -1))
    .map((x) => `M${round(x)} ${edge.head}V${edge.foot}`)
    .join('');
}

/** Diagonals of pages and spread, and the parts of a division into parts; or lines from corner to corner of page and type. */
function canonPath(spec: Spec, { left, top, w, h, scale, edge }: DrawingLayout): string {
  const { canon, bindingAllowance } = spec.page;
  const fold = left + w;
  const inner = bindingAllowance.pt * scale;
  const line = (x1: number, y1: number, x2: number, y2: number) => `M${x1} ${y1}L${x2} ${y2}`;
  const mirrored = (x: number) => 2 * fold - x;
  if (canon?.kind === 'twoThirds' || canon?.kind === 'nths') {
    const right = left + 2 * w;
    const paths = [
      line(fold + inner, top, right, top + h),
      line(mirrored(fold + inner), top, left, top + h),
      line(left, top + h, right, top),
      line(right, top + h, left, top),
    ];
    if (canon.kind === 'nths')
      for (let k = 1; k < canon.parts; k += 1) {
        const x = fold + inner + ((w - inner) * k) / canon.parts;
        const y = top + (h * k) / canon.parts;
        paths.push(line(x, top, x, top + h), line(mirrored(x), top, mirrored(x), top + h), line(left, y, right, y));
      }
    return paths.join('');
  }
  const corners: [number, number, number, number][] = [
    [fold + inner, top, edge.rectoLeft, edge.head],
    [left + 2 * w, top, edge.rectoRight, edge.head],
    [fold + inner, top + h, edge.rectoLeft, edge.foot],
    [left + 2 * w, top + h, edge.rectoRight, edge.foot],
  ];
  return corners
    .flatMap(([x1, y1, x2, y2]) => [line(x1, y1, x2, y2), line(mirrored(x1), y1, mirrored(x2), y2)])
    .join('');
}

function guidesPath(guides: readonly Guide[], facing: boolean, { left, top, w, h, scale }: DrawingLayout): string {
  return guides
    .flatMap(({ axis, at, on }) => {
      const [onVerso, onRecto] = [on !== 'recto', on !== 'verso'];
      const d = at.pt * scale;
      if (axis === 'across')
        return [
          onVerso ? `M${left} ${round(top + d)}H${left + w}` : '',
          onRecto ? `M${left + w} ${round(top + d)}H${left + 2 * w}` : '',
        ];
      const versoX = on === 'mirrored' && facing ? left + w - d : left + d;
      return [
        onVerso ? `M${round(versoX)} ${top}V${top + h}` : '',
        onRecto ? `M${round(left + w + d)} ${top}V${top + h}` : '',
      ];
    })
    .join('');
}

/** Least pixels between two numbers of a ruler. */
const APART = 34;
const STEPS = [1, 2, 5, 10, 20, 50, 100, 200, 500, 1000];

/** Rulers along head and left, from the fold outwards and from the head down, in the unit of the book. */
export function Rulers({ layout, unit, dpi }: { layout: DrawingLayout; unit: Unit; dpi: number }) {
  const { left, top, w, h, scale } = layout;
  const one = pointsPer(unit, dpi) * scale;
  const step = STEPS.find((size) => size * one >= APART) ?? STEPS[STEPS.length - 1];
  const ticks: { x: number; y: number; value: number; isAcross: boolean }[] = [];
  for (let value = 0; value * one <= w + 0.5; value += step)
    for (const x of value === 0 ? [left + w] : [left + w - value * one, left + w + value * one])
      ticks.push({ x, y: top - 2, value, isAcross: true });
  for (let value = 0; value * one <= h + 0.5; value += step)
    ticks.push({ x: left - 2, y: top + value * one, value, isAcross: false });
  return (
    <g fontSize={9} fill="var(--quiet)" stroke="none" data-layer="rulers">
      {ticks.map(({ x, y, value, isAcross }) => (
        <g key={`${isAcross ? 'a' : 'd'}${Math.round(x)}${Math.round(y)}`}>
          <path d={isAcross ? `M${round(x)} ${y}v-5` : `M${x} ${round(y)}h-5`} stroke="var(--quiet)" />
          <text x={isAcross ? x : x - 7} y={isAcross ? y - 7 : y + 3} textAnchor={isAcross ? 'middle' : 'end'}>
            {value}
          </text>
        </g>
      ))}
    </g>
  );
}

const round = (value: number) => Math.round(value) + 0.5;
