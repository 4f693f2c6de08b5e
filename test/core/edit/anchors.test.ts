import { expect } from 'chai';
import fc from 'fast-check';
import { anchorOn, anchorState } from '../../../src/core/copy/anchorState';
import { applyEdit, applyEdits, editsBetweenBooks, invertEdits } from '../../../src/core/edit';
import type { Anchor } from '../../../src/core/model/copy/anchors';
import { eachStream, type Book, type Division } from '../../../src/core/model/copy/book';
import type { BookEdit } from '../../../src/core/model/copy/bookEdit';
import type { Block, Paragraph, Table } from '../../../src/core/model/copy/streams';
import { book, chapter, note, p, seeded } from '../../build/book';

const paragraphsOf = (from: Book) =>
  [...eachStream(from)].flatMap(({ stream, blocks }) =>
    blocks.filter((block): block is Paragraph => block.kind === 'paragraph').map((block) => ({ stream, block })),
  );

/** A letter of the copy, which a stretch must not lose. */
const LETTERS = 'abcdefgh';

/** A book of short paragraphs whose letters repeat, so that places could be taken for one another; with a table and a note. */
function start(random: () => number): Book {
  const text = () =>
    Array.from({ length: 3 + Math.floor(random() * 9) }, () => pick(random, [...LETTERS, ' '])).join('');
  const made = book(
    [chapter('One', text(), text(), text()), chapter('Two', text(), text()), chapter('Three', text())],
    [note(1, text())],
  );
  const cell = (id: string, block: string) => ({ id, blocks: [{ ...p(text()), id: block }] });
  const table: Table = {
    kind: 'table',
    id: 'x1',
    style: 'TB',
    columns: 2,
    rows: [[cell('c901', 'x2'), cell('c902', 'x3')]],
  };
  const [first, ...others] = made.divisions;
  return { ...made, nextId: 1000, divisions: [{ ...first, blocks: [...first.blocks, table] }, ...others] };
}

const pick = <T>(random: () => number, list: readonly T[]): T => list[Math.floor(random() * list.length)];

/** Anchors on stretches and places all over the book. */
function withAnchors(from: Book, random: () => number): Book {
  const anchors: Record<string, Anchor> = {};
  paragraphsOf(from).forEach(({ stream, block }, k) => {
    const at = Math.floor(random() * (block.text.length + 1));
    anchors[`a${k * 2 + 1}`] = anchorOn(stream, block, at, at + Math.floor(random() * 4));
    anchors[`a${k * 2 + 2}`] = anchorOn(stream, block, Math.floor(random() * (block.text.length + 1)));
  });
  return { ...from, anchors };
}

/** The edits of one act of a person: words typed or cut, paragraphs divided, merged, moved, deleted, divisions too. */
function act(from: Book, random: () => number): BookEdit[] {
  const streams = [...eachStream(from)].filter(({ blocks }) => blocks.length > 0);
  if (streams.length === 0) return [];
  const { stream, blocks } = pick(random, streams);
  const at = Math.floor(random() * blocks.length);
  const block = blocks[at];
  const replace = (removed: readonly Block[], inserted: readonly Block[]): BookEdit => ({
    kind: 'replaceBlocks',
    stream,
    at,
    removed,
    inserted,
  });
  const text = block.kind === 'paragraph' ? block.text : '';
  const cut = Math.floor(random() * (text.length + 1));
  const other = Math.min(text.length, cut + Math.floor(random() * 5));
  const fresh = (words: string): Block => ({ ...p(words), id: `q${from.nextId}` });
  const took: BookEdit = { kind: 'setNextId', from: from.nextId, to: from.nextId + 1 };
  if (block.kind === 'table')
    return [replace([block], random() < 0.5 ? [] : [{ ...block, rows: [[...block.rows[0]].reverse()] }])];
  switch (Math.floor(random() * 8)) {
    case 0:
      return [
        replace([block], [{ ...block, text: text.slice(0, cut) + pick(random, [...LETTERS]) + text.slice(other) }]),
      ];
    case 1:
      return [replace([block], [{ ...block, text: text.slice(0, cut) + text.slice(other) }])];
    case 2:
      return [took, replace([block], [{ ...block, text: text.slice(0, cut) }, fresh(text.slice(cut))])];
    case 3: {
      const next = blocks[at + 1];
      if (next?.kind !== 'paragraph') return [replace([block], [])];
      return [replace([block, next], [{ ...block, text: text + next.text }])];
    }
    case 4:
      return [took, replace(blocks.slice(at, at + 2), [fresh('new words')])];
    case 5:
      return [replace(blocks.slice(at, at + 3), blocks.slice(at, at + 3).toReversed())];
    case 6: {
      const index = Math.floor(random() * from.divisions.length);
      const target = from.divisions[index];
      if (from.divisions.length > 1 && random() < 0.5) return [{ kind: 'removeDivision', at: index, division: target }];
      return divide(from, target, index, random() < 0.5);
    }
    default: {
      const own = from.notes.n1;
      const to =
        own === undefined
          ? note(1, text)
          : random() < 0.3
            ? null
            : { ...own, blocks: own.blocks.map((one) => ({ ...one, text: `${text}x` }) as Block) };
      return [{ kind: 'setNote', id: 'n1', from: own ?? null, to }];
    }
  }
}

/** The second half of a division becomes one of its own; put in before it is taken out, or after. */
function divide(from: Book, target: Division, index: number, insertsFirst: boolean): BookEdit[] {
  const half = Math.ceil(target.blocks.length / 2);
  const moved = target.blocks.slice(half);
  const made: Division = { ...target, id: `e${from.nextId}`, blocks: moved };
  const insert: BookEdit = { kind: 'insertDivision', at: index + 1, division: made };
  const remove: BookEdit = { kind: 'replaceBlocks', stream: target.id, at: half, removed: moved, inserted: [] };
  const took: BookEdit = { kind: 'setNextId', from: from.nextId, to: from.nextId + 1 };
  return insertsFirst ? [took, insert, remove] : [took, remove, insert];
}

const blockOf = (from: Book, { stream, block }: Anchor) =>
  [...eachStream(from)].find((one) => one.stream === stream)?.blocks.find(({ id }) => id === block);

describe('anchors', () => {
  /** Words that are gone have a last place; by way of which stream they went is not told apart. */
  const placesOf = ({ anchors }: Book) =>
    Object.entries(anchors).map(([id, anchor]) => [id, anchor.lost === undefined ? anchor : { ...anchor, stream: '' }]);

  it('are where they were after any acts and their inverses, act by act', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1e9 }), (seed) => {
        const random = seeded(seed);
        const states = [withAnchors(start(random), random)];
        const done: BookEdit[][] = [];
        for (let k = 0; k < 12; k += 1) {
          done.push(act(states[k], random));
          states.push(applyEdits(states[k], done[k]));
        }
        let now = states[states.length - 1];
        for (let k = done.length - 1; k >= 0; k -= 1) {
          now = applyEdits(now, invertEdits(done[k]));
          expect(placesOf(now), `act ${k} taken back`).to.deep.equal(placesOf(states[k]));
        }
        for (let k = 0; k < done.length; k += 1) {
          now = applyEdits(now, done[k]);
          expect(placesOf(now), `act ${k} again`).to.deep.equal(placesOf(states[k + 1]));
        }
      }),
      { numRuns: 150 },
    );
  });

  it('stand on their words as long as their first and last letter stand, and say so when not', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1e9 }), (seed) => {
        const random = seeded(seed);
        let now = withAnchors(start(random), random);
        for (let k = 0; k < 8; k += 1) now = applyEdits(now, act(now, random));
        for (const anchor of Object.values(now.anchors)) {
          const block = blockOf(now, anchor);
          const state = anchorState(anchor, block);
          if (anchor.lost !== undefined) {
            expect(state).to.equal('gone');
            continue;
          }
          expect(block, 'the block of an anchor that stands').to.not.equal(undefined);
          const { text } = block as Paragraph;
          expect(anchor.from).to.be.within(0, text.length);
          expect(anchor.to).to.be.within(anchor.from, text.length);
          const stretch = text.slice(anchor.from, anchor.to);
          if (stretch !== '') {
            expect(stretch[0]).to.equal(anchor.words[0]);
            expect(stretch.at(-1)).to.equal(anchor.words.at(-1));
            expect(state).to.equal(stretch === anchor.words ? 'stands' : 'changed');
          }
        }
      }),
      { numRuns: 150 },
    );
  });

  const made = book([chapter('One', 'The lamp was out.', 'Nobody came.')]);
  const [first] = made.divisions;
  const [, lamp, nobody] = first.blocks as Paragraph[];
  const anchored: Book = { ...made, anchors: { a1: anchorOn(first.id, lamp, 4, 8) } };
  const replace = (removed: Block[], inserted: Block[]): BookEdit => ({
    kind: 'replaceBlocks',
    stream: first.id,
    at: first.blocks.findIndex(({ id }) => id === removed[0].id),
    removed,
    inserted,
  });
  const after = (...edits: BookEdit[]) => applyEdits(anchored, edits).anchors.a1;

  it('go with what stands before them, and into the paragraph that theirs is divided into or merged with', () => {
    expect(after(replace([lamp], [{ ...lamp, text: 'And the lamp was out.' }]))).to.include({ from: 8, to: 12 });
    const parted = after(
      replace(
        [lamp],
        [
          { ...lamp, text: 'The' },
          { ...lamp, id: 'p77', text: 'lamp was out.' },
        ],
      ),
    );
    expect(parted).to.include({ block: 'p77', from: 0, to: 4, words: 'lamp' });
    const before = { ...anchored, anchors: { a1: anchorOn(first.id, nobody, 0, 6) } };
    const merged = applyEdit(before, replace([lamp, nobody], [{ ...lamp, text: `${lamp.text} ${nobody.text}` }]));
    expect(merged.anchors.a1).to.include({ block: lamp.id, from: 18, to: 24 });
  });

  it('know words that were edited inside from words that are gone', () => {
    const edited = { ...lamp, text: 'The laamp was out.' };
    expect(anchorState(after(replace([lamp], [edited])), edited)).to.equal('changed');
    const cut = { ...lamp, text: 'The was out.' };
    const gone = after(replace([lamp], [cut]));
    expect(anchorState(gone, cut)).to.equal('gone');
    expect(gone).to.include({ block: lamp.id, from: 4, to: 8, words: 'lamp' });
    // Typed again as it was, the words are the anchor's again.
    expect(after(replace([lamp], [cut]), replace([cut], [lamp]))).to.deep.equal(anchored.anchors.a1);
    expect(anchorState(after({ kind: 'removeDivision', at: 0, division: first }), undefined)).to.equal('gone');
  });

  it('stay the same objects when an edit is elsewhere', () => {
    expect(after(replace([nobody], []))).to.equal(anchored.anchors.a1);
    expect(after({ kind: 'moveDivision', from: 0, to: 0 })).to.equal(anchored.anchors.a1);
  });

  it('are part of the difference of two books, there and back', () => {
    const wished: Book = {
      ...anchored,
      divisions: [{ ...first, blocks: [first.blocks[0], { ...lamp, text: 'Now the lamp was out.' }, nobody] }],
      anchors: { a2: anchorOn(first.id, nobody, 0, 6) },
    };
    const edits = editsBetweenBooks(anchored, wished);
    const there = applyEdits(anchored, edits);
    expect(there).to.deep.equal(wished);
    expect(applyEdits(there, invertEdits(edits))).to.deep.equal(anchored);
  });
});
