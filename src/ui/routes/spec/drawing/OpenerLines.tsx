// An opener dimensioned: the sink above its first element, and the line on which its text begins, each to be typed.
import { useAppSelector } from '../../../../state/hooks';
import { selectRunningOrder } from '../../../../state/selectors';
import type { PageSummary } from '../../../../worker/typesetClient';
import { NumberChip } from './NumberChip';
import { openerKind, openerPath, openerSettings } from '../../../../core/measure/openers';
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
  if (row === undefined) return null;
  const kind = openerKind(spec, row, row.words ?? 0);
  const { sink, textStart } = openerSettings(spec, kind);
  const { edge, scale } = layout;
  const leading = spec.text.leading.pt * scale;
  const [left, right] = isRecto ? [edge.rectoLeft, edge.rectoRight] : [edge.versoLeft, edge.versoRight];
  const x = isRecto ? right + AWAY : left - AWAY;
  const sinkY = edge.head + sink * leading;
  const startY = edge.head + (textStart - 1) * leading + capHeight * scale;
  /** Beside the dimension, away from the type. */
  const chipX = isRecto ? x + 36 : x - 36;
  const tick = (y: number) => `M${x - 4} ${y}H${x + 4}`;
  const take = (key: 'sink' | 'textStart', name: string) => (to: number) => set(openerPath(spec, kind, key), to, name);
  return (
    <>
      <svg className="pointer-events-none absolute inset-0 size-full" aria-hidden>
        <g fill="none" stroke="#27694b">
          <path d={`M${left} ${sinkY}H${right}M${left} ${startY}H${right}`} strokeDasharray="5 4" strokeOpacity={0.7} />
          <path d={`M${x} ${edge.head}V${startY}${tick(edge.head)}${tick(sinkY)}${tick(startY)}`} />
        </g>
      </svg>
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
