// Format 14: figures. Pictures that stood alone in a paragraph of a division, and the captions after them, become a record of the book, with its
// mark where they were. Credit lines have a style of their own.
import { part, withSpec, type Migration, type Plain, type PlainBook } from '../plainBook';

const CREDIT = { name: 'Credit line', basedOn: 'CAP', meaning: 'caption', size: 7.5, leading: 10 };

export const from13: Migration = (book) =>
  withFigures(
    withSpec(book, 14, (spec) => {
      const styles = part(spec, 'styles');
      return { ...spec, styles: 'CR' in styles || !('CAP' in styles) ? styles : { ...styles, CR: CREDIT } };
    }),
  );

function withFigures(book: PlainBook): PlainBook {
  const { divisions, nextId } = book;
  if (!Array.isArray(divisions) || typeof nextId !== 'number') return { ...book, figures: {} };
  let next = nextId;
  const take = (letter: string) => `${letter}${next++}`;
  const styles = part(part(book, 'spec'), 'styles');
  const figures: Record<string, Plain> = {};
  const made = (divisions as Plain[]).map((division) => {
    if (!Array.isArray(division?.blocks) || !(division.blocks as Plain[]).some(isPicture)) return division;
    const blocks = division.blocks as Plain[];
    const left: Plain[] = [];
    for (let k = 0; k < blocks.length; k += 1) {
      const block = blocks[k];
      if (!isPicture(block)) {
        left.push(block);
        continue;
      }
      let end = k + 1;
      while (end < blocks.length && isCaptionOf(blocks, end, styles)) end += 1;
      const id = take('f');
      figures[id] = {
        id,
        parts: (block.objects as Plain[]).map(({ at: _, ...picture }) => ({ picture })),
        place: 'here',
        width: 'shown',
        caption: { id: take('s'), blocks: blocks.slice(k + 1, end) },
        credit: { id: take('s'), blocks: [] },
      };
      left.push({ ...block, text: '\uFFFC', objects: [{ at: 0, kind: 'figure', figure: id }] });
      k = end - 1;
    }
    return { ...division, blocks: left };
  });
  return { ...book, nextId: next, divisions: made, figures };
}

const isPlain = (value: unknown): value is Plain => typeof value === 'object' && value !== null;

function isPicture(block: unknown): block is Plain {
  if (!isPlain(block) || block.kind !== 'paragraph' || block.list !== undefined) return false;
  const { objects, text } = block;
  if (!Array.isArray(objects) || objects.length === 0 || objects.length > 12 || typeof text !== 'string') return false;
  const arePictures = objects.every((object) => isPlain(object) && object.kind === 'picture');
  return arePictures && text.replaceAll('\uFFFC', '').trim() === '';
}

/** Captions after a picture are its; the last of several before a table is the table's. */
function isCaptionOf(blocks: readonly Plain[], at: number, styles: Plain): boolean {
  const block = blocks[at];
  if (!isPlain(block) || block.kind !== 'paragraph' || block.list !== undefined) return false;
  if (meaningOf(block.style, styles) !== 'caption') return false;
  return blocks[at + 1]?.kind !== 'table' || isPicture(blocks[at - 1]);
}

/** The meaning of a style, its own or that of the nearest ancestor that has one. */
function meaningOf(tag: unknown, styles: Plain): unknown {
  const seen = new Set<unknown>();
  for (let name = tag; typeof name === 'string' && Object.hasOwn(styles, name) && !seen.has(name);) {
    seen.add(name);
    const style = part(styles, name);
    if (style.meaning !== undefined) return style.meaning;
    name = style.basedOn;
  }
  return undefined;
}
