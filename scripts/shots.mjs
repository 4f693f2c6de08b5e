// `npm run shots`: the pictures of docs/screenshots, one per main view, from the demonstration book.
import { spawn } from 'node:child_process';
import { mkdirSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { chromium } from 'playwright-core';
import { buildAll } from './build.mjs';

const root = join(dirname(fileURLToPath(import.meta.url)), '..');
const out = join(root, 'docs/screenshots');

/** Name of the picture, and how to get there from the open book. */
const VIEWS = [
  [
    'pages',
    async (page) => {
      await page.keyboard.press('Alt+3');
      await page.getByRole('slider', { name: 'Spread' }).focus();
      for (let k = 0; k < 9; k += 1) await page.keyboard.press('ArrowDown');
      await page.locator('article[data-page="18"] [data-block]').nth(14).click();
    },
  ],
  [
    'spec',
    async (page) => {
      await page.keyboard.press('Alt+2');
      await page.getByLabel('Margins from').selectOption({ label: 'Two thirds' });
      await page.getByText('holds', { exact: true }).waitFor();
      await page.getByLabel('Margins from').scrollIntoViewIfNeeded();
      await page.waitForTimeout(1200);
    },
  ],
  [
    'openers',
    async (page) => {
      await page.getByLabel('Margins from').focus();
      await page.keyboard.press('Control+z');
      await page.getByRole('button', { name: /^Openers/ }).click();
      await page.getByRole('button', { name: 'Longest title' }).click();
      await page.waitForTimeout(1200);
    },
  ],
  [
    'styles',
    async (page) => {
      await page.getByRole('button', { name: /^Styles/ }).click();
      await page.getByRole('button', { name: /^EXT/ }).click();
      await page.getByRole('button', { name: 'Show', exact: true }).click();
      await page.waitForTimeout(1200);
    },
  ],
  [
    'faces',
    async (page) => {
      await page.getByRole('button', { name: /^Faces/ }).click();
      await page.getByRole('img', { name: /^Words of this book in Source Serif 4/ }).waitFor();
    },
  ],
  [
    'furniture',
    async (page) => {
      await page.getByRole('button', { name: /^Furniture/ }).click();
      await page.getByRole('button', { name: /^Head, recto, fore-edge/ }).click();
      await page.waitForTimeout(600);
    },
  ],
  ['spacing', (page) => page.getByRole('button', { name: /^Spacing, breaks/ }).click()],
  [
    'copy',
    async (page) => {
      await page.keyboard.press('Alt+1');
      await page.getByRole('button', { name: /^3 What Tobit Said/ }).click();
      await page.getByRole('button', { name: 'Division', exact: true }).click();
    },
  ],
  [
    'tidy',
    async (page) => {
      await page.getByRole('button', { name: 'Tidy', exact: true }).click();
      await page.getByRole('button', { name: /^2 Low Water/ }).click();
      await page.getByRole('button', { name: /^Straight quotes/ }).click();
      await page.getByTitle('To its place in the galley').nth(3).click();
      await page.waitForTimeout(500);
    },
  ],
  [
    'find',
    async (page) => {
      await page.getByRole('button', { name: 'Find', exact: true }).click();
      await page.getByRole('button', { name: /^3 What Tobit Said/ }).click();
      await page.getByLabel('Find', { exact: true }).fill('register');
      await page.getByLabel('Replace with', { exact: true }).fill('ledger');
    },
  ],
  ['particulars', (page) => page.getByRole('button', { name: 'Particulars' }).click()],
  ['proof', (page) => page.keyboard.press('Alt+4')],
  ['send-out', (page) => page.keyboard.press('Alt+5')],
];

await buildAll();
mkdirSync(out, { recursive: true });
const server = spawn(process.execPath, [join(root, 'dist/server/main.mjs')], { env: { ...process.env, PORT: '0' } });
const url = await new Promise((resolve) =>
  server.stdout.on('data', (data) => resolve(/http\S+/.exec(data.toString())[0])),
);
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu'] });
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
await page.goto(url);
for (const title of ['The Ferry Register', 'Keeping a Tidal Garden'])
  await page.getByRole('img', { name: `Title page of ${title}` }).waitFor();
await page.screenshot({ path: join(out, 'shelf.png') });
await page.getByRole('link', { name: 'Open The Ferry Register' }).click();
await page.locator('article [data-width]').first().waitFor();
// The first pages are there before the rest of the book.
await page.waitForFunction(
  () => Number(document.querySelector('[role="slider"][aria-label="Spread"]')?.getAttribute('aria-valuemax')) > 20,
);
for (const [name, go] of VIEWS) {
  await go(page);
  await page.waitForTimeout(700);
  await page.screenshot({ path: join(out, `${name}.png`) });
}
await page.getByRole('link', { name: 'To the Shelf' }).click();
await page.getByRole('link', { name: 'Open Keeping a Tidal Garden' }).click();
await page.locator('article [data-width]').first().waitFor();
await page.keyboard.press('Alt+1');
await page.getByRole('button', { name: /^1 The Ground That/ }).click();
await page.locator('.galley-picture img:not([hidden])').first().waitFor();
await page.locator('.galley-picture').first().scrollIntoViewIfNeeded();
await page.waitForTimeout(1500);
await page.screenshot({ path: join(out, 'pictures.png') });
await page.keyboard.press('Alt+3');
await page.getByRole('region', { name: 'Spreads' }).hover();
for (let k = 0; k < 60 && (await page.locator('[data-page] [role=img]').count()) === 0; k += 1) {
  await page.mouse.wheel(0, 500);
  await page.waitForTimeout(200);
}
await page.locator('[data-page] [role=img]').first().click();
await page
  .getByRole('region', { name: 'This figure' })
  .getByText(/change/)
  .first()
  .waitFor();
await page.waitForTimeout(1500);
await page.screenshot({ path: join(out, 'figures.png') });
await page.keyboard.press('Alt+2');
await page.getByRole('button', { name: /^Contents, index/ }).click();
await page.waitForTimeout(1500);
await page.screenshot({ path: join(out, 'contents.png') });
await page.getByRole('button', { name: /^Tables/ }).click();
await page.waitForTimeout(1500);
await page.screenshot({ path: join(out, 'tables.png') });
await page.getByRole('button', { name: /^Notes/ }).click();
await page.getByRole('slider', { name: 'Spread' }).focus();
await page.keyboard.press('Home');
for (let k = 0; k < 6; k += 1) await page.keyboard.press('ArrowDown');
await page.waitForTimeout(1500);
await page.screenshot({ path: join(out, 'notes.png') });
await browser.close();
server.kill();
