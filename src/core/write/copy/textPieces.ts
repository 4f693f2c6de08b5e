// What plain text and Markdown have in common: labels of notes, the lines of a table, the paragraphs of a block.
import { itemsOf, type ReadingBlock } from '../../copy/readingTree';
import type { Paragraph } from '../../model/copy/streams';
import type { NumberedNote } from './copyOf';

export const label = ({ kind, number }: NumberedNote) => (kind === 'endnote' ? `e${number}` : String(number));
export const labelOf = (notes: ReadonlyMap<string, NumberedNote>, id: string) => {
  const found = notes.get(id);
  return found === undefined ? '?' : label(found);
};

/** The cells of a table as lines of text. */
export function rowsOf({ rows }: ReadingTable, textsOf: (block: ReadingBlock) => readonly string[]): string[][] {
  return rows.map((row) => row.map((cell) => cell.flatMap(textsOf).join(' ')));
}

export type ReadingTable = Extract<ReadingBlock, { kind: 'table' }>;

/** The paragraphs of a block that is no table. */
export function paragraphsOf(block: Exclude<ReadingBlock, ReadingTable>): Paragraph[] {
  if (block.kind === 'list') return itemsOf(block);
  if (block.kind === 'figure') return [block.paragraph, ...block.captions];
  return [block.paragraph];
}
