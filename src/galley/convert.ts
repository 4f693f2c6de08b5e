// Between the book's blocks and the galley's nodes, one block at a time and both ways. Each answer is remembered by
// identity: a key typed converts the one paragraph that it changed.
import { Fragment, type Mark, type Node } from 'prosemirror-model';
import {
  normaliseSpans,
  OBJECT_CHARACTER,
  rowKindOf,
  type Block,
  type CellAlign,
  type InlineObject,
  type Paragraph,
  type Span,
  type StyleTag,
  type Table,
  type TableCell,
  type TableRowKind,
  type TableRowLook,
  type TextTouches,
} from '../core/model/copy/streams';
import { gridOf, type GridCell } from '../core/copy/tableGrid';
import { paragraphAttributes, schema, TOUCH_MARKS } from './schema';
import type { TableAttributes } from './tableNodes';

const nodeOf = new WeakMap<Block, Node>();
const blockOf = new WeakMap<Node, Block>();

/** Paragraphs converted so far, by direction. */
export const conversions = { toNode: 0, toBlock: 0 };

/** The node of a block. */
export function toNode(block: Block): Node {
  const known = nodeOf.get(block);
  if (known !== undefined) return known;
  const node = block.kind === 'table' ? tableNode(block) : paragraphNode(block);
  nodeOf.set(block, node);
  blockOf.set(node, block);
  return node;
}

/** The document of a stream: never empty, as a document needs a block to stand in, which is of `style`. */
export function toDocument(blocks: readonly Block[], style = 'TX'): Node {
  return schema.node('doc', null, blocks.length === 0 ? [schema.node('paragraph', { style })] : blocks.map(toNode));
}

/** The block of a node whose ids are given. */
export function toBlock(node: Node): Block {
  const known = blockOf.get(node);
  if (known !== undefined) return known;
  const block = node.type.name === 'table' ? tableBlock(node) : paragraphBlock(node);
  blockOf.set(node, block);
  nodeOf.set(block, node);
  return block;
}

/** From now on the node stands for the block, whose node is equal to it. */
export function bind(node: Node, block: Block): void {
  nodeOf.set(block, node);
  blockOf.set(node, block);
}

/** The block that a node is known to stand for; undefined when it has not been converted. */
export const knownBlock = (node: Node): Block | undefined => blockOf.get(node);

const nodeOfRow = new WeakMap<readonly GridCell[], { readonly looks: string; readonly node: Node }>();
const nodeOfCell = new WeakMap<TableCell, Node>();
const cellOfNode = new WeakMap<Node, TableCell>();

/** Rows that lack cells get empty ones, and an empty cell a paragraph: both need a place for the caret. Rows that are as they were keep their nodes. */
function tableNode(table: Table): Node {
  const { columns, rows: grid } = gridOf(table);
  const { id, style, columnLooks = null, setting = null } = table;
  /** Of each column, the row before which a cell from above takes it. */
  const taken: number[] = [];
  const rows = grid.map((cells, k) => {
    for (const { column, across, down } of cells)
      for (let at = column; at < column + across; at += 1) taken[at] = k + down;
    let blanks = 0;
    for (let at = 0; at < columns; at += 1) if ((taken[at] ?? 0) <= k) blanks += 1;
    const kind = rowKindOf(table, k);
    const breakBefore = table.rowLooks?.[k]?.breakBefore === true;
    const looks = `${kind} ${breakBefore} ${blanks} ${style}`;
    const known = nodeOfRow.get(cells);
    if (known?.looks === looks) return known.node;
    const made = cells.map((cell) => cellNode(cell, style));
    for (let blank = 0; blank < blanks; blank += 1)
      made.push(schema.node('cell', null, [schema.node('paragraph', { style })]));
    const node = schema.node('row', { kind, breakBefore }, made);
    nodeOfRow.set(cells, { looks, node });
    return node;
  });
  return schema.node('table', { id, style, columnLooks, setting }, rows);
}

function cellNode({ cell, across, down }: GridCell, style: StyleTag): Node {
  const { id, blocks, align = null } = cell;
  const known = nodeOfCell.get(cell);
  if (known?.attrs.colspan === across && known.attrs.rowspan === down && blocks.length > 0) return known;
  const content = blocks.length === 0 ? [schema.node('paragraph', { style })] : blocks.map(toNode);
  const node = schema.node('cell', { id, colspan: across, rowspan: down, align }, content);
  nodeOfCell.set(cell, node);
  cellOfNode.set(node, cell);
  return node;
}

/** The blocks of the cell that a node is known to stand for; undefined when it has not been converted. */
export const blocksOfCell = (node: Node): readonly Block[] | undefined => cellOfNode.get(node)?.blocks;

function tableBlock(node: Node): Table {
  const { id, style, columnLooks, setting } = node.attrs as TableAttributes;
  const rowNodes = childrenOf(node);
  const rows = rowNodes.map(cellsOf);
  const looks = rowNodes.map(({ attrs }): TableRowLook => {
    const { kind, breakBefore } = attrs as { kind: TableRowKind | null; breakBefore: boolean };
    return { kind: kind ?? 'body', ...(breakBefore ? { breakBefore } : {}) };
  });
  const bare: Table = { kind: 'table', id: id!, style, columns: 0, rows };
  const columns = gridOf(bare).columns;
  const isPlain = looks.every((look, k) => look.kind === rowKindOf(bare, k) && !look.breakBefore);
  const ofColumns = Array.from({ length: columns }, (_, k) => columnLooks?.[k] ?? {});
  return {
    ...bare,
    columns,
    ...(isPlain ? {} : { rowLooks: looks }),
    ...(ofColumns.some((look) => Object.keys(look).length > 0) ? { columnLooks: ofColumns } : {}),
    ...(setting !== null && Object.keys(setting).length > 0 ? { setting } : {}),
  };
}

interface CellAttributes {
  readonly id: string;
  readonly colspan: number;
  readonly rowspan: number;
  readonly align: CellAlign | null;
}

const cellsOfRow = new WeakMap<Node, readonly TableCell[]>();

function cellsOf(row: Node): readonly TableCell[] {
  let cells = cellsOfRow.get(row);
  if (cells === undefined) cellsOfRow.set(row, (cells = childrenOf(row).map(cellOf)));
  return cells;
}

function cellOf(node: Node): TableCell {
  const known = cellOfNode.get(node);
  // An empty cell has a paragraph now: it has been named with the others.
  if (known !== undefined && known.blocks.length > 0) return known;
  const { id, colspan, rowspan, align } = node.attrs as CellAttributes;
  const cell = {
    id,
    blocks: childrenOf(node).map(toBlock),
    ...(colspan > 1 ? { across: colspan } : {}),
    ...(rowspan > 1 ? { down: rowspan } : {}),
    ...(align === null ? {} : { align }),
  };
  cellOfNode.set(node, cell);
  nodeOfCell.set(cell, node);
  return cell;
}

export function childrenOf(node: Node): Node[] {
  const children: Node[] = [];
  node.forEach((child) => children.push(child));
  return children;
}

function paragraphNode(block: Paragraph): Node {
  conversions.toNode += 1;
  const { id, style, touches = null, list = null, names = null } = block;
  return schema.node('paragraph', { id, style, touches, list, names }, inlineOf(block));
}

/** Text cut wherever its look changes or an object stands. */
function inlineOf({ text, spans, objects }: Paragraph): Fragment {
  if (text === '') return Fragment.empty;
  const cuts = new Set([0, text.length]);
  for (const { from, to } of spans) cuts.add(from).add(to);
  for (const { at } of objects) cuts.add(at).add(at + 1);
  const places = [...cuts].sort((a, b) => a - b);
  const nodes: Node[] = [];
  let [span, object] = [0, 0];
  for (let k = 0; k + 1 < places.length; k += 1) {
    const [from, to] = [places[k], places[k + 1]];
    while (span < spans.length && spans[span].to <= from) span += 1;
    const marks = spans[span]?.from <= from ? marksOf(spans[span]) : [];
    while (object < objects.length && objects[object].at < from) object += 1;
    nodes.push(
      objects[object]?.at === from ? objectNode(objects[object], marks) : schema.text(text.slice(from, to), marks),
    );
  }
  return Fragment.from(nodes);
}

function objectNode({ kind, ...facts }: InlineObject, marks: readonly Mark[]): Node {
  const { at: _, ...attributes } = facts;
  return schema.node(kind, attributes, undefined, marks);
}

function marksOf({ style, touches, language, link }: Span): readonly Mark[] {
  const marks: Mark[] = [];
  if (link !== undefined) marks.push(schema.mark('link', { href: link }));
  if (language !== undefined) marks.push(schema.mark('language', { tag: language }));
  if (style !== undefined) marks.push(schema.mark('character', { tag: style }));
  for (const name of TOUCH_MARKS) {
    const on = touches?.[name];
    if (on !== undefined) marks.push(schema.mark(name, { on }));
  }
  const { face = null, size = null, colour = null } = touches ?? {};
  if (face !== null || size !== null || colour !== null) marks.push(schema.mark('local', { face, size, colour }));
  return marks;
}

function paragraphBlock(node: Node): Paragraph {
  conversions.toBlock += 1;
  const { id, style, touches, list, names } = paragraphAttributes(node);
  let text = '';
  const spans: Span[] = [];
  const objects: InlineObject[] = [];
  node.forEach((child) => {
    const from = text.length;
    if (child.isText) text += child.text!.replaceAll(OBJECT_CHARACTER, '');
    else {
      text += OBJECT_CHARACTER;
      objects.push({ at: from, kind: child.type.name, ...child.attrs } as InlineObject);
    }
    if (child.marks.length > 0) spans.push({ from, to: text.length, ...lookOf(child.marks) });
  });
  return {
    kind: 'paragraph',
    id: id!,
    style,
    ...(touches === null ? {} : { touches }),
    ...(list == null ? {} : { list }),
    ...(names == null ? {} : { names }),
    text,
    spans: normaliseSpans(spans),
    objects,
  };
}

function lookOf(marks: readonly Mark[]): Omit<Span, 'from' | 'to'> {
  const attribute = (type: string, name: string) =>
    marks.find((mark) => mark.type.name === type)?.attrs[name] as string | undefined;
  const touches: Record<string, unknown> = {};
  for (const { type, attrs } of marks) {
    if ((TOUCH_MARKS as readonly string[]).includes(type.name)) touches[type.name] = attrs.on;
    else if (type === schema.marks.local)
      for (const [key, value] of Object.entries(attrs)) if (value !== null) touches[key] = value;
  }
  const [style, language, link] = [
    attribute('character', 'tag'),
    attribute('language', 'tag'),
    attribute('link', 'href'),
  ];
  return {
    ...(style === undefined ? {} : { style }),
    ...(Object.keys(touches).length === 0 ? {} : { touches: touches as TextTouches }),
    ...(language === undefined ? {} : { language }),
    ...(link === undefined ? {} : { link }),
  };
}
