// Where an item begins on its page: on the grid, or halfway between two lines of it; and whether the heads of a spread stand
// under like white.
import type { Meaning } from '../model/spec/spec';
import { COST } from './costs';
import type { FlowParagraph } from './flowParagraph';
import { FLAG } from './stateList';

const SLACK = 1e-3;
/** Half a line, of a gap. */
const HALF = 0.5;

const MAY_LEAVE_GRID: ReadonlySet<Meaning> = new Set<Meaning>(['extract', 'verse', 'listItem', 'caption', 'table']);

/**
 * Whether the lines of a paragraph belong on the grid. Extracts and verse may stand between its lines, and so do paragraphs parted by
 * less than a line; what follows them returns to it.
 */
export function standsOnGrid({ paragraph }: FlowParagraph, leading: number): boolean {
  const { style } = paragraph.styled;
  const height = style.leading / leading;
  const isWhole = Math.abs(height - Math.round(height)) < SLACK;
  return isWhole && !MAY_LEAVE_GRID.has(style.meaning) && style.above % 1 === 0 && style.below % 1 === 0;
}

/** False before text whose paragraphs are parted by less than a line: a head in it keeps the white that it wishes. */
export function leadsToGrid(after: readonly (FlowParagraph | undefined)[]): boolean {
  const text = after.find((next) => next !== undefined && !next.paragraph.styled.style.withNext);
  if (text === undefined) return true;
  const { meaning, above, below } = text.paragraph.styled.style;
  return meaning !== 'body' || (above % 1 === 0 && below % 1 === 0);
}

interface Snapping {
  /** Its baselines stand on the grid. */
  readonly snaps: boolean;
  /** Half a line of the space above it may be given. */
  readonly mayHalve: boolean;
}

/** Where an item begins that stands after others: on the grid, or halfway between two lines of it. */
export function snappedStart({ snaps, mayHalve }: Snapping, start: number, gap: number): number {
  if (!snaps) return start;
  const part = mayHalve && gap % 1 === HALF ? HALF : 0;
  return Math.ceil(start - part - SLACK) + part;
}

/** White above a head, in grid lines, that differs from what its style wishes by more than this is seen as another. */
const LIKE = 0.25;
/** What the heads of a spread have above them, in the bits of a state's flags; 0: there is none yet. */
const WHITE = { less: 1, wished: 2, more: 3 } as const;

interface NearHead {
  readonly mayHalve: boolean;
  readonly afterHead: boolean;
}

/**
 * The flags after an item is begun; `off`: grid lines by which the white above it differs from the wished one, null at the top of a
 * region.
 */
export function withHead({ mayHalve, afterHead }: NearHead, before: number, off: number | null): number {
  const flags = before & ~(FLAG.HEAD_AT_TOP | FLAG.PASSED | FLAG.LEFT_FOR);
  if (!mayHalve || afterHead) return flags;
  if (off === null) return flags | FLAG.HEAD_AT_TOP;
  const white = off < -LIKE ? WHITE.less : off > LIKE ? WHITE.more : WHITE.wished;
  return (flags & ~FLAG.HEADS_MASK) | (white << FLAG.HEADS_SHIFT);
}

/**
 * What it costs that a head has other white above it than the one before it on its spread, and that the white below it does not
 * give with the one above. `before`, `after`: the flags.
 */
export function unlikeHeads(item: NearHead, before: number, after: number, off: number): number {
  const white = (before & FLAG.HEADS_MASK) >> FLAG.HEADS_SHIFT;
  if (item.afterHead) {
    const gives = off < -LIKE;
    return before & FLAG.HEAD_AT_TOP || gives === (white === WHITE.less) ? 0 : COST.UNLIKE_HEADS;
  }
  if (!item.mayHalve || white === 0) return 0;
  return white === (after & FLAG.HEADS_MASK) >> FLAG.HEADS_SHIFT ? 0 : COST.UNLIKE_HEADS;
}
