// The pictures of a book as files of a package: their names, media types and the size at which a page shows them.
import { toBase64 } from '../../base/base64';
import { cleanSvg } from '../../base/images/svg';
import { mediaTypeOf } from '../../model/copy/pictureTypes';
import type { PictureBytes, PictureFacts, PictureKind } from '../../model/copy/streams';

const EXTENSIONS: Readonly<Record<PictureKind, string>> = {
  jpeg: 'jpg',
  png: 'png',
  gif: 'gif',
  webp: 'webp',
  bmp: 'bmp',
  tiff: 'tif',
  svg: 'svg',
  other: 'bin',
};
export const pictureFileName = ({ asset, format }: Pick<PictureFacts, 'asset' | 'format'>): string =>
  `${asset}.${EXTENSIONS[format]}`;

const EMPTY_DRAWING = '<svg xmlns="http://www.w3.org/2000/svg" width="1" height="1"/>';

/** A drawing as it may leave: without what runs or reaches out; an empty one for what is none. */
export const cleanDrawing = (bytes: Uint8Array): Uint8Array =>
  new TextEncoder().encode(cleanSvg(new TextDecoder().decode(bytes)) ?? EMPTY_DRAWING);

/** Every picture file once, of the pictures that were met; `of`: which formats the package may hold. */
export class PictureFiles {
  private readonly met = new Map<string, PictureFacts>();

  constructor(
    /** Hashes of those that are there. */
    private readonly there: ReadonlySet<string>,
    private readonly of: ReadonlySet<PictureKind>,
    /** The format in which a picture stands in the package. */
    private readonly as: (picture: PictureFacts) => PictureKind = ({ format }) => format,
  ) {}

  private inPackage(picture: PictureFacts): Pick<PictureFacts, 'asset' | 'format'> {
    return { asset: picture.asset, format: this.as(picture) };
  }

  /** The file of a picture; null when its bytes are not there, or of no kind that the package holds. */
  take(picture: PictureFacts): string | null {
    if (!this.there.has(picture.asset) || !this.of.has(picture.format)) return null;
    this.met.set(picture.asset, picture);
    return pictureFileName(this.inPackage(picture));
  }

  /** `format` and `pixels`, along its longer side: those of the picture's own file. */
  get files(): {
    readonly name: string;
    readonly type: string;
    readonly asset: string;
    readonly format: PictureKind;
    readonly pixels: number;
  }[] {
    return [...this.met.values()].map((picture) => ({
      name: pictureFileName(this.inPackage(picture)),
      type: mediaTypeOf(this.inPackage(picture)),
      asset: picture.asset,
      format: picture.format,
      pixels: Math.max(picture.width, picture.height),
    }));
  }
}

/** Pictures as data addresses (RFC 2397): one file holds everything. */
export function dataAddress(pictures: PictureBytes): (picture: PictureFacts) => string | null {
  return (picture) => {
    const bytes = pictures[picture.asset];
    if (bytes === undefined || picture.format === 'other') return null;
    const written = picture.format === 'svg' ? cleanDrawing(bytes) : bytes;
    return `data:${mediaTypeOf(picture)};base64,${toBase64(written)}`;
  };
}
