// Archives written member by member, and read by stretches.
import { expect } from 'chai';
import fc from 'fast-check';
import { unzipSync, zipSync } from 'fflate';
import { fileBytes, readBytes, type ByteRange, type ReadJob } from '../../../src/core/base/fileJob';
import { readMember, readZipDirectory, storedRange } from '../../../src/core/base/zipReader';
import { crc32, writeZip, type ZipMember } from '../../../src/core/base/zipWriter';

const text = (words: string) => new TextEncoder().encode(words);

/** Members by name, read one after another, and the ranges that were asked for. */
function readAll(bytes: Uint8Array): { members: Record<string, Uint8Array>; asked: ByteRange[] } {
  const asked: ByteRange[] = [];
  function* noting<T>(job: ReadJob<T>): ReadJob<T> {
    let step = job.next();
    while (!step.done) {
      asked.push(step.value);
      step = job.next(yield step.value);
    }
    return step.value;
  }
  const entries = readBytes(noting(readZipDirectory(bytes.length)), bytes);
  const members: Record<string, Uint8Array> = {};
  for (const entry of entries) members[entry.name] = readBytes(noting(readMember(entry, bytes.length)), bytes);
  return { members, asked };
}

const named = fc.uniqueArray(fc.tuple(fc.string({ minLength: 1, maxLength: 20 }), fc.uint8Array({ maxLength: 400 })), {
  maxLength: 12,
  selector: ([name]) => name,
});

describe('zip archives', () => {
  it('are read by others as they were written, and read back, pressed or as they are', () => {
    fc.assert(
      fc.property(named, fc.array(fc.boolean(), { minLength: 1 }), (all, asIs) => {
        const members = all.map(([name, content], k): ZipMember => ({
          name: `m/${name}`,
          content,
          asItIs: asIs[k % asIs.length],
        }));
        const bytes = fileBytes(writeZip(members));
        const wanted = new Map(members.map(({ name, content }) => [name, [...(content as Uint8Array)]]));
        expect(new Map(Object.entries(unzipSync(bytes)).map(([name, own]) => [name, [...own]]))).to.deep.equal(wanted);
        const { members: read } = readAll(bytes);
        expect(new Map(Object.entries(read).map(([name, own]) => [name, [...own]]))).to.deep.equal(wanted);
      }),
      { numRuns: 200 },
    );
  });

  it('of others are read, with a comment at the end too', () => {
    const bytes = zipSync({
      'a.txt': [text('one one one one'), { comment: 'of a member' }],
      b: [text('two'), { level: 0 }],
    });
    const comment = text('of the archive');
    const end = bytes.slice();
    new DataView(end.buffer).setUint16(end.length - 2, comment.length, true);
    const whole = Uint8Array.from([...end, ...comment]);
    const { members } = readAll(whole);
    expect(new TextDecoder().decode(members['a.txt'])).to.equal('one one one one');
    expect(new TextDecoder().decode(members.b)).to.equal('two');
  });

  it('ask for one picture at a time, and let its bytes stand where they are', () => {
    const pictures = { p1: text('first'), p2: text('second') };
    const members = [
      { name: 'book.json', content: text('{}') },
      { name: 'one', content: { asset: 'p1' } },
      { name: 'two', content: { asset: 'p2' } },
    ];
    const job = writeZip(members);
    const said: string[] = [];
    let answer: Uint8Array | undefined;
    for (let step = job.next(); !step.done; step = job.next(answer)) {
      const { value } = step;
      answer = value.kind === 'picture' ? pictures[value.asset as 'p1'] : undefined;
      if (value.kind === 'picture' || value.kind === 'copy') said.push(`${value.kind} ${value.asset}`);
    }
    expect(said).to.deep.equal(['picture p1', 'copy p1', 'picture p2', 'copy p2']);
    const bytes = fileBytes(writeZip(members), pictures);
    const entry = readBytes(readZipDirectory(bytes.length), bytes)[2];
    const range = readBytes(storedRange(entry, bytes.length), bytes)!;
    expect(new TextDecoder().decode(bytes.subarray(range.from, range.to))).to.equal('second');
  });

  it('say so when a picture cannot be had', () => {
    expect(() => fileBytes(writeZip([{ name: 'one', content: { asset: 'gone' } }]))).to.throw('could not be read');
  });

  it('of more members than two bytes can count have the wide directory', () => {
    const members = Array.from({ length: 70_000 }, (_, k) => ({
      name: `${k}`,
      content: new Uint8Array(0),
      asItIs: true,
    }));
    const bytes = fileBytes(writeZip(members));
    const entries = readBytes(readZipDirectory(bytes.length), bytes);
    expect(entries).to.have.length(70_000);
    expect(entries[69_999].name).to.equal('69999');
  });

  it('beyond 4 GB say where a member begins in eight bytes', () => {
    // Members of 4 GB and of 3 bytes: only the directory and the second one are ever asked for.
    const far = 0x1_0000_0010;
    const small = text('far');
    const local = fileBytes(writeZip([{ name: 'far', content: small, asItIs: true }])).subarray(0, 30 + 3 + 3);
    const directory = wideDirectory(far, local.length);
    const read = (from: number, to: number) => {
      const bytes = new Uint8Array(to - from);
      for (let k = 0; k < bytes.length; k += 1) {
        const at = from + k - far;
        bytes[k] = at < 0 ? 0 : at < local.length ? local[at] : directory[at - local.length];
      }
      return bytes;
    };
    const size = far + local.length + directory.length;
    const run = <T>(job: ReadJob<T>): T => {
      let step = job.next();
      while (!step.done) step = job.next(read(step.value.from, step.value.to));
      return step.value;
    };
    const [entry] = run(readZipDirectory(size));
    expect(entry).to.include({ name: 'far', at: far, size: 3 });
    expect(run(readMember(entry, size))).to.deep.equal(small);
  });

  it('that are cut short or damaged are refused, wherever', () => {
    const bytes = fileBytes(writeZip([{ name: 'a', content: text('words '.repeat(40)) }]));
    for (let length = 0; length < bytes.length; length += 1)
      expect(() => readAll(bytes.subarray(0, length)), `${length}`).to.throw('cut short');
    fc.assert(
      fc.property(fc.nat(bytes.length - 1), fc.nat(255), (at, value) => {
        const other = bytes.slice();
        other[at] = value;
        try {
          readAll(other);
        } catch (error) {
          expect((error as Error).message).to.include('cut short');
        }
      }),
      { numRuns: 1000 },
    );
  });

  it('are not fooled by a member that understates its size', () => {
    const bytes = fileBytes(writeZip([{ name: 'a', content: new Uint8Array(3_000_000) }]));
    const view = new DataView(bytes.buffer);
    for (let k = 0; k + 4 < bytes.length; k += 1)
      if (view.getUint32(k, true) === 0x02014b50) view.setUint32(k + 24, 100, true);
    let size = 0;
    try {
      size = readAll(bytes).members.a.length;
    } catch (error) {
      expect((error as Error).message).to.include('cut short');
    }
    expect(size).to.be.at.most(100);
  });

  it('have the check sum of the standard', () => {
    expect(crc32(text('123456789'))).to.equal(0xcbf43926);
  });
});

/** The directory of an archive with one member of three bytes that begins at `at`, its local part `length` bytes long. */
function wideDirectory(at: number, length: number): Uint8Array {
  const name = text('far');
  const central = new DataView(new ArrayBuffer(46 + 3 + 12));
  central.setUint32(0, 0x02014b50, true);
  central.setUint32(20, 3, true);
  central.setUint32(24, 3, true);
  central.setUint16(28, 3, true);
  central.setUint16(30, 12, true);
  central.setUint32(42, 0xffffffff, true);
  new Uint8Array(central.buffer).set(name, 46);
  central.setUint16(49, 1, true);
  central.setUint16(51, 8, true);
  central.setBigUint64(53, BigInt(at), true);
  const end64 = new DataView(new ArrayBuffer(56 + 20 + 22));
  end64.setUint32(0, 0x06064b50, true);
  end64.setBigUint64(24, 1n, true);
  end64.setBigUint64(32, 1n, true);
  end64.setBigUint64(40, BigInt(central.byteLength), true);
  end64.setBigUint64(48, BigInt(at + length), true);
  end64.setUint32(56, 0x07064b50, true);
  end64.setBigUint64(64, BigInt(at + length + central.byteLength), true);
  end64.setUint32(76, 0x06054b50, true);
  end64.setUint16(86, 1, true);
  end64.setUint32(88, central.byteLength, true);
  end64.setUint32(92, 0xffffffff, true);
  return Uint8Array.from([...new Uint8Array(central.buffer), ...new Uint8Array(end64.buffer)]);
}
