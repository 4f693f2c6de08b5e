// The pictures of a book as files of a package: their names, media types and the size at which a page shows them.
import { mediaTypeOf } from '../../model/pictureTypes';
import type { PictureBytes, PictureFacts, PictureKind } from '../../model/streams';

const EXTENSIONS: Readonly<Record<PictureKind, string>> = {
  jpeg: 'jpg',
  png: 'png',
  gif: 'gif',
  webp: 'webp',
  bmp: 'bmp',
  other: 'bin',
};
/** Points of a pixel where nothing says more (CSS Values 4, 6.2). */
const POINTS_PER_PIXEL = 0.75;

export const pictureFileName = ({ asset, format }: PictureFacts): string => `${asset}.${EXTENSIONS[format]}`;

/** Every picture file once, of the pictures that were met; `of`: which formats the package may hold. */
export class PictureFiles {
  private readonly met = new Map<string, PictureFacts>();

  constructor(
    private readonly bytes: PictureBytes,
    private readonly of: ReadonlySet<PictureKind>,
  ) {}

  /** The file of a picture; null when its bytes are not there, or of no kind that the package holds. */
  take(picture: PictureFacts): string | null {
    if (this.bytes[picture.asset] === undefined || !this.of.has(picture.format)) return null;
    this.met.set(picture.asset, picture);
    return pictureFileName(picture);
  }

  get files(): { readonly name: string; readonly type: string; readonly bytes: Uint8Array }[] {
    return [...this.met.values()].map((picture) => ({
      name: pictureFileName(picture),
      type: mediaTypeOf(picture),
      bytes: this.bytes[picture.asset],
    }));
  }
}

/** Points at which a file shows a picture: as it came, else its pixels at 96 in the inch. */
export function shownSize(picture: PictureFacts): { readonly width: number; readonly height: number } {
  if (picture.shownWidth > 0 && picture.shownHeight > 0)
    return { width: picture.shownWidth, height: picture.shownHeight };
  return { width: picture.width * POINTS_PER_PIXEL, height: picture.height * POINTS_PER_PIXEL };
}
