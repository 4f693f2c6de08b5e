import { expect } from 'chai';
import fc from 'fast-check';
import { paragraph, type Block } from '../../src/core/model/copy/streams';
import { changed, firstPieces, MOST_BLOCKS, type PieceChange } from '../../src/storage/pieces';

/** What the database holds after changes were written one after another. */
function written(changes: readonly PieceChange[]): Map<number, readonly Block[]> {
  const table = new Map<number, readonly Block[]>();
  for (const change of changes) {
    for (const number of change.gone) expect(table.delete(number)).to.equal(true);
    for (const { number, blocks } of change.written) table.set(number, blocks);
  }
  return table;
}

const read = ({ layout }: PieceChange, table: ReadonlyMap<number, readonly Block[]>) =>
  layout.pieces.flatMap(({ number }) => table.get(number)!);

let next = 0;
const block = () => paragraph(`p${(next += 1)}`, 'TX', '');
const blocks = (count: number) => Array.from({ length: count }, block);

describe('a long division kept in pieces', () => {
  it('is read back whole after any edits, and pieces never hold more than they may', () => {
    const edits = fc.array(
      fc.record({ at: fc.nat(1500), removed: fc.nat(700), inserted: fc.oneof(fc.nat(3), fc.nat(900)) }),
      { maxLength: 8 },
    );
    fc.assert(
      fc.property(fc.integer({ min: MOST_BLOCKS + 1, max: 1500 }), edits, (count, list) => {
        let now: readonly Block[] = blocks(count);
        const changes = [firstPieces(now)];
        for (const { at, removed, inserted } of list) {
          const from = Math.min(at, now.length);
          const after = [...now.slice(0, from), ...blocks(inserted), ...now.slice(from + removed)];
          changes.push(changed(changes.at(-1)!.layout, now, after));
          now = after;
        }
        const table = written(changes);
        const last = changes.at(-1)!;
        expect(read(last, table)).to.deep.equal(now);
        expect(table.size).to.equal(last.layout.pieces.length);
        for (const piece of table.values()) expect(piece.length).to.be.within(1, MOST_BLOCKS);
      }),
      { numRuns: 150 },
    );
  });

  it('writes one piece for a letter that is typed, and none when nothing changed', () => {
    const before = blocks(5000);
    const first = firstPieces(before);
    const after = before.map((one, k) => (k === 2345 ? { ...one, text: 'a' } : one));
    const one = changed(first.layout, before, after as Block[]);
    expect(one.written.length).to.equal(1);
    expect(one.written[0].blocks.length).to.be.at.most(MOST_BLOCKS);
    expect(one.gone).to.deep.equal([]);
    expect(changed(one.layout, after as Block[], [...after] as Block[])).to.deep.equal({
      layout: one.layout,
      written: [],
      gone: [],
    });
  });
});
