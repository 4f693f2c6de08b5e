// What two flows of a reach, before and after an edit, have in common at both ends.
import type { Flow, FlowItem } from './flow';

/** How many paragraphs at both ends two flows have in common. */
export function commonEnds(a: Flow, b: Flow): [number, number] {
  if (a.floats !== b.floats && (a.floats.length > 0 || b.floats.length > 0)) return [0, 0];
  const most = Math.min(a.items.length, b.items.length);
  let same = 0;
  while (same < most && isSame(a.items[same], b.items[same])) same += 1;
  let behind = 0;
  while (behind < most - same && isSame(a.items[a.items.length - 1 - behind], b.items[b.items.length - 1 - behind]))
    behind += 1;
  return [same, behind];
}

const isSame = (a: FlowItem, b: FlowItem) => a.source === b.source;
