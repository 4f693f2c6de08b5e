import { expect } from 'chai';
import fc from 'fast-check';
import { applyEdits, characterStyleEdits, invertEdits, removeBlocksEdits } from '../../../src/core/edit';
import type { Paragraph } from '../../../src/core/model/streams';
import { book, chapter, note, p } from '../../build/book';

const made = () =>
  book(
    [{ ...chapter('One'), blocks: [p('A *first*{1} one.'), p('Second.'), p(''), p('*All of it.*{2}')] }],
    [note(1, 'Noted.'), note(2, 'Kept.')],
  );

describe('edits of whole paragraphs', () => {
  it('take paragraphs away with their notes, and leave an empty one of a whole division', () => {
    const before = made();
    const [{ id, blocks }] = before.divisions;
    const some = removeBlocksEdits(before, id, new Set([blocks[0].id, blocks[1].id]));
    const after = applyEdits(before, some);
    expect(after.divisions[0].blocks).to.deep.equal(blocks.slice(2));
    expect(Object.keys(after.notes)).to.deep.equal(['n2']);
    expect(applyEdits(after, invertEdits(some))).to.deep.equal(before);
    const all = applyEdits(before, removeBlocksEdits(before, id, new Set(blocks.map((block) => block.id))));
    expect(all.divisions[0].blocks.map((block) => (block as Paragraph).text)).to.deep.equal(['']);
    expect(all.notes).to.deep.equal({});
    expect(removeBlocksEdits(before, id, new Set(['p0']))).to.deep.equal([]);
  });

  it('set all their text in a character style and take it off again, other looks kept', () => {
    const before = made();
    const [{ id, blocks }] = before.divisions;
    const picks = fc.subarray(blocks.map((block) => block.id));
    fc.assert(
      fc.property(picks, (ids) => {
        const chosen = new Set(ids);
        const edits = characterStyleEdits(before, id, chosen, 'sc');
        const after = applyEdits(before, edits);
        after.divisions[0].blocks.forEach((block, k) => {
          const { spans, text } = block as Paragraph;
          if (!chosen.has(block.id)) {
            expect(block).to.equal(blocks[k]);
            return;
          }
          const covered = spans.filter((span) => span.style === 'sc').reduce((sum, { from, to }) => sum + to - from, 0);
          expect(covered).to.equal(text.length);
          const italic = (list: Paragraph['spans']) =>
            list.filter((span) => span.touches?.italic).map(({ from, to }) => [from, to]);
          expect(italic(spans)).to.deep.equal(italic((blocks[k] as Paragraph).spans));
        });
        expect(applyEdits(after, characterStyleEdits(after, id, chosen, null))).to.deep.equal(before);
        expect(applyEdits(after, invertEdits(edits))).to.deep.equal(before);
      }),
    );
  });
});
