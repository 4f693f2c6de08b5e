// A picture of a file, or one that a person puts in, as it stands in the text.
import { fingerprint } from '../base/hash';
import { imageFormat, imageSize } from '../base/images/imageSize';
import type { IncomingImage } from '../model/copy/manuscript';
import type { PictureFacts } from '../model/copy/streams';

/** Whether the bytes are a picture of a kind that is known. */
export const isPicture = (bytes: Uint8Array): boolean => imageFormat(bytes) !== 'other';

const MOST_POINTS = 20_000;
const MOST_PIXELS = 1_000_000;
const POINTS_PER_PIXEL = 0.75;
const isAbout = (a: number, b: number) => Math.abs(a - b) < 0.01;
const rounded = (points: number) => Math.round(points * 1000) / 1000;
const within = (value: number, most: number) => (Number.isFinite(value) ? Math.min(most, Math.max(0, value)) : 0);

/** `bytes`: undefined when only its place is known. `facts` in pixels, taken where the bytes do not say; `shown` in points. */
export function pictureOf(
  bytes: Uint8Array | undefined,
  facts: IncomingImage,
  shown: { readonly width: number; readonly height: number } = { width: 0, height: 0 },
): PictureFacts {
  const own = bytes === undefined ? { width: 0, height: 0 } : imageSize(bytes);
  const { width, height } = own.width > 0 && own.height > 0 ? own : facts;
  const isNatural = isAbout(shown.width, width * POINTS_PER_PIXEL) && isAbout(shown.height, height * POINTS_PER_PIXEL);
  return {
    kind: 'picture',
    asset: bytes === undefined || bytes.length === 0 ? '' : fingerprint(bytes),
    format: bytes === undefined ? 'other' : imageFormat(bytes),
    name: facts.name.slice(0, 400),
    alt: facts.alt.replace(/\s+/g, ' ').trim().slice(0, 4000),
    width: Math.round(within(width, MOST_PIXELS)),
    height: Math.round(within(height, MOST_PIXELS)),
    // Its own pixels at 96 in the inch are what it has anyway.
    shownWidth: isNatural ? 0 : rounded(within(shown.width, MOST_POINTS)),
    shownHeight: isNatural ? 0 : rounded(within(shown.height, MOST_POINTS)),
  };
}

/** Points at which a picture is shown: as its file had it, else its pixels at 96 in the inch; 0 where nothing is known. */
export function shownSize(picture: PictureFacts): { readonly width: number; readonly height: number } {
  if (picture.shownWidth > 0 && picture.shownHeight > 0)
    return { width: picture.shownWidth, height: picture.shownHeight };
  return { width: picture.width * POINTS_PER_PIXEL, height: picture.height * POINTS_PER_PIXEL };
}
