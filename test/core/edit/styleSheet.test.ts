import { expect } from 'chai';
import {
  applyEdits,
  characterUsesOf,
  circleOf,
  clearTouchesEdits,
  freeName,
  freeTag,
  heirsOf,
  invertEdits,
  lessonFrom,
  localTouchesOf,
  mergeCharacterStyleEdits,
  mergeStyleEdits,
  originOf,
  retagStyleEdits,
  tagFault,
  teachEdits,
  usesOf,
  valueOf,
} from '../../../src/core/edit';
import type { Book } from '../../../src/core/model/copy/book';
import { NOVEL_SPEC } from '../../../src/core/defaults/novelSpec';
import type { ParagraphStyle } from '../../../src/core/model/spec/spec';
import type { Block, Paragraph } from '../../../src/core/model/copy/streams';
import { checkBook } from '../../../src/core/validate';
import { book, division, note, p } from '../../build/book';

const { styles } = NOVEL_SPEC;

function withStyles(more: Record<string, ParagraphStyle>, blocks: readonly Block[]): Book {
  const spec = { ...NOVEL_SPEC, styles: { ...styles, ...more } };
  return book([division('chapter', blocks as Paragraph[])], [note(1, 'a note')], spec);
}

const tagsOf = (of: Book) => of.divisions.flatMap(({ blocks }) => blocks.map(({ style }) => style));

describe('facts of a style sheet', () => {
  it('tell where a value comes from', () => {
    expect(originOf(styles, 'EXT', 'size')).to.equal('EXT');
    expect(originOf(styles, 'PN', 'tracking')).to.equal('CN');
    expect(originOf(styles, 'EXT', 'weight')).to.equal(null);
    expect(valueOf(styles, 'PN', 'caps')).to.equal('small');
    expect(valueOf(styles, 'TX', 'size')).to.equal(undefined);
  });

  it('tell a circle before it is made', () => {
    expect(circleOf(styles, 'TX', 'EXT')).to.deep.equal(['TX', 'EXT', 'TX']);
    expect(circleOf(styles, 'CN', 'PN')).to.deep.equal(['CN', 'PN', 'CN']);
    expect(circleOf(styles, 'CN', 'CN')).to.deep.equal(['CN', 'CN']);
    expect(circleOf(styles, 'PN', 'EXT')).to.equal(null);
    const ill = { A: { basedOn: 'B' }, B: { basedOn: 'C' }, C: { basedOn: 'B' } };
    expect(circleOf(ill, 'X', 'A')).to.equal(null);
  });

  it('tell what takes from a style, and names and tags that are free', () => {
    expect([...heirsOf(styles, 'CN')].sort()).to.deep.equal(['CN', 'PN']);
    expect(tagFault(styles, 'TX')).to.match(/already/);
    expect(tagFault(styles, 'no good')).to.match(/no tag/);
    expect(tagFault(styles, 'MINE')).to.equal(null);
    expect(freeTag(styles, 'EXT')).to.equal('EXT2');
    expect(freeName({ a: { name: 'Extract 2' }, b: { name: 'Extract' } }, 'Extract')).to.equal('Extract 3');
  });

  it('tell where a style is used, in notes and cells too', () => {
    const table: Block = {
      kind: 'table',
      id: 'p900',
      style: 'TB',
      columns: 1,
      rows: [[{ id: 'c1', blocks: [p('in a cell', 'EXT')] }]],
    };
    const made = withStyles({}, [p('one', 'EXT'), p('two'), table]);
    expect(usesOf(made, 'EXT').map(({ words }) => words)).to.deep.equal(['one', 'in a cell']);
    expect(usesOf(made, 'NT').map(({ words }) => words)).to.deep.equal(['a note']);
    const spanned: Paragraph = { ...p('a word set so'), spans: [{ from: 2, to: 6, style: 'sc' }] };
    expect(characterUsesOf(withStyles({}, [spanned]), 'sc').map(({ words }) => words)).to.deep.equal(['word']);
  });
});

describe('local touches', () => {
  const touched: Paragraph = {
    ...p('An *odd* one', 'EXT'),
    touches: { align: 'centre', look: { size: 9 }, breakBefore: true },
  };
  const made = withStyles({}, [p('plain'), touched, p('*all of it*', 'EXT')]);

  it('are listed by style', () => {
    expect(localTouchesOf(made, 'EXT').map(({ what, words }) => [what, words])).to.deep.equal([
      ['align centre, size 9', 'An odd one'],
      ['italic', 'odd'],
      ['italic', 'all of it'],
    ]);
    expect(localTouchesOf(made, 'TX')).to.deep.equal([]);
  });

  it('are cleared all, or of one paragraph, wishes for its place left', () => {
    const all = applyEdits(made, clearTouchesEdits(made, 'EXT'));
    expect(localTouchesOf(all, 'EXT')).to.deep.equal([]);
    expect((all.divisions[0].blocks[1] as Paragraph).touches).to.deep.equal({ breakBefore: true });
    const one = applyEdits(made, clearTouchesEdits(made, 'EXT', touched.id));
    expect(localTouchesOf(one, 'EXT').map(({ words }) => words)).to.deep.equal(['all of it']);
    expect(applyEdits(all, invertEdits(clearTouchesEdits(made, 'EXT')))).to.deep.equal(made);
  });

  it('are taught to the style, which then sets all of its paragraphs so', () => {
    const lesson = lessonFrom(made, touched)!;
    expect(lesson.list).to.deep.equal([
      { what: 'size', was: '10.5', is: '9' },
      { what: 'align', was: 'as the text', is: 'centre' },
    ]);
    expect(lesson.paragraphs).to.equal(2);
    // What takes from it and says none of it itself is set anew too; what says all of it stays.
    const heirs = withStyles(
      { SOFT: { name: 'Soft', basedOn: 'EXT' }, FIRM: { name: 'Firm', basedOn: 'EXT', size: 10, align: 'left' } },
      [touched, p('soft', 'SOFT'), p('firm', 'FIRM')],
    );
    expect(lessonFrom(heirs, touched)!.paragraphs).to.equal(2);
    const after = applyEdits(made, teachEdits(made, touched));
    expect(after.spec.styles.EXT).to.deep.equal({ ...styles.EXT, size: 9, align: 'centre' });
    expect((after.divisions[0].blocks[1] as Paragraph).touches).to.deep.equal({ breakBefore: true });
    // The italic word is a word, and no look of the paragraph.
    expect((after.divisions[0].blocks[1] as Paragraph).spans.length).to.equal(1);
    checkBook(after);
  });

  it('on all of the words are a lesson too', () => {
    const whole = made.divisions[0].blocks[2] as Paragraph;
    const after = applyEdits(made, teachEdits(made, whole));
    expect(after.spec.styles.EXT.italic).to.equal(true);
    expect((after.divisions[0].blocks[2] as Paragraph).spans).to.deep.equal([]);
    expect(lessonFrom(made, p('nothing'))).to.equal(null);
    expect(teachEdits(made, p('nothing'))).to.deep.equal([]);
  });
});

describe('styles put in place of others', () => {
  const more = {
    A: { name: 'A', basedOn: 'TX', next: 'B' },
    B: { name: 'B', basedOn: 'A' },
    C: { name: 'C', basedOn: 'B', size: 9 },
  };
  const made: Book = {
    ...withStyles(more, [p('a', 'A'), p('b', 'B'), p('c', 'C'), p('t')]),
    source: { recipe: [], mapping: { Author: 'B', Other: 'EXT' } },
  };

  it('are merged: paragraphs, what takes from them, what they lead to, and the mapping follow', () => {
    const after = applyEdits(made, mergeStyleEdits(made, 'B', 'EXT'));
    expect(tagsOf(after)).to.deep.equal(['A', 'EXT', 'C', 'TX']);
    expect(after.spec.styles.B).to.equal(undefined);
    expect(after.spec.styles.C.basedOn).to.equal('EXT');
    expect(after.spec.styles.A.next).to.equal('EXT');
    expect(after.source.mapping).to.deep.equal({ Author: 'EXT', Other: 'EXT' });
    expect(applyEdits(after, invertEdits(mergeStyleEdits(made, 'B', 'EXT')))).to.deep.equal(made);
  });

  it('never make a circle, whichever is put in place of which', () => {
    for (const tag of ['A', 'B', 'C'])
      for (const into of ['A', 'B', 'C', 'TX', 'EXT'].filter((one) => one !== tag)) {
        const after = applyEdits(made, mergeStyleEdits(made, tag, into));
        for (const [other, { basedOn }] of Object.entries(after.spec.styles)) {
          expect(circleOf(after.spec.styles, other, basedOn), `${tag} by ${into}: ${other}`).to.equal(null);
          expect(basedOn).to.not.equal(tag);
        }
        expect(tagsOf(after)).to.not.include(tag);
      }
  });

  it('get another tag, and stay where they were', () => {
    const after = applyEdits(made, retagStyleEdits(made, 'B', 'SIDE'));
    expect(tagsOf(after)).to.deep.equal(['A', 'SIDE', 'C', 'TX']);
    expect(after.spec.styles.SIDE).to.deep.equal(more.B);
    expect(after.spec.styles.C.basedOn).to.equal('SIDE');
    expect(after.spec.styles.A.next).to.equal('SIDE');
    expect(after.spec.styles.B).to.equal(undefined);
    expect(applyEdits(after, invertEdits(retagStyleEdits(made, 'B', 'SIDE')))).to.deep.equal(made);
  });

  it('of characters are put in place of each other, or taken off', () => {
    const words: Paragraph = {
      ...p('some words here'),
      spans: [
        { from: 0, to: 4, style: 'sc' },
        { from: 5, to: 10, style: 'sc', touches: { italic: true } },
      ],
    };
    const spanned = withStyles({}, [words]);
    const put = applyEdits(spanned, mergeCharacterStyleEdits(spanned, 'sc', 'em'));
    expect((put.divisions[0].blocks[0] as Paragraph).spans.map(({ style }) => style)).to.deep.equal(['em', 'em']);
    const off = applyEdits(spanned, mergeCharacterStyleEdits(spanned, 'sc', null));
    expect((off.divisions[0].blocks[0] as Paragraph).spans).to.deep.equal([
      { from: 5, to: 10, touches: { italic: true } },
    ]);
    expect(off.spec.characterStyles.sc).to.equal(undefined);
  });
});
