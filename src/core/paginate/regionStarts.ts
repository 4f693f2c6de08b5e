// The states with which a region can begin: the depth and the notes that the one before left, floats at its top, and, for
// the columns of a last page, the depth at which they are to end level.
import { COST } from './costs';
import type { Flow, Setting } from './flow';
import type { PagePlan } from './pagePlan';
import type { RegionEnd } from './regionEnd';
import { closesPage, regionAfter, type Region } from './regions';
import type { RegionRules } from './regionRules';
import { FLAG, newState, StateList } from './stateList';

const SLACK = 1e-3;
/** Paragraphs ahead of its own at which a float may already stand, when its reference follows on the same page. */
export const MAX_AHEAD = 40;

export class RegionStarts {
  /** The paragraph being looked at, its states, and those of them that begin a region inside it, in their order. */
  at = 0;
  states = new StateList();
  readonly inside: number[][] = [];
  /** The state that is being put. */
  private readonly entry = newState();

  constructor(
    private readonly flow: Flow,
    private readonly plan: PagePlan,
    private readonly rules: RegionRules,
    /** Settings by number, where they have lines of several widths. */
    private readonly settingOf: ((index: number) => Setting) | null = null,
  ) {}

  /** The region in which a state stands. */
  regionOf(k: number): Region {
    return this.plan.regions.list[this.states.region[k]];
  }

  /** Ends a region with a depth and the notes before `placed` on it, and begins the next one in every way. `more`: flags besides. */
  begin(end: RegionEnd, depth: number, placed: number, cost: number, more = 0): void {
    const { plan, flow, entry } = this;
    const { flags } = end;
    const before = this.states.region[end.from];
    entry.region = regionAfter(plan.regions, before);
    entry.flags = ((depth + 1) << FLAG.DEPTH_SHIFT) | FLAG.EMPTY | more;
    entry.cost = cost;
    if (!closesPage(plan.regions.list[before]))
      entry.flags |= flags & (FLAG.VERSO | FLAG.FINAL_MASK | FLAG.WISH_MASK | FLAG.HEADS_MASK);
    else {
      // The recto is of the same spread.
      if (flags & FLAG.VERSO) entry.flags |= flags & FLAG.HEADS_MASK;
      entry.flags |= (flags & FLAG.VERSO ? 0 : FLAG.VERSO) | (3 << FLAG.WISH_SHIFT);
      if ((flags & FLAG.FINAL_MASK) !== 0) entry.cost += COST.UNBALANCED * 10;
      entry.cost += COST.PAGE;
    }
    entry.line = end.line;
    entry.setting = end.next;
    entry.owed = flow.noteStart[this.at] - placed;
    entry.float = this.states.float[end.from];
    entry.from = end.from;
    entry.choice = end.choice;
    this.beginRegion();
  }

  /** Puts the states with which the first region can begin. */
  beginFirst(flags: number): void {
    Object.assign(this.entry, newState(), { flags });
    this.beginRegion();
  }

  /** Puts every state with which a region can begin: with more or fewer floats, as an ordinary or as the last page. */
  private beginRegion(): void {
    const { flow, plan, entry } = this;
    const { flags, float } = entry;
    const region = plan.regions.list[entry.region];
    const room = this.rules.baseDepth(flags, region);
    const finals =
      region.columns > 1 && plan.balance && region.column === 0
        ? this.finalDepths(entry.line, entry.setting, room, region.columns)
        : [];
    const start = flow.floatStart[this.at];
    let used = 0;
    for (let f = float; ; f += 1) {
      entry.float = f;
      entry.used = used;
      entry.flags = flags;
      const next = flow.floats[start + f];
      // The recto after half of a picture holds its other half.
      if (f > float || next?.half !== 'recto') {
        this.enterState();
        for (const depth of finals) {
          if (depth <= used) continue;
          entry.flags = flags | (depth << FLAG.FINAL_SHIFT);
          this.enterState();
        }
      }
      if (next === undefined || next.anchor > this.at + MAX_AHEAD) break;
      if (next.isPicture && next.anchor >= this.at) break;
      const isReached = next.anchor < this.at || (next.anchor === this.at && entry.line > 0);
      if (next.place === 'next' && (!isReached || region.column > 0)) break;
      if (next.half === 'verso' && (flags & FLAG.VERSO) === 0) break;
      // Below the head of an opener the text begins.
      if (!next.isPicture && next.place !== 'foot' && region.page === 0 && region.top > 0) break;
      used += next.height;
      // A float deeper than a page stands on one by itself.
      if (used > room + SLACK && f > float) break;
      if (used > room - 2 && f === float && this.at < flow.items.length && !isReached) break;
    }
  }

  /** Whether a state at the top of a recto waits for a verso, where a picture over two pages begins. */
  waitsForVerso(k: number): boolean {
    const { flags, float } = this.states;
    return (
      (flags[k] & FLAG.VERSO) === 0 && this.flow.floats[this.flow.floatStart[this.at] + float[k]]?.half === 'verso'
    );
  }

  private enterState(): void {
    const { entry } = this;
    const index = this.states.put(entry);
    if (index >= 0 && entry.line > 0) (this.inside[this.orderOf(entry.line, entry.setting)] ??= []).push(index);
  }

  /** What rises as text goes on: the line, or, where settings do not have the same lines, its place in the text. */
  private orderOf(line: number, setting: number): number {
    const own = this.settingOf?.(setting);
    return own?.measure === undefined ? line : own.paragraph.broken.from[line];
  }

  /** Depths at which the columns of a last page might end level. */
  private finalDepths(line: number, settingIndex: number, room: number, columns: number): number[] {
    const { flow } = this;
    if (this.at >= flow.items.length) return [];
    const item = flow.items[this.at];
    const inside = line > 0 ? (this.settingOf?.(settingIndex) ?? item.settings[settingIndex]).count - line : 0;
    const rest = line > 0 ? inside * item.height + flow.rest[this.at + 1] : flow.rest[this.at] - item.source.gap;
    if (rest > columns * room + 2) return [];
    const least = Math.max(1, Math.floor(rest / columns) - 2);
    return Array.from({ length: Math.min(room, least + 7) - least + 1 }, (_, k) => least + k);
  }

  /**
   * Floats referred to before this place that stand in no region yet; -1 when one stands before its reference's page. `float`:
   * that of a state.
   */
  lateFloats(float: number, line: number): number {
    const { floats, floatStart } = this.flow;
    const next = floatStart[this.at] + float;
    // References before this place: of earlier paragraphs, and of this one once a line of it stands.
    const reached = line > 0 ? this.at : this.at - 1;
    if (next > 0 && floats[next - 1].anchor > reached) return -1;
    let late = 0;
    while (next + late < floats.length && floats[next + late].anchor <= reached) late += 1;
    return late;
  }

  /** True when every note line and float that the states still owe belongs to paragraphs from `first` on. */
  owesOnly(first: number): boolean {
    const { noteStart, floatStart } = this.flow;
    const { owed, float, count } = this.states;
    const from = Math.min(first, this.at + 1);
    const most = noteStart[this.at + 1] - noteStart[from];
    const least = floatStart[Math.min(first, this.at)] - floatStart[this.at];
    for (let k = 0; k < count; k += 1) if (owed[k] > most || float[k] < least) return false;
    return true;
  }

  /** The least cost of some of the states. */
  leastOf(indexes: readonly number[]): number {
    return indexes.reduce((least, k) => Math.min(least, this.states.cost[k]), Infinity);
  }
}
