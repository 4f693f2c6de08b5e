// Reads Markdown (CommonMark with tables, strikethrough and footnotes): its tree becomes that of HTML, which is read as HTML is.
import { append } from '../../base/append';
import { table } from '../../base/table';
import { fromMarkdown } from 'mdast-util-from-markdown';
import { gfmFromMarkdown } from 'mdast-util-gfm';
import { gfm } from 'micromark-extension-gfm';
import type { Nodes } from 'mdast';
import { DEEPEST, MOST_TEXT_BYTES, tooMuch } from '../../base/limits';
import type { XmlElement } from '../../base/xml';
import type { IncomingMetadata, Manuscript } from '../../model/copy/manuscript';
import { findNotes } from '../html/notes';
import { titleShift } from '../html/readHtml';
import { Slugs } from '../links';
import { TreeReader } from '../html/readTree';
import { parseHtml } from '../html/tree';
import { Incoming } from '../incoming';
import { preparedLines } from './lines';
import { decodeText, readTxt } from '../txt/readTxt';

export function* readMarkdown(bytes: Uint8Array): Generator<void, Manuscript> {
  if (bytes.length > MOST_TEXT_BYTES) throw tooMuch(MOST_TEXT_BYTES >> 20, 'MB of text');
  const { metadata, text, isNone } = takeFrontMatter(decodeText(bytes).replace(/\r\n?/g, '\n'));
  const incoming = new Incoming();
  if (isNone) incoming.remark('Lines between dashes at the start read as text', 'They are no list of `key: value`.');
  const { text: prepared, parted, long } = preparedLines(text);
  if (parted > 0)
    incoming.remark(
      'Lines read as paragraphs',
      'They are too long to have been ended at a margin, and no empty lines part them.',
      parted,
    );
  if (long > 0) incoming.remark('Paragraphs of more than 1,000 lines parted', 'Nobody sets one of that length.', long);
  const shallow = withoutDeepMarks(prepared);
  if (shallow !== prepared)
    incoming.remark('Quotes and lists nested too deep read as less deep', 'Their words are kept.');
  const tree = yield* parsed(shallow);
  if (tree === null) return yield* asPlainText(bytes);
  const links = new Map<string, string>();
  for (const node of tree.children) if (node.type === 'definition') links.set(node.identifier, node.url);
  const body = element(
    'body',
    tree.children.flatMap((node) => convert(node, links, 0)),
  );
  const reader = new TreeReader(incoming, { notes: findNotes(body), shift: titleShift(body) });
  const blocks = reader.read(body);
  const slugs = new Slugs();
  for (const { block, text } of incoming.headings) incoming.alsoNamed(block, slugs.of(text));
  return incoming.finish(blocks, metadata);
}

/** Marks of quotes and list items at the start of a line, more than these are dropped; so are deeper indents. */
const MOST_MARKS = 24;
const MARK = /^[ \t]*(?:>|[-*+](?=[ \t])|\d{1,9}[.)](?=[ \t]))/;

/** The text with the marks and indents of each line cut to what a person types: micromark takes the square of their number. */
function withoutDeepMarks(text: string): string {
  return text
    .split('\n')
    .map((line) => {
      const start = /^(?:[ \t]{120,}|(?:[ \t]*(?:>|[-*+](?=[ \t])|\d{1,9}[.)](?=[ \t]))){25})/.exec(line)?.[0];
      if (start === undefined) return line;
      let rest = line.replace(/^[ \t]{120,}/, ' '.repeat(120));
      let kept = '';
      for (let k = 0; k < MOST_MARKS; k += 1) {
        const mark = MARK.exec(rest)?.[0];
        if (mark === undefined) return kept + rest;
        kept += mark;
        rest = rest.slice(mark.length);
      }
      for (let mark = MARK.exec(rest)?.[0]; mark !== undefined; mark = MARK.exec(rest)?.[0])
        rest = rest.slice(mark.length);
      return kept + rest;
    })
    .join('\n');
}

/** Null where the marks of the text nest so deep that the parser gives up. */
function* parsed(text: string) {
  try {
    const tree = fromMarkdown(text, {
      extensions: [gfm({ singleTilde: false })],
      mdastExtensions: [gfmFromMarkdown()],
    });
    yield;
    return tree;
  } catch (error) {
    if (error instanceof RangeError) return null;
    throw error;
  }
}

function* asPlainText(bytes: Uint8Array): Generator<void, Manuscript> {
  const manuscript = yield* readTxt(bytes);
  const remark = { what: 'Read as plain text', count: 1, why: 'Its marks nest too deep to be read as Markdown.' };
  return { ...manuscript, remarks: [...manuscript.remarks, remark] };
}

/** All words inside a node, without recursion. */
function wordsOf(root: Nodes): string {
  let words = '';
  const open: Nodes[] = [root];
  for (let node = open.pop(); node !== undefined; node = open.pop()) {
    if ('value' in node && node.type !== 'html') words += node.value;
    if ('children' in node) for (let k = node.children.length - 1; k >= 0; k -= 1) open.push(node.children[k]);
    if (node.type === 'paragraph' || node.type === 'heading') words += ' ';
  }
  return words;
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

function convert(node: Nodes, links: ReadonlyMap<string, string>, depth: number): (XmlElement | string)[] {
  if (depth >= DEEPEST) return [wordsOf(node)];
  const inside = (): (XmlElement | string)[] =>
    'children' in node ? withInlineTags(node.children, links, depth + 1) : [];
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
      return [
        element(
          node.ordered ? 'ol' : 'ul',
          inside(),
          typeof node.start === 'number' ? { start: String(node.start) } : {},
        ),
      ];
    case 'table':
      return [markdownTable(inside(), node.align ?? [])];
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

/** The first row is the head; cells stand as the row under it says (GFM, 4.10). */
function markdownTable(rows: readonly (XmlElement | string)[], aligns: readonly (string | null)[]): XmlElement {
  const made = rows.filter((row): row is XmlElement => typeof row !== 'string');
  const withAligns = made.map((row) => ({
    ...row,
    children: row.children.map((cell, k) =>
      typeof cell === 'string' || !aligns[k] ? cell : { ...cell, attributes: { ...cell.attributes, align: aligns[k] } },
    ),
  }));
  return element('table', [element('thead', withAligns.slice(0, 1)), element('tbody', withAligns.slice(1))]);
}

const OPENS = /^<([a-z][a-z0-9]*)(\s[^>]*)?>$/i;
const CLOSES = /^<\/([a-z][a-z0-9]*)\s*>$/i;
const VOID = /^(?:br|img|hr|wbr|input|meta|link)$/i;

/** Children of a node; HTML tags among words open and close elements, each of them a node of its own in the tree. */
function withInlineTags(
  nodes: readonly Nodes[],
  links: ReadonlyMap<string, string>,
  depth: number,
): (XmlElement | string)[] {
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
        // Tags of a text that never close would nest without end.
        if (open.length < DEEPEST) open.push(made);
      }
    } else append(into, convert(node, links, depth));
  }
  return root;
}

interface FrontMatter {
  readonly metadata: IncomingMetadata;
  readonly text: string;
  /** What stands between dashes at the start is text. */
  readonly isNone: boolean;
}

/**
 * Title, author and language of a YAML head between two lines of dashes; only plain values are read. A book may open with
 * a line of dashes too: only lines of `key: value`, with what belongs to them, are a head.
 */
function takeFrontMatter(text: string): FrontMatter {
  const head = /^---[ \t]*\n([\s\S]*?)\n(?:---|\.\.\.)[ \t]*(?:\n|$)/.exec(text);
  if (head === null) return { metadata: {}, text, isNone: false };
  const lines = head[1].split('\n').filter((line) => !/^\s*(?:#.*)?$/.test(line));
  const isHead = lines.length > 0 && KEY.test(lines[0]) && lines.every((line) => KEY.test(line) || OF_KEY.test(line));
  if (!isHead) return { metadata: {}, text, isNone: lines.length > 0 };
  const value = (key: string) => {
    const found = new RegExp(`^${key}:[ \\t]*(.+)$`, 'im').exec(head[1])?.[1].trim();
    return found?.replace(/^(["'])(.*)\1$/, '$2');
  };
  const [title, subtitle, author] = [value('title'), value('subtitle'), value('author')];
  const language = value('lang(?:uage)?');
  return {
    metadata: {
      ...(title ? { title } : {}),
      ...(subtitle ? { subtitle } : {}),
      ...(author ? { author } : {}),
      ...(language ? { language } : {}),
    },
    text: text.slice(head[0].length),
    isNone: false,
  };
}

const KEY = /^[\p{L}_][\p{L}\p{N}_.-]{0,40}:(?:[ \t]|$)/u;
/** Goes on with the value of the key before it: an item of a list, or an indented line. */
const OF_KEY = /^(?:[ \t]+\S|-[ \t]|[\]}])/;
