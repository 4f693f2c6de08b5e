// Over the figure pointed at: it is dragged, scaled and turned by hand, or by the arrow keys. One gesture is one undo step; the text follows at once.
import { useEffect, useRef, useState, type KeyboardEvent, type RefObject } from 'react';
import Moveable from 'react-moveable';
import type { DisplayList, PictureItem } from '../../../core/model/composed/displayList';
import type { Figure } from '../../../core/model/copy/figures';
import { setFigure } from '../../../state/copy/figureThunks';
import { useAppDispatch, useAppSelector } from '../../../state/hooks';
import type { ParagraphPlace } from '../../../state/view/viewSlice';
import { cropped, movedBeside, nudged, resized, type Area, type FigureStand } from './figureGestures';
import { FigureContour } from './FigureContour';
import { FigureWhites } from './FigureWhites';
import { useFigureGesture, type FigureGesture } from './useFigureGesture';

export interface FigureHandlesProps {
  readonly list: DisplayList;
  readonly place: ParagraphPlace;
  readonly figure: Figure;
  /** CSS pixels a point. */
  readonly scale: number;
  readonly side: 'verso' | 'recto';
}

export function FigureHandles({ list, place, figure, scale, side }: FigureHandlesProps) {
  const own = list.pictures.filter(({ stream, block }) => stream === place.stream && block === place.block);
  return own.length === 0 ? null : <Handles {...{ list, figure, scale, side, own }} />;
}

const LABELS = {
  beside: 'The figure: arrow keys move it, Enter moves its picture in the frame',
  other: 'The figure: arrow keys to the left and right change its width, Enter moves its picture in the frame',
  crop: 'The picture in its frame: arrow keys move it, plus and minus scale it, Enter ends',
} as const;

function Handles({
  list,
  figure,
  scale,
  side,
  own,
}: Omit<FigureHandlesProps, 'place'> & { readonly own: readonly PictureItem[] }) {
  const dispatch = useAppDispatch();
  const { back, foreEdge, measure, leading } = useAppSelector((state) => state.compose.summary!.geometry);
  const target = useRef<HTMLDivElement>(null);
  /** The picture is moved in its frame, and not the figure. */
  const [wantsCrop, setCropping] = useState(false);
  // Of several parts each is moved by the numbers of the slip.
  const isCropping = wantsCrop && figure.parts.length === 1;
  const area = areaOf(own);
  const isVerso = side === 'verso';
  const stand: FigureStand = { area, column: { left: isVerso ? foreEdge : back, width: measure }, leading, isVerso };
  const gesture = useFigureGesture(figure, stand);
  const press = (event: KeyboardEvent) => {
    if (event.key === 'Escape' && isCropping) {
      event.stopPropagation();
      return setCropping(false);
    }
    if (event.key === 'Enter') return setCropping(!isCropping);
    const to = isCropping ? croppedByKey(figure, event) : nudged(figure, stand, event.key, event.shiftKey);
    if (to === null) return;
    event.preventDefault();
    event.stopPropagation();
    const name = isCropping ? 'Picture in its frame' : isBeside ? 'Figure moved' : 'Width of a figure';
    dispatch(setFigure(to, name, `figure.keys.${figure.id}`));
  };
  const isBeside = figure.place === 'beside';
  const { x, y, width, height } = area;
  return (
    <>
      <div
        ref={target}
        data-figure-handles
        tabIndex={0}
        role="group"
        aria-label={LABELS[isCropping ? 'crop' : isBeside ? 'beside' : 'other']}
        className={`absolute outline-offset-2 ${isCropping ? 'cursor-grab' : isBeside ? 'cursor-move' : ''}`}
        style={{ left: x * scale, top: y * scale, width: width * scale, height: height * scale }}
        onDoubleClick={() => setCropping(!isCropping)}
        onClick={(event) => event.stopPropagation()}
        onKeyDown={press}
      />
      {isCropping ? (
        <CropBox {...{ target, area, scale, gesture }} />
      ) : (
        <FigureBox {...{ target, figure, stand, scale, gesture }} pageWidth={list.width} />
      )}
      {isBeside && !isCropping && figure.around?.outline && figure.around.contour !== undefined && own.length === 1 && (
        <FigureContour {...{ figure, area, scale, gesture }} contour={figure.around.contour} />
      )}
      {isBeside && !isCropping && figure.around?.text !== 'none' && (
        <FigureWhites {...{ figure, scale, stand, gesture }} area={withCaption(list, figure, area)} />
      )}
    </>
  );
}

interface BoxProps {
  readonly target: RefObject<HTMLDivElement | null>;
  readonly scale: number;
  readonly gesture: FigureGesture;
}

/** Pixels within which an edge is taken to a line that it is near. */
const SNAP = 6;

/** The figure is dragged, where it stands beside text, and scaled: corners keep its proportions, edges change those of the frame. */
function FigureBox({
  target,
  figure,
  stand,
  scale,
  gesture: { begin, change, end },
  pageWidth,
}: BoxProps & { readonly figure: Figure; readonly stand: FigureStand; readonly pageWidth: number }) {
  const moveable = useMoveable(stand.area, scale);
  const { head, lines } = useAppSelector((state) => state.compose.summary!.geometry);
  const { column, leading } = stand;
  const edges = [column.left, column.left + column.width, column.left + column.width / 2, 0, pageWidth];
  const grid = Array.from({ length: lines + 1 }, (_, k) => head + k * leading);
  return (
    <Moveable
      ref={moveable}
      className="figure-handles"
      target={target}
      origin={false}
      draggable={figure.place === 'beside'}
      resizable
      renderDirections={figure.parts.length > 1 ? ['nw', 'ne', 'sw', 'se'] : undefined}
      snappable
      snapThreshold={SNAP}
      isDisplaySnapDigit={false}
      snapGap={false}
      verticalGuidelines={edges.map((edge) => edge * scale)}
      horizontalGuidelines={grid.map((line) => line * scale)}
      onDragStart={begin}
      onDrag={({ dist: [across, down] }) =>
        change((from) => movedBeside(from.figure, from.stand, across / scale, down / scale), 'Figure moved')
      }
      onDragEnd={end}
      onResizeStart={begin}
      onResize={({ width, height, direction: [x, y] }) =>
        change(({ figure: from, stand: { area } }) => {
          if (x !== 0 && y !== 0) return resized(from, width / scale, null);
          return x !== 0 ? resized(from, width / scale, area.height) : resized(from, area.width, height / scale);
        }, 'Size of a figure')
      }
      onResizeEnd={end}
    />
  );
}

/** The picture is moved and turned in its frame. */
function CropBox({ target, area, scale, gesture: { begin, change, end } }: BoxProps & { readonly area: Area }) {
  const moveable = useMoveable(area, scale);
  return (
    <Moveable
      ref={moveable}
      className="figure-handles"
      target={target}
      origin={false}
      draggable
      rotatable
      rotationPosition="top"
      onDragStart={begin}
      onDrag={({ dist: [across, down] }) =>
        change(
          ({ figure, stand }) =>
            cropped(figure, 0, {
              across: across / scale / stand.area.width,
              down: down / scale / stand.area.height,
            }),
          'Picture in its frame',
        )
      }
      onDragEnd={end}
      onRotateStart={begin}
      onRotate={({ dist }) => change(({ figure }) => cropped(figure, 0, { turn: dist }), 'Picture turned')}
      onRotateEnd={end}
    />
  );
}

/** A box that goes with its figure when the page is composed anew. */
function useMoveable({ x, y, width, height }: Area, scale: number): RefObject<Moveable | null> {
  const moveable = useRef<Moveable>(null);
  useEffect(() => moveable.current?.updateRect(), [x, y, width, height, scale]);
  return moveable;
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
function withCaption({ items }: DisplayList, { caption, credit }: Figure, area: Area): Area {
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
