import { expect } from 'chai';
import { fingerprint } from '../../../src/core/base/hash';
import { pictureKey } from '../../../src/core/copy/pictureNames';
import {
  makeBook,
  picturesMissing,
  readManuscript,
  withKnownPictures,
  withPicturesBeside,
} from '../../../src/core/import';
import type { Block } from '../../../src/core/model/copy/streams';
import { filesTogether, unplacedWords } from '../../../src/state/arrival/filesTogether';
import { taken } from '../../build/incoming';
import { pngOf } from '../../build/pictures';

const read = (name: string, text: string) => taken(readManuscript(name, new TextEncoder().encode(text)));
const TEXT =
  '# Weir\n\n![At low water](plans/Low%20Water.png)\n\nWords.[^1]\n\n| a | b |\n|---|---|\n| ![](gate.png) | c |\n\n[^1]: ![](lost.png)\n';
const picturesOf = (blocks: readonly Block[]): { name: string; asset: string; alt: string; width: number }[] =>
  blocks.flatMap((block) =>
    block.kind === 'table'
      ? block.rows.flatMap((row) => row.flatMap((cell) => picturesOf(cell.blocks)))
      : block.objects.flatMap((object) =>
          object.kind === 'picture'
            ? [{ name: object.name, asset: object.asset, alt: object.alt, width: object.width }]
            : [],
        ),
  );
const [low, gate] = [pngOf(40, 30), pngOf(8, 8)];

describe('pictures beside a text', () => {
  it('are matched by the names of their files, in cells and notes too', () => {
    for (const [name, text] of [
      ['a.md', TEXT],
      [
        'a.html',
        '<h1>Weir</h1><p><img src="plans/Low%20Water.png" alt="At low water"></p><p>Words.</p><table><tr><td><img src="gate.png"></td></tr></table><p><img src="lost.png"></p>',
      ],
    ] as const) {
      const manuscript = read(name, text);
      expect([...picturesMissing(manuscript)].sort(), name).to.deep.equal(['gate.png', 'lost.png', 'low water.png']);
      const made = withPicturesBeside(
        manuscript,
        new Map([
          [pictureKey('LOW WATER.PNG'), low],
          ['gate.png', gate],
        ]),
      );
      expect(picturesOf(made.blocks).slice(0, 2), name).to.deep.equal([
        { name: 'Low%20Water.png', asset: fingerprint(low), alt: 'At low water', width: 40 },
        { name: 'gate.png', asset: fingerprint(gate), alt: '', width: 8 },
      ]);
      expect(Object.keys(made.pictures).sort()).to.deep.equal([fingerprint(low), fingerprint(gate)].sort());
      const remark = made.remarks.find(({ what }) => what === 'Pictures that are not in the file');
      expect(remark?.count, name).to.equal(1);
    }
  });

  it('stay in the author’s next file, which comes without them', () => {
    const first = withPicturesBeside(read('a.md', TEXT), new Map([['low water.png', low]]));
    const book = makeBook(first, { bookId: 'b', fileName: 'a.md' });
    const next = withKnownPictures(read('a.md', TEXT.replace('Words', 'Other words')), book);
    expect(picturesOf(next.blocks)[0]).to.include({ asset: fingerprint(low), alt: 'At low water' });
    expect(picturesOf(next.blocks)[1].asset).to.equal('');
  });

  it('stand beside texts that can refer to them alone, and what is referred to nowhere is told', () => {
    const file = (name: string) => ({ name }) as File;
    const names = (files: readonly { name: string }[]) => files.map(({ name }) => name);
    const mixed = filesTogether([file('a.png'), file('b.md'), file('c.docx'), file('d.JPEG')]);
    expect([names(mixed.manuscripts), names(mixed.pictures)]).to.deep.equal([
      ['b.md', 'c.docx'],
      ['a.png', 'd.JPEG'],
    ]);
    const alone = filesTogether([file('a.png'), file('c.docx')]);
    expect([names(alone.manuscripts), alone.pictures]).to.deep.equal([['a.png', 'c.docx'], []]);
    expect(unplacedWords(mixed.pictures, new Set(['a.png', 'd.JPEG']))).to.equal(null);
    expect(unplacedWords(mixed.pictures, new Set())).to.equal(
      'a.png, d.JPEG: no text that came with them refers to them.',
    );
    expect(pictureKey('a/b\\100%.PNG')).to.equal('100%.png');
  });
});
