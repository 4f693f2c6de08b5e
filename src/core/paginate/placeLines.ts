// Gives the lines of a filled region their baselines: text down from the top, notes up from the foot line.
import { gridBaseline, type Fragment, type PageGeometry } from '../model/pages';
import type { Flow } from './flow';
import type { PlanColumn } from './pagePlan';
import type { FilledRegion } from './tracePages';

/** Fragments of the text of a region that begins `topLine` grid lines below the page's first. */
export function placeText(
  flow: Flow,
  region: FilledRegion,
  geometry: PageGeometry,
  topLine: number,
  column: PlanColumn,
): Fragment[] {
  return region.stretches.flatMap(({ item, setting, from, to, start }, index): Fragment[] => {
    const { height, source } = flow.items[item];
    const atEdge = index === 0 || index === region.stretches.length - 1;
    const isBare = source.ornament !== undefined && atEdge && region.endItem < flow.items.length;
    // A line of two grid lines stands on its lower one; smaller leading stands where it falls.
    const y = gridBaseline(geometry, topLine + start + height - 1);
    const paragraph = isBare ? source.ornament : setting.paragraph;
    const placed: Fragment = {
      paragraph,
      from,
      to,
      x: column.x + (source.shift ?? 0),
      y,
      ...(source.rules === undefined ? {} : { rules: { ...source.rules, width: column.width } }),
    };
    if (source.marginal === undefined) return [placed];
    const numbers = source.marginal
      .filter(({ line }) => line >= from && line < to)
      .map(({ line, paragraph: number }) => ({
        paragraph: number,
        from: 0,
        to: 1,
        x: column.x + column.width - number.broken.textWidth[0] - number.broken.x[0],
        y: y + (line - from) * height * geometry.leading,
      }));
    return [placed, ...numbers];
  });
}

export interface PlacedNotes {
  readonly fragments: Fragment[];
  /** Baseline above which the rule stands; null without notes. */
  readonly top: number | null;
  readonly continued: boolean;
}

/** The notes of a region; the last line of the last note stands on the foot line of its spread. */
export function placeNotes(
  flow: Flow,
  region: FilledRegion,
  geometry: PageGeometry,
  lines: number,
  column: PlanColumn,
): PlacedNotes {
  const fragments: Fragment[] = [];
  let y = gridBaseline(geometry, lines + region.depth - 1);
  let top: number | null = null;
  for (let k = region.noteTo - 1; k >= region.noteFrom;) {
    const paragraph = flow.noteParagraphs[k];
    const last = flow.noteLineOf[k];
    while (k >= region.noteFrom && flow.noteParagraphs[k] === paragraph) k -= 1;
    const first = flow.noteLineOf[k + 1];
    const { leading } = paragraph.styled.style;
    y -= leading * (last - first);
    fragments.push({ paragraph, from: first, to: last + 1, x: column.x, y });
    top = y - leading;
    y -= leading;
  }
  const continued = region.noteTo > region.noteFrom && flow.noteStarts[region.noteFrom] === 0;
  return { fragments: fragments.reverse(), top, continued };
}
