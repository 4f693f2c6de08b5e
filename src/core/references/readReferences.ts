// Finds out what the pages say: on which page each head stands and under which folio, where sections begin, what
// cross-references go to, and where the words of the index are.
import { append } from '../base/append';
import type { Book, Division } from '../model/copy/book';
import { holdersIn } from '../model/copy/holders';
import type { Page } from '../model/composed/pages';
import type {
  CaptionPlace,
  HeadingPlace,
  ReferencedPlace,
  ReferenceTable,
  SectionPlace,
} from '../model/composed/referenceTable';
import type { Meaning, Spec } from '../model/spec/spec';
import type { Block, BlockId, Paragraph, StreamId, StyleTag } from '../model/copy/streams';
import { PLAIN_TEXT } from '../copy/plainTags';
import { widestVerse } from './widestVerse';
import { findPlaces, type PageOf } from './findPlaces';
import { sectionName } from '../numbering/sections';
import { headingWords, plainWords, titleBlock } from '../numbering/headWords';
import { notePlaces } from './notePlaces';
import { continuedEntries, indexLocators, marksOf, type PlacedMark } from './indexLocators';
import type { HeadNumbers } from '../numbering/numberHeads';

export interface ReferenceFacts {
  readonly book: Pick<Book, 'spec' | 'notes' | 'particulars'>;
  readonly numbers: HeadNumbers;
  /** Meaning of a style, its ancestors' included. */
  readonly meaningOf: (tag: StyleTag) => Meaning;
}

/** The table of a book whose pages are made; `pages` empty before the first pass. */
export function readReferences(
  divisions: readonly Division[],
  pages: readonly Page[],
  firstPages: ReadonlyMap<string, number>,
  facts: ReferenceFacts,
): ReferenceTable {
  const found = collect(divisions, facts);
  const pageOf = findPlaces(pages, found.wanted);
  const folioOf = (page: number) => pages[page]?.folio ?? '';
  const placed = <T extends object>(of: T, page: number) => ({ ...of, page, folio: folioOf(page) });
  const headings: HeadingPlace[] = found.heads.map(({ isTitle, ...head }) =>
    placed(head, isTitle ? (firstPages.get(head.division) ?? -1) : pageOf(head.block)),
  );
  const targets: Record<BlockId, ReferencedPlace> = {};
  for (const id of found.referred) {
    const block = found.byId.get(id);
    if (block === undefined) continue;
    const number = facts.numbers.get(id)?.text ?? found.typedNumbers.get(id) ?? '';
    targets[id] = placed({ number, title: plainWords(block) }, pageOf(id));
  }
  const sources: Record<string, number> = {};
  for (const { block, at } of found.references) sources[`${block}:${at}`] = pageOf(block, at);
  return {
    headings,
    captions: found.captions.map((caption): CaptionPlace => placed(caption, pageOf(caption.block))),
    sections: found.sections.map((section): SectionPlace => placed(section, pageOf(section.block))),
    index: indexLocators(found.marks, pageOf, folioOf, facts.book.spec.index, facts.book.particulars.language),
    continued: continuedEntries(pages),
    targets,
    sources,
    notes: notePlaces(pages, facts.book),
    verse: facts.meaningOf(PLAIN_TEXT) === 'verse' ? widestVerse(pages) : 0,
  };
}

type Head = Omit<HeadingPlace, 'page' | 'folio'> & { readonly isTitle: boolean };

interface Collected {
  readonly heads: Head[];
  readonly captions: Omit<CaptionPlace, 'page' | 'folio'>[];
  readonly sections: Omit<SectionPlace, 'page' | 'folio'>[];
  readonly marks: PlacedMark[];
  readonly references: { readonly block: BlockId; readonly at: number }[];
  readonly referred: Set<BlockId>;
  readonly byId: Map<BlockId, Paragraph>;
  readonly typedNumbers: Map<BlockId, string>;
  /** Blocks whose page is asked for. */
  readonly wanted: Set<BlockId>;
  /** Notes that were looked through. */
  readonly notes: Set<StreamId>;
}

/** What the copy refers to, lists and marks. */
function collect(divisions: readonly Division[], facts: ReferenceFacts): Collected {
  const { contents } = facts.book.spec;
  const levels = new Set(contents.levels.map(({ source }) => source));
  const made: Collected = {
    heads: [],
    captions: [],
    sections: [],
    marks: [],
    references: [],
    referred: new Set(),
    byId: new Map(),
    typedNumbers: new Map(),
    wanted: new Set(),
    notes: new Set(),
  };
  for (const division of divisions) {
    const title = titleBlock(division, facts.book.spec.styles);
    const words = headingWords(division, facts.book.spec.styles, facts.numbers);
    if (title !== undefined) made.typedNumbers.set(title.id, words.number);
    if (division.listed && (words.title !== '' || words.number !== ''))
      made.heads.push(titleHead(division, title, words, facts.book.spec));
    division.blocks.forEach((block, index) => {
      if (block.kind === 'table') return collectObjects(block, facts, made);
      const isListed = levels.has(block.style) && block !== title && division.listed;
      if (isListed && block.text.trim() !== '') made.heads.push(innerHead(division, block, facts));
      if (block.touches?.section !== undefined)
        made.sections.push({
          division: division.id,
          block: block.id,
          name: sectionName(block),
        });
      if (facts.meaningOf(block.style) === 'caption' && block.text.trim() !== '')
        made.captions.push({ kind: captionKind(division.blocks, index), block: block.id, text: plainWords(block) });
      collectObjects(block, facts, made);
    });
  }
  if (made.referred.size > 0)
    for (const { blocks } of divisions)
      for (const block of blocks)
        if (block.kind === 'paragraph' && made.referred.has(block.id)) made.byId.set(block.id, block);
  for (const list of [made.heads, made.captions, made.sections, made.references])
    for (const { block } of list) made.wanted.add(block);
  for (const { block } of made.marks) made.wanted.add(block);
  for (const id of made.referred) made.wanted.add(id);
  return made;
}

function titleHead(
  division: Division,
  title: Paragraph | undefined,
  words: { readonly number: string; readonly title: string },
  { contents }: Spec,
): Head {
  const lineOf = (source: StyleTag | undefined) => {
    const block = source === undefined ? undefined : division.blocks.find(({ style }) => style === source);
    return block?.kind === 'paragraph' ? plainWords(block) : '';
  };
  const [author, description] = [lineOf(contents.author?.source), lineOf(contents.description?.source)];
  return {
    division: division.id,
    block: title?.id ?? '',
    tag: title?.style ?? 'CT',
    role: division.role === 'part' ? 'part' : division.role === 'chapter' ? 'chapter' : 'other',
    level: 1,
    ...words,
    ...(author === '' ? {} : { author }),
    ...(description === '' ? {} : { description }),
    isTitle: true,
  };
}

function innerHead(division: Division, block: Paragraph, { numbers, meaningOf }: ReferenceFacts): Head {
  return {
    division: division.id,
    block: block.id,
    tag: block.style,
    role: 'other',
    level: Number(/\d/.exec(meaningOf(block.style))?.[0] ?? 1),
    number: numbers.get(block.id)?.text ?? '',
    title: plainWords(block),
    isTitle: false,
  };
}

/** A caption beside a table is the table's, where it is not that of a figure. */
function captionKind(blocks: readonly Block[], index: number): CaptionPlace['kind'] {
  const block = blocks[index];
  if (block.kind === 'paragraph' && block.stream !== undefined) return 'figure';
  return blocks[index + 1]?.kind === 'table' || blocks[index - 1]?.kind === 'table' ? 'table' : 'figure';
}

/** References and index marks of a block, its notes and its cells. */
function collectObjects(block: Block, facts: ReferenceFacts, made: Collected): void {
  if (block.kind === 'table') {
    for (const holder of holdersIn(block)) collectObjects(holder.block, facts, made);
    return;
  }
  if (block.objects.length === 0) return;
  append(made.marks, marksOf(block));
  for (const object of block.objects) {
    if (object.kind === 'reference') {
      made.references.push({ block: block.id, at: object.at });
      made.referred.add(object.target);
    } else if (object.kind === 'note' && !made.notes.has(object.note)) {
      // A note may refer to one that refers to it.
      made.notes.add(object.note);
      for (const inner of facts.book.notes[object.note]?.blocks ?? []) collectObjects(inner, facts, made);
    }
  }
}

export type { PageOf };
