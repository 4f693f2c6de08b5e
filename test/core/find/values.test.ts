import { expect } from 'chai';
import { applyEdits } from '../../../src/core/edit';
import { findAll, findInScope, replaceAll } from '../../../src/core/find';
import { EMPTY_PARAGRAPH, type AskedValue, type FindQuery } from '../../../src/core/model/answers/find';
import type { Book } from '../../../src/core/model/copy/book';
import type { Paragraph } from '../../../src/core/model/copy/streams';
import { drain } from '../../build/assets';
import { book, chapter, division, p } from '../../build/book';

const query = (rest: Partial<FindQuery> = {}): FindQuery => ({
  words: '',
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
const byValue = (made: Book, value: AskedValue, words = '') =>
  found(made, query({ words, look: { kind: 'value', value } }));

describe('finding by value', () => {
  const plain = p('Set as the text.');
  const large: Paragraph = { ...p('Large, and small here.'), touches: { look: { size: 16 } } };
  const mixed: Paragraph = {
    ...p('One word in another face.'),
    spans: [
      { from: 4, to: 8, touches: { face: 'Source Sans 3', size: 9, colour: '#AA0000' } },
      { from: 12, to: 19, style: 'red' },
      { from: 20, to: 24, language: 'fr' },
    ],
  };
  const french = { ...division('chapter', [p('Deux', 'CT'), p('Bonjour.')]), language: 'fr' };
  const base = book([division('chapter', [p('One', 'CT'), plain, large, mixed]), french]);
  const made: Book = {
    ...base,
    spec: {
      ...base.spec,
      characterStyles: {
        ...base.spec.characterStyles,
        red: { name: 'Red', ink: { ink: 'Cinnabar', tint: 100 }, size: 16 },
      },
    },
  };

  it('finds text in a size, whatever says so: the spec, a style, a paragraph, a stretch', () => {
    const size = made.spec.text.size.pt;
    expect(byValue(made, { of: 'size', pt: 16 })).to.deep.equal(['Large, and small here.', 'another']);
    expect(byValue(made, { of: 'size', pt: 9 })).to.deep.equal(['word']);
    expect(byValue(made, { of: 'size', pt: size })).to.include.members(['Set as the text.', 'One ', ' in ', ' face.']);
    expect(byValue(made, { of: 'size', pt: 16 }, 'small')).to.deep.equal(['small']);
    expect(byValue(made, { of: 'size', pt: 77 })).to.deep.equal([]);
  });

  it('finds text in a face, an ink or a language', () => {
    expect(byValue(made, { of: 'face', family: 'source-sans-3' })).to.deep.equal(['word']);
    expect(byValue(made, { of: 'face', family: made.spec.text.face })).to.include('Set as the text.');
    expect(byValue(made, { of: 'ink', ink: 'Cinnabar' })).to.deep.equal(['another']);
    expect(byValue(made, { of: 'ink', ink: '#aa0000' })).to.deep.equal(['word']);
    expect(byValue(made, { of: 'language', tag: 'fr' })).to.deep.equal(['face', 'Deux', 'Bonjour.']);
  });
});

describe('finding what has no words', () => {
  const made = book([
    chapter('One', 'First.', '', 'Second.', ''),
    division('chapter', [p('Two', 'CT'), p('', 'SB'), p('Third.'), p('+ + +', 'SB')]),
  ]);
  const texts = (after: Book) => after.divisions.map(({ blocks }) => blocks.map((block) => (block as Paragraph).text));

  it('finds empty paragraphs, and scene breaks by their style with words or without', () => {
    expect(found(made, query({ words: EMPTY_PARAGRAPH }))).to.deep.equal(['', '', '']);
    expect(found(made, query({ words: EMPTY_PARAGRAPH, style: 'SB' }))).to.deep.equal(['']);
    expect(found(made, query({ style: 'SB' }))).to.have.members(['', '+ + +']);
  });

  it('deletes an empty paragraph as a whole, and sets one in another style', () => {
    const asked = query({ words: EMPTY_PARAGRAPH });
    const { edits, count } = drain(replaceAll(made, asked, { words: '', style: null, paragraphStyle: null }));
    expect(count).to.equal(3);
    expect(texts(applyEdits(made, edits))).to.deep.equal([
      ['One', 'First.', 'Second.'],
      ['Two', 'Third.', '+ + +'],
    ]);
    const restyled = drain(replaceAll(made, asked, { words: null, style: null, paragraphStyle: 'SBO' }));
    const tags = applyEdits(made, restyled.edits).divisions[0].blocks.map((block) => (block as Paragraph).style);
    expect(tags).to.deep.equal(['CT', 'TX', 'SBO', 'TX', 'SBO']);
  });
});

describe('what is told of hits', () => {
  const made = book([chapter('One', 'A ferry, a ferry.'), chapter('Two', 'The ferry at 12:40.')]);

  it('is what would stand there, groups of a pattern put in', () => {
    const asked = query({ words: '(\\d+):(\\d+)', isPattern: true, put: '$1.$2{tab}' });
    expect(drain(findAll(made, asked)).map(({ becomes }) => becomes)).to.deep.equal(['12.40\t']);
    expect(drain(findAll(made, query({ words: 'ferry', put: 'boat' })))[0].becomes).to.equal('boat');
    expect(drain(findAll(made, query({ words: 'ferry' })))[0]).not.to.have.property('becomes');
  });

  it('is how many more there are outside the scope', () => {
    const { id } = made.divisions[0];
    const inDivision = drain(findInScope(made, query({ words: 'ferry', division: id })));
    expect([inDivision.hits.length, inDivision.outside]).to.deep.equal([2, 1]);
    const within = [{ block: made.divisions[1].blocks[1].id, from: 0, to: 9 }];
    const inStretch = drain(findInScope(made, query({ words: 'ferry', within })));
    expect([inStretch.hits.length, inStretch.outside]).to.deep.equal([1, 2]);
    expect(drain(findInScope(made, query({ words: 'ferry' }))).outside).to.equal(0);
  });
});
