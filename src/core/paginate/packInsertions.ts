// The insertions of a reach as the search counts them: notes at the foot as lines in a row, floats one after another.
import type { ComposedParagraph } from '../model/composed/pages';
import {
  depthOfWhole,
  isFloat,
  notesAt,
  type FloatPlace,
  type FlowFloat,
  type FlowNote,
  type FlowParagraph,
} from './flowParagraph';
import { exactHeight, type NoteLines } from './noteBlocks';

/** The note lines of a flow in the order of their references, and how many come before each paragraph. */
export function packNotes(
  paragraphs: readonly Pick<FlowParagraph, 'insertions'>[],
  leading: number,
  join: NoteLines['join'],
): { readonly noteStart: Int32Array; readonly notes: NoteLines } {
  const noteStart = new Int32Array(paragraphs.length + 1);
  const heights: number[] = [0];
  const starts: number[] = [];
  const noteParagraphs: ComposedParagraph[] = [];
  const lines: number[] = [];
  const notes: FlowNote[] = [];
  const joined: number[] = [];
  let arePlain = true;
  paragraphs.forEach((item, index) => {
    if (item.insertions.length > 0)
      for (const note of notesAt(item, 'foot')) {
        const runsOn = isJoined(note);
        if (runsOn || note.layout.columns > 1) arePlain = false;
        note.paragraphs.forEach((paragraph, order) => {
          // A note is as high wherever it stands in the flow.
          const height = exactHeight(paragraph.styled.style.leading, leading);
          const { count } = paragraph.broken;
          for (let k = 0; k < (runsOn ? 1 : count); k += 1) {
            heights.push(heights[heights.length - 1] + (runsOn ? count : 1) * height);
            starts.push(order === 0 && k === 0 ? 1 : 0);
            noteParagraphs.push(paragraph);
            lines.push(k);
            notes.push(note);
            joined.push(runsOn ? 1 : 0);
          }
        });
      }
    noteStart[index + 1] = lines.length;
  });
  return {
    noteStart,
    notes: {
      height: Float64Array.from(heights),
      starts: Uint8Array.from(starts),
      paragraphs: noteParagraphs,
      lineOf: Int32Array.from(lines),
      notes,
      joined: Uint8Array.from(joined),
      arePlain,
      leading,
      join,
      known: new Map(),
    },
  };
}

/** A float of a reach. */
export interface PackedFloat {
  /** Index of the paragraph that refers to it. */
  readonly anchor: number;
  /** Grid lines, the space below it included. */
  readonly height: number;
  /** Where the paragraph itself is what floats: it stands in its place or on a later page, never before it. */
  readonly isPicture: boolean;
  readonly place: FloatPlace;
  /** The picture with what stands under it. */
  readonly figure: FlowParagraph;
  readonly half?: FlowFloat['half'];
}

/** Grid lines of white below a picture at the head of a region, at least. */
const BELOW = 1;
const SLACK = 1e-3;

/** The floats of a flow in the order of their references, and how many come before each paragraph. */
export function packFloats(
  paragraphs: readonly FlowParagraph[],
  leading: number,
): {
  readonly floatStart: Int32Array;
  readonly floats: readonly PackedFloat[];
} {
  const floatStart = new Int32Array(paragraphs.length + 1);
  const floats: PackedFloat[] = [];
  paragraphs.forEach((paragraph, anchor) => {
    for (const insertion of paragraph.insertions)
      if (isFloat(insertion)) {
        const { height, place, figure, half } = insertion;
        floats.push({ anchor, height, isPicture: false, place, figure, ...(half === undefined ? {} : { half }) });
      }
    if (paragraph.mayPass)
      floats.push({
        anchor,
        height: Math.ceil(depthOfWhole(paragraph, leading) - SLACK) + BELOW,
        isPicture: true,
        place: 'head',
        figure: paragraph,
      });
    floatStart[anchor + 1] = floats.length;
  });
  return { floatStart, floats };
}

/** Lines of a short note, set alone. */
const SHORT_LINES = 2;

/** Whether a note runs on with those around it. */
export const isJoined = ({ layout, paragraphs }: FlowNote): boolean =>
  layout.runsOn && paragraphs.length === 1 && paragraphs[0].broken.count <= SHORT_LINES;
