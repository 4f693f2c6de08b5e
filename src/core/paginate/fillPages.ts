// The cheapest way to divide a reach into regions (columns of pages), by dynamic programming forward over its paragraphs.
//
// A state is a place in the text with all that what follows depends on (docs/decisions/003). From a state before a paragraph
// every setting and space before it is tried; where it reaches the foot, the region may end before, or inside it, after each
// line that leaves the foot nearly full. Layers hold the states before each paragraph: after an edit the search goes on from
// the last one before the change and stops where it is in step with the old one.
import { append } from '../base/append';
import { ColumnSettings } from './columnSettings';
import { COST } from './costs';
import { FELT, firstChanged, sharedEnds } from './sharedEnds';
import type { FillMemory } from './fillMemory';
import { type Flow, type FlowItem, type Setting } from './flow';
import { snappedStart, unlikeHeads, withHead } from './snap';
import { lookFrom, lookInside } from './lookThrough';
import { NoteRoom } from './noteRoom';
import { finishReach, mayEnd, type ReachAnswer } from './reachEnd';
import type { PagePlan } from './pagePlan';
import { RegionRules } from './regionRules';
import { mustBeOneStream, regionAfter } from './regions';
import { RegionClosing } from './regionClosing';
import { RegionEnd } from './regionEnd';
import { RegionStarts } from './regionStarts';
import { cheapest, LAST_PAGES, LIMITS, TIE, type SearchLimits } from './searchLimits';
import { CHOICE, FLAG, isInStep, isWrongSide, newState, StateList, withEntry, withWish, type Layer } from './stateList';

const [SLACK, NO_GAP] = [1e-3, 0];

export function* fillPages(
  flow: Flow,
  plan: PagePlan,
  memory?: FillMemory,
  limits: SearchLimits = LIMITS,
): Generator<void, FillMemory> {
  return yield* new Filler(flow, plan, limits).run(memory);
}

class Filler {
  private next = new StateList();
  private readonly layers: Layer[] = [];
  private mayLeaveAny = false;
  /** Grid lines that a region may stay short now. */
  private mayLeave = 0;
  private limit = Infinity;
  private beam = Infinity;
  /** Whether the state being extended led anywhere. */
  private led = false;
  /** Ends of regions that may still be looked at; states that go on where it needed more, else Infinity. */
  private left = Infinity;
  private few = Infinity;
  private readonly columns: ColumnSettings;
  private readonly rules: RegionRules;
  private readonly starts: RegionStarts;
  private readonly notes: NoteRoom;
  private readonly closing: RegionClosing;
  private item!: FlowItem;
  /** The end of a region, and the state after a paragraph, that are being looked at. */
  private readonly end = new RegionEnd();
  private readonly state = newState();
  private best: ReachAnswer = { cost: Infinity, index: -1 };

  constructor(
    private readonly flow: Flow,
    private readonly plan: PagePlan,
    private readonly limits: SearchLimits,
  ) {
    mustBeOneStream(plan.regions);
    this.notes = new NoteRoom(flow, plan.noteGap);
    this.columns = new ColumnSettings(plan);
    this.rules = new RegionRules(plan);
    const settingOf = (index: number) => this.settingOf(index);
    this.starts = new RegionStarts(flow, plan, this.rules, this.columns.areUnequal ? settingOf : null);
    this.closing = new RegionClosing(flow, plan, this.rules, this.starts, this.notes);
  }

  *run(memory?: FillMemory): Generator<void, FillMemory> {
    const { flow } = this;
    const n = flow.items.length;
    const [same, behind] = memory === undefined ? [0, 0] : sharedEnds(memory.flow, flow);
    const start = this.enter(memory, same);
    let visited = 0;
    for (let p = start; p <= n; p += 1) {
      if (memory !== undefined && p > n - behind + FELT && n > p) {
        const old = memory.layers[memory.layers.length - 1 - (n - p)];
        if (old !== undefined && this.starts.owesOnly(n - behind) && isInStep(this.starts.states, old)) {
          this.layers.push(withEntry(old, this.starts.states));
          append(this.layers, memory.layers.slice(memory.layers.length - (n - p)));
          this.columns.takeOver(memory.extra, p, n, n - memory.flow.items.length);
          const { layers } = this;
          return { flow, layers, extra: this.columns.byItem, last: memory.last, cost: null, visited };
        }
      }
      visited += 1;
      if (visited % 25 === 0) yield;
      this.starts.at = p;
      const { count: entered, least } = this.starts.states;
      if (p === n) {
        this.best = finishReach(this.starts, flow, this.notes, this.rules);
        this.layers.push(this.starts.states.pack(entered, least));
        break;
      }
      this.item = flow.items[p];
      this.pass(entered);
      this.layers.push(this.starts.states.pack(entered, least, this.few < Infinity));
      [this.starts.states, this.next] = [this.next, this.starts.states];
    }
    const { cost, index } = this.best;
    return { flow, layers: this.layers, extra: this.columns.byItem, last: index, cost, visited };
  }

  /** Takes up the old search before the change, or begins; answers the first paragraph to look at. */
  private enter(memory: FillMemory | undefined, same: number): number {
    const start = memory === undefined ? 0 : firstChanged(memory.flow, this.flow, this.plan, same);
    if (memory !== undefined && start > 0 && start < memory.layers.length) {
      const layer = memory.layers[start];
      this.starts.states.enter(layer);
      append(this.layers, memory.layers.slice(0, start));
      this.columns.takeOver(memory.extra, 0, start);
      return start;
    }
    const { plan } = this;
    const flags =
      (plan.firstSide === 'verso' ? FLAG.VERSO : 0) | FLAG.EMPTY | (3 << FLAG.DEPTH_SHIFT) | (3 << FLAG.WISH_SHIFT);
    this.starts.beginFirst(flags);
    return 0;
  }

  /** Looks at one paragraph from all states before it; again with any white at a foot when there was no other way. */
  private pass(entered: number): void {
    // A held start outweighs many a dear way to it.
    const isNarrow = entered > this.limits.many && !this.flow.isHeld && !this.item.isTall;
    this.beam = (isNarrow ? this.limits.narrow : this.limits.beam) + TIE;
    this.few = Infinity;
    for (const anyWhite of [false, true]) {
      this.mayLeaveAny = anyWhite;
      this.mayLeave = anyWhite ? Infinity : this.limits.white;
      if (!this.extendAll(entered)) {
        this.few = this.limits.few;
        this.extendAll(entered);
      }
      // The cheapest may all lead nowhere: then more of them go on, at last all.
      for (; anyWhite && this.next.count === 0 && this.few < 1e9; this.few *= 8) this.extendAll(entered);
      const isLast = this.starts.at + 1 === this.flow.items.length;
      if (
        this.next.count === 0 ||
        // All of them lead to a head that ends its page, or to no end: rather any white than that.
        (!anyWhite &&
          (this.next.least === Infinity ||
            (isLast && !mayEnd(this.next, this.flow, this.notes, this.rules, this.plan.regions))))
      )
        continue;
      this.next.settle(this.next.least + this.beam);
      return;
    }
  }

  /** False where it was more work than is done for one paragraph; with few states it is done all the same. */
  private extendAll(entered: number): boolean {
    const { starts, mayLeaveAny } = this;
    const isHurried = this.few < Infinity;
    const { work } = this.limits;
    this.left = isHurried ? Infinity : work.base + work.perLine * this.item.settings[0].count;
    // States dearer than this are given up; where any white is left none are.
    this.limit = mayLeaveAny ? Infinity : starts.states.least + this.beam;
    this.next.clear();
    starts.inside.length = 0;
    starts.states.truncate(entered);
    if (isHurried) this.extendFew(Array.from({ length: entered }, (_, k) => k));
    lookFrom(starts.states, isHurried ? entered : 0, this.look);
    for (let line = 1; line < starts.inside.length; line += 1) {
      const states = starts.inside[line];
      if (states === undefined) continue;
      // Costs add up inside a long paragraph: what is dear is measured from line to line.
      if (!mayLeaveAny) this.limit = starts.leastOf(states) + this.beam;
      if (isHurried) this.extendFew(states);
      else lookInside(starts.states, states, this.columns.areUnequal ? -1 : line, this.look);
      if (this.left <= 0) return false;
    }
    return this.left > 0;
  }

  /**
   * In haste, the few cheapest. A region of notes alone leads to another at the same line: states come while others are extended.
   */
  private extendFew(states: readonly number[]): void {
    for (let from = 0; from < states.length;) {
      const reached = states.slice(from);
      from = states.length;
      for (const k of cheapest(reached, this.starts.states.cost, this.few)) this.extend(k);
    }
  }

  private readonly look = (k: number): void => this.extend(k);

  private extend(k: number): void {
    if (this.left <= 0) return;
    const { states: current } = this.starts;
    const { item } = this;
    if (current.cost[k] > this.limit) return;
    const flags = current.flags[k];
    if (current.line[k] > 0) {
      this.place(k, this.settingOf(current.setting[k]), current.setting[k], NO_GAP);
      return;
    }
    const [empty, owes] = [(flags & FLAG.EMPTY) !== 0, current.owed[k] > 0];
    if (!empty) this.endBefore(k);
    if (item.breakBefore && !(empty && !owes) && this.starts.at > 0) {
      // Notes that run over a person's break have pages of their own before it.
      return empty ? this.endBefore(k, true) : undefined;
    }
    this.led = false;
    // After a picture that has gone over others wait for it: their order stays.
    const waits = current.float[k] < 0;
    const mayGoOver = !empty || (current.used[k] > 0 && (flags & FLAG.LEFT_FOR) === 0);
    if (item.mayPass && mayGoOver) this.passOver(k, flags);
    // A figure beside the text waits for those before it, though a page stays blank.
    if (waits && (item.mayPass || item.source.hung !== undefined)) {
      const isIdle = !owes && current.used[k] === 0;
      if (empty && (!isIdle || this.mayLeaveAny)) this.endBefore(k, true, isIdle ? COST.BLANK_PAGE : 0);
      return;
    }
    const region = this.starts.regionOf(k);
    const isLate = region.column > 0 || isWrongSide(item.side, flags);
    if (item.beginsPage && this.starts.at > 0 && isLate) return this.endBefore(k, true);
    item.settings.forEach((_, index) => {
      const measured = this.columns.begun(item, this.starts.at, region, index);
      if (measured < 0) return;
      const used = this.settingOf(measured);
      if (empty) this.place(k, used, measured, NO_GAP);
      else for (let gap = 0; gap < this.gapsAfter(flags).length; gap += 1) this.place(k, used, measured, gap);
    });
    // Nothing of the text fits beside the floats and the notes that the region owes: it holds nothing else.
    if (empty && (owes || current.used[k] > 0) && !this.led) this.endBefore(k, true);
  }

  /** The picture goes over to the head of a later region: what follows stands where it would stand. */
  private passOver(k: number, flags: number): void {
    const { states } = this.starts;
    if (this.isTooLast(k, states.used[k])) return;
    const on = (flags | FLAG.PASSED) & ~FLAG.HEAD_AT_TOP;
    // At the head of a region, below figures, it is late from the one before.
    const price = flags & FLAG.EMPTY ? COST.PASSED + COST.FLOAT_LATE : COST.PASSED;
    this.putNext(k, on, states.owed[k], states.used[k], states.cost[k] + price, CHOICE.PASSED);
  }

  private gapsAfter(flags: number): FlowItem['gaps'] {
    return flags & FLAG.PASSED ? this.item.gapsPassed : this.item.gaps;
  }

  private settingOf(index: number): Setting {
    return this.columns.of(this.item, this.starts.at, index);
  }

  /** Places the paragraph from the state's line on; where it reaches the foot, tries the ends inside it. */
  private place(k: number, setting: Setting, settingIndex: number, gapIndex: number): void {
    const { states: current } = this.starts;
    const { item, flow } = this;
    const flags = current.flags[k];
    const region = this.starts.regionOf(k);
    const line = current.line[k];
    const empty = (flags & FLAG.EMPTY) !== 0;
    const gaps = this.gapsAfter(flags);
    const gap = gaps[gapIndex];
    let start = current.used[k] + (empty ? this.rules.spaceAtTop(item, line, region) : gap.gap);
    if (!empty) start = snappedStart(item, start, gap.gap);
    const off = start - current.used[k] - gaps[0].gap;
    const headed = withHead(item, flags, empty ? null : off);
    const above = empty ? item.topCost : gap.cost + unlikeHeads(item, flags, headed, off);
    const own = line > 0 ? 0 : setting.cost + above;
    const noteFrom = flow.noteStart[this.starts.at] - current.owed[k];
    // Figures as deep as the page leave no room for text, though its spread runs long.
    const isFull = empty && current.used[k] > this.rules.baseDepth(flags, region) - SLACK;
    const most = isFull ? current.used[k] : this.rules.mostDepth(flags, region);
    const choice = settingIndex | (gapIndex << CHOICE.GAP_SHIFT);
    const wished = line === 0 && item.wish !== null ? withWish(headed, item.wish) : headed;
    const due = flow.noteStart[this.starts.at + 1];
    const end = start + (setting.count - line) * item.height;
    const base = this.rules.baseDepth(flags, region); // A last page's, though its spread runs short.
    const deepest = flow.rest[this.starts.at + 1] > LAST_PAGES * base || isFull ? most : Math.max(most, base);
    const least = end + this.notes.least(noteFrom, due);
    const fits = least <= deepest + SLACK && !this.isTooLast(k, end);
    if (fits) {
      const isLast = this.starts.at + 1 === flow.items.length && due === flow.notes.lineOf.length;
      this.led ||= deepest === most || isLast || least <= most + SLACK;
      const nextFlags = wished & ~FLAG.EMPTY;
      const cost = current.cost[k] + own;
      const isDoomed = least + flow.needs[this.starts.at] > deepest + SLACK;
      if (cost <= this.next.least + this.beam) this.putNext(k, nextFlags, due - noteFrom, end, cost, choice, isDoomed);
    }
    const left = this.rules.lowDepth(flags, region) - end - this.notes.height(noteFrom, due);
    if (fits && left > item.height + Math.max(this.mayLeave, item.mayLeaveInside) + SLACK) return;
    this.end.begin(k, setting, choice, wished, noteFrom, own);
    this.endInside(setting, start, most);
  }

  /** Whether the text would end deeper than a last page may be. */
  private isTooLast(k: number, end: number): boolean {
    const { states, at } = this.starts;
    if (at + 1 < this.flow.items.length) return false;
    return this.rules.lastRoom(states.flags[k], this.starts.regionOf(k), end) < -SLACK;
  }

  /** A state after the paragraph. Numbers one by one: called for each state, it makes no object. */
  private putNext(
    from: number,
    flags: number,
    owed: number,
    used: number,
    cost: number,
    choice: number,
    isDoomed = false,
  ) {
    const { state } = this;
    const { at } = this.starts;
    state.flags = flags;
    state.owed = owed;
    state.region = this.starts.states.region[from];
    const stands = this.item.mayPass && choice !== CHOICE.PASSED ? 1 : 0;
    state.float = this.starts.states.float[from] - this.flow.floatStart[at + 1] + this.flow.floatStart[at] + stands;
    state.used = used;
    state.cost = cost;
    state.from = from;
    state.choice = choice;
    this.next.put(state, isDoomed);
  }

  /** Tries the ends inside the paragraph, which stands from grid line `start` on; `most`: the deepest that the region may be. */
  private endInside(setting: Setting, start: number, most: number): void {
    const { from: k, flags, noteFrom, own, choice } = this.end;
    const { states: current } = this.starts;
    const { item, flow } = this;
    const line = current.line[k];
    const low = this.rules.lowDepth(current.flags[k], this.starts.regionOf(k));
    const noteBase = flow.noteStart[this.starts.at];
    const before = setting.noteLinesBefore;
    const dueAt = (to: number) => noteBase + (before === null ? 0 : before[to]);
    let to = setting.count - 1;
    // The lines that fit by height alone; notes take away from there.
    to = Math.min(to, line + Math.floor((most - start) / item.height + SLACK));
    while (to > line && start + (to - line) * item.height + this.notes.least(noteFrom, dueAt(to)) > most + SLACK)
      to -= 1;
    const empty = (current.flags[k] & FLAG.EMPTY) !== 0;
    if (to <= line) {
      if (!empty || current.owed[k] > 0 || current.used[k] > 0) {
        if (line > 0) this.endAfter(flags, line, current.used[k], dueAt(line), true);
        return;
      }
      // A line taller than the region, or one whose notes leave no room: it stands there all the same.
      const forced = line + 1;
      const used = start + item.height;
      const on = flags & ~FLAG.EMPTY;
      if (forced < setting.count) this.endAfter(on, forced, used, dueAt(forced), true);
      else this.putNext(k, on, dueAt(setting.count) - noteFrom, used, current.cost[k] + own, choice);
      return;
    }
    for (let end = to; end > line; end -= 1) {
      const used = start + (end - line) * item.height;
      const white = low - used - this.notes.height(noteFrom, dueAt(end));
      if (white > Math.max(this.mayLeave, item.mayLeaveInside) + SLACK && end < to) break;
      this.endAfter(flags & ~FLAG.EMPTY, end, used, dueAt(end), false);
    }
  }

  /** Ends the region after some lines of the paragraph, which goes on in the next one as wide as that is. */
  private endAfter(flags: number, line: number, used: number, due: number, forced: boolean): void {
    this.end.at(flags, line, used, due, forced);
    if (!this.columns.areUnequal) return this.endRegion();
    const { end } = this;
    const { regions } = this.plan;
    const next = regions.list[regionAfter(regions, this.starts.states.region[end.from])];
    const on = this.columns.continued(this.item, this.starts.at, end.next, line, next);
    end.setting = this.settingOf(on.index);
    end.line = on.line;
    end.next = on.index;
    if (end.setting.count > on.line) this.endRegion();
  }

  /** Ends the region before the paragraph, when what stays white is little or cannot be helped. */
  private endBefore(k: number, forced = false, price = 0): void {
    const { states: current } = this.starts;
    const { item, flow } = this;
    const noteFrom = flow.noteStart[this.starts.at] - current.owed[k];
    const due = flow.noteStart[this.starts.at];
    const low = this.rules.lowDepth(current.flags[k], this.starts.regionOf(k));
    const white = low - current.used[k] - this.notes.height(noteFrom, due);
    const most = Math.max(item.mayLeave, this.limits.white) + SLACK;
    if (!forced && !this.mayLeaveAny && !item.breakBefore && white > most) return;
    this.end.begin(k, null, 0, current.flags[k], noteFrom, price);
    this.end.at(current.flags[k], 0, current.used[k], due, forced);
    this.endRegion();
  }

  /** Ends the region where `end` says, in every way that leads to a state at the top of the next one. */
  private endRegion(): void {
    this.left -= 1;
    if (this.closing.close(this.end, this.item, this.limit, this.mayLeaveAny)) this.led = true;
  }
}
