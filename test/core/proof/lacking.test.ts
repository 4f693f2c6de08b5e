import { expect } from 'chai';
import { applyEdits, fallbackFaceEdits, invertEdits, replaceFaceEdits } from '../../../src/core/edit';
import { needsOf } from '../../../src/core/index';
import { scriptOf, type FallbackFaces } from '../../../src/core/model/spec/scripts';
import type { Book } from '../../../src/core/model/copy/book';
import type { Paragraph } from '../../../src/core/model/copy/streams';
import { lackingCharacters } from '../../../src/core/proof';
import { resolveStyles, StyleInterner, styleParagraph } from '../../../src/core/styles';
import { checkSpec } from '../../../src/core/validate';
import { faceTable } from '../../build/assets';
import { book, chapter } from '../../build/book';

/** The paragraphs of a book's first division as they are styled. */
function styledOf({ spec, divisions }: Book) {
  const sheet = resolveStyles(spec, 'en', () => 0.25, new StyleInterner());
  const context = {
    spec,
    faces: faceTable,
    fieldText: () => '',
    noteReference: () => ({ text: '1', position: 'superior' as const }),
    referenceText: () => '',
  };
  const [{ id, blocks }] = divisions;
  return blocks.map((block) => styleParagraph(id, block as Paragraph, sheet.get(block.style)!, context));
}

describe('characters that their face lacks', () => {
  const made = book([
    chapter('One', 'The word אב stands here, and א again.', 'A sign \u{1F9A2} and nothing else.', 'Plain.'),
  ]);
  const emphasised: Book = {
    ...made,
    divisions: made.divisions.map((division) => ({
      ...division,
      blocks: division.blocks.map((block, k) =>
        k === 1 ? ({ ...block, spans: [{ from: 4, to: 10, style: 'em' }] } as Paragraph) : block,
      ),
    })),
  };

  it('are told with all their places and the faces that have them', () => {
    const [alef, bet, bird] = lackingCharacters(styledOf(emphasised), faceTable);
    expect([alef.character, alef.places.length, alef.lackedBy]).to.deep.equal(['א', 2, ['EB Garamond']]);
    expect(alef.places.map(({ offset }) => offset)).to.deep.equal([9, 29]);
    expect(alef.families.map(({ family }) => family))
      .to.include('frank-ruhl-libre')
      .and.not.include('eb-garamond');
    expect(bet.character).to.equal('ב');
    expect([bird.code, bird.places[0].length]).to.deep.equal([0x1f9a2, 2]);
  });

  it('are set in a face by a style that keeps the look around them, in one step that can be taken back', () => {
    const [alef] = lackingCharacters(styledOf(emphasised), faceTable);
    const edits = fallbackFaceEdits(emphasised, alef.places, 'frank-ruhl-libre', 'Frank Ruhl Libre');
    const after = applyEdits(emphasised, edits);
    checkSpec(after.spec);
    const { spans } = after.divisions[0].blocks[1] as Paragraph;
    const own = after.spec.characterStyles;
    expect(
      spans.map(({ from, to, style }) => [from, to, own[style!].basedOn ?? style, own[style!].face ?? null]),
    ).to.deep.equal([
      [4, 9, 'em', null],
      [9, 10, 'em', 'frank-ruhl-libre'],
      [29, 30, spans[2].style, 'frank-ruhl-libre'],
    ]);
    expect(lackingCharacters(styledOf(after), faceTable).map(({ character }) => character)).to.not.include('א');
    const run = styledOf(after)[1].runs.find(({ from }) => from === 9)!;
    expect(run.face).to.match(/^frank-ruhl-libre/);
    expect(applyEdits(after, invertEdits(edits))).to.deep.equal(emphasised);
    expect(fallbackFaceEdits(after, [], 'amiri', 'Amiri')).to.deep.equal([]);
  });
});

describe('a face for a script', () => {
  const withFaces = (of: Book, fallbacks: FallbackFaces): Book => ({
    ...of,
    spec: { ...of.spec, text: { ...of.spec.text, fallbacks } },
  });
  const made = book([chapter('One', 'The word אב, a reed \u25CB and a bird \u{1F9A2}, ᚠ too.')]);
  const facesOf = (of: Book) => {
    const { text, runs } = styledOf(of)[1];
    return (character: string) => runs.find(({ to }) => to > text.indexOf(character))!.face.split('/')[0];
  };

  it('is taken for what the wished face lacks and it has, and for nothing else', () => {
    const given = withFaces(made, { Hebr: 'frank-ruhl-libre', Zyyy: 'spectral', Zsye: 'spectral', Latn: 'spectral' });
    checkSpec(given.spec);
    const faceOf = facesOf(given);
    expect(['א', '\u25CB', '\u{1F9A2}', 'reed'].map(faceOf)).to.deep.equal([
      ...['frank-ruhl-libre', 'spectral', 'noto-emoji', 'eb-garamond'],
    ]);
    // What the given face has is missing no more; the rest stays listed.
    const left = lackingCharacters(styledOf(given), faceTable).map(({ character }) => character);
    expect(left.sort()).to.deep.equal(['ᚠ', '\u{1F9A2}'].sort());
    expect(lackingCharacters(styledOf(made), faceTable).map(({ character }) => character)).to.include('א');
  });

  it('is among the faces that the book needs, and goes with a face that is replaced', () => {
    const given = withFaces(made, { Zyyy: 'spectral' });
    expect(needsOf(given, faceTable).faces).to.include('spectral/400');
    expect(needsOf(made, faceTable).faces).to.not.include('spectral/400');
    const [change] = replaceFaceEdits(given, 'spectral', 'alegreya', 1);
    expect(applyEdits(given, [change]).spec.text.fallbacks).to.deep.equal({ Zyyy: 'alegreya' });
  });

  it('scripts: letters by theirs, signs and digits apart, emoji apart from signs', () => {
    const codes = 'aΩжאب漢ひ7—©\u25CB\u{1F9A2}\u2615\u263A';
    expect([...codes].map((character) => scriptOf(character.codePointAt(0)!)).join(' ')).to.equal(
      'Latn Grek Cyrl Hebr Arab Hani Hira Zyyy Zyyy Zyyy Zyyy Zsye Zsye Zyyy',
    );
    expect(() => checkSpec(withFaces(made, { Xxxx: 'spectral' } as never).spec)).to.throw();
  });
});
