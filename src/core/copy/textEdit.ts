// Changes of a paragraph's text that carry its spans and objects along.
import { normaliseSpans, OBJECT_CHARACTER, type Paragraph } from '../model/copy/streams';

/** Puts `text` in place of what stands from `from` to `to`; places come in order and do not overlap. */
export interface TextEdit {
  readonly from: number;
  readonly to: number;
  readonly text: string;
}

/** The paragraph with its text changed; the same object when nothing is. An edit never takes an inline object away. */
export function editText(source: Paragraph, edits: readonly TextEdit[]): Paragraph {
  const kept = edits.filter(
    ({ from, to, text }) =>
      !source.text.slice(from, to).includes(OBJECT_CHARACTER) && source.text.slice(from, to) !== text,
  );
  if (kept.length === 0) return source;
  let text = '';
  let at = 0;
  for (const edit of kept) {
    text += source.text.slice(at, edit.from) + edit.text;
    at = edit.to;
  }
  text += source.text.slice(at);
  return {
    ...source,
    text,
    spans: normaliseSpans(
      source.spans.map((span) => ({ ...span, from: moved(span.from, kept, 1), to: moved(span.to, kept, -1) })),
    ),
    objects: source.objects.map((object) => ({ ...object, at: moved(object.at, kept, 1) })),
  };
}

/** Where an offset comes to lie; inside what was replaced it goes to the end (1) or the start (-1) of the new text. */
function moved(offset: number, edits: readonly TextEdit[], side: 1 | -1): number {
  let shift = 0;
  for (const { from, to, text } of edits) {
    if (offset < from || (offset === from && (side === -1 || to > from))) break;
    if (offset < to)
      return from + shift + (side === 1 && offset > from ? text.length : Math.min(offset - from, text.length));
    shift += text.length - (to - from);
  }
  return offset + shift;
}
