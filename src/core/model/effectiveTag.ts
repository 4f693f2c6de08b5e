// First paragraphs are derived, never tagged by hand: cutting a head or a break away never leaves a wrong indent.
import type { Block, StyleTag } from './streams';

/** After these a paragraph of text is a first one: no indent (house rules, section 5). */
const BEFORE_FIRST = new Set<StyleTag>(['CT', 'CN', 'PT', 'PN', 'AH', 'BH', 'SB', 'SBO', 'TOH']);

/** The tag by which a block is set and shown, from its own and the block before it (undefined: it opens the stream). */
export function effectiveTag(block: Block, before: Block | undefined): StyleTag {
  if (block.style !== 'TX') return block.style;
  return before === undefined || before.kind === 'table' || BEFORE_FIRST.has(before.style) ? 'TXF' : 'TX';
}
