// A newer version of the manuscript takes the place of the copy: paragraphs that are the same ones keep their ids, and so
// their styles, touches and whatever else is anchored in them.
import { withLooksOf } from './tableLooks';
import { append } from '../../base/append';
import { eachStream, isMadeDivision, type Book, type Division, type Note } from '../../model/copy/book';
import type { CopyChange, ReplaceReport } from '../../model/copy/manuscript';
import { notesIn, picturesIn } from '../../model/copy/holders';
import {
  normaliseSpans,
  type Block,
  type Paragraph,
  type BlockId,
  type Span,
  type StreamId,
} from '../../model/copy/streams';
import { alignBlocks } from './align';
import { applyEdits } from '../applyEdit';
import { newStyleEdits } from '../styles/styleEdits';
import { inDivisions, inOrder, lostTouches, sampleOf } from './placeBlocks';
import { offsetInNewer, withMarksIn, withoutMarks } from './keptMarks';
import { recordsOf, renumbered } from './renumber';

export interface ReplacedCopy {
  readonly book: Book;
  readonly report: ReplaceReport;
  /** Ids in the book of the blocks of `incoming`. */
  readonly ids: ReadonlyMap<BlockId, BlockId>;
}

/**
 * The book with its copy, or that of one division, as `incoming` has it: a book made of the newer manuscript alone, its
 * mapping and recipe run. Spec and particulars stay.
 */
export function replaceCopy(book: Book, incoming: Book, only: StreamId | null = null): ReplacedCopy {
  const work = new Replacing(book, incoming);
  const isReplaced = (division: Division) => (only === null ? !isMadeDivision(division) : division.id === only);
  const old = book.divisions.filter(isReplaced);
  const fresh = incoming.divisions.filter((division) => !isMadeDivision(division));
  const blocks = work.aligned(
    old.flatMap((division) => division.blocks),
    fresh.flatMap((division) => division.blocks),
  );
  const starts = new Map(
    fresh.flatMap((division) => {
      const [first] = division.blocks;
      return first === undefined ? [] : [[work.ids.get(first.id)!, division] as const];
    }),
  );
  const placed = only === null ? inDivisions(old, fresh, blocks, starts, work.takeId) : [{ ...old[0], blocks }];
  const divisions = inOrder(book.divisions, placed, isReplaced);
  const replaced = { ...book, nextId: work.nextId, notes: work.notes(), divisions };
  const all = [...eachStream(replaced)].flatMap((place) => place.blocks);
  return {
    book: applyEdits(replaced, newStyleEdits(replaced, incoming.spec.styles, all)),
    report: work.report,
    ids: work.ids,
  };
}

class Replacing {
  nextId: number;
  readonly ids = new Map<BlockId, BlockId>();
  private readonly kept = new Map<StreamId, Note>();
  private counts = {
    kept: 0,
    author: [] as CopyChange[],
    gone: [] as CopyChange[],
    lost: [] as string[],
  };

  constructor(
    private readonly book: Book,
    private readonly incoming: Book,
  ) {
    this.nextId = book.nextId;
  }

  readonly takeId = (letter: string) => `${letter}${this.nextId++}`;

  get report(): ReplaceReport {
    return { ways: 'two', ...this.counts, desk: [], both: [], moved: [] };
  }

  /** Notes that a reference stands for: of the divisions that were replaced, and of all others. */
  notes(): Record<StreamId, Note> {
    const own = new Set(this.goneNotes);
    const others = Object.values(this.book.notes).filter(({ id }) => !own.has(id));
    return Object.fromEntries([...others, ...this.kept.values()].map((note) => [note.id, note]));
  }

  private readonly goneNotes: StreamId[] = [];

  /** The new blocks, those that are known under their ids. */
  aligned(old: readonly Block[], fresh: readonly Block[]): Block[] {
    const pairs = new Map(alignBlocks(old, fresh).map(([i, j]) => [j, i]));
    const used = new Set(pairs.values());
    old.forEach((block, i) => {
      append(this.goneNotes, notesIn(block));
      if (used.has(i) || (block.kind === 'paragraph' && block.text.trim() === '')) return;
      this.counts.gone.push({ block: '', words: sampleOf(block) });
      append(this.counts.lost, lostTouches(block));
    });
    return fresh.map((block, j) => {
      const i = pairs.get(j);
      const made = i === undefined ? this.added(block) : this.met(old[i], block);
      this.ids.set(block.id, made.id);
      return made;
    });
  }

  private told(block: Block): void {
    this.counts.author.push({ block: block.id, words: sampleOf(block) });
  }

  private added(block: Block): Block {
    const made = renumbered([block], recordsOf(this.incoming), this.takeId);
    for (const note of made.notes) this.kept.set(note.id, note);
    if (block.kind === 'table' || block.text.trim() !== '') this.told(made.blocks[0]);
    return made.blocks[0];
  }

  /** A block that is known: its id, style and touches stay, its words are the newer ones. */
  private met(old: Block, fresh: Block): Block {
    if (old.kind === 'table' || fresh.kind === 'table') return this.metTable(old, fresh);
    // Marks of the typesetter's stay; those that the newer file brings itself take their place.
    const taken = withoutMarks(old);
    const { plain, marks } = withoutMarks(fresh).marks.length === 0 ? taken : { plain: old, marks: [] };
    const objects = this.metObjects(plain, fresh);
    const spans = plain.text === fresh.text ? unitedSpans(plain, fresh) : fresh.spans;
    const { list: _, ...rest } = old;
    const newer: Paragraph = { ...rest, ...(fresh.list ? { list: fresh.list } : {}), text: fresh.text, spans, objects };
    const made = withMarksIn(
      newer,
      marks.map((mark) => ({ ...mark, at: offsetInNewer(plain.text, fresh.text, mark.at) })),
    );
    const isKept = JSON.stringify(made) === JSON.stringify(old) && !this.hasNewNotes(old);
    if (isKept) this.counts.kept += 1;
    else this.told(made);
    return isKept ? old : made;
  }

  private metTable(old: Block, fresh: Block): Block {
    const made = this.added(fresh);
    this.counts.author.pop();
    if (JSON.stringify(withoutIds(made)) === JSON.stringify(withoutIds(old))) {
      for (const id of notesIn(made)) this.kept.delete(id);
      for (const id of notesIn(old)) if (this.book.notes[id] !== undefined) this.kept.set(id, this.book.notes[id]);
      this.counts.kept += 1;
      return old;
    }
    const kept = withLooksOf({ ...made, id: old.id }, old);
    this.told(kept);
    return kept;
  }

  /** Objects as the newer paragraph has them; its notes are those of the older one, reference by reference. */
  private metObjects(old: Paragraph, fresh: Paragraph): Paragraph['objects'] {
    const known = old.objects.flatMap((object) => (object.kind === 'note' ? [object.note] : []));
    const pictures = picturesIn(old);
    return fresh.objects.map((object) => {
      // Words for a picture are often the typesetter's: a file without any does not take them away.
      if (object.kind === 'picture')
        return object.alt === ''
          ? { ...object, alt: pictures.find(({ asset }) => asset === object.asset)?.alt ?? '' }
          : object;
      if (object.kind !== 'note') return object;
      const note = this.incoming.notes[object.note];
      const id = known.shift() ?? this.takeId('n');
      const before = this.book.notes[id];
      if (note !== undefined)
        this.kept.set(id, { id, kind: note.kind, blocks: this.metNote(before?.blocks ?? [], note.blocks) });
      return { ...object, note: id };
    });
  }

  private metNote(old: readonly Block[], fresh: readonly Block[]): readonly Block[] {
    const pairs = new Map(alignBlocks(old, fresh).map(([i, j]) => [j, i]));
    const blocks = fresh.map((block, j) => {
      const known = old[pairs.get(j) ?? -1];
      if (known?.kind === 'paragraph' && block.kind === 'paragraph') {
        const made = { ...known, text: block.text, spans: block.spans, objects: this.metObjects(known, block) };
        return JSON.stringify(made) === JSON.stringify(known) ? known : made;
      }
      const made = renumbered([block], recordsOf(this.incoming), this.takeId);
      for (const note of made.notes) this.kept.set(note.id, note);
      return made.blocks[0];
    });
    const isSame = blocks.length === old.length && blocks.every((block, k) => block === old[k]);
    return isSame ? old : blocks;
  }

  private hasNewNotes(block: Block): boolean {
    return notesIn(block).some((id) => this.kept.get(id)?.blocks !== this.book.notes[id]?.blocks);
  }
}

/** Looks of the older paragraph, which may be the typesetter's, and those of the newer where the older had none. */
function unitedSpans(old: Paragraph, fresh: Paragraph): Span[] {
  const free = fresh.spans.filter((span) => old.spans.every((own) => own.to <= span.from || own.from >= span.to));
  return normaliseSpans([...old.spans, ...free]);
}

/** A block with its ids left out, for comparing. */
function withoutIds(block: Block): unknown {
  if (block.kind === 'table')
    return block.rows.map((row) => row.map(({ blocks, across, down }) => [blocks.map(withoutIds), across, down]));
  const { id: _, objects, ...rest } = block;
  return { ...rest, objects: objects.map((one) => (one.kind === 'picture' ? one : { at: one.at, kind: one.kind })) };
}
