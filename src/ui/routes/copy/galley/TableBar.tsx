// The line above the galley while the caret stands in a table: its rows, columns and cells, and how it is set.
import type { Command } from 'prosemirror-state';
import type { CellAlign, TableRowKind } from '../../../../core/model/copy/streams';
import { CELL_ALIGNS, TABLE_ROW_KINDS } from '../../../../core/model/copy/streams';
import { formatNumber, parseLength } from '../../../../core/measure/units';
import { ValueError } from '../../../../core/base/errors';
import { useAppSelector } from '../../../../state/hooks';
import { TABLE_PLACES, widthInWords, widthTyped } from '../../../components/tableSetting';
import { useDraft } from '../../../components/useDraft';
import type { GalleyControl } from './control';
import {
  addColumnBeside,
  addRowBeside,
  joinCells,
  moveColumn,
  moveRow,
  partCell,
  removeColumns,
  removeRows,
  removeTable,
  setColumns,
  setRowBreak,
  setRowKind,
  setTable,
  type TableFacts,
} from './tableCommands';
import { textFromTable } from './tableText';

const KINDS: Readonly<Record<TableRowKind, string>> = {
  head: 'Head',
  units: 'Units',
  body: 'Body',
  group: 'Group',
  total: 'Total',
};
const SIDES: Readonly<Record<CellAlign, string>> = {
  left: 'Left',
  right: 'Right',
  centre: 'Centred',
  mark: 'By the mark',
};
interface Props {
  readonly control: GalleyControl;
  readonly facts: TableFacts;
}

export function TableBar({ control, facts }: Props) {
  const isOff = useAppSelector((state) => state.book.readOnly);
  const run = (command: Command) => {
    const view = control.current?.view;
    if (view === undefined) return;
    command(view.state, view.dispatch, view);
    view.focus();
  };
  return (
    <div
      role="toolbar"
      aria-label="Table"
      className="flex min-h-9 shrink-0 flex-wrap items-center gap-x-4 gap-y-1 border-b border-[#d8d2c7] px-4 py-1 text-[#5f5a51]"
    >
      <RowTools facts={facts} run={run} isOff={isOff} />
      <ColumnTools facts={facts} run={run} isOff={isOff} />
      <WholeTools facts={facts} run={run} isOff={isOff} />
    </div>
  );
}

interface FieldProps {
  readonly facts: TableFacts;
  readonly run: (command: Command) => void;
  readonly isOff: boolean;
}

/** Buttons of commands: what each says, what it does, the command, and whether it cannot be done now. */
const buttonsOf = ({ run, isOff: isReadOnly }: FieldProps) =>
  function button(name: string, title: string, command: Command, isOff = false) {
    return (
      <button
        key={title}
        className="galley-button"
        title={title}
        disabled={isReadOnly || isOff}
        onClick={() => run(command)}
      >
        {name}
      </button>
    );
  };

function RowTools(props: FieldProps) {
  const { facts, run, isOff } = props;
  const button = buttonsOf(props);
  return (
    <span className="flex items-center gap-1">
      Row
      {button('above', 'Adds a row above', addRowBeside(-1))}
      {button('below', 'Adds a row below', addRowBeside(1))}
      {button('up', 'Moves the row up', moveRow(-1))}
      {button('down', 'Moves the row down', moveRow(1))}
      {button('remove', 'Removes the selected rows', removeRows, facts.rows < 2)}
      <select
        aria-label="Kind of row"
        className="galley-select"
        disabled={isOff}
        value={facts.kind ?? ''}
        onChange={(event) => run(setRowKind(event.target.value as TableRowKind))}
      >
        {facts.kind === null && <option value="">Several</option>}
        {TABLE_ROW_KINDS.map((kind) => (
          <option key={kind} value={kind}>
            {KINDS[kind]}
          </option>
        ))}
      </select>
      <button
        className="galley-button"
        aria-pressed={facts.breaksBefore}
        disabled={isOff}
        title="The row begins a page"
        onClick={() => run(setRowBreak(!facts.breaksBefore))}
      >
        on a new page
      </button>
    </span>
  );
}

function ColumnTools(props: FieldProps) {
  const { facts, run, isOff } = props;
  const button = buttonsOf(props);
  return (
    <span className="flex items-center gap-1">
      Column
      {button('before', 'Adds a column before', addColumnBeside(-1))}
      {button('after', 'Adds a column after', addColumnBeside(1))}
      {button('to the left', 'Moves the column to the left', moveColumn(-1))}
      {button('to the right', 'Moves the column to the right', moveColumn(1))}
      {button('remove', 'Removes the selected columns', removeColumns, facts.columns < 2)}
      <select
        aria-label="Entries stand"
        className="galley-select"
        disabled={isOff}
        value={facts.column.align ?? ''}
        onChange={(event) => run(setColumns({ align: (event.target.value || undefined) as CellAlign | undefined }))}
      >
        <option value="">By content</option>
        {CELL_ALIGNS.map((side) => (
          <option key={side} value={side}>
            {SIDES[side]}
          </option>
        ))}
      </select>
      {facts.column.align === 'mark' && <MarkField facts={facts} run={run} isOff={isOff} />}
      <WidthField facts={facts} run={run} isOff={isOff} />
    </span>
  );
}

/** Cells that are selected, and the whole table. */
function WholeTools(props: FieldProps) {
  const { facts, run, isOff } = props;
  const { setting } = facts;
  const tables = useAppSelector((state) => state.book.book!.spec.tables);
  const button = buttonsOf(props);
  return (
    <>
      <span className="flex items-center gap-1">
        Cells
        {button('merge', 'Makes one cell of those that are selected', joinCells, !facts.canMerge)}
        {button('part', 'Parts a merged cell', partCell, !facts.canPart)}
      </span>
      <span className="flex items-center gap-1">
        Table
        {Object.keys(tables).length > 1 && (
          <select
            aria-label="Style of the table"
            className="galley-select"
            disabled={isOff}
            value={facts.style}
            onChange={(event) => run(setTable({ style: event.target.value }))}
          >
            {Object.entries(tables).map(([tag, { name }]) => (
              <option key={tag} value={tag}>
                {name}
              </option>
            ))}
          </select>
        )}
        <select
          aria-label="Place of the table"
          className="galley-select"
          disabled={isOff}
          value={setting.place ?? ''}
          onChange={(event) => run(setTable({ setting: { place: event.target.value || undefined } }))}
        >
          {TABLE_PLACES.map(([place, name]) => (
            <option key={place} value={place}>
              {name}
            </option>
          ))}
        </select>
        <TotalField facts={facts} run={run} isOff={isOff} />
        <button
          className="galley-button"
          aria-pressed={setting.together === true}
          disabled={isOff}
          title="No page end parts it, as long as a page holds it"
          onClick={() => run(setTable({ setting: { together: setting.together ? undefined : true } }))}
        >
          kept whole
        </button>
        {button('as text', 'Makes a paragraph of each row, with tabs between the cells', textFromTable)}
        {button('remove', 'Removes the table', removeTable)}
      </span>
    </>
  );
}

const FIELD = 'h-6 w-16 rounded-sm border bg-transparent px-1 text-right';
const border = (isWrong: boolean) => (isWrong ? 'border-[#9a3324]' : 'border-[#b9b1a3]');

/** How wide a column is: a length, a share such as `2 ×`, or nothing. */
function WidthField({ facts: { column }, run, isOff }: FieldProps) {
  const shown =
    column.width !== undefined ? `${formatNumber(column.width, 'pt')} pt` : column.share ? `${column.share} ×` : '';
  const done = (change: { width?: number; share?: number }) => {
    run(setColumns({ width: undefined, share: undefined, ...change }));
    return null;
  };
  const { field, problem } = useDraft(shown, (draft) => {
    const typed = draft.trim();
    if (typed === '') return done({});
    const share = /^([\d.,]+)\s*[×x]$/i.exec(typed);
    if (share !== null) {
      const size = Number(share[1].replace(',', '.'));
      return size >= 0.05 && size <= 20 ? done({ share: size }) : 'A share is from 0.05 to 20.';
    }
    try {
      const { pt } = parseLength(typed, 'pt');
      return pt >= 2 && pt <= 20_000 ? done({ width: pt }) : 'A column is from 2 to 20,000 points wide.';
    } catch (error) {
      if (error instanceof ValueError) return error.message;
      throw error;
    }
  });
  return (
    <input
      {...field}
      aria-label="Width of the column"
      placeholder="by content"
      title={problem ?? 'A length, such as 30 mm; a share of the rest, such as 2 ×; or nothing: by content'}
      className={`${FIELD} w-20 ${border(problem !== null)}`}
      disabled={isOff}
    />
  );
}

/** The characters that stand one under another. */
function MarkField({ facts: { column }, run, isOff }: FieldProps) {
  const { field, problem } = useDraft(column.mark ?? '', (draft) => {
    if (draft.length > 4) return 'The mark has 4 characters at most.';
    run(setColumns({ mark: draft === '' ? undefined : draft }));
    return null;
  });
  return (
    <input
      {...field}
      aria-label="Mark that is aligned"
      placeholder=". or ,"
      title={problem ?? 'The characters that stand one under another; nothing: the decimal mark'}
      className={`${FIELD} ${border(problem !== null)}`}
      disabled={isOff}
    />
  );
}

/** How wide the whole table is. */
function TotalField({ facts: { setting }, run, isOff }: FieldProps) {
  const { field, problem } = useDraft(widthInWords(setting), (draft) => {
    const typed = widthTyped(draft);
    if (typeof typed === 'string') return typed;
    run(setTable({ setting: typed }));
    return null;
  });
  return (
    <input
      {...field}
      aria-label="Width of the table"
      placeholder="by content"
      title={problem ?? 'A length, “full” for the whole column, or nothing: as wide as its content'}
      className={`${FIELD} w-20 ${border(problem !== null)}`}
      disabled={isOff}
    />
  );
}
