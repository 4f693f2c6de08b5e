import { expect } from 'chai';
import { makeBook, readManuscript } from '../../../src/core/import';
import { applyEdits, editsBetweenBooks } from '../../../src/core/edit';
import { NOVEL_SPEC } from '../../../src/core/defaults/novelSpec';
import { specSetAs, STARTING_SPECS, type StartingKey } from '../../../src/core/defaults/startingSpecs';
import { checkSpec } from '../../../src/core/validate';
import { compose, drain, newContext, readAsset } from '../../build/assets';
import { columnLeft } from '../../../src/core/model/composed/pages';

/** Width, height, measure, lines, size, leading, back margin: the table of the house rules, section 2. */
const TABLE: Readonly<Record<StartingKey, readonly number[]>> = {
  novel: [396, 612, 282, 32, 11.5, 14.5, 60],
  largeType: [442.2, 663.3, 336, 25, 16, 21, 63],
  essays: [378, 576, 274, 31, 10, 14, 55],
  handbook: [432, 648, 306, 37, 10, 13.5, 66],
  verse: [396, 612, 282, 30, 11.5, 15, 66],
  workbook: [612, 792, 360, 44, 11, 15, 72],
};

const manuscripts = ['the-ferry-register.docx', 'keeping-a-tidal-garden.docx'].map((fileName) =>
  makeBook(drain(readManuscript(fileName, readAsset(`demo/${fileName}`))), { bookId: 'b1', fileName }),
);

describe('the starting specs', () => {
  for (const { key, spec, reason } of STARTING_SPECS) {
    it(`${spec.name}: its sums are those of the table, and both books come out without a finding that must be mended`, () => {
      expect(checkSpec(spec)).to.deep.equal(spec);
      expect(reason).to.match(/^[A-Z].{30,}\.$/);
      const [width, height, measure, lines, size, leading, back] = TABLE[key];
      expect([spec.text.size.pt, spec.text.leading.pt]).to.deep.equal([size, leading]);
      const context = newContext();
      for (const manuscript of manuscripts) {
        const book = { ...manuscript, spec: specSetAs(manuscript.spec, spec) };
        const composed = compose(book, context);
        const { geometry } = composed;
        expect(geometry.width).to.be.closeTo(width, 0.05);
        expect(geometry.height).to.be.closeTo(height, 0.05);
        expect(geometry.measure).to.be.closeTo(measure, 0.05);
        expect(geometry.lines).to.equal(lines);
        expect(columnLeft(geometry, 'recto')).to.equal(back);
        const grave = composed.findings.filter(({ grade }) => grade === 'must');
        expect(grave.map(({ message, page }) => `${page}: ${message}`)).to.deep.equal([]);
      }
    });
  }

  it('are six, each under a name of its own', () => {
    expect(new Set(STARTING_SPECS.map(({ spec }) => spec.name)).size).to.equal(6);
    expect(STARTING_SPECS[0].spec).to.equal(NOVEL_SPEC);
  });

  it('leave a book its own styles, divisions of words and lifted ties, and are taken back by one undo', () => {
    const [book] = manuscripts;
    const own = {
      ...book,
      spec: {
        ...book.spec,
        text: {
          ...book.spec.text,
          liftedTies: ['Mrs Vane'],
          hyphenation: { ...book.spec.text.hyphenation, exceptions: ['ferry-man'] },
        },
        styles: { ...book.spec.styles, OWN: { name: 'Own', basedOn: 'TX' } },
      },
    };
    const workbook = STARTING_SPECS.find(({ key }) => key === 'workbook')!.spec;
    const set = specSetAs(own.spec, workbook);
    expect(set.styles.OWN).to.deep.equal({ name: 'Own', basedOn: 'TX' });
    expect(set.text.liftedTies).to.deep.equal(['Mrs Vane']);
    expect(set.text.hyphenation.exceptions).to.deep.equal(['ferry-man']);
    const edits = editsBetweenBooks(own, { ...own, spec: set });
    expect(applyEdits(own, edits).spec).to.deep.equal(set);
    expect(specSetAs(set, own.spec).text).to.deep.equal(own.spec.text);
  });
});
