import { typedNumberLines } from '../../../../src/core/numbering/typedNumbers';
import { expect } from 'chai';
import fc from 'fast-check';
import {
  addDivisionOfRole,
  applyEdits,
  dropTypedNumbersEdits,
  invertEdits,
  layoutEdits,
  moveDivisionEdits,
  placeOfRole,
  removeDivisionEdit,
  setDivisionEdit,
} from '../../../../src/core/edit';
import type { Book, Matter } from '../../../../src/core/model/copy/book';
import type { BookEdit } from '../../../../src/core/model/copy/bookEdit';
import { DISPLAY_LAYOUTS } from '../../../../src/core/defaults/displayLayouts';
import { ROLES, roleFacts, type DivisionRole } from '../../../../src/core/model/copy/roles';
import { checkBook, checkDivision } from '../../../../src/core/validate';
import { compose, textOfPages } from '../../../build/assets';
import { book, chapter, division, p } from '../../../build/book';

const roles = Object.keys(ROLES) as DivisionRole[];
const MATTERS: readonly Matter[] = ['front', 'body', 'back'];
const start = (): Book => ({
  ...book([
    division('half-title', [p('A Book', 'HT')]),
    division('title', [p('A Book', 'BT')]),
    division('contents', [p('Contents', 'TOH')]),
    division('part', [p('Up', 'PT')]),
    chapter('Salt', 'One.'),
    chapter('Silt', 'Two.'),
    division('afterword', [p('After', 'CT'), p('Words.')], { matter: 'back', listed: true }),
  ]),
  nextId: 500_000,
});
const isInOrder = ({ divisions }: Book) =>
  divisions.every(({ matter }, k) => k === 0 || MATTERS.indexOf(divisions[k - 1].matter) <= MATTERS.indexOf(matter));

describe('changes of the running order', () => {
  it('put a division of every role where it stands by custom, in its matter, valid and ready to be set', () => {
    for (const role of roles) {
      const before = start();
      const { edits, id } = addDivisionOfRole(before, role);
      const after = applyEdits(before, edits);
      const added = after.divisions.find((one) => one.id === id)!;
      expect(added.role).to.equal(role);
      expect(added.matter, role).to.equal(roleFacts(role).matter);
      expect(isInOrder(after), role).to.equal(true);
      expect(() => checkBook(JSON.parse(JSON.stringify(after)))).to.not.throw();
      expect(applyEdits(after, invertEdits(edits))).to.deep.equal(before);
    }
    expect(placeOfRole(start(), 'imprint')).to.equal(2);
    expect(placeOfRole(start(), 'index')).to.equal(7);
  });

  it('keep front, body and back in order through any moves, and can all be taken back', () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.nat(30), fc.nat(30)), { maxLength: 12 }), (moves) => {
        const first = start();
        let current = first;
        const done: BookEdit[] = [];
        for (const [which, to] of moves) {
          const { id } = current.divisions[which % current.divisions.length];
          const edits = moveDivisionEdits(current, id, to % current.divisions.length);
          current = applyEdits(current, edits);
          done.push(...edits);
          expect(isInOrder(current)).to.equal(true);
          expect(current.divisions.map((one) => one.id).sort()).to.deep.equal(
            first.divisions.map((one) => one.id).sort(),
          );
        }
        expect(applyEdits(current, invertEdits(done))).to.deep.equal(first);
      }),
    );
  });

  it('take a division out and put it back with its text', () => {
    const before = start();
    const edit = removeDivisionEdit(before, before.divisions[4].id)!;
    const after = applyEdits(before, [edit]);
    expect(after.divisions.map(({ role }) => role)).to.deep.equal([
      'half-title',
      'title',
      'contents',
      'part',
      'chapter',
      'afterword',
    ]);
    expect(applyEdits(after, invertEdits([edit]))).to.deep.equal(before);
    expect(removeDivisionEdit(before, 'd999999')).to.equal(null);
  });

  it('set facts, and take them away again', () => {
    const before = start();
    const { id } = before.divisions[4];
    const set = setDivisionEdit(before, id, { sink: 3, shortTitle: 'S', noBlank: true })!;
    const after = applyEdits(before, [set]);
    expect(after.divisions[4]).to.include({ sink: 3, shortTitle: 'S', noBlank: true });
    const away = setDivisionEdit(after, id, { sink: undefined, shortTitle: undefined, noBlank: undefined })!;
    expect(applyEdits(after, [away])).to.deep.equal(before);
    expect(setDivisionEdit(before, id, { listed: true })).to.equal(null);
  });

  it('refuse runs and names that cannot be, with a sentence', () => {
    const { id, role, matter, listed } = start().divisions[4];
    const of = (change: object) => () => checkDivision({ id, role, matter, listed, blocks: [], ...change });
    const run = { numerals: 'arabic', prefix: '', hidden: false };
    for (const first of [0, -3, 1e9, 2.5, Number.NaN]) expect(of({ run: { ...run, start: first } })).to.throw(/start/);
    expect(of({ run: { ...run, start: 9999 } })).to.not.throw();
    expect(of({ run: { ...run, start: null } })).to.not.throw();
    expect(of({ shortTitle: 'x'.repeat(201) })).to.throw(/shortTitle/);
    expect(of({ sink: 99 })).to.throw(/sink/);
  });

  it('find numbers that were typed before a title, and take out those alone', () => {
    const before = book([
      division('chapter', [p('Chapter One', 'CN'), p('Salt', 'CT'), p('Words.')]),
      division('chapter', [p('Two', 'CN'), p('Words.')]),
    ]);
    expect(typedNumberLines(before.divisions, before.spec).map(({ block }) => block)).to.deep.equal([
      before.divisions[0].blocks[0].id,
    ]);
    const edits = dropTypedNumbersEdits(before);
    const after = applyEdits(before, edits);
    expect(after.divisions.map(({ blocks }) => blocks.length)).to.deep.equal([2, 2]);
    expect(applyEdits(after, invertEdits(edits))).to.deep.equal(before);
  });
});

describe('designed layouts of display pages', () => {
  const facts = {
    title: 'The Harrow Weir',
    subtitle: 'An account of its keepers',
    shortTitle: '',
    publisher: 'Ninepenny Landing Press',
    place: 'Saltmarket',
    year: '2026',
    edition: 'First printing',
    isbnPrint: '',
    credits: 'Set by hand',
  };
  const withFacts = (made: Book): Book => ({ ...made, particulars: { ...made.particulars, ...facts } });

  it('are enough: four title pages, two of each other, three parts', () => {
    const count = (role: DivisionRole) => DISPLAY_LAYOUTS[role]?.length ?? 0;
    expect(count('title')).to.be.at.least(4);
    for (const role of ['half-title', 'imprint', 'dedication', 'epigraph', 'part'] as const)
      expect(count(role), role).to.be.at.least(2);
  });

  for (const [role, layouts] of Object.entries(DISPLAY_LAYOUTS) as [
    DivisionRole,
    (typeof DISPLAY_LAYOUTS)['title'] & object,
  ][])
    for (const layout of layouts)
      it(`${role}, ${layout.key}: one page, every word once, what a person wrote kept, and back by undo`, () => {
        const { edits: adding, id } = addDivisionOfRole(
          { ...withFacts(book([chapter('Salt', 'One.')])), nextId: 600_000 },
          role,
          0,
        );
        const added = applyEdits(withFacts({ ...book([chapter('Salt', 'One.')]), nextId: 600_000 }), adding);
        const own = { ...p('A line of their own.', role === 'part' ? 'PT' : 'TX') };
        const written = applyEdits(added, [
          { kind: 'replaceBlocks', stream: id, at: added.divisions[0].blocks.length, removed: [], inserted: [own] },
        ]);
        const edits = layoutEdits(written, id, layout);
        const after = applyEdits(written, edits);
        expect(() => checkBook(JSON.parse(JSON.stringify(after)))).to.not.throw();
        expect(applyEdits(after, invertEdits(edits))).to.deep.equal(written);
        const composed = compose(after);
        const pages = composed.pages.filter(({ division: of }) => of === id);
        expect(pages.length).to.be.at.most(2);
        const text = textOfPages({ ...composed, pages }).replace(/\s+/g, ' ');
        expect(text).to.include('A line of their own.');
        if (role === 'title')
          for (const words of ['The Harrow Weir', 'An account of its keepers', 'A. Writer', 'Ninepenny Landing Press'])
            expect(text.split(words).length - 1, words).to.equal(1);
        const plain = compose(applyEdits(added, layoutEdits(added, id, layout)));
        expect(plain.findings.filter(({ grade }) => grade === 'must')).to.deep.equal([]);
        expect(plain.findings.filter(({ kind }) => kind === 'display-page-overflow')).to.deep.equal([]);
        // Every line stands inside the type area.
        const { geometry } = plain;
        for (const { fragments } of plain.pages.filter(({ division: of }) => of === id))
          for (const { y, from, to, paragraph } of fragments) {
            const last = y + (to - from - 1) * paragraph.styled.style.leading;
            expect(last).to.be.at.most(
              geometry.head + geometry.capHeight + (geometry.lines - 1) * geometry.leading + 0.01,
            );
            expect(y).to.be.at.least(geometry.head);
          }
      });
});
