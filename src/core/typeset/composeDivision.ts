// The paragraphs of one division, composed: the opener's head apart from the text, notes with the lines that refer to
// them, contents entries made from the references.
import type { Book, Division } from '../model/book';
import { effectiveTag, isEmptyParagraph } from '../model/effectiveTag';
import type { ComposedParagraph, PageGeometry } from '../model/pages';
import type { ReferenceTable } from '../model/referenceTable';
import { paragraph as makeParagraph, type Block, type LocalLook, type Paragraph, type Table } from '../model/streams';
import type { VariantWish } from '../linebreak';
import type { Meaning } from '../model/spec';
import type { ResolvedStyle } from '../model/styled';
import { isDisplayRole, type DivisionFlow, type FlowNote, type FlowParagraph } from '../paginate';
import { contentsEntries } from '../references';
import type { StyleContext, StyleSheet } from '../styles';
import { composeBlock, composeGenerated, type StageClock } from './composeParagraph';
import type { TypesetContext } from './context';
import { centreVerse } from './centreVerse';
import { flowParagraph, generatedPlace } from './flowParagraph';
import type { HeldStarts } from './hold';
import { KeptFlow } from './keptFlow';
import { tableRowOf, tableRows } from './tableRows';
import { itemStyle, ListMarks } from './listMarks';
import { withFirstLine } from './firstLine';
import { numberVerse } from './numberVerse';
import { pictureOfParagraph, pictureStyle, withPicturesApart } from './setPictures';
import type { ParagraphEntry } from './stageCache';

export interface ComposeContext {
  readonly book: Book;
  readonly sheet: StyleSheet;
  /** A style with what is changed of it on one paragraph. */
  readonly withLook: (tag: string, look: LocalLook) => ResolvedStyle;
  readonly style: StyleContext;
  readonly context: TypesetContext;
  readonly measure: number;
  readonly geometry: PageGeometry;
  readonly clock: StageClock;
  /** Offsets at which pages of a held pull begin, by block; undefined: nothing is held. */
  readonly held?: HeldStarts | undefined;
}

/** Paragraphs between two checkpoints. */
const PARAGRAPHS_PER_STEP = 8;
const HEAD_TAGS = new Set(['CN', 'CT', 'PN', 'PT', 'CST', 'CEP', 'COR', 'TOH']);

export function* composeDivision(
  division: Division,
  compose: ComposeContext,
  references: ReferenceTable,
): Generator<void, DivisionFlow> {
  const blocks = usedBlocks(division, compose);
  const headCount = isDisplayRole(division.role) ? 0 : countHead(blocks);
  const head: ComposedParagraph[] = [];
  const text: FlowParagraph[] = [];
  const marks = new ListMarks();
  const kept = new KeptFlow(division.id, blocks, headCount, compose);
  let made = 0;
  for (let k = 0; k < blocks.length; k += 1) {
    const mark = marks.next(blocks[k]);
    const same = kept.at(k, text[text.length - 1]);
    if (same !== undefined) {
      text.push(same);
      continue;
    }
    if ((made += 1) % PARAGRAPHS_PER_STEP === 1) yield;
    const block = blocks[k];
    const plain = opening(
      styleOf(effectiveTag(blocks, k), compose, block.touches?.look),
      headCount > 0 && k === headCount,
      compose,
    );
    const item = mark === '' ? plain : compose.context.interner.intern(itemStyle(plain, block.list!.level));
    const style = tableRowOf(block)?.style ?? styleOfPicture(blocks, k, item, compose);
    const isText = k >= headCount && !isDisplayRole(division.role);
    const variants = isText && style.picture === undefined ? variantsOf(block, style) : 'none';
    const entry = composeOne(division.id, block, style, mark, compose, variants);
    if (k < headCount) head.push(entry.composed);
    else if (isText || style.picture !== undefined || entry.composed.styled.text.trim() !== '') {
      const notes = notesOf(entry.composed, compose);
      text.push(flowParagraph(entry, block, text[text.length - 1], isText, compose, notes));
      kept.note(k, text[text.length - 1]);
    }
  }
  kept.keep();
  if (division.role === 'contents') text.push(...composeContents(division, compose, references));
  return { role: division.role, head, text: centreVerse(numberVerse(text, compose), compose.measure) };
}

/** Paragraphs of the division, those of tables in order, without the empty ones at either end. */
function usedBlocks(division: Division, compose: ComposeContext): readonly Paragraph[] {
  const blocks = flatten(division.blocks, (table) => tableRows(table, division.id, compose));
  let start = 0;
  let end = blocks.length;
  while (start < end && isEmptyParagraph(blocks[start])) start += 1;
  while (end > start && isEmptyParagraph(blocks[end - 1])) end -= 1;
  const used = blocks.slice(start, end);
  // Empty paragraphs between a head and the text are the file's spacing: the text start takes their place.
  const head = countHead(used);
  let gap = head;
  while (head > 0 && gap < used.length && isEmptyParagraph(used[gap])) gap += 1;
  return gap === head ? used : [...used.slice(0, head), ...used.slice(gap)];
}

/** `rowsOf`: the rows of a table as paragraphs, or null for one whose cells are set one after another. */
function flatten(
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

function countHead(blocks: readonly Paragraph[]): number {
  const end = blocks.findIndex((block) => !HEAD_TAGS.has(block.style));
  return end < 0 ? blocks.length : end;
}

/** The style of a tag, with what is changed of it on the paragraph. */
function styleOf(tag: string, compose: ComposeContext, look?: LocalLook) {
  if (look !== undefined) return compose.withLook(tag, look);
  return compose.sheet.get(tag) ?? compose.sheet.get('TX')!;
}

/** The style of a paragraph that is a picture; any other keeps its own. */
function styleOfPicture(
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

/** The style of an opener's first paragraph of text, with the drop capital and the small capitals of the spec. */
function opening(style: ResolvedStyle, isFirst: boolean, compose: ComposeContext): ResolvedStyle {
  const { dropLines, dropLetters, leadWords } = compose.book.spec.openers;
  if (!isFirst || style.meaning !== 'body' || (dropLines < 2 && leadWords === 0)) return style;
  const initial = dropLines < 2 ? style.initial : { lines: dropLines, letters: dropLetters, isRaised: false };
  const firstIndent = initial === null ? style.firstIndent : 0;
  const lead = leadWords === 0 ? style.lead : ({ kind: 'words', count: leadWords, mark: '', style: null } as const);
  return compose.context.interner.intern({ ...style, initial, firstIndent, lead });
}

const MAY_VARY: ReadonlySet<Meaning> = new Set<Meaning>(['body', 'extract', 'listItem']);

function variantsOf({ touches }: Paragraph, { meaning }: ResolvedStyle): VariantWish {
  if (touches?.lines !== undefined) return touches.lines;
  return MAY_VARY.has(meaning) ? 'good' : 'none';
}

function composeOne(
  stream: string,
  block: Paragraph,
  style: ResolvedStyle,
  prefix: string,
  compose: ComposeContext,
  variants: VariantWish,
): ParagraphEntry {
  const job = { stream, paragraph: block, style, measure: compose.measure, prefix, tail: '', variants };
  const set = (of: ResolvedStyle) => composeBlock({ ...job, style: of }, compose.style, compose.context, compose.clock);
  return style.lead?.kind === 'line' ? withFirstLine(block, style, set, compose.context.interner) : set(style);
}

/** Note bodies with the places of their references. A note that the book lacks, or an empty one, brings nothing. */
function notesOf(composed: ComposedParagraph, compose: ComposeContext): FlowNote[] {
  const notes: FlowNote[] = [];
  for (const mark of composed.styled.notes) {
    const blocks = flatten(compose.book.notes[mark.note]?.blocks ?? []);
    if (blocks.length === 0) continue;
    const label = `${compose.style.noteLabel(mark.note)}.\u2002`;
    const paragraphs = blocks.map((block, index) => {
      const words = styleOf(block.style === 'TX' ? 'NT' : block.style, compose, block.touches?.look);
      const style = styleOfPicture(blocks, index, words, compose);
      return composeOne(mark.note, block, style, index === 0 ? label : '', compose, 'none').composed;
    });
    notes.push({ at: mark.at, paragraphs });
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
      variants: 'none' as const,
    };
    const composed = composeGenerated(job, compose.style, compose.context, compose.clock);
    return generatedPlace(composed, style.above, compose);
  });
}
