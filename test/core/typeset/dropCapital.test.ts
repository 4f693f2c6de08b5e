import { expect } from 'chai';
import { STARTING_SPECS } from '../../../src/core/defaults/startingSpecs';
import { displayPage, writePressPdf } from '../../../src/core/typeset';
import { maybeFace } from '../../../src/core/model/spec/faces';
import { columnLeft } from '../../../src/core/model/composed/pages';
import { compose, faceTable, newContext, newSubsetter } from '../../build/assets';
import { book, chapter, words } from '../../build/book';
import { pdfText, qpdfCheck } from '../../build/tools';
import { fileBytes } from '../../../src/core/base/fileJob';

function withDrop(text: string, dropLines: number, dropLetters = 1) {
  const made = book([chapter('One', text, words(60, 3))]);
  return { ...made, spec: { ...made.spec, openers: { ...made.spec.openers, dropLines, dropLetters } } };
}

function openerOf(text: string, dropLines: number, dropLetters = 1) {
  const context = newContext();
  const set = withDrop(text, dropLines, dropLetters);
  const composed = compose(set, context);
  const page = composed.pages.find((candidate) => candidate.role === 'opener')!;
  const list = displayPage(composed, page.index, context);
  const fragment = page.fragments.find(({ paragraph }) => paragraph.styled.style.initial !== null)!;
  const left = columnLeft(composed.geometry, page.side);
  const items = list.items.filter((item) => item.source?.block === fragment.paragraph.styled.block);
  return { context, set, composed, list, fragment, left, items, leading: composed.geometry.leading };
}

describe('a drop capital', () => {
  const text = `The ferry ${words(80, 9)}`;

  it('stands from the cap height of the first line to the baseline of its last, the lines beside it by its ink', () => {
    for (const lines of [2, 3, 5]) {
      const { items, fragment, list, left, leading } = openerOf(text, lines);
      const face = maybeFace(faceTable, 'eb-garamond', 400, false)!;
      const cap = face.capHeight / face.unitsPerEm;
      const [letter] = items;
      expect(letter.count).to.equal(1);
      expect(-list.rises[letter.first]).to.be.closeTo((lines - 1) * leading, 1e-3);
      expect(letter.size * cap).to.be.closeTo((lines - 1) * leading + 11.5 * cap, 1e-3);
      const { broken } = fragment.paragraph;
      for (let k = 0; k < broken.count; k += 1)
        expect(broken.x[k] + 1).to.satisfy((x: number) => (k < lines ? x > broken.initial : x < broken.initial));
      expect(Math.abs(list.xs[letter.first] - left)).to.be.below(letter.size * 0.05);
    }
  });

  it('has its lines shaped to its outline: the first close to an A or an L, none under an arm', () => {
    const xs = (letter: string) => {
      const { broken } = openerOf(`${letter}ll the ferry ${words(80, 9)}`, 3).fragment.paragraph;
      return [broken.x[0], broken.x[1], broken.x[2]];
    };
    for (const letter of ['A', 'L']) {
      const [first, , last] = xs(letter);
      expect(last - first, letter).to.be.above(5);
    }
    const [arm, under, foot] = xs('T');
    expect([under, foot]).to.satisfy((lower: number[]) => lower.every((x) => Math.abs(x - arm) < 1.5));
  });

  it('keeps a word space when it is a word', () => {
    const first = (text: string) => openerOf(`${text} ${words(80, 9)}`, 3).fragment.paragraph.broken;
    const [word, begun] = [first('I knew'), first('Iknew')];
    expect(word.x[0] - begun.x[0]).to.be.closeTo(0.2 * 11.5, 0.4);
    expect(word.x[1]).to.be.closeTo(begun.x[1], 0.4);
  });

  it('is followed by first words in small capitals', () => {
    const set = withDrop(text, 3);
    const lead = { ...set, spec: { ...set.spec, openers: { ...set.spec.openers, leadWords: 2 } } };
    const { styled } = compose(lead).pages[0].fragments.find(
      ({ paragraph }) => paragraph.styled.style.initial !== null,
    )!.paragraph;
    const small = styled.runs.filter((run) => run.features.includes('smcp') && run.initial === undefined);
    expect(small.map((run) => styled.text.slice(run.from, run.to)).join('')).to.equal('he ferry');
    expect(small.every((run) => run.tracking > 0)).to.equal(true);
  });

  it('is copied with the word that it begins', () => {
    const { context, set, composed } = openerOf(text, 3);
    const bytes = fileBytes(writePressPdf(set, composed, context, newSubsetter(), '2026-01-01T00:00:00Z'));
    expect(pdfText(bytes)).to.match(/The ferry/);
  });

  it('takes a cluster of letters, and hangs the opening quote at text size', () => {
    const { items, list, left } = openerOf(`“In those days ${words(70, 4)}`, 3, 2);
    const [quote, letters, rest] = items;
    expect([quote.count, letters.count]).to.deep.equal([1, 2]);
    expect(quote.size).to.equal(rest.size);
    expect(list.xs[quote.first]).to.be.below(left);
    expect(rest.text.startsWith('“In')).to.equal(true);
  });

  it('is raised where the paragraph is shorter than it', () => {
    const { items, list, fragment } = openerOf('No.', 3);
    expect(fragment.paragraph.broken.count).to.equal(1);
    expect(list.rises[items[0].first]).to.equal(0);
    expect(items[0].size).to.be.above(30);
  });

  it('is left out where the text does not begin with a letter', () => {
    const { items } = openerOf(`12 boats ${words(70, 4)}`, 3);
    expect(items[0].size).to.equal(11.5);
  });

  it('after an opening guillemet is drawn with it in every starting spec, in a PDF without faults', () => {
    for (const { spec } of STARTING_SPECS)
      for (const dropLetters of [1, 2]) {
        const text = '« Oui, dit-elle, la marée monte » ; et le bac repartit sans nous.';
        const made = book([chapter('Un', text, 'Après la pluie, le quai.')], [], spec);
        const openers = { ...spec.openers, dropLines: 3, dropLetters };
        const french = { ...made, particulars: { ...made.particulars, language: 'fr' }, spec: { ...spec, openers } };
        const context = newContext();
        const bytes = fileBytes(
          writePressPdf(french, compose(french, context), context, newSubsetter(), '2026-01-01T00:00:00Z'),
          {},
        );
        qpdfCheck(bytes);
        expect(pdfText(bytes).replace(/\s+/g, '')).to.include('marée').and.include('«');
      }
  });
});
