// First paragraphs are derived, never tagged by hand: cutting a head or a break away never leaves a wrong indent.
import type { Block, StyleTag } from '../model/copy/streams';

/** After these a paragraph of text is a first one: no indent (house rules, section 5). */
const BEFORE_FIRST = new Set<StyleTag>([
  'CT',
  'CN',
  'PT',
  'PN',
  'CST',
  'CEP',
  'COR',
  'CAU',
  'AH',
  'BH',
  'SB',
  'SBO',
  'TOH',
  'LI',
  'TB',
]);

/** True for a paragraph without words or objects: the file's spacing. */
export function isEmptyParagraph(block: Block): boolean {
  return block.kind === 'paragraph' && block.objects.length === 0 && block.text.trim() === '';
}

/** The tag by which a block is set and shown, from its own and from what stands before it, empty paragraphs left out. */
export function effectiveTag(blocks: readonly Block[], index: number): StyleTag {
  const block = blocks[index];
  if (block.style !== 'TX' || isEmptyParagraph(block)) return block.style;
  let before = index - 1;
  while (before >= 0 && isEmptyParagraph(blocks[before])) before -= 1;
  if (before < 0) return 'TXF';
  const previous = blocks[before];
  return previous.kind === 'table' || BEFORE_FIRST.has(previous.style) ? 'TXF' : 'TX';
}
