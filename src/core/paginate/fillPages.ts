// The cheapest way to divide a reach into pages, by dynamic programming over its lines. A state is the first line of
// a page and the note lines still owed to it; from each state every page end that fits is tried.
import type { Flow } from './flow';

/** A page of the answer. */
export interface FilledPage {
  /** Lines of the flow: from inclusive, to exclusive; the same for note lines. */
  readonly from: number;
  readonly to: number;
  readonly noteFrom: number;
  readonly noteTo: number;
  /** The BREAK_FAULT with which the page ends. */
  readonly fault: number;
}

export interface FillSettings {
  /** Grid lines of a page, and of the first page below its opener. */
  readonly lines: number;
  readonly firstLines: number;
  /** Least grid lines between text and notes, rule included. */
  readonly noteGap: number;
}

/** Costs of a page: what is left empty at its foot, in grid lines squared, and what had to give. */
const COST = {
  PAGE: 1,
  SHORT: 4,
  SPLIT_NOTE: 60,
  OWED_LINE: 15,
  FAULT: [0, 2000, 4000, 9000],
  STUB_LINE: 30,
} as const;

/** A chapter's last page has at least this many lines. */
const LEAST_LAST_PAGE = 5;
/** Lines of a divided note that stay together on either page. */
const NOTE_LINES_TOGETHER = 2;
const SLACK = 1e-3;

interface State {
  readonly line: number;
  readonly note: number;
  cost: number;
  from: State | null;
  fault: number;
}

/** Pages of the whole flow in order. A flow without lines gives one empty page. */
export function* fillPages(flow: Flow, settings: FillSettings): Generator<void, FilledPage[]> {
  if (flow.count === 0) return [{ from: 0, to: 0, noteFrom: 0, noteTo: 0, fault: 0 }];
  // States by first line; note-only pages lead from a line to itself with fewer lines owed, so a list grows while read.
  const states: State[][] = Array.from({ length: flow.count + 1 }, () => []);
  states[0].push({ line: 0, note: 0, cost: 0, from: null, fault: 0 });
  for (let line = 0; line <= flow.count; line += 1) {
    if (line % 400 === 399) yield;
    for (let k = 0; k < states[line].length; k += 1) {
      const state = states[line][k];
      const done = line === flow.count && state.note === flow.noteHeight.length;
      if (!done) extend(state, states, flow, settings);
    }
  }
  const ends = states[flow.count].filter((state) => state.note === flow.noteHeight.length);
  return trace(ends.reduce((best, state) => (state.cost < best.cost ? state : best)));
}

/** Tries every end of the page that starts at a state. */
function extend(state: State, states: State[][], flow: Flow, settings: FillSettings): void {
  const depth = state.from === null ? settings.firstLines : settings.lines;
  if (state.line === flow.count || !textFits(state, flow, settings, depth)) {
    relaxNotesOnly(state, states, flow, settings, depth);
    return;
  }
  const candidates: { end: number; noteEnd: number; empty: number }[] = [];
  let used = 0;
  for (let line = state.line; line < flow.count; line += 1) {
    const top = line === state.line;
    let start = top ? 0 : used + flow.gap[line];
    if (flow.onGrid[line]) start = Math.ceil(start - SLACK);
    used = start + flow.height[line];
    if (used > depth + SLACK && !top) break;
    const noteEnd = placeNotes(state, line + 1, used, flow, settings, depth);
    if (noteEnd === null) {
      if (top)
        candidates.push({ end: line + 1, noteEnd: forceNotes(state, line + 1, used, flow, settings, depth), empty: 0 });
      if (
        flow.noteLinesBefore[line + 1] > flow.noteLinesBefore[state.line] ||
        state.note < flow.noteLinesBefore[state.line]
      )
        continue;
      break;
    }
    const notes = noteHeight(state.note, noteEnd, flow, settings);
    candidates.push({ end: line + 1, noteEnd, empty: Math.max(0, depth - used - notes) });
  }
  for (const { end, noteEnd, empty } of candidates) {
    const isLast = end === flow.count;
    relax(state, states, end, noteEnd, pageCost(state, flow, end, noteEnd, empty, depth), isLast ? 0 : flow.fault[end]);
  }
}

function pageCost(state: State, flow: Flow, end: number, noteEnd: number, empty: number, depth: number): number {
  const isLast = end === flow.count;
  let cost: number = COST.PAGE;
  if (!isLast) cost += COST.SHORT * empty * empty + COST.FAULT[flow.fault[end]];
  const used = depth - empty;
  if (isLast && state.from !== null && used < LEAST_LAST_PAGE) cost += COST.STUB_LINE * (LEAST_LAST_PAGE - used);
  const owed = flow.noteLinesBefore[end] - noteEnd;
  if (owed > 0) cost += COST.SPLIT_NOTE + COST.OWED_LINE * owed;
  return cost;
}

function relax(from: State, states: State[][], line: number, note: number, cost: number, fault: number): void {
  const total = from.cost + cost;
  const known = states[line].find((state) => state.note === note);
  if (known === undefined) states[line].push({ line, note, cost: total, from, fault });
  else if (total < known.cost) Object.assign(known, { cost: total, from, fault });
}

/** Height of the notes of a page with their gap, in grid lines; 0 without notes. */
function noteHeight(from: number, to: number, flow: Flow, settings: FillSettings): number {
  if (to <= from) return 0;
  let height = settings.noteGap;
  for (let k = from; k < to; k += 1) height += flow.noteHeight[k];
  return height;
}

/**
 * Where the notes of a page end that holds the lines up to `end` in `used` grid lines: all that are due when they fit,
 * else cut inside the last note so that both parts keep two lines; null when neither fits.
 */
function placeNotes(
  state: State,
  end: number,
  used: number,
  flow: Flow,
  settings: FillSettings,
  depth: number,
): number | null {
  const due = flow.noteLinesBefore[end];
  const room = depth - used + SLACK;
  if (noteHeight(state.note, due, flow, settings) <= room) return due;
  let start = due - 1;
  while (start > state.note && flow.noteStarts[start] === 0) start -= 1;
  const owed = state.note > start;
  const least = owed ? state.note + 1 : start + Math.min(NOTE_LINES_TOGETHER, due - start);
  for (let cut = due - NOTE_LINES_TOGETHER; cut >= least; cut -= 1) {
    if (noteHeight(state.note, cut, flow, settings) <= room) return cut;
  }
  return null;
}

/** For a single line whose notes cannot start on its page as they should: as many note lines as fit, at least none. */
function forceNotes(
  state: State,
  end: number,
  used: number,
  flow: Flow,
  settings: FillSettings,
  depth: number,
): number {
  let cut = flow.noteLinesBefore[end];
  while (cut > state.note && noteHeight(state.note, cut, flow, settings) > depth - used + SLACK) cut -= 1;
  return cut;
}

/** True when the page can hold its owed notes and at least the next line; otherwise it holds notes only. */
function textFits(state: State, flow: Flow, settings: FillSettings, depth: number): boolean {
  const owed = flow.noteLinesBefore[state.line];
  if (state.note >= owed) return true;
  return noteHeight(state.note, owed, flow, settings) + flow.height[state.line] <= depth + SLACK;
}

function relaxNotesOnly(state: State, states: State[][], flow: Flow, settings: FillSettings, depth: number): void {
  const due = flow.noteLinesBefore[state.line];
  let cut = due;
  while (cut > state.note + 1 && noteHeight(state.note, cut, flow, settings) > depth + SLACK) cut -= 1;
  relax(state, states, state.line, cut, COST.PAGE + COST.SPLIT_NOTE, 0);
}

function trace(end: State): FilledPage[] {
  const pages: FilledPage[] = [];
  for (let state: State = end; state.from !== null; state = state.from) {
    const { from } = state;
    pages.push({ from: from.line, to: state.line, noteFrom: from.note, noteTo: state.note, fault: state.fault });
  }
  return pages.reverse();
}
