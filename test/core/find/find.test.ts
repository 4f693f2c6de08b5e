import { expect } from 'chai';
import fc from 'fast-check';
import { ValueError } from '../../../src/core/base/errors';
import { applyEdits, invertEdits } from '../../../src/core/edit';
import { findAll, replaceAll } from '../../../src/core/find';
import type { Book } from '../../../src/core/model/copy/book';
import type { FindQuery } from '../../../src/core/model/answers/find';
import { OBJECT_CHARACTER, paragraph, type Paragraph } from '../../../src/core/model/copy/streams';
import { drain } from '../../build/assets';
import { book, chapter, note, p } from '../../build/book';

const query = (words: string, rest: Partial<FindQuery> = {}): FindQuery => ({
  words,
  isPattern: false,
  wholeWords: false,
  matchCase: false,
  style: null,
  look: null,
  division: null,
  within: null,
  ...rest,
});
const found = (made: Book, asked: FindQuery) => drain(findAll(made, asked)).map((hit) => hit.found);
const replaced = (made: Book, asked: FindQuery, words: string, style: string | null = null, only?: Set<string>) => {
  const { edits, count } = drain(replaceAll(made, asked, { words, style, paragraphStyle: null }, only));
  return { made: applyEdits(made, edits), edits, count };
};
const texts = (made: Book) => made.divisions[0].blocks.map((block) => (block as Paragraph).text);

describe('finding', () => {
  const made = book(
    [chapter('One', 'The ferry, the Ferry and a ferryman.', 'A *ferry*{1} again.'), chapter('Two', 'No ferry here.')],
    [note(1, 'A ferry in a note.')],
  );

  it('finds words, whole words and cases, in text and notes, in the order of the book', () => {
    expect(found(made, query('ferry'))).to.have.length(6);
    expect(found(made, query('ferry', { wholeWords: true }))).to.have.length(5);
    expect(found(made, query('Ferry', { matchCase: true }))).to.deep.equal(['Ferry']);
    expect(found(made, query('(ferry)'))).to.deep.equal([]);
    const [hit] = drain(findAll(made, query('ferryman')));
    expect([hit.before.endsWith('and a '), hit.after]).to.deep.equal([true, '.\nA ferry\uFFFC again.']);
  });

  it('finds in a division and its notes, and by paragraph style', () => {
    expect(found(made, query('ferry', { division: made.divisions[0].id }))).to.have.length(5);
    expect(found(made, query('o', { style: 'CT' }))).to.have.length(2);
  });

  it('finds patterns and tokens, and says of what is no pattern that it is none', () => {
    expect(found(made, query('f\\w+y\\b', { isPattern: true }))).to.have.length(5);
    expect(found(made, query('{note} again'))).to.deep.equal(['\uFFFC again']);
    expect(found(made, query('ferryman.{paragraph}A'))).to.deep.equal(['ferryman.\nA']);
    expect(() => found(made, query('(', { isPattern: true }))).to.throw(ValueError, 'not a pattern');
    expect(found(made, query(''))).to.deep.equal([]);
  });
});

describe('replacing', () => {
  it('keeps looks and notes, and touches no other paragraph', () => {
    const made = book([chapter('One', 'A *ferry*{1} again.', 'Nothing.')], [note(1, 'x')]);
    const { made: after, count } = replaced(made, query('ferry'), 'boat');
    const [, block, other] = after.divisions[0].blocks as Paragraph[];
    expect([block.text, count]).to.deep.equal([`A boat${OBJECT_CHARACTER} again.`, 1]);
    expect(block.spans).to.deep.equal([{ from: 2, to: 6, touches: { italic: true } }]);
    expect(block.objects).to.deep.equal([{ at: 6, kind: 'note', note: 'n1' }]);
    expect(other).to.equal(made.divisions[0].blocks[2]);
    const without = replaced(made, query('ferry{note} again'), 'boat').made.divisions[0].blocks[1] as Paragraph;
    expect(without.objects).to.have.length(1);
  });

  it('takes groups of a pattern, and gives a style', () => {
    const made = book([chapter('One', 'On 12 May and 3 June.')]);
    const { made: after } = replaced(made, query('(\\d+) (May|June)', { isPattern: true }), '$2 $1', 'sc');
    const block = after.divisions[0].blocks[1] as Paragraph;
    expect(block.text).to.equal('On May 12 and June 3.');
    expect(block.spans).to.deep.equal([
      { from: 3, to: 9, style: 'sc' },
      { from: 14, to: 20, style: 'sc' },
    ]);
  });

  it('joins lines in steps: ends protected, singles joined, ends restored', () => {
    const lines = ['one', 'two', '', 'three', 'four', '', 'five'];
    const made = book([{ ...chapter('x'), blocks: lines.map((line) => p(line)) }]);
    const one = replaced(made, query('{paragraph}{paragraph}'), '§§').made;
    const two = replaced(one, query('{paragraph}'), ' ').made;
    const three = replaced(two, query('§§'), '{paragraph}').made;
    expect(texts(three)).to.deep.equal(['one two', 'three four', 'five']);
    const ids = three.divisions[0].blocks.map((block) => block.id);
    expect(new Set(ids).size).to.equal(3);
    expect(ids[0]).to.equal(made.divisions[0].blocks[0].id);
    expect(three.nextId).to.be.above(made.nextId);
  });

  it('makes tabs and soft returns, and takes them away', () => {
    const made = book([chapter('One', 'a: b; c')]);
    const { made: after } = replaced(made, query(': '), '{tab}');
    const tabbed = replaced(after, query('; '), '{line}').made.divisions[0].blocks[1] as Paragraph;
    expect(tabbed.objects.map((object) => object.kind)).to.deep.equal(['tab', 'break']);
    const back = replaced(replaced(after, query('{tab}'), ': ').made, query('; '), '; ').made;
    expect((back.divisions[0].blocks[1] as Paragraph).objects).to.deep.equal([]);
    expect(texts(back)[1]).to.equal('a: b; c');
  });

  it('replaces only the places that are ticked', () => {
    const made = book([chapter('One', 'x x x')]);
    const hits = drain(findAll(made, query('x')));
    const only = new Set([`${hits[1].stream} ${hits[1].at}`]);
    expect(texts(replaced(made, query('x'), 'y', null, only).made)[1]).to.equal('x y x');
  });

  it('comes to what replacing in the plain text comes to, and is undone by its inverses', () => {
    const words = fc.array(fc.constantFrom('a', 'b', 'ab', '', 'ba b', 'aa'), { minLength: 1, maxLength: 6 });
    fc.assert(
      fc.property(
        words,
        fc.constantFrom('a', 'ab', '{paragraph}', 'b{paragraph}', '{paragraph}{paragraph}a'),
        fc.constantFrom('', 'x', 'y{paragraph}z', '{paragraph}'),
        (lines, from, to) => {
          const made = book([{ ...chapter('x'), blocks: lines.map((line, k) => paragraph(`p${k + 1}`, 'TX', line)) }]);
          const { made: after, edits } = replaced(made, query(from, { matchCase: true }), to);
          const plain = (text: string) => text.replaceAll('{paragraph}', '\n');
          expect(texts(after).join('\n')).to.equal(lines.join('\n').replaceAll(plain(from), plain(to)));
          expect(applyEdits(after, invertEdits(edits))).to.deep.equal(made);
          const ids = after.divisions[0].blocks.map((block) => block.id);
          expect(new Set(ids).size).to.equal(ids.length);
        },
      ),
      { numRuns: 1000 },
    );
  });
});

describe('finding looks and inside stretches', () => {
  const styled = (): Book =>
    book([
      {
        ...chapter('One'),
        blocks: [
          { ...paragraph('p1', 'TX', 'The ferry and the ferry.'), spans: [{ from: 4, to: 9, style: 'em' }] },
          { ...paragraph('p2', 'EXT', 'A ferry.'), spans: [{ from: 2, to: 7, touches: { italic: true } }] },
          paragraph('p3', 'TX', 'No more.'),
        ],
      },
    ]);

  it('finds words of a character style or touch, stretches of it without words, and whole paragraphs of a style', () => {
    const made = styled();
    const em = { kind: 'style', style: 'em' } as const;
    expect(
      drain(findAll(made, query('ferry', { look: em }))).map(({ block, offset }) => [block, offset]),
    ).to.deep.equal([['p1', 4]]);
    expect(found(made, query('ferry a', { look: em }))).to.deep.equal([]);
    expect(found(made, query('', { look: { kind: 'touch', touch: 'italic' } }))).to.deep.equal(['ferry']);
    expect(found(made, query('', { style: 'EXT' }))).to.deep.equal(['A ferry.']);
    expect(found(made, query(''))).to.deep.equal([]);
  });

  it('stays inside what is selected, over the ends of paragraphs too', () => {
    const made = styled();
    expect(found(made, query('ferry', { within: [{ block: 'p1', from: 10, to: 24 }] }))).to.deep.equal(['ferry']);
    const over = query('.{paragraph}', {
      within: [
        { block: 'p1', from: 20, to: 24 },
        { block: 'p2', from: 0, to: 3 },
      ],
    });
    expect(found(made, over)).to.deep.equal(['.\n']);
    expect(found(made, { ...over, within: [{ block: 'p1', from: 20, to: 23 }] })).to.deep.equal([]);
  });

  it('sets paragraphs in which something is replaced in a style', () => {
    const made = styled();
    const { edits } = drain(replaceAll(made, query('No'), { words: 'Not', style: null, paragraphStyle: 'EXT' }));
    const [, , last] = applyEdits(made, edits).divisions[0].blocks as Paragraph[];
    expect([last.text, last.style]).to.deep.equal(['Not more.', 'EXT']);
  });
});

describe('restyling what is found', () => {
  const made = book(
    [chapter('One', 'A *ferry*{1} and *another one* here.', 'No look.'), chapter('Two', 'The *last*.')],
    [note(1, 'x')],
  );
  const look = { kind: 'touch', touch: 'italic' } as const;
  const restyled = (asked: FindQuery, style: string | null, paragraphStyle: string | null, only?: Set<string>) => {
    const { edits, count } = drain(replaceAll(made, asked, { words: null, style, paragraphStyle }, only));
    return { after: applyEdits(made, edits), count };
  };
  const copyOf = (of: Book) =>
    of.divisions.map(({ blocks }) => blocks.map((block) => [(block as Paragraph).text, (block as Paragraph).objects]));

  it('keeps every word and note, by a look, by a style and by words', () => {
    for (const [asked, count] of [
      [query('', { look }), 3],
      [query('', { style: 'TX' }), 3],
      [query('r.*?n', { isPattern: true }), 2],
      [query('{note}'), 1],
      [query('here.{paragraph}No'), 1],
    ] as const) {
      const one = restyled(asked, 'sc', 'EXT');
      expect([one.count, copyOf(one.after)]).to.deep.equal([count, copyOf(made)]);
    }
  });

  it('gives the style to just what was found, or to one place', () => {
    const { after } = restyled(query('', { look }), 'sc', null);
    const [, first, second] = after.divisions[0].blocks as Paragraph[];
    expect(first.spans).to.deep.equal([
      { from: 2, to: 7, style: 'sc', touches: { italic: true } },
      { from: 13, to: 24, style: 'sc', touches: { italic: true } },
    ]);
    expect(second).to.equal(made.divisions[0].blocks[2]);
    const [hit] = drain(findAll(made, query('', { look })));
    const one = restyled(query('', { look }), null, 'EXT', new Set([`${hit.stream} ${hit.at}`]));
    expect(one.count).to.equal(1);
    expect((one.after.divisions[0].blocks as Paragraph[]).map(({ style }) => style)).to.include('EXT');
    expect(copyOf(one.after)).to.deep.equal(copyOf(made));
  });

  it('deletes only when deleting is asked for', () => {
    const { edits } = drain(replaceAll(made, query('', { look }), { words: '', style: null, paragraphStyle: null }));
    expect(texts(applyEdits(made, edits))[1]).to.equal(`A ${OBJECT_CHARACTER} and  here.`);
  });
});
