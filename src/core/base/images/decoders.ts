// Pictures of any kind as pixels. What is decoded by compiled code is given by whoever loaded it, a worker or the command line: core reads no
// files.
import { decodeGif, decodePng } from './pngAndGif';
import type { Raster } from './raster';
import { decodeTiff } from './tiff';

/** Pixels of a picture, at most `width` of them across where it can be drawn at any size; null for what cannot be decoded. Never throws. */
export type PictureDecoder = (bytes: Uint8Array, width: number) => Raster | null;

/** Kinds whose decoders are given. */
export type CompiledKind = 'webp' | 'svg';

const given = new Map<string, PictureDecoder>([
  ['png', decodePng],
  ['gif', decodeGif],
  ['tiff', decodeTiff],
]);

export function giveDecoder(kind: CompiledKind, decoder: PictureDecoder): void {
  given.set(kind, decoder);
}

/** `width`: pixels across, for drawings. Null where no decoder is there, or the picture is damaged. */
export function decodePicture(bytes: Uint8Array, kind: string, width: number): Raster | null {
  try {
    return given.get(kind)?.(bytes, width) ?? null;
  } catch {
    return null;
  }
}
