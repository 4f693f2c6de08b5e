// Tables in the galley's document. Roles and the names of what cells cover are those of prosemirror-tables.
import type { NodeSpec } from 'prosemirror-model';
import { CELL_ALIGNS, TABLE_ROW_KINDS, type TableColumnLook, type TableSetting } from '../core/model/copy/streams';

/** Columns and rows that a pasted cell may cover. */
const MOST_SPANNED = 1000;

const spanOf = (dom: HTMLElement, name: string) =>
  Math.min(MOST_SPANNED, Math.max(1, Math.floor(Number(dom.getAttribute(name))) || 1));

const known = (list: readonly string[], typed: string | null) =>
  typed !== null && list.includes(typed) ? typed : null;

export interface TableAttributes {
  readonly id: string | null;
  readonly style: string;
  readonly columnLooks: readonly TableColumnLook[] | null;
  readonly setting: TableSetting | null;
}

/** For a table that is left out of one edition. */
const onlyIn = ({ setting }: TableAttributes): Record<string, string> =>
  setting?.onlyIn === undefined ? {} : { 'data-only': setting.onlyIn };

export const tableNodes: Readonly<Record<'table' | 'row' | 'cell', NodeSpec>> = {
  table: {
    group: 'block',
    content: 'row+',
    tableRole: 'table',
    isolating: true,
    attrs: {
      id: { default: null },
      style: { default: 'TB', validate: 'string' },
      columnLooks: { default: null },
      setting: { default: null },
    },
    parseDOM: [{ tag: 'table' }],
    toDOM: ({ attrs }) => ['table', onlyIn(attrs as TableAttributes), ['tbody', 0]],
  },
  row: {
    content: 'cell*',
    tableRole: 'row',
    // A kind that is not said is that of a row of the body.
    attrs: { kind: { default: null }, breakBefore: { default: false, validate: 'boolean' } },
    parseDOM: [{ tag: 'tr', getAttrs: (dom) => ({ kind: known(TABLE_ROW_KINDS, dom.getAttribute('data-kind')) }) }],
    toDOM: ({ attrs }) => ['tr', attrs.kind === null ? {} : { 'data-kind': attrs.kind as string }, 0],
  },
  cell: {
    content: 'block+',
    tableRole: 'cell',
    isolating: true,
    attrs: {
      id: { default: null },
      colspan: { default: 1, validate: 'number' },
      rowspan: { default: 1, validate: 'number' },
      colwidth: { default: null },
      align: { default: null },
    },
    parseDOM: ['td', 'th'].map((tag) => ({
      tag,
      getAttrs: (dom: HTMLElement) => ({
        colspan: spanOf(dom, 'colspan'),
        rowspan: spanOf(dom, 'rowspan'),
        align: known(CELL_ALIGNS, dom.getAttribute('data-align')),
      }),
    })),
    toDOM: ({ attrs }) => {
      const { colspan, rowspan, align } = attrs as { colspan: number; rowspan: number; align: string | null };
      return [
        'td',
        {
          ...(colspan > 1 ? { colspan } : {}),
          ...(rowspan > 1 ? { rowspan } : {}),
          ...(align === null ? {} : { 'data-align': align }),
        },
        0,
      ];
    },
  },
};
