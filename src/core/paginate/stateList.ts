// The states of the page search in packed arrays, one per way of standing somewhere in the text; the cheapest way to
// each is kept. Two states are the same when nothing that follows can tell them apart.
import type { PageSide } from '../model/spec/pageRoles';
import { TIE } from './searchLimits';

/** Bits of a state's flags. */
export const FLAG = {
  /** Set on a verso. */
  VERSO: 1,
  /** Nothing of the text stands in the region yet. */
  EMPTY: 2,
  /** Depth of the spread: 0 short, 1 as the page, 2 long, 3 not known yet. */
  DEPTH_SHIFT: 2,
  DEPTH_MASK: 3 << 2,
  /** Depth that a person wished for the spread, in the same code; 3: no wish. */
  WISH_SHIFT: 4,
  WISH_MASK: 3 << 4,
  /** Depth in grid lines of the columns of the last page, to be balanced; 0: an ordinary page. */
  FINAL_SHIFT: 6,
  FINAL_MASK: 0x3ff << 6,
  /** White above the last head of the spread, against what its style wishes (snap.ts). */
  HEADS_SHIFT: 16,
  HEADS_MASK: 3 << 16,
  /** The item before is a head first in its region. */
  HEAD_AT_TOP: 1 << 18,
  /** The picture before has gone over. */
  PASSED: 1 << 19,
  /** White before the picture that is next was cheap because of it: it stands here. */
  LEFT_FOR: 1 << 20,
} as const;

/** A choice holds the number of a setting, and above it that of the gap; or it is that the paragraph goes over. */
export const CHOICE = { SETTING: 0xfffff, GAP_SHIFT: 20, PASSED: 1 << 30 } as const;

/** Whether a page is not of the side on which its first paragraph is to begin. */
export function isWrongSide(side: PageSide | null, flags: number): boolean {
  return side !== null && (side === 'verso') !== ((flags & FLAG.VERSO) !== 0);
}

/** Flags of a spread that a person wished a line shorter (-1), longer (1), or as the page is. */
export function withWish(flags: number, wish: number): number {
  return (flags & ~FLAG.WISH_MASK) | ((wish + 1) << FLAG.WISH_SHIFT);
}

/** Steps of the quantity that a state's key keeps of its depth; grid lines. */
const QUANTUM = 1 / 64;
const FIELDS = 8;
const [FROM, CHOSEN] = [5, 6];
const INTEGERS = ['line', 'setting', 'region', 'flags', 'owed', 'float', 'from', 'choice'] as const;
const REALS = ['used', 'cost'] as const;
/** What two states that are the same have in common. */
const STEADY = ['line', 'setting', 'region', 'flags', 'owed', 'float', 'used'] as const;

let scratch = new Float64Array(256);

/** Puts the values at the given places first, in their order. */
function permute(values: Int32Array | Float64Array, places: readonly number[]): void {
  if (scratch.length < places.length) scratch = new Float64Array(places.length * 2);
  for (let k = 0; k < places.length; k += 1) scratch[k] = values[places[k]];
  for (let k = 0; k < places.length; k += 1) values[k] = scratch[k];
}

/** A state to be put into a list: the fields of `StateList`, one of each. A search fills one record over and over. */
export interface NewState {
  line: number;
  setting: number;
  region: number;
  flags: number;
  owed: number;
  float: number;
  used: number;
  cost: number;
  /** Index of the state that it was reached from; -1: none. */
  from: number;
  choice: number;
}

export const newState = (): NewState => ({
  line: 0,
  setting: 0,
  region: 0,
  flags: 0,
  owed: 0,
  float: 0,
  used: 0,
  cost: 0,
  from: -1,
  choice: 0,
});

export class StateList {
  count = 0;
  /** Line of the paragraph with which the region begins; 0 where the state is a place between paragraphs. */
  line = new Int32Array(64);
  setting = new Int32Array(64);
  /** Index of the region in its sequence. */
  region = new Int32Array(64);
  flags = new Int32Array(64);
  /** Note lines of earlier paragraphs that no earlier region has; negative: so many of this paragraph's own are placed. */
  owed = new Int32Array(64);
  /** Floats that stand in regions so far, beyond those that earlier paragraphs refer to; negative: so many are late. */
  float = new Int32Array(64);
  from = new Int32Array(64);
  /** How the state was reached: setting and gap of the stretch before it. */
  choice = new Int32Array(64);
  /** Grid lines used in the region. */
  used = new Float64Array(64);
  cost = new Float64Array(64);
  private table = new Int32Array(256);
  private mask = 255;
  /** How often a state was found again at less cost. */
  improved = 0;
  /** The last state that was looked at, and the first of those that were found again at less cost after that. */
  looked = -1;
  /** The line of the paragraph at which states are looked at: only those of it are looked at again. */
  lookedLine = 0;
  again = Infinity;
  /** The least cost of all states put since the list was cleared. */
  least = Infinity;

  clear(): void {
    this.count = 0;
    this.least = Infinity;
    this.table.fill(0);
  }

  /** Keeps the cheaper of this and the same state; answers the index when it was new, else -1. */
  put({ line, setting, region, flags, owed, float, used, cost, from, choice }: NewState, isDoomed = false): number {
    const depth = Math.round(used / QUANTUM);
    // What is sure to become dear is no measure for the others.
    if (cost < this.least && !isDoomed) this.least = cost;
    let slot = hash(line, setting, region, flags, owed, float, depth) & this.mask;
    for (; this.table[slot] !== 0; slot = (slot + 1) & this.mask) {
      const k = this.table[slot] - 1;
      if (
        this.flags[k] === flags &&
        this.region[k] === region &&
        this.line[k] === line &&
        this.owed[k] === owed &&
        this.setting[k] === setting &&
        this.float[k] === float &&
        Math.round(this.used[k] / QUANTUM) === depth
      ) {
        if (cost < this.cost[k] - TIE) {
          this.improved += 1;
          if (k <= this.looked && k < this.again && line === this.lookedLine) this.again = k;
          this.cost[k] = cost;
          this.from[k] = from;
          this.choice[k] = choice;
          this.used[k] = used;
        }
        return -1;
      }
    }
    const k = this.count;
    if (k === this.line.length) this.grow();
    this.line[k] = line;
    this.setting[k] = setting;
    this.region[k] = region;
    this.flags[k] = flags;
    this.owed[k] = owed;
    this.float[k] = float;
    this.used[k] = used;
    this.cost[k] = cost;
    this.from[k] = from;
    this.choice[k] = choice;
    this.count += 1;
    this.table[slot] = this.count;
    if (this.count * 2 > this.mask) this.rehash();
    return k;
  }

  /**
   * Leaves the states that cost at most so much, in an order that does not depend on the one in which they were found: what
   * follows is then the same whichever way a search came here.
   */
  settle(most: number): void {
    const kept: number[] = [];
    let isOrdered = true;
    for (let k = 0; k < this.count; k += 1) {
      if (this.cost[k] > most) continue;
      if (kept.length > 0 && this.compare(kept[kept.length - 1], k) > 0) isOrdered = false;
      kept.push(k);
    }
    if (isOrdered && kept.length === this.count) return;
    if (!isOrdered) kept.sort((a, b) => this.compare(a, b));
    for (const key of INTEGERS) permute(this[key], kept);
    for (const key of REALS) permute(this[key], kept);
    this.truncate(kept.length);
  }

  /** By everything that tells two states apart. */
  private compare(a: number, b: number): number {
    return (
      this.flags[a] - this.flags[b] ||
      this.region[a] - this.region[b] ||
      this.owed[a] - this.owed[b] ||
      this.float[a] - this.float[b] ||
      this.line[a] - this.line[b] ||
      this.setting[a] - this.setting[b] ||
      this.used[a] - this.used[b]
    );
  }

  private grow(): void {
    for (const key of INTEGERS) {
      const wide = new Int32Array(this.count * 2);
      wide.set(this[key]);
      this[key] = wide;
    }
    for (const key of REALS) {
      const wide = new Float64Array(this.count * 2);
      wide.set(this[key]);
      this[key] = wide;
    }
  }

  private rehash(): void {
    this.table = new Int32Array(this.table.length * 2);
    this.mask = this.table.length - 1;
    this.fillTable();
  }

  private fillTable(): void {
    for (let k = 0; k < this.count; k += 1) {
      const depth = Math.round(this.used[k] / QUANTUM);
      const { line, setting, region, flags, owed, float } = this;
      let slot = hash(line[k], setting[k], region[k], flags[k], owed[k], float[k], depth) & this.mask;
      while (this.table[slot] !== 0) slot = (slot + 1) & this.mask;
      this.table[slot] = k + 1;
    }
  }

  /** Leaves only the first states. */
  truncate(count: number): void {
    this.count = Math.min(this.count, count);
    this.table.fill(0);
    this.fillTable();
  }

  /** Takes the states with which a layer was entered. */
  enter(layer: Layer): void {
    this.clear();
    for (let k = 0; k < layer.entered; k += 1) {
      const s = stateOf(layer, k);
      this.put(s);
    }
    // Which of them were doomed is not kept: what they were measured by is.
    this.least = layer.least;
  }

  /** A packed copy; `entered` and `least` as they were before the paragraph was looked at, `isHurried` how it was. */
  pack(entered: number, least: number, isHurried = false): Layer {
    const { count } = this;
    const fields = new Int32Array(count * FIELDS);
    const reals = new Float64Array(count * 2);
    for (let k = 0; k < count; k += 1) {
      const at = k * FIELDS;
      fields[at] = this.line[k];
      fields[at + 1] = this.setting[k];
      fields[at + 2] = this.flags[k];
      fields[at + 3] = this.owed[k];
      fields[at + 4] = this.float[k];
      fields[at + FROM] = this.from[k];
      fields[at + CHOSEN] = this.choice[k];
      fields[at + 7] = this.region[k];
      reals[k * 2] = this.used[k];
      reals[k * 2 + 1] = this.cost[k];
    }
    return { count, entered, least, fields, reals, ...(isHurried ? { isHurried } : {}) };
  }
}

/** The states before one paragraph, and those inside it at which a region begins. */
export interface Layer {
  readonly count: number;
  /** How many of them, the first, are places between paragraphs that the layer before led to. */
  readonly entered: number;
  /** The cost by which those are measured: the least of any that is not doomed. */
  readonly least: number;
  /** Eight per state: line, setting, flags, owed, float, from, choice, region. */
  readonly fields: Int32Array;
  /** Two per state: used, cost. */
  readonly reals: Float64Array;
  /** Only the cheapest ways through the paragraph were looked at: all of them would have taken too long. */
  readonly isHurried?: true;
}

export interface LayerState {
  readonly line: number;
  readonly setting: number;
  readonly region: number;
  readonly flags: number;
  readonly owed: number;
  readonly float: number;
  readonly from: number;
  readonly choice: number;
  readonly used: number;
  readonly cost: number;
}

export function stateOf({ fields, reals }: Layer, k: number): LayerState {
  const at = k * FIELDS;
  return {
    line: fields[at],
    setting: fields[at + 1],
    flags: fields[at + 2],
    owed: fields[at + 3],
    float: fields[at + 4],
    from: fields[at + FROM],
    choice: fields[at + CHOSEN],
    region: fields[at + 7],
    used: reals[k * 2],
    cost: reals[k * 2 + 1],
  };
}

/**
 * Whether the states of a list are those with which a layer was entered, all dearer by one amount: then nothing after
 * differs. Both are settled.
 */
export function isInStep(list: StateList, layer: Layer): boolean {
  if (list.count !== layer.entered || list.count === 0) return false;
  const step = list.cost[0] - layer.reals[1];
  if (list.least !== layer.least && !(Math.abs(list.least - layer.least - step) <= TIE)) return false;
  for (let k = 0; k < layer.entered; k += 1) {
    const state = stateOf(layer, k);
    if (STEADY.some((key) => list[key][k] !== state[key])) return false;
    if (Math.abs(list.cost[k] - state.cost - step) > TIE) return false;
  }
  return true;
}

/** A layer whose entered states were reached as those of a list, the same ones: what follows them stays. */
export function withEntry(layer: Layer, list: StateList): Layer {
  const fields = layer.fields.slice();
  for (let k = 0; k < layer.entered; k += 1) {
    fields[k * FIELDS + FROM] = list.from[k];
    fields[k * FIELDS + CHOSEN] = list.choice[k];
  }
  return { ...layer, fields };
}

// Numbers one by one: it is called for each state.
function hash(
  line: number,
  setting: number,
  region: number,
  flags: number,
  owed: number,
  float: number,
  depth: number,
): number {
  let h = Math.imul(depth ^ (flags << 12), 0x9e3779b1);
  h = Math.imul(h ^ (h >>> 15) ^ (line * 31 + setting), 0x85ebca6b);
  h = Math.imul(h ^ (h >>> 13) ^ (owed * 8 + float + region * 4099), 0xc2b2ae35);
  return (h ^ (h >>> 16)) >>> 0;
}
