// Elements that other elements only wrap: content controls, custom XML, tracked insertions (ECMA-376, part 1, 17.5, 17.13.5).
import { elements, maybeChild, type XmlElement } from '../../base/xml';

/** What stands inside these is read as if it stood in their place. */
export const TRANSPARENT: ReadonlySet<string> = new Set([
  'w:hyperlink',
  'w:smartTag',
  'w:ins',
  'w:moveTo',
  'w:fldSimple',
  'w:sdt',
  'w:sdtContent',
  'w:bdo',
  'w:dir',
  'w:customXml',
]);

/** Children of a name in their order, however deep they are wrapped: the rows of a table, the cells of a row. */
export function wrappedChildren(parent: XmlElement, name: string): XmlElement[] {
  const found: XmlElement[] = [];
  const open = elements(parent).reverse();
  for (let element = open.pop(); element !== undefined; element = open.pop()) {
    if (element.name === name) found.push(element);
    else if (TRANSPARENT.has(element.name)) open.push(...elements(element).reverse());
  }
  return found;
}

/** Of two ways to say the same thing the one that is meant first, else the other (part 3, 10.2). */
export const alternative = (element: XmlElement): XmlElement | undefined =>
  maybeChild(element, 'mc:Choice') ?? maybeChild(element, 'mc:Fallback');
