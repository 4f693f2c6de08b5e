import { expect } from 'chai';
import { tabsInWords, tabsOf } from '../../../src/core/looks/tabsText';

describe('tabs as a person writes them', () => {
  it('are read in any unit, sorted from the edge, the end last', () => {
    expect(tabsOf('end right ., 1in centre, 36pt')).to.deep.equal([
      { at: 36, kind: 'left' },
      { at: 72, kind: 'centre' },
      { at: 'end', kind: 'right', leader: '.' },
    ]);
    expect(tabsOf('')).to.deep.equal([]);
    expect(tabsOf('20mm decimal')).to.deep.equal([{ at: (20 * 72) / 25.4, kind: 'decimal' }]);
  });

  it('say what is wrong', () => {
    expect(tabsOf('36pt middle')).to.match(/“middle” is no kind of tab/);
    expect(tabsOf('far left')).to.match(/“far” is not a length/);
  });

  it('come back from their words', () => {
    const tabs = [
      { at: 36.5, kind: 'left' },
      { at: 'end', kind: 'right', leader: '. ' },
    ] as const;
    expect(tabsInWords([tabs[0], { ...tabs[1], leader: '.' }])).to.equal('36.5pt left, end right .');
    const given = [
      { at: 12, kind: 'decimal' as const },
      { at: 200, kind: 'centre' as const, leader: '-' },
    ];
    expect(tabsOf(tabsInWords(given))).to.deep.equal(given);
  });
});
