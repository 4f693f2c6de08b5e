import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { SETTINGS } from '../../src/ui/frame/commands/settingList';
import { journey, openDemo, untilFact } from './app';

describe('the search over everything', () => {
  const walk = journey(async (page, app) => {
    await openDemo(page, app);
    await untilFact(page, 'Pages', (fact) => /^\d+$/.test(fact));
  });
  const find = async (page: Page, typed: string) => {
    await page.keyboard.press('Control+k');
    await page.getByRole('combobox', { name: 'Find anything' }).fill(typed);
    await page.keyboard.press('Enter');
  };
  /** The label of what has the focus, and the title of its group. */
  const focused = (page: Page) =>
    page.evaluate(() => {
      const field = document.activeElement as HTMLInputElement;
      const title = field.closest('section')?.querySelector('h2');
      return [
        field.labels?.[0]?.textContent,
        field.getAttribute('aria-label'),
        field.textContent,
        (title?.querySelector('span') ?? title)?.textContent,
      ].map((words) => (words ?? '').trim());
    });

  it('goes to a page by its folio, and by its number in the book', async () => {
    const page = walk.page;
    await find(page, '12');
    await page.locator('article[aria-label*="folio 12"] [data-width]').first().waitFor();
    await find(page, 'folio 5');
    await page.locator('article[aria-label*="folio 5,"], article[aria-label$="folio 5"]').first().waitFor();
  });

  it('leads to every setting that it knows, with the focus on it', async () => {
    const page = walk.page;
    const lost: string[] = [];
    for (const { topic, label, group } of SETTINGS) {
      const name = group === undefined || group === label ? label : `${group}: ${label.toLowerCase()}`;
      await find(page, `${name} ${topic}`);
      await page.getByRole('dialog', { name: 'Find anything' }).waitFor({ state: 'hidden' });
      if (!(await focused(page)).includes(label)) lost.push(`${topic} ${name}: ${(await focused(page)).join(' / ')}`);
    }
    expect(lost).to.deep.equal([]);
  });

  it('opens find and replace with Ctrl F from any stage, and takes back with Ctrl Z, Ctrl Y', async () => {
    const page = walk.page;
    await page.getByRole('link', { name: /^Pages/ }).click();
    await page.keyboard.press('Control+f');
    await page.getByRole('region', { name: 'Find and replace' }).waitFor();
    await page.keyboard.type('tide');
    expect(await page.getByLabel('Find', { exact: true }).inputValue()).to.equal('tide');
    await find(page, 'bleed');
    await page.keyboard.type('3mm');
    await page.keyboard.press('Enter');
    const field = page.getByLabel('At the head');
    await page.waitForFunction((input) => /3 mm/.test((input as HTMLInputElement).value), await field.elementHandle());
    await field.blur();
    await page.keyboard.press('Control+z');
    await page.waitForFunction((input) => !/3 mm/.test((input as HTMLInputElement).value), await field.elementHandle());
    await page.keyboard.press('Control+y');
    await page.waitForFunction((input) => /3 mm/.test((input as HTMLInputElement).value), await field.elementHandle());
  });
});
