import { expect } from 'chai';
import fc from 'fast-check';
import { applyEdits, invertEdits, restyleEdits } from '../../../src/core/edit';
import { offersOf, TIDY_JOBS, tidyBook } from '../../../src/core/tidy';
import type { Book } from '../../../src/core/model/copy/book';
import type { Block, Paragraph } from '../../../src/core/model/copy/streams';
import { drain } from '../../build/assets';
import { book, chapter, note, p, resetIds, seeded, words } from '../../build/book';

const dirty = (seed: number) => [
  `"${words(8, seed)}" -- he said ...`,
  '',
  words(20, seed + 1),
  `A  doubled  space and the the word, pages ${seed}-${seed + 9}`,
  '***',
  `   ${words(6, seed + 2)}  `,
];

const made = (seed = 3) => {
  // Ids of the table are fixed: those that are counted stay below them.
  resetIds();
  const table: Block = {
    kind: 'table',
    id: 'p900',
    style: 'TB',
    columns: 1,
    rows: [[{ id: 'c901', blocks: [{ ...p('"cell" -- end'), id: 'p902' }] }]],
  };
  const one = chapter('One', ...dirty(seed));
  return book(
    [{ ...one, blocks: [...one.blocks, table] }, chapter('Chapter Two', 'Chapter Three: The Weir', ...dirty(seed + 7))],
    [note(1, 'A "note" -- with dashes.')],
  );
};

describe('Tidy over a book', () => {
  it('offers only the jobs that the book needs, in their order, each with the places that it counts', () => {
    const offers = drain(offersOf(made()));
    const order = TIDY_JOBS.map((job) => job.id);
    const ids = offers.map((offer) => offer.id);
    expect(ids).to.deep.equal([...ids].sort((a, b) => order.indexOf(a) - order.indexOf(b)));
    expect(ids).to.include.members([
      'runs-of-spaces',
      'quotes',
      'dashes',
      'ellipses',
      'ranges',
      'doubled-words',
      'chapter-lines',
    ]);
    for (const { count, places } of offers) {
      expect(places).to.have.length(count);
      for (const { was, is } of places) expect(was === is && was === '').to.equal(false);
    }
    expect(drain(offersOf(book([chapter('One', 'Nothing to do here.')])))).to.deep.equal([]);
  });

  it('gives edits that touch only changed paragraphs, in divisions, cells and notes, and that undo takes back', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 40 }),
        fc.subarray(
          TIDY_JOBS.map((job) => job.id),
          { minLength: 1 },
        ),
        (seed, jobs) => {
          const before = made(seed);
          const { edits, changes } = drain(tidyBook(before, jobs));
          const after = applyEdits(before, edits);
          expect(applyEdits(after, invertEdits(edits))).to.deep.equal(before);
          expect(edits.length > 0).to.equal(changes.length > 0);
          for (const edit of edits)
            if (edit.kind === 'replaceBlocks')
              for (const block of edit.removed) expect(edit.inserted).to.not.include(block);
          const ids = after.divisions.flatMap((division) => division.blocks.map((block) => block.id));
          expect(new Set(ids).size).to.equal(ids.length);
        },
      ),
      { numRuns: 150 },
    );
  });

  it('tidies cells and notes with the rest', () => {
    const before = made();
    const after = applyEdits(before, drain(tidyBook(before, ['quotes', 'dashes'])).edits);
    const table = after.divisions[0].blocks.at(-1)!;
    if (table.kind !== 'table') throw new Error('no table');
    expect((table.rows[0][0].blocks[0] as Paragraph).text).to.equal('“cell” – end');
    expect((after.notes.n1.blocks[0] as Paragraph).text).to.equal('A “note” – with dashes.');
  });

  it('takes one place alone, and makes new ids from the book’s own counter', () => {
    const before = made();
    const quotes = drain(offersOf(before)).find((offer) => offer.id === 'quotes')!;
    const [place] = quotes.places;
    const one = drain(
      tidyBook(before, ['quotes'], (candidate) => candidate.block === place.block && candidate.at === place.at),
    );
    expect(one.changes).to.have.length(1);
    const split = drain(tidyBook(before, ['chapter-lines']));
    const after = applyEdits(before, split.edits);
    expect(after.nextId).to.equal(before.nextId + 1);
    expect(after.divisions[1].blocks.map((block) => (block as Paragraph).style).slice(0, 3)).to.deep.equal([
      'CT',
      'CN',
      'CT',
    ]);
  });

  it('never runs a job that only tells', () => {
    const before = book([chapter('One', 'in l9O4 at l0')]);
    expect(drain(offersOf(before)).map((offer) => offer.id)).to.deep.equal(['letters-for-figures']);
    expect(drain(tidyBook(before, ['letters-for-figures'])).edits).to.deep.equal([]);
  });
});

describe('giving paragraphs another style', () => {
  it('is one edit for each that is there and has another, and is undone', () => {
    const before = made();
    const blocks = before.divisions[0].blocks;
    const wanted = new Set([blocks[1].id, blocks[3].id, 'p902', 'p12345']);
    const edits = restyleEdits(before, wanted, 'EXT');
    expect(edits).to.have.length(3);
    const after = applyEdits(before, edits);
    expect(restyleEdits(after, wanted, 'EXT')).to.deep.equal([]);
    expect(after.divisions[0].blocks[2]).to.equal(blocks[2]);
    expect(applyEdits(after, invertEdits(edits))).to.deep.equal(before);
  });
});

describe('offers after an edit', () => {
  const TEXTS = [
    'He said “no.  “Yes”--she said',
    'the the boat',
    "don't...",
    'Plain words.',
    '',
    '  CHAPTER ONE',
    'see l2 p. 9-12',
  ];
  const random = seeded(98);
  const pick = () => TEXTS[Math.floor(random() * TEXTS.length)];

  it('are those of a book that was never looked through, whatever was changed, moved or taken out', () => {
    let now: Book = book([1, 2, 3].map((k) => chapter(`Chapter ${k}`, ...Array.from({ length: 5 }, pick))));
    for (let round = 0; round < 60; round += 1) {
      expect(drain(offersOf(now)), `round ${round}`).to.deep.equal(drain(offersOf(structuredClone(now))));
      const at = Math.floor(random() * now.divisions.length);
      const { blocks } = now.divisions[at];
      const k = Math.floor(random() * blocks.length);
      const old = blocks[k] as Paragraph;
      const changed = [
        [...blocks.slice(0, k), { ...old, text: pick() }, ...blocks.slice(k + 1)],
        [...blocks.slice(0, k), ...blocks.slice(k + 1)],
        [...blocks.slice(k), ...blocks.slice(0, k)],
        [...blocks, p(pick())],
      ][Math.floor(random() * 4)];
      const divisions = now.divisions.with(at, { ...now.divisions[at], blocks: changed });
      now = { ...now, divisions };
      if (round % 9 === 8)
        now = { ...now, particulars: { ...now.particulars, language: random() < 0.5 ? 'de' : 'en' } };
    }
  });
});
