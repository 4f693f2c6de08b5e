// Words of blocks, counted once for each paragraph, and for each row of a table.
import { countWords } from '../../model/copy/book';
import type { Block, TableCell } from '../../model/copy/streams';
import type { TypesetContext } from '../context';

/** Words of the blocks, those in cells among them. */
export function wordsIn(blocks: readonly Block[], context: TypesetContext): number {
  let words = 0;
  for (const block of blocks) {
    if (block.kind === 'table') for (const row of block.rows) words += wordsInRow(row, context);
    else {
      let own = context.cache.tables.words.get(block);
      if (own === undefined) context.cache.tables.words.set(block, (own = countWords(block.text)));
      words += own;
    }
  }
  return words;
}

const ofRows = new WeakMap<readonly TableCell[], number>();

function wordsInRow(row: readonly TableCell[], context: TypesetContext): number {
  let words = ofRows.get(row);
  if (words === undefined) {
    words = row.reduce((sum, cell) => sum + wordsIn(cell.blocks, context), 0);
    ofRows.set(row, words);
  }
  return words;
}
