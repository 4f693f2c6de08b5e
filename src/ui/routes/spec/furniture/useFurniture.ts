// The furniture that is worked on: its set, page role, line and slot, and the changes of them.
import {
  FOOT_DISTANCE,
  furnitureLine,
  HEAD_DISTANCE,
  roleFurniture,
  slotsOf,
  type FurnitureLine,
  type FurnitureSet,
  type FurnitureSlot,
  type FurnitureSlots,
} from '../../../../core/model/spec/furniture';
import type { FurnitureRole } from '../../../../core/model/spec/pageRoles';
import { useAppSelector } from '../../../../state/hooks';
import type { SlotPlace } from '../../../../state/view/viewSlice';
import { useSpec } from '../useSetSpec';

export function useFurniture() {
  const { spec, readOnly, set: setSpec } = useSpec();
  const chosen = useAppSelector((state) => state.view.furnitureSet);
  const role = useAppSelector((state) => state.view.furnitureRole);
  const slot = useAppSelector((state) => state.view.slot);
  const { furniture } = spec;
  const name = furniture.sets[chosen] === undefined ? furniture.set : chosen;
  const set: FurnitureSet = furniture.sets[name] ?? Object.values(furniture.sets)[0];

  const setLine = (at: SlotPlace['at'], line: FurnitureLine | null, what: string, of: FurnitureRole = role) => {
    const roles = { ...set.roles, [of]: { ...roleFurniture(set, of), [at]: line } };
    return setSpec('furniture', { ...furniture, sets: { ...furniture.sets, [name]: { ...set, roles } } }, what);
  };
  const lineAt = (at: SlotPlace['at']) => roleFurniture(set, role)[at];
  /** What the pages of a role carry; null: as other text pages. */
  const setRole = (of: 'section', to: FurnitureSet['roles']['section'], what: string) => {
    const roles = { ...set.roles, [of]: to };
    return setSpec('furniture', { ...furniture, sets: { ...furniture.sets, [name]: { ...set, roles } } }, what);
  };
  /** The line, a plain one when there is none yet. */
  const lineOrNew = (at: SlotPlace['at']): FurnitureLine =>
    lineAt(at) ?? furnitureLine(at === 'head' ? HEAD_DISTANCE : FOOT_DISTANCE, {}, null, at === 'head' ? 'RH' : 'FO');
  const slotAt = (place: SlotPlace): FurnitureSlot => slotsOf(lineOrNew(place.at), place.side)[place.slot];
  /** A slot of a mirrored line is the same on both sides. */
  const setSlot = (place: SlotPlace, to: FurnitureSlot, what: string) => {
    const line = lineOrNew(place.at);
    const change = (slots: FurnitureSlots): FurnitureSlots => ({ ...slots, [place.slot]: to });
    const isVerso = place.side === 'verso' && line.verso !== null;
    return setLine(
      place.at,
      isVerso ? { ...line, verso: change(line.verso!) } : { ...line, recto: change(line.recto) },
      what,
    );
  };
  return {
    ...{ spec, readOnly, furniture, name, set, role, slot },
    ...{ lineAt, lineOrNew, setLine, setRole, slotAt, setSlot, setSpec },
  };
}
