// Styles put in place of others: merged, dropped with a replacement, given another tag. Everything that names them follows.
import { eachStream, type Book } from '../../model/copy/book';
import type { BookEdit, Plain } from '../../model/copy/bookEdit';
import type { CharacterStyle, ParagraphStyle } from '../../model/spec/spec';
import type { Block, Span, StyleTag } from '../../model/copy/streams';
import { eachParagraphEdit } from './localTouches';

type Styles<T> = Readonly<Record<StyleTag, T>>;

const stylesEdit = (book: Book, styles: Styles<ParagraphStyle>): BookEdit => ({
  kind: 'setSpec',
  path: ['styles'],
  from: book.spec.styles as unknown as Plain,
  to: styles as unknown as Plain,
});

const charactersEdit = (book: Book, styles: Styles<CharacterStyle>): BookEdit => ({
  kind: 'setSpec',
  path: ['characterStyles'],
  from: book.spec.characterStyles as unknown as Plain,
  to: styles as unknown as Plain,
});

/** Edits that put a style in place of another everywhere, and drop that: paragraphs, and styles that take from it or lead to it. */
export function mergeStyleEdits(book: Book, tag: StyleTag, into: StyleTag): BookEdit[] {
  const { styles } = book.spec;
  const kept: Record<StyleTag, ParagraphStyle> = {};
  const above = ancestorsOf(styles, into);
  for (const [other, style] of Object.entries(styles)) {
    if (other === tag) continue;
    // What takes its place, and what that takes from, take from where the dropped one did: else they would go in a circle.
    const heir = above.has(other) ? styles[tag].basedOn : into;
    const basedOn = style.basedOn === tag ? heir : style.basedOn;
    const { basedOn: _, ...rest } = style;
    const next = style.next === tag ? into : style.next;
    kept[other] =
      basedOn === style.basedOn && next === style.next
        ? style
        : { ...rest, ...(basedOn === undefined ? {} : { basedOn }), ...(next === undefined ? {} : { next }) };
  }
  const mapping = Object.fromEntries(
    Object.entries(book.source.mapping).map(([name, own]) => [name, own === tag ? into : own]),
  );
  const source: BookEdit[] =
    JSON.stringify(mapping) === JSON.stringify(book.source.mapping)
      ? []
      : [{ kind: 'setSource', from: book.source, to: { ...book.source, mapping } }];
  return [...eachBlockEdit(book, tag, into), stylesEdit(book, kept), ...source];
}

/** Every block of a style in another, tables too. */
function eachBlockEdit(book: Book, tag: StyleTag, into: StyleTag): BookEdit[] {
  const edits: BookEdit[] = [];
  for (const { stream, owner, blocks } of eachStream(book))
    if (owner !== 'cell')
      blocks.forEach((block, at) => {
        const to = restyled(block, tag, into);
        if (to !== block) edits.push({ kind: 'replaceBlocks', stream, at, removed: [block], inserted: [to] });
      });
  return edits;
}

/** A block, and all in its cells, in another style where it has the one. */
function restyled(block: Block, tag: StyleTag, into: StyleTag): Block {
  if (block.kind === 'paragraph') return block.style === tag ? { ...block, style: into } : block;
  let isChanged = false;
  const rows = block.rows.map((row) =>
    row.map((cell) => {
      const blocks = cell.blocks.map((one) => restyled(one, tag, into));
      if (blocks.every((one, k) => one === cell.blocks[k])) return cell;
      isChanged = true;
      return { ...cell, blocks };
    }),
  );
  return isChanged ? { ...block, rows } : block;
}

/** Edits that give a style another tag; everything that names it follows. */
export function retagStyleEdits(book: Book, tag: StyleTag, to: StyleTag): BookEdit[] {
  const own: Styles<ParagraphStyle> = { ...book.spec.styles, [to]: book.spec.styles[tag] };
  const made: Book = { ...book, spec: { ...book.spec, styles: own } };
  const [...edits] = mergeStyleEdits(made, tag, to);
  return edits.map((edit) =>
    edit.kind === 'setSpec' ? { ...edit, from: book.spec.styles as unknown as Plain } : edit,
  );
}

/** Edits that put a character style in place of another, or none, and drop that. */
export function mergeCharacterStyleEdits(book: Book, tag: StyleTag, into: StyleTag | null): BookEdit[] {
  const { [tag]: dropped, ...rest } = book.spec.characterStyles;
  const kept: Record<StyleTag, CharacterStyle> = {};
  for (const [other, style] of Object.entries(rest)) {
    const { basedOn, ...own } = style;
    const next = basedOn === tag ? (into === null || into === other ? dropped?.basedOn : into) : basedOn;
    kept[other] = next === basedOn ? style : { ...own, ...(next === undefined ? {} : { basedOn: next }) };
  }
  const edits = eachParagraphEdit(book, (block) => {
    if (!block.spans.some(({ style }) => style === tag)) return block;
    const spans = block.spans.flatMap((span): Span[] => {
      if (span.style !== tag) return [span];
      const { style: _, ...plain } = span;
      if (into !== null) return [{ ...span, style: into }];
      return plain.touches === undefined && plain.language === undefined ? [] : [plain];
    });
    return { ...block, spans };
  });
  return [...edits, charactersEdit(book, kept)];
}

/** A style and those that it takes from, directly or not. */
function ancestorsOf(styles: Styles<{ readonly basedOn?: StyleTag }>, tag: StyleTag): Set<StyleTag> {
  const found = new Set<StyleTag>();
  for (let at: StyleTag | undefined = tag; at !== undefined && !found.has(at); at = styles[at]?.basedOn) found.add(at);
  return found;
}
