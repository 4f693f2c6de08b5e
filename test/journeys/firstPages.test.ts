import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { dropFiles, journey } from './app';
import { watchSaved } from './saved';
import { docx, para, run, style } from '../build/docx';

const TEXT = 'The register had been kept in the same hand for thirty years, and nobody had asked whose hand it was.';
const centred = (words: string) => `<w:p><w:pPr><w:jc w:val="center"/></w:pPr>${run(words)}</w:p>`;
const BREAK = '<w:p><w:r><w:br w:type="page"/></w:r></w:p>';
const MANUSCRIPT = docx({
  styles: style('Heading1', 'heading 1'),
  body: [
    para(run('odile@saltmarket.example')),
    para(run('About 58,000 words')),
    para(''),
    centred('The Slack Register'),
    centred('by Odile Brackwater'),
    BREAK,
    centred('For Tam, who rowed'),
    BREAK,
    centred('Three boats, one rope'),
    BREAK,
    para(run('Chapter One'), 'Heading1'),
    para(run(TEXT)),
    para(run('Chapter Two'), 'Heading1'),
    para(run(TEXT)),
  ].join(''),
});

describe('the first pages of a manuscript, on the arrival sheet', () => {
  const walk = journey(async (page, app) => {
    await page.goto(app.url);
    await page.getByText('Drop a manuscript').waitFor();
  });
  let page: Page;
  before(() => (page = walk.page));
  const row = (words: string) => page.getByLabel(`What “${words}” is`);
  const order = () => page.getByRole('navigation', { name: 'Running order' });

  it('are taken for what they are, each with its first words', async () => {
    await dropFiles(page, 'main', [{ name: 'slack.docx', bytes: MANUSCRIPT }]);
    await page.waitForURL(/\/book\/.*\/pages$/);
    await page.getByRole('link', { name: /^Copy/ }).click();
    await row('The Slack Register').waitFor();
    expect(await row('The Slack Register').inputValue()).to.equal('title');
    expect(await row('by Odile Brackwater').inputValue()).to.equal('author');
    expect(await row('odile@saltmarket.example About 58,000 words').inputValue()).to.equal('toTypesetter');
    expect(await row('For Tam, who rowed').inputValue()).to.equal('dedication');
    await page.getByRole('button', { name: 'Particulars' }).click();
    expect(await page.getByLabel('Title', { exact: true }).inputValue()).to.equal('The Slack Register');
  });

  it('are changed by one choice, which goes where it belongs, and taken back', async () => {
    expect(await row('Three boats, one rope').inputValue()).to.equal('dedication');
    await row('Three boats, one rope').selectOption({ label: 'Epigraph' });
    await order()
      .getByRole('button', { name: /^Epigraph/ })
      .waitFor();
    await row('Three boats, one rope').selectOption({ label: 'Subtitle' });
    await order()
      .getByRole('button', { name: /^Epigraph/ })
      .waitFor({ state: 'detached' });
    await page.waitForFunction(() =>
      [...document.querySelectorAll('input')].some((input) => input.value === 'Three boats, one rope'),
    );
    const saved = await watchSaved(page, 'select[aria-label^="What “Three boats"]');
    await page.getByRole('button', { name: /^Undo: “Three boats/ }).click();
    await order()
      .getByRole('button', { name: /^Epigraph/ })
      .waitFor();
    expect(await row('Three boats, one rope').inputValue()).to.equal('epigraph');
    await saved.until('epigraph');
  });

  it('are still there after a reload', async () => {
    await page.reload();
    await page.getByRole('button', { name: 'Arrival', exact: true }).click();
    await row('Three boats, one rope').waitFor();
    expect(await row('Three boats, one rope').inputValue()).to.equal('epigraph');
    expect(await row('The Slack Register').inputValue()).to.equal('title');
  });

  it('follow a role that is changed in the running order, and a new division says where it went', async () => {
    await order()
      .getByRole('button', { name: /^Epigraph/ })
      .click();
    await page.getByRole('button', { name: 'Division', exact: true }).click();
    await page.getByLabel('Role', { exact: true }).selectOption({ label: 'Dedication' });
    await order()
      .getByRole('button', { name: /^Epigraph/ })
      .waitFor({ state: 'detached' });
    await page.getByRole('button', { name: 'Arrival', exact: true }).click();
    await row('Three boats, one rope').waitFor();
    expect(await row('Three boats, one rope').inputValue()).to.equal('dedication');
    await order().getByRole('button', { name: 'Add' }).click();
    await page.getByRole('combobox', { name: 'Role of the division' }).fill('glossary');
    await page.keyboard.press('Enter');
    await page.getByText('Glossary added at the end of the back matter').waitFor();
  });
});
