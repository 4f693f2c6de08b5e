// The lines of a paragraph that stands in columns of several widths, put together of its settings to each.
import type { BrokenParagraph } from './broken';

/** Lines of one setting: from inclusive, to exclusive. */
export interface LinePiece {
  readonly broken: BrokenParagraph;
  readonly from: number;
  readonly to: number;
}

type PerLine = Uint32Array | Uint16Array | Uint8Array | Float32Array;

/** The pieces, each of which begins in the text where the one before ends, as the lines of one paragraph. */
export function joinLines(text: string, pieces: readonly LinePiece[]): BrokenParagraph {
  const count = pieces.reduce((sum, { from, to }) => sum + to - from, 0);
  const joined: Record<string, unknown> = { ...pieces[0].broken, count, tabs: joinTabs(text, pieces) };
  for (const [key, first] of Object.entries(pieces[0].broken)) {
    if (!ArrayBuffer.isView(first)) continue;
    const made = new (first.constructor as new (length: number) => PerLine)(count);
    let at = 0;
    for (const { broken, from, to } of pieces) {
      made.set((broken[key as keyof BrokenParagraph] as PerLine).subarray(from, to), at);
      at += to - from;
    }
    joined[key] = made;
  }
  return joined as unknown as BrokenParagraph;
}

/** A tab is as wide as the piece says in which it stands. */
function joinTabs(text: string, pieces: readonly LinePiece[]): BrokenParagraph['tabs'] {
  if (!pieces[0].broken.tabs) return null;
  const widths: number[] = [];
  const leaders: string[] = [];
  let piece = 0;
  for (let at = text.indexOf('\t'); at >= 0; at = text.indexOf('\t', at + 1)) {
    while (piece + 1 < pieces.length && at >= pieces[piece + 1].broken.from[pieces[piece + 1].from]) piece += 1;
    const { tabs } = pieces[piece].broken;
    widths.push(tabs?.widths[widths.length] ?? 0);
    leaders.push(tabs?.leaders[leaders.length] ?? '');
  }
  return { widths: Float32Array.from(widths), leaders };
}
