// The peer: headless Chromium setting the same text from HTML, with the same face, size and measure, justified, with soft
// hyphens from the same patterns. It prints to PDF for the clock, and sets the pages as columns so that its lines can be
// measured where they stand.
import { readFileSync } from 'node:fs';
import { chromium, type Browser, type Page } from 'playwright-core';

const CHROMIUM = process.env.CHROMIUM ?? '/usr/bin/chromium';

export interface PeerText {
  /** Chapters: a title and paragraphs, soft hyphens already in the words. */
  readonly chapters: readonly { readonly title: string; readonly paragraphs: readonly string[] }[];
  readonly fontFile: string;
  /** Points. */
  readonly size: number;
  readonly leading: number;
  readonly measure: number;
  readonly indent: number;
  readonly trim: { readonly width: number; readonly height: number };
  readonly lines: number;
}

export interface PeerFigures {
  readonly pages: number;
  readonly fullLines: number;
  readonly spaceMean: number;
  readonly spaceDeviation: number;
  readonly looseShare: number;
  readonly hyphenatedShare: number;
  readonly ladders: number;
  readonly levelShare: number;
  readonly onGridShare: number;
}

export async function openBrowser(): Promise<Browser> {
  return chromium.launch({ executablePath: CHROMIUM, args: ['--no-sandbox', '--disable-gpu'] });
}

/** Milliseconds that Chromium takes to lay the text out and print it, and pages printed. */
export async function printPeer(browser: Browser, text: PeerText): Promise<{ ms: number; pages: number }> {
  const page = await browser.newPage();
  const html = htmlOf(text, printRules(text));
  const start = performance.now();
  await page.setContent(html, { waitUntil: 'load' });
  await page.evaluate(() => document.fonts.ready.then(() => undefined));
  const pdf = await page.pdf({ preferCSSPageSize: true });
  const ms = performance.now() - start;
  await page.close();
  return { ms, pages: pdf.toString('latin1').split(/\/Type\s*\/Page\b/).length - 1 };
}

/** Measures the lines of the text set in columns of a page's depth. `loose`: word space in em over which a line is loose. */
export async function measurePeer(browser: Browser, text: PeerText, loose: number): Promise<PeerFigures> {
  const page = await browser.newPage();
  await page.setContent(htmlOf(text, columnRules(text)), { waitUntil: 'load' });
  await page.evaluate(() => document.fonts.ready.then(() => undefined));
  const figures = await measureLines(page, text, loose);
  await page.close();
  return figures;
}

function htmlOf(text: PeerText, rules: string): string {
  const font = readFileSync(text.fontFile).toString('base64');
  const escape = (value: string) => value.replace(/&/g, '&amp;').replace(/</g, '&lt;');
  const body = text.chapters
    .map(
      ({ title, paragraphs }) => `<h2>${escape(title)}</h2>${paragraphs.map((p) => `<p>${escape(p)}</p>`).join('\n')}`,
    )
    .join('\n');
  return `<!doctype html><html lang="en"><meta charset="utf-8"><style>
@font-face { font-family: Text; src: url(data:font/ttf;base64,${font}); }
* { margin: 0; padding: 0; }
body { font: ${text.size}pt/${text.leading}pt Text; font-feature-settings: 'onum', 'pnum'; }
p { text-align: justify; hyphens: manual; text-indent: ${text.indent}pt; orphans: 2; widows: 2; }
h2 { font-size: 20pt; line-height: ${2 * text.leading}pt; font-weight: normal; text-align: center; break-before: page;
  padding: ${5 * text.leading}pt 0 ${4 * text.leading}pt; }
h2 + p { text-indent: 0; }
${rules}
</style><body>${body}</body></html>`;
}

function printRules({ trim, measure, lines, leading }: PeerText): string {
  const across = (trim.width - measure) / 2;
  const depth = lines * leading;
  return `@page { size: ${trim.width}pt ${trim.height}pt; margin: ${(trim.height - depth) / 2}pt ${across}pt; }`;
}

function columnRules({ measure, lines, leading }: PeerText): string {
  return `h2 { break-before: column; }
body { width: ${measure}pt; column-width: ${measure}pt; column-gap: 20pt; column-fill: auto; height: ${lines * leading}pt; }`;
}

/** One piece: it is sent to the page as it stands. */
async function measureLines(page: Page, text: PeerText, loose: number): Promise<PeerFigures> {
  return page.evaluate(
    ({ size, leading, measure, looseOver }) => {
      const px = 96 / 72;
      const pitch = (measure + 20) * px;
      interface Line {
        column: number;
        y: number;
        spaces: number[];
        hyphen: boolean;
        last: boolean;
      }
      const columns = new Map<number, { bottom: number; tops: number[] }>();
      const all: Line[][] = [];
      const range = document.createRange();
      for (const paragraph of document.querySelectorAll('p')) {
        const node = paragraph.firstChild as Text;
        const value = node.data;
        const own = new Map<string, Line>();
        const lineAt = (rect: DOMRect): Line => {
          const column = Math.round((rect.left - (rect.left % pitch)) / pitch);
          const y = Math.round(rect.top * 4) / 4;
          const key = `${column}:${y}`;
          let line = own.get(key);
          if (line === undefined) own.set(key, (line = { column, y, spaces: [], hyphen: false, last: false }));
          return line;
        };
        for (let k = 0; k < value.length; k += 1) {
          const isSpace = value[k] === ' ';
          const isSoft = value[k] === '\u00AD';
          if (!isSpace && !isSoft && k > 0 && k < value.length - 1 && value[k - 1] !== ' ') continue;
          range.setStart(node, k);
          range.setEnd(node, k + 1);
          const rects = range.getClientRects();
          // At a line end the hyphen has a box of its own, before that of the next letter.
          const rect = [...rects].reverse().find((one) => one.width > 0.2);
          if (rect === undefined) continue;
          const line = lineAt(rect);
          if (isSoft) line.hyphen = true;
          else if (isSpace) line.spaces.push(rect.width);
        }
        const list = [...own.values()].sort((a, b) => a.column - b.column || a.y - b.y);
        if (list.length > 0) list[list.length - 1].last = true;
        for (const line of list) {
          const column = columns.get(line.column) ?? { bottom: 0, tops: [] };
          column.bottom = Math.max(column.bottom, line.y);
          column.tops.push(line.y);
          columns.set(line.column, column);
        }
        all.push(list);
      }
      let [count, sum, squares, looseLines, hyphenated, ladders] = [0, 0, 0, 0, 0, 0];
      for (const list of all) {
        let running = 0;
        for (const line of list) {
          running = line.hyphen ? running + 1 : 0;
          if (running === 3) ladders += 1;
          if (line.last) continue;
          if (line.hyphen) hyphenated += 1;
          if (line.spaces.length === 0) continue;
          const mean = line.spaces.reduce((a, b) => a + b, 0) / line.spaces.length / px / size;
          count += 1;
          sum += mean;
          squares += mean * mean;
          if (mean > looseOver) looseLines += 1;
        }
      }
      const mean = sum / count;
      const openers = new Set(
        [...document.querySelectorAll('h2')].map((head) => Math.round(head.getBoundingClientRect().left / pitch)),
      );
      const last = Math.max(...columns.keys());
      const isEnd = (column: number) => openers.has(column + 1) || column === last;
      let [spreads, level, onGrid, lineCount] = [0, 0, 0, 0];
      for (let column = 1; column + 1 <= last; column += 2) {
        const pair = [columns.get(column), columns.get(column + 1)];
        if (isEnd(column) || isEnd(column + 1) || pair.some((one) => one === undefined)) continue;
        spreads += 1;
        if (Math.abs(pair[0]!.bottom - pair[1]!.bottom) < 1) level += 1;
      }
      const step = leading * px;
      const base = [...columns.values()][0].tops[0] % step;
      for (const { tops } of columns.values()) {
        for (const top of tops) {
          lineCount += 1;
          const off = (((top - base) % step) + step) % step;
          if (Math.min(off, step - off) < 0.5) onGrid += 1;
        }
      }
      return {
        pages: last + 1,
        fullLines: count,
        spaceMean: mean,
        spaceDeviation: Math.sqrt(squares / count - mean * mean),
        looseShare: (100 * looseLines) / count,
        hyphenatedShare: (100 * hyphenated) / count,
        ladders,
        levelShare: spreads === 0 ? 100 : (100 * level) / spreads,
        onGridShare: (100 * onGrid) / lineCount,
      };
    },
    { size: text.size, leading: text.leading, measure: text.measure, looseOver: loose },
  );
}
