import { expect } from 'chai';
import { PLAIN_SCHEME } from '../../../src/core/model/spec/numbering';
import { specFromFile } from '../../../src/core/validate';
import { compose } from '../../build/assets';
import { book, chapter, division, p, words } from '../../build/book';

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

  it('a running order of 2,000 divisions, numbered and listed', () => {
    const number = { ...PLAIN_SCHEME, place: 'ownLine', restart: 'never' };
    const made = book([
      division('contents', [p('Contents', 'TOH')]),
      ...Array.from({ length: 2000 }, (_, k) => chapter(`Piece ${k + 1}`, `Some words of it, ${k}.`)),
    ]);
    const composed = compose({ ...made, spec: specFromFile({ styles: { CT: { number } } }) });
    expect(composed.findings.some(({ kind }) => kind === 'unsettled')).to.equal(false);
    const last = composed.pages[composed.pages.length - 1];
    expect(last.fragments.map(({ paragraph }) => paragraph.styled.text).slice(0, 2)).to.deep.equal([
      '2000',
      'Piece 2000',
    ]);
    const listed = composed.pages
      .filter(({ divisionRole }) => divisionRole === 'contents')
      .flatMap(({ fragments }) => fragments.map(({ paragraph }) => paragraph.styled));
    expect(listed[listed.length - 1]).to.include({ text: '\t2000\tPiece 2000', tail: last.folio });
  });

  it('a title of 300 characters, and none at all', () => {
    const title = 'A very long title of things that were counted '.repeat(7).trim();
    const composed = compose(book([chapter(title, words(700, 1)), { ...chapter('', words(90, 2)), listed: true }]));
    const kinds = composed.findings.map(({ kind }) => kind);
    expect(kinds).to.include.members(['title-very-long', 'title-empty', 'title-below-text-start']);
    const set = composed.pages[0].fragments[0].paragraph.styled.text;
    expect(set).to.equal(title);
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
