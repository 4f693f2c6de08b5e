// Format 7: furniture in sets, numbering, contents and an index. Heads had been chosen from five.
import { part, withSpec, type Migration, type Plain, type PlainBook } from '../plainBook';

const NUMBERING = {
  appendix: { numerals: 'Letters', before: 'Appendix ' },
  ordered: ['arabic', 'letters', 'roman'],
  bullets: ['•', '–'],
};

const CONTENTS = {
  levels: [
    { source: 'PT', entry: 'TOP', number: true, arrangement: 'white' },
    { source: 'CT', entry: 'TOC', number: true, arrangement: 'white' },
  ],
  leader: '.',
  author: null,
  description: null,
};

const INDEX = { order: 'letters', ranges: 'elided', subentries: 'indented', letterHeads: true };

/** Styles of contents and index, as they were when these came. */
const MADE_STYLES = {
  CAU: {
    name: 'Chapter author',
    basedOn: 'TX',
    meaning: 'other',
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
  EN: { name: 'Endnote', basedOn: 'NT' },
  NH: {
    name: 'Notes, head',
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
};

export const from6: Migration = (book) => ({
  pageTouches: [],
  ...withoutHalfTitle(
    withSpec(book, 7, (spec) => ({
      numbering: NUMBERING,
      contents: CONTENTS,
      index: INDEX,
      ...spec,
      styles: withUnnumberedParts({ ...MADE_STYLES, ...part(spec, 'styles') }),
      furniture: furnitureOf(part(spec, 'furniture')),
    })),
  ),
});

/** A half-title was in no ebook. */
function withoutHalfTitle(book: PlainBook): PlainBook {
  const { divisions } = book;
  if (!Array.isArray(divisions)) return book;
  const made = (divisions as Plain[]).map((one) => (one?.role === 'half-title' ? { ...one, notInEbook: true } : one));
  return { ...book, divisions: made };
}

/** A part title takes from the chapters': their numbers are not its own. */
function withUnnumberedParts(styles: Plain): Plain {
  return 'PT' in styles ? { ...styles, PT: { number: null, ...part(styles, 'PT') } } : styles;
}

const TOKENS: Readonly<Record<string, string>> = {
  author: 'author',
  title: 'shortTitle',
  part: 'partTitle',
  chapter: 'chapterTitle',
};
const NOTHING = { head: null, foot: null };

/** Heads at the fore-edge, the folio at the foot. */
function furnitureOf(old: Plain): unknown {
  if ('sets' in old) return old;
  const head = (of: unknown) => (typeof of === 'string' && Object.hasOwn(TOKENS, of) ? TOKENS[of] : null);
  const [verso, recto] = [head(old.verso), head(old.recto)];
  const foot = line(2.5, 'FO', slot('FO', 'folio'), null);
  const words = (token: string | null) => slot(token === 'author' ? 'RHA' : 'RH', token);
  const text = { head: verso === null && recto === null ? null : line(2, 'RH', words(recto), words(verso)), foot };
  const opener = { head: null, foot: old.dropFolio === false ? null : foot };
  const roles = { text, opener, blank: NOTHING, display: NOTHING, plate: NOTHING };
  return { set: 'Book', sets: { Book: { roles } } };
}

const slot = (style: string, token: string | null) => ({
  style,
  parts: token === null ? [] : [{ kind: 'token', token }],
});

function line(distance: number, style: string, recto: Plain, verso: Plain | null): Plain {
  const slots = (foreEdge: Plain) => ({ spine: slot(style, null), centre: slot(style, null), foreEdge });
  return {
    recto: slots(recto),
    verso: verso === null ? null : slots(verso),
    distance,
    ruleAbove: null,
    ruleBelow: null,
  };
}
