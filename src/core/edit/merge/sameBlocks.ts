// Whether two versions of a block say the same, and what one says in words.
import type { Block } from '../../model/copy/streams';

/** Marks and references that a desk put in are no words. */
export function withoutDeskMarks(block: Block): Block {
  if (block.kind === 'table') return block;
  return {
    ...block,
    text: block.text.replace(/\uFFFC/g, ''),
    objects: block.objects.filter(({ kind }) => kind === 'picture'),
  };
}

export const styleOf = (block: Block): string =>
  block.kind === 'table'
    ? ''
    : JSON.stringify([
        block.style,
        block.list,
        block.touches?.align,
        block.touches?.breakBefore,
        block.touches?.direction,
      ]);

/** Words, looks and objects are the same. */
export function sameWordsIn(a: Block, b: Block): boolean {
  if (a.kind === 'table' || b.kind === 'table') return sameTable(a, b);
  return a.text === b.text && JSON.stringify([a.spans, a.objects]) === JSON.stringify([b.spans, b.objects]);
}

export function sameTable(a: Block, b: Block): boolean {
  return JSON.stringify(bare(a)) === JSON.stringify(bare(b));
}

/** A block with its ids left out. */
export function bare(block: Block): unknown {
  if (block.kind === 'table')
    return block.rows.map((row) => row.map(({ blocks, across, down }) => [blocks.map(bare), across, down]));
  const { id: _, objects, touches: __, ...rest } = block;
  return { ...rest, objects: objects.map((one) => (one.kind === 'note' ? { at: one.at, kind: one.kind } : one)) };
}

export const wordsIn = (block: Block): string =>
  block.kind === 'table' ? 'A table' : block.text.replace(/\uFFFC/g, '').trim();

export const sameList = (a: readonly Block[], b: readonly Block[]): boolean =>
  a.length === b.length && a.every((block, k) => block === b[k]);
