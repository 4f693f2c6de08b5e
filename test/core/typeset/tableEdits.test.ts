// A table edited again and again, its rows and parts taken up from before where they can be: what is set is what a compose from the start sets.
import { expect } from 'chai';
import fc from 'fast-check';
import { applyEdits } from '../../../src/core/index';
import type { Book } from '../../../src/core/model/copy/book';
import type { Block, Paragraph, Table, TableCell, TableRowKind } from '../../../src/core/model/copy/streams';
import type { TypesetBook } from '../../../src/core/model/composed/pages';
import { compose, newContext } from '../../build/assets';
import { book, chapter, note, p, resetIds, words } from '../../build/book';

let made = 0;
const cellOf = (text: string, rest: Partial<TableCell> = {}): TableCell => ({
  id: `c${(made += 1)}`,
  blocks: [p(text)],
  ...rest,
});
const KINDS: readonly TableRowKind[] = ['head', 'body', 'group', 'total', 'units'];

/** Everything that stands on the pages, with its place. */
const setOf = ({ pages }: TypesetBook) =>
  pages.map(({ fragments, notes, noteRules }) => ({
    noteRules,
    notes: notes.map(({ paragraph, from, to, y }) => [paragraph.styled.text, from, to, y]),
    fragments: fragments.map(({ paragraph, from, to, x, y, marks, isRepeated }) => ({
      text: paragraph.styled.text,
      lines: [...paragraph.broken.to],
      at: [...paragraph.broken.x],
      ...{ from, to, x, y, marks, isRepeated },
    })),
  }));

const tableIn = ({ divisions }: Book) =>
  divisions.flatMap(({ blocks }) => blocks).find((block): block is Table => block.kind === 'table')!;

/** What a person does to a table: the numbers say where and what. */
interface Step {
  readonly what: 'type' | 'insert' | 'remove' | 'kind' | 'span' | 'column' | 'break' | 'note';
  readonly row: number;
  readonly value: number;
}

const TEXTS = ['12', '1,204.5', '0.75', '–', 'Low water', words(9, 3), words(30, 8), ''];

function changed(table: Table, { what, row, value }: Step): Table {
  const at = row % table.rows.length;
  const text = TEXTS[value % TEXTS.length];
  const looks = table.rowLooks!;
  switch (what) {
    case 'insert': {
      const cells = Array.from({ length: table.columns }, (_, k) => cellOf(k === 0 ? text : '3.5'));
      return { ...table, rows: table.rows.toSpliced(at, 0, cells), rowLooks: looks.toSpliced(at, 0, { kind: 'body' }) };
    }
    case 'remove':
      return table.rows.length < 3
        ? table
        : { ...table, rows: table.rows.toSpliced(at, 1), rowLooks: looks.toSpliced(at, 1) };
    case 'kind':
      return { ...table, rowLooks: looks.with(at, { kind: KINDS[value % KINDS.length] }) };
    case 'break':
      return { ...table, rowLooks: looks.with(at, { ...looks[at], breakBefore: true }) };
    case 'span': {
      const [first, ...others] = table.rows[at];
      const cells = [{ ...first, across: 1 + (value % 2), down: 1 + ((value >> 1) % 3) }, ...others];
      return { ...table, rows: table.rows.with(at, cells) };
    }
    case 'column': {
      const columnLooks = Array.from({ length: table.columns }, (_, k) => table.columnLooks?.[k] ?? {});
      const look = [{ align: 'right' as const }, { width: 60 }, { align: 'mark' as const, mark: '.' }, {}][value % 4];
      return { ...table, columnLooks: columnLooks.with(row % table.columns, look) };
    }
    default:
      return table;
  }
}

/** The edit of a step: a letter typed goes into the stream of its cell, all else changes the table. */
function editOf(from: Book, step: Step) {
  const table = tableIn(from);
  const cells = table.rows[step.row % table.rows.length];
  const cell = cells[step.value % cells.length];
  const { id: division, blocks } = from.divisions.find((own) => own.blocks.includes(table))!;
  if (step.what === 'type' || step.what === 'note') {
    const removed = [...cell.blocks];
    const paragraph = removed[0] as Paragraph;
    const inserted: Block[] =
      step.what === 'type'
        ? [{ ...paragraph, text: TEXTS[step.value % TEXTS.length], objects: [] }]
        : [{ ...paragraph, text: 'Low\uFFFC', objects: [{ at: 3, kind: 'note', note: 'n1' }] }];
    return { kind: 'replaceBlocks', stream: cell.id, at: 0, removed, inserted } as const;
  }
  const at = blocks.indexOf(table);
  return { kind: 'replaceBlocks', stream: division, at, removed: [table], inserted: [changed(table, step)] } as const;
}

describe('tables edited', () => {
  it('are what a compose from the start makes of them', () => {
    const step = fc.record<Step>({
      what: fc.constantFrom('type', 'type', 'insert', 'remove', 'kind', 'span', 'column', 'break', 'note'),
      row: fc.nat(200),
      value: fc.nat(20),
    });
    fc.assert(
      fc.property(
        fc.integer({ min: 3, max: 90 }),
        fc.boolean(),
        fc.array(step, { minLength: 1, maxLength: 5 }),
        (count, hasCaption, steps) => {
          resetIds();
          const rows = Array.from({ length: count }, (_, row) => [
            cellOf(`Weir ${row}`),
            cellOf(row === 0 ? 'Level' : `${row * 7}.${row % 10}`),
            cellOf(TEXTS[row % TEXTS.length]),
          ]);
          const rowLooks = rows.map((_, row) => ({ kind: row === 0 ? ('head' as const) : ('body' as const) }));
          const table: Table = { kind: 'table', id: 'p9000', style: 'TB', columns: 3, rows, rowLooks };
          const one = chapter('One', words(60, 1));
          const blocks = [...one.blocks, ...(hasCaption ? [p('Table 4. Levels', 'CAP')] : []), table, p('And on.')];
          const kept = newContext();
          let current = book([{ ...one, blocks: blocks as never }], [note(1, 'Measured at low water.')]);
          compose(current, kept);
          for (const own of steps) {
            current = applyEdits(current, [editOf(current, own)]);
            const fresh = compose(JSON.parse(JSON.stringify(current)) as Book);
            expect(setOf(compose(current, kept))).to.deep.equal(setOf(fresh));
          }
        },
      ),
      { numRuns: 25 },
    );
  });
});
