// Which part of a table a paragraph stands for.
import type { ResolvedStyle } from '../../model/composed/styled';
import type { Paragraph, TableSetting } from '../../model/copy/streams';
import type { SetRows } from '../../paginate';

/** A part of a table: how the paragraph that stands for it is set, and what it holds. */
export interface TablePart {
  readonly paragraph: Paragraph;
  readonly style: ResolvedStyle;
  readonly rows: SetRows;
  /** Of a whole table that does not stand where it is in the copy; null for any other part. */
  readonly place: NonNullable<TableSetting['place']> | null;
}

const partOf = new WeakMap<Paragraph, TablePart>();

export const noteTablePart = (part: TablePart): void => void partOf.set(part.paragraph, part);

/** The part of a table that a paragraph stands for; undefined for any other. */
export const tablePartOf = (paragraph: Paragraph): TablePart | undefined => partOf.get(paragraph);
