// Blocks composed one by one: which paragraphs a stream comes to, in which style each is set, and its lines.
import type { ResolvedStyle } from '../../model/composed/styled';
import type { Block, LocalLook, Paragraph, StyleTag } from '../../model/copy/streams';
import type { VariantWish } from '../../linebreak';
import type { ComposeContext } from './composeContext';
import { composeBlock, type ParagraphJob } from './composeParagraph';
import { withFirstLine } from './firstLine';
import { BESIDE_PICTURE } from '../../paginate';
import { isLetters, lettersStyle, picturesOf, pictureStyle, withPicturesApart } from './setPictures';
import type { ParagraphEntry } from '../stageCache';

/** The paragraphs of blocks, pictures apart; those of a table cell by cell. */
export function flatten(blocks: readonly Block[]): readonly Paragraph[] {
  if (blocks.every((block) => block.kind === 'paragraph' && block.objects.length === 0))
    return blocks as readonly Paragraph[];
  return blocks.flatMap((block) =>
    block.kind === 'paragraph'
      ? withPicturesApart(block)
      : block.rows.flatMap((row) => row.flatMap((cell) => [...flatten(cell.blocks)])),
  );
}

/** The style of a tag, with what is changed of it on the paragraph. */
export function styleOf(tag: string, compose: ComposeContext, look?: LocalLook) {
  if (look !== undefined) return compose.withLook(tag, look);
  return compose.sheet.get(tag) ?? compose.sheet.get('TX')!;
}

/** The style of a paragraph that is a picture, or the letters under the parts of a figure; any other keeps its own. */
export function styleOfPicture(
  blocks: readonly Paragraph[],
  index: number,
  style: ResolvedStyle,
  compose: ComposeContext,
): ResolvedStyle {
  const { interner } = compose.context;
  if (isLetters(blocks[index])) {
    const above = styleOf(blocks[index - 1].style, compose, blocks[index - 1].touches?.look);
    return interner.intern(lettersStyle(style, styleOfPicture(blocks, index - 1, above, compose)));
  }
  if (picturesOf(blocks[index]).length === 0) return style;
  const under = captionDepth(blocks, index, compose);
  const { page, inks } = compose.book.spec;
  const { geometry, beside } = compose;
  return interner.intern(
    pictureStyle(style, blocks[index], under, {
      ...{ geometry, bleed: page.bleed, inks, beside, facing: page.facing },
    }),
  );
}

/** Em that a letter of a caption takes, and more: its lines are not known before they are set. */
const LETTER = 0.5;

/** Room for the captions of a picture, in points; 0 where it has none. */
export function captionDepth(blocks: readonly Paragraph[], index: number, compose: ComposeContext): number {
  let depth = 0;
  for (let k = index + 1; k < blocks.length; k += 1) {
    const { meaning, size, leading, above } = styleOf(blocks[k].style, compose);
    if (meaning !== 'caption') break;
    const lines = Math.max(1, Math.ceil((blocks[k].text.length * size * LETTER) / compose.measure));
    depth += lines * leading + above * compose.geometry.leading;
  }
  return depth;
}

/** How a paragraph is composed that may be the caption of a picture before it: one beside that is as wide as is left. */
export function captionContext(blocks: readonly Paragraph[], index: number, compose: ComposeContext): ComposeContext {
  const { stream } = blocks[index];
  if (stream === undefined) return compose;
  let at = index - 1;
  while (at >= 0 && blocks[at].stream !== undefined && picturesOf(blocks[at]).length === 0) at -= 1;
  if (at < 0 || picturesOf(blocks[at]).length === 0) return compose;
  const style = styleOf(blocks[at].style, compose, blocks[at].touches?.look);
  const { captionAt, pictures = [] } = styleOfPicture(blocks, at, style, compose);
  if (captionAt !== 'beside') return compose;
  const width = Math.max(...pictures.map((picture) => picture.x + picture.width));
  return { ...compose, measure: compose.measure - width - BESIDE_PICTURE };
}

/** What is put before the words of a paragraph, and where it and they lead. */
export interface Before {
  readonly prefix: string;
  readonly prefixStyle: StyleTag | null;
  /** Where in it that style begins. */
  readonly prefixFrom?: number;
  /** So much of it stands as the sign of a note. */
  readonly prefixSign?: ParagraphJob['prefixSign'];
  /** Where it leads. */
  readonly prefixTarget?: ParagraphJob['prefixTarget'];
  /** Links over the words besides those that they have. */
  readonly links?: ParagraphJob['links'];
}

/** A paragraph with what stands before its words, in lines. */
export function composeOne(
  stream: string,
  block: Paragraph,
  style: ResolvedStyle,
  before: Before,
  compose: ComposeContext,
  variants: VariantWish,
): ParagraphEntry {
  const job = {
    stream,
    paragraph: withOrnament(block, style),
    style,
    measure: compose.measure,
    ...before,
    tail: '',
    variants,
  };
  const set = (of: ResolvedStyle) => composeBlock({ ...job, style: of }, compose.style, compose.context, compose.clock);
  return style.lead?.kind === 'line' ? withFirstLine(block, style, set, compose.context.interner) : set(style);
}

const ornamented = new WeakMap<Paragraph, Paragraph>();

/** The paragraph in the characters of its style's ornament; one that is empty, or holds more than words, stays what it is. */
function withOrnament(block: Paragraph, { ornament }: ResolvedStyle): Paragraph {
  if (ornament === null || block.text.trim() === '' || block.objects.length > 0) return block;
  const known = ornamented.get(block);
  if (known?.text === ornament) return known;
  const made: Paragraph = { ...block, text: ornament, spans: [] };
  ornamented.set(block, made);
  return made;
}
