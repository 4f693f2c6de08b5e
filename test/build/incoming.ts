// Manuscripts of several kinds for tests, packed by hand.
import { zipSync } from 'fflate';
import { fileBytes } from '../../src/core/base/fileJob';
import { describeManuscript, makeBook, readManuscript, type ManuscriptReport } from '../../src/core/import';
import type { Manuscript } from '../../src/core/model/copy/manuscript';
import { FIRST_EBOOK } from '../../src/core/model/products/ebook';
import { writeEpub } from '../../src/core/write/epub';
import { drain } from './assets';
import { checkEpub } from './epubCheck';

const encoder = new TextEncoder();

/** What came in with a file, given as text or bytes. */
export function arrived(name: string, content: string | Uint8Array): ManuscriptReport {
  const bytes = typeof content === 'string' ? encoder.encode(content) : content;
  return describeManuscript(taken(readManuscript(name, bytes)));
}

/** Characters of a manuscript that is not sent through: its test is one of size. */
const LONG = 400_000;

/** Of the manuscripts that one place of a test reads, as a property does over and over, so many are sent through. */
const MOST = 2;
const sent = new Map<string, number>();

/** The lines of tests that led here. */
function placeOfTest(): string {
  const frames = (new Error().stack ?? '').split('\n').filter((frame) => /\.test\.ts:\d/.test(frame));
  return frames.join('');
}

/** A manuscript that is read to its end. What every reader makes of its fixtures goes on into an ebook, for epubcheck. */
export function taken(reading: Generator<unknown, Manuscript>): Manuscript {
  const manuscript = drain(reading);
  const { blocks, pictures } = manuscript;
  const length = blocks.reduce((sum, block) => sum + (block.kind === 'paragraph' ? block.text.length : 100), 0);
  if (length > LONG || blocks.length > 5000 || blocks.length === 0) return manuscript;
  const place = placeOfTest();
  const count = sent.get(place) ?? 0;
  if (count >= MOST) return manuscript;
  sent.set(place, count + 1);
  const book = makeBook(manuscript, { bookId: 'b1', fileName: 'fixture' });
  const there = new Set(Object.keys(pictures));
  const settings = { ...FIRST_EBOOK, cover: 'none' as const, use: 'keep' as const };
  checkEpub('fixture', fileBytes(writeEpub(book, { date: '2026-01-01T00:00:00Z', there, settings }), pictures));
  return manuscript;
}

export function packed(members: Readonly<Record<string, string | Uint8Array>>): Uint8Array {
  return zipSync(
    Object.fromEntries(
      Object.entries(members).map(([name, content]) => [
        name,
        typeof content === 'string' ? encoder.encode(content) : content,
      ]),
    ),
  );
}

/** A one-pixel picture in a PNG that says it is so wide and high. */
export function png(width: number, height: number): Uint8Array {
  const bytes = new Uint8Array(33);
  bytes.set([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a, 0, 0, 0, 13, 0x49, 0x48, 0x44, 0x52]);
  const view = new DataView(bytes.buffer);
  view.setUint32(16, width);
  view.setUint32(20, height);
  return bytes;
}

export interface OdtParts {
  readonly body: string;
  readonly automatic?: string;
  readonly styles?: string;
  readonly meta?: string;
  readonly files?: Readonly<Record<string, Uint8Array>>;
}

/** An OpenDocument text. */
export function odt({ body, automatic = '', styles = '', meta = '', files = {} }: OdtParts): Uint8Array {
  return packed({
    mimetype: 'application/vnd.oasis.opendocument.text',
    'content.xml': `<office:document-content><office:automatic-styles>${automatic}</office:automatic-styles><office:body><office:text>${body}</office:text></office:body></office:document-content>`,
    'styles.xml': `<office:document-styles><office:styles>${styles}</office:styles></office:document-styles>`,
    'meta.xml': `<office:document-meta><office:meta>${meta}</office:meta></office:document-meta>`,
    ...files,
  });
}

/** An EPUB of some XHTML bodies. */
export function epub(...bodies: readonly string[]): Uint8Array {
  const names = bodies.map((_, k) => `t${k}.xhtml`);
  const items = names
    .map((name, k) => `<item id="i${k}" href="text/${name}" media-type="application/xhtml+xml"/>`)
    .join('');
  const files = Object.fromEntries(
    names.map((name, k) => [
      `OPS/text/${name}`,
      `<?xml version="1.0"?><html xmlns="http://www.w3.org/1999/xhtml"><head><title/></head><body>${bodies[k]}</body></html>`,
    ]),
  );
  return packed({
    mimetype: 'application/epub+zip',
    'META-INF/container.xml': '<container><rootfiles><rootfile full-path="OPS/book.opf"/></rootfiles></container>',
    'OPS/book.opf': `<package><metadata><dc:title>The Weir Book</dc:title><dc:creator>Mina Tolliver</dc:creator><dc:language>en-GB</dc:language></metadata><manifest>${items}<item id="n" href="nav.xhtml" properties="nav"/></manifest><spine><itemref idref="n"/>${names.map((_, k) => `<itemref idref="i${k}"/>`).join('')}</spine></package>`,
    'OPS/nav.xhtml': '<html><body><nav epub:type="toc"><ol><li>One</li></ol></nav></body></html>',
    ...files,
  });
}
