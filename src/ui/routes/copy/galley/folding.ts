// Which blocks an outline hides: everything after a folded head, up to the next head of its level or a higher one.
import type { Block } from '../../../../core/model/copy/streams';
import type { ParagraphStyle } from '../../../../core/model/spec/spec';

export function hiddenBlocks(
  blocks: readonly Block[],
  folded: ReadonlySet<string>,
  styles: Readonly<Record<string, ParagraphStyle>>,
): ReadonlySet<string> {
  const hidden = new Set<string>();
  if (folded.size === 0) return hidden;
  /** Level of the folded head that hides what follows; 0 for none. */
  let under = 0;
  for (const block of blocks) {
    const level = Number(/^heading([1-6])$/.exec(styles[block.style]?.meaning ?? '')?.[1] ?? 0);
    if (level > 0 && under > 0 && level <= under) under = 0;
    if (under > 0) hidden.add(block.id);
    else if (folded.has(block.id)) under = level;
  }
  return hidden;
}
