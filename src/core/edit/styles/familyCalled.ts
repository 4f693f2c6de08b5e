// A book whose family has another key: as when a face that comes with it meets another one of the same name.
import { withEachBlock, type Book } from '../../model/copy/book';
import type { Block } from '../../model/copy/streams';

/** The book with a family under another key, wherever it is named; nothing else of it changes. */
export function withFamilyCalled(book: Book, from: string, to: string): Book {
  const { spec } = book;
  const { text } = spec;
  const called = (family: string) => (family === from ? to : family);
  const styled = <T extends { readonly face?: string }>(styles: Readonly<Record<string, T>>) =>
    mapValues(styles, (style) => (style.face === from ? { ...style, face: to } : style));
  return {
    ...withEachBlock(book, (block) => withLookFace(block, from, to)),
    spec: {
      ...spec,
      text: { ...text, face: called(text.face), fallbacks: mapValues(text.fallbacks, called) },
      styles: styled(spec.styles),
      characterStyles: styled(spec.characterStyles),
    },
  };
}

function mapValues<T>(of: Readonly<Record<string, T>>, change: (value: T) => T): Record<string, T> {
  return Object.fromEntries(Object.entries(of).map(([key, value]) => [key, change(value)]));
}

function withLookFace(block: Block, from: string, to: string): Block {
  if (block.kind === 'table')
    return {
      ...block,
      rows: block.rows.map((cells) =>
        cells.map((cell) => ({ ...cell, blocks: cell.blocks.map((one) => withLookFace(one, from, to)) })),
      ),
    };
  const look = block.touches?.look;
  if (look?.face !== from) return block;
  return { ...block, touches: { ...block.touches, look: { ...look, face: to } } };
}
