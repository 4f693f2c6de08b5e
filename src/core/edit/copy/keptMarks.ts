// Index marks, cross-references and marks of figures that a typesetter put into a paragraph: taken out of it to compare its words with those of
// a newer version, and put into that one at the same place.
import { commonEnds } from '../../base/commonEnds';
import { OBJECT_CHARACTER, type InlineObject, type Paragraph } from '../../model/copy/streams';

type Mark = Extract<InlineObject, { kind: 'index' | 'reference' | 'figure' }>;
const isMark = (object: InlineObject): object is Mark =>
  object.kind === 'index' || object.kind === 'reference' || object.kind === 'figure';

export interface TakenMarks {
  readonly plain: Paragraph;
  /** Each with its offset in the plain text. */
  readonly marks: readonly Mark[];
}

export function withoutMarks(block: Paragraph): TakenMarks {
  const marks = block.objects.filter(isMark);
  if (marks.length === 0) return { plain: block, marks };
  const before = (offset: number) => marks.filter(({ at }) => at < offset).length;
  const gone = new Set(marks.map(({ at }) => at));
  return {
    plain: {
      ...block,
      text: [...Array(block.text.length).keys()]
        .filter((k) => !gone.has(k))
        .map((k) => block.text[k])
        .join(''),
      spans: block.spans
        .map((span) => ({ ...span, from: span.from - before(span.from), to: span.to - before(span.to) }))
        .filter(({ from, to }) => to > from),
      objects: block.objects
        .filter((object) => !isMark(object))
        .map((object) => ({ ...object, at: object.at - before(object.at) })),
    },
    marks: marks.map((mark, k) => ({ ...mark, at: mark.at - k })),
  };
}

/** The paragraph with marks put in at offsets of its text, in order. */
export function withMarksIn(block: Paragraph, marks: readonly Mark[]): Paragraph {
  if (marks.length === 0) return block;
  const sorted = [...marks].sort((a, b) => a.at - b.at);
  // What stands at the place of a mark comes after it.
  const shift = (offset: number, isEnd = false) =>
    offset + sorted.filter(({ at }) => (isEnd ? at < offset : at <= offset)).length;
  let text = '';
  let done = 0;
  for (const { at } of sorted) {
    text += block.text.slice(done, at) + OBJECT_CHARACTER;
    done = at;
  }
  return {
    ...block,
    text: text + block.text.slice(done),
    spans: block.spans.map((span) => ({ ...span, from: shift(span.from), to: shift(span.to, true) })),
    objects: [
      ...block.objects.map((object) => ({ ...object, at: shift(object.at) })),
      ...sorted.map((mark, k) => ({ ...mark, at: mark.at + k })),
    ].sort((a, b) => a.at - b.at),
  };
}

/** Where an offset of a text is in a newer version of it: the same before and after what changed, else where the change begins. */
export function offsetInNewer(before: string, after: string, offset: number): number {
  const [head, tail] = commonEnds(before, after);
  if (offset <= head) return offset;
  if (offset >= before.length - tail) return after.length - (before.length - offset);
  return head;
}
