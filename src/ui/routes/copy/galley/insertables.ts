// What can be put in at the caret by name: notes, breaks, and characters and spaces that keyboards lack.
import { noteLabel } from '../../../../core/numbering/numberNotes';
import type { NotesSpec } from '../../../../core/model/spec/notes';
import { SIGNS } from '../signs';

export interface InsertableCharacter {
  readonly text: string;
  readonly name: string;
  /** How it is shown in the list, where it would not be seen itself. */
  readonly shown?: string;
}

/** By name; spaces first, then dashes, quotes, signs and letters. */
export const CHARACTERS: readonly InsertableCharacter[] = [
  { text: '\u00A0', name: 'No-break space', shown: SIGNS['\u00A0'].sign },
  { text: '\u2003', name: 'Em space', shown: SIGNS['\u2003'].sign },
  { text: '\u2002', name: 'En space', shown: SIGNS['\u2002'].sign },
  { text: '\u2009', name: 'Thin space', shown: SIGNS['\u2009'].sign },
  { text: '\u200A', name: 'Hair space', shown: SIGNS['\u200A'].sign },
  { text: '\u202F', name: 'Narrow no-break space', shown: SIGNS['\u202F'].sign },
  { text: '\u2007', name: 'Figure space', shown: SIGNS['\u2007'].sign },
  { text: '\u00AD', name: 'Soft hyphen', shown: SIGNS['\u00AD'].sign },
  { text: '\u2011', name: 'No-break hyphen', shown: SIGNS['\u2011'].sign },
  { text: '\u2060', name: 'Word joiner', shown: SIGNS['\u2060'].sign },
  { text: '\u200B', name: 'Zero-width space', shown: SIGNS['\u200B'].sign },
  { text: '\u200D', name: 'Zero-width joiner', shown: SIGNS['\u200D'].sign },
  { text: '\u200C', name: 'Zero-width non-joiner', shown: SIGNS['\u200C'].sign },
  { text: '\u2014', name: 'Em dash' },
  { text: '\u2013', name: 'En dash' },
  { text: '\u2012', name: 'Figure dash' },
  { text: '\u2212', name: 'Minus' },
  { text: '\u2026', name: 'Ellipsis' },
  { text: '\u2019', name: 'Apostrophe, right single quote' },
  { text: '\u2018', name: 'Left single quote' },
  { text: '\u201C', name: 'Left double quote' },
  { text: '\u201D', name: 'Right double quote' },
  { text: '\u201E', name: 'Low double quote' },
  { text: '\u201A', name: 'Low single quote' },
  { text: '\u00AB', name: 'Left guillemet' },
  { text: '\u00BB', name: 'Right guillemet' },
  { text: '\u2032', name: 'Prime, feet, minutes' },
  { text: '\u2033', name: 'Double prime, inches, seconds' },
  { text: '\u00B7', name: 'Middle dot' },
  { text: '\u2022', name: 'Bullet' },
  { text: '\u00A7', name: 'Section sign' },
  { text: '\u00B6', name: 'Paragraph sign' },
  { text: '\u2020', name: 'Dagger' },
  { text: '\u2021', name: 'Double dagger' },
  { text: '\u00A9', name: 'Copyright' },
  { text: '\u00AE', name: 'Registered' },
  { text: '\u2122', name: 'Trade mark' },
  { text: '\u2116', name: 'Numero' },
  { text: '\u00B0', name: 'Degree' },
  { text: '\u00D7', name: 'Multiplication' },
  { text: '\u00F7', name: 'Division' },
  { text: '\u00B1', name: 'Plus or minus' },
  { text: '\u2248', name: 'Nearly equal' },
  { text: '\u2260', name: 'Not equal' },
  { text: '\u00BC', name: 'One quarter' },
  { text: '\u00BD', name: 'One half' },
  { text: '\u00BE', name: 'Three quarters' },
  { text: '\u2044', name: 'Fraction bar' },
  { text: '\u00A3', name: 'Pound' },
  { text: '\u20AC', name: 'Euro' },
  { text: '\u00A2', name: 'Cent' },
  { text: '\u00E6', name: 'Letter ae' },
  { text: '\u00C6', name: 'Letter AE' },
  { text: '\u0153', name: 'Letter oe' },
  { text: '\u0152', name: 'Letter OE' },
  { text: '\u00DF', name: 'Sharp s' },
  { text: '\u00E7', name: 'C with cedilla' },
  { text: '\u00E9', name: 'E acute' },
  { text: '\u00E8', name: 'E grave' },
  { text: '\u00EA', name: 'E circumflex' },
  { text: '\u00F1', name: 'N with tilde' },
  { text: '\u00F6', name: 'O diaeresis, umlaut' },
  { text: '\u00FC', name: 'U diaeresis, umlaut' },
  { text: '\u00E4', name: 'A diaeresis, umlaut' },
  { text: '\u00F8', name: 'O with stroke' },
  { text: '\u00E5', name: 'A with ring' },
  { text: '\u2767', name: 'Rotated floral heart' },
  { text: '\u2042', name: 'Asterism' },
];

export type Insertable =
  | { readonly kind: 'character'; readonly name: string; readonly shown: string; readonly text: string }
  /** A note of a kind of the spec. */
  | { readonly kind: 'note'; readonly name: string; readonly shown: string; readonly noteKind: string }
  | {
      readonly kind:
        | 'reference'
        | 'index'
        | 'section'
        | 'numbered'
        | 'bulleted'
        | 'noList'
        | 'picture'
        | 'pictureToCome'
        | 'table'
        | 'break'
        | 'pageBreak'
        | 'columnBreak'
        | 'tab'
        | 'dummy';
      readonly name: string;
      readonly shown: string;
    };

const OBJECTS: readonly Insertable[] = [
  { kind: 'reference', name: 'Cross-reference to a head', shown: '→' },
  { kind: 'index', name: 'Index mark', shown: '‸' },
  { kind: 'section', name: 'Section begins at this paragraph', shown: '§' },
  { kind: 'numbered', name: 'List, numbered', shown: '1.' },
  { kind: 'bulleted', name: 'List, with bullets', shown: '•' },
  { kind: 'noList', name: 'List, none here', shown: '–' },
  { kind: 'picture', name: 'Picture, from a file', shown: '▣' },
  { kind: 'pictureToCome', name: 'Picture to come', shown: '▢' },
  { kind: 'table', name: 'Table', shown: '⊞' },
  { kind: 'break', name: 'Line break in the paragraph', shown: SIGNS['\u2028'].sign },
  { kind: 'pageBreak', name: 'Page break before the caret', shown: '⎯' },
  { kind: 'columnBreak', name: 'Column break before the caret', shown: '┆' },
  { kind: 'tab', name: 'Tab', shown: SIGNS['\t'].sign },
  { kind: 'dummy', name: 'Dummy copy, paragraphs', shown: '¶' },
];

/** Notes of each kind, as they are offered. */
export function noteInsertables(kinds: NotesSpec['kinds']): Insertable[] {
  return Object.entries(kinds).map(([noteKind, kind]) => ({
    kind: 'note',
    name: kind.name,
    shown: kind.keyed ? '…' : noteLabel(kind, kind.first),
    noteKind,
  }));
}

/** What the words typed may mean, notes before the rest: the best match first, or the code point in figures. */
export function insertablesFor(words: string, notes: readonly Insertable[] = []): readonly Insertable[] {
  const needle = words.trim().toLowerCase();
  const characters = CHARACTERS.map(({ text, name, shown = text }): Insertable => ({
    kind: 'character',
    text,
    name,
    shown,
  }));
  const all = [...notes, ...OBJECTS, ...characters];
  if (needle === '') return all;
  const named = byMatch(all, needle);
  const code = /^(?:u\+)?([0-9a-f]{4,6})$/.exec(needle);
  const point = code === null ? Number.NaN : Number.parseInt(code[1], 16);
  const isPoint = point > 0x20 && point <= 0x10ffff && !(point >= 0xd800 && point < 0xe000) && point !== 0xfffc;
  const typed: Insertable[] = isPoint
    ? [
        {
          kind: 'character',
          text: String.fromCodePoint(point),
          name: `Character U+${code![1].toUpperCase()}`,
          shown: String.fromCodePoint(point),
        },
      ]
    : [];
  return [...typed, ...named];
}

/** The best match first: the name itself, its first word, its beginning, a word of it, the beginning of a word, any part. */
function byMatch(all: readonly Insertable[], needle: string): Insertable[] {
  return all
    .map((one, at) => ({ one, at, match: matchOf(one.name.toLowerCase(), needle) }))
    .filter(({ match }) => match < Infinity)
    .sort((a, b) => a.match - b.match || a.at - b.at)
    .map(({ one }) => one);
}

function matchOf(name: string, needle: string): number {
  if (name === needle) return 0;
  if (!name.includes(needle)) return Infinity;
  const words = name.split(/[^\p{L}\p{N}-]+/u);
  if (words[0] === needle) return 1;
  if (name.startsWith(needle)) return 2;
  if (words.includes(needle)) return 3;
  return words.some((word) => word.startsWith(needle)) ? 4 : 5;
}
