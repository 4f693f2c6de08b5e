// Notes in a composed book: every kind at its place, nothing lost, numbers by their restarts, findings where something gave.
import { expect } from 'chai';
import fc from 'fast-check';
import { lastAtMost } from '../../../src/core/base/search';
import { applyEdit, setSpecEdit } from '../../../src/core/edit';
import type { Book } from '../../../src/core/model/copy/book';
import { ENDNOTE, FOOTNOTE, type NoteKind } from '../../../src/core/model/spec/notes';
import { NOVEL_SPEC } from '../../../src/core/defaults/novelSpec';
import { gridBaseline, type Fragment, type Page, type TypesetBook } from '../../../src/core/model/composed/pages';
import type { Paragraph } from '../../../src/core/model/copy/streams';
import { signOf } from '../../../src/core/typeset/notes/noteSigns';
import { compose, newContext } from '../../build/assets';
import { essence } from '../../build/essence';
import { book, chapter, division, note, p, table, words } from '../../build/book';

const withKinds = (of: Book, kinds: Record<string, Partial<NoteKind>>, rest = {}): Book => ({
  ...of,
  spec: {
    ...of.spec,
    notes: {
      ...NOVEL_SPEC.notes,
      ...rest,
      kinds: Object.fromEntries(Object.entries(kinds).map(([id, kind]) => [id, { ...FOOTNOTE, ...kind }])),
    },
  },
});
const kindOf = (id: number, kind: string, ...texts: string[]) => ({ ...note(id, ...texts), kind });

/** Lines of a stretch as they are set. */
function setLines({ paragraph, from, to }: Fragment): string[] {
  const { styled, broken } = paragraph;
  return Array.from({ length: to - from }, (_, k) => styled.text.slice(broken.from[from + k], broken.to[from + k]));
}
const textOf = (fragments: readonly Fragment[]) => fragments.flatMap(setLines).join(' ').replace(/\s+/g, ' ');
const kinds = (composed: TypesetBook) => composed.findings.map(({ kind }) => kind);

/** Note ids of the references that stand on a page's text lines, in order. */
function referencesOn(page: Page): string[] {
  return page.fragments.flatMap(({ paragraph, from, to }) =>
    paragraph.styled.notes
      .filter(({ at }) => {
        const line = Math.max(0, lastAtMost(paragraph.broken.from, at, paragraph.broken.count));
        return line >= from && line < to;
      })
      .map(({ note: id }) => id),
  );
}

const longText = (seed: number) => words(110, seed);
const SENTENCE = fc.tuple(fc.integer({ min: 4, max: 30 }), fc.nat(900));

/** Chapters whose sentences may end in a note of 3 to 150 words. */
const texts = fc
  .array(
    fc.array(fc.array(fc.tuple(SENTENCE, fc.constantFrom(0, 0, 0, 3, 12, 30, 150)), { minLength: 1, maxLength: 6 }), {
      minLength: 3,
      maxLength: 9,
    }),
    { minLength: 1, maxLength: 2 },
  )
  .map((chapters) => {
    const notes: ReturnType<typeof note>[] = [];
    const made = chapters.map((paragraphs, k) =>
      chapter(
        `Chapter ${k}`,
        ...paragraphs.map((sentences) =>
          sentences
            .map(([[count, seed], length]) => {
              if (length > 0) notes.push(note(notes.length + 1, words(length, seed)));
              return `${words(count, seed)}.${length > 0 ? `{${notes.length}}` : ''}`;
            })
            .join(' '),
        ),
      ),
    );
    return book(made, notes);
  });

describe('notes of a composed book', () => {
  it('stand on the page of their reference or go on from it, in order and whole, clear of the text and the foot margin', () => {
    const context = newContext();
    fc.assert(
      fc.property(texts, fc.constantFrom('division', 'page'), (made, restart) => {
        const own = withKinds(made, { footnote: { restart: restart as 'page' } });
        const composed = compose(own, context);
        const begun: string[] = [];
        const referred: string[] = [];
        const lines = new Map<string, number>();
        for (const page of composed.pages) {
          const here = referencesOn(page);
          referred.push(...here);
          const foot = gridBaseline(composed.geometry, composed.geometry.lines - 1 + page.depth);
          const lowest = Math.max(
            0,
            ...page.fragments.map(({ y, from, to, paragraph }) => y + (to - from - 1) * paragraph.styled.style.leading),
          );
          page.notes.forEach(({ paragraph, from, to, y }, k) => {
            const id = paragraph.styled.stream;
            expect(from).to.equal(lines.get(id) ?? 0);
            lines.set(id, to);
            if (from === 0) {
              begun.push(id);
              expect(here, 'the page of its reference').to.include(id);
            } else expect(k, 'what goes on stands first').to.equal(0);
            // Both parts of a divided note have two lines.
            if (from > 0 && to === paragraph.broken.count) expect(to - from).to.be.at.least(Math.min(2, to));
            if (from === 0 && to < paragraph.broken.count) expect(to).to.be.at.least(2);
            expect(y - paragraph.styled.style.leading).to.be.at.least(lowest - 1e-6);
            expect(y + (to - from - 1) * paragraph.styled.style.leading).to.be.at.most(foot + 1e-6);
          });
          if (restart === 'page') {
            const numbers = page.notes
              .filter(({ from }) => from === 0)
              .map(({ paragraph }) => /^\d+/.exec(paragraph.styled.text)?.[0]);
            if (!kinds(composed).includes('unsettled'))
              expect(numbers).to.deep.equal(numbers.map((_, n) => String(n + 1)));
          }
        }
        expect(begun).to.deep.equal(referred);
        expect(begun.length).to.equal(Object.keys(own.notes).length);
        for (const page of composed.pages)
          for (const { paragraph } of page.notes)
            expect(lines.get(paragraph.styled.stream)).to.equal(paragraph.broken.count);
      }),
      { numRuns: 60 },
    );
  });

  it('are set in a heading, a caption, a cell and another note, once each', () => {
    const one = {
      ...chapter('A title{1}', `${words(40, 1)}.{5}`),
    };
    const made = book(
      [
        {
          ...one,
          blocks: [
            ...one.blocks,
            p('A head{2}', 'AH'),
            p(words(60, 2)),
            p('A caption{3}', 'CAP'),
            table(['Day', 'Level{4}'], ['One', '12']),
          ],
        },
      ],
      [
        note(1, 'Of the title.'),
        note(2, 'Of the head.'),
        note(3, 'Of the caption.'),
        note(4, 'Of the cell.'),
        note(5, 'Of the text, with another.{6}'),
        note(6, 'Inside, and back.{5}'),
      ],
    );
    const composed = compose(made);
    const all = composed.pages.flatMap(({ notes }) => notes);
    expect(all.map(({ paragraph }) => paragraph.styled.stream)).to.deep.equal(['n1', 'n5', 'n6', 'n2', 'n3', 'n4']);
    expect(all.map(({ paragraph }) => /^\d+\./.exec(paragraph.styled.text)?.[0])).to.deep.equal([
      '1.',
      '2.',
      '3.',
      '4.',
      '5.',
      '6.',
    ]);
  });

  const gathered = (of: Partial<NoteKind> = {}, rest = {}) =>
    withKinds(
      book(
        [
          chapter(
            'Alpha',
            ...Array.from({ length: 9 }, (_, k) => `The ferry left${k} early. ${words(90, k)}.{${k + 1}}`),
          ),
          chapter('Beta', `When all the boats had gone home, nobody spoke.{10} ${words(80, 20)}`),
          division('notes', [p('Notes', 'CT')], { matter: 'back', listed: true }),
        ],
        Array.from({ length: 10 }, (_, k) => kindOf(k + 1, 'endnote', `Remark ${k + 1}. ${words(10, k)}`)),
      ),
      { endnote: { ...ENDNOTE, ...of } },
      rest,
    );
  const notesPages = (composed: TypesetBook) => composed.pages.filter(({ divisionRole }) => divisionRole === 'notes');

  it('are gathered at the end of the book under the titles of the running order, each numbered from 1', () => {
    const composed = compose(gathered());
    const text = notesPages(composed).flatMap(({ fragments }) => fragments.flatMap((one) => setLines(one)[0].trim()));
    expect(text.filter((line) => /^(Alpha|Beta|1\.)/.test(line)).map((line) => line.slice(0, 5))).to.deep.equal([
      'Alpha',
      '1.\u2002Re',
      'Beta',
      '1.\u2002Re',
    ]);
    expect(text.length).to.equal(1 + 2 + 10);
    expect(composed.pages.flatMap(({ notes }) => notes)).to.deep.equal([]);
    const without = compose(gathered({}, { heads: false }));
    expect(textOf(notesPages(without).flatMap(({ fragments }) => fragments))).to.not.include('Alpha');
  });

  it('refer to heads by the pages on which these are, and say so when a head has moved', () => {
    const made = gathered();
    const target = made.divisions[1].blocks[0].id;
    const text = 'See page \uFFFC.';
    const refers = {
      ...p(text, 'NT'),
      objects: [{ at: 9, kind: 'reference' as const, target, shows: 'page' as const }],
    };
    const noted = { ...made, notes: { ...made.notes, n3: { ...made.notes.n3, blocks: [refers] } } };
    const context = newContext();
    const said = (of: Book) => {
      const composed = compose(of, context);
      const folio = composed.pages.find(
        ({ divisionRole, role, division: id }) =>
          divisionRole === 'chapter' && role === 'opener' && id === of.divisions[1].id,
      )!.folio;
      const own = notesPages(composed)
        .flatMap(({ fragments }) => fragments)
        .find(({ paragraph }) => paragraph.styled.stream === 'n3')!;
      return [own.paragraph.styled.text.replace(/^\S+\s/u, ''), folio];
    };
    const [words, folio] = said(noted);
    expect(words).to.equal(`See page ${folio}.`);
    const more = {
      ...noted.divisions[0],
      blocks: [...noted.divisions[0].blocks, ...Array.from({ length: 6 }, (_, k) => p(longText(k)))],
    };
    const [moved, later] = said({ ...noted, divisions: [more, ...noted.divisions.slice(1)] });
    expect(moved).to.equal(`See page ${later}.`);
    expect(Number(later)).to.be.above(Number(folio));
  });

  it('tell in the running head the pages that they belong to, and the pages are true', () => {
    const made = gathered();
    const line = NOVEL_SPEC.furniture.sets[NOVEL_SPEC.furniture.set].roles.text.head!;
    const slots = {
      ...line.recto,
      foreEdge: { style: 'RH', parts: [{ kind: 'token' as const, token: 'chapterTitle' as const }] },
    };
    const { text } = NOVEL_SPEC.furniture.sets[NOVEL_SPEC.furniture.set].roles;
    const set = {
      roles: {
        ...NOVEL_SPEC.furniture.sets[NOVEL_SPEC.furniture.set].roles,
        text,
        opener: { head: { ...line, recto: slots, verso: null }, foot: null },
      },
    };
    const composed = compose({ ...made, spec: { ...made.spec, furniture: { set: 'Own', sets: { Own: set } } } });
    const [page] = notesPages(composed);
    const folios = composed.pages.filter((one) => referencesOn(one).length > 0).map(({ folio }) => folio);
    const head = page.furniture.find(({ at }) => at === 'head')!.paragraph.styled.text;
    expect(head).to.equal(`Notes to pages ${folios[0]}–${folios[folios.length - 1]}`);
    expect(folios.length).to.be.above(1);
  });

  it('without a mark are known by their page and the first words of their sentence', () => {
    const composed = compose(gathered({ keyed: true }));
    const [last] = composed.pages.filter((page) => referencesOn(page).includes('n10'));
    const own = notesPages(composed)
      .flatMap(({ fragments }) => fragments)
      .find(({ paragraph }) => paragraph.styled.stream === 'n10')!;
    expect(own.paragraph.styled.text).to.match(new RegExp(`^${last.folio}\u2002When all the boats had … Remark 10\\.`));
    const text = textOf(
      composed.pages.filter(({ divisionRole }) => divisionRole === 'chapter').flatMap((page) => page.fragments),
    );
    expect(text).to.include('nobody spoke. ');
  });

  it('stand at the end of their division where that is their place, or where no division gathers them', () => {
    const made = gathered();
    const own = compose(
      withKinds(made, { endnote: { ...ENDNOTE, place: 'divisionEnd' } }, { divisionHead: 'Remarks' }),
    );
    const alpha = own.pages
      .filter(({ divisionRole }) => divisionRole === 'chapter')
      .flatMap(({ fragments }) => fragments);
    const streams = alpha.map(({ paragraph }) => paragraph.styled.stream);
    expect(streams.filter((stream) => stream.startsWith('n')).length).to.be.at.least(10);
    expect(textOf(alpha)).to.include('Remarks 1.');
    expect(kinds(own)).to.not.include('notes-nowhere');
    const without = compose({ ...made, divisions: made.divisions.slice(0, 2) });
    expect(kinds(without)).to.include('notes-nowhere');
    const all = without.pages.flatMap(({ fragments }) => fragments.map(({ paragraph }) => paragraph.styled.stream));
    expect(new Set(all.filter((stream) => stream.startsWith('n'))).size).to.equal(10);
  });

  it('stand in the margin where it is wide, at the foot with a finding where it is not', () => {
    const start = book([chapter('One', `${words(60, 3)}.{1} ${words(60, 4)}`)], [kindOf(1, 'm', words(20, 9))]);
    const made = withKinds(start, { m: { place: 'margin', style: 'NM' } });
    const narrow = compose(made);
    expect(kinds(narrow)).to.include('notes-nowhere');
    expect(narrow.pages[0].noteRules.length).to.equal(1);
    const wide = applyEdit(made, setSpecEdit(made, ['page', 'margins', 'foreEdge'], { pt: 150, unit: 'pt' }));
    const beside = compose(wide);
    const [own] = beside.pages[0].notes;
    expect(beside.pages[0].noteRules).to.deep.equal([]);
    expect(own.x).to.equal(beside.geometry.measure + 12);
    const { paragraph, y, from } = beside.pages[0].fragments.find(({ paragraph: one }) => one.styled.notes.length > 0)!;
    const line = lastAtMost(paragraph.broken.from, paragraph.styled.notes[0].at, paragraph.broken.count);
    expect(own.y).to.be.closeTo(y + (line - from) * beside.geometry.leading, 1e-6);
  });

  it('run on in one paragraph with all their numbers raised', () => {
    const made = withKinds(
      book(
        [chapter('One', 'A.{1} B.{2} C.{3}')],
        [1, 2, 3].map((id) => note(id, `See ${id} *above*.`)),
      ),
      { footnote: { runOn: true, number: { before: '', after: '', position: 'superior' } } },
    );
    const [own, ...others] = compose(made).pages[0].notes;
    expect(others).to.deep.equal([]);
    expect(own.paragraph.styled.text).to.equal('1\u2009See 1 above.\u20032\u2009See 2 above.\u20033\u2009See 3 above.');
    const sups = own.paragraph.styled.runs.filter(({ features }) => features.includes('sups'));
    expect(sups.map(({ from, to }) => own.paragraph.styled.text.slice(from, to))).to.deep.equal(['1', '2', '3']);
  });

  it('have references between signs, raised, on the line or superior', () => {
    const reference = (of: NoteKind['reference'], numerals: NoteKind['numerals'] = 'arabic') => {
      const made = withKinds(book([chapter('One', 'Word{1}')], [note(1, 'N.')]), {
        footnote: { reference: of, numerals },
      });
      const styled = compose(made).pages[0].fragments[1].paragraph.styled;
      const run = styled.runs[styled.runs.length - 1];
      return [styled.text, run.features.includes('sups'), run.size < 10, run.rise > 0];
    };
    expect(reference({ before: '', after: '', position: 'superior' })).to.deep.equal(['Word1', true, false, false]);
    expect(reference({ before: '[', after: ']', position: 'raised' })).to.deep.equal(['Word[1]', false, true, true]);
    expect(reference({ before: '(', after: ')', position: 'line' })).to.deep.equal(['Word(1)', false, false, false]);
    // Letters and daggers have no superiors in every face, and an asterisk stands high by itself.
    expect(reference({ before: '', after: '', position: 'superior' }, 'letters')).to.deep.equal([
      'Worda',
      false,
      true,
      true,
    ]);
    const dagger = signOf('†', { before: '', after: '', position: 'superior' });
    expect(dagger).to.deep.equal({ text: '†', position: 'raised' });
    expect(reference({ before: '', after: '', position: 'superior' }, 'symbols')).to.deep.equal([
      'Word*',
      false,
      false,
      false,
    ]);
  });

  it('give the same pages when a note is changed as from scratch', () => {
    const context = newContext();
    const made = withKinds(
      book(
        [chapter('One', ...Array.from({ length: 12 }, (_, k) => `${words(90, k)}.{${k + 1}} ${words(30, k)}`))],
        Array.from({ length: 12 }, (_, k) => note(k + 1, words(8 + 5 * k, k))),
      ),
      { footnote: { restart: 'page', numerals: 'symbols' } },
    );
    compose(made, context);
    for (const id of ['n3', 'n9', 'n12']) {
      const { blocks } = made.notes[id];
      const longer = { ...(blocks[0] as Paragraph), text: words(70, 5) };
      const changed = { ...made, notes: { ...made.notes, [id]: { ...made.notes[id], blocks: [longer] } } };
      expect(essence(compose(changed, context))).to.deep.equal(essence(compose(changed)));
    }
  });
});

describe('notes that are hard to set', () => {
  const noteLines = (composed: TypesetBook) =>
    composed.pages.flatMap(({ notes }) => notes).reduce((sum, { from, to }) => sum + to - from, 0);

  it('may be longer than a page: they go on as long as they are, and say so', () => {
    const composed = compose(book([chapter('One', `${words(20, 1)}.{1} ${words(300, 2)}`)], [note(1, words(1500, 3))]));
    const paragraph = composed.pages.flatMap(({ notes }) => notes)[0].paragraph;
    expect(noteLines(composed)).to.equal(paragraph.broken.count);
    expect(composed.pages.filter(({ notes }) => notes.length > 0).length).to.be.above(2);
    expect(kinds(composed)).to.include('note-divided');
  });

  it('may be sixty in one paragraph', () => {
    const text = Array.from({ length: 60 }, (_, k) => `${words(5, k)}.{${k + 1}}`).join(' ');
    const composed = compose(
      book(
        [chapter('One', text)],
        Array.from({ length: 60 }, (_, k) => note(k + 1, words(6, k))),
      ),
    );
    const begun = composed.pages.flatMap(({ notes }) => notes.map(({ paragraph }) => paragraph.styled.stream));
    expect(new Set(begun).size).to.equal(60);
    expect(begun).to.deep.equal(Array.from({ length: 60 }, (_, k) => `n${k + 1}`));
  });

  it('may hang on a paragraph with a drop capital', () => {
    const made = book([chapter('One', `Quiet{1} water. ${words(80, 2)}.{2}`)], [note(1, 'A.'), note(2, 'B.')], {
      ...NOVEL_SPEC,
      openers: { ...NOVEL_SPEC.openers, dropLines: 3 },
    });
    const [page] = compose(made).pages;
    expect(page.fragments[1].paragraph.styled.style.initial?.lines).to.equal(3);
    expect(page.notes.map(({ paragraph }) => paragraph.styled.stream)).to.deep.equal(['n1', 'n2']);
  });

  it('are set as the first kind when theirs is gone, and say so', () => {
    const composed = compose(book([chapter('One', 'A.{1}')], [kindOf(1, 'gone', 'Words.')]));
    expect(composed.pages[0].notes.length).to.equal(1);
    expect(kinds(composed)).to.include('note-kind-gone');
  });

  it('say so when they have no words, no reference, or signs like those of another kind', () => {
    const made = book(
      [chapter('One', 'A.{1} B.{2} C.{4}')],
      [note(1, ''), kindOf(2, 'endnote', 'x'), note(3, 'Lost.'), note(4, 'y')],
    );
    const composed = compose(made);
    expect(composed.findings.filter(({ kind }) => kind === 'note-empty').map(({ stream }) => stream)).to.deep.equal([
      'n1',
    ]);
    expect(
      composed.findings.filter(({ kind }) => kind === 'note-without-reference').map(({ stream }) => stream),
    ).to.deep.equal(['n3']);
    expect(kinds(composed), 'symbols beside endnotes').to.not.include('notes-alike');
    const figures = compose(withKinds(made, { footnote: { ...FOOTNOTE, numerals: 'arabic' }, endnote: ENDNOTE }));
    expect(kinds(figures)).to.include('notes-alike');
    expect(kinds(compose(withKinds(made, { footnote: { numerals: 'symbols' }, endnote: ENDNOTE })))).to.not.include(
      'notes-alike',
    );
  });
});
