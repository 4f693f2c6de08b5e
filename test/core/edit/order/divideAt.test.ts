import { expect } from 'chai';
import fc from 'fast-check';
import { applyEdits, divideAt, editsBetweenBooks, invertEdits, joinAt } from '../../../../src/core/edit';
import type { Book } from '../../../../src/core/model/copy/book';
import type { Paragraph } from '../../../../src/core/model/copy/streams';
import { book, chapter, p, words } from '../../../build/book';

const texts = (made: Book) =>
  made.divisions.map(({ blocks }) => (blocks as Paragraph[]).map(({ text }) => text).join('|'));

describe('divisions begun at paragraphs', () => {
  const made: Book = {
    ...book([
      {
        ...chapter('One'),
        blocks: [
          p('One', 'CT'),
          p('a'),
          p('I', 'CN'),
          p('The Weir', 'CT'),
          p('b'),
          p('Part Two', 'PT'),
          p('c'),
          p('Afterword', 'CT'),
          p('d'),
        ],
      },
    ]),
    nextId: 5000,
  };
  const ids = (...wished: string[]) =>
    new Set((made.divisions[0].blocks as Paragraph[]).filter(({ text }) => wished.includes(text)).map(({ id }) => id));

  it('take the number above a title along, and are what their titles say', () => {
    const divided = divideAt(made, ids('The Weir', 'Part Two', 'Afterword'));
    expect(texts(divided)).to.deep.equal(['One|a', 'I|The Weir|b', 'Part Two|c', 'Afterword|d']);
    expect(divided.divisions.map(({ role, matter, listed }) => `${role} ${matter} ${listed}`)).to.deep.equal([
      'chapter body true',
      'chapter body true',
      'part body true',
      'afterword back true',
    ]);
    const edits = editsBetweenBooks(made, divided);
    expect(applyEdits(applyEdits(made, edits), invertEdits(edits))).to.deep.equal(made);
  });

  it('are put back to the one before', () => {
    const divided = divideAt(made, ids('The Weir'));
    expect(texts(joinAt(divided, ids('The Weir')))).to.deep.equal(texts(made));
    expect(joinAt(made, ids('One'))).to.deep.equal(made);
  });

  it('at any paragraphs lose no word and no order, and no id stands twice', () => {
    const blocks = Array.from({ length: 9 }, (_, k) => p(words(3, k), k % 4 === 0 ? 'CT' : k % 4 === 3 ? 'CN' : 'TX'));
    const source: Book = { ...book([{ ...chapter('x'), blocks }]), nextId: 9000 };
    fc.assert(
      fc.property(fc.subarray(blocks.map(({ id }) => id)), (some) => {
        const divided = divideAt(source, new Set(some));
        expect(divided.divisions.flatMap((division) => division.blocks)).to.deep.equal(blocks);
        const own = divided.divisions.map(({ id }) => id);
        expect(new Set(own).size).to.equal(own.length);
      }),
      { numRuns: 100 },
    );
  });
});
