import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { checkBook } from '../../src/core/validate';
import { BOOK_FORMAT } from '../../src/core/model/book';
import type { Block } from '../../src/core/model/streams';
import { seeded } from '../build/book';
import { scratch } from '../build/tools';
import { dropFiles, openProfile, startApp, type RunningApp } from './app';

const ROUNDS = 50;
/** Milliseconds between keys on a machine at rest. */
const PACE = 40;
const TEXT = 'The Weir\n\nIt began here:\n\nAnd it ended there.';

interface Stored {
  readonly book: Record<string, unknown> & { readonly divisionIds: readonly string[] };
  readonly divisions: readonly { readonly division: string; readonly value: { readonly blocks: readonly Block[] } }[];
  readonly notes: readonly { readonly note: string; readonly value: unknown }[];
}

/** Reads a table of the browser's database past the app. Text, because the page knows no helpers of the test's compiler. */
const READ_TABLE = `new Promise((resolve, reject) => {
  const request = indexedDB.open('walnut-leaf');
  request.onerror = () => reject(request.error);
  request.onsuccess = () => {
    const rows = request.result.transaction('TABLE').objectStore('TABLE').getAll();
    rows.onerror = () => reject(rows.error);
    rows.onsuccess = () => {
      request.result.close();
      resolve(rows.result);
    };
  };
})`;

type Row = { readonly id?: string; readonly book?: string };

/** Everything that the database holds of a book. */
async function readStored(page: Page, id: string): Promise<Stored> {
  const all = (table: string) => page.evaluate<Row[]>(READ_TABLE.replaceAll('TABLE', table));
  const own = async (table: string) => (await all(table)).filter((row) => row.book === id);
  const book = (await all('books')).find((row) => row.id === id);
  return { book, divisions: await own('divisions'), notes: await own('notes') } as unknown as Stored;
}

/** Checks the stored book against the schema and answers the text of its chapter. */
function textOf({ book, divisions, notes }: Stored): string {
  const own = new Map(divisions.map((row) => [row.division, row.value]));
  const whole = checkBook({
    format: BOOK_FORMAT,
    id: book.id,
    nextId: book.nextId,
    particulars: book.particulars,
    spec: book.spec,
    source: book.source,
    pageTouches: book.pageTouches,
    divisions: book.divisionIds.map((division) => own.get(division)),
    notes: Object.fromEntries(notes.map((row) => [row.note, row.value])),
  });
  const ids = whole.divisions.flatMap((division) => division.blocks.map((block) => block.id));
  expect(new Set(ids).size, 'ids are unique').to.equal(ids.length);
  const { blocks } = whole.divisions.find((division) => division.role === 'chapter')!;
  return blocks.map((block) => (block.kind === 'paragraph' ? block.text : '')).join('\n');
}

describe('a browser killed while text is typed', () => {
  let app: RunningApp;
  before(async () => {
    app = await startApp();
  });
  after(() => app?.stop());

  it(`opens with a whole book and the text of a moment before, ${ROUNDS} times`, async function () {
    this.timeout(600_000);
    const random = seeded(20261126);
    const profile = scratch();
    let address = '';
    /** All texts that the chapter has had, in order, and when each had been typed. */
    let states: { readonly text: string; time: number }[] = [];
    let killed = 0;
    /** Milliseconds that may be lost: a second, and as much more as other work makes this machine slower. */
    let second = 1000;
    for (let round = 0; round <= ROUNDS; round += 1) {
      const { page, kill } = await openProfile(profile);
      if (address === '') {
        await page.goto(app.url);
        await page.getByRole('link', { name: 'Open The Ferry Register' }).waitFor();
        await dropFiles(page, 'main', [{ name: 'weir.txt', bytes: new TextEncoder().encode(TEXT) }]);
        await page.waitForURL(/\/book\/[^/]+/);
        address = page.url().replace(/(\/book\/[^/]+).*$/, '$1');
      }
      await page.goto(`${address}/copy`);
      const paragraphs = page.locator('.galley-text');
      await paragraphs.first().waitFor();
      const kept = textOf(await readStored(page, address.slice(address.lastIndexOf('/') + 1)));
      if (round > 0) {
        const found = states.findLastIndex(({ text }) => text === kept);
        expect(found, `round ${round}: “${kept.slice(-60)}” is a text of before`).to.be.at.least(0);
        const old = states.findLastIndex(({ time }) => time < killed - second);
        expect(found, `round ${round}: what was typed a second before is there`).to.be.at.least(old);
        expect((await paragraphs.allTextContents()).join('\n').replace(/\n+/g, '\n')).to.equal(
          kept.replace(/\n+/g, '\n'),
        );
      }
      if (round === ROUNDS) {
        await kill();
        break;
      }
      states = [{ text: kept, time: 0 }];
      const last = paragraphs.last();
      await last.click();
      await page.keyboard.press('End');
      const keys = 3 + Math.floor(random() * 70);
      let text = kept;
      let pressed = Promise.resolve();
      const begun = Date.now();
      for (let k = 0; k < keys; k += 1) {
        const key = k % 11 === 10 ? 'Enter' : k % 5 === 4 ? ' ' : String.fromCharCode(97 + ((k + round) % 26));
        text += key === 'Enter' ? '\n' : key;
        const state = { text, time: Infinity };
        states.push(state);
        // Some twenty-five keys a second: faster than anybody types, and the screen is not idle in between.
        pressed = page.keyboard.press(key === ' ' ? 'Space' : key, { delay: 20 }).then(
          () => void (state.time = Date.now()),
          () => undefined,
        );
        // The last key is still down when the power goes.
        if (k < keys - 1) await pressed;
      }
      killed = Date.now();
      second = 1000 * Math.max(1, (killed - begun) / keys / PACE);
      await kill();
      await pressed;
    }
  });
});
