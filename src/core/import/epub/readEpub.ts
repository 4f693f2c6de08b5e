// Reads an EPUB (EPUB 3.3, and the package document of EPUB 2): the texts of its spine one after another, read as HTML.
import { unescapedAddress } from '../../base/unescaped';
import { append } from '../../base/append';
import { ImportError } from '../../base/errors';
import { elements, maybeChild, maybeInside, parseXml, textOf, type XmlElement } from '../../base/xml';
import { unpack } from '../../base/zip';
import type { Manuscript } from '../../model/copy/manuscript';
import type { Block } from '../../model/copy/streams';
import type { NoteBody } from '../html/noteBody';
import { findNotes } from '../html/notes';
import { TreeReader } from '../html/readTree';
import { parseHtml } from '../html/tree';
import { Incoming } from '../incoming';

export function* readEpub(bytes: Uint8Array): Generator<void, Manuscript> {
  const members = unpack(bytes, () => true);
  const text = (name: string) => (members[name] ? new TextDecoder('utf-8').decode(members[name]) : undefined);
  const container = text('META-INF/container.xml');
  const path = container && find(parseXml(container, 'META-INF/container.xml'), 'rootfile')?.attributes['full-path'];
  const source = path ? text(path) : undefined;
  if (!path || source === undefined)
    throw new ImportError('not-a-document', 'This is a zip file, but there is no EPUB in it.');
  refuseLocked(text('META-INF/encryption.xml'));
  const opf = parseXml(source, path);
  const folder = path.includes('/') ? path.slice(0, path.lastIndexOf('/') + 1) : '';
  yield;
  const { bodies, missing } = yield* readBodies(
    spineOf(opf).map((href) => resolve(folder, href)),
    text,
  );
  const notes = new Map<string, NoteBody>();
  for (const { body } of bodies) for (const [id, note] of findNotes(body)) notes.set(id, note);
  const incoming = new Incoming();
  if (missing > 0)
    incoming.remark('Files of the ebook that are missing', 'It names them, and they are not in it.', missing);
  const blocks: Block[] = [];
  let place = '';
  const pictureAt = (address: string) => members[resolve(place, address)];
  let here = '';
  const placeAt = (id: string) => `${here}#${id}`;
  /** Links to the package's own files are links inside the text. */
  const addressOf = (address: string) => {
    if (/^[a-z][a-z0-9+.-]*:/i.test(address)) return address;
    const [path, id = ''] = address.split('#');
    return `#${path === '' ? here : resolve(place, path)}#${unescapedAddress(id)}`;
  };
  const reader = new TreeReader(incoming, { notes, shift: 0, pictureAt, placeAt, addressOf });
  for (const { file, html, body } of bodies) {
    place = file.includes('/') ? file.slice(0, file.lastIndexOf('/') + 1) : '';
    here = file;
    incoming.name(placeAt(''));
    append(blocks, reader.read(body, html));
    yield;
  }
  const metadata = find(opf, 'metadata');
  const value = (name: string) => {
    const words = metadata && maybeChild(metadata, name);
    return words === undefined ? undefined : textOf(words).trim() || undefined;
  };
  return incoming.finish(blocks, {
    title: value('dc:title'),
    author: value('dc:creator'),
    language: value('dc:language'),
  });
}

interface Body {
  readonly file: string;
  readonly html: XmlElement;
  readonly body: XmlElement;
}

/** The texts of some files, and how many of them are not there. Throws where none is. */
function* readBodies(
  files: readonly string[],
  text: (name: string) => string | undefined,
): Generator<void, { readonly bodies: readonly Body[]; readonly missing: number }> {
  const bodies: Body[] = [];
  for (const file of files) {
    const content = text(file);
    if (content === undefined) continue;
    const root = parseHtml(withClosedTags(content));
    const html = maybeChild(root, 'html') ?? root;
    bodies.push({ file, html, body: maybeChild(html, 'body') ?? html });
    yield;
  }
  if (bodies.length === 0)
    throw new ImportError('empty', 'This EPUB has no text: none of the files that it is read from is in it.');
  return { bodies, missing: files.length - bodies.length };
}

/** Scrambling of fonts alone (OCF 3.3, 4.3): the text can be read. */
const OF_FONTS = new Set(['http://www.idpf.org/2008/embedding', 'http://ns.adobe.com/pdf/enc#RC']);

/** Throws where files of the book are encrypted. */
function refuseLocked(encryption: string | undefined): void {
  if (encryption === undefined) return;
  const methods = [...encryption.matchAll(/EncryptionMethod\b[^>]*\bAlgorithm\s*=\s*["']([^"']*)["']/g)];
  if (methods.some(([, algorithm]) => !OF_FONTS.has(algorithm)))
    throw new ImportError(
      'locked',
      'This EPUB is locked: its text is encrypted, and only the device that it was made for can read it.',
    );
}

/** Files of the reading order; the contents list of the file itself is left out. */
function spineOf(opf: XmlElement): string[] {
  const items = new Map<string, XmlElement>();
  for (const item of elements(find(opf, 'manifest') ?? opf)) items.set(item.attributes.id, item);
  return elements(find(opf, 'spine') ?? opf).flatMap((entry) => {
    const item = items.get(entry.attributes.idref);
    const isNav = item?.attributes.properties?.split(/\s+/).includes('nav');
    const href = item?.attributes.href;
    return href === undefined || isNav || entry.attributes.linear === 'no' ? [] : [href];
  });
}

function find(parent: XmlElement, name: string): XmlElement | undefined {
  const isWanted = (element: XmlElement) => element.name === name || element.name.endsWith(`:${name}`);
  return isWanted(parent) ? parent : maybeInside(parent, isWanted);
}

/** A path inside the package; one that would lead out of it stays at its root. */
function resolve(folder: string, href: string): string {
  const parts: string[] = [];
  for (const part of `${folder}${unescapedAddress(href.split('#')[0])}`.split('/')) {
    if (part === '..') parts.pop();
    else if (part !== '.' && part !== '') parts.push(part);
  }
  return parts.join('/');
}

/** XHTML closes empty elements of any name in themselves, which HTML does not know. */
function withClosedTags(text: string): string {
  return text.replace(/<(a|span|p|div|i|b|em|td|th|title|script|section|li)((?:\s[^<>]*?)?)\/>/gi, '<$1$2></$1>');
}
