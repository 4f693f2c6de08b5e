// How much is set in each style, counted once per book.
import { effectiveTag } from '../../../../core/copy/effectiveTag';
import { eachStream, type Book } from '../../../../core/model/copy/book';

export interface StyleUses {
  readonly paragraphs: ReadonlyMap<string, number>;
  readonly characters: ReadonlyMap<string, number>;
}

const counted = new WeakMap<Book['divisions'], { readonly styles: Book['spec']['styles']; readonly uses: StyleUses }>();

/** Paragraphs set in each paragraph style, those that a rule gives it too; stretches of each character style. */
export function usesByStyle(book: Book): StyleUses {
  const known = counted.get(book.divisions);
  const { styles } = book.spec;
  if (known?.styles === styles) return known.uses;
  const paragraphs = new Map<string, number>();
  const characters = new Map<string, number>();
  for (const { blocks } of eachStream(book))
    for (const [index, block] of blocks.entries()) {
      const tag = effectiveTag(blocks, index, styles);
      paragraphs.set(tag, (paragraphs.get(tag) ?? 0) + 1);
      if (block.kind !== 'paragraph') continue;
      for (const { style } of block.spans)
        if (style !== undefined) characters.set(style, (characters.get(style) ?? 0) + 1);
    }
  const uses = { paragraphs, characters };
  counted.set(book.divisions, { styles, uses });
  return uses;
}
