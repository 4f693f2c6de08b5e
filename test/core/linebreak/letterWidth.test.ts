import { expect } from 'chai';
import fc from 'fast-check';
import { settlePlay } from '../../../src/core/linebreak/letterWidth';
import { stretchRatio } from '../../../src/core/linebreak/fitCosts';
import { compose } from '../../build/assets';
import { book, chapter, words } from '../../build/book';

const line = fc.record({
  gap: fc.double({ min: -8, max: 30, noNaN: true }),
  stretch: fc.double({ min: 4, max: 12, noNaN: true }),
  shrink: fc.double({ min: 2, max: 6, noNaN: true }),
  letters: fc.double({ min: 150, max: 260, noNaN: true }),
});

describe('letter-width tolerance', () => {
  it('stays within its limit, and never asks spaces to close beyond theirs', () => {
    fc.assert(
      fc.property(fc.array(line, { maxLength: 12 }), fc.double({ min: 0, max: 0.025, noNaN: true }), (raw, play) => {
        // Only lines that the search would accept: letters and spaces together can close far enough.
        const lines = raw.map((entry) => ({
          ...entry,
          gap: Math.max(entry.gap, -entry.shrink - play * entry.letters),
        }));
        const given = lines.map((entry) => ({ ...entry, room: play * entry.letters }));
        settlePlay(given, play).forEach((ratio, k) => {
          expect(Math.abs(ratio)).to.be.at.most(1 + 1e-6 + (play > 0.01 ? 1 : 0));
          expect(given[k].gap - ratio * given[k].room).to.be.at.least(-given[k].shrink - 1e-6);
        });
      }),
    );
  });

  it('keeps neighbouring lines within two percent of each other', () => {
    fc.assert(
      fc.property(fc.array(line, { minLength: 2, maxLength: 12 }), (raw) => {
        const lines = raw.map((entry) => ({
          ...entry,
          gap: Math.max(entry.gap, -entry.shrink - 0.02 * entry.letters),
          room: 0.02 * entry.letters,
        }));
        const scales = settlePlay(lines, 0.02).map((ratio) => 1 + 0.02 * ratio);
        for (let k = 1; k < scales.length; k += 1) expect(Math.abs(scales[k] - scales[k - 1])).to.be.at.most(0.0201);
      }),
    );
  });

  it('shares a gap between letters and spaces, and leaves to spaces what letters cannot take', () => {
    expect(stretchRatio(6, 8, 4)).to.equal(0.5);
    expect(stretchRatio(12, 8, 4)).to.equal(1);
    expect(stretchRatio(20, 8, 4)).to.equal(2);
    const [half] = settlePlay([{ gap: 6, stretch: 8, shrink: 4, room: 4 }], 0.02);
    expect(half).to.be.closeTo(0.5, 1e-9);
    expect([...settlePlay([{ gap: 6, stretch: 8, shrink: 4, room: 0 }], 0)]).to.deep.equal([0]);
  });

  it('touches running text and neither heads nor ragged setting', () => {
    const made = book([chapter('One', words(200, 3), words(150, 4))]);
    const scales = (text: object) =>
      compose({ ...made, spec: { ...made.spec, text: { ...made.spec.text, ...text } } }).pages.flatMap((page) =>
        page.fragments.flatMap(({ paragraph }) =>
          [...paragraph.broken.scale].map((scale) => [paragraph.styled.style.tag, scale] as const),
        ),
      );
    const justified = scales({});
    expect(justified.some(([, scale]) => Math.abs(scale - 1) > 0.002)).to.equal(true);
    expect(justified.filter(([tag]) => tag === 'CT').every(([, scale]) => scale === 1)).to.equal(true);
    expect(scales({ setting: 'ragged' }).every(([, scale]) => scale === 1)).to.equal(true);
    expect(scales({ letterWidth: 0 }).every(([, scale]) => scale === 1)).to.equal(true);
  });
});

describe('hanging punctuation', () => {
  const text = `${words(60, 8)} “${words(80, 9)}” ${words(60, 10)}`;
  const made = book([chapter('One', text)]);
  const lines = (strength: number) => {
    const spec = { ...made.spec, text: { ...made.spec.text, hangingPunctuation: strength } };
    const { broken, styled } = compose({ ...made, spec }).pages[0].fragments[1].paragraph;
    return Array.from({ length: broken.count }, (_, k) => ({
      x: broken.x[k],
      first: styled.text[broken.from[k]],
      width: broken.textWidth[k],
      measure: broken.width[k],
    }));
  };

  it('let an opening quote hang out at the left, and nothing when they are off', () => {
    const quoted = `“${words(90, 11)}`;
    const spec = made.spec;
    const { broken } = compose(book([chapter('One', quoted)], [], spec)).pages[0].fragments[1].paragraph;
    expect(broken.x[0]).to.be.within(-4, -1);
    for (const { x } of lines(0)) expect(x).to.equal(0);
  });

  it('move the edge of a line by at most a part of its last character', () => {
    for (const { width, measure, x } of lines(100).slice(0, -1)) {
      expect(width).to.be.closeTo(measure, 0.02);
      expect(x).to.be.within(-4, 0);
    }
  });
});
