// A paragraph as words, spaces, signs and objects, for comparing versions of it.
import type { InlineObject, Paragraph, Span } from '../../model/copy/streams';
import { OBJECT_CHARACTER } from '../../model/copy/streams';

export interface Token {
  /** What two versions of it have in common. */
  readonly key: string;
  readonly from: number;
  readonly to: number;
  /** The looks of its letters. */
  readonly look: string;
  readonly object: InlineObject | null;
}

const TOKEN = /\uFFFC|[\p{L}\p{N}\p{M}]+(?:[’'\u2011-][\p{L}\p{N}\p{M}]+)*|\s+|[^]/gu;

export function tokensOf({ text, spans, objects }: Paragraph): Token[] {
  const at = new Map(objects.map((object) => [object.at, object]));
  const tokens: Token[] = [];
  let next = 0;
  for (const { 0: word, index: from } of text.matchAll(TOKEN)) {
    const to = from + word.length;
    while (next < spans.length && spans[next].to <= from) next += 1;
    const object = word === OBJECT_CHARACTER ? (at.get(from) ?? null) : null;
    tokens.push({
      key: object === null ? word : objectKey(object),
      from,
      to,
      look: lookOf(spans, next, from, to),
      object,
    });
  }
  return tokens;
}

/** Notes are known by their id, pictures by their bytes or their name; what else an object says is part of it. */
function objectKey(object: InlineObject): string {
  if (object.kind === 'note') return `\uFFFCnote ${object.note}`;
  if (object.kind === 'picture') return `\uFFFCpicture ${object.asset || object.name}`;
  const { at: _, ...facts } = object;
  return `\uFFFC${JSON.stringify(facts)}`;
}

function lookOf(spans: readonly Span[], first: number, from: number, to: number): string {
  let look = '';
  for (let k = first; k < spans.length && spans[k].from < to; k += 1) {
    const { from: start, to: end, ...rest } = spans[k];
    look += `${Math.max(start, from) - from}-${Math.min(end, to) - from}${JSON.stringify(rest)}`;
  }
  return look;
}

/** A piece of a version of a paragraph. */
export interface Piece {
  readonly of: Paragraph;
  readonly from: number;
  readonly to: number;
}

/** The text, looks and objects of pieces, one after another. */
export function joinedPieces(pieces: readonly Piece[]): Pick<Paragraph, 'text' | 'spans' | 'objects'> {
  let text = '';
  const spans: Span[] = [];
  const objects: InlineObject[] = [];
  for (const { of, from, to } of pieces) {
    if (to <= from) continue;
    const shift = text.length - from;
    text += of.text.slice(from, to);
    for (const span of of.spans) {
      if (span.to <= from) continue;
      if (span.from >= to) break;
      spans.push({ ...span, from: Math.max(span.from, from) + shift, to: Math.min(span.to, to) + shift });
    }
    for (const object of of.objects)
      if (object.at >= from && object.at < to) objects.push({ ...object, at: object.at + shift });
  }
  return { text, spans: joinedSpans(spans), objects };
}

/** Neighbours that say the same are one. */
function joinedSpans(spans: readonly Span[]): Span[] {
  const joined: Span[] = [];
  for (const span of spans) {
    const last = joined[joined.length - 1];
    const isSame =
      last !== undefined &&
      last.to === span.from &&
      JSON.stringify({ ...last, from: 0, to: 0 }) === JSON.stringify({ ...span, from: 0, to: 0 });
    if (isSame) joined[joined.length - 1] = { ...last, to: span.to };
    else joined.push(span);
  }
  return joined;
}
