// Reads an EPUB (EPUB 3.3, and the package document of EPUB 2): the texts of its spine one after another, read as HTML.
import { unescapedAddress } from '../../base/unescaped';
import { append } from '../../base/append';
import { ImportError } from '../../base/errors';
import { elements, maybeChild, maybeInside, parseXml, textOf, type XmlElement } from '../../base/xml';
import { unpack } from '../../base/zip';
import type { Manuscript } from '../../model/copy/manuscript';
import type { Block, PictureFacts } from '../../model/copy/streams';
import type { NoteBody } from '../html/noteBody';
import { DRAWN_COVER } from '../../copy/copyMarks';
import { coverAddress, metadataOf, packageFacts } from './packageFacts';
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
  const { bodies, missing, isOurs } = yield* readBodies(
    spineOf(opf).map((item) => ({ ...item, file: resolve(folder, item.href) })),
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
  const coverHref = coverAddress(metadataOf(opf), itemsOf(opf));
  const coverPath = coverHref === undefined ? undefined : resolve(folder, coverHref);
  const reader = new TreeReader(incoming, { notes, shift: 0, isOurs, pictureAt, placeAt, addressOf });
  for (const { file, html, body } of bodies) {
    place = file.includes('/') ? file.slice(0, file.lastIndexOf('/') + 1) : '';
    here = file;
    if (coverPath !== undefined && isCoverPage(body, (address) => resolve(place, address) === coverPath)) continue;
    incoming.name(placeAt(''));
    append(blocks, reader.read(body, html));
    yield;
  }
  const isDrawn = isOurs && coverHref === DRAWN_COVER;
  const cover = coverPath === undefined || isDrawn ? null : coverOf(coverPath, members[coverPath], incoming);
  const manuscript = incoming.finish(blocks, {
    ...packageFacts(metadataOf(opf)),
    ...(cover === null ? {} : { cover }),
  });
  return isOurs ? { ...manuscript, saysDivisions: true } : manuscript;
}

/** The picture on the cover; null where the file is not there. */
function coverOf(path: string, bytes: Uint8Array | undefined, incoming: Incoming): PictureFacts | null {
  const name = path.split('/').pop() ?? '';
  return bytes === undefined ? null : incoming.picture(bytes, { name, width: 0, height: 0, alt: '' });
}

/** A page that shows the cover and nothing else: it is no page of the text. */
function isCoverPage(body: XmlElement, isCover: (address: string) => boolean): boolean {
  if (textOf(body).trim() !== '') return false;
  const images: XmlElement[] = [];
  const open = [body];
  for (let next = open.pop(); next !== undefined; next = open.pop()) {
    if (next.name === 'img' || next.name === 'image') images.push(next);
    open.push(...elements(next));
  }
  const addressOf = ({ attributes }: XmlElement) => attributes.src ?? attributes['xlink:href'] ?? '';
  return images.length > 0 && images.every((image) => isCover(addressOf(image)));
}

interface Body {
  readonly file: string;
  readonly html: XmlElement;
  readonly body: XmlElement;
}

interface Read {
  readonly bodies: readonly Body[];
  readonly missing: number;
  /** A book of ours was written into it, which says its divisions. */
  readonly isOurs: boolean;
}

/** The texts of some files, and how many of them are not there. The contents list of the file is one only where it is a division of ours. Throws where no text is. */
function* readBodies(
  items: readonly (SpineItem & { readonly file: string })[],
  text: (name: string) => string | undefined,
): Generator<void, Read> {
  const bodies: Body[] = [];
  let missing = 0;
  let isOurs = false;
  for (const { file, isContents } of items) {
    const content = text(file);
    const saysDivision = content?.includes(' data-division="_wld_') ?? false;
    if (isContents && !saysDivision) continue;
    if (content === undefined) {
      missing += 1;
      continue;
    }
    isOurs ||= saysDivision;
    const root = parseHtml(withClosedTags(content));
    const html = maybeChild(root, 'html') ?? root;
    bodies.push({ file, html, body: maybeChild(html, 'body') ?? html });
    yield;
  }
  if (bodies.length === 0)
    throw new ImportError('empty', 'This EPUB has no text: none of the files that it is read from is in it.');
  return { bodies, missing, isOurs };
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

interface SpineItem {
  readonly href: string;
  /** It is the contents list of the file itself. */
  readonly isContents: boolean;
}

const itemsOf = (opf: XmlElement): ReadonlyMap<string, XmlElement> =>
  new Map(elements(find(opf, 'manifest') ?? opf).map((item) => [item.attributes.id, item]));

/** Files of the reading order. */
function spineOf(opf: XmlElement): SpineItem[] {
  const items = itemsOf(opf);
  const met = new Set<string>();
  return elements(find(opf, 'spine') ?? opf).flatMap((entry) => {
    const { idref } = entry.attributes;
    // Each is read once, however often an order that goes in circles names it.
    if (met.has(idref)) return [];
    met.add(idref);
    const item = items.get(idref);
    const isContents = item?.attributes.properties?.split(/\s+/).includes('nav') ?? false;
    const href = item?.attributes.href;
    return href === undefined || entry.attributes.linear === 'no' ? [] : [{ href, isContents }];
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
