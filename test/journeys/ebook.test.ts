// An ebook is chosen, written and held against its book; what is chosen is in the file.
import { expect } from 'chai';
import { unzipSync } from 'fflate';
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { bytesOf, journey, untilFact } from './app';

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
