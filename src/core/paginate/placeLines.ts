// Gives the lines of a filled page their baselines: text on the grid from the top, notes up from the foot line.
import { gridBaseline, type Fragment, type PageGeometry } from '../model/pages';
import type { FilledPage } from './fillPages';
import type { Flow } from './flow';

const SLACK = 1e-3;

/** Fragments of the text of a page that begins `topLine` grid lines below its first. */
export function placeText(flow: Flow, page: FilledPage, geometry: PageGeometry, topLine: number): Fragment[] {
  const fragments: Fragment[] = [];
  let used = 0;
  for (let line = page.from; line < page.to;) {
    const { paragraph } = flow.paragraphs[flow.paragraphOf[line]];
    const first = line;
    let start = first === page.from ? 0 : used + flow.gap[first];
    if (flow.onGrid[first]) start = Math.ceil(start - SLACK);
    // A line of two grid lines stands on its lower one; smaller leading stands where it falls.
    const y = gridBaseline(geometry, topLine + start + flow.height[first] - 1);
    while (line < page.to && flow.paragraphOf[line] === flow.paragraphOf[first]) line += 1;
    used = start + flow.height[first] * (line - first);
    fragments.push({ paragraph, from: flow.lineOf[first], to: flow.lineOf[first] + line - first, y });
  }
  return fragments;
}

export interface PlacedNotes {
  readonly fragments: Fragment[];
  /** Baseline above which the rule stands; null without notes. */
  readonly top: number | null;
  readonly continued: boolean;
}

/** The notes of a page; the last line of the last note stands on the foot line. */
export function placeNotes(flow: Flow, page: FilledPage, geometry: PageGeometry): PlacedNotes {
  const fragments: Fragment[] = [];
  let y = gridBaseline(geometry, geometry.lines - 1);
  let top: number | null = null;
  for (let k = page.noteTo - 1; k >= page.noteFrom;) {
    const paragraph = flow.noteParagraphs[k];
    const last = flow.noteLineOf[k];
    while (k >= page.noteFrom && flow.noteParagraphs[k] === paragraph) k -= 1;
    const first = flow.noteLineOf[k + 1];
    const { leading } = paragraph.styled.style;
    y -= leading * (last - first);
    fragments.push({ paragraph, from: first, to: last + 1, y });
    top = y - leading;
    y -= leading;
  }
  const continued = page.noteTo > page.noteFrom && flow.noteStarts[page.noteFrom] === 0;
  return { fragments: fragments.reverse(), top, continued };
}
