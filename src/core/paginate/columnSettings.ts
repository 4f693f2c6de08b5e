// Settings of paragraphs to columns of several widths, made when the search asks for them and numbered by paragraph.
import type { Measure } from '../model/broken';
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
    return index > 0 ? -1 : this.numberOf(item, at, { first: [], width: this.plan.columns[column].width }, null);
  }

  /** The setting that goes on in the next column after `line` lines, which stand as they are. */
  continued(item: FlowItem, at: number, index: number, line: number, column: number): number {
    const { columns } = this.plan;
    const setting = this.of(item, at, index);
    const before = setting.measure ?? { first: [], width: columns[column].width };
    const width = columns[(column + 1) % columns.length].width;
    if (before.width === width && line >= before.first.length) return index;
    const first = Array.from({ length: line }, (_, k) => before.first[k] ?? before.width);
    return this.numberOf(item, at, { first, width }, setting);
  }

  private numberOf({ source }: FlowItem, at: number, measure: Measure, before: Setting | null): number {
    if (source.toMeasure === undefined) return 0;
    const key = `${at}:${measure.width}:${measure.first.join(',')}`;
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
