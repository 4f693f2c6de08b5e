// Ends regions: every depth of the spread that is open, and with it the notes that fit, with the price of each.
import { COST, whiteBefore } from './costs';
import type { Flow, FlowItem } from './flow';
import type { NoteRoom } from './noteRoom';
import type { PagePlan } from './pagePlan';
import type { RegionEnd } from './regionEnd';
import type { RegionRules } from './regionRules';
import type { RegionStarts } from './regionStarts';
import { FLAG } from './stateList';

const SLACK = 1e-3;

export class RegionClosing {
  constructor(
    private readonly flow: Flow,
    private readonly plan: PagePlan,
    private readonly rules: RegionRules,
    private readonly starts: RegionStarts,
    private readonly notes: NoteRoom,
  ) {}

  /**
   * Ends the region where `end` says, before or inside `item`, each way a state at the top of the next region. False where there is none
   * that costs `limit` at most.
   */
  close(end: RegionEnd, item: FlowItem, limit: number, mayLeaveAny: boolean): boolean {
    const { from: k, setting, flags, line, used, noteFrom, due, own, forced } = end;
    const { states: current } = this.starts;
    const { plan } = this;
    const region = this.starts.regionOf(k);
    const late = this.starts.lateFloats(current.float[k], line);
    if (late < 0) return false;
    const isAfterAll = this.starts.at >= this.flow.items.length;
    const cut = isAfterAll ? 0 : this.rules.cutCost(item, setting, line, flags, region, this.flow.isHeld);
    const base = current.cost[k] + own + late * COST.FLOAT_LATE + cut;
    if (base > limit) return false;
    const fixed = this.rules.fixedDepth(flags, region);
    let led = false;
    for (let depth = -1; depth <= 1; depth += 1) {
      if (fixed !== null && depth !== fixed) continue;
      let cost = base;
      if (fixed === null && depth !== 0) {
        const unit = depth < 0 ? plan.short : plan.long;
        if (unit === null) continue;
        cost += COST.SPREAD * unit + this.rules.oppositeCost(flags, depth);
      }
      const deep = this.rules.baseDepth(flags, region) + depth;
      let placed = forced ? -1 : this.notes.place(noteFrom, due, deep - used);
      if (placed < 0) {
        if (!forced && !mayLeaveAny) continue;
        placed = this.notes.force(noteFrom, due, deep - used, flags & FLAG.EMPTY && used === 0 ? 1 : 0);
        if (!forced && this.notes.begins(placed, due)) cost += COST.LATE_NOTE;
        // Pictures alone fit the page, however short its spread runs.
        if (used > deep + SLACK && (flags & FLAG.EMPTY) === 0) cost += COST.TOO_DEEP;
      }
      const white = flags & FLAG.EMPTY ? 0 : Math.max(0, deep - used - this.notes.height(noteFrom, placed));
      const before = line === 0 && !isAfterAll ? item : null;
      // Where figures stand alone it could have gone over.
      const isLeftFor = before?.mayPass === true && ((before.isTall && white > SLACK) || (flags & FLAG.EMPTY) !== 0);
      const own = before === null ? null : whiteBefore(before, white);
      if (own !== null) cost += own;
      else if (!before?.breakBefore) cost += this.rules.whiteCost(white, placed > noteFrom, flags, region);
      if (placed < due) cost += COST.SPLIT_NOTE + COST.OWED_LINE * (due - placed);
      const wish = (flags & FLAG.WISH_MASK) >> FLAG.WISH_SHIFT;
      if (wish !== 3 && wish - 1 !== depth) cost += COST.WISH;
      if (cost > limit) continue;
      led = true;
      this.starts.begin(end, depth, placed, cost, isLeftFor ? FLAG.LEFT_FOR : 0);
    }
    return led;
  }
}
