// What plain text and Markdown have in common: labels of notes, the lines of a table, the paragraphs of a block.
import { itemsOf, type ReadingBlock, type ReadingTable } from '../../copy/readingTree';
import type { Paragraph } from '../../model/copy/streams';
import type { NumberedNote } from './copyOf';

export const label = ({ kind, number }: NumberedNote) => (kind === 'endnote' ? `e${number}` : String(number));
export const labelOf = (notes: ReadonlyMap<string, NumberedNote>, id: string) => {
  const found = notes.get(id);
  return found === undefined ? '?' : label(found);
};

/** The cells of a table as lines of text. */
export function rowsOf({ rows }: ReadingTable, textsOf: (block: ReadingBlock) => readonly string[]): string[][] {
  return rows.map((row) => {
    const line: string[] = [];
    // What a cell above covers, and what one covers besides its first column, is empty.
    for (const { blocks, column, across } of row.cells) {
      while (line.length < column) line.push('');
      line.push(blocks.flatMap(textsOf).join(' '), ...new Array<string>(across - 1).fill(''));
    }
    return line;
  });
}

/** The paragraphs of a block that is no table. */
export function paragraphsOf(block: Exclude<ReadingBlock, ReadingTable>): Paragraph[] {
  if (block.kind === 'list') return itemsOf(block);
  if (block.kind === 'figure') return [block.paragraph, ...block.captions];
  return [block.paragraph];
}
