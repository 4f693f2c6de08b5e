// HTML as the same small tree as XML, by the algorithm of the HTML standard: nothing runs, nothing is fetched.
import { parse, parseFragment, type DefaultTreeAdapterTypes as Parsed } from 'parse5';
import { MOST_ELEMENTS, tooMuch } from '../../base/limits';
import type { XmlElement } from '../../base/xml';

/** Deeper nesting than this is flattened to its words: no manuscript has it, and a walk over it would not end well. */
const DEEPEST = 300;

/** Throws ImportError `too-large` for a page of more tags than are read. */
export function parseHtml(text: string, isFragment = false): XmlElement {
  let tags = 0;
  for (let at = text.indexOf('<'); at >= 0; at = text.indexOf('<', at + 1)) tags += 1;
  if (tags > MOST_ELEMENTS) throw tooMuch(MOST_ELEMENTS, 'elements');
  return convert(isFragment ? parseFragment(text) : parse(text), 0);
}

function convert(node: Parsed.ParentNode, depth: number): XmlElement {
  const children: (XmlElement | string)[] = [];
  for (const child of node.childNodes) {
    if (isText(child)) children.push(child.value);
    else if (isElement(child)) {
      if (depth < DEEPEST) children.push(convert(child, depth + 1));
      else children.push(wordsOf(child));
    }
  }
  if (!isElement(node)) return { name: '', attributes: {}, children };
  const attributes: Record<string, string> = {};
  for (const { prefix, name, value } of node.attrs) attributes[prefix ? `${prefix}:${name}` : name] = value;
  return { name: node.tagName.toLowerCase(), attributes, children };
}

/** All text inside in order, without recursion. */
function wordsOf(root: Parsed.ParentNode): string {
  let words = '';
  const open: Parsed.ChildNode[] = [...root.childNodes].reverse();
  for (let node = open.pop(); node !== undefined; node = open.pop()) {
    if (isText(node)) words += node.value;
    else if (isElement(node)) for (let k = node.childNodes.length - 1; k >= 0; k -= 1) open.push(node.childNodes[k]);
  }
  return words;
}

const isText = (node: Parsed.Node): node is Parsed.TextNode => node.nodeName === '#text';
const isElement = (node: Parsed.Node): node is Parsed.Element => 'tagName' in node;
