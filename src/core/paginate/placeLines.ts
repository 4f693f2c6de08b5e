// Gives the lines of a filled region their baselines: text down from the top, notes on the foot line or close under the text.
import { append } from '../base/append';
import {
  gridBaseline,
  type ComposedParagraph,
  type Fragment,
  type NoteRule,
  type PageGeometry,
} from '../model/composed/pages';
import type { Flow } from './flow';
import type { HungFigure } from './flowParagraph';
import { noteBlocks, type NoteBlock } from './noteBlocks';
import { inLines } from './settingRows';
import { footDepth, hungAt, placeFloats, figureFrom } from './placePictures';
import { placeRows } from './placeRows';
import type { FilledRegion } from './tracePages';

/** Fragments of the text of a region, and of the figures that it holds. `noteGap`: grid lines above notes. */
export function placeText(flow: Flow, region: FilledRegion, geometry: PageGeometry, noteGap: number): Fragment[] {
  const { x, width } = region.region;
  const top = region.region.top - footDepth(flow, region);
  const text = region.stretches.flatMap(({ item, setting, from, to, start }, index): Fragment[] => {
    const { height, source } = flow.items[item];
    const atEdge = index === 0 || index === region.stretches.length - 1;
    const isBare = source.ornament !== undefined && atEdge && region.endItem < flow.items.length;
    // A line of two grid lines stands on its lower one; smaller leading stands where it falls.
    const y = gridBaseline(geometry, top + start + height - 1);
    const paragraph = isBare ? source.ornament : setting.paragraph;
    const placed: Fragment = {
      paragraph,
      from,
      to,
      x: x + (source.shift ?? 0),
      y,
    };
    if (source.rows !== undefined) return placeRows(source.rows, placed, height, index === 0, geometry);
    if (source.captions !== undefined) return figureFrom(source, x, gridBaseline(geometry, top + start - 1), geometry);
    if (source.byFigure !== undefined) {
      const lines = inLines(setting.rows, placed, height * geometry.leading);
      return [...lines, ...hungBeside(source.hung ?? [], placed, height, geometry)];
    }
    if (source.marginal === undefined) return [placed];
    const numbers = source.marginal
      .filter(({ line }) => line >= from && line < to)
      .map(({ line, paragraph: number }) => ({
        paragraph: number,
        from: 0,
        to: 1,
        x: x + width - number.broken.textWidth[0] - number.broken.x[0],
        y: y + (line - from) * height * geometry.leading,
      }));
    return [placed, ...numbers];
  });
  return [...text, ...placeFloats(flow, region, geometry, noteGap)];
}

/** The figures that begin at lines of a fragment; `height`: of a line of it, in grid lines. */
function hungBeside(
  hung: readonly HungFigure[],
  { from, to, x, y }: Fragment,
  height: number,
  geometry: PageGeometry,
): Fragment[] {
  return hung
    .filter(({ line }) => line >= from && line < to)
    .flatMap(({ figure, line, down, x: own }) =>
      hungAt(figure, x + own, y + (line - from) * height * geometry.leading + down, geometry),
    );
}

export interface PlacedNotes {
  readonly fragments: Fragment[];
  /** The rule over them; null without notes, or where white parts them from the text. */
  readonly rule: NoteRule | null;
}

/** The rule stands this far above the least white over the notes, in points: clear of their ascenders and of the text's descenders. */
const RULE_ABOVE = 1;
/** A page that ends short by more grid lines than this has its rule over its notes. */
const REMAINDER = 2;

/**
 * The notes of a region. The last line of the last note stands on the foot line of its spread; `under`: grid lines of text
 * from the region's top, under which they stand close instead. `text`: grid lines of text from the region's top. The rule
 * stands as far under the text on every page: what is left over is white between it and the notes.
 */
export function placeNotes(
  flow: Flow,
  region: FilledRegion,
  geometry: PageGeometry,
  foot: { readonly lines: number; readonly under: number | null; readonly text: number | null; readonly gap: number },
): PlacedNotes {
  const { noteFrom, noteTo, region: column } = region;
  if (noteTo <= noteFrom) return { fragments: [], rule: null };
  const blocks = noteBlocks(flow.notes, noteFrom, noteTo);
  const heights = blocks.map((block) => pointsOf(flow, block));
  // A line stands on the lower edge of its height.
  let top =
    foot.under === null
      ? gridBaseline(geometry, foot.lines + region.depth - 1) - heights.reduce((sum, own) => sum + own, 0)
      : gridBaseline(geometry, foot.under + foot.gap - 1);
  const isContinued = flow.notes.starts[noteFrom] === 0;
  const [{ layout }] = blocks;
  const { kind, width, weight } = isContinued ? layout.continuation : layout.separator;
  const drawn = kind === 'full' ? column.width : Math.min(width, column.width);
  const closest = foot.text === null ? top : gridBaseline(geometry, foot.text + foot.gap - 1);
  const isRemainder = closest < top && top - closest <= REMAINDER * geometry.leading;
  const ruleAt = (isRemainder ? closest : top) - RULE_ABOVE;
  const rule = kind === 'space' ? null : { x: column.x, y: ruleAt, width: drawn, weight };
  const fragments: Fragment[] = [];
  for (const [index, block] of blocks.entries()) {
    if (block.kind === 'joined') {
      const { paragraph } = block;
      const { leading } = paragraph.styled.style;
      fragments.push({ paragraph, from: 0, to: paragraph.broken.count, x: column.x, y: top + leading });
    } else
      for (let from = block.from, k = 0; from < block.to; from += block.rows, k += 1) {
        const x = column.x + k * (block.layout.width + block.layout.gap);
        append(fragments, lineFragments(flow, from, Math.min(block.to, from + block.rows), x, top));
      }
    top += heights[index];
  }
  return { fragments, rule };
}

/** Height of a block in points, without the rounding of the search. */
function pointsOf({ notes }: Flow, block: NoteBlock): number {
  const leadingOf = (paragraph: ComposedParagraph) => paragraph.styled.style.leading;
  if (block.kind === 'joined') return block.paragraph.broken.count * leadingOf(block.paragraph);
  let deepest = 0;
  for (let from = block.from; from < block.to; from += block.rows) {
    let own = 0;
    for (let k = from; k < Math.min(block.to, from + block.rows); k += 1) own += leadingOf(notes.paragraphs[k]);
    deepest = Math.max(deepest, own);
  }
  return deepest;
}

/** Note lines one under another from a top edge on. */
function lineFragments({ notes }: Flow, from: number, to: number, x: number, top: number): Fragment[] {
  const fragments: Fragment[] = [];
  let y = top;
  for (let k = from; k < to;) {
    const paragraph = notes.paragraphs[k];
    const first = k;
    while (k < to && notes.paragraphs[k] === paragraph && notes.notes[k] === notes.notes[first]) k += 1;
    const { leading } = paragraph.styled.style;
    fragments.push({ paragraph, from: notes.lineOf[first], to: notes.lineOf[k - 1] + 1, x, y: y + leading });
    y += leading * (k - first);
  }
  return fragments;
}
