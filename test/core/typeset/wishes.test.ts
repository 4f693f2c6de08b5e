import { expect } from 'chai';
import { applyEdit, setTouchesEdit } from '../../../src/core/edit';
import type { Book } from '../../../src/core/model/book';
import type { ParagraphTouches } from '../../../src/core/model/streams';
import { compose, newContext } from '../../build/assets';
import { essence } from '../../build/essence';
import { book, chapter, words } from '../../build/book';

describe('wishes for a paragraph, through the whole composing', () => {
  const made = book([chapter('One', ...Array.from({ length: 30 }, (_, k) => words(60 + (k % 5) * 22, k)))]);
  const [division] = made.divisions;
  const id = division.blocks[14].id;
  const wish = (touches: ParagraphTouches, from: Book = made) =>
    applyEdit(from, setTouchesEdit(from, division.id, id, touches)!);
  const placesOf = (set: Book) =>
    compose(set).pages.flatMap((page) =>
      page.fragments
        .filter(({ paragraph }) => paragraph.styled.block === id)
        .map((fragment) => ({ page, fragment, isFirst: page.fragments[0] === fragment })),
    );

  it('begins a page', () => {
    const [place] = placesOf(wish({ breakBefore: true }));
    expect(place.isFirst).to.equal(true);
    expect(place.fragment.from).to.equal(0);
  });

  it('runs a line longer, whatever its lines come to', () => {
    const lines = (set: Book) => placesOf(set)[0].fragment.paragraph.broken.count;
    expect(lines(wish({ lines: 1 }))).to.equal(lines(made) + 1);
  });

  it('stays whole, with the paragraph after it', () => {
    const places = placesOf(wish({ together: true }));
    expect(places).to.have.length(1);
    const next = division.blocks[15].id;
    expect(places[0].page.fragments.some(({ paragraph }) => paragraph.styled.block === next)).to.equal(true);
  });

  it('runs its spread a line short', () => {
    const [place] = placesOf(wish({ spread: -1 }));
    expect(place.page.depth).to.equal(-1);
  });

  it('gives the same pages when the book was known before', () => {
    const context = newContext();
    compose(made, context);
    const changed = wish({ breakBefore: true });
    expect(essence(compose(changed, context))).to.deep.equal(essence(compose(changed)));
  });
});
