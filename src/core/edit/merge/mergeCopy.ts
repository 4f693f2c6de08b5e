// The author's next file joined with what the desk did since the last one: base, desk and author, three ways.
import { withLooksOf } from '../copy/tableLooks';
import { append } from '../../base/append';
import { eachStream, isMadeDivision, type Book, type Note } from '../../model/copy/book';
import type { CopyChange, CopyConflict, MergedWords, ReplaceReport } from '../../model/copy/manuscript';
import { notesIn } from '../../model/copy/holders';
import type { Block, BlockId, StreamId } from '../../model/copy/streams';
import { isEmptyParagraph } from '../../copy/effectiveTag';
import { applyEdits } from '../applyEdit';
import { inDivisions, inOrder, lostTouches, sampleOf } from '../copy/placeBlocks';
import { recordsOf, renumbered } from '../copy/renumber';
import { newStyleEdits } from '../styles/styleEdits';
import { BlockChain } from './blockChain';
import { movedAtDesk } from './deskMoves';
import { mergeParagraph } from './mergeParagraph';
import { pairWithBase, uniqueWords } from './pairBlocks';
import { newBase } from './newBase';
import { pairNotes, withNotes } from './pairNotes';
import { sameList, sameTable, sameWordsIn, styleOf, withoutDeskMarks, wordsIn } from './sameBlocks';

export interface MergedCopy {
  readonly book: Book;
  readonly report: ReplaceReport;
  /** The author's new copy, under the ids of the book: the base of the next file. */
  readonly base: Book;
  /** Ids in the book of the blocks of `incoming`. */
  readonly ids: ReadonlyMap<BlockId, BlockId>;
}

/**
 * `base`: the copy as it last came, mapped and tidied as `incoming` is. `only`: the division whose copy the file is; null: the whole.
 * What one side changed is taken, what both changed stays the desk's and is told with the author's.
 */
export function mergeCopy(book: Book, base: Book, incoming: Book, only: StreamId | null = null): MergedCopy {
  return new CopyMerge(book, base, incoming, only).run();
}

class CopyMerge {
  private nextId: number;
  private readonly notes: Map<StreamId, Note>;
  private readonly baseNotes = new Map<StreamId, Note>();
  private readonly ids = new Map<BlockId, BlockId>();
  private readonly told = {
    kept: 0,
    author: [] as CopyChange[],
    desk: [] as CopyChange[],
    both: [] as CopyConflict[],
    moved: [] as CopyChange[],
    gone: [] as CopyChange[],
    lost: [] as string[],
  };

  constructor(
    private readonly book: Book,
    private readonly base: Book,
    private readonly incoming: Book,
    private readonly only: StreamId | null,
  ) {
    this.nextId = Math.max(book.nextId, base.nextId);
    this.notes = new Map(Object.entries(book.notes));
  }

  private readonly takeId = (letter: string) => `${letter}${this.nextId++}`;

  run(): MergedCopy {
    const { book, incoming, only } = this;
    const isReplaced = ({ id, role }: Book['divisions'][number]) =>
      only === null ? !isMadeDivision({ role }) : id === only;
    const desk = book.divisions.filter(isReplaced);
    const fresh = incoming.divisions.filter((division) => !isMadeDivision(division));
    const baseParts = this.baseOf(desk.flatMap(({ blocks }) => blocks));
    const author = fresh.flatMap(({ blocks }) => blocks);
    const merged = this.mergeBlocks(
      baseParts.blocks,
      desk.flatMap(({ blocks }) => blocks),
      author,
      only ?? '',
    );
    const starts = new Map(
      fresh.flatMap((division) => {
        const [first] = division.blocks;
        const id = first && this.ids.get(first.id);
        return id === undefined ? [] : [[id, division] as const];
      }),
    );
    const placed =
      only === null
        ? inDivisions(desk, fresh, merged.blocks, starts, this.takeId, merged.moved)
        : [{ ...desk[0], blocks: merged.blocks }];
    const divisions = inOrder(book.divisions, placed, isReplaced);
    const pieces = only === null ? incoming.source.firstPages : book.source.firstPages;
    const firstPages = pieces?.map((piece) => ({ ...piece, ids: piece.ids.map((id) => this.ids.get(id) ?? id) }));
    const whole: Book = {
      ...book,
      nextId: this.nextId,
      notes: this.notesOf(divisions),
      divisions,
      source: { ...book.source, ...(firstPages === undefined ? {} : { firstPages }) },
    };
    const all = [...eachStream(whole)].flatMap(({ blocks }) => blocks);
    const bookAfter = applyEdits(whole, newStyleEdits(whole, incoming.spec.styles, all));
    const own = {
      ...{ fresh, blocks: merged.authorBlocks, notes: this.baseNotes },
      ...{ replaced: baseParts.divisions, known: baseParts.blocks, isWhole: only === null },
    };
    return {
      book: bookAfter,
      report: { ways: 'three', ...this.told },
      base: { ...newBase(this.base, own, this.takeId), nextId: this.nextId },
      ids: this.ids,
    };
  }

  /** Blocks of the base that the copy stands for: all, or those of the divisions from which the one division came. */
  private baseOf(desk: readonly Block[]): {
    readonly blocks: readonly Block[];
    readonly divisions: ReadonlySet<StreamId>;
  } {
    const { base, book, only } = this;
    if (only === null)
      return {
        blocks: base.divisions.flatMap(({ blocks }) => blocks),
        divisions: new Set(base.divisions.map(({ id }) => id)),
      };
    const own = new Set(desk.map(({ id }) => id));
    const others = new Set(
      book.divisions.filter(({ id }) => id !== only).flatMap(({ blocks }) => blocks.map(({ id }) => id)),
    );
    const from = base.divisions.filter(({ blocks }) => blocks.some(({ id }) => own.has(id)));
    return {
      blocks: from.flatMap(({ blocks }) => blocks.filter(({ id }) => !others.has(id))),
      divisions: new Set(from.map(({ id }) => id)),
    };
  }

  /** Blocks of one stream, three ways. */
  private mergeBlocks(base: readonly Block[], desk: readonly Block[], author: readonly Block[], stream: StreamId) {
    const { toBase, moved } = pairWithBase(base, author);
    const baseToDesk = this.deskOf(base, desk);
    const chain = new BlockChain(desk);
    const deskOnly = this.deskOnly(desk, baseToDesk);
    const authorBlocks: Block[] = [];
    const met = new Uint8Array(base.length);
    const movedIds = new Set<BlockId>();
    let last: BlockId = '';
    author.forEach((block, j) => {
      const i = toBase[j];
      const known = i < 0 ? undefined : baseToDesk.get(i);
      if (i >= 0) met[i] = 1;
      const made = i < 0 ? this.added(block, deskOnly) : this.metBase(base[i], block);
      authorBlocks.push(made.author);
      const id = known?.id ?? made.author.id;
      this.ids.set(block.id, id);
      if (i < 0) {
        if (!chain.has(id)) {
          chain.put(made.author, last);
          if (!isEmptyParagraph(made.author)) this.told.author.push(this.changeOf(made.author));
        }
      } else if (known === undefined) {
        if (!sameWordsIn(made.author, base[i])) this.deskGone(base[i], made.author, last, stream);
        return;
      } else {
        this.mergeKnown(base[i], known, made.author, chain, stream);
        if (moved.has(j) && this.move(chain, id, last)) movedIds.add(id);
      }
      if (chain.has(id)) last = id;
    });
    base.forEach((block, i) => {
      const known = baseToDesk.get(i);
      if (met[i] === 0 && known !== undefined) this.authorGone(block, known, chain, stream);
    });
    for (const block of desk)
      if (chain.has(block.id) && deskOnly.all.has(block.id)) this.told.desk.push(this.changeOf(block));
    this.tellDeskMoves(desk, baseToDesk, chain);
    const blocks = chain.list();
    return { blocks, authorBlocks, moved: movedIds };
  }

  /** What the desk moved stays where it was put, and is told once. */
  private tellDeskMoves(desk: readonly Block[], pairs: ReadonlyMap<number, Block>, chain: BlockChain): void {
    const told = new Set(this.told.desk.map(({ block }) => block));
    for (const block of movedAtDesk(desk, pairs))
      if (chain.has(block.id) && !told.has(block.id) && !isEmptyParagraph(block))
        this.told.desk.push(this.changeOf(block));
  }

  /** The desk's blocks of the base: by their ids, else, where a job made new ones on both sides, by words that stand once. */
  private deskOf(base: readonly Block[], desk: readonly Block[]): Map<number, Block> {
    const byId = new Map(desk.map((block) => [block.id, block]));
    const found = new Map<number, Block>();
    base.forEach((block, i) => {
      const own = byId.get(block.id);
      if (own !== undefined) found.set(i, own);
    });
    const taken = new Set([...found.values()].map(({ id }) => id));
    const free = uniqueWords(desk, (k) => !taken.has(desk[k].id));
    for (const [words, i] of uniqueWords(base, (k) => !found.has(k))) {
      const at = free.get(words);
      if (i >= 0 && at !== undefined && at >= 0) found.set(i, desk[at]);
    }
    return found;
  }

  private deskOnly(desk: readonly Block[], pairs: ReadonlyMap<number, Block>) {
    const known = new Set([...pairs.values()].map(({ id }) => id));
    const all = new Set(desk.filter((block) => !known.has(block.id) && !isEmptyParagraph(block)).map(({ id }) => id));
    const byWords = uniqueWords(desk, (k) => all.has(desk[k].id));
    return { all, byWords, desk };
  }

  /** A block that the base has not; one that the desk put in with the same words is that one. */
  private added(
    block: Block,
    { byWords, desk }: { byWords: ReadonlyMap<string, number>; desk: readonly Block[] },
  ): { author: Block } {
    const made = renumbered([block], recordsOf(this.incoming), this.takeId);
    const words = [...uniqueWords([block], () => true).keys()][0];
    const at = words === undefined ? undefined : byWords.get(words);
    if (at !== undefined && at >= 0) return { author: { ...made.blocks[0], id: desk[at].id } };
    for (const note of made.notes) this.keepNote(note);
    return { author: made.blocks[0] };
  }

  private keepNote(note: Note): void {
    this.notes.set(note.id, note);
    this.baseNotes.set(note.id, note);
  }

  /** The author's version of a block of the base, under its id, its notes under theirs. */
  private metBase(base: Block, block: Block): { author: Block } {
    if (base.kind === 'table' || block.kind === 'table') {
      if (sameTable(base, block)) {
        for (const id of notesIn(base)) this.keepBaseNote(id);
        return { author: base };
      }
      const made = renumbered([block], recordsOf(this.incoming), this.takeId);
      for (const note of made.notes) this.keepNote(note);
      return { author: withLooksOf({ ...made.blocks[0], id: base.id }, base) };
    }
    const pairs = pairNotes(base, block, this.base.notes, this.incoming.notes, this.takeId);
    for (const { id, from } of pairs.met) this.mergeNote(id, this.incoming.notes[from]);
    for (const { id, from } of pairs.added) {
      const [own] = renumbered(
        [{ ...block, objects: [{ at: 0, kind: 'note', note: from }], text: '\uFFFC', spans: [] }],
        recordsOf(this.incoming),
        this.takeId,
      ).notes;
      if (own !== undefined) this.keepNote({ ...own, id });
    }
    return { author: { ...withNotes(block, pairs.names), id: base.id } };
  }

  private keepBaseNote(id: StreamId): void {
    const note = this.base.notes[id];
    if (note !== undefined) this.baseNotes.set(id, note);
  }

  /** The words of a note, three ways. */
  private mergeNote(id: StreamId, author: Note): void {
    const [base, desk] = [this.base.notes[id], this.book.notes[id]];
    const own = this.mergeBlocks(base?.blocks ?? [], desk?.blocks ?? base?.blocks ?? [], author.blocks, id);
    this.baseNotes.set(id, { ...author, id, blocks: own.authorBlocks });
    if (desk !== undefined)
      this.notes.set(id, sameList(own.blocks, desk.blocks) ? desk : { ...desk, blocks: own.blocks });
    else this.notes.set(id, { ...author, id, blocks: own.blocks });
  }

  private mergeKnown(base: Block, desk: Block, author: Block, chain: BlockChain, stream: StreamId): void {
    const isAuthors = !sameWordsIn(author, base) || styleOf(author) !== styleOf(base);
    const isDesks = !sameWordsIn(desk, base) || styleOf(desk) !== styleOf(base);
    if (!isAuthors) {
      if (isDesks) this.told.desk.push(this.changeOf(desk));
      else this.told.kept += 1;
      return;
    }
    if (base.kind === 'table' || desk.kind === 'table' || author.kind === 'table') {
      const theirs = withLooksOf({ ...author, id: desk.id }, desk);
      if (!sameTable(base, desk))
        return this.conflict({
          ...this.changeOf(desk),
          parts: [],
          desk,
          author: theirs,
          together: desk,
          after: '',
          stream,
        });
      chain.set(theirs);
      this.told.author.push(this.changeOf(theirs));
      return;
    }
    const merged = mergeParagraph(base, desk, author);
    const { together } = merged;
    const isSame = JSON.stringify(together) === JSON.stringify(desk);
    if (!isSame) chain.set(together);
    if (merged.isOfBoth) {
      const { words: parts, desk: ours, author: theirs } = merged;
      return this.conflict({
        ...this.changeOf(together),
        parts,
        desk: ours,
        author: theirs,
        together,
        after: '',
        stream,
      });
    }
    if (!isSame) this.told.author.push(this.changeOf(together));
    else if (isDesks) this.told.desk.push(this.changeOf(together));
    else this.told.kept += 1;
  }

  /** The author took it out: so it goes, unless the desk had changed its words. */
  private authorGone(base: Block, desk: Block, chain: BlockChain, stream: StreamId): void {
    if (!chain.has(desk.id)) return;
    if (sameWordsIn(withoutDeskMarks(desk), withoutDeskMarks(base))) {
      chain.remove(desk.id);
      if (isEmptyParagraph(desk)) return;
      this.told.gone.push(this.changeOf(desk, ''));
      append(this.told.lost, lostTouches(desk));
      return;
    }
    const parts: MergedWords[] = [{ kind: 'both', text: wordsIn(desk), before: wordsIn(base), author: '' }];
    this.conflict({
      ...this.changeOf(desk),
      parts,
      desk,
      author: null,
      together: desk,
      after: chain.beforeOf(desk.id),
      stream,
    });
  }

  /** The desk took it out, and the author changed it: it stays out, and is told. */
  private deskGone(base: Block, author: Block, after: BlockId, stream: StreamId): void {
    const parts: MergedWords[] = [{ kind: 'both', text: '', before: wordsIn(base), author: wordsIn(author) }];
    this.conflict({ ...this.changeOf(author, ''), parts, desk: null, author, together: null, after, stream });
  }

  private conflict(conflict: Omit<CopyConflict, 'notes'>): void {
    const notes =
      conflict.author === null
        ? []
        : notesIn(conflict.author).flatMap((id) => this.notes.get(id) ?? this.baseNotes.get(id) ?? []);
    this.told.both.push({ ...conflict, notes: notes.map(({ id, kind, blocks }) => ({ id, kind, blocks })) });
  }

  /** Whether it had to be moved. */
  private move(chain: BlockChain, id: BlockId, after: BlockId): boolean {
    const block = chain.get(id);
    if (block === undefined || id === after || chain.beforeOf(id) === after) return false;
    chain.remove(id);
    chain.put(block, after);
    this.told.moved.push(this.changeOf(block));
    return true;
  }

  private changeOf(block: Block, id: BlockId = block.id): CopyChange {
    return { block: id, words: sampleOf(block) };
  }

  /** Notes that the copy refers to, those that no paragraph of the base or the file had, and those of divisions left alone. */
  private notesOf(divisions: Book['divisions']): Record<StreamId, Note> {
    const used = new Set(divisions.flatMap(({ blocks }) => blocks.flatMap(notesIn)));
    const before = new Set(this.book.divisions.flatMap(({ blocks }) => blocks.flatMap(notesIn)));
    const kept = [...this.notes].filter(
      ([id]) => used.has(id) || (!before.has(id) && this.book.notes[id] !== undefined),
    );
    return Object.fromEntries(kept);
  }
}
