import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { journey, openDemo, turnSpread, untilFact } from './app';

describe('a person’s wishes for a paragraph', () => {
  const walk = journey(async (page, app) => {
    await openDemo(page, app);
    await untilFact(page, 'Pages', (fact) => /^\d+$/.test(fact));
  });
  let page: Page;
  before(() => (page = walk.page));

  /** Text of the first line of a page. */
  const firstLine = (at: number) => page.locator(`article[data-page="${at}"] [data-block]`).first().innerText();
  const slip = () => page.getByRole('region', { name: 'This paragraph' });

  it('are set on the paragraph clicked on, change its pages at once, and are taken back by undo', async () => {
    const spread = page.getByRole('slider', { name: 'Spread' });
    await spread.focus();
    for (let k = 0; k < 9; k += 1) await spread.press('ArrowDown');
    const line = page.locator('article[data-page="18"] [data-block]').nth(14);
    await line.waitFor();
    const block = await line.getAttribute('data-block');
    const opening = (await page.locator(`[data-block="${block}"]`).first().innerText()).slice(0, 20);
    await line.click();
    await slip().waitFor();
    expect(await page.locator('[data-bracket]').count()).to.be.within(1, 2);
    expect(await slip().innerText()).to.match(/\d+ lines?, widest space 0\.\d\d em/);

    const before = await firstLine(19);
    await slip().getByRole('checkbox', { name: 'Begins a page' }).check();
    await page.waitForFunction(
      ([start]) =>
        document.querySelector('article[data-page="19"] [data-block]')?.textContent?.startsWith(start) ?? false,
      [opening],
    );
    await page.keyboard.press('Control+z');
    await page.waitForFunction(
      ([start]) => document.querySelector('article[data-page="19"] [data-block]')?.textContent === start,
      [before],
    );
    expect(await slip().getByRole('checkbox', { name: 'Begins a page' }).isChecked()).to.equal(false);
  });

  it('for the depth of a spread are set on the spread itself, and go with undo', async () => {
    const depth = page.getByRole('group', { name: 'Depth' });
    const lines = () =>
      page
        .getByRole('complementary', { name: 'This spread' })
        .getByText('Lines', { exact: true })
        .last()
        .locator('xpath=following-sibling::dd')
        .innerText();
    const before = await lines();
    const [verso] = before.split(' and ').map(Number);
    const to = verso >= 32 ? 'a line short' : 'a line long';
    await depth.getByRole('radio', { name: to }).check();
    await page.waitForFunction(
      ([was]) => !(document.querySelector('[aria-label="This spread"] dl')?.textContent ?? '').includes(was),
      [before],
    );
    const [changed] = (await lines()).split(' and ').map(Number);
    expect(changed - verso).to.equal(to === 'a line short' ? -1 : 1);
    await page.keyboard.press('Control+z');
    await page.waitForFunction(
      ([was]) => (document.querySelector('[aria-label="This spread"] dl')?.textContent ?? '').includes(was),
      [before],
    );
  });

  it('say beforehand what its lines would come to, and which way is closed', async () => {
    const radios = slip().getByRole('group', { name: 'Lines' }).getByRole('radio');
    expect(await radios.count()).to.equal(3);
    const states = await radios.evaluateAll((all) => all.map((radio) => (radio as HTMLInputElement).disabled));
    expect(states[1]).to.equal(false);
    const labels = await slip().getByRole('group', { name: 'Lines' }).locator('label').allInnerTexts();
    labels.forEach((label, k) => expect(label).to.match(states[k] ? /not without/ : /0\.\d\d em|one|best/));
    // What the change would do to the pages is told before it is made, and is what it then does.
    const toggle = slip().locator('label', { hasText: 'Begins a page' });
    await toggle.getByText(/pages? changes?/).waitFor();
    expect(await toggle.innerText()).to.match(/(\d+ pages change|1 page changes)(, one more)?/);
    const told = await page.getByRole('group', { name: 'Depth' }).locator('label').allInnerTexts();
    expect(told.filter((label) => /changes?/.test(label)).length).to.be.at.least(2);
  });

  it('are reached by keys alone', async () => {
    await page.keyboard.press('Escape');
    await slip().waitFor({ state: 'detached' });
    await page.getByRole('region', { name: 'Spreads' }).focus();
    await page.keyboard.press('n');
    await slip().waitFor();
    const first = await slip().innerText();
    await page.keyboard.press('n');
    await page.waitForFunction(
      ([text]) => document.querySelector('[aria-label="This paragraph"]')?.textContent !== text,
      [first],
    );
  });

  it('lift ties here or in the book, where they are listed with their counts', async () => {
    await page.keyboard.press('Alt+2');
    await page.getByRole('button', { name: /^Text/ }).first().click();
    await page.getByRole('button', { name: /^Ties in the book/ }).click();
    const list = page.getByRole('list', { name: 'Ties in the book' });
    const tie = list.getByRole('checkbox', { name: 'Mrs Vane tied' });
    expect(await list.locator('li', { hasText: 'Mrs Vane' }).innerText()).to.match(/Mrs Vane\s+\d+/);
    await tie.uncheck();
    expect(await page.getByLabel('Not tied').inputValue()).to.equal('Mrs Vane');
    await page.keyboard.press('Alt+3');
    await page.getByRole('slider', { name: 'Spread' }).focus();
    const line = page.locator('[data-block]', { hasText: 'Mrs Vane' }).first();
    for (let k = 0; k < 30 && (await line.count()) === 0; k += 1) {
      await turnSpread(page, 'ArrowDown');
      await page.locator('article [data-page-text]').first().waitFor({ state: 'attached' });
    }
    await line.waitFor();
    await line.click();
    const choice = slip().getByLabel('The tie of Mrs Vane');
    expect(await choice.inputValue()).to.equal('book');
    await choice.selectOption('here');
    await page.waitForFunction(
      () => document.querySelector<HTMLSelectElement>('[aria-label="The tie of Mrs Vane"]')?.value === 'here',
    );
    await page.keyboard.press('Alt+2');
    await page.getByRole('button', { name: /^Ties in the book/ }).click();
    expect(await tie.isChecked()).to.equal(true);
    expect(await page.getByLabel('Not tied').inputValue()).to.equal('');
  });

  it('and what pages keep is set in the spec', async () => {
    await page.keyboard.press('Alt+2');
    await page.getByRole('button', { name: /^Spacing, breaks/ }).click();
    await page.getByLabel('Facing pages').selectOption({ label: 'End where they fall' });
    expect(await page.getByLabel('Short spreads').isDisabled()).to.equal(true);
    await page.keyboard.press('Control+z');
    expect(await page.getByLabel('Facing pages').inputValue()).to.equal('level');
    await page.getByLabel('Lines at a page’s foot').fill('9');
    await page.keyboard.press('Enter');
    expect(await page.getByRole('alert').first().innerText()).to.equal('It must be at most 6.');
  });
});
