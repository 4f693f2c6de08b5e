// Which faces and patterns a book needs: found by styling, before anything is shaped, so that only these are loaded.
import { effectiveTag } from '../model/effectiveTag';
import { maybeFace, type FaceId, type FaceTable } from '../model/faces';
import { eachStream, type Book } from '../model/book';
import type { FieldName } from '../model/streams';
import { fieldText } from '../measure/fields';
import { resolveStyles, styleParagraph, StyleInterner } from '../styles';

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
  const sheet = resolveStyles(book.spec, book.particulars.language, () => 0.25, new StyleInterner());
  const want = (family: string, weight: number, italic: boolean) => {
    const face = maybeFace(table, family, weight, italic) ?? maybeFace(table, 'eb-garamond', weight, italic);
    if (face !== undefined) faces.add(face.id);
  };
  for (const style of sheet.values()) {
    want(style.family, style.weight, style.italic);
    want(style.family, 400, false);
    want(style.family, 400, true);
  }
  const context = {
    spec: book.spec,
    faces: table,
    fieldText: (field: FieldName) => fieldText(field, book.particulars),
    noteLabel: () => '1',
  };
  for (const { stream, blocks } of eachStream(book)) {
    blocks.forEach((block, index) => {
      if (block.kind !== 'paragraph') return;
      const style = sheet.get(effectiveTag(blocks, index)) ?? sheet.get('TX')!;

      if (
        block.spans.length === 0 &&
        !block.objects.some((object) => object.kind === 'field') &&
        /^[\u0000-\u00ff\u2013-\u201f\u2026\ufffc]*$/.test(block.text)
      )
        return;
      for (const run of styleParagraph(stream, block, style, context).runs) faces.add(run.face);
    });
  }
  return { faces: [...faces], languages: [book.particulars.language] };
}
