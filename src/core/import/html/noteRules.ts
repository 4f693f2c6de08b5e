// Rules that part the text of a file from its notes.
import { elements, type XmlElement } from '../../base/xml';

/** Rules after which nothing but notes comes in their element. */
export function rulesBeforeNotes(root: XmlElement, bodies: ReadonlySet<XmlElement>): Set<XmlElement> {
  const found = new Set<XmlElement>();
  if (bodies.size === 0) return found;
  const open: XmlElement[] = [root];
  for (let next = open.pop(); next !== undefined; next = open.pop()) {
    const children = elements(next);
    const isOfNotes = (one: XmlElement) =>
      bodies.has(one) ||
      (one.children.length > 0 && elements(one).length > 0 && elements(one).every((child) => bodies.has(child)));
    const rule = children.findLastIndex(({ name }) => name === 'hr');
    const after = children.slice(rule + 1);
    if (rule >= 0 && after.length > 0 && after.every(isOfNotes)) found.add(children[rule]);
    open.push(...children);
  }
  return found;
}
