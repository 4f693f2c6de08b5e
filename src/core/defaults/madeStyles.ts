// Styles of what the book makes itself: entries of contents and index, heads of gathered notes, and the author of a piece.
import { table } from '../base/table';
import type { ParagraphStyle } from '../model/spec/spec';

/** Came in with kinds of notes. */
export const NOTE_STYLES: Readonly<Record<string, ParagraphStyle>> = table({
  EN: { name: 'Endnote', basedOn: 'NT' },
  NH: {
    name: 'Notes, head',
    // The leading of the notes: on the grid alone among them it would stand at uneven distances.
    basedOn: 'NT',
    meaning: 'other',
    align: 'left',
    italic: true,
    firstIndent: 0,
    hyphenate: false,
    withNext: true,
    above: 1,
  },
  NM: { name: 'Note in the margin', basedOn: 'NT', size: 8, leading: 10, align: 'left', hyphenate: false },
});

export const MADE_STYLES: Readonly<Record<string, ParagraphStyle>> = table({
  CAU: {
    name: 'Chapter author',
    basedOn: 'TX',
    meaning: 'chapterAuthor',
    align: 'centre',
    firstIndent: 0,
    hyphenate: false,
    withNext: true,
    above: 0.5,
  },
  TOS: { name: 'Contents, section', basedOn: 'TOC', leftIndent: 29, firstIndent: -14.5 },
  TOT: { name: 'Contents, third level', basedOn: 'TOC', leftIndent: 43.5, firstIndent: -14.5 },
  TOA: { name: 'Contents, author', basedOn: 'TOC', italic: true, leftIndent: 14.5, firstIndent: 0 },
  TOD: { name: 'Contents, description', basedOn: 'TOC', size: 9.5, leftIndent: 14.5, firstIndent: 0 },
  IXL: {
    name: 'Index, letter',
    basedOn: 'TX',
    meaning: 'other',
    align: 'left',
    size: 9.5,
    caps: 'small',
    tracking: 60,
    firstIndent: 0,
    hyphenate: false,
    withNext: true,
    above: 1,
  },
  IX: {
    name: 'Index, entry',
    basedOn: 'TX',
    meaning: 'other',
    align: 'left',
    size: 9.5,
    leftIndent: 19,
    firstIndent: -19,
    hyphenate: false,
  },
  IXS: { name: 'Index, sub-entry', basedOn: 'IX', leftIndent: 19, firstIndent: -9.5 },
  ...NOTE_STYLES,
});
