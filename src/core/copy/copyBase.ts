// The copy as its author last sent it, which the next file is compared with: a book of its divisions and notes alone.
import { fingerprint } from '../base/hash';
import { isMadeDivision, withEachBlock, type Book, type Note, type SourceStyle } from '../model/copy/book';
import type { Block, BlockId, StreamId } from '../model/copy/streams';

/** The copy of a book as it just came. */
export function copyBaseOf(book: Book, styles: readonly SourceStyle[]): Book {
  const { base: _, ...source } = book.source;
  return {
    ...book,
    divisions: book.divisions.filter((division) => !isMadeDivision(division)),
    anchors: {},
    pageTouches: [],
    source: { ...source, styles: styles.map(({ name, mappedTo, blocks }) => ({ name, mappedTo, blocks })) },
  };
}

/** The book, which names its base. */
export const withBase = (book: Book, base: Book): Book => ({
  ...book,
  source: { ...book.source, base: baseHash(base) },
});

/** Fingerprint of what a base says. */
export const baseHash = ({ divisions, notes, figures, source }: Book): string => {
  // Bases without figures keep the fingerprint that they had before there were any.
  const own = Object.keys(figures).length === 0 ? [] : [figures];
  return fingerprint(JSON.stringify([divisions, notes, source.styles ?? [], ...own]));
};

/** The base with the styles of its file as they are mapped today. */
export function remappedBase(base: Book, mapping: Readonly<Record<string, string>>): Book {
  const tags = new Map<BlockId, { readonly from: string; readonly to: string }>();
  const styles = (base.source.styles ?? []).map((style) => {
    const to = Object.hasOwn(mapping, style.name) ? mapping[style.name] : style.mappedTo;
    if (to === style.mappedTo) return style;
    for (const id of style.blocks) tags.set(id, { from: style.mappedTo, to });
    return { ...style, mappedTo: to };
  });
  if (tags.size === 0) return base;
  const mapped = (block: Block): Block => {
    if (block.kind === 'table') {
      const rows = block.rows.map((row) => row.map((cell) => ({ ...cell, blocks: cell.blocks.map(mapped) })));
      return { ...block, rows };
    }
    const tag = tags.get(block.id);
    return tag === undefined || tag.from !== block.style ? block : { ...block, style: tag.to };
  };
  return { ...withEachBlock(base, mapped), source: { ...base.source, styles } };
}

/** The author's copy under the ids of the book into which it was put two ways: `ids` as `replaceCopy` answers them. */
export function authorsCopy(incoming: Book, book: Book, ids: ReadonlyMap<BlockId, BlockId>): Book {
  const placed = new Map(book.divisions.flatMap(({ blocks }) => blocks.map((block) => [block.id, block] as const)));
  const notes: Record<StreamId, Note> = {};
  const divisions = incoming.divisions
    .filter((division) => !isMadeDivision(division))
    .map((division) => ({
      ...division,
      blocks: division.blocks.map((block) => asPlaced(block, placed.get(ids.get(block.id) ?? ''))),
    }));
  return { ...book, divisions, notes };

  /** Words, looks and style of the file; ids of the block that it became. */
  function asPlaced(block: Block, made: Block | undefined): Block {
    if (made === undefined) return block;
    if (block.kind === 'table' || made.kind === 'table') return made;
    const refs = made.objects.flatMap((object) => (object.kind === 'note' ? [object.note] : []));
    const objects = block.objects.map((object) => {
      const id = object.kind === 'note' ? refs.shift() : undefined;
      if (object.kind !== 'note' || id === undefined) return object;
      notes[id] = noteAsPlaced(id, incoming.notes[object.note], book.notes[id]);
      return { ...object, note: id };
    });
    return { ...block, id: made.id, objects };
  }
}

function noteAsPlaced(id: StreamId, note: Note | undefined, made: Note | undefined): Note {
  if (note === undefined) return made ?? { id, kind: 'footnote', blocks: [] };
  const blocks = note.blocks.map((block, k) => ({ ...block, id: made?.blocks[k]?.id ?? block.id }));
  return { ...note, id, blocks };
}

/** Whether the base says anything of a division of the book. */
export function knowsDivision(base: Book, blocks: readonly Block[]): boolean {
  const own = new Set(blocks.map(({ id }) => id));
  return base.divisions.some((division) => division.blocks.some(({ id }) => own.has(id)));
}

/** A base with the divisions of another file beside its own. */
export function withDivisions(base: Book, more: Book): Book {
  const known = new Set(more.divisions.flatMap(({ blocks }) => blocks.map(({ id }) => id)));
  const divisions = base.divisions.map((division) => ({
    ...division,
    blocks: division.blocks.filter(({ id }) => !known.has(id)),
  }));
  return {
    ...base,
    nextId: Math.max(base.nextId, more.nextId),
    divisions: [...divisions.filter(({ blocks }) => blocks.length > 0), ...more.divisions],
    notes: { ...base.notes, ...more.notes },
  };
}
