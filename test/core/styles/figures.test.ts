// Which figures are set where (house rules, section 5), on the runs of styled paragraphs.
import { expect } from 'chai';
import { NOVEL_SPEC } from '../../../src/core/defaults/novelSpec';
import { resolveStyles, StyleInterner, styleParagraph, type StyleContext } from '../../../src/core/styles';
import type { PutBefore } from '../../../src/core/styles/styleParagraph';
import { faceTable } from '../../build/assets';
import { p } from '../../build/book';

const sheet = resolveStyles(NOVEL_SPEC, 'en', () => 0.25, new StyleInterner());
const context: StyleContext = {
  spec: NOVEL_SPEC,
  faces: faceTable,
  fieldText: () => '',
  noteReference: (note) => ({ text: note.slice(1), position: 'superior' }),
  referenceText: () => '',
};
const set = (text: string, tag: string, before?: PutBefore) =>
  styleParagraph('d1', p(text, tag), sheet.get(tag)!, context, before);
const featuresOf = (text: string, tag: string, before?: PutBefore) =>
  set(text, tag, before).runs[0].features.split(',');

describe('figures', () => {
  it('are lining where a number stands alone', () => {
    for (const tag of ['CN', 'PN'])
      expect(featuresOf('Chapter 11', tag), tag).to.include('lnum').and.not.include('onum');
  });

  it('are as wide as each other in tables and contents', () => {
    for (const tag of ['TB', 'TOC', 'TOP']) expect(featuresOf('11', tag), tag).to.include.members(['lnum', 'tnum']);
  });

  it('are old-style in running text and in heads', () => {
    for (const tag of ['TX', 'EXT', 'NT', 'AH', 'TOH']) expect(featuresOf('In 1911', tag), tag).to.include('onum');
  });

  it('of the number before a note are lining and roman, whatever its words are', () => {
    const { runs } = set('*Ibid.* 12', 'NT', { prefix: '1.\u2002' });
    expect(runs[0]).to.include({ from: 0, to: 3 });
    expect(runs[0].features).to.include('lnum');
    expect(runs[0].face).to.not.match(/i$/);
    expect(runs[1].face).to.match(/i$/);
    expect(runs.at(-1)!.features).to.include('onum');
  });
});

describe('references side by side', () => {
  it('are parted by a raised comma that belongs to neither', () => {
    const { text, notes, runs } = set('have.{1}{2} And{3} so', 'TX');
    expect(text).to.equal('have.1,2 And3 so');
    expect(notes.map(({ at, to }) => text.slice(at, to))).to.deep.equal(['1', '2', '3']);
    const comma = runs.find(({ from, to }) => from <= 6 && to > 6)!;
    expect(comma.rise).to.be.above(2);
    expect(comma.size).to.be.below(9);
  });
});
