import { expect } from 'chai';
import { applyEdits } from '../../../src/core/edit';
import type { Book } from '../../../src/core/model/copy/book';
import type { BookEdit } from '../../../src/core/model/copy/bookEdit';
import type { Paragraph } from '../../../src/core/model/copy/streams';
import { compose, newContext } from '../../build/assets';
import { book, chapter, note, p, seeded, words } from '../../build/book';
import { essence } from '../../build/essence';

const texts = (count: number, seed: number) =>
  Array.from({ length: count }, (_, k) => words(20 + ((seed * 13 + k * 37) % 130), seed * 1000 + k));

/** A change somewhere in the only division: letters, splits, joins, styles, breaks, notes, wishes. */
function change(made: Book, random: () => number, step: number): BookEdit {
  const [only] = made.divisions;
  const at = 1 + Math.floor(random() * (only.blocks.length - 2));
  const block = only.blocks[at] as Paragraph;
  const replace = (...inserted: Paragraph[]): BookEdit => ({
    kind: 'replaceBlocks',
    stream: only.id,
    at,
    removed: [block],
    inserted,
  });
  const middle = Math.floor(block.text.length / 2);
  const styled = (style: string) => replace({ ...block, style });
  const ways: (() => BookEdit)[] = [
    () => replace({ ...block, text: `${block.text}e` }),
    () =>
      replace({ ...p(block.text.slice(0, middle)), id: block.id }, { ...p(block.text.slice(middle)), id: `s${step}` }),
    () => replace(),
    () => styled(random() < 0.5 ? 'AH' : 'EXT'),
    () => styled('TX'),
    () => replace(block, { ...p('', 'SB'), id: `b${step}` }),
    () => replace({ ...p(''), id: `e${step}` }, block),
    () => replace({ ...p(`${words(30, step)}{1}`), id: `n${step}` }, block),
    () => replace({ ...block, touches: { ...block.touches, breakBefore: random() < 0.5 } }),
  ];
  return ways[Math.floor(random() * ways.length)]();
}

describe('a division of many pages', () => {
  it('is after every edit what a compose from scratch gives, findings and all', () => {
    const context = newContext();
    const random = seeded(5);
    let made = book([chapter('One', ...texts(110, 3))], [note(1, words(25, 4))]);
    compose(made, context);
    for (let step = 0; step < 24; step += 1) {
      made = applyEdits(made, [change(made, random, step)]);
      const [incremental, fresh] = [compose(made, context), compose(made)];
      expect(essence(incremental), `after step ${step}`).to.deep.equal(essence(fresh));
      expect(incremental.findings, `findings after step ${step}`).to.deep.equal(fresh.findings);
    }
  });

  it('keeps the pages that a letter typed leaves as they were, as the same objects', () => {
    const context = newContext();
    let made = book([chapter('One', ...texts(110, 7))]);
    const before = compose(made, context);
    const [only] = made.divisions;
    const at = 60;
    const block = only.blocks[at] as Paragraph;
    const typed = { ...block, text: `${block.text.slice(0, -1)},.` };
    made = applyEdits(made, [{ kind: 'replaceBlocks', stream: only.id, at, removed: [block], inserted: [typed] }]);
    const after = compose(made, context);
    const isTouched = (page: (typeof after.pages)[number]) =>
      page.fragments.some(({ paragraph }) => paragraph.styled.block === block.id);
    expect(after.pages).to.have.length(before.pages.length);
    const changed = after.pages.filter((page, index) => page !== before.pages[index]);
    // The opener is made anew each time; of the others those on which the paragraph stands, or before which it begins.
    for (const page of changed.filter((one) => one.role !== 'opener'))
      expect(isTouched(page) || isTouched(after.pages[page.index + 1]), `page ${page.index}`).to.equal(true);
    expect(changed.length).to.be.within(1, 3);
    expect(context.cache.visitedCount).to.be.below(2 * only.blocks.length);
  });
});
