// The running order and what follows from it, as a typesetter works on it: divisions moved, added and left out, furniture on the
// drawing, numbers, contents, cross-references, an index, and touches of single pages.
import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { bytesOf, eventually, journey, openDemo, type RunningApp, stageFact, untilFact } from './app';
import { pdfLines } from '../build/tools';

const stage = (page: Page, name: string) => page.getByRole('link', { name: new RegExp(`^${name}`) }).click();
const order = (page: Page) => page.getByRole('navigation', { name: 'Running order' });
const entry = (page: Page, name: RegExp) => order(page).getByRole('button', { name });
const chooseTopic = (page: Page, name: RegExp) =>
  page.getByRole('navigation', { name: 'Topics' }).getByRole('button', { name }).click();

async function arriveInCopy(page: Page, app: RunningApp): Promise<void> {
  await openDemo(page, app);
  await untilFact(page, 'Pages', (fact) => /^\d+$/.test(fact));
  await stage(page, 'Copy');
  await order(page).waitFor();
  await page.getByRole('button', { name: 'Division', exact: true }).click();
}

/** The words of the press PDF, page by page. */
async function pressPages(page: Page): Promise<string[]> {
  await stageFact(page, 'Pages');
  await stage(page, 'Send out');
  const waiting = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Write the PDF', exact: true }).click();
  const text = pdfLines(await bytesOf(await waiting));
  return text.split('\f').map((words) => words.replace(/\s+/g, ' ').trim());
}

/** What the contents say. */
const contentsOf = (pages: readonly string[]): string => pages.find((words) => words.startsWith('Contents'))!;

const names = (page: Page) =>
  order(page)
    .locator('[data-division]')
    .evaluateAll((buttons) => buttons.map((button) => button.firstElementChild!.textContent ?? ''));

describe('the running order', () => {
  const walk = journey(arriveInCopy);
  let page: Page;
  before(() => (page = walk.page));

  it('moves a chapter by the keys and by dragging; heads, folios and contents follow', async () => {
    await entry(page, /^2 Low Water/).focus();
    await page.keyboard.press('Alt+ArrowDown');
    const moved = await names(page);
    expect(moved.indexOf('2 Low Water')).to.equal(moved.indexOf('3 What Tobit Said') + 1);
    const from = (await entry(page, /^6 Saltmarket/).boundingBox())!;
    const to = (await entry(page, /^5 A Song/).boundingBox())!;
    await page.mouse.move(from.x + 60, from.y + from.height / 2);
    await page.mouse.down();
    await page.mouse.move(from.x + 60, from.y + from.height / 2 - 12, { steps: 4 });
    await page.mouse.move(to.x + 60, to.y + to.height / 2, { steps: 6 });
    await page.mouse.up();
    const isMoved = async () => {
      const list = await names(page);
      return list.indexOf('6 Saltmarket') < list.findIndex((name) => name.startsWith('5 A Song'));
    };
    await eventually('the chapter stands above the one before it', isMoved);
    const pages = await pressPages(page);
    const listed = contentsOf(pages);
    expect(listed.indexOf('What Tobit Said')).to.be.below(listed.indexOf('Low Water'));
    expect(listed.indexOf('Saltmarket')).to.be.below(listed.indexOf('Song for Rowing'));
    const first = (words: string) => pages.findIndex((text, k) => k > 8 && text.includes(words));
    expect(first('What Tobit Said')).to.be.below(first('Low Water'));
  });

  it('adds a preface in front, without a blank folio moved in the body', async () => {
    await stage(page, 'Copy');
    const before = await entry(page, /^1 The Ninth Passenger/).innerText();
    await page.getByRole('button', { name: 'Add', exact: true }).click();
    await page.getByLabel('Role of the division').fill('pref');
    await page.keyboard.press('Enter');
    await entry(page, /^Preface/).waitFor();
    const list = await names(page);
    expect(list.indexOf('Preface')).to.be.below(list.findIndex((name) => name.startsWith('Part One')));
    expect(await entry(page, /^1 The Ninth Passenger/).innerText()).to.equal(before);
    await page.getByLabel('Begins', { exact: true }).selectOption('any');
    await page.getByLabel('On which side').selectOption('verso');
    await page.getByRole('region', { name: 'Preface' }).locator('.ProseMirror p').last().click();
    await page.keyboard.type('These pages were counted twice.');
    const pages = await pressPages(page);
    const at = pages.findIndex((text) => text.includes('counted twice'));
    expect(at % 2, 'a preface on a verso').to.equal(1);
    expect(pages[at]).to.match(/^Preface/);
  });

  it('leaves a chapter out of print, and takes it back with undo', async () => {
    await stage(page, 'Copy');
    const before = Number(await stageFact(page, 'Pages'));
    await entry(page, /^10 The Answer/).click();
    await page.getByLabel('In the printed book').uncheck();
    await untilFact(page, 'Pages', (fact) => Number(fact) < before);
    expect(await entry(page, /^10 The Answer/).innerText()).to.include('ebook');
    await order(page).getByRole('button', { name: 'Particulars' }).focus();
    await page.keyboard.press('Control+z');
    await untilFact(page, 'Pages', (fact) => Number(fact) === before);
  });

  it('sets the title page in another layout, its words kept, and says no to a run that cannot be', async () => {
    await entry(page, /^Title page/).click();
    await page.getByRole('button', { name: 'Flush left, large' }).click();
    await page.getByLabel('A folio run begins here').check();
    await page.getByLabel('First number').fill('-3');
    await page.keyboard.press('Enter');
    await page.getByText('A run begins at a whole number from 1').waitFor();
    await page.getByLabel('First number').fill('0');
    await page.keyboard.press('Enter');
    await page.getByText('A run begins at a whole number from 1').waitFor();
    await page.getByLabel('A folio run begins here').uncheck();
    const pages = await pressPages(page);
    expect(pages[2]).to.equal('The Ferry Register Odile Brackwater Ninepenny Landing Press Saltmarket');
  });
});

describe('furniture and numbers', () => {
  const walk = journey(async (page, app) => {
    await openDemo(page, app);
    await untilFact(page, 'Pages', (fact) => /^\d+$/.test(fact));
    await stage(page, 'Spec');
    await chooseTopic(page, /^Furniture/);
  });
  let page: Page;
  before(() => (page = walk.page));

  it('shows head and foot of both pages at a readable size, each slot within reach', async () => {
    for (const name of [
      /^Head, verso, fore-edge/,
      /^Head, recto, spine/,
      /^Foot, verso, spine/,
      /^Foot, recto, fore-edge/,
    ])
      await page.getByRole('button', { name }).click({ trial: true });
    const drawn = (await page
      .getByLabel(/^Page \d+ in this spec$/)
      .first()
      .boundingBox())!;
    // 14.5 pixels to the 11.5 points of the text, on a page 396 points wide.
    expect(drawn.width).to.be.within(490, 505);
    await page.keyboard.press('s');
    await page.waitForFunction(() => {
      const canvas = document.querySelector('canvas[aria-label$="in this spec"]');
      return canvas !== null && canvas.getBoundingClientRect().width < 400;
    });
    await page.keyboard.press('s');
    await page.waitForFunction(() => document.querySelectorAll('canvas[aria-label$="in this spec"]').length === 8);
  });

  it('is edited where it stands: a token put into a slot is on the pages', async () => {
    await page.getByRole('button', { name: /^Head, recto, spine/ }).click();
    await page.getByLabel('Add to the slot').selectOption({ label: 'Chapter title' });
    await page
      .getByRole('dialog', { name: 'Furniture at the head' })
      .getByRole('button', { name: 'Chapter title', exact: true })
      .waitFor();
    await page.keyboard.press('Escape');
    const pages = await pressPages(page);
    const rectos = pages.filter((text, k) => k % 2 === 0 && k > 10 && /The Ferry Register/.test(text));
    expect(rectos.length).to.be.above(3);
    for (const text of rectos)
      expect(text).to.match(
        /(?:The Ninth Passenger|Low Water|What Tobit Said|The Weir House|A Song|Saltmarket|Chain Ferry|Turning Left|Ten Past Four|The Answer|Both Columns|Landed|Afterword)/,
      );
    await stage(page, 'Spec');
  });

  it('walks through the page roles, and gives one a head of its own', async () => {
    await chooseTopic(page, /^Furniture/);
    await page.getByRole('button', { name: /^Openers foot/ }).click();
    await page.getByRole('button', { name: 'Add one' }).click();
    await page.getByLabel('Add to the slot').selectOption({ label: 'Author' });
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: /^Openers head, foot/ }).waitFor();
    await page.getByRole('button', { name: 'Undo' }).click();
    await page.getByRole('button', { name: 'Undo' }).click();
    await page.getByRole('button', { name: /^Openers foot/ }).waitFor();
  });

  it('numbers all heads by a scheme, typed numbers taken out, and the contents say so', async () => {
    await chooseTopic(page, /^Numbers/);
    await page.getByRole('button', { name: 'Chapter One', exact: true }).click();
    await page.getByRole('button', { name: 'Take out' }).click();
    await page.getByText(/^\d+ numbered$/).waitFor();
    await chooseTopic(page, /^Contents/);
    await page.getByLabel('Arrangement').last().selectOption({ label: 'folio over leaders' });
    const pages = await pressPages(page);
    expect(pages.some((text) => /^Chapter Two Low Water/i.test(text))).to.equal(true);
    const contents = pages.find((text) => text.startsWith('Contents'))!;
    // Leaders are drawn, and are no part of what is read.
    expect(contents).to.match(/Low Water \d+ What Tobit Said \d+/);
  });

  it('hides the head of one page, lists the touch, and takes it back there', async () => {
    // A verso of text is odd, counted from 0; it stands on the spread of half its number.
    const headed = (text: string) => /^Odile Brackwater/i.test(text);
    const at = (await pressPages(page)).findIndex((text, k) => k > 11 && k % 2 === 1 && headed(text));
    await stage(page, 'Pages');
    const deckle = page.getByRole('slider', { name: 'Spread' });
    await deckle.focus();
    await deckle.press('Home');
    for (let k = 0; k < (at + 1) / 2; k += 1) await deckle.press('ArrowDown');
    await page
      .locator(`article[data-page="${at + 1}"] [data-block]`)
      .first()
      .waitFor();
    const slip = page.getByRole('complementary', { name: 'This spread' });
    await slip.getByRole('button', { name: /^Left page/ }).click();
    await slip.getByLabel('Without its head').check();
    await slip.getByText('touched').waitFor();
    const pages = await pressPages(page);
    expect(headed(pages[at])).to.equal(false);
    expect(pages.filter(headed).length).to.be.above(5);
    await stage(page, 'Spec');
    await chooseTopic(page, /^Furniture/);
    await page.getByText(`page ${at + 1}, folio`, { exact: false }).waitFor();
    await page.getByRole('button', { name: 'Remove', exact: true }).click();
    await page.getByText('None: every page carries what its role says.', { exact: false }).waitFor();
    expect(headed((await pressPages(page))[at])).to.equal(true);
  });
});

describe('lists in the galley', () => {
  const walk = journey(arriveInCopy);
  let page: Page;
  before(() => (page = walk.page));

  it('are made at the caret, go deeper by a key, and are set with their marks', async () => {
    await entry(page, /^12 Landed/).click();
    const text = page.getByRole('region', { name: /Landed/ }).locator('.ProseMirror p');
    await text.last().click();
    await page.keyboard.press('End');
    for (const words of ['Ropes', 'Of hemp', 'Lamps']) {
      await page.keyboard.press('Enter');
      await page.keyboard.type(words);
      await page.getByRole('button', { name: 'Insert', exact: true }).click();
      await page.getByLabel('Find by name').fill('list, numbered');
      await page.keyboard.press('Enter');
      await page.waitForFunction(() => document.activeElement?.classList.contains('ProseMirror'));
      if (words === 'Of hemp') await page.keyboard.press('Control+]');
      if (words === 'Lamps') await page.keyboard.press('Control+[');
    }
    await page.locator('p[data-mark="a."]', { hasText: 'Of hemp' }).waitFor();
    await page.locator('p[data-mark="2."]', { hasText: 'Lamps' }).waitFor();
    const pages = await pressPages(page);
    expect(pages.some((words) => /1\. Ropes a\. Of hemp 2\. Lamps/.test(words))).to.equal(true);
  });
});

describe('references and the index', () => {
  const walk = journey(arriveInCopy);
  let page: Page;
  before(() => (page = walk.page));
  const galley = (name: RegExp) => page.getByRole('region', { name });

  it('puts in a cross-reference by search, and it says the folio of its head', async () => {
    await entry(page, /^1 The Ninth Passenger/).click();
    await galley(/Ninth Passenger/)
      .locator('.ProseMirror p')
      .last()
      .click();
    await page.keyboard.press('End');
    await page.keyboard.type(' See page ');
    await page.getByRole('button', { name: 'Insert', exact: true }).click();
    await page.getByLabel('Find by name').fill('cross');
    await page.keyboard.press('Enter');
    await page.getByLabel('Find the head').fill('landed');
    await page.keyboard.press('Enter');
    await page.getByText('page of Landed').waitFor();
    const pages = await pressPages(page);
    const folio = /Landed (\d+)/.exec(pages.find((text) => text.startsWith('Contents'))!)![1];
    expect(pages.some((text) => text.includes(`See page ${folio}`))).to.equal(true);
  });

  it('marks a term, adds an index, and sets it with the folio', async () => {
    await stage(page, 'Copy');
    await entry(page, /^2 Low Water/).click();
    await galley(/Low Water/)
      .locator('.ProseMirror p')
      .nth(4)
      .click();
    await page.getByRole('button', { name: 'Insert', exact: true }).click();
    await page.getByLabel('Find by name').fill('index');
    await page.keyboard.press('Enter');
    await page.getByLabel('Term', { exact: true }).fill('mooring posts');
    await page.keyboard.press('Enter');
    await page.getByLabel('Index mark: mooring posts').waitFor();
    await page.getByRole('button', { name: 'Add', exact: true }).click();
    await page.getByLabel('Role of the division').fill('index');
    await page.keyboard.press('Enter');
    await entry(page, /^Index/).waitFor();
    const pages = await pressPages(page);
    const index = pages.find((text) => text.startsWith('Index'))!;
    expect(index).to.match(/M mooring posts, \d+/);
  });

  it('names a section at a paragraph, lists it, and tells its name', async () => {
    await stage(page, 'Copy');
    await entry(page, /^2 Low Water/).click();
    await galley(/Low Water/)
      .locator('.ProseMirror p')
      .nth(6)
      .click();
    await page.getByRole('button', { name: 'Insert', exact: true }).click();
    await page.getByLabel('Find by name').fill('section begins');
    await page.keyboard.press('Enter');
    await stage(page, 'Spec');
    await chooseTopic(page, /^Furniture/);
    const name = page.getByLabel(/^Name of the section on \d+/);
    await name.fill('The posts');
    await page.keyboard.press('Enter');
    await page.getByRole('button', { name: /^Remove the section The posts/ }).waitFor();
  });

  it('shows sections under their divisions, and takes what they say of their pages there', async () => {
    await stage(page, 'Copy');
    const row = entry(page, /^Section The posts/);
    await row.click();
    const fields = page.getByRole('group', { name: 'Section The posts' });
    await fields.getByLabel('Begins', { exact: true }).selectOption({ label: 'on a new page' });
    await fields.getByLabel('On which side').selectOption({ label: 'recto' });
    await fields.getByLabel('Folios', { exact: true }).selectOption({ label: 'A new run' });
    await fields.getByLabel('First number').fill('0');
    await page.keyboard.press('Enter');
    await fields.getByRole('alert').waitFor();
    await fields.getByLabel('First number').fill('701');
    await page.keyboard.press('Enter');
    await entry(page, /^Section The posts from folio 701/).waitFor();
    await page.getByRole('button', { name: 'Add', exact: true }).click();
    await page.getByLabel('Section from folio').fill('9999');
    await page.keyboard.press('Enter');
    await page.getByText('No page has the folio 9999.').waitFor();
    await page.getByLabel('Section from folio').fill('704');
    await page.keyboard.press('Enter');
    await entry(page, /from folio 704/).waitFor();
    await stage(page, 'Spec');
    await page.getByText('folios from 701').waitFor();
    const pages = await pressPages(page);
    expect(pages.some((words) => /^701\b|\b701$/.test(words))).to.equal(true);
    await stage(page, 'Copy');
    await row.click();
    await fields.getByRole('button', { name: 'No section here' }).click();
    await entry(page, /^Section The posts/).waitFor({ state: 'detached' });
  });
});
