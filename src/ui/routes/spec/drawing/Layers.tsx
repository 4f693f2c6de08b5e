// What can be laid over the drawing: the grid of baselines, columns, the lines of the canon while it holds, guides, rulers.
import { canonState } from '../../../../core/measure/canon';
import { pointsPer } from '../../../../core/measure/units';
import type { Unit } from '../../../../core/model/spec/length';
import type { Spec } from '../../../../core/model/spec/spec';
import { useAppSelector } from '../../../../state/hooks';
import { pageFacts } from '../../../../state/spec/specThunks';
import type { Layer } from '../../../../state/view/viewSlice';
import { MARK_COLOURS, pageMarks } from '../../../pageView/pageMarks';
import type { DrawingLayout } from './layout';

const { leaf: LEAF, guide: GUIDE, bleed: BLEED } = MARK_COLOURS;

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
      {has('guides') && <path d={guidesPath(spec, layout, capHeight)} stroke={GUIDE} strokeOpacity={0.9} />}
      {has('bleed') && (
        <path data-layer="bleed" d={bleedPath(spec, layout, capHeight)} stroke={BLEED} strokeDasharray="2 3" />
      )}
      {has('measures') && spec.page.bindingAllowance.pt > 0 && (
        <path d={bindingPath(spec, layout)} stroke={LEAF} strokeOpacity={0.5} strokeDasharray="1 3" />
      )}
    </g>
  );
}

/** The marks of each page that is drawn, with the left edge of its trim. */
function pagesOfDrawing(spec: Spec, { left, recto, pages }: DrawingLayout, capHeight: number) {
  const onRecto = { at: recto, marks: pageMarks(spec, capHeight, 'recto') };
  return pages === 1 ? [onRecto] : [{ at: left, marks: pageMarks(spec, capHeight, 'verso') }, onRecto];
}

function gridPath(spec: Spec, layout: DrawingLayout, capHeight: number): string {
  const { top, scale } = layout;
  return pagesOfDrawing(spec, layout, capHeight)
    .flatMap(({ at, marks: { area, baselines } }) =>
      baselines.map((y) => `M${at + area.x * scale} ${round(top + y * scale)}h${area.width * scale}`),
    )
    .join('');
}

function guidesPath(spec: Spec, layout: DrawingLayout, capHeight: number): string {
  const { top, w, h, scale } = layout;
  return pagesOfDrawing(spec, layout, capHeight)
    .flatMap(({ at, marks }) =>
      marks.guides.map((guide) =>
        'x' in guide ? `M${round(at + guide.x * scale)} ${top}v${h}` : `M${at} ${round(top + guide.y * scale)}h${w}`,
      ),
    )
    .join('');
}

/** Around the trim; between facing pages there is only one edge. */
function bleedPath(spec: Spec, layout: DrawingLayout, capHeight: number): string {
  const { top, scale, pages, recto } = layout;
  return pagesOfDrawing(spec, layout, capHeight)
    .flatMap(({ at, marks: { bleed } }) => {
      if (bleed === null) return [];
      const [left, right] = [at + bleed.x * scale, at + (bleed.x + bleed.width) * scale];
      const [from, to] = pages === 1 ? [left, right] : at === recto ? [recto, right] : [left, recto];
      const [head, foot] = [top + bleed.y * scale, top + (bleed.y + bleed.height) * scale];
      const outer =
        pages === 1 || at === recto ? `M${from} ${head}H${to}V${foot}H${from}` : `M${to} ${head}H${from}V${foot}H${to}`;
      return [pages === 1 ? `${outer}Z` : outer];
    })
    .join('');
}

/** The share of the back margin that the binding takes, at the fold. */
function bindingPath(spec: Spec, { recto, top, h, scale, pages }: DrawingLayout): string {
  const d = spec.page.bindingAllowance.pt * scale;
  return `M${round(recto + d)} ${top}v${h}${pages === 1 ? '' : `M${round(recto - d)} ${top}v${h}`}`;
}

function columnPath(
  { scale, edge }: DrawingLayout,
  columns: readonly { readonly x: number; readonly width: number }[],
): string {
  return [...new Set([edge.versoLeft, edge.rectoLeft])]
    .flatMap((left) => columns.flatMap(({ x, width }) => [left + x * scale, left + (x + width) * scale]).slice(1, -1))
    .map((x) => `M${round(x)} ${edge.head}V${edge.foot}`)
    .join('');
}

/** Diagonals of pages and spread, and the parts of a division into parts; or lines from corner to corner of page and type. */
function canonPath(spec: Spec, { left, right, recto, top, w, h, scale, edge, pages }: DrawingLayout): string {
  const { canon, bindingAllowance } = spec.page;
  const fold = recto;
  const inner = bindingAllowance.pt * scale;
  const line = (x1: number, y1: number, x2: number, y2: number) => `M${x1} ${y1}L${x2} ${y2}`;
  const mirrored = (x: number) => 2 * fold - x;
  if (canon?.kind === 'twoThirds' || canon?.kind === 'nths') {
    const paths = [line(fold + inner, top, right, top + h), line(right, top + h, left, top)];
    if (pages === 2) paths.push(line(mirrored(fold + inner), top, left, top + h), line(left, top + h, right, top));
    if (canon.kind === 'nths')
      for (let k = 1; k < canon.parts; k += 1) {
        const x = fold + inner + ((w - inner) * k) / canon.parts;
        const y = top + (h * k) / canon.parts;
        paths.push(line(x, top, x, top + h), line(left, y, right, y));
        if (pages === 2) paths.push(line(mirrored(x), top, mirrored(x), top + h));
      }
    return paths.join('');
  }
  const corners: [number, number, number, number][] = [
    [fold + inner, top, edge.rectoLeft, edge.head],
    [right, top, edge.rectoRight, edge.head],
    [fold + inner, top + h, edge.rectoLeft, edge.foot],
    [right, top + h, edge.rectoRight, edge.foot],
  ];
  return corners
    .flatMap(([x1, y1, x2, y2]) => [
      line(x1, y1, x2, y2),
      ...(pages === 2 ? [line(mirrored(x1), y1, mirrored(x2), y2)] : []),
    ])
    .join('');
}

/** Least pixels between two numbers of a ruler. */
const APART = 34;
const STEPS = [1, 2, 5, 10, 20, 50, 100, 200, 500, 1000];

/** Rulers along head and right, from the fold outwards and from the head down, in the unit of the book. */
export function Rulers({ layout, unit, dpi }: { layout: DrawingLayout; unit: Unit; dpi: number }) {
  const { recto, right, top, w, h, scale, pages } = layout;
  const one = pointsPer(unit, dpi) * scale;
  const step = STEPS.find((size) => size * one >= APART) ?? STEPS[STEPS.length - 1];
  const ticks: { x: number; y: number; value: number; isAcross: boolean }[] = [];
  for (let value = 0; value * one <= w + 0.5; value += step)
    for (const x of value === 0 || pages === 1 ? [recto + value * one] : [recto - value * one, recto + value * one])
      ticks.push({ x, y: top - 2, value, isAcross: true });
  for (let value = 0; value * one <= h + 0.5; value += step)
    ticks.push({ x: right + 2, y: top + value * one, value, isAcross: false });
  return (
    <g fontSize={9} fill="var(--quiet)" stroke="none" data-layer="rulers">
      {ticks.map(({ x, y, value, isAcross }) => (
        <g key={`${isAcross ? 'a' : 'd'}${Math.round(x)}${Math.round(y)}`}>
          <path d={isAcross ? `M${round(x)} ${y}v-5` : `M${x} ${round(y)}h5`} stroke="var(--quiet)" />
          <text x={isAcross ? x : x + 7} y={isAcross ? y - 7 : y + 3} textAnchor={isAcross ? 'middle' : 'start'}>
            {value}
          </text>
        </g>
      ))}
    </g>
  );
}

const round = (value: number) => Math.round(value) + 0.5;
