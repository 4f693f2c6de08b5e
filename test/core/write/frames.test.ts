// Pictures in frames, read back from the press PDF: whole, at their place, at the size and resolution that the slip tells.
import { expect } from 'chai';
import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileBytes } from '../../../src/core/base/fileJob';
import { writePressPdf } from '../../../src/core/index';
import {
  PLAIN_AROUND,
  PLAIN_CROP,
  PLAIN_FIGURE,
  PLAIN_FRAME,
  type Crop,
  type FigureSetting,
} from '../../../src/core/model/copy/figureSetting';
import { OBJECT_CHARACTER, paragraph } from '../../../src/core/model/copy/streams';
import { displayPage } from '../../../src/core/typeset';
import { compose, newContext, newSubsetter } from '../../build/assets';
import { book, chapter, p, resetIds, words } from '../../build/book';
import { factsOf, pngOf } from '../../build/pictures';
import { qpdfCheck } from '../../build/tools';

const [WIDE, HIGH] = [600, 400];
const PNG = pngOf(WIDE, HIGH, 3);
const FACTS = factsOf(PNG);

/** A book with one framed figure, as its composed picture and its PDF. */
function written(setting: Partial<FigureSetting>, crop?: Partial<Crop>) {
  resetIds();
  const one = chapter('One', words(60, 1));
  const mark = paragraph('p500', 'TX', OBJECT_CHARACTER, { objects: [{ at: 0, kind: 'figure', figure: 'f1' }] });
  const part = crop === undefined ? { picture: FACTS } : { picture: FACTS, crop: { ...PLAIN_CROP, ...crop } };
  const text = (id: string) => ({ id, blocks: [] });
  const made = {
    ...book([{ ...one, blocks: [...one.blocks, p(words(120, 2)), mark, p(words(120, 3))] }]),
    figures: { f1: { ...PLAIN_FIGURE, ...setting, id: 'f1', parts: [part], caption: text('s1'), credit: text('s2') } },
  };
  const context = newContext();
  const composed = compose(made, context);
  const pages = composed.pages.map(({ index }) => displayPage(composed, index, context));
  const page = pages.findIndex(({ pictures }) => pictures.length > 0);
  const file = fileBytes(writePressPdf(made, composed, context, newSubsetter(), '2026-01-02T03:04:05Z'), {
    [FACTS.asset]: PNG,
  });
  const set = composed.pages
    .flatMap(({ fragments }) => fragments)
    .find(({ paragraph: { styled } }) => styled.style.pictures !== undefined)!.paragraph.styled.style.pictures![0];
  return { item: pages[page].pictures[0], height: pages[page].height, page, file, set };
}

/** What poppler says of the images of a PDF: pixels and pixels to the inch, across and down. */
function imagesOf(file: Uint8Array): { page: number; width: number; height: number; x: number; y: number }[] {
  return withFile(file, (path) =>
    execFileSync('pdfimages', ['-list', path], { encoding: 'utf8' })
      .split('\n')
      .slice(2)
      .filter((line) => line.trim() !== '')
      .map((line) => line.trim().split(/\s+/))
      .map((cells) => ({
        ...{ page: Number(cells[0]), width: Number(cells[3]), height: Number(cells[4]) },
        ...{ x: Number(cells[12]), y: Number(cells[13]) },
      })),
  );
}

/** Whether a pixel of a page, at so many points from its upper left corner, is paper; at 144 pixels to the inch. */
function isPaper(file: Uint8Array, page: number, points: readonly (readonly [number, number])[]): boolean[] {
  return withFile(file, (path) => {
    const drawn = execFileSync('pdftoppm', ['-r', '144', '-gray', '-f', `${page + 1}`, '-l', `${page + 1}`, path], {
      maxBuffer: 1 << 26,
    });
    const [, width, , from] = headOf(drawn);
    return points.map(([x, y]) => drawn[from + Math.round(y * 2) * width + Math.round(x * 2)] > 250);
  });
}

/** Of a PGM: its kind, width, height, and where its pixels begin. */
function headOf(bytes: Buffer): [string, number, number, number] {
  const found = /^(P5)\s+(\d+)\s+(\d+)\s+255\s/.exec(bytes.subarray(0, 64).toString('latin1'))!;
  return [found[1], Number(found[2]), Number(found[3]), found[0].length];
}

function withFile<T>(file: Uint8Array, use: (path: string) => T): T {
  const folder = mkdtempSync(join(tmpdir(), 'frames-'));
  try {
    const path = join(folder, 'book.pdf');
    writeFileSync(path, file);
    return use(path);
  } finally {
    rmSync(folder, { recursive: true });
  }
}

describe('a framed picture in the press PDF', () => {
  it('is whole, at the resolution that is told', () => {
    const cases: [Partial<FigureSetting>, Partial<Crop>?][] = [
      [{ width: 120 }],
      [{ width: 120, frame: { ...PLAIN_FRAME, ratio: 1 } }],
      [{ width: 120, frame: { ...PLAIN_FRAME, ratio: 1 } }, { zoom: 2 }],
      [{ width: 120 }, { turn: 90 }],
      [{ place: 'beside', width: 100, around: PLAIN_AROUND, frame: { ...PLAIN_FRAME, shape: 'ellipse' } }],
    ];
    for (const [setting, crop] of cases) {
      const { file, set, page } = written(setting, crop);
      expect(qpdfCheck(file)).to.include('No syntax or stream encoding errors');
      const [image] = imagesOf(file);
      expect(image).to.include({ page: page + 1, width: WIDE, height: HIGH });
      expect(image.x).to.be.closeTo(set.resolution, 1.5);
      expect(image.y).to.be.closeTo(set.resolution, 1.5);
    }
  });

  it('fills its frame and nothing beyond it: corners of an ellipse are paper', () => {
    const { file, item, page } = written({ width: 140, frame: { ...PLAIN_FRAME, shape: 'ellipse', ratio: 1 } });
    const { x, y, width, height } = item;
    const inside: [number, number][] = [
      [x + width / 2, y + height / 2],
      [x + 4, y + height / 2],
      [x + width / 2, y + 4],
      [x + width * 0.2, y + height * 0.2],
    ];
    const corners: [number, number][] = [
      [x + 3, y + 3],
      [x + width - 3, y + 3],
      [x + 3, y + height - 3],
      [x + width - 3, y + height - 3],
    ];
    // One of the values of the drawn picture is as light as paper: none of these points has it.
    expect(isPaper(file, page, corners)).to.deep.equal([true, true, true, true]);
    expect(isPaper(file, page, inside).filter((paper) => !paper).length).to.be.at.least(3);
  });

  it('that is smaller than its frame leaves white in it, and moved or turned goes with it', () => {
    const frame = { ...PLAIN_FRAME, ratio: 1, border: { width: 1, ink: { ink: 'Black', tint: 100 } } };
    const half = written({ width: 140, frame }, { zoom: 0.4 });
    const { x, y, width, height } = half.item;
    const [middle, edge, border] = isPaper(half.file, half.page, [
      [x + width / 2, y + height / 2],
      [x + 10, y + 10],
      [x, y + height / 2],
    ]);
    expect([middle, edge, border]).to.deep.equal([false, true, false]);
    const moved = written({ width: 140, frame }, { zoom: 0.4, across: -0.3, down: -0.3 });
    const [centre, corner] = isPaper(moved.file, moved.page, [
      [x + width * 0.75, y + height * 0.75],
      [x + width * 0.2, y + height * 0.2],
    ]);
    expect([centre, corner]).to.deep.equal([true, false]);
  });
});
