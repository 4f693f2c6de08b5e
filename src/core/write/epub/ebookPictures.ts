// What becomes of each picture's file in an ebook: the core media types of EPUB 3.2 as they are, others as PNG; those of too many pixels smaller; all
// in grey where a person says so. A drawing stays what it is: it has no pixels.
import { pictureAsPng } from '../../base/images/asPng';
import { smallerPicture, type Smaller } from '../../base/images/smaller';
import type { ZipMember } from '../../base/zipWriter';
import type { EbookSettings } from '../../model/products/ebook';
import type { PictureKind } from '../../model/copy/streams';
import { cleanDrawing, PictureFiles } from '../copy/pictureFiles';

/** Kinds of pictures that come into the package. */
const SHOWN: ReadonlySet<PictureKind> = new Set<PictureKind>(['jpeg', 'png', 'gif', 'svg', 'webp', 'tiff']);
const AS_PNG: Readonly<Partial<Record<PictureKind, PictureKind>>> = { webp: 'png', tiff: 'png' };

type PictureChoices = Pick<EbookSettings, 'pictures' | 'mostPixels'>;

const smallerOf = ({ pictures, mostPixels }: PictureChoices): Smaller => ({ mostPixels, isGrey: pictures === 'grey' });

/** Whether a file is made anew, by what is known of it. */
const isMadeAnew = (format: PictureKind, pixels: number, { isGrey, mostPixels }: Smaller) =>
  format !== 'svg' && (isGrey || pixels > mostPixels);

/** The pictures of an ebook as they are met. */
export function ebookPictures(there: ReadonlySet<string>, choices: PictureChoices | null): PictureFiles {
  const smaller = choices === null ? null : smallerOf(choices);
  return new PictureFiles(there, SHOWN, ({ format, width, height }) => {
    const isAnew = smaller !== null && isMadeAnew(format, Math.max(width, height), smaller);
    return isAnew && format === 'gif' ? 'png' : (AS_PNG[format] ?? format);
  });
}

/** The members of the package; `choices` null: pictures as they are. */
export const pictureMembers = (files: PictureFiles, choices: PictureChoices | null): ZipMember[] =>
  files.files.map(({ name, asset, format, pixels }) => {
    const convert = converterOf(format, pixels, choices === null ? null : smallerOf(choices));
    return { name: `OPS/pictures/${name}`, content: { asset, ...(convert === undefined ? {} : { convert }) } };
  });

/** Undefined: it stays as it is. */
function converterOf(
  format: PictureKind,
  pixels: number,
  smaller: Smaller | null,
): ((bytes: Uint8Array) => Uint8Array) | undefined {
  if (format === 'svg') return cleanDrawing;
  if (smaller !== null && isMadeAnew(format, pixels, smaller)) return (bytes) => smallerPicture(bytes, format, smaller);
  return AS_PNG[format] === undefined ? undefined : (bytes) => pictureAsPng(bytes, format);
}
