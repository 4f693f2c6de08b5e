import { expect } from 'chai';
import type { Spec } from '../../../src/core/model/spec/spec';
import { NOVEL_SPEC } from '../../../src/core/defaults/novelSpec';
import { compose } from '../../build/assets';
import { book, division, p, words } from '../../build/book';

/** The spec with a style of a person's own, based on one of an opener's parts. */
const withStyle = (tag: string, basedOn: string): Spec => ({
  ...NOVEL_SPEC,
  styles: { ...NOVEL_SPEC.styles, [tag]: { name: 'Of my own', basedOn, italic: true } },
});

describe('the parts of an opener', () => {
  /** Distance of the first line of text from the head of its page, in points. */
  const textStart = (spec: Spec, ...parts: readonly (readonly [string, string])[]) => {
    const made = book([division('chapter', [...parts.map(([tag, text]) => p(text, tag)), p(words(200))])], [], spec);
    const { fragments } = compose(made).pages[0];
    return fragments.find(({ paragraph }) => paragraph.styled.style.tag === 'TXF')?.y;
  };

  it('are known by what their styles mean: one that a person made stands in the head too', () => {
    const plain = textStart(NOVEL_SPEC, ['CT', 'One'], ['CST', 'In which nothing is said']);
    expect(plain).to.not.equal(undefined);
    expect(textStart(withStyle('QQ', 'CST'), ['CT', 'One'], ['QQ', 'In which nothing is said'])).to.equal(plain);
    expect(textStart(withStyle('QQ', 'CN'), ['QQ', 'The first'], ['CT', 'One'])).to.equal(
      textStart(NOVEL_SPEC, ['CN', 'The first'], ['CT', 'One']),
    );
  });

  it('with a number of a style of its own give the title no second one', () => {
    const number = {
      numerals: 'arabic',
      before: 'Chapter ',
      after: '',
      place: 'ownLine',
      gap: 1,
      style: null,
      whole: false,
    };
    const spec = withStyle('QQ', 'CN');
    const numbered = {
      ...spec,
      styles: { ...spec.styles, CT: { ...spec.styles.CT, number: { ...number, restart: 'never' } } },
    } as unknown as Spec;
    const said = (tag: string) =>
      compose(book([division('chapter', [p('The first', tag), p('One', 'CT'), p(words(60))])], [], numbered))
        .pages[0].fragments.map(({ paragraph }) => paragraph.styled.text)
        .filter((text) => text.startsWith('Chapter'));
    expect(said('QQ')).to.deep.equal([]);
    expect(said('EXT')).to.deep.equal(['Chapter 1']);
  });
});
