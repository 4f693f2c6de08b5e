// Reads an HTML file: its body as blocks, its head as metadata.
import { elements, maybeChild, textOf, type XmlElement } from '../../base/xml';
import type { IncomingMetadata, Manuscript } from '../../model/copy/manuscript';
import { Incoming } from '../incoming';
import { decodeText } from '../txt/readTxt';
import { notesAndSigns } from './notes';
import { TreeReader } from './readTree';
import { parseHtml } from './tree';

export function* readHtml(bytes: Uint8Array): Generator<void, Manuscript> {
  const root = parseHtml(decodeText(bytes));
  yield;
  const incoming = new Incoming();
  const html = maybeChild(root, 'html') ?? root;
  const body = maybeChild(html, 'body') ?? html;
  const reader = new TreeReader(incoming, { ...notesAndSigns(body), shift: titleShift(body) });
  const blocks = reader.read(body, html);
  yield;
  return incoming.finish(blocks, metadataOf(html));
}

/** 1 where the only first-level heading opens the text and those below it are the chapters. */
export function titleShift(body: XmlElement): number {
  const levels: number[] = [];
  const walk = (element: XmlElement) => {
    for (const child of elements(element)) {
      const level = /^h([1-6])$/.exec(child.name);
      if (level !== null) levels.push(Number(level[1]));
      else walk(child);
    }
  };
  walk(body);
  const ones = levels.filter((level) => level === 1).length;
  return ones === 1 && levels[0] === 1 && levels.filter((level) => level === 2).length >= 2 ? 1 : 0;
}

function metadataOf(html: XmlElement): IncomingMetadata {
  const head = maybeChild(html, 'head');
  const title = head && maybeChild(head, 'title');
  const meta = (name: string) =>
    (head ? elements(head) : []).find((one) => one.name === 'meta' && one.attributes.name?.toLowerCase() === name)
      ?.attributes.content;
  const words = title === undefined ? '' : textOf(title).replace(/\s+/g, ' ').trim();
  return {
    ...(words === '' ? {} : { title: words }),
    ...(meta('author') ? { author: meta('author') } : {}),
    ...(html.attributes.lang ? { language: html.attributes.lang } : {}),
  };
}
