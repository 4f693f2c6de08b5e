// `npm run fuzz -- [FILES] [FIRST SEED]`: 10,000 files from seed 1 on when nothing else is said. Exit 1 when one failed.
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { fuzz } from './run';

const here = dirname(fileURLToPath(import.meta.url));
const [count = 10_000, first = 1] = process.argv.slice(2).map(Number);
const tally = { read: 0, refused: 0, failed: 0 };
let slowest = 0;
let most = 0;
const failures = await fuzz(
  first,
  count,
  { program: join(here, 'child.mjs'), nodeOptions: [], root: join(here, '../..') },
  ({ kind, ms, memory, seed, words, file }) => {
    tally[kind] += 1;
    [slowest, most] = [Math.max(slowest, ms), Math.max(most, memory)];
    if (kind === 'failed') process.stdout.write(`${seed} ${file}: ${words}\n`);
    const done = tally.read + tally.refused + tally.failed;
    if (done % 500 === 0) process.stdout.write(`${done} files\n`);
  },
);
process.stdout.write(
  `${tally.read} read, ${tally.refused} refused, ${failures.length} failed; slowest ${slowest} ms, most memory ${most} MB\n`,
);
process.exitCode = failures.length === 0 ? 0 : 1;
