// The optimum over a whole paragraph (D. E. Knuth and M. F. Plass, Breaking Paragraphs into Lines, 1981), on typed
// arrays. A state is an opportunity with the fitness class of the line that ends there and the hyphens running; the
// cheapest way to each state is kept. States are in text order, so the active ones are a window that only moves on.
import { LINE_END } from '../model/composed/broken';
import { COST, fitnessOf, MOST_JUMP, stretchRatio, TORN } from './fitCosts';
import { PARAGRAPH, type FitSettings, type FittedLines } from './fitSettings';
import { OWN_HYPHEN, type Opportunities } from './opportunities';
import { placeTabs, tabsBetween } from './tabs';
import { reachOf, type LineReach } from './lineReach';
import { bestScratch, CLASSES, HYPHEN_STATES, nodesFor, type NodeArrays } from './searchNodes';
import type { BreakWidths } from './widths';

/** Widest ratios looked at, pass by pass: the last takes whatever fits at all. */
const TOLERANCES = [1.4, 5, Infinity];

/**
 * Nodes of a search for a wanted count of lines after which it is given up, with no variant: a paragraph of a hundred lines of
 * prose has some thousand, one of three thousand words of one letter eighty thousand, and each of many searches takes a second.
 */
const MOST_VARIANT_NODES = 20_000;

const NONE: ReadonlySet<number> = new Set();

/**
 * The cheapest lines. Always answers: where nothing fits, with an overfull line. `barred`: opportunities at which no line
 * may end.
 */
export function fitLines(
  breaks: Opportunities,
  widths: BreakWidths,
  settings: FitSettings,
  barred: ReadonlySet<number> = NONE,
): FittedLines {
  for (const tolerance of TOLERANCES) {
    const found = new Search(breaks, widths, settings, { tolerance, barred }).run();
    if (found !== null) return found;
  }
  return new Search(breaks, widths, settings, { tolerance: Infinity, barred, force: true }).run()!;
}

/** The cheapest way that takes exactly so many lines, none of them stretched over `tolerance`; null when there is none. */
export function fitLineCount(
  breaks: Opportunities,
  widths: BreakWidths,
  settings: FitSettings,
  barred: ReadonlySet<number>,
  lines: number,
  tolerance: number,
): FittedLines | null {
  return new Search(breaks, widths, settings, { tolerance, barred, wanted: lines }).run();
}

interface SearchGoal {
  readonly tolerance: number;
  /** Opportunities at which no line may end. */
  readonly barred: ReadonlySet<number>;
  /** Take an overfull line where nothing fits. */
  readonly force?: boolean;
  /** Lines that are wanted; 0: as many as are cheapest. */
  readonly wanted?: number;
}

/**
 * One pass. Node 0 is where lines begin; node k's line starts after opportunity `place[k]` (-1 for node 0) and is
 * line `line[k]` of the paragraph, counted only as far as it matters: to the last line of a width of its own, or, when a
 * count of lines is wanted, all.
 */
class Search {
  private nodeArrays: NodeArrays;
  private place!: Int32Array;
  private fitness!: Uint8Array;
  private hyphens!: Uint8Array;
  private line!: Int32Array;
  private previous!: Int32Array;
  private demerits!: Float64Array;
  private nodes = 1;
  /** Best demerits and predecessor per (line, fitness, hyphens) at the opportunity being looked at. */
  private best = bestScratch.demerits;
  private bestFrom = bestScratch.from;
  /** The smallest line number in `best`, and how many line numbers it holds. */
  private firstLine = 0;
  private lines = 1;
  /** Most hyphens running of what was found at the opportunity being looked at; -1: nothing was, as at most. */
  private touched = HYPHEN_STATES - 1;
  private readonly lineCap: number;
  private readonly widthVaries: boolean;
  private readonly tight: number;
  /** What dividing a name costs more than dividing another word, in demerits. */
  private readonly dearer: number;
  /** What keeps a wanted count of lines within reach; null where any is. */
  private readonly reach: LineReach | null;
  private readonly tolerance: number;
  private readonly barred: ReadonlySet<number>;
  private readonly force: boolean;
  private readonly wanted: number;

  constructor(
    private readonly breaks: Opportunities,
    private readonly widths: BreakWidths,
    private readonly settings: FitSettings,
    { tolerance, barred, force = false, wanted = 0 }: SearchGoal,
  ) {
    [this.tolerance, this.barred, this.force, this.wanted] = [tolerance, barred, force, wanted];
    const { firstWidths, begin = PARAGRAPH } = settings;
    this.lineCap = wanted > 0 ? wanted : firstWidths.length;
    this.widthVaries = firstWidths.length > Math.max(1, begin.line) || widths.tabs !== null;
    this.reach = wanted > 0 ? reachOf(breaks, widths, settings, wanted, tolerance) : null;
    this.tight = widths.endPlayed[breaks.count - 1] > 0 ? COST.TIGHT : COST.TIGHT_SPACES;
    const hyphens = settings.mode === 'justify' ? 1 : COST.RAGGED_HYPHENS;
    this.dearer = hyphens * (COST.DEAR_HYPHEN * COST.DEAR_HYPHEN - COST.HYPHEN * COST.HYPHEN);
    this.nodeArrays = nodesFor(breaks.count * 3 + 2);
    this.takeArrays();
    this.place[0] = begin.after;
    this.fitness[0] = 1;
    this.hyphens[0] = 0;
    this.line[0] = Math.min(this.lineCap, begin.line);
    this.previous[0] = -1;
    this.demerits[0] = 0;
  }

  run(): FittedLines | null {
    const { breaks } = this;
    if (this.reach !== null && !this.reach.holds(0, 0)) return null;
    let active = 0;
    for (let j = this.place[0] + 1; j < breaks.count; j += 1) {
      if (this.barred.size > 0 && this.barred.has(j) && breaks.kind[j] < LINE_END.forced) continue;
      if (this.touched >= 0 || this.lineCap > 1) this.clearBest(active);
      this.touched = -1;
      if (this.wanted > 0 && this.nodes > MOST_VARIANT_NODES) return null;
      const stillActive = this.relax(j, active);
      const isStuck = stillActive === this.nodes;
      active = stillActive;
      if (!(this.touched >= 0 && this.take(j)) && isStuck) {
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

  /** Makes room in `best` for the lines that the active nodes can end. */
  private clearBest(active: number): void {
    if (this.lineCap > 1) {
      let least = Infinity;
      let most = 0;
      for (let node = active; node < this.nodes; node += 1) {
        if (this.line[node] < least) least = this.line[node];
        if (this.line[node] > most) most = this.line[node];
      }
      this.firstLine = Math.min(this.lineCap, least + 1);
      this.lines = Math.min(this.lineCap, most + 1) - this.firstLine + 1;
      if (!(this.lines > 0)) this.lines = 1;
      if (this.lines * CLASSES > this.best.length) {
        this.best = bestScratch.demerits = new Float64Array(this.lines * 2 * CLASSES);
        this.bestFrom = bestScratch.from = new Int32Array(this.lines * 2 * CLASSES);
      }
    }
    this.best.fill(Infinity, 0, this.lines * CLASSES);
  }

  private widthOf(node: number): number {
    const { firstWidths, width, restarts } = this.settings;
    const line = this.line[node];
    if (restarts && this.place[node] >= 0 && this.breaks.kind[this.place[node]] === LINE_END.forced)
      return firstWidths[0];
    return line < firstWidths.length ? firstWidths[line] : width;
  }

  /** Tries every active node as the start of a line that ends at j; answers the first node that stays active. */
  private relax(j: number, active: number): number {
    const { widths, settings, breaks } = this;
    const { end, endStretch, endShrink, start, startStretch, startShrink, endPlayed, startPlayed } = widths;
    const isLast = breaks.kind[j] === LINE_END.last || breaks.kind[j] === LINE_END.forced;
    const justified = settings.mode === 'justify';
    let first = active;
    for (let node = active; node < this.nodes; node += 1) {
      const s = this.place[node] + 1;
      let gap = this.widthOf(node) - (end[j] - start[s]);
      let played = endPlayed[j] - startPlayed[s];
      let shrink = justified ? endShrink[j] - startShrink[s] + played : 0;
      let stretch = endStretch[j] - startStretch[s];
      let isOpen = isLast;
      if (widths.tabs !== null) {
        const [from, to] = this.tabsOf(s, j);
        if (from < to) {
          const ruler = settings.ruler;
          const begin = s === 0 ? ruler.first : ruler.other;
          const right = begin + this.widthOf(node);
          const ends = { firstTab: from, endTab: to, start: start[s], end: end[j], begin, right };
          const line = placeTabs(widths.tabs, ruler, ends);
          gap = this.widthOf(node) - line.width;
          played = 0;
          shrink = justified ? endShrink[j] - widths.tabs.shrink[line.last] : 0;
          stretch = endStretch[j] - widths.tabs.stretch[line.last];
          isOpen ||= !line.mayStretch;
        }
      }
      if (gap < -shrink - 1e-6) {
        // Too long from here: everything later is longer still, or at least what follows a line without a hyphen.
        if (node === first && !this.fitsWithoutHyphen(node, j)) first += 1;
        continue;
      }
      let ratio: number;
      if (!justified) ratio = gap / settings.rag;
      else if (gap < 0) ratio = shrink > 0 ? gap / shrink : 0;
      else ratio = stretchRatio(gap, stretch, played);
      if (isOpen && gap >= 0) this.consider(node, j, settings.mode === 'balanced' ? ratio : 0, gap, isLast);
      else if (ratio <= this.tolerance) this.consider(node, j, ratio, gap, false);
      else if (!this.widthVaries) break; // Nodes after this one start later: their lines are shorter and looser.
    }
    return first;
  }

  /** Whether a line that is too long up to the hyphen at j fits where it goes on: what follows may be narrower than a hyphen. */
  private fitsWithoutHyphen(node: number, j: number): boolean {
    const { breaks, widths, settings } = this;
    if (breaks.kind[j] !== LINE_END.hyphen || widths.tabs !== null) return false;
    const s = this.place[node] + 1;
    let next = j + 1;
    while (next < breaks.count - 1 && breaks.kind[next] === LINE_END.hyphen) next += 1;
    const gap = this.widthOf(node) - (widths.end[next] - widths.start[s]);
    const played = widths.endPlayed[next] - widths.startPlayed[s];
    const shrink = settings.mode === 'justify' ? widths.endShrink[next] - widths.startShrink[s] + played : 0;
    return gap >= -shrink - 1e-6;
  }

  /** Whether the line from a node would be torn apart, or could not end at all, before the word that is divided at j. */
  private isTornBefore(node: number, j: number): boolean {
    const { breaks, widths, settings } = this;
    if (settings.mode !== 'justify' || widths.tabs !== null) return false;
    let before = j - 1;
    while (before > this.place[node] && breaks.kind[before] === LINE_END.hyphen) before -= 1;
    if (before <= this.place[node]) return true;
    const s = this.place[node] + 1;
    const gap = this.widthOf(node) - (widths.end[before] - widths.start[s]);
    const stretch = widths.endStretch[before] - widths.startStretch[s];
    return stretchRatio(gap, stretch, widths.endPlayed[before] - widths.startPlayed[s]) > TORN;
  }

  private tabsOf(s: number, j: number): [number, number] {
    const { breaks, widths } = this;
    return tabsBetween(widths.tabs!, s === 0 ? 0 : breaks.next[s - 1], breaks.at[j]);
  }

  private consider(node: number, j: number, ratio: number, gap: number, isLast: boolean): void {
    const { breaks, settings } = this;
    const kind = breaks.kind[j];
    const isHyphen = kind === LINE_END.hyphen || (kind === LINE_END.dash && breaks.dear[j] === OWN_HYPHEN);
    const running = isHyphen ? this.hyphens[node] + 1 : 0;
    if (running > settings.running) return;
    const next = Math.min(this.lineCap, this.line[node] + 1);
    if (this.wanted > 0) {
      // The last of the wanted lines ends the paragraph, and no other does.
      if (this.line[node] >= this.wanted || (j === breaks.count - 1) !== (next === this.wanted)) return;
      if (this.reach !== null && next < this.wanted && !this.reach.holds(j + 1, next)) return;
    }
    const size = Math.abs(ratio);
    const badness =
      settings.mode === 'justify' ? (ratio < 0 ? this.tight : COST.WIDE) * size * size * size : COST.WIDE * size * size;
    const line = COST.LINE + Math.min(badness, 1e7);
    let demerits = this.demerits[node] + line * line;
    if (kind === LINE_END.hyphen) {
      const cost = COST.HYPHEN;
      const times = settings.mode === 'justify' ? 1 : COST.RAGGED_HYPHENS;
      demerits += times * (cost * cost + (running > 1 ? COST.SECOND_HYPHEN : 0));
    } else if (kind === LINE_END.dash) {
      demerits += COST.DASH * COST.DASH + (running > 1 ? COST.SECOND_HYPHEN : 0);
    } else if (kind === LINE_END.space && breaks.dear[j] === 1) demerits += COST.WEAK_END * COST.WEAK_END;
    else if (kind === LINE_END.emergency) demerits += COST.EMERGENCY * COST.EMERGENCY;
    const fitness = settings.mode === 'justify' ? fitnessOf(ratio) : 1;
    const apart = Math.abs(fitness - this.fitness[node]);
    if (apart > 1) demerits += COST.JUMP * (apart - 1);
    if (isLast) {
      if (this.place[node] >= 0 && this.widthOf(node) - gap < settings.lastLine) demerits += COST.SHORT_LAST;
      if (this.hyphens[node] > 0) demerits += COST.LAST_HYPHEN;
    }
    const group = this.lineCap > 1 ? next - this.firstLine : 0;
    const state = Math.min(running, HYPHEN_STATES - 1);
    const slot = group * CLASSES + fitness * HYPHEN_STATES + state;
    if (state > this.touched) this.touched = state;
    // What makes a divided name dear is asked only of ways that could win.
    const isDear = kind === LINE_END.hyphen && breaks.dear[j] === 1;
    if (isDear && demerits < this.best[slot] && !this.isTornBefore(node, j)) demerits += this.dearer;
    if (demerits < this.best[slot]) {
      this.best[slot] = demerits;
      this.bestFrom[slot] = node;
    }
  }

  /**
   * Makes nodes of what was found at j. A way with no fewer hyphens running than another, and dearer by more than the largest
   * jump of fitness, can never win against it.
   */
  private take(j: number): boolean {
    const { best } = this;
    let found = false;
    for (let group = 0; group < this.lines; group += 1) {
      const [from, to] = [group * CLASSES, (group + 1) * CLASSES];
      let cheapest = Infinity;
      for (let hyphens = 0; hyphens <= this.touched; hyphens += 1) {
        for (let slot = from + hyphens; slot < to; slot += HYPHEN_STATES)
          if (best[slot] < cheapest) cheapest = best[slot];
        for (let slot = from + hyphens; slot < to; slot += HYPHEN_STATES) {
          if (best[slot] === Infinity || best[slot] > cheapest + COST.JUMP * (MOST_JUMP - 1)) continue;
          this.addNode(j, slot - from, this.bestFrom[slot], best[slot], this.lineCap > 1 ? this.firstLine + group : 1);
          found = true;
        }
      }
    }
    return found;
  }

  private addNode(j: number, slot: number, from: number, demerits: number, line: number): void {
    const node = this.nodes;
    if (node >= this.place.length) this.grow();
    this.place[node] = j;
    this.fitness[node] = Math.floor(slot / HYPHEN_STATES);
    this.hyphens[node] = slot % HYPHEN_STATES;
    this.line[node] = line;
    this.previous[node] = from;
    this.demerits[node] = demerits;
    this.nodes += 1;
  }

  private grow(): void {
    const old = this.nodeArrays;
    this.nodeArrays = nodesFor(this.place.length * 2);
    for (const key of Object.keys(old) as (keyof NodeArrays)[]) this.nodeArrays[key].set(old[key]);
    this.takeArrays();
  }

  private takeArrays(): void {
    ({
      place: this.place,
      fitness: this.fitness,
      hyphens: this.hyphens,
      line: this.line,
      previous: this.previous,
      demerits: this.demerits,
    } = this.nodeArrays);
  }

  /** Nothing fits: the line from the last node on is overfull, and is reported as such. */
  private addForced(j: number): void {
    const last = this.nodes - 1;
    const line = Math.min(this.lineCap, this.line[last] + 1);
    this.addNode(j, HYPHEN_STATES, last, this.demerits[last] + 1e12, line);
  }

  private firstAt(j: number): number {
    let node = this.nodes;
    while (node > 0 && this.place[node - 1] === j) node -= 1;
    return node;
  }

  private trace(): FittedLines | null {
    const end = this.breaks.count - 1;
    let best = -1;
    for (let node = this.firstAt(end); node < this.nodes; node += 1) {
      if (this.wanted > 0 && this.line[node] !== this.wanted) continue;
      if (best < 0 || this.demerits[node] < this.demerits[best]) best = node;
    }
    if (best < 0) return null;
    const ends: number[] = [];
    for (let node = best; node > 0; node = this.previous[node]) ends.push(this.place[node]);
    return { ends: ends.reverse(), demerits: this.demerits[best] };
  }
}
