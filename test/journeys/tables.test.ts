// A table is put in, filled from a spreadsheet, edited by keys, sent over a page end, and leaves in the PDF.
import { expect } from 'chai';
import { pdfLines } from '../build/tools';
import { bytesOf, eventually, journey, openDemo, stageFact, untilFact } from './app';

const SHEET = Array.from({ length: 24 }, (_, k) => [`Boat ${k}`, `${k}.${k % 10}`, 'Tarred in the spring']);

describe('a table', () => {
  const walk = journey(async (page, app) => {
    await openDemo(page, app);
    await untilFact(page, 'Pages', (fact) => /^\d+$/.test(fact));
    await page.keyboard.press('Alt+1');
    await page.getByRole('button', { name: /^7 The Chain Ferry/ }).click();
    await page.getByRole('region', { name: '7 The Chain Ferry' }).waitFor();
  });
  const cell = (words: string) => walk.page.locator('.galley-editor table td').filter({ hasText: words }).first();
  /** What the clipboard holds, pasted where the caret is. */
  const paste = (type: string, content: string) =>
    walk.page.evaluate(
      ([kind, text]) => {
        const clipboardData = new DataTransfer();
        clipboardData.setData(kind, text);
        const target = document.activeElement!;
        target.dispatchEvent(new ClipboardEvent('paste', { clipboardData, bubbles: true, cancelable: true }));
      },
      [type, content] as const,
    );

  it('is put in at the caret, and filled cell by cell; after the last cell a row comes', async () => {
    const { page } = walk;
    await page.locator('.galley-text', { hasText: 'Below Saltmarket' }).click();
    await page.keyboard.press('End');
    await page.getByRole('button', { name: 'Insert', exact: true }).click();
    await page.getByLabel('Rows').fill('2');
    await page.getByLabel('Columns').fill('3');
    await page.getByLabel('Find by name').fill('table');
    await page.keyboard.press('Enter');
    await page.locator('.galley-editor table td').first().click();
    await page.getByRole('toolbar', { name: 'Table' }).waitFor();
    for (const words of ['Boat', 'Length', 'Remarks', 'Perch', '4.25', 'Leaks']) {
      await page.keyboard.type(words);
      await page.keyboard.press('Tab');
    }
    await eventually(
      'the table has three rows',
      async () => (await page.locator('.galley-editor table tr').count()) === 3,
    );
    await page.keyboard.press('Shift+Tab');
    await page.keyboard.press('End');
    await page.keyboard.type(' a little');
    await cell('Leaks a little').waitFor();
  });

  it('takes a block of cells from a spreadsheet, and grows for it', async () => {
    const { page } = walk;
    await page.locator('.galley-editor table tr').nth(2).locator('td').first().click();
    const rows = SHEET.map((row) => `<tr>${row.map((words) => `<td>${words}</td>`).join('')}</tr>`).join('');
    await paste('text/html', `<html><body><table>${rows}</table></body></html>`);
    await cell('Boat 23').waitFor();
    expect(await page.locator('.galley-editor table tr').count()).to.equal(2 + SHEET.length);
  });

  it('gets a total, and a column that stands in its middle; each is one step back', async () => {
    const { page } = walk;
    await cell('Boat 23').click();
    const kind = page.getByRole('combobox', { name: 'Kind of row' });
    await kind.selectOption('total');
    await page.locator('.galley-editor table tr[data-kind=total]', { hasText: 'Boat 23' }).waitFor();
    await cell('Leaks a little').click();
    await page.getByRole('combobox', { name: 'Entries stand' }).selectOption('centre');
    await page.getByRole('button', { name: 'Undo' }).click();
    await cell('Leaks a little').click();
    await eventually(
      'the column says nothing again',
      async () => (await page.getByRole('combobox', { name: 'Entries stand' }).inputValue()) === '',
    );
    expect(await page.locator('.galley-editor table tr[data-kind=total]').count()).to.equal(1);
  });

  it('gets and loses rows by keys, and keeps its words', async () => {
    const { page } = walk;
    const rows = page.locator('.galley-editor table tr');
    const before = await rows.count();
    await cell('Boat 3').click();
    await page.keyboard.press('Control+Alt+ArrowDown');
    await eventually('a row is there', async () => (await rows.count()) === before + 1);
    await page.keyboard.press('Control+Alt+Backspace');
    await eventually('it is gone', async () => (await rows.count()) === before);
  });

  it('goes over to the next page from the row that is to begin it, under its heads', async () => {
    const { page } = walk;
    await page.keyboard.press('Alt+3');
    const line = page.locator('article [data-block]', { hasText: 'Boat 9' }).first();
    await line.waitFor();
    await line.click();
    const slip = page.getByRole('region', { name: 'This table' });
    await slip.getByText(`${2 + SHEET.length} × 3`).waitFor();
    const before = await page.locator('article', { hasText: 'Boat 9' }).first().getAttribute('data-page');
    await slip.getByLabel('This row begins a page').check();
    const left = page.locator(`article[data-page="${before}"]`);
    await eventually('the row has left the page', async () => {
      const words = (await left.allTextContents()).join(' ');
      return words.includes('Boat 8') && !words.includes('Boat 9');
    });
  });

  it('leaves in the press PDF, every row once, its head on each page', async () => {
    const { page } = walk;
    await stageFact(page, 'Pages');
    await page.keyboard.press('Alt+5');
    const waiting = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Write the PDF', exact: true }).click();
    const pages = pdfLines(await bytesOf(await waiting)).split('\f');
    const all = pages.join(' ').replace(/\s+/g, ' ');
    for (const [name, length] of SHEET) {
      const found = all.split(`${name} ${length}`).length - 1;
      expect(found, name).to.equal(1);
    }
    const begun = pages.find((words) => /Boat 9\s/.test(words))!;
    expect(begun.replace(/\s+/g, ' ')).to.match(/Boat Length Remarks Boat 9 /);
    expect(pages.filter((words) => /Length\s+Remarks/.test(words)).length).to.be.at.least(2);
  });
});
