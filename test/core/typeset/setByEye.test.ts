// What a typographer sees on composed pages: white above and below heads and extracts, heads that never end a page, notes under
// their rule, lists and narrow columns that are ragged.
import { expect } from 'chai';
import fc from 'fast-check';
import { NOVEL_SPEC } from '../../../src/core/defaults/novelSpec';
import { STARTING_SPECS } from '../../../src/core/defaults/startingSpecs';
import type { Fragment, Page, TypesetBook } from '../../../src/core/model/composed/pages';
import type { Block, Paragraph } from '../../../src/core/model/copy/streams';
import type { Spec } from '../../../src/core/model/spec/spec';
import { compose } from '../../build/assets';
import { book, division, note, p, words } from '../../build/book';

const HANDBOOK = STARTING_SPECS.find(({ key }) => key === 'handbook')!.spec;
const WORKBOOK = STARTING_SPECS.find(({ key }) => key === 'workbook')!.spec;
const chapterOf = (spec: Spec, blocks: readonly Block[], notes: ReturnType<typeof note>[] = []) =>
  compose(book([division('chapter', [p('One', 'CT'), ...blocks] as Paragraph[])], notes, spec));
const prose = (seed: number, count: number) =>
  Array.from({ length: count }, (_, k) => p(words(70 + ((k * 31) % 60), seed * 97 + k)));

/** Baselines of the first and last line of a fragment. */
const lastY = ({ y, from, to, paragraph }: Fragment) => y + (to - from - 1) * paragraph.styled.style.leading;
const tagOf = ({ paragraph }: Fragment) => paragraph.styled.style.tag;

/** Points from the last line above each fragment of a tag to its first, and from its last to the next below, inside pages. */
function whites(composed: TypesetBook, tag: string): { above: number; below: number; page: Page }[] {
  return composed.pages.flatMap((page) =>
    page.fragments.flatMap((fragment, k) => {
      const [before, after] = [page.fragments[k - 1], page.fragments[k + 1]];
      if (tagOf(fragment) !== tag || before === undefined || after === undefined) return [];
      if (tagOf(before) === tag || tagOf(after) === tag || page.role === 'opener') return [];
      return [{ above: fragment.y - lastY(before), below: after.y - lastY(fragment), page }];
    }),
  );
}

describe('white around heads', () => {
  const many = (seed: number) =>
    Array.from({ length: 14 }, (_, k) => [p(`Head ${k}`, 'AH'), ...prose(seed + k, 2 + (k % 4))]).flat();

  for (const [name, spec] of [
    ['novel', NOVEL_SPEC],
    ['handbook', HANDBOOK],
  ] as const)
    it(`is a line more above than below, and gives half a line at most: ${name}`, () => {
      const { leading } = spec.text;
      for (const seed of [1, 2, 3]) {
        const found = whites(chapterOf(spec, many(seed)), 'AH');
        expect(found.length).to.be.above(5);
        for (const { above, below } of found) {
          expect(above - below).to.be.closeTo(leading.pt, 0.01);
          expect(Math.abs(above - 3 * leading.pt)).to.be.at.most(leading.pt / 2 + 0.01);
        }
      }
    });

  it('is never all that follows a head on its page, whatever comes after it', () => {
    const deep = p(words(30, 5), 'EXT');
    const after = fc.constantFrom<readonly Paragraph[]>(
      [p('Lower', 'BH'), p(words(40, 3))],
      [p('Short one.'), p('Lower', 'BH'), p(words(50, 4))],
      [p(words(60, 6))],
      [deep, p(words(20, 7))],
    );
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 1, max: 6 }), after), { minLength: 4, maxLength: 12 }),
        (parts) => {
          const blocks = parts.flatMap(([count, tail], k) => [
            ...prose(k, count),
            p(`Head ${k}`, 'AH'),
            ...tail.map((one) => ({ ...one, id: `${one.id}-${k}` })),
          ]);
          const composed = chapterOf(HANDBOOK, blocks);
          expect(composed.findings.map(({ kind }) => kind)).to.not.include('stranded-head');
          for (const { fragments } of composed.pages)
            expect(fragments.at(-1)?.paragraph.styled.style.withNext ?? false).to.equal(false);
        },
      ),
      { numRuns: 25 },
    );
  });
});

describe('what stands off the grid', () => {
  it('has the same white above it as below', () => {
    const blocks = [1, 2, 3, 4, 5].flatMap((k) => [p(words(90, k)), p(words(20 + 9 * k, 40 + k), 'EXT')]);
    const found = whites(chapterOf(HANDBOOK, [...blocks, p(words(60, 9))]), 'EXT');
    expect(found.length).to.be.above(2);
    // Baseline to baseline: what follows is of the text's leading, what stands there of its own.
    for (const { above, below } of found) expect(above + 1.5).to.be.closeTo(below, 0.6);
  });

  it('is indented from its second paragraph on, and the sentence after it is not', () => {
    const composed = chapterOf(NOVEL_SPEC, [
      p(words(30, 1)),
      p('First of the extract, which is long enough to be one.', 'EXT'),
      p('Second of the extract.', 'EXT'),
      p('which is what he said.'),
      p('It Ends.', 'EXT'),
      p('A new paragraph.'),
    ]);
    const indents = composed.pages[0].fragments.map(({ paragraph }) => [
      paragraph.styled.text.slice(0, 6),
      paragraph.styled.style.firstIndent,
    ]);
    expect(Object.fromEntries(indents)).to.include({
      'First ': 0,
      Second: 10.5,
      'which ': 0,
      'It End': 0,
      'A new ': 14.5,
    });
    const [first, second] = composed.pages[0].fragments.filter((one) => tagOf(one) === 'EXT');
    expect(second.y - lastY(first)).to.be.closeTo(14.5, 0.01);
  });

  it('parts the paragraphs of the workbook by half a line', () => {
    const composed = chapterOf(WORKBOOK, prose(1, 5));
    const [, one, two] = composed.pages[0].fragments;
    expect(two.y - lastY(one)).to.be.closeTo(15 + 7.5, 0.01);
  });
});

describe('notes under their rule', () => {
  it('have it at one distance under the text of every full page', () => {
    const blocks = Array.from({ length: 24 }, (_, k) => p(`${words(80, k)} so.{${k + 1}} ${words(40, 50 + k)}`));
    const notes = Array.from({ length: 24 }, (_, k) => note(k + 1, words(12 + ((k * 7) % 40), 200 + k)));
    const composed = chapterOf(NOVEL_SPEC, blocks, notes);
    const distances = composed.pages
      .filter(({ noteRules, fragments }) => noteRules.length === 1 && fragments.length > 0)
      .slice(0, -1)
      .map(({ noteRules, fragments }) => noteRules[0].y - lastY(fragments.at(-1)!));
    expect(distances.length).to.be.above(4);
    for (const distance of distances) expect(distance).to.be.closeTo(distances[0], 0.3);
  });

  it('indent their later paragraphs, and never end a page in a divided word where that can be helped', () => {
    const composed = chapterOf(NOVEL_SPEC, [p('So.{1}')], [note(1, 'One.', 'Two.')]);
    expect(composed.pages[0].notes.map(({ paragraph }) => paragraph.styled.style.firstIndent)).to.deep.equal([0, 9]);
    for (const seed of [1, 2, 3, 4, 5, 6]) {
      const long = chapterOf(
        NOVEL_SPEC,
        [...prose(seed, 3), p(`So.{1} ${words(90, seed)}`), ...prose(seed, 6)],
        [note(1, words(420, seed))],
      );
      for (const { notes } of long.pages.slice(0, -1)) {
        const last = notes.at(-1);
        if (last !== undefined && last.to < last.paragraph.broken.count)
          expect(last.paragraph.broken.end[last.to - 1]).to.not.equal(1);
      }
    }
  });
});

describe('ragged text', () => {
  const spec = (columns: number): Spec => ({ ...NOVEL_SPEC, pages: { ...NOVEL_SPEC.pages, columns } });
  const alignOf = (composed: TypesetBook, tag: string) =>
    composed.pages.flatMap(({ fragments }) => fragments).find((one) => tagOf(one) === tag)!.paragraph.styled.style
      .align;

  it('stands in columns under 45 characters, unless the style says justified', () => {
    expect(alignOf(chapterOf(spec(1), prose(1, 3)), 'TX')).to.equal('justify');
    expect(alignOf(chapterOf(spec(2), prose(1, 3)), 'TX')).to.equal('left');
    const own = {
      ...spec(2),
      styles: { ...NOVEL_SPEC.styles, TX: { ...NOVEL_SPEC.styles.TX, align: 'justify' as const } },
    };
    expect(alignOf(chapterOf(own, prose(1, 3)), 'TX')).to.equal('justify');
  });

  it('stands in items of a line or two, and not in longer ones', () => {
    const item = (text: string): Paragraph => ({ ...p(text, 'LI'), list: { level: 0, ordered: false } });
    const composed = chapterOf(NOVEL_SPEC, [item(words(12, 1)), item(words(60, 2))]);
    const items = composed.pages[0].fragments.filter((one) => tagOf(one) === 'LI');
    expect(items.map(({ paragraph }) => paragraph.styled.style.align)).to.deep.equal(['left', 'justify']);
  });

  it('keeps a caption above its table', () => {
    const cell = (text: string, k: number) => ({ id: `c${k}`, blocks: [p(text)] });
    const table: Block = {
      kind: 'table',
      id: 'p901',
      style: 'TB',
      columns: 2,
      rows: [
        [cell('a', 1), cell('b', 2)],
        [cell('c', 3), cell('d', 4)],
      ],
    };
    for (let count = 3; count < 9; count += 1) {
      const composed = chapterOf(NOVEL_SPEC, [
        ...prose(count, count),
        p('Water at the landing', 'CAP'),
        table,
        p(words(60, 3)),
      ]);
      const page = composed.pages.find(({ fragments }) => fragments.some((one) => tagOf(one) === 'CAP'))!;
      expect(page.fragments.some((one) => tagOf(one) === 'TB')).to.equal(true);
    }
  });
});

describe('a book of verse', () => {
  const VERSE = STARTING_SPECS.find(({ key }) => key === 'verse')!.spec;
  const poem = (title: string, ...lines: string[]) => division('chapter', [p(title, 'CT'), p(lines.join('\u2028'))]);
  const broken = (of: ReturnType<typeof poem>) => {
    const [title, text] = of.blocks as Paragraph[];
    const parts = text.text.split('\u2028');
    let at = 0;
    const objects = parts.slice(1).map((_, k) => {
      at += parts[k].length;
      const object = { at, kind: 'break' as const };
      at += 1;
      return object;
    });
    return { ...of, blocks: [title, { ...text, text: parts.join('\uFFFC'), objects }] };
  };

  it('has one edge for all its poems and their titles, by the widest line of them all', () => {
    const made = book(
      [
        broken(poem('Short', 'A line,', 'and one more.')),
        broken(poem('Long', 'A line that is as long as any line of the book will be,', 'and one.')),
      ],
      [],
      VERSE,
    );
    const composed = compose(made);
    const edges = composed.pages.flatMap(({ fragments }) =>
      fragments.map(({ x, paragraph }) => Math.round((x + paragraph.broken.x[0]) * 10) / 10),
    );
    expect(edges.length).to.equal(4);
    const widest = Math.max(
      ...composed.pages.flatMap(({ fragments }) =>
        fragments.map(({ paragraph }) => Math.max(...paragraph.broken.textWidth)),
      ),
    );
    expect(edges[0]).to.be.closeTo((composed.geometry.measure - widest) / 2, 2);
    for (const edge of edges) expect(edge).to.be.closeTo(edges[0], 1.2);
  });
});

describe('starting specs', () => {
  it('have display lines of 1.15 to 1.2, and an index in two columns', () => {
    for (const { key, spec } of STARTING_SPECS) {
      expect(spec.pages.others.index.columns, key).to.equal(2);
      for (const tag of ['CT', 'PT', 'HT', 'BT']) {
        const { size, leading } = spec.styles[tag];
        const points = typeof leading === 'number' ? leading : spec.text.leading.pt * (leading?.grid ?? 1);
        expect(points / size!, `${key} ${tag}`).to.be.within(1.14, 1.21);
      }
    }
  });

  it('with titles at the left have display pages at the left', () => {
    for (const { key, spec } of STARTING_SPECS) {
      const { align } = spec.styles.CT;
      for (const tag of ['HT', 'BT', 'BS', 'BA', 'BP', 'DED'])
        expect(spec.styles[tag].align, `${key} ${tag}`).to.equal(align);
    }
  });
});
