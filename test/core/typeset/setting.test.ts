import { expect } from 'chai';
import type { Book } from '../../../src/core/model/copy/book';
import type { ParagraphStyle, Spec } from '../../../src/core/model/spec/spec';
import { STARTING_SPECS } from '../../../src/core/defaults/startingSpecs';
import { displayPage } from '../../../src/core/typeset';
import { columnLeft } from '../../../src/core/model/composed/pages';
import type { Block } from '../../../src/core/model/copy/streams';
import { compose, newContext } from '../../build/assets';
import { book, chapter, p, words } from '../../build/book';

function withStyle(made: Book, tag: string, over: Partial<ParagraphStyle>, text: Partial<Spec['text']> = {}): Book {
  const { spec } = made;
  const styles = { ...spec.styles, [tag]: { ...spec.styles[tag], ...over } };
  return { ...made, spec: { ...spec, text: { ...spec.text, ...text }, styles } };
}

const made = book([
  { ...chapter('One', words(90, 1)), blocks: [...chapter('One', words(90, 1)).blocks, p(words(60, 2), 'EXT')] },
]);

/** Lines of the first paragraph of a style: left and right end on the page, and the page's columns' edges. */
function linesOf(set: Book, tag: string) {
  const context = newContext();
  const composed = compose(set, context);
  for (const page of composed.pages) {
    const fragment = page.fragments.find(({ paragraph }) => paragraph.styled.style.tag === tag);
    if (fragment === undefined) continue;
    const list = displayPage(composed, page.index, context);
    const left = columnLeft(composed.geometry, page.side);
    const { broken, styled } = fragment.paragraph;
    const items = list.items.filter((item) => item.source?.block === styled.block);
    const rows = new Map<number, { from: number; to: number }>();
    for (const item of items) {
      const row = rows.get(item.y) ?? { from: Infinity, to: 0 };
      rows.set(item.y, {
        from: Math.min(row.from, list.xs[item.first] - left),
        to: Math.max(row.to, item.endX - left),
      });
    }
    return {
      rows: [...rows.values()],
      side: page.side,
      measure: composed.geometry.measure,
      broken,
      findings: composed.findings,
    };
  }
  throw new Error(`no ${tag}`);
}

describe('how a style is set', () => {
  it('ragged to the fore-edge or to the back, by the side of the page', () => {
    const fore = linesOf(withStyle(made, 'EXT', { align: 'foreEdge', leftIndent: 0, rightIndent: 0 }), 'EXT');
    const back = linesOf(withStyle(made, 'EXT', { align: 'back', leftIndent: 0, rightIndent: 0 }), 'EXT');
    const flush = (rows: typeof fore.rows, edge: 'from' | 'to', at: number) =>
      rows.every((row) => Math.abs(row[edge] - at) < 8);
    const [right, left] = fore.side === 'recto' ? [fore, back] : [back, fore];
    expect(flush(right.rows, 'to', right.measure)).to.equal(true);
    expect(flush(left.rows, 'from', 0)).to.equal(true);
    expect(flush(left.rows, 'to', left.measure)).to.equal(false);
  });

  it('justified with the last line as its own setting says', () => {
    const last = (lastAlign: ParagraphStyle['lastAlign']) => {
      const { rows } = linesOf(withStyle(made, 'EXT', { lastAlign, leftIndent: 0, rightIndent: 0 }), 'EXT');
      return rows[rows.length - 1];
    };
    const measure = 282;
    expect(last('left').from).to.be.closeTo(0, 3);
    expect(last('right').to).to.be.closeTo(measure, 8);
    expect(last('centre').from).to.be.closeTo(measure - last('centre').to, 8);
    expect(last('justify').to).to.be.closeTo(measure, 8);
    expect(last('justify').from).to.be.closeTo(0, 3);
  });

  it('with the features of its style, figures of another kind in place of ours', () => {
    const set = compose(withStyle(made, 'EXT', { features: 'lnum,tnum,dlig' }));
    const extract = set.pages
      .flatMap((page) => page.fragments)
      .find(({ paragraph }) => paragraph.styled.style.tag === 'EXT')!;
    const features = extract.paragraph.styled.runs[0].features.split(',');
    expect(features).to.include.members(['lnum', 'tnum', 'dlig']);
    expect(features).to.not.include('onum');
    expect(features).to.not.include('pnum');
  });

  it('with leading that cannot be set refused, replaced and told once', () => {
    const set = compose(withStyle(made, 'EXT', { size: 20, leading: 5 }));
    const told = set.findings.filter((finding) => finding.kind === 'leading-replaced');
    expect(told).to.have.length(1);
    expect(told[0].message).to.match(/EXT .* 25\.2 pt/);
  });

  it('with small capitals scaled where the face has none, and told', () => {
    const set = compose(withStyle(made, 'EXT', { caps: 'small', face: 'crimson-pro', italic: true }));
    expect(set.findings.map((finding) => finding.kind)).to.include('small-capitals-scaled');
    const real = compose(withStyle(made, 'EXT', { caps: 'small' }));
    expect(real.findings.map((finding) => finding.kind)).to.not.include('small-capitals-scaled');
  });

  it('an italic letter clear of the roman mark after it', () => {
    const { rows } = linesOf(
      book([{ ...chapter('One', 'x'), blocks: [...chapter('One', 'x').blocks, p('(*roof*)', 'EXT')] }]),
      'EXT',
    );
    const plain = linesOf(
      book([{ ...chapter('One', 'x'), blocks: [...chapter('One', 'x').blocks, p('(*roof* )', 'EXT')] }]),
      'EXT',
    );
    const space = 0.2 * 10.5;
    // Without room the bracket would stand closer by more than the word space that parts it in the other line.
    expect(rows[0].to).to.be.above(plain.rows[0].to - space + 0.3);
  });

  it('no recto that ends inside a compound, though lines end at its hyphen', () => {
    const compounds = (text: string) => text.replace(/(\w{4,}) (\w{4,})/g, '$1-$2');
    const texts = Array.from({ length: 60 }, (_, k) => compounds(words(90 + (k % 7) * 11, 500 + k)));
    const { pages, findings } = compose(book([chapter('One', ...texts)]));
    const lines = pages.flatMap(({ side, fragments }) =>
      fragments.flatMap(({ paragraph: { styled, broken }, from, to }, f) =>
        Array.from({ length: to - from }, (_, k) => ({
          endsRecto: side === 'recto' && f === fragments.length - 1 && from + k === to - 1,
          isCut: /[-\u00AD]$/.test(styled.text.slice(0, broken.to[from + k])) || broken.end[from + k] === 1,
        })),
      ),
    );
    expect(lines.filter(({ isCut }) => isCut).length / lines.length).to.be.above(0.2);
    expect(lines.filter(({ endsRecto }) => endsRecto).length).to.be.above(8);
    expect(lines.filter(({ endsRecto, isCut }) => endsRecto && isCut)).to.deep.equal([]);
    expect(findings.filter(({ kind }) => kind === 'hyphen-over-recto')).to.deep.equal([]);
  });

  it('verse with its turnovers deeper than its lines, after every break of a person', () => {
    const line = 'One for the landlord and two for the tide and three for the horse on the opposite bank of the river';
    const verse = { ...p(`${line}\uFFFC${line}`, 'VRS'), objects: [{ at: line.length, kind: 'break' as const }] };
    const { rows } = linesOf(book([{ ...chapter('One', 'x'), blocks: [...chapter('One', 'x').blocks, verse] }]), 'VRS');
    expect(rows).to.have.length(4);
    const from = rows.map((row) => row.from - rows[0].from);
    expect(from.map(Math.round)).to.deep.equal([0, 23, 0, 23]);
  });

  it('verse as one block centred on its longest line, over its stanzas', () => {
    const stanzas = [
      p('One for the tide', 'VRS'),
      p('Two for the landlord of the ferry house', 'VRS'),
      p('Three', 'VRS'),
    ];
    const one = chapter('One', 'x');
    const set = compose(book([{ ...one, blocks: [...one.blocks, ...stanzas, p('After.')] }]));
    const { measure } = set.geometry;
    const placed = set.pages[0].fragments.filter(({ paragraph }) => paragraph.styled.style.meaning === 'verse');
    const lefts = placed.map(({ x, paragraph }) => x + paragraph.broken.x[0]);
    const rights = placed.map(({ x, paragraph }) => x + paragraph.broken.x[0] + paragraph.broken.textWidth[0]);
    expect(new Set(lefts.map((x) => x.toFixed(3))).size).to.equal(1);
    expect(measure - Math.max(...rights)).to.be.closeTo(lefts[0], 0.01);
  });

  it('verse with its line numbers at the end of the measure, counted over stanzas', () => {
    const stanza = (id: string, count: number) => ({
      ...p(Array.from({ length: count }, (_, k) => `${id} line ${k}`).join('\uFFFC'), 'VRS'),
      objects: [] as { at: number; kind: 'break' }[],
    });
    const withBreaks = (made_: ReturnType<typeof stanza>) => ({
      ...made_,
      objects: [...made_.text.matchAll(/\uFFFC/g)].map((match) => ({ at: match.index, kind: 'break' as const })),
    });
    const one = chapter('One', 'x');
    const set = withStyle(
      book([{ ...one, blocks: [...one.blocks, withBreaks(stanza('a', 4)), withBreaks(stanza('b', 7)), p('After.')] }]),
      'VRS',
      { lineNumbers: 5 },
    );
    const composed = compose(set);
    const { fragments } = composed.pages[0];
    const numbers = fragments.filter(({ paragraph }) => paragraph.styled.style.tag === 'VN');
    expect(numbers.map(({ paragraph }) => paragraph.styled.text)).to.deep.equal(['5', '10']);
    const second = fragments.filter(({ paragraph }) => paragraph.styled.style.tag === 'VRS')[1];
    expect(numbers.map(({ y }) => Math.round((y - second.y) / 14.5))).to.deep.equal([0, 5]);
    for (const { x, paragraph } of numbers)
      expect(x + paragraph.broken.x[0] + paragraph.broken.textWidth[0]).to.be.closeTo(composed.geometry.measure, 0.01);
  });

  it('tables in columns by content between rules, figures flush right', () => {
    const cell = (text: string, k: number) => ({ id: `c${k}`, blocks: [p(text)] });
    const table = (rows: string[][]): Block => ({
      kind: 'table',
      id: 'p900',
      style: 'TB',
      columns: rows[0].length,
      rows: rows.map((row, r) => row.map((text, c) => cell(text, r * 10 + c))),
    });
    const one = chapter('One', 'x');
    const bookOf = (made: Block) => book([{ ...one, blocks: [...one.blocks, made, p('After it.')] as never }]);
    const set = bookOf(
      table([
        ['Month', 'Boats'],
        ['*January*', '12'],
        ['May', '1,204'],
      ]),
    );
    const context = newContext();
    const composed = compose(set, context);
    const list = displayPage(composed, 0, context);
    expect(list.rules).to.have.length(3);
    const ends = ['12', '1,204'].map((text) => list.items.find((item) => item.text.endsWith(text))!.endX);
    expect(ends[0]).to.be.closeTo(ends[1], 0.02);
    expect(list.items.some((item) => item.text === 'January' && item.face === 'eb-garamond/400i')).to.equal(true);
    const after = composed.pages[0].fragments.find(({ paragraph }) => paragraph.styled.text === 'After it.')!;
    expect(after.paragraph.styled.style.tag).to.equal('TXF');
  });

  it('list items after their marks, counted by level, hanging', () => {
    const item = (text: string, level: number, ordered: boolean) => ({ ...p(text, 'LI'), list: { level, ordered } });
    const one = chapter('One', 'x');
    const items = [item('a', 0, true), item('b', 0, true), item('c', 1, false), item(words(40, 2), 0, true)];
    const set = compose(book([{ ...one, blocks: [...one.blocks, ...items, p('Between.'), item('d', 0, true)] }]));
    const placed = set.pages[0].fragments.filter(({ paragraph }) => paragraph.styled.style.tag === 'LI');
    const starts = placed.map(({ paragraph }) => paragraph.styled.text.split('\t')[0]);
    expect(starts).to.deep.equal(['1.', '2.', '•', '3.', '1.'].map((mark, k) => (k === 2 ? '–' : mark)));
    const { broken } = placed[3].paragraph;
    expect(broken.x[1] - broken.x[0]).to.be.closeTo(1.5 * 11.5, 1);
  });

  it('full lines to the measure, in faces too that kern letters with the space after them', () => {
    for (const face of ['libre-caslon-text', 'source-serif-4', 'alegreya']) {
      const size = { pt: 9.5, unit: 'pt' as const };
      const { rows, measure, broken } = linesOf(
        withStyle(made, 'TX', {}, { face, size, hangingPunctuation: 0 }),
        'TXF',
      );
      expect(rows.length).to.be.above(5);
      rows.forEach(({ to }, k) => {
        if (k < broken.count - 1) expect(to, `${face}, line ${k + 1}`).to.be.closeTo(measure, 0.02);
      });
    }
  });

  it('a list a line clear of the text around it, its items close at every level', () => {
    const item = (level: number) => ({ ...p(words(5, level + 3), 'LI'), list: { level, ordered: false } });
    const one = chapter('One', words(40, 1));
    const blocks = [...one.blocks, item(0), item(1), item(1), item(0), p(words(40, 2))];
    const { pages, geometry } = compose(book([{ ...one, blocks }]));
    const texts = pages[0].fragments.slice(1);
    const apart = texts.slice(1).map(({ y }, k) => {
      const { y: before, from, to } = texts[k];
      return Math.round((y - before) / geometry.leading - (to - from));
    });
    expect(apart).to.deep.equal([1, 0, 0, 0, 1]);
  });

  it('no last line of ragged text shorter than four characters where that can be helped', () => {
    const texts = Array.from({ length: 40 }, (_, k) => words(30 + k, 300 + k).replace(/\w+\.?$/, 'so.'));
    for (const { spec } of STARTING_SPECS.filter(
      ({ spec: { text } }) => text.setting === 'ragged' && text.lastLine > 0,
    )) {
      const set = compose({ ...book([chapter('One', ...texts)]), spec });
      const { lastLine, size } = spec.text;
      let [short, seen] = [0, 0];
      for (const { paragraph, to } of set.pages.flatMap(({ fragments }) => fragments)) {
        const { broken, styled } = paragraph;
        if (styled.style.meaning !== 'body' || to < broken.count || broken.count < 2) continue;
        seen += 1;
        if (broken.textWidth[broken.count - 1] < lastLine * size.pt - 0.01) short += 1;
      }
      expect(seen).to.be.above(30);
      const told = set.findings.filter(({ kind }) => kind === 'short-last-line').length;
      expect(told, spec.name).to.equal(short);
      expect(short, spec.name).to.be.at.most(2);
    }
  });

  it('the comma after italic words roman, and the stop of an italic sentence its own', () => {
    const faceOf = (text: string, mark: string, afterItalic: 'roman' | 'typed') => {
      const { spec } = made;
      const set = compose({
        ...book([chapter('One', text)]),
        spec: { ...spec, marks: { ...spec.marks, afterItalic } },
      });
      const { styled } = set.pages[0].fragments[1].paragraph;
      const at = styled.text.indexOf(mark);
      return styled.runs.find((run) => run.from <= at && run.to > at)!.face;
    };
    expect(faceOf('It was *late,* they said.', ',', 'roman')).to.equal('eb-garamond/400');
    expect(faceOf('It was *late,* they said.', ',', 'typed')).to.equal('eb-garamond/400i');
    expect(faceOf('It was. *He went; he came.* So', '. So', 'roman')).to.equal('eb-garamond/400i');
  });

  it('a rag as deep as the spec says: the shallower, the evener its lines, by more hyphens', () => {
    const texts = Array.from({ length: 10 }, (_, k) => words(140, 70 + k));
    const [shallow, plain, deep] = [1, 4, 10].map((rag) => {
      const text = { ...made.spec.text, setting: 'ragged' as const, rag };
      const set = compose({ ...book([chapter('One', ...texts)]), spec: { ...made.spec, text } });
      const short: number[] = [];
      let hyphens = 0;
      for (const { paragraph, from, to } of set.pages.flatMap(({ fragments }) => fragments)) {
        const { broken, styled } = paragraph;
        if (styled.style.meaning !== 'body') continue;
        for (let k = from; k < Math.min(to, broken.count - 1); k += 1) {
          short.push(broken.width[k] - broken.textWidth[k]);
          if (broken.end[k] === 1) hyphens += 1;
        }
      }
      return { depth: Math.sqrt(short.reduce((sum, one) => sum + one * one, 0) / short.length), hyphens };
    });
    expect(shallow.depth).to.be.below(plain.depth - 1);
    expect(plain.depth).to.be.below(deep.depth - 1);
    expect(shallow.hyphens).to.be.above(plain.hyphens);
    expect(plain.hyphens).to.be.above(deep.hyphens);
  });

  it('a ragged line does not end in a lone short word where that can be helped', () => {
    const texts = Array.from({ length: 12 }, (_, k) => words(120, 40 + k).replace(/ (\w+) (\w+)/g, ' $1 a $2'));
    const set = compose({
      ...book([chapter('One', ...texts)]),
      spec: { ...made.spec, text: { ...made.spec.text, setting: 'ragged' } },
    });
    let [weak, lines] = [0, 0];
    for (const { fragments } of set.pages) {
      for (const { paragraph, from, to } of fragments) {
        for (let k = from; k < Math.min(to, paragraph.broken.count - 1); k += 1) {
          lines += 1;
          if (/(^| )a$/.test(paragraph.styled.text.slice(paragraph.broken.from[k], paragraph.broken.to[k]))) weak += 1;
        }
      }
    }
    expect(lines).to.be.above(60);
    expect(weak / lines).to.be.below(0.08);
  });
});
