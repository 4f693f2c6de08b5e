// A lead-in over the first line: what stands on it depends on how it is set, so it is set until both agree.
import type { StyleInterner } from '../../styles';
import type { ResolvedStyle } from '../../model/composed/styled';
import type { Paragraph } from '../../model/copy/streams';
import type { ParagraphEntry } from '../stageCache';

/** Times that a paragraph is set before the last line found is taken as it is. */
const MOST_TRIES = 5;

/** Characters of the first line when the paragraph was last set: the next time begins with them. */
const known = new WeakMap<Paragraph, number>();

export function withFirstLine(
  block: Paragraph,
  style: ResolvedStyle,
  set: (style: ResolvedStyle) => ParagraphEntry,
  interner: StyleInterner,
): ParagraphEntry {
  const led = (count: number) => interner.intern({ ...style, lead: { ...style.lead!, count } });
  let count = known.get(block) ?? 0;
  let entry = set(led(count));
  for (let tries = 1; tries < MOST_TRIES; tries += 1) {
    const end = entry.composed.broken.to[0];
    if (end === count) break;
    count = end;
    entry = set(led(count));
  }
  known.set(block, count);
  return entry;
}
