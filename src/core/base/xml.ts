// XML read into a small tree by saxes (workers have no DOMParser). Names keep their prefixes as written.
import { SaxesParser } from 'saxes';
import { ImportError } from './errors';
import { MOST_ELEMENTS, MOST_PARAGRAPHS, tooMuch } from './limits';

export interface XmlElement {
  readonly name: string;
  readonly attributes: Readonly<Record<string, string>>;
  readonly children: (XmlElement | string)[];
}

/** Elements that are paragraphs in the formats that are read. */
const PARAGRAPHS = new Set(['w:p', 'text:p', 'text:h']);

/**
 * Parses a document. `part` names it in the ImportError `damaged` thrown when it is not well formed; one with more elements or
 * paragraphs than are read is `too-large`.
 */
export function parseXml(text: string, part: string): XmlElement {
  const parser = new SaxesParser({ xmlns: false });
  const root: XmlElement = { name: '', attributes: {}, children: [] };
  const open: XmlElement[] = [root];
  let count = 0;
  let paragraphs = 0;
  parser.on('opentag', (tag) => {
    if ((count += 1) > MOST_ELEMENTS) throw tooMuch(MOST_ELEMENTS, 'elements');
    if (PARAGRAPHS.has(tag.name) && (paragraphs += 1) > MOST_PARAGRAPHS) throw tooMuch(MOST_PARAGRAPHS, 'paragraphs');
    const element: XmlElement = { name: tag.name, attributes: tag.attributes as Record<string, string>, children: [] };
    open[open.length - 1].children.push(element);
    open.push(element);
  });
  parser.on('closetag', () => void open.pop());
  parser.on('text', (value) => void open[open.length - 1].children.push(value));
  parser.on('cdata', (value) => void open[open.length - 1].children.push(value));
  parser.on('error', (error) => {
    throw new ImportError('damaged', `The part ${part} of this file is not well-formed.`, error.message);
  });
  parser.write(text).close();
  const first = root.children.find((child) => typeof child !== 'string');
  if (first === undefined || typeof first === 'string') {
    throw new ImportError('damaged', `The part ${part} of this file is empty.`);
  }
  return first;
}

/** The child elements, without text. */
export function elements(parent: XmlElement): XmlElement[] {
  return parent.children.filter((child): child is XmlElement => typeof child !== 'string');
}

/** The first child of that name, or undefined. */
export function maybeChild(parent: XmlElement | undefined, name: string): XmlElement | undefined {
  return parent?.children.find((child): child is XmlElement => typeof child !== 'string' && child.name === name);
}

/** All text inside, in order. */
export function textOf(parent: XmlElement): string {
  let text = '';
  for (const node of nodesIn(parent)) if (typeof node === 'string') text += node;
  return text;
}

/** Everything inside an element in the order of the document, without recursion; what `skips` accepts is given, and not entered. */
function* nodesIn(
  parent: XmlElement,
  skips: (element: XmlElement) => boolean = () => false,
): Generator<XmlElement | string, void> {
  const open = [parent.children.values()];
  while (open.length > 0) {
    const { value: node, done } = open[open.length - 1].next();
    if (done) {
      open.pop();
      continue;
    }
    yield node;
    if (typeof node !== 'string' && !skips(node)) open.push(node.children.values());
  }
}

/** The elements of some names inside another, in order; those inside one that is found are left out. */
export function outermost(parent: XmlElement, names: ReadonlySet<string>): XmlElement[] {
  const isFound = ({ name }: XmlElement) => names.has(name);
  return [...nodesIn(parent, isFound)].filter((node): node is XmlElement => typeof node !== 'string' && isFound(node));
}

/** The first element inside that is wanted, in the order of the document. */
export function maybeInside(parent: XmlElement, isWanted: (element: XmlElement) => boolean): XmlElement | undefined {
  for (const node of nodesIn(parent)) if (typeof node !== 'string' && isWanted(node)) return node;
  return undefined;
}

/** Escapes text for XML content and attribute values. */
export function escapeXml(text: string): string {
  return text.replace(/[&<>"]/g, (c) => (c === '&' ? '&amp;' : c === '<' ? '&lt;' : c === '>' ? '&gt;' : '&quot;'));
}
