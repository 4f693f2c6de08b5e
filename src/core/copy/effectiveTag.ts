// First paragraphs are derived, never tagged by hand: cutting a head or a break away never leaves a wrong indent.
import type { Block, StyleTag } from '../model/copy/streams';
import type { Meaning, Spec } from '../model/spec/spec';
import { isOpenerPart, meaningOfTag } from './meanings';
import { PLAIN_TEXT } from './plainTags';

/** After these a paragraph of text is a first one: no indent (house rules, section 5). */
const isBeforeFirst = (meaning: Meaning): boolean =>
  isOpenerPart(meaning) ||
  meaning.startsWith('heading') ||
  meaning === 'break' ||
  meaning === 'listItem' ||
  meaning === 'table';

/** After an extract or verse a small letter goes on in the sentence that led to it. */
const GOES_ON = /^\s*\p{Ll}/u;

/** True for a paragraph without words or objects: the file's spacing. */
export function isEmptyParagraph(block: Block): boolean {
  return (
    block.kind === 'paragraph' && block.table === undefined && block.objects.length === 0 && block.text.trim() === ''
  );
}

/** The tag by which a block is set and shown, from its own and from what stands before it, empty paragraphs left out. */
export function effectiveTag(blocks: readonly Block[], index: number, styles: Spec['styles']): StyleTag {
  const block = blocks[index];
  if (block.style !== PLAIN_TEXT || isEmptyParagraph(block)) return block.style;
  let before = index - 1;
  while (before >= 0 && isEmptyParagraph(blocks[before])) before -= 1;
  if (before < 0) return 'TXF';
  const previous = blocks[before];
  if (previous.kind === 'table') return 'TXF';
  const meaning = meaningOfTag(styles, previous.style);
  if (isBeforeFirst(meaning)) return 'TXF';
  const goesOn =
    (meaning === 'extract' || meaning === 'verse') && block.kind === 'paragraph' && GOES_ON.test(block.text);
  return goesOn && styles.TXC !== undefined ? 'TXC' : PLAIN_TEXT;
}
