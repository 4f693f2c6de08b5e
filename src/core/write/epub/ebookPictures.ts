// What becomes of each picture's file in an ebook: the core media types of EPUB 3.2 as they are, others as PNG; those of too many pixels smaller; all
// in grey where a person says so. A drawing stays what it is: it has no pixels.
import { pictureAsPng } from '../../base/images/asPng';
import { blankPicture, isWholePicture } from '../../base/images/wholePicture';
import { smallerPicture, type Smaller } from '../../base/images/smaller';
import type { ZipMember } from '../../base/zipWriter';
import type { EbookSettings } from '../../model/products/ebook';
import type { PictureKind } from '../../model/copy/streams';
import { cleanDrawing, PictureFiles } from '../copy/pictureFiles';

/** Kinds of pictures that come into the package. */
const SHOWN: ReadonlySet<PictureKind> = new Set<PictureKind>(['jpeg', 'png', 'gif', 'svg', 'webp', 'tiff']);
const AS_PNG: Readonly<Partial<Record<PictureKind, PictureKind>>> = { webp: 'png', tiff: 'png' };

type PictureChoices = Pick<EbookSettings, 'pictures' | 'mostPixels' | 'mostKilobytes'>;

const smallerOf = ({ pictures, mostPixels, mostKilobytes }: PictureChoices): Smaller => ({
  mostPixels,
  isGrey: pictures === 'grey',
  mostBytes: mostKilobytes * 1000,
});

/** Whether a file is made anew, by what is known of it without its bytes. */
const isMadeAnew = (format: PictureKind, pixels: number, { isGrey, mostPixels }: Smaller) =>
  format !== 'svg' && (isGrey || pixels > mostPixels);

/** The pictures of an ebook as they are met. */
export function ebookPictures(there: ReadonlySet<string>, choices: PictureChoices | null): PictureFiles {
  const smaller = choices === null ? null : smallerOf(choices);
  return new PictureFiles(there, SHOWN, ({ format, width, height }) => {
    if (format !== 'gif' || smaller === null) return AS_PNG[format] ?? format;
    // A GIF of one image has at most a byte for each pixel.
    const isAnew = isMadeAnew(format, Math.max(width, height), smaller) || width * height > smaller.mostBytes;
    return isAnew ? 'png' : 'gif';
  });
}

/** The members of the package; `choices` null: pictures as they are. */
export const pictureMembers = (files: PictureFiles, choices: PictureChoices | null): ZipMember[] =>
  files.files.map(({ name, type, asset, format, pixels }) => {
    const convert = converterOf(format, type === 'image/gif', pixels, choices === null ? null : smallerOf(choices));
    return { name: `OPS/pictures/${name}`, content: { asset, convert } };
  });

/** `stays`: what it is in the package is what its file is, such as a GIF that may move. A file that nothing shows is a white pixel. */
function converterOf(
  format: PictureKind,
  stays: boolean,
  pixels: number,
  smaller: Smaller | null,
): (bytes: Uint8Array) => Uint8Array {
  if (format === 'svg') return cleanDrawing;
  const isAnew = smaller !== null && (isMadeAnew(format, pixels, smaller) || (format === 'gif' && !stays));
  const kind = format === 'jpeg' ? 'jpeg' : format === 'gif' && stays ? 'gif' : 'png';
  return (bytes) => {
    let made = AS_PNG[format] === undefined ? bytes : pictureAsPng(bytes, format);
    const isLarge = smaller !== null && !stays && made.length > smaller.mostBytes;
    if (smaller !== null && !stays && (isAnew || isLarge)) made = smallerPicture(bytes, format, smaller);
    return isWholePicture(made, kind) ? made : blankPicture(kind);
  };
}
