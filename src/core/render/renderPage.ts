// Makes the display list of a page: every line cut out of its paragraph's glyphs and put in its place, furniture last.
// Reading order: text, notes, furniture.
import { pictureItems } from './pictureItems';
import { append } from '../base/append';
import { isElasticSpace } from '../base/elasticSpace';
import { visualOrder } from '../base/bidi';
import { LINE_END, type SetTabs } from '../model/composed/broken';
import type { DisplayList, PictureItem, RuleItem, TextItem, TextSource } from '../model/composed/displayList';
import {
  columnLeft,
  geometryOf,
  type ComposedParagraph,
  type Fragment,
  type Page,
  type PageGeometry,
} from '../model/composed/pages';
import { isPlayed, isRtlRun, type StyledParagraph, type StyledRun } from '../model/composed/styled';
import { columnWidth } from './columnOf';
import { paragraphRules } from './paragraphRules';
import { columnRules } from './columnRules';
import { linksIn } from './itemLinks';
import type { LineGlyphs } from './lineGlyphs';
import { takeScratch } from './packedGlyphs';

/** What rendering needs of the faces and of shaping. */
export interface RenderContext {
  readonly lineGlyphs: (paragraph: ComposedParagraph, from: number, to: number) => readonly LineGlyphs[];
  readonly unitsPerEm: (face: string) => number;
  /** Own advance of the space in em; the hyphen's glyph and advance in em. */
  readonly space: (face: string) => number;
  readonly hyphen: (face: string) => { readonly glyph: number; readonly width: number };
  /** Left edge of a glyph's ink from its origin, in font units. */
  readonly ink: (face: string, glyph: number) => number;
  /** Shapes a line's tail by itself. */
  readonly shapeTail: (paragraph: ComposedParagraph) => LineGlyphs;
  /** Shapes a leader in the face of a run. */
  readonly shapeLeader: (leader: string, run: StyledRun) => LineGlyphs;
}

export function renderPage(page: Page, ofBook: PageGeometry, context: RenderContext): DisplayList {
  const geometry = geometryOf(page, ofBook);
  const list = new ListBuilder(context);
  const left = columnLeft(geometry, page.side);
  list.side = page.side;
  for (const fragment of page.fragments) list.addFragment(fragment, left, columnWidth(fragment, geometry));
  const dressed = [...page.fragments, ...page.notes];
  const rules: RuleItem[] = dressed.flatMap((fragment) => paragraphRules(fragment, geometry, left));
  for (const { x, y, width, weight } of page.noteRules)
    rules.push({ x: left + x, y, width, thickness: weight, kind: 'notes' });
  for (const fragment of page.notes) list.addFragment(fragment, left, columnWidth(fragment, geometry));
  for (const { kind, paragraph, x, y } of page.furniture) {
    // Furniture is one line, placed by its own width: its alignment inside the column is taken off again.
    list.addLine(paragraph, 0, x - paragraph.broken.x[0], y, geometry.measure, kind);
  }
  for (const { x, y, width, weight, ink } of page.furnitureRules ?? [])
    rules.push({ x, y, width, thickness: weight, kind: 'furniture', ...(ink === undefined ? {} : { ink }) });
  return {
    page: page.index,
    width: geometry.width,
    height: geometry.height,
    rules: [...rules, ...list.rules, ...columnRules(page, geometry, left)],
    pictures: list.pictures,
    ...list.finish(),
  };
}

/** How a stretch stands on its line. */
interface LineSetting {
  readonly spaceDelta: number;
  readonly scale: number;
  readonly letterSpace: number;
  readonly artifact: TextItem['artifact'];
  readonly hyphenated: boolean;
  readonly endsLine: boolean;
  /** Text of a drop capital before the run, given with its first glyph. */
  readonly lead: string;
  /** Spaces before this offset, that of the line's last tab, keep their natural width. */
  readonly flexFrom: number;
  /** The tabs of the paragraph, and the left edge of its column, to which leaders are aligned. */
  readonly tabs: SetTabs | null;
  readonly left: number;
}

const TAIL: LineSetting = {
  spaceDelta: 0,
  scale: 1,
  letterSpace: 0,
  artifact: null,
  hyphenated: false,
  endsLine: true,
  lead: '',
  flexFrom: 0,
  tabs: null,
  left: 0,
};
const INITIAL: LineSetting = { ...TAIL, endsLine: false };

/** A leader over the white of a tab, on the line whose run it follows. */
interface Leader {
  readonly leader: string;
  readonly run: StyledRun;
  readonly from: number;
  readonly to: number;
  readonly y: number;
  readonly left: number;
}

/** White at both ends of a leader, and least distance of its signs, in em. */
const BESIDE_LEADER = 0.3;
const LEAST_LEADER_STEP = 0.3;

/** Collects items and their packed glyphs. */
class ListBuilder {
  readonly rules: RuleItem[] = [];
  readonly pictures: PictureItem[] = [];
  side: Page['side'] = 'recto';
  private readonly items: TextItem[] = [];
  private readonly packed = takeScratch();
  private readonly leaders: Leader[] = [];

  constructor(private readonly context: RenderContext) {}

  addFragment(fragment: Fragment, left: number, measure: number): void {
    const { paragraph, from, to, y } = fragment;
    this.addTableMarks(fragment, left);
    const pictures = pictureItems(fragment, left, this.side);
    if (pictures !== null) return void this.pictures.push(...pictures);
    for (let line = from; line < to; line += 1) {
      this.addLine(
        paragraph,
        line,
        left + fragment.x,
        y + (line - from) * paragraph.styled.style.leading,
        measure,
        fragment.isRepeated ? 'repeated' : null,
      );
    }
  }

  private addTableMarks({ marks = [], x, y, paragraph }: Fragment, left: number): void {
    const head = y - paragraph.styled.style.leading;
    for (const { ink, ...mark } of marks)
      this.rules.push({ ...mark, x: left + x + mark.x, y: head + mark.y, ...(ink === null ? {} : { ink }) });
  }

  addLine(
    paragraph: ComposedParagraph,
    line: number,
    left: number,
    y: number,
    measure: number,
    artifact: TextItem['artifact'],
  ): void {
    const { styled, broken } = paragraph;
    const { context } = this;
    const runs = context.lineGlyphs(paragraph, broken.from[line], broken.to[line]);
    const hyphenated = broken.end[line] === LINE_END.hyphen;
    let x = left + broken.x[line];
    // Ragged away from the side of the page on which the lines stand flush.
    const { align } = styled.style;
    const flushRight = this.side === 'recto' ? 'foreEdge' : 'back';
    if (align === flushRight) x += broken.width[line] - broken.textWidth[line];
    const setting = (isLast: boolean, lead: string): LineSetting => ({
      spaceDelta: broken.spaceDelta[line],
      scale: broken.scale[line],
      letterSpace: broken.letterSpace[line],
      artifact,
      hyphenated: isLast && hyphenated,
      endsLine: isLast && !hyphenated && broken.end[line] !== LINE_END.dash,
      lead,
      flexFrom: broken.tabs === null ? 0 : styled.text.lastIndexOf('\t', broken.to[line] - 1),
      tabs: broken.tabs,
      left,
    });
    if (runs.length === 1 && runs[0].run.level === undefined && runs[0].run.initial === undefined)
      this.addRun(styled, runs[0], x, y, setting(true, ''));
    else this.addRuns(paragraph, runs, x, y, setting);
    this.addLeaders();
    if (styled.tail !== '' && line === broken.count - 1) this.addTail(paragraph, left + measure, y);
  }

  /** The runs of a line as they are seen from the left, while their items stand in the order of reading. */
  private addRuns(
    { styled, broken }: ComposedParagraph,
    runs: readonly LineGlyphs[],
    startX: number,
    y: number,
    setting: (isLast: boolean, lead: string) => LineSetting,
  ): void {
    let x = startX;
    let lead = '';
    const levels = runs.map((part) => part.run.level ?? 0);
    const order = levels.some((level) => level > 0) ? visualOrder(levels) : levels.map((_, index) => index);
    const placed: TextItem[][] = [];
    for (const index of order) {
      const part = runs[index];
      const from = this.items.length;
      if (part.run.initial !== undefined) {
        lead += this.addInitial(styled, part, x - broken.initial, y);
        placed[index] = this.items.splice(from);
        continue;
      }
      x = this.addRun(styled, part, x, y, setting(index === runs.length - 1, lead));
      lead = '';
      placed[index] = this.items.splice(from);
    }
    append(this.items, placed.flat());
  }

  /** A drop capital, or the quote that hangs before it, at the left edge of its lines; answers the text it stands for. */
  private addInitial(styled: StyledParagraph, part: LineGlyphs, left: number, y: number): string {
    const { run } = part;
    const scale = run.size / this.context.unitsPerEm(run.face);
    const width = widthOf(part);
    const before = run.initial === 'quote' ? width : this.context.ink(run.face, part.glyphs[part.first]);
    const text = styled.text.slice(run.from, run.to);
    // Its text is given by the word that it begins, so that nobody copies a letter and a word without one.
    const at = this.items.length;
    this.addRun(styled, part, left - before * scale, y, INITIAL);
    for (let k = at; k < this.items.length; k += 1) this.items[k] = { ...this.items[k], text: '' };
    return text;
  }

  private addTail(paragraph: ComposedParagraph, right: number, y: number): void {
    const part = this.context.shapeTail(paragraph);
    const scale = part.run.size / this.context.unitsPerEm(part.run.face);
    const width = widthOf(part) * scale;
    const before = this.items.length;
    const { links = [], tail } = paragraph.styled;
    // What leads from the whole leads from its tail too.
    const alone = { ...paragraph.styled, text: tail, source: null, links: links.filter(({ to }) => to === Infinity) };
    this.addRun(alone, part, right - width, y, TAIL);
    for (const item of this.items.slice(before)) this.packed.sourceOffsets.fill(0, item.first, item.first + item.count);
  }

  /** Puts a run's glyphs from x on, and the item that they are; answers its right end. */
  private addRun(styled: StyledParagraph, part: LineGlyphs, startX: number, y: number, line: LineSetting): number {
    const { run } = part;
    const { packed } = this;
    const { artifact, hyphenated, endsLine, lead } = line;
    const first = packed.count;
    const isEmpty = part.end - 1 < part.first;
    const textFrom = isEmpty ? 0 : part.clusters[part.first];
    // Clusters never fall, whichever way the run goes: the last glyph ends its text.
    const textTo = isEmpty
      ? textFrom
      : Math.max(part.clusters[part.end - 1] + 1, Math.min(part.to, styled.text.length));
    let x = this.addGlyphs(styled, part, startX, y, line);
    let text = lead + styled.text.slice(textFrom, textTo);
    if (hyphenated) {
      const hyphen = this.context.hyphen(run.face);
      packed.push(hyphen.glyph, x, run.rise, text.length, styled.source?.[textTo] ?? textTo);
      x += hyphen.width * run.size;
      text += '\u00AD';
    }
    const count = packed.count - first;
    if (count === 0) return x;
    const source: TextSource | null =
      artifact === null ? { stream: styled.stream, block: styled.block, meaning: styled.style.meaning } : null;
    const links = artifact === null ? linksIn(styled, textFrom, textTo, lead.length) : undefined;
    this.items.push({
      face: run.face,
      size: run.size,
      scaleX: isPlayed(run) ? line.scale : 1,
      y,
      first,
      count,
      text,
      endX: x,
      source,
      artifact,
      endsInHyphen: hyphenated,
      endsLine,
      ...(isRtlRun(run) ? { isRtl: true } : {}),
      ...(run.ink ? { ink: run.ink } : {}),
      ...(links === undefined ? {} : { links }),
    });
    if (run.line) this.addTextRule(run.line, startX, x, y, run);
    return x;
  }

  /** The glyphs of a run from x on, its spaces and tabs as the line has them; answers where the next would stand. */
  private addGlyphs(styled: StyledParagraph, part: LineGlyphs, startX: number, y: number, line: LineSetting): number {
    const { run, glyphs, clusters, advances, xOffsets, yOffsets } = part;
    const { context, packed } = this;
    const { spaceDelta, flexFrom, tabs, lead } = line;
    const scale = run.size / context.unitsPerEm(run.face);
    const tracking = (run.tracking * run.size) / 1000;
    const played = tracking + (isPlayed(run) ? line.letterSpace * run.size : 0);
    const natural = styled.style.wordSpace.wished * run.size - context.space(run.face) * run.size;
    packed.room(part.end - part.first + 1);
    const first = packed.count;
    const last = part.end - 1;
    const textFrom = last < part.first ? 0 : clusters[part.first];
    const isRtl = isRtlRun(run);
    const advanceScale = scale * (isPlayed(run) ? line.scale : 1);
    let x = startX;
    for (let n = part.first; n <= last; n += 1) {
      const k = isRtl ? part.first + last - n : n;
      const cluster = clusters[k];
      const code = styled.text.charCodeAt(cluster);
      const elastic = (code === 0x20 || code === 0xa0) && isElasticSpace(styled.text, cluster);
      if (code === 0x20 && !elastic) continue;
      packed.push(
        glyphs[k],
        x + xOffsets[k] * advanceScale,
        run.rise + yOffsets[k] * scale,
        cluster - textFrom + (packed.count > first ? lead.length : 0),
        styled.source === null ? cluster : styled.source[cluster],
      );
      if (elastic) x += advances[k] * scale + tracking + natural + (cluster >= flexFrom ? spaceDelta : 0);
      else if (code === 0x09 && tabs !== null) x = this.passTab(styled, part, cluster, x, y, line);
      else if (advances[k] !== 0) x += advances[k] * advanceScale + played;
    }
    return x;
  }

  /** Goes to the end of a tab, its leader noted to be drawn over the white. */
  private passTab(styled: StyledParagraph, { run }: LineGlyphs, at: number, x: number, y: number, line: LineSetting) {
    const { widths, leaders } = line.tabs!;
    let tab = 0;
    for (let k = styled.text.indexOf('\t'); k >= 0 && k < at; k = styled.text.indexOf('\t', k + 1)) tab += 1;
    const to = x + widths[tab];
    if (leaders[tab] !== '') this.leaders.push({ leader: leaders[tab], run, from: x, to, y, left: line.left });
    return to;
  }

  /** Leaders stand at steps from the left edge of the column, so that those of neighbouring lines stand above each other. */
  private addLeaders(): void {
    for (const { leader, run, from, to, y, left } of this.leaders) {
      const part = this.context.shapeLeader(leader, run);
      const scale = run.size / this.context.unitsPerEm(run.face);
      const step = Math.max(widthOf(part) * scale, run.size * LEAST_LEADER_STEP);
      const white = run.size * BESIDE_LEADER;
      const first = this.packed.count;
      let text = '';
      for (let k = Math.ceil((from + white - left) / step); left + (k + 1) * step <= to - white + 1e-6; k += 1) {
        this.packed.room(part.end - part.first);
        let x = left + k * step;
        for (let g = part.first; g < part.end; g += 1) {
          this.packed.push(part.glyphs[g], x, run.rise, text.length + part.clusters[g], 0);
          x += part.advances[g] * scale;
        }
        text += leader;
      }
      const count = this.packed.count - first;
      if (count === 0) continue;
      this.items.push({
        face: run.face,
        size: run.size,
        scaleX: 1,
        y,
        first,
        count,
        text,
        endX: to,
        source: null,
        artifact: 'leader',
        endsInHyphen: false,
        endsLine: false,
      });
    }
    this.leaders.length = 0;
  }

  private addTextRule(line: 'under' | 'through', from: number, to: number, y: number, { size, ink }: StyledRun): void {
    const above = line === 'under' ? -0.11 : 0.24;
    const rule = { x: from, y: y - above * size, width: to - from, thickness: size * 0.05, kind: 'text' } as const;
    this.rules.push(ink ? { ...rule, ink } : rule);
  }

  finish(): Pick<DisplayList, 'items' | 'glyphs' | 'xs' | 'rises' | 'charOffsets' | 'sourceOffsets'> {
    return { items: this.items, ...this.packed.copy() };
  }
}

/** Font units from the first glyph's origin to the end of the last. */
function widthOf({ advances, first, end }: LineGlyphs): number {
  let width = 0;
  for (let k = first; k < end; k += 1) width += advances[k];
  return width;
}
