// The end of a reach: whether any state after its last paragraph is one to end at, and the cheapest way to end.
import { COST } from './costs';
import type { Flow } from './flow';
import type { NoteRoom } from './noteRoom';
import type { RegionRules } from './regionRules';
import { RegionEnd } from './regionEnd';
import type { RegionStarts } from './regionStarts';
import type { RegionSequence } from './regions';
import { FLAG, type StateList } from './stateList';

const SLACK = 1e-3;

/**
 * Whether the reach can end after its last paragraph, its last notes in their place or going on as they should. A page in
 * the midst of a reach may run a line long for its notes, a last page may not: without this its last note would be late.
 */
export function mayEnd(
  states: StateList,
  flow: Flow,
  notes: NoteRoom,
  rules: RegionRules,
  regions: RegionSequence,
): boolean {
  const due = flow.noteStart[flow.items.length];
  for (let k = 0; k < states.count; k += 1) {
    if (states.owed[k] === 0 || states.float[k] < 0) return true;
    const room = rules.lastRoom(states.flags[k], regions.list[states.region[k]], states.used[k]);
    if (notes.place(due - states.owed[k], due, room) >= 0) return true;
  }
  return false;
}

/** What an answer costs, and the state in which it ends; Infinity and -1 for none. */
export interface ReachAnswer {
  readonly cost: number;
  readonly index: number;
}

/** Ends the reach from every state after the last paragraph; what is still owed goes on to pages of its own. */
export function finishReach(starts: RegionStarts, flow: Flow, notes: NoteRoom, rules: RegionRules): ReachAnswer {
  const { states } = starts;
  const due = flow.noteStart[starts.at];
  let best: ReachAnswer = { cost: Infinity, index: -1 };
  // A line taller than its region stands too deep in it: only then is such a state an answer.
  for (const tooDeep of [false, true]) {
    // A page of notes or floats alone may be reached more cheaply from one that was made after it.
    let improved: number;
    do {
      improved = states.improved;
      for (let k = 0; k < states.count; k += 1) finish(k, tooDeep);
    } while (states.improved > improved);
    if (best.index >= 0) break;
  }
  return best;

  function finish(k: number, tooDeep: boolean): void {
    const flags = states.flags[k];
    const noteFrom = due - states.owed[k];
    const region = starts.regionOf(k);
    const room = rules.lastRoom(flags, region, states.used[k]);
    if (room < -SLACK && !tooDeep) return;
    const height = notes.height(noteFrom, due);
    if (states.float[k] === 0 && (height === 0 || height <= room + SLACK)) {
      const cost = states.cost[k] + rules.endCost(states.used[k], flags, region);
      if (cost < best.cost) best = { cost, index: k };
      return;
    }
    const empty = (flags & FLAG.EMPTY) !== 0;
    let price: number = COST.SPLIT_NOTE;
    let placed = empty ? notes.force(noteFrom, due, room) : notes.place(noteFrom, due, room);
    if (placed < 0) {
      if (!tooDeep) return;
      placed = notes.force(noteFrom, due, room);
    }
    if (empty && placed === noteFrom && states.used[k] === 0) {
      // Floats follow on pages that other states begin; a note line taller than its page stands all the same.
      if (placed < due) placed += 1;
      else if (!starts.waitsForVerso(k)) return;
      else price += COST.BLANK_PAGE;
    }
    const end = new RegionEnd().begin(k, null, 0, flags, noteFrom, 0);
    starts.begin(end, rules.fixedDepth(flags, region) ?? 0, placed, states.cost[k] + price);
  }
}
