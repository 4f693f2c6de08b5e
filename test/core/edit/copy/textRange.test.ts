import { expect } from 'chai';
import fc from 'fast-check';
import { applyEdits, invertEdits, rangeCharacterEdits, replaceRangeEdits } from '../../../../src/core/edit';
import type { Paragraph } from '../../../../src/core/model/copy/streams';
import { partsOfRange } from '../../../../src/core/copy/textRange';
import { checkBook } from '../../../../src/core/validate';
import { book, chapter, note, p } from '../../../build/book';

const made = () =>
  book(
    [{ ...chapter('One'), blocks: [p('A *first*{1} one.'), p('Second.', 'EXT'), p(''), p('*All of it.*{2}')] }],
    [note(1, 'Noted.'), note(2, 'Kept.')],
  );

/** The text of a division with a mark at each paragraph's end: what a person sees as one run of characters. */
const runOf = (blocks: readonly Paragraph[]) => blocks.map(({ text }) => text).join('\n');

const places = fc.tuple(fc.nat(3), fc.nat(20));
const paragraphs = (of: ReturnType<typeof made>) => of.divisions[0].blocks as Paragraph[];

function range(of: ReturnType<typeof made>, ends: readonly (readonly [number, number])[]) {
  const blocks = paragraphs(of);
  const [anchor, head] = ends.map(([k, offset]) => ({
    block: blocks[k].id,
    offset: Math.min(offset, blocks[k].text.length),
  }));
  const place = (end: typeof anchor) =>
    runOf(
      blocks.slice(
        0,
        blocks.findIndex(({ id }) => id === end.block),
      ),
    ).length +
    (end.block === blocks[0].id ? 0 : 1) +
    end.offset;
  const [from, to] = [place(anchor), place(head)].sort((a, b) => a - b);
  return { selection: { stream: of.divisions[0].id, anchor, head }, from, to };
}

describe('a stretch of text over many paragraphs', () => {
  it('is replaced by what is typed: what stood before and after it stays, its notes go, undo brings all back', () => {
    fc.assert(
      fc.property(places, places, fc.constantFrom('', 'x', 'new words'), (a, b, text) => {
        const before = made();
        const { selection, from, to } = range(before, [a, b]);
        const run = runOf(paragraphs(before));
        const { edits, caret } = replaceRangeEdits(before, selection, text)!;
        const after = applyEdits(before, edits);
        const wanted = run.slice(0, from) + text + run.slice(to);
        const parts = partsOfRange(paragraphs(before), selection);
        const isWhole = text === '' && parts.every((part) => part.isWhole);
        const is = runOf(paragraphs(after));
        if (isWhole) expect(is.replaceAll('\n', '')).to.equal(wanted.replaceAll('\n', ''));
        else expect(is).to.equal(wanted);
        expect(checkBook(after)).to.deep.equal(after);
        for (const id of ['n1', 'n2']) {
          const isReferred = paragraphs(after).some(({ objects }) =>
            objects.some((object) => object.kind === 'note' && object.note === id),
          );
          expect(id in after.notes).to.equal(isReferred);
        }
        const at = paragraphs(after).find(({ id }) => id === caret.block)!;
        expect(caret.offset).to.be.at.most(at.text.length);
        if (text !== '') expect(at.text.slice(0, caret.offset).endsWith(text)).to.equal(true);
        expect(applyEdits(after, invertEdits(edits))).to.deep.equal(before);
      }),
      { numRuns: 400 },
    );
  });

  it('keeps the style of the paragraph it begins in, and that of the last when nothing of the first is left', () => {
    const before = made();
    const { selection } = range(before, [
      [1, 3],
      [3, 4],
    ]);
    const one = paragraphs(applyEdits(before, replaceRangeEdits(before, selection, '')!.edits));
    expect(one[1]).to.include({ style: 'EXT', text: 'Secof it.\uFFFC' });
    const { selection: atStart } = range(before, [
      [1, 0],
      [3, 4],
    ]);
    const two = paragraphs(applyEdits(before, replaceRangeEdits(before, atStart, '')!.edits));
    expect(two[1]).to.include({ style: 'TX', text: 'of it.\uFFFC' });
  });

  it('takes whole paragraphs away as a whole, and leaves an empty one of a whole division', () => {
    const before = made();
    const two = range(before, [
      [0, 0],
      [1, 99],
    ]);
    const after = applyEdits(before, replaceRangeEdits(before, two.selection, '')!.edits);
    expect(paragraphs(after)).to.deep.equal(paragraphs(before).slice(2));
    const all = range(before, [
      [3, 99],
      [0, 0],
    ]);
    const empty = applyEdits(before, replaceRangeEdits(before, all.selection, '')!.edits);
    expect(paragraphs(empty).map(({ text }) => text)).to.deep.equal(['']);
    expect(empty.notes).to.deep.equal({});
    const gone = { ...all.selection, head: { block: 'p0', offset: 0 } };
    expect(replaceRangeEdits(before, gone, '')).to.equal(null);
  });

  it('is set in a character style and taken out of it again, letter for letter, other looks kept', () => {
    fc.assert(
      fc.property(places, places, (a, b) => {
        const before = made();
        const { selection } = range(before, [a, b]);
        const edits = rangeCharacterEdits(before, selection, 'sc');
        const after = applyEdits(before, edits);
        const parts = partsOfRange(paragraphs(before), selection);
        paragraphs(after).forEach((block, k) => {
          const part = parts.find((one) => one.block.id === block.id);
          for (let at = 0; at < block.text.length; at += 1) {
            const look = (of: Paragraph) => of.spans.find((span) => span.from <= at && span.to > at);
            const isIn = part !== undefined && at >= part.from && at < part.to;
            expect(look(block)?.style).to.equal(isIn ? 'sc' : undefined);
            expect(look(block)?.touches).to.deep.equal(look(paragraphs(before)[k])?.touches);
          }
        });
        expect(applyEdits(after, rangeCharacterEdits(after, selection, null))).to.deep.equal(before);
        expect(applyEdits(after, invertEdits(edits))).to.deep.equal(before);
      }),
      { numRuns: 300 },
    );
  });
});
