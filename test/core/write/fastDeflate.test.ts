import { expect } from 'chai';
import fc from 'fast-check';
import { unzlibSync } from 'fflate';
import { inflateSync } from 'node:zlib';
import { codeLengths, FastDeflate } from '../../../src/core/write/pdf/fastDeflate';

/** Bytes with runs and repeats in them, near and far, as content streams have. */
const repetitive = fc
  .array(
    fc.record({ piece: fc.uint8Array({ minLength: 1, maxLength: 12 }), times: fc.integer({ min: 1, max: 200 }) }),
    {
      maxLength: 30,
    },
  )
  .map((pieces) =>
    Uint8Array.from(pieces.flatMap(({ piece, times }) => Array.from({ length: times }, () => [...piece]).flat())),
  );

const same = (data: Uint8Array, file = new FastDeflate()) => {
  const pressed = file.press(data);
  expect(Buffer.compare(inflateSync(pressed), data), 'by zlib').to.equal(0);
  expect(Buffer.compare(unzlibSync(pressed), data), 'by an independent reader').to.equal(0);
  return pressed;
};

/** Bytes without a pattern, the same at every run. */
function noise(length: number, values = 256): Uint8Array {
  let state = 7;
  return Uint8Array.from({ length }, () => {
    state = (Math.imul(state, 1103515245) + 12345) >>> 0;
    return (state >>> 16) % values;
  });
}

describe('pressing the streams of pages', () => {
  it('gives back any bytes', () => {
    fc.assert(
      fc.property(fc.uint8Array({ maxLength: 2000 }), (data) => void same(data)),
      { numRuns: 300 },
    );
    fc.assert(
      fc.property(repetitive, (data) => void same(data)),
      { numRuns: 200 },
    );
  });

  it('gives back none, one, and every byte', () => {
    same(new Uint8Array());
    for (let byte = 0; byte < 256; byte += 1) same(Uint8Array.of(byte));
    same(Uint8Array.from({ length: 256 }, (_, k) => k));
  });

  it('gives back long streams, repeats across the whole window, and longer than it', () => {
    const block = noise(40_000);
    for (const gap of [0, 31_000, 32_768 - 300, 32_768, 33_000]) {
      const data = new Uint8Array(300 + gap + 300);
      data.set(block.subarray(0, 300));
      data.set(noise(gap), 300);
      data.set(block.subarray(0, 300), 300 + gap);
      same(data);
    }
    same(noise(300_000));
    same(noise(300_000, 3));
  });

  it('gives back streams that are pressed with the code of those before them, however unlike', () => {
    const streams = fc.array(fc.oneof(repetitive, fc.uint8Array({ maxLength: 600 })), { minLength: 2, maxLength: 12 });
    const property = fc.property(streams, (list) => {
      const file = new FastDeflate();
      for (const data of list) same(data, file);
    });
    fc.assert(property, { numRuns: 120 });
  });

  it('begins anew with every file', () => {
    const data = noise(5000, 20);
    const first = new FastDeflate().press(data);
    const other = new FastDeflate();
    other.press(noise(9000, 30));
    expect(Buffer.compare(new FastDeflate().press(data), first)).to.equal(0);
    expect(other.press(data).length).to.be.within(first.length * 0.9, first.length * 1.2);
  });

  it('makes pages that are alike nearly as small as with a code for each', () => {
    const page = (seed: number) =>
      new TextEncoder().encode(
        Array.from(
          { length: 40 },
          (_, k) => `1 0 0 1 54 ${(k * 14.5 + seed / 7).toFixed(2)} Tm [<00${(k * seed) % 90}>] TJ\n`,
        ).join(''),
      );
    const file = new FastDeflate();
    let [together, apart] = [0, 0];
    for (let seed = 1; seed <= 60; seed += 1) {
      together += same(page(seed), file).length;
      apart += same(page(seed)).length;
    }
    expect(together).to.be.below(apart * 1.1);
  });

  it('makes runs and repeated glyph strings small', () => {
    expect(same(new Uint8Array(100_000)).length).to.be.below(700);
    const line = new TextEncoder().encode('1 0 0 1 54 540.25 Tm [<0012004500230034> -12 <00450023>] TJ\n');
    const lines = Uint8Array.from(Array.from({ length: 500 }, () => [...line]).flat());
    expect(same(lines).length).to.be.below(lines.length / 40);
  });

  it('stays within a few hundred bytes of what cannot be pressed', () => {
    const data = noise(50_000);
    expect(same(data).length).to.be.below(data.length + 400);
  });
});

describe('the lengths of a Huffman code', () => {
  const kraft = (lengths: Uint8Array) => lengths.reduce((sum, length) => sum + (length > 0 ? 2 ** -length : 0), 0);
  const cost = (counts: Uint32Array, lengths: Uint8Array) =>
    lengths.reduce((sum, length, k) => sum + length * counts[k], 0);

  it('make a complete code within the limit, a word for every symbol that occurs', () =>
    fc.assert(
      fc.property(
        fc.array(fc.nat(100_000), { minLength: 2, maxLength: 100 }),
        fc.constantFrom(7, 15),
        (list, limit) => {
          const counts = Uint32Array.from(list);
          const used = list.filter((count) => count > 0).length;
          fc.pre(used > 1);
          const lengths = codeLengths(counts, limit);
          expect(Math.max(...lengths)).to.be.at.most(limit);
          list.forEach((count, k) => expect(lengths[k] > 0).to.equal(count > 0));
          expect(kraft(lengths)).to.equal(1);
        },
      ),
    ));

  it('are cut to the limit where counts grow as Fibonacci numbers', () => {
    const counts = new Uint32Array(19);
    for (let k = 0, [a, b] = [1, 1]; k < 19; k += 1, [a, b] = [b, a + b]) counts[k] = a;
    expect(Math.max(...codeLengths(counts, 15))).to.equal(15);
    expect(kraft(codeLengths(counts, 15))).to.equal(1);
    expect(Math.max(...codeLengths(counts, 7))).to.equal(7);
    expect(kraft(codeLengths(counts, 7))).to.equal(1);
  });

  it('cost no more than any other code, in small cases, by trying all', () =>
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: 50 }), { minLength: 2, maxLength: 5 }), (list) => {
        const counts = Uint32Array.from(list);
        let best = Infinity;
        const lengths = new Uint8Array(list.length);
        const tryAll = (k: number) => {
          if (k === list.length) {
            if (kraft(lengths) <= 1) best = Math.min(best, cost(counts, lengths));
            return;
          }
          for (lengths[k] = 1; lengths[k] <= list.length; lengths[k] += 1) tryAll(k + 1);
        };
        tryAll(0);
        expect(cost(counts, codeLengths(counts, 15))).to.equal(best);
      }),
      { numRuns: 60 },
    ));
});
