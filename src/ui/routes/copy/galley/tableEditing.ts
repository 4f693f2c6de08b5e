// What the galley has for tables besides commands: keys, arrows over cells, blocks of cells selected with the pointer or with Shift.
import { chainCommands } from 'prosemirror-commands';
import { keymap } from 'prosemirror-keymap';
import { Plugin, type Command } from 'prosemirror-state';
import { tableEditing } from 'prosemirror-tables';
import { TABLE_ROW_KINDS } from '../../../../core/model/copy/streams';
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
  setRowKind,
  tableFacts,
} from './tableCommands';
import { selectedAsText, tableFromText, textFromTable } from './tableText';

/** The next kind for the rows of the caret. */
const nextKind: Command = (state, dispatch, view) => {
  const facts = tableFacts(state);
  if (facts === null) return false;
  const at = facts.kind === null ? -1 : TABLE_ROW_KINDS.indexOf(facts.kind);
  return setRowKind(TABLE_ROW_KINDS[(at + 1) % TABLE_ROW_KINDS.length])(state, dispatch, view);
};

const mergeOrPart: Command = (state, dispatch, view) =>
  joinCells(state, dispatch, view) || partCell(state, dispatch, view);

const keys = keymap({
  Tab: nextCell(1),
  'Shift-Tab': nextCell(-1),
  'Mod-Alt-ArrowUp': addRowBeside(-1),
  'Mod-Alt-ArrowDown': addRowBeside(1),
  'Mod-Alt-ArrowLeft': addColumnBeside(-1),
  'Mod-Alt-ArrowRight': addColumnBeside(1),
  'Alt-Shift-ArrowUp': moveRow(-1),
  'Alt-Shift-ArrowDown': moveRow(1),
  'Alt-Shift-ArrowLeft': moveColumn(-1),
  'Alt-Shift-ArrowRight': moveColumn(1),
  'Mod-Alt-Backspace': removeRows,
  'Mod-Alt-Delete': removeColumns,
  'Mod-Alt-m': mergeOrPart,
  'Mod-Alt-k': nextKind,
  // Paragraphs with tabs become a table, and a table such paragraphs.
  'Mod-Alt-t': chainCommands(textFromTable, tableFromText),
});

/** Before the keys of the text. Rows of tables are evened when their nodes are made (galley/convert), and not by this. */
export function tablePlugins(): Plugin[] {
  const { spec } = tableEditing();
  const { key, state, props } = spec;
  return [
    keys,
    new Plugin({
      ...(key === undefined ? {} : { key }),
      ...(state === undefined ? {} : { state }),
      props: {
        ...props,
        clipboardTextSerializer: ({ content }, view) =>
          selectedAsText(view.state) ?? content.textBetween(0, content.size, '\n\n'),
      },
    }),
  ];
}
