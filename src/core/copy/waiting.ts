// Styles that came in with a file and wait to be matched: in the spec they stand beside ours, set as text.
import type { IncomingStyle } from '../model/copy/manuscript';
import type { ParagraphStyle } from '../model/spec/spec';
import type { StyleTag } from '../model/copy/streams';

type Styles = Readonly<Record<StyleTag, ParagraphStyle>>;

/** The styles of a file that a spec has nothing for, each as one that waits. */
export function waitingStyles(incoming: readonly IncomingStyle[], own: Styles): Record<StyleTag, ParagraphStyle> {
  const found: Record<StyleTag, ParagraphStyle> = {};
  for (const { name, mappedTo, waits } of incoming) {
    if (!waits || mappedTo in own || mappedTo in found) continue;
    found[mappedTo] = { name: name.slice(0, LONGEST_NAME), basedOn: 'TX', waits: true };
  }
  return found;
}

/** Most characters of the name of a style. */
const LONGEST_NAME = 80;
