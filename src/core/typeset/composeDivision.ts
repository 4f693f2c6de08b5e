// The paragraphs of one division, composed: the opener's head apart from the text, notes with the lines that refer to
// them, contents entries made from the references.
import { lastAtMost } from '../base/search';
import type { Book, Division } from '../model/book';
import { effectiveTag, isEmptyParagraph } from '../model/effectiveTag';
import type { ComposedParagraph } from '../model/pages';
import type { ReferenceTable } from '../model/referenceTable';
import { paragraph as makeParagraph, type Block, type Paragraph } from '../model/streams';
import { isDisplayRole, type DivisionFlow, type FlowNote, type FlowParagraph } from '../paginate';
import { contentsEntries } from '../references';
import type { StyleContext, StyleSheet } from '../styles';
import { composeBlock, composeGenerated, type StageClock } from './composeParagraph';
import type { TypesetContext } from './context';

export interface ComposeContext {
  readonly book: Book;
  readonly sheet: StyleSheet;
  readonly style: StyleContext;
  readonly context: TypesetContext;
  readonly measure: number;
  readonly clock: StageClock;
}

/** Paragraphs between two checkpoints. */
const PARAGRAPHS_PER_STEP = 8;
const HEAD_TAGS = new Set(['CN', 'CT', 'PN', 'PT', 'TOH']);

export function* composeDivision(
  division: Division,
  compose: ComposeContext,
  references: ReferenceTable,
): Generator<void, DivisionFlow> {
  const blocks = usedBlocks(division);
  const headCount = isDisplayRole(division.role) ? 0 : countHead(blocks);
  const head: ComposedParagraph[] = [];
  const text: FlowParagraph[] = [];
  for (let k = 0; k < blocks.length; k += 1) {
    if (k % PARAGRAPHS_PER_STEP === 0) yield;
    const block = blocks[k];
    const composed = composeOne(division.id, block, styleOf(effectiveTag(blocks, k), compose), '', compose);
    if (k < headCount) head.push(composed);
    else if (!isDisplayRole(division.role) || composed.styled.text.trim() !== '') {
      text.push({ paragraph: composed, gap: gapBefore(composed, text), notes: notesOf(composed, compose) });
    }
  }
  if (division.role === 'contents') text.push(...composeContents(division, compose, references));
  return { role: division.role, head, text };
}

/** Paragraphs of the division, those of tables in order, without the empty ones at either end. */
function usedBlocks(division: Division): Paragraph[] {
  const blocks = flatten(division.blocks);
  let start = 0;
  let end = blocks.length;
  while (start < end && isEmptyParagraph(blocks[start])) start += 1;
  while (end > start && isEmptyParagraph(blocks[end - 1])) end -= 1;
  const used = blocks.slice(start, end);
  // Empty paragraphs between a head and the text are the file's spacing: the text start takes their place.
  const head = countHead(used);
  let gap = head;
  while (head > 0 && gap < used.length && isEmptyParagraph(used[gap])) gap += 1;
  return [...used.slice(0, head), ...used.slice(gap)];
}

function flatten(blocks: readonly Block[]): Paragraph[] {
  return blocks.flatMap((block) =>
    block.kind === 'paragraph' ? [block] : block.rows.flatMap((row) => row.flatMap((cell) => flatten(cell.blocks))),
  );
}

function countHead(blocks: readonly Paragraph[]): number {
  const end = blocks.findIndex((block) => !HEAD_TAGS.has(block.style));
  return end < 0 ? blocks.length : end;
}

function styleOf(tag: string, compose: ComposeContext) {
  return compose.sheet.get(tag) ?? compose.sheet.get('TX')!;
}

function composeOne(
  stream: string,
  block: Paragraph,
  style: ReturnType<typeof styleOf>,
  prefix: string,
  compose: ComposeContext,
): ComposedParagraph {
  const job = { stream, paragraph: block, style, measure: compose.measure, prefix, tail: '' };
  return composeBlock(job, compose.style, compose.context, compose.clock);
}

/** The larger of the space below the paragraph before and the space above this one. */
function gapBefore(composed: ComposedParagraph, before: readonly FlowParagraph[]): number {
  const last = before[before.length - 1]?.paragraph.styled.style;
  const { style } = composed.styled;
  // Paragraphs of one style that hold a block together, such as an extract's, stand close.
  if (last !== undefined && last === style && (style.meaning === 'extract' || style.meaning === 'verse')) return 0;
  return Math.max(style.above, last?.below ?? 0);
}

/** Note bodies with the lines of their references. A note that the book lacks, or an empty one, brings nothing. */
function notesOf(composed: ComposedParagraph, compose: ComposeContext): FlowNote[] {
  const notes: FlowNote[] = [];
  for (const mark of composed.styled.notes) {
    const blocks = flatten(compose.book.notes[mark.note]?.blocks ?? []);
    if (blocks.length === 0) continue;
    const label = `${compose.style.noteLabel(mark.note)}.\u2002`;
    const paragraphs = blocks.map((block, index) =>
      composeOne(
        mark.note,
        block,
        styleOf(block.style === 'TX' ? 'NT' : block.style, compose),
        index === 0 ? label : '',
        compose,
      ),
    );
    notes.push({ line: Math.max(0, lastAtMost(composed.broken.from, mark.at)), paragraphs });
  }
  return notes;
}

function composeContents(division: Division, compose: ComposeContext, references: ReferenceTable): FlowParagraph[] {
  return contentsEntries(references).map((entry) => {
    const style = styleOf(entry.tag, compose);
    const made = makeParagraph(`contents:${entry.division}`, entry.tag, entry.text);
    const job = {
      stream: division.id,
      paragraph: made,
      style,
      measure: compose.measure,
      prefix: '',
      tail: entry.folio,
    };
    const composed = composeGenerated(job, compose.style, compose.context, compose.clock);
    return { paragraph: composed, gap: style.above, notes: [] };
  });
}
