// Settings of paragraphs to columns of several widths, made when the search asks for them and numbered by paragraph.
import type { Measure } from '../model/composed/broken';
import { makeSetting, type FlowItem, type Setting } from './flow';
import type { PagePlan } from './pagePlan';

/** Numbers from here on are settings of this kind; smaller ones are the paragraph's own. */
export const FIRST_EXTRA = 8;

export class ColumnSettings {
  readonly byItem = new Map<number, Setting[]>();
  readonly areUnequal: boolean;
  private readonly numbers = new Map<string, number>();

  constructor(private readonly plan: PagePlan) {
    this.areUnequal = plan.columns.some((column) => column.width !== plan.columns[0].width);
  }

  /** A setting of a paragraph by its number. */
  of(item: FlowItem, at: number, index: number): Setting {
    return index < FIRST_EXTRA ? item.settings[index] : this.byItem.get(at)![index - FIRST_EXTRA];
  }

  /** The setting that begins in a column, by the number of the paragraph's own one; -1 when that has none such. */
  begun(item: FlowItem, at: number, column: number, index: number): number {
    if (!this.areUnequal) return index;
    if (index > 0) return -1;
    return this.numberOf(item, at, `${at}`, { first: [], width: this.widthOf(item, column) }, null);
  }

  /**
   * The setting that goes on in the next column after `line` lines of another, which stand as they are. Where the rest begins
   * at the same place and is as wide, it is the same setting, whichever way led there: else there were as many settings as
   * ways.
   */
  continued(item: FlowItem, at: number, index: number, line: number, column: number): PlaceInSetting {
    const { columns } = this.plan;
    const setting = this.of(item, at, index);
    const width = this.widthOf(item, (column + 1) % columns.length);
    const { measure } = setting;
    if (measure === undefined || (measure.width === width && line >= measure.first.length)) return { index, line };
    const key = `${at} ${setting.paragraph.broken.from[line]} ${Math.min(line, TOLD_APART)}`;
    const first = Array.from({ length: line }, (_, k) => measure.first[k] ?? measure.width);
    const on = this.numberOf(item, at, key, { first, width }, setting);
    return { index: on, line: this.of(item, at, on).measure!.first.length };
  }

  /** A paragraph of so many lines goes on as it began, in lines for the narrowest column. */
  private widthOf(item: FlowItem, column: number): number {
    const { columns } = this.plan;
    return item.settings[0].count > MOST_LINES ? Math.min(...columns.map(({ width }) => width)) : columns[column].width;
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
