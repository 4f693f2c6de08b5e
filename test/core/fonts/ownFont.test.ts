// Font files of a person's own: read, refused with a reason, and set in a book, its PDF too.
import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { ImportError } from '../../../src/core/base/errors';
import { checkBook, checkSpec } from '../../../src/core/validate';
import { clampedSizes, replaceFaceEdits, applyEdits } from '../../../src/core/edit';
import { ownFace, writePressPdf } from '../../../src/core/index';
import { NOVEL_SPEC } from '../../../src/core/defaults/novelSpec';
import { WorkerAssets } from '../../../src/worker/assets';
import { compose, newContext, newSubsetter, readAsset, textOfPages } from '../../build/assets';
import { book, chapter, words } from '../../build/book';
import { pdfFonts, pdfText, qpdfCheck } from '../../build/tools';
import { unzipSync } from 'fflate';
import { fileBytes, readBytes } from '../../../src/core/base/fileJob';
import { fingerprint } from '../../../src/core/base/hash';
import type { OwnFont } from '../../../src/core/model/spec/faces';
import { readProject, writeProject } from '../../../src/core/write/projectFile';
import { essence } from '../../build/essence';
import { pack } from '../../build/files';

const TTF = readAsset('fonts/CrimsonPro_400Regular.ttf');
const otfFile = createRequire(import.meta.url).resolve('source-code-pro/OTF/SourceCodePro-Regular.otf');
const OTF = new Uint8Array(readFileSync(otfFile));

/** The file with its fsType changed. */
function withPermission(bytes: Uint8Array, fsType: number): Uint8Array {
  const made = new Uint8Array(bytes);
  const view = new DataView(made.buffer);
  for (let k = 0; k < view.getUint16(4); k += 1) {
    const at = 12 + k * 16;
    if (String.fromCharCode(...made.subarray(at, at + 4)) === 'OS/2')
      view.setUint16(view.getUint32(at + 8) + 8, fsType);
  }
  return made;
}

const refused = (bytes: Uint8Array, why: RegExp, code: string) =>
  expect(() => ownFace('mine.ttf', bytes))
    .to.throw(ImportError, why)
    .with.property('code', code);

describe('a font file of one’s own', () => {
  it('is read as a face under a key of its own', () => {
    const face = ownFace('mine.ttf', TTF);
    expect(face).to.include({
      id: 'own-crimson-pro/400',
      family: 'own-crimson-pro',
      familyName: 'Crimson Pro',
      weight: 400,
      italic: false,
      postScriptName: 'CrimsonPro-Regular',
    });
    expect(face.features).to.include('kern');
    const italic = ownFace('it.ttf', readAsset('fonts/EBGaramond_400Regular_Italic.ttf'));
    expect(italic).to.include({ id: 'own-eb-garamond/400i', italic: true });
  });

  it('tells its kind where the file says it', () => {
    expect(ownFace('code.otf', OTF)).to.include({ kind: 'mono', familyName: 'Source Code Pro' });
  });

  it('is refused with a reason when it may not be embedded, is cut short, or is none', () => {
    refused(withPermission(TTF, 0x0002), /Crimson Pro may not be embedded/, 'unknown-kind');
    refused(withPermission(TTF, 0x0200), /may not be embedded/, 'unknown-kind');
    expect(ownFace('mine.ttf', withPermission(TTF, 0x0004)).family).to.equal('own-crimson-pro');
    refused(TTF.slice(0, 200), /mine\.ttf is damaged/, 'damaged');
    refused(TTF.slice(0, 4000), /mine\.ttf is damaged/, 'damaged');
    refused(new TextEncoder().encode('no font at all'), /no font file/, 'not-a-document');
    refused(new Uint8Array(2), /no font file/, 'not-a-document');
  });
});

describe('a book set in a face of one’s own', () => {
  for (const [name, bytes, psName] of [
    ['TrueType outlines', TTF, /CrimsonPro-Regular/],
    ['PostScript outlines', OTF, /SourceCodePro-Regular/],
  ] as const)
    it(`is composed and written with ${name}, every word copied`, async () => {
      const record = ownFace('mine', bytes);
      const assets = new WorkerAssets(async (file) => readAsset(file), [{ record, bytes }]);
      const text = { ...NOVEL_SPEC.text, face: record.family };
      const made = book([chapter('One', words(120, 3))], [], { ...NOVEL_SPEC, text });
      const context = await assets.contextFor(made);
      const composed = compose(made, context);
      expect(composed.findings.map(({ kind }) => kind)).to.not.include('face-missing');
      const pdf = fileBytes(writePressPdf(made, composed, context, newSubsetter(), '2026-01-02T03:04:05Z'));
      expect(qpdfCheck(pdf)).to.include('No syntax or stream encoding errors');
      const own = pdfFonts(pdf)
        .split('\n')
        .find((line) => psName.test(line))!;
      expect(own).to.match(/yes yes yes/);
      const plain = (all: string) => all.replace(/[\s\u00AD-]+/g, '');
      expect(plain(pdfText(pdf))).to.include(plain(words(120, 3)).slice(0, 400));
    });

  it('opens with a substitute and a finding where the face is not', () => {
    const text = { ...NOVEL_SPEC.text, face: 'own-gone' };
    const made = book([chapter('One', words(60, 3))], [], { ...NOVEL_SPEC, text });
    const composed = compose(made, newContext());
    const finding = composed.findings.find(({ kind }) => kind === 'face-missing')!;
    expect(finding.message).to.include('The face Gone is missing');
    expect(finding.grade).to.equal('must');
    expect(textOfPages(composed)).to.include('One');
  });
});

describe('one face in place of another', () => {
  const start = book([chapter('One', 'x')], [], {
    ...NOVEL_SPEC,
    styles: {
      ...NOVEL_SPEC.styles,
      AH: { ...NOVEL_SPEC.styles.AH, face: 'source-sans-3', size: 12 },
      BH: { ...NOVEL_SPEC.styles.BH, basedOn: 'AH', size: 11 },
    },
    characterStyles: { ...NOVEL_SPEC.characterStyles, code: { name: 'Code', face: 'source-sans-3' } },
  });

  it('takes the text, and the sizes of all that is set in it', () => {
    const { spec } = applyEdits(start, replaceFaceEdits(start, 'eb-garamond', 'spectral', 0.9));
    expect(spec.text).to.deep.include({ face: 'spectral', wordSpace: null, size: { pt: 10.35, unit: 'pt' } });
    expect(spec.styles.CT.size).to.equal(18);
    expect(spec.styles.AH).to.deep.equal(start.spec.styles.AH);
    expect(spec.text.leading).to.deep.equal(start.spec.text.leading);
  });

  it('takes styles, what takes from them, and character styles', () => {
    const { spec } = applyEdits(start, replaceFaceEdits(start, 'source-sans-3', 'alegreya', 1.1));
    expect(spec.styles.AH).to.include({ face: 'alegreya', size: 13.2 });
    expect(spec.styles.BH.size).to.equal(12.1);
    expect(spec.styles.CT).to.deep.equal(start.spec.styles.CT);
    expect(spec.characterStyles.code.face).to.equal('alegreya');
    expect(spec.text).to.deep.equal(start.spec.text);
  });

  it('leaves a spec that can be set, whatever the factor, and says how many sizes it could not take so far', () => {
    for (const factor of [0.05, 0.3, 0.9, 1, 1.4, 3, 40]) {
      const edits = replaceFaceEdits(start, 'eb-garamond', 'spectral', factor);
      const { spec } = applyEdits(start, edits);
      expect(() => checkSpec(spec), `${factor}`).to.not.throw();
      const clamped = clampedSizes(start, 'eb-garamond', 'spectral', factor);
      expect(clamped > 0, `${factor}`).to.equal(factor !== 1 && factor !== 0.9 && factor !== 1.4);
    }
  });

  it('does nothing for a face that is not used', () => {
    expect(replaceFaceEdits(start, 'amiri', 'spectral', 1)).to.deep.equal([]);
    expect(replaceFaceEdits(start, 'eb-garamond', 'eb-garamond', 1)).to.deep.equal([]);
  });
});

describe('a project file with faces of one’s own', () => {
  const fontOf = (bytes: Uint8Array, name = 'mine.ttf') => ({ record: ownFace(name, bytes), bytes });
  const installable = fontOf(TTF);
  const editable = fontOf(withPermission(OTF, 0x0008), 'code.otf');
  const previewed = fontOf(withPermission(readAsset('fonts/EBGaramond_400Regular_Italic.ttf'), 0x0004), 'print.ttf');
  const text = { ...NOVEL_SPEC.text, face: installable.record.family };
  const made = book([chapter('One', words(300, 3))], [], { ...NOVEL_SPEC, text });
  const written = (...fonts: OwnFont[]) => fileBytes(writeProject(made, new Set(), null, fonts));
  const opened = (bytes: Uint8Array) => readBytes(readProject(bytes.length, checkBook), bytes);

  it('carries those that may be passed on, byte by byte, and names the others', () => {
    const file = written(installable, editable, previewed);
    const names = Object.keys(unzipSync(file)).filter((name) => name.startsWith('fonts'));
    expect(names).to.have.members([
      'fonts.json',
      ...[installable, editable].map(({ bytes }) => `fonts/${fingerprint(bytes)}`),
    ]);
    const { fonts, needed, book: read } = opened(file);
    expect(read).to.deep.equal(made);
    expect(fonts).to.deep.equal(
      [installable, editable].map(({ record, bytes }) => ({ bytes, record: { ...record, file: record.familyName } })),
    );
    expect(needed).to.deep.equal(['EB Garamond, 400 italic']);
    expect(Object.keys(unzipSync(written())).some((name) => name.startsWith('fonts'))).to.equal(false);
  });

  it('opens to the same pages where the faces are not', async () => {
    const compareIn = async (fonts: readonly OwnFont[]) => {
      const assets = new WorkerAssets(async (file) => readAsset(file), fonts);
      const context = await assets.contextFor(made);
      return essence(compose(made, context));
    };
    const { fonts } = opened(written(installable));
    expect(await compareIn(fonts)).to.deep.equal(await compareIn([installable]));
    expect(await compareIn([])).to.not.deep.equal(await compareIn([installable]));
  });

  it('does without a font that is damaged, changed, forbidden or none, and says which it needs', () => {
    const members = unzipSync(written(installable));
    const name = Object.keys(members).find((one) => one.startsWith('fonts/'))!;
    const list = JSON.parse(new TextDecoder().decode(members['fonts.json'])) as Record<string, unknown>[];
    const json = (value: unknown) => new TextEncoder().encode(JSON.stringify(value));
    const asForbidden = withPermission(TTF, 0x0002);
    const hash = fingerprint(asForbidden);
    const variants: Record<string, Uint8Array>[] = [
      { ...members, [name]: members[name].slice(0, 9000) },
      { ...members, [`fonts/${hash}`]: asForbidden, 'fonts.json': json([{ ...list[0], hash }]) },
      Object.fromEntries(Object.entries(members).filter(([one]) => one !== name)),
      { ...members, 'fonts.json': json([{ ...list[0], id: 'own-crimson-pro/700' }]) },
    ];
    for (const variant of variants) {
      const { fonts, needed, book: read } = opened(pack(variant));
      expect([fonts.length, needed, read.divisions.length]).to.deep.equal([0, ['Crimson Pro, 400'], 1]);
    }
    for (const bad of [json({}), json([{ id: 'eb-garamond/400', family: 'eb-garamond' }]), new Uint8Array([1, 2])]) {
      const { fonts, needed } = opened(pack({ ...members, 'fonts.json': bad }));
      expect([fonts, needed]).to.deep.equal([[], []]);
    }
  });
});
