// Paragraphs cut and put together.
import { normaliseSpans, type Paragraph } from '../model/copy/streams';

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

/** A paragraph with the text of another at its end. */
export function appendParagraph(a: Paragraph, b: Paragraph): Paragraph {
  const shift = a.text.length;
  return {
    ...a,
    text: a.text + b.text,
    spans: normaliseSpans([
      ...a.spans,
      ...b.spans.map((span) => ({ ...span, from: span.from + shift, to: span.to + shift })),
    ]),
    objects: [...a.objects, ...b.objects.map((object) => ({ ...object, at: object.at + shift }))],
    ...(b.names === undefined ? {} : { names: [...new Set([...(a.names ?? []), ...b.names])] }),
  };
}
