import { expect } from 'chai';
import fc from 'fast-check';
import type { MarkSet } from '../../../src/core/model/spec/spec';
import { houseMarks } from '../../../src/core/looks/houseMarks';
import { setText } from './setText';
import { countHouseMarks } from '../../../src/core/looks/countHouseMarks';
import { book, chapter } from '../../build/book';

describe('house marks', () => {
  const cases: [MarkSet, string, string][] = [
    ['us', '"Go," she said.', '“Go,” she said.'],
    ['us', '‘Go,’ she said, ‘the “Heron” is in.’', '“Go,” she said, “the ‘Heron’ is in.”'],
    ['uk', '“Go,” she said, “the ‘Heron’ is in.”', '‘Go,’ she said, ‘the “Heron” is in.’'],
    ['us', "It's the boys' boat, 'tis said.", 'It’s the boys’ boat, ’tis said.'],
    ['us', '"\'No,\' he said," said she.', '“_‘No,’ he said,” said she.'],
    ['us', 'She waited -- then left.', 'She waited—then left.'],
    ['uk', 'She waited—then left.', 'She waited – then left.'],
    ['us', 'Wait... no.', 'Wait_._._. no.'],
    ['us', 'He left.... And', 'He left._._._. And'],
    ['us', 'pages 12-14, tel 12-14-16', 'pages 12–14, tel 12-14-16'],
    ['us', 'J. P. Marlow, 12 km', 'J._P. Marlow, 12_km'],
    ['german', '"Ja", sagte sie.', '„Ja“, sagte sie.'],
    ['french', '"Oui", dit-elle ; non !', '«_Oui_», dit-elle_; non_!'],
    ['french', '« Oui » : dit-elle', '«_Oui_»_: dit-elle'],
    ['french', '- Oui, dit-elle.', '—_Oui, dit-elle.'],
    ['typed', '"Go..." -- 12-14', '"Go..." -- 12-14'],
  ];
  for (const [marks, text, wanted] of cases) {
    it(`${marks}: ${text}`, () => expect(setText(text, marks)).to.equal(wanted));
  }

  it('go by the language of the book', () => {
    expect(setText('"Go"', 'language', 'en')).to.equal('“Go”');
    expect(setText('"Go"', 'language', 'en-GB')).to.equal('‘Go’');
    expect(setText('"Ja"', 'language', 'de')).to.equal('„Ja“');
    expect(setText('"Sí" -- no', 'language', 'es')).to.equal('«Sí» -- no');
    expect(setText('”Ja”, sade ”hon”', 'language', 'sv')).to.equal('”Ja”, sade ”hon”');
    expect(setText('"Xx"', 'language', 'xx')).to.equal('"Xx"');
  });

  it('leave a quote without its pair as it was typed, and tell where', () => {
    const { edits, unpaired } = houseMarks('She said "go and left.', 'us', 'en');
    expect(edits).to.deep.equal([]);
    expect(unpaired).to.deep.equal([9]);
    // A paragraph that opens a speech which goes on in the next one is no fault.
    expect(houseMarks('“I was there, and', 'us', 'en').unpaired).to.deep.equal([]);
  });

  it('replace stretches in order that never overlap, and keep every letter', () => {
    const piece = fc.constantFrom(
      '"',
      "'",
      '“',
      '”',
      '‘',
      '’',
      ' ',
      'word',
      'a',
      '--',
      '—',
      '...',
      '12',
      '-',
      '14',
      '.',
      '«',
      '»',
      '\uFFFC',
    );
    fc.assert(
      fc.property(
        fc.array(piece, { maxLength: 24 }),
        fc.constantFrom<MarkSet>('us', 'uk', 'french', 'german'),
        (parts, marks) => {
          const text = parts.join('');
          const { edits } = houseMarks(text, marks, 'en');
          let done = 0;
          let letters = '';
          for (const edit of edits) {
            expect(edit.from).to.be.at.least(done);
            expect(edit.to).to.be.at.least(edit.from);
            letters += text.slice(done, edit.from);
            done = edit.to;
          }
          letters += text.slice(done);
          const only = (value: string) => value.replace(/[^a-z0-9\uFFFC]/g, '');
          expect(only(letters)).to.equal(only(text));
        },
      ),
      { numRuns: 2000 },
    );
  });
});

describe('places that house marks set otherwise', () => {
  it('are counted by what stands there, none where marks are set as typed', () => {
    const made = book([chapter('Salt', '"Go," she said... It\'s pages 12-14.', '“Go,” J. P. said -- 12 km.')]);
    expect(countHouseMarks(made)).to.deep.equal({ quotes: 3, ellipses: 1, dashes: 2, spaces: 2 });
    expect(countHouseMarks(made, 'uk').quotes).to.equal(5);
    expect(countHouseMarks(made, 'typed')).to.deep.equal({ quotes: 0, ellipses: 0, dashes: 0, spaces: 0 });
  });
});
