import { expect } from 'chai';
import fc from 'fast-check';
import type { Book, Division } from '../../../src/core/model/copy/book';
import type { ContentsLevel, EntryArrangement } from '../../../src/core/model/spec/contents';
import { NOVEL_SPEC } from '../../../src/core/defaults/novelSpec';
import { PLAIN_SCHEME, type NumberScheme } from '../../../src/core/model/spec/numbering';
import type { Page, TypesetBook } from '../../../src/core/model/composed/pages';
import type { Paragraph, ReferenceShows } from '../../../src/core/model/copy/streams';
import { displayPage } from '../../../src/core/typeset';
import { compose, newContext } from '../../build/assets';
import { book, chapter, division, p, words } from '../../build/book';
import { essence } from '../../build/essence';

const contents = (rest: Partial<Division> = {}) => division('contents', [p('Contents', 'TOH')], rest);
const long = (seed: number, count = 6) =>
  Array.from({ length: count }, (_, k) => words(90 + ((seed * 13 + k * 37) % 120), seed * 100 + k));
const linesOf = (page: Page) =>
  page.fragments.map(({ paragraph: { styled } }) => styled.text + (styled.tail && ` > ${styled.tail}`));
const listOf = (composed: TypesetBook, role: string) =>
  composed.pages
    .filter(({ divisionRole, isMade }) => divisionRole === role && !isMade)
    .flatMap(linesOf)
    .slice(1);
const pageWith = (composed: TypesetBook, text: string) =>
  composed.pages.find(
    ({ divisionRole, fragments }) =>
      !['contents', 'figures', 'tables'].includes(divisionRole) &&
      fragments.some(({ paragraph }) => paragraph.styled.text === text),
  )!;
const level = (source: string, entry: string, arrangement: EntryArrangement = 'white'): ContentsLevel => ({
  source,
  entry,
  number: true,
  arrangement,
});
const withLevels = (made: Book, levels: readonly ContentsLevel[], rest: object = {}): Book => ({
  ...made,
  spec: { ...made.spec, contents: { ...made.spec.contents, levels, ...rest } },
});

describe('contents', () => {
  const sections = () =>
    division('chapter', [
      p('Salt', 'CT'),
      ...long(1, 3).map((text) => p(text)),
      p('Alum', 'AH'),
      ...long(2, 5).map((text) => p(text)),
      p('Borax', 'BH'),
      ...long(3, 3).map((text) => p(text)),
    ]);
  const THREE = [level('CT', 'TOC'), level('AH', 'TOS'), level('BH', 'TOT')];

  it('list the levels chosen, each with the folio of its page', () => {
    const composed = compose(withLevels(book([contents(), sections(), chapter('Silt', ...long(4))]), THREE));
    const listed = listOf(composed, 'contents');
    expect(listed).to.deep.equal(
      ['Salt', 'Alum', 'Borax', 'Silt'].map((title) => `${title} > ${pageWith(composed, title).folio}`),
    );
  });

  it('stand as arranged: leaders, after the words, first, run in', () => {
    const made = book([contents(), chapter('Salt', ...long(5)), chapter('Silt', ...long(6))]);
    const silt = pageWith(compose(made), 'Silt').folio;
    const of = (arrangement: EntryArrangement) =>
      listOf(compose(withLevels(made, [level('CT', 'TOC', arrangement)])), 'contents');
    expect(of('leaders')).to.deep.equal(['Salt\t1', `Silt\t${silt}`]);
    expect(of('after')).to.deep.equal(['Salt\u20031', `Silt\u2003${silt}`]);
    expect(of('first')).to.deep.equal(['1\tSalt', `${silt}\tSilt`]);
    expect(of('runIn')).to.deep.equal([`Salt\u00a01; Silt\u00a0${silt}`]);
  });

  it('end their leaders at the folios, all at one edge', () => {
    const made = book([contents(), chapter('Salt', ...long(5)), chapter('A much longer name', ...long(6))]);
    const composed = compose(withLevels(made, [level('CT', 'TOC', 'leaders')]));
    const page = composed.pages.find(({ divisionRole }) => divisionRole === 'contents')!;
    for (const { paragraph } of page.fragments.slice(1)) {
      const { broken } = paragraph;
      expect(broken.x[0] + broken.textWidth[0]).to.be.closeTo(composed.geometry.measure, 0.02);
    }
  });

  it('begin their titles at one edge after a column of numbers, those without a number too', () => {
    const number: NumberScheme = { ...PLAIN_SCHEME, place: 'ownLine', restart: 'never' };
    const styles = { ...NOVEL_SPEC.styles, CT: { ...NOVEL_SPEC.styles.CT, number } };
    const chapters = Array.from({ length: 11 }, (_, k) => chapter(`Salt ${'x'.repeat(k)}`, ...long(3)));
    const after = division('afterword', [p('Silt', 'CT')], { matter: 'back', listed: true });
    const context = newContext();
    const composed = compose(book([contents(), ...chapters, after], [], { ...NOVEL_SPEC, styles }), context);
    const page = composed.pages.find(({ divisionRole }) => divisionRole === 'contents')!;
    const list = displayPage(composed, page.index, context);
    // The first letter of each title, by the glyph that it is.
    const edges = list.items
      .filter(({ text }) => /\b(?:Salt|Silt)/.test(text))
      .map(({ first, text }) => list.xs[first + text.search(/S[ai]lt/)]);
    expect(edges.length).to.equal(12);
    for (const edge of edges) expect(edge).to.be.closeTo(edges[0], 0.05);
  });

  it('say the number as its scheme gives it, or leave it out', () => {
    const number: NumberScheme = { ...PLAIN_SCHEME, before: 'Chapter ', place: 'ownLine', restart: 'never' };
    const styles = { ...NOVEL_SPEC.styles, CT: { ...NOVEL_SPEC.styles.CT, number } };
    const made = book([contents(), chapter('Salt', ...long(5)), chapter('Silt', ...long(6))], [], {
      ...NOVEL_SPEC,
      styles,
    });
    const composed = compose(made);
    expect(listOf(composed, 'contents')).to.deep.equal([
      '\t1\tSalt > 1',
      `\t2\tSilt > ${pageWith(composed, 'Silt').folio}`,
    ]);
    expect(linesOf(pageWith(composed, 'Silt')).slice(0, 2)).to.deep.equal(['Chapter 2', 'Silt']);
    const bare = compose(withLevels(made, [{ ...level('CT', 'TOC'), number: false }]));
    expect(listOf(bare, 'contents')[0]).to.equal('Salt > 1');
  });

  it('keep what a person made of an entry through every change of pages', () => {
    const [one, two] = [chapter('Of Salt and Its Keeping in Barrels', ...long(7)), chapter('Silt', ...long(8))];
    const corrections = { [one.blocks[0].id]: 'Of Salt\u2028and barrels' };
    const first = compose(book([contents({ corrections }), one, two]));
    expect(listOf(first, 'contents')[0]).to.equal('Of Salt\u2028and barrels > 1');
    const later = compose(
      book([
        contents({ corrections }),
        division('foreword', [p('Fore', 'CT'), ...long(9, 9).map((text) => p(text))], { listed: true }),
        one,
        two,
      ]),
    );
    expect(listOf(later, 'contents').some((line) => line.startsWith('Of Salt\u2028and barrels > '))).to.equal(true);
  });

  it('have author and describing lines of collections', () => {
    const piece = division('chapter', [
      p('Salt', 'CT'),
      p('E. Writer', 'CAU'),
      p('A history', 'CST'),
      ...long(4, 3).map((text) => p(text)),
    ]);
    const composed = compose(
      withLevels(book([contents(), piece]), [level('CT', 'TOC')], {
        author: { source: 'CAU', entry: 'TOA' },
        description: { source: 'CST', entry: 'TOD' },
      }),
    );
    expect(listOf(composed, 'contents')).to.deep.equal(['Salt > 1', 'E. Writer', 'A history']);
  });

  it('never list themselves, and settle however long they are', () => {
    const many = Array.from({ length: 90 }, (_, k) => chapter(`Piece ${k + 1}`, words(30, k)));
    const composed = compose(book([contents({ listed: true }), ...many]));
    expect(composed.findings.some(({ kind }) => kind === 'unsettled')).to.equal(false);
    const listed = listOf(composed, 'contents');
    expect(listed.length).to.equal(90);
    for (const [k, line] of listed.entries())
      expect(line).to.equal(`Piece ${k + 1} > ${pageWith(composed, `Piece ${k + 1}`).folio}`);
    expect(composed.pages.filter(({ divisionRole }) => divisionRole === 'contents').length).to.be.above(1);
  });

  it('are true in random books: every listed title, with the folio of its page', () => {
    const entry = fc.record({ words: fc.integer({ min: 5, max: 900 }), listed: fc.boolean(), head: fc.boolean() });
    fc.assert(
      fc.property(fc.array(entry, { minLength: 1, maxLength: 7 }), (list) => {
        const divisions = list.map((one, k) => {
          const blocks = [
            p(`Title ${k}`, 'CT'),
            p(words(one.words, k)),
            ...(one.head ? [p(`Head ${k}`, 'AH'), p(words(80, k + 50))] : []),
          ];
          return division('chapter', blocks, { listed: one.listed });
        });
        const composed = compose(withLevels(book([contents(), ...divisions]), THREE));
        const wished = list.flatMap((one, k) =>
          one.listed
            ? [`Title ${k}`, ...(one.head ? [`Head ${k}`] : [])].map(
                (title) => `${title} > ${pageWith(composed, title).folio}`,
              )
            : [],
        );
        expect(listOf(composed, 'contents')).to.deep.equal(wished);
      }),
      { numRuns: 12 },
    );
  });

  it('list figures and tables by their captions', () => {
    const table = {
      kind: 'table' as const,
      id: 'b901',
      style: 'TB',
      columns: 1,
      rows: [[{ id: 'c902', blocks: [p('Cell', 'TB')] }]],
    };
    const body = { ...chapter('Salt', ...long(4, 2)) };
    const blocks = [
      ...body.blocks,
      p('A barrel', 'CAP'),
      p(words(300, 7)),
      p('Prices of salt', 'CAP'),
      table,
    ] as Division['blocks'];
    const composed = compose(
      book([division('figures', [p('Figures', 'TOH')]), division('tables', [p('Tables', 'TOH')]), { ...body, blocks }]),
    );
    expect(listOf(composed, 'figures').map((line) => line.split(' > ')[0])).to.deep.equal(['A barrel']);
    expect(listOf(composed, 'tables')[0]).to.equal(`Prices of salt > ${pageWith(composed, 'Prices of salt').folio}`);
  });
});

describe('cross-references', () => {
  const refer = (target: string, shows: ReferenceShows, before = 'See '): Paragraph => ({
    ...p(`${before}\uFFFC.`),
    objects: [{ at: before.length, kind: 'reference', target, shows }],
  });
  const saidBy = (composed: TypesetBook, block: Paragraph) =>
    composed.pages.flatMap(({ fragments }) => fragments).find(({ paragraph }) => paragraph.styled.block === block.id)!
      .paragraph.styled.text;

  const target = chapter('Silt', ...long(8));
  const id = target.blocks[0].id;
  const marks = (['number', 'title', 'page', 'pageOrOpposite'] as const).map((shows) => refer(id, shows));

  it('say number, title and page as they are, wherever they move', () => {
    const first = { ...chapter('Salt', ...long(1, 3)) };
    const between = chapter('Sand', ...long(2, 12));
    const made = book([{ ...first, blocks: [...first.blocks, ...marks] }, between, target]);
    const context = newContext();
    const before = compose(made, context);
    expect(marks.map((mark) => saidBy(before, mark))).to.deep.equal([
      'See Silt.',
      'See Silt.',
      `See ${pageWith(before, 'Silt').folio}.`,
      `See page\u00a0${pageWith(before, 'Silt').folio}.`,
    ]);
    const [old] = made.divisions;
    const longer = {
      ...made,
      divisions: [{ ...old, blocks: [...old.blocks, ...long(4, 20).map((text) => p(text))] }, between, target],
    };
    const after = compose(longer, context);
    expect(pageWith(after, 'Silt').folio).to.not.equal(pageWith(before, 'Silt').folio);
    expect(saidBy(after, marks[2])).to.equal(`See ${pageWith(after, 'Silt').folio}.`);
    expect(essence(after)).to.deep.equal(essence(compose(longer)));
  });

  it('read opposite on a facing page, and this page on the same', () => {
    const near = refer(id, 'pageOrOpposite');
    const filler = (count: number) => Array.from({ length: count }, (_, k) => p(words(60, k)));
    for (let count = 1; count <= 24; count += 1) {
      const first = division('chapter', [p('Salt', 'CT'), ...filler(count), near]);
      const composed = compose(book([first, target]));
      const own = composed.pages.find(({ fragments }) =>
        fragments.some(({ paragraph }) => paragraph.styled.block === near.id),
      )!;
      const there = pageWith(composed, 'Silt');
      const isFacing = own.side === 'verso' && there.index === own.index + 1;
      expect(saidBy(composed, near)).to.equal(isFacing ? 'See opposite.' : `See page\u00a0${there.folio}.`);
    }
    const own = { ...target, blocks: [...target.blocks.slice(0, 1), near, ...target.blocks.slice(1)] };
    expect(saidBy(compose(book([own])), near)).to.equal('See this page.');
  });

  it('are a finding when what they go to is gone, and break no page', () => {
    const lost = refer('p999999', 'page');
    const composed = compose(book([division('chapter', [p('Salt', 'CT'), lost, ...long(3).map((text) => p(text))])]));
    expect(saidBy(composed, lost)).to.equal('See ??.');
    const [found] = composed.findings.filter(({ kind }) => kind === 'target-gone');
    expect(found).to.include({ grade: 'must', block: lost.id, page: 0 });
  });

  it('that go round in a circle settle', () => {
    const one = p('One', 'AH');
    const two = p('Two', 'AH');
    const composed = compose(
      book([
        division('chapter', [
          p('Salt', 'CT'),
          one,
          refer(two.id, 'title'),
          two,
          refer(one.id, 'page'),
          ...long(3).map((text) => p(text)),
        ]),
      ]),
    );
    expect(composed.findings.some(({ kind }) => kind === 'unsettled')).to.equal(false);
  });
});

describe('the index of a book', () => {
  it('tells the folios of its marks, and follows them', () => {
    const mark = (term: string, text: string, rest: object = {}): Paragraph => ({
      ...p(`\uFFFC${text}`),
      objects: [{ at: 0, kind: 'index', term, sub: '', see: '', seeAlso: '', range: 'here', ...rest }],
    });
    const filler = (seed: number) => long(seed, 7).map((text) => p(text));
    const made = book([
      division('chapter', [
        p('Salt', 'CT'),
        mark('weir', words(20, 1)),
        ...filler(2),
        mark('weir', words(20, 3), { sub: 'oak of the' }),
        mark('lock', words(20, 4), { see: 'weir' }),
        ...filler(5),
        mark('barge', words(20, 6), { seeAlso: 'weir' }),
      ]),
      division('index', [p('Index', 'TOH')], { matter: 'back' }),
    ]);
    const composed = compose(made);
    const folio = (block: number) => {
      const { id } = made.divisions[0].blocks[block];
      return composed.pages.find(({ fragments }) => fragments.some(({ paragraph }) => paragraph.styled.block === id))!
        .folio;
    };
    expect(listOf(composed, 'index')).to.deep.equal([
      'B',
      `barge, ${folio(18)}. See also weir`,
      'L',
      'lock, see weir',
      'W',
      `weir, ${folio(1)}`,
      `oak of the, ${folio(9)}`,
    ]);
    const set = composed.pages
      .flatMap(({ fragments }) => fragments.map(({ paragraph }) => paragraph.styled.text))
      .join(' ');
    expect(set.includes('\uFFFC')).to.equal(false);
  });

  it('says a term again above its sub-entries at a verso head, and nowhere else', () => {
    const marks = Array.from({ length: 130 }, (_, k) => ({
      ...p('\uFFFCwords'),
      objects: [
        {
          at: 0,
          kind: 'index' as const,
          term: k < 10 ? `alder ${k}` : 'weir',
          sub: k < 10 ? '' : `part ${String(k).padStart(3, '0')}`,
          see: '',
          seeAlso: '',
          range: 'here' as const,
        },
      ],
    }));
    const made = book([
      division('chapter', [p('Salt', 'CT'), ...marks]),
      division('index', [p('Index', 'TOH')], { matter: 'back' }),
    ]);
    const composed = compose(made);
    expect(composed.findings.some(({ kind }) => kind === 'unsettled')).to.equal(false);
    const pages = composed.pages.filter(({ divisionRole, isMade }) => divisionRole === 'index' && !isMade);
    expect(pages.length).to.be.above(2);
    for (const page of pages) {
      const lines = linesOf(page);
      const isVerso = page.side === 'verso';
      expect(lines[0] === 'weir (continued)').to.equal(isVerso);
      expect(lines.slice(1).filter((line) => line.includes('continued'))).to.deep.equal([]);
    }
    const context = newContext();
    compose(book(made.divisions.slice(0, 1)), context);
    expect(essence(compose(made, context))).to.deep.equal(essence(composed));
  });

  it('runs sub-entries in when it is told to', () => {
    const mark = (sub: string): Paragraph => ({
      ...p('\uFFFCwords'),
      objects: [{ at: 0, kind: 'index', term: 'weir', sub, see: '', seeAlso: '', range: 'here' }],
    });
    const spec = { ...NOVEL_SPEC, index: { ...NOVEL_SPEC.index, subentries: 'runIn' as const, letterHeads: false } };
    const composed = compose(
      book(
        [
          division('chapter', [p('Salt', 'CT'), mark('oak'), mark('sluices')]),
          division('index', [p('Index', 'TOH')], { matter: 'back' }),
        ],
        [],
        spec,
      ),
    );
    expect(listOf(composed, 'index')).to.deep.equal(['weir: oak, 1; sluices, 1']);
  });
});
