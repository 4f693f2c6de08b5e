// Pictures of any kind as pixels. What is decoded by compiled code is given by whoever loaded it, a worker or the command line: core reads no
// files.
import { drawingOf, type Drawing } from './drawing';
import { decodeJpeg } from './jpeg';
import { decodeGif, decodePng } from './pngAndGif';
import type { Raster } from './raster';
import { svgSize } from './svg';
import { decodeTiff } from './tiff';

/** Pixels of a picture, at most `width` of them across where it can be drawn at any size; null for what cannot be decoded. Never throws. */
export type PictureDecoder = (bytes: Uint8Array, width: number) => Raster | null;

/** Kinds whose decoders are given. */
export type CompiledKind = 'webp' | 'svg';

const given = new Map<string, PictureDecoder>([
  ['png', decodePng],
  ['jpeg', decodeJpeg],
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

/** A drawing in paths alone, as `drawingOf` reads it; null where it is damaged. */
type Simplifier = (bytes: Uint8Array) => string | null;
let simplifier: Simplifier | null = null;

export function giveSimplifier(given: Simplifier): void {
  simplifier = given;
}

/** The drawing with its words as outlines, as SVG; null where it is damaged, and where no simplifier is there. */
export function simplifiedDrawing(bytes: Uint8Array): string | null {
  try {
    return simplifier?.(bytes) ?? null;
  } catch {
    return null;
  }
}

/** The drawing as paths; null where no simplifier is there, where it is damaged, and where paths cannot show it. */
export function decodeDrawing(bytes: Uint8Array): Drawing | null {
  const simplified = simplifiedDrawing(bytes);
  return simplified === null ? null : drawingOf(simplified, svgSize(bytes));
}
