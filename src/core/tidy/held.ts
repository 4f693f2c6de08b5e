// What safe jobs leave alone, because changing it could harm: paths, addresses and code, which mean what is typed; lines
// whose spaces are their shape. A job that meets one of these does nothing there, or is one to look at first.
import type { Block, Paragraph } from '../model/copy/streams';

/** Signs of a token (what stands between white space) in which nothing is replaced. */
const TECHNICAL =
  /:\/\/|\\|^www\.|@\p{L}[\p{L}\p{N}.-]*\.\p{L}|[\p{L}\p{N}_.~-]\/[\p{L}\p{N}_.~-]*\/|^[~.]{0,3}\/[\p{L}\p{N}_]|[{}<>|=]|\(\)|;$|^--?[a-z][a-z-]*(?:=|$)|\p{L}_\p{L}|\p{L}\.(?:txt|docx?|odt|rtf|pdf|epub|html?|md|js|ts|py|css|json|xml|com|org|net)(?:$|[),;:])/u;

/** Whether a stretch of a text touches a path, an address or code. */
export function isTechnical(text: string, from: number, to: number): boolean {
  let start = from;
  while (start > 0 && !/\s/.test(text[start - 1])) start -= 1;
  let end = Math.max(to, start);
  while (end < text.length && !/\s/.test(text[end])) end += 1;
  return text
    .slice(start, end)
    .split(/\s+/)
    .some((token) => TECHNICAL.test(token));
}

/** Lines shorter than this may be verse, code or a table typed with spaces. */
const SHORT_LINE = 60;

const isShort = (block: Block | undefined): block is Paragraph =>
  block?.kind === 'paragraph' && block.text.trim() !== '' && block.text.length < SHORT_LINE;

/**
 * Whether the white space at the start of a paragraph is its shape: it stands among short lines of other indents, as verse and
 * code do. `indentOf`: how far in a paragraph begins.
 */
export function isShaped(blocks: readonly Block[], index: number, indentOf: (paragraph: Paragraph) => number): boolean {
  const own = blocks[index];
  if (!isShort(own)) return false;
  return [blocks[index - 1], blocks[index + 1]].some((other) => isShort(other) && indentOf(other) !== indentOf(own));
}
