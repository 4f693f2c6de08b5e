// `npm run bench`: the demonstration novel, and seeded texts of 100,000 words (32 chapters, and as one division) and 500,000:
// the time of each stage, the ratio to the floor, memory, edits, and in the same run headless Chromium printing the same text.
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { nodeAssets } from '../cli/assets';
import { drain } from '../cli/compose';
import { fileBytes, makeBook, readManuscript, typesetBook, writePressPdf } from '../src/core/index';
import type { Book } from '../src/core/model/copy/book';
import { FIGURE_PLACES } from '../src/core/model/copy/figureSetting';
import type { TypesetBook } from '../src/core/model/composed/pages';
import type { Paragraph } from '../src/core/model/copy/streams';
import { openBrowser, printPeer } from './browserPeer';
import { measureEdits, type EditTimes } from './edits';
import { ebookTime, withFiles } from './ebook';
import { dragFigure, withFigures } from './figures';
import { measureReach } from './specChanges';
import { peerText } from './peerText';
import { seededText } from './seededText';
import { measureTable, withTable, withTables } from './tables';

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

/** Shaping alone: one hb_shape per run, buffers reused, results copied (engineering decisions, section 3). */
function shapingAlone(book: Book): () => number {
  const { library } = assets.contextFor(book);
  const font = library.font('eb-garamond/400');
  const texts = book.divisions.flatMap((division) => division.blocks.map((block) => (block as Paragraph).text));
  return () => timed(() => texts.forEach((text) => library.harfBuzz.shape(font, text, 'onum,pnum', 'en')))[0];
}

interface Run {
  readonly compose: number;
  readonly press: number;
  readonly facts: Pick<TypesetBook, 'times' | 'words' | 'lines'> & { readonly pages: number };
}

/** Composes and writes the book once. No more of it is kept than its figures: memory is that of one. */
function runOnce(book: Book): Run {
  const context = assets.contextFor(book);
  const [compose, composed] = timed(() => drain(typesetBook(book, context)));
  const [press] = timed(() =>
    fileBytes(writePressPdf(book, composed, context, assets.subsetter(), '2026-01-01T00:00:00Z')),
  );
  const { times, words, pages, lines } = composed;
  return { compose, press, facts: { times, words, pages: pages.length, lines } };
}

/** Floor and compose are measured in turn: the ratio is the median of those of each turn, whatever else the machine does. */
function measure(name: string, book: Book, runs: number): number {
  const floor = shapingAlone(book);
  floor();
  const [first] = timed(() => drain(typesetBook(book, assets.contextFor(book))));
  const turns = Array.from({ length: runs }, () => ({ floor: floor(), run: runOnce(book) }));
  const whole = median(turns.map(({ run }) => run.compose));
  const { facts } = turns[Math.floor(runs / 2)].run;
  const stages = Object.entries(facts.times).map(([stage, time]) => `${stage} ${time.toFixed(0)}`);
  console.log(`\n${name}: ${facts.words} words, ${facts.pages} pages, ${facts.lines} lines`);
  console.log(
    `  compose ${ms(whole)} (${stages.join(', ')}), the first time ${ms(first)}; press PDF ${ms(median(turns.map(({ run }) => run.press)))}; memory ${megabytes().toFixed(0)} MB`,
  );
  const ratio = median(turns.map((turn) => turn.run.compose / turn.floor));
  console.log(
    `  floor (shaping alone) ${ms(median(turns.map((turn) => turn.floor)))}; compose / floor ${ratio.toFixed(2)}`,
  );
  return whole;
}

function edits(name: string, book: Book): void {
  const line = ({ kind, p50, p95, shaped, broken, visited }: EditTimes) =>
    `  ${kind}: p50 ${p50.toFixed(1)} ms, p95 ${p95.toFixed(1)} ms; paragraphs shaped ${shaped}, broken ${broken}, looked at for pages ${visited} (medians)`;
  console.log(`\n200 edits spread over ${name}:`);
  for (const kind of ['a letter typed', 'a paragraph split', 'a style’s size changed'] as const)
    console.log(line(measureEdits(book, assets.contextFor(book), kind, kind === 'a style’s size changed' ? 20 : 200)));
}

/** A context that has other body faces too, so that the book can be set in them. */
function contextWithFaces(book: Book, families: readonly string[]) {
  const other = families.map((face) => ({ ...book, spec: { ...book.spec, text: { ...book.spec.text, face } } }));
  return assets.contextFor([book, ...other]);
}

/** Enough for the machine code of a worker that has composed before: the median is that of one in use. */
const RUNS = 11;
const demo = new Uint8Array(readFileSync(join(folder, 'demo/the-ferry-register.docx')));
measure('The Ferry Register', bookOf('the-ferry-register.docx', demo), 5);
const long = seededBook(100_000, 32);
const hundred = measure('Seeded text, 32 chapters', long, RUNS);

const composeTime = (book: Book) => timed(() => drain(typesetBook(book, assets.contextFor(book))))[0];
const figured = withFigures(long, 120, FIGURE_PLACES);
const ofTheTime = (book: Book) =>
  median(Array.from({ length: 5 }, () => composeTime(book) / composeTime(long))).toFixed(2);
const inPlace = ofTheTime(withFigures(long, 120, ['here']));
console.log(`  the same with 120 figures and captions: ${inPlace} of the time, at all places ${ofTheTime(figured)}`);

console.log(`  the same with 100 tables and captions: ${ofTheTime(withTables(long, 100))} of the time`);

const pictured = withFiles(withFigures(long, 20, ['here']));
const ebooks = Array.from({ length: 5 }, () => {
  const context = assets.contextFor(pictured.book);
  const [compose, composed] = timed(() => drain(typesetBook(pictured.book, context)));
  const { time, bytes } = ebookTime(pictured, composed, context, assets.subsetter);
  return { time, bytes, ratio: time / compose };
});
console.log(
  `  an ebook of it with 20 pictures: ${ms(median(ebooks.map(({ time }) => time)))}, ${median(ebooks.map(({ ratio }) => ratio)).toFixed(2)} of the compose; ${(ebooks[0].bytes / 1e6).toFixed(1)} MB`,
);

const novel = bookOf('the-ferry-register.docx', demo);
const dragged = dragFigure(novel, assets.contextFor(novel), 80);
console.log(
  `  a figure beside text dragged through The Ferry Register: its chapter composed p50 ${ms(dragged[40])}, p95 ${ms(dragged[76])}`,
);

const large = withTable(bookOf('a.txt', new TextEncoder().encode('Chapter 1\n\nLevels of all stations.\n')), 5000, 8);
const { first, again, typed } = measureTable(large, assets.contextFor(large), 60);
console.log(
  `\nA table of 5000 rows by 8 columns: composed the first time ${ms(first)}, again ${ms(again)}; a figure typed in a cell p50 ${ms(typed[30])}, p95 ${ms(typed[57])}`,
);

const reach = measureReach(long, contextWithFaces(long, ['source-serif-4']), 6);
console.log(
  `\nA change of the spec, ${long.divisions.length} divisions: the chapter in view composed p50 ${ms(reach.p50)}, p95 ${ms(reach.p95)} (slowest: ${reach.slowest})`,
);

const context = assets.contextFor(long);
const { geometry } = drain(typesetBook(long, context));
const browser = await openBrowser();
const prints = [];
for (let k = 0; k < 5; k += 1) {
  const print = await printPeer(browser, peerText(long, geometry, context, folder));
  const { compose, press } = runOnce(long);
  prints.push({ ...print, ratio: print.ms / (compose + press) });
}
await browser.close();
console.log(
  `  the same text printed by headless Chromium: ${ms(median(prints.map((one) => one.ms)))}, ${prints[0].pages} pages; compose and PDF, in turn with it, are ${median(prints.map((one) => one.ratio)).toFixed(1)} times faster`,
);

edits('32 chapters', long);
edits('32 chapters with 120 figures', figured);
edits('the same length as one division', seededBook(100_000, 0));
const five = measure('Seeded text, 160 chapters', seededBook(500_000, 160), 3);
console.log(`  time for 500,000 words / 100,000 words: ${(five / hundred).toFixed(2)}`);
console.log(`  most memory held: ${(process.resourceUsage().maxRSS / 1024).toFixed(0)} MB`);
