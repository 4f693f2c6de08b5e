import { expect } from 'chai';
import fc from 'fast-check';
import type { Block } from '../../src/core/model/copy/streams';
import { blockWords, cutStretches, followStretches, MOST_WORDS, type Stretch } from '../../src/galley';
import { p, words } from '../build/book';

const wordsOf = (blocks: readonly Block[]) => blocks.reduce((sum, block) => sum + blockWords(block), 0);

/** Every stretch within its limit, all blocks in one of them, keys used once. */
function check(stretches: readonly Stretch[], blocks: readonly Block[]): void {
  let start = 0;
  for (const { count } of stretches) {
    const own = blocks.slice(start, start + count);
    if (own.length > 1) expect(wordsOf(own)).to.be.at.most(MOST_WORDS);
    start += count;
  }
  expect(start).to.equal(blocks.length);
  expect(new Set(stretches.map(({ key }) => key)).size).to.equal(stretches.length);
}

describe('the stretches of a long division', () => {
  const prose = Array.from({ length: 60 }, (_, k) => p(words(700, k)));

  it('are none but one for a short text, and of at most 8,000 words for a long one', () => {
    expect(cutStretches([])).to.have.length(1);
    expect(cutStretches(prose.slice(0, 4))).to.have.length(1);
    const cut = cutStretches(prose);
    expect(cut.length).to.be.above(5);
    check(cut, prose);
  });

  it('stay as they are but the one that is typed in', () => {
    const cut = cutStretches(prose);
    const typed = prose.with(20, { ...prose[20], text: `${prose[20].text} more` });
    expect(followStretches(cut, prose, typed)).to.equal(cut);
    const split = prose.toSpliced(20, 1, p('one'), p('two'));
    const after = followStretches(cut, prose, split);
    check(after, split);
    expect(after.filter((stretch, k) => stretch !== cut[k])).to.have.length(1);
  });

  it('hold after any edits', () => {
    const edit = fc.tuple(fc.nat(80), fc.nat(30), fc.nat(12));
    fc.assert(
      fc.property(fc.array(edit, { maxLength: 12 }), (edits) => {
        let blocks: readonly Block[] = prose;
        let stretches: readonly Stretch[] = cutStretches(prose);
        for (const [at, removed, inserted] of edits) {
          const next = blocks.toSpliced(
            Math.min(at, blocks.length),
            removed,
            ...Array.from({ length: inserted }, (_, k) => p(words(900, at + k))),
          );
          stretches = followStretches(stretches, blocks, next);
          blocks = next;
          check(stretches, blocks);
        }
      }),
      { numRuns: 60 },
    );
  });
});
