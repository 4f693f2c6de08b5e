// The novel, the starting spec that a book gets when nobody touches anything (house rules, section 2).
import type { Length, Unit } from './length';
import type { CharacterStyle, ParagraphStyle, Spec } from './spec';

const pt = (value: number): Length => ({ pt: value, unit: 'pt' });
const inches = (value: number): Length => ({ pt: value * 72, unit: 'in' as Unit });

const styles: Record<string, ParagraphStyle> = {
  TX: { name: 'Text', meaning: 'body' },
  TXF: { name: 'Text, first', basedOn: 'TX', firstIndent: 0 },
  TXC: { name: 'Text, continued', basedOn: 'TX', firstIndent: 0 },
  EXT: { name: 'Extract', basedOn: 'TX', meaning: 'extract', size: 10.5, leftIndent: 14.5, rightIndent: 14.5, firstIndent: 0, above: 1, below: 1 },
  VRS: { name: 'Verse', basedOn: 'TX', meaning: 'verse', align: 'left', size: 10.5, leftIndent: 29, firstIndent: 0, hyphenate: false, above: 1, below: 1 },
  SB: { name: 'Space break', basedOn: 'TX', meaning: 'break', align: 'centre', firstIndent: 0, hyphenate: false },
  SBO: { name: 'Space break, ornament', basedOn: 'SB', above: 1, below: 1 },
  LI: { name: 'List item', basedOn: 'TX', meaning: 'listItem', leftIndent: 14.5, firstIndent: 0 },
  CN: { name: 'Chapter number', basedOn: 'TX', meaning: 'other', align: 'centre', size: 11.5, caps: 'small', tracking: 60, firstIndent: 0, hyphenate: false, withNext: true },
  CT: { name: 'Chapter title', basedOn: 'TX', meaning: 'heading1', align: 'centre', size: 20, leading: { grid: 2 }, firstIndent: 0, hyphenate: false, withNext: true },
  PN: { name: 'Part number', basedOn: 'CN', meaning: 'other' },
  PT: { name: 'Part title', basedOn: 'CT', meaning: 'heading1', size: 24, leading: { grid: 2 } },
  AH: { name: 'A head', basedOn: 'TX', meaning: 'heading2', align: 'left', caps: 'small', tracking: 60, firstIndent: 0, above: 2, below: 1, hyphenate: false, withNext: true },
  BH: { name: 'B head', basedOn: 'TX', meaning: 'heading3', align: 'left', italic: true, firstIndent: 0, above: 1, hyphenate: false, withNext: true },
  NT: { name: 'Note', basedOn: 'TX', meaning: 'note', size: 9, leading: 11.5, firstIndent: 0 },
  HT: { name: 'Half-title', basedOn: 'TX', meaning: 'title', align: 'centre', size: 14, leading: { grid: 2 }, firstIndent: 0, hyphenate: false, above: 7 },
  BT: { name: 'Book title', basedOn: 'TX', meaning: 'title', align: 'centre', size: 30, leading: { grid: 3 }, firstIndent: 0, hyphenate: false, above: 5 },
  BS: { name: 'Book subtitle', basedOn: 'TX', meaning: 'other', align: 'centre', size: 13, italic: true, leading: { grid: 1 }, firstIndent: 0, hyphenate: false, above: 1 },
  BA: { name: 'Book author', basedOn: 'TX', meaning: 'other', align: 'centre', size: 14, firstIndent: 0, hyphenate: false, above: 4 },
  BP: { name: 'Book publisher', basedOn: 'TX', meaning: 'other', align: 'centre', size: 10.5, caps: 'small', tracking: 60, firstIndent: 0, hyphenate: false, atFoot: true },
  IMP: { name: 'Imprint', basedOn: 'TX', meaning: 'other', align: 'left', size: 8.5, leading: 11, firstIndent: 0, above: 0.5, hyphenate: false, atFoot: true },
  DED: { name: 'Dedication', basedOn: 'TX', meaning: 'other', align: 'centre', italic: true, firstIndent: 0, hyphenate: false, above: 7 },
  EPI: { name: 'Epigraph', basedOn: 'EXT', meaning: 'extract', hyphenate: false, above: 7 },
  TOH: { name: 'Contents title', basedOn: 'CT', meaning: 'heading1' },
  TOP: { name: 'Contents, part', basedOn: 'TX', meaning: 'other', align: 'left', caps: 'small', tracking: 60, firstIndent: 0, rightIndent: 36, hyphenate: false, above: 1 },
  TOC: { name: 'Contents, chapter', basedOn: 'TX', meaning: 'other', align: 'left', leftIndent: 14.5, firstIndent: -14.5, rightIndent: 36, hyphenate: false },
  RH: { name: 'Running head', basedOn: 'TX', meaning: 'other', size: 10, italic: true, firstIndent: 0, hyphenate: false, align: 'left' },
  RHA: { name: 'Running head, author', basedOn: 'RH', meaning: 'other', size: 9.5, italic: false, caps: 'small', tracking: 60 },
  FO: { name: 'Folio', basedOn: 'RH', meaning: 'other', size: 10.5, italic: false },
};

const characterStyles: Record<string, CharacterStyle> = {
  em: { name: 'Emphasis', italic: 'opposite' },
  strong: { name: 'Strong', weight: 700 },
  sc: { name: 'Small capitals', caps: 'small', tracking: 50 },
  sup: { name: 'Superior', position: 'superior' },
  sub: { name: 'Inferior', position: 'inferior' },
};

/** The novel starting spec: 5.5 x 8.5 in, EB Garamond 11.5/14.5 on 282 pt, 32 lines. */
export const NOVEL_SPEC: Spec = {
  name: 'Novel',
  page: {
    trim: { width: inches(5.5), height: inches(8.5) },
    margins: { head: pt(60), foot: pt(95), back: pt(60), foreEdge: pt(54) },
  },
  text: {
    face: 'eb-garamond',
    size: pt(11.5),
    leading: pt(14.5),
    setting: 'justified',
    indent: pt(14.5),
    wordSpace: null,
    hyphenation: { on: true, smallestWord: 6, before: 2, after: 3, running: 2 },
    lastLine: 2,
  },
  openers: { sink: 5, textStart: 12, chaptersStart: 'any' },
  furniture: { verso: 'author', recto: 'title', dropFolio: true },
  folios: { front: 'roman' },
  styles,
  characterStyles,
};
