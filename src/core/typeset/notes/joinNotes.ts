// Short notes that run on: several as one paragraph, each with its number, parted by an em of white.
import type { TextLink } from '../../model/composed/links';
import type { ComposedParagraph } from '../../model/composed/pages';
import { normaliseSpans, type InlineObject, type Paragraph, type Span, type StreamId } from '../../model/copy/streams';
import { appendCopy } from '../flow/appendCopy';
import { composeOne, styleOf, type Before } from '../flow/composeBlocks';
import type { ComposeContext } from '../flow/composeContext';
import { kindOf, numberOf } from './composeNotes';

const BETWEEN = '\u2003';

/** Joined paragraphs by the block of their first note and what the others are: the same ones while nothing changes. */
const known = new WeakMap<Paragraph, Map<string, Joined>>();
const MOST_KNOWN = 40;

/** The paragraph of notes that follow one another; all of one kind, each of one paragraph. */
export function joinNotes(notes: readonly StreamId[], compose: ComposeContext): ComposedParagraph {
  const kind = kindOf(notes[0], compose);
  const blocks = notes.map((note) => compose.book.notes[note].blocks[0] as Paragraph);
  const numbers = notes.map((note) => numberOf(note, kind, compose));
  const joined = joinedOf(blocks, numbers);
  const style = styleOf(kind.style, compose);
  const links = joined.numbers.map(({ from, to }, k): TextLink => ({
    ...{ from, to },
    target: { kind: 'noteReference', note: notes[k + 1] },
  }));
  const { composed } = composeOne(notes[0], joined.paragraph, style, { ...numbers[0], links }, compose, 'none');
  let told = withNumbers.get(composed);
  if (told === undefined) {
    const later = joined.numbers.map((number, k) => ({ ...number, note: notes[k + 1] }));
    withNumbers.set(composed, (told = { ...composed, joined: later }));
  }
  return told;
}

/** The paragraph that was set, with the notes that it holds: one object while it is one. */
const withNumbers = new WeakMap<ComposedParagraph, ComposedParagraph>();

/** A joined paragraph, and where in it the numbers of its notes but the first stand. */
interface Joined {
  readonly paragraph: Paragraph;
  readonly numbers: readonly { readonly from: number; readonly to: number }[];
}

function joinedOf(blocks: readonly Paragraph[], numbers: readonly Before[]): Joined {
  const byKey = known.get(blocks[0]) ?? new Map<string, Joined>();
  known.set(blocks[0], byKey);
  const key = JSON.stringify(blocks.map((block, k) => [numbers[k], block.id, block.text, block.spans, block.objects]));
  let made = byKey.get(key);
  if (made === undefined) {
    if (byKey.size > MOST_KNOWN) byKey.clear();
    byKey.set(key, (made = join(blocks, numbers)));
  }
  return made;
}

function join(blocks: readonly Paragraph[], numbers: readonly Before[]): Joined {
  let text = '';
  const spans: Span[] = [];
  const objects: InlineObject[] = [];
  const places: { from: number; to: number }[] = [];
  blocks.forEach((block, k) => {
    // The number of the first is put before the whole.
    if (k > 0) {
      const { prefix, prefixSign } = numbers[k];
      const start = text.trimEnd().length + BETWEEN.length;
      text = `${text.trimEnd()}${BETWEEN}${prefix}`;
      places.push({ from: start, to: text.trimEnd().length });
      if (prefixSign !== undefined) spans.push({ from: start, to: start + prefixSign.to, style: 'sup' });
    }
    const at = text.length;
    text += block.text;
    appendCopy(spans, objects, block, at);
  });
  return { paragraph: { ...blocks[0], text, spans: normaliseSpans(spans), objects }, numbers: places };
}
