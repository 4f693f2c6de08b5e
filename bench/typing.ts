// `npm run typing`: how long a letter typed in the galley takes until the frame that shows it is painted, in the built app in
// headless Chromium, for seeded texts of 100,000 words (32 chapters, with each panel of the galley open too, and as one division) and 500,000 (160
// chapters and one division). An argument: only the texts whose name begins so, such as "100,000 words in".
import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import type { Page } from 'playwright-core';
import { startServer } from './appServer';
import { openBrowser } from './browserPeer';
import { seededText } from './seededText';

const root = fileURLToPath(new URL('../..', import.meta.url));
const source = readFileSync(`${root}demo/the-ferry-register.txt`, 'utf8');

/** Letters typed a text, and the rest between two of them in ms: a fast typist. */
const LETTERS = 150;
const REST = 80;

/** Notes the time from each key to the first task after the next frame. Text: the page knows no helpers of our compiler. */
const WATCH = `
  window.latencies = [];
  addEventListener('keydown', (event) => {
    const start = event.timeStamp;
    requestAnimationFrame(() => {
      const channel = new MessageChannel();
      channel.port1.onmessage = () => window.latencies.push(performance.now() - start);
      channel.port2.postMessage(0);
    });
  }, true);`;

async function dropOnShelf(page: Page, url: string, words: number, chapters: number): Promise<void> {
  await page.goto(url);
  await page.getByRole('link', { name: 'Open The Ferry Register' }).waitFor();
  await page.waitForTimeout(2000);
  const text = seededText({ words, chapters, seed: 7, source });
  const transfer = await page.evaluateHandle((content) => {
    const made = new DataTransfer();
    made.items.add(new File([content], 'seeded.txt'));
    return made;
  }, text);
  await page.dispatchEvent('main', 'dragover', { dataTransfer: transfer });
  await page.dispatchEvent('main', 'drop', { dataTransfer: transfer });
  await page.waitForURL(/\/book\//, { timeout: 120_000 });
  await page.waitForFunction(() => /\d words/.test(document.body.innerText), undefined, { timeout: 180_000 });
  await page.waitForTimeout(3000);
}

async function typeInGalley(page: Page, letters = LETTERS): Promise<number[]> {
  const paragraphs = page.locator('.galley-text');
  await paragraphs.first().waitFor();
  await paragraphs.nth(12).click();
  await page.keyboard.press('End');
  await page.waitForTimeout(500);
  await page.evaluate('window.latencies.length = 0');
  for (let k = 0; k < letters; k += 1) {
    await page.keyboard.press(k % 6 === 5 ? 'Space' : 'abcde'[k % 5]);
    await page.waitForTimeout(REST);
  }
  await page.waitForTimeout(500);
  return page.evaluate(() => (window as unknown as { latencies: number[] }).latencies);
}

/** Panels of the galley, and what is done in each before typing goes on. */
const PANELS: readonly (readonly [string, (page: Page) => Promise<unknown>])[] = [
  ['Division', async () => undefined],
  ['Arrival', async () => undefined],
  ['Tidy', async () => undefined],
  ['Find', async (page) => page.getByRole('textbox', { name: 'Find', exact: true }).fill('the')],
  ['Notes', async () => undefined],
  ['Missing characters', async () => undefined],
];
/** Letters typed with each panel open. */
const PANEL_LETTERS = 60;

function tell(name: string, latencies: readonly number[]): void {
  const sorted = [...latencies].sort((a, b) => a - b);
  const at = (share: number) => sorted[Math.floor(sorted.length * share)].toFixed(0);
  console.log(
    `${name}: key to painted frame p50 ${at(0.5)} ms, p95 ${at(0.95)} ms, most ${sorted.at(-1)!.toFixed(0)} ms`,
  );
}

const server = await startServer();
const asked = process.argv[2];
for (const [name, words, chapters] of [
  ['100,000 words in 32 chapters', 100_000, 32],
  ['100,000 words as one division', 100_000, 0],
  ['500,000 words in 160 chapters', 500_000, 160],
  ['500,000 words as one division', 500_000, 0],
] as const) {
  if (asked !== undefined && !name.startsWith(asked)) continue;
  const browser = await openBrowser();
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await dropOnShelf(page, server.url, words, chapters);
  await page.keyboard.press('Alt+1');
  await page.evaluate(WATCH);
  tell(name, await typeInGalley(page));
  if (chapters === 32)
    for (const [panel, prepare] of PANELS) {
      await page
        .getByRole('complementary', { name: 'Tools' })
        .getByRole('button', { name: panel, exact: true })
        .click();
      await prepare(page);
      await page.waitForTimeout(2500);
      tell(`  with ${panel} open`, await typeInGalley(page, PANEL_LETTERS));
    }
  await browser.close();
}
server.stop();
