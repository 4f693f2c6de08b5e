import { expect } from 'chai';
import fc from 'fast-check';
import {
  applyEdits,
  conflictEdits,
  conflictStand,
  editsBetweenBooks,
  invertEdits,
  mergeCopy,
  takeNextFile,
} from '../../../../src/core/edit';
import { commonPlaces } from '../../../../src/core/edit/merge/commonTokens';
import { mergeParagraph } from '../../../../src/core/edit/merge/mergeParagraph';
import { makeBook, readManuscript } from '../../../../src/core/import';
import { isMadeDivision, type Book } from '../../../../src/core/model/copy/book';
import type { Block, Paragraph } from '../../../../src/core/model/copy/streams';
import { checkBook } from '../../../../src/core/validate';
import { drain } from '../../../build/assets';
import { p, words } from '../../../build/book';

const read = (text: string): Book =>
  makeBook(drain(readManuscript('book.md', new TextEncoder().encode(text))), { bookId: 'b9', fileName: 'book.md' });

const isCopy = (division: Book['divisions'][number]) => !isMadeDivision(division);
const blocksOf = (book: Book): Paragraph[] =>
  book.divisions.filter(isCopy).flatMap(({ blocks }) => blocks) as Paragraph[];
const textsOf = (book: Book) => blocksOf(book).map(({ text }) => text);

/** The book with its blocks changed; ids stay. */
const changed = (book: Book, change: (block: Paragraph) => readonly Block[]): Book => ({
  ...book,
  divisions: book.divisions.map((division) =>
    isCopy(division)
      ? { ...division, blocks: division.blocks.flatMap((block) => change(block as Paragraph)) }
      : division,
  ),
});
const retyped = (book: Book, from: string, to: string) =>
  changed(book, (block) => {
    const at = block.text.indexOf(from);
    if (at < 0) return [block];
    const shift = to.length - from.length;
    return [
      {
        ...block,
        text: block.text.replace(from, to),
        objects: block.objects.map((object) => (object.at > at ? { ...object, at: object.at + shift } : object)),
        spans: block.spans.map((span) => ({
          ...span,
          from: span.from > at ? span.from + shift : span.from,
          to: span.to > at ? span.to + shift : span.to,
        })),
      },
    ];
  });

const FIRST = `# One

The ferry left at nine from the landing.[^1]

She counted the baskets twice and said so.

A song was sung.

# Two

The weir was low that year.

Nobody came over before the evening.

[^1]: By the old clock.
`;

const base = read(FIRST);
const merge = (desk: Book, text: string, from = base) => mergeCopy(desk, from, read(text));

describe('words of two lists in common', () => {
  it('are as many as can be, in order, as trying everything finds', () => {
    const common = (a: readonly string[], b: readonly string[]): number => {
      if (a.length === 0 || b.length === 0) return 0;
      const skip = Math.max(common(a.slice(1), b), common(a, b.slice(1)));
      return a[0] === b[0] ? Math.max(skip, 1 + common(a.slice(1), b.slice(1))) : skip;
    };
    const list = fc.array(fc.constantFrom('a', 'b', 'c'), { maxLength: 8 });
    fc.assert(
      fc.property(list, list, (a, b) => {
        const places = [...commonPlaces(a, b)];
        const found = places.filter((place) => place >= 0);
        expect(found.length).to.equal(common(a, b));
        expect(found).to.deep.equal([...found].sort((x, y) => x - y));
        places.forEach((place, k) => place >= 0 && expect(b[place]).to.equal(a[k]));
      }),
      { numRuns: 500 },
    );
  });
});

describe('one paragraph with two newer versions', () => {
  it('takes what each changed, and its looks', () => {
    const own = p('The ferry left at nine.');
    const desk: Paragraph = { ...own, text: 'The old ferry left at nine.', touches: { lines: 1 } };
    const author: Paragraph = { ...own, text: 'The ferry left at ten.', spans: [{ from: 4, to: 9, style: 'em' }] };
    const merged = mergeParagraph(own, desk, author);
    expect(merged.isOfBoth).to.equal(true);
    expect([merged.desk.text, merged.author.text]).to.deep.equal([
      'The old ferry left at nine.',
      'The ferry left at ten.',
    ]);
    expect(merged.together).to.deep.equal({
      ...own,
      text: 'The old ferry left at ten.',
      touches: { lines: 1 },
      spans: [{ from: 8, to: 13, style: 'em' }],
    });
  });

  it('tells word by word what both changed, with both ways', () => {
    const own = p('The ferry left at nine.');
    const merged = mergeParagraph(
      own,
      { ...own, text: 'The ferry left at ten.' },
      { ...own, text: 'The boat left at eleven.' },
    );
    expect(merged.isOfBoth).to.equal(true);
    expect(merged.together.text).to.equal('The boat left at ten.');
    expect(merged.desk.text).to.equal('The ferry left at ten.');
    expect(merged.author.text).to.equal('The boat left at eleven.');
    expect(merged.words).to.deep.equal([
      { kind: 'same', text: 'The ' },
      { kind: 'author', text: 'boat', before: 'ferry' },
      { kind: 'same', text: ' left at ' },
      { kind: 'both', text: 'ten', before: 'nine', author: 'eleven' },
      { kind: 'same', text: '.' },
    ]);
  });

  it('keeps an index mark with whatever words stand there', () => {
    const own = p('The ferry left.');
    const mark = { kind: 'index', at: 4, term: 'ferry', sub: '', see: '', seeAlso: '', range: 'here' } as const;
    const desk: Paragraph = { ...own, text: 'The \uFFFCferry left.', objects: [mark] };
    const merged = mergeParagraph(own, desk, { ...own, text: 'The boat left.' });
    expect(merged.isOfBoth).to.equal(false);
    expect(merged.together).to.deep.include({ text: 'The \uFFFCboat left.', objects: [mark] });
  });
});

describe('the author’s next file, joined with the desk’s work', () => {
  it('keeps what was typed, replaced, noted and added at the desk where the author left it alone', () => {
    const typed = retyped(base, 'A song was sung.', 'A song was sung, badly.');
    const desk = changed(typed, (block) =>
      block.text.startsWith('The weir') ? [block, { ...p('A paragraph of the desk.'), id: 'p901' }] : [block],
    );
    const { book, report } = merge(
      { ...desk, nextId: 1000 },
      FIRST.replace('counted the baskets', 'counted the heavy baskets'),
    );
    expect(textsOf(book)).to.deep.equal([
      'One',
      'The ferry left at nine from the landing.\uFFFC',
      'She counted the heavy baskets twice and said so.',
      'A song was sung, badly.',
      'Two',
      'The weir was low that year.',
      'A paragraph of the desk.',
      'Nobody came over before the evening.',
    ]);
    expect(report.author.map(({ words: first }) => first)).to.deep.equal([
      'She counted the heavy baskets twice and said so.',
    ]);
    expect(report.desk.map(({ words: first }) => first)).to.deep.equal([
      'A song was sung, badly.',
      'A paragraph of the desk.',
    ]);
    expect(report.both).to.deep.equal([]);
    checkBook(book);
  });

  it('joins two changes of one paragraph where their words are others, and tells the rest', () => {
    const desk = retyped(base, 'left at nine', 'left at ten');
    const calm = merge(desk, FIRST.replace('The ferry', 'The old ferry'));
    expect(textsOf(calm.book)[1]).to.equal('The old ferry left at ten from the landing.\uFFFC');
    // That both changed it is told all the same.
    expect(calm.report.both.map(({ words: first }) => first)).to.deep.equal([
      'The old ferry left at ten from the landing.',
    ]);
    const { book, report } = merge(desk, FIRST.replace('left at nine', 'left at eleven'));
    expect(textsOf(book)[1]).to.contain('left at ten');
    expect(report.both).to.have.length(1);
    const [{ block, author, parts }] = report.both;
    expect(block).to.equal(blocksOf(base)[1].id);
    expect((author as Paragraph).text).to.contain('left at eleven');
    expect(parts).to.deep.include({ kind: 'both', text: 'ten', before: 'nine', author: 'eleven' });
  });

  it('takes notes along, three ways too', () => {
    const [noteId] = Object.keys(base.notes);
    const note = base.notes[noteId];
    const desk: Book = {
      ...base,
      notes: {
        [noteId]: {
          ...note,
          blocks: note.blocks.map((block) => ({ ...(block as Paragraph), text: 'By the old tower clock.' })),
        },
      },
    };
    const { book, report } = merge(
      desk,
      FIRST.replace('By the old clock.', 'By the old clock, then.').replace('low that year.', 'low that year.[^2]') +
        '\n[^2]: So they say.\n',
    );
    const text = (id: string) => (book.notes[id].blocks[0] as Paragraph).text;
    expect(text(noteId)).to.equal('By the old tower clock, then.');
    expect(report.both.map(({ stream }) => stream)).to.deep.equal([noteId]);
    expect(Object.keys(book.notes)).to.have.length(2);
    expect(Object.keys(book.notes).map(text)).to.include('So they say.');
    checkBook(book);
  });

  it('lets go what the author took out, but not where the desk had changed it, nor the other way', () => {
    const cut = FIRST.replace('A song was sung.\n\n', '');
    expect(textsOf(merge(base, cut).book)).to.not.include('A song was sung.');
    expect(merge(base, cut).report.gone.map((one) => one.words)).to.deep.equal(['A song was sung.']);
    const kept = merge(retyped(base, 'A song was sung.', 'Two songs were sung.'), cut);
    expect(textsOf(kept.book)).to.include('Two songs were sung.');
    expect(kept.report.both.map(({ author }) => author)).to.deep.equal([null]);
    const without = changed(base, (block) => (block.text.startsWith('A song') ? [] : [block]));
    expect(textsOf(merge(without, FIRST).book)).to.not.include('A song was sung.');
    const told = merge(without, FIRST.replace('A song was sung.', 'A long song was sung.'));
    expect(textsOf(told.book).join(' ')).to.not.contain('song');
    expect(told.report.both.map(({ desk, author }) => [desk, (author as Paragraph).text])).to.deep.equal([
      [null, 'A long song was sung.'],
    ]);
  });

  it('follows what the author moved, a chapter with all that is decided of it', () => {
    const two = FIRST.slice(FIRST.indexOf('# Two'), FIRST.indexOf('[^1]: By'));
    const turned = two + FIRST.replace(two, '');
    const desk: Book = {
      ...base,
      divisions: base.divisions.map((division) =>
        division.blocks.some((block) => block.kind === 'paragraph' && block.text === 'Two')
          ? { ...division, shortTitle: 'II' }
          : division,
      ),
    };
    const { book, report } = merge(desk, turned);
    expect(textsOf(book).slice(0, 4)).to.deep.equal([
      'Two',
      'The weir was low that year.',
      'Nobody came over before the evening.',
      'One',
    ]);
    expect(book.divisions.filter(isCopy).map(({ shortTitle }) => shortTitle)).to.deep.equal(['II', undefined]);
    expect(report.moved.length).to.be.above(0);
    expect(report.gone).to.deep.equal([]);
  });

  it('lists what was moved at the desk, once, the fewest blocks that stand out of order', () => {
    const desk: Book = {
      ...base,
      divisions: base.divisions.map((division) => {
        const [head, first, ...rest] = division.blocks;
        return isCopy(division) && rest.length > 0 ? { ...division, blocks: [head, ...rest, first] } : division;
      }),
    };
    const moved = base.divisions.filter(isCopy).flatMap(({ blocks }) => (blocks.length > 2 ? [blocks[1].id] : []));
    expect(moved.length).to.be.greaterThan(0);
    const { book, report } = merge(desk, FIRST);
    expect(report.desk.map(({ block }) => block)).to.deep.equal(moved);
    expect(textsOf(book)).to.deep.equal(textsOf(desk));
    expect(merge(base, FIRST).report.desk).to.deep.equal([]);
  });

  it('begins a division where the author put a new chapter', () => {
    const { book } = merge(base, FIRST.replace('# Two', '# Between\n\nQuite new text here.\n\n# Two'));
    const heads = book.divisions.filter(isCopy).map(({ blocks }) => (blocks[0] as Paragraph).text);
    expect(heads).to.deep.equal(['One', 'Between', 'Two']);
    expect(book.divisions.filter(isCopy)[1].blocks).to.have.length(2);
  });

  it('is one step that can be taken back, and the same file again changes nothing', () => {
    const desk = retyped(base, 'A song was sung.', 'Two songs were sung.');
    const newer = FIRST.replace('The ferry left', 'The ferry had left').replace('A song was', 'One song was');
    const once = merge(desk, newer);
    const edits = editsBetweenBooks(desk, once.book);
    expect(applyEdits(applyEdits(desk, edits), invertEdits(edits))).to.deep.equal(desk);
    const again = mergeCopy(once.book, once.base, read(newer));
    expect(editsBetweenBooks(once.book, { ...again.book, nextId: once.book.nextId })).to.deep.equal([]);
    expect(again.report.author).to.deep.equal([]);
    expect(again.report.both).to.deep.equal([]);
  });
});

describe('the next file of one division', () => {
  it('joins with that division alone, and is the base of it from then on', () => {
    const two = base.divisions.filter(isCopy)[1];
    const desk = retyped(
      retyped(base, 'A song was sung.', 'Two songs were sung.'),
      'before the evening',
      'before nightfall',
    );
    const next = takeNextFile(
      desk,
      base,
      {
        incoming: read('# Two\n\nThe weir was very low that year.\n\nNobody came over before the evening.\n'),
        styles: [],
      },
      two.id,
    );
    expect(textsOf(next.book)).to.deep.equal([
      'One',
      'The ferry left at nine from the landing.\uFFFC',
      'She counted the baskets twice and said so.',
      'Two songs were sung.',
      'Two',
      'The weir was very low that year.',
      'Nobody came over before nightfall.',
    ]);
    const whole = FIRST.replace('The weir was low', 'The weir was very low');
    const again = takeNextFile(next.book, next.base, { incoming: read(whole), styles: [] });
    expect(textsOf(again.book)).to.deep.equal(textsOf(next.book));
    expect(again.report.author).to.deep.equal([]);
    expect(Object.keys(again.book.notes)).to.deep.equal(Object.keys(base.notes));
  });
});

describe('bad next files', () => {
  it('of another book, of half the chapters: all is told, and nothing of the desk is lost', () => {
    const desk = retyped(base, 'A song was sung.', 'Two songs were sung, and one of them twice.');
    const other = merge(desk, '# Elsewhere\n\nQuite another book stands in this file.\n');
    expect(textsOf(other.book)).to.include('Two songs were sung, and one of them twice.');
    expect(other.report.both).to.have.length(1);
    expect(other.report.gone.length).to.be.above(4);
    const half = merge(desk, FIRST.slice(0, FIRST.indexOf('# Two')) + '[^1]: By the old clock.\n');
    expect(half.report.gone.map((one) => one.words)).to.deep.equal([
      'Two',
      'The weir was low that year.',
      'Nobody came over before the evening.',
    ]);
    checkBook(other.book);
    checkBook(half.book);
  });

  it('are decided for either side as often as is wished', () => {
    const desk = retyped(base, 'A song was sung.', 'Two songs were sung.');
    const { book, report } = merge(
      desk,
      FIRST.replace('A song was sung.', 'One song was sung.[^2]') + '\n[^2]: Off key.\n',
    );
    const [conflict] = report.both;
    expect(conflictStand(book, conflict)).to.equal('together');
    expect(textsOf(book)).to.include('Two songs were sung.\uFFFC');
    const ours = applyEdits(book, conflictEdits(book, conflict, 'desk'));
    expect(textsOf(ours)).to.include('Two songs were sung.');
    expect(Object.keys(ours.notes)).to.have.length(1);
    const theirs = applyEdits(book, conflictEdits(book, conflict, 'author'));
    expect(conflictStand(theirs, conflict)).to.equal('author');
    expect(textsOf(theirs)).to.include('One song was sung.\uFFFC');
    expect(Object.keys(theirs.notes)).to.have.length(2);
    checkBook(theirs);
    const back = applyEdits(ours, conflictEdits(ours, conflict, 'together'));
    expect(back).to.deep.equal(book);
    const cut = merge(desk, FIRST.replace('A song was sung.\n\n', ''));
    const out = applyEdits(cut.book, conflictEdits(cut.book, cut.report.both[0], 'author'));
    expect(textsOf(out).join(' ')).to.not.contain('songs');
    expect(applyEdits(out, conflictEdits(out, cut.report.both[0], 'desk'))).to.deep.equal(cut.book);
  });
});

/** A side's work on a list of paragraphs: each is left, retyped, taken out, or gets another behind it. */
type Act = 'keep' | 'retype' | 'drop' | 'add';
const act = fc.constantFrom<Act>('keep', 'keep', 'retype', 'drop', 'add');

describe('merging, for any work of both sides', () => {
  const texts = Array.from({ length: 8 }, (_, k) => `${words(9, k * 31)} n${k}.`);
  const source = (list: readonly string[]) => ['# One', ...list].join('\n\n');
  const done = (acts: readonly Act[], who: string) =>
    acts.flatMap((one, k) => {
      const text = texts[k];
      if (one === 'drop') return [];
      if (one === 'retype') return [text.replace(/ (\S+) n/, ` ${who}${k} n`)];
      return one === 'add' ? [text, `${who} adds the new paragraph number ${k} here.`] : [text];
    });
  /** The desk's work keeps the ids of what is known. */
  const worked = (own: Book, acts: readonly Act[]): Book => {
    let next = 500;
    let at = -1;
    const made = changed(own, (block) => {
      at += block.style === 'CT' ? 0 : 1;
      if (block.style === 'CT') return [block];
      const [first, ...others] = done(
        acts.map((one, k) => (k === at ? one : 'drop')),
        'desk',
      );
      if (first === undefined) return [];
      return [{ ...block, text: first }, ...others.map((text) => ({ ...p(text), id: `p${(next += 1)}` }))];
    });
    return { ...made, nextId: 1000 };
  };
  const start = read(source(texts));

  it('comes to both, where they do not touch the same paragraph', () => {
    fc.assert(
      fc.property(
        fc.array(act, { minLength: 8, maxLength: 8 }),
        fc.array(fc.boolean(), { minLength: 8, maxLength: 8 }),
        (acts, isDesks) => {
          const mine = acts.map((one, k) => (isDesks[k] ? one : 'keep'));
          const theirs = acts.map((one, k) => (isDesks[k] ? 'keep' : one));
          const { book, report } = mergeCopy(worked(start, mine), start, read(source(done(theirs, 'author'))));
          const wished = acts.flatMap((one, k) =>
            done(
              acts.map((_, j) => (j === k ? one : 'drop')),
              isDesks[k] ? 'desk' : 'author',
            ),
          );
          expect(textsOf(book).slice(1)).to.deep.equal(wished);
          expect(report.both).to.deep.equal([]);
        },
      ),
      { numRuns: 150 },
    );
  });

  it('lets nothing of either vanish unlisted, and again changes nothing', () => {
    const acts = fc.array(act, { minLength: 8, maxLength: 8 });
    fc.assert(
      fc.property(acts, acts, (mine, theirs) => {
        const desk = worked(start, mine);
        const newer = source(done(theirs, 'author'));
        const once = mergeCopy(desk, start, read(newer));
        const { book, report } = once;
        const said = new Set(textsOf(book));
        const told = report.both
          .map(({ desk: own, author }) => [own, author].map((block) => (block as Paragraph | null)?.text))
          .flat();
        const gone = new Set(report.gone.map((one) => one.words));
        for (const text of [...textsOf(desk), ...done(theirs, 'author')]) {
          const isKnown = texts.includes(text);
          if (!isKnown) expect(said.has(text) || told.includes(text), text).to.equal(true);
          else if (!said.has(text)) {
            const k = texts.indexOf(text);
            expect(gone.has(text) || mine[k] !== 'keep' || theirs[k] !== 'keep', text).to.equal(true);
          }
        }
        checkBook(book);
        const again = mergeCopy(book, once.base, read(newer));
        expect(textsOf(again.book)).to.deep.equal(textsOf(book));
        expect(again.report.author).to.deep.equal([]);
      }),
      { numRuns: 150 },
    );
  });
});
