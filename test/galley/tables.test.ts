// Tables in the galley: between blocks and nodes and back, and what its commands make of them.
import { expect } from 'chai';
import fc from 'fast-check';
import { EditorState, TextSelection, type Command } from 'prosemirror-state';
import { CellSelection, TableMap } from 'prosemirror-tables';
import { gridOf } from '../../src/core/copy/tableGrid';
import type { Block, Paragraph, Table, TableCell, TableRowKind } from '../../src/core/model/copy/streams';
import { applyEdits, invertEdit } from '../../src/core/index';
import { externalTransaction, nameChanged, replaceBlocksEdit, toBlock, toDocument } from '../../src/galley';
import {
  addColumnBeside,
  addRowBeside,
  joinCells,
  moveColumn,
  moveRow,
  nextCell,
  partCell,
  removeColumns,
  removeRows,
  setColumns,
  setRowKind,
  setTable,
  tableFacts,
} from '../../src/ui/routes/copy/galley/tableCommands';
import {
  fillCells,
  rowsOfText,
  selectedAsText,
  tableFromText,
  textFromTable,
} from '../../src/ui/routes/copy/galley/tableText';
import { breaksTable } from '../../src/ui/routes/copy/galley/streamEdits';
import { book, chapter, p, resetIds } from '../build/book';

let next = 1;
const cell = (text: string, rest: Partial<TableCell> = {}): TableCell => ({
  id: `c${(next += 1)}`,
  blocks: [p(text)],
  ...rest,
});
const table = (rows: readonly (readonly (string | TableCell)[])[], rest: Partial<Table> = {}): Table => {
  const made = rows.map((row) => row.map((one) => (typeof one === 'string' ? cell(one) : one)));
  const { columns } = gridOf({ kind: 'table', id: 'p1', style: 'TB', columns: 0, rows: made });
  return { kind: 'table', id: 'p900', style: 'TB', columns, rows: made, ...rest };
};

/** The state with the caret in the cell with these words. */
function at(blocks: readonly Block[], words: string): EditorState {
  const doc = toDocument(blocks);
  let position = -1;
  doc.descendants((node, pos) => {
    if (node.isTextblock && node.textContent === words && position < 0) position = pos + 1;
  });
  return EditorState.create({ doc, selection: TextSelection.create(doc, position) });
}

/** What a command makes of it, named as the galley names what is new. */
function run(state: EditorState, command: Command): EditorState {
  let made = state;
  expect(command(state, (transaction) => (made = made.apply(transaction)))).to.equal(true);
  const { transaction } = nameChanged(state.doc, made, {
    take: (letter) => `${letter}${(next += 1)}`,
    recordFor: () => null,
  });
  return transaction === null ? made : made.apply(transaction);
}
const tableIn = ({ doc }: EditorState): Table => {
  for (let k = 0; k < doc.childCount; k += 1) {
    const block = toBlock(doc.child(k));
    if (block.kind === 'table') return block;
  }
  throw new Error('There is no table.');
};
const wordsOf = ({ rows }: Table) =>
  rows.map((row) => row.map(({ blocks }) => blocks.map((block) => (block as Paragraph).text).join('|')));
const SMALL = () =>
  table([
    ['A', 'B', 'C'],
    ['a', 'b', 'c'],
    ['d', 'e', 'f'],
  ]);

describe('tables in the galley', () => {
  beforeEach(() => resetIds());

  it('are the same table when they come back, whatever is said of them', () => {
    const span = fc.constantFrom(1, 1, 2, 3);
    const one = fc.record({ across: span, down: span, align: fc.constantFrom(undefined, 'centre', 'mark') });
    const kinds = fc.constantFrom<TableRowKind>('head', 'units', 'body', 'group', 'total');
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.array(one, { minLength: 1, maxLength: 4 }), kinds, fc.boolean()), {
          minLength: 1,
          maxLength: 5,
        }),
        (rows) => {
          const made = table(
            rows.map(([cells]) =>
              cells.map(({ across, down, align }) =>
                cell('x', {
                  ...(across > 1 ? { across } : {}),
                  ...(down > 1 ? { down } : {}),
                  ...(align === undefined ? {} : { align: align as 'mark' }),
                }),
              ),
            ),
            { rowLooks: rows.map(([, kind, breaks]) => ({ kind, ...(breaks ? { breakBefore: true as const } : {}) })) },
          );
          const looks = { columnLooks: Array.from({ length: made.columns }, (_, k) => (k === 0 ? { width: 40 } : {})) };
          const whole: Table = { ...made, ...looks, setting: { place: 'head', together: true } };
          const doc = toDocument([whole]);
          expect(toBlock(doc.child(0))).to.equal(whole);
          expect(TableMap.get(doc.child(0)).problems, 'even rows').to.equal(null);
          // Made anew, as after typing: cells that lacked are there, what was there is the same.
          const again = toBlock(doc.child(0).type.create(doc.child(0).attrs, doc.child(0).content)) as Table;
          const grid = gridOf(whole);
          again.rows.forEach((row, r) => {
            const own = row.slice(0, grid.rows[r].length);
            expect(own.map(({ id }) => id)).to.deep.equal(grid.rows[r].map(({ cell: { id } }) => id));
            expect(own.map(({ align }) => align)).to.deep.equal(grid.rows[r].map(({ cell: { align } }) => align));
          });
          const { rows: _, ...facts } = again;
          const { rows: __, rowLooks, ...wanted } = whole;
          const isPlain = rowLooks!.every(
            (look, k) => look.kind === (k === 0 && rows.length > 1 ? 'head' : 'body') && !look.breakBefore,
          );
          expect(facts).to.deep.equal(isPlain ? wanted : { ...wanted, rowLooks });
        },
      ),
    );
  });

  it('get rows and columns, which have ids of their own, and keep what is said of the others', () => {
    const looks = [{ width: 50 }, { align: 'right' as const }, {}];
    const start = at([p('x'), { ...SMALL(), columnLooks: looks }], 'b');
    const below = tableIn(run(start, addRowBeside(1)));
    expect(wordsOf(below)).to.deep.equal([
      ['A', 'B', 'C'],
      ['a', 'b', 'c'],
      ['', '', ''],
      ['d', 'e', 'f'],
    ]);
    expect(below.rowLooks).to.equal(undefined);
    const above = tableIn(run(at([SMALL()], 'A'), addRowBeside(-1)));
    expect(above.rowLooks?.map(({ kind }) => kind)).to.deep.equal(['body', 'head', 'body', 'body']);
    const wider = tableIn(run(start, addColumnBeside(1)));
    expect(wider.columns).to.equal(4);
    expect(wider.columnLooks).to.deep.equal([{ width: 50 }, { align: 'right' }, {}, {}]);
    const ids = wider.rows.flat().flatMap((one) => [one.id, ...one.blocks.map(({ id }) => id)]);
    expect(new Set(ids).size).to.equal(ids.length);
    expect(ids.every((id) => /^[cp]\d+$/.test(id))).to.equal(true);
    const gone = tableIn(run(start, removeColumns));
    expect([gone.columns, gone.columnLooks]).to.deep.equal([2, [{ width: 50 }, {}]]);
    expect(wordsOf(tableIn(run(start, removeRows)))).to.deep.equal([
      ['A', 'B', 'C'],
      ['d', 'e', 'f'],
    ]);
  });

  it('move rows and columns with what is said of them', () => {
    const start = at([{ ...SMALL(), columnLooks: [{ width: 50 }, {}, {}] }], 'd');
    expect(wordsOf(tableIn(run(start, moveRow(-1))))).to.deep.equal([
      ['A', 'B', 'C'],
      ['d', 'e', 'f'],
      ['a', 'b', 'c'],
    ]);
    const moved = tableIn(run(start, moveColumn(1)));
    expect(wordsOf(moved)[0]).to.deep.equal(['B', 'A', 'C']);
    expect(moved.columnLooks).to.deep.equal([{}, { width: 50 }, {}]);
    expect(moveColumn(-1)(start)).to.equal(false);
  });

  it('merge cells that are selected, and part them again', () => {
    const start = at([SMALL()], 'a');
    const { map } = TableMap.get(start.doc.child(0));
    const selection = CellSelection.create(start.doc, 1 + map[3], 1 + map[7]);
    const selected = start.apply(start.tr.setSelection(selection as never));
    expect(selectedAsText(selected)).to.equal('a\tb\nd\te');
    const merged = run(selected, joinCells);
    const made = tableIn(merged);
    expect(made.rows.map((row) => row.map(({ across = 1, down = 1 }) => `${across}${down}`))).to.deep.equal([
      ['11', '11', '11'],
      ['22', '11'],
      ['11'],
    ]);
    expect(wordsOf(made)[1][0]).to.equal('a|b|d|e');
    expect(tableFacts(merged)?.canPart).to.equal(true);
    expect(gridOf(tableIn(run(merged, partCell))).rows.map((row) => row.length)).to.deep.equal([3, 3, 3]);
  });

  it('take kinds of rows, sides and widths of columns, and settings; as they were they say nothing', () => {
    const start = at([SMALL()], 'e');
    const total = run(start, setRowKind('total'));
    expect(tableIn(total).rowLooks?.map(({ kind }) => kind)).to.deep.equal(['head', 'body', 'total']);
    expect(tableFacts(total)).to.include({ kind: 'total', columns: 3, rows: 3 });
    expect(tableIn(run(total, setRowKind('body'))).rowLooks).to.equal(undefined);
    const right = run(start, setColumns({ align: 'right' }));
    expect(tableIn(right).columnLooks).to.deep.equal([{}, { align: 'right' }, {}]);
    expect(tableIn(run(right, setColumns({ align: undefined }))).columnLooks).to.equal(undefined);
    const placed = run(start, setTable({ setting: { place: 'foot' } }));
    expect(tableIn(placed).setting).to.deep.equal({ place: 'foot' });
    expect(tableIn(run(placed, setTable({ setting: { place: undefined } }))).setting).to.equal(undefined);
  });

  it('are walked cell by cell; after the last a row comes', () => {
    let state = at([SMALL()], 'e');
    const here = () => state.selection.$from.parent.textContent;
    state = run(state, nextCell(1));
    expect(here()).to.equal('f');
    state = run(state, nextCell(1));
    expect(wordsOf(tableIn(state))).to.have.length(4);
    expect(here()).to.equal('');
    state = run(state, nextCell(-1));
    expect(here()).to.equal('f');
  });

  it('take rows of words from a spreadsheet, and grow for them', () => {
    const rows = rowsOfText('1\t2\r\n3\t4\r\n')!;
    expect(rows).to.deep.equal([
      ['1', '2'],
      ['3', '4'],
    ]);
    expect(rowsOfText('only words\nin lines')).to.equal(null);
    const filled = tableIn(run(at([SMALL()], 'f'), fillCells(rows)));
    expect(wordsOf(filled)).to.deep.equal([
      ['A', 'B', 'C', ''],
      ['a', 'b', 'c', ''],
      ['d', 'e', '1', '2'],
      ['', '', '3', '4'],
    ]);
  });

  it('become paragraphs with tabs, and those a table', () => {
    const flat = run(at([p('x'), SMALL()], 'a'), textFromTable);
    const texts = Array.from({ length: flat.doc.childCount }, (_, k) => toBlock(flat.doc.child(k)) as Paragraph);
    expect(texts.map(({ text }) => text)).to.deep.equal(['x', 'A\uFFFCB\uFFFCC', 'a\uFFFCb\uFFFCc', 'd\uFFFCe\uFFFCf']);
    const whole = flat.apply(
      flat.tr.setSelection(TextSelection.create(flat.doc, flat.doc.child(0).nodeSize + 2, flat.doc.content.size - 2)),
    );
    const back = tableIn(run(whole, tableFromText));
    expect(wordsOf(back)).to.deep.equal(wordsOf(SMALL()));
    expect(back.rowLooks).to.equal(undefined);
  });

  it('whose rows would be left uneven are not taken', () => {
    const start = at([p('x'), SMALL(), p('y')], 'e');
    const uneven = start.apply(start.tr.delete(start.selection.$from.before(-1), start.selection.$from.after(-1)));
    expect(breaksTable(start.doc, uneven.doc)).to.equal(true);
    const typed = start.apply(start.tr.insertText('more'));
    expect(breaksTable(start.doc, typed.doc)).to.equal(false);
  });

  it('are edited cell by cell: a letter typed is an edit of its cell, and all else of the book stays the same', () => {
    const blocks = [p('x'), SMALL(), p('y')];
    const start = at(blocks, 'e');
    const typed = start.apply(start.tr.insertText('more'));
    const edit = replaceBlocksEdit('d1', start.doc, typed.doc)!;
    const table = blocks[1] as Table;
    const row = wordsOf(table).findIndex((words) => words.includes('e'));
    const column = wordsOf(table)[row].indexOf('e');
    expect(edit.stream).to.equal(table.rows[row][column].id);
    expect(edit.removed).to.deep.equal(table.rows[row][column].blocks);
    const before = book([{ ...chapter('One', 'x'), id: 'd1', blocks } as never]);
    const after = applyEdits(before, [edit]);
    const changed = after.divisions[0].blocks[1] as Table;
    expect(wordsOf(changed)[row][column]).to.equal('more' + wordsOf(table)[row][column]);
    expect(changed.rows[0]).to.equal(table.rows[0]);
    expect(changed.rows[row][0]).to.equal(table.rows[row][0]);
    // The document stands for the book as it is now: nothing is to be taken in.
    const taken = externalTransaction(typed, after.divisions[0].blocks);
    expect(taken?.steps ?? []).to.have.length(0);
    expect(applyEdits(after, [invertEdit(edit)]).divisions[0].blocks).to.deep.equal(blocks);
    // Rows that nobody touched are the same nodes.
    expect(toDocument(after.divisions[0].blocks).child(1).child(0)).to.equal(typed.doc.child(1).child(0));
  });

  it('fill a cell that the book has empty', () => {
    const empty = table([[{ ...cell('z'), blocks: [] }, 'b']]);
    const start = EditorState.create({ doc: toDocument([empty]) });
    const inside = start.apply(start.tr.insertText('new', 4));
    const { transaction } = nameChanged(start.doc, inside, { take: (letter) => `${letter}77`, recordFor: () => null });
    const typed = inside.apply(transaction!);
    const edit = replaceBlocksEdit('d1', start.doc, typed.doc)!;
    expect([edit.stream, edit.removed.length]).to.deep.equal([empty.rows[0][0].id, 0]);
    expect(edit.inserted).to.have.length(1);
    expect(edit.inserted[0]).to.include({ id: 'p77', text: 'new' });
  });
});
