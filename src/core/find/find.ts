// Finds words, patterns and looks in the streams of a book.
import { eachStream, type Book } from '../model/copy/book';
import type { FindHit, FindQuery } from '../model/answers/find';
import {
  asksNothing,
  expand,
  finderOf,
  matchesIn,
  startsOf,
  streamsOf,
  stretchesOf,
  withTokens,
  type FindEngine,
} from './matches';

/** Most hits that are looked for. */
export const MOST_HITS = 20_000;
/** Characters of its surroundings that a hit is shown with. */
const AROUND = 28;

/** Matches after which the work may be stopped, inside a long stretch too. */
export const MATCHES_PER_STEP = 200;

/**
 * All hits in the order of the book, at most MOST_HITS. Yields the share of the text that is looked through. Throws ValueError,
 * and NotLinearError where the engine is `linear` and cannot run the pattern.
 */
export function* findAll(book: Book, query: FindQuery, engine: FindEngine = 'any'): Generator<number, FindHit[]> {
  const hits: FindHit[] = [];
  if (asksNothing(query)) return hits;
  const finder = finderOf(query, engine);
  const progress = new Progress(book, query);
  const put = query.put == null ? null : withTokens(query.put);
  for (const stretch of stretchesOf(book, query.division)) {
    const starts = startsOf(stretch.paragraphs);
    for (const { from, to, groups, paragraph } of matchesIn(stretch, finder, query, book.spec)) {
      if (hits.length >= MOST_HITS) return hits;
      hits.push({
        stream: stretch.stream,
        block: stretch.paragraphs[paragraph].id,
        at: stretch.start + from,
        length: to - from,
        offset: from - starts[paragraph],
        before: stretch.text.slice(Math.max(0, from - AROUND), from),
        found: stretch.text.slice(from, to),
        after: stretch.text.slice(to, to + AROUND),
        ...(put === null ? {} : { becomes: query.isPattern ? expand(put, groups) : put }),
      });
      if (hits.length % MATCHES_PER_STEP === 0) yield progress.at(to);
    }
    yield progress.done(stretch.text.length);
  }
  return hits;
}

/** The hits of a query, and how many more it has outside its scope. Yields and throws as findAll. */
export function* findInScope(
  book: Book,
  query: FindQuery,
  engine: FindEngine = 'any',
): Generator<number, { readonly hits: FindHit[]; readonly outside: number }> {
  const hits = yield* findAll(book, query, engine);
  const isLimited = query.division !== null || query.within !== null;
  return { hits, outside: isLimited ? Math.max(0, (yield* countAll(book, query, engine)) - hits.length) : 0 };
}

/** How many hits a query would have in the whole book, whatever its scope. */
function* countAll(book: Book, query: FindQuery, engine: FindEngine = 'any'): Generator<number, number> {
  if (asksNothing(query)) return 0;
  const whole = { ...query, division: null, within: null };
  const finder = finderOf(whole, engine);
  const progress = new Progress(book, whole);
  let count = 0;
  for (const stretch of stretchesOf(book, null)) {
    for (const { to } of matchesIn(stretch, finder, whole, book.spec)) {
      count += 1;
      if (count % MATCHES_PER_STEP === 0) yield progress.at(to);
    }
    yield progress.done(stretch.text.length);
  }
  return count;
}

/** How much of the text of a query is looked through. */
export class Progress {
  private readonly total: number;
  private before = 0;

  constructor(book: Book, { division }: FindQuery) {
    let total = 0;
    const wanted = division === null ? null : streamsOf(book, division);
    for (const { stream, blocks } of eachStream(book))
      if (wanted?.has(stream) ?? true)
        for (const block of blocks) if (block.kind === 'paragraph') total += block.text.length + 1;
    this.total = Math.max(1, total);
  }

  at(offset: number): number {
    return Math.min(1, (this.before + offset) / this.total);
  }

  done(length: number): number {
    this.before += length;
    return this.at(0);
  }
}
