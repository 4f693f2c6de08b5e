// What a spec looks like on a book's own text: the first pages of its first chapter, composed by themselves.
import type { Book, Division } from '../../model/copy/book';
import type { DisplayList } from '../../model/composed/displayList';
import type { Spec } from '../../model/spec/spec';
import type { TypesetContext } from '../context';
import { displayPage } from '../leaving/renderContext';
import { typesetBook } from '../typesetBook';

/** Blocks that fill a few pages of any spec. */
const BLOCKS = 40;

/** A book of the beginning of one chapter, under another spec; its notes come along. */
export function specimenBook(book: Book, spec: Spec): Book {
  const isText = ({ role, blocks }: Division) => role === 'chapter' && blocks.length > 4;
  const chapter = book.divisions.find(isText) ?? book.divisions.find(({ blocks }) => blocks.length > 0);
  const divisions = chapter === undefined ? [] : [{ ...chapter, blocks: chapter.blocks.slice(0, BLOCKS) }];
  return { ...book, spec, divisions };
}

/** Its first two pages: the opener, and the page after it. Empty for a book without text. */
export function composeSpecimen(specimen: Book, context: TypesetContext): readonly DisplayList[] {
  if (specimen.divisions.length === 0) return [];
  const composing = typesetBook(specimen, context);
  let step = composing.next();
  while (!step.done) step = composing.next();
  const composed = step.value;
  return composed.pages
    .filter(({ role }) => role === 'opener' || role === 'text')
    .slice(0, 2)
    .map(({ index }) => displayPage(composed, index, context));
}
