// Findings of dummy copy: it is there for the design, and must be gone before the book leaves.
import { isDummy } from '../../copy/dummyCopy';
import { findPlaces } from '../../references';
import { printedDivisions } from '../pages/reaches';
import type { BookHit, BookRunner } from './bookFacts';

/** One hit for each division with dummy copy, at its first paragraph. */
export const dummies: BookRunner = ({ compose: { book }, furnished: { pages } }) => {
  const found = printedDivisions(book).flatMap(({ id, blocks }) => {
    const dummy = blocks.filter(isDummy);
    return dummy.length === 0 ? [] : [{ stream: id, block: dummy[0].id, count: dummy.length }];
  });
  const pageOf = findPlaces(pages, new Set(found.map(({ block }) => block)));
  return found.map(({ stream, block, count }): BookHit => ({
    ...{ stream, block, from: 0, to: 0 },
    kind: 'dummy-copy',
    page: pageOf(block),
    message: `${count === 1 ? 'One paragraph is' : `${count} paragraphs are`} dummy copy: take ${count === 1 ? 'it' : 'them'} out, or type over ${count === 1 ? 'it' : 'them'}.`,
    repairs: [{ kind: 'dropDummyCopy', division: stream }],
  }));
};
