import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { dropFiles, journey } from './app';
import { odt, packed } from '../build/incoming';

const MARKDOWN = `# Slack Water

## The First

Words of it.[^1]

<p class="sidebar">A passage of a style that fits nothing.</p>

## The Last

| Day | Level |
|---|---|
| One | 12 |

[^1]: A note.
`;

describe('the arrival of a manuscript', () => {
  const walk = journey(async (page, app) => {
    await page.goto(app.url);
    await page.getByText('Drop a manuscript').waitFor();
  });
  let page: Page;
  before(() => (page = walk.page));

  it('opens the book at once, with a sheet that says what came in', async () => {
    await dropFiles(page, 'main', [{ name: 'slack.md', bytes: new TextEncoder().encode(MARKDOWN) }]);
    await page.waitForURL(/\/book\/.*\/pages$/);
    await page.getByRole('link', { name: /^Copy/ }).click();
    const sheet = page.getByRole('region', { name: 'Arrival' });
    await sheet.waitFor();
    const words = await sheet.innerText();
    for (const fact of [/slack\.md/, /Footnotes\s+1/, /Tables\s+1/, /Headings, 3/, /The Last/])
      expect(words).to.match(fact);
  });

  it('lets an incoming style become another of ours, in one step', async () => {
    await page.getByRole('button', { name: /^The First/ }).click();
    const passage = page.locator('.galley-row', { hasText: 'A passage of a style' });
    const tag = passage.locator('.galley-tag');
    expect(await tag.innerText()).to.equal('TX');
    await page.getByLabel('What sidebar becomes').selectOption({ label: 'Extract' });
    await page.waitForFunction(() => document.body.innerText.includes('EXT'));
    expect(await tag.innerText()).to.equal('EXT');
    await page.getByRole('button', { name: /^The First/ }).focus();
    await page.keyboard.press('Control+z');
    await page.waitForFunction(() => !document.body.innerText.includes('EXT'));
  });

  it('reads OpenDocument text, and refuses a file whose name lies, in one sentence', async () => {
    await page.getByRole('link', { name: 'To the Shelf' }).click();
    await dropFiles(page, 'main', [{ name: 'lie.odt', bytes: packed({ 'x.txt': 'x' }) }]);
    await page.getByText('there is no OpenDocument text in it').waitFor();
    await dropFiles(page, 'main', [
      {
        name: 'tide.odt',
        bytes: odt({ body: '<text:h text:outline-level="1">One</text:h><text:p>Slow words.</text:p>' }),
      },
    ]);
    await page.waitForURL(/\/book\/.*\/pages$/);
    await page.getByRole('link', { name: /^Copy/ }).click();
    await page.getByRole('button', { name: /^One/ }).click();
    await page.getByText('Slow words.').first().waitFor();
  });
});
