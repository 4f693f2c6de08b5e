import { expect } from 'chai';
import { NOVEL_SPEC } from '../../../../src/core/defaults/novelSpec';
import { applyEdits, invertEdits, repairEdits } from '../../../../src/core/edit';
import { CHECKS, type FindingKind } from '../../../../src/core/model/checks/checks';
import type { Finding } from '../../../../src/core/model/checks/finding';
import type { Book } from '../../../../src/core/model/copy/book';
import { eachStream } from '../../../../src/core/model/copy/book';
import { OBJECT_CHARACTER, type InlineObject, type Paragraph } from '../../../../src/core/model/copy/streams';
import { PAGE_RUNNERS, PARAGRAPH_RUNNERS } from '../../../../src/core/proof';
import { OUTSIDE_RUNNERS } from '../../../../src/core/proof/outside';
import { BOOK_RUNNERS, SEARCH_RUNNERS } from '../../../../src/core/typeset/findings/runners';
import { compose } from '../../../build/assets';
import { book, chapter, division, note, p, words } from '../../../build/book';

/** A paragraph with an object before its words. */
const before = (object: InlineObject, text: string): Paragraph => ({
  ...p(`${OBJECT_CHARACTER}${text}`),
  objects: [object],
});

/** A book with one of each fault that can be mended without a choice. */
function faulty(): Book {
  const made = book(
    [
      division('chapter', [
        p('One', 'CT'),
        before({ at: 0, kind: 'index', term: ' ', sub: '', see: '', seeAlso: [], range: 'here' } as never, words(30)),
        before({ at: 0, kind: 'reference', target: 'p999999', shows: 'title' } as never, words(30, 2)),
        p(`With an empty note{1} and one of a kind that is gone{2}.`),
      ]),
      chapter('Two', words(400, 5)),
    ],
    [note(1, ' '), { ...note(2, 'Its words.'), kind: 'sidenote' }, note(3, 'Nobody refers to it.')],
  );
  const spots = [{ pattern: '(?=look)ahead', style: 'em' }];
  return {
    ...made,
    spec: { ...NOVEL_SPEC, styles: { ...NOVEL_SPEC.styles, EXT: { ...NOVEL_SPEC.styles.EXT, spots } } },
    anchors: { a1: { stream: made.divisions[0].id, block: 'p999998', from: 0, to: 0, words: '' } },
    pageTouches: [{ id: 't1', anchor: 'a1', hideHead: true, madeOn: 3 }],
  };
}

const MENDABLE: readonly FindingKind[] = [
  'touch-lost',
  'target-gone',
  'index-mark',
  'spot-rule',
  'note-empty',
  'note-without-reference',
  'note-kind-gone',
];

const kindsOf = (findings: readonly Finding[]) => findings.map(({ kind }) => kind);

describe('the checks of the proof reader', () => {
  it('have a runner each, and no runner finds what has no check', () => {
    const kinds = [PARAGRAPH_RUNNERS, PAGE_RUNNERS, SEARCH_RUNNERS, BOOK_RUNNERS, OUTSIDE_RUNNERS].flatMap((record) =>
      Object.keys(record),
    );
    expect(kinds).to.deep.equal(Object.keys(CHECKS));
  });

  it('stand on the words that they are about', () => {
    const made = faulty();
    const { findings } = compose(made);
    const texts = new Map(
      [...eachStream(made)].flatMap(({ stream, blocks }) =>
        blocks.map((block) => [`${stream} ${block.id}`, block.kind === 'paragraph' ? block.text : '']),
      ),
    );
    for (const { kind, stream, block, from, to } of findings) {
      const text = texts.get(`${stream} ${block}`);
      if (block === '') expect([from, to], kind).to.deep.equal([0, 0]);
      else if (text !== undefined)
        expect(0 <= from && from <= to && to <= text.length, `${kind} ${from} ${to}`).to.equal(true);
    }
    const mark = findings.find(({ kind }) => kind === 'index-mark')!;
    expect([mark.from, mark.to]).to.deep.equal([0, 1]);
  });

  it('quote the line that they stand on, notes before it counted as what they are in the copy', () => {
    const long = 'incomprehensibilities '.repeat(40).trim();
    const { findings } = compose(
      book([chapter('One', `It began{1} here. ${long} “and went on.`)], [note(1, 'A note.')], {
        ...NOVEL_SPEC,
        text: { ...NOVEL_SPEC.text, hyphenation: { ...NOVEL_SPEC.text.hyphenation, on: false } },
      }),
    );
    const quote = findings.find(({ kind }) => kind === 'unpaired-quote')!;
    expect(quote.to - quote.from).to.equal(1);
    const short = findings.find(({ kind }) => kind === 'short-line')!;
    expect(short.to).to.be.above(short.from);
    expect(short.message).to.match(/is left \d+\.\d pt short: its spaces would have been 0\.[4-9]\d em\./);
  });

  it('with a repair find nothing any more once it is done, and again when it is taken back', () => {
    let now = faulty();
    const found = compose(now).findings;
    expect(kindsOf(found)).to.include.members([...MENDABLE]);
    for (const kind of MENDABLE) {
      const finding = compose(now).findings.find((one) => one.kind === kind)!;
      const edits = repairEdits(now, finding.repairs![0]);
      expect(edits, kind).to.not.have.length(0);
      const mended = applyEdits(now, edits);
      expect(kindsOf(compose(mended).findings), kind).to.not.include(kind);
      expect(applyEdits(mended, invertEdits(edits))).to.deep.equal(now);
      // What it was about is gone: done twice it does nothing.
      if (kind !== 'note-kind-gone') expect(repairEdits(mended, finding.repairs![0]), kind).to.have.length(0);
      now = mended;
    }
    expect(now.anchors).to.deep.equal({});
    expect(Object.keys(now.notes)).to.deep.equal(['n2']);
    expect(now.notes.n2.kind).to.equal('footnote');
  });

  it('can be mended by a wish for a paragraph', () => {
    const now = faulty();
    const { id, blocks } = now.divisions[1];
    const edits = repairEdits(now, { kind: 'wish', stream: id, block: blocks[1].id, touches: { lines: -1 } });
    expect((applyEdits(now, edits).divisions[1].blocks[1] as Paragraph).touches).to.deep.equal({ lines: -1 });
    expect(repairEdits(now, { kind: 'wish', stream: id, block: 'p999997', touches: { lines: 1 } })).to.have.length(0);
  });
});
