import { expect } from 'chai';
import { displayPage, writePressPdf } from '../../../src/core/typeset';
import { embeddingLevels, visualOrder } from '../../../src/core/base/bidi';
import { directionOfLanguage } from '../../../src/core/copy/direction';
import { columnLeft } from '../../../src/core/model/composed/pages';
import { compose, newContext, newSubsetter, prepare } from '../../build/assets';
import { book, division, p } from '../../build/book';
import { pdfText } from '../../build/tools';
import { fileBytes } from '../../../src/core/base/fileJob';

const HEBREW = 'שלום עולם מעבורת נהר';
const ARABIC = 'سلام على العبارة والنهر';

function pageOf(text: string, direction?: 'rtl' | 'ltr') {
  const touches = direction === undefined ? undefined : { direction };
  const set = book([division('chapter', [p('One', 'CT'), { ...p(text), ...(touches && { touches }) }])]);
  const context = prepare(newContext(), set);
  const composed = compose(set, context);
  const page = composed.pages.find((candidate) => candidate.role === 'opener')!;
  const fragment = page.fragments[page.fragments.length - 1];
  const list = displayPage(composed, page.index, context);
  const items = list.items.filter((item) => item.source?.block === fragment.paragraph.styled.block);
  return { set, context, composed, list, items, fragment, left: columnLeft(composed.geometry, page.side) };
}

describe('text of two directions', () => {
  it('has its runs ordered as UAX #9 says', () => {
    expect(visualOrder([0, 0])).to.deep.equal([0, 1]);
    expect(visualOrder([0, 1, 1, 0])).to.deep.equal([0, 2, 1, 3]);
    expect(visualOrder([1, 2, 1])).to.deep.equal([2, 1, 0]);
    expect(visualOrder([1, 2, 2, 1])).to.deep.equal([3, 1, 2, 0]);
    expect(embeddingLevels('plain text')).to.equal(undefined);
    expect(embeddingLevels(HEBREW)!.base).to.equal(1);
    expect(embeddingLevels(`She said ${HEBREW}`)!.base).to.equal(0);
  });

  it('sets Hebrew words inside English ones from right to left, the items in reading order', () => {
    const { items, list } = pageOf(`She said ${HEBREW} and left the boat.`);
    expect(
      items
        .map((item) => item.text)
        .join('')
        .replace(/\s+/g, ' ')
        .trim(),
    ).to.equal(`She said ${HEBREW} and left the boat.`);
    const back = items.find((item) => item.isRtl)!;
    const sources = [...list.sourceOffsets.slice(back.first, back.first + back.count)];
    expect(sources).to.deep.equal([...sources].sort((a, b) => b - a));
    const xs = [...list.xs.slice(back.first, back.first + back.count)];
    expect(xs).to.deep.equal([...xs].sort((a, b) => a - b));
    const [before, after] = [items[0], items[items.length - 1]];
    expect(list.xs[before.first]).to.be.below(xs[0]);
    expect(list.xs[after.first]).to.be.above(xs[xs.length - 1]);
  });

  it('breaks a Hebrew paragraph in logical order and sets its lines from the right', () => {
    const { items, list, fragment, left, composed } = pageOf(`${`${HEBREW} `.repeat(14)}סוף.`, 'rtl');
    const { broken } = fragment.paragraph;
    expect(broken.count).to.be.above(2);
    for (let k = 1; k < broken.count; k += 1) expect(broken.from[k]).to.be.above(broken.from[k - 1]);
    const right = left + composed.geometry.measure;
    const rows = new Map<number, [number, number]>();
    for (const item of items) {
      const row = rows.get(item.y) ?? [Infinity, 0];
      rows.set(item.y, [Math.min(row[0], list.xs[item.first]), Math.max(row[1], item.endX)]);
    }
    const lines = [...rows.values()];
    for (const [, end] of lines) expect(end).to.be.closeTo(right, 1.5);
    expect(lines[0][0]).to.be.closeTo(left, 1.5);
    expect(lines[lines.length - 1][0]).to.be.above(left + 5);
  });

  it('joins Arabic letters, and keeps every letter in the order of the text', () => {
    const { fragment } = pageOf(ARABIC, 'rtl');
    const { shaped, styled } = fragment.paragraph;
    expect(styled.isRtl).to.equal(true);
    expect(styled.missing).to.deep.equal([]);
    for (let k = 1; k < shaped.count; k += 1) expect(shaped.clusters[k]).to.be.at.least(shaped.clusters[k - 1]);
    // A joined letter has another glyph than the letter alone.
    const alone = pageOf('س', 'rtl').fragment.paragraph.shaped.glyphs[0];
    expect(shaped.glyphs[0]).to.not.equal(alone);
  });

  it('is read from the PDF in the order of the text', () => {
    for (const text of [`She said ${HEBREW} and left.`, ARABIC]) {
      const { set, context, composed } = pageOf(text);
      const bytes = fileBytes(writePressPdf(set, composed, context, newSubsetter(), '2026-01-01T00:00:00Z'));
      const plain = pdfText(bytes).replace(/[\u200E\u200F\u202A-\u202E]/g, '');
      for (const word of text.split(' ')) expect(plain, word).to.include(word.replace('.', ''));
    }
  });

  it('figures inside Hebrew run from left to right', () => {
    const { items } = pageOf('שלום 123 עולם');
    const number = items.find((item) => item.text.includes('123'))!;
    expect(number.isRtl).to.equal(undefined);
  });

  it('has the direction of its language where nothing else is said, not of its first letter', () => {
    const isRtl = (text: string, facts: object = {}) => {
      const set = book([division('chapter', [p('One', 'CT'), { ...p(text), ...facts }])]);
      const page = compose(set).pages.find(({ role }) => role === 'opener')!;
      return page.fragments[page.fragments.length - 1].paragraph.styled.isRtl;
    };
    expect(isRtl(`${HEBREW} is what she said.`)).to.equal(false);
    expect(isRtl(HEBREW)).to.equal(false);
    expect(isRtl('She went.', { touches: { direction: 'rtl' } })).to.equal(true);
    const whole = [{ from: 0, to: HEBREW.length, language: 'he' }];
    expect(isRtl(HEBREW, { spans: whole })).to.equal(true);
    expect(isRtl(`${HEBREW}, said she.`, { spans: whole })).to.equal(false);
    expect(isRtl(HEBREW, { spans: whole, touches: { direction: 'ltr' } })).to.equal(false);
    expect(['ar', 'fa-IR', 'az-Arab', 'he', 'ku-Arab', 'yi', 'ur'].map(directionOfLanguage)).to.deep.equal(
      new Array(7).fill('rtl'),
    );
    expect(['en', 'az', 'ar-Latn', 'ku', 'el'].map(directionOfLanguage)).to.deep.equal(new Array(5).fill('ltr'));
  });

  it('draws nothing for signs of direction, and misses no face for them', () => {
    const { composed, fragment } = pageOf(`She said \u2067(${HEBREW}!)\u2069 and \u202Eleft\u202C.`);
    expect(composed.findings.filter(({ kind }) => kind === 'missing-character')).to.deep.equal([]);
    expect(fragment.paragraph.styled.missing).to.deep.equal([]);
  });
});
