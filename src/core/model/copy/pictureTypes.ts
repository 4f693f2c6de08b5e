// What a kind of picture is called in files and by browsers (IANA media types), and which of them a press PDF can hold.
import type { PictureFacts, PictureKind } from './streams';

const TYPES: Readonly<Record<PictureKind, string>> = {
  jpeg: 'image/jpeg',
  png: 'image/png',
  gif: 'image/gif',
  webp: 'image/webp',
  bmp: 'image/bmp',
  tiff: 'image/tiff',
  svg: 'image/svg+xml',
  other: 'application/octet-stream',
};
export const mediaTypeOf = ({ format }: Pick<PictureFacts, 'format'>): string => TYPES[format];

/** Kinds that can be drawn on pages. */
export const PRINTED: ReadonlySet<PictureKind> = new Set<PictureKind>(['jpeg', 'png', 'gif', 'webp', 'tiff', 'svg']);
