// Blocks composed one by one: which paragraphs a stream comes to, in which style each is set, and its lines.
import type { ResolvedStyle } from '../../model/composed/styled';
import type { Block, LocalLook, Paragraph, StyleTag, Table } from '../../model/copy/streams';
import type { VariantWish } from '../../linebreak';
import type { ComposeContext } from './composeContext';
import { composeBlock, type ParagraphJob } from './composeParagraph';
import { withFirstLine } from './firstLine';
import { pictureOfParagraph, pictureStyle, withPicturesApart } from './setPictures';
import type { ParagraphEntry } from '../stageCache';

/** The paragraphs of blocks, pictures apart. `rowsOf`: the rows of a table as paragraphs, or null for one whose cells are set one after another. */
export function flatten(
  blocks: readonly Block[],
  rowsOf: (table: Table) => readonly Paragraph[] | null = () => null,
): readonly Paragraph[] {
  if (blocks.every((block) => block.kind === 'paragraph' && block.objects.length === 0))
    return blocks as readonly Paragraph[];
  return blocks.flatMap((block) =>
    block.kind === 'paragraph'
      ? withPicturesApart(block)
      : (rowsOf(block) ?? block.rows.flatMap((row) => row.flatMap((cell) => [...flatten(cell.blocks, rowsOf)]))),
  );
}

/** The style of a tag, with what is changed of it on the paragraph. */
export function styleOf(tag: string, compose: ComposeContext, look?: LocalLook) {
  if (look !== undefined) return compose.withLook(tag, look);
  return compose.sheet.get(tag) ?? compose.sheet.get('TX')!;
}

/** The style of a paragraph that is a picture; any other keeps its own. */
export function styleOfPicture(
  blocks: readonly Paragraph[],
  index: number,
  style: ResolvedStyle,
  compose: ComposeContext,
): ResolvedStyle {
  const picture = pictureOfParagraph(blocks[index]);
  if (picture === undefined) return style;
  const next = blocks[index + 1];
  const hasCaption = next !== undefined && styleOf(next.style, compose).meaning === 'caption';
  const { interner } = compose.context;
  return interner.intern(pictureStyle(style, picture, blocks[index], hasCaption, compose.geometry));
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
  const job = { stream, paragraph: block, style, measure: compose.measure, ...before, tail: '', variants };
  const set = (of: ResolvedStyle) => composeBlock({ ...job, style: of }, compose.style, compose.context, compose.clock);
  return style.lead?.kind === 'line' ? withFirstLine(block, style, set, compose.context.interner) : set(style);
}
