// The rules of a region: how deep it may be, and what white, depth and a last page cost.
import { COST } from './costs';
import { cutsWord, type FlowItem, type Setting } from './flow';
import type { PagePlan } from './pagePlan';
import { closesPage, type Region } from './regions';
import { lineOf } from './settingRows';
import { FLAG } from './stateList';

const SLACK = 1e-3;

/** `flags` and `region`: those of the state that stands in it. */
export class RegionRules {
  constructor(private readonly plan: PagePlan) {}

  whiteCost(white: number, hasNotes: boolean, flags: number, region: Region): number {
    if ((flags & FLAG.FINAL_MASK) !== 0) return closesPage(region) ? 0 : COST.BALANCE_LINE * white * white;
    if (this.plan.exempt) return white;
    if (hasNotes) return white <= 1 + SLACK ? white : COST.NOTE_WHITE * white * white;
    if (white <= SLACK) return 0;
    return white < 1 - SLACK ? COST.UNEVEN_PART : COST.UNEVEN * white * white;
  }

  /** The spread's depth, when it is settled: by its verso or its first column; null when it is still open. */
  fixedDepth(flags: number, region: Region): number | null {
    if ((flags & FLAG.FINAL_MASK) !== 0) return 0;
    const code = (flags & FLAG.DEPTH_MASK) >> FLAG.DEPTH_SHIFT;
    if (code === 3) return null;
    return region.column > 0 || (flags & FLAG.VERSO) === 0 ? code - 1 : null;
  }

  oppositeCost(flags: number, depth: number): number {
    const before = (flags & FLAG.DEPTH_MASK) >> FLAG.DEPTH_SHIFT;
    return before !== 3 && (before - 1) * depth < 0 ? COST.OPPOSITE_SPREADS : 0;
  }

  baseDepth(flags: number, region: Region): number {
    const final = (flags & FLAG.FINAL_MASK) >> FLAG.FINAL_SHIFT;
    return final > 0 ? final : region.lines;
  }

  /** The deepest and the shallowest that the region may become. */
  mostDepth(flags: number, region: Region): number {
    const fixed = this.fixedDepth(flags, region);
    return this.baseDepth(flags, region) + (fixed ?? (this.plan.long === null ? 0 : 1));
  }

  lowDepth(flags: number, region: Region): number {
    const fixed = this.fixedDepth(flags, region);
    return this.baseDepth(flags, region) + (fixed ?? (this.plan.short === null ? 0 : -1));
  }

  /** Grid lines left in the last region below `used`: it is never shorter than the page, though its spread runs short. */
  lastRoom(flags: number, region: Region, used: number): number {
    return this.baseDepth(flags, region) + Math.max(0, this.fixedDepth(flags, region) ?? 0) - used;
  }

  /** What the last region costs that is `used` grid lines deep. */
  endCost(used: number, flags: number, region: Region): number {
    const { plan } = this;
    const { page, column, columns } = region;
    const least = plan.chapterEnd;
    let cost: number = 0;
    if (page > 0 && column === 0 && used < least) {
      cost += COST.STUB_LINE * (least - used);
      if (used < 3) cost += COST.STUB * (3 - used);
    }
    const final = (flags & FLAG.FINAL_MASK) >> FLAG.FINAL_SHIFT;
    const wish = (flags & FLAG.WISH_MASK) >> FLAG.WISH_SHIFT;
    if (wish !== 3 && wish - 1 !== (this.fixedDepth(flags, region) ?? wish - 1)) cost += COST.WISH;
    if (columns === 1 || !plan.balance) return cost;
    if (final === 0) return cost + COST.UNBALANCED;
    // Columns that stay empty, and what the last lacks.
    const white = (columns - 1 - column) * final + Math.max(0, final - used);
    return cost + COST.BALANCE_LINE * white * Math.min(white, final);
  }

  /** What the end of a region costs where it stands: widows and their kin, hyphens, held page starts. */
  cutCost(
    item: FlowItem,
    setting: Setting | null,
    line: number,
    flags: number,
    region: Region,
    isHeld: boolean,
  ): number {
    let cost = line === 0 ? item.cutBefore : setting!.cut[line];
    if (line === 0 && item.breakBefore) cost = 0;
    if (line > 0 && cutsWord(setting!, line)) {
      if (!closesPage(region)) cost += COST.COLUMN_HYPHEN;
      else cost += flags & FLAG.VERSO ? COST.VERSO_HYPHEN : COST.RECTO_HYPHEN;
    }
    if (isHeld && closesPage(region)) {
      const offset = line === 0 ? 0 : setting!.paragraph.broken.from[lineOf(setting!.rows, line)];
      if (item.held?.has(offset) !== true) cost += COST.MOVED_START;
    }
    return cost;
  }

  /** What is above a paragraph at the top of a region: the heads of its table; below an opener's head the text start decides. */
  spaceAtTop({ source }: FlowItem, line: number, region: Region): number {
    if (source.rows !== undefined) return source.rows.top.depth;
    const keeps = source.paragraph.styled.style.keepSpace === true;
    return keeps && line === 0 && region.page > 0 ? source.gap : 0;
  }
}
