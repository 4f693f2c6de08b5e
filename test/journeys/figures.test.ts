// Figures: their words in the galley, their place on the page, files dropped on a page, parts, and what leaves with them.
import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { unzipSync } from 'fflate';
import { pngOf } from '../build/pictures';
import { bytesOf, dropFiles, eventually, journey, stageFact, untilFact } from './app';

const SENTENCE = 'The keeper walked the length of the wall before the tide, and counted the posts as he went. ';
const MANUSCRIPT = `---
title: The Lower Wall
author: Tamsin Okonjo-Reyes
lang: en-GB
---

# The Lower Wall

${SENTENCE.repeat(8)}

The first post stands at the sluice. ${SENTENCE.repeat(5)}

![A post](post.png)

${SENTENCE.repeat(9)}

${SENTENCE.repeat(9)}

The last post stands by itself. ${SENTENCE.repeat(8)}
`;

describe('figures', () => {
  const walk = journey(async (page, app) => {
    await page.goto(app.url);
    await page.getByText('Another book').waitFor();
    await dropFiles(page, 'main', [
      { name: 'post.png', bytes: pngOf(900, 500, 1) },
      { name: 'wall.md', bytes: new TextEncoder().encode(MANUSCRIPT) },
    ]);
    await untilFact(page, 'Pages', (fact) => /^\d+$/.test(fact));
    await page.keyboard.press('Alt+1');
    await page.getByRole('button', { name: /^The Lower Wall/ }).click();
    await page.locator('.galley-figure').waitFor();
  });
  let page: Page;
  before(() => (page = walk.page));

  const slip = () => page.getByRole('region', { name: 'This figure' });
  const onPages = (words: string) => page.locator('[data-page]').filter({ hasText: words });
  /** Scrolls down the desk until something of the pages is there. */
  const bringIn = async (selector: string) => {
    await page.getByRole('region', { name: 'Spreads' }).hover();
    await eventually(`${selector} is in view`, async () => {
      if ((await page.locator(selector).count()) > 0) return true;
      await page.mouse.wheel(0, 500);
      return false;
    });
    await page.locator(selector).first().scrollIntoViewIfNeeded();
  };

  it('have a caption and a credit line that are typed under them, and stand so on the page', async () => {
    const figure = page.locator('.galley-figure');
    await figure.getByRole('textbox', { name: 'Caption' }).click();
    await page.keyboard.type('The post at the sluice.');
    await figure.getByRole('textbox', { name: 'Credit line' }).click();
    await page.keyboard.type('Drawn by the crew.');
    await page.keyboard.press('Alt+3');
    await bringIn('[role=img][aria-label="A post"]');
    const own = onPages('The post at the sluice.');
    await own.filter({ hasText: 'Drawn by the crew.' }).locator('[role=img]').waitFor({ state: 'attached' });
    await page.keyboard.press('Control+z');
    await page.locator('[data-page]', { hasText: 'Drawn by the crew.' }).waitFor({ state: 'detached' });
    await page.keyboard.press('Control+Shift+z');
    await onPages('Drawn by the crew.').waitFor();
  });

  it('tell in their slip what they are tied to and what each place would cost, and take it', async () => {
    await page.locator('[role=img][aria-label="A post"]').click();
    await slip().getByText('The first post stands at the sluice.').waitFor();
    await slip()
      .locator('label', { hasText: 'own page' })
      .getByText(/pages? changes?/)
      .waitFor();
    await slip()
      .getByRole('radio', { name: /own page/ })
      .check();
    await bringIn('[data-page][data-role=plate] [role=img]');
    const words = await page.locator('[data-page][data-role=plate]').innerText();
    expect(words).to.include('The post at the sluice.').and.not.include('keeper');
    await slip().getByLabel('Width').selectOption({ label: 'typed' });
    await slip().getByLabel('Typed width').fill('2 in');
    await page.keyboard.press('Enter');
    await slip().getByText(/^2 × /).waitFor();
    // As often as it was changed, undo takes it back.
    for (let k = 0; k < 3; k += 1) await page.keyboard.press('Control+z');
    await page.locator('[data-page][data-role=plate]').waitFor({ state: 'detached' });
    await page.keyboard.press('Escape');
  });

  /** Lines of text whose middle is beside the picture, and whether one of them reaches into it. */
  const linesBeside = (alt: string) =>
    page.evaluate((name) => {
      const picture = document.querySelector(`[role=img][aria-label="${name}"]`);
      if (picture === null) return { beside: 0, inside: 0 };
      const box = picture.getBoundingClientRect();
      const lines = [...picture.parentElement!.querySelectorAll('[data-item]')].map((one) =>
        one.getBoundingClientRect(),
      );
      const level = lines.filter((line) => {
        const middle = (line.top + line.bottom) / 2;
        return middle > box.top && middle < box.bottom;
      });
      const inside = level.filter((line) => line.right > box.left + 4 && line.left < box.right - 4).length;
      return { beside: level.length - inside, inside };
    }, alt);

  it('stand beside their text, are dragged there in one undo step, and moved by the arrow keys', async () => {
    await bringIn('[role=img][aria-label="A post"]');
    await page.locator('[role=img][aria-label="A post"]').click();
    await slip()
      .getByRole('radio', { name: /beside its paragraph/ })
      .check();
    await bringIn('[data-figure-handles]');
    await eventually('the text goes round it', async () => {
      const { beside, inside } = await linesBeside('A post');
      return beside > 3 && inside === 0;
    });
    const inset = slip().getByLabel('From that edge');
    expect(await inset.inputValue()).to.equal('0 pt');
    await page.locator('[data-figure-handles]').scrollIntoViewIfNeeded();
    const box = (await page.locator('[data-figure-handles]').boundingBox())!;
    const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
    const isRight = await page.evaluate(() => {
      const handles = document.querySelector('[data-figure-handles]')!.getBoundingClientRect();
      const sheet = document.querySelector('[data-figure-handles]')!.closest('[data-page]')!.getBoundingClientRect();
      return handles.left + handles.width / 2 > sheet.left + sheet.width / 2;
    });
    await page.mouse.move(x, y);
    await page.mouse.down();
    for (let k = 1; k <= 8; k += 1) await page.mouse.move(x + (isRight ? -4 : 4) * k, y);
    await page.mouse.up();
    await eventually('it was moved from its edge', async () => /^[12]\d/.test(await inset.inputValue()));
    await eventually('the text goes round it there', async () => (await linesBeside('A post')).inside === 0);
    await page.keyboard.press('Control+z');
    await eventually('one undo puts it back', async () => (await inset.inputValue()) === '0 pt');
    await page.locator('[data-figure-handles]').focus();
    await page.keyboard.press(isRight ? 'ArrowLeft' : 'ArrowRight');
    await eventually('an arrow key moves it by a point', async () => (await inset.inputValue()) === '1 pt');
    const white = page.getByRole('slider', { name: 'White beside' });
    await white.focus();
    await page.keyboard.press('Shift+ArrowUp');
    await eventually(
      'its white is wider',
      async () => (await slip().getByLabel('White beside').inputValue()) === '22 pt',
    );
    for (let k = 0; k < 2; k += 1) await page.keyboard.press('Control+z');
    await eventually('both are taken back', async () => (await inset.inputValue()) === '0 pt');
  });

  it('have frames in which their picture is moved, scaled and turned, and nothing of it is lost', async () => {
    await slip().getByText('Frame', { exact: true }).click();
    await slip().getByLabel('Shape').selectOption({ label: 'ellipse' });
    await slip()
      .getByRole('radio', { name: /its ellipse/ })
      .waitFor();
    await bringIn('[data-figure-handles]');
    await page.locator('[data-figure-handles]').focus();
    await page.keyboard.press('Enter');
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('+');
    await eventually(
      'it is larger in its frame',
      async () => (await slip().getByLabel('Scale').inputValue()) === '105',
    );
    expect(await slip().getByLabel('Moved across').inputValue()).to.equal('1');
    await slip().getByRole('button', { name: 'Turn by 90°' }).click();
    await eventually('it is turned', async () => (await slip().getByLabel('Turned').inputValue()) === '90');
    await slip().getByLabel('Turned').fill('200');
    await page.keyboard.press('Enter');
    await slip().getByRole('alert').getByText('-180 to 180').waitFor();
    await slip().getByLabel('Turned').fill('0');
    await page.keyboard.press('Enter');
    await slip().getByRole('button', { name: 'Fill the frame' }).click();
    await eventually('it fills its frame', async () => (await slip().getByLabel('Scale').inputValue()) === '100');
  });

  it('have lines that follow a contour, traced round what is seen, its corners moved, added and taken away', async () => {
    // It is traced before it is chosen.
    await slip()
      .getByRole('radio', { name: /a contour/ })
      .click();
    const told = slip().getByText(/^\d+ corners/);
    await told.waitFor();
    const corners = async () => Number(/^\d+/.exec((await told.textContent())!)![0]);
    const traced = await corners();
    // Round an ellipse.
    expect(traced).to.be.within(8, 60);
    await bringIn('[data-figure-handles]');
    const corner = page.getByRole('button', { name: /^Corner 1 of/ });
    await corner.focus();
    await page.keyboard.press('Insert');
    await eventually('it has a corner more', async () => (await corners()) === traced + 1);
    await corner.focus();
    const before = (await corner.boundingBox())!;
    await page.keyboard.press('Shift+ArrowDown');
    await eventually('its corner went down', async () => (await corner.boundingBox())!.y > before.y + 3);
    await corner.focus();
    await page.keyboard.press('Delete');
    await eventually('it has a corner less', async () => (await corners()) === traced);
    await eventually('no line enters its box where it is widest', async () => (await linesBeside('A post')).beside > 2);
    for (let k = 0; k < 3; k += 1) await page.keyboard.press('Control+z');
    await eventually('three steps are taken back', async () => (await corners()) === traced);
    await slip()
      .getByRole('radio', { name: /its box/ })
      .check();
    await told.waitFor({ state: 'detached' });
  });

  it('take two facing pages, and the text goes on past them', async () => {
    await slip()
      .getByRole('radio', { name: /two facing pages/ })
      .check();
    const plates = page.locator('[data-page][data-role=plate] [role=img]');
    await bringIn('[data-page][data-role=plate] [role=img]');
    await plates.nth(1).waitFor({ state: 'attached' });
    const pages = await page
      .locator('[data-page][data-role=plate]')
      .evaluateAll((found) => found.map((one) => Number(one.getAttribute('data-page'))));
    expect(pages).to.have.length(2);
    expect([pages[0] % 2, pages[1] - pages[0]]).to.deep.equal([0, 1]);
    await slip()
      .getByRole('radio', { name: /where its mark is/ })
      .check();
    await page.locator('[data-page][data-role=plate]').first().waitFor({ state: 'detached' });
    await page.keyboard.press('Escape');
  });

  it('are set in black alone, by a tone that is seen on the page', async () => {
    const greyOf = (alt: string) =>
      page.evaluate((name) => {
        const picture = document.querySelector(`[role=img][aria-label="${name}"]`);
        const canvas = document.querySelector('canvas');
        if (!picture || !canvas) return -1;
        const [at, of] = [picture.getBoundingClientRect(), canvas.getBoundingClientRect()];
        const scale = canvas.width / of.width;
        const [x, y] = [at.left + at.width / 2 - of.left, at.top + at.height / 2 - of.top];
        const { data } = canvas.getContext('2d')!.getImageData(Math.round(x * scale), Math.round(y * scale), 24, 24);
        let sum = 0;
        for (let k = 0; k < data.length; k += 4) sum += data[k];
        return sum / (data.length / 4);
      }, alt);
    await bringIn('[role=img][aria-label="A post"]');
    let straight = -1;
    await eventually('the picture is seen', async () => (straight = await greyOf('A post')) >= 0 && straight < 250);
    await page.keyboard.press('Alt+2');
    await page.getByRole('navigation', { name: 'Topics' }).getByRole('button', { name: /^Inks/ }).click();
    const put = async (label: string, ink: string) => {
      await page.getByLabel(label, { exact: true }).fill(ink);
      await page.keyboard.press('Enter');
    };
    await put('Half dark', '10');
    await page.getByRole('alert').getByText('It never falls').waitFor();
    for (const [label, ink] of [
      ['Three quarters dark', '97'],
      ['Half dark', '94'],
      ['A quarter dark', '90'],
      ['White', '85'],
    ] as const)
      await put(label, ink);
    await page.keyboard.press('Alt+3');
    await bringIn('[role=img][aria-label="A post"]');
    await eventually('it is nearly black', async () => {
      const dark = await greyOf('A post');
      return dark >= 0 && dark < 60 && dark < straight;
    });
    for (let k = 0; k < 4; k += 1) await page.keyboard.press('Control+z');
    await eventually('and as it was', async () => Math.abs((await greyOf('A post')) - straight) < 2);
  });

  it('are made of a file dropped on a page, tied to the paragraph there; another file says why not', async () => {
    await bringIn('[data-block]:has-text("The last post stands")');
    const target = '[data-page] [data-block]:has-text("The last post stands")';
    await dropFiles(page, target, [{ name: 'notes.txt', bytes: new TextEncoder().encode('Words') }]);
    await page.getByRole('alert').getByText('notes.txt is no picture').waitFor();
    await dropFiles(page, target, [{ name: 'gate.png', bytes: pngOf(600, 300, 1, 9) }]);
    await page.getByRole('alert').waitFor({ state: 'detached' });
    await slip().getByText('gate.png').waitFor();
    await slip().getByText('The last post stands by itself.').waitFor();
    await bringIn('[role=img][aria-label="gate.png"]');
    await page.keyboard.press('Escape');
  });

  it('take parts beside the first, told apart by letters, and give them back', async () => {
    await page.keyboard.press('Alt+1');
    const figure = page.locator('.galley-figure').first();
    const [chooser] = await Promise.all([
      page.waitForEvent('filechooser'),
      figure.getByRole('button', { name: 'Add a part beside it' }).click(),
    ]);
    await chooser.setFiles({ name: 'sluice.png', mimeType: 'image/png', buffer: Buffer.from(pngOf(300, 400, 1, 3)) });
    await figure.getByText('sluice.png, 300 × 400 pixels').waitFor();
    await page.keyboard.press('Alt+3');
    await bringIn('[role=img][aria-label="sluice.png"]');
    await onPages('(b)').filter({ hasText: '(a)' }).waitFor();
    await page.keyboard.press('Alt+1');
    await figure.getByRole('button', { name: 'Take it out' }).last().click();
    await figure.getByText('sluice.png').waitFor({ state: 'detached' });
    await page.keyboard.press('Control+z');
    await figure.getByText('sluice.png').waitFor();
  });

  it('leave whole: both parts, caption and credit line in the ebook', async () => {
    await page.getByText('Saved').waitFor();
    await page.keyboard.press('Alt+5');
    const [file] = await Promise.all([
      page.waitForEvent('download'),
      page
        .getByRole('article', { name: 'Ebook' })
        .getByRole('button', { name: /^Write/ })
        .first()
        .click(),
    ]);
    const members = unzipSync(await bytesOf(file));
    const text = Object.entries(members)
      .map(([name, bytes]) => (name.endsWith('.xhtml') ? new TextDecoder().decode(bytes) : ''))
      .join('');
    const [figure] = /<figure[\s\S]*?<\/figure>/.exec(text)!;
    expect(figure.match(/<img /g)).to.have.length(2);
    expect(figure).to.match(
      /<figcaption>.*The post at the sluice\..*<p class="cr"[^>]*>Drawn by the crew\.<\/p><\/figcaption>/,
    );
  });

  it('are there after a reload, and a picture to come holds its place with a finding', async () => {
    await page.keyboard.press('Alt+1');
    await page.locator('.galley-text', { hasText: 'The last post stands' }).click();
    await page.keyboard.press('End');
    await page.getByRole('button', { name: 'Insert' }).click();
    await page
      .getByRole('dialog')
      .getByRole('option', { name: /Picture to come$/ })
      .click();
    await page.locator('.galley-figure').getByText('The picture is to come.').waitFor();
    await untilFact(page, 'Proof', (fact) => /finding/.test(fact));
    await page.getByText('Saved').waitFor();
    await page.reload();
    await page.getByRole('button', { name: /^The Lower Wall/ }).click();
    await page.locator('.galley-figure').nth(2).waitFor();
    expect(await page.locator('.galley-figure-caption').first().innerText()).to.include('The post at the sluice.');
    await stageFact(page, 'Proof');
    await page.keyboard.press('Alt+4');
    await page.getByText('A picture is to come: a frame keeps its place until its file is chosen.').first().waitFor();
  });
});
