// The copy of a book as a manuscript: what it would be if it came in again.
import { plainBook } from '../copy/figures/gatherFigures';
import { table } from '../base/table';
import { isMadeDivision, namesOf, type Book } from '../model/copy/book';
import type { IncomingHeading, Manuscript } from '../model/copy/manuscript';
import { noteClass } from '../model/spec/notes';
import { NOVEL_SPEC } from '../defaults/novelSpec';
import { picturesIn } from '../model/copy/holders';
import type { Block, PictureBytes } from '../model/copy/streams';

const LEVELS: Readonly<Record<string, number>> = table({
  heading1: 1,
  heading2: 2,
  heading3: 3,
  heading4: 4,
  heading5: 5,
  heading6: 6,
});

export function manuscriptOf(of: Book, pictures: PictureBytes = {}): Manuscript {
  const book = plainBook(of);
  const blocks = book.divisions.filter((division) => !isMadeDivision(division)).flatMap((division) => division.blocks);
  const headings: IncomingHeading[] = [];
  const styles = new Map<string, { count: number; sample: string; blocks: string[] }>();
  let pageBreaks = 0;
  const visit = (block: Block) => {
    if (block.kind === 'table') {
      for (const row of block.rows) for (const cell of row) cell.blocks.forEach(visit);
      return;
    }
    const words = block.text.replace(/\uFFFC/g, ' ').trim();
    const level = LEVELS[book.spec.styles[block.style]?.meaning ?? ''];
    if (level !== undefined) headings.push({ level, block: block.id, text: words });
    if (block.touches?.breakBefore) pageBreaks += 1;
    const known = styles.get(block.style) ?? { count: 0, sample: words.slice(0, 80), blocks: [] };
    known.blocks.push(block.id);
    styles.set(block.style, { ...known, count: known.count + 1 });
  };
  blocks.forEach(visit);
  return {
    metadata: {
      title: book.particulars.title,
      author: namesOf(book.particulars, 'author'),
      language: book.particulars.language,
    },
    blocks,
    notes: Object.fromEntries(
      Object.entries(book.notes).map(([id, note]) => [id, { ...note, kind: noteClass(book.spec.notes, note.kind) }]),
    ),
    styles: [...styles].map(([tag, facts]) => ({
      name: book.spec.styles[tag]?.name ?? tag,
      mappedTo: tag,
      ...(Object.hasOwn(NOVEL_SPEC.styles, tag) ? {} : { waits: true }),
      ...facts,
    })),
    images: blocks.flatMap(picturesIn).map(({ name, width, height, alt }) => ({ name, width, height, alt })),
    pictures,
    headings,
    comments: [],
    pageBreaks,
    nextId: book.nextId,
    remarks: [],
  };
}
