// What a typesetter said of a table stays when its author sends it with other words.
import type { Block } from '../../model/copy/streams';

/** The newer table with the style, the place and the columns of the older one, and its rows as they are where there are as many. */
export function withLooksOf(newer: Block, older: Block): Block {
  if (newer.kind !== 'table' || older.kind !== 'table') return newer;
  const { style, setting, columnLooks, rowLooks } = older;
  return {
    ...newer,
    style,
    ...(setting === undefined ? {} : { setting }),
    ...(columnLooks === undefined || older.columns !== newer.columns ? {} : { columnLooks }),
    ...(rowLooks === undefined || older.rows.length !== newer.rows.length ? {} : { rowLooks }),
  };
}
