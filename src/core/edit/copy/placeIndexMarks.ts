// Puts index marks into the text of a book at places that were found in an earlier state of it.
import { cutParagraph } from '../../copy/cutParagraph';
import type { Book } from '../../model/copy/book';
import type { BookEdit } from '../../model/copy/bookEdit';
import type { IndexMark } from '../../model/spec/indexSpec';
import { OBJECT_CHARACTER, type BlockId, type Paragraph } from '../../model/copy/streams';

export interface MarkPlace {
  readonly block: BlockId;
  readonly offset: number;
  readonly mark: IndexMark;
}

/** The edits, and the places whose paragraph the book has no more. Marks that are there already are not put in again. */
export function placeMarksEdits(book: Book, places: readonly MarkPlace[]): { edits: BookEdit[]; lost: MarkPlace[] } {
  const wanted = new Map<BlockId, MarkPlace[]>();
  for (const place of places) wanted.set(place.block, [...(wanted.get(place.block) ?? []), place]);
  const edits: BookEdit[] = [];
  for (const { id, blocks } of [...book.divisions, ...Object.values(book.notes)])
    blocks.forEach((block, at) => {
      const own = wanted.get(block.id);
      if (own === undefined || block.kind !== 'paragraph') return;
      wanted.delete(block.id);
      const marked = withMarks(block, own);
      if (marked !== block) edits.push({ kind: 'replaceBlocks', stream: id, at, removed: [block], inserted: [marked] });
    });
  return { edits, lost: [...wanted.values()].flat() };
}

function withMarks(block: Paragraph, places: readonly MarkPlace[]): Paragraph {
  // From the end on: an insertion moves nothing before it.
  const sorted = [...places].sort((a, b) => b.offset - a.offset);
  return sorted.reduce((current, { offset, mark }) => {
    const at = Math.min(wordStart(current.text, offset), current.text.length);
    const same = (object: Paragraph['objects'][number]) =>
      object.kind === 'index' &&
      Math.abs(object.at - at) <= 1 &&
      object.term === mark.term &&
      object.sub === mark.sub &&
      object.range === mark.range;
    return current.objects.some(same) ? current : withMark(current, at, mark);
  }, block);
}

function withMark(block: Paragraph, at: number, mark: IndexMark): Paragraph {
  const [before, after] = [cutParagraph(block, 0, at), cutParagraph(block, at, block.text.length)];
  return {
    ...block,
    text: before.text + OBJECT_CHARACTER + after.text,
    spans: [
      ...before.spans,
      ...after.spans.map((span) => ({ ...span, from: span.from + at + 1, to: span.to + at + 1 })),
    ],
    objects: [
      ...before.objects,
      { at, kind: 'index', ...mark },
      ...after.objects.map((object) => ({ ...object, at: object.at + at + 1 })),
    ],
  };
}

/** The beginning of the word at an offset: a mark never parts one. */
function wordStart(text: string, offset: number): number {
  let at = Math.max(0, Math.min(offset, text.length));
  while (at > 0 && /[\p{L}\p{N}\p{M}’'-]/u.test(text[at - 1]) && /[\p{L}\p{N}\p{M}]/u.test(text[at] ?? '')) at -= 1;
  return at;
}
