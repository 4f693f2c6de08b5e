import { expect } from 'chai';
import fc from 'fast-check';
import { noteLabel, numberNotes } from '../../../src/core/numbering/numberNotes';
import type { Book } from '../../../src/core/model/copy/book';
import {
  ENDNOTE,
  FOOTNOTE,
  NOTE_NUMERALS,
  noteClass,
  noteKind,
  type NoteKind,
} from '../../../src/core/model/spec/notes';
import { NOVEL_SPEC } from '../../../src/core/defaults/novelSpec';
import type { NotePlaces } from '../../../src/core/model/composed/referenceTable';
import { book, chapter, division, note, p } from '../../build/book';

const withKinds = (of: Book, kinds: Record<string, Partial<NoteKind>>): Book => ({
  ...of,
  spec: {
    ...NOVEL_SPEC,
    notes: {
      ...NOVEL_SPEC.notes,
      kinds: Object.fromEntries(Object.entries(kinds).map(([id, kind]) => [id, { ...FOOTNOTE, ...kind }])),
    },
  },
});

const labels = (of: Book, places: NotePlaces = {}) => Object.fromEntries(numberNotes(of, places).labels);
const kindOf = (id: number, kind: string, ...texts: string[]) => ({ ...note(id, ...texts), kind });

describe('numbers of notes', () => {
  it('are in the signs of their kind, doubled after the last', () => {
    const said = (of: Partial<NoteKind>, ...values: number[]) =>
      values.map((value) => noteLabel({ numerals: 'arabic', signs: [], ...of }, value)).join(' ');
    expect(said({}, 1, 12)).to.equal('1 12');
    expect(said({ numerals: 'roman' }, 1, 4, 9)).to.equal('i iv ix');
    expect(said({ numerals: 'Roman' }, 4)).to.equal('IV');
    expect(said({ numerals: 'letters' }, 1, 26, 27)).to.equal('a z aa');
    expect(said({ numerals: 'Letters' }, 2)).to.equal('B');
    expect(said({ numerals: 'symbols' }, 1, 2, 6, 7, 8, 13)).to.equal('* † ¶ ** †† ***');
    expect(said({ numerals: 'list', signs: ['α', 'β'] }, 1, 2, 3, 6)).to.equal('α β αα βββ');
    expect(said({ numerals: 'list' }, 3)).to.equal('3');
  });

  it('are never alike within a count, and never empty', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...NOTE_NUMERALS),
        fc.uniqueArray(fc.constantFrom('α', 'β', '#', '°'), { maxLength: 4 }),
        fc.integer({ min: 1, max: 300 }),
        fc.integer({ min: 1, max: 300 }),
        (numerals, signs, a, b) => {
          const [x, y] = [a, b].map((value) => noteLabel({ numerals, signs }, value));
          expect(x).to.not.equal('');
          expect(x === y).to.equal(a === b);
        },
      ),
      { numRuns: 500 },
    );
  });

  const three = () =>
    book(
      [
        division('part', [p('Part', 'PT')]),
        chapter('One', 'a{1} b{2}', 'c{3}'),
        chapter('Two', 'd{4}'),
        division('part', [p('Part', 'PT')]),
        chapter('Three', 'e{5} f{6}'),
      ],
      [1, 2, 3, 4, 5, 6].map((id) => kindOf(id, 'k', 'w')),
    );

  it('begin again by page, division, part or never, from the first number', () => {
    const counted = (of: Partial<NoteKind>, places: NotePlaces = {}) =>
      Object.values(labels(withKinds(three(), { k: of }), places)).join(' ');
    expect(counted({ restart: 'never' })).to.equal('1 2 3 4 5 6');
    expect(counted({ restart: 'division' })).to.equal('1 2 3 1 1 2');
    expect(counted({ restart: 'part' })).to.equal('1 2 3 4 1 2');
    expect(counted({ restart: 'part', first: 5 })).to.equal('5 6 7 8 5 6');
    const on = (...pages: number[]) =>
      Object.fromEntries(pages.map((page, k) => [`n${k + 1}`, { page, folio: String(page) }]));
    expect(counted({ restart: 'page' }, on(1, 1, 2, 4, 6, 6))).to.equal('1 2 1 1 1 2');
    // While no page is known they count through the division.
    expect(counted({ restart: 'page' })).to.equal('1 2 3 1 1 2');
  });

  it('count each kind by itself; keyed notes have none, a kind that is gone is the first', () => {
    const mixed = book(
      [chapter('One', 'a{1} b{2} c{3} d{4} e{5}')],
      [kindOf(1, 'a', 'x'), kindOf(2, 'b', 'x'), kindOf(3, 'a', 'x'), kindOf(4, 'key', 'x'), kindOf(5, 'gone', 'x')],
    );
    const made = withKinds(mixed, { a: {}, b: { numerals: 'letters' }, key: { keyed: true } });
    expect(labels(made)).to.deep.equal({ n1: '1', n2: 'a', n3: '2', n4: '', n5: '3' });
    expect(noteKind(made.spec.notes, 'gone')).to.equal(made.spec.notes.kinds.a);
  });

  it('stand in the order of reading: a note’s own references follow it, cells come in their place', () => {
    const inside = book([chapter('One', 'a{1} b{3}')], [note(1, 'x{2}'), note(2, 'y{1}'), note(3, 'z')]);
    const numbered = numberNotes(inside);
    expect(Object.fromEntries(numbered.labels)).to.deep.equal({ n1: '1', n2: '2', n3: '3' });
    expect([...numbered.byDivision.values()]).to.deep.equal([['n1', 'n2', 'n3']]);
  });

  it('are footnotes or endnotes, by their place, to a file that knows only these', () => {
    const { notes } = withKinds(three(), {
      a: {},
      b: { ...ENDNOTE },
      c: { place: 'margin' },
      d: { place: 'divisionEnd' },
    }).spec;
    expect(['a', 'b', 'c', 'd'].map((id) => noteClass(notes, id))).to.deep.equal([
      'footnote',
      'endnote',
      'footnote',
      'endnote',
    ]);
  });
});
