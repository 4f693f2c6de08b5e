import { expect } from 'chai';
import { columnWidthsOf, parseColumnWidths } from '../../../src/core/measure/columnWidths';
import { parseLength } from '../../../src/core/measure/units';

const near = (found: readonly number[] | null, wanted: readonly number[]) =>
  found!.forEach((value, k) => expect(value).to.be.closeTo(wanted[k], 0.01));

describe('widths of columns', () => {
  it('are shares, lengths that fill the measure, or lengths and the rest', () => {
    expect(parseColumnWidths('2 : 1', 2, 270, 'pt')).to.deep.equal([2, 1]);
    expect(parseColumnWidths('  ', 2, 270, 'pt')).to.equal(null);
    for (const typed of ['180 pt : 90 pt', '180pt; rest', 'rest : 90', '2.5 in : rest', '180pt, 90pt'])
      near(columnWidthsOf(parseColumnWidths(typed, 2, 270, 'pt')!, 270), [180, 90]);
    near(columnWidthsOf(parseColumnWidths('50mm : * : 1in', 3, 300, 'pt')!, 300), [141.73, 86.27, 72]);
  });

  it('are refused with a sentence that says what they come to', () => {
    const fault =
      (typed: string, count = 2) =>
      () =>
        parseColumnWidths(typed, count, 270, 'pt');
    expect(fault('180 pt : 80 pt')).to.throw('come to 260 pt; the measure has 270 pt');
    expect(fault('200 pt : 90 pt')).to.throw('come to 290 pt');
    expect(fault('rest : rest')).to.throw('Only one column');
    expect(fault('1 : 2 : 3')).to.throw('is not 2 widths');
    expect(fault('269 pt : rest')).to.throw('too narrow');
    expect(fault('wide : rest')).to.throw();
  });
});

describe('a length with a fraction', () => {
  for (const [typed, points] of [
    ['5 1/4in', 378],
    ['5¼ in', 378],
    ['5 ¼"', 378],
    ['1/4in', 18],
    ['½ in', 36],
    ['8 1/2 in - 5 1/4 in', 234],
    ['5⅛in', 369],
    ['6-1/8 in', 441],
    ['10 pt / 4', 2.5],
    ['(5 1/4) in', NaN],
  ] as const)
    it(JSON.stringify(typed), () => {
      if (Number.isNaN(points)) expect(() => parseLength(typed, 'pt')).to.throw();
      else expect(parseLength(typed, 'pt').pt).to.be.closeTo(points, 1e-6);
    });

  it('over nothing is told as what it is', () =>
    expect(() => parseLength('5 1/0 in', 'in')).to.throw('divides by zero'));
});
