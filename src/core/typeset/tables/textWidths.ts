// Widths inside a line that is not justified: up to a place in it, and of its words.
import type { FaceLibrary } from '../../fonts/faceLibrary';
import type { ComposedParagraph } from '../../model/composed/pages';
import type { Pt } from '../../model/spec/length';

/** Points from the beginning of the set text to each of its offsets, and to its end. */
export function widthsTo({ styled, shaped }: ComposedParagraph, library: FaceLibrary): Float64Array {
  const widths = new Float64Array(styled.text.length + 1);
  styled.runs.forEach((run, k) => {
    const scale = run.size / library.font(run.face).unitsPerEm;
    for (let glyph = shaped.runStarts[k]; glyph < shaped.runStarts[k + 1]; glyph += 1)
      widths[shaped.clusters[glyph] + 1] += shaped.advances[glyph] * scale + (run.tracking * run.size) / 1000;
  });
  for (let k = 1; k < widths.length; k += 1) widths[k] += widths[k - 1];
  return widths;
}

/** The words of a text as they are parted at spaces: the width of each, and that of the space after it. */
export interface WordWidths {
  readonly words: readonly Pt[];
  readonly space: Pt;
}

const PARTED = /[^\s\u00A0\u202F\u2060]+(?:[\u00A0\u202F\u2060]+[^\s\u00A0\u202F\u2060]+)*/gu;

/** The words of a composed paragraph. */
export function wordWidths(paragraph: ComposedParagraph, library: FaceLibrary): WordWidths {
  const { text } = paragraph.styled;
  const at = widthsTo(paragraph, library);
  const words: Pt[] = [];
  let spaces = 0;
  let count = 0;
  let before = -1;
  for (const { index, 0: word } of text.matchAll(PARTED)) {
    const [from, to] = [at[index], at[index + word.length]];
    if (before >= 0) {
      spaces += from - before;
      count += 1;
    }
    words.push(to - from);
    before = to;
  }
  return { words, space: count === 0 ? 0 : spaces / count };
}

/** Lines that words come to in a width, each line as full as it can be. A word that is wider than it has a line of its own. */
export function linesIn({ words, space }: WordWidths, width: Pt): number {
  let lines = 1;
  let used = -space;
  for (const word of words) {
    if (used >= 0 && used + space + word > width + SLACK) {
      lines += 1;
      used = word;
    } else used += space + word;
  }
  return lines;
}

const SLACK = 0.01;
