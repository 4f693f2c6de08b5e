import { expect } from 'chai';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { fuzz, LIMITS } from '../fuzz/run';

const root = join(dirname(fileURLToPath(import.meta.url)), '..');

/** Seeds of the files that every run of the tests reads; `npm run fuzz` goes on from there. */
const FIRST = 20_001;
const COUNT = 300;

describe('damaged files', () => {
  it(`are read or refused with a sentence: ${COUNT} of fixed seeds, none over ${LIMITS.MEMORY} MB`, async () => {
    const options = { program: join(root, 'fuzz/child.ts'), nodeOptions: ['--import=tsx'], root };
    const seen = { read: 0, refused: 0, failed: 0 };
    const failures = await fuzz(FIRST, COUNT, options, ({ kind }) => (seen[kind] += 1));
    expect(failures.map(({ seed, file, words }) => `${seed} ${file}: ${words}`)).to.deep.equal([]);
    expect(seen.read, 'files that were still read').to.be.above(COUNT / 4);
    expect(seen.refused).to.be.above(COUNT / 10);
  }).timeout(600_000);
});
