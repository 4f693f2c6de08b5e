import { expect } from 'chai';
import { applyEdit, findParagraph, invertEdit, setTouchesEdit } from '../../../../src/core/edit';
import { book, chapter } from '../../../build/book';

describe('touches of a paragraph', () => {
  const made = book([chapter('One', 'a', 'b')]);
  const [division] = made.divisions;
  const id = division.blocks[division.blocks.length - 1].id;

  it('are laid over those it has, taken away one by one, and undone', () => {
    const first = setTouchesEdit(made, division.id, id, { breakBefore: true })!;
    const once = applyEdit(made, first);
    const second = setTouchesEdit(once, division.id, id, { lines: -1 })!;
    const twice = applyEdit(once, second);
    expect(findParagraph(twice, division.id, id)!.touches).to.deep.equal({ breakBefore: true, lines: -1 });
    const less = applyEdit(twice, setTouchesEdit(twice, division.id, id, { breakBefore: undefined })!);
    expect(findParagraph(less, division.id, id)!.touches).to.deep.equal({ lines: -1 });
    const none = applyEdit(less, setTouchesEdit(less, division.id, id, { lines: undefined })!);
    expect(findParagraph(none, division.id, id)).to.deep.equal(findParagraph(made, division.id, id));
    expect(applyEdit(once, invertEdit(first))).to.deep.equal(made);
  });

  it('that change nothing, or belong to no paragraph, make no edit', () => {
    expect(setTouchesEdit(made, division.id, id, { lines: undefined })).to.equal(null);
    expect(setTouchesEdit(made, division.id, 'nowhere', { lines: 1 })).to.equal(null);
  });
});
