// Spec as a typesetter works in it: the page and its canon, drags on the drawing, styles, inks, kept specs.
import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import type { Page } from 'playwright-core';
import { bytesOf, journey, openDemo, stageFact, untilFact, type Journey, type RunningApp } from './app';
import { readAsset } from '../build/assets';
import { pdfInfo, pdfText } from '../build/tools';

async function arriveInSpec(page: Page, app: RunningApp): Promise<void> {
  await openDemo(page, app);
  await untilFact(page, 'Pages', (fact) => /^\d+$/.test(fact));
  await page.getByRole('link', { name: /^Spec/ }).click();
  await page.getByLabel('Head margin, on the drawing').waitFor();
}

const chooseTopic = (page: Page, name: RegExp) =>
  page.getByRole('navigation', { name: 'Topics' }).getByRole('button', { name }).click();

describe('the page in Spec', () => {
  const walk: Journey = journey(arriveInSpec);
  let page: Page;
  before(() => (page = walk.page));
  const value = (label: string) => page.getByLabel(label, { exact: true }).inputValue();
  const undo = async () => {
    await page.getByRole('navigation', { name: 'Topics' }).getByRole('button').first().focus();
    await page.keyboard.press('Control+z');
  };

  it('takes the margins from a canon, with the sums, and says when they were changed by hand', async () => {
    await page.getByLabel('Margins from').selectOption({ label: 'Two thirds' });
    const sums = page.getByLabel('How the margins are found');
    await sums.waitFor();
    expect((await sums.innerText()).replace(/\s+/g, ' ')).to.match(/Type width w · w ÷ h 3\.3989 in/);
    expect(await value('Back margin, on the drawing')).to.equal('0.7837 in');
    await page.getByLabel('Head', { exact: true }).fill('1in');
    await page.keyboard.press('Enter');
    await page.getByText('changed by hand').first().waitFor();
    await page.getByRole('button', { name: 'Use these' }).click();
    await page.getByText('holds', { exact: true }).waitFor();
    expect(await value('Head margin, on the drawing')).to.equal('1.0417 in');
  });

  it('keeps to the canon when the trim changes, and snaps to whole lines', async () => {
    await page.getByLabel('Trade size').selectOption({ label: 'Small trade, 5 × 8 in, 5 : 8' });
    await page.getByLabel('Binding allowance').fill('0');
    await page.keyboard.press('Enter');
    await page.waitForFunction(
      () =>
        document.querySelector<HTMLInputElement>('[aria-label="Back margin, on the drawing"]')?.value === '0.625 in',
    );
    expect(await value('Foot margin, on the drawing')).to.equal('2 in');
    await page.getByRole('button', { name: 'Snap' }).click();
    await page.getByText('Whole lines fill the area').waitFor();
    await page.getByText('holds', { exact: true }).waitFor();
  });

  it('takes the back margin from the extent, by a table that can be changed', async () => {
    await page.getByLabel('Margins from').selectOption({ label: 'Back by the extent' });
    await page.getByText('holds', { exact: true }).waitFor();
    expect(await value('Back margin, on the drawing')).to.equal('0.7 in');
    await page.getByRole('button', { name: 'Add a row' }).click();
    const rows = page.getByLabel('to', { exact: true });
    expect(await rows.count()).to.equal(4);
    await rows.first().fill('20');
    await page.keyboard.press('Enter');
    await page.waitForFunction(
      () => document.querySelector<HTMLInputElement>('[aria-label="Back margin, on the drawing"]')?.value === '0.8 in',
    );
    await rows.first().fill('900');
    await page.keyboard.press('Enter');
    await page.getByText('between those of its neighbours').waitFor();
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: 'Remove the longest' }).click();
    expect(await rows.count()).to.equal(3);
  });

  it('follows an edge that is dragged, in one undo step, with its value at the pointer', async () => {
    await page.getByLabel('Margins from').selectOption('');
    const before = await value('Head margin, on the drawing');
    const edge = (await page.locator('[data-handle="head-verso"]').boundingBox())!;
    await page.mouse.move(edge.x + edge.width / 2, edge.y + edge.height / 2);
    await page.mouse.down();
    await page.mouse.move(edge.x + edge.width / 2, edge.y + 20, { steps: 4 });
    // The hand rests for longer than it takes to part two changes.
    await page.evaluate('{ const now = Date.now; Date.now = () => now() + 700; }');
    await page.mouse.move(edge.x + edge.width / 2, edge.y + 34, { steps: 4 });
    const told = page.getByRole('status').filter({ hasText: 'Head' });
    await told.waitFor();
    const during = await value('Head margin, on the drawing');
    expect(await told.innerText()).to.equal(`Head ${during}`);
    expect(Number.parseFloat(during)).to.be.above(Number.parseFloat(before) + 0.2);
    await page.mouse.up();
    await told.waitFor({ state: 'detached' });
    await undo();
    await page.waitForFunction(
      (was) => document.querySelector<HTMLInputElement>('[aria-label="Head margin, on the drawing"]')?.value === was,
      before,
    );
  });

  it('refuses margins that leave no line, where they are typed, and keeps the last good ones', async () => {
    const back = page.getByLabel('Back', { exact: true });
    const before = await back.inputValue();
    await back.fill('4in');
    await page.keyboard.press('Enter');
    await page.getByText('no room for a line of ten characters').first().waitFor();
    await page.keyboard.press('Escape');
    expect(await back.inputValue()).to.equal(before);
  });

  it('keeps a size of one’s own by name, turns the page, and shows lengths in another unit', async () => {
    await page.getByLabel('Width', { exact: true }).fill('130mm');
    await page.keyboard.press('Enter');
    await page.getByRole('button', { name: 'Keep this size' }).click();
    await page.getByLabel('Name of the size').fill('River format');
    await page.keyboard.press('Enter');
    await page.getByLabel('Trade size').selectOption({ label: 'Digest, 5.5 × 8.5 in, 1 : 1.55' });
    await page.getByLabel('Custom sizes').selectOption('River format');
    await page.waitForFunction(
      () => document.querySelector<HTMLInputElement>('[aria-label="Trim width, on the drawing"]')?.value === '130 mm',
    );
    await page.getByLabel('Lengths in').selectOption('pica');
    expect(await value('Trim height, on the drawing')).to.equal('48p0');
    await page.getByLabel('Lengths in').selectOption('');
    await page.getByLabel('Orientation').selectOption('landscape');
    expect(await value('Trim height, on the drawing')).to.equal('130 mm');
    await page.getByLabel('Orientation').selectOption('portrait');
  });

  it('writes bleed into the press PDF', async () => {
    for (const side of ['head', 'foot', 'back', 'fore-edge']) {
      await page.getByLabel(`At the ${side}`, { exact: true }).fill('3mm');
      await page.keyboard.press('Enter');
    }
    await stageFact(page, 'Pages');
    await page.getByRole('link', { name: 'Send out' }).click();
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: 'Write the PDF' }).click(),
    ]);
    const info = pdfInfo(await bytesOf(download));
    const [, x, y] = /TrimBox:\s+([\d.]+)\s+([\d.]+)/.exec(info)!;
    expect([Number(x), Number(y)]).to.deep.equal([8.5, 8.5]);
    await page.getByRole('link', { name: /^Spec/ }).click();
  });

  it('clears the drawing for a clean view, and brings everything back', async () => {
    await page.getByRole('button', { name: 'clean view' }).click();
    expect(await page.getByLabel('Head margin, on the drawing').count()).to.equal(0);
    await page.getByRole('button', { name: 'clean view' }).click();
    await page.getByLabel('Head margin, on the drawing').waitFor();
  });
});

describe('styles, inks and kept specs', () => {
  const walk: Journey = journey(arriveInSpec);
  let page: Page;
  before(() => (page = walk.page));
  const topic = (name: RegExp) => chooseTopic(page, name);

  it('changes a style, shows that it is its own, and puts it back', async () => {
    await topic(/^Styles/);
    await page.getByRole('button', { name: /^EXT/ }).click();
    const leading = page.getByLabel('Leading', { exact: true });
    await leading.fill('5');
    await page.keyboard.press('Enter');
    await page.getByText('under 70 % of 10.5 pt').waitFor();
    await leading.fill('12');
    await page.keyboard.press('Enter');
    await page.getByRole('button', { name: 'reset' }).nth(1).click();
    await page.waitForFunction(() => document.querySelectorAll('details button').length > 0);
    expect(await leading.inputValue()).to.equal('14.5 pt');
  });

  it('refuses a circle of styles', async () => {
    await page.getByRole('button', { name: 'All styles' }).click();
    await page.getByRole('button', { name: /^CN/ }).click();
    const options = await page.getByLabel('Takes from').locator('option').allInnerTexts();
    expect(options).to.include('Extract');
    expect(options).to.not.include('Part number');
  });

  it('makes a style from another, names it, and merges it back with all that is set in it', async () => {
    await page.getByRole('button', { name: 'New from it' }).click();
    await page.getByLabel('Tag', { exact: true }).fill('CNX');
    await page.keyboard.press('Enter');
    await page.getByLabel('Name', { exact: true }).fill('Number, other');
    await page.keyboard.press('Enter');
    await page.getByRole('heading', { name: 'Number, other' }).waitFor();
    await page.getByText('from CN').first().waitFor();
    await page.getByLabel('Replaced by').selectOption({ label: 'Chapter number' });
    await page.getByRole('button', { name: 'Merge and remove' }).click();
    await page.getByRole('heading', { name: 'Chapter number' }).waitFor();
  });

  it('walks through the places of a style on the drawing', async () => {
    await page.getByRole('button', { name: 'Show', exact: true }).click();
    await page.getByText(/^1 of 12$/).waitFor();
    await page.getByRole('button', { name: 'Next', exact: true }).click();
    await page.getByText(/^2 of 12$/).waitFor();
  });

  it('teaches a style from a paragraph changed by eye', async () => {
    await page.getByRole('link', { name: /^Pages/ }).click();
    await page.locator('article [data-width]').first().waitFor();
    await page.keyboard.press('n');
    const slip = page.getByRole('region', { name: 'This paragraph' });
    await slip.waitFor();
    for (let k = 0; k < 4 && !(await slip.innerText()).includes('This paragraph CT'); k += 1) {
      const before = await slip.innerText();
      await page.keyboard.press('n');
      await page.waitForFunction(
        (was) => document.querySelector<HTMLElement>('section[aria-label="This paragraph"]')?.innerText !== was,
        before,
      );
    }
    await slip.getByText('Local adjustments').click();
    await slip.getByLabel('Size').fill('18');
    await page.keyboard.press('Enter');
    await slip.getByText('1 changed').waitFor();
    await slip.getByRole('button', { name: 'Teach the style CT' }).click();
    const learns = slip.getByRole('region', { name: 'What the style learns' });
    expect((await learns.innerText()).replace(/\s+/g, ' ')).to.match(/Size 20 → 18 .*14 paragraphs will be set so/);
    await learns.getByRole('button', { name: 'Change the style' }).click();
    await slip.getByText('as CT', { exact: true }).first().waitFor();
    // What is changed by eye is made a style of its own, which takes from the paragraph's.
    await slip.getByLabel('Tracking').fill('30');
    await page.keyboard.press('Enter');
    await slip.getByText('1 changed').waitFor();
    await slip.getByRole('button', { name: 'New style from it' }).click();
    await slip.getByLabel('Name of the new style').fill('Wide title');
    await slip.getByRole('button', { name: 'Add', exact: true }).click();
    await slip.getByText('This paragraph WT').waitFor();
    await slip.getByText('as WT', { exact: true }).first().waitFor();
    await page.getByRole('button', { name: 'Undo: Style Wide title' }).click();
    await slip.getByText('This paragraph CT').waitFor();
    await page.getByRole('button', { name: /^Undo: Tracking/ }).click();
  });

  it('sets a style in an ink, and the whole book in another ink set', async () => {
    await page.getByRole('link', { name: /^Spec/ }).click();
    await topic(/^Inks/);
    await page.getByLabel('Name of the new ink').fill('Tide');
    await page.getByRole('button', { name: 'Add an ink' }).click();
    await page.getByLabel('Cyan').fill('90');
    await page.keyboard.press('Enter');
    await page.getByLabel('Name of the new set').fill('Night');
    await page.getByRole('button', { name: 'Add a set' }).click();
    expect(await page.getByLabel('The book is set in').inputValue()).to.equal('Night');
    await page.getByLabel('The book is set in').selectOption('Black only');
    await topic(/^Styles/);
    // The style that was open last is open again.
    const all = page.getByRole('button', { name: 'All styles' });
    if (await all.isVisible()) await all.click();
    await page.getByRole('button', { name: /^CT/ }).click();
    expect(await page.getByLabel('Size', { exact: true }).inputValue()).to.equal('18 pt');
    await page.getByLabel('Ink', { exact: true }).selectOption('Tide');
    await topic(/^Inks/);
    await page.getByRole('button', { name: /^Tide/ }).click();
    await page.getByText('used by 1 style').waitFor();
  });

  it('hands the style sheet over as a PDF that names every style in use', async () => {
    await topic(/^Styles/);
    if (await page.getByRole('button', { name: 'All styles' }).isVisible())
      await page.getByRole('button', { name: 'All styles' }).click();
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: 'Style sheet as a PDF' }).click(),
    ]);
    expect(download.suggestedFilename()).to.equal('the-ferry-register-styles.pdf');
    const words = pdfText(await bytesOf(download)).replace(/\s+/g, ' ');
    for (const told of ['CT Chapter title, from TX: eb-garamond 18/23.5, 13 paragraphs', 'EXT Extract', 'VRS Verse'])
      expect(words).to.include(told);
  });

  it('keeps a spec by name, sets the book otherwise, and sets it by the kept one again', async () => {
    await topic(/^Kept specs/);
    await page.getByLabel('What of it to keep').selectOption('type');
    await page.getByLabel('under the name').fill('Ferry type');
    await page.getByRole('button', { name: 'Keep', exact: true }).click();
    const kept = page.getByRole('article', { name: 'Ferry type' });
    await kept.getByRole('img').first().waitFor();
    const essays = page.getByRole('article', { name: 'Essays' });
    await essays.getByRole('img').first().waitFor();
    await essays.getByRole('button', { name: 'Use this spec' }).click();
    await essays.getByText('this book’s').waitFor();
    await kept.getByRole('button', { name: 'Use this spec' }).click();
    await topic(/^Styles/);
    await page.getByRole('button', { name: /^CT/ }).click();
    await page.waitForFunction(
      () => document.querySelector<HTMLInputElement>('summary + div input, details input')?.value !== '',
    );
    expect(await page.getByLabel('Size', { exact: true }).inputValue()).to.equal('18 pt');
    await topic(/^Page/);
    expect(await page.getByLabel('Trim width, on the drawing').inputValue()).to.equal('5.25 in');
  });

  it('takes a spec from a file, and refuses one that is none', async () => {
    await topic(/^Kept specs/);
    const file = (name: string, text: string) =>
      page.getByLabel('Spec file').setInputFiles({ name, mimeType: 'application/json', buffer: Buffer.from(text) });
    await file('bad.json', '{"page": {"trim": {"width": "wide"}}}');
    await page.getByRole('alert').filter({ hasText: 'bad.json' }).waitFor();
    await file('narrow.json', '{"name": "Narrow", "page": {"trim": {"width": "5in"}}}');
    const kept = page.getByRole('article', { name: 'Narrow' });
    await kept.getByRole('button', { name: 'Use this spec' }).click();
    await topic(/^Page/);
    await page.waitForFunction(
      () => document.querySelector<HTMLInputElement>('[aria-label="Trim width, on the drawing"]')?.value === '5 in',
    );
  });
});

describe('faces and the space between words', () => {
  const walk: Journey = journey(arriveInSpec);
  let page: Page;
  before(() => (page = walk.page));
  const topic = (name: RegExp) => chooseTopic(page, name);
  const bring = (name: string, bytes: Uint8Array) =>
    page.getByLabel('Font files').setInputFiles({ name, mimeType: 'font/ttf', buffer: Buffer.from(bytes) });
  const TTF = readAsset('fonts/CrimsonPro_400Regular.ttf');

  it('refuses a damaged font file with a reason, and takes a good one', async () => {
    await topic(/^Faces/);
    await bring('broken.ttf', TTF.slice(0, 3000));
    await page.getByRole('alert').filter({ hasText: 'broken.ttf is damaged' }).waitFor();
    await bring('mine.ttf', TTF);
    await page.getByRole('alert').waitFor({ state: 'detached' });
    await page.getByLabel('Show', { exact: true }).selectOption('own');
    const card = page.getByRole('article', { name: 'Crimson Pro' });
    await card.getByText(/^(Has every character|Lacks \d+) of this book/).waitFor();
    await card.getByRole('img').waitFor();
    const packed = createRequire(import.meta.url).resolve('source-code-pro/WOFF2/TTF/SourceCodePro-Regular.ttf.woff2');
    await bring('packed.woff2', new Uint8Array(readFileSync(packed)));
    const mono = page.getByRole('article', { name: 'Source Code Pro' });
    await mono.getByText('mono, own').waitFor();
    await mono.getByRole('img').waitFor();
  });

  it('sets the text in it, after a reload too, and says so when it is dropped', async () => {
    const card = page.getByRole('article', { name: 'Crimson Pro' });
    await card.getByRole('button', { name: 'Set the text in it' }).click();
    await card.getByText('Used by the text.').waitFor();
    await page.getByText('Saved').waitFor();
    await page.reload();
    await untilFact(page, 'Pages', (fact) => /^\d+$/.test(fact));
    await topic(/^Faces/);
    expect(await page.getByText('is not here').count()).to.equal(0);
    await page.getByLabel('Show', { exact: true }).selectOption('own');
    await page.getByRole('article', { name: 'Crimson Pro' }).getByRole('button', { name: 'Remove' }).click();
    await page.getByText('is missing: another face stands in for it').waitFor();
    await untilFact(page, 'Proof', (fact) => /finding/.test(fact));
    await page.getByRole('link', { name: /^Proof/ }).click();
    await page.getByText('Face missing').first().waitFor();
    await page.getByRole('link', { name: /^Spec/ }).click();
  });

  it('puts one face in place of another, its letters as high', async () => {
    await topic(/^Faces/);
    await page.getByLabel('In place of').selectOption('own-crimson-pro');
    await page.getByLabel('Set', { exact: true }).selectOption('eb-garamond');
    await page.getByLabel('Matched by').selectOption('size');
    await page.getByRole('button', { name: 'Replace' }).click();
    await page.getByLabel('In place of').selectOption('eb-garamond');
    await page.getByLabel('Set', { exact: true }).selectOption('source-serif-4');
    await page.getByLabel('Matched by').selectOption('xheight');
    await page.getByText(/Sizes times 0\.8\d+: text 9\.\d+ pt/).waitFor();
    await page.getByRole('button', { name: 'Replace' }).click();
    await topic(/^Text/);
    expect(await page.getByLabel('Face', { exact: true }).inputValue()).to.equal('source-serif-4');
    expect(Number.parseFloat(await page.getByLabel('Size', { exact: true }).inputValue())).to.be.within(9, 10);
  });

  it('sets the limits of the word space by its handles, over the lines of the book', async () => {
    await topic(/^Spacing/);
    await page.getByRole('img', { name: /^Word spaces of \d+ lines/ }).waitFor();
    const most = page.getByRole('slider', { name: 'Most word space' });
    const before = Number(await most.getAttribute('aria-valuenow'));
    await most.focus();
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('ArrowRight');
    await page.waitForFunction(
      (was) =>
        Number(document.querySelector('[aria-label="Most word space"]')?.getAttribute('aria-valuenow')) > was + 0.009,
      before,
    );
    const box = (await most.boundingBox())!;
    await page.mouse.move(box.x + box.width / 2, box.y + 40);
    await page.mouse.down();
    await page.mouse.move(box.x + box.width / 2 + 30, box.y + 40, { steps: 5 });
    await page.mouse.up();
    expect(Number(await most.getAttribute('aria-valuenow'))).to.be.above(before + 0.03);
    await page.getByText('limits of its own').waitFor();
    await page.getByRole('button', { name: 'As the face' }).click();
    await page.getByText('as held for the face').waitFor();
    await page.getByText('Words tied by rule').waitFor();
  });

  it('holds wider limits of it where letters give nothing, and the face’s own where they do', async () => {
    const least = page.getByRole('slider', { name: 'Least word space' });
    const give = async (percent: string) => {
      await topic(/^Text/);
      await page.getByRole('textbox', { name: 'Letter-width tolerance' }).fill(percent);
      await page.getByRole('textbox', { name: 'Letter-width tolerance' }).press('Enter');
      await topic(/^Spacing/);
    };
    await least.waitFor();
    const held = Number(await least.getAttribute('aria-valuenow'));
    await give('0');
    await page.getByText('as held with letters at their width').waitFor();
    await page.waitForFunction(
      (was) => Number(document.querySelector('[aria-label="Least word space"]')?.getAttribute('aria-valuenow')) < was,
      held,
    );
    await give('2');
    await page.getByText('as held for the face').waitFor();
    await page.waitForFunction(
      (was) => Number(document.querySelector('[aria-label="Least word space"]')?.getAttribute('aria-valuenow')) === was,
      held,
    );
  });
});
