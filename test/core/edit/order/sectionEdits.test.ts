import { expect } from 'chai';
import { sectionsOf } from '../../../../src/core/numbering/sections';
import {
  applyEdits,
  dropSectionEdits,
  invertEdits,
  sectionFurnitureEdits,
  sectionRunEdits,
  sectionStartEdits,
  setTouchesEdit,
} from '../../../../src/core/edit';
import type { Book } from '../../../../src/core/model/copy/book';
import type { BookEdit } from '../../../../src/core/model/copy/bookEdit';
import type { FolioRun } from '../../../../src/core/model/spec/numbering';
import { furnitureLine, furnitureSet, token } from '../../../../src/core/model/spec/furniture';
import { checkBook } from '../../../../src/core/validate';
import { paragraphOnFolio } from '../../../../src/state/order/sectionThunks';
import { summarise } from '../../../../src/worker/summary';
import { compose } from '../../../build/assets';
import { book, chapter, words } from '../../../build/book';

const RUN: FolioRun = { numerals: 'Roman', start: 3, prefix: 'A-', hidden: false };
const long = (seed: number) =>
  Array.from({ length: 12 }, (_, k) => words(110 + ((seed * 7 + k * 31) % 90), seed * 50 + k));

const start = ((): Book => {
  const made = book([chapter('Alpha', ...long(1)), chapter('Beta', ...long(2)), chapter('Gamma', ...long(3))]);
  const head = furnitureLine(2, { centre: { style: 'RH', parts: [token('section')] } });
  const set = furnitureSet({ head, foot: null }, { head: null, foot: null });
  return { ...made, spec: { ...made.spec, furniture: { set: 'Book', sets: { Book: set } } } };
})();
const named = (made: Book, division: number, at: number, name: string): Book => {
  const { id, blocks } = made.divisions[division];
  return applyEdits(made, [setTouchesEdit(made, id, blocks[at].id, { section: name })!]);
};
/** The book with a section in its first chapter and one in its last. */
const withTwo = named(named(start, 0, 5, 'The posts'), 2, 4, 'The crossing');
const blockOf = (made: Book, name: string) => sectionsOf(made).find((section) => section.name === name)!;
const done = (made: Book, edits: readonly BookEdit[]): Book => {
  const after = checkBook(JSON.parse(JSON.stringify(applyEdits(made, edits))));
  expect(applyEdits(after, invertEdits(edits)), 'undo').to.deep.equal(made);
  return after;
};

describe('sections', () => {
  it('go on over chapter ends, to the next section or the end of the book', () => {
    const { pages, references } = compose(withTwo);
    const [posts, crossing] = references.sections.map(({ page }) => page);
    expect(posts).to.be.greaterThan(0);
    expect(pages[crossing].division).to.equal(withTwo.divisions[2].id);
    const told = pages
      .filter(({ role }) => role === 'text')
      .map(({ index, furniture }) => [index, furniture[0]?.paragraph.styled.text ?? ''] as const);
    expect(told).to.deep.equal(
      told.map(([index]) => [index, index < posts ? '' : index < crossing ? 'The posts' : 'The crossing']),
    );
    expect(told.some(([index]) => pages[index].division === withTwo.divisions[1].id)).to.equal(true);
  });

  it('keep their folio run as the page touch at their paragraph, and take it back with them', () => {
    const { division, block } = blockOf(withTwo, 'The posts');
    const { page } = compose(withTwo).references.sections[0];
    const run = done(withTwo, sectionRunEdits(withTwo, block, RUN, page));
    expect(run.pageTouches).to.have.length(1);
    expect(run.pageTouches[0]).to.include({ run: run.pageTouches[0].run, madeOn: page });
    expect(run.anchors[run.pageTouches[0].anchor]).to.include({ stream: division, block, from: 0 });
    expect(compose(run).pages[page].folio).to.equal('A-III');
    expect(blockOf(run, 'The posts').run).to.deep.equal(RUN);
    const furnished = done(run, sectionFurnitureEdits(run, block, { hideHead: true }, page));
    expect(furnished.pageTouches).to.have.length(1);
    expect(compose(furnished).pages[page].furniture).to.deep.equal([]);
    expect(compose(furnished).pages[page + 1].furniture).to.have.length(1);
    const bare = done(furnished, sectionRunEdits(furnished, block, undefined, page));
    expect(bare.pageTouches[0]).to.not.have.property('run');
    expect(done(bare, sectionFurnitureEdits(bare, block, { hideHead: false }, page)).pageTouches).to.deep.equal([]);
    const dropped = done(furnished, dropSectionEdits(furnished, division, block));
    expect(sectionsOf(dropped).map(({ name }) => name)).to.deep.equal(['The crossing']);
    expect(dropped.pageTouches).to.deep.equal([]);
    expect(dropped.anchors).to.deep.equal({});
  });

  it('begin where they stand, on a page, a recto or a verso: that is their paragraph’s own beginning', () => {
    const { block } = blockOf(withTwo, 'The posts');
    const paragraphOf = (made: Book) => made.divisions[0].blocks.find(({ id }) => id === block)!;
    for (const [begins, touch] of [
      ['page', true],
      ['recto', 'recto'],
      ['verso', 'verso'],
    ] as const) {
      const made = done(withTwo, sectionStartEdits(withTwo, block, begins));
      const paragraph = paragraphOf(made);
      expect(paragraph.kind === 'paragraph' && paragraph.touches?.breakBefore).to.equal(touch);
      const { pages, references } = compose(made);
      const page = pages[references.sections[0].page];
      expect(page.fragments[0].paragraph.styled.block).to.equal(block);
      if (begins !== 'page') expect(page.side).to.equal(begins);
      expect(blockOf(made, 'The posts').start).to.equal(begins);
      expect(applyEdits(made, sectionStartEdits(made, block, 'running'))).to.deep.equal(withTwo);
    }
  });

  it('that open a division are that division’s beginning and folio run', () => {
    const opened = named(start, 1, 0, 'Second');
    const { block } = blockOf(opened, 'Second');
    const made = done(opened, [
      ...sectionStartEdits(opened, block, 'verso'),
      ...sectionRunEdits(applyEdits(opened, sectionStartEdits(opened, block, 'verso')), block, RUN, 8),
    ]);
    expect(made.divisions[1]).to.include({ start: 'verso' });
    expect(made.divisions[1].run).to.deep.equal(RUN);
    expect(made.pageTouches).to.deep.equal([]);
    const { references, pages } = compose(made);
    expect(pages[references.sections[0].page]).to.include({ side: 'verso', folio: 'A-III' });
    expect(blockOf(made, 'Second')).to.include({ start: 'verso', opensDivision: true });
  });

  it('begin at a folio: at the first paragraph that begins on its page', () => {
    const composed = compose(start);
    const { pages } = summarise(composed, 1);
    let begun = 0;
    for (const page of composed.pages.filter(({ folio }) => folio !== '')) {
      const first = page.fragments.find(({ from, paragraph }) => from === 0 && paragraph.styled.block !== '');
      const found = paragraphOnFolio(start, pages, ` ${page.folio} `);
      if (first === undefined) expect(found).to.equal(`No paragraph begins on folio ${page.folio}.`);
      else {
        expect(found).to.deep.equal({ stream: page.division, block: first.paragraph.styled.block });
        begun += 1;
      }
    }
    expect(begun).to.be.greaterThan(5);
    expect(paragraphOnFolio(start, pages, '900')).to.equal('No page has the folio 900.');
    expect(paragraphOnFolio(start, pages, ' ')).to.equal('Type the folio of a page.');
  });
});
