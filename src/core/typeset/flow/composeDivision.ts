// The paragraphs of one division, composed: the opener's head apart from the text, notes with the lines that refer to
// them, contents entries made from the references.
import { append } from '../../base/append';
import type { Division } from '../../model/copy/book';
import { isEmptyParagraph } from '../../copy/effectiveTag';
import { isOpenerPart, meaningOfTag } from '../../copy/meanings';
import type { ComposedParagraph } from '../../model/composed/pages';
import type { ReferenceTable } from '../../model/composed/referenceTable';
import type { Paragraph } from '../../model/copy/streams';
import { isDisplayRole } from '../../model/copy/roles';
import type { VariantWish } from '../../linebreak';
import type { Meaning } from '../../model/spec/spec';
import type { ResolvedStyle } from '../../model/composed/styled';
import type { DivisionFlow, FlowFloat, FlowNote, FlowParagraph, Insertion } from '../../paginate';
import type { BesideFigure } from './besideFigures';
import { captionContext, composeOne } from './composeBlocks';
import { composeInLanguage } from './composeStyles';
import type { ComposeContext } from './composeContext';
import { composeBeside, composeFloats } from './composeFigures';
import { composeLists } from '../lists/composeLists';
import { divisionEndNotes, marginColumn, notesOnPage } from '../notes/composeNotes';
import { PLAIN_TEXT } from '../../copy/plainTags';
import { atVerseEdge, centreVerse, verseEdge } from './centreVerse';
import { flowParagraph } from './flowParagraph';
import { partFloats } from './floatFigures';
import { isNumberLine, withNumberLines } from './headNumbers';
import { holdCaptions } from './holdCaptions';
import { levelOffGrid } from './levelOffGrid';
import { KeptFlow } from './keptFlow';
import { NO_STANDS, wrapText, type Stands } from './wrapText';
import { settingOf } from './settingOf';
import { tablePartOf, type TablePart } from '../tables/tablePart';
import { withTables } from '../tables/withTables';
import { ListMarks } from '../../numbering/listMarks';
import { numberVerse } from './numberVerse';
import { joinNotes } from '../notes/joinNotes';

/** Paragraphs between two checkpoints. */
const PARAGRAPHS_PER_STEP = 8;

/** `joins`: it goes on on the page of the division before, its head among the text. */
export function* composeDivision(
  division: Division,
  ofBook: ComposeContext,
  references: ReferenceTable,
  joins = false,
): Generator<void, ComposedFlow> {
  const compose = composeInLanguage(ofBook, division.language);
  const all = withNumberLines(usedBlocks(division, compose), division.role, compose);
  const isDisplay = isDisplayRole(division.role);
  const countedHead = isDisplay ? 0 : countHead(all, compose);
  const headCount = joins ? 0 : countedHead;
  const { text: blocks, floats, besides } = partFloats(all, isDisplay ? all.length : countedHead, compose);
  // Display pages and the heads of openers stand over all columns.
  const across: ComposeContext = { ...compose, measure: compose.geometry.measure };
  const head: ComposedParagraph[] = [];
  const headNotes: FlowNote[] = [];
  const text: FlowParagraph[] = [];
  const wrapped: { at: number; figure: BesideFigure }[] = [];
  const marks = new ListMarks(compose.book.spec.numbering, compose.book.particulars.language);
  const kept = new KeptFlow(division.id, `${division.role}${joins ? '+' : ''}`, blocks, headCount, compose);
  let made = 0;
  for (let k = 0; k < blocks.length; k += 1) {
    const mark = marks.next(blocks[k]);
    for (const figure of besides.get(k) ?? [])
      wrapped.push({ at: text.length, figure: composeBeside(division.id, figure, compose) });
    const same = kept.at(k, text[text.length - 1], floats.has(k));
    if (same !== undefined) text.push(same);
    if (same !== undefined) continue;
    if ((made += 1) % PARAGRAPHS_PER_STEP === 1) yield;
    const block = blocks[k];
    const { number, style } = settingOf(blocks, k, mark, { count: countedHead, joins }, compose);
    const isText = k >= headCount && !isDisplay;
    const column = isDisplay || k < headCount ? across : captionContext(blocks, k, compose);
    const variants = isText && style.pictures === undefined ? variantsOf(block, style) : 'none';
    const entry = composeOne(block.stream ?? division.id, block, style, number, column, variants);
    if (k < headCount) {
      head.push(entry.composed);
      // Notes of the head stand at the foot of its page: they hang on the first line of the text.
      append(headNotes, atStart(notesOnPage(entry.composed, compose)));
    } else if (isText || style.pictures !== undefined || holdsAnything(entry.composed, block)) {
      const figures = floats.get(k)?.flatMap((figure) => composeFloats(division.id, figure, compose));
      const hanging = hangingOn(entry.composed, block, column, text.length === 0 ? headNotes : [], figures);
      text.push(flowParagraph(entry, block, text[text.length - 1], isText, compose, hanging));
      kept.note(k, text[text.length - 1]);
    }
  }
  kept.keep();
  const edge = isVerse(compose) ? verseEdge(text, references.verse, compose.measure) : null;
  text.push(...composeLists(division, compose, references), ...divisionEndNotes(division, compose));
  const textWith = (stands: Stands) =>
    settled(wrapText(text, wrapped, stands, compose), isDisplay ? across : compose, edge, isDisplay);
  return {
    ...partsOf(division, compose),
    head,
    headEdge: edge ?? 0,
    text: textWith(NO_STANDS),
    ...(wrapped.length > 0 ? { standing: textWith } : {}),
  };
}

/** What a division says of its pages besides its words. */
const partsOf = ({ id, role, placing }: Division, compose: ComposeContext) => ({
  stream: id,
  role,
  placing,
  notes: compose.book.spec.notes,
  margin: marginColumn(compose),
  joinNotes: (notes: readonly FlowNote[]) => joinNotes(notes.map(streamOf), compose),
});

/** A division composed. `standing`: its text where figures beside it are found to stand elsewhere; absent where there are none. */
export interface ComposedFlow extends DivisionFlow {
  readonly standing?: (stands: Stands) => DivisionFlow['text'];
}

/** Whether the text of the book is verse. */
const isVerse = ({ sheet }: ComposeContext) => sheet.get(PLAIN_TEXT)?.align === 'longest';

/** The flow with its verse numbered and at its edge, and what stands off the grid between equal spaces. `edge`: of a book of verse. */
function settled(text: readonly FlowParagraph[], compose: ComposeContext, edge: number | null, isDisplay: boolean) {
  const numbered = numberVerse(text, compose);
  const isOfVerse = edge !== null && !isDisplay;
  const placed = isOfVerse ? atVerseEdge(numbered, edge) : centreVerse(numbered, compose.measure);
  const { lines, leading } = compose.geometry;
  // Lines in columns of other widths are set anew where they stand: there each is by itself.
  const isPlain = !isDisplay && compose.book.spec.pages.columnShares === null;
  return levelOffGrid(isPlain ? holdCaptions(placed, { lines, leading }) : placed, leading);
}

const atStart = (notes: readonly FlowNote[]): FlowNote[] => notes.map((note) => ({ ...note, at: 0 }));

const holdsAnything = ({ styled }: ComposedParagraph, block: Paragraph) =>
  styled.text.trim() !== '' || tablePartOf(block) !== undefined;

/** What hangs on a paragraph: its notes, those of the head before it, and figures that have a place of their own. */
function hangingOn(
  composed: ComposedParagraph,
  block: Paragraph,
  compose: ComposeContext,
  ofHead: readonly FlowNote[],
  figures: readonly FlowFloat[] = [],
): readonly Insertion[] {
  const part = tablePartOf(block);
  const own = part === undefined ? notesOnPage(composed, compose) : notesOfRows(part, compose);
  const notes = ofHead.length > 0 ? [...ofHead, ...own] : own;
  return figures.length === 0 ? notes : [...notes, ...figures];
}

/** The notes of rows of a table, which hang on the one line that stands for them. */
function notesOfRows({ rows }: TablePart, compose: ComposeContext): FlowNote[] {
  return rows.texts.flatMap(({ paragraph, from, to }) => {
    const { from: starts, count } = paragraph.broken;
    const isIn = ({ at }: FlowNote) => at >= (from === 0 ? 0 : starts[from]) && (to === count || at < starts[to]);
    return atStart(notesOnPage(paragraph, compose).filter(isIn));
  });
}

const streamOf = ({ paragraphs }: FlowNote) => paragraphs[0].styled.stream;

/** Paragraphs of the division, those of tables in order, without the empty ones at either end. */
function usedBlocks(division: Division, compose: ComposeContext): readonly Paragraph[] {
  const blocks = withTables(division, compose);
  let start = 0;
  let end = blocks.length;
  while (start < end && isEmptyParagraph(blocks[start])) start += 1;
  while (end > start && isEmptyParagraph(blocks[end - 1])) end -= 1;
  const used = blocks.slice(start, end);
  // Empty paragraphs between a head and the text are the file's spacing: the text start takes their place.
  const head = countHead(used, compose);
  let gap = head;
  while (head > 0 && gap < used.length && isEmptyParagraph(used[gap])) gap += 1;
  return gap === head ? used : [...used.slice(0, head), ...used.slice(gap)];
}

function countHead(blocks: readonly Paragraph[], { book }: ComposeContext): number {
  const isOpener = ({ style }: Paragraph) => isOpenerPart(meaningOfTag(book.spec.styles, style));
  const end = blocks.findIndex((block) => !isOpener(block) && !isNumberLine(block));
  return end < 0 ? blocks.length : end;
}

const MAY_VARY: ReadonlySet<Meaning> = new Set<Meaning>(['body', 'extract', 'listItem']);

function variantsOf({ touches }: Paragraph, { meaning }: ResolvedStyle): VariantWish {
  if (touches?.lines !== undefined) return touches.lines;
  return MAY_VARY.has(meaning) ? 'good' : 'none';
}
