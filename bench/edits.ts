// The time from an edit to the composed book, for edits spread over the book.
import { applyEdits, setSpecEdit, typesetBook, type TypesetContext } from '../src/core/index';
import { drain } from '../cli/compose';
import type { Book } from '../src/core/model/copy/book';
import type { BookEdit } from '../src/core/model/copy/bookEdit';
import type { Paragraph } from '../src/core/model/copy/streams';

export type EditKind = 'a letter typed' | 'a paragraph split' | 'a style’s size changed';

export interface EditTimes {
  readonly kind: EditKind;
  readonly p50: number;
  readonly p95: number;
  /** Medians over the edits. */
  readonly shaped: number;
  readonly broken: number;
  readonly visited: number;
}

const sorted = (values: readonly number[]) => [...values].sort((a, b) => a - b);

export function measureEdits(start: Book, context: TypesetContext, kind: EditKind, count: number): EditTimes {
  let book = start;
  drain(typesetBook(book, context));
  const times: number[] = [];
  const counts: [number, number, number][] = [];
  for (let k = 0; k < count; k += 1) {
    const edit = editAt(book, kind, k, count);
    if (edit === null) continue;
    const { cache } = context;
    const before = [cache.shapedCount, cache.brokenCount, cache.visitedCount];
    const from = performance.now();
    book = applyEdits(book, [edit]);
    drain(typesetBook(book, context));
    times.push(performance.now() - from);
    counts.push([cache.shapedCount - before[0], cache.brokenCount - before[1], cache.visitedCount - before[2]]);
  }
  const at = (share: number) => sorted(times)[Math.floor(times.length * share)];
  const middle = (column: 0 | 1 | 2) => sorted(counts.map((row) => row[column]))[Math.floor(counts.length / 2)];
  return { kind, p50: at(0.5), p95: at(0.95), shaped: middle(0), broken: middle(1), visited: middle(2) };
}

/** The k-th of `count` edits; null where the place does not suit. */
function editAt(book: Book, kind: EditKind, k: number, count: number): BookEdit | null {
  if (kind === 'a style’s size changed')
    return setSpecEdit(book, ['text', 'size'], { pt: k % 2 === 0 ? 11 : 11.5, unit: 'pt' });
  const chapters = book.divisions.filter((division) => division.role === 'chapter');
  const place = (k / count) * chapters.length;
  const division = chapters[Math.floor(place)];
  const at = 2 + Math.floor((place - Math.floor(place)) * (division.blocks.length - 3));
  const block = division.blocks[at] as Paragraph | undefined;
  if (block === undefined || block.text.length < 30 || block.objects.length > 0 || block.spans.length > 0) return null;
  const middle = Math.floor(block.text.length / 2);
  const inserted =
    kind === 'a letter typed'
      ? [{ ...block, text: `${block.text.slice(0, middle)}e${block.text.slice(middle)}` }]
      : [
          { ...block, text: block.text.slice(0, middle).trim() },
          { ...block, id: `x${k}`, text: block.text.slice(middle).trim() },
        ];
  return { kind: 'replaceBlocks', stream: division.id, at, removed: [block], inserted };
}
