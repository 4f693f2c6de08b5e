// `npm run quality`: composes the demonstration novel and seeded texts at several trims, faces and leadings, prints the
// figures of core/proof beside those of a browser's print, and writes docs/quality.md.
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { nodeAssets } from '../cli/assets';
import { drain } from '../cli/compose';
import { makeBook, qualityOf, readManuscript, specFromFile, typesetBook } from '../src/core/index';
import type { Book } from '../src/core/model/copy/book';
import type { QualityFigures } from '../src/core/model/answers/quality';
import { measurePeer, openBrowser, type PeerFigures } from './browserPeer';
import { peerText } from './peerText';
import { seededText } from './seededText';

const folder = fileURLToPath(new URL('../../generated/public', import.meta.url));
const root = join(folder, '../..');
const assets = nodeAssets(folder);
const WORDS = 60_000;
const SEEDS = process.env.FEW ? [7] : [7, 11, 12, 23, 42];

/** Trims with the type that suits each: measures from 44 to 70 characters. */
const SETTINGS: readonly { name: string; spec: object }[] = [
  { name: 'EB Garamond 11.5/14.5, 5.5 × 8.5 in', spec: {} },
  {
    name: 'Spectral 10/14, 5.25 × 8 in',
    spec: {
      page: {
        trim: { width: '5.25in', height: '8in' },
        margins: { head: 58, foot: 91.4, back: 55, foreEdge: 49 },
      },
      text: { face: 'spectral', size: 10, leading: 14, indent: 14 },
    },
  },
  {
    name: 'Source Serif 4 10/13.5, 6 × 9 in',
    spec: {
      page: {
        trim: { width: '6in', height: '9in' },
        margins: { head: 60, foot: 95.3, back: 66, foreEdge: 60 },
      },
      text: { face: 'source-serif-4', size: 10, leading: 13.5, indent: 13.5 },
    },
  },
];

/** What eyes saw, written by whoever looked: no figure says it. */
const LOOKED_AT = readFileSync(join(root, 'docs/quality-pages.md'), 'utf8');

interface Row {
  readonly text: string;
  readonly setting: string;
  readonly figures: QualityFigures;
  readonly findings: ReadonlyMap<string, number>;
}

const source = readFileSync(join(root, 'demo/the-ferry-register.txt'), 'utf8');
const demo = new Uint8Array(readFileSync(join(folder, 'demo/the-ferry-register.docx')));

function bookOf(name: string, bytes: Uint8Array): Book {
  return makeBook(drain(readManuscript(name, bytes)), { bookId: 'b1', fileName: name });
}

function measured(text: string, book: Book, setting: (typeof SETTINGS)[number], over: object = {}): Row {
  const own = specFromFile(setting.spec);
  const spec = { ...own, text: { ...own.text, ...over } };
  const set = { ...book, spec };
  const context = assets.contextFor(set);
  const composed = drain(typesetBook(set, context));
  const findings = new Map<string, number>();
  for (const { kind } of composed.findings) findings.set(kind, (findings.get(kind) ?? 0) + 1);
  return { text, setting: setting.name, figures: qualityOf(composed, context), findings };
}

const fixed = (value: number, digits: number) => value.toFixed(digits);
const COLUMNS: readonly [string, (figures: QualityFigures) => string][] = [
  ['pages', (f) => String(f.pages)],
  ['lines', (f) => String(f.lines)],
  ['widows', (f) => String(f.widows)],
  ['orphans', (f) => String(f.orphans)],
  ['stranded heads', (f) => String(f.strandedHeads)],
  ['level spreads %', (f) => fixed(f.levelShare, 1)],
  ['on grid %', (f) => fixed(f.onGridShare, 1)],
  ['hyphenated %', (f) => fixed(f.hyphenatedShare, 1)],
  ['ladders', (f) => String(f.ladders)],
  ['over rectos', (f) => String(f.hyphensOverRectos)],
  ['loose %', (f) => fixed(f.looseShare, 2)],
  ['left short', (f) => String(f.shortLines)],
  ['tight', (f) => String(f.tightLines)],
  ['space mean em', (f) => fixed(f.spaceMean, 3)],
  ['off wish %', (f) => fixed(f.spaceOffWish, 1)],
  ['space deviation em', (f) => fixed(f.spaceDeviation, 4)],
  ['short last lines', (f) => String(f.shortLastLines)],
  ['stacks', (f) => String(f.stacks)],
  ['rivers', (f) => String(f.rivers)],
  ['mark runs', (f) => String(f.markRuns)],
];

function table(rows: readonly Row[]): string {
  const head = ['text', 'setting', ...COLUMNS.map(([name]) => name)];
  const body = rows.map((row) => [row.text, row.setting, ...COLUMNS.map(([, of]) => of(row.figures))]);
  return [head, head.map((_, k) => (k < 2 ? '---' : '---:')), ...body]
    .map((cells) => `| ${cells.join(' | ')} |`)
    .join('\n');
}

function peerTable(rows: readonly [string, QualityFigures | PeerFigures][], peer: PeerFigures): string {
  const lines = rows.map(([name, f]) =>
    [
      name,
      fixed(f.spaceMean, 3),
      fixed(f.spaceDeviation, 4),
      fixed(f.spaceDeviation / peer.spaceDeviation, 2),
      fixed(f.looseShare, 2),
      fixed(f.hyphenatedShare, 1),
      String(f.ladders),
      fixed(f.levelShare, 1),
      fixed(f.onGridShare, 1),
    ].join(' | '),
  );
  const head =
    'setting | space mean em | deviation em | of the peer | loose % | hyphenated % | ladders | level spreads % | on grid %';
  return [head, '--- | ---: | ---: | ---: | ---: | ---: | ---: | ---: | ---:', ...lines]
    .map((line) => `| ${line} |`)
    .join('\n');
}

const rows: Row[] = [];
for (const setting of SETTINGS) {
  rows.push(measured('The Ferry Register', bookOf('the-ferry-register.docx', demo), setting));
  for (const seed of SEEDS) {
    const bytes = new TextEncoder().encode(seededText({ words: WORDS, chapters: 20, seed, source }));
    rows.push(measured(`seeded ${seed}`, bookOf('seeded.txt', bytes), setting));
  }
}
console.log(table(rows));

const long = bookOf(
  'seeded.txt',
  new TextEncoder().encode(seededText({ words: 100_000, chapters: 32, seed: 7, source })),
);
const context = assets.contextFor(long);
const { geometry } = drain(typesetBook(long, context));
const browser = await openBrowser();
const peer = await measurePeer(browser, peerText(long, geometry, context, folder), 0.3);
await browser.close();
const compared: [string, QualityFigures | PeerFigures][] = [
  ['headless Chromium, `hyphens: manual` with soft hyphens from the same patterns', peer],
  ['without play, spaces from 0.13 em as held then', measured('', long, SETTINGS[0], { letterWidth: 0 }).figures],
  [
    'without play, spaces from 0.15 em as held with it',
    measured('', long, SETTINGS[0], { letterWidth: 0, wordSpace: { least: 0.15, wished: 0.2, most: 0.3 } }).figures,
  ],
  ['letter-width tolerance 2 %, the novel as it starts', measured('', long, SETTINGS[0]).figures],
  ['and letter-space play of 8 thousandths', measured('', long, SETTINGS[0], { letterPlay: 8 }).figures],
];
console.log(`\n${peerTable(compared, peer)}`);

const unexplained = rows.flatMap((row) => exceptions(row));
console.log(`\n${unexplained.length === 0 ? 'Every exception has its finding.' : unexplained.join('\n')}`);

/** Exceptions of the bars without a finding that says so. */
function exceptions({ text, setting, figures, findings }: Row): string[] {
  const found = (kind: string) => findings.get(kind) ?? 0;
  const pairs: [string, number, number][] = [
    ['widows', figures.widows, found('widow')],
    ['orphans', figures.orphans, found('orphan')],
    ['stranded heads', figures.strandedHeads, found('stranded-head')],
    ['uneven spreads', figures.spreads - figures.levelSpreads, found('uneven-pages')],
    ['hyphens over rectos', figures.hyphensOverRectos, found('hyphen-over-recto')],
    ['loose lines', figures.looseLines, found('loose-line') + found('short-line')],
    ['overfull lines', figures.overfullLines, found('overfull-line')],
  ];
  return pairs
    .filter(([, measuredCount, findingCount]) => measuredCount > findingCount)
    .map(
      ([what, measuredCount, findingCount]) =>
        `${text}, ${setting}: ${measuredCount} ${what}, ${findingCount} findings`,
    );
}

writeFileSync(
  join(root, 'docs/quality.md'),
  `# Quality of composition

Made by \`npm run quality\`, never by hand, but for the last section, which is \`docs/quality-pages.md\`. The figures come from the measures in \`src/core/proof/quality\`, read off the
composed lines and pages. Texts: the demonstration novel, and seeded texts of ${WORDS.toLocaleString('en')} words with its vocabulary.

${table(rows)}

Word spaces are those of full justified lines, last lines left out. Loose: over one and a half times the face's own space,
lines left short among them, by the spaces that would have filled them;
tight: under three quarters. Ladder: three lines running that end in a divided word. Level: both pages of a spread full, last baselines
within half a point. Stack: the same word of three letters or more at three line starts or ends running. River: white through
four lines or more.

## Beside a browser's print

The same seeded text of 100,000 words, face, size and measure; the browser's lines measured where it sets them, in columns of the page's depth.

${peerTable(compared, peer)}

${unexplained.length === 0 ? 'Every exception in these tables has its finding in the book’s proof.' : `Without a finding: ${unexplained.join('; ')}.`}

${LOOKED_AT}`,
);
