// What is for one edition alone is left out of the other, and nothing else changes.
import { expect } from 'chai';
import { editionOf } from '../../../src/core/copy/editionOf';
import type { Book } from '../../../src/core/model/copy/book';
import type { Edition } from '../../../src/core/model/copy/editions';
import type { Block } from '../../../src/core/model/copy/streams';
import { checkBook } from '../../../src/core/validate';
import { compose } from '../../build/assets';
import { book, chapter, note, resetIds, words } from '../../build/book';

const only = (block: Block, onlyIn: Edition): Block =>
  block.kind === 'table'
    ? { ...block, setting: { ...block.setting, onlyIn } }
    : { ...block, touches: { ...block.touches, onlyIn } };

function mixed(): Book {
  const of = book(
    [chapter('One', words(30, 1), words(30, 2), words(30, 3)), chapter('Two', words(20, 4), words(20, 5))],
    [note(1, 'In print.'), note(2, 'In both.')],
  );
  const [one, two] = of.divisions;
  const withNote = (block: Block, id: string): Block =>
    block.kind === 'table'
      ? block
      : { ...block, text: `${block.text}\uFFFC`, objects: [{ at: block.text.length, kind: 'note', note: id }] };
  const blocks = one.blocks.map((block, k) =>
    k === 1
      ? withNote(only(block, 'ebook'), 'n1')
      : k === 2
        ? withNote(block, 'n2')
        : k === 3
          ? only(block, 'print')
          : block,
  );
  return { ...of, divisions: [{ ...one, blocks }, two] };
}

const idsOf = ({ divisions }: Book) => divisions.map(({ blocks }) => blocks.map(({ id }) => id));

describe('an edition', () => {
  beforeEach(() => resetIds());

  it('has what is in both and what is its own, in order, and nothing of the other', () => {
    const of = mixed();
    const [[head, ebook, both, print], second] = idsOf(of);
    expect(idsOf(editionOf(of, 'print'))).to.deep.equal([[head, both, print], second]);
    expect(idsOf(editionOf(of, 'ebook'))).to.deep.equal([[head, ebook, both], second]);
    expect(() => checkBook(of)).not.to.throw();
  });

  it('is the same objects at every asking, and the book itself where all is in both', () => {
    const of = mixed();
    expect(editionOf(of, 'print')).to.equal(editionOf(of, 'print'));
    expect(editionOf({ ...of }, 'print').divisions[0]).to.equal(editionOf(of, 'print').divisions[0]);
    expect(editionOf(of, 'print').divisions[1]).to.equal(of.divisions[1]);
    const plain = book([chapter('One', words(10, 1))]);
    expect(editionOf(plain, 'ebook')).to.equal(plain);
  });

  it('on pages has none of the words of the other, and numbers its notes without those', () => {
    const of = mixed();
    const { pages, notes } = compose(of);
    const set = new Set(pages.flatMap(({ fragments }) => fragments.map(({ paragraph }) => paragraph.styled.block)));
    const [[head, ebook, both, print]] = idsOf(of);
    expect(set.has(ebook)).to.equal(false);
    for (const id of [head, both, print]) expect(set.has(id)).to.equal(true);
    expect(Object.keys(notes)).to.deep.equal(['n2']);
  });
});
