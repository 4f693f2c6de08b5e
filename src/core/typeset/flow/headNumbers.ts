// Numbers of heads as they are set: run in before the words, hanging beside them, or on a line of their own above.
import type { ResolvedStyle } from '../../model/composed/styled';
import { paragraph as makeParagraph, type Paragraph, type StyleTag } from '../../model/copy/streams';
import type { DivisionRole } from '../../model/copy/roles';
import { tagOfMeaning } from '../../copy/meanings';
import { PLAIN_TEXT } from '../../copy/plainTags';
import type { HeadNumber } from '../../numbering/numberHeads';
import type { ComposeContext } from './composeContext';

export interface SetNumber {
  /** Put before the words. */
  readonly prefix: string;
  readonly prefixStyle: StyleTag | null;
  /** The style with room for a number that hangs. */
  readonly style: ResolvedStyle;
}

/** Half an em of fixed white. */
const HALF_EM = '\u2002';

/** The number before a head's words; one on a line of its own, or none, puts nothing there. */
export function setNumber(number: HeadNumber | undefined, style: ResolvedStyle): SetNumber {
  if (number === undefined || number.scheme.place === 'ownLine') return { prefix: '', prefixStyle: null, style };
  const { scheme, text } = number;
  if (scheme.place === 'runIn') {
    const white = HALF_EM.repeat(Math.max(1, Math.round(scheme.gap * 2)));
    return { prefix: text + white, prefixStyle: scheme.style, style };
  }
  const hang = scheme.gap * style.size;
  const hanging = { ...style, leftIndent: style.leftIndent + hang, firstIndent: -hang };
  return { prefix: `${text}\t`, prefixStyle: scheme.style, style: hanging };
}

const ownLines = new WeakMap<Paragraph, Map<StyleTag, Paragraph>>();

/** The blocks with the numbers that stand on lines of their own; a number's paragraph has its head's id and no text. */
export function withNumberLines(
  blocks: readonly Paragraph[],
  role: DivisionRole,
  { numbers, book }: ComposeContext,
): readonly Paragraph[] {
  if (numbers.size === 0) return blocks;
  const hasLine = (block: Paragraph) => numbers.get(block.id)?.scheme.place === 'ownLine';
  if (!blocks.some(hasLine)) return blocks;
  const { styles } = book.spec;
  const meaning = role === 'part' ? 'partNumber' : 'chapterNumber';
  const tag = tagOfMeaning(styles, meaning) ?? tagOfMeaning(styles, 'chapterNumber') ?? PLAIN_TEXT;
  return blocks.flatMap((block) =>
    hasLine(block) ? [numberLine(block, numbers.get(block.id)!.scheme.style ?? tag), block] : [block],
  );
}

function numberLine(head: Paragraph, tag: StyleTag): Paragraph {
  const known = ownLines.get(head) ?? new Map<StyleTag, Paragraph>();
  ownLines.set(head, known);
  const made = known.get(tag) ?? makeParagraph(head.id, tag, '');
  known.set(tag, made);
  numberLines.add(made);
  return made;
}

const numberLines = new WeakSet<Paragraph>();

/** True for a paragraph that was made for the number of the head after it. */
export const isNumberLine = (block: Paragraph): boolean => numberLines.has(block);
