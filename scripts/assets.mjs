// Makes generated/: fonts copied from their packages with the table of their faces, HarfBuzz's wasm, hyphenation
// patterns packed, and the demonstration manuscript. Run by build and test; does nothing when up to date.
import { build } from 'esbuild';
import {
  copyFileSync,
  mkdirSync,
  readFileSync,
  readdirSync,
  rmSync,
  writeFileSync,
  existsSync,
  statSync,
} from 'node:fs';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import { pathToFileURL, fileURLToPath } from 'node:url';
import { runInNewContext } from 'node:vm';

const root = join(dirname(fileURLToPath(import.meta.url)), '..');
const out = join(root, 'generated');
const require = createRequire(import.meta.url);

/** Family key, package, name shown, and the weights that ship. */
const FAMILIES = [
  ['eb-garamond', 'EB Garamond', [400, 600, 700]],
  ['source-serif-4', 'Source Serif 4', [400, 600, 700]],
  ['spectral', 'Spectral', [400, 600, 700]],
  ['alegreya', 'Alegreya', [400, 600, 700]],
  ['crimson-pro', 'Crimson Pro', [400, 600, 700]],
  ['libre-caslon-text', 'Libre Caslon Text', [400, 700]],
  ['source-sans-3', 'Source Sans 3', [400, 600, 700]],
  ['source-code-pro', 'Source Code Pro', [400, 700]],
  ['frank-ruhl-libre', 'Frank Ruhl Libre', [400, 700]],
  ['amiri', 'Amiri', [400, 700]],
  ['noto-emoji', 'Noto Emoji', [400]],
];

const sources = [
  'scripts/assets.mjs',
  'scripts/demoManuscript.ts',
  'scripts/demoPictures.ts',
  'scripts/demoDrawings.ts',
  'demo/illustrations.json',
  'scripts/ornaments.ts',
  'src/core/looks/ornaments.ts',
  'demo/the-ferry-register.txt',
  'demo/keeping-a-tidal-garden.txt',
  'src/core/fonts/sfnt.ts',
  'src/core/model/copy/languages.ts',
  'package-lock.json',
].map((file) => join(root, file));

/** Makes what is missing or older than its sources. */
export async function makeAssets() {
  const stamp = join(out, 'stamp');
  if (existsSync(stamp)) {
    const made = statSync(stamp).mtimeMs;
    if (sources.every((file) => !existsSync(file) || statSync(file).mtimeMs < made)) return;
  }
  rmSync(out, { recursive: true, force: true });
  mkdirSync(join(out, 'public/fonts'), { recursive: true });
  mkdirSync(join(out, 'public/patterns'), { recursive: true });
  await makeFaces();
  await makePatterns();
  for (const name of ['harfbuzz.wasm', 'harfbuzz-subset.wasm']) {
    copyFileSync(join(root, 'node_modules/harfbuzzjs/dist', name), join(out, 'public', name));
  }
  for (const [from, name] of [
    ['@jsquash/webp/codec/dec/webp_dec.wasm', 'webp.wasm'],
    ['@resvg/resvg-wasm/index_bg.wasm', 'resvg.wasm'],
  ])
    copyFileSync(join(root, 'node_modules', from), join(out, 'public', name));
  const demo = await bundle('scripts/demoManuscript.ts');
  mkdirSync(join(out, 'public/demo'), { recursive: true });
  for (const name of ['the-ferry-register', 'keeping-a-tidal-garden'])
    writeFileSync(join(out, `public/demo/${name}.docx`), await demo.buildDemoManuscript(root, name));
  const { DEMO_DRAWINGS } = await bundle('scripts/demoDrawings.ts');
  const { pictureOf } = await bundle('src/core/copy/pictureOf.ts');
  const facts = {};
  for (const [name, draw] of Object.entries(DEMO_DRAWINGS)) {
    writeFileSync(join(out, 'public/demo', name), draw());
    facts[name] = pictureOf(new TextEncoder().encode(draw()), { name, width: 0, height: 0, alt: '' });
  }
  // What the app would find out of each is found out here: the Shelf need not know how pictures are read.
  const dresses = JSON.parse(readFileSync(join(root, 'demo/illustrations.json'), 'utf8'));
  for (const dress of Object.values(dresses))
    dress.facts = Object.fromEntries(dress.figures.flatMap(({ files }) => files).map((name) => [name, facts[name]]));
  writeFileSync(join(out, 'public/demo/illustrations.json'), JSON.stringify(dresses));
  writeFileSync(stamp, '');
}

async function bundle(entry) {
  const outfile = join(out, 'tools', entry.replace(/\W/g, '-') + '.mjs');
  await build({
    entryPoints: [join(root, entry)],
    outfile,
    bundle: true,
    platform: 'node',
    format: 'esm',
    packages: 'external',
    logLevel: 'error',
  });
  return import(pathToFileURL(outfile).href);
}

async function makeFaces() {
  const { readSfnt } = await bundle('src/core/fonts/sfnt.ts');
  const table = [];
  for (const [family, familyName, weights] of FAMILIES) {
    const folder = join(root, 'node_modules/@expo-google-fonts', family);
    for (const entry of readdirSync(folder).sort()) {
      const match = /^(\d{3})[A-Za-z]+?(_Italic)?$/.exec(entry);
      if (match === null || !weights.includes(Number(match[1]))) continue;
      const ttf = readdirSync(join(folder, entry)).find((name) => name.endsWith('.ttf'));
      const bytes = new Uint8Array(readFileSync(join(folder, entry, ttf)));
      const italic = match[2] !== undefined;
      copyFileSync(join(folder, entry, ttf), join(out, 'public/fonts', ttf));
      table.push({
        id: `${family}/${match[1]}${italic ? 'i' : ''}`,
        family,
        familyName,
        weight: Number(match[1]),
        italic,
        file: ttf,
        ...readSfnt(bytes),
      });
    }
  }
  const { buildOrnaments } = await bundle('scripts/ornaments.ts');
  const bytes = buildOrnaments();
  const file = 'WalnutOrnaments.ttf';
  writeFileSync(join(out, 'public/fonts', file), bytes);
  table.push({
    ...{ id: 'walnut-ornaments/400', family: 'walnut-ornaments', familyName: 'Walnut Ornaments' },
    ...{ weight: 400, italic: false, file },
    ...readSfnt(bytes),
  });
  writeFileSync(join(out, 'public/faces.json'), JSON.stringify(table));
}

/** A file of the package; one has a key without quotes that no script may have, so all keys are read as text. */
function readPatterns(name) {
  const source = readFileSync(require.resolve(`hyphen/patterns/${name}.js`), 'utf8');
  const quoted = source.replace(/^(\s*)([^\s"'[\]{}(),:/]+):/gmu, '$1"$2":');
  const module = { exports: {} };
  runInNewContext(quoted, { module });
  return module.exports;
}

/**
 * Packs Liang patterns into `{levels, nodes, exceptions}`: `levels` the distinct level lists, `nodes` a trie of nested
 * `[levelIndex | -1, {char: node}]`. The worker packs it into typed arrays when it is read.
 */
async function makePatterns() {
  const { LANGUAGE_TABLE } = await bundle('src/core/model/copy/languages.ts');
  for (const [tag, { patterns }] of Object.entries(LANGUAGE_TABLE)) {
    const [levels, trie, exceptions] = readPatterns(patterns);
    const convert = (node) => {
      if (typeof node === 'number') return [node, {}];
      const [children, level] = Array.isArray(node) ? node : [node, -1];
      return [level, Object.fromEntries(Object.entries(children).map(([char, child]) => [char, convert(child)]))];
    };
    const data = { levels, root: convert(trie), exceptions: exceptions ?? {} };
    writeFileSync(join(out, `public/patterns/${tag}.json`), JSON.stringify(data));
  }
}

if (process.argv[1] === fileURLToPath(import.meta.url)) await makeAssets();
