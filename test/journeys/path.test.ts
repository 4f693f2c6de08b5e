import { expect } from 'chai';
import { gzipSync } from 'node:zlib';
import { pdfInfo, pdfText } from '../build/tools';
import {
  bytesOf,
  dropFiles,
  launch,
  openDemo,
  stageFact,
  startApp,
  untilFact,
  visit,
  wordsOnPage,
  type RunningApp,
  type Visit,
  type JourneyBrowser,
} from './app';

describe('the path of a book', () => {
  let app: RunningApp;
  let browser: JourneyBrowser;
  let here: Visit;

  before(async () => {
    app = await startApp();
    browser = await launch();
  });
  after(async () => {
    await browser?.close();
    app?.stop();
  });
  beforeEach(async () => {
    here = await visit(browser, app);
  });
  afterEach(async () => {
    await here.context.close();
    expect(here.strays, 'requests that left the machine').to.deep.equal([]);
    expect(here.errors, 'errors in the page').to.deep.equal([]);
  });

  it('goes from the Shelf over pages and another trim to a press PDF', async () => {
    await here.context.close();
    here = await visit(browser, app, { isFresh: true });
    const { page } = here;
    await openDemo(page, app);
    const count = Number(await untilFact(page, 'Pages', (fact) => /^\d+$/.test(fact)));
    expect(count).to.be.within(44, 60);
    await page.getByRole('slider', { name: 'Spread' }).focus();
    for (let k = 0; k < 5; k += 1) await page.keyboard.press('ArrowDown');
    await page.locator('article[data-page="11"] [data-width]').first().waitFor();
    expect(await wordsOnPage(page, 11)).to.match(/The Ninth Passenger.*The last boat down from Harrow Weir/);

    await page.getByRole('link', { name: /^Spec/ }).click();
    await page.getByLabel('Trade size').selectOption({ label: 'Large trade, 6 × 9 in, 2 : 3' });
    const fewer = Number(await untilFact(page, 'Pages', (fact) => /^\d+$/.test(fact) && Number(fact) !== count));
    expect(fewer).to.be.below(count);

    await page.getByRole('link', { name: /^Send out/ }).click();
    const download = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Write the PDF' }).click();
    const file = await download;
    expect(file.suggestedFilename()).to.equal('the-ferry-register.pdf');
    const bytes = await bytesOf(file);
    const info = pdfInfo(bytes);
    expect(info).to.match(new RegExp(`Pages:\\s+${fewer}\\b`));
    expect(info).to.match(/size:\s+432 x 648/);
    expect(info).to.match(/Author:\s+Odile Brackwater/);
    const text = pdfText(bytes)
      .replace(/\u00AD\s*/g, '')
      .replace(/\s+/g, ' ');
    const places = [
      'Ninepenny Landing Press',
      'Contents',
      'The last boat down from Harrow Weir',
      'The tide-table said four',
      'Tobit Garrow lived in the lock',
      'how they took it',
      'name after name after name',
    ].map((words) => text.indexOf(words));
    expect(places.every((place) => place >= 0)).to.equal(true);
    expect(places).to.deep.equal([...places].sort((a, b) => a - b));
    await page.getByText('Written:').waitFor();
  });

  it('makes a book of a dropped manuscript, with what its file says of it', async () => {
    const { page } = here;
    await page.goto(app.url);
    await page.getByText('Drop a manuscript').waitFor();
    const text =
      'Title: Slack Water\nAuthor: Odile Brackwater\n\nCHAPTER I\n\nThe first _word_ of it.\n\nCHAPTER II\n\nThe last.\n';
    await dropFiles(page, 'main', [{ name: 'slack.txt', bytes: new TextEncoder().encode(text) }]);
    await page.waitForURL(/\/book\/.*\/pages$/);
    await untilFact(page, 'Copy', (fact) => fact.endsWith('words'));
    await page.getByRole('link', { name: /^Copy/ }).click();
    await page.getByRole('button', { name: /CHAPTER II/ }).click();
    await page.getByText('The last.').waitFor();
    await page.getByRole('link', { name: 'To the Shelf' }).click();
    await page.getByRole('link', { name: 'Open Slack Water' }).waitFor();
    await page.getByRole('img', { name: 'Title page of Slack Water' }).waitFor();
  });

  it('says why a file is no manuscript, and leaves the Shelf as it was', async () => {
    const { page } = here;
    await page.goto(app.url);
    await page.getByRole('link', { name: 'Open The Ferry Register' }).waitFor();
    const books = page.getByRole('listitem').filter({ has: page.getByRole('link') });
    expect(await books.count(), 'the two that ship').to.equal(2);
    await dropFiles(page, 'main', [
      { name: 'picture.docx', bytes: Uint8Array.from([0x89, 0x50, 0x4e, 0x47, 13, 10, 26, 10]) },
      { name: 'empty.txt', bytes: new Uint8Array(0) },
      { name: 'nul.txt', bytes: new Uint8Array(3000) },
    ]);
    await page.getByText('picture.docx is not a Word document').waitFor();
    await page.getByText('empty.txt is empty.').waitFor();
    await page.getByText('This file is not text').waitFor();
    expect(await books.count()).to.equal(2);
    await page.getByRole('button', { name: 'Close' }).click();
    expect(await page.getByText('picture.docx').count()).to.equal(0);
  });

  it('writes a project file that opens to the same pages', async () => {
    const { page } = here;
    await openDemo(page, app);
    const facts = [
      await untilFact(page, 'Pages', (fact) => /^\d+$/.test(fact)),
      await stageFact(page, 'Copy'),
      await stageFact(page, 'Proof'),
    ];
    await page.getByRole('link', { name: /^Send out/ }).click();
    const download = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Write the project file' }).click();
    const bytes = await bytesOf(await download);
    await page.getByRole('link', { name: 'To the Shelf' }).click();
    await page.getByText('Another book').waitFor();
    await dropFiles(page, 'main', [{ name: 'the-ferry-register.walnut', bytes }]);
    await page.waitForURL(/\/book\/.*\/pages$/);
    const again = [
      await untilFact(page, 'Pages', (fact) => /^\d+$/.test(fact)),
      await stageFact(page, 'Copy'),
      await stageFact(page, 'Proof'),
    ];
    expect(again).to.deep.equal(facts);
  });

  it('knows after a reload what was written, when the book is another since, and that undo makes it the same', async () => {
    const { page } = here;
    await openDemo(page, app);
    await page.getByRole('link', { name: /^Send out/ }).click();
    const copy = page.getByRole('article', { name: 'The copy, for its author' });
    await copy.getByLabel('Format').selectOption('Plain text');
    const file = page.waitForEvent('download');
    await copy.getByRole('button', { name: 'Write the copy' }).click();
    expect((await file).suggestedFilename()).to.equal('the-ferry-register.txt');
    await copy.getByText('the-ferry-register.txt').waitFor();
    await page.reload();
    // By its day and time, and of no other product.
    await copy.getByText(/^Written \d+ \w+/).waitFor();
    await copy.getByText('the-ferry-register.txt').waitFor();
    expect(await page.getByText(/^Written \d+ \w+/).count()).to.equal(1);
    expect(await copy.getByLabel('Format').inputValue()).to.equal('txt');
    const stale = copy.getByText('this file is stale');
    expect(await stale.count()).to.equal(0);
    await page.getByRole('link', { name: /^Copy/ }).click();
    await page.getByRole('button', { name: 'Particulars' }).click();
    await page.getByLabel('Subtitle').fill('A novel');
    await page.getByRole('link', { name: /^Send out/ }).click();
    await stale.waitFor();
    await page.getByRole('button', { name: 'Undo: Subtitle' }).click();
    await stale.waitFor({ state: 'detached' });
    await copy.getByText('the-ferry-register.txt').waitFor();
  });

  it('shows in Proof what a press said of a file, at its page, also after a reload', async () => {
    const { page } = here;
    await openDemo(page, app);
    await page.getByRole('link', { name: /^Send out/ }).click();
    const press = page.getByRole('article', { name: 'Press PDF of the interior' });
    const file = page.waitForEvent('download');
    await press.getByRole('button', { name: 'Write the PDF' }).click();
    await file;
    await press.getByRole('button', { name: 'Add a remark on this file' }).click();
    await press.getByLabel('Page').fill('9999');
    await press.getByLabel('Remark').fill('The rule is under a quarter point.');
    await press.getByLabel('Remark').press('Enter');
    await press.getByText(/^The file has pages 1 to \d+\.$/).waitFor();
    await press.getByLabel('Page').fill('12');
    await press.getByRole('button', { name: 'Add the remark' }).click();
    await press.getByText('Press, page 12').waitFor();
    await page.reload();
    await press.getByText('Press, page 12').waitFor();
    await page.getByRole('link', { name: /^Proof/ }).click();
    await page.getByRole('button', { name: /^page 12 .*The press on page 12 .*The rule is under/ }).click();
    await page
      .getByRole('complementary', { name: 'This spread' })
      .getByText('The rule is under a quarter point.')
      .waitFor();
    await page.getByRole('link', { name: /^Send out/ }).click();
    await press.getByRole('button', { name: /^Seen to/ }).click();
    await press.getByText('Press, page 12').waitFor({ state: 'detached' });
  });

  it('keeps undo and redo over a reload', async () => {
    const { page } = here;
    await openDemo(page, app);
    await page.getByRole('link', { name: /^Copy/ }).click();
    await page.getByRole('button', { name: 'Particulars' }).click();
    await page.getByLabel('Title', { exact: true }).fill('The Landing Register');
    await page.getByRole('link', { name: /^Spec/ }).click();
    await page.getByLabel('Head', { exact: true }).fill('1in');
    await page.keyboard.press('Enter');
    await page.getByText('Saved', { exact: true }).waitFor();
    await page.keyboard.press('Control+z');
    expect(await page.getByLabel('Head', { exact: true }).inputValue()).to.equal('60 pt');
    // What shows the value taken back shows too that it is being saved.
    await page.getByText('Saved', { exact: true }).waitFor();
    await page.reload();
    await page.getByRole('button', { name: 'Redo: Head margin' }).waitFor();
    await page.getByRole('button', { name: 'Redo: Head margin' }).click();
    expect(await page.getByLabel('Head', { exact: true }).inputValue()).to.equal('1 in');
    await page.getByRole('button', { name: 'Undo: Head margin' }).click();
    await page.getByRole('button', { name: 'Undo: Title' }).click();
    await page.getByRole('heading', { name: 'The Ferry Register' }).waitFor();
  });

  it('gives undo to a field while its text is another than it was, and else to the book', async () => {
    const { page } = here;
    await openDemo(page, app);
    await page.getByRole('link', { name: /^Spec/ }).click();
    const [head, foot] = ['Head', 'Foot'].map((name) => page.getByLabel(name, { exact: true }));
    await head.fill('1in');
    await page.keyboard.press('Enter');
    await page.getByRole('button', { name: 'Undo: Head margin' }).waitFor();
    const before = await foot.inputValue();
    await foot.focus();
    await page.keyboard.press('End');
    await page.keyboard.type('55');
    await page.keyboard.press('Control+z');
    expect(await foot.inputValue(), 'the field takes back its own').to.equal(before);
    expect(await head.inputValue()).to.equal('1 in');
    await page.keyboard.press('Control+Shift+z');
    expect(await foot.inputValue()).to.equal(`${before}55`);
    await page.keyboard.press('Control+z');
    await page.keyboard.press('Control+z');
    expect(await head.inputValue(), 'then the book does').to.equal('60 pt');
    expect(await foot.evaluate((element) => element === document.activeElement)).to.equal(true);
  });

  it('feeds title page and running heads from the particulars', async () => {
    const { page } = here;
    await openDemo(page, app);
    await page.getByRole('link', { name: /^Copy/ }).click();
    await page.getByRole('button', { name: 'Particulars' }).click();
    await page.getByLabel('Name of person 1').fill('O. Brackwater');
    await page.getByLabel('Subtitle').fill('A novel of the upper reach');
    await page.getByRole('link', { name: /^Pages/ }).click();
    // The keys are the desk's once its pages show.
    await page.locator('article [data-width]').first().waitFor();
    await page.keyboard.press('ArrowRight');
    await page.locator('article[data-page="3"]', { hasText: 'A novel of the upper reach' }).waitFor();
    expect(await wordsOnPage(page, 3))
      .to.include('O. Brackwater')
      .and.include('Ninepenny Landing Press');
    for (let k = 0; k < 5; k += 1) await page.keyboard.press('ArrowRight');
    await page.locator('article[data-page="12"]', { hasText: 'O. Brackwater' }).waitFor();
  });

  it('lets a change of the spec be overtaken by the next, and shows the last', async () => {
    const { page } = here;
    await openDemo(page, app);
    await page.getByRole('link', { name: /^Spec/ }).click();
    const size = async (value: string) => {
      await page.getByLabel('Head', { exact: true }).fill(value);
      await page.keyboard.press('Enter');
    };
    for (const value of ['61pt', '70pt', '80pt', '90pt', '200pt']) await size(value);
    const many = Number(await untilFact(page, 'Pages', (fact) => Number(fact) > 60));
    await page.getByText('type area', { exact: false }).first().waitFor();
    await size('60 pt');
    expect(Number(await untilFact(page, 'Pages', (fact) => Number(fact) < 60))).to.be.below(many);
    await size('wide');
    await page.getByText('“wide” is not a length').first().waitFor();
    await size('600pt');
    await page.getByText('leave no room for a line of type').first().waitFor();
  });

  it('loads at most 350 kB of script before the Shelf shows', async () => {
    const { page } = here;
    const scripts: Promise<Buffer>[] = [];
    page.on('response', (response) => {
      if (response.request().resourceType() === 'script' && !response.url().includes('orker'))
        scripts.push(response.body());
    });
    await page.goto(app.url);
    await page.getByText('Drop a manuscript').waitFor();
    const sizes = (await Promise.all(scripts)).map((body) => gzipSync(body).length);
    const total = sizes.reduce((sum, size) => sum + size, 0);
    process.stdout.write(`      script of the first load: ${Math.round(total / 1024)} kB gzipped\n`);
    expect(total).to.be.below(350 * 1024);
  });
});
