import { expect } from 'chai';
import fc from 'fast-check';
import { applyEdits, editsBetweenBooks, invertEdits, replaceCopy } from '../../../../src/core/edit';
import { alignBlocks } from '../../../../src/core/edit/copy/align';
import { makeBook, readManuscript } from '../../../../src/core/import';
import type { Book } from '../../../../src/core/model/copy/book';
import type { Block, Paragraph } from '../../../../src/core/model/copy/streams';
import { drain } from '../../../build/assets';
import { book, chapter, note, p, words } from '../../../build/book';
import { factsOf, picture, pngOf } from '../../../build/pictures';

const read = (text: string): Book =>
  makeBook(drain(readManuscript('book.md', new TextEncoder().encode(text))), { bookId: 'b9', fileName: 'book.md' });

/** Length of a longest common subsequence, by trying everything. */
function bruteCommon(a: readonly string[], b: readonly string[]): number {
  if (a.length === 0 || b.length === 0) return 0;
  const skip = Math.max(bruteCommon(a.slice(1), b), bruteCommon(a, b.slice(1)));
  return a[0] === b[0] ? Math.max(skip, 1 + bruteCommon(a.slice(1), b.slice(1))) : skip;
}

const textOf = (block: Block) => (block as Paragraph).text;
const allText = (made: Book) => made.divisions.flatMap((division) => division.blocks.map(textOf));

describe('aligning two versions', () => {
  const one = fc.constantFrom('alpha', 'beta', 'gamma', 'delta');

  it('pairs as many equal texts as can be in order, as trying everything finds', () => {
    fc.assert(
      fc.property(fc.array(one, { maxLength: 7 }), fc.array(one, { maxLength: 7 }), (a, b) => {
        const pairs = alignBlocks(
          a.map((text) => p(text)),
          b.map((text) => p(text)),
        );
        expect(pairs.length).to.equal(bruteCommon(a, b));
        pairs.forEach(([i, j], k) => {
          expect(a[i]).to.equal(b[j]);
          if (k > 0) expect(i > pairs[k - 1][0] && j > pairs[k - 1][1]).to.equal(true);
        });
      }),
      { numRuns: 400 },
    );
  });

  it('pairs paragraphs in a gap that share at least half of their words', () => {
    const before = [p('Same one.'), p('The ferry left at nine from the landing.'), p('Same two.')];
    const after = [
      p('Same one.'),
      p('Quite another thing.'),
      p('The ferry left at ten from the landing.'),
      p('Same two.'),
    ];
    expect(alignBlocks(before, after)).to.deep.equal([
      [0, 0],
      [1, 2],
      [2, 3],
    ]);
    expect(alignBlocks([p('one two three four')], [p('one five six seven')])).to.deep.equal([]);
  });

  it('aligns long versions of which much was changed, moved and cut', () => {
    const before = Array.from({ length: 3000 }, (_, k) => p(words(12, k)));
    const after = before.flatMap((block, k) =>
      k % 50 === 7 ? [] : k % 31 === 3 ? [p(words(9, 90_000 + k)), block] : [block],
    );
    const pairs = alignBlocks(before, after);
    expect(pairs.length).to.be.at.least(2930);
    pairs.forEach(([i, j], k) => {
      expect(before[i].id).to.equal(after[j].id);
      if (k > 0) expect(j).to.be.above(pairs[k - 1][1]);
    });
  });
});

describe('edits from one book to another', () => {
  it('give the other book, and its inverses the first, for any divisions, blocks, notes and facts', () => {
    const pool = Array.from({ length: 6 }, (_, k) => chapter(`C${k}`, words(5, k), words(4, k + 50), words(3, k + 90)));
    const picks = fc.uniqueArray(fc.tuple(fc.nat(5), fc.nat(3), fc.boolean()), { selector: ([k]) => k, maxLength: 6 });
    const made = (list: readonly (readonly [number, number, boolean])[]): Book => {
      const divisions = list.map(([k, cut, isChanged]) => {
        const own = pool[k];
        const blocks = own.blocks.filter((_, at) => at !== cut);
        const changed = blocks.map((block, at) => (isChanged && at === 0 ? { ...block, style: 'EXT' } : block));
        return { ...own, listed: !isChanged, blocks: isChanged ? [...changed, p('More.')] : changed };
      });
      const base = book(
        divisions,
        list.map(([k]) => note(k + 1, `Note ${k}`)),
      );
      return { ...base, particulars: { ...base.particulars, title: `T${list.length}` } };
    };
    fc.assert(
      fc.property(picks, picks, (a, b) => {
        const [before, after] = [made(a), made(b)];
        const edits = editsBetweenBooks(before, after);
        const there = applyEdits(before, edits);
        expect(there).to.deep.equal(after);
        expect(applyEdits(there, invertEdits(edits))).to.deep.equal(before);
        expect(editsBetweenBooks(after, after)).to.deep.equal([]);
      }),
      { numRuns: 200 },
    );
  });
});

const FIRST = `# One

The ferry left at nine from the landing.[^1]

She counted the baskets twice and said so.

A song was sung.

[^1]: By the old clock.

# Two

The weir was low that year.

Nobody came.
`;

describe('a newer version of the copy', () => {
  /** The typesetter's book: a paragraph made an extract, one with a touch, another kept whole. */
  const set = (): Book => {
    const made = read(FIRST);
    const divisions = made.divisions.map((division) => ({
      ...division,
      blocks: division.blocks.map((block) => {
        if (block.kind !== 'paragraph') return block;
        if (block.text.startsWith('She counted')) return { ...block, style: 'EXT', touches: { lines: 1 as const } };
        return block.text.startsWith('Nobody') ? { ...block, touches: { together: true } } : block;
      }),
    }));
    return { ...made, divisions };
  };
  const find = (made: Book, start: string) =>
    made.divisions.flatMap((division) => division.blocks).find((block) => textOf(block).startsWith(start)) as Paragraph;

  it('is the same book when nothing was changed', () => {
    const before = set();
    const { book: after, report } = replaceCopy(before, read(FIRST));
    expect(editsBetweenBooks(before, after)).to.deep.equal([]);
    expect(report.author).to.deep.equal([]);
    expect(report.kept).to.be.above(5);
  });

  it('keeps ids, styles and touches of what is known, takes new words, and lists what is gone with its touches', () => {
    const before = set();
    const newer = FIRST.replace('counted the baskets twice', 'counted the heavy baskets twice')
      .replace('By the old clock.', 'By the tower clock.')
      .replace('Nobody came.', 'In the end a letter arrived.')
      .replace('A song was sung.', 'A song was sung.\n\nThen it rained.');
    const { book: after, report } = replaceCopy(before, read(newer));
    const counted = find(after, 'She counted');
    expect(counted).to.include({
      id: find(before, 'She counted').id,
      style: 'EXT',
      text: 'She counted the heavy baskets twice and said so.',
    });
    expect(counted.touches).to.deep.equal({ lines: 1 });
    expect(report.ways).to.equal('two');
    expect(report.author.map((one) => one.words)).to.deep.equal([
      'The ferry left at nine from the landing.',
      'She counted the heavy baskets twice and said so.',
      'Then it rained.',
      'In the end a letter arrived.',
    ]);
    for (const { block, words: first } of report.author) expect(find(after, first).id).to.equal(block);
    expect(report.gone.map((one) => one.words)).to.deep.equal(['Nobody came.']);
    expect(report.lost).to.deep.equal(['kept together: Nobody came.']);
    const [first] = Object.values(after.notes);
    expect([first.id, textOf(first.blocks[0])]).to.deep.equal([Object.keys(before.notes)[0], 'By the tower clock.']);
    expect(after.divisions.map(({ id }) => id)).to.deep.equal(before.divisions.map(({ id }) => id));
    expect(applyEdits(before, editsBetweenBooks(before, after))).to.deep.equal(after);
  });

  it('takes new chapters in their place and lets go of those that went', () => {
    const before = set();
    const { book: after } = replaceCopy(
      before,
      read(FIRST.replace('# Two', '# Between\n\nA chapter that is new.\n\n# Two')),
    );
    const titles = after.divisions.filter(({ role }) => role === 'chapter').map(({ blocks }) => textOf(blocks[0]));
    expect(titles).to.deep.equal(['One', 'Between', 'Two']);
    const { book: less } = replaceCopy(before, read(FIRST.slice(0, FIRST.indexOf('# Two'))));
    expect(less.divisions.filter(({ role }) => role === 'chapter')).to.have.length(1);
  });

  it('changes one division alone when asked to', () => {
    const before = set();
    const second = before.divisions.filter(({ role }) => role === 'chapter')[1];
    const { book: after } = replaceCopy(before, read('# Two\n\nThe weir was low that dry year.'), second.id);
    expect(allText(after)).to.include.members([
      'The ferry left at nine from the landing.\uFFFC',
      'The weir was low that dry year.',
    ]);
    expect(allText(after)).to.not.include('Nobody came.');
    expect(Object.keys(after.notes)).to.deep.equal(Object.keys(before.notes));
  });

  it('holds its text for any two versions, with ids used once and no note without its reference', () => {
    const sentence = fc.constantFrom(
      'The weir.',
      'A long walk home.',
      'Nobody came.',
      'It rained.[^1]',
      '# Head',
      'She said so.',
    );
    const version = fc.array(sentence, { minLength: 1, maxLength: 9 }).map((lines) => {
      let isNoted = false;
      const kept = lines.map((line) => {
        if (!line.includes('[^1]')) return line;
        if (isNoted) return line.replace('[^1]', '');
        isNoted = true;
        return line;
      });
      // Text before all heads would stand before the body, whatever the other version says.
      return `# First\n\n${kept.join('\n\n')}${isNoted ? '\n\n[^1]: A note.' : ''}\n`;
    });
    fc.assert(
      fc.property(version, version, (a, b) => {
        const before = read(a);
        const incoming = read(b);
        const { book: after } = replaceCopy(before, incoming);
        const copy = (made: Book) =>
          made.divisions
            .filter(({ role }) => !['half-title', 'title', 'imprint', 'contents'].includes(role))
            .flatMap(({ blocks }) => blocks.map(textOf));
        expect(copy(after)).to.deep.equal(copy(incoming));
        const ids = after.divisions.flatMap((division) => [division.id, ...division.blocks.map(({ id }) => id)]);
        expect(new Set(ids).size).to.equal(ids.length);
        const references = after.divisions.flatMap(({ blocks }) =>
          blocks.flatMap((block) =>
            (block as Paragraph).objects.flatMap((one) => (one.kind === 'note' ? [one.note] : [])),
          ),
        );
        expect(Object.keys(after.notes).sort()).to.deep.equal([...references].sort());
      }),
      { numRuns: 200 },
    );
  });
});

describe('pictures in a newer version', () => {
  const [weir, mill] = [factsOf(pngOf(20, 10), 'weir.png', ''), factsOf(pngOf(20, 10, 1, 9), 'mill.png', '')];
  const withPictures = (id: string, ...blocks: Block[]): Book => {
    const made = book([chapter('One', 'The words before.')]);
    return { ...made, id, divisions: [{ ...made.divisions[0], blocks: [...made.divisions[0].blocks, ...blocks] }] };
  };

  it('are the same ones by their bytes: ids, styles, touches and the words typed for them stay', () => {
    const known: Paragraph = {
      ...picture('p801', { ...mill, alt: 'The mill, typed here' }),
      touches: { align: 'left' },
    };
    const old = withPictures('b1', picture('p800', weir), known, p('After.'));
    const fresh = withPictures('b9', picture('p1', mill), p('After.'));
    const { book: after, report } = replaceCopy(old, fresh, null);
    const blocks = after.divisions.flatMap((division) => division.blocks) as Paragraph[];
    const kept = blocks.filter((block) => block.objects.length > 0);
    expect(kept).to.deep.equal([known]);
    expect(report.gone.map((one) => one.words)).to.deep.equal(['A picture']);
    expect(report.author).to.deep.equal([]);
  });
});
