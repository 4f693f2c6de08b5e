import { expect } from 'chai';
import { displayPage } from '../../../src/core/index';
import { columnLeft, type ComposedParagraph, type Fragment } from '../../../src/core/model/composed/pages';
import { setterToMeasures } from '../../../src/core/typeset/flow/composeParagraph';
import { compose, newContext, textOfPages } from '../../build/assets';
import { book, chapter, division, note, p, words } from '../../build/book';

const WIDE_AND_NARROW = { columns: 2, columnShares: [2, 1] };
const made = book(
  [
    chapter(
      'One',
      ...Array.from(
        { length: 14 },
        (_, k) => `${words(150 + 13 * k, k)} A word{${k + 1}} and on it goes ${words(60, k)}`,
      ),
    ),
  ],
  Array.from({ length: 14 }, (_, k) => note(k + 1, words(9 + 3 * k, 90 + k))),
);
const spec = { ...made.spec, pages: { ...made.spec.pages, ...WIDE_AND_NARROW } };
const context = newContext();
const composed = compose({ ...made, spec }, context);
const body = ({ paragraph }: Fragment) => paragraph.styled.style.meaning === 'body';

describe('paragraphs in columns of own width', () => {
  it('go on over three columns and more, with nothing lost or set twice', () => {
    const texts = new Map<string, string>();
    for (const { paragraph } of composed.pages.flatMap(({ fragments }) => fragments).filter(body))
      texts.set(paragraph.styled.block, paragraph.styled.text);
    const all = [...texts.values()].join(' ').replaceAll('\u00AD', '');
    expect(textOfPages(composed).replace(/\s+/g, ' ')).to.include(all.replace(/\s+/g, ' ').trim());
    const pieces = new Map<string, [number, number][]>();
    for (const { paragraph, from, to } of composed.pages.flatMap(({ fragments }) => fragments))
      pieces.set(paragraph.styled.block, [...(pieces.get(paragraph.styled.block) ?? []), [from, to]]);
    for (const list of pieces.values())
      list.forEach(([from], k) => expect(from).to.equal(k === 0 ? 0 : list[k - 1][1]));
    expect(Math.max(...[...pieces.values()].map((list) => list.length))).to.be.at.least(3);
  });

  it('go on over a dozen columns, in as many settings as there are places and no more', () => {
    const texts = [words(200, 1), words(400, 2), `${words(80, 3)}`, 'no end of it '.repeat(900)];
    const narrow = { columns: 3, columnShares: [1, 2, 1] };
    const page = { ...spec.page, margins: { ...spec.page.margins, foot: { pt: 400, unit: 'pt' as const } } };
    const set = compose({
      ...book([chapter('One', ...texts)]),
      spec: { ...spec, page, pages: { ...spec.pages, ...narrow } },
    });
    const letters = (text: string) => text.replace(/[\s\u00AD]/g, '');
    expect(letters(textOfPages(set))).to.equal(letters(`One${texts.join('')}`));
    const stretches = (at: number) =>
      set.pages
        .flatMap(({ fragments }) => fragments)
        .filter(({ paragraph }) => paragraph.styled.text.startsWith(texts[at].slice(0, 30)));
    const widths = (at: number) =>
      new Set(
        stretches(at).map(({ paragraph: { broken }, from }) => (from === 0 ? 0 : Math.round(broken.width[from]))),
      );
    expect(stretches(1).length).to.be.at.least(12);
    expect(widths(1).size).to.be.at.least(3);
    // A paragraph of thousands of words has all its lines for the narrowest column.
    expect(widths(3).size).to.equal(2);
  });

  it('have the lines of each column as wide as that is', () => {
    for (const { paragraph, from, to, x } of composed.pages.flatMap(({ fragments }) => fragments).filter(body)) {
      const { broken, styled } = paragraph;
      const widths = new Set<number>();
      for (let line = from; line < to; line += 1)
        widths.add(Math.round(broken.width[line] + (line === 0 ? styled.style.firstIndent : 0)));
      expect([...widths], `at ${x}`).to.have.length(1);
    }
  });

  it('have their notes at the foot of the column in which their references stand', () => {
    let seen = 0;
    for (const { fragments, notes } of composed.pages) {
      for (const own of notes.filter(({ from }) => from === 0)) {
        const beside = fragments.filter(({ paragraph, from, to }) => {
          const at = paragraph.styled.notes.find(({ note: id }) => id === own.paragraph.styled.stream)?.at ?? -1;
          return paragraph.broken.from[from] <= at && at < paragraph.broken.to[to - 1];
        });
        expect(beside, own.paragraph.styled.stream).to.have.length(1);
        expect(beside[0].x).to.be.closeTo(own.x, 1);
        seen += 1;
      }
    }
    expect(seen).to.equal(14);
  });

  it('leave heads and display pages the whole measure, and notes no more than the narrowest column', () => {
    const { measure, columns } = composed.geometry;
    const [head] = composed.pages[0].fragments;
    expect(head.paragraph.broken.width[0]).to.be.closeTo(measure, 0.01);
    for (const { notes } of composed.pages)
      for (const { paragraph, x } of notes)
        for (const width of paragraph.broken.textWidth) expect(x + width).to.be.below(x + columns[1].width + 0.01);
    const title = { ...division('title', [p('A Book', 'BT')]), matter: 'front' as const };
    const front = compose({ ...made, spec, divisions: [title, ...made.divisions] }).pages[0].fragments[0];
    expect(front.paragraph.broken.width[0]).to.be.closeTo(measure, 0.01);
  });

  it('have the folios of contents at the end of their own column', () => {
    const list = { ...division('contents', [p('Contents', 'TOH')]), matter: 'front' as const };
    const chapters = Array.from({ length: 9 }, (_, k) => chapter(`A chapter of many words ${k}`, words(30, k)));
    for (const columnShares of [null, [2, 1]]) {
      const listed = book([list, ...chapters]);
      const pages = { ...listed.spec.pages, columns: 2, columnShares };
      const own = newContext();
      const set = compose({ ...listed, spec: { ...listed.spec, pages } }, own);
      const index = set.pages.findIndex(({ divisionRole }) => divisionRole === 'contents');
      const page = set.pages[index];
      const entries = page.fragments.filter(({ paragraph }) => paragraph.styled.tail !== '');
      expect(entries.length).to.equal(9);
      const { items } = displayPage(set, index, own);
      const left = columnLeft(set.geometry, page.side);
      for (const { paragraph, x, y, from, to } of entries) {
        const column = set.geometry.columns.find((one) => Math.abs(one.x - x) < 0.5)!;
        const lastY = y + (to - from - 1) * paragraph.styled.style.leading;
        const ends = items.filter((item) => Math.abs(item.y - lastY) < 0.1).map(({ endX }) => endX);
        expect(
          ends.some((end) => Math.abs(end - left - column.x - column.width) < 1),
          paragraph.styled.text,
        ).to.equal(true);
      }
    }
  });

  it('keep the lines that stand, and have the same rest from one place whichever way led there', () => {
    const [long] = composed.pages
      .flatMap(({ fragments }) => fragments)
      .map(({ paragraph }) => paragraph)
      .filter(({ broken }) => broken.count > 20);
    const at = (setter: ReturnType<typeof setterToMeasures>, lines: number): ComposedParagraph => {
      const first = setter({ first: [], width: 180 }, null);
      return setter({ first: new Array<number>(lines).fill(180), width: 110 }, first);
    };
    const setter = setterToMeasures(long, context);
    const first = setter({ first: [], width: 180 }, null);
    for (const lines of [1, 2, 5, 9]) {
      const { broken } = at(setter, lines);
      expect(broken.to.slice(0, lines)).to.deep.equal(first.broken.to.slice(0, lines));
      expect(broken.from[lines]).to.equal(first.broken.from[lines]);
      expect([...broken.width.slice(lines)].every((width) => width === 110)).to.equal(true);
      // From scratch, and over a short way back into the wide column.
      expect(broken).to.deep.equal(at(setterToMeasures(long, context), lines).broken);
      const back = setter({ first: [...new Array<number>(lines).fill(180), 110], width: 180 }, at(setter, lines));
      expect(back.broken.from[lines + 1]).to.equal(broken.from[lines + 1]);
      expect(back.broken.to[back.broken.count - 1]).to.equal(long.styled.text.trimEnd().length);
    }
  });
});
