// Settings of paragraphs to regions of several widths, made when the search asks for them and numbered by paragraph.
import type { Measure } from '../model/composed/broken';
import { makeSetting, type FlowItem, type Setting } from './flow';
import type { Pt } from '../model/spec/length';
import type { PagePlan } from './pagePlan';
import type { Region } from './regions';

/** Numbers from here on are settings of this kind; smaller ones are the paragraph's own. */
export const FIRST_EXTRA = 8;

export class ColumnSettings {
  readonly byItem = new Map<number, Setting[]>();
  readonly areUnequal: boolean;
  private readonly numbers = new Map<string, number>();

  private readonly least: Pt;

  constructor(private readonly plan: PagePlan) {
    const widths = plan.regions.list.map(({ width }) => width);
    this.least = Math.min(...widths);
    this.areUnequal = widths.some((width) => width !== this.least);
  }

  /** Takes the settings of paragraphs from another search: of those from `from` on, before `to`, which stood `shift` places earlier there. */
  takeOver(extra: ReadonlyMap<number, Setting[]>, from: number, to: number, shift = 0): void {
    if (extra.size === 0) return;
    for (let at = from; at < to; at += 1) {
      const settings = extra.get(at - shift);
      if (settings !== undefined) this.byItem.set(at, settings);
      else this.byItem.delete(at);
    }
  }

  /** A setting of a paragraph by its number. */
  of(item: FlowItem, at: number, index: number): Setting {
    return index < FIRST_EXTRA ? item.settings[index] : this.byItem.get(at)![index - FIRST_EXTRA];
  }

  /** The setting that begins in a region, by the number of the paragraph's own one; -1 when that has none such. */
  begun(item: FlowItem, at: number, region: Region, index: number): number {
    if (!this.areUnequal) return index;
    if (index > 0) return -1;
    return this.numberOf(item, at, `${at}`, { first: [], width: this.widthOf(item, region) }, null);
  }

  /**
   * The setting that goes on in the next region after `line` lines of another, which stand as they are. Where the rest begins
   * at the same place and is as wide, it is the same setting, whichever way led there: else there were as many settings as
   * ways.
   */
  continued(item: FlowItem, at: number, index: number, line: number, next: Region): PlaceInSetting {
    const setting = this.of(item, at, index);
    const width = this.widthOf(item, next);
    const { measure } = setting;
    if (measure === undefined || (measure.width === width && line >= measure.first.length)) return { index, line };
    const key = `${at} ${setting.paragraph.broken.from[line]} ${Math.min(line, TOLD_APART)}`;
    const first = Array.from({ length: line }, (_, k) => measure.first[k] ?? measure.width);
    const on = this.numberOf(item, at, key, { first, width }, setting);
    return { index: on, line: this.of(item, at, on).measure!.first.length };
  }

  /** A paragraph of so many lines goes on as it began, in lines for the narrowest region. */
  private widthOf(item: FlowItem, { width }: Region): Pt {
    return item.settings[0].count > MOST_LINES ? this.least : width;
  }

  private numberOf({ source }: FlowItem, at: number, place: string, measure: Measure, before: Setting | null): number {
    if (source.toMeasure === undefined) return 0;
    const key = `${place} ${measure.width}`;
    let found = this.numbers.get(key);
    if (found === undefined) {
      const list = this.byItem.get(at) ?? [];
      list.push({
        ...makeSetting(source, source.toMeasure(measure, before?.paragraph ?? null), 0, 0, this.plan.keeps),
        measure,
      });
      this.byItem.set(at, list);
      found = list.length - 1 + FIRST_EXTRA;
      this.numbers.set(key, found);
    }
    return found;
  }
}

/** A setting by its number, and the line of it that comes next. */
export interface PlaceInSetting {
  readonly index: number;
  readonly line: number;
}

/** From this line on it is all one how many stand before: keeping lines, stanzas and drop capitals count no further. */
const TOLD_APART = 8;
/** Longer paragraphs would have a setting for nearly every word of theirs, each of them as long. */
const MOST_LINES = 300;
