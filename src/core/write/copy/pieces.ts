// A paragraph cut into pieces of one look, objects between them: what every writer of copy walks over.
import type { InlineObject, Paragraph, Span } from '../../model/copy/streams';

export type Piece =
  | { readonly kind: 'text'; readonly text: string; readonly span: Span | undefined }
  | { readonly kind: 'object'; readonly object: InlineObject; readonly span: Span | undefined };

export function piecesOf({ text, spans, objects }: Paragraph): Piece[] {
  const cuts = new Set([0, text.length]);
  for (const span of spans) cuts.add(span.from).add(span.to);
  for (const object of objects) cuts.add(object.at).add(object.at + 1);
  const places = [...cuts].sort((a, b) => a - b);
  const at = new Map(objects.map((object) => [object.at, object]));
  const pieces: Piece[] = [];
  for (let k = 0; k + 1 < places.length; k += 1) {
    const [from, to] = [places[k], places[k + 1]];
    const span = spans.find((one) => one.from <= from && one.to >= to);
    const object = at.get(from);
    if (object === undefined) pieces.push({ kind: 'text', text: text.slice(from, to), span });
    else pieces.push({ kind: 'object', object, span });
  }
  return pieces;
}

export const isItalic = ({ style, touches }: Span): boolean => touches?.italic ?? style === 'em';
export const isBold = ({ style, touches }: Span): boolean => touches?.bold ?? style === 'strong';
