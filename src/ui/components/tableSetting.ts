// How a person says where a table stands and how wide it is.
import { ValueError } from '../../core/base/errors';
import { formatNumber, parseLength } from '../../core/measure/units';
import type { TableSetting } from '../../core/model/copy/streams';

/** The choice and its name; an empty one: where it stands in the copy. */
export const TABLE_PLACES: readonly (readonly [NonNullable<TableSetting['place']> | '', string])[] = [
  ['', 'Here'],
  ['head', 'Head of a page'],
  ['foot', 'Foot of a page'],
  ['next', 'Head of the next page'],
  ['page', 'Page by itself'],
];

/** Points that a table may be wide. */
const WIDTHS = { least: 10, most: 20_000 };

export const widthInWords = ({ width }: TableSetting): string =>
  width === undefined ? '' : width === 'column' ? 'full' : `${formatNumber(width, 'pt')} pt`;

/** What is typed as the width of a table: a length, `full`, or nothing; a sentence where it is none of them. */
export function widthTyped(text: string): { readonly width: TableSetting['width'] } | string {
  const typed = text.trim().toLowerCase();
  if (typed === '') return { width: undefined };
  if (typed === 'full') return { width: 'column' };
  try {
    const { pt } = parseLength(typed, 'pt');
    return pt < WIDTHS.least || pt > WIDTHS.most ? 'A table is from 10 to 20,000 points wide.' : { width: pt };
  } catch (error) {
    if (error instanceof ValueError) return error.message;
    throw error;
  }
}
