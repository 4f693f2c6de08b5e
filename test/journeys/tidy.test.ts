import { expect } from 'chai';
import type { Browser, Page } from 'playwright-core';
import { launch, openDemo, startApp, untilFact, visit, type RunningApp, type Visit } from './app';

describe('tidying the copy', () => {
  let app: RunningApp;
  let browser: Browser;
  let here: Visit;
  let page: Page;

  before(async () => {
    app = await startApp();
    browser = await launch();
    here = await visit(browser, app);
    page = here.page;
    await openDemo(page, app);
    await untilFact(page, 'Pages', (fact) => /^\d+$/.test(fact));
    await page.keyboard.press('Alt+1');
  });
  after(async () => {
    await here.context.close();
    await browser?.close();
    app?.stop();
    expect(here.errors).to.deep.equal([]);
  });

  const panel = () => page.getByRole('complementary', { name: 'Tidy' });
  const job = (name: RegExp) => panel().getByRole('button', { name });

  it('lists the jobs that the copy needs, with what each place was and becomes', async () => {
    await job(/^Words typed twice/).click();
    const place = panel().getByRole('listitem').first();
    expect(await place.locator('del').innerText()).to.match(/^and/);
    expect(await job(/^Straight quotes/).innerText()).to.match(/\d+$/);
  });

  it('takes one place of a job, and undo brings it back', async () => {
    await panel().getByRole('button', { name: 'Take', exact: true }).click();
    await job(/^Words typed twice/).waitFor({ state: 'detached' });
    await page.keyboard.press('Control+z');
    await job(/^Words typed twice/).waitFor();
  });

  it('takes all safe jobs in one step; the galley shows the copy as it is then', async () => {
    await page.getByRole('button', { name: /^1 The Ninth Passenger/ }).click();
    const galley = page.getByRole('region', { name: '1 The Ninth Passenger' });
    const empty = galley.getByText('empty paragraph');
    expect(await empty.count()).to.be.above(0);
    await panel().getByRole('button', { name: 'Take all safe' }).click();
    await panel().getByRole('region', { name: 'Safe' }).waitFor({ state: 'detached' });
    expect(await empty.count()).to.equal(0);
    await page.keyboard.press('Control+z');
    await panel().getByRole('region', { name: 'Safe' }).waitFor();
    expect(await empty.count()).to.be.above(0);
  });
});
