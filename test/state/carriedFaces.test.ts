// Faces that come with a project file, kept in a browser that may have others of the same name.
import { expect } from 'chai';
import { fileBytes } from '../../src/core/base/fileJob';
import { ownFace } from '../../src/core/index';
import { checkSpec } from '../../src/core/validate';
import { writeProject } from '../../src/core/write/projectFile';
import { addManuscript } from '../../src/state/shelf/shelfThunks';
import { keepCarriedFaces } from '../../src/state/spec/carriedFaces';
import { readAsset } from '../build/assets';
import { blobOf } from '../build/files';
import { sample, world } from '../build/world';

describe('faces that come with a project file', () => {
  const bytes = readAsset('fonts/CrimsonPro_400Regular.ttf');
  const otherBytes = new Uint8Array([...bytes, 0, 0, 0, 0]);
  const font = (of: Uint8Array) => ({ record: ownFace('mine.ttf', of), bytes: of });
  const made = sample();
  const set = {
    ...made,
    spec: {
      ...made.spec,
      text: { ...made.spec.text, face: 'own-crimson-pro', fallbacks: { Grek: 'own-crimson-pro' } },
    },
  };

  it('are kept once, and a face of the same name that is another one is kept beside it, which the book then calls', async () => {
    const { services } = world();
    expect(await keepCarriedFaces(services, set, [font(bytes)])).to.equal(set);
    expect(await keepCarriedFaces(services, set, [font(bytes)])).to.equal(set);
    expect(services.ownFonts.map(({ record }) => record.id)).to.deep.equal(['own-crimson-pro/400']);
    const called = await keepCarriedFaces(services, set, [font(otherBytes)]);
    expect(called.spec.text).to.deep.include({ face: 'own-crimson-pro-2', fallbacks: { Grek: 'own-crimson-pro-2' } });
    checkSpec(called.spec);
    expect(
      services.ownFonts.map(({ record, bytes: kept }) => [record.id, record.familyName, kept.length]),
    ).to.deep.equal(
      [
        ['own-crimson-pro-2/400', 'Crimson Pro (2)', otherBytes.length],
        ['own-crimson-pro/400', 'Crimson Pro', bytes.length],
      ].sort(),
    );
  });

  it('come with the file into a browser that has none, and what the file lacks is named', async () => {
    const here = world();
    const locked = new Uint8Array(bytes);
    const view = new DataView(locked.buffer);
    for (let k = 0; k < view.getUint16(4); k += 1) {
      const at = 12 + k * 16;
      if (String.fromCharCode(...locked.subarray(at, at + 4)) === 'OS/2') view.setUint16(view.getUint32(at + 8) + 8, 4);
    }
    for (const [of, isThere] of [
      [bytes, true],
      [locked, false],
    ] as const) {
      const file = fileBytes(writeProject(set, new Set(), null, [font(of)]));
      const there = isThere ? here : world();
      const id = await there.store.dispatch(addManuscript('Set.walnut', blobOf(file)));
      expect((await there.repository.open(id!))?.book.spec.text.face).to.equal('own-crimson-pro');
      expect(there.services.ownFonts.map(({ record }) => record.id)).to.deep.equal(
        isThere ? ['own-crimson-pro/400'] : [],
      );
      const { refused } = there.store.getState().shelf;
      expect(refused.join()).to.match(
        isThere ? /^$/ : /Set\.walnut is set in a face that is not in the file: Crimson Pro, 400\. Add its font file/,
      );
    }
  });
});
