// The looks and objects of one paragraph put behind those of others, where its text begins at an offset of theirs.
import { append } from '../../base/append';
import type { InlineObject, Paragraph, Span } from '../../model/copy/streams';

/** `at`: the offset, in UTF-16 units, at which the text of the paragraph begins in the joined one. */
export function appendCopy(spans: Span[], objects: InlineObject[], paragraph: Paragraph, at: number): void {
  append(
    spans,
    paragraph.spans.map((span) => ({ ...span, from: span.from + at, to: span.to + at })),
  );
  append(
    objects,
    paragraph.objects.map((object) => ({ ...object, at: object.at + at })),
  );
}
