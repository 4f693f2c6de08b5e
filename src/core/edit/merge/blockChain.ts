// An order of blocks in which one can be put after another, moved and taken out without counting.
import type { Block, BlockId } from '../../model/copy/streams';

/** Stands before the first. */
const START = '';

export class BlockChain {
  private readonly next = new Map<BlockId, BlockId | null>();
  private readonly before = new Map<BlockId, BlockId>();
  private readonly blocks = new Map<BlockId, Block>();

  constructor(blocks: readonly Block[]) {
    this.next.set(START, null);
    let last: BlockId = START;
    for (const block of blocks) {
      this.put(block, last);
      last = block.id;
    }
  }

  has(id: BlockId): boolean {
    return this.blocks.has(id);
  }

  get(id: BlockId): Block | undefined {
    return this.blocks.get(id);
  }

  /** The block before; empty: it is the first. */
  beforeOf(id: BlockId): BlockId {
    return this.before.get(id) ?? START;
  }

  /** The block under its id becomes this one. */
  set(block: Block): void {
    this.blocks.set(block.id, block);
  }

  /** Puts a block after another, whose id is empty for the beginning. */
  put(block: Block, after: BlockId): void {
    const follows = this.next.get(after) ?? null;
    this.blocks.set(block.id, block);
    this.next.set(after, block.id);
    this.next.set(block.id, follows);
    this.before.set(block.id, after);
    if (follows !== null) this.before.set(follows, block.id);
  }

  remove(id: BlockId): void {
    const [before, follows] = [this.beforeOf(id), this.next.get(id) ?? null];
    this.next.set(before, follows);
    if (follows !== null) this.before.set(follows, before);
    this.next.delete(id);
    this.before.delete(id);
    this.blocks.delete(id);
  }

  list(): Block[] {
    const all: Block[] = [];
    for (let id = this.next.get(START) ?? null; id !== null; id = this.next.get(id) ?? null)
      all.push(this.blocks.get(id)!);
    return all;
  }
}
