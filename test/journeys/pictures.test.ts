import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { unzipSync } from 'fflate';
import { jpegOf, pngOf, svgOf, tiffOf } from '../build/pictures';
import { runOn } from '../build/tools';
import { bytesOf, dropFiles, eventually, journey, untilFact } from './app';

const MANUSCRIPT = `---
title: Plans of the Lower Wall
author: Tamsin Okonjo-Reyes
lang: en-GB
---

# Plans of the Lower Wall

## The second post

The post stands where the wall turns.

![](plans/post.png)

It has been there longer than the wall.

## The gate

Nobody has drawn the gate.
`;
const ALT = 'A post at the turn of a wall';

describe('pictures', () => {
  const walk = journey(async (page, app) => {
    await page.goto(app.url);
    await page.getByText('Another book').waitFor();
    await dropFiles(page, 'main', [{ name: 'plans.md', bytes: new TextEncoder().encode(MANUSCRIPT) }]);
    await untilFact(page, 'Pages', (fact) => /^\d+$/.test(fact));
    await page.keyboard.press('Alt+1');
    await page.getByRole('button', { name: /^The second post/ }).click();
    await page.locator('.galley-picture').waitFor();
  });
  let page: Page;
  before(() => (page = walk.page));

  /** Grey of the middle of a picture of a page, as it is drawn on the canvas of the desk. */
  const drawnAt = (label: string) =>
    page.evaluate((name) => {
      const picture = document.querySelector(`[role=img][aria-label="${name}"]`);
      const canvas = document.querySelector('canvas');
      // Not there yet: paper.
      if (picture === null || canvas === null) return [255, 255, 255, 255];
      const area = picture.getBoundingClientRect();
      const box = canvas.getBoundingClientRect();
      const scale = canvas.width / box.width;
      const at = [area.left + area.width / 2 - box.left, area.top + area.height / 2 - box.top];
      return [...canvas.getContext('2d')!.getImageData(at[0] * scale, at[1] * scale, 1, 1).data];
    }, label);
  const download = async (name: RegExp | string, card?: string): Promise<Uint8Array> => {
    const place = card === undefined ? page : page.getByRole('article', { name: card });
    const [file] = await Promise.all([
      page.waitForEvent('download'),
      place.getByRole('button', { name }).first().click(),
    ]);
    return bytesOf(file);
  };

  it('that did not come with the file keep their place, and the proof says so', async () => {
    const picture = page.locator('.galley-picture');
    expect(await picture.innerText())
      .to.include('Its file is not here.')
      .and.include('post.png');
    await page.keyboard.press('Alt+4');
    await page.getByText('The picture “post.png” did not come with the manuscript').waitFor();
    await page.keyboard.press('Alt+3');
    await page.locator('[role=img][aria-label="post.png"]').waitFor({ state: 'attached' });
    await page.keyboard.press('Alt+1');
  });

  it('are chosen, told in words, and shown in the galley and on the page', async () => {
    const picture = page.locator('.galley-picture');
    const [chooser] = await Promise.all([
      page.waitForEvent('filechooser'),
      picture.getByRole('button', { name: 'Choose its file' }).click(),
    ]);
    await chooser.setFiles({ name: 'post.png', mimeType: 'image/png', buffer: Buffer.from(pngOf(1200, 600, 1)) });
    await picture.locator('img:not([hidden])').waitFor();
    expect(await picture.innerText()).to.include('1200 × 600 pixels');
    await picture.getByLabel('What the picture shows').fill(ALT);
    await page.keyboard.press('Enter');
    await page.keyboard.press('Alt+4');
    await page.getByText('did not come with the manuscript').waitFor({ state: 'detached' });
    await page.keyboard.press('Alt+3');
    await page.locator(`[role=img][aria-label="${ALT}"]`).waitFor({ state: 'attached' });
    await page.locator(`[role=img][aria-label="${ALT}"]`).scrollIntoViewIfNeeded();
    await page.waitForFunction(
      (name) => document.querySelector(`[role=img][aria-label="${name}"]`)!.getBoundingClientRect().width > 50,
      ALT,
    );
    // A mean of greys from dark to light, and nothing of the paper.
    await eventually('the picture is drawn', async () => (await drawnAt(ALT))[0] <= 200);
    expect((await drawnAt(ALT))[0]).to.be.within(60, 200);
    // Pointed at, its slip tells how it is set, and has nothing to say of lines.
    await page.locator(`[role=img][aria-label="${ALT}"]`).click();
    const slip = page.getByRole('region', { name: 'This figure' });
    await slip.getByText(/^\d.* × .* in, \d+ pixels to the inch$/).waitFor();
    expect(await slip.getByRole('group', { name: 'Lines' }).count()).to.equal(0);
    await page.keyboard.press('Escape');
    await page.keyboard.press('Alt+1');
  });

  it('of a kind that no browser shows are seen all the same, and a drawing is as sharp as its place', async () => {
    const picture = page.locator('.galley-picture').first();
    const choose = async (name: string, mimeType: string, bytes: Uint8Array, size: string) => {
      const [chooser] = await Promise.all([
        page.waitForEvent('filechooser'),
        picture.getByRole('button', { name: 'Choose its file' }).click(),
      ]);
      await chooser.setFiles({ name, mimeType, buffer: Buffer.from(bytes) });
      await picture.getByText(size).waitFor();
      await picture.locator('img:not([hidden])').waitFor();
    };
    await choose('post.tif', 'image/tiff', tiffOf(600, 300, 1), 'post.tif, 600 × 300 pixels');
    expect(await picture.locator('img').evaluate((image: HTMLImageElement) => image.naturalWidth)).to.equal(600);
    await page.keyboard.press('Alt+3');
    await eventually('the TIFF is drawn', async () => (await drawnAt(ALT))[0] <= 200);
    await page.keyboard.press('Alt+1');
    const drawing = svgOf('<rect width="300" height="150" fill="#204060"/>', 'width="300" height="150"');
    await choose('post.svg', 'image/svg+xml', drawing, 'post.svg, 300 × 150 pixels');
    await page.keyboard.press('Alt+3');
    // As dark as it looks: the book is set in black alone.
    const grey = Math.round(0.2126 * 32 + 0.7152 * 64 + 0.0722 * 96);
    await eventually(
      'the drawing is drawn',
      async () => (await drawnAt(ALT)).slice(0, 3).join() === [grey, grey, grey].join(),
    );
    await page.locator(`[role=img][aria-label="${ALT}"]`).click();
    const slip = page.getByRole('region', { name: 'This figure' });
    await slip.getByText(/^\d.* × .* in$/).waitFor();
    const keep = slip.getByRole('checkbox', { name: /^Keep in its place/ });
    await keep.check();
    await keep.and(page.locator(':checked')).waitFor();
    await page.keyboard.press('Control+z');
    await keep.and(page.locator(':not(:checked)')).waitFor();
    await page.keyboard.press('Escape');
    await page.keyboard.press('Alt+1');
    // The steps before go on with the picture that was chosen first.
    for (let k = 0; k < 2; k += 1) await page.keyboard.press('Control+z');
    await picture.getByText('post.png, 1200 × 600 pixels').waitFor();
  });

  it('are put in where they are dropped, as one step that undo takes back', async () => {
    await dropFiles(page, '.galley-editor', [{ name: 'gate.jpg', bytes: jpegOf(640, 320) }]);
    await page.locator('.galley-picture').nth(1).locator('img:not([hidden])').waitFor();
    await page.keyboard.press('Control+z');
    await page.locator('.galley-picture').nth(1).waitFor({ state: 'detached' });
    await page.keyboard.press('Control+Shift+z');
    await page.locator('.galley-picture').nth(1).locator('img:not([hidden])').waitFor();
  });

  it('come with a table of any shape by name', async () => {
    await page.locator('.galley-text', { hasText: 'longer than the wall' }).click();
    await page.getByRole('button', { name: 'Insert' }).click();
    await page.getByLabel('Rows', { exact: true }).fill('2');
    await page.getByLabel('Columns', { exact: true }).fill('4');
    await page
      .getByRole('dialog')
      .getByRole('option', { name: /Table$/ })
      .click();
    const table = page.locator('.galley-editor table');
    expect(await table.locator('tr').count()).to.equal(2);
    expect(await table.locator('td').count()).to.equal(8);
    await table.locator('td').first().click();
    await page.keyboard.type('Post');
    expect(await table.locator('td').first().innerText()).to.equal('Post');
  });

  it('are in everything that leaves, and come back with the project file and the author’s copy', async () => {
    await page.getByText('Saved').waitFor();
    await page.keyboard.press('Alt+5');
    const press = await download('Write the PDF');
    const listed = runOn(press, '.pdf', 'pdfimages', (file) => ['-list', file]);
    expect(listed.split('\n').filter((row) => / image /.test(row))).to.have.length(2);
    const members = unzipSync(await download(/^Write/, 'Ebook'));
    const files = Object.keys(members).filter((name) => /^OPS\/pictures\/(?!cover)/.test(name));
    expect(files.map((name) => name.split('.').pop()).sort()).to.deep.equal(['jpg', 'png']);
    const text = Object.entries(members).map(([name, bytes]) =>
      name.endsWith('.xhtml') ? new TextDecoder().decode(bytes) : '',
    );
    expect(text.join('')).to.include(`alt="${ALT}"`);
    const project = await download('Write the project file');
    const copy = await download(/^Write/, 'The copy, for its author');
    for (const [name, bytes] of [
      ['again.walnut', project],
      ['again.docx', copy],
    ] as const) {
      await page.getByRole('link', { name: 'To the Shelf' }).click();
      await page.getByText('Another book').waitFor();
      await dropFiles(page, 'main', [{ name, bytes }]);
      await page.waitForURL(/\/book\//);
      await untilFact(page, 'Pages', (fact) => /^\d+$/.test(fact));
      await page.keyboard.press('Alt+1');
      await page.getByRole('button', { name: /The second post/ }).click();
      await page.locator('.galley-picture').nth(1).locator('img:not([hidden])').waitFor();
      const words = page.getByLabel('What the picture shows').first();
      await eventually('its words are there', async () => (await words.inputValue()) === ALT);
    }
  });

  it('are taken away with the last book that has them', async () => {
    const count = (table: string) =>
      page.evaluate(
        (name) =>
          new Promise<number>((resolve) => {
            const opening = indexedDB.open('walnut-leaf');
            opening.onsuccess = () => {
              const all = opening.result.transaction(name).objectStore(name).count();
              all.onsuccess = () => {
                opening.result.close();
                resolve(all.result);
              };
            };
          }),
        table,
      );
    await page.getByRole('link', { name: 'To the Shelf' }).click();
    const cards = page.locator('li', { hasText: 'Plans of the Lower Wall' });
    await cards.first().waitFor();
    const [copies, pictures] = [await cards.count(), await count('blobs')];
    expect(copies, 'the book, and what came back of it').to.be.above(1);
    expect(pictures).to.be.above(0);
    for (let left = copies; left > 0; left -= 1) {
      expect(await count('blobs'), 'kept while a book has them').to.equal(pictures);
      await cards
        .first()
        .getByRole('button', { name: /Remove/ })
        .click();
      await page.getByRole('dialog').getByRole('button', { name: 'Remove' }).click();
      await eventually('the book is taken away', async () => (await cards.count()) === left - 1);
    }
    // Those of the demonstration book stay.
    const own = 4; // Two that it has, and two whose choosing was taken back.
    await eventually('its pictures are taken away', async () => (await count('blobs')) === pictures - own);
    expect(await count('pictureOwners')).to.equal(pictures - own);
  });
});

describe('pictures beside a text', () => {
  const walk = journey(async (page, app) => {
    await page.goto(app.url);
    await page.getByText('Another book').waitFor();
  });

  it('are dropped with it and matched by name; one to which nothing refers is told', async () => {
    const { page } = walk;
    await dropFiles(page, 'main', [
      { name: 'Post.PNG', bytes: pngOf(40, 30) },
      { name: 'plans.md', bytes: new TextEncoder().encode(MANUSCRIPT) },
      { name: 'spare.jpg', bytes: jpegOf(20, 20) },
    ]);
    await untilFact(page, 'Pages', (fact) => /^\d+$/.test(fact));
    await page.keyboard.press('Alt+1');
    await page.getByRole('button', { name: /^The second post/ }).click();
    await page.locator('.galley-picture img').waitFor();
    await page.getByRole('link', { name: 'To the Shelf' }).click();
    await page.getByText('spare.jpg: no text that came with it refers to it.').waitFor();
  });
});
