// Faces, sizes and colours that were set by hand on stretches of text: what a paste brings besides words.
import type { Block, Paragraph, Span } from '../model/copy/streams';
import { normaliseSpans } from '../model/copy/streams';

const BY_HAND = ['face', 'size', 'colour'] as const;

export const hasHandLooks = (block: Block): boolean =>
  block.kind === 'table'
    ? block.rows.some((row) => row.some((cell) => cell.blocks.some(hasHandLooks)))
    : block.spans.some(({ touches }) => touches !== undefined && BY_HAND.some((key) => touches[key] !== undefined));

/** The block in the faces, sizes and colours of its styles. Slopes, weights and what else carries meaning stay. */
export function withoutHandLooks(block: Block): Block {
  if (!hasHandLooks(block)) return block;
  if (block.kind === 'table') {
    const rows = block.rows.map((row) => row.map((cell) => ({ ...cell, blocks: cell.blocks.map(withoutHandLooks) })));
    return { ...block, rows };
  }
  const made: Paragraph = { ...block, spans: normaliseSpans(block.spans.flatMap(bare)) };
  return made;
}

function bare({ touches, ...span }: Span): Span[] {
  const kept = Object.fromEntries(Object.entries(touches ?? {}).filter(([key]) => !BY_HAND.some((one) => one === key)));
  const own = Object.keys(kept).length > 0 ? { ...span, touches: kept } : span;
  return Object.keys(own).length > 2 ? [own] : [];
}
