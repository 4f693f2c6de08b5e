// Figures of flat blocks: a picture that stands alone with the captions after it becomes one, and what was flattened becomes what it was.
import type { Book, Division } from '../../model/copy/book';
import type { Figure, FigurePart, FigureText } from '../../model/copy/figures';
import { PLAIN_FIGURE, settingOf } from '../../model/copy/figureSetting';
import { figuresIn } from '../../model/copy/holders';
import {
  isPictureAlone,
  OBJECT_CHARACTER,
  type Block,
  type BlockId,
  type FigureTie,
  type InlineObject,
  type Paragraph,
  type PictureFacts,
  type PictureObject,
} from '../../model/copy/streams';
import type { Spec } from '../../model/spec/spec';
import { captionsAfter } from './captions';
import { flatBook } from './flatBook';

/** The style of credit lines. */
export const CREDIT_STYLE = 'CR';

export interface Gathered {
  readonly blocks: readonly Block[];
  readonly figures: readonly Figure[];
}

/** Gives the next id with a letter. */
type TakeId = (letter: string) => string;

/**
 * The book with the pictures of its divisions that stand alone as figures. `before`: the book that it was made from; a picture that lost its
 * figure on the way has that of its paragraph there, and a mark among words that lost its picture has its figure.
 */
export function gatherFigures(flat: Book, before?: Book): Book {
  let { nextId } = flat;
  const take = (letter: string) => `${letter}${nextId++}`;
  const figures: Record<string, Figure> = { ...flat.figures };
  const gathering = new Gathering(flat.spec.styles, take, tiesOf(before));
  const divisions = flat.divisions.map((division): Division => {
    const made = gathering.gather(division.blocks);
    for (const figure of made.figures) figures[figure.id] = figure;
    return made.blocks === division.blocks ? division : { ...division, blocks: made.blocks };
  });
  for (const id of divisions.flatMap(({ blocks }) => blocks.flatMap(figuresIn)))
    if (figures[id] === undefined && before?.figures[id] !== undefined) figures[id] = before.figures[id];
  const isSame = divisions.every((division, k) => division === flat.divisions[k]);
  return isSame && nextId === flat.nextId ? flat : { ...flat, nextId, divisions, figures };
}

/** Blocks with the pictures that stand alone as figures; the same list where there are none. Ids of new figures are taken. */
export const gatherBlocks = (blocks: readonly Block[], styles: Spec['styles'], take: TakeId): Gathered =>
  new Gathering(styles, take, new Map()).gather(blocks);

function tiesOf(book: Book | undefined): Map<BlockId, FigureTie> {
  const ties = new Map<BlockId, FigureTie>();
  for (const { blocks } of book === undefined ? [] : flatBook(book).divisions)
    for (const block of blocks) {
      const tie = isPictureAlone(block) ? (block.objects[0] as PictureObject).figure : undefined;
      if (tie !== undefined) ties.set(block.id, tie);
    }
  return ties;
}

class Gathering {
  private readonly used = new Set<string>();

  constructor(
    private readonly styles: Spec['styles'],
    private readonly take: TakeId,
    private readonly ties: ReadonlyMap<BlockId, FigureTie>,
  ) {}

  gather(blocks: readonly Block[]): Gathered {
    if (!blocks.some((block) => (block.kind === 'paragraph' && block.stream !== undefined) || isPictureAlone(block)))
      return { blocks, figures: [] };
    const figures: Figure[] = [];
    const marked = new Set(blocks.flatMap(figuresIn));
    const made: Block[] = [];
    for (let k = 0; k < blocks.length; k += 1) {
      const block = blocks[k];
      if (!isPictureAlone(block)) {
        made.push(bare(block));
        continue;
      }
      const texts = captionsAfter(blocks, k, this.styles);
      const figure = this.figureOf(block, texts);
      figures.push(figure);
      // The paragraph of a figure whose mark stands among words was made for it.
      if (!marked.has(figure.id)) made.push(withMark(block, figure.id));
      k += texts.length;
    }
    return { blocks: made, figures };
  }

  private figureOf(block: Paragraph, texts: readonly Paragraph[]): Figure {
    const pictures = block.objects as readonly PictureObject[];
    const known = pictures[0].figure ?? this.ties.get(block.id);
    // A picture that stands twice is two figures.
    const tie = known !== undefined && !this.used.has(known.id) ? known : undefined;
    const isCredit = (text: Paragraph) =>
      text.style === CREDIT_STYLE || (tie !== undefined && text.stream === tie.credit);
    const id = tie?.id ?? this.take('f');
    this.used.add(id);
    const text = (is: boolean, stream: string | undefined): FigureText => ({
      id: stream ?? this.take('s'),
      blocks: texts.filter((one) => isCredit(one) === is).map(bare),
    });
    return {
      id,
      parts: partsOf(pictures),
      ...settingOf(known ?? PLAIN_FIGURE),
      caption: text(false, tie?.caption),
      credit: text(true, tie?.credit),
    };
  }
}

function partsOf(pictures: readonly PictureObject[]): FigurePart[] {
  const { more = [], crops = [] } = pictures[0].figure ?? {};
  return [...pictures.map(factsOf), ...more].map((picture, k) => {
    const crop = crops[k];
    return crop === undefined ? { picture } : { picture, crop };
  });
}

/** What a picture among flat blocks is by itself. */
function factsOf({ at: _, figure: __, ...facts }: PictureObject): PictureFacts {
  return facts;
}

/** A block without what only flat blocks have; the same block where it has nothing of it. */
function bare(block: Block): Block {
  if (block.kind !== 'paragraph' || block.stream === undefined) return block;
  const { stream: _, ...rest } = block;
  return rest;
}

function withMark(block: Paragraph, figure: string): Paragraph {
  const mark: InlineObject = { at: 0, kind: 'figure', figure };
  return { ...(bare(block) as Paragraph), text: OBJECT_CHARACTER, objects: [mark] };
}

/** The book with its figures as plain pictures and captions, as a manuscript has them: nothing of it says that they were figures. */
export function plainBook(book: Book): Book {
  const flat = flatBook(book);
  if (flat === book) return book;
  const plain = <T extends { readonly blocks: readonly Block[] }>(owner: T): T => ({
    ...owner,
    blocks: owner.blocks.map(untied),
  });
  return {
    ...flat,
    divisions: flat.divisions.map(plain),
    notes: Object.fromEntries(Object.entries(flat.notes).map(([id, note]) => [id, plain(note)])),
  };
}

/** A flat block without what it says of its figure, all its pictures in it; the same block where it says nothing. */
export function untied(block: Block): Block {
  if (!isPictureAlone(block)) return bare(block);
  const pictures = block.objects as readonly PictureObject[];
  const { figure: tie } = pictures[0];
  if (tie === undefined) return block;
  const all = [...pictures.map(factsOf), ...tie.more];
  const text = all.length === pictures.length ? block.text : OBJECT_CHARACTER.repeat(all.length);
  const objects = all.map((facts, k) => ({ ...facts, at: all.length === pictures.length ? pictures[k].at : k }));
  return { ...(bare(block) as Paragraph), text, objects };
}
