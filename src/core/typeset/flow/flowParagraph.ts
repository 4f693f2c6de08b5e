// A composed paragraph as the page search gets it: its variants and what they cost, the spaces before it, its notes and the
// wishes of a person. The same object as before while nothing of that changed.
import type { ComposedParagraph } from '../../model/composed/pages';
import type { TextLink } from '../../model/composed/links';
import type { ResolvedStyle } from '../../model/composed/styled';
import { paragraph as makeParagraph, type Paragraph, type StreamId } from '../../model/copy/streams';
import { sameInsertions, type FlowParagraph, type Insertion, type PageWishes, type Variant } from '../../paginate';
import type { ComposeContext } from './composeContext';
import { composeGenerated, setterToMeasures } from './composeParagraph';
import type { ParagraphEntry } from '../stageCache';
import { tablePartOf } from '../tables/tablePart';

/** Demerits that cost one unit on a page: a line set at half of its limits more costs about that. */
const DEMERITS_PER_UNIT = 800;
/** Three asterisks: the asterism is in no shipped text face (house rules, section 5). */
const ORNAMENT = '*\u2002*\u2002*';

export function flowParagraph(
  entry: ParagraphEntry,
  block: Paragraph,
  before: FlowParagraph | undefined,
  isText: boolean,
  compose: ComposeContext,
  insertions: readonly Insertion[],
): FlowParagraph {
  const { composed } = entry;
  const { elastic, columnShares } = compose.book.spec.pages;
  const gap = gapBetween(composed, before);
  const made: FlowParagraph = {
    paragraph: composed,
    shorter: variantOf(entry.shorter, composed, elastic || block.touches?.lines === -1),
    longer: variantOf(entry.longer, composed, elastic || block.touches?.lines === 1),
    gap,
    elastic: elastic && isText ? elasticGaps(gap, composed, before) : undefined,
    insertions,
    wishes: isText ? wishesOf(block, entry.composed.styled.style, compose.book.spec.page.facing) : undefined,
    held: heldIn(composed, compose.held?.get(block.id)),
    rows: tablePartOf(block)?.rows,
    ornament: isText ? ornamentOf(composed, compose) : undefined,
    toMeasure:
      columnShares === null || tablePartOf(block) !== undefined
        ? undefined
        : setterToMeasures(composed, compose.context),
  };
  const known = compose.context.cache.tables.flows.get(composed);
  if (known !== undefined && isSamePlace(known, made)) return known;
  compose.context.cache.tables.flows.set(composed, made);
  return made;
}

/**
 * A paragraph that the book makes of itself, such as an entry of the index, in lines. `tail`: set flush right in its last; `links`: over
 * its text, one on the whole on the tail too.
 */
export function composeMade(
  stream: StreamId,
  paragraph: Paragraph,
  style: ResolvedStyle,
  compose: ComposeContext,
  tail = '',
  links: readonly TextLink[] = [],
): ComposedParagraph {
  const { measure } = compose;
  const job = { stream, paragraph, style, measure, prefix: '', links, tail, variants: 'none' as const };
  return composeGenerated(job, compose.style, compose.context, compose.clock);
}

/** The place of a line that is made, such as an entry of the contents. */
export function generatedPlace(paragraph: ComposedParagraph, gap: number, compose: ComposeContext): FlowParagraph {
  const { flows } = compose.context.cache.tables;
  const known = flows.get(paragraph);
  if (known !== undefined && known.gap === gap) return known;
  const made: FlowParagraph = { paragraph, gap, insertions: NONE };
  flows.set(paragraph, made);
  return made;
}

function variantOf(
  variant: ComposedParagraph | null,
  best: ComposedParagraph,
  isAllowed: boolean,
): Variant | undefined {
  if (variant === null || !isAllowed) return undefined;
  const dearer = Math.max(0, variant.broken.demerits - best.broken.demerits);
  return { paragraph: variant, cost: dearer / DEMERITS_PER_UNIT };
}

/** The larger of the space below the paragraph before and the space above this one. */
export function gapBetween(composed: ComposedParagraph, before: FlowParagraph | undefined): number {
  const last = before?.paragraph.styled.style;
  const { style } = composed.styled;
  // Paragraphs of one style that hold a block together, such as an extract's, stand close; items of a list at all levels.
  const isSame = last === style || ((isItem(style) || style.meaning === 'extract') && last?.tag === style.tag);
  if (last !== undefined && isBlock(style) && isSame) return 0;
  // Stacked heads close up: the second brings no space of its own.
  if (last?.withNext && style.withNext) return Math.min(style.above, Math.max(last.below, 0));
  return Math.max(style.above, last?.below ?? 0);
}

const isItem = ({ meaning }: ResolvedStyle) => meaning === 'listItem';
const isBlock = ({ meaning }: ResolvedStyle) => meaning === 'extract' || meaning === 'verse' || meaning === 'listItem';

/** Other spaces that may stand for the wished one: half a line more or less above a head and below it, half a line around extracts and lists. */
function elasticGaps(
  gap: number,
  { styled }: ComposedParagraph,
  before: FlowParagraph | undefined,
): readonly number[] | undefined {
  const last = before?.paragraph.styled.style;
  if (styled.style.withNext && !last?.withNext) return gap >= 2 ? [gap - 0.5, gap + 0.5] : undefined;
  // Below a head the other half: what is above it is a line more than what is below it, whatever they give.
  if (last?.withNext && !styled.style.withNext && last.above >= 2 && gap === last.below && gap >= 1) return [gap - 0.5];
  const isAround = isBlock(styled.style) || (last !== undefined && isBlock(last) && !styled.style.withNext);
  return isAround && gap === 1 ? [0.5] : undefined;
}

function wishesOf({ touches }: Paragraph, style: ResolvedStyle, facing: boolean): PageWishes | undefined {
  if (touches === undefined && style.breakBefore === null) return undefined;
  const { together, lines, spread } = touches ?? {};
  const own = touches?.breakBefore === true ? 'page' : touches?.breakBefore || undefined;
  const wanted = own ?? style.breakBefore ?? undefined;
  const hasSide = wanted === 'recto' || wanted === 'verso';
  const breakBefore = hasSide && !facing ? 'page' : wanted;
  const isAny = breakBefore !== undefined || together || lines !== undefined || spread !== undefined;
  return isAny ? { breakBefore, together, lines, spread } : undefined;
}

/** Held places of a paragraph as offsets in its set text. */
function heldIn({ styled }: ComposedParagraph, offsets: readonly number[] | undefined): readonly number[] | undefined {
  const { source } = styled;
  if (offsets === undefined || source === null) return offsets;
  return offsets.map((offset) => (offset === 0 ? 0 : Math.max(0, source.indexOf(offset))));
}

/** What an empty space break turns into at a page's edge. */
function ornamentOf({ styled }: ComposedParagraph, compose: ComposeContext): ComposedParagraph | undefined {
  const { style } = styled;
  if (style.meaning !== 'break' || styled.text.trim() !== '') return undefined;
  return composeMade(styled.stream, makeParagraph(styled.block, style.tag, style.ornament ?? ORNAMENT), style, compose);
}

function isSamePlace(a: FlowParagraph, b: FlowParagraph): boolean {
  return (
    a.shorter?.paragraph === b.shorter?.paragraph &&
    a.longer?.paragraph === b.longer?.paragraph &&
    a.gap === b.gap &&
    sameList(a.elastic ?? NONE, b.elastic ?? NONE) &&
    sameInsertions(a.insertions, b.insertions) &&
    JSON.stringify(a.wishes) === JSON.stringify(b.wishes) &&
    sameList(a.held ?? NONE, b.held ?? NONE) &&
    (a.held === undefined) === (b.held === undefined) &&
    a.ornament === b.ornament &&
    a.rows === b.rows &&
    (a.toMeasure === undefined) === (b.toMeasure === undefined)
  );
}

const NONE: readonly never[] = [];

function sameList(a: readonly unknown[], b: readonly unknown[]): boolean {
  return a.length === b.length && a.every((value, k) => value === b[k]);
}
