// The page and its furniture by hand, single pages, and faces that travel: what a typesetter sees, and what is in the file.
import { expect } from 'chai';
import { unzipSync } from 'fflate';
import type { Page } from 'playwright-core';
import {
  bytesOf,
  dropFiles,
  journey,
  launch,
  openDemo,
  untilFact,
  visit,
  wordsOnPage,
  type Journey,
  type RunningApp,
} from './app';
import { readAsset } from '../build/assets';

async function arrive(page: Page, app: RunningApp): Promise<void> {
  await openDemo(page, app);
  await untilFact(page, 'Pages', (fact) => /^\d+$/.test(fact));
  await page.getByRole('link', { name: /^Spec/ }).click();
  await page.getByLabel('Head margin, on the drawing').waitFor();
}

const topic = (page: Page, name: RegExp) =>
  page.getByRole('navigation', { name: 'Topics' }).getByRole('button', { name }).click();
const undo = async (page: Page) => {
  await page.getByRole('navigation', { name: 'Topics' }).getByRole('button').first().focus();
  await page.keyboard.press('Control+z');
};

describe('the page by hand', () => {
  const walk: Journey = journey(arrive);

  it('takes a guide out of the head edge, moves it, and drops it off the page', async () => {
    const { page } = walk;
    const edge = (await page.locator('[data-guide-edge=across]').boundingBox())!;
    const [x, y] = [edge.x + 60, edge.y + edge.height / 2];
    const drag = async (from: number, to: number) => {
      await page.mouse.move(x, from);
      await page.mouse.down();
      await page.mouse.move(x, (from + to) / 2);
      await page.mouse.move(x, to);
      await page.mouse.up();
    };
    await drag(y, y + 120);
    const guide = page.getByLabel('Across, from the head');
    await guide.waitFor();
    const at = Number.parseFloat(await guide.inputValue());
    await drag(y + 120, y + 180);
    await page.waitForFunction(
      ([label, before]) => {
        const field = [...document.querySelectorAll('label')].find((one) => one.textContent === label);
        const input = field && document.getElementById(field.htmlFor);
        return input instanceof HTMLInputElement && Number.parseFloat(input.value) > Number(before);
      },
      ['Across, from the head', at] as const,
    );
    await drag(y + 180, y - 40);
    await guide.waitFor({ state: 'detached' });
  });

  it('adds the binding to typed margins, and names it on the drawing', async () => {
    const { page } = walk;
    const back = page.getByLabel('Back margin, on the drawing');
    expect(await back.inputValue()).to.equal('60 pt');
    const binding = page.getByLabel('Binding allowance', { exact: true });
    await binding.fill('5mm');
    await binding.press('Enter');
    await page.getByText('binding 5 mm of').waitFor();
    await page.waitForFunction(
      () =>
        document.querySelector<HTMLInputElement>('[aria-label="Back margin, on the drawing"]')?.value === '65.17 pt',
    );
    await undo(page);
    await page.waitForFunction(
      () => document.querySelector<HTMLInputElement>('[aria-label="Back margin, on the drawing"]')?.value === '60 pt',
    );
  });

  it('shows single pages one by one everywhere, and says which head is lost by it', async () => {
    const { page } = walk;
    await page.getByLabel('Pages', { exact: true }).selectOption('single');
    await page.getByText('What versos carried stands on no page: Author (head).').waitFor();
    await page.getByText('verso', { exact: true }).waitFor({ state: 'detached' });
    await topic(page, /^Furniture/);
    await page.getByText('what versos carried stands on no page').waitFor();
    expect(await page.getByRole('button', { name: /^Head, verso/ }).count()).to.equal(0);
    await page.keyboard.press('Alt+3');
    await page.getByRole('button', { name: 'Fit page' }).waitFor();
    await page.keyboard.press('Home');
    await page.locator('article[data-page="1"]').waitFor();
    const boxes = await page
      .locator('article[data-page]')
      .evaluateAll((all) => all.map((one) => one.getBoundingClientRect().x));
    expect(new Set(boxes).size).to.equal(1);
    await page.keyboard.press('ArrowRight');
    await page.getByText(/^Page 2 of \d+/).waitFor();
    await page.keyboard.press('Alt+2');
    await undo(page);
    await topic(page, /^Page/);
    await page.getByText('recto', { exact: true }).waitFor();
  });

  it('puts pages that are named without heads, after saying which they are', async () => {
    const { page } = walk;
    await topic(page, /^Furniture/);
    const field = page.getByRole('textbox', { name: 'Pages', exact: true });
    await field.fill('12-99');
    await page.getByText('There is no page with the folio 99.').waitFor();
    await field.fill('12-13');
    await page.getByText(/^2 pages: pages \d+ to \d+ of the book, /).waitFor();
    await page.getByLabel('They carry').selectOption('head');
    await page.getByRole('button', { name: 'Set', exact: true }).click();
    await page.getByText('Done on 2 pages; listed under Page touches.').waitFor();
    await page.getByText(/^pages \d+ to \d+, folios 12 to 13$/).click();
    await page.waitForFunction(() => document.querySelector('article[data-page]') !== null);
    const numbers = (
      await page
        .getByText(/^Pages \d+ and \d+/)
        .first()
        .innerText()
    )
      .match(/\d+/g)!
      .map(Number);
    for (const number of numbers) {
      await page.locator(`article[data-page="${number}"] [data-block]`).first().waitFor();
      expect(await wordsOnPage(page, number)).to.not.match(/ODILE BRACKWATER|Odile Brackwater|^The Ferry Register/);
    }
    await page.keyboard.press('Alt+2');
    await page.getByRole('button', { name: 'Remove', exact: true }).last().click();
    await page.getByText('None: every page carries what its role says.').waitFor();
  });
});

/** Counts, at every frame from now on, the dark pixels of each page that the drawing shows. */
async function watchInk(page: Page): Promise<void> {
  // In words: a function that calls itself by name does not survive the loader of the tests.
  await page.evaluate(`(() => {
    window.inkSamples = [];
    const look = () => {
      const canvases = [...document.querySelectorAll('canvas[aria-label$="in this spec"]')];
      const ink = canvases.map((canvas) => {
        const { data } = canvas.getContext('2d').getImageData(0, 0, canvas.width, canvas.height);
        let dark = 0;
        for (let k = 0; k < data.length; k += 4) if (data[k + 3] > 0 && data[k] < 120) dark += 1;
        return dark;
      });
      window.inkSamples.push({ total: canvases.length, ink });
      requestAnimationFrame(look);
    };
    look();
  })()`);
}

interface InkSample {
  readonly total: number;
  readonly ink: readonly number[];
}

const inkSamples = (page: Page) => page.evaluate(() => (window as unknown as { inkSamples: InkSample[] }).inkSamples);

describe('a face that is brought in', () => {
  const walk: Journey = journey(arrive);

  it('leaves the old pages in view until the pages set in it are there', async () => {
    const { page } = walk;
    const TTF = readAsset('fonts/CrimsonPro_400Regular.ttf');
    await topic(page, /^Faces/);
    await watchInk(page);
    await page.waitForFunction(() => {
      const last = (window as unknown as { inkSamples: InkSample[] }).inkSamples.at(-1);
      return last?.total === 2 && last.ink.every((dark) => dark > 200);
    });
    const known = await inkSamples(page);
    const before = known.at(-1)!;
    await page
      .getByLabel('Font files')
      .setInputFiles({ name: 'mine.ttf', mimeType: 'font/ttf', buffer: Buffer.from(TTF) });
    await page.getByLabel('Show', { exact: true }).selectOption('own');
    const card = page.getByRole('article', { name: 'Crimson Pro' });
    await card.getByRole('img').waitFor();
    await card.getByRole('button', { name: 'Set the text in it' }).click();
    // The other face has another weight of ink: the pages set in it are there.
    await page.waitForFunction(
      (old) => {
        const last = (window as unknown as { inkSamples: InkSample[] }).inkSamples.at(-1)!;
        return last.ink.some((dark, k) => dark > 500 && Math.abs(dark - (old[k] ?? 0)) > 20);
      },
      before.ink,
      { timeout: 60_000 },
    );
    const samples = await inkSamples(page);
    const started = samples.findIndex(({ ink }) => ink.some((dark) => dark > 500));
    const blank = samples
      .slice(started)
      .filter(({ total, ink }) => total < before.total || ink.some((dark, k) => dark < before.ink[k] / 2));
    expect(blank).to.deep.equal([]);
  });
});

describe('faces that travel', () => {
  const walk: Journey = journey(arrive);

  it('go into the project file, and come out of it in a browser that has none', async () => {
    const { page, app } = walk;
    await topic(page, /^Faces/);
    const TTF = readAsset('fonts/CrimsonPro_400Regular.ttf');
    await page
      .getByLabel('Font files')
      .setInputFiles({ name: 'mine.ttf', mimeType: 'font/ttf', buffer: Buffer.from(TTF) });
    await page.getByLabel('Show', { exact: true }).selectOption('own');
    const card = page.getByRole('article', { name: 'Crimson Pro' });
    await card.getByRole('button', { name: 'Set the text in it' }).click();
    await card.getByText('Used by the text.').waitFor();
    await untilFact(page, 'Pages', (fact) => /^\d+$/.test(fact));
    await page.keyboard.press('Alt+5');
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: 'Write the project file' }).click(),
    ]);
    const file = await bytesOf(download);
    const names = Object.keys(unzipSync(file)).filter((name) => name.startsWith('fonts/'));
    expect(names).to.have.length(1);
    expect(Buffer.compare(Buffer.from(unzipSync(file)[names[0]]), Buffer.from(TTF))).to.equal(0);
    await page.keyboard.press('Alt+3');
    const firstLines = async (of: Page) => {
      await of.keyboard.press('Control+k');
      await of.getByRole('combobox', { name: 'Find anything' }).fill('1 The Ninth');
      await of.keyboard.press('Enter');
      const lines = of.locator('article [data-block]', { hasText: 'The last boat down' });
      await lines.first().waitFor();
      return lines
        .first()
        .evaluate((line) =>
          [...line.closest('article')!.querySelectorAll('[data-block]')].map((one) => one.textContent),
        );
    };
    const here = await firstLines(page);
    const other = await launch();
    try {
      const { page: there } = await visit(other, app);
      await there.goto(app.url);
      await there.getByRole('link', { name: 'Open The Ferry Register' }).first().waitFor();
      await dropFiles(there, 'main', [{ name: 'travelled.walnut', bytes: file }]);
      await there.waitForURL(/\/book\//);
      await untilFact(there, 'Pages', (fact) => /^\d+$/.test(fact));
      await there.keyboard.press('Alt+3');
      expect(await firstLines(there)).to.deep.equal(here);
      await there.keyboard.press('Alt+2');
      await topic(there, /^Faces/);
      await there.getByLabel('Show', { exact: true }).selectOption('own');
      await there.getByRole('article', { name: 'Crimson Pro' }).getByText('Used by the text.').waitFor();
    } finally {
      await other.close();
    }
  });

  it('give a script its face in one act, for what is typed later too', async () => {
    const { page } = walk;
    await page.keyboard.press('Alt+1');
    await page.getByRole('button', { name: /^1 The Ninth Passenger/ }).click();
    const line = page.locator('.galley-text', { hasText: 'The last boat down' });
    await line.click();
    await page.keyboard.press('End');
    await page.keyboard.insertText(' אב ');
    await page.getByRole('button', { name: 'Missing characters' }).click();
    const panel = page.getByRole('region', { name: 'Missing characters' });
    await panel.getByText('2 characters, 2 places').waitFor();
    await panel.getByRole('button', { name: 'Set Hebrew' }).click();
    await panel.getByText('in Frank Ruhl Libre').waitFor();
    await panel.getByRole('region', { name: 'Hebrew' }).waitFor({ state: 'detached' });
    await line.click();
    await page.keyboard.press('End');
    await page.keyboard.insertText('ג');
    await page.locator('.galley-text', { hasText: 'ג' }).waitFor();
    await page.getByText('Saved').waitFor();
    expect(await panel.getByRole('button', { name: /U\+05D2/ }).count()).to.equal(0);
    await panel.getByRole('button', { name: 'Take the face of Hebrew back' }).click();
    await panel.getByText('3 characters, 3 places').waitFor();
  });
});
