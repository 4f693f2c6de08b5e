import { expect } from 'chai';
import { arrivalOf, describeManuscript, makeBook, readManuscript } from '../../../src/core/import';
import { TIDY_JOBS, tidyManuscript } from '../../../src/core/tidy';
import type { Paragraph } from '../../../src/core/model/copy/streams';
import { dressHandbook } from '../../../src/core/edit';
import { compose, drain, readAsset, textOfPages } from '../../build/assets';
import { taken } from '../../build/incoming';

const read = (name: string) => taken(readManuscript(name, readAsset(`demo/${name}`)));

describe('the nonfiction that ships', () => {
  const manuscript = read('keeping-a-tidal-garden.docx');

  it('is told on the arrival sheet as the report tells it', () => {
    const report = describeManuscript(manuscript);
    const { words, paragraphs, headings, footnotes, endnotes, tables, lists, images, dropped } = arrivalOf(
      manuscript,
      'a',
    );
    expect({ words, paragraphs, headings, lists, images, dropped }).to.deep.equal({
      ...{ words: report.words, paragraphs: report.paragraphs, headings: report.headings },
      ...{ lists: report.lists, images: report.images, dropped: report.dropped },
    });
    expect([footnotes, endnotes, tables]).to.deep.equal(
      [report.footnotes, report.endnotes, report.tables].map(({ length }) => length),
    );
  });

  it('comes in with heads of three levels, both kinds of notes, tables, lists, changes and a comment', () => {
    const report = describeManuscript(manuscript);
    expect(report.headings.map(({ level }) => level)).to.deep.equal([1, 2, 2, 3, 3, 1, 2, 2, 3, 1, 2, 2, 2, 1, 1]);
    expect(report).to.deep.include({ title: 'Keeping a Tidal Garden', author: 'Tamsin Okonjo-Reyes', lists: 2 });
    expect([report.footnotes.length, report.endnotes.length]).to.deep.equal([40, 12]);
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
      'Text boxes read after their paragraph',
    ]);
  });

  it('brings pictures with captions, links, a field’s words, a page break, a text box and every look of runs', () => {
    const report = describeManuscript(manuscript);
    expect(report.images.map(({ name, width }) => `${name} ${width}`)).to.deep.equal([
      'tides.png 1170',
      'section.jpg 1170',
    ]);
    expect(Object.keys(manuscript.pictures)).to.have.length(2);
    expect(report.styles.find(({ name }) => name === 'Caption')).to.include({ count: 2, mappedTo: 'CAP' });
    expect(report.links).to.deep.equal([{ text: "the Landing's own window", href: 'https://landing.example/tides' }]);
    expect(report.text).to.include('The wall is on page 9.').and.include('\nThe wall book has, in another hand:');
    expect(report.pageBreaks).to.equal(1);
    const spans = (manuscript.blocks as Paragraph[]).flatMap((block) => block.spans ?? []);
    const notes = Object.values(manuscript.notes).flatMap((note) =>
      (note.blocks as Paragraph[]).flatMap((one) => one.spans),
    );
    const styles = new Set(spans.map(({ style }) => style));
    for (const style of ['sc', 'sup', 'sub']) expect(styles.has(style), style).to.equal(true);
    const touches = spans.flatMap((span) => Object.keys(span.touches ?? {}));
    expect([...new Set(touches)]).to.include.members([
      'italic',
      'bold',
      'underline',
      'strike',
      'face',
      'size',
      'colour',
    ]);
    expect(notes.map(({ language }) => language)).to.include('fr-FR');
  });

  it('gives Tidy ranges, dashes, quotes, tabs and italics by hand to do, and leaves dates of pages alone that are none', () => {
    const { counts, manuscript: tidied } = drain(tidyManuscript(manuscript, TIDY_JOBS));
    const done = counts.filter(({ count }) => count > 0).map(({ id }) => id);
    expect(done.length).to.be.at.least(6);
    const { text } = describeManuscript(tidied);
    expect(text).to.include('1974–1991').and.include('pp. 12–48');
    expect(text).to.not.match(/--|"/);
  });

  it('becomes a book of three chapters, an appendix, notes and a glossary that composes without a finding that must be mended', () => {
    const book = makeBook(manuscript, { bookId: 'b1', fileName: 'keeping-a-tidal-garden.docx' });
    expect(book.divisions.filter(({ matter }) => matter !== 'front').map(({ role }) => role)).to.deep.equal([
      'chapter',
      'chapter',
      'chapter',
      'appendix',
      'notes',
      'glossary',
    ]);
    const composed = compose(book);
    expect(composed.findings.filter(({ grade }) => grade === 'must')).to.deep.equal([]);
    expect(composed.pages.length).to.be.within(14, 40);
  });

  it('stands as a handbook: roman front matter, contents of three levels, an appendix in two columns, an index', () => {
    const book = dressHandbook(makeBook(manuscript, { bookId: 'b1', fileName: 'keeping-a-tidal-garden.docx' }));
    const composed = compose(book);
    expect(composed.findings.filter(({ grade }) => grade === 'must')).to.deep.equal([]);
    const front = composed.pages.filter(
      ({ division }) => book.divisions.find(({ id }) => id === division)!.matter === 'front',
    );
    expect(front.every(({ folio }) => /^[ivxl]+$/.test(folio))).to.equal(true);
    const styles = (role: string) =>
      new Set(
        composed.pages
          .filter(({ divisionRole }) => divisionRole === role)
          .flatMap(({ fragments }) => fragments.map(({ paragraph }) => paragraph.styled.style.tag)),
      );
    expect([...styles('contents')]).to.include.members(['TOC', 'TOS', 'TOT']);
    expect([...styles('index')]).to.include.members(['IXL', 'IX', 'IXS']);
    const appendix = composed.pages.find(({ divisionRole }) => divisionRole === 'appendix')!;
    expect(appendix.own!.columns).to.have.length(2);
    const text = textOfPages(composed);
    expect(text).to.include('Appendix A Plants of the Four Levels').and.include('1.2.1');
    const index = text.slice(text.lastIndexOf('Index'));
    expect(index).to.match(/sea kale hours of, \d+ level of, \d+ sowing of, \d+/);
  });

  it('has footnotes by symbols on each page, one of them over two pages, and endnotes under the titles of their divisions', () => {
    const book = dressHandbook(makeBook(manuscript, { bookId: 'b1', fileName: 'keeping-a-tidal-garden.docx' }));
    const composed = compose(book);
    const kinds = Object.values(book.notes).map(({ kind }) => kind);
    expect([kinds.filter((kind) => kind === 'footnote').length, kinds.length]).to.deep.equal([40, 52]);
    let begun = 0;
    for (const page of composed.pages) {
      const numbers = page.notes
        .filter(({ from }) => from === 0)
        .map(({ paragraph }) => /^\S+/.exec(paragraph.styled.text)![0]);
      expect(numbers).to.deep.equal(['*', '†', '‡', '§', '‖', '¶', '**', '††'].slice(0, numbers.length));
      begun += numbers.length;
    }
    expect(begun).to.equal(40);
    const divided = composed.pages.filter(({ notes }) => notes.some(({ from }) => from > 0));
    expect(divided.length).to.be.at.least(1);
    expect(composed.findings.map(({ kind }) => kind))
      .to.include('note-divided')
      .and.not.include('notes-alike');
    const gathered = composed.pages.filter(({ divisionRole, role }) => divisionRole === 'notes' && role !== 'blank');
    const endnotes = gathered.flatMap(({ fragments }) =>
      fragments.filter(({ paragraph, from }) => from === 0 && paragraph.styled.style.tag === 'EN'),
    );
    expect(endnotes.length).to.equal(12);
    const heads = gathered.flatMap(({ furniture }) => furniture.map(({ paragraph }) => paragraph.styled.text));
    expect(heads.some((text) => /^Notes to pages \d+–\d+$/.test(text)) || gathered.length === 1).to.equal(true);
  });
});
