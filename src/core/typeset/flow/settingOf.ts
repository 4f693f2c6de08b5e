// The style in which a paragraph of a division is set, and what stands before its words.
import { effectiveTag } from '../../copy/effectiveTag';
import type { ResolvedStyle } from '../../model/composed/styled';
import type { Paragraph } from '../../model/copy/streams';
import { styleOf, styleOfPicture } from './composeBlocks';
import type { ComposeContext } from './composeContext';
import { isNumberLine, setNumber } from './headNumbers';
import { itemStyle } from './listMarks';
import { raggedWhere } from './raggedWhere';
import { tablePartOf } from '../tables/tablePart';

/** Grid lines above the head of a division that goes on on a page. */
const ABOVE_JOINED = 3;

/** The style in which a block of a division is set, and what stands before its words. `head`: its paragraphs at the beginning. */
export function settingOf(
  blocks: readonly Paragraph[],
  k: number,
  mark: string | null,
  head: { readonly count: number; readonly joins: boolean },
  compose: ComposeContext,
) {
  const block = blocks[k];
  const own = styleOf(effectiveTag(blocks, k, compose.book.spec.styles), compose, block.touches?.look);
  const wide = head.joins && k === 0 ? withRoomAbove(own, head.count > 0, compose) : own;
  const later = isLaterOfExtract(blocks, k, wide, compose) ? indented(wide, compose) : wide;
  const plain = opening(later, head.count > 0 && k === head.count, compose);
  const number = numberBefore(block, plain, mark, compose);
  const words = raggedWhere(number.style, block, compose);
  const style = tablePartOf(block)?.style ?? styleOfPicture(blocks, k, words, compose);
  return { number, style };
}

/** Whether a paragraph goes on in an extract whose paragraphs have no indent of their own. */
function isLaterOfExtract(
  blocks: readonly Paragraph[],
  k: number,
  { meaning, firstIndent, align }: ResolvedStyle,
  { book }: ComposeContext,
): boolean {
  if (meaning !== 'extract' || firstIndent !== 0 || k === 0 || blocks[k].style === 'EPI') return false;
  const isProse = align === 'justify' || align === 'left';
  return isProse && effectiveTag(blocks, k - 1, book.spec.styles) === blocks[k].style;
}

const indented = (style: ResolvedStyle, { context }: ComposeContext): ResolvedStyle =>
  context.interner.intern({ ...style, firstIndent: style.size });

/** The style of an opener's first paragraph of text, with the drop capital and the small capitals of the spec. */
function opening(style: ResolvedStyle, isFirst: boolean, compose: ComposeContext): ResolvedStyle {
  const { dropLines, dropLetters, leadWords } = compose.book.spec.openers;
  if (!isFirst || style.meaning !== 'body' || (dropLines < 2 && leadWords === 0)) return style;
  const initial = dropLines < 2 ? style.initial : { lines: dropLines, letters: dropLetters, isRaised: false };
  const firstIndent = initial === null ? style.firstIndent : 0;
  const lead = leadWords === 0 ? style.lead : ({ kind: 'words', count: leadWords, mark: '', style: null } as const);
  return compose.context.interner.intern({ ...style, initial, firstIndent, lead });
}

/** The mark of a list item or the number of a head before its words, and the style with room for it. */
function numberBefore(block: Paragraph, style: ResolvedStyle, mark: string | null, compose: ComposeContext) {
  const { interner } = compose.context;
  if (mark !== null)
    return { prefix: `${mark}\t`, prefixStyle: null, style: interner.intern(itemStyle(style, block.list!.level)) };
  const number = compose.numbers.get(block.id);
  if (number === undefined) return { prefix: '', prefixStyle: null, style };
  if (isNumberLine(block)) return { prefix: number.text, prefixStyle: null, style };
  const set = setNumber(number, style);
  return set.style === style ? set : { ...set, style: interner.intern(set.style) };
}

/** The head of a division that goes on on a page stands clear of the text before it. */
function withRoomAbove(style: ResolvedStyle, hasHead: boolean, { context }: ComposeContext): ResolvedStyle {
  const above = Math.max(style.above, hasHead ? ABOVE_JOINED : 1);
  return above === style.above ? style : context.interner.intern({ ...style, above });
}
