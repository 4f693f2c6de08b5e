// An opener dimensioned: the sink above its first element, and the line on which its text begins, each to be typed.
import { useAppSelector } from '../../../../state/hooks';
import { selectRunningOrder } from '../../../../state/book/selectors';
import type { PageSummary } from '../../../../worker/typesetClient';
import type { DisplayList } from '../../../../core/model/composed/displayList';
import type { Spec } from '../../../../core/model/spec/spec';
import type { Block } from '../../../../core/model/copy/streams';
import { usePageCache } from '../../../pageView/pageCacheContext';
import { NumberChip } from './NumberChip';
import { openerKind, openerPath, openerSettings } from '../../../../core/copy/openers';
import { useSpec } from '../useSetSpec';
import type { DrawingLayout } from './layout';

/** Pixels from the type area to the dimension line. */
const AWAY = 16;

interface Props {
  readonly layout: DrawingLayout;
  readonly page: PageSummary;
  readonly isRecto: boolean;
}

export function OpenerLines({ layout, page, isRecto }: Props) {
  const { spec, set } = useSpec();
  const rows = useAppSelector(selectRunningOrder);
  const capHeight = useAppSelector((state) => state.compose.summary?.geometry.capHeight) ?? 0;
  const row = rows.find(({ id }) => id === page.division);
  const { cache, version: _ } = usePageCache();
  const blocks = useAppSelector((state) => state.book.book!.divisions.find(({ id }) => id === page.division)?.blocks);
  if (row === undefined) return null;
  const kind = openerKind(spec, row, row.words ?? 0);
  const { sink, textStart } = openerSettings(spec, kind);
  const { edge, scale } = layout;
  const leading = spec.text.leading.pt * scale;
  const [left, right] = isRecto ? [edge.rectoLeft, edge.rectoRight] : [edge.versoLeft, edge.versoRight];
  const x = isRecto ? right + AWAY : left - AWAY;
  const sinkY = edge.head + sink * leading;
  const startY = edge.head + (textStart - 1) * leading + capHeight * scale;
  /** Outside the page, with a line to what it measures. */
  const chipX = isRecto ? Math.max(x, layout.right) + 38 : Math.min(x, layout.left) - 38;
  const tick = (y: number) => `M${x - 4} ${y}H${x + 4}`;
  const take = (key: 'sink' | 'textStart', name: string) => (to: number) => set(openerPath(spec, kind, key), to, name);
  return (
    <>
      <svg className="pointer-events-none absolute inset-0 size-full" aria-hidden>
        <g fill="none" stroke="#27694b">
          <path d={`M${left} ${sinkY}H${right}M${left} ${startY}H${right}`} strokeDasharray="5 4" strokeOpacity={0.7} />
          <path d={`M${x} ${edge.head}V${startY}${tick(edge.head)}${tick(sinkY)}${tick(startY)}`} />
          <path d={`M${x} ${(edge.head + sinkY) / 2}H${chipX}M${x} ${startY}H${chipX}`} strokeOpacity={0.7} />
        </g>
      </svg>
      <HeadElements layout={layout} isRecto={isRecto} elements={headElements(cache.get(page.index), blocks, spec)} />
      <NumberChip
        label="Sink"
        unit="lines"
        value={sink}
        x={chipX}
        y={(edge.head + sinkY) / 2}
        onChange={take('sink', 'Sink')}
      />
      <NumberChip
        label="Text start"
        unit="line"
        value={textStart}
        x={chipX}
        y={startY}
        onChange={take('textStart', 'Text start')}
      />
    </>
  );
}

/** What the elements of an opener's head are called, by their styles. */
const ELEMENTS: Readonly<Record<string, string>> = {
  CN: 'number',
  PN: 'number',
  CT: 'title',
  PT: 'title',
  TOH: 'title',
  CST: 'subtitle',
  CAU: 'author',
  CEP: 'epigraph',
  COR: 'ornament',
};

interface HeadElement {
  readonly name: string;
  /** Baseline of its first line, in points from the top of the page. */
  readonly y: number;
  readonly size: number;
}

/** The elements of the head on a page, and its drop capital, each by its first baseline. */
function headElements(list: DisplayList | undefined, blocks: readonly Block[] | undefined, spec: Spec): HeadElement[] {
  if (list === undefined || blocks === undefined) return [];
  const styleOf = new Map(blocks.map(({ id, style }) => [id, style]));
  const seen = new Set<string>();
  const found: HeadElement[] = [];
  for (const { source, y, size } of list.items) {
    if (source === null) continue;
    // A number that a scheme gives stands under its title's name, on a line of its own above it.
    const style = styleOf.get(source.block) ?? '';
    const isNumber = ELEMENTS[style] === 'title' && source.meaning !== 'heading1';
    const name = isNumber ? 'number' : ELEMENTS[style];
    if (name === undefined || seen.has(name)) continue;
    seen.add(name);
    found.push({ name, y, size });
  }
  const { dropLines } = spec.openers;
  const initial = list.items.find(
    ({ source, size }) =>
      source !== null &&
      size > spec.text.size.pt * 1.6 &&
      !seen.has(source.block) &&
      ELEMENTS[styleOf.get(source.block) ?? ''] === undefined,
  );
  if (dropLines > 1 && initial !== undefined) found.push({ name: 'drop capital', y: initial.y, size: initial.size });
  return found;
}

/** Each element named at the back, clear of the type, with the grid line on which its first line stands. */
function HeadElements({
  layout,
  isRecto,
  elements,
}: {
  layout: DrawingLayout;
  isRecto: boolean;
  elements: readonly HeadElement[];
}) {
  const { spec } = useSpec();
  const { edge, scale, top } = layout;
  const x = isRecto ? edge.rectoLeft : edge.versoRight;
  return (
    <>
      {elements.map(({ name, y, size }) => {
        const at = top + y * scale;
        const lines = (at - edge.head) / (spec.text.leading.pt * scale);
        return (
          <span
            key={name}
            className={`pointer-events-none absolute flex -translate-y-1/2 items-center gap-0.5 whitespace-nowrap text-[11px] text-[#27694b] ${isRecto ? '-translate-x-full flex-row-reverse' : ''}`}
            style={{ left: x, top: at - (size * scale) / 4 }}
          >
            <span className="h-px w-1.5 bg-[#27694b]" />
            <span className="bg-[#fffefb]/90">
              {name} · {Math.max(1, Math.round(lines + 0.5))}
            </span>
          </span>
        );
      })}
    </>
  );
}
