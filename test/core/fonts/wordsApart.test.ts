// Which rules of a face let its words be shaped one by one: each kind of rule by itself, in a font of nothing else.
import { expect } from 'chai';
import { wordsStandApart } from '../../../src/core/fonts/wordsApart';
import {
  classes,
  coverage,
  layoutFont,
  layoutTable,
  withParts,
  type LookupParts,
  type Words,
} from '../../build/layoutFont';

const SPACE = 3;
const [A, B, C] = [10, 11, 12];

const apart = (table: 'GSUB' | 'GPOS', lookups: readonly LookupParts[], feature = 'liga', asked = '') =>
  wordsStandApart(layoutFont({ [table]: layoutTable(feature, lookups) }), SPACE, asked);

const single = (...glyphs: number[]): Words => withParts(([cover]) => [1, cover, 1], [coverage(...glyphs)]);
/** A ligature of `first` and what follows it. */
const ligature = (first: number, ...rest: number[]): Words =>
  withParts(
    ([cover, set]) => [1, cover, 1, set],
    [coverage(first), withParts(([own]) => [1, own], [[50, rest.length + 1, ...rest]])],
  );
/** A chained rule of coverages; backtrack from the inside outwards. Names lookup 1 when it has one. */
const chained = (behind: Words[], input: Words[], ahead: Words[], names = false): Words =>
  withParts(
    (at) => [
      3,
      behind.length,
      ...at.slice(0, behind.length),
      input.length,
      ...at.slice(behind.length, behind.length + input.length),
      ahead.length,
      ...at.slice(behind.length + input.length),
      ...(names ? [1, 0, 1] : [0]),
    ],
    [...behind, ...input, ...ahead],
  );
/** A chained rule of classes: the space is class 1 behind and ahead, `input` are classes of the input after the first. */
const byClasses = (behind: Words, input: Words, ahead: Words): Words =>
  withParts(
    ([cover, back, middle, front, set]) => [2, cover, back, middle, front, 1, set],
    [
      coverage(A),
      classes([SPACE, SPACE, 1], [A, C, 2]),
      classes([SPACE, SPACE, 1], [A, C, 0]),
      classes([SPACE, SPACE, 1], [A, C, 2]),
      withParts(
        ([rule]) => [1, rule],
        [[behind.length, ...behind, input.length + 1, ...input, ahead.length, ...ahead, 0]],
      ),
    ],
  );
/** A rule of glyphs, without anything around: `first` and what follows. */
const byGlyphs = (first: number, ...rest: number[]): Words =>
  withParts(
    ([cover, set]) => [1, cover, 1, set],
    [coverage(first), withParts(([rule]) => [1, rule], [[rest.length + 1, 0, ...rest]])],
  );
const pair = (first: number[], secondFormat: number): Words =>
  withParts(([cover]) => [1, cover, 4, secondFormat, 0], [coverage(...first)]);

describe('which rules let words stand apart', () => {
  const cover = (...glyphs: number[]) => coverage(...glyphs);

  it('substitutions that leave the space alone', () => {
    expect(apart('GSUB', [{ type: 1, subtables: [single(A, B)] }])).to.equal(true);
    expect(apart('GSUB', [{ type: 1, subtables: [single(SPACE, A)] }])).to.equal(false);
    expect(apart('GSUB', [{ type: 2, subtables: [single(SPACE)] }])).to.equal(false);
    expect(apart('GSUB', [{ type: 4, subtables: [ligature(A, B, C)] }])).to.equal(true);
    expect(apart('GSUB', [{ type: 4, subtables: [ligature(A, SPACE, C)] }])).to.equal(false);
    expect(apart('GSUB', [{ type: 4, subtables: [ligature(SPACE, A)] }])).to.equal(false);
  });

  it('contexts that meet the space as their outermost glyph', () => {
    const rule = (behind: Words[], input: Words[], ahead: Words[]) => [
      { type: 6, subtables: [chained(behind, input, ahead)] },
    ];
    expect(apart('GSUB', rule([cover(SPACE)], [cover(A)], [cover(SPACE)]))).to.equal(true);
    expect(apart('GSUB', rule([cover(B), cover(SPACE)], [cover(A)], []))).to.equal(true);
    expect(apart('GSUB', rule([cover(SPACE), cover(B)], [cover(A)], []))).to.equal(false);
    expect(apart('GSUB', rule([], [cover(A)], [cover(SPACE), cover(B)]))).to.equal(false);
    expect(apart('GSUB', rule([], [cover(A), cover(SPACE, B)], []))).to.equal(false);
    expect(apart('GPOS', [{ type: 8, subtables: [chained([cover(SPACE), cover(B)], [cover(A)], [])] }])).to.equal(
      false,
    );
  });

  it('contexts of classes, the class of the space among them', () => {
    const rule = (behind: Words, input: Words, ahead: Words) => [
      { type: 6, subtables: [byClasses(behind, input, ahead)] },
    ];
    expect(apart('GSUB', rule([2, 1], [], [2, 1]))).to.equal(true);
    expect(apart('GSUB', rule([1, 2], [], []))).to.equal(false);
    expect(apart('GSUB', rule([], [], [1, 2]))).to.equal(false);
    expect(apart('GSUB', rule([], [0, 0], []))).to.equal(true);
    expect(apart('GSUB', rule([], [1], []))).to.equal(false);
  });

  it('rules of glyphs without the space', () => {
    expect(apart('GSUB', [{ type: 5, subtables: [byGlyphs(A, B, C)] }])).to.equal(true);
    expect(apart('GSUB', [{ type: 5, subtables: [byGlyphs(A, SPACE, C)] }])).to.equal(false);
    expect(apart('GSUB', [{ type: 5, subtables: [byGlyphs(SPACE, C)] }])).to.equal(false);
  });

  it('lookups that contexts name, though no feature has them', () => {
    const names = { type: 6, subtables: [chained([], [cover(A)], [], true)] };
    expect(apart('GSUB', [names, { type: 1, subtables: [single(B)] }])).to.equal(true);
    expect(apart('GSUB', [names, { type: 1, subtables: [single(SPACE)] }])).to.equal(false);
    // A lookup that nothing has and nothing names is never applied.
    const plain = { type: 6, subtables: [chained([], [cover(A)], [])] };
    expect(apart('GSUB', [plain, { type: 1, subtables: [single(SPACE)] }])).to.equal(true);
  });

  it('features in use only, whatever is taken away from them', () => {
    const frac = [{ type: 1, subtables: [single(SPACE)] }];
    expect(apart('GSUB', frac, 'frac', 'onum,pnum')).to.equal(true);
    expect(apart('GSUB', frac, 'frac', 'onum,frac')).to.equal(false);
    expect(apart('GSUB', frac, 'liga', '-liga')).to.equal(false);
  });

  it('pairs that move their first glyph, and no second one beside a space', () => {
    expect(apart('GPOS', [{ type: 2, subtables: [pair([A, SPACE], 0)] }], 'kern')).to.equal(true);
    expect(apart('GPOS', [{ type: 2, subtables: [pair([A], 4)] }], 'kern')).to.equal(true);
    expect(apart('GPOS', [{ type: 2, subtables: [pair([A], 4), pair([SPACE], 0)] }], 'kern')).to.equal(false);
    expect(apart('GPOS', [{ type: 3, subtables: [single(SPACE)] }], 'curs')).to.equal(false);
  });

  it('no lookup that passes over the space', () => {
    const IGNORE_BASE = 2;
    expect(apart('GSUB', [{ type: 4, flag: IGNORE_BASE, subtables: [ligature(A, B)] }])).to.equal(false);
    const font = (spaceClass: number) =>
      layoutFont({
        GSUB: layoutTable('liga', [{ type: 4, flag: IGNORE_BASE, subtables: [ligature(A, B)] }]),
        GDEF: withParts(([at]) => [1, 0, at, 0, 0, 0], [classes([SPACE, SPACE, spaceClass])]),
      });
    expect(wordsStandApart(font(0), SPACE, '')).to.equal(true);
    expect(wordsStandApart(font(1), SPACE, '')).to.equal(false);
    expect(wordsStandApart(font(3), SPACE, '')).to.equal(false);
  });

  it('neither a file without layout nor one with rules of Apple’s or a font that varies', () => {
    expect(wordsStandApart(layoutFont({}), SPACE, '')).to.equal(true);
    expect(wordsStandApart(layoutFont({ morx: [0, 0] }), SPACE, '')).to.equal(false);
    expect(wordsStandApart(layoutFont({ kern: [0, 0] }), SPACE, '')).to.equal(false);
    const table = [...layoutTable('liga', [])];
    expect(wordsStandApart(layoutFont({ GSUB: [1, 1, ...table.slice(2, 5), 0, 40] }), SPACE, '')).to.equal(false);
  });

  it('rules behind an extension as those before it', () => {
    const extended = (inner: Words, type: number): Words => [1, type, 0, 8, ...inner];
    expect(apart('GSUB', [{ type: 7, subtables: [extended(single(A), 1)] }])).to.equal(true);
    expect(apart('GSUB', [{ type: 7, subtables: [extended(single(SPACE), 1)] }])).to.equal(false);
    expect(apart('GPOS', [{ type: 9, subtables: [extended(pair([SPACE], 4), 2)] }], 'kern')).to.equal(false);
  });
});
