import { expect } from 'chai';
import { spawnSync } from 'node:child_process';
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { COMMANDS } from '../cli/commands';
import { UsageError, readOptions } from '../cli/options';
import { run as runProgram } from '../cli/run';
import { readAsset } from './build/assets';
import { pdfFonts, pdfInfo, pdfText, scratch } from './build/tools';

const program = fileURLToPath(new URL('../bin/walnut-leaf.mjs', import.meta.url));
const demo = fileURLToPath(new URL('../generated/public/demo/the-ferry-register.docx', import.meta.url));

function run(...words: string[]) {
  const { status, stdout, stderr } = spawnSync(process.execPath, [program, ...words], { encoding: 'utf8' });
  return { status, stdout, stderr };
}

/** The same without a process of its own, for what is refused before anything is composed. */
async function runHere(...words: string[]) {
  let [stdout, stderr] = ['', ''];
  const streams = { out: (text: string) => void (stdout += text), error: (text: string) => void (stderr += text) };
  const status = await runProgram(words, fileURLToPath(new URL('../generated/public', import.meta.url)), streams);
  return { status, stdout, stderr };
}

const MANUSCRIPT =
  'Title: Tides\nAuthor: Odile Brackwater\n\nCHAPTER I\n\nThe first words of it, and more.\n\nCHAPTER II\n\nThe last.\n';

describe('the command line', () => {
  const folder = scratch();
  const file = (name: string, content: string | Uint8Array = MANUSCRIPT) => {
    writeFileSync(join(folder, name), content);
    return join(folder, name);
  };

  it('composes a manuscript into a PDF, a project and a report', () => {
    const [press, project, report] = ['out.pdf', 'out.walnut', 'out.json'].map((name) => join(folder, name));
    const done = run('compose', demo, '--press', press, '--project', project, '--report', report);
    expect(done.stderr).to.equal('');
    expect(done.status).to.equal(0);
    const told = JSON.parse(readFileSync(report, 'utf8'));
    expect(told).to.have.all.keys('manuscript', 'words', 'pages', 'lines', 'passes', 'times', 'remarks', 'findings');
    expect(told.words).to.be.above(9000);
    expect(told.times).to.include.all.keys('read', 'compose', 'compose.shape', 'compose.break', 'press');
    expect(pdfInfo(readFileSync(press))).to.match(new RegExp(`Pages:\\s+${told.pages}\\b`));
    const again = join(folder, 'again.pdf');
    expect(run('compose', project, '--press', again).status).to.equal(0);
    expect(pdfText(readFileSync(again))).to.equal(pdfText(readFileSync(press)));
  });

  it('reads what came in, and tidies it with a list of changes', () => {
    const [report, tidied, changes] = ['read.json', 'tidied.json', 'changes.csv'].map((name) => join(folder, name));
    const source = file('notes.md', '# One\n\n"Well" -- *so*.[^1]\n\n[^1]: A "note".\n');
    expect(run('read', source, '--report', report)).to.include({ status: 0, stderr: '' });
    const came = JSON.parse(readFileSync(report, 'utf8'));
    expect(came.text).to.equal('One\n"Well" -- so.');
    expect(came.footnotes).to.deep.equal([{ text: 'A "note".', paragraphs: 1 }]);
    expect(run('tidy', source, '--jobs', 'all', '--report', tidied, '--changes', changes).status).to.equal(0);
    const after = JSON.parse(readFileSync(tidied, 'utf8'));
    expect(after.text).to.equal('One\n“Well” – so.');
    expect(Object.keys(after).filter((key) => !(key in came))).to.deep.equal(['jobs']);
    expect(after.jobs.find((job: { id: string }) => job.id === 'quotes').count).to.equal(4);
    expect(readFileSync(changes, 'utf8').split('\r\n')[0]).to.equal('job,paragraph,was,is');
    const project = join(folder, 'notes.walnut');
    expect(run('compose', source, '--project', project).status).to.equal(0);
    expect(run('read', project, '--report', report).status).to.equal(0);
    expect(JSON.parse(readFileSync(report, 'utf8')).footnotes).to.deep.equal(came.footnotes);
  });

  it('writes the copy for its author, and an EPUB', () => {
    const [copy, epub] = ['copy.docx', 'book.epub'].map((name) => join(folder, name));
    expect(run('compose', file('t.txt'), '--copy', copy, '--epub', epub)).to.include({ status: 0, stderr: '' });
    const report = join(folder, 'back.json');
    for (const source of [copy, epub]) {
      expect(run('read', source, '--report', report).status).to.equal(0);
      const back = JSON.parse(readFileSync(report, 'utf8'));
      expect(back).to.include({ title: 'Tides', author: 'Odile Brackwater' });
      expect(back.text).to.include('The first words of it, and more.');
    }
    expect(run('compose', file('t.txt'), '--copy', join(folder, 'copy.pages')).status).to.equal(2);
  });

  it('takes trim, margins, type and language', () => {
    const press = join(folder, 'a5.pdf');
    const done = run(
      'compose',
      file('t.txt'),
      '--trim',
      '148x210mm',
      '--margins',
      '20mm,25mm,18mm,15mm',
      '--type',
      'Spectral 10/14',
      '--lang',
      'en-GB',
      '--press',
      press,
    );
    expect(done.stderr).to.equal('');
    const info = pdfInfo(readFileSync(press));
    expect(info).to.match(/size:\s+419\.5\d* x 595\.2\d*/);
    expect(info).to.match(/Title:\s+Tides/);
  });

  it('sets a book as a starting spec, with a spec file laid over it', () => {
    const press = join(folder, 'large.pdf');
    const spec = file('over.json', JSON.stringify({ openers: { textStart: 4 } }));
    const done = run('compose', file('t.txt'), '--start', 'large-type', '--spec', spec, '--press', press);
    expect(done.stderr).to.equal('');
    expect(pdfInfo(readFileSync(press))).to.match(/size:\s+442\.2\d* x 663\.3\d*/);
    expect(pdfFonts(readFileSync(press))).to.include('SourceSerif4');
  });

  it('writes some pages of a book', () => {
    const press = join(folder, 'some.pdf');
    expect(run('compose', demo, '--press', press, '--pages', '12-15').stderr).to.equal('');
    expect(pdfInfo(readFileSync(press))).to.match(/Pages:\s+4\b/);
  });

  it('holds to a pull, and says which pages change', () => {
    const pull = join(folder, 'pull.walnut');
    const lines = Array.from(
      { length: 60 },
      (_, k) => `Paragraph ${k} ${'goes on about the river and the ferry '.repeat(8)}.`,
    );
    const first = file('first.txt', lines.join('\n\n'));
    expect(run('compose', first, '--project', pull).status).to.equal(0);
    const again = run('compose', first, '--hold', pull);
    expect(again.stdout).to.include('no page start changes');
    lines[20] +=
      ' And then a sentence more was put in here by somebody who could not leave well alone, at some length.';
    const held = run('compose', file('second.txt', lines.join('\n\n')), '--hold', pull);
    expect(held.status).to.equal(0);
    expect(held.stdout).to.match(/no page start changes|in step again at \d+/);
  });

  it('takes a spec file, and names every key of the report in the documentation', async () => {
    const spec = file('spec.json', JSON.stringify({ openers: { textStart: 4, sink: 1 }, text: { setting: 'ragged' } }));
    expect(run('compose', file('s.txt'), '--spec', spec).status).to.equal(0);
    const documented = readFileSync(fileURLToPath(new URL('../docs/formats.md', import.meta.url)), 'utf8');
    const report = join(folder, 'keys.json');
    run(
      'compose',
      file('k.txt'),
      '--report',
      report,
      '--project',
      join(folder, 'k.walnut'),
      '--press',
      join(folder, 'k.pdf'),
    );
    const told = JSON.parse(readFileSync(report, 'utf8'));
    for (const key of [...Object.keys(told), ...Object.keys(told.times)]) expect(documented).to.include(`\`${key}\``);
  });

  const usage: [string, string[]][] = [
    ['no command', []],
    ['another command', ['print', 'x.txt']],
    ['a job of no such name', ['tidy', 'x.txt', '--jobs', 'nosuch']],
    ['no manuscript', ['compose']],
    ['an unknown option', ['compose', 'x.txt', '--colour', 'red']],
    ['an option that is not built yet', ['compose', 'x.txt', '--booklet', 'x.pdf']],
    ['an option without a value', ['compose', 'x.txt', '--press']],
    ['a trim that is no size', ['compose', 'x.txt', '--trim', 'large']],
    ['a starting spec that there is not', ['compose', 'x.txt', '--start', 'Novel 2']],
    ['three margins', ['compose', 'x.txt', '--margins', '1in,1in,1in']],
    ['a face that does not ship', ['compose', 'x.txt', '--type', 'Nosuch 10/12']],
    ['a type size of nothing', ['compose', 'x.txt', '--type', 'Spectral 0/0']],
    ['a language without patterns', ['compose', 'x.txt', '--lang', 'xx']],
    ['a spec file with an unknown key', ['compose', 'x.txt', '--spec', '@{"colour":1}']],
    ['pages in the wrong order', ['compose', 'x.txt', '--press', 'o.pdf', '--pages', '9-3']],
    ['a spec file that is no JSON', ['compose', 'x.txt', '--spec', '@{']],
  ];
  for (const [what, words] of usage) {
    it(`answers ${what} with one line and exit 2`, async () => {
      const given = words.map((word) =>
        word.startsWith('@') ? file('bad.json', word.slice(1)) : word === 'x.txt' ? file('x.txt') : word,
      );
      const done = await runHere(...given);
      expect(done.status, done.stderr).to.equal(2);
      expect(done.stderr.trim().split('\n')).to.have.length(1);
      expect(done.stdout).to.equal('');
    });
  }

  const bad: [string, string, Uint8Array | null][] = [
    ['a missing file', 'none.txt', null],
    ['an empty file', 'empty.docx', new Uint8Array(0)],
    ['a picture called .docx', 'picture.docx', Uint8Array.from([0x89, 0x50, 0x4e, 0x47, 13, 10, 26, 10])],
    ['a truncated document', 'cut.docx', readAsset('demo/the-ferry-register.docx').slice(0, 9000)],
    ['a text of NULs', 'nul.txt', new Uint8Array(4000)],
    ['a file of an unknown kind', 'book.xyz', new Uint8Array([65])],
    ['a project that is none', 'x.walnut', new Uint8Array(100)],
  ];
  for (const [what, name, content] of bad) {
    it(`answers ${what} with one line and exit 1, and leaves no file`, async () => {
      const out = scratch();
      const path = content === null ? join(folder, name) : file(name, content);
      const done = await runHere('compose', path, '--press', join(out, 'o.pdf'), '--report', join(out, 'o.json'));
      expect(done.status, done.stderr).to.equal(1);
      expect(done.stderr.trim().split('\n')).to.have.length(1);
      expect(readdirSync(out)).to.deep.equal([]);
    });
  }

  it('gives its exit code and its one line to whoever started it', () => {
    expect(run('compose', file('x.txt'), '--margins', '1in')).to.include({ status: 2, stdout: '' });
    const done = run('compose', join(folder, 'none.txt'), '--press', join(folder, 'o.pdf'));
    expect(done).to.include({ status: 1, stdout: '' });
    expect(done.stderr.trim().split('\n')).to.have.length(1);
  });

  it('leaves nothing half-written when a file cannot be written', () => {
    const out = scratch();
    const done = run(
      'compose',
      file('w.txt'),
      '--press',
      join(out, 'o.pdf'),
      '--report',
      join(out, 'no/such/folder/r.json'),
    );
    expect(done.status).to.equal(1);
    expect(existsSync(join(out, 'o.pdf'))).to.equal(false);
    expect(readdirSync(out)).to.deep.equal([]);
  });

  it('reads options in any order', () => {
    expect(readOptions(['compose', '--lang', 'de', 'm.txt'])).to.deep.equal({
      command: 'compose',
      manuscript: 'm.txt',
      lang: 'de',
    });
    expect(() => readOptions(['compose', 'a.txt', 'b.txt'])).to.throw(UsageError);
  });

  it('says what it can do, for each command with defaults, units and two examples, and its version', async () => {
    const program = await runHere('--help');
    expect(program.status).to.equal(0);
    for (const name of Object.keys(COMMANDS)) expect(program.stdout).to.include(`  ${name} `);
    for (const [name, { options, examples }] of Object.entries(COMMANDS)) {
      const { status, stdout } = await runHere(name, '--help');
      expect(status).to.equal(0);
      for (const key of Object.keys(options)) expect(stdout).to.include(`--${key} `);
      expect(examples).to.have.length(2);
      for (const [line] of examples) {
        expect(stdout).to.include(line);
        expect(() => readOptions(line.split(' ').slice(1))).not.to.throw();
      }
    }
    expect((await runHere('compose', '--help')).stdout).to.match(/Page size in in, mm, cm or pt.*default/);
    const { version } = JSON.parse(readFileSync(new URL('../package.json', import.meta.url), 'utf8'));
    expect(run('--version')).to.deep.equal({ status: 0, stdout: `${version}\n`, stderr: '' });
  });
});
