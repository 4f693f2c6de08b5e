// A page of the printed book as one of its own in the ebook: the same words, to be changed there alone.
import { invariant } from '../../base/errors';
import { madeWords } from '../../copy/madeWords';
import type { Book, Division } from '../../model/copy/book';
import type { BookEdit } from '../../model/copy/bookEdit';
import {
  OBJECT_CHARACTER,
  paragraph,
  type InlineObject,
  type Paragraph,
  type StreamId,
} from '../../model/copy/streams';
import { setDivisionEdit } from './runningOrder';

/**
 * The edits that give the ebook a page of its own in place of a printed one, and the id of that page. On an imprint page it says besides where
 * the printed book is, by its ISBN and its address. Tables, and what stands for notes, figures and index marks, stay with the printed page.
 */
export function ebookPageEdits(book: Book, id: StreamId): { readonly edits: BookEdit[]; readonly id: StreamId } {
  const at = book.divisions.findIndex((division) => division.id === id);
  invariant(at >= 0, `division ${id} exists`);
  let { nextId } = book;
  const take = (letter: string) => `${letter}${nextId++}`;
  const printed = book.divisions[at];
  const blocks = printed.blocks.flatMap((block) => (block.kind === 'table' ? [] : [copyOf(block, take('p'))]));
  const style = blocks.at(-1)?.style ?? 'IMP';
  if (printed.role === 'imprint') blocks.push(aboutPrint(take('p'), style, book.particulars.language));
  const { notInEbook: _, ...facts } = printed;
  const page: Division = { ...facts, id: take('d'), notInPrint: true, blocks };
  const leaves = setDivisionEdit(book, id, { notInEbook: true });
  return {
    id: page.id,
    edits: [
      { kind: 'setNextId', from: book.nextId, to: nextId },
      ...(leaves === null ? [] : [leaves]),
      { kind: 'insertDivision', at: at + 1, division: page },
    ],
  };
}

/** Objects that belong to one place of the copy. */
const isOfItsPlace = ({ kind }: InlineObject) => kind === 'note' || kind === 'figure' || kind === 'index';

function copyOf(block: Paragraph, id: string): Paragraph {
  const gone = block.objects.filter(isOfItsPlace).map(({ at }) => at);
  const before = (at: number) => gone.filter((own) => own < at).length;
  const { names: _, ...rest } = block;
  return {
    ...rest,
    id,
    text: block.text
      .split('')
      .filter((_sign, at) => !gone.includes(at))
      .join(''),
    spans: block.spans
      .map((span) => ({ ...span, from: span.from - before(span.from), to: span.to - before(span.to) }))
      .filter(({ from, to }) => to > from),
    objects: block.objects
      .filter((object) => !isOfItsPlace(object))
      .map((object) => ({ ...object, at: object.at - before(object.at) })),
  };
}

function aboutPrint(id: string, style: string, language: string): Paragraph {
  const text = `${madeWords(language).printed}: ${OBJECT_CHARACTER} ${OBJECT_CHARACTER}`;
  return paragraph(id, style, text, {
    objects: [
      { at: text.length - 3, kind: 'field', field: 'isbnPrint' },
      { at: text.length - 1, kind: 'field', field: 'printAddress' },
    ],
  });
}
