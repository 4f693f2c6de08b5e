import { expect } from 'chai';
import { numberHeads } from '../../../src/core/numbering/numberHeads';
import type { Division } from '../../../src/core/model/copy/book';
import { NOVEL_SPEC } from '../../../src/core/defaults/novelSpec';
import { PLAIN_SCHEME, type NumberScheme } from '../../../src/core/model/spec/numbering';
import type { Spec } from '../../../src/core/model/spec/spec';
import { division, p } from '../../build/book';

function withSchemes(schemes: Readonly<Record<string, Partial<NumberScheme>>>): Spec {
  const styles = { ...NOVEL_SPEC.styles };
  for (const [tag, scheme] of Object.entries(schemes))
    styles[tag] = { ...styles[tag], number: { ...PLAIN_SCHEME, ...scheme } };
  return { ...NOVEL_SPEC, styles };
}

/** The heads as `number title`, in order. */
function told(divisions: readonly Division[], spec: Spec): string[] {
  const numbers = numberHeads(divisions, spec);
  return divisions.flatMap(({ blocks }) =>
    blocks.flatMap((block) =>
      block.kind === 'paragraph' && /^(CT|PT|AH|BH)$/.test(block.style)
        ? [[numbers.get(block.id)?.text ?? '-', block.text].join(' ')]
        : [],
    ),
  );
}

const part = (title: string) => division('part', [p(title, 'PT')]);
const chapter = (title: string, ...heads: string[]) =>
  division('chapter', [p(title, 'CT'), ...heads.map((head) => p(head.slice(1), head[0] === 'A' ? 'AH' : 'BH'))]);

describe('numbers of heads', () => {
  it('are none without a scheme', () => {
    expect(numberHeads([chapter('One', 'Aa')], NOVEL_SPEC).size).to.equal(0);
  });

  it('go through the levels: 1, 1.1, 1.1.1', () => {
    const spec = withSchemes({
      CT: { restart: 'never' },
      AH: { whole: true },
      BH: { whole: true },
    });
    expect(told([chapter('Salt', 'Aa', 'Bb', 'Bc', 'Ad', 'Be'), chapter('Silt', 'Af')], spec)).to.deep.equal([
      '1 Salt',
      '1.1 a',
      '1.1.1 b',
      '1.1.2 c',
      '1.2 d',
      '1.2.1 e',
      '2 Silt',
      '2.1 f',
    ]);
  });

  it('of chapters go on over parts unless told, and parts count by themselves', () => {
    const book = [part('Up'), chapter('a'), chapter('b'), part('Down'), chapter('c')];
    const words = { PT: { before: 'Part ', numerals: 'words' as const, restart: 'never' as const } };
    expect(told(book, withSchemes({ ...words, CT: { restart: 'never' } }))).to.deep.equal([
      'Part One Up',
      '1 a',
      '2 b',
      'Part Two Down',
      '3 c',
    ]);
    expect(told(book, withSchemes({ ...words, CT: { restart: 'part' } }))).to.deep.equal([
      'Part One Up',
      '1 a',
      '2 b',
      'Part Two Down',
      '1 c',
    ]);
  });

  it('are letters in appendices, whose heads follow: A.1', () => {
    const spec = withSchemes({ CT: { before: 'Chapter ', restart: 'never' }, AH: { whole: true } });
    const appendix = (title: string) =>
      division('appendix', [p(title, 'CT'), p('Tables', 'AH')], { matter: 'back', listed: true });
    expect(told([chapter('x'), appendix('Tides'), appendix('Weeds')], spec)).to.deep.equal([
      'Chapter 1 x',
      'Appendix A Tides',
      'A.1 Tables',
      'Appendix B Weeds',
      'B.1 Tables',
    ]);
  });

  it('leave out what is not counted: other roles, exceptions, and numbers that were typed', () => {
    const spec = withSchemes({ CT: { restart: 'never' } });
    const prologue = division('prologue', [p('Before', 'CT')]);
    const exception = { ...chapter('Between') };
    const [head] = exception.blocks;
    const between = { ...exception, blocks: [{ ...head, touches: { unnumbered: true } }] } as Division;
    const typed = division('chapter', [p('Chapter Two', 'CN'), p('Typed', 'CT')]);
    expect(told([prologue, chapter('a'), between, typed, chapter('b')], spec)).to.deep.equal([
      '- Before',
      '1 a',
      '- Between',
      '- Typed',
      '3 b',
    ]);
  });

  it('end with styles that take from each other in a circle', () => {
    const styles = { ...NOVEL_SPEC.styles, CT: { name: 'x', basedOn: 'PT' }, PT: { name: 'y', basedOn: 'CT' } };
    expect(numberHeads([chapter('a')], { ...NOVEL_SPEC, styles }).size).to.equal(0);
  });
});
