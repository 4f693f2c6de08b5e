// What became of tables for which there was too little room, for the findings.
import type { Table } from '../../model/copy/streams';

/** Words are divided in its columns; or it has so many columns that it is set as text, cell by cell. */
export type TableFate = 'narrow' | 'text';

const fates = new WeakMap<Table, TableFate>();

export function noteFate(table: Table, fate: TableFate | null): void {
  if (fate === null) fates.delete(table);
  else fates.set(table, fate);
}

export const fateOf = (table: Table): TableFate | undefined => fates.get(table);
