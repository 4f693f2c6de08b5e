import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { gunzipSync } from 'node:zlib';
import { embeddingLevels } from '../../../src/core/base/bidi';

const VECTORS = gunzipSync(readFileSync(new URL('../../fixtures/unicode/BidiCharacterTest.txt.gz', import.meta.url)))
  .toString('utf8')
  .trim()
  .split('\n');
const DIRECTIONS = { 0: 'ltr', 1: 'rtl', 2: 'auto' } as const;

describe('embedding levels', () => {
  it('are those of BidiCharacterTest of Unicode 16, all of them, and left out where all of them are even', () => {
    expect(VECTORS).to.have.length.above(90_000);
    const wrong = VECTORS.filter((line) => {
      const [codes, direction, base, levels] = line.split(';');
      const characters = codes.split(' ').map((code) => String.fromCodePoint(parseInt(code, 16)));
      const found = embeddingLevels(characters.join(''), DIRECTIONS[direction as unknown as 0]);
      if (found === undefined) return base !== '0' || /[13579]/.test(levels);
      let at = 0;
      const matches = levels.split(' ').every((level, k) => {
        const own = found.levels[at];
        at += characters[k].length;
        return level === 'x' || Number(level) === own;
      });
      return !matches || found.base !== Number(base);
    });
    expect(wrong.slice(0, 10)).to.deep.equal([]);
  });
});
