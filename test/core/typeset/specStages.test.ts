// One test per spec property: a change does again what its stage says, nothing before it, and gives what a compose from
// scratch gives.
import { expect } from 'chai';
import { applyEdit, setSpecEdit } from '../../../src/core/edit';
import { NOVEL_SPEC } from '../../../src/core/defaults/novelSpec';
import { SPEC_STAGES, STYLE_STAGES, type FirstStage } from '../../build/specStages';
import type { IndexMark } from '../../../src/core/model/spec/indexSpec';
import { ENDNOTE, FOOTNOTE, type NoteKind } from '../../../src/core/model/spec/notes';
import { PLAIN_SCHEME } from '../../../src/core/model/spec/numbering';
import { plainFurniture, token } from '../../../src/core/model/spec/furniture';
import { checkSpec, paragraphStyleSchema, specSchema } from '../../../src/core/validate';
import type { Book } from '../../../src/core/model/copy/book';
import type { Plain } from '../../../src/core/model/copy/bookEdit';
import { compose, newContext } from '../../build/assets';
import { essence } from '../../build/essence';
import { book, chapter, division, note, p, words } from '../../build/book';

const text = (seed: number) => Array.from({ length: 7 }, (_, k) => `${words(109, seed * 10 + k)} *so,* “so” ◉.`);
const marked = (term: string, sub: string, range: IndexMark['range'] = 'here') => ({
  ...p('\uFFFCA line of words that is in the index.'),
  objects: [{ at: 0, kind: 'index' as const, term, sub, see: '', seeAlso: '', range }],
});
const contents = division('contents', [p('Contents', 'TOH')]);
const start = book(
  [
    division('title', [p('A Book', 'BT')]),
    contents,
    chapter('Alpha', ...text(1), `A line that a note belongs to.{1}`, `And one at the end.{2}`),
    {
      ...chapter('Beta', ...text(2)),
      run: { numerals: 'arabic', start: 120, prefix: '', hidden: false },
      blocks: [
        marked('weir', 'of oak', 'from'),
        ...chapter('Beta', ...text(2)).blocks,
        {
          ...p('An extract of some length\uFFFCthat goes on.', 'EXT'),
          objects: [{ at: 25, kind: 'tab' as const }],
        },
        { ...p('First'), list: { level: 0, ordered: true } },
        { ...p('Second'), list: { level: 0, ordered: false } },
        marked('weir', 'sluices of'),
        marked('weir rod', ''),
      ],
    },
    division(
      'appendix',
      [p('Tables', 'CT'), p('E. Writer', 'CAU'), p('What they say', 'CST'), marked('weir', 'of oak', 'to')],
      {
        matter: 'back',
        listed: true,
      },
    ),
    division('notes', [p('Notes', 'CT')], { matter: 'back' }),
    division('index', [p('Index', 'TOH')], { matter: 'back' }),
  ],
  [note(1, words(30, 5)), { ...note(2, words(20, 6)), kind: 'endnote' }],
);

const length = (pt: number): Plain => ({ pt, unit: 'pt' });
const kinds = (of: Partial<NoteKind>): Plain => ({ footnote: { ...FOOTNOTE, ...of }, endnote: ENDNOTE }) as never;
const VALUES: Record<string, Plain> = {
  name: 'Other',
  'page.trim.width': length(430),
  'page.trim.height': length(580),
  'page.margins.head': length(75),
  'page.margins.foot': length(130),
  'page.margins.back': length(80),
  'page.margins.foreEdge': length(70),
  'inks.set': 'Other',
  tables: { TB: { ...NOVEL_SPEC.tables.TB, gap: 2 } } as never,
  'inks.pictures.press': 'asis',
  'inks.pictures.tone': [5, 20, 40, 60, 90],
  'inks.sets': { 'Black only': { Black: { colour: { kind: 'grey', k: 90 }, press: 'k' } } },
  'page.facing': false,
  'page.bindingAllowance': length(12),
  'page.canon': { kind: 'nths', parts: 9 },
  'page.bleed.head': length(9),
  'page.bleed.foot': length(9),
  'page.bleed.back': length(9),
  'page.bleed.foreEdge': length(9),
  'page.sheetEdge': length(20),
  'page.guides': [{ axis: 'across', at: { pt: 100, unit: 'pt' }, on: 'all' }],
  'page.unit': 'mm',
  'page.dpi': 300,
  'text.face': 'spectral',
  'text.size': length(10.5),
  'text.leading': length(15),
  'text.setting': 'ragged',
  'text.indent': length(20),
  'text.wordSpace': { least: 0.18, wished: 0.24, most: 0.4 },
  'text.hyphenation.on': false,
  'text.hyphenation.smallestWord': 9,
  'text.hyphenation.before': 4,
  'text.hyphenation.after': 5,
  'text.hyphenation.running': 1,
  'text.lastLine': 6,
  'text.rag': 1.5,
  'text.letterWidth': 0,
  'text.hangingPunctuation': 0,
  'text.letterPlay': 8,
  'text.ties': false,
  'text.liftedTies': ['Mrs Vane'],
  'text.fallbacks': { Zyyy: 'source-sans-3' },
  'text.hyphenation.capitals': 'never',
  'text.hyphenation.exceptions': ['ta-ble'],
  'marks.set': 'uk',
  'marks.afterItalic': 'typed',
  'pages.linesAtFoot': 3,
  'pages.linesAtHead': 3,
  'pages.chapterEnd': 8,
  'pages.spreadShort': null,
  'pages.spreadLong': 1,
  'pages.elastic': false,
  'pages.footFree': true,
  'pages.columns': 2,
  'pages.columnRule': length(0.5),
  'pages.columnGap': length(20),
  'pages.columnShares': [2, 1],
  'pages.balanceColumns': false,
  'openers.sink': 2,
  'openers.textStart': 8,
  'openers.chaptersStart': 'recto',
  'openers.dropLines': 3,
  'openers.dropLetters': 2,
  'openers.leadWords': 3,
  'openers.part': { sink: 8, textStart: 15 },
  'openers.front': { sink: 8, textStart: 15 },
  'openers.short': { sink: 8, textStart: 15 },
  'openers.shortUnder': 100,
  'pages.others': { chapter: { columns: 2, columnGap: { pt: 12, unit: 'pt' } } },
  'furniture.set': 'Bare',
  'furniture.sets': {
    Book: plainFurniture({
      verso: null,
      recto: token('chapterTitle'),
      folio: 'foreEdge',
      dropFolio: false,
    }) as unknown as Plain,
  },
  'folios.front': 'arabic',
  'folios.plates': 'uncounted',
  'numbering.appendix.numerals': 'roman',
  'numbering.appendix.before': 'Annex ',
  'numbering.ordered': ['roman'],
  'numbering.bullets': ['*'],
  'contents.levels': [{ source: 'CT', entry: 'TOT', number: false, arrangement: 'after' }],
  'contents.leader': '·',
  'contents.author': { source: 'CAU', entry: 'TOA' },
  'contents.description': { source: 'CST', entry: 'TOD' },
  'index.order': 'words',
  'index.ranges': 'full',
  'index.subentries': 'runIn',
  'index.letterHeads': false,
  'notes.kinds': kinds({ numerals: 'Letters' }),
  'notes.stand': 'text',
  'notes.space': 1.5,
  'notes.columnGap': 20,
  'notes.heads': false,
  'notes.pageHeads': false,
  'notes.divisionHead': 'Remarks',
};
const NUMBERED = {
  ...NOVEL_SPEC.styles,
  CT: {
    ...NOVEL_SPEC.styles.CT,
    number: { ...PLAIN_SCHEME, restart: 'never' as const },
  },
};
/** What must be set so that a property has a say at all. */
const GIVEN: Record<string, readonly [string, Plain]> = {
  'numbering.appendix.numerals': ['styles', NUMBERED as unknown as Plain],
  'numbering.appendix.before': ['styles', NUMBERED as unknown as Plain],
  'contents.leader': ['contents.levels', [{ source: 'CT', entry: 'TOC', number: true, arrangement: 'leaders' }]],
  'text.rag': ['text.setting', 'ragged'],
  'openers.dropLetters': ['openers.dropLines', 3],
  'pages.columnGap': ['pages.columns', 2],
  'pages.columnShares': ['pages.columns', 2],
  'pages.balanceColumns': ['pages.columns', 2],
  'notes.columnGap': ['notes.kinds', kinds({ columns: 2 })],
  'notes.divisionHead': ['notes.kinds', kinds({ place: 'divisionEnd' })],
};
/** Only an opener's first paragraph is concerned. */
const FEW = new Set(['openers.dropLines', 'openers.leadWords']);
const ONE = new Set(['openers.dropLetters']);
/** Only what the book makes itself, line by line. */
const MADE = /^(?:numbering|contents|index|notes)\./;
const STYLE_VALUES: Record<string, Plain> = {
  name: 'Other',
  basedOn: 'DED',
  meaning: 'other',
  face: 'alegreya',
  size: 9,
  leading: 12,
  weight: 700,
  italic: true,
  caps: 'small',
  tracking: 20,
  align: 'left',
  lastAlign: 'right',
  features: 'dlig',
  firstIndent: 8,
  leftIndent: 40,
  rightIndent: 30,
  above: 2,
  below: 2,
  hyphenate: false,
  withNext: true,
  keepTogether: true,
  keepSpace: true,
  atFoot: true,
  tabs: [{ at: 200, kind: 'left' }],
  lineNumbers: 5,
  next: 'TX',
  rise: 2,
  language: 'de',
  breakBefore: 'page',
  drop: { lines: 2, letters: 1 },
  lead: { kind: 'words', count: 2, mark: '', style: null },
  spots: [{ pattern: 'extract', style: 'sc' }],
  wordSpace: { least: 0.2, wished: 0.26, most: 0.4 },
  division: { smallestWord: 9, before: 4, after: 4, running: 1, capitals: 'never' },
  ink: { ink: 'Black', tint: 60 },
  background: { ink: 'Black', tint: 10 },
  ruleAbove: { weight: 0.5, width: 'paragraph', offset: 12 },
  ruleBelow: { weight: 0.5, width: 'words', offset: 5 },
  ornament: '\uE708',
  number: NUMBERED.CT.number as unknown as Plain,
  waits: true,
};

/** Paragraphs shaped and broken, divisions paged, when the change is composed in a context that knows the book. */
function countsOf(changed: Book, from: Book = start): { shaped: number; broken: number; paged: number } {
  const context = newContext();
  compose(from, context);
  const { cache } = context;
  const before = [cache.shapedCount, cache.brokenCount, cache.pagedCount];
  const incremental = compose(changed, context);
  expect(essence(incremental)).to.deep.equal(essence(compose(changed)));
  return {
    shaped: cache.shapedCount - before[0],
    broken: cache.brokenCount - before[1],
    paged: cache.pagedCount - before[2],
  };
}

/** Folios and heads are generated: a few of their lines may be new in any change of pages. */
const FURNITURE = 14;

function expectStage(stage: FirstStage, counts: ReturnType<typeof countsOf>, paragraphs: number): void {
  if (stage === 'shape') expect(counts.shaped).to.be.at.least(paragraphs);
  else expect(counts.shaped).to.be.at.most(FURNITURE);
  if (stage === 'shape' || stage === 'break') expect(counts.broken).to.be.at.least(paragraphs);
  else expect(counts.broken).to.be.at.most(FURNITURE);
  // The contents and the index say other folios.
  if (stage === 'paint' || stage === 'none') expect(counts.paged).to.be.at.most(stage === 'none' ? 0 : 2);
  if (stage === 'none') expect(counts).to.deep.equal({ shaped: 0, broken: 0, paged: 0 });
}

function leaves(schema: { keys?: Record<string, never> }, path = ''): string[] {
  if (schema.keys === undefined || path === 'text.wordSpace') return [path];
  return Object.entries(schema.keys).flatMap(([key, child]) => leaves(child, path === '' ? key : `${path}.${key}`));
}

describe('the first stage of each spec property', () => {
  it('is declared for every property of the schema', () => {
    const properties = leaves(specSchema.describe() as never).filter(
      (path) => !/^(styles|characterStyles)$/.test(path),
    );
    expect(Object.keys(SPEC_STAGES).sort()).to.deep.equal(properties.sort());
    expect(Object.keys(STYLE_STAGES).sort()).to.deep.equal(
      Object.keys((paragraphStyleSchema.describe() as { keys: object }).keys).sort(),
    );
  });

  for (const [path, stage] of Object.entries(SPEC_STAGES)) {
    it(`${path}: ${stage}`, () => {
      const [given, value] = GIVEN[path] ?? ['name', 'Other'];
      const from = applyEdit(start, setSpecEdit(start, given.split('.'), value));
      const changed = applyEdit(from, setSpecEdit(from, path.split('.'), path === 'name' ? 'A third' : VALUES[path]));
      checkSpec(changed.spec);
      // Face and size rule nearly all text; others at least the body paragraphs.
      expectStage(
        stage,
        countsOf(changed, from),
        MADE.test(path) || ONE.has(path) ? 1 : FEW.has(path) ? 2 : stage === 'page' ? 0 : 10,
      );
    });
  }

  for (const [key, stage] of Object.entries(STYLE_STAGES)) {
    it(`a style’s ${key}: ${stage}`, () => {
      // Only heads are numbered.
      const own = { ...NOVEL_SPEC.styles.EXT, ...(key === 'number' ? { meaning: 'heading2' as const } : {}) };
      const from = applyEdit(start, { kind: 'setStyle', tag: 'EXT', from: NOVEL_SPEC.styles.EXT, to: own });
      const to = { ...own, [key]: STYLE_VALUES[key] };
      const changed = applyEdit(from, { kind: 'setStyle', tag: 'EXT', from: own, to: to as never });
      const counts = countsOf(changed, from);
      expectStage(stage, counts, 1);
      // Only the one extract and what is made of pages, never the body.
      expect(counts.broken).to.be.at.most(1 + FURNITURE);
    });
  }
});
