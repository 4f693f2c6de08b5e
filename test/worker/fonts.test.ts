import { expect } from 'chai';
import { doWriteJob } from '../../src/worker/writeJobs';
import { readAsset } from '../build/assets';

const read = (fileName: string, bytes: Uint8Array) =>
  doWriteJob(
    { kind: 'readFont', fileName, bytes, base: '' },
    async (name) => readAsset(name),
    () => undefined,
  );

describe('a font that is brought in', () => {
  const whole = readAsset('fonts/SourceCodePro_400Regular.ttf');

  it('is taken when it can be put into a PDF', async () => {
    expect((await read('mine.ttf', whole)).kind).to.equal('font');
  });

  it('is refused with a sentence when it cannot: here it has no outlines', async () => {
    const damaged = whole.slice();
    for (let at = 12; at < 12 + 16 * 30; at += 16)
      if (String.fromCharCode(...damaged.subarray(at, at + 4)) === 'glyf') damaged.set([0x7f, 0xff, 0xff, 0xff], at);
    const answer = await read('mine.ttf', damaged);
    expect(answer).to.deep.include({ kind: 'failed', message: 'mine.ttf is damaged: it could not be put into a PDF.' });
  });
});
