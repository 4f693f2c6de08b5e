// XML read into a small tree by saxes (workers have no DOMParser). Names keep their prefixes as written.
import { SaxesParser } from 'saxes';
import { ImportError } from './errors';

export interface XmlElement {
  readonly name: string;
  readonly attributes: Readonly<Record<string, string>>;
  readonly children: (XmlElement | string)[];
}

/** Parses a document. `part` names it in the ImportError `damaged` thrown when it is not well formed. */
export function parseXml(text: string, part: string): XmlElement {
  const parser = new SaxesParser({ xmlns: false });
  const root: XmlElement = { name: '', attributes: {}, children: [] };
  const open: XmlElement[] = [root];
  parser.on('opentag', (tag) => {
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
  return parent.children.map((child) => (typeof child === 'string' ? child : textOf(child))).join('');
}

/** Escapes text for XML content and attribute values. */
export function escapeXml(text: string): string {
  return text.replace(/[&<>"]/g, (c) => (c === '&' ? '&amp;' : c === '<' ? '&lt;' : c === '>' ? '&gt;' : '&quot;'));
}
