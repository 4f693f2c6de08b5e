import { expect } from 'chai';
import { applyEdits, invertEdits } from '../../../src/core/edit';
import { makeBook, readManuscript } from '../../../src/core/import';
import type { Book } from '../../../src/core/model/copy/book';
import type { Block, Paragraph } from '../../../src/core/model/copy/streams';
import { offersOf, TIDY_JOBS, tidyBook, tidyManuscript } from '../../../src/core/tidy';
import { checkBook } from '../../../src/core/validate';
import { drain } from '../../build/assets';
import { book, division, p } from '../../build/book';

/** A paragraph in which `^1` is a superior figure. */
function typed(text: string, style = 'TX'): Paragraph {
  const spans: { from: number; to: number; style: string }[] = [];
  let plain = '';
  for (const [, words, figure] of text.matchAll(/([^^]*)(?:\^(\d+))?/g)) {
    plain += words;
    if (figure === undefined) continue;
    spans.push({ from: plain.length, to: plain.length + figure.length, style: 'sup' });
    plain += figure;
  }
  return { ...p(plain, style), spans };
}

/** Words of a block with its notes in brackets. */
function said({ notes }: Pick<Book, 'notes'>, blocks: readonly Block[]): string[] {
  return blocks.map((block) => {
    if (block.kind !== 'paragraph') return 'a table';
    let text = '';
    for (let k = 0; k < block.text.length; k += 1) {
      const object = block.objects.find(({ at }) => at === k);
      text += object?.kind === 'note' ? `[${said({ notes }, notes[object.note].blocks).join(' / ')}]` : block.text[k];
    }
    return text;
  });
}

function done(made: Book, jobs = ['typed-notes']): Book {
  const { edits } = drain(tidyBook(made, jobs));
  const after = checkBook(JSON.parse(JSON.stringify(applyEdits(made, edits))));
  expect(applyEdits(after, invertEdits(edits)), 'undo').to.deep.equal(made);
  return after;
}
const apart = (made: Book) =>
  drain(offersOf(made))
    .find(({ id }) => id === 'typed-notes-apart')
    ?.places.map(({ was, why }) => `${was}: ${why}`) ?? [];

describe('notes that were typed', () => {
  it('at the end of a chapter become notes, and the head of their list goes', () => {
    const made = book([
      division('chapter', [
        p('Salt', 'CT'),
        typed('The weir^1 is old. ^2'),
        typed('Nobody² said so.'.replace('²', '³')),
        p('Notes', 'AH'),
        p('1. Of oak.'),
        p('2. Two hundred years.'),
        p('And more on that.'),
        typed('^3 At least not aloud.'),
      ]),
      division('chapter', [p('Mud', 'CT'), typed('Here^1 too.'), p('1 Again.')]),
    ]);
    const after = done(made);
    expect(said(after, after.divisions[0].blocks)).to.deep.equal([
      'Salt',
      'The weir[Of oak.] is old.[Two hundred years. / And more on that.]',
      'Nobody[At least not aloud.] said so.',
    ]);
    expect(said(after, after.divisions[1].blocks)).to.deep.equal(['Mud', 'Here[Again.] too.']);
    expect(Object.values(after.notes).map(({ kind, blocks }) => [kind, blocks[0].style])).to.deep.equal(
      new Array(4).fill(['endnote', 'NT']),
    );
    expect(drain(offersOf(after)).filter(({ id }) => id.startsWith('typed-notes'))).to.deep.equal([]);
  });

  it('at the end of the book are found by chapter where their numbers begin again, or by numbers that go on', () => {
    const chapters = (second: number) => [
      division('chapter', [p('Salt', 'CT'), typed('One^1 and two^2.')]),
      division('chapter', [p('Mud', 'CT'), typed(`Three^${second}.`)]),
    ];
    for (const [second, list] of [
      [1, [p('Salt', 'AH'), p('1. a'), p('2. b'), p('Mud', 'AH'), p('1. c')]],
      [3, [p('1. a'), p('2. b'), p('3. c')]],
    ] as const) {
      const made = book([...chapters(second), division('notes', [p('Notes', 'CT'), ...list])]);
      const after = done(made);
      expect(said(after, after.divisions[0].blocks)[1]).to.equal('One[a] and two[b].');
      expect(said(after, after.divisions[1].blocks)[1]).to.equal('Three[c].');
      expect(said(after, after.divisions[2].blocks)[0]).to.equal('Notes');
      expect(said(after, after.divisions[2].blocks).some((text) => /^\d/.test(text))).to.equal(false);
    }
  });

  it('that find nothing are listed and stay', () => {
    const made = book([
      division('chapter', [
        p('Salt', 'CT'),
        typed('The weir^1 is old,^4 said he.^2'),
        p('1. Of oak.'),
        p('2. So he did.'),
        p('3. Lost.'),
      ]),
    ]);
    expect(apart(made)).to.deep.equal([
      'The weir1 is old,4 said he.2: No note of this number.',
      '3. Lost.: No figure in the text for it.',
    ]);
    const after = done(made);
    expect(said(after, after.divisions[0].blocks)).to.deep.equal([
      'Salt',
      'The weir[Of oak.] is old,4 said he.[So he did.]',
      '3. Lost.',
    ]);
    const twice = book([division('chapter', [p('Salt', 'CT'), typed('One^1 and^1 two^2.'), p('1. a'), p('2. b')])]);
    expect(said(done(twice), done(twice).divisions[0].blocks)[1]).to.equal('One1 and1 two[b].');
  });

  it('are no powers, no units, and no list without figures', () => {
    const made = book([
      division('chapter', [
        p('Salt', 'CT'),
        p('A field of 40 m² and 10³ reeds.'),
        typed('E = mc^2'),
        p('1. First.'),
        p('2. Second.'),
      ]),
      division('chapter', [p('Mud', 'CT'), p('Do this:'), p('1. First.'), p('2. Second.')]),
    ]);
    const after = done(made);
    expect(said(after, after.divisions[1].blocks)).to.deep.equal(['Mud', 'Do this:', '1. First.', '2. Second.']);
    expect(said(after, after.divisions[0].blocks)[1]).to.equal('A field of 40 m² and 10³ reeds.');
  });

  it('are taken one by one where a person says so, and again in the author’s next file', () => {
    const made = book([division('chapter', [p('Salt', 'CT'), typed('One^1 and two^2.'), p('1. a'), p('2. b')])]);
    const { edits, changes } = drain(tidyBook(made, ['typed-notes'], (place) => place.at > 5));
    expect(changes.map(({ is }) => is)).to.deep.equal(['One1 and two[b].']);
    const after = applyEdits(made, edits);
    expect(said(after, after.divisions[0].blocks)).to.deep.equal(['Salt', 'One1 and two[b].', '1. a']);
    const file =
      '# Tide\n\n## One\n\nWords<sup>1</sup>.\n\n1. A note.\n\n## Two\n\nMore<sup>1</sup>.\n\n1\\. Another.\n';
    const manuscript = drain(readManuscript('a.md', new TextEncoder().encode(file)));
    const jobs = TIDY_JOBS.filter(({ id }) => id === 'typed-notes');
    const next = makeBook(drain(tidyManuscript(manuscript, jobs)).manuscript, { bookId: 'b', fileName: 'a.md' });
    const text = next.divisions.filter(({ role }) => role === 'chapter').flatMap(({ blocks }) => said(next, blocks));
    expect(text).to.deep.equal(['One', 'Words[A note.].', 'Two', 'More[Another.].']);
  });
});
