import { expect } from 'chai';
import { knownLanguage, makeBook, readManuscript } from '../../../src/core/import';
import { checkBook } from '../../../src/core/validate';
import type { Book } from '../../../src/core/model/copy/book';
import { readAsset } from '../../build/assets';
import { taken } from '../../build/incoming';
import { docx, para, run, style } from '../../build/docx';

const options = { bookId: 'b7', fileName: 'my_book.docx' };
const STYLES =
  style('h1', 'heading 1') +
  style('t', 'Title') +
  style('s', 'Subtitle') +
  style('d', 'Dedication') +
  style('e', 'Epigraph');
const make = (body: string, core = ''): Book =>
  makeBook(taken(readManuscript('my_book.docx', docx({ body, styles: STYLES, core }))), options);
const roles = (book: Book) => book.divisions.map((division) => division.role);

describe('making a book of a manuscript', () => {
  it('makes divisions of headings and front matter of fields', () => {
    const book = make(
      para(run('Part One'), 'h1') +
        para(run('1. Alpha'), 'h1') +
        para(run('Text')) +
        para(run('Beta'), 'h1') +
        para(run('More')) +
        para(run('Afterword'), 'h1') +
        para(run('End')),
    );
    expect(roles(book)).to.deep.equal([
      'half-title',
      'title',
      'imprint',
      'contents',
      'part',
      'chapter',
      'chapter',
      'afterword',
    ]);
    expect(book.divisions.map((division) => division.matter)).to.deep.equal([
      'front',
      'front',
      'front',
      'front',
      'body',
      'body',
      'body',
      'back',
    ]);
    expect(
      book.divisions[5].blocks.map((block) => `${block.style} ${block.kind === 'paragraph' ? block.text : ''}`),
    ).to.deep.equal(['CN 1', 'CT Alpha', 'TX Text']);
  });

  it('joins a number that stands alone to the title that follows', () => {
    const book = make(para(run('Chapter One'), 'h1') + para(run('Alpha'), 'h1') + para(run('Text')));
    expect(book.divisions[book.divisions.length - 1].blocks.map((block) => block.style)).to.deep.equal([
      'CN',
      'CT',
      'TX',
    ]);
  });

  it('takes the title page’s words from the text, else from the metadata, else from the file’s name', () => {
    const core = '<dc:title>Meta</dc:title><dc:creator>A and B; C</dc:creator>';
    expect(make(para(run('Own'), 't') + para(run('Sub'), 's') + para(run('x')), core).particulars).to.include({
      title: 'Own',
      subtitle: 'Sub',
    });
    expect(make(para(run('x')), core).particulars.title).to.equal('Meta');
    expect(make(para(run('x')), core).particulars.people.map((person) => person.name)).to.deep.equal(['A', 'B', 'C']);
    expect(make(para(run('x'))).particulars.title).to.equal('my book');
  });

  it('takes a file that is a part of a book for chapters alone: nothing of it is a title page', () => {
    const body =
      '<w:p><w:pPr><w:jc w:val="center"/></w:pPr>' +
      run('THE WEIR') +
      '</w:p>' +
      para(run('by Odile Brackwater')) +
      para(run('Text.'));
    const manuscript = taken(readManuscript('part.docx', docx({ body: para(run('Own'), 't') + body, styles: STYLES })));
    const part = makeBook(manuscript, { ...options, isPart: true });
    const copy = part.divisions.filter(({ role }) => role === 'chapter').flatMap(({ blocks }) => blocks);
    expect(copy.map((block) => (block.kind === 'paragraph' ? `${block.style} ${block.text}` : ''))).to.deep.equal([
      'CT Own',
      'TX THE WEIR',
      'TX by Odile Brackwater',
      'TX Text.',
    ]);
    expect(part.source.firstPages).to.equal(undefined);
  });

  it('gives dedication and epigraph pages of their own, and no contents to a single chapter', () => {
    const book = make(
      para(run('For you'), 'd') + para(run('A saying'), 'e') + para(run('Only'), 'h1') + para(run('x')),
    );
    expect(roles(book)).to.deep.equal(['half-title', 'title', 'imprint', 'dedication', 'epigraph', 'chapter']);
  });

  it('makes one chapter of a text without headings, and loses nothing', () => {
    const book = make(para(run('a')) + para(run('')) + para(run('b')));
    expect(book.divisions[book.divisions.length - 1].blocks).to.have.length(3);
  });

  it('gives the same book for the same file, valid by the schema, every id once', () => {
    const bytes = readAsset('demo/the-ferry-register.docx');
    const one = makeBook(taken(readManuscript('d.docx', bytes)), options);
    const two = makeBook(taken(readManuscript('d.docx', bytes)), options);
    expect(one).to.deep.equal(two);
    expect(checkBook(structuredClone(one))).to.deep.equal(one);
    const ids = [
      ...one.divisions.flatMap((division) => [division.id, ...division.blocks.map((block) => block.id)]),
      ...Object.values(one.notes).flatMap((note) => [note.id, ...note.blocks.map((block) => block.id)]),
    ];
    expect(new Set(ids).size).to.equal(ids.length);
    expect(one.divisions.filter((division) => division.role === 'chapter')).to.have.length(12);
    expect(one.divisions.filter((division) => division.role === 'part')).to.have.length(2);
  });

  it('finds the nearest language that can be set', () => {
    expect(['en-US', 'en-AU', 'en', 'de-AT', 'fr', 'pt-BR', undefined].map(knownLanguage)).to.deep.equal([
      'en',
      'en-GB',
      'en',
      'de',
      'fr',
      'pt',
      'en',
    ]);
  });
});
