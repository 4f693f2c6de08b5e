// The copy in the order of reading, by what its blocks mean: what ebooks, copies for authors and tags are written from. Order is the copy's.
// What is anchored in the text comes after the block of its anchor, in the order of the anchors; a box that is fixed to a page after the
// last block that begins before it; where a person said otherwise, as the anchor says.
import {
  isPictureAlone,
  rowKindOf,
  type Block,
  type BlockId,
  type CellAlign,
  type Paragraph,
  type Table,
  type TableRowKind,
} from '../model/copy/streams';
import { valueOf } from '../model/spec/inheritance';
import type { Meaning, Spec } from '../model/spec/spec';
import { captionsAfter } from './figures/captions';
import { meaningOfTag } from './meanings';
import { gridOf } from './tableGrid';

/** A block, each with the id that its element carries. A paragraph keeps its words with their marks and objects. */
export type ReadingBlock =
  | { readonly kind: 'head'; readonly id: BlockId; readonly level: number; readonly paragraph: Paragraph }
  | { readonly kind: 'text'; readonly id: BlockId; readonly meaning: Meaning; readonly paragraph: Paragraph }
  | { readonly kind: 'break'; readonly id: BlockId; readonly paragraph: Paragraph }
  | {
      readonly kind: 'figure';
      readonly id: BlockId;
      readonly paragraph: Paragraph;
      /** Its captions and its credit line, in their order. */
      readonly captions: readonly Paragraph[];
    }
  | ReadingList
  | ReadingTable;

export interface ReadingTable {
  readonly kind: 'table';
  readonly id: BlockId;
  readonly table: Table;
  /** Those above it; one below it follows as text. */
  readonly captions: readonly Paragraph[];
  readonly columns: number;
  readonly rows: readonly ReadingRow[];
}

export interface ReadingRow {
  readonly kind: TableRowKind;
  readonly cells: readonly ReadingCell[];
}

export interface ReadingCell {
  readonly blocks: readonly ReadingBlock[];
  readonly column: number;
  /** Columns and rows that it covers. */
  readonly across: number;
  readonly down: number;
  /** As it or its column says; undefined: as its content is. */
  readonly align: CellAlign | undefined;
}

export interface ReadingList {
  readonly kind: 'list';
  readonly isOrdered: boolean;
  readonly items: readonly ReadingItem[];
}

export interface ReadingItem {
  /** Null where a list begins deeper than its level. */
  readonly paragraph: Paragraph | null;
  /** Deeper lists under it, one after another where bullets and numbers change. */
  readonly inner: readonly ReadingList[];
}

type Styles = Spec['styles'];

/** The tree of a stream. Nothing is left out, and every paragraph stands in it once. */
export function readingTree(blocks: readonly Block[], styles: Styles): ReadingBlock[] {
  const tree: ReadingBlock[] = [];
  for (let k = 0; k < blocks.length; k += 1) {
    const block = blocks[k];
    const isFigure: boolean = isPictureAlone(block);
    if (block.kind === 'table') {
      tree.push(tableOf(block, takeCaptions(tree), styles));
    } else if (block.list !== undefined) {
      let end = k + 1;
      while (end < blocks.length && isItem(blocks[end])) end += 1;
      tree.push(...listsOf(blocks.slice(k, end) as Paragraph[], 0));
      k = end - 1;
    } else if (isFigure) {
      const captions = captionsAfter(blocks, k, styles);
      tree.push({ kind: 'figure', id: block.id, paragraph: block, captions });
      k += captions.length;
    } else tree.push(ofParagraph(block, styles));
  }
  return tree;
}

function tableOf(table: Table, captions: readonly Paragraph[], styles: Styles): ReadingTable {
  const { columns, rows } = gridOf(table);
  return {
    kind: 'table',
    id: table.id,
    table,
    captions,
    columns,
    rows: rows.map((cells, k) => ({
      kind: rowKindOf(table, k),
      cells: cells.map(({ cell, column, across, down }) => ({
        blocks: readingTree(cell.blocks, styles),
        ...{ column, across, down },
        align: cell.align ?? (rowKindOf(table, k) === 'group' ? undefined : table.columnLooks?.[column]?.align),
      })),
    })),
  };
}

/** The captions at the end of what was read so far: they are those of the table that comes. */
function takeCaptions(tree: ReadingBlock[]): Paragraph[] {
  const captions: Paragraph[] = [];
  for (let last = tree.at(-1); last?.kind === 'text' && last.meaning === 'caption'; last = tree.at(-1)) {
    captions.unshift(last.paragraph);
    tree.pop();
  }
  return captions;
}

const isItem = (block: Block) => block.kind === 'paragraph' && block.list !== undefined;

/** Whether a paragraph stands for a break and not for its words: those of a style with an ornament are never set. */
export function isBreak({ style, text, objects }: Paragraph, styles: Styles): boolean {
  if (meaningOfTag(styles, style) !== 'break') return false;
  // One that a note hangs on keeps its place.
  if (objects.some(({ kind }) => kind === 'note')) return false;
  return !/[\p{L}\p{N}]/u.test(text) || !!valueOf(styles, style, 'ornament');
}

function ofParagraph(paragraph: Paragraph, styles: Styles): ReadingBlock {
  const { id, style } = paragraph;
  const meaning = meaningOfTag(styles, style);
  if (meaning.startsWith('heading')) return { kind: 'head', id, level: Number(meaning.slice(7)), paragraph };
  if (isBreak(paragraph, styles)) return { kind: 'break', id, paragraph };
  return { kind: 'text', id, meaning, paragraph };
}

/** Items of a level with what is deeper: one list as long as they all have numbers, or bullets. */
function listsOf(items: readonly Paragraph[], level: number): ReadingList[] {
  const lists: { readonly kind: 'list'; isOrdered: boolean; readonly items: ReadingItem[] }[] = [];
  for (let k = 0; k < items.length;) {
    let end = k + 1;
    while (end < items.length && items[end].list!.level > level) end += 1;
    const isDeeper = items[k].list!.level > level;
    const { ordered } = items[k].list!;
    const inner = listsOf(items.slice(isDeeper ? k : k + 1, end), level + 1);
    const open = lists.at(-1);
    // What begins deeper has no mark of its own: the first item with one says what the list is.
    const isOpen = open !== undefined && (open.items.every(({ paragraph }) => paragraph === null) || isDeeper);
    if (open !== undefined && (isOpen || open.isOrdered === ordered)) {
      if (isOpen && !isDeeper) open.isOrdered = ordered;
      open.items.push({ paragraph: isDeeper ? null : items[k], inner });
    } else lists.push({ kind: 'list', isOrdered: ordered, items: [{ paragraph: isDeeper ? null : items[k], inner }] });
    k = end;
  }
  return lists;
}

/** The paragraphs of a list in order, deeper ones too. */
export function itemsOf({ items }: ReadingList): Paragraph[] {
  return items.flatMap(({ paragraph, inner }) => [
    ...(paragraph === null ? [] : [paragraph]),
    ...inner.flatMap(itemsOf),
  ]);
}
