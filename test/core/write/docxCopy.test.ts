// The copy as a Word document and back: divisions, sections, index marks and subtitle, and the words of both demonstration books.
import { plainBook } from '../../../src/core/copy/figures/gatherFigures';
import { expect } from 'chai';
import fc from 'fast-check';
import { copyDivisions } from '../../../src/core/write/copy/copyOf';
import { makeBook, readManuscript } from '../../../src/core/import';
import { fieldOfMark, indexMarkOf, rangeOfField } from '../../../src/core/copy/indexField';
import type { Book } from '../../../src/core/model/copy/book';
import { ROLES, roleFacts, type DivisionRole } from '../../../src/core/model/copy/roles';
import {
  OBJECT_CHARACTER,
  paragraph,
  type Block,
  type InlineObject,
  type Paragraph,
  type PictureBytes,
} from '../../../src/core/model/copy/streams';
import { drain, readAsset } from '../../build/assets';
import { book } from '../../build/book';
import { copyFile } from '../../build/files';

/** What a copy is, ids left out: the divisions in order with their blocks, notes where they are referred to. */
function copyOf(of: Book): unknown {
  const made = plainBook(of);
  const block = (one: Block): unknown => {
    if (one.kind === 'table') return one.rows.map((row) => row.map((cell) => cell.blocks.map(block)));
    const { style, text, spans, touches = {}, list } = one;
    const { align, breakBefore, section, direction } = touches;
    const objects = one.objects
      .filter(({ kind }) => kind !== 'field')
      .map((object) => (object.kind === 'note' ? made.notes[object.note].blocks.map(block) : object));
    return { style, text, spans, objects, touches: { align, breakBefore, section, direction }, list };
  };
  return copyDivisions(made).map(({ role, matter, blocks }) => [role, matter, blocks.map(block)]);
}

const cameBack = (made: Book, pictures: PictureBytes = {}): Book =>
  makeBook(drain(readManuscript('copy.docx', copyFile(made, 'docx', pictures))), {
    bookId: 'b9',
    fileName: 'copy.docx',
  });

const signs = fc
  .string({ unit: fc.constantFrom(...'ab é“”"\':;\\,&<>.'), minLength: 1, maxLength: 12 })
  .map((text) => `x${text}x`);
const roles = (Object.keys(ROLES) as DivisionRole[]).filter(
  (role) => roleFacts(role).made !== true && role !== 'notes',
);

interface Piece {
  readonly words: string;
  readonly term: string | null;
  readonly sub: string;
  readonly told: 'see' | 'seeAlso' | null;
  readonly isRange: boolean;
  readonly section: string | null;
}

const piece: fc.Arbitrary<Piece> = fc.record({
  words: signs,
  term: fc.option(signs),
  sub: fc.constantFrom('', '', 'of oak', 'a: b "c"'),
  told: fc.constantFrom(null, null, 'see' as const, 'seeAlso' as const),
  isRange: fc.boolean(),
  section: fc.option(fc.constantFrom('', 'The posts', 'Salt & “mud”')),
});

/** A paragraph with an index mark at its beginning; the end of a range stands at its end. */
function paragraphOf({ words, term, sub, told, isRange, section }: Piece, id: string, number: number): Paragraph {
  const touches = section === null ? {} : { touches: { section } };
  if (term === null) return paragraph(id, 'TX', words, touches);
  // Each range has a term of its own, so that ends find their beginnings.
  const own = { term: `${term} ${number}`, sub };
  const see = { see: told === 'see' ? 'locks' : '', seeAlso: told === 'seeAlso' ? 'weirs' : '' };
  const objects: InlineObject[] = [{ kind: 'index', at: 0, ...own, ...see, range: isRange ? 'from' : 'here' }];
  let text = OBJECT_CHARACTER + words;
  if (isRange) {
    objects.push({ kind: 'index', at: text.length, ...own, see: '', seeAlso: '', range: 'to' });
    text += OBJECT_CHARACTER;
  }
  return paragraph(id, 'TX', text, { objects, ...touches });
}

describe('the copy as a Word document, and back', () => {
  it('is the same copy: roles, parts, sections, index marks, subtitle', () => {
    const divisions = fc.array(
      fc.record({
        role: fc.constantFrom(...roles),
        title: fc.option(signs),
        pieces: fc.array(piece, { maxLength: 4 }),
      }),
      { minLength: 1, maxLength: 6 },
    );
    fc.assert(
      fc.property(divisions, fc.constantFrom('', 'An account & “more”'), (list, subtitle) => {
        let ids = 0;
        const id = () => `p${(ids += 1)}`;
        const made = book(
          list.map(({ role, title, pieces }, k) => {
            const head =
              title === null || roleFacts(role).display ? [] : [paragraph(id(), role === 'part' ? 'PT' : 'CT', title)];
            const blocks = role === 'blank' ? [] : [...head, ...pieces.map((one) => paragraphOf(one, id(), ids))];
            return { id: `d${k + 1}`, role, matter: roleFacts(role).matter, listed: false, blocks };
          }),
        );
        fc.pre(made.divisions.some(({ blocks }) => blocks.some(hasWords)));
        const source = { ...made, particulars: { ...made.particulars, subtitle } };
        const back = cameBack(source);
        const filled = (one: Book): Book => ({
          ...one,
          divisions: one.divisions.map((division) => ({ ...division, blocks: division.blocks.filter(hasWords) })),
        });
        expect(copyOf(filled(back))).to.deep.equal(copyOf(filled(source)));
        expect(back.particulars.subtitle).to.equal(subtitle);
      }),
      { numRuns: 300 },
    );
  });

  for (const name of ['the-ferry-register', 'keeping-a-tidal-garden'])
    it(`is the same copy of ${name}`, () => {
      const manuscript = drain(readManuscript('a.docx', readAsset(`demo/${name}.docx`)));
      const source = makeBook(manuscript, { bookId: 'b1', fileName: 'a.docx' });
      const once = cameBack(source, manuscript.pictures);
      expect(copyOf(once)).to.deep.equal(copyOf(source));
      expect(copyOf(cameBack(once, manuscript.pictures))).to.deep.equal(copyOf(once));
    });

  it('keeps a chapter that its author puts between two others', () => {
    const source = book([
      {
        id: 'd1',
        role: 'preface',
        matter: 'front',
        listed: true,
        blocks: [
          paragraph('p1', 'CT', 'Before'),
          paragraph('p2', 'TX', 'Words.'),
          paragraph('p3', 'CT', 'A chapter that was typed'),
          paragraph('p4', 'TX', 'More.'),
        ],
      },
      {
        id: 'd2',
        role: 'chapter',
        matter: 'body',
        listed: true,
        blocks: [paragraph('p5', 'CN', '1'), paragraph('p6', 'CT', 'One'), paragraph('p7', 'TX', 'End.')],
      },
    ]);
    const back = copyDivisions(cameBack(source));
    expect(back.map(({ role, blocks }) => [role, blocks.length])).to.deep.equal([
      ['preface', 2],
      ['chapter', 2],
      ['chapter', 3],
    ]);
  });

  it('says index marks as fields that other programs make', () => {
    const mark = { term: 'weir', sub: 'of "oak": old', see: '', seeAlso: '', range: 'here' } as const;
    expect(fieldOfMark(mark, null)).to.equal(' XE "weir:of \\"oak\\"\\: old" ');
    expect(indexMarkOf(fieldOfMark({ ...mark, see: 'lock "a"' }, 'x'))).to.deep.equal({ ...mark, see: 'lock "a"' });
    expect(rangeOfField(' XE "a" \\r "mark1" ')).to.equal('mark1');
    expect(indexMarkOf(' XE “weir:of oak” \\t “See also lock” ')).to.include({
      term: 'weir',
      sub: 'of oak',
      seeAlso: 'lock',
    });
    expect(indexMarkOf(' XE "a\\\\:b" ')).to.include({ term: 'a\\', sub: 'b' });
  });
});

const hasWords = (block: Block): boolean => block.kind === 'table' || block.text.trim() !== '';
