import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { words } from '../build/book';
import { dropFiles, journey, untilFact } from './app';

/** One division of some 18,000 words: more than two documents of the galley. */
const PARAGRAPHS = Array.from({ length: 150 }, (_, k) => `Start${k} ${words(120, k)}`);

describe('the galley of a long division', () => {
  const walk = journey(async (page, app) => {
    await page.goto(app.url);
    await page.getByText('Drop a manuscript').waitFor();
    await dropFiles(page, 'main', [{ name: 'long.txt', bytes: new TextEncoder().encode(PARAGRAPHS.join('\n\n')) }]);
    await page.waitForURL(/\/book\/.*\/pages$/);
    await untilFact(page, 'Copy', (fact) => /words/.test(fact));
    await page.keyboard.press('Alt+1');
    await page.locator('.galley-text').first().waitFor();
  });
  let page: Page;
  before(() => (page = walk.page));

  const row = (start: string) => page.locator('.galley-row', { hasText: new RegExp(`Start${start} `) });
  /**
   * Scrolls until a paragraph is in view. In steps of less than what is made around the view, so that a slow machine
   * cannot pass it by; and on when it is there but not in view yet, since what is laid out above may push it away again.
   */
  const scrollTo = async (start: string) => {
    const isInView = () =>
      page.evaluate(
        ([own]) => {
          const galley = document.querySelector('.galley')!;
          const rows = [...galley.querySelectorAll('.galley-row')];
          const found = rows.find((one) => one.textContent?.includes(own));
          if (found === undefined) galley.scrollBy(0, 700);
          else found.scrollIntoView({ block: 'nearest' });
          return new Promise<boolean>((done) =>
            requestAnimationFrame(() =>
              requestAnimationFrame(() => {
                const [box, frame] = [found?.getBoundingClientRect(), galley.getBoundingClientRect()];
                const isLaidOut = found?.isConnected === true && box!.height > 60;
                done(isLaidOut && box!.top < frame.bottom - 20 && box!.bottom > frame.top + 20);
              }),
            ),
          );
        },
        [`Start${start} `],
      );
    for (let tries = 0; tries < 200; tries += 1) if (await isInView()) return;
    expect.fail(`paragraph ${start} does not come into view`);
  };
  const editors = () => page.locator('.galley-editor');
  /** Drags from the last paragraph of the first document into the first of the next; answers their starts. */
  const dragOverTheEdge = async (): Promise<[string, string]> => {
    const first = await editors().first().locator('.galley-row').count();
    const [last, next] = [String(first - 1), String(first)];
    await row(next).scrollIntoViewIfNeeded();
    const [a, b] = [
      (await row(last).locator('.galley-text').boundingBox())!,
      (await row(next).locator('.galley-text').boundingBox())!,
    ];
    await page.mouse.move(a.x + a.width / 2, a.y + a.height - 30);
    await page.mouse.down();
    await page.mouse.move(b.x + 60, b.y + 12, { steps: 6 });
    await page.mouse.up();
    return [last, next];
  };

  it('is several documents, of which only those near the view are there', async () => {
    expect(await row('0').count()).to.equal(1);
    expect(await row('149').count()).to.equal(0);
    await scrollTo('149');
    expect(await row('149').locator('.galley-tag').innerText()).to.equal('TX');
    await page.locator('.galley').evaluate((box) => box.scrollTo(0, 0));
    await row('0').waitFor();
  });

  it('joins paragraphs over the seam of two documents with Backspace, and undo parts them again', async () => {
    const first = await editors().first().locator('.galley-row').count();
    const [seam, before] = [String(first), String(first - 1)];
    await scrollTo(seam);
    await row(seam).locator('.galley-text').click();
    await row(seam)
      .locator('.galley-text')
      .evaluate((paragraph) => getSelection()!.setBaseAndExtent(paragraph.firstChild!, 0, paragraph.firstChild!, 0));
    await page.keyboard.press('Backspace');
    const joined = page.locator('.galley-text', { hasText: new RegExp(`Start${before} .*Start${seam} `) });
    await joined.waitFor();
    await page.keyboard.type('!');
    expect(await joined.innerText()).to.match(new RegExp(`!Start${seam} `));
    await page.keyboard.press('Control+z');
    await page.keyboard.press('Control+z');
    await joined.waitFor({ state: 'detached' });
    expect(await row(seam).count()).to.equal(1);
  });

  it('selects all of it over its documents: counted, styled, copied, taken out, brought back', async () => {
    await page.locator('.galley').evaluate((box) => box.scrollTo(0, 0));
    await row('0').locator('.galley-text').click();
    await page.keyboard.press('Control+a');
    await page.getByText(/^18,\d{3} words, [\d,]+ characters selected$/).waitFor();
    await row('0').locator('.galley-tag').click();
    await page.keyboard.type('ext');
    await page.keyboard.press('Enter');
    await page.waitForFunction(() => document.querySelector('.galley-tag')?.textContent === 'EXT');
    await scrollTo('149');
    expect(await row('149').locator('.galley-tag').innerText()).to.equal('EXT');
    await page.keyboard.press('Control+z');
    await page.waitForFunction(() => document.querySelector('.galley-tag')?.textContent !== 'EXT');
    await row('149').locator('.galley-text').click();
    await page.keyboard.press('Control+a');
    await page.keyboard.press('Delete');
    await page.locator('.galley-empty').waitFor();
    expect(await page.locator('.galley-row').count()).to.equal(1);
    await page.getByRole('button', { name: 'Undo: Text taken out' }).click();
    await row('0').waitFor();
  });

  it('selects from the caret to a click with Shift in another document', async () => {
    await page.locator('.galley').evaluate((box) => box.scrollTo(0, 0));
    await row('2').locator('.galley-text').click();
    await scrollTo('140');
    await row('140')
      .locator('.galley-text')
      .click({ modifiers: ['Shift'] });
    await page.getByText(/^1[67],\d{3} words, [\d,]+ characters selected$/).waitFor();
    expect(await row('139').getAttribute('class')).to.include('is-in-range');
    expect(await row('141').getAttribute('class')).to.not.include('is-in-range');
    await page.keyboard.press('Escape');
    expect(await row('139').getAttribute('class')).to.not.include('is-in-range');
  });

  it('begins and ends inside paragraphs: what is typed takes its place, and undo brings the text back', async () => {
    await page.locator('.galley').evaluate((box) => box.scrollTo(0, 0));
    const first = await editors().first().locator('.galley-row').count();
    const [last, next] = [String(first - 1), String(first)];
    await scrollTo(last);
    const text = async (start: string) => ((await row(start).locator('.galley-text').textContent()) ?? '').trim();
    const [before, after] = [await text(last), await text(next)];
    await row(last).locator('.galley-text').click();
    await row(last)
      .locator('.galley-text')
      .evaluate((one, offset) => getSelection()!.setBaseAndExtent(one.firstChild!, offset, one.firstChild!, offset), 9);
    await page.keyboard.press('Shift+End');
    // On from the paragraph's last line into the next document, and there a few letters in.
    for (let tries = 0; tries < 30 && (await page.locator('.galley-range').count()) === 0; tries += 1)
      await page.keyboard.press('Shift+ArrowDown');
    for (let k = 0; k < 5; k += 1) await page.keyboard.press('Shift+ArrowRight');
    await page.waitForFunction(() => document.querySelectorAll('.galley-range').length === 2);
    const shown = await page.locator('.galley-range').allTextContents();
    expect(shown).to.deep.equal([before.slice(9), after.slice(0, 5)]);
    await page.keyboard.type('+');
    const joined = page.locator('.galley-text', { hasText: `${before.slice(0, 9)}+${after.slice(5, 20)}` });
    await joined.waitFor();
    expect(await page.locator('.galley-range').count()).to.equal(0);
    await page.keyboard.type('on');
    await page.locator('.galley-text', { hasText: `${before.slice(0, 9)}+on${after.slice(5, 20)}` }).waitFor();
    await page.keyboard.press('Control+z');
    await page.keyboard.press('Control+z');
    expect([await text(last), await text(next)]).to.deep.equal([before, after]);
  });

  it('gives way to what is pasted over it', async () => {
    const [last, next] = await dragOverTheEdge();
    const text = async (start: string) => ((await row(start).locator('.galley-text').textContent()) ?? '').trim();
    const [before, after] = [await text(last), await text(next)];
    const [end, start] = await page.locator('.galley-range').allTextContents();
    const kept = [before.slice(0, before.length - end.length), after.slice(start.length)];
    await page.evaluate(() => {
      const clipboardData = new DataTransfer();
      clipboardData.setData('text/plain', 'PASTED');
      const event = new ClipboardEvent('paste', { clipboardData, bubbles: true, cancelable: true });
      document.querySelector('.galley-editor')!.dispatchEvent(event);
    });
    const joined = page.locator('.galley-text', { hasText: `PASTED${kept[1].slice(0, 12)}` });
    await joined.waitFor();
    expect((await joined.textContent())!.trim()).to.equal(`${kept[0]}PASTED${kept[1]}`);
    await page.keyboard.press('Control+z');
    await page.keyboard.press('Control+z');
    await joined.waitFor({ state: 'detached' });
    expect([await text(last), await text(next)]).to.deep.equal([before, after]);
  });

  it('is dragged from one document into another', async () => {
    const [last, next] = await dragOverTheEdge();
    expect(await page.locator('.galley-range').count()).to.equal(2);
    const [end, start] = await page.locator('.galley-range').allTextContents();
    expect((await row(last).locator('.galley-text').textContent())!.trim().endsWith(end)).to.equal(true);
    expect((await row(next).locator('.galley-text').textContent())!.trim().startsWith(start)).to.equal(true);
    await page.keyboard.press('Escape');
    expect(await page.locator('.galley-range').count()).to.equal(0);
  });
});
