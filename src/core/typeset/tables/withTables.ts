// The paragraphs of a division, its tables among them in parts.
import { meaningOfTag } from '../../copy/meanings';
import type { Division } from '../../model/copy/book';
import type { Block, Paragraph } from '../../model/copy/streams';
import { flatten } from '../flow/composeBlocks';
import type { ComposeContext } from '../flow/composeContext';
import { composeCaptions } from './tableCaptions';
import { tableParts } from './tableParts';

/** Captions beside a table stand in its parts. A table that has no room for its columns is set cell by cell. */
export function withTables({ id, blocks }: Division, compose: ComposeContext): readonly Paragraph[] {
  if (blocks.every(({ kind }) => kind === 'paragraph')) return flatten(blocks);
  const isCaption = (block: Block | undefined): block is Paragraph =>
    block?.kind === 'paragraph' &&
    // One of a figure is the figure's.
    block.stream === undefined &&
    meaningOfTag(compose.book.spec.styles, block.style) === 'caption';
  const text: Paragraph[] = [];
  let open = 0;
  for (let k = 0; k < blocks.length; k += 1) {
    const table = blocks[k];
    if (table.kind !== 'table') continue;
    let from = k;
    while (from > open && isCaption(blocks[from - 1])) from -= 1;
    let to = k + 1;
    // Captions between two tables are the second one's.
    while (from === k && isCaption(blocks[to])) to += 1;
    if (blocks[to]?.kind === 'table') to = k + 1;
    const captions = {
      above: composeCaptions(blocks.slice(from, k) as Paragraph[], id, compose),
      below: composeCaptions(blocks.slice(k + 1, to) as Paragraph[], id, compose),
    };
    const parts = tableParts(table, captions, compose);
    if (parts === null) continue;
    text.push(...flatten(blocks.slice(open, from)), ...parts);
    open = to;
    k = to - 1;
  }
  return [...text, ...flatten(blocks.slice(open))];
}
