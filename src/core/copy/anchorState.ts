// Anchors as the book has them now: made of a stretch of text, and asked whether their words still stand.
import type { Anchor } from '../model/copy/anchors';
import type { Block, Paragraph, StreamId } from '../model/copy/streams';

/** Most letters of a stretch that an anchor quotes, and of what follows a place. */
const MOST_QUOTED = 200;
const QUOTED_AFTER = 40;

/** An anchor on a stretch of a paragraph; `to` equal to `from`: on the place. Offsets outside the text are brought into it. */
export function anchorOn(
  stream: StreamId,
  { id, text }: Pick<Paragraph, 'id' | 'text'>,
  from: number,
  to = from,
): Anchor {
  const start = Math.max(0, Math.min(from, text.length));
  const end = Math.max(start, Math.min(to, text.length));
  return { stream, block: id, from: start, to: end, words: quoted(text, start, end) };
}

const quoted = (text: string, from: number, to: number) =>
  text.slice(from, to > from ? Math.min(to, from + MOST_QUOTED) : from + QUOTED_AFTER);

/** `stands`: word for word; `changed`: edited inside; `gone`: its first or last letter is not there any more. */
export type AnchorState = 'stands' | 'changed' | 'gone';

/** What has become of the words of an anchor; `block` is the one that it names, undefined when that is gone. */
export function anchorState({ from, to, words, lost }: Anchor, block: Block | undefined): AnchorState {
  if (lost !== undefined || block === undefined) return 'gone';
  if (words === '' || block.kind !== 'paragraph') return 'stands';
  const now = to > from ? quoted(block.text, from, to) : block.text.slice(from, from + words.length);
  return now === words ? 'stands' : 'changed';
}
