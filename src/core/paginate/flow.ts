// A reach as the page optimiser sees it: its lines in order, packed, with the gaps between them, the grid that they keep,
// where a page may not end, and the note lines that each line brings to its page.
import type { ComposedParagraph } from '../model/pages';

/** A paragraph in the flow, with the grid lines kept free before it when it is not first on its page. */
export interface FlowParagraph {
  readonly paragraph: ComposedParagraph;
  readonly gap: number;
  /** Notes whose references stand in it, with the line of each reference. */
  readonly notes: readonly FlowNote[];
}

export interface FlowNote {
  readonly line: number;
  readonly paragraphs: readonly ComposedParagraph[];
}

/** Why a page may not end before a line. Larger is worse; the sum of those given up is what a page break costs. */
export const BREAK_FAULT = { none: 0, orphan: 1, widow: 2, strandedHead: 3 } as const;

/** Heights are in grid lines. Arrays have one element per line unless said. */
export interface Flow {
  readonly paragraphs: readonly FlowParagraph[];
  readonly count: number;
  readonly paragraphOf: Uint32Array;
  readonly lineOf: Uint32Array;
  readonly height: Float32Array;
  /** Gap above when the line is not first on its page. */
  readonly gap: Float32Array;
  /** 1: the line's baseline stands on the grid. */
  readonly onGrid: Uint8Array;
  /** One of BREAK_FAULT: what ending a page before this line would be. */
  readonly fault: Uint8Array;
  /** Lines of notes that belong to lines before this one; count + 1 elements. */
  readonly noteLinesBefore: Uint32Array;
  /** Height of each note line, and 1 where a note begins. */
  readonly noteHeight: Float32Array;
  readonly noteStarts: Uint8Array;
  /** Paragraph and line of each note line. */
  readonly noteParagraphs: readonly ComposedParagraph[];
  readonly noteLineOf: Uint32Array;
}

/** Lines that stay together at a page's foot and head (house rules, section 2). */
const LINES_TOGETHER = 2;
const ON_GRID = 1e-3;

export function makeFlow(paragraphs: readonly FlowParagraph[], leading: number): Flow {
  const count = paragraphs.reduce((sum, item) => sum + item.paragraph.broken.count, 0);
  const flow = {
    paragraphs,
    count,
    paragraphOf: new Uint32Array(count),
    lineOf: new Uint32Array(count),
    height: new Float32Array(count),
    gap: new Float32Array(count),
    onGrid: new Uint8Array(count),
    fault: new Uint8Array(count),
    noteLinesBefore: new Uint32Array(count + 1),
  };
  const noteHeight: number[] = [];
  const noteStarts: number[] = [];
  const noteParagraphs: ComposedParagraph[] = [];
  const noteLineOf: number[] = [];
  let at = 0;
  paragraphs.forEach((item, index) => {
    const { broken, styled } = item.paragraph;
    const height = styled.style.leading / leading;
    const onGrid = Math.abs(height - Math.round(height)) < ON_GRID ? 1 : 0;
    for (let line = 0; line < broken.count; line += 1, at += 1) {
      flow.paragraphOf[at] = index;
      flow.lineOf[at] = line;
      flow.height[at] = height;
      flow.gap[at] = line === 0 ? item.gap : 0;
      flow.onGrid[at] = onGrid;
      flow.fault[at] = faultBefore(paragraphs, index, line);
      for (const note of item.notes) {
        if (note.line !== line) continue;
        note.paragraphs.forEach((paragraph, order) => {
          for (let k = 0; k < paragraph.broken.count; k += 1) {
            noteHeight.push(paragraph.styled.style.leading / leading);
            noteStarts.push(order === 0 && k === 0 ? 1 : 0);
            noteParagraphs.push(paragraph);
            noteLineOf.push(k);
          }
        });
      }
      flow.noteLinesBefore[at + 1] = noteHeight.length;
    }
  });
  return {
    ...flow,
    noteHeight: Float32Array.from(noteHeight),
    noteStarts: Uint8Array.from(noteStarts),
    noteParagraphs,
    noteLineOf: Uint32Array.from(noteLineOf),
  };
}

/**
 * What ending a page before a line would be. A widow is a paragraph's last line alone at a page top, an orphan its first
 * alone at a page foot; a head is stranded unless two lines of what follows stand on its page.
 */
function faultBefore(paragraphs: readonly FlowParagraph[], index: number, line: number): number {
  const { broken, styled } = paragraphs[index].paragraph;
  if (styled.style.withNext && (line > 0 || index === 0)) return line > 0 ? BREAK_FAULT.strandedHead : BREAK_FAULT.none;
  if (line === 0)
    return index > 0 && paragraphs[index - 1].paragraph.styled.style.withNext
      ? BREAK_FAULT.strandedHead
      : BREAK_FAULT.none;
  const afterHead = index > 0 && paragraphs[index - 1].paragraph.styled.style.withNext;
  if (line < LINES_TOGETHER && broken.count > 1) return afterHead ? BREAK_FAULT.strandedHead : BREAK_FAULT.orphan;
  if (broken.count - line < LINES_TOGETHER) return BREAK_FAULT.widow;
  return BREAK_FAULT.none;
}
