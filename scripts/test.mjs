// `npm test`: everything from a fresh clone. Installs packages and the outside tools when missing, builds, checks types,
// lint and format, runs the unit tests, and beside all that the journeys; closes with one line of counts.
import { spawn, spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import { setPriority } from 'node:os';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { installPackages } from '../bin/install.mjs';

const root = join(dirname(fileURLToPath(import.meta.url)), '..');

/** Debian package of each tool that the tests run. */
const TOOLS = {
  '/usr/bin/chromium': 'chromium',
  '/usr/bin/pdftotext': 'poppler-utils',
  '/usr/bin/qpdf': 'qpdf',
  '/usr/bin/epubcheck': 'epubcheck',
  // Java runs the program that starts epubcheck from its source.
  '/usr/bin/javac': 'default-jdk-headless',
};

function installTools() {
  const missing = Object.entries(TOOLS).filter(([path]) => !existsSync(path));
  if (missing.length === 0) return;
  const packages = missing.map(([, name]) => name);
  if (process.getuid?.() !== 0) {
    process.stderr.write(`The tests need these Debian packages: apt-get install ${packages.join(' ')}\n`);
    process.exit(1);
  }
  const environment = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  const apt = (...words) => spawnSync('apt-get', words, { stdio: ['ignore', 'ignore', 'inherit'], env: environment });
  apt('update', '-qq');
  apt('install', '-y', '-qq', '--no-install-recommends', ...packages);
  for (const [path, name] of missing) {
    if (existsSync(path)) continue;
    process.stderr.write(`${name} could not be installed; the tests need it.\n`);
    process.exit(1);
  }
}

/** So much lower than the journeys' is the priority of all else: a journey waits for a screen, and the rest fills the time. */
const NICE = 5;

/** A program of node_modules/.bin. */
const packaged = (name) => join(root, 'node_modules/.bin', name);

/** Runs a program at a priority (0: usual); what it prints is passed on by `show`. Answers its exit code and output. */
function run(show, nice, program, ...words) {
  const child = spawn(program, words, { cwd: root, stdio: ['ignore', 'pipe', 'pipe'] });
  if (nice > 0 && child.pid !== undefined) setPriority(child.pid, nice);
  let output = '';
  const take = (data) => {
    output += data;
    show(data);
  };
  child.stdout.on('data', take);
  child.stderr.on('data', take);
  return new Promise((resolve) => child.on('close', (code) => resolve({ code, output })));
}

const counted = (output, word) => Number(new RegExp(`^\\s*(\\d+) ${word}`, 'm').exec(output)?.[1] ?? 0);

installPackages();
installTools();
const { buildAll } = await import('./build.mjs');
await buildAll();

let failed = 0;
let passed = 0;
/** What each part that failed said of it; told once more at the end, where a log that was cut still has it. */
const failures = [];
const show = (data) => process.stdout.write(data);

/** Adds the counts of a run of tests; a program that ends badly without saying how many failed is one failure. */
function count({ code, output }) {
  const [good, bad] = [counted(output, 'passing'), counted(output, 'failing')];
  passed += good;
  failed += bad > 0 || code === 0 ? bad : 1;
  if (good === 0) failed += 1;
  if (code !== 0 || good === 0) failures.push(saidOfFailure(output));
}

/** From the list of failed tests on, at most 12,000 characters; the end of the output where there is no such list. */
function saidOfFailure(output) {
  const list = output.search(/^\s*\d+ failing/m);
  return list < 0 ? output.slice(-4000) : output.slice(list, list + 12000);
}

async function check() {
  for (const [name, program, ...words] of [
    ['types and lint', process.execPath, 'scripts/check.mjs'],
    ['format', packaged('prettier'), '--check', '--log-level', 'warn', '.'],
  ]) {
    const { code, output } = await run(show, NICE, program, ...words);
    if (code === 0) passed += 1;
    else {
      failed += 1;
      failures.push(`${name}\n${output.slice(-4000)}`);
    }
    process.stdout.write(`${code === 0 ? 'ok' : 'FAILED'}  ${name}\n`);
  }
}

/** Runs tests of one kind; what they print comes when they are done, in one piece. */
async function test(nice, ...words) {
  let told = '';
  const result = await run((data) => (told += data), nice, packaged('mocha'), ...words);
  process.stdout.write(told);
  count(result);
}

// Two cores: two journeys at a time, and beside them the checks, then the unit tests, with whatever they leave.
await Promise.all([check().then(() => test(NICE)), test(0, '--config', '.mocharc.journeys.json')]);
for (const said of failures) process.stdout.write(`${said.trimEnd()}\n\n`);
process.stdout.write(`${passed} passed, ${failed} failed\n`);
process.exitCode = failed === 0 ? 0 : 1;
