// What a glyph stands for in a file: the first text said of it, whichever way it was said; another one needs its own words.
import { expect } from 'chai';
import fc from 'fast-check';
import type { FaceRecord } from '../../../src/core/model/spec/faces';
import { FontUse } from '../../../src/core/write/pdf/fontUse';

const face = { unitsPerEm: 2000 } as FaceRecord;
const made = (advance: (glyph: number) => number = () => 1000) => new FontUse('F1', face, advance);

describe('glyphs used of a face', () => {
  it('answer for one unit as for its text, over any row of both', () => {
    const said = fc.tuple(
      fc.oneof(fc.integer({ min: 0, max: 40 }), fc.integer({ min: 200, max: 65_000 })),
      fc.oneof(fc.string({ maxLength: 1, minLength: 1 }), fc.string({ maxLength: 3 })),
      fc.boolean(),
    );
    const property = fc.property(fc.array(said, { maxLength: 60 }), (list) => {
      const use = made();
      const first = new Map<number, string>();
      for (const [glyph, text, byUnit] of list) {
        const known = first.get(glyph);
        if (known === undefined) first.set(glyph, text);
        const isSame = known === undefined || known === text;
        const answer =
          byUnit && text.length === 1 ? use.noteUnit(glyph, text.charCodeAt(0)) : use.noteText(glyph, text);
        expect(answer, `glyph ${glyph} for “${text}”`).to.equal(isSame);
      }
    });
    fc.assert(property, { numRuns: 300 });
  });

  it('are those whose widths were asked, in thousandths of an em, each measured once', () => {
    const asked: number[] = [];
    const use = made((glyph) => {
      asked.push(glyph);
      return glyph + 1;
    });
    for (const glyph of [900, 3, 900, 0, 3, 65_000]) use.width(glyph);
    expect(asked).to.deep.equal([900, 3, 0, 65_000]);
    expect(use.glyphs).to.deep.equal([0, 3, 900, 65_000]);
    expect(use.width(900)).to.equal(450.5);
  });
});
