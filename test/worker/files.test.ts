// Files of the write worker: what a book's pictures hold is read one at a time, and stands in what is written without a copy.
import { expect } from 'chai';
import { NOVEL_SPEC } from '../../src/core/defaults/novelSpec';
import { fingerprint } from '../../src/core/base/hash';
import type { FileStep } from '../../src/core/base/fileJob';
import { writePressPdf } from '../../src/core/typeset';
import { writeProject } from '../../src/core/write/projectFile';
import { openProjectFile, writeFile } from '../../src/worker/files';
import { compose, newContext, newSubsetter } from '../build/assets';
import { book, chapter, p } from '../build/book';
import { blobOf, bytesOf, projectFile } from '../build/files';
import { factsOf, jpegOf, picture, pngOf } from '../build/pictures';
import { qpdfCheck } from '../build/tools';

const FILES = [jpegOf(40, 30), pngOf(20, 10), pngOf(24, 12, 4), jpegOf(16, 16)];
const FACTS = FILES.map((bytes, k) => factsOf(bytes, `${k}.jpg`));
const AS_THEY_CAME = { ...NOVEL_SPEC.inks, pictures: { ...NOVEL_SPEC.inks.pictures, press: 'asis' as const } };
const plain = book([chapter('One', 'Words.')], [], { ...NOVEL_SPEC, inks: AS_THEY_CAME });
const made = {
  ...plain,
  divisions: [{ ...plain.divisions[0], blocks: [p('Words.'), ...FACTS.map((facts, k) => picture(`p90${k}`, facts))] }],
};
const BYTES = Object.fromEntries(FACTS.map(({ asset }, k) => [asset, FILES[k]]));

/** Blobs that note when their bytes are read, and never say them before they are asked for. */
function noting(pictures: Readonly<Record<string, Uint8Array>>) {
  const read: string[] = [];
  const blobs = Object.fromEntries(
    Object.entries(pictures).map(([asset, bytes]) => {
      const blob = blobOf(bytes);
      const arrayBuffer = () => {
        read.push(asset);
        return Blob.prototype.arrayBuffer.call(blob);
      };
      return [asset, Object.assign(blob, { arrayBuffer })];
    }),
  );
  return { read, blobs };
}

const silent = () => undefined;

describe('files that are written', () => {
  it('hold the pictures of a press PDF, each read once', async () => {
    const { read, blobs } = noting(BYTES);
    const context = newContext();
    const composed = compose(made, context);
    const job = () => writePressPdf(made, composed, context, newSubsetter(), '2026-01-01T00:00:00Z');
    const { file, hash } = await writeFile(job(), blobs, silent);
    expect(read).to.deep.equal(FACTS.map(({ asset }) => asset));
    const bytes = await bytesOf(file);
    expect(hash).to.equal(fingerprint(bytes));
    expect(qpdfCheck(bytes)).to.include('No syntax');
    expect(Buffer.from(bytes).includes(Buffer.from(FILES[0]))).to.equal(true);
  });

  it('are a project whose pictures stand in it as they are, and that opens to the same', async () => {
    const { read, blobs } = noting(BYTES);
    const { file } = await writeFile(writeProject(made, new Set(Object.keys(BYTES))), blobs, silent);
    expect(read).to.have.length(FILES.length);
    expect(await bytesOf(file)).to.deep.equal(projectFile(made, BYTES));
    const back = await openProjectFile(file);
    expect(back.book).to.deep.equal(made);
    for (const [asset, bytes] of Object.entries(BYTES)) {
      expect(back.pictures[asset].size).to.equal(bytes.length);
      expect(await bytesOf(back.pictures[asset])).to.deep.equal(bytes);
    }
  });

  it('leave a frame in the PDF, and refuse the package, when a picture cannot be read', async () => {
    const { blobs } = noting(BYTES);
    const gone = Object.assign(blobOf(FILES[0]), { arrayBuffer: () => Promise.reject(new Error('the disk is gone')) });
    const pictures = { ...blobs, [FACTS[0].asset]: gone };
    const context = newContext();
    const job = writePressPdf(made, compose(made, context), context, newSubsetter(), '2026-01-01T00:00:00Z');
    expect(qpdfCheck(await bytesOf((await writeFile(job, pictures, silent)).file))).to.include('No syntax');
    const project = writeFile(writeProject(made, new Set(Object.keys(BYTES))), pictures, silent);
    const refused = await project.then(
      () => 'written',
      (error: Error) => error.message,
    );
    expect(refused).to.equal('A picture of this book could not be read.');
  });

  it('tell how far they are, and put away what was written', async () => {
    function* steps(): Generator<FileStep, void, Uint8Array | undefined> {
      for (let k = 1; k <= 3; k += 1) {
        yield { kind: 'bytes', bytes: new Uint8Array(5_000_000).fill(k) };
        const end = performance.now() + 60;
        while (performance.now() < end);
        yield { kind: 'share', share: k / 3 };
      }
    }
    const shares: number[] = [];
    const { file } = await writeFile(steps(), {}, (share) => shares.push(share));
    expect(file.size).to.equal(15_000_000);
    expect((await bytesOf(file.slice(9_999_999, 10_000_001))).join()).to.equal('2,3');
    expect(shares).to.deep.equal([1 / 3, 2 / 3, 1]);
  });
});
