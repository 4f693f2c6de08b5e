// Where an item begins on its page: on the grid, or halfway between two lines of it.

const SLACK = 1e-3;
/** Half a line, of a gap. */
const HALF = 0.5;

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
