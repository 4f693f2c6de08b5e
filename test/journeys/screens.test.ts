import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import type { Page } from 'playwright-core';
import { journey, openDemo, untilFact, untilStill } from './app';
import { cutTexts } from './cutTexts';

const axe = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');
const STAGES = ['copy', 'spec', 'pages', 'proof', 'send-out'];
const TOOLS = ['Division', 'Arrival', 'Tidy', 'Find', 'Notes', 'Missing characters'];

/** Opens each screen of the book in turn, and the Shelf last; the book is open again after it. */
async function eachScreen(page: Page, look: (screen: string) => Promise<void>): Promise<void> {
  for (const [key, stage] of STAGES.entries()) {
    await page.keyboard.press(`Alt+${key + 1}`);
    await look(stage);
    if (stage === 'copy') {
      for (const tool of TOOLS) {
        await page
          .getByRole('complementary', { name: 'Tools' })
          .getByRole('button', { name: tool, exact: true })
          .click();
        await look(`copy, ${tool}`);
      }
      await page.getByRole('button', { name: 'Particulars' }).click();
      await look('particulars');
      await page.getByRole('button', { name: /^1 The Ninth Passenger/ }).click();
    }
    if (stage !== 'spec') continue;
    const topics = page.getByRole('navigation', { name: 'Topics' }).getByRole('button');
    for (let topic = 0; topic < (await topics.count()); topic += 1) {
      await topics.nth(topic).click();
      await look(`spec, topic ${topic + 1}`);
      if ((await topics.nth(topic).innerText()).startsWith('Styles')) {
        await page
          .getByRole('button', { name: /^TXF? / })
          .first()
          .click();
        await look('spec, a style');
        await page.getByRole('button', { name: 'All styles' }).click();
      }
    }
    await topics.first().click();
  }
  await page.getByRole('link', { name: 'To the Shelf' }).click();
  await page.getByText('Another book').waitFor();
  await look('shelf');
  await page.getByRole('link', { name: 'Open The Ferry Register' }).click();
  await page.locator('article [data-width]').first().waitFor();
}

async function accessFaults(page: Page): Promise<string[]> {
  await page.evaluate(axe);
  return page.evaluate(async () => {
    const { axe: tool } = window as unknown as {
      axe: {
        run: (options: unknown) => Promise<{
          violations: { impact: string; id: string; nodes: { html: string; any: { message: string }[] }[] }[];
        }>;
      };
    };
    const { violations } = await tool.run({ resultTypes: ['violations'] });
    return violations
      .filter(({ impact }) => impact === 'serious' || impact === 'critical')
      .map(({ id, nodes }) => `${id}: ${nodes[0].html.slice(0, 120)} ${nodes[0].any[0]?.message ?? ''}`);
  });
}

describe('every screen', () => {
  const walk = journey(async (page, app) => {
    await openDemo(page, app);
    await untilFact(page, 'Pages', (fact) => /^\d+$/.test(fact));
  });

  for (const theme of ['day', 'evening'])
    for (const width of [1280, 1100])
      it(`at ${width} px by ${theme} has no text that is cut or covered, and no serious fault of access`, async () => {
        const { page } = walk;
        await page.setViewportSize({ width, height: 800 });
        const faults: string[] = [];
        await eachScreen(page, async (screen) => {
          await untilStill(page);
          const told = await cutTexts(page);
          told.push(...(await accessFaults(page)));
          faults.push(...told.map((fault) => `${screen}: ${fault}`));
        });
        if (width === 1100)
          await page.getByRole('button', { name: theme === 'day' ? 'Evening colours' : 'Day colours' }).click();
        expect(faults).to.deep.equal([]);
      });
});
