// Gives single characters a face of their own, by a character style that is made for it.
import type { Book } from '../../model/copy/book';
import type { BookEdit, Plain } from '../../model/copy/bookEdit';
import type { CharacterStyle } from '../../model/spec/spec';
import { normaliseSpans, type Paragraph, type Span } from '../../model/copy/streams';
import { eachStream } from '../../model/copy/book';

export interface CharacterPlace {
  readonly block: string;
  readonly offset: number;
  readonly length: number;
}

/**
 * The edits that set the places in a family. Where a character style is there already, one that is based on it is made, so
 * that its look stays; styles of the same family and base are made once.
 */
export function fallbackFaceEdits(
  book: Book,
  places: readonly CharacterPlace[],
  family: string,
  name: string,
): BookEdit[] {
  const styles: Record<string, CharacterStyle> = { ...book.spec.characterStyles };
  const tagFor = (base: string | undefined): string => {
    const known = Object.entries(styles).find(([, style]) => style.face === family && style.basedOn === base);
    if (known !== undefined) return known[0];
    let number = 1;
    while (`ff${number}` in styles) number += 1;
    const based = base === undefined ? {} : { basedOn: base };
    styles[`ff${number}`] = {
      name: base === undefined ? name : `${name}, ${styles[base]?.name ?? base}`,
      ...based,
      face: family,
    };
    return `ff${number}`;
  };
  const byBlock = new Map<string, CharacterPlace[]>();
  for (const place of places) byBlock.set(place.block, [...(byBlock.get(place.block) ?? []), place]);
  const edits: BookEdit[] = [];
  for (const { stream, blocks } of eachStream(book)) {
    blocks.forEach((block, at) => {
      const own = byBlock.get(block.id);
      if (own === undefined || block.kind !== 'paragraph') return;
      const changed = own.reduce((paragraph, place) => styled(paragraph, place, tagFor), block);
      edits.push({ kind: 'replaceBlocks', stream, at, removed: [block], inserted: [changed] });
    });
  }
  if (edits.length === 0) return [];
  const to = styles as unknown as Plain;
  const from = book.spec.characterStyles as unknown as Plain;
  return JSON.stringify(from) === JSON.stringify(to)
    ? edits
    : [{ kind: 'setSpec', path: ['characterStyles'], from, to }, ...edits];
}

/** The paragraph with one stretch in another style; what the span there says besides stays. */
function styled(
  paragraph: Paragraph,
  { offset, length }: CharacterPlace,
  tagFor: (base: string | undefined) => string,
): Paragraph {
  const [from, to] = [offset, offset + length];
  const inside = paragraph.spans.filter((span) => span.from < to && span.to > from);
  const outside = paragraph.spans.filter((span) => !inside.includes(span));
  const parts = inside.flatMap((span): Span[] => [
    { ...span, to: Math.min(span.to, from) },
    { ...span, from: Math.max(span.from, from), to: Math.min(span.to, to), style: tagFor(span.style) },
    { ...span, from: Math.max(span.from, to) },
  ]);
  const whole = inside.length === 0 ? [{ from, to, style: tagFor(undefined) }] : [];
  return { ...paragraph, spans: normaliseSpans([...outside, ...parts, ...whole]) };
}
