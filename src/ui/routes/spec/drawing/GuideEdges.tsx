// Guides by hand: one is dragged out of the head or the left edge of the drawing, moved, and dragged off the page to be rid of it.
// One drag is one undo step; Escape gives it up. Settings of the page list them with their fields.
import { useEffect, useRef, useState, type PointerEvent } from 'react';
import { roundedTo } from '../../../../core/measure/units';
import type { Guide } from '../../../../core/model/spec/pageSpec';
import { layersShown } from '../../../../state/view/viewSlice';
import { useAppDispatch, useAppSelector } from '../../../../state/hooks';
import { useUnits } from '../../../components/useUnits';
import { useSpec } from '../useSetSpec';
import type { DrawingLayout } from './layout';

/** Pixels: depth of the edges out of which guides come, and how near a guide is taken. */
const EDGE = 14;
const REACH = 3;

interface Held {
  /** Null: a new one. */
  readonly index: number | null;
  readonly axis: Guide['axis'];
  /** Where it is, in pixels of the drawing. */
  readonly x: number;
  readonly y: number;
}

/** The guide that is being dragged, and what makes anything a handle of one. */
function useGuideDrag(layout: DrawingLayout) {
  const dispatch = useAppDispatch();
  const { spec, set } = useSpec();
  const units = useUnits();
  const layers = useAppSelector((state) => state.view.layers);
  const [held, setHeld] = useState<Held | null>(null);
  const heldRef = useRef<Held | null>(null);
  const hold = (next: Held | null) => setHeld((heldRef.current = next));
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => event.key === 'Escape' && setHeld((heldRef.current = null));
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
  const { guides, facing, trim } = spec.page;
  const unit = units.unit ?? trim.width.unit;
  const areShown = layers.includes('guides');
  /** Null: off the page. */
  const lengthAt = ({ axis, x, y, index }: Held) => {
    const pt =
      axis === 'across' ? (y - layout.top) / layout.scale : downAt(layout, x, index === null ? null : guides[index]);
    const most = (axis === 'across' ? trim.height : trim.width).pt;
    return pt === null || pt <= 0 || pt >= most ? null : { pt: roundedTo(pt, unit, units.dpi), unit };
  };
  const point = (event: PointerEvent<HTMLElement>) => {
    const box = event.currentTarget.parentElement!.getBoundingClientRect();
    return { x: event.clientX - box.left, y: event.clientY - box.top };
  };
  const drop = () => {
    const last = heldRef.current;
    hold(null);
    if (last === null) return;
    const at = lengthAt(last);
    if (last.index !== null)
      set(
        'page.guides',
        at === null ? guides.toSpliced(last.index, 1) : guides.with(last.index, { ...guides[last.index], at }),
        at === null ? 'Guide taken away' : 'Guide moved',
      );
    else if (at !== null) {
      const on = last.axis === 'across' || !facing ? 'all' : 'mirrored';
      if (!areShown) dispatch(layersShown([...layers, 'guides']));
      set('page.guides', [...guides, { axis: last.axis, at, on }], 'Guide added');
    }
  };
  const handlers = (index: number | null, axis: Guide['axis']) => ({
    onPointerDown: (event: PointerEvent<HTMLElement>) => {
      if (event.button !== 0) return;
      event.preventDefault();
      event.stopPropagation();
      event.currentTarget.setPointerCapture(event.pointerId);
      hold({ index, axis, ...point(event) });
    },
    onPointerMove: (event: PointerEvent<HTMLElement>) => {
      if (heldRef.current !== null) hold({ ...heldRef.current, ...point(event) });
    },
    onPointerUp: drop,
    onPointerCancel: () => hold(null),
  });
  return { held, at: held === null ? null : lengthAt(held), handlers, areShown };
}

export function GuideEdges({ layout }: { layout: DrawingLayout }) {
  const { spec, readOnly } = useSpec();
  const units = useUnits();
  const topic = useAppSelector((state) => state.view.topic);
  const { held, at, handlers, areShown } = useGuideDrag(layout);
  if (readOnly || topic !== 'page') return null;
  const { guides } = spec.page;
  return (
    <>
      <div
        data-guide-edge="across"
        title="Drag a guide down out of the head"
        className="absolute cursor-ns-resize touch-none hover:bg-[#7a5ea8]/15"
        style={{ left: layout.left, top: layout.top - EDGE, width: layout.right - layout.left, height: EDGE - 1 }}
        {...handlers(null, 'across')}
      />
      <div
        data-guide-edge="down"
        title="Drag a guide out of the left edge"
        className="absolute cursor-ew-resize touch-none hover:bg-[#7a5ea8]/15"
        style={{ left: layout.left - EDGE, top: layout.top, width: EDGE - 1, height: layout.h }}
        {...handlers(null, 'down')}
      />
      {areShown &&
        linesOf(guides, layout).map(({ key, index, axis, ...place }) => (
          <div
            key={key}
            data-guide={index}
            title="Guide: drag to move it, off the page to remove it"
            className={`absolute touch-none hover:bg-[#7a5ea8]/25 ${axis === 'across' ? 'cursor-ns-resize' : 'cursor-ew-resize'}`}
            style={place}
            {...handlers(index, axis)}
          />
        ))}
      {held !== null && (
        <>
          <div
            aria-hidden
            className="pointer-events-none absolute bg-[#7a5ea8]"
            style={
              held.axis === 'across'
                ? { left: layout.left, width: layout.right - layout.left, top: held.y, height: 1 }
                : { left: held.x, width: 1, top: layout.top, height: layout.h }
            }
          />
          <p
            role="status"
            className="pointer-events-none absolute z-30 whitespace-nowrap rounded-sm border border-[#7a5ea8] bg-base-100 px-2 py-0.5 font-semibold"
            style={{ left: held.x + 14, top: held.y + 14 }}
          >
            {at !== null
              ? `${held.axis === 'across' ? 'From the head' : 'From the back'} ${units.show(at)}`
              : held.index === null
                ? 'Off the page: no guide'
                : 'Off the page: removed'}
          </p>
        </>
      )}
    </>
  );
}

/** Points from the back of the page at a place across; null: beside the pages. A guide that is not mirrored counts from the left. */
function downAt({ left, recto, right, scale, pages }: DrawingLayout, x: number, guide: Guide | null): number | null {
  if (x < left || x > right) return null;
  const isVerso = pages === 2 && x < recto;
  const isMirrored = guide === null ? pages === 2 : guide.on === 'mirrored';
  if (isVerso) return (isMirrored ? recto - x : x - left) / scale;
  return (x - recto) / scale;
}

interface GuidePlace {
  readonly key: string;
  readonly index: number;
  readonly axis: Guide['axis'];
  readonly left: number;
  readonly top: number;
  readonly width: number;
  readonly height: number;
}

function linesOf(
  guides: readonly Guide[],
  { left, recto, right, top, w, h, scale, pages }: DrawingLayout,
): GuidePlace[] {
  return guides.flatMap(({ axis, at, on }, index): GuidePlace[] => {
    const d = at.pt * scale;
    if (axis === 'across')
      return [{ key: `${index}`, index, axis, left, width: right - left, top: top + d - REACH, height: 2 * REACH }];
    const down = (key: string, x: number) => ({
      ...{ key: `${index}${key}`, index, axis, left: x - REACH, width: 2 * REACH, top, height: h },
    });
    const versoX = on === 'mirrored' ? left + w - d : left + d;
    return [
      ...(pages === 2 && on !== 'recto' ? [down('v', versoX)] : []),
      ...(on !== 'verso' ? [down('r', recto + d)] : []),
    ];
  });
}
