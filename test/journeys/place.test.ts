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

  /** Pixels from the head of the galley to a paragraph; null: it is not there. */
  const heightOf = (words: string) =>
    walk.page.evaluate((begin) => {
      const galley = document.querySelector('.galley');
      const row = [...document.querySelectorAll('.galley-text')].find((one) => one.textContent.startsWith(begin));
      return galley && row ? row.getBoundingClientRect().top - galley.getBoundingClientRect().top : null;
    }, words);
  /** Waits until a paragraph of the galley stands at a height. */
  const untilAt = (words: string, height: number) =>
    walk.page.waitForFunction(
      ([begin, wanted]) => {
        const galley = document.querySelector('.galley');
        if (galley === null) return false;
        const row = [...document.querySelectorAll('.galley-text')].find((one) => one.textContent.startsWith(begin));
        const off = row === undefined ? null : row.getBoundingClientRect().top - galley.getBoundingClientRect().top;
        return off !== null && Math.abs(off - wanted) < 3;
      },
      [words, height] as const,
    );
  /** What has the focus, by its role or tag; `BODY` when nothing has. */
  const focused = () => walk.page.evaluate(() => document.activeElement?.tagName ?? 'BODY');

  it('comes back to the same scroll from every stage, and after a reload, and never loses the focus', async () => {
    const { page } = walk;
    await page.keyboard.press('Alt+1');
    await page.getByRole('button', { name: /^9 Ten Past/ }).click();
    await page.getByRole('region', { name: /^9 Ten Past/ }).waitFor();
    const rows = page.locator('.galley-text');
    await rows.nth(14).scrollIntoViewIfNeeded();
    await rows.nth(14).click();
    await page.locator('.galley').evaluate((galley) => galley.scrollBy(0, 83));
    const words = (await rows.nth(14).innerText()).slice(0, 30);
    const before = (await heightOf(words))!;
    for (const key of ['Alt+2', 'Alt+3', 'Alt+4', 'Alt+5']) {
      await page.keyboard.press(key);
      await page.locator('.galley').waitFor({ state: 'detached' });
      await page.waitForFunction(() => document.activeElement !== document.body);
      await page.keyboard.press('Alt+1');
      await page.getByRole('region', { name: /^9 Ten Past/ }).waitFor();
      await untilAt(words, before);
      expect(await focused()).to.not.equal('BODY');
    }
    await page.reload();
    await page.getByRole('region', { name: /^9 Ten Past/ }).waitFor();
    await untilAt(words, before);
  });

  it('shows the line of the caret in Spec, and in Pages where they are larger than the view', async () => {
    const { page } = walk;
    await page.locator('.galley-text').nth(14).click();
    await page.keyboard.press('End');
    const block = await page
      .locator('.galley-text')
      .nth(14)
      .evaluate((text) => text.closest('[data-block]')!.getAttribute('data-block')!);
    await page.keyboard.press('Alt+3');
    await page.getByRole('button', { name: 'Fit width' }).click();
    await page.keyboard.press('Alt+1');
    await page.getByRole('region', { name: /^9 Ten Past/ }).waitFor();
    await page.keyboard.press('Alt+3');
    await page.waitForFunction((own) => {
      const area = document.querySelector('[aria-label="Spreads"]')?.getBoundingClientRect();
      if (area === undefined) return false;
      return [...document.querySelectorAll(`article [data-block="${own}"]`)].some((line) => {
        const box = line.getBoundingClientRect();
        return box.top > area.top && box.bottom < area.bottom;
      });
    }, block);
    await page.keyboard.press('Alt+2');
    await page
      .getByRole('navigation', { name: 'Topics' })
      .getByRole('button', { name: /^Styles/ })
      .click();
    await page.getByText(/^leading 14\.5 pt$/).waitFor();
    await page.getByText(/^size 11\.5 pt$/).waitFor();
  });

  it('gives the focus to what is near when a control goes away or can no longer be used', async () => {
    const { page } = walk;
    await page.keyboard.press('Alt+2');
    await page.getByRole('navigation', { name: 'Topics' }).getByRole('button', { name: /^Page/ }).click();
    await page.getByRole('button', { name: 'Across', exact: true }).click();
    await page.getByRole('button', { name: 'Remove', exact: true }).first().click();
    await page.waitForFunction(() => document.activeElement !== document.body);
  });
});
