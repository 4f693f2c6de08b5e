// What a stretch of the note lines of a reach comes to at the foot of a column: lines one under another, lines in columns of
// their own, short notes joined to one paragraph. The search asks for heights, the making of pages for what stands there.
import type { ComposedParagraph } from '../model/composed/pages';
import type { FlowNote, NoteLayout } from './flowParagraph';

/** Note lines of a reach in order. Arrays have an element per line; `height` one more: that of all lines before. */
export interface NoteLines {
  /** Heights in grid lines. */
  readonly height: Float64Array;
  /** 1 where a note begins. */
  readonly starts: Uint8Array;
  readonly paragraphs: readonly ComposedParagraph[];
  readonly lineOf: Int32Array;
  readonly notes: readonly FlowNote[];
  /** 1 for a short note that runs on: one line stands for all of it. */
  readonly joined: Uint8Array;
  /** Whether all of them are lines one under another: heights then are differences. */
  readonly arePlain: boolean;
  readonly leading: number;
  /** Sets short notes as one paragraph. */
  readonly join: (notes: readonly FlowNote[]) => ComposedParagraph;
  readonly known: Map<number, ComposedParagraph>;
}

/** Lines that stand together; `height` in grid lines. */
export type NoteBlock =
  | {
      readonly kind: 'lines';
      readonly from: number;
      readonly to: number;
      readonly height: number;
      readonly layout: NoteLayout;
      /** Lines of each column but the last. */
      readonly rows: number;
    }
  | {
      readonly kind: 'joined';
      readonly from: number;
      readonly to: number;
      readonly height: number;
      readonly layout: NoteLayout;
      readonly paragraph: ComposedParagraph;
    };

/** Parts of a grid line in which note heights are held: sums of so many binary places are without error. */
const EXACT_PARTS = 1 << 20;
const MOST_LINES = 1 << 20;

export const exactHeight = (points: number, leading: number): number =>
  Math.round((points / leading) * EXACT_PARTS) / EXACT_PARTS;

/** Height of the lines from `from` to `to`, exclusive, in grid lines. */
export function noteHeight(lines: NoteLines, from: number, to: number): number {
  if (to <= from) return 0;
  if (lines.arePlain) return lines.height[to] - lines.height[from];
  return noteBlocks(lines, from, to).reduce((sum, block) => sum + block.height, 0);
}

export function noteBlocks(lines: NoteLines, from: number, to: number): NoteBlock[] {
  const blocks: NoteBlock[] = [];
  for (let k = from; k < to;) {
    const { layout } = lines.notes[k];
    const isJoined = lines.joined[k] === 1;
    let end = k + 1;
    while (end < to && lines.notes[end].layout === layout && (lines.joined[end] === 1) === isJoined) end += 1;
    blocks.push(isJoined ? joinedBlock(lines, k, end, layout) : linesBlock(lines, k, end, layout));
    k = end;
  }
  return blocks;
}

function linesBlock(lines: NoteLines, from: number, to: number, layout: NoteLayout): NoteBlock {
  const { height } = lines;
  const { columns } = layout;
  if (columns === 1) return { kind: 'lines', from, to, height: height[to] - height[from], layout, rows: to - from };
  const rows = Math.ceil((to - from) / columns);
  let deepest = 0;
  for (let k = from; k < to; k += rows) deepest = Math.max(deepest, height[Math.min(k + rows, to)] - height[k]);
  return { kind: 'lines', from, to, height: deepest, layout, rows };
}

function joinedBlock(lines: NoteLines, from: number, to: number, layout: NoteLayout): NoteBlock {
  const key = from * MOST_LINES + to;
  let paragraph = lines.known.get(key);
  if (paragraph === undefined) {
    const notes = lines.notes.slice(from, to);
    paragraph = notes.length === 1 ? notes[0].paragraphs[0] : lines.join(notes);
    lines.known.set(key, paragraph);
  }
  const height = paragraph.broken.count * exactHeight(paragraph.styled.style.leading, lines.leading);
  return { kind: 'joined', from, to, height, layout, paragraph };
}
