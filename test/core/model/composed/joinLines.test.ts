import { expect } from 'chai';
import type { BrokenParagraph } from '../../../../src/core/model/composed/broken';
import { joinLines } from '../../../../src/core/model/composed/joinLines';

/** A setting of a text with three tabs, whose lines begin at some offsets. */
function setting(from: readonly number[], tabs: readonly number[]): BrokenParagraph {
  const made = {
    count: from.length,
    initial: 0,
    demerits: 1,
    from: Uint32Array.from(from),
    width: new Float32Array(from.length).fill(tabs[0]),
    end: new Uint8Array(from.length),
    tabs: { widths: Float32Array.from(tabs), leaders: tabs.map((tab) => `.${tab}`) },
  };
  return made as unknown as BrokenParagraph;
}

describe('lines of several settings put together', () => {
  const text = 'a\tb c\td e\tf';
  const wide = setting([0, 8], [10, 11, 12]);
  const narrow = setting([0, 4, 8], [20, 21, 22]);

  it('stand in order, each as its setting has it', () => {
    const joined = joinLines(text, [
      { broken: narrow, from: 0, to: 2 },
      { broken: wide, from: 1, to: 2 },
    ]);
    expect(joined.count).to.equal(3);
    expect([...joined.from]).to.deep.equal([0, 4, 8]);
    expect([...joined.width]).to.deep.equal([20, 20, 10]);
  });

  it('have the tabs of the lines in which these stand', () => {
    const joined = joinLines(text, [
      { broken: narrow, from: 0, to: 2 },
      { broken: wide, from: 1, to: 2 },
    ]);
    expect([...joined.tabs!.widths]).to.deep.equal([20, 21, 12]);
    expect(joined.tabs!.leaders).to.deep.equal(['.20', '.21', '.12']);
    expect(joinLines('plain', [{ broken: { ...wide, tabs: null }, from: 0, to: 2 }]).tabs).to.equal(null);
  });
});
