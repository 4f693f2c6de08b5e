// A newer version of the manuscript takes the place of the copy: paragraphs that are the same ones keep their ids, and so
// their styles, touches and whatever else is anchored in them.
import { append } from '../../base/append';
import { table } from '../../base/table';
import { eachStream, isMadeDivision, type Book, type Division, type Note } from '../../model/copy/book';
import type { ReplaceReport } from '../../model/copy/manuscript';
import {
  normaliseSpans,
  notesIn,
  picturesIn,
  type Block,
  type Paragraph,
  type BlockId,
  type Span,
  type StreamId,
} from '../../model/copy/streams';
import { alignBlocks } from './align';
import { applyEdits } from '../applyEdit';
import { newStyleEdits } from '../styles/styleEdits';
import { offsetInNewer, withMarksIn, withoutMarks } from './keptMarks';
import { renumbered } from './renumber';

/** Characters of a paragraph that the report shows. */
const SAMPLE = 80;

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
  const placed = only === null ? inDivisions(old, fresh, blocks, work.takeId) : [{ ...old[0], blocks }];
  const divisions: Division[] = [];
  let isPut = false;
  for (const division of book.divisions) {
    if (!isReplaced(division)) divisions.push(division);
    else if (only !== null) append(divisions, placed);
    else if (!isPut) {
      append(divisions, placed);
      isPut = true;
    }
  }
  if (only === null && !isPut) append(divisions, placed);
  const replaced = { ...book, nextId: work.nextId, notes: work.notes(), divisions: inMatter(divisions) };
  const all = [...eachStream(replaced)].flatMap((place) => place.blocks);
  return {
    book: applyEdits(replaced, newStyleEdits(replaced, incoming.spec.styles, all)),
    report: work.report,
    ids: work.ids,
  };
}

/** Front matter before the body, the body before back matter, each in the order that it has. */
function inMatter(divisions: readonly Division[]): Division[] {
  return (['front', 'body', 'back'] as const).flatMap((matter) =>
    divisions.filter((division) => division.matter === matter),
  );
}

/**
 * Blocks go into the division of the last one before them that the book had; a heading that is new begins a division of
 * its own, as the manuscript has it.
 */
function inDivisions(
  old: readonly Division[],
  fresh: readonly Division[],
  blocks: readonly Block[],
  takeId: (letter: string) => string,
): Division[] {
  const home = new Map(old.flatMap((division) => division.blocks.map((block) => [block.id, division] as const)));
  const starts = new Map<number, Division>();
  let at = 0;
  for (const division of fresh) {
    starts.set(at, division);
    at += division.blocks.length;
  }
  const made: { division: Division; blocks: Block[] }[] = [];
  const used = new Set<StreamId>();
  blocks.forEach((block, k) => {
    const own = home.get(block.id);
    const begun = starts.get(k);
    const last = made[made.length - 1];
    if (own !== undefined && own.id !== last?.division.id && !used.has(own.id)) {
      used.add(own.id);
      // What stands before it in the manuscript's division, such as a new number above a known title, goes with it.
      const since = last === undefined ? 0 : newSinceStart(starts, blocks, home, k);
      const moved = since > 0 ? last.blocks.splice(-since) : [];
      if (last !== undefined && last.blocks.length === 0) made.pop();
      made.push({ division: own, blocks: [...moved, block] });
    } else if (last === undefined || (begun !== undefined && own === undefined))
      made.push({ division: { ...(begun ?? fresh[0]), id: takeId('d') }, blocks: [block] });
    else last.blocks.push(block);
  });
  return made.map((one) => ({ ...one.division, blocks: one.blocks }));
}

/** New blocks right before a place, back to where the manuscript begins a division; 0 when known ones stand between. */
function newSinceStart(
  starts: ReadonlyMap<number, Division>,
  blocks: readonly Block[],
  home: ReadonlyMap<string, Division>,
  place: number,
): number {
  for (let k = place; k >= 0; k -= 1) {
    if (k < place && home.has(blocks[k].id)) return 0;
    if (starts.has(k)) return place - k;
  }
  return 0;
}

class Replacing {
  nextId: number;
  readonly ids = new Map<BlockId, BlockId>();
  private readonly kept = new Map<StreamId, Note>();
  private counts = {
    kept: 0,
    changed: [] as string[],
    added: [] as string[],
    gone: [] as string[],
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
    return this.counts;
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
      this.counts.gone.push(sampleOf(block));
      if (block.kind === 'paragraph' && block.touches !== undefined)
        this.counts.lost.push(`${Object.keys(block.touches).map(touchName).join(', ')}: ${sampleOf(block)}`);
    });
    return fresh.map((block, j) => {
      const i = pairs.get(j);
      const made = i === undefined ? this.added(block) : this.met(old[i], block);
      this.ids.set(block.id, made.id);
      return made;
    });
  }

  private added(block: Block): Block {
    const made = renumbered([block], (id) => this.incoming.notes[id], this.takeId);
    for (const note of made.notes) this.kept.set(note.id, note);
    if (block.kind === 'table' || block.text.trim() !== '') this.counts.added.push(sampleOf(block));
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
    else this.counts.changed.push(sampleOf(fresh));
    return isKept ? old : made;
  }

  private metTable(old: Block, fresh: Block): Block {
    const made = this.added(fresh);
    this.counts.added.pop();
    if (JSON.stringify(withoutIds(made)) === JSON.stringify(withoutIds(old))) {
      for (const id of notesIn(made)) this.kept.delete(id);
      for (const id of notesIn(old)) if (this.book.notes[id] !== undefined) this.kept.set(id, this.book.notes[id]);
      this.counts.kept += 1;
      return old;
    }
    this.counts.changed.push(sampleOf(fresh));
    return { ...made, id: old.id };
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
      const made = renumbered([block], (id) => this.incoming.notes[id], this.takeId);
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
  if (block.kind === 'table') return block.rows.map((row) => row.map((cell) => cell.blocks.map(withoutIds)));
  const { id: _, objects, ...rest } = block;
  return { ...rest, objects: objects.map((one) => (one.kind === 'picture' ? one : { at: one.at, kind: one.kind })) };
}

function sampleOf(block: Block): string {
  if (block.kind === 'table') return 'A table';
  const words = block.text.replace(/\uFFFC/g, ' ').trim();
  return words === '' && picturesIn(block).length > 0 ? 'A picture' : words.slice(0, SAMPLE);
}

const TOUCH_NAMES: Readonly<Record<string, string>> = table({
  align: 'alignment',
  breakBefore: 'page begun here',
  together: 'kept together',
  lines: 'lines wished',
  spread: 'depth of the spread',
  liftedTies: 'ties lifted',
});
const touchName = (key: string) => TOUCH_NAMES[key] ?? key;
