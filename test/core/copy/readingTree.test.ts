import { expect } from 'chai';
import fc from 'fast-check';
import { itemsOf, readingTree, type ReadingBlock } from '../../../src/core/copy/readingTree';
import { NOVEL_SPEC } from '../../../src/core/defaults/novelSpec';
import { OBJECT_CHARACTER, type Block, type Paragraph, type Table } from '../../../src/core/model/copy/streams';
import { writeHtml } from '../../../src/core/write/copy';
import { book, division, note, p } from '../../build/book';

const { styles } = NOVEL_SPEC;

/** Ids of the paragraphs and tables of a tree, in its order. */
const idsOf = (tree: readonly ReadingBlock[]): string[] =>
  tree.flatMap((block) => {
    switch (block.kind) {
      case 'table':
        return [
          ...block.captions.map(({ id }) => id),
          block.id,
          ...block.rows.flatMap(({ cells }) => cells.flatMap(({ blocks }) => idsOf(blocks))),
        ];
      case 'list':
        return itemsOf(block).map(({ id }) => id);
      case 'figure':
        return [block.id, ...block.captions.map(({ id }) => id)];
      default:
        return [block.id];
    }
  });

const idsOfBlocks = (blocks: readonly Block[]): string[] =>
  blocks.flatMap((block) =>
    block.kind === 'paragraph'
      ? [block.id]
      : [block.id, ...block.rows.flatMap((row) => row.flatMap((cell) => idsOfBlocks(cell.blocks)))],
  );

const picture = (): Paragraph => ({
  ...p(OBJECT_CHARACTER),
  objects: [
    {
      at: 0,
      kind: 'picture',
      asset: '',
      format: 'png',
      name: 'a.png',
      alt: 'A weir',
      width: 4,
      height: 4,
      shownWidth: 0,
      shownHeight: 0,
    } as never,
  ],
});
const item = (level: number): Paragraph => ({ ...p(`item ${level}`, 'LI'), list: { level, ordered: level % 2 === 0 } });

const blockOf = fc.constantFrom<() => Block>(
  () => p('Words of text.'),
  () => p('A head', 'AH'),
  () => p('', 'SB'),
  () => p(`${OBJECT_CHARACTER}`, 'SB'),
  () => p('Said by another.', 'EXT'),
  () => p('What is seen.', 'CAP'),
  picture,
  () => item(0),
  () => item(1),
  () => item(3),
);

let tables = 0;
const table = (cells: readonly Block[]): Table => {
  tables += 1;
  return {
    ...{ kind: 'table', id: `t${9000 + tables}`, style: 'TB', columns: 1 },
    rows: cells.map((block, k) => [{ id: `c${tables}${k}`, blocks: [block] }]),
  } as Table;
};

describe('the reading tree', () => {
  it('holds every paragraph once, in the order of the copy, whatever stands beside what', () => {
    fc.assert(
      fc.property(fc.array(blockOf, { maxLength: 12 }), fc.array(blockOf, { maxLength: 4 }), (outer, inner) => {
        const blocks = outer.map((make) => make());
        if (inner.length > 0) blocks.splice(Math.floor(blocks.length / 2), 0, table(inner.map((make) => make())));
        expect(idsOf(readingTree(blocks, styles))).to.deep.equal(idsOfBlocks(blocks));
      }),
      { numRuns: 300 },
    );
  });

  it('tells what blocks are by the meaning of their styles', () => {
    const own = { ...styles, QQ: { name: 'Of my own', basedOn: 'AH' } };
    const blocks = [p('Head', 'QQ'), p('Text'), p('', 'SB'), picture(), p('Seen.', 'CAP'), item(1), item(0)];
    expect(readingTree(blocks, own).map(({ kind }) => kind)).to.deep.equal(['head', 'text', 'break', 'figure', 'list']);
    const [list] = readingTree([item(2), item(0)], own);
    if (list.kind !== 'list') throw new Error(list.kind);
    // What begins deeper than its list stands in lists without words of their own.
    expect(list.items.map(({ paragraph }) => paragraph?.text)).to.deep.equal([undefined, 'item 0']);
    expect(list.items[0].inner[0].items[0].paragraph).to.equal(null);
  });

  it('gives every element of a file the id of its block, each once', () => {
    const blocks = [
      ...[p('One', 'CT'), p('A text.{1}'), p('Another’s.', 'EXT'), p('', 'SB'), picture(), p('Seen.', 'CAP')],
      ...[item(0), item(1), p('A head', 'AH')],
    ];
    const made = book([division('chapter', [...blocks, table([p('In a cell.')]) as never])], [note(1, 'Noted.')]);
    const html = writeHtml(made);
    const ids = [...html.matchAll(/ id="b-([^"]+)"/g)].map((match) => match[1]);
    expect(ids).to.deep.equal([...idsOfBlocks(made.divisions[0].blocks), ...idsOfBlocks(made.notes.n1.blocks)]);
    for (const element of html.matchAll(/<(p|h[1-6]|li|figure|figcaption|table|hr|blockquote)\b([^>]*)>/g))
      if (
        !/<blockquote[^>]*><p>$/.test(html.slice(0, element.index + element[0].length)) &&
        !html.startsWith('<h1>A Book', element.index)
      )
        expect(element[2], element[0]).to.match(/ id="/);
  });
});
