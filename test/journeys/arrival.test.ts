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
    expect(await tag.innerText()).to.equal('SIDEBAR');
    expect(await page.getByLabel('What sidebar becomes').inputValue()).to.equal('SIDEBAR');
    await page.getByLabel('What sidebar becomes').selectOption({ label: 'Extract' });
    await page.waitForFunction(() => document.body.innerText.includes('EXT'));
    expect(await tag.innerText()).to.equal('EXT');
    await page.getByRole('button', { name: /^The First/ }).focus();
    await page.keyboard.press('Control+z');
    await page.waitForFunction(() => !document.body.innerText.includes('EXT'));
  });

  it('makes divisions of a style that is mapped to chapter titles, and of what is found, and takes them back', async () => {
    const order = page.getByRole('navigation', { name: 'Running order' });
    const made = order.getByRole('button', { name: /^A passage of a style/ });
    await page.getByLabel('What sidebar becomes').selectOption({ label: 'Chapter title' });
    await made.waitFor();
    await page.getByLabel('What sidebar becomes').selectOption({ label: 'Extract' });
    await made.waitFor({ state: 'detached' });
    for (let k = 0; k < 2; k += 1) {
      await page.getByRole('button', { name: /^Undo: “sidebar”/ }).click();
      if (k === 0) await made.waitFor();
    }
    await made.waitFor({ state: 'detached' });
    await page.getByRole('button', { name: 'Find', exact: true }).click();
    await page.getByLabel('Find', { exact: true }).fill('A passage');
    await page.getByRole('button', { name: 'Begin a division at each' }).click();
    await page.getByText('One division was begun.').waitFor();
    expect(await order.getByRole('button', { name: /^Chapter/ }).count()).to.equal(1);
    await page.getByRole('button', { name: 'Undo: A division begun' }).click();
    await order.getByRole('button', { name: /^Chapter/ }).waitFor({ state: 'detached' });
    await page.getByRole('button', { name: 'Arrival', exact: true }).click();
    await page.getByRole('button', { name: /^The First/ }).click();
  });

  it('puts the author’s next file in place of the copy: mapping, styles and touches kept, and tells what changed', async () => {
    await page.getByLabel('What sidebar becomes').selectOption({ label: 'Extract' });
    const newer = MARKDOWN.replace('Words of it.', 'Words of it, and more.').replace(
      'fits nothing.</p>',
      'fits nothing.</p>\n\n<p class="sidebar">Another such passage, which is new.</p>',
    );
    const sheet = page.getByRole('region', { name: 'Arrival', exact: true });
    await sheet
      .getByLabel('Newer manuscript')
      .setInputFiles({ name: 'slack-2.md', mimeType: 'text/markdown', buffer: Buffer.from(newer) });
    const told = sheet.getByRole('region', { name: 'What the newer file changed' });
    await told.waitFor();
    expect(await told.innerText()).to.match(
      /pages? changed[\s\S]*Changed by the author\s+2\s+Words of it, and more\.\s+Another such passage/,
    );
    const tagOf = (words: string) => page.locator('.galley-row', { hasText: words }).first().locator('.galley-tag');
    expect(await tagOf('Another such passage').innerText()).to.equal('EXT');
    expect(await tagOf('A passage of a style').innerText()).to.equal('EXT');
    await page.locator('.galley-text', { hasText: 'Words of it, and more.' }).waitFor();
  });

  it('joins it with what was typed here, and shows word by word what both changed', async () => {
    const sheet = page.getByRole('region', { name: 'Arrival', exact: true });
    const line = page.locator('.galley-text', { hasText: 'Another such passage' });
    await line.click();
    await page.keyboard.press('End');
    await page.keyboard.type(' Typed here.');
    const words = page.locator('.galley-text', { hasText: 'Words of it, and more.' });
    await words.click();
    await page.keyboard.press('Home');
    await page.keyboard.type('Many ');
    await page.locator('.galley-text', { hasText: 'Many Words of it' }).waitFor();
    const newest = MARKDOWN.replace('Words of it.', 'Few Words of it, and more.').replace(
      'fits nothing.</p>',
      'fits nothing.</p>\n\n<p class="sidebar">Another such passage, which is newer.</p>',
    );
    await sheet
      .getByLabel('Newer manuscript')
      .setInputFiles({ name: 'slack-3.md', mimeType: 'text/markdown', buffer: Buffer.from(newest) });
    const both = sheet.getByRole('region', { name: 'Changed by both' });
    await both.waitFor();
    expect(await both.innerText()).to.match(/Many\s+Few/);
    await page.locator('.galley-text', { hasText: 'which is newer. Typed here.' }).waitFor();
    await page.locator('.galley-text', { hasText: /^Many Words of it/ }).waitFor();
    const first = both.getByRole('listitem', { name: /^Many Words/ });
    const theirs = first.getByRole('button', { name: 'The author’s' });
    await theirs.click();
    await page.locator('.galley-text', { hasText: /^Few Words of it/ }).waitFor();
    expect(await theirs.getAttribute('aria-pressed')).to.equal('true');
    await first.getByRole('button', { name: 'As here' }).click();
    await page.locator('.galley-text', { hasText: /^Many Words of it/ }).waitFor();
    // Two steps back are the choices, one more is the file; what was typed before it stands.
    for (let k = 0; k < 3; k += 1) await page.keyboard.press('Control+z');
    await page.locator('.galley-text', { hasText: 'which is new. Typed here.' }).waitFor();
    await page.locator('.galley-text', { hasText: /^Many Words of it/ }).waitFor();
  });

  it('goes back to the state that was kept before', async () => {
    const kept = page.getByRole('region', { name: 'Kept states' });
    expect(await kept.innerText()).to.match(/Before slack-2\.md/);
    await kept.getByRole('button', { name: 'Go back' }).last().click();
    await page.locator('.galley-text', { hasText: 'Another such passage' }).waitFor({ state: 'detached' });
    await page.keyboard.press('Control+z');
    await page.locator('.galley-text', { hasText: 'Another such passage' }).waitFor();
  });

  it('keeps a mapping by name', async () => {
    const sheet = page.getByRole('region', { name: 'Arrival', exact: true });
    await sheet.getByRole('button', { name: 'Keep this mapping' }).click();
    await sheet.getByLabel('Name of the mapping').fill('Slack author');
    await sheet.getByRole('button', { name: 'Keep', exact: true }).click();
    expect(await sheet.getByLabel('Use a kept mapping').innerText()).to.include('Slack author');
    await page.getByLabel('What sidebar becomes').selectOption({ label: 'Text' });
    const tag = page.locator('.galley-row', { hasText: 'A passage of a style' }).locator('.galley-tag');
    await page.waitForFunction(
      () => document.querySelector('.galley-row:nth-child(4) .galley-tag')?.textContent !== 'EXT',
    );
    expect(await tag.innerText()).to.match(/^TX/);
    await sheet.getByLabel('Use a kept mapping').selectOption('');
    await sheet.getByLabel('Use a kept mapping').selectOption('Slack author');
    await page.locator('.galley-tag', { hasText: 'EXT' }).first().waitFor();
  });

  it('sets the book as another trim and language from the sheet, with the first spread as it comes to', async () => {
    const sheet = page.getByRole('region', { name: 'Arrival', exact: true });
    await sheet.getByText('Set it as').click();
    await sheet.getByLabel('Trade size').selectOption('6x9');
    await sheet.getByLabel('Language').selectOption('en-GB');
    await page.getByRole('link', { name: /^Spec/ }).filter({ hasText: '6 × 9 in' }).waitFor();
    await sheet.getByLabel('Starting spec').selectOption({ label: 'Large type' });
    await sheet.getByText('For readers who need large letters').waitFor();
    await page.getByRole('link', { name: /^Spec/ }).filter({ hasText: '156 × 234 mm' }).waitFor();
    await page.keyboard.press('Control+z');
    await page.getByRole('link', { name: /^Spec/ }).filter({ hasText: '6 × 9 in' }).waitFor();
    expect(await sheet.getByLabel('Starting spec').inputValue()).to.equal('novel');
    await page.keyboard.press('Alt+2');
    await page.waitForURL(/\/spec$/);
    await sheet.waitFor({ state: 'detached' });
    expect(await page.getByLabel('Trade size').inputValue()).to.equal('6x9');
    await page.getByRole('button', { name: /^Kept specs/ }).click();
    await page.getByRole('article', { name: 'Essays' }).getByRole('button', { name: 'Use this spec' }).click();
    await page.getByRole('link', { name: /^Spec/ }).filter({ hasText: '5.25 × 8 in' }).waitFor();
    await page.keyboard.press('Control+z');
    await page.getByRole('link', { name: /^Spec/ }).filter({ hasText: '6 × 9 in' }).waitFor();
    await page.getByRole('button', { name: /^Page/ }).click();
    await page.keyboard.press('Alt+1');
    await page.getByRole('button', { name: /^The First/ }).click();
  });

  it('types in the cells of a table, whose rows stay even', async () => {
    await page.getByRole('button', { name: /^The Last/ }).click();
    const cells = page.locator('.galley-editor td');
    await cells.filter({ hasText: '12' }).click();
    await page.keyboard.press('End');
    await page.keyboard.type('.5 m');
    expect(await cells.allInnerTexts()).to.deep.equal(['Day', 'Level', 'One', '12.5 m']);
    await page.keyboard.press('Home');
    await page.keyboard.press('Backspace');
    expect(await cells.allInnerTexts()).to.deep.equal(['Day', 'Level', 'One', '12.5 m']);
    await page.keyboard.press('Alt+3');
    await page.locator('article', { hasText: '12.5 m' }).waitFor();
    await page.keyboard.press('Alt+1');
    await page.getByRole('button', { name: /^The First/ }).click();
  });

  it('runs a recipe kept with its mapping, and drops both', async () => {
    const sheet = page.getByRole('region', { name: 'Arrival', exact: true });
    const first = page.locator('.galley-text', { hasText: 'Words of it' });
    const type = async (words: string) => {
      await first.click();
      await page.keyboard.press('End');
      await page.keyboard.type(words);
    };
    await type(' A  run of "quotes".');
    await page.getByRole('button', { name: 'Tidy', exact: true }).click();
    await page.getByRole('button', { name: 'Apply safe jobs' }).click();
    await page.waitForFunction(() => document.querySelector('.galley')?.textContent?.includes('A run of “quotes”.'));
    await page.getByRole('button', { name: 'Arrival', exact: true }).click();
    await sheet.getByRole('button', { name: 'Keep this mapping' }).click();
    await sheet.getByLabel('Name of the mapping').fill('With recipe');
    await sheet.getByRole('button', { name: 'Keep', exact: true }).click();
    await type(' More  and "more".');
    await page.getByText('Saved').waitFor();
    await sheet.getByLabel('Use a kept mapping').selectOption('');
    await sheet.getByLabel('Use a kept mapping').selectOption('With recipe');
    await page.waitForFunction(() => document.querySelector('.galley')?.textContent?.includes('More and “more”.'));
    await sheet.getByRole('button', { name: 'Remove it' }).click();
    await sheet.getByRole('option', { name: 'With recipe' }).waitFor({ state: 'detached' });
  });

  it('makes divisions of a file dropped on the running order', async () => {
    const order = page.getByRole('navigation', { name: 'Running order' });
    const last = order.getByRole('button', { name: /^The Last/ });
    const selector = `[data-division="${await last.getAttribute('data-division')}"]`;
    const bytes = new TextEncoder().encode('# The Middle\n\nBetween the two.[^1]\n\n[^1]: Noted.\n');
    await dropFiles(page, selector, [{ name: 'middle.md', bytes }]);
    await order.getByRole('button', { name: /^The Middle/ }).waitFor();
    const names = await order.getByRole('button').allInnerTexts();
    const at = (name: string) => names.findIndex((words) => words.startsWith(name));
    expect(at('The Middle')).to.be.above(at('The First'));
    expect(at('The Middle')).to.equal(at('The Last') - 1);
    await page.locator('.galley-note', { hasText: 'Noted.' }).waitFor();
    await dropFiles(page, selector, [{ name: 'bad.docx', bytes: new Uint8Array([1, 2, 3]) }]);
    expect(await order.getByRole('alert').innerText()).to.match(/bad\.docx/);
    await order.getByRole('button', { name: 'Good' }).click();
    // Several at once: all of them, in their order, with what became of each; endnotes are gathered at the end.
    const part = (words: string) => new TextEncoder().encode(words);
    await dropFiles(page, selector, [
      { name: 'a.md', bytes: part('# Slack One\n\nText.\n') },
      {
        name: 'b.html',
        bytes: part(
          '<h1>Slack Two</h1><p>Said.<a href="#e1" role="doc-noteref">1</a></p><aside id="e1" role="doc-endnote"><p>So.</p></aside>',
        ),
      },
      { name: 'c.docx', bytes: new Uint8Array([1, 2, 3]) },
      { name: 'd.txt', bytes: part('Chapter Nine\n\nText of it.\n') },
    ]);
    await order.getByText('d.txt: 1 division').waitFor();
    const became = await order.getByRole('alert').innerText();
    expect(became).to.match(/a\.md: 1 division\s+b\.html: \d divisions?\s+.*c\.docx.*\s+d\.txt: 1 division/);
    const all = await order.getByRole('button').allInnerTexts();
    const place = (name: string) => all.findIndex((words) => words.startsWith(name));
    expect(place('Slack Two')).to.equal(place('Slack One') + 1);
    expect(all.findIndex((words) => /Nine/.test(words))).to.equal(place('Slack Two') + 1);
    expect(place('Notes')).to.be.above(place('The Last'));
  });

  it('reads OpenDocument text, and refuses a file whose name lies, in one sentence', async () => {
    await page.getByRole('link', { name: 'To the Shelf' }).click();
    await page.getByText('Another book').waitFor();
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
