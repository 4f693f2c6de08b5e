// Designed layouts of display pages and part openings: which paragraphs stand there, how each is set, and where they stand.
// A layout is applied to what is there: words that a person wrote stay.
import { table } from '../base/table';
import type { Placing } from '../model/copy/book';
import type { DivisionRole } from '../model/copy/roles';
import type { FieldName, LocalLook, ParagraphTouches, StyleTag } from '../model/copy/streams';

export interface LayoutLine {
  readonly style: StyleTag;
  /** What fills it when the page has no such paragraph; none: it is set only where it is there. */
  readonly field?: FieldName;
  readonly text?: string;
  readonly align?: ParagraphTouches['align'];
  /** Of the size of its style. */
  readonly scale?: number;
  readonly look?: LocalLook;
}

export interface DisplayLayout {
  readonly key: string;
  readonly name: string;
  /** Where the words stand; undefined: as their styles say. */
  readonly placing?: Placing;
  /** Grid lines above the head of a part; undefined: as openers of parts. */
  readonly sink?: number;
  readonly lines: readonly LayoutLine[];
}

const capitals = { caps: 'all', tracking: 120 } as const;
const smallCapitals = { caps: 'small', tracking: 60 } as const;
const plain = { caps: 'none', tracking: 0 } as const;

const IMPRINT_FIELDS: readonly FieldName[] = ['rights', 'edition', 'credits', 'publisherAndPlace', 'isbn'];

/** By role, the first that which a new book has. */
export const DISPLAY_LAYOUTS: Readonly<Partial<Record<DivisionRole, readonly DisplayLayout[]>>> = table({
  title: [
    {
      key: 'centred',
      name: 'Centred, house at the foot',
      lines: [
        { style: 'BT', field: 'title' },
        { style: 'BS', field: 'subtitle' },
        { style: 'BA', field: 'author' },
        { style: 'BP', field: 'publisherAndPlace' },
      ],
    },
    {
      key: 'author-first',
      name: 'Author first',
      placing: 'third',
      lines: [
        { style: 'BA', field: 'author', look: { ...smallCapitals, above: 0, below: 4 } },
        { style: 'BT', field: 'title', look: { above: 0 } },
        { style: 'BS', field: 'subtitle', look: { above: 1 } },
        { style: 'BP', field: 'publisherAndPlace' },
      ],
    },
    {
      key: 'flush-left',
      name: 'Flush left, large',
      placing: 'head',
      lines: [
        { style: 'BT', field: 'title', align: 'left', scale: 1.15, look: { above: 0 } },
        { style: 'BS', field: 'subtitle', align: 'left', look: { above: 0.5 } },
        { style: 'BA', field: 'author', align: 'left', look: { above: 3, ...plain } },
        { style: 'BP', field: 'publisherAndPlace', align: 'left' },
      ],
    },
    {
      key: 'capitals',
      name: 'Spaced capitals',
      placing: 'third',
      lines: [
        { style: 'BT', field: 'title', scale: 0.72, look: { ...capitals, above: 0 } },
        { style: 'BS', field: 'subtitle', look: { above: 1 } },
        { style: 'BA', field: 'author', scale: 0.86, look: { ...capitals, above: 5 } },
        { style: 'BP', field: 'publisherAndPlace' },
      ],
    },
    {
      key: 'low',
      name: 'Low on the page, flush right',
      placing: 'foot',
      lines: [
        { style: 'BA', field: 'author', align: 'right', look: { ...smallCapitals, above: 0 } },
        { style: 'BT', field: 'title', align: 'right', look: { above: 1 } },
        { style: 'BS', field: 'subtitle', align: 'right', look: { above: 1, below: 4 } },
        { style: 'BP', field: 'publisherAndPlace', align: 'right' },
      ],
    },
  ],
  'half-title': [
    { key: 'centred', name: 'Centred', lines: [{ style: 'HT', field: 'title' }] },
    {
      key: 'capitals',
      name: 'Spaced capitals, at a third',
      placing: 'third',
      lines: [{ style: 'HT', field: 'title', scale: 0.75, look: { ...capitals, above: 0 } }],
    },
    {
      key: 'flush-right',
      name: 'Flush right, at the head',
      placing: 'head',
      lines: [{ style: 'HT', field: 'title', align: 'right', look: { italic: true, above: 0 } }],
    },
  ],
  'second-half-title': [
    { key: 'centred', name: 'Centred', lines: [{ style: 'HT', field: 'title' }] },
    {
      key: 'capitals',
      name: 'Spaced capitals, at a third',
      placing: 'third',
      lines: [{ style: 'HT', field: 'title', scale: 0.75, look: { ...capitals, above: 0 } }],
    },
  ],
  imprint: [
    {
      key: 'foot',
      name: 'At the foot, flush left',
      lines: IMPRINT_FIELDS.map((field) => ({ style: 'IMP', field })),
    },
    {
      key: 'centred',
      name: 'At the foot, centred',
      lines: IMPRINT_FIELDS.map((field) => ({ style: 'IMP', field, align: 'centre' as const })),
    },
  ],
  dedication: [
    { key: 'centred', name: 'Centred, italic', lines: [{ style: 'DED', text: 'For …' }] },
    {
      key: 'upright',
      name: 'Upright, at a third',
      placing: 'third',
      lines: [{ style: 'DED', text: 'For …', look: { italic: false, above: 0 } }],
    },
    {
      key: 'right',
      name: 'Flush right, at the head',
      placing: 'head',
      lines: [{ style: 'DED', text: 'For …', align: 'right', look: { above: 0 } }],
    },
  ],
  epigraph: [
    { key: 'block', name: 'An indented block', lines: [{ style: 'EPI', text: '…' }] },
    {
      key: 'right',
      name: 'A narrow block at the right',
      placing: 'third',
      lines: [{ style: 'EPI', text: '…', align: 'left', look: { leftIndent: 110, rightIndent: 0, above: 0 } }],
    },
    {
      key: 'middle',
      name: 'Centred in the middle, italic',
      placing: 'middle',
      lines: [{ style: 'EPI', text: '…', align: 'centre', look: { italic: true, above: 0 } }],
    },
  ],
  part: [
    { key: 'sunk', name: 'As other openers', lines: [{ style: 'PN' }, { style: 'PT' }] },
    {
      key: 'middle',
      name: 'In the middle of the page',
      sink: 13,
      lines: [{ style: 'PN' }, { style: 'PT', scale: 1.1 }],
    },
    {
      key: 'flush-left',
      name: 'Flush left, spaced capitals',
      sink: 8,
      lines: [
        { style: 'PN', align: 'left' },
        { style: 'PT', align: 'left', scale: 0.8, look: capitals },
      ],
    },
  ],
});

/** The layouts of a role; none for roles that are not designed. */
export const layoutsOf = (role: DivisionRole): readonly DisplayLayout[] => DISPLAY_LAYOUTS[role] ?? [];
