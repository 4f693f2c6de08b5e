// Reads Markdown (CommonMark with tables, strikethrough and footnotes): its tree becomes that of HTML, which is read as HTML is.
import { table } from '../../base/table';
import { fromMarkdown } from 'mdast-util-from-markdown';
import { gfmFromMarkdown } from 'mdast-util-gfm';
import { gfm } from 'micromark-extension-gfm';
import type { Nodes } from 'mdast';
import type { XmlElement } from '../../base/xml';
import type { IncomingMetadata, Manuscript } from '../../model/manuscript';
import { findNotes } from '../html/notes';
import { titleShift } from '../html/readHtml';
import { TreeReader } from '../html/readTree';
import { parseHtml } from '../html/tree';
import { Incoming } from '../incoming';
import { decodeText } from '../txt/readTxt';

export function* readMarkdown(bytes: Uint8Array): Generator<void, Manuscript> {
  const { metadata, text } = takeFrontMatter(decodeText(bytes).replace(/\r\n?/g, '\n'));
  const tree = fromMarkdown(text, { extensions: [gfm({ singleTilde: false })], mdastExtensions: [gfmFromMarkdown()] });
  yield;
  const links = new Map<string, string>();
  for (const node of tree.children) if (node.type === 'definition') links.set(node.identifier, node.url);
  const body = element(
    'body',
    tree.children.flatMap((node) => convert(node, links)),
  );
  const incoming = new Incoming();
  const reader = new TreeReader(incoming, { notes: findNotes(body), shift: titleShift(body) });
  return incoming.finish(reader.read(body), metadata);
}

const element = (
  name: string,
  children: (XmlElement | string)[] = [],
  attributes: Record<string, string> = {},
): XmlElement => ({ name, attributes, children });

const SIMPLE: Readonly<Partial<Record<Nodes['type'], string>>> = table({
  paragraph: 'p',
  emphasis: 'em',
  strong: 'strong',
  delete: 's',
  blockquote: 'blockquote',
  listItem: 'li',
  tableRow: 'tr',
  tableCell: 'td',
});

function convert(node: Nodes, links: ReadonlyMap<string, string>): (XmlElement | string)[] {
  const inside = (): (XmlElement | string)[] => ('children' in node ? withInlineTags(node.children, links) : []);
  const simple = SIMPLE[node.type];
  if (simple !== undefined) return [element(simple, inside())];
  switch (node.type) {
    case 'text':
      return [node.value];
    case 'heading':
      return [element(`h${node.depth}`, inside())];
    case 'thematicBreak':
      return [element('hr')];
    case 'break':
      return [element('br')];
    case 'inlineCode':
      return [element('code', [node.value])];
    case 'code':
      return [element('pre', [node.value])];
    case 'list':
      return [element(node.ordered ? 'ol' : 'ul', inside())];
    case 'table':
      return [element('table', inside())];
    case 'link':
      return [element('a', inside(), { href: node.url })];
    case 'linkReference':
      return [element('a', inside(), { href: links.get(node.identifier) ?? '' })];
    case 'image':
      return [element('img', [], { src: node.url, alt: node.alt ?? '' })];
    case 'imageReference':
      return [element('img', [], { src: links.get(node.identifier) ?? '', alt: node.alt ?? '' })];
    case 'footnoteReference':
      return [element('a', [], { href: `#note-${encodeURIComponent(node.identifier)}`, role: 'doc-noteref' })];
    case 'footnoteDefinition':
      return [element('aside', inside(), { id: `note-${node.identifier}`, role: 'doc-footnote' })];
    case 'html':
      return parseHtml(node.value, true).children;
    default:
      return [];
  }
}

const OPENS = /^<([a-z][a-z0-9]*)(\s[^>]*)?>$/i;
const CLOSES = /^<\/([a-z][a-z0-9]*)\s*>$/i;
const VOID = /^(?:br|img|hr|wbr|input|meta|link)$/i;

/** Children of a node; HTML tags among words open and close elements, each of them a node of its own in the tree. */
function withInlineTags(nodes: readonly Nodes[], links: ReadonlyMap<string, string>): (XmlElement | string)[] {
  const root: (XmlElement | string)[] = [];
  const open: XmlElement[] = [];
  for (const node of nodes) {
    const into = open[open.length - 1]?.children ?? root;
    const tag = node.type === 'html' ? OPENS.exec(node.value) : null;
    const end = node.type === 'html' ? CLOSES.exec(node.value)?.[1].toLowerCase() : undefined;
    if (end !== undefined) {
      const at = open.map((one) => one.name).lastIndexOf(end);
      if (at >= 0) open.length = at;
    } else if (tag !== null && !VOID.test(tag[1]) && !(node as { value: string }).value.endsWith('/>')) {
      const [made] = parseHtml((node as { value: string }).value, true).children;
      if (typeof made === 'object') {
        into.push(made);
        open.push(made);
      }
    } else into.push(...convert(node, links));
  }
  return root;
}

/** Title, author and language of a YAML head between two lines of dashes; only plain values are read. */
function takeFrontMatter(text: string): { metadata: IncomingMetadata; text: string } {
  const head = /^---\n([\s\S]*?)\n(?:---|\.\.\.)(?:\n|$)/.exec(text);
  if (head === null) return { metadata: {}, text };
  const value = (key: string) => {
    const found = new RegExp(`^${key}:[ \\t]*(.+)$`, 'im').exec(head[1])?.[1].trim();
    return found?.replace(/^(["'])(.*)\1$/, '$2');
  };
  const [title, author, language] = [value('title'), value('author'), value('lang(?:uage)?')];
  return {
    metadata: { ...(title ? { title } : {}), ...(author ? { author } : {}), ...(language ? { language } : {}) },
    text: text.slice(head[0].length),
  };
}
