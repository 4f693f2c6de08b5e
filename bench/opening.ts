// `npm run opening`: how long a book takes from the click on the Shelf to its first page, with ten entries in its log and with
// 100,000, in turn in one browser: the ratio says what a long history costs.
import type { Page } from 'playwright-core';
import { startServer } from './appServer';
import { openBrowser } from './browserPeer';

const ROUNDS = 9;
const COUNTS = [10, 100_000] as const;
/** A change as it is made by typing in a paragraph, put into the log past the app. Text: the page knows no helpers of our compiler. */
const FILL = `(count) => new Promise((resolve, reject) => {
  const request = indexedDB.open('walnut-leaf');
  request.onerror = () => reject(request.error);
  request.onsuccess = () => {
    const database = request.result;
    const write = database.transaction(['books', 'log'], 'readwrite');
    const books = write.objectStore('books');
    const log = write.objectStore('log');
    books.getAll().onsuccess = (event) => {
      const book = event.target.result.find(({ particulars }) => particulars.title === 'The Ferry Register');
      log.delete(IDBKeyRange.bound([book.id, 0], [book.id, Infinity]));
      for (let number = 1; number <= count; number += 1) {
        const [from, to] = [String(number - 1), String(number)];
        const edits = [{ kind: 'setParticulars', key: 'series', from, to }];
        log.put({ book: book.id, number, entry: { name: 'Series', time: number * 1000, edits } });
      }
      books.put({ ...book, cursor: count, revision: count, particulars: { ...book.particulars, series: String(count) } });
    };
    write.oncomplete = () => { database.close(); resolve(); };
    write.onerror = () => reject(write.error);
  };
})`;

/** Milliseconds from the click to the first page with text. */
async function opened(page: Page, url: string): Promise<number> {
  await page.goto(url);
  const link = page.getByRole('link', { name: 'Open The Ferry Register' });
  await link.waitFor();
  await page.evaluate(`window.firstPage = new Promise((resolve) => {
    addEventListener('click', () => {
      const start = performance.now();
      const look = () => document.querySelector('article [data-width]') ? resolve(performance.now() - start) : requestAnimationFrame(look);
      look();
    }, { once: true, capture: true });
  }); void 0`);
  await link.click();
  return page.evaluate('window.firstPage');
}

const middle = (times: number[]) => times.sort((a, b) => a - b)[Math.floor(times.length / 2)];

const server = await startServer();
const browser = await openBrowser();
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
const times: number[][] = COUNTS.map(() => []);
await opened(page, server.url);
for (const [k, count] of COUNTS.entries()) {
  await page.goto(server.url);
  await page.getByRole('link', { name: 'Open The Ferry Register' }).waitFor();
  await page.evaluate(`(${FILL})(${count})`);
  for (let round = 0; round < ROUNDS; round += 1) times[k].push(await opened(page, server.url));
}
const [few, many] = times.map(middle);
console.log(
  `a book opened, median of ${ROUNDS}: ${COUNTS[0]} entries ${few.toFixed(0)} ms, ${COUNTS[1]} entries ${many.toFixed(0)} ms, ratio ${(many / few).toFixed(2)}`,
);
await browser.close();
server.stop();
