// Ornaments of styles: the drawings that ship, or characters, in place of what a paragraph has; in scene breaks of any place, and in the EPUB.
import { expect } from 'chai';
import { strFromU8, unzipSync } from 'fflate';
import { NOVEL_SPEC } from '../../../src/core/defaults/novelSpec';
import { fileBytes } from '../../../src/core/base/fileJob';
import { writePressPdf } from '../../../src/core/index';
import { ORNAMENT_FAMILY, ORNAMENTS } from '../../../src/core/looks/ornaments';
import { isShippedOrnament } from '../../../src/core/model/spec/faces';
import type { Spec } from '../../../src/core/model/spec/spec';
import { checkSpec } from '../../../src/core/validate';
import { displayPage } from '../../../src/core/typeset';
import { compose, faceTable, newContext, newSubsetter } from '../../build/assets';
import { book, chapter, note, p, resetIds, words } from '../../build/book';
import { checkEpub } from '../../build/epubCheck';
import { epubFile } from '../../build/files';
import { pdfFonts, qpdfCheck } from '../../build/tools';

const DATE = '2026-01-02T03:04:05Z';
const SPRIGS = ORNAMENTS.find(({ title }) => title === 'Sprigs')!;

const specWith = (ornament: string | null, tag = 'SB'): Spec =>
  checkSpec({ ...NOVEL_SPEC, styles: { ...NOVEL_SPEC.styles, [tag]: { ...NOVEL_SPEC.styles[tag], ornament } } });

function bookWith(spec: Spec, breaks: readonly ReturnType<typeof p>[]) {
  const one = chapter('One', words(60, 1));
  return book(
    [{ ...one, blocks: [...one.blocks, ...breaks.flatMap((block, k) => [block, p(words(90, k + 2))])] }],
    [],
    spec,
  );
}

function itemsOf(made: ReturnType<typeof bookWith>) {
  const context = newContext();
  const composed = compose(made, context);
  const lists = composed.pages.map(({ index }) => displayPage(composed, index, context));
  return { composed, context, items: lists.flatMap(({ items }, page) => items.map((item) => ({ ...item, page }))) };
}

describe('ornaments', () => {
  beforeEach(resetIds);

  it('that ship are all in their face, as wide as they are drawn', () => {
    const face = faceTable.find(({ family }) => family === ORNAMENT_FAMILY)!;
    const made = bookWith(specWith(null), [p(ORNAMENTS.map(({ character }) => character).join(' '))]);
    const { composed } = itemsOf(made);
    expect(composed.findings.filter(({ kind }) => kind === 'missing-character')).to.deep.equal([]);
    // Nor are they told as characters that the text face lacks.
    for (const { paragraph } of composed.pages.flatMap(({ fragments }) => fragments))
      expect(paragraph.styled.lacking ?? []).to.deep.equal([]);
    ORNAMENTS.forEach(({ character }) => expect(isShippedOrnament(character.codePointAt(0)!)).to.equal(true));
    expect(new Set(ORNAMENTS.map(({ character }) => character)).size).to.equal(ORNAMENTS.length);
    expect(face.weight).to.equal(400);
  });

  it('stand in place of what breaks have in the copy, in styles based on theirs too, and the copy stays', () => {
    const made = bookWith(specWith(SPRIGS.character), [p('~ ~ ~', 'SBO'), p('#', 'SBO')]);
    const { items, composed } = itemsOf(made);
    const drawn = items.filter(({ text }) => text === SPRIGS.character);
    expect(drawn).to.have.length(2);
    for (const item of drawn) {
      expect(item.face).to.equal(`${ORNAMENT_FAMILY}/400`);
      // In the middle of the measure.
      const { back, foreEdge, measure } = composed.geometry;
      const left = composed.pages[item.page].side === 'recto' ? back : foreEdge;
      expect(item.endX - (SPRIGS.advance / 2000) * item.size).to.be.closeTo(left + measure / 2, 0.2);
    }
    expect(items.some(({ text }) => text.includes('~ ~ ~') || text === '#')).to.equal(false);
    expect(made.divisions[0].blocks.filter((block) => 'text' in block && block.text === '~ ~ ~')).to.have.length(1);
  });

  it('are characters too, and a break that holds a note keeps its words', () => {
    const noted = note(1, 'Of the break.');
    const one = chapter('One', words(60, 1));
    const held = { ...p('~ ~\uFFFC', 'SBO'), objects: [{ at: 3, kind: 'note' as const, note: 'n1' }] };
    const spec = specWith('\u2767', 'SBO');
    const { items } = itemsOf(
      book([{ ...one, blocks: [...one.blocks, p('~ ~ ~', 'SBO'), p('Text.'), held] }], [noted], spec),
    );
    expect(items.some(({ text }) => text === '\u2767')).to.equal(true);
    expect(items.some(({ text }) => text.startsWith('~ ~'))).to.equal(true);
    expect(items.some(({ text }) => text.includes('Of the break'))).to.equal(true);
  });

  it('show an empty break at the edge of a page alone', () => {
    const made = bookWith(
      specWith(SPRIGS.character),
      Array.from({ length: 14 }, () => p('', 'SB')),
    );
    const { composed, items } = itemsOf(made);
    const drawn = items.filter(({ text }) => text === SPRIGS.character);
    const edges = composed.pages.flatMap(({ fragments }) =>
      [fragments[0], fragments[fragments.length - 1]].filter(
        ({ paragraph }) => paragraph.styled.style.meaning === 'break',
      ),
    );
    expect(edges.length).to.be.above(0);
    expect(drawn).to.have.length(edges.length);
  });

  it('go into the press PDF as a face, and into the EPUB as a drawing', () => {
    const made = bookWith(specWith(SPRIGS.character, 'SBO'), [p('~ ~ ~', 'SBO')]);
    const { composed, context } = itemsOf(made);
    const bytes = fileBytes(writePressPdf(made, composed, context, newSubsetter(), DATE), {});
    qpdfCheck(bytes);
    expect(pdfFonts(bytes)).to.match(/Ornaments/i);
    const epub = epubFile(made, DATE);
    checkEpub('ornament', epub);
    const files = unzipSync(epub);
    expect(strFromU8(files['OPS/ornament.svg'])).to.include('<title>Sprigs</title>');
    expect(strFromU8(files['OPS/book.css'])).to.include('url("ornament.svg")');
    const typed = epubFile(bookWith(specWith('\u2767 "', 'SBO'), [p('~ ~ ~', 'SBO')]), DATE);
    checkEpub('typed ornament', typed);
    expect(strFromU8(unzipSync(typed)['OPS/book.css'])).to.include('content: "\\2767  \\22 "');
    const plain = unzipSync(epubFile(bookWith(specWith(null, 'SBO'), [p('~ ~ ~', 'SBO')]), DATE));
    expect(plain['OPS/ornament.svg']).to.equal(undefined);
  });
});
