import { expect } from 'chai';
import fc from 'fast-check';
import { InvariantError } from '../../../src/core/base/errors';
import { applyEdit, applyEdits, invertEdits, setParticularsEdit, setSpecEdit } from '../../../src/core/edit';
import type { Book } from '../../../src/core/model/copy/book';
import { eachStream } from '../../../src/core/model/copy/book';
import type { BookEdit } from '../../../src/core/model/copy/bookEdit';
import { book, chapter, division, note, p } from '../../build/book';

const start = () => book([chapter('One', 'a', 'b', 'c'), chapter('Two', 'd{1}')], [note(1, 'x')]);

/** A random edit of a book that fits its state. */
function makeEdit(from: Book, kind: number, a: number, b: number): BookEdit {
  const at = a % from.divisions.length;
  const target = from.divisions[at];
  switch (kind) {
    case 0: {
      const place = b % (target.blocks.length + 1);
      const removed = target.blocks.slice(place, place + (a % 3));
      return { kind: 'replaceBlocks', stream: target.id, at: place, removed, inserted: [p(`new ${a}`), p(`${b}`)] };
    }
    case 1:
      return setSpecEdit(from, ['page', 'margins', 'head'], { pt: a, unit: 'pt' });
    case 2:
      return setParticularsEdit(from, 'title', `T${b}`);
    case 3:
      return { kind: 'moveDivision', from: at, to: b % from.divisions.length };
    case 4:
      return { kind: 'insertDivision', at, division: division('chapter', [p('new')]) };
    case 5: {
      const { id: _id, blocks: _blocks, ...facts } = target;
      return { kind: 'setDivision', id: target.id, from: facts, to: { ...facts, start: 'recto' } };
    }
    case 6:
      return { kind: 'setNote', id: 'n9', from: from.notes.n9 ?? null, to: from.notes.n9 ? null : note(9, 'y') };
    case 7:
      return {
        kind: 'setStyle',
        tag: 'ZZ',
        from: from.spec.styles.ZZ ?? null,
        to: from.spec.styles.ZZ ? null : { name: 'Z' },
      };
    case 8:
      return from.divisions.length > 1
        ? { kind: 'removeDivision', at, division: target }
        : { kind: 'setNextId', from: from.nextId, to: b };
    default:
      return {
        kind: 'replaceBlocks',
        stream: 'n1',
        at: 0,
        removed: from.notes.n1.blocks.slice(0, 1),
        inserted: [p('z', 'NT')],
      };
  }
}

const steps = fc.array(fc.tuple(fc.integer({ min: 0, max: 9 }), fc.nat(1000), fc.nat(1000)), { maxLength: 25 });

describe('book edits', () => {
  it('are taken back by their inverses, in any number', () => {
    fc.assert(
      fc.property(steps, (list) => {
        const before = start();
        const edits: BookEdit[] = [];
        let now = before;
        for (const [kind, a, b] of list) {
          const edit = makeEdit(now, kind, a, b);
          edits.push(edit);
          now = applyEdit(now, edit);
        }
        expect(applyEdits(now, invertEdits(edits))).to.deep.equal(before);
      }),
      { numRuns: 300 },
    );
  });

  it('give the same book when they have crossed a message', () => {
    fc.assert(
      fc.property(steps, (list) => {
        let here = start();
        let there = structuredClone(here);
        for (const [kind, a, b] of list) {
          const edit = makeEdit(here, kind, a, b);
          here = applyEdit(here, edit);
          there = applyEdit(there, structuredClone(edit));
        }
        expect(there).to.deep.equal(here);
      }),
      { numRuns: 200 },
    );
  });

  it('keep the identity of everything that they do not touch', () => {
    const before = start();
    const [first, second] = before.divisions;
    const after = applyEdit(before, {
      kind: 'replaceBlocks',
      stream: first.id,
      at: 1,
      removed: [first.blocks[1]],
      inserted: [p('A')],
    });
    expect(after.divisions[1]).to.equal(second);
    expect(after.divisions[0].blocks[0]).to.equal(first.blocks[0]);
    expect(after.divisions[0].blocks[2]).to.equal(first.blocks[2]);
    expect(after.spec).to.equal(before.spec);
    expect(after.notes).to.equal(before.notes);
  });

  it('reach the cells of tables', () => {
    const table = {
      kind: 'table' as const,
      id: 't1',
      style: 'TB',
      columns: 1,
      rows: [[{ id: 'c1', blocks: [p('cell')] }]],
    };
    const made = { ...start(), divisions: [{ ...division('chapter', []), blocks: [table] }] };
    const after = applyEdit(made, {
      kind: 'replaceBlocks',
      stream: 'c1',
      at: 0,
      removed: table.rows[0][0].blocks,
      inserted: [p('new')],
    });
    const texts = [...eachStream(after)]
      .filter((place) => place.owner === 'cell')
      .flatMap((place) => place.blocks.map((block) => (block.kind === 'paragraph' ? block.text : '')));
    expect(texts).to.deep.equal(['new']);
  });

  it('refuse to be applied to another state of the book', () => {
    const made = start();
    const wrong: BookEdit = {
      kind: 'replaceBlocks',
      stream: made.divisions[0].id,
      at: 0,
      removed: [p('other')],
      inserted: [],
    };
    expect(() => applyEdit(made, wrong)).to.throw(InvariantError);
    expect(() => applyEdit(made, { kind: 'replaceBlocks', stream: 'd999', at: 0, removed: [], inserted: [] })).to.throw(
      InvariantError,
    );
    expect(() => setSpecEdit(made, ['page', 'nothing'], 1)).to.throw(InvariantError);
  });
});
