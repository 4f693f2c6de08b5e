import { expect } from 'chai';
import { pageTableOf, supplyIndex } from '../../../../src/core/index';
import { applyEdits, invertEdits } from '../../../../src/core/edit';
import type { Book } from '../../../../src/core/model/copy/book';
import type { TypesetBook } from '../../../../src/core/model/composed/pages';
import { readSuppliedIndex } from '../../../../src/core/references';
import { checkBook } from '../../../../src/core/validate';
import { compose } from '../../../build/assets';
import { book, division, p, words } from '../../../build/book';

describe('an index that somebody supplies', () => {
  it('is read line by line: ranges, elided ends, sub-entries, see and see also', () => {
    const text = [
      'W',
      'weir, 12, 14–15; 123-24',
      '  of oak, 13',
      '\tsluices of the, iv–vi',
      'lock. See weir',
      'Landing, the Ninepenny, 7n. See also ferry',
      'year 1832, 40',
      '',
    ].join('\r\n');
    const short = readSuppliedIndex(text).map(({ term, sub, locators, see, seeAlso }) =>
      [term, sub, locators.map((range) => range.join('-')).join(' '), see, seeAlso].join(' | '),
    );
    expect(short).to.deep.equal([
      'weir |  | 12-12 14-15 123-124 |  | ',
      'weir | of oak | 13-13 |  | ',
      'weir | sluices of the | iv-vi |  | ',
      'lock |  |  | weir | ',
      'Landing, the Ninepenny |  | 7-7 |  | ferry',
      'year 1832 |  | 40-40 |  | ',
    ]);
  });

  it('is refused with the line that says nothing, and when there is none', () => {
    expect(() => readSuppliedIndex('weir, 12\n, 14')).to.throw('Line 2 of the index has no term');
    expect(() => readSuppliedIndex('\n\n')).to.throw('holds no entry');
  });

  const blocks = Array.from({ length: 40 }, (_, k) =>
    p(k === 17 ? `The old sluices stood by. ${words(90, k)}` : words(90, k)),
  );
  const pull: Book = book([
    division('chapter', [p('Salt', 'CT'), ...blocks]),
    division('index', [p('Index', 'TOH')], { matter: 'back' }),
  ]);
  const composed = compose(pull);
  const page = composed.pages.find(({ fragments }) =>
    fragments.some(({ paragraph, from }) => from === 0 && paragraph.styled.block === blocks[17].id),
  )!;
  const indexText = (made: Book) =>
    compose(made)
      .pages.filter(({ divisionRole, isMade }) => divisionRole === 'index' && !isMade)
      .flatMap(({ fragments }) => fragments.slice(1).map(({ paragraph }) => paragraph.styled.text));

  it('lives in the text from then on: the same folios on the pull’s pages, others when they move', () => {
    const supplied = `sluice, ${page.folio}\nnowhere, 2–4\nmissing, 900\nlock. See sluice`;
    const result = supplyIndex(supplied, { book: pull, table: pageTableOf(composed) }, pull, composed);
    const marked = applyEdits(pull, result.edits);
    expect(() => checkBook(JSON.parse(JSON.stringify(marked)))).to.not.throw();
    expect(applyEdits(marked, invertEdits(result.edits))).to.deep.equal(pull);
    expect(result).to.include({ entries: 4, marks: 4 });
    expect(result.questions.map(({ term, why }) => `${term}: ${why}`)).to.deep.equal(['missing: no page']);
    const shown = indexText(marked).filter((line) => line.length > 1);
    expect(shown).to.deep.equal(['lock, see sluice', 'nowhere, 2–4', `sluice, ${page.folio}`]);
    const mark = marked.divisions[0].blocks[18];
    expect(mark.kind === 'paragraph' && mark.text.startsWith('The old \uFFFCsluices')).to.equal(true);

    const [first] = marked.divisions;
    const front = Array.from({ length: 12 }, (_, k) => p(words(120, 700 + k)));
    const longer = {
      ...marked,
      divisions: [{ ...first, blocks: [first.blocks[0], ...front, ...first.blocks.slice(1)] }, marked.divisions[1]],
    };
    const moved = compose(longer).pages.find(({ fragments }) =>
      fragments.some(({ paragraph, from }) => from === 0 && paragraph.styled.block === blocks[17].id),
    )!;
    expect(moved.folio).to.not.equal(page.folio);
    expect(indexText(longer)).to.include(`sluice, ${moved.folio}`);
  });

  it('read against an earlier pull says what moved and what is gone', () => {
    const [first, second] = pull.divisions;
    const front = Array.from({ length: 12 }, (_, k) => p(words(120, 700 + k)));
    const kept = first.blocks.slice(1).filter(({ id }) => id !== blocks[30].id);
    const now = { ...pull, divisions: [{ ...first, blocks: [first.blocks[0], ...front, ...kept] }, second] };
    const gone = composed.pages.find(({ fragments }) => fragments[0]?.paragraph.styled.block === blocks[30].id);
    const supplied = [`sluice, ${page.folio}`, ...(gone ? [`lost, ${gone.folio}`] : [])].join('\n');
    const result = supplyIndex(supplied, { book: pull, table: pageTableOf(composed) }, now, compose(now));
    const told = new Map(result.questions.map((question) => [question.term, question]));
    expect(told.get('sluice')).to.include({ why: 'moved', locator: page.folio });
    if (gone) expect(told.get('lost')?.why).to.equal('text gone');
    // Read twice, nothing is marked twice.
    const once = applyEdits(now, result.edits);
    expect(
      supplyIndex(supplied, { book: pull, table: pageTableOf(composed) }, once, compose(once)).edits,
    ).to.deep.equal([]);
  });

  it('asks about an entry whose paragraph meets a page end that it did not meet in the pull', () => {
    const letters = [...'abcdefghijklmnopqrst'];
    const told = letters.map((letter, k) => p(`The sluice${letter} stood by. ${words(90, k)}`));
    const made = (front: number): Book =>
      book([
        division('chapter', [
          { ...p('Salt', 'CT'), id: 'head' },
          ...Array.from({ length: front }, (_, k) => ({ ...p('Short.'), id: `front${k}` })),
          ...told,
        ]),
        { ...division('index', [p('Index', 'TOH')], { matter: 'back' }), id: 'index' },
      ]);
    const before = compose(made(0));
    const stands = (composed: TypesetBook, id: string) =>
      composed.pages.filter(({ fragments }) => fragments.some(({ paragraph }) => paragraph.styled.block === id));
    const whole = told.flatMap(({ id }, k) => {
      const on = stands(before, id);
      return on.length === 1 ? [{ id, term: `sluice${letters[k]}`, folio: on[0].folio }] : [];
    });
    const then = { book: made(0), table: pageTableOf(before) };
    const supplied = whole.map(({ term, folio }) => `${term}, ${folio}`).join('\n');
    expect(supplyIndex(supplied, then, made(0), before).questions).to.deep.equal([]);

    let parted = 0;
    for (const front of [1, 2, 3, 4]) {
      const after = compose(made(front));
      const why = new Map(
        supplyIndex(supplied, then, made(front), after).questions.map((question) => [question.term, question.why]),
      );
      for (const { id, term, folio } of whole) {
        const [first, ...rest] = stands(after, id);
        const wanted = first.folio !== folio ? 'moved' : rest.length > 0 ? 'straddles' : undefined;
        expect(why.get(term), `${term}, ${front} before`).to.equal(wanted);
        if (wanted === 'straddles') parted += 1;
      }
    }
    expect(parted).to.be.greaterThan(0);
  });
});
