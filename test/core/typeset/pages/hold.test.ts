import { expect } from 'chai';
import type { Book } from '../../../../src/core/model/copy/book';
import type { Paragraph } from '../../../../src/core/model/copy/streams';
import { heldStarts, movedPages, otherLines, pageTableOf, tellMoved, typesetBook } from '../../../../src/core/typeset';
import { compose, drain, newContext, prepare } from '../../../build/assets';
import { book, chapter, words } from '../../../build/book';

const made = (texts: readonly string[]) => book([chapter('One', ...texts)]);
const texts = Array.from({ length: 80 }, (_, k) => words(50 + ((k * 37) % 90), k));

function composeHeld(earlier: Book, now: Book) {
  const pull = pageTableOf(compose(earlier));
  const context = prepare(newContext(), now);
  const held = heldStarts(earlier, pull, now);
  const composed = drain(typesetBook(now, context, held));
  const free = compose(now);
  const count = (runs: readonly (readonly [number, number])[]) =>
    runs.reduce((sum, [from, to]) => sum + to - from + 1, 0);
  return {
    moved: count(movedPages(earlier, pull, now, composed)),
    movedFree: count(movedPages(earlier, pull, now, free)),
    runs: movedPages(earlier, pull, now, composed),
    composed,
  };
}

describe('holding to a pull', () => {
  it('changes nothing where nothing was changed', () => {
    const { moved } = composeHeld(made(texts), made(texts));
    expect(moved).to.equal(0);
  });

  it('after an edit moves no more page starts than a free compose, and is in step again', () => {
    for (const at of [6, 25, 44]) {
      const edited = texts.map((text, k) => (k === at ? `${text} ${words(14, 900 + at)}` : text));
      const { moved, movedFree, runs, composed } = composeHeld(made(texts), made(edited));
      expect(moved).to.be.at.most(movedFree);
      expect(moved).to.be.at.most(5);
      for (const [, to] of runs) expect(to).to.be.below(composed.pages.length);
    }
  });

  it('finds paragraphs again by what they say, in another import', () => {
    const earlier = made(texts);
    const now = made(['A new one before all.', ...texts.slice(0, 30), ...texts.slice(31)]);
    const held = heldStarts(earlier, pageTableOf(compose(earlier)), now);
    const blocks = now.divisions.flatMap((division) => division.blocks as Paragraph[]);
    const total = [...held.values()].reduce((sum, offsets) => sum + offsets.length, 0);
    expect(total).to.be.above(8);
    expect([...held.keys()].sort()).to.deep.equal(blocks.map((block) => block.id).sort());
  });

  it('maps a page start behind an edit in its own paragraph, and drops one inside the edit', () => {
    const earlier = made([words(900, 1)]);
    const text = (earlier.divisions[0].blocks.at(-1) as Paragraph).text;
    const pull = pageTableOf(compose(earlier));
    const now = made([`${text.slice(0, 40)} wedged ${text.slice(40)}`]);
    const offsets = [...heldStarts(earlier, pull, now).values()].flat().filter((offset) => offset > 0);
    const old = [...heldStarts(earlier, pull, earlier).values()].flat().filter((offset) => offset > 0);
    expect(offsets).to.deep.equal(old.map((offset) => offset + ' wedged '.length));
  });

  it('is told by page numbers', () => {
    expect(tellMoved([])).to.equal('no page start changes');
    expect(tellMoved([[44, 46]])).to.equal('pages 45-47 change, in step again at 48');
    expect(tellMoved([[3, 3]])).to.equal('page 4 changes, in step again at 5');
  });

  it('tells pages whose lines end otherwise by their table alone', () => {
    const same = made(texts);
    const table = pageTableOf(compose(same));
    expect(otherLines(table, pageTableOf(compose(same)))).to.deep.equal([]);
    const [division] = same.divisions;
    const at = 40;
    const block = division.blocks[at] as Paragraph;
    const blocks = division.blocks.with(at, { ...block, text: `${block.text} ${words(30, 77)}` });
    const after = compose({ ...same, divisions: [{ ...division, blocks }] });
    const others = otherLines(table, pageTableOf(after));
    const first = after.pages.findIndex(({ fragments }) =>
      fragments.some(({ paragraph }) => paragraph.styled.block === block.id),
    );
    expect(Math.min(...others)).to.be.within(first - 2, first);
    expect(
      table.pages.every(({ lines, folio, start }) => /^[0-9a-f]{8}$/.test(lines) && folio !== '' && start !== null),
    ).to.equal(true);
  });
});
