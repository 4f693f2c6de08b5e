import { expect } from 'chai';
import { imageSize } from '../../../src/core/base/images/imageSize';
import { endsInMark, firstWord, lastWord } from '../../../src/core/base/words';
import { commonEnds } from '../../../src/core/base/commonEnds';
import { coverageTable, covers } from '../../../src/core/model/spec/faces';
import { faceTable } from '../../build/assets';
import { png } from '../../build/incoming';

const bytes = (...parts: (string | number[])[]): Uint8Array =>
  Uint8Array.from(
    parts
      .flatMap((part) => (typeof part === 'string' ? [...part].map((char) => char.charCodeAt(0)) : part))
      .concat(new Array<number>(40).fill(0)),
  );

describe('the size of a picture', () => {
  it('is read from the first bytes of each kind', () => {
    expect(imageSize(png(640, 480))).to.deep.equal({ width: 640, height: 480 });
    expect(imageSize(bytes('GIF89a', [0x2c, 1, 0x90, 0]))).to.deep.equal({ width: 300, height: 144 });
    const bmp = bytes('BM', new Array<number>(16).fill(0), [100, 0, 0, 0], [0xd8, 0xff, 0xff, 0xff]);
    // Rows from the top down have a negative height.
    expect(imageSize(bmp)).to.deep.equal({ width: 100, height: 40 });
    const jpeg = bytes(
      [0xff, 0xd8],
      [0xff, 0xe0, 0, 4, 1, 2],
      [0xff, 0xc4, 0, 3, 0],
      [0xff, 0xc2, 0, 11, 8, 0, 90, 0, 120],
    );
    expect(imageSize(jpeg)).to.deep.equal({ width: 120, height: 90 });
    const lossy = bytes('RIFF', [0, 0, 0, 0], 'WEBPVP8 ', [0, 0, 0, 0, 0, 0, 0, 0x9d, 1, 0x2a], [0x80, 2, 0xe0, 1]);
    expect(imageSize(lossy)).to.deep.equal({ width: 640, height: 480 });
    const extended = bytes('RIFF', [0, 0, 0, 0], 'WEBPVP8X', [0, 0, 0, 0, 0, 0, 0, 0], [0x7f, 2, 0], [0xdf, 1, 0]);
    expect(imageSize(extended)).to.deep.equal({ width: 640, height: 480 });
    const lossless = bytes('RIFF', [0, 0, 0, 0], 'WEBPVP8L', [0, 0, 0, 0, 0x2f], [0x7f, 0xc2, 0x77, 0]);
    expect(imageSize(lossless)).to.deep.equal({ width: 640, height: 480 });
  });

  it('is nothing for what is no picture, is cut short, or goes round in circles', () => {
    for (const other of ['plain words and more of them', '', 'BM', 'RIFF0000WEBPVP9 0000000000000000'])
      expect(imageSize(new TextEncoder().encode(other))).to.deep.equal({ width: 0, height: 0 });
    expect(imageSize(bytes([0xff, 0xd8], new Array<number>(60).fill(0xff)))).to.deep.equal({ width: 0, height: 0 });
    expect(imageSize(bytes([0xff, 0xd8, 0, 0, 0]))).to.deep.equal({ width: 0, height: 0 });
  });
});

describe('words at the ends of a stretch', () => {
  const text = '“The old boat’s lamp,” she said—twice…';
  it('are found without the marks around them, in small letters', () => {
    expect(firstWord(text, 0, text.length)).to.equal('the');
    expect(lastWord(text, 0, text.length)).to.equal('twice');
    expect(lastWord(text, 0, text.indexOf('’s') + 2)).to.equal('boat’s');
    expect(firstWord('… — …', 0, 5)).to.equal('');
    expect(firstWord('Éclair', 0, 6)).to.equal('éclair');
  });
  it('and the marks that end it, behind closing quotes', () => {
    const ends = (end: string) => endsInMark(`word${end}`, 4 + end.length);
    for (const end of ['.', ',', '-', '—', '…', '.”', '!’)', '?"']) expect(ends(end), end).to.equal(true);
    for (const end of ['', '”', '’', ')', '*']) expect(ends(end), end).to.equal(false);
  });
});

describe('what two lists share at their ends', () => {
  it('is counted by identity, nothing twice', () => {
    const [a, b, c, d] = [{}, {}, {}, {}];
    expect(commonEnds([a, b, c], [a, d, c])).to.deep.equal([1, 1]);
    expect(commonEnds([a, b], [a, b])).to.deep.equal([2, 0]);
    expect(commonEnds([a, a, a], [a, a])).to.deep.equal([2, 0]);
    expect(commonEnds([], [a])).to.deep.equal([0, 0]);
    expect(commonEnds([b, c], [a, b, c])).to.deep.equal([0, 2]);
  });
});

describe('the coverage of a face', () => {
  it('is the same by table and by search', () => {
    for (const face of faceTable.slice(0, 3)) {
      const table = coverageTable(face);
      for (let code = 0; code < table.length; code += 1)
        expect(table[code] === 1, `${code}`).to.equal(covers(face, code));
    }
  });
});
