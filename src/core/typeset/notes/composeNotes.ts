// Notes, composed: those that stand at the foot of the page or in its margin hang on the lines that refer to them; those of
// the end of a division or of the book are text there.
import { PLAIN_NOTE, PLAIN_TEXT } from '../../copy/plainTags';
import { headingWords } from '../../numbering/headWords';
import type { Book, Division } from '../../model/copy/book';
import type { ComposedParagraph } from '../../model/composed/pages';
import type { ResolvedStyle } from '../../model/composed/styled';
import { NOTES, noteKind, type NoteKind, type NotePlace } from '../../model/spec/notes';
import { madeHead } from '../../copy/madeWords';
import { OBJECT_CHARACTER, paragraph as makeParagraph, type Paragraph, type StreamId } from '../../model/copy/streams';
import type { FlowNote, FlowParagraph, NoteLayout } from '../../paginate';
import { composeOne, flatten, styleOf, styleOfPicture, type Before } from '../flow/composeBlocks';
import type { ComposeContext } from '../flow/composeContext';
import { composeMade, flowParagraph, generatedPlace } from '../flow/flowParagraph';
import { signOf } from './noteSigns';

/** White between the number of a note and its words: en space on the line, a thin one after raised figures. */
const AFTER_NUMBER = '\u2002';
const AFTER_RAISED = '\u2009';
/** Margins in which no column of notes can stand, and the white that stays to the trim (house rules, section 1), in points. */
const LEAST_MARGIN = 40;
const TO_TRIM = 18;
/** Words by which a keyed note tells its place. */
const KEY_WORDS = 5;
/** Stands for a folio that is not known yet. */
const UNKNOWN_FOLIO = '00';

/** Width of the column of notes in the margin; null where there is no room for one. */
export function marginWidth({ geometry, book }: Pick<ComposeContext, 'geometry' | 'book'>): number | null {
  const width = geometry.foreEdge - book.spec.notes.columnGap - TO_TRIM;
  return width < LEAST_MARGIN ? null : width;
}

/** The column of notes beside the text: from the type area to it, and its width; null where there is no room for one. */
export function marginColumn(compose: Pick<ComposeContext, 'geometry' | 'book'>) {
  const width = marginWidth(compose);
  return width === null ? null : { gap: compose.book.spec.notes.columnGap, width };
}

/** Where the notes of a kind stand in this book: without a notes division or a margin they stand nearer to their text. */
export function placeOf(kind: NoteKind, compose: ComposeContext): NotePlace {
  if (kind.place === 'bookEnd' && !compose.hasNotesDivision) return 'divisionEnd';
  if (kind.place === 'margin' && marginWidth(compose) === null) return 'foot';
  return kind.place;
}

export const kindOf = (note: StreamId, { book }: ComposeContext): NoteKind =>
  noteKind(book.spec.notes, book.notes[note]?.kind ?? '');

/**
 * The notes to which the lines of a paragraph refer and that stand on their page, with the places of the references. What
 * a note refers to follows it. A note that the book lacks, or an empty one, brings nothing.
 */
export function notesOnPage(composed: ComposedParagraph, compose: ComposeContext): FlowNote[] {
  const { notes } = composed.styled;
  if (notes.length === 0) return NONE;
  const found: FlowNote[] = [];
  for (const { at, note } of notes) collect(note, at, compose, found, new Set());
  return found;
}

const NONE: FlowNote[] = [];

function collect(note: StreamId, at: number, compose: ComposeContext, found: FlowNote[], above: Set<StreamId>): void {
  // A note that refers to one that refers to it: each stands once.
  if (above.has(note)) return;
  const kind = kindOf(note, compose);
  const place = placeOf(kind, compose);
  if (place !== 'foot' && place !== 'margin') return;
  const layout = layoutOf(kind, place, compose);
  const paragraphs = noteParagraphs(note, kind, { ...compose, measure: layout.width });
  if (paragraphs.length > 0) found.push({ place, at, paragraphs, layout });
  const inside = new Set([...above, note]);
  for (const { styled } of paragraphs) for (const own of styled.notes) collect(own.note, at, compose, found, inside);
}

const layouts = new WeakMap<NoteKind, NoteLayout[]>();

/** How the notes of a kind stand; the same object while nothing of it changes. */
function layoutOf(kind: NoteKind, place: 'foot' | 'margin', compose: ComposeContext): NoteLayout {
  const gap = compose.book.spec.notes.columnGap;
  const columns = place === 'margin' ? 1 : kind.columns;
  const measure = compose.measure;
  const width = place === 'margin' ? marginWidth(compose)! : (measure - gap * (columns - 1)) / columns;
  const known = layouts.get(kind) ?? [];
  const same = known.find(
    (one) => one.columns === columns && one.width === width && one.gap === gap && one.runsOn === kind.runOn,
  );
  if (same !== undefined) return same;
  const { separator, continuation, runOn } = kind;
  const made: NoteLayout = {
    columns,
    width,
    gap,
    separator,
    continuation,
    runsOn: runOn,
  };
  layouts.set(kind, [...known.slice(-7), made]);
  return made;
}

/** The paragraphs of a note with its number before the first. */
export function noteParagraphs(note: StreamId, kind: NoteKind, compose: ComposeContext): ComposedParagraph[] {
  return composedBlocks(note, kind, compose).map(({ entry }) => entry.composed);
}

function composedBlocks(note: StreamId, kind: NoteKind, compose: ComposeContext) {
  const blocks = flatten(compose.book.notes[note]?.blocks ?? []);
  return blocks.map((block, index) => {
    const tag = block.style === PLAIN_TEXT || block.style === PLAIN_NOTE ? kind.style : block.style;
    const words = styleOf(compose.sheet.get(tag) === undefined ? PLAIN_NOTE : tag, compose, block.touches?.look);
    const style = styleOfPicture(blocks, index, index === 0 ? words : laterParagraph(words, compose), compose);
    const before: Before = index === 0 ? numberOf(note, kind, compose) : { prefix: '', prefixStyle: null };
    return { block, entry: composeOne(note, block, style, before, compose, 'none') };
  });
}

/** A note's later paragraphs are indented, where its first is not. */
function laterParagraph(style: ResolvedStyle, { context }: ComposeContext): ResolvedStyle {
  if (style.meaning !== 'note' || style.firstIndent !== 0) return style;
  return context.interner.intern({ ...style, firstIndent: style.size });
}

/** What stands before the words of a note: its number, or page and first words of its place. It leads back to the reference. */
export function numberOf(note: StreamId, kind: NoteKind, compose: ComposeContext): Before {
  return { ...signBefore(note, kind, compose), prefixTarget: { kind: 'noteReference', note } };
}

function signBefore(note: StreamId, kind: NoteKind, compose: ComposeContext): Before {
  if (kind.keyed) {
    const folio = compose.notePlaces[note]?.folio ?? UNKNOWN_FOLIO;
    const words = compose.keyWords(note);
    const lead = `${folio}${AFTER_NUMBER}`;
    const said = words === '' || words.endsWith('…') ? words : `${words}:`;
    return { prefix: said === '' ? lead : `${lead}${said} `, prefixStyle: 'em', prefixFrom: lead.length };
  }
  const sign = signOf(compose.notes.labels.get(note) ?? '?', kind.number);
  if (sign.position === 'line') return { prefix: `${sign.text}${AFTER_NUMBER}`, prefixStyle: null };
  const prefixSign = { to: sign.text.length, position: sign.position };
  return { prefix: `${sign.text}${AFTER_RAISED}`, prefixStyle: null, prefixSign };
}

/** First words of the sentence that a reference belongs to: the one in which it stands, or that it closes. */
export function keyWordsAt(text: string, at: number): string {
  const before = text
    .slice(0, at)
    .replaceAll(OBJECT_CHARACTER, '')
    .replace(/[\s.!?…,;:”’"')\]]+$/u, '');
  const starts = [...before.matchAll(/[.!?…][”’"')\]]*\s+/gu)];
  const last = starts[starts.length - 1];
  const sentence = last === undefined ? before : before.slice(last.index + last[0].length);
  const words = sentence.split(/\s+/u).filter((word) => word !== '');
  const kept = words
    .slice(0, KEY_WORDS)
    .join(' ')
    .replace(/^[“‘"'(]+|[,;:]+$/gu, '');
  return words.length > KEY_WORDS ? `${kept} …` : kept;
}

/** The notes of a division that stand at its end, under their head. */
export function divisionEndNotes(division: Division, compose: ComposeContext): FlowParagraph[] {
  const own = (compose.notes.byDivision.get(division.id) ?? []).filter(
    (note) => placeOf(kindOf(note, compose), compose) === 'divisionEnd',
  );
  if (own.length === 0) return [];
  const { spec, particulars } = compose.book;
  // The head that nobody changed says it in the language of the book.
  const wished = spec.notes.divisionHead;
  const head = wished === NOTES.divisionHead ? madeHead('notes', particulars.language)! : wished;
  const text: FlowParagraph[] = head === '' ? [] : [headParagraph(`notes:${division.id}`, division.id, head, compose)];
  putNotes(own, text, compose);
  return text;
}

/** The notes gathered at the end of the book, under the titles of the divisions that they belong to. */
export function bookEndNotes(division: Division, compose: ComposeContext): FlowParagraph[] {
  const { spec, divisions } = compose.book;
  const text: FlowParagraph[] = [];
  for (const from of divisions) {
    const own = gatheredNotes(from, compose);
    if (own.length === 0) continue;
    const words = spec.notes.heads ? headOf(from, compose) : '';
    if (words !== '') text.push(headParagraph(`notes:${from.id}`, division.id, words, compose));
    putNotes(own, text, compose);
  }
  return text;
}

/** The notes of a division that are gathered at the end of the book, in order. */
export function gatheredNotes({ id }: Pick<Division, 'id'>, compose: ComposeContext): StreamId[] {
  return (compose.notes.byDivision.get(id) ?? []).filter(
    (note) => placeOf(kindOf(note, compose), compose) === 'bookEnd',
  );
}

/** Number and title of a division as its notes stand under them. */
function headOf(division: Division, { numbers, book }: ComposeContext): string {
  const { number, title } = headingWords(division, book.spec.styles, numbers);
  if (number === '' || title === '') return number + title;
  // A figure alone, or one with its word.
  return `${number.replace(/[.\s]+$/, '')}. ${title}`;
}

function headParagraph(id: string, stream: StreamId, words: string, compose: ComposeContext): FlowParagraph {
  const style = compose.sheet.get('NH') ?? compose.sheet.get('TX')!;
  return generatedPlace(composeMade(stream, makeParagraph(id, 'NH', words), style, compose), style.above, compose);
}

function putNotes(notes: readonly StreamId[], text: FlowParagraph[], compose: ComposeContext): void {
  for (const note of notes) {
    for (const { block, entry } of composedBlocks(note, kindOf(note, compose), compose)) {
      const inner = notesOnPage(entry.composed, compose);
      text.push(flowParagraph(entry, block, text[text.length - 1], true, compose, inner));
    }
  }
}

/** First words of the places of all keyed notes, found when they are asked for. */
export function keyWordsOf({ divisions, notes, spec }: Book): (note: StreamId) => string {
  let words: Map<StreamId, string> | undefined;
  const find = () => {
    const found = new Map<StreamId, string>();
    const visit = (blocks: Division['blocks']) => {
      for (const block of blocks) {
        if (block.kind === 'table') block.rows.forEach((row) => row.forEach((cell) => visit(cell.blocks)));
        else visitParagraph(block);
      }
    };
    const visitParagraph = (block: Paragraph) => {
      for (const object of block.objects)
        if (object.kind === 'note' && !found.has(object.note)) {
          const { keyed } = noteKind(spec.notes, notes[object.note]?.kind ?? '');
          found.set(object.note, keyed ? keyWordsAt(block.text, object.at) : '');
          visit(notes[object.note]?.blocks ?? []);
        }
    };
    for (const { blocks } of divisions) visit(blocks);
    return found;
  };
  return (note) => (words ??= find()).get(note) ?? '';
}
