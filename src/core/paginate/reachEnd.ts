// The end of a reach: whether any state after its last paragraph is one to end at.
import type { Flow } from './flow';
import type { NoteRoom } from './noteRoom';
import type { RegionRules } from './regionRules';
import type { StateList } from './stateList';

/**
 * Whether the reach can end after its last paragraph, its last notes in their place or going on as they should. A page in
 * the midst of a reach may run a line long for its notes, a last page may not: without this its last note would be late.
 */
export function mayEnd(states: StateList, flow: Flow, notes: NoteRoom, rules: RegionRules): boolean {
  const due = flow.noteStart[flow.items.length];
  for (let k = 0; k < states.count; k += 1) {
    if (states.owed[k] === 0 || states.float[k] < flow.floats.length) return true;
    const room = rules.lastRoom(states.flags[k], states.used[k]);
    if (notes.place(due - states.owed[k], due, room) >= 0) return true;
  }
  return false;
}
