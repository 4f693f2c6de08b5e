import { expect } from 'chai';
import type { Page } from 'playwright-core';
import {
  eventually,
  launch,
  openDemo,
  startApp,
  untilFact,
  visit,
  wordsOnPage,
  type RunningApp,
  type Visit,
  type JourneyBrowser,
} from './app';

describe('the desk and the other screens', () => {
  let app: RunningApp;
  let browser: JourneyBrowser;
  let here: Visit;
  let page: Page;

  before(async () => {
    app = await startApp();
    browser = await launch();
  });
  after(async () => {
    await browser?.close();
    app?.stop();
  });
  beforeEach(async () => {
    here = await visit(browser, app);
    page = here.page;
    await openDemo(page, app);
    await untilFact(page, 'Pages', (fact) => /^\d+$/.test(fact));
  });
  afterEach(async () => {
    await here.context.close();
    expect(here.errors).to.deep.equal([]);
  });

  const scale = async () => Number(/(\d+) %/.exec(await page.getByLabel('Scale').innerText())![1]);

  it('shows a recto alone first, then facing pages', async () => {
    expect(await page.locator('article[data-page="1"]').count()).to.equal(1);
    const first = await page.locator('article[data-page="1"]').boundingBox();
    await page.keyboard.press('ArrowRight');
    await page.locator('article[data-page="3"]').waitFor();
    const [verso, recto] = [
      await page.locator('article[data-page="2"]').boundingBox(),
      await page.locator('article[data-page="3"]').boundingBox(),
    ];
    expect(first!.x).to.be.closeTo(recto!.x, 1);
    expect(verso!.x + verso!.width).to.be.closeTo(recto!.x, 1);
    expect(verso!.y).to.equal(recto!.y);
    expect(await page.locator('article[data-page="2"]').getAttribute('data-role')).to.equal('blank');
  });

  it('fits the spread, fits its width, shows actual size, and zooms at the pointer', async () => {
    const area = (await page.getByRole('region', { name: 'Spreads' }).boundingBox())!;
    await page.getByRole('button', { name: 'Fit width' }).click();
    const wide = (await page.locator('article[data-page="1"]').boundingBox())!;
    expect(wide.width * 2).to.be.closeTo(area.width - 40, 14);
    await page.keyboard.press('a');
    expect(await scale()).to.equal(100);
    expect((await page.locator('article[data-page="1"]').boundingBox())!.width).to.be.closeTo(396 * (96 / 72), 1);
    await page.keyboard.press('s');
    const whole = (await page.locator('article[data-page="1"]').boundingBox())!;
    expect(whole.height).to.be.below(area.height);

    const line = page.locator('article[data-page="1"] [data-width]').first();
    const before = (await line.boundingBox())!;
    const pointer = { x: before.x + before.width / 2, y: before.y + before.height / 2 };
    await page.mouse.move(pointer.x, pointer.y);
    await page.keyboard.down('Control');
    for (let k = 0; k < 4; k += 1) {
      const was = await scale();
      await page.mouse.wheel(0, -200);
      await eventually('the wheel zooms', async () => (await scale()) !== was);
    }
    await page.keyboard.up('Control');
    expect(await scale()).to.be.above(150);
    const after = (await line.boundingBox())!;
    expect(after.x + after.width / 2).to.be.closeTo(pointer.x, 4);
    expect(after.y + after.height / 2).to.be.closeTo(pointer.y, 4);
  });

  it('moves with the wheel, and with space and drag', async () => {
    const area = page.getByRole('region', { name: 'Spreads' });
    const top = () => area.evaluate((element) => element.scrollTop);
    const box = (await area.boundingBox())!;
    const start = await top();
    await page.mouse.move(box.x + 300, box.y + 300);
    await page.mouse.wheel(0, 500);
    await page.waitForFunction(
      (from) => document.querySelector('[aria-label="Spreads"]')!.scrollTop > from + 300,
      start,
    );
    const scrolled = await top();
    await page.keyboard.down('Space');
    await page.mouse.down();
    await page.mouse.move(box.x + 300, box.y + 450, { steps: 4 });
    await page.mouse.up();
    await page.keyboard.up('Space');
    expect(await top()).to.be.closeTo(scrolled - 150, 3);
  });

  it('draws the page on a canvas, with text over it that can be selected', async () => {
    for (let k = 0; k < 5; k += 1) await page.keyboard.press('ArrowRight');
    await page.locator('article[data-page="11"] [data-width]').first().waitFor();
    const inked = await page.evaluate(() => {
      const canvas = document.querySelector('canvas')!;
      const { data } = canvas.getContext('2d')!.getImageData(0, 0, canvas.width, canvas.height);
      let dark = 0;
      for (let k = 0; k < data.length; k += 4)
        if (data[k] + data[k + 1] + data[k + 2] < 200 && data[k + 3] > 200) dark += 1;
      return dark;
    });
    expect(inked).to.be.above(1500);
    const selected = await page.evaluate(() => {
      const article = document.querySelector('article[data-page="11"]')!;
      getSelection()!.selectAllChildren(article);
      return getSelection()!.toString();
    });
    expect(selected.replace(/\s+/g, ' ')).to.include('and nobody on the landing could say afterwards');
  });

  it('lays the text over its ink: the layer’s lines are as wide as the type', async () => {
    for (let k = 0; k < 5; k += 1) await page.keyboard.press('ArrowRight');
    await page.locator('article[data-page="11"] [data-width]').first().waitFor();
    await page.evaluate(() => document.fonts.ready);
    const worst = await page.evaluate(() => {
      const article = document.querySelector('article[data-page="11"]')!;
      const perPoint = article.getBoundingClientRect().width / 396;
      return Math.max(
        ...[...article.querySelectorAll<HTMLElement>('[data-width]')].map((span) =>
          Math.abs(span.getBoundingClientRect().width - Number(span.dataset.width) * perPoint),
        ),
      );
    });
    expect(worst).to.be.below(12);
  });

  it('goes by the deckle: pointing tells, clicking goes, keys walk', async () => {
    const deckle = page.getByRole('slider', { name: 'Spread' });
    const box = (await deckle.boundingBox())!;
    await page.mouse.move(box.x + 85, box.y + 200);
    await page.getByText(/^Pages \d+ and \d+, folio/).waitFor();
    await page.mouse.click(box.x + 85, box.y + 200);
    const spread = Number(await deckle.getAttribute('aria-valuenow'));
    expect(spread).to.be.within(12, 16);
    await deckle.focus();
    await page.keyboard.press('ArrowDown');
    expect(Number(await deckle.getAttribute('aria-valuenow'))).to.equal(spread + 1);
    await page.keyboard.press('End');
    expect(await deckle.getAttribute('aria-valuenow')).to.equal(await deckle.getAttribute('aria-valuemax'));
    await page
      .getByText(/Afterword/)
      .first()
      .waitFor();
  });

  it('holds to the text in view when pages move', async () => {
    for (let k = 0; k < 12; k += 1) await page.keyboard.press('ArrowRight');
    await page.locator('article[data-page="24"] [data-width]').first().waitFor();
    const opening = (await wordsOnPage(page, 24)).split(' ').slice(4, 9).join(' ');
    await page.keyboard.press('Alt+2');
    await page.getByLabel('Trade size').selectOption({ label: 'A format, 110 × 178 mm, golden section' });
    await untilFact(page, 'Pages', (fact) => Number(fact) > 60);
    await page.waitForFunction(
      () => Number(document.querySelector('[role=slider][aria-label=Spread]')?.getAttribute('aria-valuenow')) > 13,
    );
    await page.keyboard.press('Alt+3');
    await page.waitForFunction((words) => {
      const shown = [...document.querySelectorAll('article')].map(({ textContent }) => textContent).join(' ');
      return shown.replace(/\s+/g, ' ').includes(words);
    }, opening);
  });

  it('finds a chapter by a few letters, and lists the keys', async () => {
    await page.keyboard.press('Control+k');
    await page.getByRole('combobox').fill('chain');
    await page.keyboard.press('Enter');
    await page.locator('article', { hasText: 'The Chain Ferry' }).first().waitFor();
    await page.keyboard.press('?');
    await page.getByText('Ctrl wheel').waitFor();
    await page.keyboard.press('Escape');
  });

  it('shows copy with its style tags, notes beside their references, and the contents of proof', async () => {
    await page.keyboard.press('Alt+1');
    await page.getByRole('button', { name: /1 The Ninth Passenger/ }).click();
    const row = page.locator('.galley-row', { hasText: 'The last boat down' });
    expect(await row.locator('.galley-tag').innerText()).to.equal('TXF');
    await page.getByText('Unaccompanied, a corpse was freight').waitFor();
    await page.keyboard.press('Alt+4');
    await page.getByText('Loose lines').waitFor();
    await page
      .getByRole('button', { name: /^page \d+/ })
      .first()
      .click();
    await page.waitForURL(/pages$/);
  });
});
