import { expect } from 'chai';
import fc from 'fast-check';
import { ValueError } from '../../../src/core/base/errors';
import type { Unit } from '../../../src/core/model/spec/length';
import { formatLength, length, parseLength, POINTS_PER } from '../../../src/core/measure/units';

const near = (value: number, wanted: number) => expect(value).to.be.closeTo(wanted, 1e-6);

describe('lengths that a person types', () => {
  it('reads a number in the unit of the field, or in its own', () => {
    near(parseLength('5.5', 'in').pt, 396);
    near(parseLength('139.7mm', 'in').pt, 396);
    expect(parseLength('139.7 mm', 'in').unit).to.equal('mm');
    near(parseLength('8.5"', 'mm').pt, 612);
    near(parseLength('1,5 cm', 'mm').pt, (72 / 2.54) * 1.5);
  });

  it('reads picas and points', () => {
    near(parseLength('1p6', 'pt').pt, 18);
    near(parseLength('12p', 'pt').pt, 144);
    expect(parseLength('1p6', 'mm').unit).to.equal('pica');
  });

  it('works out arithmetic over lengths and numbers', () => {
    near(parseLength('5.06in * 5.06 / 7.81', 'in').pt, (5.06 * 5.06 * 72) / 7.81);
    near(parseLength('8in - 5in', 'mm').pt, 216);
    near(parseLength('(8in - 5in) / 3', 'in').pt, 72);
    near(parseLength('8.5 - 2*.5', 'in').pt, 7.5 * 72);
  });

  for (const [text, part] of [
    ['', 'not a length'],
    ['wide', 'not a length'],
    ['5 furlongs', 'not a unit'],
    ['1/0', 'zero'],
    ['2in * 3in', 'two lengths'],
    ['2in + 3', 'give both a unit'],
    ['(2in', 'not a length'],
  ]) {
    it(`refuses “${text}” with a sentence`, () => {
      expect(() => parseLength(text, 'in'))
        .to.throw(ValueError)
        .with.property('message')
        .that.includes(part);
    });
  }

  it('reads back what it shows, in every unit', () => {
    const units = fc.constantFrom(...(Object.keys(POINTS_PER) as Unit[]));
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 20000 }), units, (hundredths, unit) => {
        const shown = formatLength(length(hundredths / 100, unit));
        expect(formatLength(parseLength(shown, unit))).to.equal(shown);
      }),
    );
  });

  it('shows picas as picas and points', () => {
    expect(formatLength({ pt: 18, unit: 'pica' })).to.equal('1p6');
    expect(formatLength({ pt: 11.999, unit: 'pica' })).to.equal('1p0');
  });
});

describe('pixels at a resolution', () => {
  it('are as many points as it says', () => {
    expect(parseLength('300px', 'px', 300).pt).to.be.closeTo(72, 1e-9);
    expect(parseLength('96px', 'px').pt).to.be.closeTo(72, 1e-9);
    expect(parseLength('300px + 1in', 'px', 300).pt).to.be.closeTo(144, 1e-9);
    expect(formatLength({ pt: 72, unit: 'px' }, 300)).to.equal('300 px');
    expect(formatLength({ pt: 72, unit: 'px' })).to.equal('96 px');
  });
});
