import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { scratch } from '../build/tools';
import { launch, openDemo, openProfile, startApp, visit, type JourneyBrowser, type RunningApp } from './app';
import { watchSaved } from './saved';

const HEAD = 'input[aria-label="Head margin, on the drawing"]';

/** Writes to the database are refused while `diskIsFull` is set, as a full disk refuses them. */
const FULL_DISK = `(() => {
  const { put } = IDBObjectStore.prototype;
  IDBObjectStore.prototype.put = function (...values) {
    if (window.diskIsFull) throw new DOMException('full', 'QuotaExceededError');
    return put.apply(this, values);
  };
})()`;

/** The demonstration novel with a title typed that the database has no room for. */
async function renameOnFullDisk(browser: JourneyBrowser, app: RunningApp): Promise<Page> {
  const { page, context } = await visit(browser, app);
  await context.addInitScript(FULL_DISK);
  await openDemo(page, app);
  await page.keyboard.press('Alt+1');
  await page.getByRole('button', { name: 'Particulars' }).click();
  await page.evaluate('window.diskIsFull = true');
  await page.getByLabel('Title', { exact: true }).fill('Unwritten');
  return page;
}

describe('keeping what a person did', () => {
  let app: RunningApp;
  before(async () => {
    app = await startApp();
  });
  after(() => app?.stop());

  it('keeps all that was called saved when Chromium is killed while particulars and spec are edited', async function () {
    this.timeout(600_000);
    const profile = scratch();
    let address = '';
    const fieldAt = async (page: Page, stage: 'copy' | 'spec') => {
      await page.goto(`${address}/${stage}`);
      if (stage === 'copy') await page.getByRole('button', { name: 'Particulars' }).click();
      const field = page.getByLabel(stage === 'copy' ? 'Title' : 'Head', { exact: true });
      await field.waitFor();
      return field;
    };
    let heads: readonly string[] = [];
    for (let round = 0; round <= 3; round += 1) {
      const { page, kill } = await openProfile(profile);
      if (address === '') {
        await openDemo(page, app);
        address = page.url().replace(/\/pages$/, '');
      }
      if (round > 0) expect(heads).to.include(await (await fieldAt(page, 'spec')).inputValue());
      if (round === 3) return kill();
      const title = await fieldAt(page, 'copy');
      const titles = await watchSaved(page, ':focus');
      await title.fill(`Round ${round} `);
      await title.press('End');
      let typed = `Round ${round} `;
      let saved = '';
      for (let k = 0; k < 25; k += 1) {
        const letter = String.fromCharCode(97 + k);
        // Held down as a hand does.
        await page.keyboard.press(letter, { delay: 50 });
        typed += letter;
        // Here the hand rests until the frame says that all is saved.
        if (k === 5 * round + 3) await titles.until((saved = typed));
      }
      await kill();

      const again = await openProfile(profile);
      const kept = await (await fieldAt(again.page, 'copy')).inputValue();
      expect(typed.startsWith(kept), `“${kept}” is a start of “${typed}”`).to.equal(true);
      expect(kept.startsWith(saved), `“${kept}” holds what was called saved, “${saved}”`).to.equal(true);

      // The spec, the same way; the next round opens it.
      const head = await fieldAt(again.page, 'spec');
      const said = await watchSaved(again.page, HEAD);
      await head.fill(`${70 + round}pt`);
      await head.press('Enter');
      await said.until(`${70 + round} pt`);
      await head.fill('99pt');
      await head.press('Enter');
      await again.kill();
      heads = [`${70 + round} pt`, '99 pt'];
    }
  });

  it('opens a book read-only in a second tab, which can take it over', async () => {
    const browser = await launch();
    try {
      const { page, context } = await visit(browser, app);
      await openDemo(page, app);
      await page.keyboard.press('Alt+2');
      await page.waitForURL(/\/spec$/);
      const second = await context.newPage();
      await second.goto(page.url());
      await second.getByText('open in another tab').waitFor();
      expect(await second.getByLabel('Head', { exact: true }).isDisabled()).to.equal(true);

      // What the first tab typed a moment ago is written before it lets go.
      await page.getByLabel('Head', { exact: true }).fill('77pt');
      await page.keyboard.press('Enter');
      await second.getByRole('button', { name: 'Take it over' }).click();
      await second.waitForFunction(
        (selector) => document.querySelector<HTMLInputElement>(selector)?.disabled === false,
        HEAD,
      );
      expect(await second.getByLabel('Head', { exact: true }).inputValue()).to.equal('77 pt');
      await page.getByText('open in another tab').waitFor();
      expect(await page.getByLabel('Head', { exact: true }).isDisabled()).to.equal(true);
      await second.getByLabel('Head', { exact: true }).fill('66pt');
      await second.keyboard.press('Enter');
      await second.getByText('Saved', { exact: true }).waitFor();
    } finally {
      await browser.close();
    }
  });

  it('says what could not be written, asks before the book is left, and goes on when there is room', async () => {
    const browser = await launch();
    try {
      const page = await renameOnFullDisk(browser, app);
      await page
        .getByText('1 change could not be written: the disk, or this browser’s share of it, is full.')
        .waitFor();
      await page.getByRole('link', { name: 'To the Shelf' }).click();
      const question = page.getByRole('dialog', { name: 'Changes that are not written' });
      await question.getByText('1 change could not be written').waitFor();
      const saving = page.waitForEvent('download');
      await question.getByRole('button', { name: 'Save a project file' }).click();
      expect((await saving).suggestedFilename()).to.equal('unwritten.walnut');
      await question.getByRole('button', { name: 'Keep the book open' }).click();
      await question.waitFor({ state: 'detached' });
      expect(await page.getByLabel('Title', { exact: true }).inputValue()).to.equal('Unwritten');
      // Leaving the page itself is asked about by the browser.
      const warned = page.waitForEvent('dialog');
      void page.close({ runBeforeUnload: true });
      const warning = await warned;
      expect(warning.type()).to.equal('beforeunload');
      await warning.dismiss();
      await page.evaluate('window.diskIsFull = false');
      await page.getByText('Saved', { exact: true }).waitFor();
      await page.getByRole('link', { name: 'To the Shelf' }).click();
      await page.getByRole('link', { name: 'Open Unwritten' }).waitFor();
    } finally {
      await browser.close();
    }
  });

  it('closes without what could not be written when a person says so', async () => {
    const browser = await launch();
    try {
      const page = await renameOnFullDisk(browser, app);
      await page.getByText('could not be written').waitFor();
      await page.getByRole('link', { name: 'To the Shelf' }).click();
      await page.getByRole('button', { name: 'Close without 1 change' }).click();
      await page.getByRole('link', { name: 'Open The Ferry Register' }).waitFor();
      expect(page.url()).to.equal(app.url);
    } finally {
      await browser.close();
    }
  });

  it('frees the book when its tab is closed', async () => {
    const browser = await launch();
    try {
      const { page, context } = await visit(browser, app);
      await openDemo(page, app);
      const address = page.url();
      await page.close();
      const next = await context.newPage();
      await next.goto(address);
      await next.locator('article [data-width]').first().waitFor();
      expect(await next.getByText('open in another tab').count()).to.equal(0);
    } finally {
      await browser.close();
    }
  });
});
