// A figure as the paragraphs that it is made of. In a flat book no text holds a figure's mark alone: where it stood there is a paragraph of its first
// picture, which knows its figure, and after that its caption and its credit line. Stages, writers and the merging of copies read flat books;
// `gatherFigures` makes figures of them again.
import type { Book } from '../../model/copy/book';
import type { Figure, Figures } from '../../model/copy/figures';
import { settingOf } from '../../model/copy/figureSetting';
import { figuresIn } from '../../model/copy/holders';
import {
  isFigureAlone,
  OBJECT_CHARACTER,
  paragraph as makeParagraph,
  type Block,
  type FigureTie,
  type Paragraph,
  type TableCell,
  type PictureFacts,
  type StreamId,
} from '../../model/copy/streams';

/** What was made of a list of blocks or of one of them, and of which figures: it holds as long as these are the same. */
interface Flattened {
  readonly uses: readonly (Figure | undefined)[];
  readonly blocks: readonly Block[];
}

const lists = new WeakMap<readonly Block[], Flattened>();
const single = new WeakMap<Block, Flattened>();
const ofStream = new WeakMap<Block, Block>();
const books = new WeakMap<object, object>();

/** What of a book is flattened. */
type Flattable = Pick<Book, 'divisions' | 'notes' | 'figures'>;

/** The book with figures as paragraphs; the same book where it has none. Parts without figures keep their identity. */
export function flatBook<T extends Flattable>(book: T): T {
  if (Object.keys(book.figures).length === 0) return book;
  let made = books.get(book);
  if (made === undefined) books.set(book, (made = flattened(book)));
  return made as T;
}

function flattened<T extends Flattable>(book: T): T {
  const { figures } = book;
  const flat = <T extends { readonly blocks: readonly Block[] }>(owner: T): T => {
    const blocks = flatBlocks(owner.blocks, figures);
    return blocks === owner.blocks ? owner : withBlocks(owner, blocks);
  };
  return {
    ...book,
    divisions: book.divisions.map(flat),
    notes: Object.fromEntries(Object.entries(book.notes).map(([id, note]) => [id, flat(note)])),
    figures: {},
  };
}

const owners = new WeakMap<object, { readonly blocks: readonly Block[]; readonly made: object }>();

function withBlocks<T extends { readonly blocks: readonly Block[] }>(owner: T, blocks: readonly Block[]): T {
  const known = owners.get(owner);
  if (known?.blocks === blocks) return known.made as T;
  const made = { ...owner, blocks };
  owners.set(owner, { blocks, made });
  return made;
}

/** Blocks with figures as paragraphs; the same list where there are none. A mark whose figure is gone stands for nothing. */
export function flatBlocks(blocks: readonly Block[], figures: Figures): readonly Block[] {
  const known = lists.get(blocks);
  if (known !== undefined && isCurrent(known, figures, marksIn(blocks))) return known.blocks;
  const uses = marksIn(blocks).map((id) => figures[id]);
  const made = uses.length === 0 ? blocks : blocks.flatMap((block) => flatBlock(block, figures));
  lists.set(blocks, { uses, blocks: made });
  return made;
}

const marked = new WeakMap<readonly Block[], readonly string[]>();

/** The figures marked in a list of blocks; it is asked at every compose. */
function marksIn(blocks: readonly Block[]): readonly string[] {
  let ids = marked.get(blocks);
  if (ids === undefined) marked.set(blocks, (ids = blocks.flatMap(figuresIn)));
  return ids;
}

const isCurrent = ({ uses }: Flattened, figures: Figures, ids: readonly string[]) =>
  ids.every((id, k) => uses[k] === figures[id]);

function flatBlock(block: Block, figures: Figures): readonly Block[] {
  const ids = figuresIn(block);
  if (ids.length === 0) return [block];
  const known = single.get(block);
  if (known !== undefined && isCurrent(known, figures, ids)) return known.blocks;
  const blocks = block.kind === 'table' ? [flatTable(block, figures)] : flatParagraph(block, figures);
  single.set(block, { uses: ids.map((id) => figures[id]), blocks });
  return blocks;
}

function flatTable(table: Extract<Block, { kind: 'table' }>, figures: Figures): Block {
  const flatCell = (cell: TableCell) => {
    const blocks = flatBlocks(cell.blocks, figures);
    return blocks === cell.blocks ? cell : withBlocks(cell, blocks);
  };
  // Rows without figures stay the same objects.
  const rows = table.rows.map((row) => {
    const flat = row.map(flatCell);
    return flat.every((cell, k) => cell === row[k]) ? row : flat;
  });
  return { ...table, rows };
}

function flatParagraph(block: Paragraph, figures: Figures): Block[] {
  const marks = block.objects.flatMap((object) => (object.kind === 'figure' ? [object] : []));
  if (isFigureAlone(block)) {
    const figure = figures[marks[0].figure];
    if (figure === undefined) return [];
    const picture = { ...pictureOfFigure(figure), at: marks[0].at };
    return [{ ...block, objects: [picture] }, ...textsOf(figure)];
  }
  const after = marks.flatMap(({ figure: id }): Block[] => {
    const figure = figures[id];
    if (figure === undefined) return [];
    const objects = [{ ...pictureOfFigure(figure), at: 0 }];
    const apart = makeParagraph(id, PLAIN_STYLE, OBJECT_CHARACTER, { objects, stream: id });
    return [apart, ...textsOf(figure)];
  });
  return [block, ...after];
}

/** The style of the paragraph that is made for a figure whose mark stands among words. */
const PLAIN_STYLE = 'TX';

/** The first picture of a figure, which knows the rest of it. */
function pictureOfFigure(of: Figure): PictureFacts {
  const { id, parts, caption, credit } = of;
  const more = parts.slice(1).map(({ picture }) => picture);
  const crops = parts.map(({ crop }) => crop);
  const figure: FigureTie = { id, ...settingOf(of), caption: caption.id, credit: credit.id, more, crops };
  return { ...parts[0].picture, figure };
}

function textsOf({ caption, credit }: Figure): Block[] {
  return [caption, credit].flatMap(({ id, blocks }) => blocks.map((block) => inStream(block, id)));
}

/** A block that says in which stream it stands; always the same object for the same block, which caches go by. */
function inStream(block: Block, stream: StreamId): Block {
  if (block.kind !== 'paragraph') return block;
  let made = ofStream.get(block);
  if (made === undefined) ofStream.set(block, (made = { ...block, stream }));
  return made;
}
