import { expect } from 'chai';
import type { Locator, Page } from 'playwright-core';
import { bytesOf, dropFiles, eventually, journey, openDemo, untilFact, wordsOnPage } from './app';

describe('writing in the galley', () => {
  const walk = journey(async (page, app) => {
    await openDemo(page, app);
    await untilFact(page, 'Pages', (fact) => /^\d+$/.test(fact));
    await page.keyboard.press('Alt+1');
    await page.getByRole('button', { name: /^1 The Ninth Passenger/ }).click();
    await page.locator('.galley-text').first().waitFor();
  });
  let page: Page;
  before(() => (page = walk.page));

  const text = (words: string | RegExp): Locator => page.locator('.galley-text', { hasText: words }).first();
  const tagOf = (words: string | RegExp) =>
    page
      .locator('.galley-row', { has: page.locator('.galley-text', { hasText: words }) })
      .first()
      .locator('.galley-tag');
  /** Puts the caret at the end of a paragraph, until it is seen to stay there: an undo may bring its own back a moment later. */
  const goToEnd = async (words: string | RegExp) => {
    await text(words).click();
    await page.keyboard.press('Control+End');
    const paragraph = await text(words).elementHandle();
    await page.waitForFunction((element) => {
      const range = document.createRange();
      range.selectNodeContents(element!);
      range.collapse(false);
      const selection = getSelection()!;
      const own = selection.rangeCount > 0 ? selection.getRangeAt(0) : null;
      const isThere = own?.collapsed === true && range.compareBoundaryPoints(Range.START_TO_START, own) === 0;
      const state = element as unknown as { seen?: number };
      state.seen = isThere ? (state.seen ?? 0) + 1 : 0;
      if (!isThere) {
        selection.removeAllRanges();
        selection.addRange(range);
      }
      return state.seen >= 4;
    }, paragraph);
  };

  it('recomposes what is typed; undo takes it back word by word and brings the caret back', async () => {
    await goToEnd('said eight.');
    await page.keyboard.type(' Quillwort answered.');
    await untilFact(page, 'Copy', (fact) => fact === '9,044 words');
    await page.keyboard.press('Alt+3');
    const first = page.locator('article', { hasText: 'Quillwort answered' });
    await first.waitFor();
    expect(await wordsOnPage(page, Number(await first.getAttribute('data-page')))).to.include(
      'eight. Quillwort answered.',
    );
    await page.keyboard.press('Alt+1');
    await text('Quillwort answered.').click();
    await page.keyboard.press('Control+z');
    await text('Quillwort').waitFor();
    expect(await text('Quillwort').innerText()).to.not.include('answered');
    await page.keyboard.press('Control+z');
    await text('Quillwort').waitFor({ state: 'detached' });
    await page.keyboard.type('!');
    expect(await text('The last boat down').innerText()).to.match(/eight\.!$/);
    await page.keyboard.press('Control+z');
  });

  it('parts a paragraph with Enter and joins it again with Backspace', async () => {
    await goToEnd('said eight.');
    await page.keyboard.press('Enter');
    await page.keyboard.type('A new paragraph.');
    expect(await tagOf('A new paragraph.').innerText()).to.equal('TX');
    await page.keyboard.press('Home');
    await page.keyboard.press('Backspace');
    expect(await text('The last boat down').innerText()).to.include('eight.A new paragraph.');
    for (let k = 0; k < 6 && (await text('A new paragraph').count()) > 0; k += 1)
      await page.keyboard.press('Control+z');
    expect(await text('A new paragraph').count()).to.equal(0);
  });

  it('sets a style by typing its tag, walks tags with arrows and repeats the last with Enter', async () => {
    await text('You’ll have made an error').click();
    await page.keyboard.press('Shift+Tab');
    await page.keyboard.type('ext');
    expect(await page.getByRole('listbox', { name: 'Styles' }).getByRole('option').first().innerText()).to.match(
      /^EXT/,
    );
    await page.keyboard.press('Enter');
    expect(await tagOf('You’ll have made an error').innerText()).to.equal('EXT');
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('Enter');
    expect(await tagOf('Never in my life').innerText()).to.equal('EXT');
    await page.keyboard.press('Control+z');
    await page.keyboard.press('Control+z');
    expect(await tagOf('You’ll have made an error').innerText()).to.equal('TX');
  });

  it('puts a footnote in, whose text is typed beside it and stands at the foot of the page', async () => {
    await goToEnd('said eight.');
    await page.getByRole('button', { name: 'Insert', exact: true }).click();
    await page.keyboard.type('footn');
    await page.keyboard.press('Enter');
    await page.locator('.galley-note-editor').waitFor();
    await page.keyboard.type('Counted twice at the marshwicket.');
    await page.keyboard.press('Escape');
    await page.keyboard.type(' Onward.');
    expect(await text('The last boat down').innerText()).to.match(/eight\.\s*1\s*Onward\.$/);
    await page.keyboard.press('Alt+3');
    await page.locator('article', { hasText: 'Counted twice at the marshwicket.' }).waitFor();
    await page.keyboard.press('Alt+1');
    await page.locator('.galley-note', { hasText: 'marshwicket' }).waitFor();
  });

  it('copies a reference with a note of its own', async () => {
    await text('Onward.').click();
    await text('Onward.').evaluate((paragraph) => {
      const reference = paragraph.querySelector('sup')!;
      const range = document.createRange();
      range.setStartBefore(reference);
      range.setEndAfter(paragraph.lastChild!);
      getSelection()!.removeAllRanges();
      getSelection()!.addRange(range);
    });
    await page.keyboard.press('Control+c');
    await goToEnd('Onward.');
    await page.keyboard.press('Control+v');
    await page.locator('.galley-note', { hasText: 'marshwicket' }).nth(1).waitFor();
    expect(await page.locator('.galley-note-label').allInnerTexts()).to.include.members(['1', '2']);
    await page.keyboard.press('Control+z');
    await page.locator('.galley-note', { hasText: 'marshwicket' }).nth(1).waitFor({ state: 'detached' });
  });

  it('puts characters in by name, shows signs, and counts what is selected', async () => {
    await goToEnd('Onward.');
    await page.getByRole('button', { name: 'Insert', exact: true }).click();
    await page.keyboard.type('no-break sp');
    await page.keyboard.press('Enter');
    await page.keyboard.type('end');
    await page.getByRole('button', { name: 'Signs' }).click();
    expect(await text('Onward.').locator('.sign[title="no-break space"]').count()).to.equal(1);
    expect(await text('Onward.').locator('.sign[title="space"]').count()).to.be.above(20);
    await page.getByRole('button', { name: 'Signs' }).click();
    expect(await text('Onward.').locator('.sign[title="space"]').count()).to.equal(0);
    await page.keyboard.press('Escape');
    await text('The Ninth Passenger').click({ clickCount: 3 });
    await page.getByText('3 words, 19 characters selected').waitFor();
  });

  it('sets a character style on what is selected', async () => {
    await text('said the mate').evaluate((paragraph) => {
      const words = document.createTreeWalker(paragraph, NodeFilter.SHOW_TEXT).nextNode()!;
      const at = words.textContent!.indexOf('mate');
      getSelection()!.setBaseAndExtent(words, at, words, at + 4);
    });
    await page.getByLabel('Character style', { exact: true }).selectOption('sc');
    expect(await text('said the mate').locator('[data-character=sc]').innerText()).to.equal('mate');
    expect(await page.getByLabel('Character style', { exact: true }).inputValue()).to.equal('sc');
  });

  it('pastes from a word processor with its styles and notes, and leaves scripts out', async () => {
    await goToEnd('Never in my life');
    await page.evaluate(() => {
      const data = new DataTransfer();
      data.setData(
        'text/html',
        `<html><body><script>window.hacked = true</script><h2>The Osier Beds</h2>
         <p class="MsoNormal" style="margin:0">Cut in <i>March</i>, bound in <b onclick="x()">April</b>.</p></body></html>`,
      );
      document.activeElement!.dispatchEvent(
        new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }),
      );
    });
    await text('Cut in March').waitFor();
    expect(await tagOf('The Osier Beds').innerText()).to.match(/^(CT|AH)$/);
    expect(await text('Cut in March').locator('[data-character=em], [data-touch=italic]').innerText()).to.equal(
      'March',
    );
    expect(await page.evaluate(() => 'hacked' in window)).to.equal(false);
    await page.keyboard.press('Control+z');
    await text('Cut in March').waitFor({ state: 'detached' });
  });

  it('leaves colours of what is pasted behind, and brings them in where that is asked', async () => {
    await goToEnd('Never in my life');
    await page.evaluate(() => {
      const data = new DataTransfer();
      data.setData(
        'text/html',
        '<p>Osiers in <span style="color:#cc0000;font-size:20pt">red</span>, <i style="mso-x:y">bound</i>.</p>',
      );
      document.activeElement!.dispatchEvent(
        new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }),
      );
    });
    await text('Osiers in red').waitFor();
    expect(await text('Osiers in red').locator('[data-local]').count()).to.equal(0);
    expect(await text('Osiers in red').locator('[data-character=em]').innerText()).to.equal('bound');
    await page.getByRole('button', { name: 'Bring them in too' }).click();
    await text('Osiers in red').locator('[data-local]').waitFor();
    expect(await text('Osiers in red').count()).to.equal(1);
    await page.keyboard.press('Control+z');
    await text('Osiers in red').waitFor({ state: 'detached' });
  });

  it('copies emphasis and notes as other programs know them', async () => {
    await text('Osiers').count();
    const copied = await page.evaluate(() => {
      const sign = document.querySelector('.galley-editor [data-object=note]')!;
      const paragraph = sign.closest('p')!;
      getSelection()!.selectAllChildren(paragraph);
      document.dispatchEvent(new Event('selectionchange'));
      const data = new DataTransfer();
      paragraph.dispatchEvent(new ClipboardEvent('copy', { clipboardData: data, bubbles: true, cancelable: true }));
      return data.getData('text/html');
    });
    expect(copied).to.match(/<sup[^>]*data-object="note"[^>]*><a[^>]*role="doc-noteref"[^>]*>\d+<\/a><\/sup>/);
    expect(copied).to.match(/<aside[^>]*role="doc-footnote"[^>]*><p><a[^>]*>\d+<\/a> [^<]+/);
  });

  it('takes a file dropped at the caret, and says why it takes another not', async () => {
    const bytes = new TextEncoder().encode('Dropped at the landing.\n\nAnd a second paragraph.');
    await dropFiles(page, '.galley-editor', [{ name: 'insert.txt', bytes }]);
    await text('Dropped at the landing.').waitFor();
    await text('And a second paragraph.').waitFor();
    await page.keyboard.press('Control+z');
    await text('Dropped at the landing.').waitFor({ state: 'detached' });
    await dropFiles(page, '.galley-editor', [{ name: 'broken.docx', bytes: new Uint8Array([80, 75, 3, 4, 9]) }]);
    expect(await page.getByRole('alert').innerText()).to.match(/^broken\.docx: This file is damaged/);
    await page.getByRole('button', { name: 'Close' }).click();
  });

  it('splits a division at the caret and merges it again', async () => {
    await text('It was the custom').click();
    await page.getByRole('button', { name: 'Split here' }).click();
    const order = page.getByRole('navigation', { name: 'Running order' });
    const chosen = order.locator('[aria-current=true]');
    await page
      .locator('.galley-text')
      .first()
      .filter({ hasText: /^It was the custom/ })
      .waitFor();
    expect(await chosen.innerText()).to.match(/^Chapter/);
    await page.getByRole('button', { name: 'Merge back' }).click();
    await text('The Ninth Passenger').waitFor();
    expect(await text('It was the custom').count()).to.equal(1);
  });

  it('folds under a head and puts dummy copy in', async () => {
    await goToEnd('It was the custom');
    await page.keyboard.press('Enter');
    await page.keyboard.type('A Head');
    await page.keyboard.press('Shift+Tab');
    await page.keyboard.type('ah');
    await page.keyboard.press('Enter');
    await page.keyboard.press('Escape');
    const below = text('So she waited.');
    expect(await below.isVisible()).to.equal(true);
    await page.getByRole('button', { name: 'Fold', exact: true }).click();
    expect(await below.isVisible()).to.equal(false);
    await page.getByRole('button', { name: 'Unfold' }).click();
    expect(await below.isVisible()).to.equal(true);
    await goToEnd('A Head');
    await page.getByRole('button', { name: 'Insert', exact: true }).click();
    const before = await page.locator('.galley-row').count();
    await page.getByLabel('Paragraphs of dummy copy').fill('7');
    await page.getByLabel('Find by name').fill('dummy');
    await page.keyboard.press('Enter');
    expect(await page.locator('.galley-row').count()).to.equal(before + 7);
  });

  it('types at the caret also when it is scrolled far out of view', async () => {
    await goToEnd('said eight.');
    await page.locator('.galley').evaluate((box) => box.scrollTo(0, 3000));
    await eventually('the caret is out of view', async () => (await text('said eight.').boundingBox())!.y < 0);
    await page.keyboard.type('Far away.');
    expect(await text('The last boat down').innerText()).to.match(/Far away\.$/);
    // A word that is typed slowly is more than one step.
    for (let k = 0; k < 'Far away.'.length; k += 1) {
      if (!(await page.locator('.galley').innerText()).includes('Far')) break;
      await page.keyboard.press('Control+z');
    }
    expect(await page.locator('.galley').innerText()).to.not.include('Far');
  });

  it('lists characters that the face lacks, and sets them all in another', async () => {
    await goToEnd('Onward.');
    await page.keyboard.insertText(' אב');
    await text('Onward.').filter({ hasText: 'אב' }).waitFor();
    await page.getByRole('button', { name: 'Missing characters' }).click();
    const panel = page.getByRole('region', { name: 'Missing characters' });
    await panel.getByRole('button', { name: /U\+05D0/ }).click();
    expect(await panel.getByTitle('To its place in the galley').first().innerText()).to.include('Onward.');
    await panel.getByRole('button', { name: 'Set all in this face' }).click();
    await panel.getByRole('button', { name: /U\+05D0/ }).waitFor({ state: 'detached' });
    await panel.getByRole('button', { name: /U\+05D1/ }).click();
    await panel.getByLabel('Replacement for ב').fill('b');
    await panel.getByRole('button', { name: 'Replace all' }).click();
    await panel.getByText('The faces have every character of the text.').waitFor();
    expect(await text('Onward.').innerText()).to.include('אb');
    await page.getByRole('button', { name: 'Tidy', exact: true }).click();
  });

  it('keeps all of it over a reload', async () => {
    await page.getByText('Saved').waitFor();
    const words = await page.locator('.galley-text').allInnerTexts();
    await page.reload();
    await page.getByRole('button', { name: /^1 The Ninth Passenger/ }).click();
    await text('Onward.').waitFor();
    expect((await page.locator('.galley-text').allInnerTexts()).length).to.equal(words.length);
    await page.keyboard.press('Alt+5');
    const card = page.getByRole('article', { name: 'The copy, for its author' });
    await card.getByRole('combobox').selectOption('txt');
    const [file] = await Promise.all([page.waitForEvent('download'), card.getByRole('button').first().click()]);
    expect(new TextDecoder().decode(await bytesOf(file))).to.include('Onward.');
  });
});
