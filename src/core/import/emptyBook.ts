// A book that is begun before there is a manuscript: the front matter that every book has, and one chapter without words.
import type { Book } from '../model/copy/book';
import type { Manuscript } from '../model/copy/manuscript';
import { paragraph } from '../model/copy/streams';
import { makeBook } from './makeBook';

const NOTHING: Manuscript = {
  metadata: {},
  blocks: [],
  notes: {},
  styles: [],
  headings: [],
  comments: [],
  remarks: [],
  images: [],
  pictures: {},
  pageBreaks: 0,
  nextId: 1,
};

export function emptyBook(bookId: string): Book {
  const made = makeBook(NOTHING, { bookId, fileName: '' });
  const { nextId } = made;
  const chapter = {
    id: `d${nextId + 2}`,
    role: 'chapter',
    matter: 'body',
    listed: true,
    blocks: [paragraph(`p${nextId}`, 'CT', ''), paragraph(`p${nextId + 1}`, 'TX', '')],
  } as const;
  return { ...made, nextId: nextId + 3, divisions: [...made.divisions, chapter] };
}
