// The order in which states are looked at: each in turn, and again from the first that was found at less cost after it was. A region of figures or
// notes alone leads to a state at the same line, which may have been looked at before.
import type { StateList } from './stateList';

/** The states before the paragraph, from `first` on; more of them come while they are looked at. */
export function lookFrom(states: StateList, first: number, look: (k: number) => void): void {
  states.lookedLine = 0;
  for (let from = first; from < states.count; from = states.again) {
    states.again = Infinity;
    for (let k = from; k < states.count; k += 1) {
      states.looked = k;
      if (states.line[k] === 0) look(k);
    }
  }
  states.looked = -1;
}

/** The states before a line of the paragraph, by their numbers. `line`: -1 where lines have no number that holds for all of them. */
export function lookInside(
  states: StateList,
  inside: readonly number[],
  line: number,
  look: (k: number) => void,
): void {
  states.lookedLine = line;
  for (let from = 0; from < inside.length; from = inside.indexOf(states.again)) {
    states.again = Infinity;
    for (let k = from; k < inside.length; k += 1) {
      states.looked = inside[k];
      look(inside[k]);
    }
    if (states.again === Infinity) break;
  }
  states.looked = -1;
}
