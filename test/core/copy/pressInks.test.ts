import { expect } from 'chai';
import { pressInks } from '../../../src/core/copy/pressInks';
import type { Book } from '../../../src/core/model/copy/book';
import type { Spec } from '../../../src/core/model/spec/spec';
import { book, chapter, p, division } from '../../build/book';

const made = book([chapter('One', 'Text.'), division('chapter', [p('Two', 'CT'), p('A head', 'AH'), p('Text.')])]);
const LEAF = { colour: { kind: 'cmyk', c: 60, m: 10, y: 60, k: 20 }, press: 'cmyk' } as const;
const with_ = (change: (spec: Spec) => Partial<Spec>): Book => {
  const inks = { ...made.spec.inks, sets: { 'Black only': { ...made.spec.inks.sets['Black only'], Leaf: LEAF } } };
  const spec = { ...made.spec, inks };
  return { ...made, spec: { ...spec, ...change(spec) } };
};
const names = (of: Book) => pressInks(of).map(({ name, press }) => `${name} ${press}`);
const inLeaf = { ink: 'Leaf', tint: 100 };

describe('the inks of the press', () => {
  it('are black alone until something that is set has another', () => {
    expect(names(with_(() => ({})))).to.deep.equal(['Black k']);
    const unused = with_(({ styles }) => ({ styles: { ...styles, EXT: { ...styles.EXT, ink: inLeaf } } }));
    expect(names(unused)).to.deep.equal(['Black k']);
  });

  it('are those of heads, rules, furniture, character styles and single paragraphs', () => {
    const coloured: Book[] = [
      with_(({ styles }) => ({ styles: { ...styles, AH: { ...styles.AH, ink: inLeaf } } })),
      // AH takes from CT's colour only by its base.
      with_(({ styles }) => ({
        styles: { ...styles, BH: { ...styles.BH, ink: inLeaf }, AH: { ...styles.AH, basedOn: 'BH' } },
      })),
      with_(({ styles }) => ({
        styles: {
          ...styles,
          CT: { ...styles.CT, ruleBelow: { weight: 1, width: 'paragraph' as const, offset: 4, ink: inLeaf } },
        },
      })),
      with_(({ styles }) => ({ styles: { ...styles, RH: { ...styles.RH, ink: inLeaf } } })),
      with_(({ characterStyles, styles }) => ({
        characterStyles: { ...characterStyles, hot: { name: 'Hot', ink: inLeaf } },
        styles: { ...styles, TX: { ...styles.TX, spots: [{ pattern: 'Text', style: 'hot' }] } },
      })),
    ];
    for (const [at, one] of coloured.entries()) expect(names(one), `${at}`).to.deep.equal(['Black k', 'Leaf cmyk']);
    const plain = with_(() => ({}));
    const [first, ...rest] = plain.divisions;
    const blocks = first.blocks.map((block, k) => (k === 1 ? { ...block, touches: { look: { ink: inLeaf } } } : block));
    expect(names({ ...plain, divisions: [{ ...first, blocks } as typeof first, ...rest] })).to.include('Leaf cmyk');
  });

  it('leave out a name that the set lacks: it is set in black', () => {
    const gone = with_(({ styles }) => ({
      styles: { ...styles, AH: { ...styles.AH, ink: { ink: 'Gone', tint: 100 } } },
    }));
    expect(names(gone)).to.deep.equal(['Black k']);
  });
});
