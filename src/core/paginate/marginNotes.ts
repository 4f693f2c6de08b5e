// Notes in the margin at the fore-edge: each begins on the line of its reference, or under the note before it; those that
// would run over the foot move up as far as there is room. What the margin of a page cannot hold goes on in that of the next.
import { lastAtMost } from '../base/search';
import {
  gridBaseline,
  type ComposedParagraph,
  type Fragment,
  type PageGeometry,
  type PageSide,
} from '../model/composed/pages';
import type { Pt } from '../model/spec/length';
import type { Flow } from './flow';
import { notesAt } from './flowParagraph';
import { rowAt } from './settingRows';
import type { FilledRegion } from './tracePages';

/** The column of the margin. */
export interface MarginColumn {
  /** White between it and the type area. */
  readonly gap: Pt;
  readonly width: Pt;
}

/** A line of a note that waits for its place; `at`: baseline that it wishes, null: right after the one before. */
interface WaitingLine {
  readonly paragraph: ComposedParagraph;
  readonly line: number;
  readonly at: Pt | null;
}

/** Least white between two notes, in points. */
const BETWEEN = 4;

export class MarginNotes {
  /** Lines that the pages before could not hold. */
  private owed: WaitingLine[] = [];

  constructor(
    private readonly flow: Flow,
    private readonly geometry: PageGeometry,
    private readonly column: MarginColumn,
  ) {}

  /** Whether notes may stand beside these lines. */
  mayStand(regions: readonly FilledRegion[]): boolean {
    const { items } = this.flow;
    return (
      this.owes ||
      regions.some(({ stretches }) => stretches.some(({ item }) => notesAt(items[item].source, 'margin').length > 0))
    );
  }

  get owes(): boolean {
    return this.owed.length > 0;
  }

  /** The notes beside the lines of a page. Without regions: a page of notes alone. */
  place(regions: readonly FilledRegion[], side: PageSide): Fragment[] {
    const waiting = [...this.owed, ...this.wished(regions)];
    this.owed = [];
    if (waiting.length === 0) return [];
    const { geometry, column } = this;
    const x = side === 'recto' ? geometry.measure + column.gap : -column.gap - column.width;
    const foot = gridBaseline(geometry, geometry.lines - 1);
    const ys = baselines(waiting, gridBaseline(geometry, 0), foot);
    const kept = ys.findIndex((y) => y > foot + 0.01);
    // The first line of a page stands there however it is: a margin of one line would never end.
    const count = kept < 0 ? waiting.length : Math.max(1, kept);
    this.owed = waiting.slice(count).map((line) => ({ ...line, at: null }));
    return joinLines(waiting.slice(0, count), ys, x);
  }

  /** The lines of the notes to which the lines of a page refer, with the baselines of those. */
  private wished(regions: readonly FilledRegion[]): WaitingLine[] {
    const { geometry, flow } = this;
    return regions.flatMap(({ stretches, region }) =>
      stretches.flatMap(({ item, setting, from, to, start }) => {
        const { height, source } = flow.items[item];
        return notesAt(source, 'margin').flatMap(({ at, paragraphs }): WaitingLine[] => {
          const { broken } = setting.paragraph;
          const line = rowAt(setting.rows, Math.max(0, lastAtMost(broken.from, at, broken.count)));
          if (line < from || line >= to) return [];
          const y = gridBaseline(geometry, region.top + start + height - 1) + (line - from) * height * geometry.leading;
          return paragraphs.flatMap((paragraph, order) =>
            Array.from({ length: paragraph.broken.count }, (_, k) => ({
              paragraph,
              line: k,
              at: order === 0 && k === 0 ? y : null,
            })),
          );
        });
      }),
    );
  }
}

/** Baselines from the top down, then up from the foot where they ran over it. */
function baselines(lines: readonly WaitingLine[], top: Pt, foot: Pt): number[] {
  const step = (k: number) =>
    lines[k].paragraph.styled.style.leading + (lines[k].line === 0 && lines[k].at !== null ? BETWEEN : 0);
  const ys: number[] = [];
  lines.forEach(({ at }, k) => {
    const least = k === 0 ? top : ys[k - 1] + step(k);
    ys.push(at === null ? least : Math.max(least, at));
  });
  let most = foot;
  for (let k = lines.length - 1; k >= 0 && ys[k] > most; k -= 1) {
    ys[k] = most;
    most -= step(k);
  }
  // There was not room enough: from the top on, and over the foot.
  if (ys[0] < top) lines.forEach((_, k) => (ys[k] = k === 0 ? top : ys[k - 1] + step(k)));
  return ys;
}

/** Lines of one paragraph at its own leading as one fragment. */
function joinLines(lines: readonly WaitingLine[], ys: readonly number[], x: Pt): Fragment[] {
  const fragments: Fragment[] = [];
  lines.forEach(({ paragraph, line }, k) => {
    const last = fragments[fragments.length - 1];
    const follows = last?.paragraph === paragraph && last.to === line;
    const y = follows ? last.y + (line - last.from) * paragraph.styled.style.leading : ys[k];
    if (follows && Math.abs(y - ys[k]) < 0.01) fragments[fragments.length - 1] = { ...last, to: line + 1 };
    else fragments.push({ paragraph, from: line, to: line + 1, x, y: ys[k] });
  });
  return fragments;
}
