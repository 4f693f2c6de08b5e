// A paragraph cut into pieces of one look, objects between them: what every writer of copy walks over.
import type { InlineObject, Paragraph, Span } from '../../model/copy/streams';

/** `from`: its offset in the text. */
export type Piece = { readonly from: number; readonly span: Span | undefined } & (
  { readonly kind: 'text'; readonly text: string } | { readonly kind: 'object'; readonly object: InlineObject }
);

/** `more`: offsets at which it is cut besides. */
export function piecesOf({ text, spans, objects }: Paragraph, more: readonly number[] = []): Piece[] {
  const cuts = new Set([0, text.length]);
  for (const at of more) if (at > 0 && at < text.length) cuts.add(at);
  for (const span of spans) cuts.add(span.from).add(span.to);
  for (const object of objects) cuts.add(object.at).add(object.at + 1);
  const places = [...cuts].sort((a, b) => a - b);
  const at = new Map(objects.map((object) => [object.at, object]));
  const pieces: Piece[] = [];
  for (let k = 0; k + 1 < places.length; k += 1) {
    const [from, to] = [places[k], places[k + 1]];
    const span = spans.find((one) => one.from <= from && one.to >= to);
    const object = at.get(from);
    if (object === undefined) pieces.push({ kind: 'text', from, text: text.slice(from, to), span });
    else pieces.push({ kind: 'object', from, object, span });
  }
  return pieces;
}

export const isItalic = ({ style, touches }: Span): boolean => touches?.italic ?? style === 'em';
export const isBold = ({ style, touches }: Span): boolean => touches?.bold ?? style === 'strong';
