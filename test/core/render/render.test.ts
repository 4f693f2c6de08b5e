import { expect } from 'chai';
import { displayPage } from '../../../src/core/index';
import type { DisplayList } from '../../../src/core/model/composed/displayList';
import { OBJECT_CHARACTER, paragraph } from '../../../src/core/model/copy/streams';
import { LINE_END } from '../../../src/core/model/composed/broken';
import { columnLeft } from '../../../src/core/model/composed/pages';
import { compose, newContext } from '../../build/assets';
import { book, chapter, division, note, p, words } from '../../build/book';

const context = newContext();
const made = book(
  [
    chapter('Office', `${words(60, 3)} *italic words* and office waffles.`, `${words(120, 4)}{1} ${words(90, 5)}`),
    division('chapter', [
      p('Two', 'CT'),
      paragraph('p900', 'TX', `under ${OBJECT_CHARACTER}lined`, {
        objects: [{ at: 6, kind: 'break' }],
        spans: [{ from: 0, to: 5, touches: { underline: true } }],
      }),
    ]),
  ],
  [note(1, 'A note that says little.')],
);
const composed = compose(made, context);
const lists = composed.pages.map((page) => displayPage(composed, page.index, context));

const textOf = (list: DisplayList) => list.items.map((item) => item.text).join('|');

describe('the display list', () => {
  it('gives each glyph a place inside the page, left to right in its item', () => {
    for (const list of lists) {
      for (const item of list.items) {
        for (let k = item.first; k < item.first + item.count; k += 1) {
          expect(list.xs[k]).to.be.within(0, list.width);
          if (k > item.first) expect(list.xs[k]).to.be.at.least(list.xs[k - 1] - 1);
        }
        expect(item.endX).to.be.at.most(list.width);
        expect(item.y).to.be.within(0, list.height);
      }
    }
  });

  it('ends every full justified line at the right edge of the measure, or hangs its last mark over it', () => {
    for (const page of composed.pages) {
      const right = columnLeft(composed.geometry, page.side) + composed.geometry.measure;
      for (const { paragraph: set, from, to, y } of page.fragments) {
        if (set.styled.style.align !== 'justify') continue;
        for (let line = from; line < Math.min(to, set.broken.count - 1); line += 1) {
          if (set.broken.end[line] === LINE_END.forced) continue;
          const ends = lists[page.index].items
            .filter((item) => Math.abs(item.y - y - (line - from) * set.styled.style.leading) < 0.01)
            .map((item) => item.endX);
          expect(Math.max(...ends)).to.be.within(right - 0.05, right + 0.75 * set.styled.style.size);
        }
      }
    }
  });

  it('names the source of text, and tells furniture from it', () => {
    for (const list of lists) {
      for (const item of list.items) {
        expect(item.source === null).to.equal(item.artifact !== null);
        if (item.source === null) continue;
        const block = made.divisions
          .flatMap((entry) => entry.blocks)
          .concat(Object.values(made.notes).flatMap((entry) => entry.blocks))
          .find((entry) => entry.id === item.source!.block);
        expect(block, item.text).to.not.equal(undefined);
        for (let k = item.first; k < item.first + item.count; k += 1)
          expect(list.sourceOffsets[k]).to.be.at.most((block as { text: string }).text.length);
      }
    }
  });

  it('reads text, then notes, then furniture', () => {
    const list = lists.find((candidate) => candidate.items.some((item) => item.text.includes('A note')))!;
    const kinds = list.items.map((item) => (item.artifact !== null ? 2 : item.source!.meaning === 'note' ? 1 : 0));
    expect(kinds).to.deep.equal([...kinds].sort());
    expect(list.rules[0].y).to.be.below(list.items[kinds.indexOf(1)].y);
  });

  it('marks a hyphen that the line end brought, and keeps italics apart', () => {
    const all = lists.map(textOf).join('|');
    expect(all).to.include('italic words');
    const hyphens = lists.flatMap((list) => list.items.filter((item) => item.endsInHyphen));
    for (const item of hyphens) expect(item.text.endsWith('\u00AD')).to.equal(true);
  });

  it('draws a line under text, and breaks where a person broke', () => {
    const list = lists[lists.length - 1];
    expect(list.rules).to.have.length(1);
    const lines = list.items.filter((item) => item.source?.block === 'p900');
    expect(new Set(lines.map((item) => item.y)).size).to.equal(2);
  });

  it('packs arrays of one length', () => {
    for (const list of lists) {
      const lengths = [list.glyphs, list.xs, list.rises, list.charOffsets, list.sourceOffsets].map(
        (array) => array.length,
      );
      expect(new Set(lengths).size).to.equal(1);
      expect(list.items.reduce((sum, item) => sum + item.count, 0)).to.equal(lengths[0]);
    }
  });
});
