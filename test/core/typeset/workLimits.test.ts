import { expect } from 'chai';
import { specFromFile } from '../../../src/core/validate';
import type { Book } from '../../../src/core/model/copy/book';
import { compose } from '../../build/assets';
import { book, chapter, division, note, p, seeded, words } from '../../build/book';

const inSpec = (made: Book, over: Record<string, unknown>): Book => ({ ...made, spec: specFromFile(over) });
const kinds = (made: Book) => {
  const composed = compose(made);
  return { composed, kinds: composed.findings.map(({ kind }) => kind) };
};
/** Set words of all pages, in order. */
const setText = (composed: ReturnType<typeof compose>) =>
  composed.pages
    .flatMap((page) => page.fragments)
    .map(({ paragraph, from, to }) =>
      paragraph.styled.text.slice(paragraph.broken.from[from], paragraph.broken.to[to - 1]),
    )
    .join(' ');

describe('texts and specs that have too many ways', () => {
  it('of ending lines: a paragraph of markup is set, and said not to be weighed in all of them', () => {
    const { composed, kinds: found } = kinds(book([chapter('One', `iv>${'<b><div>'.repeat(3000)}d`)]));
    expect(found).to.include('unweighed');
    expect(setText(composed).replace(/\s/g, '')).to.include('<b><div>'.repeat(200));
  });

  it('of a line more or less: thousands of single letters', () => {
    const { composed } = kinds(book([chapter('One', 'a b '.repeat(1600))]));
    expect(setText(composed).match(/[ab]/g)!.length).to.be.at.least(3200);
  });

  it('of words around a quote: a word as long as its paragraph', () => {
    const { kinds: found, composed } = kinds(book([chapter('One', `${'x'.repeat(20_000)} “${'y'.repeat(20_000)}`)]));
    expect(found).to.include('unpaired-quote');
    for (const { kind, message } of composed.findings)
      if (kind === 'unpaired-quote') expect(message.length).to.be.below(140);
  });

  it('of ending pages: large type on small pages, with long notes in columns', () => {
    const random = seeded(7);
    const text = (seed: number, count: number, first: number) =>
      words(count, seed)
        .split(' ')
        .map((word, k) => (k % 60 === 59 ? `${word}{${first + Math.floor(k / 60)}}` : word))
        .join(' ');
    const notes = Array.from({ length: 40 }, (_, k) => note(k + 1, words(60 + Math.floor(random() * 90), k)));
    const made = inSpec(book([chapter('One', text(1, 1200, 1), text(2, 1200, 21))], notes), {
      page: { trim: { width: 304, height: 473 } },
      text: { face: 'source-code-pro', size: 11.5, leading: 14.5, setting: 'ragged' },
      pages: { linesAtFoot: 1, linesAtHead: 1, spreadLong: 0, footFree: true },
      openers: { textStart: 22 },
      notes: { kinds: { footnote: { columns: 2 } } },
    });
    const { composed } = kinds(made);
    for (const seed of [1, 2])
      for (const word of words(1200, seed).split(' ').slice(-5)) expect(setText(composed)).to.include(word);
  });
});

describe('specs whose pages are too shallow', () => {
  it('have a must on the page where something stands over its edge', () => {
    const made = inSpec(book([chapter(words(30, 5), words(120, 1)), chapter(words(40, 6), words(80, 2))]), {
      page: { trim: { height: 72 }, margins: { head: 36, foot: 4.74 } },
    });
    const { composed } = kinds(made);
    const off = composed.findings.filter(({ kind }) => kind === 'off-page');
    expect(off.length).to.be.above(0);
    const over = composed.pages
      .filter((page) =>
        page.fragments.some(
          ({ paragraph, from, to, y }) =>
            y + (to - from - 1) * paragraph.styled.style.leading > composed.geometry.height,
        ),
      )
      .map(({ index }) => index);
    const told = off.map(({ page }) => page);
    for (const page of over) expect(told).to.include(page);
    for (const { grade } of off) expect(grade).to.equal('must');
  });

  it('take the head of an opener up, so that a deep sink puts no title off the page', () => {
    const made = inSpec(book([chapter('One', words(120, 1))]), { openers: { sink: 40 } });
    const { composed, kinds: found } = kinds(made);
    expect(found).to.not.include('off-page');
    expect(found).to.include('title-below-text-start');
    const opener = composed.pages.find(({ role }) => role === 'opener')!;
    for (const { y } of opener.fragments) expect(y).to.be.below(composed.geometry.height);
  });
});

describe('spot rules from before', () => {
  it('that cannot be run stay, set nothing, and are told', () => {
    const made = book([
      division('title', []),
      { ...chapter('One', 'The tide comes.'), blocks: [...chapter('One').blocks, p('The tide comes.')] },
    ]);
    const spots = [
      { pattern: '(?<=the )tide', style: 'sc' },
      { pattern: 'comes', style: 'sc' },
    ];
    const styles = { ...made.spec.styles, TX: { ...made.spec.styles.TX, spots } };
    const { composed } = kinds({ ...made, spec: { ...made.spec, styles } });
    const told = composed.findings.filter(({ kind }) => kind === 'spot-rule');
    expect(told.map(({ message }) => message).join()).to.include('(?<=the )tide');
    expect(told).to.have.length(1);
  });
});
