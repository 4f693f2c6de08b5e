// The copy as plain text.
import { plainBook } from '../../copy/figures/gatherFigures';
import { readingTree, type ReadingBlock } from '../../copy/readingTree';
import type { Book } from '../../model/copy/book';
import type { Block, Paragraph } from '../../model/copy/streams';
import { authorOf, copyDivisions, headsOf, numberedNotes, referenceWords } from './copyOf';
import { piecesOf } from './pieces';
import { label, labelOf, paragraphsOf, rowsOf } from './textPieces';

/** Plain text: paragraphs with a blank line between, notes at the end by their numbers. */
export function writePlainText(of: Book): string {
  const book = plainBook(of);
  const notes = numberedNotes(book);
  const heads = headsOf(book);
  const words = (paragraph: Paragraph) =>
    piecesOf(paragraph)
      .map((piece) => {
        if (piece.kind === 'text') return piece.text;
        if (piece.object.kind === 'note') return `[${labelOf(notes, piece.object.note)}]`;
        if (piece.object.kind === 'picture') return `[${piece.object.alt || piece.object.name || 'picture'}]`;
        if (piece.object.kind === 'reference') return referenceWords(piece.object, heads);
        return piece.object.kind === 'break' ? '\n' : piece.object.kind === 'tab' ? '\t' : '';
      })
      .join('');
  const textsOf = (block: ReadingBlock): string[] =>
    block.kind === 'table'
      ? [
          ...block.captions.map(words),
          rowsOf(block, textsOf)
            .map((row) => row.join('\t'))
            .join('\n'),
        ]
      : paragraphsOf(block).map(words);
  const texts = (blocks: readonly Block[]) => readingTree(blocks, book.spec.styles).flatMap(textsOf);
  const { title, subtitle } = book.particulars;
  const head = [title, subtitle, authorOf(book)].filter((line) => line !== '');
  const text = copyDivisions(book).flatMap((division) => texts(division.blocks));
  const ends = [...notes.values()].map((entry) => `[${label(entry)}] ${texts(entry.note.blocks).join('\n')}`);
  return `${[...head, ...text, ...ends].join('\n\n')}\n`;
}
