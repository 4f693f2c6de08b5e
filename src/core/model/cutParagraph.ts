// Part of a paragraph.
import type { Paragraph } from './streams';

/** Part of a paragraph from `from` to `to`, spans and objects moved along. */
export function cutParagraph(source: Paragraph, from: number, to: number): Paragraph {
  const spans = source.spans
    .map((span) => ({ ...span, from: Math.max(span.from, from) - from, to: Math.min(span.to, to) - from }))
    .filter((span) => span.to > span.from);
  const objects = source.objects
    .filter((object) => object.at >= from && object.at < to)
    .map((object) => ({ ...object, at: object.at - from }));
  return { ...source, text: source.text.slice(from, to), spans, objects };
}
