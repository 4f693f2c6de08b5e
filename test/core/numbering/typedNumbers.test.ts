import { expect } from 'chai';
import { applyEdits, dropTypedNumbersEdits, invertEdits, repairEdits } from '../../../src/core/edit';
import type { Book } from '../../../src/core/model/copy/book';
import { PLAIN_SCHEME, type NumberScheme } from '../../../src/core/model/spec/numbering';
import { compose } from '../../build/assets';
import { book, division, p } from '../../build/book';

const CHAPTERS: NumberScheme = { ...PLAIN_SCHEME, restart: 'never' };

/** A book of a chapter for each title, or of one chapter with a head for each, numbered by schemes. */
function headed(titles: readonly string[], tag: 'CT' | 'AH' = 'CT', language = 'en'): Book {
  const made =
    tag === 'CT'
      ? book(titles.map((title) => division('chapter', [p(title, 'CT'), p('Words.')])))
      : book([division('chapter', [p('Salt', 'CT'), ...titles.flatMap((title) => [p(title, 'AH'), p('Words.')])])]);
  const { CT, AH } = made.spec.styles;
  const styles = {
    ...made.spec.styles,
    CT: { ...CT, number: CHAPTERS },
    AH: { ...AH, number: { ...PLAIN_SCHEME, whole: true } },
  };
  return { ...made, particulars: { ...made.particulars, language }, spec: { ...made.spec, styles } };
}

/** The titles after the typed numbers are taken out; the edits are undone on the way. */
function left(made: Book, tag: 'CT' | 'AH' = 'CT'): string[] {
  const edits = dropTypedNumbersEdits(made);
  const after = applyEdits(made, edits);
  expect(applyEdits(after, invertEdits(edits))).to.deep.equal(made);
  return after.divisions.flatMap(({ blocks }) =>
    blocks.flatMap((block) => (block.kind === 'paragraph' && block.style === tag ? [block.text] : [])),
  );
}

describe('numbers typed in heads that a scheme numbers', () => {
  const forms: readonly (readonly [string, (n: number) => string])[] = [
    ['1.', (n) => `${n}. Process`],
    ['1)', (n) => `${n}) Process`],
    ['(1)', (n) => `(${n}) Process`],
    ['1:', (n) => `${n}: Process`],
    ['1 –', (n) => `${n} – Process`],
    ['1 and a tab', (n) => `${n}\tProcess`],
    ['1 alone', (n) => `${n} Process`],
    ['§ 1', (n) => `§ ${n} Process`],
    ['I.', (n) => `${['I', 'II', 'III', 'IV', 'V'][n - 1]}. Process`],
    ['i)', (n) => `${['i', 'ii', 'iii', 'iv', 'v'][n - 1]}) Process`],
    ['A.', (n) => `${'ABCDE'[n - 1]}. Process`],
    ['(a)', (n) => `(${'abcde'[n - 1]}) Process`],
    ['One.', (n) => `${['One', 'Two', 'Three', 'Four', 'Five'][n - 1]}. Process`],
    ['Chapter 1:', (n) => `Chapter ${n}: Process`],
    ['Chapter One', (n) => `Chapter ${['One', 'Two', 'Three', 'Four', 'Five'][n - 1]} Process`],
    ['CHAPTER IV —', (n) => `CHAPTER ${['I', 'II', 'III', 'IV', 'V'][n - 1]} — Process`],
    ['Section 1.', (n) => `Section ${n}. Process`],
    ['The first part:', (n) => `The ${['first', 'second', 'third', 'fourth', 'fifth'][n - 1]} part: Process`],
  ];
  for (const [name, form] of forms)
    it(`are found as ${name} and leave the words`, () => {
      const titles = [1, 2, 3, 4, 5].map(form);
      expect(left(headed(titles))).to.deep.equal(titles.map(() => 'Process'));
    });

  it('are found at heads below chapters: 1.1, 10.1 1., A.1', () => {
    expect(left(headed(['1.1 Salt', '1.2. Mud', '1.3) Weir'], 'AH'), 'AH')).to.deep.equal(['Salt', 'Mud', 'Weir']);
    expect(left(headed(['1. Salt', '2. Mud'], 'AH'), 'AH')).to.deep.equal(['Salt', 'Mud']);
    expect(left(headed(['A.1 Salt', 'A.2 Mud'], 'AH'), 'AH')).to.deep.equal(['Salt', 'Mud']);
  });

  it('are found in the language of the book', () => {
    expect(left(headed(['Kapitel 1: Salz', 'Kapitel Zwei – Schlick'], 'CT', 'de'))).to.deep.equal(['Salz', 'Schlick']);
    expect(left(headed(['Chapitre premier', 'Chapitre Deux : La vase'], 'CT', 'fr'))).to.deep.equal([
      'Chapitre premier',
      'La vase',
    ]);
  });

  it('are found when they do not begin at one, by the heads beside them', () => {
    expect(left(headed(['4 Salt', '5 Mud', '6 Weir']))).to.deep.equal(['Salt', 'Mud', 'Weir']);
    expect(left(headed(['V. Salt', 'VI. Mud']))).to.deep.equal(['Salt', 'Mud']);
  });

  it('are not made of words of the title', () => {
    const titles = [
      'I Remember the Weir',
      '12 Angry Geese',
      '1984 and After',
      'A Song for Rowing',
      'Two Rivers',
      'V. Marl, Surveyor',
      'Part of the Bargain',
      'Book I Loved',
      'C. and the Lamps',
      '3.5 Miles of Mud',
      'Chapter and Verse',
      'Mix',
      '1.',
      'Chapter 4',
    ];
    expect(left(headed(titles))).to.deep.equal(titles);
  });

  it('leave notes and marks before and after them where they are', () => {
    const made = headed(['1. Salt']);
    const head = made.divisions[0].blocks[0];
    if (head.kind !== 'paragraph') throw new Error('a head');
    const mark = { kind: 'index', term: 'salt', sub: '', see: '', seeAlso: [] } as const;
    const marked = {
      ...head,
      text: '\uFFFC1. Salt\uFFFC',
      objects: [
        { ...mark, at: 0 },
        { ...mark, at: 8 },
      ],
    };
    const blocks = [marked, ...made.divisions[0].blocks.slice(1)];
    const withMarks = { ...made, divisions: [{ ...made.divisions[0], blocks }] } as unknown as Book;
    const after = applyEdits(withMarks, dropTypedNumbersEdits(withMarks)).divisions[0].blocks[0];
    expect(after).to.include({ id: head.id, text: '\uFFFCSalt\uFFFC' });
    expect(after.kind === 'paragraph' && after.objects.map(({ at }) => at)).to.deep.equal([0, 5]);
  });

  it('stay where no scheme numbers the head', () => {
    const made = headed(['1. Salt', '2. Mud']);
    const { CT } = made.spec.styles;
    const plain = { ...made, spec: { ...made.spec, styles: { ...made.spec.styles, CT: { ...CT, number: null } } } };
    expect(dropTypedNumbersEdits(plain)).to.deep.equal([]);
  });

  it('are findings, each with the repair that takes it out', () => {
    const made = headed(['1. Salt', 'Mud', '3. Weir']);
    const findings = compose(made).findings.filter(({ kind }) => kind === 'number-typed');
    expect(findings.map(({ message, page }) => [message, page])).to.deep.equal([
      ['This head is numbered 1 and has a number typed in it as well: take the typed one out.', 0],
      ['This head is numbered 3 and has a number typed in it as well: take the typed one out.', findings[1].page],
    ]);
    let after = made;
    for (const { repairs } of findings) after = applyEdits(after, repairEdits(after, repairs![0]));
    expect(compose(after).findings.filter(({ kind }) => kind === 'number-typed')).to.deep.equal([]);
    expect(dropTypedNumbersEdits(after)).to.deep.equal([]);
  });
});
