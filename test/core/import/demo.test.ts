import { expect } from 'chai';
import { describeManuscript, makeBook, readManuscript } from '../../../src/core/import';
import { TIDY_JOBS, tidyManuscript } from '../../../src/core/tidy';
import { compose, drain, readAsset } from '../../build/assets';

const read = (name: string) => drain(readManuscript(name, readAsset(`demo/${name}`)));

describe('the nonfiction that ships', () => {
  const manuscript = read('keeping-a-tidal-garden.docx');

  it('comes in with heads of three levels, both kinds of notes, tables, lists, changes and a comment', () => {
    const report = describeManuscript(manuscript);
    expect(report.headings.map(({ level }) => level)).to.deep.equal([1, 2, 2, 3, 3, 1, 2, 2, 3, 1, 2, 2, 2, 1]);
    expect(report).to.deep.include({ title: 'Keeping a Tidal Garden', author: 'Tamsin Okonjo-Reyes', lists: 2 });
    expect([report.footnotes.length, report.endnotes.length]).to.deep.equal([5, 2]);
    expect(report.tables.map(({ rows, columns }) => [rows, columns])).to.deep.equal([
      [5, 3],
      [4, 4],
    ]);
    expect(report.text).to.include('this is the most  forgiving.').and.not.include('patient.');
    expect(report.text).to.not.include('The press prefers after');
    expect(manuscript.comments.map(({ who }) => who)).to.deep.equal(['Perpetua Quill']);
    expect(report.dropped.map(({ what }) => what)).to.have.members([
      'Comments left out',
      'Deletions taken as accepted',
      'Insertions taken as accepted',
    ]);
  });

  it('gives Tidy ranges, dashes, quotes, tabs and italics by hand to do, and leaves dates of pages alone that are none', () => {
    const { counts, manuscript: tidied } = drain(tidyManuscript(manuscript, TIDY_JOBS));
    const done = counts.filter(({ count }) => count > 0).map(({ id }) => id);
    expect(done.length).to.be.at.least(6);
    const { text } = describeManuscript(tidied);
    expect(text).to.include('1974–1991').and.include('pp. 12–48');
    expect(text).to.not.match(/--|"/);
  });

  it('becomes a book of four chapters that composes without a finding that must be mended', () => {
    const book = makeBook(manuscript, { bookId: 'b1', fileName: 'keeping-a-tidal-garden.docx' });
    expect(book.divisions.filter(({ role }) => role === 'chapter')).to.have.length(4);
    const composed = compose(book);
    expect(composed.findings.filter(({ grade }) => grade === 'must')).to.deep.equal([]);
    expect(composed.pages.length).to.be.within(14, 40);
  });
});
