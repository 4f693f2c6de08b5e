import { expect } from 'chai';
import fc from 'fast-check';
import { replaceCopy } from '../../../../src/core/edit';
import { offsetInNewer, withMarksIn, withoutMarks } from '../../../../src/core/edit/copy/keptMarks';
import type { InlineObject, Paragraph } from '../../../../src/core/model/copy/streams';
import { checkBook } from '../../../../src/core/validate';
import { book, chapter, division, p } from '../../../build/book';

const mark = (at: number, term: string): InlineObject => ({
  at,
  kind: 'index',
  term,
  sub: '',
  see: '',
  seeAlso: '',
  range: 'here',
});
/** A paragraph whose `^` are index marks and whose `|` are tabs. */
function marked(text: string): Paragraph {
  const objects: InlineObject[] = [...text].flatMap((sign, at): InlineObject[] =>
    sign === '^' ? [mark(at, `t${at}`)] : sign === '|' ? [{ at, kind: 'tab' }] : [],
  );
  return { ...p(text.replace(/[\^|]/g, '\uFFFC')), objects };
}

describe('marks of a typesetter in a paragraph', () => {
  it('are taken out and put back to the same paragraph, whatever else stands there', () => {
    fc.assert(
      fc.property(fc.string({ unit: fc.constantFrom('a', 'b', ' ', '^', '|'), maxLength: 14 }), (text) => {
        const block = marked(text);
        const { plain, marks } = withoutMarks(block);
        expect(plain.text).to.equal(text.replaceAll('^', '').replaceAll('|', '\uFFFC'));
        const back = withMarksIn(plain, marks);
        expect(back.text).to.equal(block.text);
        expect(back.objects.filter(({ kind }) => kind === 'index').map(({ at }) => at)).to.deep.equal(
          block.objects.filter(({ kind }) => kind === 'index').map(({ at }) => at),
        );
        expect(back.objects.length).to.equal(block.objects.length);
        for (const { at } of back.objects) expect(back.text[at]).to.equal('\uFFFC');
      }),
    );
  });

  it('keep the stretches around them', () => {
    const block: Paragraph = { ...marked('ab^cd'), spans: [{ from: 0, to: 5, style: 'em' }] };
    const { plain, marks } = withoutMarks(block);
    expect(plain.spans).to.deep.equal([{ from: 0, to: 4, style: 'em' }]);
    expect(withMarksIn(plain, marks).spans).to.deep.equal([{ from: 0, to: 5, style: 'em' }]);
  });

  it('find their place in newer words', () => {
    const before = 'The ferry left at nine.';
    const after = 'The old ferry left at ten.';
    expect(offsetInNewer(before, before, 7)).to.equal(7);
    expect(offsetInNewer(before, after, 4)).to.equal(4);
    expect(offsetInNewer(before, after, before.length)).to.equal(after.length);
    fc.assert(
      fc.property(fc.string(), fc.string(), fc.nat(20), (a, b, k) => {
        const at = offsetInNewer(a, b, Math.min(k, a.length));
        expect(at).to.be.within(0, b.length);
      }),
    );
  });

  it('stay when the author’s next file comes, where the words are the same and where they changed', () => {
    const [one, two] = [
      marked('The ^weir stood.'),
      marked('A line that is long enough to be known, with ^lamps on it.'),
    ];
    const first = { ...book([division('chapter', [p('Salt', 'CT'), one, two])]), nextId: 700_000 };
    const newer = book([
      chapter('Salt', 'The weir stood.', 'A line that is long enough to be known, with old lamps on it.'),
    ]);
    const { book: after, report } = replaceCopy(first, newer, null);
    expect(() => checkBook(JSON.parse(JSON.stringify(after)))).to.not.throw();
    const [, same, changed] = after.divisions[0].blocks as Paragraph[];
    expect(same).to.equal(first.divisions[0].blocks[1]);
    expect(changed.text).to.equal('A line that is long enough to be known, with \uFFFCold lamps on it.');
    expect(changed.objects).to.have.length(1);
    expect(changed.id).to.equal(two.id);
    expect(report.author).to.have.length(1);
  });
});
