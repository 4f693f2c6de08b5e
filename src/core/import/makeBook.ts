// Makes a book of a manuscript: divisions from its headings, particulars from its metadata, and the front matter that
// every book has, filled with fields.
import { settableLanguage } from '../model/copy/languages';
import { isInherited } from '../base/table';
import {
  emptyParticulars,
  BOOK_FORMAT,
  type Book,
  type Division,
  type DivisionRole,
  type Note,
  type Particulars,
  type Person,
} from '../model/copy/book';
import { isEmptyParagraph } from '../copy/effectiveTag';
import { gatherFigures } from '../copy/figures/gatherFigures';
import { firstWords, readByline, withPiece } from '../copy/firstPages';
import type { FirstPart } from '../model/copy/firstPages';
import type { BlockStand, IncomingMetadata, Manuscript } from '../model/copy/manuscript';
import { NOVEL_SPEC } from '../defaults/novelSpec';
import type { Spec } from '../model/spec/spec';
import { paragraph, type Block, type BlockId, type Paragraph } from '../model/copy/streams';
import { madeHead } from '../copy/madeWords';
import { frontMatter } from './frontMatter';
import { readHeading, romanSeries } from '../copy/headings';
import { cutParagraph } from '../copy/cutParagraph';
import { waitingStyles } from '../copy/waiting';
import { isDisplayRole, roleFacts, ROLES } from '../model/copy/roles';
import { IdCounter } from './paragraphBuilder';
import { appendixHead, roleNamed } from '../copy/roleNames';
import { givenTitle, readFirstPages, type FirstPages } from './opening/firstPages';
import { LONGEST, MOST_PEOPLE } from './withinBounds';

/** What the person decides besides the file. */
export interface MakeBookOptions {
  readonly bookId: string;
  /** Taken as the title when the file gives none. */
  readonly fileName: string;
  readonly spec?: Spec;
  readonly language?: string;
  /** What pieces of the first pages are, by their first words, where a person has said it of an earlier file. */
  readonly parts?: ReadonlyMap<string, FirstPart>;
  /** The file is a part of a book that is there: it has no first pages, and its title is that of a chapter. */
  readonly isPart?: boolean;
}

/** The book. Ids go on from those of the manuscript. */
export function makeBook(manuscript: Manuscript, options: MakeBookOptions): Book {
  const ids = new IdCounter(manuscript.nextId);
  const isOurs = isOurCopy(manuscript);
  const first = options.isPart
    ? { pieces: [], rest: manuscript.blocks.map(asChapter) }
    : isOurs
      ? { pieces: [], rest: manuscript.blocks }
      : withParts(readFirstPages(manuscript), options.parts);
  const saidOf = (id: BlockId) => manuscript.stands?.[id]?.division;
  const divisions = splitAtHeadings(first.rest, ids, saidOf, manuscript.saysDivisions);
  const particulars = makeParticulars(manuscript, first, options);
  const made = frontMatter(ids, divisions.filter((division) => division.listed).length > 1, particulars.language);
  // A copy of ours has those that it says.
  const front = isOurs ? made.filter(({ role }) => divisions.every((division) => division.role !== role)) : made;
  const notes: Record<string, Note> = {};
  for (const [id, note] of Object.entries(manuscript.notes)) notes[id] = { id, ...note };
  const all = withNotesDivision([...front, ...divisions], notes, ids, particulars.language);
  const book: Book = {
    format: BOOK_FORMAT,
    id: options.bookId,
    nextId: ids.next,
    particulars,
    spec: withWaiting(options.spec ?? NOVEL_SPEC, manuscript),
    divisions: all,
    notes,
    figures: {},
    anchors: {},
    pageTouches: [],
    source: {
      recipe: [],
      mapping: Object.fromEntries(
        manuscript.styles.filter(({ name }) => !isInherited(name)).map(({ name, mappedTo }) => [name, mappedTo]),
      ),
    },
  };
  return gatherFigures(first.pieces.reduce(withPiece, book));
}

/** It says itself where divisions begin, its first pages among them. */
const isOurCopy = ({ blocks, stands = {} }: Manuscript): boolean =>
  blocks[0] !== undefined && stands[blocks[0].id]?.division !== undefined;

const asChapter = (block: Block): Block => (block.style === 'BT' ? { ...block, style: 'CT' } : block);

function withParts(first: FirstPages, parts: MakeBookOptions['parts']): FirstPages {
  if (parts === undefined || parts.size === 0) return first;
  const pieces = first.pieces.map((piece) => ({ ...piece, part: parts.get(firstWords(piece.blocks)) ?? piece.part }));
  return { ...first, pieces };
}

/** Endnotes get a division in which they are gathered, at the place of its role. */
function withNotesDivision(
  divisions: readonly Division[],
  notes: Readonly<Record<string, Note>>,
  ids: IdCounter,
  language: string,
): Division[] {
  const hasEndnotes = Object.values(notes).some(({ kind }) => kind === 'endnote');
  if (!hasEndnotes || divisions.some(({ role }) => role === 'notes')) return [...divisions];
  const made: Division = {
    id: ids.take('d'),
    role: 'notes',
    matter: 'back',
    listed: true,
    blocks: [paragraph(ids.take('p'), 'CT', madeHead('notes', language)!)],
  };
  const order = Object.keys(ROLES);
  const after = divisions.findIndex(
    ({ role, matter }) => matter === 'back' && order.indexOf(role) > order.indexOf('notes'),
  );
  const at = after < 0 ? divisions.length : after;
  return [...divisions.slice(0, at), made, ...divisions.slice(at)];
}

/** The spec with the styles of the manuscript that wait beside its own. */
function withWaiting(spec: Spec, { styles }: Manuscript): Spec {
  const waiting = waitingStyles(styles, spec.styles);
  return Object.keys(waiting).length === 0 ? spec : { ...spec, styles: { ...spec.styles, ...waiting } };
}

/** What the first pages say comes later, and goes before what the properties of the file say. */
function makeParticulars({ metadata }: Manuscript, { pieces }: FirstPages, options: MakeBookOptions): Particulars {
  const says = (part: FirstPart) => pieces.some((piece) => piece.part === part);
  const ofName = options.fileName.replace(/\.[^.]*$/, '').replace(/[_-]+/g, ' ');
  const title = says('title') ? '' : (givenTitle(metadata.title) ?? ofName);
  const names = says('author') || !metadata.author ? [] : readByline(metadata.author).names;
  const { more, cover } = metadata;
  const people: readonly Person[] = more?.people.length ? more.people : names.map((name) => ({ name, role: 'author' }));
  return {
    ...emptyParticulars(options.language ?? knownLanguage(metadata.language)),
    ...(more === undefined ? {} : givenParticulars(more)),
    title: title.slice(0, LONGEST.TITLE),
    subtitle: says('subtitle') ? '' : (metadata.subtitle ?? '').slice(0, LONGEST.TITLE),
    people: says('author')
      ? people.filter(({ role }) => role !== 'author')
      : people.slice(0, MOST_PEOPLE).map(({ name, role }) => ({ name: name.slice(0, LONGEST.NAME), role })),
    ...(cover === undefined ? {} : { cover }),
  };
}

/** Longest texts of particulars (validate/bookSchema). */
const LONGEST_GIVEN = { rights: 2000, year: 20, isbnEbook: 40, isbnPrint: 40, description: 4000, subjects: 1000 };

function givenParticulars({ people: _, ...texts }: NonNullable<IncomingMetadata['more']>): Partial<Particulars> {
  const most: Readonly<Record<string, number>> = LONGEST_GIVEN;
  const kept = Object.entries(texts).filter(([, text]) => text !== '');
  return Object.fromEntries(kept.map(([key, text]) => [key, text.slice(0, most[key] ?? LONGEST.NAME)]));
}

/** The language that can be set and is nearest to a BCP 47 tag: `en-AU` reads as British English, `de-AT` as German. */
export function knownLanguage(tag: string | undefined): string {
  if (tag === undefined) return 'en';
  if (/^en[-_]/i.test(tag)) return /^en[-_]us\b/i.test(tag) ? 'en' : 'en-GB';
  return settableLanguage(tag) ?? 'en';
}

const isHeading = (block: Block) => block.kind === 'paragraph' && ['CT', 'PT', 'CN', 'PN'].includes(block.style);

type DivisionStart = NonNullable<BlockStand['division']>;

/**
 * One division per part or chapter, or as a copy of ours says it. A number that stands alone joins the title that follows it; the head of a
 * division that is said begins no other.
 */
function splitAtHeadings(
  blocks: readonly Block[],
  ids: IdCounter,
  saidOf: (id: BlockId) => DivisionStart | undefined,
  areAllSaid = false,
): Division[] {
  const divisions: Division[] = [];
  let current: Block[] = [];
  let start: DivisionStart | undefined;
  let role: DivisionRole = 'chapter';
  const flush = () => {
    const isKept = start !== undefined || current.some((block) => !isEmptyParagraph(block));
    if (isKept) divisions.push(start === undefined ? makeDivision(role, current, ids) : asSaid(start, current, ids));
    [current, start, role] = [[], undefined, 'chapter'];
  };
  const series = romanSeries(blocks.filter(isHeading).map((block) => (block as Paragraph).text));
  for (let k = 0; k < blocks.length; k += 1) {
    const block = blocks[k];
    const said = saidOf(block.id);
    if (said !== undefined) {
      flush();
      start = said;
    }
    const isOfHead = start !== undefined && current.every((one) => isHeading(one) || isEmptyParagraph(one));
    if (areAllSaid || isOfHead || !isHeading(block) || isEmptyParagraph(block)) {
      current.push(block);
      continue;
    }
    const head = headingParagraphs(block as Paragraph, blocks[k + 1], ids, series);
    k += head.taken;
    flush();
    role = head.role;
    current = head.blocks;
  }
  flush();
  return divisions;
}

function asSaid({ role, matter }: DivisionStart, blocks: readonly Block[], ids: IdCounter): Division {
  const own =
    role === 'blank' || blocks.every(isEmptyParagraph) ? blocks.filter((block) => !isEmptyParagraph(block)) : blocks;
  return { ...makeDivision(role, [...own], ids), matter };
}

interface HeadingParagraphs {
  readonly role: DivisionRole;
  readonly blocks: Paragraph[];
  /** Blocks after the first that belong to the heading. */
  readonly taken: number;
}

function headingParagraphs(
  block: Paragraph,
  next: Block | undefined,
  ids: IdCounter,
  series: ReadonlySet<number>,
): HeadingParagraphs {
  const words = readHeading(block.text, series);
  const isPart = words.kind === 'part' || block.style === 'PT' || block.style === 'PN';
  const [numberTag, titleTag] = isPart ? ['PN', 'PT'] : ['CN', 'CT'];
  const named = isPart ? 'part' : (roleNamed(block.text) ?? 'chapter');
  // A chapter may be called what a display page is.
  const role = isDisplayRole(named) ? 'chapter' : named;
  const appendix = role === 'appendix' ? appendixHead(block.text) : null;
  if (appendix !== null) return cutHeading(block, role, appendix, [numberTag, titleTag], ids);
  const numberOnly = words.title === '' || block.style === 'CN' || block.style === 'PN';
  if (numberOnly && next !== undefined && isHeading(next) && !isEmptyParagraph(next)) {
    const second = next as Paragraph;
    const sameLevel =
      readHeading(second.text, series).number === '' && (second.style === 'CT' || second.style === 'PT');
    if (sameLevel) {
      const title = { ...second, style: titleTag };
      return { role, blocks: [{ ...block, style: numberTag }, title], taken: 1 };
    }
  }
  if (words.number === '' || words.title === '') return { role, blocks: [{ ...block, style: titleTag }], taken: 0 };
  return cutHeading(block, role, words, [numberTag, titleTag], ids);
}

/** A heading as two paragraphs: its number, and the title after it. */
function cutHeading(
  block: Paragraph,
  role: DivisionRole,
  { number, titleAt }: { readonly number: string; readonly titleAt: number },
  [numberTag, titleTag]: readonly [string, string],
  ids: IdCounter,
): HeadingParagraphs {
  const first = { ...cutParagraph(block, 0, block.text.indexOf(number) + number.length), style: numberTag };
  const title = { ...cutParagraph(block, titleAt, block.text.trimEnd().length), id: ids.take('p'), style: titleTag };
  return { role, blocks: [first, title], taken: 0 };
}

function makeDivision(role: DivisionRole, blocks: Block[], ids: IdCounter): Division {
  const listed = blocks.some(isHeading);
  return { id: ids.take('d'), role, matter: roleFacts(role).matter, listed, blocks };
}
