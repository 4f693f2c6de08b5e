// Holds the dependency rules: every import of every source file is read, and each must be allowed by the table below.
import { expect } from 'chai';
import { readdirSync, readFileSync, statSync } from 'node:fs';
import { dirname, join, relative, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import ts from 'typescript';

const root = fileURLToPath(new URL('..', import.meta.url));

const STAGES = [
  'import',
  'tidy',
  'find',
  'styles',
  'shape',
  'linebreak',
  'paginate',
  'references',
  'render',
  'write',
  'proof',
].map((name) => `src/core/${name}`);
/** What knows of books but of no stage: free to all stages. */
const GROUND = ['base', 'model', 'copy', 'measure', 'numbering', 'looks', 'defaults', 'formats'].map(
  (name) => `src/core/${name}`,
);
/** What the interface may know of core. */
const SHOWN = [
  ...GROUND.filter((folder) => !/base$|formats$/.test(folder)),
  'src/core/base/errors.ts',
  'src/core/base/commonEnds.ts',
  'src/core/base/images/grey.ts',
];
/** A folder, and what it may import besides itself. Longest prefix wins. */
const RULES: Readonly<Record<string, readonly string[]>> = {
  'src/core/base': [],
  'src/core/model': ['src/core/base'],
  'src/core/measure': ['src/core/base', 'src/core/model'],
  'src/core/copy': ['src/core/base', 'src/core/model'],
  'src/core/numbering': ['src/core/base', 'src/core/model', 'src/core/copy'],
  'src/core/looks': ['src/core/base', 'src/core/model', 'src/core/measure'],
  'src/core/defaults': ['src/core/base', 'src/core/model'],
  'src/core/formats': ['src/core/base', 'src/core/model'],
  'src/core/edit': GROUND.filter((folder) => !folder.endsWith('formats')),
  'src/core/fonts': ['src/core/base', 'src/core/model'],
  'src/core/validate': GROUND,
  ...Object.fromEntries(STAGES.map((stage) => [stage, [...GROUND, 'src/core/fonts']])),
  'src/core/typeset': ['src/core'],
  'src/core/index.ts': ['src/core'],
  'src/worker/protocol.ts': ['src/core/base/listChange.ts', 'src/core/model'],
  'src/worker/typesetClient.ts': [
    'src/core/base/listChange.ts',
    'src/core/model',
    'src/worker/protocol.ts',
    'src/worker/workerLike.ts',
  ],
  'src/worker/writeClient.ts': ['src/worker/protocol.ts', 'src/worker/workerLike.ts'],
  'src/decoders': ['src/core/base/images'],
  'src/worker': ['src/core/index.ts', 'src/core/model', 'src/decoders', 'src/worker'],
  'src/galley': ['src/core/base', 'src/core/model', 'src/core/copy'],
  'src/storage': ['src/core/base/commonEnds.ts', 'src/core/base/hash.ts', 'src/core/model', 'src/core/formats'],
  'src/state': [
    ...SHOWN,
    'src/core/edit',
    'src/core/validate',
    'src/core/proof/outside.ts',
    'src/galley',
    'src/worker/typesetClient.ts',
    'src/worker/writeClient.ts',
    'src/storage',
  ],
  'src/ui': [...SHOWN, 'src/state', 'src/galley', 'src/worker/typesetClient.ts', 'src/worker/writeClient.ts'],
  'src/app': ['src'],
  server: ['contracts'],
  cli: ['src/core/index.ts', 'src/core/model', 'src/core/defaults', 'src/decoders'],
  bench: ['src/core/index.ts', 'src/core/model', 'src/core/defaults', 'cli'],
  fuzz: ['src/core/index.ts', 'src/core/model', 'src/core/defaults', 'cli'],
  scripts: [],
};

/** Packages by name for folders that may use only some. */
const CORE_PACKAGES = [
  ...['fflate', 'saxes', 'joi', 'bidi-js', 'parse5', 'fast-png', 'jpeg-js', 'omggif', 'utif2', 're2js'],
  ...['mdast', 'mdast-util-from-markdown', 'mdast-util-gfm', 'micromark-extension-gfm'],
];

interface Import {
  readonly file: string;
  readonly line: number;
  readonly target: string;
}

function sourceFiles(folder: string): string[] {
  return readdirSync(join(root, folder)).flatMap((entry) => {
    const path = `${folder}/${entry}`;
    if (statSync(join(root, path)).isDirectory()) return sourceFiles(path);
    return /\.tsx?$/.test(entry) && !entry.endsWith('.d.ts') ? [path] : [];
  });
}

function importsOf(file: string): Import[] {
  const source = ts.createSourceFile(file, readFileSync(join(root, file), 'utf8'), ts.ScriptTarget.ES2022, true);
  const found: Import[] = [];
  const add = (node: ts.Node, specifier: string) =>
    found.push({
      file,
      line: source.getLineAndCharacterOfPosition(node.getStart()).line + 1,
      target: resolveTarget(file, specifier),
    });
  const visit = (node: ts.Node) => {
    if (
      (ts.isImportDeclaration(node) || ts.isExportDeclaration(node)) &&
      node.moduleSpecifier &&
      ts.isStringLiteral(node.moduleSpecifier)
    ) {
      add(node, node.moduleSpecifier.text);
    }
    if (
      ts.isCallExpression(node) &&
      node.expression.kind === ts.SyntaxKind.ImportKeyword &&
      ts.isStringLiteral(node.arguments[0])
    ) {
      add(node, node.arguments[0].text);
    }
    ts.forEachChild(node, visit);
  };
  visit(source);
  return found;
}

/** Most lines of a function, its markup left out, and with it. */
const MOST_LINES = 60;
const MOST_WITH_MARKUP = 130;
/** More parameters than these are a record; a comment that speaks of numbers or sums one by one says why not. */
const MOST_PARAMETERS = 6;

/** Functions that are longer, and do not say in the comment above them why they are in one piece. */
function longFunctions(file: string): string[] {
  const source = ts.createSourceFile(file, readFileSync(join(root, file), 'utf8'), ts.ScriptTarget.ES2022, true);
  const lineOf = (position: number) => source.getLineAndCharacterOfPosition(position).line;
  const linesOf = (node: ts.Node) => lineOf(node.end) - lineOf(node.getStart()) + 1;
  const markupIn = (node: ts.Node): number => {
    if (ts.isJsxElement(node) || ts.isJsxSelfClosingElement(node) || ts.isJsxFragment(node)) return linesOf(node);
    let lines = 0;
    ts.forEachChild(node, (child) => void (lines += markupIn(child)));
    return lines;
  };
  const found: string[] = [];
  const visit = (node: ts.Node, isSaid: boolean) => {
    const comment = source.text.slice(node.getFullStart(), node.getStart());
    const says = isSaid || /One piece:/.test(comment.replace(/\s*\n\s*\*\s/g, ' '));
    if (ts.isFunctionLike(node) && 'body' in node && node.body !== undefined && !says) {
      const lines = linesOf(node);
      if (lines - markupIn(node) > MOST_LINES || lines > MOST_WITH_MARKUP)
        found.push(`${file}:${lineOf(node.getStart()) + 1} has a function of ${lines} lines`);
      if (node.parameters.length > MOST_PARAMETERS && !/one by one/.test(comment))
        found.push(`${file}:${lineOf(node.getStart()) + 1} has a function of ${node.parameters.length} parameters`);
    }
    ts.forEachChild(node, (child) => visit(child, says));
  };
  visit(source, false);
  return found;
}

/** A path inside the project, or the name of a package. */
function resolveTarget(file: string, specifier: string): string {
  if (!specifier.startsWith('.')) return `package:${specifier.replace(/^node:/, 'node:')}`;
  const path = relative(root, resolve(root, dirname(file), specifier));
  for (const candidate of [path, `${path}.ts`, `${path}.tsx`, `${path}/index.ts`]) {
    try {
      if (statSync(join(root, candidate)).isFile()) return candidate;
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code !== 'ENOENT') throw error;
    }
  }
  return path;
}

const isInside = (path: string, folder: string) => path === folder || path.startsWith(`${folder}/`);

function ruleOf(file: string): [string, readonly string[]] | undefined {
  const matching = Object.keys(RULES).filter((folder) => isInside(file, folder));
  const longest = matching.sort((a, b) => b.length - a.length)[0];
  return longest === undefined ? undefined : [longest, RULES[longest]];
}

const files = ['src', 'server', 'cli', 'bench'].flatMap(sourceFiles);
const imports = files.flatMap(importsOf);

describe('the architecture', () => {
  it('lets every folder import only what its rule allows', () => {
    const broken = imports
      .filter(({ target }) => !target.startsWith('package:') && !target.endsWith('.css'))
      .filter(({ file, target }) => {
        const rule = ruleOf(file);
        return rule === undefined || ![rule[0], ...rule[1]].some((folder) => isInside(target, folder));
      })
      .map(({ file, line, target }) => `${file}:${line} imports ${target}`);
    expect(broken).to.deep.equal([]);
  });

  it('keeps core to its few packages, and Node, React and Dexie out of it', () => {
    const broken = imports.filter(
      ({ file, target }) =>
        isInside(file, 'src/core') && target.startsWith('package:') && !CORE_PACKAGES.includes(target.slice(8)),
    );
    expect(broken).to.deep.equal([]);
    const dexie = imports.filter(({ file, target }) => target === 'package:dexie' && !isInside(file, 'src/storage'));
    expect(dexie).to.deep.equal([]);
    const react = imports.filter(
      ({ file, target }) =>
        /^package:react(-dom|-router|\/.*)?$/.test(target) && !isInside(file, 'src/ui') && !isInside(file, 'src/app'),
    );
    expect(react).to.deep.equal([]);
  });

  it('has no import cycles, not of types either', () => {
    const next = new Map<string, string[]>();
    for (const { file, target } of imports)
      if (!target.startsWith('package:')) next.set(file, [...(next.get(file) ?? []), target]);
    const done = new Set<string>();
    const path: string[] = [];
    const walk = (file: string): string[] | null => {
      if (path.includes(file)) return [...path.slice(path.indexOf(file)), file];
      if (done.has(file)) return null;
      path.push(file);
      for (const target of next.get(file) ?? []) {
        const cycle = walk(target);
        if (cycle !== null) return cycle;
      }
      path.pop();
      done.add(file);
      return null;
    };
    for (const file of next.keys()) expect(walk(file) ?? [], 'a cycle').to.deep.equal([]);
  });

  it('keeps files and functions to a size that can be read', () => {
    const long = files.filter((file) => readFileSync(join(root, file), 'utf8').split('\n').length > 400);
    expect(long).to.deep.equal([]);
    expect(files.flatMap(longFunctions)).to.deep.equal([]);
  });

  it('opens every file with what it is for', () => {
    const silent = files.filter(
      (file) => !/^(\/\/|\/\*\*)/.test(readFileSync(join(root, file), 'utf8')) && !file.endsWith('/index.ts'),
    );
    expect(silent).to.deep.equal([]);
  });
});
