// Kinds of notes: where their text stands, how they are numbered, what their marks look like, what parts them from the text.
import type { Pt } from './length';
import type { StyleTag } from '../copy/streams';

/** Foot of the page; end of the division; the notes division of the book; the margin at the fore-edge. */
export const NOTE_PLACES = ['foot', 'divisionEnd', 'bookEnd', 'margin'] as const;
export type NotePlace = (typeof NOTE_PLACES)[number];

/**
 * By the book: figures, but symbols at the foot where there are notes at an end too; 1; i; I; a; A; * and its followers, doubled
 * after the last; signs of one's own, doubled after the last.
 */
export const NOTE_NUMERALS = ['auto', 'arabic', 'roman', 'Roman', 'letters', 'Letters', 'symbols', 'list'] as const;
export type NoteNumerals = (typeof NOTE_NUMERALS)[number];

export const NOTE_RESTARTS = ['page', 'division', 'part', 'never'] as const;
export type NoteRestart = (typeof NOTE_RESTARTS)[number];

/** The face's superior figures where it has them; figures of the text made small and raised; on the line. */
export const NOTE_POSITIONS = ['superior', 'raised', 'line'] as const;
export type NotePosition = (typeof NOTE_POSITIONS)[number];

/** How the number of a note is set, in the text or before the note. */
export interface NoteMarkSpec {
  readonly before: string;
  readonly after: string;
  readonly position: NotePosition;
}

/** What stands between text and notes: white, a rule of its own width, or one as wide as the column. */
export interface NoteSeparator {
  readonly kind: 'space' | 'short' | 'full';
  /** Of a short rule. */
  readonly width: Pt;
  readonly weight: Pt;
}

export interface NoteKind {
  readonly name: string;
  readonly place: NotePlace;
  readonly numerals: NoteNumerals;
  /** Signs of the numerals `list`, in order. */
  readonly signs: readonly string[];
  readonly restart: NoteRestart;
  /** The first number. */
  readonly first: number;
  readonly reference: NoteMarkSpec;
  readonly number: NoteMarkSpec;
  /** No mark in the text: the note begins with its page and the first words of the sentence that it belongs to. */
  readonly keyed: boolean;
  /** Paragraph style of its text. */
  readonly style: StyleTag;
  readonly separator: NoteSeparator;
  /** Over notes that go on from the page before. */
  readonly continuation: NoteSeparator;
  /** Columns at the foot of the page. */
  readonly columns: number;
  /** Short notes at the foot follow one another in one paragraph. */
  readonly runOn: boolean;
}

export interface NotesSpec {
  /** By id, in the order in which they are offered; notes of a kind that is gone are set as the first. */
  readonly kinds: Readonly<Record<string, NoteKind>>;
  /** Notes stand on the foot line of the type area, or close under a text that ends above it. */
  readonly stand: 'foot' | 'text';
  /** Least white between text and notes at the foot, in grid lines. */
  readonly space: number;
  /** White between columns of notes, and between text and notes in the margin. */
  readonly columnGap: Pt;
  /** Whether notes gathered at the end stand under the titles of their divisions. */
  readonly heads: boolean;
  /** Whether a running head that tells the title of the division tells, over gathered notes, the pages they belong to. */
  readonly pageHeads: boolean;
  /** Head of notes at the end of a division; empty: none. */
  readonly divisionHead: string;
}

/** Put after the number where the last symbol or sign is used up: the sign again, doubled, trebled. */
export const NOTE_SYMBOLS = ['*', '†', '‡', '§', '‖', '¶'] as const;

export const FOOTNOTE: NoteKind = {
  name: 'Footnote',
  place: 'foot',
  numerals: 'auto',
  signs: [],
  restart: 'division',
  first: 1,
  reference: { before: '', after: '', position: 'superior' },
  number: { before: '', after: '.', position: 'line' },
  keyed: false,
  style: 'NT',
  separator: { kind: 'short', width: 48, weight: 0.4 },
  continuation: { kind: 'full', width: 48, weight: 0.4 },
  columns: 1,
  runOn: false,
};

export const ENDNOTE: NoteKind = { ...FOOTNOTE, name: 'Endnote', place: 'bookEnd', numerals: 'arabic', style: 'EN' };

export const NOTES: NotesSpec = {
  kinds: { footnote: FOOTNOTE, endnote: ENDNOTE },
  stand: 'foot',
  space: 0.6,
  columnGap: 12,
  heads: true,
  pageHeads: true,
  divisionHead: 'Notes',
};

/** The kind of a note; the first of the book where its own is gone. */
export function noteKind({ kinds }: NotesSpec, id: string): NoteKind {
  return kinds[id] ?? Object.values(kinds)[0] ?? FOOTNOTE;
}

/** What a file that knows only two kinds of notes has a kind as: by its place. */
export function noteClass(spec: NotesSpec, id: string): 'footnote' | 'endnote' {
  const { place } = noteKind(spec, id);
  return place === 'foot' || place === 'margin' ? 'footnote' : 'endnote';
}
