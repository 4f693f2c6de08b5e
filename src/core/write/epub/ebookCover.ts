// The cover of an ebook: a picture, and the file that shows it before all else.
import type { ZipMember } from '../../base/zipWriter';
import { DRAWN_COVER } from '../../copy/copyMarks';
import { escapeXml } from '../../base/xml';
import type { Book } from '../../model/copy/book';
import type { EbookSettings } from '../../model/products/ebook';
import { clean } from '../copy/clean';
import { MADE } from '../copy/xhtml';
import type { PictureFiles } from '../copy/pictureFiles';
import type { EbookFacts } from './ebookFacts';
import type { PackageItem } from './packageDocument';
import { xhtmlPage } from './xhtmlPage';

const DRAWN: PackageItem = { href: DRAWN_COVER, type: 'image/png' };

export interface EbookCover {
  /** Its picture in the package, without the folder. */
  readonly href: string;
  /** The picture where it is drawn; null: it is one of the book. */
  readonly drawn: Uint8Array | null;
  readonly xhtml: string;
}

/** The picture of the particulars where its bytes can be had, else one that is drawn; null: it has none. */
export function ebookCover(
  { particulars }: Book,
  settings: EbookSettings | null,
  pictures: PictureFiles,
  draw: EbookFacts['drawnCover'],
): EbookCover | null {
  if (settings === null || settings.cover === 'none') return null;
  const file = particulars.cover === undefined ? null : pictures.take(particulars.cover);
  const drawn = file === null ? (draw?.(settings.pictures === 'grey') ?? null) : null;
  if (file === null && drawn === null) return null;
  const href = file === null ? DRAWN.href : `pictures/${file}`;
  const said = (file !== null && particulars.cover?.alt.trim()) || `Cover: ${particulars.title || 'Untitled'}`;
  const image = `<img src="${href}" alt="${escapeXml(clean(said))}" role="doc-cover"/>`;
  const body = `<section epub:type="cover" class="cover"${MADE}>${image}</section>`;
  return { href, drawn, xhtml: xhtmlPage('Cover', body, particulars.language) };
}

/** What the package has besides the pictures of the book. */
export const coverItems = (cover: EbookCover | null): PackageItem[] => (cover?.drawn == null ? [] : [DRAWN]);

export const coverMembers = (cover: EbookCover | null): ZipMember[] =>
  cover?.drawn == null ? [] : [{ name: `OPS/${DRAWN.href}`, content: cover.drawn }];
