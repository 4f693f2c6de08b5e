import { expect } from 'chai';
import fc from 'fast-check';
import { EditorState, TextSelection, type Transaction } from 'prosemirror-state';
import { applyEdit } from '../../src/core/edit';
import type { Book } from '../../src/core/model/copy/book';
import type { Block, Paragraph, Table } from '../../src/core/model/copy/streams';
import {
  adoptBlocks,
  conversions,
  externalTransaction,
  nameChanged,
  placeAt,
  positionOf,
  replaceBlocksEdit,
  schema,
  toBlock,
  toDocument,
  toNode,
} from '../../src/galley';
import { factsOf, picture, pngOf } from '../build/pictures';
import { book, chapter, note, p, words } from '../build/book';

const table: Table = {
  kind: 'table',
  id: 'p900',
  style: 'TB',
  columns: 2,
  rows: [
    [
      { id: 'c901', blocks: [p('Hour')] },
      { id: 'c902', blocks: [p('*Depth*{2}')] },
    ],
  ],
};

const sample = (): Block[] => [
  p('A Title', 'CT'),
  p('It *was* the ferry,{1} and nobody *said so*.'),
  { ...p('One', 'LI'), list: { level: 1, ordered: true }, touches: { together: true } },
  table,
  {
    ...p('Mixed words here'),
    spans: [
      { from: 0, to: 5, style: 'em', language: 'fr' },
      { from: 5, to: 8, touches: { bold: true, underline: true, italic: false } },
      { from: 8, to: 9, touches: { face: 'Weir Sans', size: 9.5, colour: '#a03020' } },
      { from: 9, to: 11, link: 'https://weir.example/', style: 'sc' },
    ],
  },
  {
    ...p('a\uFFFCb\uFFFCc\uFFFC'),
    objects: [
      { at: 1, kind: 'break' },
      { at: 3, kind: 'tab' },
      { at: 5, kind: 'field', field: 'title' },
    ],
  },
  picture('p990', factsOf(pngOf(4, 2), 'weir.png', 'A “weir”', 100.5, 40)),
  p(''),
];

/** A galley's document and the book behind it, kept in step as the screen does. */
class Desk {
  state: EditorState;
  readonly copied: string[] = [];
  readonly dropped: string[] = [];

  constructor(public book: Book) {
    this.state = EditorState.create({ doc: toDocument(this.blocks) });
  }

  get blocks(): readonly Block[] {
    return this.book.divisions[0].blocks;
  }

  take(transaction: Transaction): void {
    const before = this.state.doc;
    let state = this.state.apply(transaction);
    let { nextId } = this.book;
    const { transaction: naming, records } = nameChanged(before, state, {
      take: (letter) => `${letter}${nextId++}`,
      recordFor: (kind, id) => (id in (kind === 'note' ? this.book.notes : this.book.figures) ? 'copy' : null),
    });
    if (naming !== null) state = state.apply(naming);
    this.copied.push(...records.copied.map(({ to }) => to));
    this.dropped.push(...records.dropped.map(({ id }) => id));
    const edit = replaceBlocksEdit(this.book.divisions[0].id, before, state.doc);
    this.state = state;
    if (edit !== null) this.book = applyEdit({ ...this.book, nextId }, edit);
  }
}

const newDesk = () =>
  new Desk(book([{ ...chapter('One'), blocks: sample() }], [note(1, 'Told at the weir.'), note(2, 'In feet.')]));

function idsOf(blocks: readonly Block[]): string[] {
  return blocks.flatMap((block) =>
    block.kind === 'table'
      ? [block.id, ...block.rows.flat().flatMap((cell) => [cell.id, ...idsOf(cell.blocks)])]
      : [block.id],
  );
}

const notesIn = (blocks: readonly Block[]): string[] =>
  blocks.flatMap((block) =>
    block.kind === 'table'
      ? block.rows.flat().flatMap((cell) => notesIn(cell.blocks))
      : block.objects.flatMap((object) => (object.kind === 'note' ? [object.note] : [])),
  );

describe('the galley’s document', () => {
  it('gives every block back as it was', () => {
    for (const block of sample()) {
      // A copy, so that nothing is remembered.
      const node = schema.nodeFromJSON(toNode(block).toJSON());
      expect(toBlock(node)).to.deep.equal(block);
    }
  });

  it('converts one paragraph for one key, in a text of three thousand', () => {
    const blocks = Array.from({ length: 3000 }, (_, k) => p(words(30, k)));
    const desk = new Desk(book([{ ...chapter('One'), blocks }]));
    const before = { ...conversions };
    const place = positionOf(desk.state.doc, { block: blocks[1500].id, offset: 4 })!;
    desk.take(desk.state.tr.insertText('x', place));
    expect(conversions.toBlock - before.toBlock).to.equal(1);
    expect(conversions.toNode - before.toNode).to.equal(0);
    expect((desk.blocks[1500] as Paragraph).text.slice(0, 6)).to.equal(
      `${blocks[1500].text.slice(0, 4)}x${blocks[1500].text[4]}`,
    );
    expect(desk.blocks.filter((block, k) => block !== blocks[k]).length).to.equal(1);
  });

  it('keeps the id of the first part of a split and of the first of two that are joined', () => {
    const desk = newDesk();
    const id = desk.blocks[1].id;
    desk.take(desk.state.tr.split(positionOf(desk.state.doc, { block: id, offset: 7 })!));
    expect(desk.blocks[1].id).to.equal(id);
    expect((desk.blocks[2] as Paragraph).id).to.equal('p100000');
    expect((desk.blocks[2] as Paragraph).text).to.match(/^the ferry/);
    desk.take(desk.state.tr.join(positionOf(desk.state.doc, { block: 'p100000', offset: 0 })! - 1));
    expect(desk.blocks[1]).to.deep.equal(sampleAt(desk, id));
  });

  /** The second paragraph of the sample under an id. */
  function sampleAt(desk: Desk, id: string): Block {
    return { ...desk.blocks[1], id, text: 'It was the ferry,\uFFFC and nobody said so.' } as Block;
  }

  it('gives a reference that is put in twice a note of its own, and drops the note of one taken out', () => {
    const desk = newDesk();
    const at = positionOf(desk.state.doc, { block: desk.blocks[1].id, offset: 17 })!;
    const reference = desk.state.doc.slice(at, at + 1);
    desk.take(desk.state.tr.replace(at, at, reference));
    expect(desk.copied).to.deep.equal(['n100000']);
    expect(notesIn(desk.blocks)).to.deep.equal(['n1', 'n100000', 'n2']);
    desk.take(desk.state.tr.delete(at, at + 1));
    expect(desk.dropped).to.deep.equal(['n1']);
  });

  it('has unique ids and the book’s text after any edits, splits, joins, copies and moves', () => {
    const move = fc.tuple(fc.nat(6), fc.nat(1000), fc.nat(1000), fc.nat(1000));
    fc.assert(
      fc.property(fc.array(move, { maxLength: 25 }), (moves) => {
        const desk = newDesk();
        for (const [kind, a, b, c] of moves) desk.take(randomMove(desk.state, kind, a, b, c));
        const ids = idsOf(desk.blocks);
        expect(new Set(ids).size).to.equal(ids.length);
        const notes = notesIn(desk.blocks);
        expect(new Set(notes).size).to.equal(notes.length);
        const fresh = desk.blocks.map((block) => schema.nodeFromJSON(toNode(block).toJSON()));
        fresh.forEach((node, k) => expect(toBlock(node)).to.deep.equal(desk.blocks[k]));
        expect(desk.state.doc.eq(toDocument(desk.blocks))).to.equal(true);
      }),
      { numRuns: 150 },
    );
  });
});

/** One step of a person who types, splits, joins, copies, deletes or formats somewhere. */
function randomMove(state: EditorState, kind: number, a: number, b: number, c: number): Transaction {
  const places: number[] = [];
  state.doc.descendants((node, at) => {
    if (node.isTextblock) for (let k = 0; k <= node.content.size; k += 1) places.push(at + 1 + k);
  });
  const pick = (n: number) => places[n % places.length];
  const [from, to] = [pick(a), pick(b)].sort((x, y) => x - y);
  const tr = state.tr;
  const isNear = state.doc.resolve(from).sameParent(state.doc.resolve(to));
  switch (kind) {
    case 0:
      return tr.insertText('é', from);
    case 1:
      return tr.split(from);
    case 2: {
      const $at = state.doc.resolve(from);
      const before = $at.before($at.depth);
      const left = state.doc.resolve(before).nodeBefore;
      return left?.isTextblock ? tr.join(before) : tr;
    }
    case 3: {
      if (!isNear) return tr;
      return tr.replace(pick(c), pick(c), state.doc.slice(from, to));
    }
    case 4:
      return isNear ? tr.delete(from, to) : tr;
    case 5:
      return tr.addMark(from, to, schema.mark('character', { tag: 'em' }));
    default: {
      const at = a % state.doc.childCount;
      let end = 0;
      for (let k = 0; k <= at; k += 1) end += state.doc.child(k).nodeSize;
      return tr.insert(end, state.doc.child(at));
    }
  }
}

describe('changes from elsewhere', () => {
  it('come in as one transaction that keeps the caret in its word', () => {
    const before = sample();
    const state = EditorState.create({ doc: toDocument(before) });
    const at = positionOf(state.doc, { block: before[4].id, offset: 8 })!;
    const placed = state.apply(state.tr.setSelection(TextSelection.create(state.doc, at)));
    const changed = [
      { ...(before[1] as Paragraph), text: 'Now it was', spans: [], objects: [] },
      p('In between'),
      before[3],
      { ...(before[4] as Paragraph), text: 'Very mixed words here', spans: [] },
      before[6],
    ];
    const transaction = externalTransaction(placed, changed)!;
    const after = placed.apply(transaction);
    adoptBlocks(after.doc, changed);
    expect(after.doc.eq(toDocument(changed))).to.equal(true);
    expect(placeAt(after.doc, after.selection.head)).to.deep.equal({ block: before[4].id, offset: 13 });
    expect(externalTransaction(after, changed)).to.equal(null);
    expect(toBlock(after.doc.child(1))).to.equal(changed[1]);
  });

  it('give the document of the new blocks, whatever was removed, put in, moved or changed', () => {
    const pool = sample();
    const list = fc.array(fc.tuple(fc.nat(pool.length - 1), fc.boolean()), { minLength: 1, maxLength: 9 });
    const made = (picks: readonly (readonly [number, boolean])[]) => {
      const seen = new Set<number>();
      return picks.flatMap(([k, isChanged]): Block[] => {
        if (seen.has(k)) return [];
        seen.add(k);
        const block = pool[k];
        return [isChanged && block.kind === 'paragraph' ? { ...block, text: `${block.text}x`, style: 'EXT' } : block];
      });
    };
    fc.assert(
      fc.property(list, list, (a, b) => {
        const state = EditorState.create({ doc: toDocument(made(a)) });
        const target = made(b);
        const transaction = externalTransaction(state, target);
        const after = transaction === null ? state : state.apply(transaction);
        adoptBlocks(after.doc, target);
        expect(after.doc.eq(toDocument(target))).to.equal(true);
        expect(externalTransaction(after, target)).to.equal(null);
      }),
      { numRuns: 300 },
    );
  });
});
