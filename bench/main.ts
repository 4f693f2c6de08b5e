// `npm run bench`: the demonstration novel, and seeded texts of 100,000 words (32 chapters, and as one division) and 500,000:
// the time of each stage, the ratio to the floor, memory, edits, and in the same run headless Chromium printing the same text.
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { nodeAssets } from '../cli/assets';
import { drain } from '../cli/compose';
import { makeBook, readManuscript, typesetBook, writePressPdf } from '../src/core/index';
import type { Book } from '../src/core/model/book';
import type { Paragraph } from '../src/core/model/streams';
import { openBrowser, printPeer } from './browserPeer';
import { measureEdits, type EditTimes } from './edits';
import { peerText } from './peerText';
import { seededText } from './seededText';

const folder = fileURLToPath(new URL('../../generated/public', import.meta.url));
const source = readFileSync(join(folder, '../../demo/the-ferry-register.txt'), 'utf8');
const assets = nodeAssets(folder);

const median = (values: readonly number[]) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)];
const timed = <T>(work: () => T): [number, T] => {
  const start = performance.now();
  const result = work();
  return [performance.now() - start, result];
};
const ms = (value: number) => `${value.toFixed(0)} ms`;
const megabytes = () => process.memoryUsage().rss / 2 ** 20;

function bookOf(name: string, bytes: Uint8Array): Book {
  return makeBook(drain(readManuscript(name, bytes)), { bookId: 'b1', fileName: name });
}

const seededBook = (words: number, chapters: number) =>
  bookOf('seeded.txt', new TextEncoder().encode(seededText({ words, chapters, seed: 7, source })));

/** Shaping alone: one hb_shape per run, buffers reused, results copied; median of five (engineering decisions, section 3). */
function shapingFloor(book: Book): number {
  const { library } = assets.contextFor(book);
  const font = library.font('eb-garamond/400');
  const texts = book.divisions.flatMap((division) => division.blocks.map((block) => (block as Paragraph).text));
  const once = () => timed(() => texts.forEach((text) => library.harfBuzz.shape(font, text, 'onum,pnum', 'en')))[0];
  return median(Array.from({ length: 5 }, once));
}

interface Measured {
  readonly compose: number;
  readonly both: number;
}

function measure(name: string, book: Book, runs: number): Measured {
  const floor = shapingFloor(book);
  drain(typesetBook(book, assets.contextFor(book)));
  const all = Array.from({ length: runs }, () => {
    const context = assets.contextFor(book);
    const [whole, composed] = timed(() => drain(typesetBook(book, context)));
    const [press] = timed(() =>
      drain(writePressPdf(book, composed, context, assets.subsetter(), '2026-01-01T00:00:00Z')),
    );
    return { whole, composed, press };
  });
  const whole = median(all.map((one) => one.whole));
  const press = median(all.map((one) => one.press));
  const { composed } = all[Math.floor(runs / 2)];
  const stages = Object.entries(composed.times).map(([stage, time]) => `${stage} ${time.toFixed(0)}`);
  console.log(`\n${name}: ${composed.words} words, ${composed.pages.length} pages, ${composed.lines} lines`);
  console.log(
    `  compose ${ms(whole)} (${stages.join(', ')}); press PDF ${ms(press)}; memory ${megabytes().toFixed(0)} MB`,
  );
  console.log(`  floor (shaping alone) ${ms(floor)}; compose / floor ${(whole / floor).toFixed(2)}`);
  return { compose: whole, both: whole + press };
}

function edits(name: string, book: Book): void {
  const line = ({ kind, p50, p95, shaped, broken, visited }: EditTimes) =>
    `  ${kind}: p50 ${p50.toFixed(1)} ms, p95 ${p95.toFixed(1)} ms; paragraphs shaped ${shaped}, broken ${broken}, looked at for pages ${visited} (medians)`;
  console.log(`\n200 edits spread over ${name}:`);
  for (const kind of ['a letter typed', 'a paragraph split', 'a style’s size changed'] as const)
    console.log(line(measureEdits(book, assets.contextFor(book), kind, kind === 'a style’s size changed' ? 20 : 200)));
}

const demo = new Uint8Array(readFileSync(join(folder, 'demo/the-ferry-register.docx')));
measure('The Ferry Register', bookOf('the-ferry-register.docx', demo), 5);
const long = seededBook(100_000, 32);
const hundred = measure('Seeded text, 32 chapters', long, 5);

const context = assets.contextFor(long);
const { geometry } = drain(typesetBook(long, context));
const browser = await openBrowser();
const prints = [];
for (let k = 0; k < 3; k += 1) prints.push(await printPeer(browser, peerText(long, geometry, context, folder)));
await browser.close();
const print = median(prints.map((one) => one.ms));
console.log(
  `  the same text printed by headless Chromium: ${ms(print)}, ${prints[0].pages} pages; compose and PDF are ${(print / hundred.both).toFixed(1)} times faster`,
);

edits('32 chapters', long);
edits('the same length as one division', seededBook(100_000, 0));
const five = measure('Seeded text, 160 chapters', seededBook(500_000, 160), 1);
console.log(`  time for 500,000 words / 100,000 words: ${(five.compose / hundred.compose).toFixed(2)}`);
console.log(`  most memory held: ${(process.resourceUsage().maxRSS / 1024).toFixed(0)} MB`);
