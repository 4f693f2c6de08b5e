import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { checkBook } from '../../src/core/validate';
import { BOOK_FORMAT } from '../../src/core/model/copy/book';
import type { Block } from '../../src/core/model/copy/streams';
import { seeded } from '../build/book';
import { scratch } from '../build/tools';
import { dropFiles, openProfile, startApp, type RunningApp } from './app';
import { watchSaved } from './saved';

/** Browsers killed, over the profiles that live side by side: a round mostly waits. */
const ROUNDS = 8;
const PROFILES = 2;
const TEXT = 'The Weir\n\nIt began here:\n\nAnd it ended there.';

interface Stored {
  readonly book: Record<string, unknown> & { readonly divisionIds: readonly string[] };
  readonly divisions: readonly { readonly division: string; readonly value: { readonly blocks: readonly Block[] } }[];
  readonly notes: readonly { readonly note: string; readonly value: unknown }[];
  readonly figures: readonly { readonly figure: string; readonly value: unknown }[];
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
  return {
    book,
    divisions: await own('divisions'),
    notes: await own('notes'),
    figures: await own('figures'),
  } as unknown as Stored;
}

/** Checks the stored book against the schema and answers the text of its chapter. */
function textOf({ book, divisions, notes, figures }: Stored): string {
  const own = new Map(divisions.map((row) => [row.division, row.value]));
  const whole = checkBook({
    format: BOOK_FORMAT,
    id: book.id,
    nextId: book.nextId,
    particulars: book.particulars,
    spec: book.spec,
    source: book.source,
    anchors: book.anchors,
    pageTouches: book.pageTouches,
    divisions: book.divisionIds.map((division) => own.get(division)),
    notes: Object.fromEntries(notes.map((row) => [row.note, row.value])),
    figures: Object.fromEntries(figures.map((row) => [row.figure, row.value])),
  });
  const ids = whole.divisions.flatMap((division) => division.blocks.map((block) => block.id));
  expect(new Set(ids).size, 'ids are unique').to.equal(ids.length);
  const { blocks } = whole.divisions.find((division) => division.role === 'chapter')!;
  return blocks.map((block) => (block.kind === 'paragraph' ? block.text : '')).join('\n');
}

/** Letters, spaces and new paragraphs, no two rounds alike. */
function keyAt(round: number, at: number): { readonly key: string; readonly char: string } {
  if (at % 11 === 10) return { key: 'Enter', char: '\n' };
  if (at % 5 === 4) return { key: 'Space', char: ' ' };
  const char = String.fromCharCode(97 + ((at + round) % 26));
  return { key: char, char };
}

/** Paragraph ends as one line end each. */
const lines = (text: string) => text.replace(/\n+/g, '\n');

/** Types into a book of its own, kills the browser, opens the book again, and so on. */
async function typeAndKill(app: RunningApp, rounds: number, seed: number): Promise<void> {
  const random = seeded(seed);
  const profile = scratch();
  let address = '';
  /** All texts that the chapter has had in the last round, in order, and the newest of them that the frame called saved. */
  let states: string[] = [];
  let saved = 0;
  for (let round = 0; round <= rounds; round += 1) {
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
      const at = states.lastIndexOf(kept);
      expect(at, `round ${round}: “${kept.slice(-60)}” is a text of before`).to.be.at.least(0);
      expect(at, `round ${round}: what was called saved is there`).to.be.at.least(saved);
      expect(lines((await paragraphs.allTextContents()).join('\n'))).to.equal(lines(kept));
    }
    if (round === rounds) return kill();
    const watch = await watchSaved(page, '.galley-text');
    states = [kept];
    await paragraphs.last().click();
    await page.keyboard.press('End');
    const keys = 3 + Math.floor(random() * 25);
    // Here the hand rests until the frame says that all is saved.
    const rest = Math.floor(random() * keys);
    let pressed = Promise.resolve();
    for (let k = 0; k < keys; k += 1) {
      const { key, char } = keyAt(round, k);
      states.push(states.at(-1)! + char);
      // Some twenty-five keys a second: faster than anybody types, and the screen is not idle in between.
      pressed = page.keyboard.press(key, { delay: 20 }).catch(() => undefined);
      // The last key is still down when the power goes.
      if (k < keys - 1) await pressed;
      if (k === rest && k < keys - 1) await watch.until(lines(states.at(-1)!));
    }
    await kill();
    await pressed;
    saved = Math.max(0, ...watch.said.map((text) => states.findLastIndex((state) => lines(state) === lines(text))));
    if (rest < keys - 1) expect(saved, 'something was called saved').to.be.at.least(rest + 1);
  }
}

describe('a browser killed while text is typed', () => {
  let app: RunningApp;
  before(async () => {
    app = await startApp();
  });
  after(() => app?.stop());

  it(`opens with a whole book, a text of before, and all that was called saved, ${ROUNDS} times`, async function () {
    this.timeout(600_000);
    const profiles = Array.from({ length: PROFILES }, (_, seed) =>
      typeAndKill(app, ROUNDS / PROFILES, 20261126 + seed),
    );
    await Promise.all(profiles);
  });
});
