// A book that is begun before there is a manuscript: its spec on dummy copy, then the copy itself.
import type { Page } from 'playwright-core';
import { journey, stageFact, untilFact } from './app';

const stage = (page: Page, name: string) => page.getByRole('link', { name: new RegExp(`^${name}`) }).click();

describe('a book without a manuscript', () => {
  const walk = journey(async (page, app) => {
    await page.goto(app.url);
    await page.getByText('Drop a manuscript').waitFor();
  });
  let page: Page;
  before(() => (page = walk.page));

  it('begins with its spec, on dummy copy of the book', async () => {
    await page.getByRole('button', { name: 'No manuscript yet' }).click();
    await page.waitForURL(/\/spec$/);
    await page.getByText('There is no copy yet.').waitFor();
    await page.getByLabel('Chapters').fill('0');
    await page.getByRole('button', { name: 'Fill chapters' }).click();
    await page.getByText('A whole number from 1 to 100.').waitFor();
    await page.getByLabel('Chapters').fill('3');
    await page.getByRole('button', { name: 'Fill chapters' }).click();
    await page.getByText('120 paragraphs of dummy copy in 3 divisions').waitFor();
    await untilFact(page, 'Pages', (fact) => Number(fact) > 20);
    await page.keyboard.press('Control+z');
    await page.getByText('There is no copy yet.').waitFor();
  });

  it('fills a number of pages, and is told in Proof until the dummy copy is out', async () => {
    await page.getByLabel('Fill', { exact: true }).selectOption('pages');
    await page.getByRole('textbox', { name: 'Pages', exact: true }).fill('9');
    await page.getByRole('button', { name: 'Fill pages' }).click();
    await page.getByText(/^\d+ paragraphs of dummy copy in 1 division$/).waitFor();
    await untilFact(page, 'Pages', (fact) => Number(fact) >= 12);
    await stage(page, 'Copy');
    const chapter = page.getByRole('navigation', { name: 'Running order' }).getByRole('button', { name: /\b9$/ });
    await chapter.waitFor();
    await stageFact(page, 'Pages');
    await stage(page, 'Proof');
    await page.getByText(/\d+ paragraphs are dummy copy: take them out, or type over them\./).waitFor();
    await stage(page, 'Copy');
    await page.getByRole('button', { name: 'Arrival', exact: true }).click();
    await page.getByRole('button', { name: 'Take out' }).click();
    await chapter.waitFor({ state: 'detached' });
    await page.getByRole('button', { name: /^Undo/ }).click();
    await chapter.waitFor();
  });

  it('takes the manuscript when it comes, in place of what stood for it', async () => {
    await page.getByLabel('Newer manuscript').setInputFiles({
      name: 'weir.md',
      mimeType: 'text/markdown',
      buffer: Buffer.from('# The Weir\n\nIt began here.\n\n# The Landing\n\nIt ended there.\n'),
    });
    const order = page.getByRole('navigation', { name: 'Running order' });
    await order.getByRole('button', { name: /^The Landing/ }).waitFor();
    await page.getByText(/paragraphs of dummy copy/).waitFor({ state: 'detached' });
    await page.getByText('There is no copy yet.').waitFor({ state: 'detached' });
  });
});
