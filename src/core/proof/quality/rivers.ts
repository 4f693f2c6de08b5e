// Rivers: spaces that lie below one another through several lines, so that white runs down the page.
import { isElasticSpace } from '../../base/elasticSpace';
import { lastAtMost } from '../../base/search';
import { isFull, type PlacedLine } from './placedLines';

/** Lines that a river runs through, least width of its spaces in em, and share of the narrower by which two overlap. */
const RIVER = { LINES: 4, WIDTH: 0.25, OVERLAP: 0.5 } as const;

/** What measuring needs of the faces. */
export interface FaceMeasures {
  readonly unitsPerEm: (face: string) => number;
  /** Advance of the face's own space, in em. */
  readonly space: (face: string) => number;
}

interface Gap {
  readonly from: number;
  readonly to: number;
  /** Lines of the longest chain that ends in this gap. */
  chain: number;
  isPassedOn: boolean;
}

/** Rivers on one page. */
export function countRivers(
  lines: readonly PlacedLine[],
  faces: FaceMeasures,
  found: (line: PlacedLine) => void = () => undefined,
): number {
  let rivers = 0;
  let above: Gap[] = [];
  let last = 0;
  const close = () => {
    for (const gap of above) {
      if (gap.chain < RIVER.LINES || gap.isPassedOn) continue;
      rivers += 1;
      found(lines[last]);
    }
  };
  const wideRunning = runsOfWide(lines);
  lines.forEach((placed, k) => {
    // Most wide lines have too few of their kind around them for a river: their gaps are not looked at.
    const gaps = wideRunning[k] >= RIVER.LINES ? gapsOf(placed, faces) : [];
    if (!isBelow(lines, k)) {
      close();
      above = [];
    }
    for (const gap of gaps) {
      for (const other of above) {
        const overlap = Math.min(gap.to, other.to) - Math.max(gap.from, other.from);
        if (overlap < RIVER.OVERLAP * Math.min(gap.to - gap.from, other.to - other.from)) continue;
        if (other.chain + 1 > gap.chain) gap.chain = other.chain + 1;
        other.isPassedOn = true;
      }
    }
    close();
    last = k;
    above = gaps;
  });
  close();
  return rivers;
}

const isBelow = (lines: readonly PlacedLine[], k: number) =>
  k > 0 && lines[k].y - lines[k - 1].y < lines[k].paragraph.styled.style.leading * 1.5;

/** Of each line: how many lines with wide spaces stand one below another where it is among them; 0 for others. */
function runsOfWide(lines: readonly PlacedLine[]): Uint16Array {
  const runs = new Uint16Array(lines.length);
  for (let from = 0; from < lines.length;) {
    let to = from;
    while (to < lines.length && isWide(lines[to]) && (to === from || isBelow(lines, to))) to += 1;
    runs.fill(to - from, from, to);
    from = Math.max(to, from + 1);
  }
  return runs;
}

const isWide = (placed: PlacedLine) => placed.paragraph.broken.spaceEm[placed.line] >= RIVER.WIDTH && isFull(placed);

/** Wide spaces of a line, from left to right, in points. */
function gapsOf({ paragraph, line, left }: PlacedLine, faces: FaceMeasures): Gap[] {
  const { styled, shaped, broken } = paragraph;
  const gaps: Gap[] = [];
  const { runs, text, style } = styled;
  let x = left + broken.x[line];
  let run = Math.max(
    0,
    lastAtMost(
      Uint32Array.from(runs, (one) => one.from),
      broken.from[line],
    ),
  );
  const start = lastAtMost(shaped.clusters, broken.from[line] - 1) + 1;
  for (let glyph = start; glyph < shaped.count && shaped.clusters[glyph] < broken.to[line]; glyph += 1) {
    const offset = shaped.clusters[glyph];
    while (run + 1 < runs.length && runs[run].to <= offset) run += 1;
    const { face, size, tracking } = runs[run];
    const advance = (shaped.advances[glyph] * size) / faces.unitsPerEm(face);
    if (!isElasticSpace(text, offset)) {
      x += advance * broken.scale[line] + (tracking / 1000 + broken.letterSpace[line]) * size;
      continue;
    }
    const width = advance + (style.wordSpace.wished - faces.space(face)) * size + broken.spaceDelta[line];
    if (width >= RIVER.WIDTH * size) gaps.push({ from: x, to: x + width, chain: 1, isPassedOn: false });
    x += width;
  }
  return gaps;
}
