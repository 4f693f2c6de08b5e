// Notes that an author typed: superior figures in the text and a list of numbered paragraphs at the end of the chapter or of the book.
// Figures and paragraphs that find each other become notes; what does not is told.
import { appendParagraph, cutParagraph } from '../../copy/cutParagraph';
import {
  OBJECT_CHARACTER,
  paragraph as newParagraph,
  type Block,
  type Paragraph,
  type StreamId,
} from '../../model/copy/streams';
import type { TidyAllContext, TidyAllResult, TidyJob, TidyPlace } from '../types';

/** A figure in the text. */
interface Figure {
  readonly stream: StreamId;
  readonly block: Paragraph;
  readonly from: number;
  readonly to: number;
  readonly number: number;
}

/** A paragraph of a list, with those that go on from it. */
interface Item {
  readonly stream: StreamId;
  readonly number: number;
  readonly blocks: readonly Paragraph[];
  /** Where the words of the first begin. */
  readonly at: number;
}

/** A chapter, or what stands before the first: its figures, and the list at its end. */
interface Chapter {
  readonly figures: readonly Figure[];
  readonly items: readonly Item[];
  /** Its title says that it holds the notes of the book. */
  readonly isOfNotes: boolean;
  /** The paragraph above its list that says what it is; null where there is none. */
  readonly head: Paragraph | null;
}

interface Matched {
  readonly pairs: readonly (readonly [Figure, Item])[];
  readonly figures: readonly Figure[];
  readonly items: readonly Item[];
  readonly chapters: readonly Chapter[];
}

const CHAPTER_HEADS = new Set(['CT', 'PT', 'CN', 'PN']);
const isHead = ({ style }: Block) => CHAPTER_HEADS.has(style) || /^[ABCD]H$/.test(style);
const SAYS_NOTES = /^(?:end ?notes?|notes?|notes to the text|anmerkungen|endnoten|fußnoten|notas?)[.:]?$/iu;

const SUPERIORS = '⁰¹²³⁴⁵⁶⁷⁸⁹';
const toNumber = (figures: string) =>
  Number([...figures].map((one) => (SUPERIORS.includes(one) ? SUPERIORS.indexOf(one) : one)).join(''));
const ITEM = new RegExp(
  `^[\\s${OBJECT_CHARACTER}]*[([]?(\\d{1,3}|[${SUPERIORS}]{1,3})[.)\\]:]?[\\s${OBJECT_CHARACTER}]+(?=\\S)`,
  'u',
);
const SUPERIOR = new RegExp(`[${SUPERIORS}]{1,3}`, 'gu');
/** Squares and cubes of units are none. */
const UNIT = /(?:^|[^\p{L}])(?:[kcm]?m|in|ft|yd|mi|km)$/u;

export const NOTE_JOBS: readonly TidyJob[] = [
  {
    ...{ id: 'typed-notes', name: 'Typed note figures, with their lists', kind: 'look', stage: 'notes' },
    run: (blocks) => ({ blocks, places: [] }),
    runAll: makeNotes,
  },
  {
    ...{ id: 'typed-notes-apart', name: 'Typed note figures and notes without a match', kind: 'tell', stage: 'notes' },
    run: (blocks) => ({ blocks, places: [] }),
    runAll: tellApart,
  },
];

function makeNotes(streams: ReadonlyMap<StreamId, readonly Block[]>, context: TidyAllContext): TidyAllResult {
  const { pairs, chapters } = match(streams, context.texts);
  const places: TidyAllResult['places'][number][] = [];
  const notes = new Map<StreamId, readonly Block[]>();
  const taken: (readonly [Figure, StreamId])[] = [];
  const gone = new Set<Block>();
  for (const [figure, item] of pairs) {
    const place = placeOf(figure, item);
    if (!context.accepts(place)) continue;
    places.push({ ...place, stream: figure.stream });
    const id = context.takeNote();
    notes.set(id, noteOf(item));
    taken.push([figure, id]);
    item.blocks.forEach((block) => gone.add(block));
  }
  if (taken.length === 0) return { streams: new Map(), notes, places };
  for (const { items, head, isOfNotes } of chapters) {
    const isEmptied = items.length > 0 && items.every(({ blocks }) => gone.has(blocks[0]));
    if (isEmptied && head !== null && !isOfNotes) gone.add(head);
  }
  const changed = new Map<StreamId, readonly Block[]>();
  const replaced = withNotes(taken);
  for (const stream of context.texts) {
    const blocks = streams.get(stream) ?? [];
    if (!blocks.some((block) => gone.has(block) || replaced.has(block))) continue;
    changed.set(
      stream,
      blocks.filter((block) => !gone.has(block)).map((block) => replaced.get(block) ?? block),
    );
  }
  return { streams: changed, notes, places };
}

function tellApart(streams: ReadonlyMap<StreamId, readonly Block[]>, context: TidyAllContext): TidyAllResult {
  const { pairs, figures, items } = match(streams, context.texts);
  // Where nothing matches, superior figures are something else.
  const places =
    pairs.length === 0
      ? []
      : [
          ...figures.map(({ stream, block, from, to }) => ({
            ...told(stream, block, around(block, from, to), 'No note of this number.'),
            ...{ at: from, range: { from, to, text: block.text.slice(from, to) } },
          })),
          ...items.map(({ stream, blocks: [block] }) =>
            told(stream, block, block.text.slice(0, SHOWN * 2), 'No figure in the text for it.'),
          ),
        ];
  return { streams: new Map(), notes: new Map(), places: places.filter((place) => context.accepts(place)) };
}

const told = (stream: StreamId, { id }: Paragraph, words: string, why: string) => ({
  ...{ stream, block: id, at: 0, was: words, is: words, why },
});

/** Characters around a figure, and of a note, that a place shows. */
const SHOWN = 24;
const around = ({ text }: Paragraph, from: number, to: number) => text.slice(Math.max(0, from - SHOWN), to + SHOWN);

function placeOf({ block, from, to }: Figure, { blocks, at }: Item): TidyPlace {
  const words = blocks[0].text.slice(at);
  const [before, after] = [block.text.slice(Math.max(0, from - SHOWN), from), block.text.slice(to, to + SHOWN)];
  const said = words.length > SHOWN ? `${words.slice(0, SHOWN).trimEnd()}…` : words;
  return {
    block: block.id,
    at: from,
    was: `${before}${block.text.slice(from, to)}${after}`,
    is: `${before}[${said}]${after}`,
  };
}

/** The paragraphs with references in place of their figures. */
function withNotes(taken: readonly (readonly [Figure, StreamId])[]): ReadonlyMap<Block, Paragraph> {
  const made = new Map<Block, Paragraph>();
  // From the last figure of a paragraph on, so that the places of those before it stay.
  for (const [{ block, from, to }, note] of taken.toReversed()) {
    const old = made.get(block) ?? block;
    const reference = newParagraph(old.id, old.style, OBJECT_CHARACTER, { objects: [{ at: 0, kind: 'note', note }] });
    const before = appendParagraph(cutParagraph(old, 0, from), reference);
    made.set(block, appendParagraph(before, cutParagraph(old, to, old.text.length)));
  }
  return made;
}

function noteOf({ blocks: [first, ...rest], at }: Item): Paragraph[] {
  const plain = ({ list: _, ...block }: Paragraph): Paragraph => ({ ...block, style: 'NT' });
  return [plain(cutParagraph(first, at, first.text.length)), ...rest.map(plain)];
}

/** Figures and items that find each other: in their chapter, or in the notes at the end of the book. */
function match(streams: ReadonlyMap<StreamId, readonly Block[]>, texts: readonly StreamId[]): Matched {
  const chapters = chaptersOf(streams, texts);
  const ofBook = chapters.filter(({ isOfNotes }) => isOfNotes).flatMap(({ items }) => items);
  const open = chapters.filter(
    ({ figures, items, isOfNotes }) => !isOfNotes && figures.length > 0 && items.length === 0,
  );
  const groups = groupsOf(ofBook);
  const pairs: (readonly [Figure, Item])[] = [];
  for (const { figures, items, isOfNotes } of chapters) if (!isOfNotes) pairs.push(...pairsOf(figures, items));
  if (groups.length === 1)
    pairs.push(
      ...pairsOf(
        open.flatMap(({ figures }) => figures),
        groups[0],
      ),
    );
  else if (groups.length === open.length) open.forEach(({ figures }, k) => pairs.push(...pairsOf(figures, groups[k])));
  const [paired, used] = [new Set(pairs.map(([figure]) => figure)), new Set(pairs.map(([, item]) => item))];
  return {
    pairs,
    figures: chapters.flatMap(({ figures }) => figures).filter((figure) => !paired.has(figure)),
    items: chapters.flatMap(({ items }) => items).filter((item) => !used.has(item)),
    chapters,
  };
}

/** Those whose number stands once on either side. */
function pairsOf(figures: readonly Figure[], items: readonly Item[]): (readonly [Figure, Item])[] {
  const once = <T extends { readonly number: number }>(list: readonly T[]) => {
    const found = new Map<number, T | null>();
    for (const one of list) found.set(one.number, found.has(one.number) ? null : one);
    return found;
  };
  const [byFigure, byItem] = [once(figures), once(items)];
  return figures.flatMap((figure) => {
    const item = byItem.get(figure.number);
    return item && byFigure.get(figure.number) === figure ? [[figure, item] as const] : [];
  });
}

/** Items parted where their numbers begin again. */
function groupsOf(items: readonly Item[]): Item[][] {
  const groups: Item[][] = [];
  for (const item of items) {
    const last = groups[groups.length - 1]?.at(-1);
    if (last === undefined || item.number <= last.number) groups.push([item]);
    else groups[groups.length - 1].push(item);
  }
  return groups;
}

function chaptersOf(streams: ReadonlyMap<StreamId, readonly Block[]>, texts: readonly StreamId[]): Chapter[] {
  return texts.flatMap((stream) => {
    const parts: Block[][] = [[]];
    let wasHead = false;
    for (const block of streams.get(stream) ?? []) {
      const begins = CHAPTER_HEADS.has(block.style);
      if (begins && !wasHead) parts.push([]);
      parts[parts.length - 1].push(block);
      wasHead = begins;
    }
    return parts.filter((part) => part.length > 0).map((part) => chapterOf(stream, part));
  });
}

function chapterOf(stream: StreamId, blocks: readonly Block[]): Chapter {
  const isOfNotes = blocks.some(
    (block) => CHAPTER_HEADS.has(block.style) && block.kind === 'paragraph' && saysNotes(block),
  );
  const counted = countedItems(blocks);
  const from = isOfNotes ? 0 : listAt(blocks, counted);
  const items = itemsOf(stream, blocks.slice(from), counted);
  const text = isOfNotes ? [] : blocks.slice(0, from);
  const figures = text.flatMap((block) =>
    block.kind === 'paragraph' && !isHead(block) ? figuresOf(stream, block) : [],
  );
  const above = blocks[from - 1];
  const head = items.length > 0 && above?.kind === 'paragraph' && saysNotes(above) ? above : null;
  const numbers = new Set(figures.map(({ number }) => number));
  // A list of which the text knows less than half is a list.
  const isList = isOfNotes || items.filter(({ number }) => numbers.has(number)).length * 2 >= items.length;
  if (isList) return { figures, items, isOfNotes, head };
  return {
    figures: blocks.flatMap((block) => (block.kind === 'paragraph' ? figuresOf(stream, block) : [])),
    items: [],
    isOfNotes,
    head: null,
  };
}

const saysNotes = ({ text }: Paragraph) => SAYS_NOTES.test(text.trim());

/** Where the numbered paragraphs at the end of a chapter begin, which count on by one; its length where there are none. */
function listAt(blocks: readonly Block[], counted: Counted): number {
  let start = blocks.length;
  let next: number | null = null;
  for (let k = blocks.length - 1; k >= 0; k -= 1) {
    const block = blocks[k];
    if (block.kind !== 'paragraph' || isHead(block)) break;
    const number = numberOf(block, counted)?.number;
    if (number === undefined) continue;
    if (next !== null && number !== next - 1) break;
    [start, next] = [k, number];
    if (number === 1) break;
  }
  return start;
}

/** Numbers of the items of numbered lists. */
type Counted = ReadonlyMap<Block, number>;

function countedItems(blocks: readonly Block[]): Counted {
  const counted = new Map<Block, number>();
  let last: number | null = null;
  for (const block of blocks) {
    const list = block.kind === 'paragraph' ? block.list : undefined;
    if (list?.ordered === true && list.level === 0) {
      const number: number = list.start ?? (last ?? 0) + 1;
      counted.set(block, number);
      last = number;
    } else if (list === undefined) last = null;
  }
  return counted;
}

/** The number of a paragraph, typed or counted, and where its words begin. */
function numberOf(block: Paragraph, counted: Counted): { readonly number: number; readonly at: number } | null {
  const { text, objects } = block;
  const ofList = counted.get(block);
  if (ofList !== undefined) return { number: ofList, at: 0 };
  const found = ITEM.exec(text);
  if (found === null) return null;
  const at = found[0].length;
  const isPlain = objects.every((object) => object.at >= at || object.kind === 'tab');
  return isPlain ? { number: toNumber(found[1]), at } : null;
}

function itemsOf(stream: StreamId, blocks: readonly Block[], counted: Counted): Item[] {
  const items: Item[] = [];
  for (const block of blocks) {
    if (block.kind !== 'paragraph' || isHead(block)) continue;
    const typed = numberOf(block, counted);
    const last = items[items.length - 1];
    if (typed !== null) items.push({ stream, ...typed, blocks: [block] });
    else if (last !== undefined && block.text.trim() !== '')
      items[items.length - 1] = { ...last, blocks: [...last.blocks, block] };
  }
  return items;
}

/** Superior figures after a word or a mark: by the style of their letters, or as characters. */
function figuresOf(stream: StreamId, block: Paragraph): Figure[] {
  const { text, spans } = block;
  const styled = spans
    .filter(({ style, from, to }) => style === 'sup' && /^\d{1,3}$/.test(text.slice(from, to)))
    .map(({ from, to }) => ({ from, to }));
  const typed = [...text.matchAll(SUPERIOR)].map(({ index, 0: figures }) => ({
    from: index,
    to: index + figures.length,
  }));
  return (
    [...styled, ...typed]
      .map(({ from, to }) => ({
        from,
        to,
        number: toNumber(text.slice(from, to)),
        before: text.slice(0, from).trimEnd(),
      }))
      .filter(({ before }) => /[^\d]$/u.test(before) && !UNIT.test(before))
      .sort((a, b) => a.from - b.from)
      // White that was typed before a figure goes with it.
      .map(({ to, number, before }) => ({ stream, block, from: before.length, to, number }))
  );
}
