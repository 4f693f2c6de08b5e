import { expect } from 'chai';
import { dummyCopy, dummyStretches, dummyTitle } from '../../../../src/core/copy/dummyCopy';
import {
  applyEdits,
  countDummyCopy,
  dropDummyCopyEdits,
  fillBookEdits,
  fillDivisionEdits,
  invertEdits,
  repairEdits,
} from '../../../../src/core/edit';
import { emptyBook } from '../../../../src/core/import';
import type { Book } from '../../../../src/core/model/copy/book';
import type { BookEdit } from '../../../../src/core/model/copy/bookEdit';
import { checkBook } from '../../../../src/core/validate';
import { paragraphsFor } from '../../../../src/state/arrival/dummyThunks';
import { compose } from '../../../build/assets';
import { book, chapter, words } from '../../../build/book';

function done(made: Book, edits: readonly BookEdit[]): Book {
  const after = applyEdits(made, edits);
  expect(applyEdits(after, invertEdits(edits)), 'undo').to.deep.equal(made);
  return checkBook(JSON.parse(JSON.stringify(after)));
}

describe('dummy copy', () => {
  it('is known by its words, and nothing else is', () => {
    const text = dummyCopy(200);
    for (const one of text) expect(dummyStretches(one)).to.deep.equal([[0, one.length]]);
    expect(dummyStretches(`A first. ${text[0]} And one more.`)).to.deep.equal([[9, 10 + text[0].length]]);
    expect(dummyStretches('The ferry turned back at the sluice. The pilot wrote nothing down.')).to.deep.equal([]);
    for (let seed = 0; seed < 50; seed += 1) expect(dummyStretches(words(60, seed))).to.deep.equal([]);
    expect(dummyCopy(3)).to.deep.equal(dummyCopy(9).slice(0, 3));
  });

  it('fills an empty book with chapters, and goes from it again to the last word', () => {
    const empty = emptyBook('b1');
    expect(checkBook(empty).divisions.map(({ role }) => role)).to.deep.equal([
      'half-title',
      'title',
      'imprint',
      'chapter',
    ]);
    expect(compose(empty).pages.length).to.be.greaterThan(0);
    const full = done(empty, fillBookEdits(empty, 14));
    const chapters = full.divisions.filter(({ role }) => role === 'chapter');
    expect(chapters.map(({ blocks }) => blocks[0].kind === 'paragraph' && blocks[0].text)).to.deep.equal(
      Array.from({ length: 14 }, (_, k) => dummyTitle(k)),
    );
    expect(countDummyCopy(full)).to.deep.equal({ paragraphs: 14 * 40, divisions: 14 });
    const { findings } = compose(full);
    expect(findings.filter(({ kind }) => kind === 'dummy-copy')).to.have.length(14);
    const bare = done(full, dropDummyCopyEdits(full));
    expect(countDummyCopy(bare)).to.deep.equal({ paragraphs: 0, divisions: 0 });
    expect(bare.divisions.filter(({ role }) => role === 'chapter')).to.have.length(1);
    expect(compose(bare).findings.filter(({ kind }) => kind === 'dummy-copy')).to.deep.equal([]);
  });

  it('fills only what has no words, and leaves what was typed beside it', () => {
    const made = book([chapter('Salt', words(40)), chapter('', '')]);
    const full = done(made, fillBookEdits(made, 2));
    expect(full.divisions[0]).to.deep.equal(made.divisions[0]);
    expect(countDummyCopy(full).divisions).to.equal(1);
    const { id, blocks } = full.divisions[1];
    const last = blocks[blocks.length - 1];
    if (last.kind !== 'paragraph') throw new Error('a paragraph');
    const typed = { ...last, text: `${last.text} And she went home.` };
    const written = applyEdits(full, [
      { kind: 'replaceBlocks', stream: id, at: blocks.length - 1, removed: [last], inserted: [typed] },
    ]);
    const bare = done(written, dropDummyCopyEdits(written));
    expect(bare.divisions[1].blocks.map((block) => block.kind === 'paragraph' && block.text)).to.deep.equal([
      dummyTitle(1),
      'And she went home.',
    ]);
  });

  it('is a finding of its division until it is gone, with the repair that takes it out', () => {
    const made = book([chapter('Salt', words(40)), chapter('Mud', words(40))]);
    const full = done(made, fillDivisionEdits(made, made.divisions[1].id, 3));
    const [finding, ...others] = compose(full).findings.filter(({ kind }) => kind === 'dummy-copy');
    expect(others).to.deep.equal([]);
    expect(finding).to.include({ message: '3 paragraphs are dummy copy: take them out, or type over them.' });
    expect(finding.page).to.be.greaterThan(-1);
    const bare = done(full, repairEdits(full, finding.repairs![0]));
    expect(bare.divisions).to.deep.equal(made.divisions);
  });

  it('fills a number of pages: as many paragraphs as go on them, found by trials', async () => {
    const empty = emptyBook('b1');
    const { id } = empty.divisions[empty.divisions.length - 1];
    const pagesOf = (paragraphs: number) =>
      compose(applyEdits(empty, fillDivisionEdits(empty, id, paragraphs))).extents.find(
        ({ division }) => division === id,
      )!.pages;
    let trials = 0;
    for (const wanted of [1, 7, 24]) {
      const found = await paragraphsFor(wanted, (paragraphs) => {
        trials += 1;
        return Promise.resolve(pagesOf(paragraphs));
      });
      expect(pagesOf(found)).to.equal(wanted);
      expect(pagesOf(found + 1)).to.be.greaterThan(wanted);
    }
    expect(trials).to.be.lessThan(36);
    expect(await paragraphsFor(3, () => Promise.resolve(9))).to.equal(0);
    expect(await paragraphsFor(10, () => Promise.resolve(null))).to.equal(42);
  });
});
