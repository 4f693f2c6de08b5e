// What would happen: edits are tried on a fork of the caches, up to the settled fixpoint, and answered with what differs. The book and its
// caches stay as they are; a trial that is dropped has cost nothing but its time, and one that is taken need not be composed again.
import { applyEdits } from '../edit';
import type { Finding } from '../model/checks/finding';
import type { DisplayList } from '../model/composed/displayList';
import type { Page, TypesetBook } from '../model/composed/pages';
import type { Book } from '../model/copy/book';
import type { BookEdit } from '../model/copy/bookEdit';
import type { TypesetContext } from './context';
import { findingKey } from './facts/pageTable';
import { displayPage } from './leaving/renderContext';
import type { HeldStarts } from './pages/hold';
import { typesetBook } from './typesetBook';
import type { TypesetProgress } from './withProgress';

/** A book with its pages, from which a trial starts. */
export interface ComposedState {
  readonly book: Book;
  readonly composed: TypesetBook;
  readonly context: TypesetContext;
  readonly held?: HeldStarts | undefined;
}

export interface Trial {
  readonly edits: readonly BookEdit[];
  readonly book: Book;
  readonly composed: TypesetBook;
  /** Indices of its pages whose lines no page of the book has at the same place, in order. */
  readonly changed: readonly number[];
  /** The first page after those from which on all are in step with the book again; null: none is. */
  readonly inStepFrom: number | null;
  readonly gained: readonly Finding[];
  readonly lost: readonly Finding[];
  /** The fork of the caches in which it was composed. */
  readonly context: TypesetContext;
}

export function* tryEdits(from: ComposedState, edits: readonly BookEdit[]): Generator<TypesetProgress, Trial> {
  const context = { ...from.context, cache: from.context.cache.fork() };
  const book = applyEdits(from.book, edits);
  const composed = yield* typesetBook(book, context, from.held);
  const changed = changedPages(from.composed.pages, composed.pages);
  const after = (changed[changed.length - 1] ?? -1) + 1;
  return {
    edits,
    book,
    composed,
    changed,
    inStepFrom: after < composed.pages.length ? after : null,
    gained: missing(from.composed.findings, composed.findings),
    lost: missing(composed.findings, from.composed.findings),
    context,
  };
}

/** The display lists of the changed pages of a trial, at most so many. */
export const trialPages = (trial: Trial, most = Infinity): { readonly page: number; readonly list: DisplayList }[] =>
  trial.changed.slice(0, most).map((page) => ({ page, list: displayPage(trial.composed, page, trial.context) }));

/** Takes a trial over: what it learned is known from now on. `context`: the one that it was tried from. */
export function takeTrial(trial: Trial, context: TypesetContext): void {
  context.cache.adopt(trial.context.cache);
}

/** Pages of the later list that the earlier does not have: other lines, or the same at another place. */
function changedPages(before: readonly Page[], after: readonly Page[]): number[] {
  const known = new Set(before.map((page) => `${page.division} ${linesOfPage(page)}`));
  return after.filter((page) => !known.has(`${page.division} ${linesOfPage(page)}`)).map(({ index }) => index);
}

/** The lines of a page and where they stand. */
export function linesOfPage({ fragments, notes }: Pick<Page, 'fragments' | 'notes'>): string {
  return [...fragments, ...notes]
    .map(({ paragraph, from, to, y }) => {
      const { styled, broken } = paragraph;
      return `${styled.block} ${broken.from[from] ?? 0} ${broken.to[to - 1] ?? 0} ${broken.count} ${y.toFixed(2)}`;
    })
    .join('|');
}

/** Findings of `all` that `from` does not have; on which page they stand is not compared, pages move. */
function missing(from: readonly Finding[], all: readonly Finding[]): Finding[] {
  const counts = new Map<string, number>();
  for (const finding of from) counts.set(findingKey(finding), (counts.get(findingKey(finding)) ?? 0) + 1);
  return all.filter((finding) => {
    const key = findingKey(finding);
    const left = counts.get(key) ?? 0;
    counts.set(key, left - 1);
    return left <= 0;
  });
}
