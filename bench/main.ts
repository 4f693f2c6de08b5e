// `npm run bench`: words, pages and the time of each stage for the demonstration book and a seeded text of 100,000 words,
// and the ratio of a whole compose to the floor: shaping alone, one hb_shape per run.
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { nodeAssets } from '../cli/assets';
import { drain } from '../cli/compose';
import { applyEdits, makeBook, readManuscript, typesetBook, writePressPdf } from '../src/core/index';
import type { Book } from '../src/core/model/book';
import type { Paragraph } from '../src/core/model/streams';
import { seededText } from './seededText';

const folder = fileURLToPath(new URL('../../generated/public', import.meta.url));
const assets = nodeAssets(folder);

const median = (values: readonly number[]) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)];
const timed = <T>(work: () => T): [number, T] => {
  const start = performance.now();
  const result = work();
  return [performance.now() - start, result];
};

/** Shaping alone: every paragraph of the book as one run, median of five. */
function shapingFloor(book: Book): number {
  const { library } = assets.contextFor(book);
  const font = library.font('eb-garamond/400');
  const texts = book.divisions.flatMap((division) => division.blocks.map((block) => (block as Paragraph).text));
  const once = () => timed(() => texts.forEach((text) => library.harfBuzz.shape(font, text, 'onum,pnum', 'en')))[0];
  return median(Array.from({ length: 5 }, once));
}

function measure(name: string, fileName: string, bytes: Uint8Array): void {
  const [read, book] = timed(() => makeBook(drain(readManuscript(fileName, bytes)), { bookId: 'b1', fileName }));
  const floor = shapingFloor(book);
  drain(typesetBook(book, assets.contextFor(book)));
  const runs = Array.from({ length: 3 }, () => {
    const context = assets.contextFor(book);
    const [whole, composed] = timed(() => drain(typesetBook(book, context)));
    return { whole, composed, context };
  }).sort((a, b) => a.whole - b.whole);
  const { whole, composed, context } = runs[1];
  const [press] = timed(() =>
    drain(writePressPdf(book, composed, context, assets.subsetter(), '2026-01-01T00:00:00Z')),
  );
  const edits = typeLetters(book, context);
  const ms = (value: number) => `${value.toFixed(0)} ms`;
  console.log(`\n${name}: ${composed.words} words, ${composed.pages.length} pages, ${composed.lines} lines`);
  console.log(
    `  read ${ms(read)}; compose ${ms(whole)} (${Object.entries(composed.times)
      .map(([stage, time]) => `${stage} ${time.toFixed(0)}`)
      .join(', ')}); press PDF ${ms(press)}`,
  );
  console.log(`  floor (shaping alone) ${ms(floor)}; compose / floor ${(whole / floor).toFixed(2)}`);
  console.log(
    `  a letter typed: p50 ${edits.p50.toFixed(1)} ms, p95 ${edits.p95.toFixed(1)} ms, paragraphs shaped again ${edits.shaped}`,
  );
}

/** Types a letter at 40 places spread over the book. */
function typeLetters(
  start: Book,
  context: ReturnType<typeof assets.contextFor>,
): { p50: number; p95: number; shaped: number } {
  let book = start;
  const times: number[] = [];
  let shaped = 0;
  for (let k = 0; k < 40; k += 1) {
    const division = book.divisions[Math.floor((k / 40) * book.divisions.length)];
    const at = Math.floor(division.blocks.length / 2);
    const block = division.blocks[at] as Paragraph;
    if (block.text.length < 20) continue;
    const typed = { ...block, text: `${block.text.slice(0, 10)}x${block.text.slice(10)}`, spans: [], objects: [] };
    if (block.objects.length > 0) continue;
    const before = context.cache.shapedCount;
    const [time] = timed(() => {
      book = applyEdits(book, [
        { kind: 'replaceBlocks', stream: division.id, at, removed: [block], inserted: [typed] },
      ]);
      drain(typesetBook(book, context));
    });
    times.push(time);
    shaped = Math.max(shaped, context.cache.shapedCount - before);
  }
  return { p50: median(times), p95: [...times].sort((a, b) => a - b)[Math.floor(times.length * 0.95)], shaped };
}

measure(
  'The Ferry Register',
  'the-ferry-register.docx',
  new Uint8Array(readFileSync(join(folder, 'demo/the-ferry-register.docx'))),
);
const source = readFileSync(join(folder, '../../demo/the-ferry-register.txt'), 'utf8');
const text = seededText({ words: 100_000, chapters: 32, seed: 7, source });
measure('Seeded text', 'seeded.txt', new TextEncoder().encode(text));
