// The author's next file comes into the book: three ways where the last one is kept, two ways where it is not.
import { gatherFigures, plainBook } from '../../copy/figures/gatherFigures';
import { type Book, type SourceStyle } from '../../model/copy/book';
import type { ReplaceReport } from '../../model/copy/manuscript';
import type { BlockId, StreamId } from '../../model/copy/streams';
import { replaceCopy } from '../copy/replaceCopy';
import { authorsCopy, baseHash, copyBaseOf, knowsDivision, withDivisions } from '../../copy/copyBase';
import { mergeCopy } from './mergeCopy';

export interface NextFile {
  readonly book: Book;
  readonly report: ReplaceReport;
  /** What the file after this one is compared with, which the book names; null: nothing is, as of a part of a book without a base. */
  readonly base: Book | null;
  readonly ids: ReadonlyMap<BlockId, BlockId>;
}

/** What was read: the book made of the file, and the styles of the file with the blocks that they set. */
export interface ReadFile {
  readonly incoming: Book;
  readonly styles: readonly SourceStyle[];
}

/**
 * `base`: mapped and tidied as `incoming` is; null: nothing is kept of the last file. `only`: the division whose copy the file is; null:
 * the whole.
 */
export function takeNextFile(
  book: Book,
  base: Book | null,
  { incoming, styles }: ReadFile,
  only: StreamId | null = null,
): NextFile {
  // Files know no figures: copies are joined as the pictures and captions that they are of.
  const plain = (of: Book) => plainBook(of);
  const file = { incoming: plain(incoming), styles };
  const next = takePlain(plain(book), base === null ? null : plain(base), file, only);
  const joined = gatherFigures(next.book, book);
  if (next.base === null) return { ...next, book: joined };
  const kept = gatherFigures(next.base, joined);
  return { ...next, base: kept, book: { ...joined, source: { ...joined.source, base: baseHash(kept) } } };
}

function takePlain(book: Book, base: Book | null, { incoming, styles }: ReadFile, only: StreamId | null): NextFile {
  const own = only === null ? null : (book.divisions.find(({ id }) => id === only)?.blocks ?? []);
  const isKnown = base !== null && (own === null || knowsDivision(base, own));
  const taken = isKnown ? mergeCopy(book, base, incoming, only) : twoWays(book, base, incoming, only);
  const mapping = { ...incoming.source.mapping, ...book.source.mapping };
  if (taken.base === null) return { ...taken, book: { ...taken.book, source: { ...taken.book.source, mapping } } };
  const placed = styles.map((style) => ({ ...style, blocks: style.blocks.flatMap((id) => taken.ids.get(id) ?? []) }));
  const before = only === null ? [] : (taken.base.source.styles ?? []);
  const kept = copyBaseOf(taken.base, joined(before, placed));
  const source = { ...taken.book.source, mapping };
  return { ...taken, base: kept, book: { ...taken.book, source } };
}

function twoWays(book: Book, base: Book | null, incoming: Book, only: StreamId | null): NextFile {
  const taken = replaceCopy(book, incoming, only);
  const authors = authorsCopy(incoming, taken.book, taken.ids);
  if (base === null) return { ...taken, base: only === null ? authors : null };
  return { ...taken, base: withDivisions(base, authors) };
}

/** Styles of one name are one. */
function joined(a: readonly SourceStyle[], b: readonly SourceStyle[]): SourceStyle[] {
  const all = new Map<string, SourceStyle>();
  for (const style of [...a, ...b]) {
    const known = all.get(style.name);
    all.set(
      style.name,
      known === undefined ? style : { ...style, blocks: [...new Set([...known.blocks, ...style.blocks])] },
    );
  }
  return [...all.values()];
}
