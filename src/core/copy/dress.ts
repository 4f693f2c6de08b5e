// Paragraphs dressed for the role of their division: what an author did by hand to make a dedication look like one gives way.
import type { DivisionRole } from '../model/copy/roles';
import { isDisplayRole } from '../model/copy/roles';
import type { Block, Paragraph, ParagraphTouches, StyleTag } from '../model/copy/streams';
import { isEmptyParagraph } from './effectiveTag';
import { roleNamed } from './roleNames';

/** Styles of the display pages whose words come from the copy. */
const DISPLAY_STYLES: Readonly<Partial<Record<DivisionRole, StyleTag>>> = { dedication: 'DED', epigraph: 'EPI' };
/** What the dress of one role leaves behind when it becomes another. */
const DRESSES: ReadonlySet<StyleTag> = new Set(['DED', 'EPI', 'IMP', 'BT', 'BS', 'BA', 'BP', 'HT']);
const HEADS: ReadonlySet<StyleTag> = new Set(['CT', 'CN', 'PT', 'PN']);

/** The longest line that is taken for a head by what it says. */
const LONGEST_HEAD = 60;

/**
 * The blocks as a division of the role has them: without empty paragraphs at its ends, a display page in the style of its role, a head
 * that says what the role is as a title. Texts, notes and ids stay.
 */
export function dressedFor(blocks: readonly Block[], role: DivisionRole): Block[] {
  const from = blocks.findIndex((block) => !isEmptyParagraph(block));
  if (from < 0) return [...blocks];
  const to = blocks.findLastIndex((block) => !isEmptyParagraph(block)) + 1;
  const within = blocks.slice(from, to);
  const style = DISPLAY_STYLES[role];
  if (style !== undefined)
    return within
      .filter((block) => !isEmptyParagraph(block))
      .map((block) => (block.kind === 'paragraph' ? { ...plain(block, role === 'epigraph'), style } : block));
  if (isDisplayRole(role)) return within;
  return within.map((block, at) => (block.kind === 'paragraph' ? inText(block, at === 0) : block));
}

function inText(block: Paragraph, isFirst: boolean): Paragraph {
  const words = block.text.trim();
  const isHead = isFirst && !HEADS.has(block.style) && words.length <= LONGEST_HEAD && roleNamed(words) !== undefined;
  if (isHead) return { ...plain(block, false), style: 'CT' };
  const { breakBefore: _, ...kept } = block.touches ?? {};
  const own = isFirst && block.touches?.breakBefore !== undefined ? withTouches(block, kept) : block;
  return DRESSES.has(own.style) ? { ...own, style: 'TX' } : own;
}

function withTouches({ touches: _, ...rest }: Paragraph, touches: ParagraphTouches): Paragraph {
  return Object.keys(touches).length > 0 ? { ...rest, touches } : rest;
}

/** Without the alignment, page break and slope that stand for the look of the whole paragraph. */
function plain(block: Paragraph, keepsRight: boolean): Paragraph {
  const { align, breakBefore: _, ...kept } = block.touches ?? {};
  const own = keepsRight && align === 'right' ? { ...kept, align } : kept;
  return withTouches({ ...block, spans: isItalic(block) ? block.spans.flatMap(upright) : block.spans }, own);
}

/** Every letter of it is italic, by a touch or as emphasis. */
export function isItalic({ text, spans }: Paragraph): boolean {
  let at = 0;
  for (const { from, to, touches, style } of spans) {
    if ((touches?.italic ?? style === 'em') !== true) continue;
    if (text.slice(at, from).trim() !== '') return false;
    at = to;
  }
  return at > 0 && text.slice(at).trim() === '';
}

function upright({ touches, style, ...span }: Paragraph['spans'][number]): Paragraph['spans'] {
  const { italic: _, ...kept } = touches ?? {};
  const own = {
    ...span,
    ...(style === undefined || style === 'em' ? {} : { style }),
    ...(Object.keys(kept).length > 0 ? { touches: kept } : {}),
  };
  return Object.keys(own).length > 2 ? [own] : [];
}
