// All EPUBs that the tests write, of whatever process, checked by epubcheck in one start of Java when the run is over (checkEpubs, called once by
// mocha after the last test).
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { zipSync } from 'fflate';

/** Debian's, a jar. */
const EPUBCHECK = '/usr/bin/epubcheck';
const PROGRAM = fileURLToPath(new URL('EpubChecks.java', import.meta.url));
/** The checker runs for seconds: it is not worth compiling well. */
const QUICK_START = ['-XX:TieredStopAtLevel=1', '-XX:+UseSerialGC', '-Xshare:auto'];

/** The folder of the run, made when it is first asked for: processes that are started after that inherit it. */
export const epubFolder = (): string =>
  (process.env.WRITTEN_EPUBS ??= mkdtempSync(join(tmpdir(), 'walnut-leaf-epubs-')));

/** Has an EPUB checked at the end of the run, which fails on any error or warning. `name` says whose file it is. The same bytes are checked once. */
export function checkEpub(name: string, bytes: Uint8Array): void {
  const hash = createHash('sha1').update(bytes).digest('hex').slice(0, 12);
  writeFileSync(join(epubFolder(), `${name.replace(/[^A-Za-z0-9]+/g, '-').slice(0, 60)}-${hash}.epub`), bytes);
}

/** What epubcheck says against each of the files, by path; empty where it is content. Throws when it cannot run. */
function epubRemarks(paths: readonly string[]): Map<string, string> {
  const { stdout, stderr, error } = spawnSync('java', [...QUICK_START, '-cp', EPUBCHECK, PROGRAM, ...paths], {
    encoding: 'utf8',
    maxBuffer: 64 * 1024 * 1024,
  });
  if (error !== undefined) throw error;
  const sections = stderr.split(/^== /m).slice(1);
  if (sections.length < paths.length) throw new Error(`epubcheck did not come to its end: ${stderr}${stdout}`);
  return new Map(sections.map((section) => [section.split('\n', 1)[0], section.replace(/^.*\n/, '').trim()]));
}

/** Checks what was written in the run. Throws with what epubcheck says. */
export function checkEpubs(): void {
  const folder = epubFolder();
  const files = readdirSync(folder).map((name) => join(folder, name));
  try {
    if (files.length === 0) return;
    // It must see what is wrong with this, or its silence means nothing.
    const broken = join(folder, 'broken.epub');
    writeFileSync(broken, zipSync({ mimetype: new TextEncoder().encode('application/epub+zip') }));
    const remarks = epubRemarks([...files, broken]);
    if (!/ERROR|FATAL/.test(remarks.get(broken) ?? '')) throw new Error('epubcheck has no remark on a broken file');
    const told = files.map((file) => remarks.get(file)).filter(Boolean);
    if (told.length > 0) throw new Error(`epubcheck is not content:\n${told.join('\n').slice(0, 20_000)}`);
    process.stdout.write(`  epubcheck: ${files.length} EPUBs without an error or a warning\n`);
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}
