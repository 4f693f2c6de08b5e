import { expect } from 'chai';
import type { Book } from '../../../../src/core/model/copy/book';
import type { FolioRun } from '../../../../src/core/model/spec/numbering';
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
});
