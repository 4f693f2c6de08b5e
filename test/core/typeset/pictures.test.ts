import { expect } from 'chai';
import fc from 'fast-check';
import { encode as encodeJpeg } from 'jpeg-js';
import type { Book, Note } from '../../../src/core/model/copy/book';
import { columnLeft, gridBaseline, type TypesetBook } from '../../../src/core/model/composed/pages';
import {
  paragraph,
  OBJECT_CHARACTER,
  type Block,
  type Paragraph,
  type PictureFacts,
} from '../../../src/core/model/copy/streams';
import { displayPage, paragraphFacts, writePressPdf } from '../../../src/core/typeset';
import { loadDecoders } from '../../../src/decoders/loadDecoders';
import { NOVEL_SPEC } from '../../../src/core/defaults/novelSpec';
import { PLAIN_TONE } from '../../../src/core/model/spec/inks';
import type { Spec } from '../../../src/core/model/spec/spec';
import { compose, newContext, newSubsetter, readAsset } from '../../build/assets';
import { book, chapter, p, words } from '../../build/book';
import { factsOf, GIF, heldJpeg, jpegOf, picture, pngOf, svgOf, tiffOf, WEBP } from '../../build/pictures';
import { drawnPage, qpdfCheck, runOn } from '../../build/tools';
import { fileBytes } from '../../../src/core/base/fileJob';

const WIDE = factsOf(pngOf(600, 300));

const IN_COLOUR: Spec = {
  ...NOVEL_SPEC,
  inks: { ...NOVEL_SPEC.inks, pictures: { press: 'asis', tone: PLAIN_TONE } },
};

function bookOf(blocks: readonly Block[], notes: readonly Note[] = []): Book {
  const one = chapter('One', words(60, 1));
  return book([{ ...one, blocks: [...one.blocks, ...blocks] }], notes, IN_COLOUR);
}

/** Every picture as it is drawn, with its page. */
function drawn(set: Book, context = newContext()) {
  const composed = compose(set, context);
  const all = composed.pages.flatMap((page) =>
    displayPage(composed, page.index, context).pictures.map((item) => ({ ...item, page })),
  );
  return { composed, context, all };
}

/** Page on which a block stands first. */
const pageOf = ({ pages }: TypesetBook, block: string) =>
  pages.findIndex(({ fragments }) => fragments.some((one) => one.paragraph.styled.block === block && one.from === 0));

describe('pictures on pages', () => {
  it('hang from the cap height of a line, no wider than the column, and the text after is back on the grid', () => {
    const { composed, all } = drawn(bookOf([picture('p500', WIDE), p('After.')]));
    const [only] = all;
    const { geometry } = composed;
    expect(all).to.have.length(1);
    expect(only.width).to.be.closeTo(geometry.measure, 1e-6);
    expect(only.height).to.be.closeTo(geometry.measure / 2, 1e-6);
    expect(only.x).to.be.closeTo(columnLeft(geometry, only.page.side), 1e-6);
    const line = (only.y - geometry.head) / geometry.leading;
    expect(line).to.be.closeTo(Math.round(line), 1e-6);
    const after = only.page.fragments[only.page.fragments.length - 1];
    const grid = (after.y - gridBaseline(geometry, 0)) / geometry.leading;
    expect(grid).to.be.closeTo(Math.round(grid), 1e-6);
    expect(after.y - after.paragraph.styled.style.leading).to.be.at.least(only.y + only.height);
  });

  it('are as large as the file shows them, centred or at the side that their paragraph wishes', () => {
    const small = factsOf(pngOf(600, 300), 'a.png', '', 144, 72);
    const left: Paragraph = { ...picture('p501', small), touches: { align: 'left' } };
    const { composed, all } = drawn(bookOf([picture('p500', small), left]));
    const edge = columnLeft(composed.geometry, all[0].page.side);
    for (const one of all) expect([one.width, one.height]).to.deep.equal([144, 72]);
    expect(all[0].x - edge).to.be.closeTo((composed.geometry.measure - 144) / 2, 1e-6);
    expect(all[1].x - edge).to.be.closeTo(0, 1e-6);
  });

  it('that are deeper than a page fill one, and keep their proportions', () => {
    const { composed, all } = drawn(bookOf([picture('p500', factsOf(pngOf(200, 900))), p('After.')]));
    const { geometry } = composed;
    expect(all[0].height).to.be.closeTo((geometry.lines - 1) * geometry.leading + geometry.capHeight, 1e-6);
    expect(all[0].height / all[0].width).to.be.closeTo(4.5, 1e-6);
    expect(all[0].y).to.be.closeTo(geometry.head, 1e-6);
  });

  it('stand on the page of their caption, whatever comes before', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 420 }), fc.integer({ min: 3, max: 40 }), (before, long) => {
        const blocks = [
          p(words(before, 2)),
          picture('p500', WIDE),
          paragraph('p501', 'CAP', words(long, 3)),
          p(words(80, 4)),
        ];
        const { composed } = drawn(bookOf(blocks));
        expect(pageOf(composed, 'p500')).to.equal(pageOf(composed, 'p501'));
      }),
      { numRuns: 25 },
    );
  });

  it('that would fill a page leave room for their caption', () => {
    for (const length of [4, 30, 70]) {
      const caption = paragraph('p501', 'CAP', words(length, 8));
      const { composed, all } = drawn(bookOf([picture('p500', factsOf(pngOf(200, 900))), caption, p(words(200, 3))]));
      const { geometry } = composed;
      const { fragments } = composed.pages[all[0].page.index];
      const last = fragments.find(({ paragraph: { styled } }) => styled.block === 'p501')!;
      const foot = last.y + (last.to - last.from - 1) * last.paragraph.styled.style.leading;
      expect([last.from, last.to]).to.deep.equal([0, last.paragraph.broken.count]);
      expect(foot).to.be.at.most(gridBaseline(geometry, geometry.lines - 1) + 0.01);
      expect(all[0].height / all[0].width).to.be.closeTo(4.5, 1e-6);
      expect(all[0].height).to.be.above(geometry.lines * geometry.leading * 0.7);
    }
  });

  it('for which there is no room stand at the head of the next page with their caption, and the text goes on before them', () => {
    const square = factsOf(pngOf(600, 600));
    const prose = (k: number) => p(words(90, 20 + k));
    const set = bookOf([
      prose(1),
      picture('p500', square),
      paragraph('p501', 'CAP', 'A tide table.'),
      ...[3, 4, 5, 6].map(prose),
    ]);
    const { composed, all } = drawn(set);
    const { geometry } = composed;
    const at = pageOf(composed, 'p500');
    expect(all[0].page.index).to.equal(at);
    expect(pageOf(composed, 'p501')).to.equal(at);
    // From the head of the page, the caption under it, and the text after both.
    expect(all[0].y).to.be.closeTo(geometry.head, 1e-6);
    const { fragments } = composed.pages[at];
    const lineOf = (block: string) => fragments.find(({ paragraph: { styled } }) => styled.block === block)!.y;
    const text = fragments.filter(
      ({ paragraph: { styled } }) => styled.style.meaning === 'body' && !styled.style.pictures,
    );
    expect(lineOf('p501')).to.be.above(all[0].y + all[0].height);
    for (const { y } of text) expect(y).to.be.above(lineOf('p501') + geometry.leading);
    // The page before is full, with words that come after the picture.
    const [before] = composed.pages.slice(at - 1);
    const depth = Math.max(...before.fragments.map(({ y, from, to }) => y + (to - from - 1) * geometry.leading));
    expect(depth).to.be.closeTo(gridBaseline(geometry, geometry.lines - 1 + before.depth), 1);
    const told = composed.findings.filter(({ kind }) => kind === 'picture-over');
    expect(told.map(({ block, page }) => [block, page])).to.deep.equal([['p500', at]]);
    // Every word stands once, in its order.
    const blocks = composed.pages.flatMap((page) => page.fragments.map(({ paragraph: { styled } }) => styled.block));
    expect(new Set(blocks).size).to.be.at.least(set.divisions[0].blocks.length);
  });

  it('that a person keeps with what follows do not go over, and say nothing', () => {
    const square = factsOf(pngOf(600, 600));
    const kept: Paragraph = { ...picture('p500', square), touches: { together: true } };
    const prose = (k: number) => p(words(90, 20 + k));
    const caption = paragraph('p501', 'CAP', 'A tide table.');
    const { composed } = drawn(bookOf([prose(1), kept, caption, ...[3, 4, 5, 6].map(prose)]));
    const order = composed.pages.flatMap((page) => page.fragments.map(({ paragraph: { styled } }) => styled.block));
    const at = order.indexOf('p500');
    expect(order[at + 1]).to.equal('p501');
    expect(order.slice(0, at)).to.not.include(order[at + 2]);
    expect(pageOf(composed, 'p500')).to.equal(pageOf(composed, 'p501'));
    expect(composed.findings.map(({ kind }) => kind)).to.not.include('picture-over');
  });

  it('among words follow their paragraph, before its words stand before it, and lose no word', () => {
    const facts = factsOf(pngOf(60, 30));
    const text = `${OBJECT_CHARACTER} one ${OBJECT_CHARACTER} two${OBJECT_CHARACTER}`;
    const at = [0, 6, 11];
    const block = paragraph('p500', 'TX', text, { objects: at.map((place) => ({ ...facts, at: place })) });
    const { all } = drawn(bookOf([block, p('After.')]));
    const [page] = all.map((one) => one.page);
    const order = page.fragments
      .filter((one) => one.paragraph.styled.block === 'p500')
      .map(({ paragraph: { styled } }) => (styled.style.pictures === undefined ? styled.text.trim() : 'picture'));
    expect(order).to.deep.equal(['picture', 'one  two', 'picture', 'picture']);
  });

  it('in notes and in cells are there too', () => {
    const facts = factsOf(pngOf(60, 30));
    const cell = (id: string, block: Block) => ({ id, blocks: [block] });
    const table: Block = {
      kind: 'table',
      id: 'p600',
      style: 'TB',
      columns: 2,
      rows: [[cell('c1', picture('p601', facts)), cell('c2', paragraph('p602', 'TX', 'Words'))]],
    };
    const notes: Note[] = [{ id: 'n1', kind: 'footnote', blocks: [p('A note.', 'NT'), picture('p603', facts, 'NT')] }];
    const { composed, all } = drawn(bookOf([p('Text{1} more.'), table], notes));
    expect(all.map((one) => one.block)).to.have.members(['p601', 'p603']);
    const inNote = all.find((one) => one.block === 'p603')!;
    expect(inNote.page.notes.some((one) => one.paragraph.styled.block === 'p603')).to.equal(true);
    expect(inNote.y + inNote.height).to.be.at.most(gridBaseline(composed.geometry, composed.geometry.lines) + 1);
  });

  it('without a file are frames, told of; coarse ones and kinds that do not print are told of too', () => {
    const missing: PictureFacts = { ...factsOf(pngOf(2, 2)), asset: '', width: 0, height: 0, name: 'lost.png' };
    const bitmap: PictureFacts = { ...WIDE, format: 'bmp', name: 'old.bmp' };
    const fine = factsOf(pngOf(1200, 600), 'fine.png', '', 200, 100);
    const blocks = [picture('p500', missing), picture('p501', bitmap), picture('p502', WIDE), picture('p503', fine)];
    const set = bookOf(blocks);
    const { composed, context, all } = drawn(set);
    expect(all).to.have.length(4);
    const told = composed.findings
      .filter(({ kind }) => kind.startsWith('picture'))
      .map(({ kind, block }) => `${kind} ${block}`);
    expect(told).to.deep.equal([
      'picture-missing p500',
      'picture-not-printed p501',
      'picture-coarse p502',
      'picture-without-words p503',
    ]);
    // A photograph of over twice what print needs is told of, at twice it is not; drawn lines may want more.
    const kindsOf = (one: PictureFacts) =>
      compose(bookOf([picture('p500', one)])).findings.flatMap(({ kind }) =>
        /oversized|coarse/.test(kind) ? kind : [],
      );
    const photograph = (width: number) => factsOf(jpegOf(width, width), 'a.jpg', 'A weir', 36, 36);
    expect([299, 301, 149, 151].map((width) => kindsOf(photograph(width)).join())).to.deep.equal([
      '',
      'picture-oversized',
      'picture-coarse',
      '',
    ]);
    expect(kindsOf(factsOf(pngOf(400, 400), 'a.png', 'A weir', 36, 36))).to.deep.equal([]);
    const facts = paragraphFacts(set, composed, context, set.divisions[0].id, 'p503')!;
    expect(facts.pictures).to.deep.equal([{ name: 'fine.png', width: 200, height: 100, resolution: 432 }]);
    expect(
      paragraphFacts(set, composed, context, set.divisions[0].id, set.divisions[0].blocks[1].id)!.pictures,
    ).to.deep.equal([]);
  });

  it('change with the trim, and with an edit only where it is', () => {
    const context = newContext();
    const set = bookOf([picture('p500', WIDE), p(words(30, 9))]);
    const wide = drawn(set, context).all[0].width;
    const { trim } = NOVEL_SPEC.page;
    const page = { ...NOVEL_SPEC.page, trim: { ...trim, width: { pt: trim.width.pt - 20, unit: 'pt' as const } } };
    const narrow = drawn({ ...set, spec: { ...NOVEL_SPEC, page } }, context).all[0].width;
    expect(wide - narrow).to.be.closeTo(20, 1e-6);
    const fresh = drawn({ ...set, spec: { ...NOVEL_SPEC, page } }).all[0].width;
    expect(narrow).to.be.closeTo(fresh, 1e-6);
  });
});

/** What paths cannot show. */
const SHADED =
  '<linearGradient id="g"><stop stop-color="#246"/><stop offset="1" stop-color="#ace"/></linearGradient><rect width="300" height="200" fill="url(#g)"/>';

describe('pictures in the press PDF', () => {
  /** A book with its pictures, written; and where each is drawn. */
  function written(set: Book, facts: readonly PictureFacts[], files: readonly Uint8Array[]) {
    const context = newContext();
    const { composed, all } = drawn(set, context);
    const pictures = Object.fromEntries(facts.map((one, k) => [one.asset, files[k]]));
    const bytes = fileBytes(writePressPdf(set, composed, context, newSubsetter(), '2026-01-01T00:00:00Z'), pictures);
    qpdfCheck(bytes);
    const pages = new Map<number, ReturnType<typeof drawnPage>>();
    const page = (index: number) => {
      if (!pages.has(index)) pages.set(index, drawnPage(bytes, index + 1));
      return pages.get(index)!;
    };
    return { bytes, composed, drawn: all, page };
  }

  it('are there at their size: JPEG as it came, PNG as pressed rows, with what shows through as a mask', () => {
    const files = [jpegOf(90, 60), pngOf(90, 60, 1), pngOf(90, 60, 3), pngOf(90, 60, 4), GIF];
    const facts = files.map((bytes, k) => factsOf(bytes, `${k}.png`, '', 108, 72));
    const set = bookOf([...facts.map((one, k) => picture(`p70${k}`, one)), picture('p710', facts[0])]);
    const context = newContext();
    const composed = compose(set, context);
    const pictures = Object.fromEntries(facts.map((one, k) => [one.asset, files[k]]));
    const bytes = fileBytes(writePressPdf(set, composed, context, newSubsetter(), '2026-01-01T00:00:00Z'), pictures);
    qpdfCheck(bytes);
    const listed = runOn(bytes, '.pdf', 'pdfimages', (file) => ['-list', file]);
    const rows = listed
      .split('\n')
      .slice(2)
      .filter((row) => row !== '')
      .map((row) => row.trim().split(/\s+/));
    const images = rows.filter((row) => row[2] === 'image');
    expect(images).to.have.length(6);
    expect(images.map((row) => row[8]).filter((kind) => kind === 'jpeg')).to.have.length(2);
    expect(rows.filter((row) => row[2] === 'smask')).to.have.length(2);
    // A picture used twice is in the file once, at 60 pixels to the inch.
    expect(new Set(images.map((row) => row[10])).size).to.equal(5);
    for (const row of images.slice(0, 4)) expect(row[12]).to.equal('60');
    const whole = Buffer.from(bytes).toString('latin1');
    expect(whole).to.include(Buffer.from(files[0]).toString('latin1'));
  });

  it('of other kinds are there too: inks stay inks, a grey one is grey, a drawing as sharp as its place needs', async () => {
    await loadDecoders(['webp', 'svg'], readAsset);
    const files = [WEBP, tiffOf(60, 40, 4), tiffOf(60, 40, 1), svgOf(SHADED)];
    const facts = files.map((bytes, k) => factsOf(bytes, `${k}`, 'A weir', 72, 48));
    const set = bookOf(facts.map((one, k) => picture(`p70${k}`, one)));
    const { bytes, composed } = written(set, facts, files);
    const images = runOn(bytes, '.pdf', 'pdfimages', (file) => ['-list', file])
      .split('\n')
      .slice(2)
      .filter((row) => /\bimage\b/.test(row))
      .map((row) => row.trim().split(/\s+/));
    expect(images.map((row) => row.slice(3, 6).join(' '))).to.deep.equal([
      '8 4 rgb',
      '60 40 cmyk',
      '60 40 gray',
      '600 400 rgb',
    ]);
    expect(composed.findings.filter(({ kind }) => kind === 'picture-not-printed')).to.deep.equal([]);
    // A drawing is never coarse.
    const coarse = composed.findings.filter(({ kind }) => kind === 'picture-coarse').map(({ block }) => block);
    expect(coarse).to.deep.equal(['p700', 'p701', 'p702']);
  });

  it('that were held sideways stand upright, as a browser shows them', () => {
    // Red, green / blue, white, from the head of the rows in the file.
    const [width, height] = [64, 32];
    const corners = [
      [255, 0, 0],
      [0, 160, 0],
      [0, 0, 255],
      [255, 255, 255],
    ];
    const data = new Uint8Array(width * height * 4);
    for (let y = 0; y < height; y += 1)
      for (let x = 0; x < width; x += 1)
        data.set([...corners[(y < height / 2 ? 0 : 2) + (x < width / 2 ? 0 : 1)], 255], (y * width + x) * 4);
    const plain = new Uint8Array(encodeJpeg({ width, height, data }, 95).data);
    // Which corners of the file come to head left, head right, foot left, foot right (Exif 2.3, 4.6.4).
    const seen = [
      [0, 1, 2, 3],
      [1, 0, 3, 2],
      [3, 2, 1, 0],
      [2, 3, 0, 1],
      [0, 2, 1, 3],
      [2, 0, 3, 1],
      [3, 1, 2, 0],
      [1, 3, 0, 2],
    ];
    const files = seen.map((_, k) => heldJpeg(plain, k + 1));
    const facts = files.map((bytes, k) => factsOf(bytes, `${k}.jpg`, '', k < 4 ? 64 : 32, k < 4 ? 32 : 64));
    const set = bookOf(facts.map((one, k) => picture(`p70${k}`, one)));
    const { bytes, drawn: all, page } = written(set, facts, files);
    all.forEach((one, k) => {
      const at = page(one.page.index);
      const places = [0.25, 0.75].flatMap((v) =>
        [0.25, 0.75].map((u) => [one.x + u * one.width, one.y + v * one.height]),
      );
      places.forEach(([x, y], corner) => {
        const found = at(x, y);
        corners[seen[k][corner]].forEach((value, c) =>
          expect(found[c], `${k + 1}: ${corner}`).to.be.closeTo(value, 40),
        );
      });
    });
    qpdfCheck(bytes);
  });

  it('that are not there, or damaged, leave a frame', () => {
    const damaged = pngOf(40, 40, 4).slice(0, 60);
    const set = bookOf([picture('p500', WIDE), picture('p501', factsOf(damaged))]);
    const context = newContext();
    const composed = compose(set, context);
    const pictures = { [factsOf(damaged).asset]: damaged };
    const bytes = fileBytes(writePressPdf(set, composed, context, newSubsetter(), '2026-01-01T00:00:00Z'), pictures);
    qpdfCheck(bytes);
    const plain = runOn(bytes, '.pdf', 'qpdf', (file) => ['--qdf', '--object-streams=disable', file, '-']);
    expect(plain.match(/ re S Q/g)).to.have.length(2);
    expect(plain).to.not.include('/Subtype /Image');
  });
});
