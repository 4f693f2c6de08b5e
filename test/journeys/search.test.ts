import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { SETTINGS } from '../../src/ui/frame/commands/settingList';
import { eventually, journey, openDemo, untilFact, untilStill } from './app';

describe('the search over everything', () => {
  const walk = journey(async (page, app) => {
    await openDemo(page, app);
    await untilFact(page, 'Pages', (fact) => /^\d+$/.test(fact));
  });
  const find = async (page: Page, typed: string) => {
    await page.keyboard.press('Control+k');
    await page.getByRole('combobox', { name: 'Find anything' }).fill(typed);
    await page.keyboard.press('Enter');
  };
  const nameOf = ({ label, group }: (typeof SETTINGS)[number]) =>
    group === undefined || group === label ? label : `${group}: ${label.toLowerCase()}`;

  it('goes to a page by its folio, and by its number in the book', async () => {
    const page = walk.page;
    await find(page, '12');
    await page.locator('article[aria-label*="folio 12"] [data-width]').first().waitFor();
    await find(page, 'folio 5');
    await page.locator('article[aria-label*="folio 5,"], article[aria-label$="folio 5"]').first().waitFor();
  });

  it('knows only settings that there are', async () => {
    const { page } = walk;
    await page.getByRole('link', { name: /^Spec/ }).click();
    const topics = [...new Set(SETTINGS.map(({ topic }) => topic))];
    const lost: string[] = [];
    for (const topic of topics) {
      const labels = SETTINGS.filter((entry) => entry.topic === topic);
      // A name that no other topic has leads there.
      const only = labels.find(({ label }) => SETTINGS.filter((entry) => entry.label === label).length === 1)!;
      await find(page, nameOf(only));
      const wanted = labels.map(({ label }) => label);
      const there = () =>
        page.evaluate(() =>
          [...document.querySelectorAll('main label, main h2, main h2 > span, main button, main [aria-label]')].flatMap(
            (element) => [element.textContent!.trim(), element.getAttribute('aria-label') ?? ''],
          ),
        );
      await eventually(`${topic} is shown`, async () => (await there()).some((label) => wanted.includes(label)));
      await page.locator('nav [aria-current=true]').waitFor();
      await untilStill(page);
      const shown = await there();
      lost.push(...wanted.filter((label) => !shown.includes(label)).map((label) => `${topic}: ${label}`));
    }
    expect(lost).to.deep.equal([]);
  });

  it('leads to a setting with the focus on it, in a group that is closed too', async () => {
    const { page } = walk;
    const wanted = [
      'Bleed: at the head',
      'Leading',
      'Keep with next',
      'Chapters: sink',
      'Placed',
      'Inks',
      'Drop capital',
    ];
    for (const name of wanted) {
      await find(page, name);
      const label = name.split(': ').at(-1)!;
      await page.waitForFunction((words) => {
        const field = document.activeElement as HTMLInputElement;
        const title = field.closest('section')?.querySelector('h2');
        const told = [field.labels?.[0]?.textContent, (title?.querySelector('span') ?? title)?.textContent];
        return told.some((one) => one?.trim().toLowerCase() === words.toLowerCase());
      }, label);
    }
  });

  it('opens find and replace with Ctrl F from any stage, and takes back with Ctrl Z, Ctrl Y', async () => {
    const page = walk.page;
    await page.getByRole('link', { name: /^Pages/ }).click();
    await page.keyboard.press('Control+f');
    await page.getByRole('region', { name: 'Find and replace' }).waitFor();
    await page.waitForFunction(() =>
      /^Find/.test((document.activeElement as HTMLInputElement).labels?.[0]?.textContent ?? ''),
    );
    await page.keyboard.type('tide');
    expect(await page.getByLabel('Find', { exact: true }).inputValue()).to.equal('tide');
    await find(page, 'bleed');
    await page.waitForFunction(
      () => (document.activeElement as HTMLInputElement).labels?.[0]?.textContent === 'At the head',
    );
    await page.keyboard.type('3mm');
    await page.keyboard.press('Enter');
    const field = page.getByRole('textbox', { name: 'At the head' });
    await page.waitForFunction((input) => /3 mm/.test((input as HTMLInputElement).value), await field.elementHandle());
    await field.blur();
    await page.keyboard.press('Control+z');
    await page.waitForFunction((input) => !/3 mm/.test((input as HTMLInputElement).value), await field.elementHandle());
    await page.keyboard.press('Control+y');
    await page.waitForFunction((input) => /3 mm/.test((input as HTMLInputElement).value), await field.elementHandle());
  });
});
