// Replaces what a query finds, with edits that touch only the paragraphs in which something is replaced.
import { append } from '../base/append';
import type { FindQuery, FindReplacement } from '../model/answers/find';
import type { Book } from '../model/copy/book';
import type { BookEdit } from '../model/copy/bookEdit';
import type { StreamId } from '../model/copy/streams';
import { MATCHES_PER_STEP, Progress } from './find';
import { editLinear, type LinearEdit } from './linear';
import {
  asksNothing,
  expand,
  finderOf,
  matchesIn,
  stretchesOf,
  withTokens,
  type FindEngine,
  type Match,
  type Stretch,
} from './matches';

export interface Replaced {
  readonly edits: readonly BookEdit[];
  readonly count: number;
}

/** Replaces hits; `only`: the places that are taken, as `stream at`; all when it is not given. Yields and throws as findAll. */
export function* replaceAll(
  book: Book,
  query: FindQuery,
  replacement: FindReplacement,
  only?: ReadonlySet<string>,
  engine: FindEngine = 'any',
): Generator<number, Replaced> {
  const edits: BookEdit[] = [];
  let count = 0;
  let nextId = book.nextId;
  if (asksNothing(query)) return { edits, count };
  const finder = finderOf(query, engine);
  const progress = new Progress(book, query);
  const words = replacement.words === null ? null : withTokens(replacement.words);
  /** How many blocks each stream has more than it had: runs behind shift by it. */
  const shifts = new Map<StreamId, number>();
  for (const stretch of stretchesOf(book, query.division)) {
    const taken: Match[] = [];
    for (const match of matchesIn(stretch, finder, query, book.spec)) {
      if (only?.has(`${stretch.stream} ${stretch.start + match.from}`) ?? true) taken.push(match);
      if (taken.length % MATCHES_PER_STEP === MATCHES_PER_STEP - 1) yield progress.at(match.to);
    }
    count += taken.length;
    const shift = shifts.get(stretch.stream) ?? 0;
    const made = editsOf(
      stretch,
      taken,
      (groups) => (words !== null && query.isPattern ? expand(words, groups) : words),
      replacement,
      shift,
      () => `p${nextId++}`,
    );
    append(edits, made.edits);
    shifts.set(stretch.stream, shift + made.more);
    yield progress.done(stretch.text.length);
  }
  if (nextId !== book.nextId) edits.push({ kind: 'setNextId', from: book.nextId, to: nextId });
  return { edits, count };
}

/** One edit for each group of paragraphs that hang together by what is replaced in them. */
function editsOf(
  { stream, index, paragraphs }: Stretch,
  matches: readonly Match[],
  textOf: (groups: Match['groups']) => string | null,
  { style, paragraphStyle }: FindReplacement,
  shift: number,
  takeId: () => string,
): { edits: BookEdit[]; more: number } {
  const starts: number[] = [0];
  for (const { text } of paragraphs) starts.push(starts[starts.length - 1] + text.length + 1);
  const lastOf = ({ to, paragraph }: Match) => {
    let last = paragraph;
    while (last + 1 < paragraphs.length && starts[last + 1] <= to) last += 1;
    return last;
  };
  const edits: BookEdit[] = [];
  let more = 0;
  for (let k = 0; k < matches.length;) {
    const first = matches[k].paragraph;
    let last = lastOf(matches[k]);
    let end = k + 1;
    while (end < matches.length && matches[end].paragraph <= last) last = Math.max(last, lastOf(matches[end++]));
    const own = matches.slice(k, end);
    const removed = paragraphs.slice(first, last + 1);
    const linear = own.map(({ from, to, groups }): LinearEdit => ({
      from: from - starts[first],
      to: to - starts[first],
      text: textOf(groups),
      style,
    }));
    // A paragraph without words that is deleted goes as a whole, but for the last of its stream.
    const isGone = own[0].from === own[0].to && linear[0].text === '' && paragraphs.length > 1;
    const edited = isGone ? [] : editLinear(removed, linear, takeId);
    const inserted =
      paragraphStyle === null ? edited : edited.map((paragraph) => ({ ...paragraph, style: paragraphStyle }));
    edits.push({ kind: 'replaceBlocks', stream, at: index + first + shift + more, removed, inserted });
    more += inserted.length - removed.length;
    k = end;
  }
  return { edits, more };
}
