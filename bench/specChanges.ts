// The time from a change of the spec to the composed reach in view: the chapter that is looked at, its pages provisional.
import { applyEdits, setSpecEdit, typesetBook, typesetReach, type TypesetContext } from '../src/core/index';
import { drain } from '../cli/compose';
import type { Book } from '../src/core/model/copy/book';
import type { Plain } from '../src/core/model/copy/bookEdit';

export interface ReachTimes {
  readonly p50: number;
  readonly p95: number;
  /** The slowest change, by the path of what was changed. */
  readonly slowest: string;
}

const pt = (value: number): Plain => ({ pt: value, unit: 'pt' });

/** Changes as a person makes them on the page and its type, none twice in a row. */
const CHANGES: readonly (readonly [string, readonly Plain[]])[] = [
  ['text.size', [pt(11), pt(11.5), pt(12)]],
  ['text.leading', [pt(14), pt(14.5), pt(15)]],
  ['page.margins.back', [pt(58), pt(62), pt(60)]],
  ['page.margins.head', [pt(64), pt(60)]],
  ['text.face', ['source-serif-4', 'eb-garamond']],
  ['text.wordSpace', [{ least: 0.16, wished: 0.21, most: 0.31 }, null]],
  ['openers.textStart', [13, 12]],
  ['pages.linesAtHead', [3, 2]],
];

export function measureReach(start: Book, context: TypesetContext, rounds: number): ReachTimes {
  let book = start;
  let earlier = drain(typesetBook(book, context));
  const chapters = book.divisions.filter((division) => division.role === 'chapter');
  const times: { readonly path: string; readonly time: number }[] = [];
  for (let round = 0; round < rounds; round += 1)
    for (const [index, [path, values]] of CHANGES.entries()) {
      const edit = setSpecEdit(book, path.split('.'), values[round % values.length]);
      const at = chapters[(round * CHANGES.length + index * 5) % chapters.length];
      const from = performance.now();
      book = applyEdits(book, [edit]);
      drain(typesetReach(book, context, at.id, earlier));
      times.push({ path, time: performance.now() - from });
      earlier = drain(typesetBook(book, context));
    }
  const sorted = [...times].sort((a, b) => a.time - b.time);
  const of = (share: number) => sorted[Math.floor(sorted.length * share)].time;
  return { p50: of(0.5), p95: of(0.95), slowest: sorted[sorted.length - 1].path };
}
