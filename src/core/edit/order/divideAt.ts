// Divisions begun at paragraphs, and taken back: a style that is mapped to a chapter's title makes chapters.
import type { Book, Division } from '../../model/copy/book';
import { isDisplayRole, isMadeDivision, roleFacts, type DivisionRole } from '../../model/copy/roles';
import type { Block, BlockId, StyleTag } from '../../model/copy/streams';
import { isEmptyParagraph } from '../../copy/effectiveTag';
import { wordsOfBlock } from '../../copy/firstPages';
import { roleNamed } from '../../copy/roleNames';

const TITLES: ReadonlySet<StyleTag> = new Set(['CT', 'PT']);
/** Stand above the title, and go with it. */
const NUMBERS: ReadonlySet<StyleTag> = new Set(['CN', 'PN']);

export const isDivisionTitle = (tag: StyleTag): boolean => TITLES.has(tag);

/** The book with a division beginning at each of some blocks of its divisions, those of the notes and tables left alone. */
export function divideAt(book: Book, blocks: ReadonlySet<BlockId>): Book {
  let { nextId } = book;
  const divisions = book.divisions.flatMap((division): Division[] => {
    if (isMadeDivision(division) || !division.blocks.some(({ id }) => blocks.has(id))) return [division];
    const starts = startsIn(division.blocks, blocks);
    const [first, ...others] = starts;
    const head = division.blocks.slice(0, first);
    const isHeadless = head.every(isEmptyParagraph);
    const parts = starts.map((at, k) => division.blocks.slice(at, starts[k + 1] ?? division.blocks.length));
    const before = isHeadless
      ? [{ ...division, ...begun(division, parts[0]), blocks: [...head, ...parts[0]] }]
      : [
          { ...division, blocks: head },
          { ...begun(division, parts[0]), id: `d${nextId++}`, blocks: parts[0] },
        ];
    return [
      ...before,
      ...others.map((_, k): Division => ({
        ...begun(division, parts[k + 1]),
        id: `d${nextId++}`,
        blocks: parts[k + 1],
      })),
    ];
  });
  return { ...book, nextId, divisions: inMatters(divisions) };
}

/** Places at which divisions begin, a number above a title among its blocks. */
function startsIn(own: readonly Block[], blocks: ReadonlySet<BlockId>): number[] {
  return own.flatMap(({ id }, at) => {
    if (!blocks.has(id)) return [];
    const isNumbered = at > 0 && NUMBERS.has(own[at - 1].style) && TITLES.has(own[at].style);
    return [isNumbered ? at - 1 : at];
  });
}

/** What a division that begins with these blocks is: by its title, else a chapter. */
function begun(
  { matter, role: before }: Division,
  blocks: readonly Block[],
): Pick<Division, 'role' | 'matter' | 'listed'> {
  const title = blocks.find(({ style }) => !NUMBERS.has(style));
  const named = title === undefined ? undefined : roleNamed(wordsOfBlock(title));
  const own: DivisionRole = matter === 'body' || isDisplayRole(before) ? 'chapter' : before;
  const role = title?.style === 'PT' ? 'part' : named !== undefined && !isDisplayRole(named) ? named : own;
  return { role, matter: roleFacts(role).matter, listed: title !== undefined && TITLES.has(title.style) };
}

/** The book with the divisions that begin with some blocks put back to the one before, where that takes copy. */
export function joinAt(book: Book, blocks: ReadonlySet<BlockId>): Book {
  const divisions: Division[] = [];
  for (const division of book.divisions) {
    const before = divisions[divisions.length - 1];
    const title = division.blocks.find((block) => !isEmptyParagraph(block) && !NUMBERS.has(block.style));
    const isJoined = title !== undefined && blocks.has(title.id) && !isMadeDivision(division);
    if (
      !isJoined ||
      before === undefined ||
      isMadeDivision(before) ||
      isDisplayRole(before.role) ||
      before.matter !== division.matter
    )
      divisions.push(division);
    else divisions[divisions.length - 1] = { ...before, blocks: [...before.blocks, ...division.blocks] };
  }
  return { ...book, divisions };
}

/** Front matter before the body, the body before back matter, each in the order that it has. */
const inMatters = (divisions: readonly Division[]): Division[] =>
  (['front', 'body', 'back'] as const).flatMap((matter) => divisions.filter((division) => division.matter === matter));
