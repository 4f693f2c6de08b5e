import { expect } from 'chai';
import { applyEdits, setSpecEdit, setTouchesEdit } from '../../../src/core/edit';
import type { Book } from '../../../src/core/model/copy/book';
import type { BookEdit } from '../../../src/core/model/copy/bookEdit';
import type { Paragraph } from '../../../src/core/model/copy/streams';
import { takeTrial, trialPages, tryEdits, type TypesetContext } from '../../../src/core/typeset';
import { compose, drain, newContext } from '../../build/assets';
import { essence } from '../../build/essence';
import { book, chapter, division, note, p, seeded, words } from '../../build/book';

/** Two chapters with notes, listed in the contents, so that a trial moves folios and what repeats them. */
function start(): Book {
  const text = (seed: number) => Array.from({ length: 8 }, (_, k) => words(50 + ((seed + k) % 4) * 30, seed * 20 + k));
  const contents = division('contents', [p('Contents', 'TOH')]);
  return book(
    [contents, chapter('Alpha', ...text(1), 'A line with a note.{1}'), chapter('Beta', ...text(2))],
    [note(1, words(30, 9))],
  );
}

/** A random act on the copy or the spec. */
function act(from: Book, random: () => number): BookEdit[] {
  const own = from.divisions[1 + Math.floor(random() * 2)];
  const at = 1 + Math.floor(random() * (own.blocks.length - 1));
  const block = own.blocks[at] as Paragraph;
  const replace = (inserted: Paragraph[]): BookEdit => ({
    kind: 'replaceBlocks',
    stream: own.id,
    at,
    removed: [block],
    inserted,
  });
  switch (Math.floor(random() * 5)) {
    case 0:
      return [replace([{ ...block, text: `${words(12, at)} ${block.text}`, objects: [], spans: [] }])];
    case 1:
      return own.blocks.length > 4 ? [replace([])] : [];
    case 2: {
      const edit = setTouchesEdit(from, own.id, block.id, { lines: random() < 0.5 ? 1 : -1 });
      return edit === null ? [] : [edit];
    }
    case 3:
      return [setSpecEdit(from, ['text', 'size'], { pt: 10 + random() * 3, unit: 'pt' })];
    default:
      return [replace([block, p(words(120, Math.floor(random() * 99)))])];
  }
}

const countsOf = ({ cache }: TypesetContext) => [
  cache.shapedCount,
  cache.brokenCount,
  cache.pagedCount,
  cache.visitedCount,
];

/** What a compose of `next` costs in a context. */
function cost(next: Book, context: TypesetContext): number[] {
  const before = countsOf(context);
  compose(next, context);
  return countsOf(context).map((count, k) => count - before[k]);
}

describe('a trial', () => {
  it('that is dropped leaves the pages, and what the next edit costs, as they were', () => {
    const random = seeded(20261130);
    let now = start();
    for (let round = 0; round < 8; round += 1) {
      const [context, untouched] = [newContext(), newContext()];
      const composed = compose(now, context);
      compose(now, untouched);
      const before = countsOf(context);
      for (let k = 0; k < 3; k += 1) drain(tryEdits({ book: now, composed, context }, act(now, random)));
      expect(countsOf(context)).to.deep.equal(before);
      expect(essence(compose(now, context))).to.deep.equal(essence(composed));
      const next = applyEdits(now, act(now, random));
      expect(cost(next, context), `round ${round}`).to.deep.equal(cost(next, untouched));
      expect(essence(compose(next, context))).to.deep.equal(essence(compose(next)));
      now = next;
    }
  });

  it('says what differs: the pages that change, where all is in step again, findings gained and lost', () => {
    const random = seeded(7);
    let now = start();
    for (let round = 0; round < 12; round += 1) {
      const context = newContext();
      const composed = compose(now, context);
      const edits = act(now, random);
      const trial = drain(tryEdits({ book: now, composed, context }, edits));
      const after = compose(applyEdits(now, edits));
      expect(essence(trial.composed)).to.deep.equal(essence(after));
      expect(trial.composed.findings).to.deep.equal(after.findings);
      // What was lost and gained makes the findings of one those of the other.
      const said = (findings: readonly { message: string }[]) => findings.map(({ message }) => message);
      const left = said(composed.findings);
      for (const message of said(trial.lost)) left.splice(left.indexOf(message), 1);
      expect([...left, ...said(trial.gained)].sort()).to.deep.equal(said(after.findings).sort());
      if (edits.length === 0) expect(trial.changed).to.deep.equal([]);
      const { changed, inStepFrom } = trial;
      expect(inStepFrom).to.equal(
        changed.length === 0 ? 0 : changed.at(-1) === after.pages.length - 1 ? null : changed.at(-1)! + 1,
      );
      const lists = trialPages(trial, 3);
      expect(lists.map(({ page }) => page)).to.deep.equal(changed.slice(0, 3));
      for (const { page, list } of lists) expect(list.items.length, `page ${page}`).to.be.above(0);
      now = applyEdits(now, edits);
    }
  });

  it('that is taken is not composed again', () => {
    const made = start();
    const context = newContext();
    const composed = compose(made, context);
    const [, alpha] = made.divisions;
    const block = alpha.blocks[3] as Paragraph;
    const inserted = [{ ...block, text: `${words(70, 5)} ${block.text}` }];
    const edit: BookEdit = { kind: 'replaceBlocks', stream: alpha.id, at: 3, removed: [block], inserted };
    const trial = drain(tryEdits({ book: made, composed, context }, [edit]));
    takeTrial(trial, context);
    const [shaped, broken, paged] = cost(applyEdits(made, [edit]), context);
    expect([shaped, broken, paged]).to.deep.equal([0, 0, 0]);
    expect(essence(compose(trial.book, context))).to.deep.equal(essence(compose(trial.book)));
  });
});
