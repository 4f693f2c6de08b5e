// Words of blocks, counted once for each paragraph.
import { countWords } from '../../model/copy/book';
import type { Block } from '../../model/copy/streams';
import type { TypesetContext } from '../context';

/** Words of the blocks, those in cells among them. */
export function wordsIn(blocks: readonly Block[], context: TypesetContext): number {
  let words = 0;
  for (const block of blocks) {
    if (block.kind === 'table')
      block.rows.forEach((row) => row.forEach((cell) => (words += wordsIn(cell.blocks, context))));
    else {
      let own = context.cache.tables.words.get(block);
      if (own === undefined) context.cache.tables.words.set(block, (own = countWords(block.text)));
      words += own;
    }
  }
  return words;
}
