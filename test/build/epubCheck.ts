// All EPUBs that the tests write, checked by epubcheck in one start of Java when the last test is over.
import { spawnSync } from 'node:child_process';
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { zipSync } from 'fflate';
import { scratch } from './tools';

/** Debian's, a jar. */
const EPUBCHECK = '/usr/bin/epubcheck';
const PROGRAM = fileURLToPath(new URL('EpubChecks.java', import.meta.url));
/** The checker runs for seconds: it is not worth compiling well. */
const QUICK_START = ['-XX:TieredStopAtLevel=1', '-XX:+UseSerialGC', '-Xshare:auto'];

const folder = scratch();
const files: string[] = [];

/** Has an EPUB checked at the end of the run, which fails on any error or warning. `name` says whose file it is. */
export function checkEpub(name: string, bytes: Uint8Array): void {
  const file = join(folder, `${files.length + 1}-${name.replace(/\W+/g, '-').slice(0, 60)}.epub`);
  writeFileSync(file, bytes);
  files.push(file);
}

/** What epubcheck says against each of the files, by path; empty where it is content. Throws when it cannot run. */
function epubRemarks(paths: readonly string[]): Map<string, string> {
  const { stdout, stderr, error } = spawnSync('java', [...QUICK_START, '-cp', EPUBCHECK, PROGRAM, ...paths], {
    encoding: 'utf8',
  });
  if (error !== undefined) throw error;
  const sections = stderr.split(/^== /m).slice(1);
  if (sections.length < paths.length) throw new Error(`epubcheck did not come to its end: ${stderr}${stdout}`);
  return new Map(sections.map((section) => [section.split('\n', 1)[0], section.replace(/^.*\n/, '').trim()]));
}

// Imported by the files of tests, so this belongs to the whole run.
after('epubcheck of every EPUB that was written', function () {
  this.timeout(120_000);
  if (files.length === 0) return;
  // It must see what is wrong with this, or its silence means nothing.
  const broken = join(folder, 'broken.epub');
  writeFileSync(broken, zipSync({ mimetype: new TextEncoder().encode('application/epub+zip') }));
  const remarks = epubRemarks([...files, broken]);
  if (!/ERROR|FATAL/.test(remarks.get(broken) ?? '')) throw new Error('epubcheck has no remark on a broken file');
  const told = files.map((file) => remarks.get(file)).filter(Boolean);
  if (told.length > 0) throw new Error(`epubcheck is not content:\n${told.join('\n')}`);
});
