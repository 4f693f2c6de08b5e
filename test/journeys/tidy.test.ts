import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { dropFiles, journey, openDemo, untilFact } from './app';

describe('tidying the copy', () => {
  const walk = journey(
    async (page, app) => {
      await openDemo(page, app);
      await untilFact(page, 'Pages', (fact) => /^\d+$/.test(fact));
      await page.keyboard.press('Alt+1');
      // A book just made shows what came in.
      await page.getByRole('region', { name: 'Arrival', exact: true }).waitFor();
      await page.getByRole('button', { name: 'Tidy', exact: true }).click();
    },
    { isFresh: true },
  );
  let page: Page;
  before(() => (page = walk.page));

  const panel = () => page.getByRole('region', { name: 'Tidy', exact: true });
  const job = (name: RegExp) => panel().getByRole('button', { name });

  it('lists the jobs that the copy needs, with what each place was and becomes', async () => {
    await job(/^Words typed twice/).click();
    const place = panel().getByRole('listitem').first();
    expect(await place.locator('del').innerText()).to.match(/^and/);
    expect(await job(/^Straight quotes/).innerText()).to.match(/\d+$/);
  });

  it('takes one place of a job, and undo brings it back', async () => {
    await panel().getByRole('button', { name: 'Apply', exact: true }).click();
    await job(/^Words typed twice/).waitFor({ state: 'detached' });
    await page.keyboard.press('Control+z');
    await job(/^Words typed twice/).waitFor();
  });

  it('finds and replaces, all but what is left out, in one step', async () => {
    await page.getByRole('button', { name: 'Find', exact: true }).click();
    const find = page.getByRole('region', { name: 'Find and replace' });
    await find.getByLabel('Find', { exact: true }).fill('way-bill');
    await find.getByText(/^\d+ found$/).waitFor();
    const count = Number((await find.getByText(/^\d+ found$/).innerText()).split(' ')[0]);
    expect(count).to.be.above(1);
    const places = find.getByRole('list', { name: 'Places found' }).getByRole('listitem');
    await places.first().getByRole('checkbox').uncheck();
    await find.getByLabel('Replace with', { exact: true }).fill('manifest');
    expect(await places.nth(1).locator('ins').innerText()).to.equal('manifest');
    await find.getByRole('button', { name: 'Replace ticked' }).click();
    await find.getByText(/^1 found$/).waitFor();
    expect(await places.count()).to.equal(1);
    const last = find.getByRole('region', { name: 'Last replacements' });
    await last.getByText(`${count - 1} of ${count}, 1 found after it`).waitFor();
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: /^1 The Ninth Passenger/ }).focus();
    await page.keyboard.press('Control+z');
    await find.getByText(new RegExp(`^${count} found`)).waitFor();
    await find.getByLabel('Pattern').check();
    await find.getByLabel('Find', { exact: true }).fill('(');
    expect(await find.getByRole('alert').innerText()).to.match(/not a pattern/);
    await page.getByRole('button', { name: 'Tidy', exact: true }).click();
  });

  it('shows what the chosen job makes of the text, and goes to a place of it', async () => {
    await job(/^Straight quotes/).click();
    await panel().getByTitle('To its place in the galley').first().click();
    const becomes = page.locator('.galley .place-becomes').first();
    await becomes.waitFor();
    expect(await becomes.innerText()).to.match(/[‘’“”]/);
    expect(await page.locator('.galley .place-replaced').first().textContent()).to.match(/['"]/);
    expect(await becomes.getAttribute('title')).to.match(/^Typed: .*['"]/);
    await job(/^Straight quotes/).click();
    await becomes.waitFor({ state: 'detached' });
  });

  it('restyles what is found and keeps its words; deleting is a choice of its own, with its count', async () => {
    await page.getByRole('button', { name: 'Find', exact: true }).click();
    const find = page.getByRole('region', { name: 'Find and replace' });
    await find.getByLabel('Replace with', { exact: true }).fill('');
    await find.getByLabel('Find', { exact: true }).fill('ferry');
    await find.getByText(/^\d+ found$/).waitFor();
    const count = (await find.getByText(/^\d+ found$/).innerText()).split(' ')[0];
    const act = find.getByRole('button', { name: /^(?:Replace|Restyle) all$/ });
    expect(await act.isDisabled(), 'nothing says what to do with it').to.equal(true);
    const words = await untilFact(page, 'Copy', (fact) => /words$/.test(fact));
    await find.getByLabel('Make characters').selectOption({ label: 'Small capitals' });
    await find.getByRole('button', { name: 'Restyle all' }).click();
    await find.getByText(`${count} places were set in another style.`).waitFor();
    await find.getByText(`${count} found`, { exact: true }).waitFor();
    expect(await untilFact(page, 'Copy', (fact) => /words$/.test(fact))).to.equal(words);
    await find.getByRole('button', { name: `Delete all ${count}` }).click();
    await find.getByText(`${count} places were deleted.`).waitFor();
    await find.getByText('0 found', { exact: true }).waitFor();
    for (const name of ['“ferry” deleted', '“ferry” set in another style'])
      await page.getByRole('button', { name: `Undo: ${name}` }).click();
    await find.getByText(new RegExp(`^${count} found`)).waitFor();
    await find.getByLabel('Make characters').selectOption('');
    await page.getByRole('button', { name: 'Tidy', exact: true }).click();
  });

  it('looks only in what is selected, marks hits in the galley, and keeps a search by name', async () => {
    await page.getByRole('button', { name: /^2 Low Water/ }).click();
    const chapter = page.locator('.galley-text');
    await chapter.nth(4).click({ clickCount: 3 });
    await page.getByRole('button', { name: 'Find', exact: true }).click();
    const find = page.getByRole('region', { name: 'Find and replace' });
    await find.getByLabel('Find', { exact: true }).fill('the');
    await find.getByText(/^[\d,]+ found$/).waitFor();
    const all = await find.getByText(/^[\d,]+ found$/).innerText();
    await find.getByLabel('Where').selectOption('selected');
    await page.waitForFunction((before) => !document.body.innerText.includes(before), all);
    const own = (await chapter.nth(4).innerText()).match(/the/gi)!.length;
    expect(await find.getByText(/^[\d,]+ found$/).innerText()).to.equal(`${own} found`);
    expect(await chapter.nth(4).locator('.place-found').count()).to.equal(own);
    await find.getByLabel('Where').selectOption('book');
    await find.getByRole('button', { name: 'Keep this' }).click();
    await find.getByLabel('Name of the search').fill('Articles');
    await find.getByRole('button', { name: 'Keep', exact: true }).click();
    await find.getByLabel('Find', { exact: true }).fill('zzz');
    await find.getByText('0 found').waitFor();
    await page.reload();
    await page.getByRole('button', { name: 'Find', exact: true }).click();
    await find.getByLabel('Kept searches').selectOption('Articles');
    await find.getByText(all).waitFor();
    await find.getByRole('button', { name: 'Remove it' }).click();
    await find.getByText('no search kept').waitFor({ state: 'attached' });
    await page.getByRole('button', { name: 'Tidy', exact: true }).click();
  });

  it('goes from place to place with Enter, the focus in the field, and says how many there are elsewhere', async () => {
    await page.getByRole('button', { name: 'Find', exact: true }).click();
    const find = page.getByRole('region', { name: 'Find and replace' });
    const words = find.getByLabel('Find', { exact: true });
    await words.fill('ferry ');
    await find.getByText('ends with a space').waitFor();
    await find.getByText(/^[\d,]+ found$/).waitFor();
    await words.press('Enter');
    await find.getByText(/^1 of [\d,]+ found$/).waitFor();
    await words.press('Enter');
    await find.getByText(/^2 of [\d,]+ found$/).waitFor();
    await words.press('Shift+Enter');
    await find.getByText(/^1 of [\d,]+ found$/).waitFor();
    expect(await words.evaluate((field) => field === document.activeElement)).to.equal(true);
    await page.locator('.galley .place-current').waitFor();
    await find.getByLabel('Where').selectOption('division');
    await find.getByText(/^[\d,]+ more outside/).waitFor();
    await find.getByRole('button', { name: 'in the whole book' }).click();
    await find.getByText(/more outside/).waitFor({ state: 'detached' });
  });

  it('finds by value and what has no words, and makes the style that is wanted', async () => {
    const find = page.getByRole('region', { name: 'Find and replace' });
    await find.getByLabel('Find', { exact: true }).fill('');
    await find.getByLabel('With formatting').selectOption({ label: 'A size' });
    await find.getByLabel('Size in points').fill('77');
    await find.getByText('0 found', { exact: true }).waitFor();
    await find.getByLabel('Size in points').fill('20');
    await find.getByText(/^[1-9]\d* found$/).waitFor();
    await find.getByLabel('With formatting').selectOption('');
    await find.getByLabel('Find', { exact: true }).fill('{empty paragraph}');
    await find.getByText(/^[1-9]\d* found$/).waitFor();
    await find.locator('mark', { hasText: 'empty paragraph' }).first().waitFor();
    await find.getByLabel('Make paragraphs').selectOption({ label: 'New style …' });
    await find.getByLabel('Name of the new style, make paragraphs').fill('Pause in the text');
    await find.getByRole('button', { name: 'Add', exact: true }).click();
    await page.waitForFunction(
      (select) => (select as HTMLSelectElement).selectedOptions[0].text === 'Pause in the text',
      await find.getByLabel('Make paragraphs').elementHandle(),
    );
    await page.getByRole('button', { name: 'Undo: Style Pause in the text' }).click();
    await find.getByLabel('Make paragraphs').selectOption('');
    await page.getByRole('button', { name: 'Tidy', exact: true }).click();
  });

  it('takes all safe jobs in one step; the galley shows the copy as it is then', async () => {
    await page.getByRole('button', { name: /^1 The Ninth Passenger/ }).click();
    const galley = page.getByRole('region', { name: '1 The Ninth Passenger' });
    const empty = galley.locator('.galley-empty');
    expect(await empty.count()).to.be.above(0);
    await panel().getByRole('button', { name: 'Apply safe jobs' }).click();
    await panel().getByRole('region', { name: 'Safe' }).waitFor({ state: 'detached' });
    expect(await empty.count()).to.equal(0);
    await page.keyboard.press('Control+z');
    await panel().getByRole('region', { name: 'Safe' }).waitFor();
    expect(await empty.count()).to.be.above(0);
  });
});

const TYPED = `# Tide

## Salt

The weir<sup>1</sup> is old.

1. Of oak.

## Mud

Here<sup>1</sup> too.<sup>2</sup>

1. Again.
`;

describe('notes that an author typed', () => {
  const walk = journey(async (page, app) => {
    await page.goto(app.url);
    await page.getByText('Drop a manuscript').waitFor();
    await dropFiles(page, 'main', [{ name: 'tide.md', bytes: new TextEncoder().encode(TYPED) }]);
    await page.waitForURL(/\/pages$/);
    await page.getByRole('link', { name: /^Copy/ }).click();
    await page.getByRole('button', { name: 'Tidy', exact: true }).click();
  });

  it('become notes that are gathered, after a look; what has no match is told; one undo', async () => {
    const { page } = walk;
    const panel = page.getByRole('region', { name: 'Tidy', exact: true });
    await panel.getByRole('button', { name: /^Typed note figures and notes without a match/ }).click();
    await panel.getByText('No note of this number.').waitFor();
    await panel.getByRole('button', { name: /^Typed note figures, with their lists/ }).click();
    await panel.getByRole('button', { name: 'Apply all 2' }).click();
    const order = page.getByRole('navigation', { name: 'Running order' });
    const notes = order.getByRole('button', { name: /^Notes/ });
    await notes.waitFor();
    await page.getByRole('button', { name: 'Notes', exact: true }).click();
    const list = page.getByRole('region', { name: 'Notes', exact: true });
    await list.getByText('Of oak.').waitFor();
    await list.getByText('Again.').waitFor();
    await page.getByRole('button', { name: /^Undo/ }).click();
    await notes.waitFor({ state: 'detached' });
  });
});
