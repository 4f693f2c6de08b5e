import { expect } from 'chai';
import fc from 'fast-check';
import { unitsOf, WordIndex } from '../../../src/core/base/wordIndex';

describe('word index', () => {
  it('numbers stretches of texts in the order of their coming', () => {
    const property = fc.property(fc.array(fc.string({ maxLength: 4 }), { maxLength: 3000, size: 'max' }), (texts) => {
      const index = new WordIndex();
      const expected = new Map<string, number>();
      for (const text of texts) {
        if (!expected.has(text)) expected.set(text, expected.size);
        expect(index.findOrAdd(unitsOf(`<${text}>`, 0, text.length + 2), 1, 1 + text.length)).to.equal(
          expected.get(text),
        );
      }
      expect(index.count).to.equal(expected.size);
      expect(index.textOf(0, index.count)).to.equal([...expected.keys()].join(''));
    });
    fc.assert(property, { numRuns: 40 });
  });
});
