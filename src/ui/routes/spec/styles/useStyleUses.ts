// How much is set in each style, counted once per book.
import { eachStream, type Book } from '../../../../core/model/copy/book';

export interface StyleUses {
  readonly paragraphs: ReadonlyMap<string, number>;
  readonly characters: ReadonlyMap<string, number>;
}

const counted = new WeakMap<Book['divisions'], StyleUses>();

/** Paragraphs of each paragraph style, stretches of each character style. */
export function usesByStyle(book: Book): StyleUses {
  const known = counted.get(book.divisions);
  if (known !== undefined) return known;
  const paragraphs = new Map<string, number>();
  const characters = new Map<string, number>();
  for (const { blocks } of eachStream(book))
    for (const block of blocks) {
      paragraphs.set(block.style, (paragraphs.get(block.style) ?? 0) + 1);
      if (block.kind !== 'paragraph') continue;
      for (const { style } of block.spans)
        if (style !== undefined) characters.set(style, (characters.get(style) ?? 0) + 1);
    }
  const made = { paragraphs, characters };
  counted.set(book.divisions, made);
  return made;
}
