// Columns of numbers in contents: the titles of a level begin at one edge after them, those without a number too, and the
// levels below it no further left.
import type { ResolvedStyle } from '../../model/composed/styled';
import type { TabStop } from '../../model/spec/spec';
import type { StyleTag } from '../../model/copy/streams';
import type { ContentsEntry } from '../../references';

/** Where the lines of a level begin, and its titles, in points from the edge of the column. */
export interface NumberColumn {
  readonly begin: number;
  readonly edge: number;
  /** Where numbers of figures end; null: those of letters begin at the edge. */
  readonly end: number | null;
}

/** White between number and title, in em. */
const WHITE = 0.65;

/** What a number is that stands in a column: 12, 3.1, iv, A; the words of others stand before their title. */
const COLUMNAR = /^(?:[\d.]+|[ivxlcdm]+|\p{L}(?:\.[\d.]+)?)$/iu;

/** The columns of a list by the tag of their entries; a level of which no entry has a number has none. `widthOf`: as set, in points. */
export function numberColumns(
  list: readonly ContentsEntry[],
  styleOf: (tag: StyleTag) => ResolvedStyle,
  widthOf: (number: string, style: ResolvedStyle) => number,
): ReadonlyMap<StyleTag, NumberColumn> {
  const columns = new Map<StyleTag, NumberColumn>();
  const begins = (tag: StyleTag) => styleOf(tag).leftIndent + styleOf(tag).firstIndent;
  const tags = [...new Set(list.filter(({ kind }) => kind === 'entry').map(({ tag }) => tag))];
  let above: { begin: number; edge: number } | null = null;
  for (const tag of tags.sort((a, b) => begins(a) - begins(b))) {
    const numbers = list.filter((entry) => entry.tag === tag && hasColumn(entry)).map(({ number }) => number);
    if (numbers.length === 0) continue;
    const style = styleOf(tag);
    const { size } = style;
    const own = begins(tag);
    const begin: number = above !== null && own > above.begin ? Math.max(own, above.edge) : own;
    // Figures are as wide as each other.
    const shapes = new Set(numbers.map((number) => number.replace(/\d/g, '0')));
    const width = Math.max(...[...shapes].map((shape) => widthOf(shape, style)));
    const isFigures = numbers.every((number) => /^\d+\.?$/.test(number));
    const column = { begin, edge: begin + width + WHITE * size, end: isFigures ? begin + width : null };
    columns.set(tag, column);
    above = column;
  }
  return columns;
}

const hasColumn = ({ number, arrangement }: ContentsEntry) =>
  COLUMNAR.test(number) && arrangement !== 'runIn' && arrangement !== 'first';

/** An entry's number and title in their columns: the words with their tabs, and where these stand. */
export function inColumn(
  entry: ContentsEntry,
  column: NumberColumn,
): {
  readonly words: string;
  readonly stops: readonly TabStop[];
  readonly leftIndent: number;
  readonly firstIndent: number;
} {
  const { begin, edge, end } = column;
  if (!hasColumn(entry)) {
    const words = entry.number === '' ? entry.title : `${entry.number}\u2002${entry.title}`;
    return { words, stops: [], leftIndent: edge, firstIndent: 0 };
  }
  const hanging = { leftIndent: edge, firstIndent: begin - edge };
  if (end === null) return { words: `${entry.number}\t${entry.title}`, stops: [], ...hanging };
  return { words: `\t${entry.number}\t${entry.title}`, stops: [{ at: end, kind: 'right' }], ...hanging };
}
