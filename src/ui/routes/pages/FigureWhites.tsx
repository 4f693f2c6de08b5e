// The white between a figure and the text beside it, as dimension lines that are dragged.
import type { Figure } from '../../../core/model/copy/figures';
import { PLAIN_AROUND } from '../../../core/model/copy/figureSetting';
import { withWhite, type Area, type FigureStand } from './figureGestures';
import type { FigureGesture } from './useFigureGesture';
import { WhiteHandle } from './WhiteHandle';

interface Props {
  readonly figure: Figure;
  readonly stand: FigureStand;
  /** Of the figure with its captions, in points. */
  readonly area: Area;
  readonly scale: number;
  readonly gesture: FigureGesture;
}

type Edge = 'above' | 'beside' | 'below';

export function FigureWhites({ figure, stand: { column }, area, scale, gesture }: Props) {
  const around = figure.around ?? PLAIN_AROUND;
  const { x, y, width, height } = area;
  const isRight = x + width / 2 > column.left + column.width / 2;
  const sides = around.text === 'both' ? ([-1, 1] as const) : isRight ? ([-1] as const) : ([1] as const);
  const handles: readonly (readonly [Edge, number, number, readonly [number, number]])[] = [
    ...sides.map((side) => ['beside', side < 0 ? x : x + width, y + height / 2, [side, 0]] as const),
    ['above', x + width / 2, y, [0, -1]],
    ['below', x + width / 2, y + height, [0, 1]],
  ];
  return handles.map(([edge, left, top, direction]) => (
    <WhiteHandle
      key={`${edge} ${direction[0]}`}
      name={`White ${edge}`}
      value={around[edge]}
      x={left * scale}
      y={top * scale}
      scale={scale}
      direction={direction}
      onBegin={gesture.begin}
      onChange={(by) =>
        gesture.change(
          ({ figure: from }) => withWhite(from, edge, (from.around ?? PLAIN_AROUND)[edge] + by),
          'White around a figure',
        )
      }
      onEnd={gesture.end}
    />
  ));
}
