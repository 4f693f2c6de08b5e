// Over the figure pointed at: it is dragged, scaled and turned by hand, or by the arrow keys. One gesture is one undo step; the text follows at once.
import { useEffect, useRef, useState, type KeyboardEvent } from 'react';
import Moveable from 'react-moveable';
import type { DisplayList, PictureItem } from '../../../core/model/composed/displayList';
import type { Figure } from '../../../core/model/copy/figures';
import { PLAIN_AROUND } from '../../../core/model/copy/figureSetting';
import { GESTURE } from '../../../state/book/bookSlice';
import { setFigure } from '../../../state/copy/figureThunks';
import { useAppDispatch, useAppSelector } from '../../../state/hooks';
import type { ParagraphPlace } from '../../../state/view/viewSlice';
import { cropped, movedBeside, nudged, resized, withWhite, type Area, type FigureStand } from './figureGestures';
import { WhiteHandle } from './WhiteHandle';

export interface FigureHandlesProps {
  readonly list: DisplayList;
  readonly place: ParagraphPlace;
  readonly figure: Figure;
  /** CSS pixels a point. */
  readonly scale: number;
  readonly side: 'verso' | 'recto';
}

let gestures = 0;
const nextGesture = () => `${GESTURE}figure.${(gestures += 1)}`;

/** Pixels within which an edge is taken to a line that it is near. */
const SNAP = 6;

export function FigureHandles({ list, place, figure, scale, side }: FigureHandlesProps) {
  const own = list.pictures.filter(({ stream, block }) => stream === place.stream && block === place.block);
  return own.length === 0 ? null : <Handles {...{ list, figure, scale, side, own }} />;
}

function Handles({
  list,
  figure,
  scale,
  side,
  own,
}: Omit<FigureHandlesProps, 'place'> & { readonly own: readonly PictureItem[] }) {
  const dispatch = useAppDispatch();
  const { back, foreEdge, measure, leading, head, lines } = useAppSelector((state) => state.compose.summary!.geometry);
  const target = useRef<HTMLDivElement>(null);
  const moveable = useRef<Moveable>(null);
  /** The picture is moved in its frame, and not the figure. */
  const [isCropping, setCropping] = useState(false);
  /** The state at which a gesture began. */
  const held = useRef<{ figure: Figure; stand: FigureStand; gesture: string } | null>(null);
  const area = areaOf(own);
  const isVerso = side === 'verso';
  const column = { left: isVerso ? foreEdge : back, width: measure };
  const stand: FigureStand = { area, column, leading, isVerso };

  useEffect(() => moveable.current?.updateRect(), [area.x, area.y, area.width, area.height, scale, isCropping]);

  const begin = () => {
    held.current = { figure, stand, gesture: nextGesture() };
  };
  // A pointer says more than a screen shows: the newest of a frame is taken.
  const waiting = useRef<{ frame: number; take: () => void } | null>(null);
  const give = (to: Figure, name: string) => {
    const { gesture } = held.current ?? {};
    const take = () => {
      waiting.current = null;
      dispatch(setFigure(to, name, gesture));
    };
    if (waiting.current !== null) waiting.current.take = take;
    else waiting.current = { frame: requestAnimationFrame(() => waiting.current?.take()), take };
  };
  const end = () => {
    if (waiting.current !== null) {
      cancelAnimationFrame(waiting.current.frame);
      waiting.current.take();
    }
    held.current = null;
  };
  const press = (event: KeyboardEvent) => {
    if (event.key === 'Escape' && isCropping) {
      event.stopPropagation();
      return setCropping(false);
    }
    if (event.key === 'Enter') return setCropping((is) => !is);
    const to = isCropping ? croppedByKey(figure, event) : nudged(figure, stand, event.key, event.shiftKey);
    if (to === null) return;
    event.preventDefault();
    event.stopPropagation();
    dispatch(setFigure(to, isCropping ? 'Picture in its frame' : 'Figure moved', `figure.keys.${figure.id}`));
  };
  const isBeside = figure.place === 'beside';
  const pixels = (value: number) => value * scale;
  const edges = [column.left, column.left + column.width, column.left + column.width / 2, 0, list.width].map(pixels);
  const gridLines = Array.from({ length: lines + 1 }, (_, k) => pixels(head + k * leading));
  return (
    <>
      <div
        ref={target}
        data-figure-handles
        tabIndex={0}
        role="group"
        aria-label={
          isCropping
            ? 'The picture in its frame: arrow keys move it, plus and minus scale it, Enter ends'
            : 'The figure: arrow keys move it, Enter moves its picture in the frame'
        }
        className={`absolute outline-offset-2 ${isCropping ? 'cursor-grab' : isBeside ? 'cursor-move' : ''}`}
        style={{ left: pixels(area.x), top: pixels(area.y), width: pixels(area.width), height: pixels(area.height) }}
        onDoubleClick={() => setCropping((is) => !is)}
        onClick={(event) => event.stopPropagation()}
        onKeyDown={press}
      />
      <Moveable
        ref={moveable}
        className="figure-handles"
        target={target}
        origin={false}
        draggable={isBeside || isCropping}
        resizable={!isCropping}
        rotatable={isCropping}
        rotationPosition="top"
        renderDirections={isCropping ? [] : figure.parts.length > 1 ? ['nw', 'ne', 'sw', 'se'] : undefined}
        keepRatio={false}
        snappable={!isCropping}
        snapThreshold={SNAP}
        isDisplaySnapDigit={false}
        snapGap={false}
        verticalGuidelines={edges}
        horizontalGuidelines={gridLines}
        onDragStart={begin}
        onDrag={({ dist: [x, y] }) => {
          const from = held.current;
          if (from === null) return;
          const [across, down] = [x / scale, y / scale];
          if (isCropping)
            give(
              cropped(from.figure, 0, { across: across / from.stand.area.width, down: down / from.stand.area.height }),
              'Picture in its frame',
            );
          else give(movedBeside(from.figure, from.stand, across, down), 'Figure moved');
        }}
        onDragEnd={end}
        onResizeStart={begin}
        onResize={({ width, height, direction: [x, y] }) => {
          const from = held.current;
          if (from === null) return;
          // Corners keep the proportions, edges change those of the frame.
          if (x !== 0 && y !== 0) give(resized(from.figure, width / scale, null), 'Width of a figure');
          else if (x !== 0) give(resized(from.figure, width / scale, from.stand.area.height), 'Frame of a figure');
          else give(resized(from.figure, from.stand.area.width, height / scale), 'Frame of a figure');
        }}
        onResizeEnd={end}
        onRotateStart={begin}
        onRotate={({ dist }) => {
          const from = held.current;
          if (from !== null) give(cropped(from.figure, 0, { turn: dist }), 'Picture turned');
        }}
        onRotateEnd={end}
      />
      {isBeside && !isCropping && figure.around?.text !== 'none' && (
        <Whites
          {...{ figure, scale, column, begin, end }}
          area={areaWithCaption(list, figure, area)}
          give={give}
          held={held}
        />
      )}
    </>
  );
}

/** Around all pictures of a figure. */
function areaOf(pictures: readonly PictureItem[]): Area {
  const x = Math.min(...pictures.map((one) => one.x));
  const y = Math.min(...pictures.map((one) => one.y));
  const right = Math.max(...pictures.map((one) => one.x + one.width));
  const foot = Math.max(...pictures.map((one) => one.y + one.height));
  return { x, y, width: right - x, height: foot - y };
}

/** The same with the texts of the figure under it. */
function areaWithCaption({ items }: DisplayList, { caption, credit }: Figure, area: Area): Area {
  const under = items.filter(({ source }) => source?.stream === caption.id || source?.stream === credit.id);
  const foot = Math.max(area.y + area.height, ...under.map(({ y, size }) => y + size * 0.25));
  return { ...area, height: foot - area.y };
}

function croppedByKey(figure: Figure, { key, shiftKey }: KeyboardEvent): Figure | null {
  const step = shiftKey ? 0.1 : 0.01;
  const moves: Readonly<Record<string, Parameters<typeof cropped>[2] | undefined>> = {
    ArrowLeft: { across: -step },
    ArrowRight: { across: step },
    ArrowUp: { down: -step },
    ArrowDown: { down: step },
    '+': { times: 1.05 },
    '-': { times: 1 / 1.05 },
  };
  const change = Object.hasOwn(moves, key) ? moves[key] : undefined;
  return change === undefined ? null : cropped(figure, 0, change);
}

interface WhitesProps {
  readonly figure: Figure;
  readonly scale: number;
  readonly column: FigureStand['column'];
  readonly area: Area;
  readonly held: { readonly current: { readonly figure: Figure } | null };
  readonly begin: () => void;
  readonly give: (to: Figure, name: string) => void;
  readonly end: () => void;
}

/** The white between a figure and its text, as lines that are dragged. */
function Whites({ figure, scale, column, area, held, begin, give, end }: WhitesProps) {
  const around = figure.around ?? PLAIN_AROUND;
  const isRight = area.x + area.width / 2 > column.left + column.width / 2;
  const sides = around.text === 'both' ? ([-1, 1] as const) : isRight ? ([-1] as const) : ([1] as const);
  const [middleX, middleY] = [area.x + area.width / 2, area.y + area.height / 2];
  const handle = (
    key: string,
    edge: 'above' | 'beside' | 'below',
    at: { readonly x: number; readonly y: number },
    direction: readonly [number, number],
  ) => (
    <WhiteHandle
      key={key}
      name={`White ${edge}`}
      value={around[edge]}
      x={at.x * scale}
      y={at.y * scale}
      scale={scale}
      direction={direction}
      onBegin={begin}
      onChange={(by) => {
        const from = held.current?.figure ?? figure;
        give(withWhite(from, edge, (from.around ?? PLAIN_AROUND)[edge] + by), 'White around a figure');
      }}
      onEnd={end}
    />
  );
  return (
    <>
      {sides.map((side) =>
        handle(`beside ${side}`, 'beside', { x: side < 0 ? area.x : area.x + area.width, y: middleY }, [side, 0]),
      )}
      {handle('above', 'above', { x: middleX, y: area.y }, [0, -1])}
      {handle('below', 'below', { x: middleX, y: area.y + area.height }, [0, 1])}
    </>
  );
}
