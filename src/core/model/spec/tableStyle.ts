// How tables are set: a named style says what each kind of row is set in, and where rules and grounds stand.
import type { StyleTag, TableRowKind } from '../copy/streams';
import type { InkUse } from './inks';
import type { Pt } from './length';

/**
 * Where a table has rules: over its first row, under its heads, between rows of the body, over the name of a group, over a total,
 * and under its last row.
 */
export const TABLE_RULE_PLACES = ['top', 'head', 'body', 'group', 'total', 'foot'] as const;
export type TableRulePlace = (typeof TABLE_RULE_PLACES)[number];

/** Weight in points, 0: none; the ink of the text where it is null. */
export interface TableRule {
  readonly weight: Pt;
  readonly ink: InkUse | null;
}

export interface TableStyle {
  readonly name: string;
  /** Paragraph style of plain paragraphs, by the kind of their row. */
  readonly text: Readonly<Record<TableRowKind, StyleTag>>;
  readonly rules: Readonly<Record<TableRulePlace, TableRule>>;
  /** White between a rule and the type on either side of it, at least. */
  readonly clear: Pt;
  /** White between rows where some of them are of several lines. */
  readonly between: Pt;
  /** White between columns, in em of the text. */
  readonly gap: number;
  /** Ground of every second row of the body. */
  readonly band: InkUse | null;
  /** The heads stand again at the top of each page that the table goes on on. */
  readonly repeatHead: boolean;
  /** Said above them, after the number of the caption; empty: nothing. */
  readonly continued: string;
}

export type TablesSpec = Readonly<Record<StyleTag, TableStyle>>;

/** The style of a table of which nothing else is said. */
export const PLAIN_TABLE = 'TB';

const rule = (weight: Pt): TableRule => ({ weight, ink: null });

/** Light, open tables (house rules, section 6). */
export const TABLES: TablesSpec = {
  [PLAIN_TABLE]: {
    name: 'Table',
    text: { head: 'TB', units: 'TB', body: 'TB', group: 'TBG', total: 'TB' },
    rules: { top: rule(0.25), head: rule(0.25), body: rule(0), group: rule(0), total: rule(0.25), foot: rule(0.25) },
    clear: 4.5,
    between: 3,
    gap: 1.4,
    band: null,
    repeatHead: true,
    continued: 'continued',
  },
};
