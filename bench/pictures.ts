// Part of `npm run bench`: a project file with 200 pictures of 5 MB is opened, composed and written as a press PDF by a process of
// its own; the most memory that it ever held is its figure. PICTURES_PROJECT: the path of the project file; without it one is made first.
import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { nodeAssets } from '../cli/assets';
import { drain } from '../cli/compose';
import { openProjectFile, WrittenFiles } from '../cli/files';
import { fingerprint, makeBook, readManuscript, typesetBook, writePressPdf, writeProject } from '../src/core/index';
import type { Book } from '../src/core/model/copy/book';
import { OBJECT_CHARACTER, paragraph, type Block } from '../src/core/model/copy/streams';
import { seeded } from './seeded';
import { seededText } from './seededText';

const PICTURES = 200;
const BYTES = 5_000_000;
const folder = fileURLToPath(new URL('../../generated/public', import.meta.url));

const random = seeded(1);
const NOISE = new Uint8Array(Uint32Array.from({ length: BYTES / 4 }, () => random() * 2 ** 32).buffer);

/** A JPEG of so many bytes as a reader of its head sees it: a frame of 2,400 by 1,800 pixels, and noise. */
function jpeg(seed: number): Uint8Array {
  const head = [0xff, 0xd8, 0xff, 0xc0, 0, 17, 8, 0x07, 0x08, 0x09, 0x60, 3, 1, 0x22, 0, 2, 0x11, 1, 3, 0x11, 1];
  const bytes = NOISE.slice();
  // No two are alike.
  new DataView(bytes.buffer).setUint32(64, seed);
  bytes.set([...head, 0xff, 0xda, 0, 12, 3, 1, 0, 2, 0x11, 3, 0x11, 0, 0x3f, 0]);
  bytes.set([0xff, 0xd9], BYTES - 2);
  return bytes;
}

function prepare(path: string, pictureFolder: string): void {
  const source = readFileSync(join(folder, '../../demo/the-ferry-register.txt'), 'utf8');
  const text = new TextEncoder().encode(seededText({ words: 60_000, chapters: 20, seed: 7, source }));
  const plain = makeBook(drain(readManuscript('seeded.txt', text)), { bookId: 'b1', fileName: 'seeded.txt' });
  const files = new WrittenFiles();
  const sources: Record<string, { path: string; from: number; to: number }> = {};
  const facts = Array.from({ length: PICTURES }, (_, k) => {
    const bytes = jpeg(k + 1);
    const asset = fingerprint(bytes);
    const own = join(pictureFolder, asset);
    files.write(own, bytes);
    sources[asset] = { path: own, from: 0, to: BYTES };
    return { asset, name: `plate-${k + 1}.jpg` };
  });
  files.commit();
  const project = new WrittenFiles();
  project.write(path, writeProject(withPictures(plain, facts), new Set(Object.keys(sources))), sources);
  project.commit();
}

/** The book with its pictures spread over its chapters. */
function withPictures(book: Book, facts: readonly { readonly asset: string; readonly name: string }[]): Book {
  const chapters = book.divisions.filter(({ role }) => role === 'chapter');
  const each = Math.ceil(facts.length / chapters.length);
  let next = 0;
  let { nextId } = book;
  const divisions = book.divisions.map((division) => {
    if (division.role !== 'chapter') return division;
    const own = facts.slice(next, next + each);
    next += each;
    const step = Math.floor((division.blocks.length - 1) / (own.length + 1));
    const blocks: Block[] = [...division.blocks];
    own.forEach(({ asset, name }, k) => {
      const file = { kind: 'picture', asset, name, width: 2400, height: 1800, alt: '', format: 'jpeg' } as const;
      const objects = [{ ...file, shownWidth: 180, shownHeight: 135, at: 0 }];
      blocks.splice((k + 1) * step + k + 1, 0, paragraph(`p${(nextId += 1)}`, 'TX', OBJECT_CHARACTER, { objects }));
    });
    return { ...division, blocks };
  });
  return { ...book, divisions, nextId: nextId + 1 };
}

function measure(path: string): void {
  const timed = <T>(work: () => T): [number, T] => {
    const start = performance.now();
    const result = work();
    return [performance.now() - start, result];
  };
  const assets = nodeAssets(folder);
  const [open, { book, pictures }] = timed(() => openProjectFile(path));
  const context = assets.contextFor(book);
  const [compose, composed] = timed(() => drain(typesetBook(book, context)));
  const files = new WrittenFiles();
  const out = `${path}.pdf`;
  const [write] = timed(() =>
    files.write(out, writePressPdf(book, composed, context, assets.subsetter(), '2026-01-01T00:00:00Z'), pictures),
  );
  files.commit();
  const megabytes = (file: string) => `${Math.round(statSync(file).size / 1e6)} MB`;
  console.log(
    `\n${Object.keys(pictures).length} pictures of ${BYTES / 1e6} MB, ${composed.words} words, ${composed.pages.length} pages: project file ${megabytes(path)} opened in ${open.toFixed(0)} ms, composed in ${compose.toFixed(0)} ms, press PDF ${megabytes(out)} written in ${write.toFixed(0)} ms; most memory held ${Math.round(process.resourceUsage().maxRSS / 1024)} MB`,
  );
}

const given = process.env.PICTURES_PROJECT;
if (given !== undefined) measure(given);
else {
  const place = mkdtempSync(join(tmpdir(), 'walnut-leaf-pictures-'));
  try {
    const path = join(place, 'plates.walnut');
    prepare(path, place);
    spawnSync(process.execPath, [fileURLToPath(import.meta.url)], {
      stdio: 'inherit',
      env: { ...process.env, PICTURES_PROJECT: path },
    });
  } finally {
    rmSync(place, { recursive: true });
  }
}
