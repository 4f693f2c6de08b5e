import { expect } from 'chai';
import type { Book } from '../../../../src/core/model/copy/book';
import type { FolioRun } from '../../../../src/core/model/spec/numbering';
import { anchorOn } from '../../../../src/core/copy/anchorState';
import { applyEdits, repairEdits } from '../../../../src/core/edit';
import type { Paragraph } from '../../../../src/core/model/copy/streams';
import { compose } from '../../../build/assets';
import { book, chapter, words } from '../../../build/book';

const run = (start: number | null, prefix = ''): FolioRun => ({ numerals: 'arabic', start, prefix, hidden: false });

/** Three chapters of some pages; the second begins a run. */
function withRun(second: FolioRun | undefined, start: 'recto' | 'any' = 'recto'): Book {
  const made = ['One', 'Two', 'Three'].map((title, k) => chapter(title, words(700, k * 900)));
  return book(
    made.map((division, k) => ({ ...division, start, ...(k === 1 && second !== undefined ? { run: second } : {}) })),
  );
}

const found = (made: Book) =>
  compose(made)
    .findings.filter(({ kind }) => kind.startsWith('folio-'))
    .map(({ kind, message }) => `${kind}: ${message}`);

describe('findings of the folios', () => {
  it('are none where they run on, each odd one on a recto', () => {
    expect(found(withRun(undefined))).to.deep.equal([]);
    expect(found(withRun(run(null)))).to.deep.equal([]);
  });

  it('tell an odd folio on a verso once, with its way out', () => {
    const told = found(withRun(run(40)));
    expect(told.filter((one) => one.startsWith('folio-parity'))).to.have.length(1);
    expect(told[0]).to.match(/^folio-parity: Folio 40 is even and stands on a recto: begin its run at another number/);
    const single = withRun(run(40));
    const page = { ...single.spec.page, facing: false };
    expect(found({ ...single, spec: { ...single.spec, page } }).some((one) => one.startsWith('folio-parity'))).to.equal(
      false,
    );
  });

  it('tell a folio that stands twice, but not under another prefix', () => {
    expect(found(withRun(run(1))).filter((one) => one.startsWith('folio-twice'))).to.have.length(1);
    expect(found(withRun(run(1)))[0]).to.match(/Folio 1 stands on page 1 as well/);
    expect(found(withRun(run(1, 'A-'))).filter((one) => one.startsWith('folio-twice'))).to.deep.equal([]);
  });

  it('tell folios that are missing', () => {
    const told = found(withRun(run(99))).filter((one) => one.startsWith('folio-gap'));
    expect(told).to.have.length(1);
    expect(told[0]).to.match(/folios are missing between \d+ and 99/);
  });

  it('are taken away by each of their ways out', () => {
    let tried = 0;
    for (const made of [withRun(run(40)), withRun(run(1)), withRun(run(99)), withRun(run(40), 'any'), touched(40)])
      for (const { kind, repairs = [] } of compose(made).findings.filter((one) => one.kind.startsWith('folio-')))
        for (const repair of repairs) {
          const after = applyEdits(made, repairEdits(made, repair));
          expect(after, kind).to.not.deep.equal(made);
          expect(
            compose(after).findings.filter((one) => one.kind === kind),
            `${kind}: ${JSON.stringify(repair)}`,
          ).to.deep.equal([]);
          tried += 1;
        }
    expect(tried).to.be.greaterThan(6);
    const bare = withRun(undefined);
    expect(repairEdits(bare, { kind: 'setFolioStart', run: { touch: 't1' }, start: null })).to.deep.equal([]);
    expect(repairEdits(bare, { kind: 'setDivisionSide', division: 'd900', side: 'recto' })).to.deep.equal([]);
  });
});

/** A book whose folio run begins with a touch on a page within the second chapter. */
function touched(first: number): Book {
  const made = withRun(undefined);
  const { id, blocks } = made.divisions[1];
  const anchor = anchorOn(id, blocks[1] as Paragraph, 0);
  return {
    ...made,
    anchors: { a900: anchor },
    pageTouches: [{ id: 't901', anchor: 'a900', madeOn: 3, run: run(first) }],
  };
}
