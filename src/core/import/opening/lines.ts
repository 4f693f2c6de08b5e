// The lines of the first pages as a reader of them sees them: what each says, how it stands, where a page ends.
import { isItalic } from '../../copy/dress';
import { wordsOfBlock } from '../../copy/firstPages';
import { isEmptyParagraph } from '../../copy/effectiveTag';
import type { Manuscript } from '../../model/copy/manuscript';
import { isPictureAlone, type Block } from '../../model/copy/streams';

export interface Line {
  readonly block: Block;
  readonly words: string;
  readonly isCentred: boolean;
  readonly isRight: boolean;
  readonly isItalic: boolean;
  /** In the style of a quotation, a verse or an epigraph. */
  readonly isQuoted: boolean;
  readonly isPicture: boolean;
  /** White space stands above it, or nothing says how far it is from the line before. */
  readonly isApart: boolean;
}

/** The lines between two breaks of a page, or of marks; `mark`: the break that stood before it. */
export interface LinePage {
  readonly lines: readonly Line[];
  readonly mark: Block | null;
}

const QUOTED: ReadonlySet<string> = new Set(['EXT', 'VRS', 'EPI']);

/** The blocks as pages of lines; empty paragraphs are the space between lines. */
export function pagesOf(blocks: readonly Block[], { stands, styles }: Manuscript): LinePage[] {
  const alignOf = new Map(
    styles
      .map(({ look, blocks: ids }) => [look?.align, ids] as const)
      .flatMap(([align, ids]) => ids.map((id) => [id, align] as const)),
  );
  const pages: { lines: Line[]; mark: Block | null }[] = [];
  let current: { lines: Line[]; mark: Block | null } = { lines: [], mark: null };
  const end = (mark: Block | null) => {
    if (current.lines.length > 0) pages.push(current);
    current = { lines: [], mark };
  };
  // Only a file that sets lines without space between them says anything by the space.
  const saysClose = blocks.some(({ id }) => stands?.[id]?.isClose);
  const saysApart = blocks.some(isEmptyParagraph);
  let isAfterSpace = true;
  for (const block of blocks) {
    const stand = stands?.[block.id];
    if (block.style === 'SB' || block.style === 'SBO') {
      end(block);
      isAfterSpace = true;
      continue;
    }
    const begins = block.kind === 'paragraph' && block.touches?.breakBefore === true;
    if (begins || stand?.isOnNewPage) end(null);
    if (isEmptyParagraph(block)) {
      isAfterSpace = true;
      continue;
    }
    const align = block.kind === 'paragraph' ? (block.touches?.align ?? alignOf.get(block.id)) : undefined;
    current.lines.push({
      block,
      words: wordsOfBlock(block),
      isCentred: align === 'centre' || stand?.isCentred === true,
      isRight: align === 'right',
      isItalic: block.kind === 'paragraph' && isItalic(block),
      isQuoted: QUOTED.has(block.style),
      isPicture: isPictureAlone(block),
      isApart: stand?.isClose !== true && (saysClose || !saysApart || isAfterSpace),
    });
    isAfterSpace = false;
  }
  end(null);
  return pages;
}

/** Runs of lines without space between them. */
export function clustersOf(lines: readonly Line[]): Line[][] {
  const clusters: Line[][] = [];
  for (const line of lines) {
    if (line.isApart || clusters.length === 0) clusters.push([line]);
    else clusters[clusters.length - 1].push(line);
  }
  return clusters;
}

export const wordCount = (lines: readonly Line[]): number =>
  lines.reduce((sum, { words }) => sum + (words === '' ? 0 : words.split(' ').length), 0);

/** Letters and figures in small letters: what two lines that say the same have in common. */
export const sameWords = (words: string): string =>
  words
    .normalize('NFKD')
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim();
