// An ebook is chosen, written and held against its book; what is chosen is in the file.
import { expect } from 'chai';
import { unzipSync } from 'fflate';
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { createServer, type AddressInfo } from 'node:net';
import { epub } from '../build/incoming';
import { pngOf } from '../build/pictures';
import { bytesOf, dropFiles, journey, untilFact } from './app';

const axe = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

describe('an ebook', () => {
  const walk = journey(async (page, app) => {
    await page.goto(app.url);
    await page.getByRole('link', { name: /Open Keeping a Tidal Garden/ }).click();
    await page.locator('article [data-width]').first().waitFor();
    await untilFact(page, 'Pages', (fact) => /^\d+$/.test(fact));
    await page.getByText('Saved').waitFor();
    await page.keyboard.press('Alt+5');
  });
  const card = () => walk.page.getByRole('article', { name: 'Ebook', exact: true });
  const write = async () => {
    const [file] = await Promise.all([
      walk.page.waitForEvent('download'),
      card().getByRole('button', { name: 'Write the ebook' }).click(),
    ]);
    const members = unzipSync(await bytesOf(file));
    const text = (name: string) => new TextDecoder().decode(members[`OPS/${name}`]);
    return { name: file.suggestedFilename(), members, text };
  };

  it('is dressed as the book, and says that nothing is lost', async () => {
    const { name, members, text } = await write();
    expect(name).to.equal('keeping-a-tidal-garden.epub');
    expect(Object.keys(members).filter((member) => /faces\/.*\.ttf$/.test(member)).length).to.be.above(1);
    expect(text('book.css')).to.include('@font-face');
    expect(text('nav.xhtml')).to.match(/epub:type="page-list"[\s\S]*#page-1"/);
    await card()
      .getByText(/^The same as in the book: [\d,]+ words, \d+ heads/)
      .waitFor();
  });

  it('is plain, grey and for the shop where that is chosen', async () => {
    const { page } = walk;
    await card().getByLabel('Look').selectOption('plain');
    await card().getByLabel('Opens at').selectOption('text');
    await card().getByLabel('Pictures').selectOption('grey');
    await card().getByLabel('Named').selectOption('shop');
    await card()
      .getByRole('combobox', { name: /^Cover/ })
      .selectOption('none');
    await card().getByLabel('Tables').selectOption('lists');
    const pixels = card().getByLabel('Longest side');
    await pixels.fill('12');
    await page.keyboard.press('Tab');
    await card().getByText('A whole number from 400 to 6000; the pictures keep 2000.').waitFor();
    await pixels.fill('600');
    await page.keyboard.press('Tab');
    await card().getByRole('alert').waitFor({ state: 'detached' });
    const { name, members, text } = await write();
    expect(name).to.equal('keeping-a-tidal-garden-shop.epub');
    expect(Object.keys(members).filter((member) => member.includes('faces/'))).to.deep.equal([]);
    expect(text('book.css')).not.to.match(/font-family|\.opener/);
    const start = /<reference type="text" title="Text" href="([^"]+)"/.exec(text('package.opf'))![1];
    expect(text(start)).to.include('The Ground That Leaves Twice a Day');
    expect(Object.keys(members).filter((member) => /cover/.test(member))).to.deep.equal([]);
    expect(text('book.css')).to.include('table.listed');
    await card().getByText('keeping-a-tidal-garden-shop.epub').waitFor();
  });

  it('has no barrier that the accessibility checker knows, in any of its files', async () => {
    await card().getByLabel('Look').selectOption('dressed');
    const { members, text } = await write();
    const reader = await walk.page.context().newPage();
    for (const member of Object.keys(members).filter((own) => own.endsWith('.xhtml'))) {
      const file = text(member.replace('OPS/', ''));
      // Style sheet and pictures are in the package: what is said of them by words is looked at here.
      await reader.setContent(file.replace(/<\?xml[^>]*>/, '').replace(/<link [^>]*>/, ''));
      await reader.evaluate(axe);
      const violations = await reader.evaluate(async () => {
        const { axe: tool } = window as unknown as {
          axe: {
            run: (
              of: Document,
              options: object,
            ) => Promise<{ violations: { id: string; nodes: { html: string }[] }[] }>;
          };
        };
        // Landmarks are of pages of the web: a file of a book is one text, and its notes are asides so that they open beside it.
        const rules = ['region', 'page-has-heading-one', 'landmark-one-main', 'landmark-unique'];
        const off = Object.fromEntries(rules.map((rule) => [rule, { enabled: false }]));
        const found = await tool.run(document, { rules: off });
        return found.violations.map(({ id, nodes }) => `${id}: ${nodes[0].html.slice(0, 120)}`);
      });
      expect(violations, member).to.deep.equal([]);
    }
    await reader.close();
  });

  it('has the cover that is chosen, and opens at it; undo takes it out', async () => {
    const { page } = walk;
    await card()
      .getByRole('combobox', { name: /^Cover/ })
      .selectOption('cover');
    await card().getByLabel('Opens at').selectOption('cover');
    const drawn = await write();
    expect(drawn.text('package.opf')).to.match(/href="pictures\/cover\.png"[^>]*properties="cover-image"/);
    await page.keyboard.press('Alt+1');
    await page.getByRole('button', { name: 'Particulars' }).click();
    const [chooser] = await Promise.all([
      page.waitForEvent('filechooser'),
      page.getByRole('button', { name: 'Choose a picture' }).click(),
    ]);
    await chooser.setFiles({ name: 'front.png', mimeType: 'image/png', buffer: Buffer.from(pngOf(40, 64)) });
    await page.getByText('40 × 64 pixels: shops ask for 1600 along the longer side.').waitFor();
    await page.getByLabel('What it shows').fill('A wall at low water');
    await page.getByText('Saved').waitFor();
    await page.keyboard.press('Alt+5');
    const { text } = await write();
    expect(text('cover.xhtml')).to.match(
      /<img src="pictures\/[0-9a-f]{32}\.png" alt="A wall at low water" role="doc-cover"\/>/,
    );
    expect(text('package.opf')).to.include('<reference type="text" title="Text" href="cover.xhtml"/>');
    await page.keyboard.press('Alt+1');
    await page.getByRole('button', { name: 'Take it out' }).click();
    await page.getByText('No picture').waitFor();
    await page.keyboard.press('Control+z');
    await page.getByText('front.png').waitFor();
  });

  it('has paragraphs that print has not, and an imprint page of its own', async () => {
    const { page } = walk;
    await page.keyboard.press('Alt+1');
    const order = page.getByRole('navigation', { name: 'Running order' });
    await order.getByRole('button', { name: /What Grows/ }).click();
    const goesInto = page.getByRole('combobox', { name: 'Goes into' });
    const paragraphs = page.locator('.galley-text[data-style="TX"]');
    const [onScreens, onPaper] = await Promise.all([paragraphs.nth(0).innerText(), paragraphs.nth(1).innerText()]);
    await paragraphs.nth(0).click();
    await goesInto.selectOption('ebook');
    await page.locator('.galley-row[data-only="ebook"]').waitFor();
    await paragraphs.nth(1).click();
    await goesInto.selectOption('print');
    await page.locator('.galley-row[data-only="print"]').waitFor();
    await order.getByRole('button', { name: /^Imprint page/ }).click();
    await page.getByRole('button', { name: 'Division', exact: true }).click();
    await page.getByRole('button', { name: 'Make one for the ebook' }).click();
    await order.getByRole('button', { name: /^Imprint page.*ebook$/ }).waitFor();
    await page.locator('.galley-text', { hasText: 'Printed edition:' }).waitFor();
    await page.getByText('Saved').waitFor();
    await page.keyboard.press('Alt+5');
    const { members, text } = await write();
    const all = Object.keys(members)
      .filter((member) => member.endsWith('.xhtml'))
      .map((member) => text(member.replace('OPS/', '')))
      .join('');
    /** Its longest words without a sign between them. */
    const longest = (words: string) =>
      words
        .split(/[^\p{L} ]/u)
        .map((run) => run.trim())
        .reduce((best, run) => (run.length > best.length ? run : best));
    expect(all).to.include(longest(onScreens)).and.not.include(longest(onPaper));
    expect(all.match(/epub:type="copyright-page"/g)).to.have.length(1);
    expect(all).to.include('Printed edition:');
    await card()
      .getByText(/^The same as in the book/)
      .waitFor();
  });

  it('leaves out a division that is not to be in it', async () => {
    const { page } = walk;
    await page.keyboard.press('Alt+1');
    await page
      .getByRole('navigation', { name: 'Running order' })
      .getByRole('button', { name: /A Short Glossary/ })
      .click();
    await page.getByRole('button', { name: 'Division', exact: true }).click();
    await page.getByLabel('In the ebook').uncheck();
    await page.getByText('Saved').waitFor();
    await page.keyboard.press('Alt+5');
    await card().getByText('The book has changed since: this file is stale.').waitFor();
    const { members, text } = await write();
    const all = Object.keys(members).filter((member) => member.endsWith('.xhtml'));
    expect(all.map((member) => text(member.replace('OPS/', ''))).join('')).not.to.include('A Short Glossary');
  });
});

describe('an ebook from elsewhere that reaches out', () => {
  const walk = journey(async (page, app) => {
    await page.goto(app.url);
    await page.getByText('Drop a manuscript').waitFor();
  });

  it('is read and shown, and nothing of it is asked for', async () => {
    const { page } = walk;
    let connections = 0;
    const server = createServer((socket) => {
      connections += 1;
      socket.destroy();
    });
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
    const far = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
    const bytes = epub(
      `<h1>One</h1><p style="background: url(${far}/a.png)">Words of the weir.<img src="${far}/b.png" alt="Far"/></p><link rel="stylesheet" href="${far}/c.css"/><style>@import url(${far}/d.css);</style><script src="${far}/e.js"></script><iframe src="${far}/f"></iframe><object data="${far}/g"></object><video src="${far}/h" poster="${far}/i.png"></video><svg><image href="${far}/j.png"/></svg><p>The end.</p>`,
    );
    await dropFiles(page, 'main', [{ name: 'far.epub', bytes }]);
    await page.waitForURL(/\/book\/.*\/pages$/);
    await untilFact(page, 'Pages', (fact) => /^\d+$/.test(fact));
    await page.keyboard.press('Alt+1');
    await page.getByText('Words of the weir.').first().waitFor();
    await page.keyboard.press('Alt+5');
    const [file] = await Promise.all([
      page.waitForEvent('download'),
      page
        .getByRole('article', { name: 'Ebook', exact: true })
        .getByRole('button', { name: 'Write the ebook' })
        .click(),
    ]);
    const members = unzipSync(await bytesOf(file));
    const all = Object.values(members).map((own) => new TextDecoder().decode(own));
    expect(all.join('')).to.include('Words of the weir.').and.not.include('127.0.0.1');
    expect(connections).to.equal(0);
    server.close();
  });
});
