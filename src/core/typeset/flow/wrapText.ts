// Text beside figures: lines are set to the widths that a figure leaves them, row by row, and stand on one page with it.
import type { Measure } from '../../model/composed/broken';
import type { ComposedParagraph, PageSide } from '../../model/composed/pages';
import type { ResolvedStyle } from '../../model/composed/styled';
import type { Meaning } from '../../model/spec/spec';
import { paragraph as makeParagraph, type BlockId, type FigureId } from '../../model/copy/streams';
import { PLAIN_TEXT } from '../../copy/plainTags';
import { isFloat, sameInsertions, type BesideLines, type FlowParagraph, type HungFigure } from '../../paginate';
import type { ComposeContext } from './composeContext';
import { setToMeasure } from './composeParagraph';
import { composeMade } from './flowParagraph';
import { blockedBy, type BesideFigure, type Blocked } from './besideFigures';

/** Where a figure beside text was found to stand: the side of its page, and grid lines by which it had to begin later. */
export interface Stand {
  readonly side: PageSide;
  readonly moved: number;
}

/** By the block of a figure's pictures. */
export type Stands = ReadonlyMap<BlockId, Stand>;
export const NO_STANDS: Stands = new Map();

const NOWHERE: Stand = { side: 'recto', moved: 0 };
const SLACK = 1e-3;
/** A line reaches from its capitals to its descenders, in em of its size. */
const BAND = { above: 0.7, below: 0.22 };

/** Widths of lines, and the rows on which they stand. */
interface RowMeasure extends Measure {
  /** Lines on the row of the line before. */
  readonly doubled: readonly number[];
  /** Rows that have widths of their own. */
  readonly rows: number;
}

/** A paragraph set beside a figure; `start`: grid lines from the figure's first line to its own. */
interface BesideRows extends Pick<BesideLines, 'from' | 'to' | 'doubled'> {
  readonly made: FlowParagraph;
  readonly start: number;
}

/** A place in the flow: before a line of a paragraph. */
interface Place {
  readonly at: number;
  readonly line: number;
  /** Lines of text from where it was looked for to it. */
  readonly lines: number;
}

/** The flow with its figures beside it. `figures`: by the index of the paragraph at which each begins, in their order. */
export function wrapText(
  text: readonly FlowParagraph[],
  figures: readonly { readonly at: number; readonly figure: BesideFigure }[],
  stands: Stands,
  compose: ComposeContext,
): readonly FlowParagraph[] {
  if (figures.length === 0) return text;
  const wrapping = new Wrapping(text, compose);
  for (const { at, figure } of figures)
    wrapping.stand(at, figure, stands.get(figure.figure.paragraph.styled.block) ?? NOWHERE);
  return wrapping.text;
}

class Wrapping {
  readonly text: FlowParagraph[];
  /** The paragraph before which no further figure begins. */
  private free = 0;
  /** Places that were put in so far. */
  private added = 0;

  constructor(
    text: readonly FlowParagraph[],
    private readonly compose: ComposeContext,
  ) {
    this.text = [...text];
  }

  /** Puts a figure beside the text that begins with a paragraph; under it, where no text may stand beside a figure. */
  stand(of: number, figure: BesideFigure, { side, moved }: Stand): void {
    const { from } = figure.around;
    const begin = this.beginning(of + this.added, from + moved);
    if (begin === null) return this.insert(Math.max(this.free, of + this.added + 1), figure.figure);
    const { leading } = this.compose.geometry;
    const blocked = blockedBy(figure, side, this.compose);
    const depth = blocked.depth / leading;
    const least = Math.max(depth, blocked.footing / leading);
    const rows: BesideRows[] = [];
    /** Grid lines from the first line of the figure to the end of the text looked at, and of the lines beside it. */
    let [y, reached] = [0, least];
    for (let { at, line } = begin; at < this.text.length && y < depth - SLACK; at += 1, line = 0) {
      const item = this.text[at];
      const start = at === begin.at ? 0 : startAfter(item, y, leading);
      if (start >= depth - SLACK || !isText(item) || standsAlone(item, start, depth, leading)) break;
      const measure = this.measureOf(item, line, start, blocked);
      const made = setBeside(item, measure, this.compose);
      const lines = made.paragraph.broken.count;
      const doubled = measure.doubled.filter((one) => one < lines);
      const count = lines - doubled.length;
      const height = item.paragraph.styled.style.leading / leading;
      const footed = line + Math.ceil((blocked.footing / leading - start) / height - SLACK);
      const to = Math.min(count, Math.max(line + 1, measure.rows, footed));
      rows.push({ made, from: line, to, start, doubled });
      reached = Math.max(reached, start + (to - line) * height);
      y = start + (count - line) * height;
    }
    const movedBy = moved === 0 ? 0 : begin.lines - this.beginning(of + this.added, from)!.lines;
    const hung = { figure: figure.figure, line: begin.line, down: figure.around.above, x: blocked.x, moved: movedBy };
    rows.forEach(({ made, from, to, start, doubled }, k) => {
      const lines = { from, to, doubled, joins: k > 0, depth: Math.ceil(reached - SLACK) - start };
      this.text[begin.at + k] = placed(made, lines, k === 0 ? hung : undefined);
    });
    this.free = begin.at + rows.length;
    this.keepOrder(of + this.added, begin.at);
    const short = Math.ceil(least - y - SLACK);
    if (short > 0) this.clear(short, figure.id);
  }

  /** The line so many lines of text after the beginning of a paragraph, or the next after that at which a figure may begin. */
  private beginning(of: number, lines: number): Place | null {
    let left = lines;
    let passed = 0;
    let last: Place | null = null;
    for (let at = of; at < this.text.length; at += 1) {
      const item = this.text[at];
      const { count } = item.paragraph.broken;
      // No figure comes after one that is referred to later.
      if (last !== null && item.paragraph.styled.style.pictures !== undefined) return last;
      if (at >= this.free && isText(item) && !item.paragraph.styled.style.withNext) {
        const line = Math.min(left, count - 1);
        last = { at, line, lines: passed + line };
        if (left < count) return last;
      }
      left = Math.max(0, left - count);
      passed += count;
    }
    return last;
  }

  /** Figures that text before the beginning of this one refers to come after it where they are referred to later. */
  private keepOrder(of: number, begin: number): void {
    const later: FlowParagraph['insertions'][number][] = [];
    for (let at = of + 1; at < begin; at += 1) {
      const { insertions } = this.text[at];
      const floats = insertions.filter(isFloat);
      if (floats.length === 0) continue;
      later.push(...floats.map((float) => ({ ...float, at: 0 })));
      this.text[at] = withInsertions(
        this.text[at],
        insertions.filter((one) => !isFloat(one)),
      );
    }
    if (later.length > 0)
      this.text[begin] = withInsertions(this.text[begin], [...later, ...this.text[begin].insertions]);
  }

  private insert(at: number, item: FlowParagraph): void {
    this.text.splice(at, 0, item);
    this.added += 1;
    this.free = Math.max(this.free, at + 1);
  }

  /** Widths of the lines of a paragraph up to the last row that a figure reaches; `y`: grid lines from the figure to the row `from`. */
  private measureOf({ paragraph }: FlowParagraph, from: number, y: number, blocked: Blocked): RowMeasure {
    const { measure, geometry } = this.compose;
    const { style } = paragraph.styled;
    const height = style.leading / geometry.leading;
    const first: number[] = Array.from({ length: from }, () => measure);
    const inset: number[] = Array.from({ length: from }, () => 0);
    const doubled: number[] = [];
    let row = from;
    for (; row < MOST_ROWS; row += 1) {
      const baseline = (y + (row - from + 1) * height - 1) * geometry.leading + geometry.capHeight;
      const rooms = blocked.rooms(baseline - BAND.above * style.size, baseline + BAND.below * style.size);
      if (rooms === null) break;
      rooms.forEach(({ left, right }, k) => {
        if (k > 0) doubled.push(first.length);
        first.push(right - left);
        inset.push(left);
      });
    }
    return { first, width: measure, inset, doubled, rows: row };
  }

  /** White beside the foot of a figure, where the text beside it is at an end. */
  private clear(lines: number, id: FigureId): void {
    const { compose, free } = this;
    const { leading } = compose.geometry;
    const plain = compose.sheet.get(PLAIN_TEXT)!;
    const style = compose.context.interner.intern({
      ...plain,
      ...{
        leading: lines * leading,
        above: 0,
        below: 0,
        keepTogether: true,
        initial: null,
        lead: null,
        lineNumbers: 0,
      },
      ...{ ruleAbove: null, ruleBelow: null, background: null, withNext: false, breakBefore: null },
    });
    const { stream } = this.text[free - 1].paragraph.styled;
    const white = whiteOf(style, id, () => composeMade(stream, makeParagraph(id, PLAIN_TEXT, ''), style, compose));
    this.insert(free, placed(white, { from: 0, to: 1, doubled: [], joins: true, depth: lines }, undefined));
  }
}

/** Deeper figures are on no page. */
const MOST_ROWS = 400;

const BESIDE: ReadonlySet<Meaning> = new Set<Meaning>(['body', 'extract', 'listItem', 'break']);

/** Whether lines of a paragraph may stand beside a figure. */
function isText({ paragraph, rows, captions, byFigure }: FlowParagraph): boolean {
  const { style, tail } = paragraph.styled;
  const { meaning, pictures } = style;
  const isOwn = BESIDE.has(meaning) || meaning.startsWith('heading');
  return isOwn && pictures === undefined && rows === undefined && captions === undefined && !byFigure && tail === '';
}

/** Lines of text that stand beside a figure after a head there, at least. */
const AFTER_HEAD = 2;

/** Whether a head would stand beside a figure with next to no text after it. */
function standsAlone({ paragraph }: FlowParagraph, start: number, depth: number, leading: number): boolean {
  const { style } = paragraph.styled;
  const end = start + (paragraph.broken.count * style.leading) / leading + style.below;
  return style.withNext && end + AFTER_HEAD > depth + SLACK;
}

/** Grid lines from a figure's first line to that of a paragraph after others. */
function startAfter({ gap, paragraph }: FlowParagraph, y: number, leading: number): number {
  const { style } = paragraph.styled;
  const isWhole = Math.abs(style.leading / leading - Math.round(style.leading / leading)) < SLACK;
  const start = y + gap;
  return style.meaning === 'body' && isWhole ? Math.ceil(start - SLACK) : start;
}

const settings = new WeakMap<FlowParagraph, { readonly key: string; readonly made: FlowParagraph }[]>();
/** Settings of a paragraph that are kept: those of a few places of its figure. */
const KEPT = 6;

/** The paragraph in lines of other widths: in one way, with the space before it that it wishes. */
function setBeside(item: FlowParagraph, measure: Measure, compose: ComposeContext): FlowParagraph {
  const key = JSON.stringify([measure.first, measure.inset, measure.width]);
  const known = settings.get(item) ?? [];
  const found = known.find((one) => one.key === key);
  if (found !== undefined) return found.made;
  const paragraph = setToMeasure(item.paragraph, measure, compose.context);
  const { shorter: _, longer: __, elastic: ___, ...rest } = item;
  const made: FlowParagraph = { ...rest, paragraph };
  settings.set(item, [{ key, made }, ...known].slice(0, KEPT));
  return made;
}

const places = new WeakMap<FlowParagraph, readonly FlowParagraph[]>();

/** The paragraph with what stands beside it; the same object while that is the same. */
function placed(item: FlowParagraph, byFigure: BesideLines, hung: HungFigure | undefined): FlowParagraph {
  const known = places.get(item) ?? [];
  const found = known.find((one) => sameLines(one.byFigure!, byFigure) && sameHung(one.hung?.[0], hung));
  if (found !== undefined) return found;
  const made: FlowParagraph = { ...item, byFigure, ...(hung === undefined ? {} : { hung: [hung] }) };
  places.set(item, [made, ...known].slice(0, KEPT));
  return made;
}

const sameLines = (a: BesideLines, b: BesideLines) =>
  a.from === b.from &&
  a.to === b.to &&
  a.joins === b.joins &&
  a.depth === b.depth &&
  a.doubled.length === b.doubled.length &&
  a.doubled.every((line, k) => line === b.doubled[k]);

function sameHung(a: HungFigure | undefined, b: HungFigure | undefined): boolean {
  if (a === undefined || b === undefined) return a === b;
  return a.figure === b.figure && a.line === b.line && a.down === b.down && a.x === b.x && a.moved === b.moved;
}

const reordered = new WeakMap<FlowParagraph, FlowParagraph>();

function withInsertions(item: FlowParagraph, insertions: FlowParagraph['insertions']): FlowParagraph {
  const known = reordered.get(item);
  if (known !== undefined && sameInsertions(known.insertions, insertions)) return known;
  const made = { ...item, insertions };
  reordered.set(item, made);
  return made;
}

const whites = new WeakMap<ResolvedStyle, Map<FigureId, FlowParagraph>>();

/** A place of white, which is as deep as its style says; one for each figure. */
function whiteOf(style: ResolvedStyle, id: FigureId, make: () => ComposedParagraph): FlowParagraph {
  let known = whites.get(style);
  if (known === undefined) whites.set(style, (known = new Map()));
  let made = known.get(id);
  if (made === undefined) known.set(id, (made = { paragraph: make(), gap: 0, insertions: [] }));
  return made;
}
