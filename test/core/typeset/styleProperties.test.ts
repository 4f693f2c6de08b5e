// What properties of styles do on composed pages, in the PDF too.
import { expect } from 'chai';
import { displayPage, writePressPdf } from '../../../src/core/typeset';
import { LINE_END } from '../../../src/core/model/composed/broken';
import type { DisplayList, TextItem } from '../../../src/core/model/composed/displayList';
import { NOVEL_SPEC } from '../../../src/core/defaults/novelSpec';
import type { CharacterStyle, ParagraphStyle, Spec } from '../../../src/core/model/spec/spec';
import type { Paragraph } from '../../../src/core/model/copy/streams';
import { checkSpec } from '../../../src/core/validate';
import { compose, newContext, newSubsetter } from '../../build/assets';
import { essence } from '../../build/essence';
import { book, chapter, division, p, words } from '../../build/book';
import { pdfText, qpdfCheck, runOn } from '../../build/tools';
import { fileBytes } from '../../../src/core/base/fileJob';

const INKS: Spec['inks'] = {
  set: 'Day',
  pictures: { press: 'asis', tone: [0, 25, 50, 75, 100] },
  sets: {
    Day: {
      Black: { colour: { kind: 'grey', k: 100 }, press: 'k' },
      Tide: { colour: { kind: 'cmyk', c: 80, m: 20, y: 0, k: 10 }, press: 'cmyk' },
      Rust: { colour: { kind: 'rgb', r: 200, g: 60, b: 20 }, press: 'k' },
    },
    Night: { Tide: { colour: { kind: 'cmyk', c: 0, m: 90, y: 90, k: 0 }, press: 'asis' } },
  },
};

/** A book of one chapter whose second paragraph is of the style EXT with a property more. */
function withStyle(change: Partial<ParagraphStyle>, text: string, characters: Record<string, CharacterStyle> = {}) {
  const spec: Spec = checkSpec({
    ...NOVEL_SPEC,
    inks: INKS,
    styles: { ...NOVEL_SPEC.styles, EXT: { ...NOVEL_SPEC.styles.EXT, ...change } },
    characterStyles: { ...NOVEL_SPEC.characterStyles, ...characters },
  });
  const one = chapter('One', words(60, 4));
  const block = p(text, 'EXT');
  return { made: book([{ ...one, blocks: [...one.blocks, block, p(words(60, 5))] }], [], spec), block };
}

function setOf(change: Partial<ParagraphStyle>, text: string, characters: Record<string, CharacterStyle> = {}) {
  const { made, block } = withStyle(change, text, characters);
  const context = newContext();
  const composed = compose(made, context);
  const lists = composed.pages.map((page) => displayPage(composed, page.index, context));
  const list = lists.find((one) => one.items.some((item) => item.source?.block === block.id))!;
  const items = list.items.filter((item) => item.source?.block === block.id);
  const paragraph = composed.pages
    .flatMap((page) => page.fragments)
    .find((fragment) => fragment.paragraph.styled.block === block.id)!.paragraph;
  const pdf = () => fileBytes(writePressPdf(made, composed, context, newSubsetter(), '2026-01-02T03:04:05Z'));
  return { made, composed, list, items, paragraph, pdf };
}

const textOf = (items: readonly TextItem[]) => items.map((item) => item.text).join('');
const runsOf = (paragraph: ReturnType<typeof setOf>['paragraph']) =>
  paragraph.styled.runs.map((run) => [paragraph.styled.text.slice(run.from, run.to), run.upper === true] as const);

/** Glyphs of the page that draw a text, in order. */
const glyphsOf = (list: DisplayList, items: readonly TextItem[]) =>
  items.flatMap((item) => [...list.glyphs.slice(item.first, item.first + item.count)]);

describe('properties of paragraph styles', () => {
  it('capitals are set from small letters, and copied as they are typed', () => {
    const set = setOf({ caps: 'all' }, 'The tide table.');
    const typed = setOf({}, 'THE TIDE TABLE.');
    expect(glyphsOf(set.list, set.items)).to.deep.equal(glyphsOf(typed.list, typed.items));
    expect(textOf(set.items)).to.equal('The tide table.');
  });

  it('title case leaves small words but the first and the last, by language', () => {
    const set = setOf({ caps: 'title' }, 'the tides of the river: an account');
    expect(
      runsOf(set.paragraph)
        .filter(([, upper]) => upper)
        .map(([letter]) => letter)
        .join(''),
    ).to.equal('ttraa');
    const french = setOf({ caps: 'title', language: 'fr' }, 'les marées de la rivière');
    expect(runsOf(french.paragraph).filter(([, upper]) => upper)).to.deep.equal([['l', true]]);
  });

  it('a lead-in takes words, letters, all up to a mark, or the first line', () => {
    const lead = (kind: 'words' | 'letters' | 'line' | 'mark', count: number, mark = '') => {
      const { paragraph } = setOf({ lead: { kind, count, mark, style: 'led' } }, `Low water. ${words(50, 8)}`, {
        led: { name: 'Led', weight: 700 },
      });
      const { runs, text } = paragraph.styled;
      const bold = runs.filter((run) => run.face.includes('700'));
      expect(bold.length, kind).to.equal(1);
      return { words: text.slice(bold[0].from, bold[0].to), firstLine: paragraph.broken.to[0] };
    };
    expect(lead('words', 2).words).to.equal('Low water');
    expect(lead('letters', 4).words).to.equal('Low w');
    expect(lead('mark', 0, '.').words).to.equal('Low water.');
    const line = lead('line', 0);
    expect(line.words.length).to.equal(line.firstLine);
  });

  it('spot rules set whatever matches, and nothing else', () => {
    const { paragraph } = setOf(
      { spots: [{ pattern: '\\d+(?:st|nd|rd|th)', style: 'spot' }] },
      'the 1st and the 22nd of 3',
      {
        spot: { name: 'Spot', italic: 'on' },
      },
    );
    const { runs, text } = paragraph.styled;
    expect(runs.filter((run) => run.face.endsWith('i')).map((run) => text.slice(run.from, run.to))).to.deep.equal([
      '1st',
      '22nd',
    ]);
  });

  it('a drop capital of its own, and a baseline shift', () => {
    const { paragraph } = setOf({ drop: { lines: 3, letters: 1 } }, `Ferries ${words(60, 4)}`);
    expect(paragraph.styled.runs[0].initial).to.equal('letter');
    const risen = setOf({ rise: 3 }, 'a word');
    expect([...risen.list.rises.slice(risen.items[0].first, risen.items[0].first + 3)]).to.deep.equal([3, 3, 3]);
  });

  it('spaces and divides its words its own way', () => {
    const set = (change: Partial<ParagraphStyle>) => {
      const { broken } = setOf({ align: 'justify', ...change }, words(150, 12)).paragraph;
      const full = [...broken.spaceEm].slice(0, broken.count - 1);
      const hyphens = [...broken.end].filter((end) => end === LINE_END.hyphen).length;
      return { mean: full.reduce((sum, em) => sum + em, 0) / full.length, hyphens };
    };
    const plain = set({});
    const wide = set({ wordSpace: { least: 0.26, wished: 0.34, most: 0.5 } });
    expect(wide.mean).to.be.above(plain.mean + 0.05);
    const whole = set({ division: { smallestWord: 20, before: 4, after: 4, running: 1, capitals: 'never' } });
    expect(plain.hyphens).to.be.above(0);
    expect(whole.hyphens).to.equal(0);
    expect(() => setOf({ wordSpace: { least: 0.4, wished: 0.3, most: 0.5 } }, 'x')).to.throw(
      'between its least and its most',
    );
  });

  it('begins a page', () => {
    const { composed, paragraph } = setOf({ breakBefore: 'page' }, 'On a page of its own.');
    const page = composed.pages.find(({ fragments }) => fragments.some((one) => one.paragraph === paragraph))!;
    expect(page.fragments[0].paragraph).to.equal(paragraph);
    expect(page.role).to.equal('text');
  });

  it('begins a column, or a page of several columns', () => {
    const inTwo = (breakBefore: 'column' | 'page') => {
      const { made, block } = withStyle({ breakBefore }, 'Here it begins.');
      const spec = { ...made.spec, pages: { ...made.spec.pages, columns: 2, balanceColumns: false } };
      const composed = compose({ ...made, spec });
      const page = composed.pages.find(({ fragments }) =>
        fragments.some(({ paragraph }) => paragraph.styled.block === block.id),
      )!;
      const at = page.fragments.findIndex(({ paragraph }) => paragraph.styled.block === block.id);
      return { role: page.role, x: page.fragments[at].x, at };
    };
    const [column, page] = [inTwo('column'), inTwo('page')];
    expect(column.role).to.equal('opener');
    expect(column.x).to.be.above(100);
    expect(page.role).to.equal('text');
    expect(page.x).to.equal(0);
    expect(page.at).to.equal(0);
  });

  it('has the ink of its set on the screen and on the press, and another when the set is swapped', () => {
    const set = setOf({ ink: { ink: 'Tide', tint: 50 } }, 'In the colour of the tide.');
    expect(set.items[0].ink).to.deep.equal({
      css: '#91daf2',
      space: 'cmyk',
      parts: [0.4, 0.1, 0, 0.05],
    });
    const rust = setOf({ ink: { ink: 'Rust', tint: 100 } }, 'Rust.');
    expect(rust.items[0].ink!.css).to.equal('#c83c14');
    expect(rust.items[0].ink!.space).to.equal('grey');
    const { made } = withStyle({ ink: { ink: 'Tide', tint: 100 } }, 'x');
    const context = newContext();
    compose(made, context);
    const swapped = { ...made, spec: { ...made.spec, inks: { ...INKS, set: 'Night' } } };
    expect(essence(compose(swapped, context))).to.deep.equal(essence(compose(swapped)));
  });

  it('a character style has its ink, and swapping the set reaches it', () => {
    const change = { spots: [{ pattern: 'tide', style: 'spot' }] };
    const { made, block } = withStyle(change, 'the tide table', {
      spot: { name: 'Spot', ink: { ink: 'Tide', tint: 100 } },
    });
    const context = newContext();
    compose(made, context);
    const swapped = compose({ ...made, spec: { ...made.spec, inks: { ...INKS, set: 'Night' } } }, context);
    const run = swapped.pages
      .flatMap((page) => page.fragments)
      .find(({ paragraph }) => paragraph.styled.block === block.id)!
      .paragraph.styled.runs.find(({ ink }) => ink !== undefined)!;
    expect(run.ink).to.deep.equal({ css: '#ff1919', space: 'cmyk', parts: [0, 0.9, 0.9, 0] });
  });

  it('rules and a background go round its lines, and the PDF is clean and says the same', () => {
    const change: Partial<ParagraphStyle> = {
      ink: { ink: 'Tide', tint: 100 },
      background: { ink: 'Tide', tint: 10 },
      ruleAbove: { weight: 1, width: 'paragraph', offset: 12 },
      ruleBelow: { weight: 0.5, width: 'words', offset: 5, ink: { ink: 'Rust', tint: 100 } },
    };
    const set = setOf(change, words(40, 3));
    const [ground, above, below] = set.list.rules.filter(
      (rule) => rule.kind === 'ground' || rule.ink || rule.thickness === 1,
    );
    expect(ground.kind).to.equal('ground');
    const baselines = [...new Set(set.items.map((item) => item.y))];
    expect(ground.y - ground.thickness / 2).to.be.below(baselines[0]);
    expect(ground.y + ground.thickness / 2).to.be.above(baselines[baselines.length - 1]);
    expect(above.y).to.be.closeTo(baselines[0] - 12, 1e-3);
    expect(above.width).to.be.closeTo(282 - 29, 1e-3);
    expect(below.y).to.be.closeTo(baselines[baselines.length - 1] + 5, 1e-3);
    expect(below.x + below.width).to.be.closeTo(
      Math.max(...set.items.filter((item) => item.y === baselines[baselines.length - 1]).map((item) => item.endX)),
      2,
    );
    const bytes = set.pdf();
    expect(qpdfCheck(bytes)).to.include('No syntax or stream encoding errors');
    expect(pdfText(bytes).replace(/\s+/g, ' ')).to.include(words(40, 3).split(' ').slice(0, 4).join(' '));
    const content = runOn(bytes, '.pdf', 'qpdf', (file) => ['--qdf', '--object-streams=disable', file, '-']);
    expect(content).to.include('0.8 0.2 0 0.1 k');
    expect(content).to.match(/0\.08 0\.02 0 0\.01 k\s+\/Artifact BMC/);
  });
});

describe('what is changed of a style on one paragraph', () => {
  const look = (change: NonNullable<Paragraph['touches']>['look'], text = words(40, 6)) => {
    const block: Paragraph = { ...p(text), touches: { look: change } };
    const made = book([division('chapter', [p('One', 'CT'), p(words(50, 1)), block, p(words(50, 2))])]);
    const composed = compose(made);
    return composed.pages
      .flatMap((page) => page.fragments)
      .find(({ paragraph }) => paragraph.styled.block === block.id)!.paragraph.styled;
  };

  it('is set so, and only there', () => {
    const styled = look({ size: 9, leading: 12, leftIndent: 20, italic: true, face: 'spectral' });
    expect(styled.style).to.include({
      tag: 'TX',
      size: 9,
      leading: 12,
      leftIndent: 20,
      italic: true,
      family: 'spectral',
    });
    expect(styled.runs[0].face).to.match(/^spectral\/400i$/);
    expect(look({}).style.size).to.equal(11.5);
  });

  it('comes out the same when the book is composed anew', () => {
    const block: Paragraph = p(words(40, 6));
    const before = book([division('chapter', [p('One', 'CT'), p(words(50, 1)), block, p(words(50, 2))])]);
    const [one] = before.divisions;
    const changed = { ...block, touches: { look: { size: 14, leading: 18 } } };
    const after = { ...before, divisions: [{ ...one, blocks: one.blocks.with(2, changed) }] };
    const context = newContext();
    compose(before, context);
    expect(essence(compose(after, context))).to.deep.equal(essence(compose(after)));
  });
});
