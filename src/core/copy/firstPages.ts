// Puts a piece of the first pages where what it is taken for belongs, and takes it from there again: into the particulars, onto a page
// of its own, beside the copy.
import type { Book, Division, Particulars, Person } from '../model/copy/book';
import { isFirstRole, type FirstPart, type FirstPiece } from '../model/copy/firstPages';
import { roleFacts } from '../model/copy/roles';
import type { Block, BlockId } from '../model/copy/streams';
import { OBJECT_CHARACTER } from '../model/copy/streams';
import { dressedFor } from './dress';
import { isEmptyParagraph } from './effectiveTag';
import { imprintFacts, withFacts } from './imprintFacts';
import { placeOfRole } from './placeOfRole';
import { roleNamed } from './roleNames';

/** Characters of a title, of a name, and most people. */
const BOUNDS = { title: 400, name: 200, people: 40, words: 80 };

/** A piece that has no place yet. */
export interface LoosePiece {
  readonly part: FirstPart;
  readonly blocks: readonly Block[];
  readonly isGuess?: boolean;
}

/** Words of a block without what stands for objects. */
export function wordsOfBlock(block: Block): string {
  if (block.kind === 'table')
    return block.rows
      .flat()
      .flatMap((cell) => cell.blocks.map(wordsOfBlock))
      .join(' ');
  return block.text.replaceAll(OBJECT_CHARACTER, ' ').replace(/\s+/g, ' ').trim();
}

/** By which a piece is called, and known again in the next file. */
export const firstWords = (blocks: readonly Block[]): string => wordsOf(blocks).slice(0, BOUNDS.words);

const wordsOf = (blocks: readonly Block[]) => blocks.map(wordsOfBlock).filter(Boolean).join(' ');

const BY = /^(?:(.{2,80}?)[\s,:]+)?(?:(?:written\s+)?by|von|par|por)\s+(?=\S)(.+)$/iu;

/** What a line that names authors says: `A novel by A. Fenn and B. Sloe`. */
export function readByline(line: string): { readonly before: string; readonly names: readonly string[] } {
  const found = BY.exec(line);
  const names = (found?.[2] ?? line)
    .split(/\s*(?:;|,|\band\b|\bund\b|\bet\b|&)\s*/u)
    .map((name) => name.trim().slice(0, BOUNDS.name))
    .filter((name) => name !== '')
    .slice(0, BOUNDS.people);
  return { before: found?.[1]?.trim() ?? '', names };
}

/** The piece put where its part belongs, and listed at `at` among the others. */
export function withPiece(book: Book, { part, blocks, isGuess }: LoosePiece, at: number): Book {
  const ids = blocks.map(({ id }) => id);
  const listed = (changed: Book, kept: readonly Block[]): Book => {
    const pieces = [...(changed.source.firstPages ?? [])];
    const words = firstWords(blocks);
    pieces.splice(at, 0, { part, words, ids, kept, ...(isGuess ? { isGuess: true as const } : {}) });
    return { ...changed, source: { ...changed.source, firstPages: pieces } };
  };
  if (part === 'imprint') return withImprint(book, blocks, listed);
  if (!isFirstRole(part))
    return listed({ ...book, particulars: withWords(book.particulars, part, wordsOf(blocks)) }, blocks);
  const dressed = dressedFor(withoutLabel(blocks, part), part);
  const put = new Set(dressed.map(({ id }) => id));
  const head = dressed[0];
  const hasHead = head?.kind === 'paragraph' && ['CT', 'CN'].includes(head.style);
  const { matter, listed: isListed } = roleFacts(part);
  const division: Division = {
    id: `d${book.nextId}`,
    role: part,
    matter,
    listed: hasHead && (isListed ?? false),
    blocks: dressed,
  };
  const place = part === 'chapter' || part === 'prologue' ? firstOfBody(book) : placeOfRole(book, part);
  const divisions = book.divisions.toSpliced(place, 0, division);
  return listed(
    { ...book, nextId: book.nextId + 1, divisions },
    blocks.filter(({ id }) => !put.has(id)),
  );
}

function firstOfBody({ divisions }: Book): number {
  const at = divisions.findIndex(({ matter }) => matter !== 'front');
  return at < 0 ? divisions.length : at;
}

/** A display page does not print what it is. */
function withoutLabel(blocks: readonly Block[], part: FirstPart): readonly Block[] {
  const at = blocks.findIndex((block) => !isEmptyParagraph(block));
  if (part !== 'dedication' && part !== 'epigraph') return blocks;
  return at >= 0 && roleNamed(wordsOfBlock(blocks[at])) === part && blocks.length > at + 1
    ? blocks.toSpliced(at, 1)
    : blocks;
}

function withWords(particulars: Particulars, part: FirstPart, words: string): Particulars {
  if (part === 'title') return { ...particulars, title: words.slice(0, BOUNDS.title) };
  if (part === 'subtitle') return { ...particulars, subtitle: words.slice(0, BOUNDS.title) };
  if (part !== 'author') return particulars;
  const { before, names } = readByline(words);
  const others = particulars.people.filter(({ role }) => role !== 'author');
  const people = [...names.map((name): Person => ({ name, role: 'author' })), ...others].slice(0, BOUNDS.people);
  return { ...particulars, people, ...(before === '' ? {} : { subtitle: before.slice(0, BOUNDS.title) }) };
}

/** Lines that state facts fill particulars that say nothing yet; the others go onto the imprint page. */
function withImprint(book: Book, blocks: readonly Block[], listed: (book: Book, kept: readonly Block[]) => Book): Book {
  const at = book.divisions.findIndex(({ role }) => role === 'imprint');
  let { particulars } = book;
  const kept: Block[] = [];
  const left: Block[] = [];
  for (const block of blocks) {
    const facts = block.kind === 'paragraph' && block.objects.length === 0 ? imprintFacts(block.text) : null;
    const filled = facts === null ? null : withFacts(particulars, facts);
    if (filled !== null) particulars = filled;
    if (filled !== null || at < 0 || isEmptyParagraph(block)) kept.push(block);
    else
      left.push(
        block.kind === 'paragraph' ? ({ ...dressedFor([block], 'dedication')[0], style: 'IMP' } as Block) : block,
      );
  }
  const divisions =
    at < 0 || left.length === 0
      ? book.divisions
      : book.divisions.with(at, { ...book.divisions[at], blocks: [...book.divisions[at].blocks, ...left] });
  return listed({ ...book, particulars, divisions }, kept);
}

/** The book without a piece, and the blocks of it in their order; null when there is none at that place. */
export function withoutPiece(
  book: Book,
  at: number,
): { readonly book: Book; readonly blocks: readonly Block[] } | null {
  const piece = book.source.firstPages?.[at];
  if (piece === undefined) return null;
  const ids = new Set(piece.ids);
  const byId = new Map<BlockId, Block>(piece.kept.map((block) => [block.id, block]));
  const divisions = book.divisions.flatMap((division) => {
    const own = division.blocks.filter(({ id }) => ids.has(id));
    if (own.length === 0) return [division];
    for (const block of own) byId.set(block.id, block);
    // What was typed between them since goes with a division that is theirs alone.
    const isTheirs = isFirstRole(division.role) && division.blocks[0] === own[0];
    const left = division.blocks.filter(({ id }) => !ids.has(id));
    if (isTheirs && left.every(isEmptyParagraph)) return [];
    return [{ ...division, blocks: left }];
  });
  const blocks = piece.ids.flatMap((id) => byId.get(id) ?? []);
  const pieces = book.source.firstPages!.toSpliced(at, 1);
  const particulars = withoutWords(book.particulars, piece, blocks);
  return { book: { ...book, particulars, divisions, source: { ...book.source, firstPages: pieces } }, blocks };
}

/** Particulars that say what the piece says give it back. */
function withoutWords(particulars: Particulars, { part, kept }: FirstPiece, blocks: readonly Block[]): Particulars {
  const words = wordsOf(blocks);
  if (part === 'title' && particulars.title === words.slice(0, BOUNDS.title)) return { ...particulars, title: '' };
  if (part === 'subtitle' && particulars.subtitle === words.slice(0, BOUNDS.title))
    return { ...particulars, subtitle: '' };
  if (part === 'author') {
    const { before, names } = readByline(words);
    const people = particulars.people.filter(({ role, name }) => role !== 'author' || !names.includes(name));
    return { ...particulars, people, ...(before !== '' && particulars.subtitle === before ? { subtitle: '' } : {}) };
  }
  if (part !== 'imprint') return particulars;
  return kept.reduce((left, block) => {
    const facts = block.kind === 'paragraph' ? (imprintFacts(block.text) ?? {}) : {};
    const same = (Object.keys(facts) as (keyof typeof facts)[]).filter((key) => left[key] === facts[key]);
    return { ...left, ...Object.fromEntries(same.map((key) => [key, ''])) };
  }, particulars);
}

/** The book with a piece taken for something else; as it is when there is no such piece. */
export function withPieceAs(book: Book, at: number, part: FirstPart): Book {
  const taken = withoutPiece(book, at);
  return taken === null ? book : withPiece(taken.book, { part, blocks: taken.blocks }, at);
}

/** What a piece is now: its division may have got another role since. */
export function partOfPiece({ divisions }: Pick<Book, 'divisions'>, { part, ids }: FirstPiece): FirstPart {
  if (!isFirstRole(part)) return part;
  const own = new Set(ids);
  const home = divisions.find(({ blocks }) => blocks.some(({ id }) => own.has(id)));
  return home !== undefined && isFirstRole(home.role) ? home.role : part;
}
