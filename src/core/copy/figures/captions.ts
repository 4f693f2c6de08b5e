// Which paragraphs after a picture are its captions.
import { isPictureAlone, type Block, type Paragraph } from '../../model/copy/streams';
import type { Spec } from '../../model/spec/spec';
import { meaningOfTag } from '../meanings';

/** The captions after the picture at a place of a list; the last of several before a table is the table's. */
export function captionsAfter(blocks: readonly Block[], at: number, styles: Spec['styles']): readonly Paragraph[] {
  let end = at + 1;
  while (end < blocks.length && isCaption(blocks, end, styles)) end += 1;
  return blocks.slice(at + 1, end) as Paragraph[];
}

function isCaption(blocks: readonly Block[], at: number, styles: Spec['styles']): boolean {
  const block = blocks[at];
  if (block.kind !== 'paragraph' || block.list !== undefined) return false;
  if (block.objects.some(({ kind }) => kind === 'picture')) return false;
  // Of a figure that was flattened, whatever its style.
  if (block.stream !== undefined) return true;
  if (meaningOfTag(styles, block.style) !== 'caption') return false;
  return blocks[at + 1]?.kind !== 'table' || isPictureAlone(blocks[at - 1]);
}
