// Which faces and patterns a book needs: found by styling, before anything is shaped, so that only these are loaded.
import { effectiveTag } from '../../copy/effectiveTag';
import { maybeFace, type FaceId, type FaceTable } from '../../model/spec/faces';
import { eachStream, type Book } from '../../model/copy/book';
import { LANGUAGES } from '../../model/copy/languages';
import { settledKind } from '../../numbering/settledKind';
import { NOTE_SYMBOLS } from '../../model/spec/notes';
import { paragraph as makeParagraph, type FieldName, type Paragraph, type StreamId } from '../../model/copy/streams';
import { fieldText } from '../../copy/fields';
import type { ResolvedStyle } from '../../model/composed/styled';
import { resolveStyles, resolveWithLook, styleParagraph, StyleInterner, type StyleContext } from '../../styles';

export interface Needs {
  readonly faces: readonly FaceId[];
  readonly languages: readonly string[];
}

/**
 * The faces of every style that the text uses, in roman and italic of the body too, and the fallbacks that its
 * characters call for. Contents and furniture use styles of the body family.
 */
export function needsOf(book: Book, table: FaceTable): Needs {
  const faces = new Set<FaceId>();
  const interner = new StyleInterner();
  const languages = new Set([book.particulars.language]);
  const sheet = resolveStyles(book.spec, book.particulars.language, () => 0.25, interner);
  const want = (family: string, weight: number, italic: boolean) => {
    const face = maybeFace(table, family, weight, italic) ?? maybeFace(table, 'eb-garamond', weight, italic);
    if (face !== undefined) faces.add(face.id);
  };
  for (const style of sheet.values()) {
    want(style.family, style.weight, style.italic);
    want(style.family, 400, false);
    want(style.family, 400, true);
    // What is set in a character style by rule is found only as it is set.
    for (const tag of [style.lead?.style, ...style.spots.map((spot) => spot.style)]) {
      const own = book.spec.characterStyles[tag ?? ''];
      if (own === undefined) continue;
      const weight = own.weight ?? style.weight;
      for (const italic of [false, true]) want(own.face ?? style.family, weight, italic);
    }
  }
  const context = {
    spec: book.spec,
    faces: table,
    fieldText: (field: FieldName) => fieldText(field, book.particulars),
    noteReference: () => ({ text: '1', position: 'superior' as const }),
    referenceText: () => '',
  };
  // Signs of notes are put before and into paragraphs of any style, ornaments in place of those of theirs.
  const signs = signsOfNotes(book);
  for (const style of sheet.values()) {
    const set = `${signs}${style.ornament ?? ''}`;
    if (set === '') continue;
    for (const face of facesOf('', makeParagraph(`signs:${style.tag}`, style.tag, set), style, context))
      faces.add(face);
  }
  for (const { stream, blocks } of eachStream(book)) {
    blocks.forEach((block, index) => {
      if (block.kind !== 'paragraph') return;
      for (const { language } of block.spans) if (language !== undefined) languages.add(language);
      const tag = effectiveTag(blocks, index, book.spec.styles);
      const look = block.touches?.look;
      const style =
        look === undefined
          ? (sheet.get(tag) ?? sheet.get('TX')!)
          : resolveWithLook(tag, look, book.spec, book.particulars.language, () => 0.25, interner);
      if (look !== undefined) want(style.family, style.weight, style.italic);
      if (!needsRuns(style) && isPlain(block)) return;
      for (const face of facesOf(stream, block, style, context)) faces.add(face);
    });
  }
  for (const { language } of book.divisions) if (language !== undefined) languages.add(language);
  for (const { language } of sheet.values()) languages.add(language);
  for (const { language } of Object.values(book.spec.characterStyles))
    if (language !== undefined) languages.add(language);
  return { faces: [...faces], languages: [...languages].filter((language) => language in LANGUAGES) };
}

/** Signs of the book's kinds of notes that a text face may lack; empty for none, or no notes. */
function signsOfNotes(book: Book): string {
  if (Object.keys(book.notes).length === 0) return '';
  const kinds = Object.values(book.spec.notes.kinds).map((kind) => settledKind(kind, book));
  const all = kinds.flatMap(({ numerals, signs, reference, number }) => [
    ...(numerals === 'symbols' ? NOTE_SYMBOLS : signs),
    ...[reference, number].flatMap(({ before, after }) => [before, after]),
  ]);
  return [...new Set(all.join(''))].filter((sign) => !/[\u0000-\u007f]/.test(sign)).join('');
}

const plain = new WeakMap<Paragraph, boolean>();

/** Whether every sign of a paragraph is in every text face, and nothing in it is set otherwise. */
function isPlain(block: Paragraph): boolean {
  let known = plain.get(block);
  if (known === undefined) {
    known =
      block.spans.length === 0 &&
      !block.objects.some((object) => object.kind === 'field') &&
      /^[\u0000-\u00ff\u2013-\u201f\u2026\ufffc]*$/.test(block.text);
    plain.set(block, known);
  }
  return known;
}

interface KnownFaces {
  /** Everything of the style and the spec that the faces hang on. */
  readonly key: string;
  readonly characterStyles: unknown;
  readonly faceTable: FaceTable;
  readonly fields: string;
  readonly faces: readonly FaceId[];
}

/** Remembered by paragraph: a change of the spec that is none of faces is found to be none without styling again. */
const knownFaces = new WeakMap<Paragraph, KnownFaces>();

function facesOf(stream: StreamId, block: Paragraph, style: ResolvedStyle, context: StyleContext): readonly FaceId[] {
  const { family, weight, italic, caps, features, language, lead, spots } = style;
  const { characterStyles, marks, text } = context.spec;
  const given = JSON.stringify([lead, spots, text.fallbacks]);
  const key = [family, weight, italic, caps, features, language, given, marks.set].join();
  const fields = block.objects.map((one) => (one.kind === 'field' ? context.fieldText(one.field) : '')).join();
  const known = knownFaces.get(block);
  if (
    known?.key === key &&
    known.characterStyles === characterStyles &&
    known.faceTable === context.faces &&
    known.fields === fields
  )
    return known.faces;
  const faces = [...new Set(styleParagraph(stream, block, style, context).runs.map(({ face }) => face))];
  knownFaces.set(block, { key, characterStyles, faceTable: context.faces, fields, faces });
  return faces;
}

/** Whether a style sets part of its text in a face of its own. */
const needsRuns = ({ lead, spots }: ResolvedStyle) => lead?.style != null || spots.length > 0;
