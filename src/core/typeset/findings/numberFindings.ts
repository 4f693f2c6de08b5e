// Findings of the numbers of heads: one that its author typed stands beside the one that a scheme gives.
import { typedHeadNumbers } from '../../numbering/typedNumbers';
import { findPlaces } from '../../references';
import { printedDivisions } from '../pages/reaches';
import type { BookHit, BookRunner } from './bookFacts';

/** One hit for each head whose number is set twice, on its page. */
export const typedNumbers: BookRunner = ({ compose: { book, numbers }, furnished: { pages } }) => {
  const typed = typedHeadNumbers(printedDivisions(book), numbers, book.particulars.language);
  const pageOf = findPlaces(pages, new Set(typed.map(({ block }) => block)));
  return typed.map(({ stream, block, from, to }): BookHit => ({
    ...{ stream, block, from, to },
    kind: 'number-typed',
    page: pageOf(block),
    message: `This head is numbered ${numbers.get(block)?.text.trim()} and has a number typed in it as well: take the typed one out.`,
    repairs: [{ kind: 'dropTypedNumber', block }],
  }));
};
