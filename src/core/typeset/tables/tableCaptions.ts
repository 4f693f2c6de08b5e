// The captions of a table, which no page end parts from it, and the line that says that it goes on.
import { Remembered } from '../../base/remembered';
import type { ComposedParagraph } from '../../model/composed/pages';
import type { Pt } from '../../model/spec/length';
import { paragraph as makeParagraph, type Paragraph } from '../../model/copy/streams';
import type { SetText } from '../../paginate';
import { composeOne } from '../flow/composeBlocks';
import type { ComposeContext } from '../flow/composeContext';
import { composeMade } from '../flow/flowParagraph';
import { settingOf } from '../flow/settingOf';

export interface SetCaption {
  readonly block: Paragraph;
  readonly composed: ComposedParagraph;
}

/** The captions beside a table as they are set. */
export function composeCaptions(blocks: readonly Paragraph[], stream: string, compose: ComposeContext): SetCaption[] {
  return blocks.map((block, k) => {
    const { number, style } = settingOf(blocks, k, null, { count: 0, joins: false }, compose);
    return { block, composed: composeOne(block.stream ?? stream, block, style, number, compose, 'none').composed };
  });
}

/** Grid lines between a caption and its table. */
const APART = 1;

/** Points from the baseline above captions to that above the table under them: whole grid lines. */
export function depthOfCaptions(captions: readonly SetCaption[], grid: Pt): Pt {
  if (captions.length === 0) return 0;
  const lines = captions.reduce((sum, { composed }) => sum + composed.broken.count * composed.styled.style.leading, 0);
  return Math.ceil(lines / grid - 0.01) * grid + (APART * grid) / 2;
}

/** Captions one under another, down from a baseline above them. */
export function placeCaptions(captions: readonly SetCaption[], start: Pt): SetText[] {
  let y = start;
  return captions.map(({ composed }) => {
    const { leading } = composed.styled.style;
    const text = { paragraph: composed, from: 0, to: composed.broken.count, x: 0, y: y + leading };
    y += leading * composed.broken.count;
    return text;
  });
}

/** The label of a caption: its first word and the number after it. */
const LABEL = /^\S+\s+[\d.]*\d/;

/** The line over the heads where a table goes on, in the style of its caption; null without a caption, or where nothing is said. */
export function continuedLine(
  captions: readonly SetCaption[],
  continued: string,
  compose: ComposeContext,
): SetCaption | null {
  if (captions.length === 0 || continued === '') return null;
  const { composed, block } = captions[0];
  const parts = [continued, block, compose.book.spec, compose.measure, compose.context];
  return lines.take(composed, parts, () => makeLine(captions[0], continued, compose));
}

const lines = new Remembered<ComposedParagraph, SetCaption>();

function makeLine({ composed, block }: SetCaption, continued: string, compose: ComposeContext): SetCaption {
  const label = LABEL.exec(composed.styled.text)?.[0];
  const text = label === undefined ? continued : `${label}, ${continued}`;
  const line = makeParagraph(`${block.id}.on`, block.style, text);
  return { block: line, composed: composeMade(composed.styled.stream, line, composed.styled.style, compose) };
}
