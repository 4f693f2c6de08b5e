// The slots of head and foot on the drawing: each is chosen where it stands, and edited beside it.
import { SLOTS, type SlotName } from '../../../../core/model/spec/furniture';
import type { PageSide } from '../../../../core/model/spec/pageRoles';
import { useAppDispatch, useAppSelector } from '../../../../state/hooks';
import { slotChosen, type SlotPlace } from '../../../../state/view/viewSlice';
import type { DrawingLayout } from '../drawing/layout';
import { useShownSpread } from '../drawing/shownSpread';
import { exampleWords } from './exampleWords';
import { SlotEditor } from './SlotEditor';
import { partName } from './tokens';
import { useFurniture } from './useFurniture';

const SLOT_NAMES: Readonly<Record<SlotName, string>> = { spine: 'spine', centre: 'centre', foreEdge: 'fore-edge' };
/** Height of a slot, in grid lines, and the share of it above the baseline. */
const SLOT_LINES = 1.25;
const ABOVE = 0.78;

interface SlotsProps {
  readonly layout: DrawingLayout;
  /** The head or foot of a page whose slots are shown; null: all are. */
  readonly only?: { readonly at: 'head' | 'foot'; readonly side: PageSide } | null;
}

export function FurnitureSlots({ layout, only = null }: SlotsProps) {
  const { spec, slot, lineOrNew } = useFurniture();
  const { edge, scale, area } = layout;
  const leading = spec.text.leading.pt * scale;
  const height = Math.max(16, leading * SLOT_LINES);
  const sides: readonly PageSide[] = spec.page.facing ? ['verso', 'recto'] : ['recto'];
  const firstBaseline = edge.foot - (area.lines - 1) * leading;
  const places = sides.flatMap((side) =>
    (['head', 'foot'] as const).flatMap((at) => {
      const { distance } = lineOrNew(at);
      const y = at === 'head' ? firstBaseline - distance * leading : edge.foot + distance * leading;
      const [left, right] = side === 'recto' ? [edge.rectoLeft, edge.rectoRight] : [edge.versoLeft, edge.versoRight];
      const third = (right - left) / 3;
      const order: readonly SlotName[] = side === 'recto' ? SLOTS : [...SLOTS].reverse();
      return order.map((name, k) => ({
        place: { at, side, slot: name } satisfies SlotPlace,
        x: left + k * third,
        y: y - height * ABOVE,
        width: third,
      }));
    }),
  );
  const shown = places.filter(({ place }) => only === null || (place.at === only.at && place.side === only.side));
  const open = places.find(({ place }) => slot !== null && isSame(place, slot));
  return (
    <>
      {shown.map(({ place, x, y, width }) => (
        <SlotBox
          key={`${place.at} ${place.side} ${place.slot}`}
          place={place}
          x={x}
          y={y}
          width={width}
          height={height}
        />
      ))}
      {open && (
        <SlotEditor
          key={`${open.place.at} ${open.place.side} ${open.place.slot}`}
          place={open.place}
          middle={open.x + open.width / 2}
          top={open.y}
          bottom={open.y + height}
          room={layout.box}
        />
      )}
    </>
  );
}

const isSame = (a: SlotPlace, b: SlotPlace) => a.at === b.at && a.side === b.side && a.slot === b.slot;

interface BoxProps {
  readonly place: SlotPlace;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

function SlotBox({ place, x, y, width, height }: BoxProps) {
  const dispatch = useAppDispatch();
  const { slot, slotAt, readOnly } = useFurniture();
  const book = useAppSelector((state) => state.book.book!);
  const { isExample } = useShownSpread();
  const { parts } = slotAt(place);
  const isChosen = slot !== null && isSame(place, slot);
  const says = parts.length === 0 ? 'empty' : parts.map(partName).join(' ');
  return (
    <button
      className={`absolute flex items-center justify-center border text-[11px] ${isChosen ? 'border-primary bg-tint/40' : 'border-dashed border-[#8fb3a0] hover:border-solid hover:bg-[#dcebe2]/40'}`}
      style={{ left: x, top: y, width, height }}
      aria-label={`${place.at === 'head' ? 'Head' : 'Foot'}, ${place.side}, ${SLOT_NAMES[place.slot]}: ${says}`}
      aria-expanded={isChosen}
      disabled={readOnly}
      title={says}
      onClick={() => dispatch(slotChosen(isChosen ? null : place))}
    >
      {parts.length === 0 && !isChosen && <span className="text-[#27694b]">+</span>}
      {isExample && parts.length > 0 && (
        <span
          className={`w-full truncate px-1 font-book text-[#1f1d1a] ${place.slot === 'centre' ? 'text-center' : (place.slot === 'spine') === (place.side === 'recto') ? 'text-left' : 'text-right'}`}
          style={{ fontSize: Math.max(9, height * 0.55) }}
        >
          {exampleWords(book, slotAt(place), place.side)}
        </span>
      )}
    </button>
  );
}
