import { expect } from 'chai';
import { atTint, cmykOf, cssOf, greyOf, rgbOf, setInk } from '../../../src/core/looks/setInk';
import { BLACK_INKS, PLAIN_TONE, type InkColour, type InksSpec } from '../../../src/core/model/spec/inks';

const tide: InkColour = { kind: 'cmyk', c: 80, m: 20, y: 0, k: 10 };

describe('inks as they are set', () => {
  it('black at full is plain black, whatever set it is of', () => {
    expect(setInk(BLACK_INKS, { ink: 'Black', tint: 100 })).to.equal(null);
    expect(setInk(BLACK_INKS, undefined)).to.equal(null);
    expect(setInk(BLACK_INKS, { ink: 'Gone', tint: 50 })).to.equal(null);
  });

  it('a tint is that share of each plate, or so much lighter', () => {
    expect(setInk(BLACK_INKS, { ink: 'Black', tint: 40 })).to.deep.equal({
      css: '#999999',
      space: 'grey',
      parts: [0.6],
    });
    expect(atTint(tide, 0.5)).to.deep.equal({ kind: 'cmyk', c: 40, m: 10, y: 0, k: 5 });
    expect(atTint({ kind: 'rgb', r: 55, g: 155, b: 255 }, 0.5)).to.deep.equal({ kind: 'rgb', r: 155, g: 205, b: 255 });
    expect(cssOf(atTint(tide, 0))).to.equal('#ffffff');
  });

  it('the press has it on the black plate, in four plates, or as it is', () => {
    const of = (press: 'k' | 'cmyk' | 'asis', colour: InkColour): InksSpec => ({
      set: 'S',
      sets: { S: { Ink: { colour, press } } },
      pictures: { press: 'asis', tone: PLAIN_TONE },
    });
    const rgb: InkColour = { kind: 'rgb', r: 255, g: 0, b: 0 };
    const parts = (press: 'k' | 'cmyk' | 'asis') => {
      const { space, parts: made } = setInk(of(press, rgb), { ink: 'Ink', tint: 100 })!;
      return [space, ...made];
    };
    expect(parts('k')).to.deep.equal(['grey', 0.2126]);
    expect(parts('cmyk')).to.deep.equal(['cmyk', 0, 1, 1, 0]);
    expect(parts('asis')).to.deep.equal(['rgb', 1, 0, 0]);
  });

  it('a colour taken to four plates and back looks the same', () => {
    for (const [r, g, b] of [
      [0, 0, 0],
      [255, 255, 255],
      [12, 200, 99],
      [200, 60, 20],
      [77, 77, 77],
    ]) {
      const back = rgbOf(cmykOf({ kind: 'rgb', r, g, b }));
      [r, g, b].forEach((value, k) => expect(back[k]).to.be.closeTo(value, 1e-6));
    }
    expect(greyOf({ kind: 'grey', k: 30 })).to.deep.equal({ kind: 'grey', k: 30 });
    expect((cmykOf({ kind: 'grey', k: 30 }) as { k: number }).k).to.equal(30);
  });
});
