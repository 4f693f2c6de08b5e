// Numbers the notes from their references, each kind by itself, and finds the order in which they are read.
import { flatBook } from '../copy/figures/flatBook';
import { append } from '../base/append';
import { inNumerals } from './numerals';
import { settledKind } from './settledKind';
import type { Book, Division } from '../model/copy/book';
import { NOTE_SYMBOLS, noteKind, type NoteKind } from '../model/spec/notes';
import type { NotePlaces } from '../model/composed/referenceTable';
import { notesIn } from '../model/copy/holders';
import type { Block, StreamId } from '../model/copy/streams';

export interface NumberedNotes {
  /** What stands in the text for each note, without the signs around it; empty for keyed ones. A note without a reference has none. */
  readonly labels: ReadonlyMap<StreamId, string>;
  /** Notes in the order of their references, by division; a note's own references follow it. */
  readonly byDivision: ReadonlyMap<StreamId, readonly StreamId[]>;
}

type Counted = Pick<Book, 'divisions' | 'notes' | 'figures' | 'spec'>;

/**
 * The numbers of all notes. `places`: pages of their references, for kinds that begin again on each page; while a page is
 * not known, it counts as that of the note before in the same division. Without `places` there are no pages, and what goes by
 * the book has figures.
 */
export function numberNotes(of: Counted, places?: NotePlaces): NumberedNotes {
  const book = flatBook(of);
  const labels = new Map<StreamId, string>();
  const byDivision = new Map<StreamId, StreamId[]>();
  const counters = new Map<NoteKind, { count: number; division: StreamId; part: number; page: number }>();
  let part = 0;
  const take = (id: StreamId, division: Division): void => {
    const { mark } = book.notes[id] ?? {};
    if (mark !== undefined) return void labels.set(id, mark);
    const own = noteKind(book.spec.notes, book.notes[id]?.kind ?? '');
    const kind = places === undefined ? own : settledKind(own, book);
    let counter = counters.get(kind);
    const page = places?.[id]?.page ?? -1;
    if (counter === undefined) {
      counter = { count: 0, division: division.id, part, page };
      counters.set(kind, counter);
    }
    const isOther =
      (kind.restart === 'division' && counter.division !== division.id) ||
      (kind.restart === 'part' && counter.part !== part) ||
      (kind.restart === 'page' && (counter.division !== division.id || (page >= 0 && page !== counter.page)));
    if (isOther) counter.count = 0;
    counter.count += 1;
    counter.division = division.id;
    counter.part = part;
    if (page >= 0) counter.page = page;
    labels.set(id, kind.keyed ? '' : noteLabel(kind, kind.first - 1 + counter.count));
  };
  for (const division of book.divisions) {
    if (division.role === 'part') part += 1;
    const own: StreamId[] = [];
    // A note's own references follow it; without recursion, however many notes refer on.
    const open = [referredIn(division.blocks).values()];
    while (open.length > 0) {
      const { value: id, done } = open[open.length - 1].next();
      if (done) open.pop();
      else if (!labels.has(id)) {
        take(id, division);
        own.push(id);
        open.push(referredIn(book.notes[id]?.blocks ?? NONE).values());
      }
    }
    if (own.length > 0) byDivision.set(division.id, own);
  }
  return { labels, byDivision };
}

const NONE: readonly Block[] = [];
const referred = new WeakMap<readonly Block[], readonly StreamId[]>();

/** The notes that blocks refer to, in order. Remembered: an edit leaves most divisions as they are. */
function referredIn(blocks: readonly Block[]): readonly StreamId[] {
  let known = referred.get(blocks);
  if (known === undefined) {
    const found: StreamId[] = [];
    for (const block of blocks) if (block.kind === 'table' || block.objects.length > 0) append(found, notesIn(block));
    referred.set(blocks, (known = found));
  }
  return known;
}

/** A number, from 1, in the signs of a kind. */
export function noteLabel({ numerals, signs }: Pick<NoteKind, 'numerals' | 'signs'>, value: number): string {
  switch (numerals) {
    case 'symbols':
      return repeated(NOTE_SYMBOLS, value);
    case 'list':
      return signs.length === 0 ? String(value) : repeated(signs, value);
    case 'auto':
      return inNumerals(value, 'arabic');
    default:
      return inNumerals(value, numerals);
  }
}

/** The signs in turn, doubled after the last, and so on. */
function repeated(signs: readonly string[], value: number): string {
  return signs[(value - 1) % signs.length].repeat(Math.ceil(value / signs.length));
}
