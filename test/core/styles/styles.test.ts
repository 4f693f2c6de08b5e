import { expect } from 'chai';
import { NOVEL_SPEC } from '../../../src/core/defaults/novelSpec';
import { effectiveTag } from '../../../src/core/copy/effectiveTag';
import type { Spec } from '../../../src/core/model/spec/spec';
import { paragraph } from '../../../src/core/model/copy/streams';
import { resolveStyles, StyleInterner, styleParagraph, type StyleContext } from '../../../src/core/styles';
import { faceTable } from '../../build/assets';
import { p } from '../../build/book';

const interner = new StyleInterner();
const sheetOf = (spec: Spec) => resolveStyles(spec, 'en', () => 0.25, interner);
const sheet = sheetOf(NOVEL_SPEC);
const context: StyleContext = {
  spec: NOVEL_SPEC,
  faces: faceTable,
  fieldText: (field) => `[${field}]`,
  noteReference: (note) => ({ text: note.slice(1), position: 'superior' }),
  referenceText: ({ target }) => `[${target}]`,
};
const runsOf = (text: string, tag = 'TX') => styleParagraph('d1', p(text), sheet.get(tag)!, context).runs;
const withText = (change: Partial<Spec['text']>): Spec => ({ ...NOVEL_SPEC, text: { ...NOVEL_SPEC.text, ...change } });

describe('resolving styles', () => {
  it('takes own values, then the ancestors’, then those of the text', () => {
    expect(sheet.get('TX')).to.include({
      family: 'eb-garamond',
      size: 11.5,
      leading: 14.5,
      firstIndent: 14.5,
      align: 'justify',
    });
    expect(sheet.get('TXF')).to.include({ firstIndent: 0, leading: 14.5 });
    expect(sheet.get('PT')).to.include({ size: 24, align: 'centre', withNext: true, meaning: 'heading1' });
  });

  it('follows the text when it changes, grid lines with the leading', () => {
    const spec = withText({ leading: { pt: 15, unit: 'pt' }, face: 'spectral', setting: 'ragged' });
    const changed = sheetOf({
      ...spec,
      styles: { ...spec.styles, CT: { ...spec.styles.CT, leading: { grid: 2 } } },
    });
    expect(changed.get('CT')).to.include({ leading: 30, family: 'spectral' });
    expect(changed.get('TX')).to.include({ align: 'left', lastLine: 2 });
    // Lines of verse end where they end.
    expect(changed.get('VRS')).to.include({ lastLine: 0 });
    expect(changed.get('NT')).to.include({ leading: 11.5 });
  });

  it('holds wider word spaces for justified text whose letters give nothing, where the book has no limits of its own', () => {
    const spacesOf = (change: Partial<Spec['text']>, tag = 'TX') => sheetOf(withText(change)).get(tag)!.wordSpace;
    const held = { least: 0.15, wished: 0.2, most: 0.3 };
    const alone = { least: 0.1625, wished: 0.275, most: 0.4 };
    expect(spacesOf({})).to.deep.equal(held);
    expect(spacesOf({ letterWidth: 0 })).to.deep.equal(alone);
    expect(spacesOf({ letterWidth: 0, letterPlay: 4 })).to.deep.equal(held);
    expect(spacesOf({ letterWidth: 0, setting: 'ragged' })).to.deep.equal(held);
    expect(spacesOf({ letterWidth: 0 }, 'CT')).to.deep.equal(held);
    const own = { least: 0.2, wished: 0.25, most: 0.4 };
    expect(spacesOf({ letterWidth: 0, wordSpace: own })).to.deep.equal(own);
  });

  it('gives equal styles of different specs as one object', () => {
    const other = sheetOf({ ...NOVEL_SPEC, openers: { ...NOVEL_SPEC.openers, sink: 9 } });
    for (const tag of sheet.keys()) expect(other.get(tag)).to.equal(sheet.get(tag));
  });

  it('survives styles that are based on each other', () => {
    const styles = { ...NOVEL_SPEC.styles, A: { name: 'A', basedOn: 'B', size: 9 }, B: { name: 'B', basedOn: 'A' } };
    expect(sheetOf({ ...NOVEL_SPEC, styles }).get('B')?.size).to.equal(9);
  });
});

describe('styling a paragraph', () => {
  it('cuts runs where the look changes, and merges those that are equal', () => {
    const runs = runsOf('a *b* c');
    expect(runs.map((run) => [run.from, run.to, run.face])).to.deep.equal([
      [0, 2, 'eb-garamond/400'],
      [2, 3, 'eb-garamond/400i'],
      [3, 5, 'eb-garamond/400'],
    ]);
    expect(runsOf('plain text')).to.have.length(1);
  });

  it('turns emphasis inside italic roman', () => {
    const source = paragraph('p1', 'TX', 'a b', { spans: [{ from: 2, to: 3, style: 'em' }] });
    const italic = styleParagraph('d1', source, sheet.get('DED')!, context);
    expect(italic.runs.map((run) => run.face)).to.deep.equal(['eb-garamond/400i', 'eb-garamond/400']);
  });

  it('uses the face’s own small capitals and superior figures, and scales those that it lacks', () => {
    const source = (tag: string) => paragraph('p1', 'TX', 'ab 1', { spans: [{ from: 0, to: 4, style: tag }] });
    const small = styleParagraph('d1', source('sc'), sheet.get('TX')!, context).runs[0];
    expect(small.features).to.include('smcp');
    expect(small.size).to.equal(11.5);
    const caslon = sheetOf(withText({ face: 'libre-caslon-text' })).get('TX')!;
    const scaled = styleParagraph('d1', source('sc'), caslon, context).runs[0];
    expect(scaled.upper).to.equal(true);
    expect(scaled.size).to.be.below(11.5);
    expect(styleParagraph('d1', source('sup'), sheet.get('TX')!, context).runs[0].features).to.equal('sups');
    expect(styleParagraph('d1', source('sub'), sheet.get('TX')!, context).runs[0].rise).to.be.below(0);
  });

  it('sets old-style figures, and no ligatures in letterspaced type', () => {
    expect(runsOf('1')[0].features).to.equal('onum,pnum');
    expect(runsOf('office', 'CN')[0].features).to.include('-liga');
  });

  it('fills fields, numbers references and says where every unit came from', () => {
    const source = paragraph('p1', 'TX', 'x\uFFFCy\uFFFCz\uFFFC', {
      objects: [
        { at: 1, kind: 'field', field: 'title' },
        { at: 3, kind: 'note', note: 'n12' },
        { at: 5, kind: 'break' },
      ],
    });
    const styled = styleParagraph('d1', source, sheet.get('TX')!, context, { prefix: '7. ' });
    expect(styled.text).to.equal('7. x[title]y12z\u2028');
    expect([...styled.source!]).to.deep.equal([0, 0, 0, 0, 1, 1, 1, 1, 1, 1, 1, 2, 3, 3, 4, 5, 6]);
    expect(styled.notes).to.deep.equal([{ at: 12, to: 14, note: 'n12' }]);
    expect(styled.runs.find((run) => run.features === 'sups')).to.include({ from: 12, to: 14 });
  });

  it('finds another face for a character, and reports one that no face has', () => {
    const hebrew = styleParagraph('d1', p('a שלום b'), sheet.get('TX')!, context);
    expect(hebrew.runs.map((run) => run.face.split('/')[0])).to.include('frank-ruhl-libre');
    const none = styleParagraph('d1', p('a \u{1F9FF}\u{13000} b'), sheet.get('TX')!, context);
    expect(none.missing).to.deep.equal([0x13000]);
    expect(none.runs.every((run) => run.to > run.from)).to.equal(true);
  });

  it('shapes again when text, face, feature or language change, and for no size', () => {
    const keyOf = (spec: Spec) =>
      styleParagraph('d1', p('text'), sheetOf(spec).get('TX')!, { ...context, spec }).shapeKey;
    expect(keyOf(withText({ size: { pt: 13, unit: 'pt' } }))).to.equal(keyOf(NOVEL_SPEC));
    expect(keyOf(withText({ face: 'spectral' }))).to.not.equal(keyOf(NOVEL_SPEC));
  });
});

describe('first paragraphs', () => {
  it('are derived from what stands before, empty paragraphs left out', () => {
    const blocks = [
      p('T', 'CT'),
      p(''),
      p('a'),
      p('b'),
      p('* * *', 'SBO'),
      p('c'),
      p('d', 'EXT'),
      p('e'),
      p('d', 'EXT'),
      p('E'),
    ];
    expect(blocks.map((_, k) => effectiveTag(blocks, k, NOVEL_SPEC.styles))).to.deep.equal([
      'CT',
      'TX',
      'TXF',
      'TX',
      'SBO',
      'TXF',
      'EXT',
      // A small letter goes on in the sentence; a capital begins a paragraph.
      'TXC',
      'EXT',
      'TX',
    ]);
    expect(effectiveTag([p('a')], 0, NOVEL_SPEC.styles)).to.equal('TXF');
  });
});
