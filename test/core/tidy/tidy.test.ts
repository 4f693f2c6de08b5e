import { expect } from 'chai';
import fc from 'fast-check';
import { applyEdits } from '../../../src/core/edit';
import { offersOf, TIDY_JOBS, tidyBook, tidyManuscript, tidyStreams } from '../../../src/core/tidy';
import { editText } from '../../../src/core/copy/textEdit';
import { OBJECT_CHARACTER, paragraph, type Block, type Paragraph } from '../../../src/core/model/copy/streams';
import { drain } from '../../build/assets';
import { book, chapter, p, words } from '../../build/book';
import { readManuscript } from '../../../src/core/import';

let ids = 0;
const tidied = (blocks: readonly Block[], job: string, language = 'en') => {
  const jobs = TIDY_JOBS.filter((one) => one.id === job);
  if (jobs.length === 0) throw new Error(`no job ${job}`);
  const result = drain(
    tidyStreams(new Map([['d1', blocks]]), jobs, {
      language,
      texts: ['d1'],
      takeId: () => `x${(ids += 1)}`,
      takeNote: () => `n${(ids += 1)}`,
    }),
  );
  return {
    blocks: result.streams.get('d1')! as readonly Paragraph[],
    count: result.counts[0].count,
    changes: result.changes,
  };
};
const text = (source: string, job: string, language = 'en') =>
  tidied([paragraph('p1', 'TX', source)], job, language).blocks[0].text;

/** Job, what is typed, what it becomes; the same twice where the job must not act. */
const CASES: readonly (readonly [string, string, string, string?])[] = [
  ['ligatures', 'ﬁnal ﬂow of oﬃce', 'final flow of office'],
  ['accents', 'cafe\u0301 n\u0303', 'café ñ'],
  ['zero-width', 'a\u200Bb\uFEFFc', 'abc'],
  ['zero-width', '👩\u200D👧', '👩\u200D👧'],
  ['soft-hyphens', 'inter\u00ADesting', 'interesting'],
  ['web-spaces', 'two\u00A0words', 'two words'],
  ['web-spaces', '12\u00A0km by Dr\u00A0Vane', '12\u00A0km by Dr\u00A0Vane'],
  ['web-spaces', 'Quoi\u00A0?', 'Quoi\u00A0?', 'fr'],
  ['lookalikes', 'the bоat', 'the boat'],
  ['lookalikes', 'the word лодка stands', 'the word лодка stands'],
  ['runs-of-spaces', 'one  two   three', 'one two three'],
  ['end-spaces', 'words  ', 'words'],
  ['start-spaces', '   words', 'words'],
  ['space-before-marks', 'well , he said !', 'well, he said!'],
  ['space-before-marks', 'and so ... he went', 'and so ... he went'],
  ['space-before-marks', 'Quoi ! Non .', 'Quoi ! Non.', 'fr'],
  ['quotes', '"Who said \'never\'?" he asked; "I didn\'t."', '“Who said ‘never’?” he asked; “I didn’t.”'],
  ['quotes', "'Twas late, and 'tis true of the '90s", '’Twas late, and ’tis true of the ’90s'],
  ['quotes', '5\' 10" by 7"', '5′ 10″ by 7″'],
  ['quotes', 'He said "about 1910" twice', 'He said “about 1910” twice'],
  ['quotes', "the dogs' bowl, rock 'n' roll", 'the dogs’ bowl, rock ’n’ roll'],
  ['quotes', '"Ja", sagte er', '„Ja“, sagte er', 'de'],
  ['quotes', '“Set already,” it’s', '“Set already,” it’s'],
  ['accent-quotes', "``So,'' he said", '“So,” he said'],
  ['dashes', 'one -- two', 'one – two'],
  ['dashes', 'one--two---three', 'one—two—three'],
  ['dashes', 'pages 12--15', 'pages 12–15'],
  ['dashes', 'a well-known self-made man', 'a well-known self-made man'],
  ['ellipses', 'and so... on', 'and so… on'],
  ['ellipses', 'and so. . . on', 'and so… on'],
  ['ellipses', 'a leader ....... here', 'a leader ....... here'],
  ['ranges', 'pages 12-15 and 1939-45', 'pages 12–15 and 1939–45'],
  ['ranges', 'telephone 555-0199, ISBN 978-0-306-40615-7', 'telephone 555-0199, ISBN 978-0-306-40615-7'],
  ['ranges', 'on 2021-03-04, room B-12-14, flight 20-10', 'on 2021-03-04, room B-12-14, flight 20-10'],
  ['doubled-words', 'in the the weir', 'in the weir'],
  ['doubled-words', 'he had had enough that that day', 'he had had enough that that day'],
  ['doubled-marks', 'well,, he said..', 'well, he said.'],
  ['doubled-marks', 'what?! and so…', 'what?! and so…'],
  ['line-end-hyphens', 'an inter- esting one', 'an interesting one'],
  ['line-end-hyphens', 'the pre- and post-war years', 'the pre- and post-war years'],
  ['line-end-hyphens', 'a hail- fellow-well-met, a self- made man', 'a hail-fellow-well-met, a self-made man'],
  ['line-end-hyphens', 'a well-to- do house', 'a well-to-do house'],
  ['line-end-hyphens', 'the way- bill, as every way-bill', 'the way-bill, as every way-bill'],
  ['wide-gaps', 'Name      Date', 'Name Date'],
];

/** What safe jobs must leave as it is, by the job. */
const HELD: readonly (readonly [string, string])[] = [
  ['runs-of-spaces', 'Name:      Date:'],
  ['runs-of-spaces', 'Monday   12   Tuesday'],
  ['quotes', 'set class="wide" in the file'],
  ['quotes', 'a line without "its pair, and more'],
  ['quotes', 'and "so" on” "'.slice(12)],
  ['quotes', "he said 'the 'orse is out' and went"],
  ['quotes', 'C:\\"books"\\weir'],
  ['accent-quotes', 'well,,he went'],
  ['accent-quotes', "at 5' 10'' he passed"],
  ['dashes', 'run the tool --force or -v'],
  ['dashes', 'see example.org/a--b/c and x--y_z'],
  ['dashes', 'with a - b to be taken'],
  ['ellipses', 'open ../.../src/main'],
  ['ellipses', 'then 12...e5 wins'],
  ['accents', 'e\u0332 has no sign of its own'],
];

/** Letters and figures of a text in order, however they are composed. */
const lettersOf = (source: string) => source.normalize('NFKC').replace(/[^\p{L}\p{N}]/gu, '');

describe('Tidy', () => {
  for (const [job, was, is, language] of CASES)
    it(`${job}: ${was}${was === is ? ' (left as it is)' : ''}`, () => expect(text(was, job, language)).to.equal(is));

  for (const [job, typed] of HELD) it(`${job} is safe: ${typed}`, () => expect(text(typed, job)).to.equal(typed));

  it('never takes a letter with a safe job, nor a mark put in by name', () => {
    const pieces = fc.constantFrom(
      ...[
        '"',
        "'",
        '--',
        ' - ',
        '...',
        '  ',
        '    ',
        'e\u0301',
        'ﬁ',
        ' word',
        'a',
        '12',
        '/',
        '=',
        '\u2060',
        '\u00AD',
        '\u200D',
        '\u00A0',
        '-',
        '.',
        ' ',
        '_',
        '*',
        '\u2011',
        ',,',
        '``',
        "''",
        '\u200B',
        'שלום',
        '\u200F',
        'ไทย',
      ],
    );
    fc.assert(
      fc.property(
        fc.array(pieces, { minLength: 1, maxLength: 14 }),
        fc.constantFrom(...TIDY_JOBS.filter((job) => job.kind === 'safe')),
        (list, { id }) => {
          const typed = `Word ${list.join('')} word`;
          const after = tidied([p('Prose before.'), paragraph('p1', 'TX', typed), p('Prose after.')], id).blocks;
          const marks = (source: string) => source.replace(/[^\u00AD\u200B-\u200F\u2011\u2060\u00A0]/g, '');
          expect(lettersOf(after.map((one) => one.text).join(''))).to.equal(
            lettersOf(`Prose before.${typed}Prose after.`),
          );
          expect(marks(after[1].text)).to.equal(marks(typed));
        },
      ),
      { numRuns: 3000 },
    );
  });

  it('leaves what is shaped by spaces, and empty paragraphs that are more than spacing', () => {
    const verse = ['The weir runs white', '    in winter,', 'and green', '    below the mill.'].map((one) => p(one));
    expect(tidied(verse, 'start-spaces').count).to.equal(0);
    const indented = [p(`     ${words(30, 1)}`), p(`     ${words(30, 2)}`)];
    expect(tidied(indented, 'start-spaces').count).to.equal(2);
    expect(tidied([p(''), p('')], 'empty-paragraphs').count, 'a cell stays a cell').to.equal(0);
    const stanzas = [
      ...[p('One.'), p(''), p('Two.'), p(''), p('Three.'), p(''), p('Four.'), p('')],
      ...[
        p('A line', 'VRS'),
        p('and a line', 'VRS'),
        p(''),
        p('a line', 'VRS'),
        p('and the last', 'VRS'),
        p(''),
        p('Five.'),
      ],
    ];
    const kept = tidied(stanzas, 'empty-paragraphs').blocks.map((one) => one.text);
    expect(kept.slice(0, 4)).to.deep.equal(['One.', 'Two.', 'Three.', 'Four.']);
    expect(kept.slice(4)).to.deep.equal(['', 'A line', 'and a line', '', 'a line', 'and the last', '', 'Five.']);
    const placed = [p('One.'), { ...p(''), touches: { start: 'page' } as never }, p('Two.')];
    expect(tidied(placed, 'empty-paragraphs').count).to.equal(0);
  });

  it('takes no dash of a cell, and no lines to be written on, for scene breaks', () => {
    expect(tidied([p('–')], 'scene-breaks').count).to.equal(0);
    expect(tidied([p('Sum:'), p('+'), p('three')], 'scene-breaks').count).to.equal(0);
    expect(tidied([p('Name:'), p('______'), p('______'), p('______'), p('Thank you.')], 'scene-breaks').count).to.equal(
      0,
    );
  });

  it('leaves italics by hand in an italic style, which emphasis would turn roman', () => {
    const made = book([chapter('One', 'a *b* c')]);
    const italic = {
      ...made,
      spec: {
        ...made.spec,
        styles: {
          ...made.spec.styles,
          TXF: { ...made.spec.styles.TXF, italic: true },
          TX: { ...made.spec.styles.TX, italic: true },
        },
      },
    };
    const offered = (of: typeof made) => drain(offersOf(of)).some(({ id }) => id === 'local-emphasis');
    expect([offered(made), offered(italic)]).to.deep.equal([true, false]);
  });

  it('takes typed emphasis place by place', () => {
    const made = book([chapter('One', 'x')]);
    const block = paragraph('p1', 'TX', 'a _long word_ and **bold**');
    const division = { ...made.divisions[0], blocks: [block] };
    const own = { ...made, divisions: [division] };
    const { edits, changes } = drain(tidyBook(own, ['typed-emphasis'], (place) => place.was === '**bold**'));
    expect(changes.map(({ was, is }) => [was, is])).to.deep.equal([['**bold**', 'bold']]);
    const [after] = applyEdits(own, edits).divisions[0].blocks as Paragraph[];
    expect(after.text).to.equal('a _long word_ and bold');
  });

  it('finds figures typed as letters, and changes nothing', () => {
    const { blocks, count } = tidied(
      [paragraph('p1', 'TX', 'in l9O4, at l0 of the clock, all Old')],
      'letters-for-figures',
    );
    expect([blocks[0].text, count]).to.deep.equal(['in l9O4, at l0 of the clock, all Old', 2]);
  });

  it('rejoins lines that end for want of width, keeps true ends, and leaves verse and prose alone', () => {
    const line = (start: string) => `${start} ${'word '.repeat(14)}`.slice(0, 66).trim();
    const wrapped = [
      line('One'),
      line('continues'),
      'to a short end.',
      line('Two'),
      line('and more'),
      line('and more'),
      'and ends.',
    ];
    const { blocks } = tidied(
      wrapped.map((one, k) => paragraph(`p${k}`, 'TX', one)),
      'rejoin-lines',
    );
    expect(blocks.map((one) => one.text.split(' ')[0])).to.deep.equal(['One', 'Two']);
    expect(blocks.map((one) => one.text).join(' ')).to.equal(wrapped.join(' '));
    const verse = Array.from({ length: 9 }, (_, k) =>
      paragraph(`v${k}`, 'TX', `A line of verse ${'and so '.repeat(k % 3)}`.trim()),
    );
    expect(tidied(verse, 'rejoin-lines').blocks).to.equal(verse);
    const prose = Array.from({ length: 9 }, (_, k) => p(words(80, k)));
    expect(tidied(prose, 'rejoin-lines').blocks).to.equal(prose);
  });

  it('takes empty paragraphs for spacing where they are the rule, else for space breaks', () => {
    const rule = [p('a', 'CT'), p(''), p('One.'), p(''), p('Two.'), p(''), p('Three.'), p(''), p(''), p('Four.')];
    expect(tidied(rule, 'empty-paragraphs').blocks.map((one) => `${one.style} ${one.text}`)).to.deep.equal([
      'CT a',
      'TX One.',
      'TX Two.',
      'TX Three.',
      'SB ',
      'TX Four.',
    ]);
    const rare = [p('One.'), p('Two.'), p('Three.'), p(''), p('Four.'), p('Five.'), p('Six.')];
    expect(tidied(rare, 'empty-paragraphs').blocks.map((one) => one.style)).to.deep.equal([
      'TX',
      'TX',
      'TX',
      'SB',
      'TX',
      'TX',
      'TX',
    ]);
  });

  it('knows scene breaks in all their guises, and folios and heads typed into the copy', () => {
    const guises = ['***', '* * *', '#', '-o-', '~~~', '• • •', '⁂', 'oOo', '_____'];
    const { blocks } = tidied(
      [p('Before.'), ...guises.flatMap((guise) => [p(guise, 'TX'), p('After.')])],
      'scene-breaks',
    );
    const marks = blocks.filter((_, k) => k % 2 === 1);
    expect(marks).to.have.length(guises.length);
    expect(marks.every((one) => one.style === 'SBO' && one.text === '* * *')).to.equal(true);
    expect(tidied([p('I'), p('So.'), p('12')], 'scene-breaks').count).to.equal(0);
    const typed = [
      p(words(30, 1)),
      p('THE WEIR BOOK'),
      p('11'),
      p(words(30, 2)),
      p('THE WEIR BOOK'),
      p('12'),
      p(words(30, 3)),
      p('THE WEIR BOOK'),
      p('13'),
    ];
    expect(tidied(typed, 'typed-folios').blocks).to.deep.equal([typed[0], typed[3], typed[6]]);
    expect(tidied([p('1'), p(words(20, 1)), p('“Yes.”'), p('“Yes.”'), p('“Yes.”')], 'typed-folios').count).to.equal(0);
  });

  it('makes styles of what was done by hand', () => {
    const [emphasis] = tidied([p('a *b* c')], 'local-emphasis').blocks;
    expect(emphasis.spans).to.deep.equal([{ from: 2, to: 3, style: 'em' }]);
    const [typed] = tidied(
      [paragraph('p1', 'TX', 'a _long word_ and **bold** 2*3*4 snake_case_name')],
      'typed-emphasis',
    ).blocks;
    expect(typed.text).to.equal('a long word and bold 2*3*4 snake_case_name');
    expect(typed.spans).to.deep.equal([
      { from: 2, to: 11, style: 'em' },
      { from: 16, to: 20, style: 'strong' },
    ]);
    const [ends] = tidied(
      [paragraph('p1', 'TX', 'a word , b', { spans: [{ from: 2, to: 7, style: 'em' }] })],
      'emphasis-ends',
    ).blocks;
    expect(ends.spans).to.deep.equal([{ from: 2, to: 6, style: 'em' }]);
    const [small] = tidied([paragraph('p1', 'TX', 'THE RIVER rose past the NASA and CHARLES II')], 'capitals').blocks;
    expect(small.text).to.equal('The river rose past the NASA and charles ii');
    expect(small.spans.map(({ from, to, style }) => [from, to, style])).to.deep.equal([
      [0, 9, 'sc'],
      [33, 43, 'sc'],
    ]);
    const heads = tidied(
      [paragraph('p1', 'TX', 'Chapter One: The Weir'), p('Chapter one of the work was long.')],
      'chapter-lines',
    ).blocks;
    expect(heads.map((one) => `${one.style} ${one.text}`)).to.deep.equal([
      'CN Chapter One',
      'CT The Weir',
      'TX Chapter one of the work was long.',
    ]);
  });

  it('drops faces, sizes and colours by hand, and nothing else of the look', () => {
    const one = paragraph('p1', 'TX', 'one two three', {
      spans: [
        { from: 0, to: 3, touches: { size: 9, italic: true } },
        { from: 4, to: 7, style: 'sc', touches: { face: 'Weir Sans', colour: '#a03020' } },
        { from: 8, to: 13, touches: { underline: true } },
      ],
    });
    const { blocks, count, changes } = tidied([one], 'bare-looks');
    expect(blocks[0].spans).to.deep.equal([
      { from: 0, to: 3, touches: { italic: true } },
      { from: 4, to: 7, style: 'sc' },
      { from: 8, to: 13, touches: { underline: true } },
    ]);
    expect(count).to.equal(1);
    expect(changes[0].was).to.equal('one, two (9 pt, Weir Sans #a03020)');
    // With the size gone the italic is one of a style: the job after it sees it so.
    expect(tidied(blocks, 'local-emphasis').blocks[0].spans[0]).to.deep.equal({ from: 0, to: 3, style: 'em' });
    expect(tidied([p('Plain *words* here')], 'bare-looks').count).to.equal(0);
  });

  it('changes only the places that are accepted, and leaves untouched paragraphs the same objects', () => {
    const blocks = [p('one -- two -- three'), p('nothing here')];
    const jobs = TIDY_JOBS.filter((job) => job.id === 'dashes');
    const result = drain(
      tidyStreams(new Map([['d1', blocks]]), jobs, {
        language: 'en',
        texts: ['d1'],
        takeId: () => 'x1',
        takeNote: () => 'n1',
        accepts: (place) => place.at > 6,
      }),
    );
    const [first, second] = result.streams.get('d1')! as Paragraph[];
    expect(first.text).to.equal('one -- two – three');
    expect(second).to.equal(blocks[1]);
    expect(result.changes).to.have.length(1);
  });

  it('has nothing left to do for a job that was run', () => {
    const pieces = fc.constantFrom(
      ...[
        '"a"',
        "it's",
        ' -- ',
        '...',
        '  ',
        'the the ',
        '12-15',
        ' ,',
        '_x_',
        'ﬁ',
        '\u00A0',
        "'tis ",
        '5" ',
        '--',
        ' . . .',
      ],
    );
    fc.assert(
      fc.property(fc.array(pieces, { minLength: 1, maxLength: 8 }), fc.constantFrom(...TIDY_JOBS), (list, job) => {
        const take = (letter: string) => () => `${letter}${(ids += 1)}`;
        const context = { language: 'en', texts: ['d1'], takeId: take('x'), takeNote: take('n') };
        const once = drain(
          tidyStreams(
            new Map<string, readonly Block[]>([['d1', [paragraph('p1', 'TX', list.join(''))]]]),
            [job],
            context,
          ),
        ).streams;
        expect(drain(tidyStreams(once, [job], context)).streams.get('d1')).to.equal(once.get('d1'));
      }),
      { numRuns: 1500 },
    );
  });

  it('carries notes and looks along when text changes', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.nat(19), fc.nat(3), fc.string({ maxLength: 3 })), { maxLength: 4 }),
        fc.nat(19),
        (raw, note) => {
          const letters = 'abcdefghijklmnopqrst';
          const source = paragraph('p1', 'TX', letters.slice(0, note) + OBJECT_CHARACTER + letters.slice(note), {
            objects: [{ at: note, kind: 'note', note: 'n1' }],
            spans: [{ from: 2, to: 9, style: 'em' }],
          });
          const edits = raw
            .map(([from, length, put]) => ({ from, to: from + length, text: put.replaceAll(OBJECT_CHARACTER, '') }))
            .sort((a, b) => a.from - b.from)
            .reduce<{ from: number; to: number; text: string }[]>(
              (kept, edit) => (kept.some((one) => edit.from < one.to) ? kept : [...kept, edit]),
              [],
            );
          const made = editText(source, edits);
          expect(made.objects).to.have.length(1);
          expect(made.text[made.objects[0].at]).to.equal(OBJECT_CHARACTER);
          for (const span of made.spans) expect(span.to).to.be.within(span.from + 1, made.text.length);
        },
      ),
      { numRuns: 500 },
    );
  });

  it('tidies notes and tables of a manuscript too', () => {
    const bytes = new TextEncoder().encode('One "two"[^1]\n\n| a -- b |\n|---|\n\n[^1]: a "note"\n');
    const { manuscript, counts } = drain(tidyManuscript(drain(readManuscript('a.md', bytes)), TIDY_JOBS));
    expect(JSON.stringify(manuscript.notes)).to.include('a “note”');
    expect(JSON.stringify(manuscript.blocks)).to.include('a – b');
    expect(counts.find((job) => job.id === 'quotes')!.count).to.equal(4);
  });
});
