// Changes of the running order: divisions added, set, moved and taken out, and display pages laid out.
import { invariant } from '../../base/errors';
import type { Book, Division, Matter } from '../../model/copy/book';
import type { BookEdit, DivisionFacts } from '../../model/copy/bookEdit';
import { layoutsOf, type DisplayLayout, type LayoutLine } from '../../defaults/displayLayouts';
import { madeHead } from '../../copy/madeWords';
import { isDisplayRole, roleFacts, roleName, type DivisionRole } from '../../model/copy/roles';
import { placeOfRole } from '../../copy/placeOfRole';
import type { Spec } from '../../model/spec/spec';
import {
  OBJECT_CHARACTER,
  paragraph,
  type Block,
  type Paragraph,
  type ParagraphTouches,
  type StreamId,
  type StyleTag,
} from '../../model/copy/streams';

const MATTERS: readonly Matter[] = ['front', 'body', 'back'];

/** The edits that add a division of a role at a place of the running order, and its id. */
export function addDivisionOfRole(
  book: Book,
  role: DivisionRole,
  at = placeOfRole(book, role),
): { readonly edits: BookEdit[]; readonly id: StreamId } {
  let { nextId } = book;
  const take = (letter: string) => `${letter}${nextId++}`;
  const facts = roleFacts(role);
  const layout = layoutsOf(role)[0];
  const isLaidOut = layout !== undefined && isDisplayRole(role);
  const blocks = isLaidOut
    ? layout.lines.map((line) => newLine(line, take('p'), book.spec))
    : firstBlocks(role, book.particulars.language, () => take('p'));
  const division: Division = {
    id: take('d'),
    role,
    matter: matterAt(book, at, facts.matter),
    listed: facts.listed ?? false,
    ...(facts.printOnly ? { notInEbook: true } : {}),
    blocks,
  };
  const edits: BookEdit[] = [
    { kind: 'setNextId', from: book.nextId, to: nextId },
    { kind: 'insertDivision', at, division },
  ];
  return { edits, id: division.id };
}

/** Front, body and back follow each other: what is put between two of one matter is of that matter. */
function matterAt({ divisions }: Book, at: number, wished: Matter): Matter {
  const [before, after] = [divisions[at - 1]?.matter, divisions[at]?.matter];
  if (before !== undefined && before === after) return before;
  const least = before === undefined ? 0 : MATTERS.indexOf(before);
  const most = after === undefined ? 2 : MATTERS.indexOf(after);
  return MATTERS[Math.min(most, Math.max(least, MATTERS.indexOf(wished)))];
}

function firstBlocks(role: DivisionRole, language: string, take: () => string): Block[] {
  if (role === 'blank') return [];
  if (isDisplayRole(role)) return [paragraph(take(), 'TX', '')];
  const isList = ['contents', 'figures', 'tables', 'index'].includes(role);
  const tag = role === 'part' ? 'PT' : isList ? 'TOH' : 'CT';
  const head = paragraph(
    take(),
    tag,
    role === 'chapter' || role === 'part' ? '' : (madeHead(role, language) ?? roleName(role)),
  );
  return isList || role === 'part' ? [head] : [head, paragraph(take(), 'TX', '')];
}

/** The edit that changes facts of a division; an undefined value takes one away. Null when nothing changes. */
export function setDivisionEdit(
  book: Book,
  id: StreamId,
  change: { readonly [K in keyof DivisionFacts]?: DivisionFacts[K] | undefined },
): BookEdit | null {
  const division = book.divisions.find((one) => one.id === id);
  invariant(division !== undefined, `division ${id} exists`);
  const { id: _id, blocks: _blocks, ...from } = division;
  const to = Object.fromEntries(
    Object.entries({ ...from, ...change }).filter(([, value]) => value !== undefined),
  ) as unknown as DivisionFacts;
  return JSON.stringify(from) === JSON.stringify(to) ? null : { kind: 'setDivision', id, from, to };
}

/** The edits that move a division to a place, counted in the order without it; it becomes of the matter there. */
export function moveDivisionEdits(book: Book, id: StreamId, to: number, wished?: Matter): BookEdit[] {
  const from = book.divisions.findIndex((division) => division.id === id);
  if (from < 0) return [];
  const division = book.divisions[from];
  const others = book.divisions.toSpliced(from, 1);
  const place = Math.max(0, Math.min(others.length, to));
  const matter = matterAt({ ...book, divisions: others }, place, wished ?? division.matter);
  const edits: BookEdit[] = place === from ? [] : [{ kind: 'moveDivision', from, to: place }];
  const own = setDivisionEdit(book, id, { matter });
  return own === null ? edits : [...edits, own];
}

/** The edit that takes a division out, with its text. Its notes stay with the book for the way back. */
export function removeDivisionEdit(book: Book, id: StreamId): BookEdit | null {
  const at = book.divisions.findIndex((division) => division.id === id);
  return at < 0 ? null : { kind: 'removeDivision', at, division: book.divisions[at] };
}

/**
 * The edits that set a display page in a layout: paragraphs of its lines take their looks, in its order; lines that are
 * missing come in; what a person wrote besides stays behind them.
 */
export function layoutEdits(book: Book, id: StreamId, layout: DisplayLayout): BookEdit[] {
  const division = book.divisions.find((one) => one.id === id);
  invariant(division !== undefined, `division ${id} exists`);
  let { nextId } = book;
  const left = [...division.blocks];
  const made: Block[] = [];
  for (const line of layout.lines) {
    const at = left.findIndex((block) => isLine(block, line));
    if (at >= 0) {
      const [found] = left.splice(at, 1);
      made.push(withLook(found as Paragraph, line, book.spec));
      // Lines of one style that a person parted stay together.
      while (line.field === undefined && left[at] !== undefined && left[at].style === line.style)
        made.push(withLook(left.splice(at, 1)[0] as Paragraph, line, book.spec));
    } else if (line.field !== undefined || line.text !== undefined) made.push(newLine(line, `p${nextId++}`, book.spec));
  }
  const edits: BookEdit[] = [
    { kind: 'replaceBlocks', stream: id, at: 0, removed: division.blocks, inserted: [...made, ...left] },
  ];
  if (nextId !== book.nextId) edits.unshift({ kind: 'setNextId', from: book.nextId, to: nextId });
  const facts = setDivisionEdit(book, id, { layout: layout.key, placing: layout.placing, sink: layout.sink });
  return facts === null ? edits : [...edits, facts];
}

function isLine(block: Block, { style, field }: LayoutLine): boolean {
  if (block.kind !== 'paragraph' || block.style !== style) return false;
  const own = block.objects.find((object) => object.kind === 'field');
  return field === undefined || own === undefined || own.field === field;
}

function newLine(line: LayoutLine, id: string, spec: Spec): Paragraph {
  const { style, field, text = '' } = line;
  const bare =
    field === undefined
      ? paragraph(id, style, text)
      : paragraph(id, style, OBJECT_CHARACTER, { objects: [{ at: 0, kind: 'field', field }] });
  return withLook(bare, line, spec);
}

function withLook(block: Paragraph, { align, scale, look }: LayoutLine, spec: Spec): Paragraph {
  const size = scale === undefined ? undefined : Math.round(sizeOf(block.style, spec) * scale * 10) / 10;
  const own = size === undefined ? look : { ...look, size };
  const { align: _align, look: _look, ...kept } = block.touches ?? {};
  const touches: ParagraphTouches = { ...kept, ...(align ? { align } : {}), ...(own ? { look: own } : {}) };
  const { touches: _touches, ...rest } = block;
  return Object.keys(touches).length === 0 ? rest : { ...rest, touches };
}

function sizeOf(tag: StyleTag, { styles, text }: Spec): number {
  const seen = new Set<StyleTag>();
  for (let at: StyleTag | undefined = tag; at !== undefined && !seen.has(at); at = styles[at]?.basedOn) {
    seen.add(at);
    const size = styles[at]?.size;
    if (size !== undefined) return size;
  }
  return text.size.pt;
}
