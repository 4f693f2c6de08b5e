// The optimum over a whole paragraph (D. E. Knuth and M. F. Plass, Breaking Paragraphs into Lines, 1981), on typed
// arrays. A state is an opportunity with the fitness class of the line that ends there and the hyphens running; the
// cheapest way to each state is kept. States are in text order, so the active ones are a window that only moves on.
import { LINE_END } from '../model/broken';
import type { Opportunities } from './opportunities';
import type { BreakWidths } from './widths';

export interface FitSettings {
  /** Width of the first line and of all others, in points. */
  readonly firstWidth: number;
  readonly width: number;
  readonly mode: 'justify' | 'ragged' | 'balanced';
  /** Most hyphens running. */
  readonly running: number;
  /** Least width of the last line, in points. */
  readonly lastLine: number;
  /** Share of the width of played letters that a line may gain or lose; 0 without play. */
  readonly play: number;
  /** Depth of the rag that costs as much as a line at its limit of stretch, in points. */
  readonly rag: number;
}

/** Costs, exported for the brute-force test only. Badness is 100 |r|^3 as in the paper; a demerit is (LINE + badness)^2 and what its ending adds. */
export const COST = {
  LINE: 10,
  HYPHEN: 60,
  DEAR_HYPHEN: 140,
  DASH: 30,
  EMERGENCY: 900,
  /** Neighbouring lines more than one fitness class apart. */
  JUMP: 6000,
  SECOND_HYPHEN: 6000,
  /** The line before the last ends in a hyphen. */
  LAST_HYPHEN: 4000,
  SHORT_LAST: 60000,
} as const;

/** Widest ratios looked at, pass by pass: the last takes whatever fits at all. */
const TOLERANCES = [1.4, 5, Infinity];

const FITNESS_CLASSES = 4;
const HYPHEN_STATES = 4;

/** Fitness class of a ratio: tight, decent, loose, very loose. */
function fitnessOf(ratio: number): number {
  if (ratio < -0.5) return 0;
  if (ratio <= 0.5) return 1;
  return ratio <= 1 ? 2 : 3;
}

/**
 * How far a line is stretched: up to 1 letters and spaces grow together, beyond it only the spaces do, since letters
 * have reached their limit. `stretch` is what the spaces can take, `played` what the letters can.
 */
export function stretchRatio(gap: number, stretch: number, played: number): number {
  const together = stretch + played;
  return gap <= together ? gap / Math.max(together, 1e-9) : (gap - played) / Math.max(stretch, 1e-9);
}

/** The opportunities at which the lines end, in order; the last is the paragraph's end. */
export function fitLines(breaks: Opportunities, widths: BreakWidths, settings: FitSettings): number[] {
  for (const tolerance of TOLERANCES) {
    const found = new Search(breaks, widths, settings, tolerance).run();
    if (found !== null) return found;
  }
  return new Search(breaks, widths, settings, Infinity, true).run()!;
}

/** One pass. Node 0 is the paragraph's beginning; node k's line starts after opportunity `place[k]` (-1 for node 0). */
class Search {
  private place: Int32Array;
  private fitness: Uint8Array;
  private hyphens: Uint8Array;
  private previous: Int32Array;
  private demerits: Float64Array;
  private nodes = 1;
  /** Best demerits and predecessor per (fitness, hyphens) at the opportunity being looked at. */
  private readonly best = new Float64Array(FITNESS_CLASSES * HYPHEN_STATES);
  private readonly bestFrom = new Int32Array(FITNESS_CLASSES * HYPHEN_STATES);

  constructor(
    private readonly breaks: Opportunities,
    private readonly widths: BreakWidths,
    private readonly settings: FitSettings,
    private readonly tolerance: number,
    /** Take an overfull line where nothing fits. */
    private readonly force = false,
  ) {
    const most = breaks.count * 3 + 2;
    this.place = new Int32Array(most);
    this.fitness = new Uint8Array(most);
    this.hyphens = new Uint8Array(most);
    this.previous = new Int32Array(most);
    this.demerits = new Float64Array(most);
    this.place[0] = -1;
    this.fitness[0] = 1;
    this.previous[0] = -1;
  }

  run(): number[] | null {
    const { breaks } = this;
    let active = 0;
    for (let j = 0; j < breaks.count; j += 1) {
      this.best.fill(Infinity);
      const stillActive = this.relax(j, active);
      const isStuck = stillActive === this.nodes;
      active = stillActive;
      if (!this.take(j) && isStuck) {
        if (!this.force) return null;
        this.addForced(j);
        active = this.nodes - 1;
        continue;
      }
      if (breaks.kind[j] === LINE_END.forced) {
        active = this.firstAt(j);
        if (active === this.nodes) {
          if (!this.force) return null;
          this.addForced(j);
          active = this.nodes - 1;
        }
      }
    }
    return this.trace();
  }

  /** Tries every active node as the start of a line that ends at j; answers the first node that stays active. */
  private relax(j: number, active: number): number {
    const { widths, settings, breaks } = this;
    const { end, endStretch, endShrink, start, startStretch, startShrink, endPlayed, startPlayed } = widths;
    const { play } = settings;
    const isLast = breaks.kind[j] === LINE_END.last || breaks.kind[j] === LINE_END.forced;
    const justified = settings.mode === 'justify';
    let first = active;
    for (let node = active; node < this.nodes; node += 1) {
      const s = this.place[node] + 1;
      const width = s === 0 ? settings.firstWidth : settings.width;
      const gap = width - (end[j] - start[s]);
      const played = play > 0 ? play * (endPlayed[j] - startPlayed[s]) : 0;
      const shrink = justified ? endShrink[j] - startShrink[s] + played : 0;
      if (gap < -shrink - 1e-6) {
        // Too long from here: everything later is longer still.
        if (node === first) first += 1;
        continue;
      }
      let ratio: number;
      if (!justified) ratio = gap / settings.rag;
      else if (gap < 0) ratio = shrink > 0 ? gap / shrink : 0;
      else ratio = stretchRatio(gap, endStretch[j] - startStretch[s], played);
      if (isLast && gap >= 0) this.consider(node, j, settings.mode === 'balanced' ? ratio : 0, gap, true);
      else if (ratio <= this.tolerance) this.consider(node, j, ratio, gap, false);
      else break; // Nodes after this one start later: their lines are shorter and looser.
    }
    return first;
  }

  private consider(node: number, j: number, ratio: number, gap: number, isLast: boolean): void {
    const { breaks, settings } = this;
    const kind = breaks.kind[j];
    const running = kind === LINE_END.hyphen ? this.hyphens[node] + 1 : 0;
    if (running > settings.running) return;
    const size = Math.abs(ratio);
    const badness = settings.mode === 'justify' ? 100 * size * size * size : 100 * size * size;
    const line = COST.LINE + Math.min(badness, 1e7);
    let demerits = this.demerits[node] + line * line;
    if (kind === LINE_END.hyphen) {
      const cost = breaks.dear[j] ? COST.DEAR_HYPHEN : COST.HYPHEN;
      demerits += cost * cost + (running > 1 ? COST.SECOND_HYPHEN : 0);
    } else if (kind === LINE_END.dash) demerits += COST.DASH * COST.DASH;
    else if (kind === LINE_END.emergency) demerits += COST.EMERGENCY * COST.EMERGENCY;
    const fitness = settings.mode === 'justify' ? fitnessOf(ratio) : 1;
    if (Math.abs(fitness - this.fitness[node]) > 1) demerits += COST.JUMP;
    if (isLast) {
      const lineWidth = this.place[node] < 0 ? settings.firstWidth : settings.width;
      if (this.place[node] >= 0 && lineWidth - gap < settings.lastLine) demerits += COST.SHORT_LAST;
      if (this.hyphens[node] > 0) demerits += COST.LAST_HYPHEN;
    }
    const slot = fitness * HYPHEN_STATES + Math.min(running, HYPHEN_STATES - 1);
    if (demerits < this.best[slot]) {
      this.best[slot] = demerits;
      this.bestFrom[slot] = node;
    }
  }

  /**
   * Makes nodes of what was found at j. A way with no fewer hyphens running than another, and dearer by more than a jump
   * of fitness, can never win against it.
   */
  private take(j: number): boolean {
    const { best } = this;
    let cheapest = Infinity;
    let found = false;
    for (let hyphens = 0; hyphens < HYPHEN_STATES; hyphens += 1) {
      for (let slot = hyphens; slot < best.length; slot += HYPHEN_STATES)
        if (best[slot] < cheapest) cheapest = best[slot];
      for (let slot = hyphens; slot < best.length; slot += HYPHEN_STATES) {
        if (best[slot] === Infinity || best[slot] > cheapest + COST.JUMP) continue;
        this.addNode(j, slot, this.bestFrom[slot], best[slot]);
        found = true;
      }
    }
    return found;
  }

  private addNode(j: number, slot: number, from: number, demerits: number): void {
    const node = this.nodes;
    if (node >= this.place.length) this.grow();
    this.place[node] = j;
    this.fitness[node] = Math.floor(slot / HYPHEN_STATES);
    this.hyphens[node] = slot % HYPHEN_STATES;
    this.previous[node] = from;
    this.demerits[node] = demerits;
    this.nodes += 1;
  }

  private grow(): void {
    const room = this.place.length * 2;
    const larger = <T extends { set(from: T): void }>(from: T, to: T): T => {
      to.set(from);
      return to;
    };
    this.place = larger(this.place, new Int32Array(room));
    this.fitness = larger(this.fitness, new Uint8Array(room));
    this.hyphens = larger(this.hyphens, new Uint8Array(room));
    this.previous = larger(this.previous, new Int32Array(room));
    this.demerits = larger(this.demerits, new Float64Array(room));
  }

  /** Nothing fits: the line from the last node on is overfull, and is reported as such. */
  private addForced(j: number): void {
    const last = this.nodes - 1;
    this.addNode(j, HYPHEN_STATES, last, this.demerits[last] + 1e12);
  }

  private firstAt(j: number): number {
    let node = this.nodes;
    while (node > 0 && this.place[node - 1] === j) node -= 1;
    return node;
  }

  private trace(): number[] | null {
    const end = this.breaks.count - 1;
    let best = -1;
    for (let node = this.firstAt(end); node < this.nodes; node += 1) {
      if (best < 0 || this.demerits[node] < this.demerits[best]) best = node;
    }
    if (best < 0) return null;
    const lines: number[] = [];
    for (let node = best; node > 0; node = this.previous[node]) lines.push(this.place[node]);
    return lines.reverse();
  }
}
