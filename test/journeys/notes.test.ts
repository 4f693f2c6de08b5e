// Notes as a typesetter works with them: put in in the galley and on the page, made of another kind, listed, numbered anew.
import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { journey, turnSpread, untilFact } from './app';

describe('working with notes', () => {
  const walk = journey(async (page, app) => {
    await page.goto(app.url);
    await page.getByRole('link', { name: 'Open Keeping a Tidal Garden' }).click();
    await untilFact(page, 'Pages', (fact) => /\d/.test(fact));
    await page.keyboard.press('Alt+1');
    await page.locator('.galley-text').first().waitFor();
  });
  let page: Page;
  before(() => (page = walk.page));

  const tools = () => page.getByRole('complementary', { name: 'Tools' });
  const panel = () => tools().getByRole('region', { name: 'Notes' });
  const rows = () => panel().getByRole('listitem');
  const textOf = (words: string) => page.locator('.galley-text', { hasText: words });
  /** All the words of the pages that are drawn. */
  const onPages = () => page.locator('[data-page-text]').allInnerTexts();

  /** Turns the spreads until words stand on one in view; answers the words of its page. */
  const turnTo = async (words: string): Promise<string> => {
    await page.locator('[data-page-text]').first().waitFor();
    await turnSpread(page, 'Home');
    do {
      await page.waitForFunction(
        () => document.querySelector('[data-progress]') === null && document.querySelector('[data-page-text]') !== null,
      );
      const found = (await onPages()).find((text) => text.includes(words));
      if (found !== undefined) return found;
    } while (await turnSpread(page, 'ArrowRight'));
    return '';
  };

  it('lists all of them with number, page and first words, by kind and by their words', async () => {
    await tools().getByRole('button', { name: 'Notes', exact: true }).click();
    await page.waitForFunction(() => document.querySelectorAll('section[aria-label=Notes] li').length === 53);
    expect(await rows().first().innerText()).to.match(/^\*\s+A water meadow[\s\S]*\s1$/);
    await panel().getByLabel('Kind', { exact: true }).selectOption({ label: 'Endnote: 12' });
    expect(await rows().count()).to.equal(12);
    await panel().getByLabel('Kind', { exact: true }).selectOption({ label: 'All 53' });
    await panel().getByLabel('Words of the note').fill('bicycles');
    expect(await rows().count()).to.equal(1);
    expect(await rows().first().innerText()).to.include('He has since asked me');
  });

  it('walks to the reference of one in another division', async () => {
    await rows().first().getByRole('button').click();
    const row = page.locator('.galley-row.has-caret', { hasText: 'and to sit on' });
    await row.waitFor();
    await page.waitForFunction(() => {
      const caret = document.querySelector('.galley-row.has-caret')?.getBoundingClientRect();
      return caret !== undefined && caret.top > 60 && caret.top < innerHeight - 60;
    });
    await panel().getByLabel('Words of the note').fill('');
  });

  it('are put in at the caret as a kind, and typed beside their reference', async () => {
    await textOf('The sea takes soil in two ways').click();
    await page.keyboard.press('Home');
    await page.getByRole('button', { name: 'Insert', exact: true }).click();
    await page.getByRole('combobox', { name: 'Find by name' }).fill('endn');
    await page.keyboard.press('Enter');
    await page.locator('.galley-note-editor').waitFor();
    await page.keyboard.type('From the bundle again.');
    await page.waitForFunction(() => document.querySelectorAll('section[aria-label=Notes] li').length === 54);
    await panel().getByLabel('Words of the note').fill('bundle again');
    expect(await rows().first().innerText()).to.match(/^1\s+From the bundle again/);
  });

  it('are made of another kind beside the text, and all of a kind at once', async () => {
    await page.getByLabel('Kind of note').first().waitFor({ state: 'attached' });
    const own = page.locator('.galley-note', { hasText: 'From the bundle again.' });
    await own.locator('.galley-note-body').click();
    await own.getByLabel('Kind of note').selectOption('Footnote');
    await page.waitForFunction(() =>
      /^[*†‡§]/.test(document.querySelector('section[aria-label=Notes] li')!.textContent!),
    );
    await panel().getByLabel('Words of the note').fill('');
    await panel().getByLabel('Kind', { exact: true }).selectOption({ label: 'Endnote: 12' });
    await panel().getByLabel('Change these to the kind').selectOption('Footnote');
    await panel().getByText('No note is like that.').waitFor();
    await page.getByRole('button', { name: 'Undo: Made Footnote' }).click();
    await page.waitForFunction(() => document.querySelectorAll('section[aria-label=Notes] li').length === 12);
    await panel().getByLabel('Kind', { exact: true }).selectOption('');
  });

  it('may hold notes of their own, which stand beside the same text and are walked to', async () => {
    const own = page.locator('.galley-note', { hasText: 'From the bundle again.' });
    await own.locator('.galley-note-body').click();
    await page.keyboard.press('End');
    await page.getByRole('button', { name: 'Insert', exact: true }).click();
    await page.getByRole('combobox', { name: 'Find by name' }).fill('footn');
    await page.keyboard.press('Enter');
    await page.waitForFunction(() => document.querySelectorAll('section[aria-label=Notes] li').length === 55);
    const inner = page.locator('.galley-note', { hasText: 'The note is empty.' });
    await inner.locator('.galley-note-body').click();
    await page.keyboard.type('A note of a note.');
    await panel().getByLabel('Words of the note').fill('of a note');
    await rows().first().getByRole('button').click();
    await page.locator('.galley-row.has-caret', { hasText: 'The sea takes soil' }).waitFor();
    await panel().getByLabel('Words of the note').fill('');
  });

  it('are numbered anew for the whole book from their kind, in the galley and on the pages', async () => {
    await panel().getByRole('link', { name: 'Spec, Notes' }).click();
    await page.getByRole('heading', { name: /^Numbers/ }).waitFor();
    await page.getByLabel('Signs', { exact: true }).selectOption('a, b, c');
    await page.getByLabel('Numbering restarts').selectOption('in each division');
    const before = page.getByLabel('In the text: sign before');
    await before.fill('(');
    await before.press('Enter');
    await page.getByRole('heading', { name: /\(a \(b \(c/ }).waitFor();
    await page.keyboard.press('Alt+1');
    await page.waitForFunction(() =>
      [...document.querySelectorAll('.galley-note-label')].some((label) => label.textContent === 'b'),
    );
    await page.keyboard.press('Alt+3');
    expect(await turnTo('A tidal garden is a garden')).to.match(/pleases;\s*\(a/);
  });

  it('are put in on the page after the word that is clicked on', async () => {
    const line = page.locator('[data-page] [data-block]', { hasText: 'A tidal garden is a garden' }).first();
    const box = (await line.boundingBox())!;
    await line.click({ position: { x: box.width * 0.18, y: box.height / 2 } });
    const slip = page.getByRole('region', { name: 'This paragraph' });
    await slip.getByText('Note after garden').waitFor();
    await slip.getByLabel('Words of the note').fill('Put in on the page.');
    await slip.getByRole('button', { name: 'Insert', exact: true }).click();
    await page.waitForFunction(() =>
      [...document.querySelectorAll('[data-page-text]')].some((one) =>
        one.textContent!.includes('Put in on the page.'),
      ),
    );
    expect((await onPages()).join(' ')).to.match(/tidal garden\s?\(a/);
    await page.getByRole('button', { name: 'Undo: Footnote' }).click();
    await page.waitForFunction(
      () => ![...document.querySelectorAll('[data-page-text]')].some((one) => one.textContent!.includes('Put in on')),
    );
  });

  it('have kinds that are added, stand elsewhere, and are dropped for another', async () => {
    await page.keyboard.press('Alt+2');
    await page.getByRole('button', { name: 'Add a kind' }).click();
    await page.getByRole('heading', { name: 'Note 2' }).waitFor();
    await page.getByLabel('Name', { exact: true }).fill('Aside');
    await page.getByLabel('Name', { exact: true }).press('Enter');
    await page.getByRole('heading', { name: 'Aside' }).waitFor();
    await page.getByLabel('Placed').selectOption('outer margin');
    expect(await page.getByLabel('Style', { exact: true }).inputValue()).to.equal('NM');
    await page.getByLabel('Replace this kind by').selectOption('Footnote');
    await page.getByRole('heading', { name: 'Footnote' }).waitFor();
    expect(await page.getByRole('button', { name: /^Aside/ }).count()).to.equal(0);
    await page.getByRole('button', { name: 'Undo: Aside dropped' }).click();
    await page.getByRole('button', { name: /^Aside/ }).waitFor();
  });

  it('refuses a first number of nothing with a sentence', async () => {
    await page.getByRole('button', { name: /^Footnote/ }).click();
    const first = page.getByLabel('First number');
    await first.fill('0');
    await first.press('Enter');
    expect(await page.getByRole('alert').innerText()).to.include('at least 1');
    await first.press('Escape');
  });
});
