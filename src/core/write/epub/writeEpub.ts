// The file of an ebook: EPUB 3.3, valid as 3.2 too. The same book and choices give the same bytes.
import { shareStep, type FileJob } from '../../base/fileJob';
import { writeZip, type ZipMember } from '../../base/zipWriter';
import type { Book } from '../../model/copy/book';
import type { EbookSettings } from '../../model/products/ebook';
import { breakOrnament } from './breakOrnament';
import { characterRules } from './characterRules';
import { coverItems, coverMembers } from './ebookCover';
import { NO_FACTS, type EbookFace, type EbookFacts } from './ebookFacts';
import { pictureMembers } from './ebookPictures';
import { makeEbook, type Ebook } from './makeEbook';
import { packageDocument, type PackageItem } from './packageDocument';
import { faceFile, styleSheet } from './styleSheet';

export interface EbookOptions {
  /** ISO 8601, of the writing. */
  readonly date: string;
  /** Hashes of the pictures that can be had. */
  readonly there?: ReadonlySet<string>;
  /** Absent: for correcting; the look is the device's and pictures are as they are. */
  readonly settings?: EbookSettings;
  /** Absent: the book is not composed. */
  readonly facts?: EbookFacts;
  /** Told when the texts are made: what of the book is in them. */
  readonly onMade?: (ebook: Ebook) => void;
}

const CONTAINER =
  '<?xml version="1.0" encoding="UTF-8"?>\n<container version="1.0" xmlns="urn:oasis:names:tc:opendocument:xmlns:container"><rootfiles><rootfile full-path="OPS/package.opf" media-type="application/oebps-package+xml"/></rootfiles></container>';

export function* writeEpub(of: Book, options: EbookOptions): FileJob {
  const { date, there = new Set(), settings = null, facts = NO_FACTS, onMade } = options;
  const making = makeEbook(of, { settings, facts, there });
  let step = making.next();
  for (; !step.done; step = making.next()) yield shareStep(step.value);
  const ebook = step.value;
  onMade?.(ebook);
  const { cover } = ebook;
  const isDressed = settings?.level === 'dressed';
  const faces = isDressed ? facts.faces : [];
  const { css, files: drawings } = breakOrnament(ebook.book.spec);
  const { openers } = ebook.book.spec;
  const sheet = styleSheet({ styles: facts.styles, faces }, ebook.used, {
    level: isDressed ? 'dressed' : 'plain',
    dropLines: openers.dropLines,
    sink: openers.sink,
    tables: settings?.tables ?? 'rows',
  });
  const items: PackageItem[] = [
    ...[
      ...ebook.pictures.files.map(({ name, type }) => ({ href: `pictures/${name}`, type })),
      ...coverItems(cover),
    ].map((item) => (item.href === cover?.href ? { ...item, isCover: true } : item)),
    ...Object.keys(drawings).map((href) => ({ href, type: 'image/svg+xml' })),
    ...faces.map((face) => ({ href: faceFile(face), type: 'application/font-sfnt' })),
  ];
  const members: Record<string, string> = {
    ...Object.fromEntries(Object.entries(ebook.texts).map(([name, text]) => [`OPS/${name}`, text])),
    'OPS/book.css': sheet + characterRules(ebook.book.spec.characterStyles) + css,
    ...Object.fromEntries(Object.entries(drawings).map(([name, svg]) => [`OPS/${name}`, svg])),
    'OPS/package.opf': packageDocument(ebook.book, { ...ebook, texts: ebook.spine, items }, date),
    'META-INF/container.xml': CONTAINER,
  };
  yield* writeZip(zipMembers(members, faces, [...pictureMembers(ebook.pictures, settings), ...coverMembers(cover)]));
}

/** The members of the package, each text as bytes when it is written. */
function* zipMembers(
  texts: Readonly<Record<string, string>>,
  faces: readonly EbookFace[],
  pictures: readonly ZipMember[],
): Generator<ZipMember> {
  const encoder = new TextEncoder();
  // Its type first and unpressed, so that the file tells what it is (OCF 3.3, 4.2).
  yield { name: 'mimetype', content: encoder.encode('application/epub+zip'), asItIs: true };
  for (const [name, text] of Object.entries(texts)) yield { name, content: encoder.encode(text) };
  for (const face of faces) yield { name: `OPS/${faceFile(face)}`, content: face.bytes };
  yield* pictures;
}
