import { expect } from 'chai';
import { specFromFile } from '../../../src/core/validate';
import { compose } from '../../build/assets';
import { book, chapter, words } from '../../build/book';

describe('text and specs that nobody should set', () => {
  const setWith = (texts: readonly string[], over: object) => {
    const made = book([chapter('One', ...texts)]);
    return compose({ ...made, spec: specFromFile(over) });
  };
  const linesOf = (composed: ReturnType<typeof compose>) =>
    composed.pages.flatMap((page) => page.fragments).reduce((sum, { from, to }) => sum + to - from, 0);

  it('a paragraph of 400,000 letters without a space is cut into full lines', () => {
    const composed = setWith(['x'.repeat(400_000)], {});
    expect(linesOf(composed)).to.be.within(6000, 9000);
  });

  it('a paragraph of 60,000 words is divided over all its pages', () => {
    const composed = setWith(['some words of the river '.repeat(12_000)], {});
    expect(composed.pages.length).to.be.above(120);
    expect(composed.findings.filter((finding) => finding.grade === 'must')).to.deep.equal([]);
  });

  it('a column narrower than its longest word', () => {
    const composed = setWith(['incomprehensibilities of the river '.repeat(60)], {
      page: { margins: { back: 174, foreEdge: 172 } },
    });
    expect(linesOf(composed)).to.be.above(100);
  });

  it('a type area of one line', () => {
    const composed = setWith([words(90, 1), words(60, 2)], { page: { margins: { head: 300, foot: 298 } } });
    expect(composed.findings.map((finding) => finding.kind)).to.include('text-area-too-small');
    expect(composed.pages.length).to.be.above(10);
  });

  it('columns of unequal width on few lines', () => {
    const composed = setWith(
      Array.from({ length: 12 }, (_, k) => words(40 + k * 7, k)),
      {
        pages: { columns: 2, columnShares: [2, 1] },
      },
    );
    const texts = composed.pages.flatMap((page) => page.fragments);
    expect(new Set(texts.map(({ x }) => Math.round(x))).size).to.be.above(1);
  });
});
