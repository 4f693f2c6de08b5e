import { expect } from 'chai';
import { NOVEL_SPEC } from '../../../src/core/defaults/novelSpec';
import { fieldText } from '../../../src/core/copy/fields';
import { numberNotes } from '../../../src/core/numbering/numberNotes';
import {
  describeTrim,
  inOtherUnit,
  maybeTradeTrim,
  proportionOf,
  TRADE_TRIMS,
  TRIM_TRADITIONS,
} from '../../../src/core/measure/trims';
import { typeArea } from '../../../src/core/measure/typeArea';
import { describeWorkings, workings } from '../../../src/core/measure/workings';
import { emptyParticulars } from '../../../src/core/model/copy/book';
import { book, chapter, note } from '../../build/book';

describe('the arithmetic of a page', () => {
  it('gives the novel its measure of 282 pt and 32 lines, and its sums are right', () => {
    const { page, text } = NOVEL_SPEC;
    const area = typeArea(page, 0.65 * text.size.pt, text.leading.pt);
    expect(area.measure).to.equal(282);
    expect(area.lines).to.equal(32);
    expect(page.margins.head.pt + area.depth + page.margins.foot.pt).to.be.closeTo(page.trim.height.pt, 0.5);
  });

  it('never costs a line for a thousandth of a point, and gives no line to no room', () => {
    const page = (foot: number) => ({
      ...NOVEL_SPEC.page,
      margins: { ...NOVEL_SPEC.page.margins, foot: { pt: foot, unit: 'pt' as const } },
    });
    expect(typeArea(page(95.02), 7.475, 14.5).lines).to.equal(32);
    expect(typeArea(page(99), 7.475, 14.5).lines).to.equal(31);
    expect(typeArea(page(550), 7.475, 14.5).lines).to.equal(0);
  });

  it('tells the extent in workings', () => {
    expect(describeWorkings(196)).to.equal('196: nearest 192 (4 to lose), 200 with an 8 (4 to fill), 208 (12 to fill)');
    expect(describeWorkings(192)).to.equal('192: whole sections');
    expect(workings(0)).to.deep.equal([]);
    expect(workings(3).map((working) => working.pages)).to.deep.equal([8, 16]);
  });

  it('knows trade sizes in both units', () => {
    expect(maybeTradeTrim(396, 612)?.name).to.equal('Digest');
    expect(maybeTradeTrim(400, 612)).to.equal(undefined);
    expect(describeTrim(TRADE_TRIMS.find((trim) => trim.key === '6x9')!)).to.equal('Large trade, 6 × 9 in, 2 : 3');
    expect(inOtherUnit(TRADE_TRIMS.find((trim) => trim.key === '6x9')!)).to.equal('152 × 229 mm');
    expect(inOtherUnit(TRADE_TRIMS.find((trim) => trim.key === 'a5')!)).to.equal('5.83 × 8.27 in');
    expect(proportionOf(148, 210)).to.equal('1 : √2');
    expect(proportionOf(5.5, 8.5)).to.equal('1 : 1.55');
    expect(proportionOf(8, 5)).to.equal('5 : 8');
    expect(TRADE_TRIMS.map(({ tradition }) => tradition).filter((one, k, all) => one !== all[k - 1])).to.deep.equal(
      Object.keys(TRIM_TRADITIONS),
    );
  });
});

describe('facts that text repeats', () => {
  const facts = {
    ...emptyParticulars(),
    title: 'T',
    year: '2026',
    people: [
      { name: 'A', role: 'author' as const },
      { name: 'B', role: 'author' as const },
      { name: 'E', role: 'editor' as const },
    ],
  };

  it('joins authors, and makes a line of rights when none is given', () => {
    expect(fieldText('author', facts)).to.equal('A and B');
    expect(fieldText('rights', facts)).to.equal('Copyright © 2026 A and B');
    expect(fieldText('rights', { ...facts, rights: 'All mine' })).to.equal('All mine');
    expect(fieldText('otherPeople', facts)).to.equal('E');
    expect(fieldText('isbn', facts)).to.equal('');
  });

  it('numbers notes in reading order, from 1 in each division, a note’s own references after it', () => {
    const made = book(
      [chapter('One', 'a{3} b{1}'), chapter('Two', 'c{2}')],
      [note(1, 'x{4}'), note(2, 'y'), note(3, 'z'), note(4, 'w')],
    );
    expect([...numberNotes(made).labels]).to.deep.equal([
      ['n3', '1'],
      ['n1', '2'],
      ['n4', '3'],
      ['n2', '1'],
    ]);
  });
});
