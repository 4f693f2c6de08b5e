import { expect } from 'chai';
import { journey, openDemo, untilFact } from './app';

describe('the place that is looked at', () => {
  const walk = journey(async (page, app) => {
    await openDemo(page, app);
    await untilFact(page, 'Pages', (fact) => /^\d+$/.test(fact));
  });
  const WORDS = 'It was the custom of Harrow Landing';

  it('goes from the caret to its line on the page, and back to the caret with the focus', async () => {
    const { page } = walk;
    await page.keyboard.press('Alt+1');
    await page.getByRole('button', { name: /^7 The Chain Ferry/ }).click();
    await page.getByRole('region', { name: '7 The Chain Ferry' }).waitFor();
    const last = page.locator('.galley-text').last();
    await last.click();
    await page.keyboard.press('Control+End');
    await page.keyboard.type(' Quillwort.');
    const words = 'Quillwort';
    await page.keyboard.press('Alt+3');
    await page.locator('article', { hasText: words }).first().waitFor();
    await page.keyboard.press('Alt+4');
    await page.keyboard.press('Alt+1');
    await page.getByRole('region', { name: '7 The Chain Ferry' }).waitFor();
    await page.waitForFunction(
      (begin) =>
        document.activeElement?.closest('.galley') !== null &&
        (getSelection()?.anchorNode?.parentElement?.closest('.galley-text')?.textContent ?? '').includes(begin),
      words,
    );
  });

  it('goes from a paragraph pointed at to its place in the galley', async () => {
    const { page } = walk;
    await page.getByRole('link', { name: /^Pages/ }).click();
    await page.keyboard.press('Control+k');
    await page.getByRole('combobox', { name: 'Find anything' }).fill('1 The Ninth');
    await page.keyboard.press('Enter');
    const line = page.locator('article [data-block]', { hasText: WORDS }).first();
    await line.click();
    await page.getByRole('region', { name: 'This paragraph' }).waitFor();
    await page.keyboard.press('Alt+1');
    await page.getByRole('region', { name: '1 The Ninth Passenger' }).waitFor();
    await page.waitForFunction(
      (begin) =>
        (getSelection()?.anchorNode?.parentElement?.closest('.galley-text')?.textContent ?? '').includes(begin),
      WORDS,
    );
  });

  it('shows in the galley the division whose pages are in view, and Spec the same spread', async () => {
    const { page } = walk;
    await page.keyboard.press('Alt+3');
    await page.keyboard.press('Escape');
    await page.keyboard.press('Control+k');
    await page.getByRole('combobox', { name: 'Find anything' }).fill('6 Saltmarket');
    await page.keyboard.press('Enter');
    await page.locator('article', { hasText: 'Saltmarket' }).first().waitFor();
    await page.keyboard.press('Alt+1');
    await page.getByRole('region', { name: '6 Saltmarket' }).waitFor();
    expect(await page.getByRole('button', { name: /^6 Saltmarket/ }).getAttribute('aria-current')).to.not.equal(null);
  });

  it('is there again after a reload: the division in Copy, the spread in Pages', async () => {
    const { page } = walk;
    await page.reload();
    await page.getByRole('region', { name: '6 Saltmarket' }).waitFor();
    await page.keyboard.press('Alt+3');
    await page.locator('article', { hasText: 'Saltmarket' }).first().waitFor();
    await page.reload();
    await page.locator('article', { hasText: 'Saltmarket' }).first().waitFor();
  });
});
