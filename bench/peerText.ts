// A book as the peer gets it: plain paragraphs with soft hyphens where our patterns and limits allow a division.
import { join } from 'node:path';
import type { TypesetContext } from '../src/core/index';
import type { Book } from '../src/core/model/copy/book';
import type { PageGeometry } from '../src/core/model/composed/pages';
import type { PeerText } from './browserPeer';

const WORD = /[A-Za-z]+/g;

export function peerText(book: Book, geometry: PageGeometry, context: TypesetContext, folder: string): PeerText {
  const { text, page } = book.spec;
  const { smallestWord, before, after } = text.hyphenation;
  const hyphenator = context.hyphenators.get('en')!;
  const softened = (value: string) =>
    value.replace(WORD, (word) => {
      if (word.length < smallestWord) return word;
      const places = hyphenator.divide(word);
      let out = '';
      for (let k = 0; k < word.length; k += 1)
        out += (places[k] === 1 && k >= before && word.length - k >= after ? '\u00AD' : '') + word[k];
      return out;
    });
  const record = context.library.table.find(
    (face) => face.family === text.face && face.weight === 400 && !face.italic,
  )!;
  return {
    chapters: book.divisions
      .filter((division) => division.role === 'chapter')
      .map((division) => {
        const paragraphs = division.blocks.filter((block) => block.kind === 'paragraph');
        const isHead = (style: string) => style === 'CT' || style === 'CN';
        return {
          title: paragraphs.find((block) => block.style === 'CT')?.text ?? '',
          paragraphs: paragraphs.filter((block) => !isHead(block.style)).map((block) => softened(block.text)),
        };
      }),
    fontFile: join(folder, 'fonts', record.file),
    size: text.size.pt,
    leading: text.leading.pt,
    measure: geometry.measure,
    indent: text.indent.pt,
    trim: { width: page.trim.width.pt, height: page.trim.height.pt },
    lines: geometry.lines,
  };
}
