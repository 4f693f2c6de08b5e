// HTML as the same small tree as XML, by the algorithm of the HTML standard: nothing runs, nothing is fetched.
import { parse, parseFragment, type DefaultTreeAdapterTypes as Parsed } from 'parse5';
import type { XmlElement } from '../../base/xml';

/** Deeper nesting than this is flattened to its words: no manuscript has it, and a walk over it would not end well. */
const DEEPEST = 300;

export function parseHtml(text: string, isFragment = false): XmlElement {
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
    else if (isElement(node)) open.push(...[...node.childNodes].reverse());
  }
  return words;
}

const isText = (node: Parsed.Node): node is Parsed.TextNode => node.nodeName === '#text';
const isElement = (node: Parsed.Node): node is Parsed.Element => 'tagName' in node;
