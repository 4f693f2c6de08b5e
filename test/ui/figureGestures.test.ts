// What a drag, a handle and an arrow key make of a figure.
import { expect } from 'chai';
import { FIGURE_LIMITS, PLAIN_AROUND, PLAIN_FIGURE, type FigureSetting } from '../../src/core/model/copy/figureSetting';
import type { Figure } from '../../src/core/model/copy/figures';
import {
  cropped,
  movedBeside,
  nudged,
  ovalContour,
  resized,
  withContour,
  withCorner,
  withCornerAfter,
  withoutCorner,
  withWhite,
  type FigureStand,
} from '../../src/ui/routes/pages/figureGestures';
import { factsOf, pngOf } from '../build/pictures';

const figure = (setting: Partial<FigureSetting> = {}): Figure => ({
  ...PLAIN_FIGURE,
  ...setting,
  id: 'f1',
  parts: [{ picture: factsOf(pngOf(40, 20)) }],
  caption: { id: 's1', blocks: [] },
  credit: { id: 's2', blocks: [] },
});

/** A column of 300 points from 50, the figure 100 wide at one of its edges. */
const stand = (edge: 'left' | 'right', isVerso: boolean): FigureStand => ({
  area: { x: edge === 'left' ? 50 : 250, y: 100, width: 100, height: 60 },
  column: { left: 50, width: 300 },
  leading: 12,
  isVerso,
});

describe('a figure moved by hand', () => {
  it('stands at the edge that it is nearer to, which changes with the side of its page where it did', () => {
    const beside = figure({ place: 'beside', around: PLAIN_AROUND });
    const moved = (edge: 'left' | 'right', isVerso: boolean, across: number, of = beside) => {
      const { side, inset } = movedBeside(of, stand(edge, isVerso), across, 0).around!;
      return [side, inset];
    };
    expect(moved('right', false, -30)).to.deep.equal(['outer', 30]);
    expect(moved('right', false, 20)).to.deep.equal(['outer', -20]);
    expect(moved('right', false, -180)).to.deep.equal(['inner', 20]);
    expect(moved('left', true, 30)).to.deep.equal(['outer', 30]);
    expect(moved('left', true, 150)).to.deep.equal(['inner', 50]);
    const fixed = figure({ place: 'beside', around: { ...PLAIN_AROUND, side: 'right' } });
    expect(moved('right', false, -180, fixed)).to.deep.equal(['left', 20]);
  });

  it('begins whole lines later or earlier, never before its paragraph', () => {
    const beside = figure({ place: 'beside', around: { ...PLAIN_AROUND, from: 2 } });
    const from = (down: number) => movedBeside(beside, stand('right', false), 0, down).around!.from;
    expect([from(0), from(13), from(35), from(-13), from(-100)]).to.deep.equal([2, 3, 5, 1, 0]);
  });

  it('keeps within what can be set', () => {
    const beside = figure({ place: 'beside' });
    const far = movedBeside(beside, stand('right', false), 9e9, 9e9).around!;
    expect([far.inset, far.from]).to.deep.equal([FIGURE_LIMITS.inset[0], FIGURE_LIMITS.from[1]]);
    expect(withWhite(beside, 'beside', -5).around!.beside).to.equal(0);
    expect(withWhite(beside, 'below', 900).around!.below).to.equal(FIGURE_LIMITS.white[1]);
    expect(resized(beside, 1, null).width).to.equal(18);
    expect(cropped(beside, 0, { times: 1e9 }).parts[0].crop!.zoom).to.equal(FIGURE_LIMITS.zoom[1]);
  });

  it('is as wide as it is drawn by a corner, and changes the proportions of its frame by an edge', () => {
    expect(resized(figure(), 133.33, null))
      .to.include({ width: 133.3 })
      .and.to.not.have.property('frame');
    expect(resized(figure(), 100, 50).frame?.ratio).to.equal(0.5);
  });

  it('has its picture moved by shares of the frame, scaled, and turned within half a turn', () => {
    const once = cropped(figure(), 0, { across: 0.1, down: -0.2, times: 2, turn: 170 });
    expect(once.parts[0].crop).to.include({ across: 0.1, down: -0.2, zoom: 2, turn: 170 });
    expect(cropped(once, 0, { turn: 30 }).parts[0].crop!.turn).to.equal(-160);
  });

  it('goes by a point or a line with an arrow key, further with Shift; other keys are none of its', () => {
    const beside = figure({ place: 'beside' });
    const place = stand('right', false);
    expect(nudged(beside, place, 'ArrowLeft', false)?.around?.inset).to.equal(1);
    expect(nudged(beside, place, 'ArrowLeft', true)?.around?.inset).to.equal(10);
    expect(nudged(beside, place, 'ArrowDown', false)?.around?.from).to.equal(1);
    expect(nudged(beside, place, 'ArrowDown', true)?.around?.from).to.equal(5);
    expect(nudged(beside, place, 'x', false)).to.equal(null);
    expect(nudged(figure(), place, 'ArrowRight', false)?.width).to.equal(101);
    expect(nudged(figure(), place, 'ArrowDown', false)).to.equal(null);
  });

  it('has a contour whose corners are moved, added and taken away, never more or fewer than there may be', () => {
    const oval = ovalContour();
    for (const [x, y] of oval) expect((x - 0.5) ** 2 + (y - 0.5) ** 2).to.be.closeTo(0.25, 1e-2);
    const beside = withContour(figure({ place: 'beside' }), oval);
    expect(beside.around).to.include({ outline: true, contour: oval });
    const moved = withCorner(oval, 3, 0.1, -0.2);
    expect(moved[3]).to.deep.equal(
      [oval[3][0] + 0.1, oval[3][1] - 0.2].map((value) => Math.round(value * 1000) / 1000),
    );
    expect(moved.toSpliced(3, 1)).to.deep.equal(oval.toSpliced(3, 1));
    expect(withCorner(oval, 0, 90, -90)[0]).to.deep.equal([FIGURE_LIMITS.corner[1], FIGURE_LIMITS.corner[0]]);
    const more = withCornerAfter(oval, oval.length - 1);
    expect(more).to.have.length(oval.length + 1);
    expect(more[more.length - 1][0]).to.be.closeTo((oval[oval.length - 1][0] + oval[0][0]) / 2, 1e-3);
    expect(withoutCorner(more, more.length - 1)).to.deep.equal(oval);
    const three = oval.slice(0, 3);
    expect(withoutCorner(three, 1)).to.equal(three);
    const most = Array.from({ length: FIGURE_LIMITS.corners[1] }, () => [0, 0] as const);
    expect(withCornerAfter(most, 0)).to.equal(most);
  });
});
