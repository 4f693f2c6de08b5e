// The demonstration books with their figures: all are placed, of many kinds, and the pages that they make have no faults.
import { readFileSync } from 'node:fs';
import { expect } from 'chai';
import { pictureOf } from '../../src/core/copy/pictureOf';
import { decodeDrawing } from '../../src/core/base/images/decoders';
import { dressHandbook } from '../../src/core/edit';
import { makeBook, readManuscript } from '../../src/core/import';
import { ORNAMENTS } from '../../src/core/looks/ornaments';
import { figuresIn, notesIn } from '../../src/core/model/copy/holders';

import { displayPage } from '../../src/core/typeset';
import { checkBook } from '../../src/core/validate';
import { loadDecoders } from '../../src/decoders/loadDecoders';
import { dressDemo, type DemoDress } from '../../src/state/shelf/dressDemo';
import { compose, drain, newContext, readAsset, readJson } from '../build/assets';

const dresses = readJson('demo/illustrations.json') as Record<string, DemoDress>;

function dressed(name: string) {
  const fileName = `${name}.docx`;
  const made = makeBook(drain(readManuscript(fileName, readAsset(`demo/${fileName}`))), { bookId: 'b1', fileName });
  const book = name === 'keeping-a-tidal-garden' ? dressHandbook(made) : made;
  const files = dresses[name].figures.flatMap((figure) => figure.files);
  return { files, book: checkBook(dressDemo(book, dresses[name])) };
}

describe('the demonstration books', () => {
  it('hold twelve figures of six kinds and more, a wrapped ellipse among them, numbered in their order', () => {
    const { book } = dressed('keeping-a-tidal-garden');
    const order = book.divisions.flatMap(({ blocks }) => blocks.flatMap(figuresIn));
    expect(order).to.have.length(12);
    expect(Object.keys(book.figures).sort()).to.deep.equal([...order].sort());
    const figures = order.map((id) => book.figures[id]);
    const kinds = new Set(
      figures.map(({ place, width, parts, captionAt, around }) =>
        [place, typeof width === 'number' ? 'own' : width, parts.length, captionAt, around?.contour?.length].join(),
      ),
    );
    expect(kinds.size).to.be.at.least(6);
    const ellipse = figures.find(({ frame, place }) => frame?.shape === 'ellipse' && place === 'beside')!;
    expect(ellipse.around?.outline).to.equal(true);
    const numbers = figures.flatMap(({ caption }) =>
      caption.blocks.flatMap((block) => ('text' in block ? (/^Figure (\d+)\./.exec(block.text)?.[1] ?? []) : [])),
    );
    expect(numbers.map(Number)).to.deep.equal(numbers.map((_, k) => k + 1));
    expect(numbers.length).to.be.above(7);
    for (const { parts } of figures) for (const { picture } of parts) expect(picture.alt).not.to.equal('');
  });

  it('hold seven tables: over pages, with groups and totals, merged heads, decimals, a note, beside figures', () => {
    const { book } = dressed('keeping-a-tidal-garden');
    const tables = book.divisions.flatMap(({ blocks }) =>
      blocks.flatMap((block) => (block.kind === 'table' ? [block] : [])),
    );
    expect(tables).to.have.length(7);
    const kinds = new Set(tables.flatMap(({ rowLooks = [] }) => rowLooks.map(({ kind }) => kind)));
    expect([...kinds]).to.include.members(['head', 'body', 'group', 'total']);
    expect(tables.flatMap(notesIn)).to.have.length(1);
    const context = newContext();
    const composed = compose(book, context);
    const kept = composed.references.captions.filter(({ kind }) => kind === 'table');
    expect(kept.map(({ text }) => Number(/^Table (\d+)\./.exec(text)?.[1]))).to.deep.equal([1, 2, 3, 4, 5]);
    const again = composed.pages.filter(({ fragments }) => fragments.some(({ isRepeated }) => isRepeated));
    const told = new Set(
      again.flatMap(({ fragments }) =>
        fragments.map(({ paragraph }) => /^Table \d+, continued$/.exec(paragraph.styled.text)?.[0]),
      ),
    );
    expect([...told].filter((one) => one !== undefined)).to.have.length.at.least(2);
    expect(composed.findings.map(({ kind }) => kind)).to.not.include.members([
      'table-narrow',
      'table-as-text',
      'parted',
    ]);
  });

  it('have a map over two facing pages, and an ornament of ours at their breaks', () => {
    const { book } = dressed('the-ferry-register');
    const [map] = Object.values(book.figures);
    expect(map.place).to.equal('spread');
    expect(ORNAMENTS.map(({ character }) => character)).to.include(book.spec.styles.SB.ornament);
    const context = newContext();
    const composed = compose(book, context);
    const lists = composed.pages.map(({ index }) => displayPage(composed, index, context));
    const [left, right] = lists.filter(({ pictures }) => pictures.length > 0).map(({ page }) => page);
    expect([composed.pages[left].side, composed.pages[right].side, right - left]).to.deep.equal(['verso', 'recto', 1]);
    expect(lists.some(({ items }) => items.some(({ text }) => text === book.spec.styles.SB.ornament))).to.equal(true);
  });

  it('come to pages on which nothing stands where it should not', () => {
    for (const name of Object.keys(dresses)) {
      const { book } = dressed(name);
      const { findings } = compose(book);
      const faults = ['parted', 'stranded-head', 'overfull-line', 'picture-without-words', 'missing-character'];
      const found = findings.filter(({ kind, page }) => faults.includes(kind) && page !== undefined);
      expect(found.map(({ kind, message }) => `${kind}: ${message}`)).to.deep.equal([]);
    }
  });

  it('are drawn in paths alone', async () => {
    await loadDecoders(['svg'], readAsset);
    for (const name of Object.keys(dresses))
      for (const file of dressed(name).files) {
        const known = pictureOf(readAsset(`demo/${file}`), { name: file, width: 0, height: 0, alt: '' });
        expect(dresses[name].facts[file]).to.deep.equal(known);
        const bytes = new Uint8Array(readFileSync(new URL(`../../generated/public/demo/${file}`, import.meta.url)));
        expect(decodeDrawing(bytes), file).not.to.equal(null);
      }
  });
});
