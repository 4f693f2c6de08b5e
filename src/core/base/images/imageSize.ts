// Width and height of a picture from its first bytes, without decoding it: PNG (ISO 15948), JPEG (ITU T.81, B.2.2), GIF89a,
// BMP, WebP (RFC 9649), TIFF 6.0, SVG.
import { isSvg, svgSize } from './svg';
import { tiffSize } from './tiff';

export interface ImageSize {
  readonly width: number;
  readonly height: number;
}

export type ImageFormat = 'jpeg' | 'png' | 'gif' | 'webp' | 'bmp' | 'tiff' | 'svg' | 'other';

/** What kind of picture file the bytes are, by their first ones. */
export function imageFormat(bytes: Uint8Array): ImageFormat {
  const ascii = (at: number, text: string) => [...text].every((char, k) => bytes[at + k] === char.charCodeAt(0));
  if (ascii(1, 'PNG\r\n')) return 'png';
  if (bytes[0] === 0xff && bytes[1] === 0xd8) return 'jpeg';
  if (ascii(0, 'GIF8')) return 'gif';
  if (ascii(0, 'RIFF') && ascii(8, 'WEBP')) return 'webp';
  if (ascii(0, 'II*\0') || ascii(0, 'MM\0*')) return 'tiff';
  if (ascii(0, 'BM')) return 'bmp';
  return isSvg(bytes) ? 'svg' : 'other';
}

const NONE: ImageSize = { width: 0, height: 0 };

/** Pixels as the picture is seen; 0 by 0 for what is no picture of a known kind. */
export function imageSize(bytes: Uint8Array): ImageSize {
  if (bytes.length < 26) return NONE;
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const ascii = (at: number, text: string) => [...text].every((char, k) => bytes[at + k] === char.charCodeAt(0));
  if (ascii(1, 'PNG')) return { width: view.getUint32(16), height: view.getUint32(20) };
  if (ascii(0, 'GIF8')) return { width: view.getUint16(6, true), height: view.getUint16(8, true) };
  if (ascii(0, 'BM')) return { width: Math.abs(view.getInt32(18, true)), height: Math.abs(view.getInt32(22, true)) };
  if (ascii(0, 'RIFF') && ascii(8, 'WEBP')) return webpSize(bytes, view, ascii);
  const kind = imageFormat(bytes);
  if (kind === 'tiff') return tiffSize(bytes);
  if (kind === 'svg') return svgSize(bytes);
  const frame = kind === 'jpeg' ? jpegFrame(bytes) : null;
  if (frame === null) return NONE;
  // From the fifth orientation on, the picture lies on its side in the file.
  const { width, height, orientation } = frame;
  return orientation > 4 ? { width: height, height: width } : { width, height };
}

export interface JpegFrame extends ImageSize {
  readonly components: number;
  /** A segment of Adobe's comes before it. */
  readonly isAdobe: boolean;
  /** How the rows of the file lie in the picture as it is seen, 1 to 8 (Exif 2.3, 4.6.4): 1 as they are. */
  readonly orientation: number;
}

/** The first frame of a JPEG (ITU T.81, B.2.2); null when there is none. */
export function jpegFrame(bytes: Uint8Array): JpegFrame | null {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  let isAdobe = false;
  let orientation = 1;
  for (let at = 2; at + 9 < bytes.length && bytes[at] === 0xff;) {
    const marker = bytes[at + 1];
    const isFrame = marker >= 0xc0 && marker <= 0xcf && ![0xc4, 0xc8, 0xcc].includes(marker);
    if (isFrame) {
      const [height, width] = [view.getUint16(at + 5), view.getUint16(at + 7)];
      return { height, width, components: bytes[at + 9], isAdobe, orientation };
    }
    if (marker === 0xe1)
      orientation = exifOrientation(bytes.subarray(at + 4, at + 2 + view.getUint16(at + 2))) ?? orientation;
    if (marker === 0xee && String.fromCharCode(...bytes.subarray(at + 4, at + 9)) === 'Adobe') isAdobe = true;
    // Markers that stand alone have no length.
    if (marker === 0xff) at += 1;
    else at += marker >= 0xd0 && marker <= 0xd8 ? 2 : 2 + view.getUint16(at + 2);
  }
  return null;
}

const ORIENTATION = 0x0112;

/** The orientation that an Exif segment says (TIFF 6.0 directories inside it); undefined where it says none. */
function exifOrientation(segment: Uint8Array): number | undefined {
  const view = new DataView(segment.buffer, segment.byteOffset, segment.byteLength);
  if (segment.length < 20 || String.fromCharCode(...segment.subarray(0, 4)) !== 'Exif') return undefined;
  const START = 6;
  const little = segment[START] === 0x49;
  const first = START + view.getUint32(START + 4, little);
  if (first + 2 > segment.length) return undefined;
  const count = view.getUint16(first, little);
  for (let k = 0; k < count; k += 1) {
    const at = first + 2 + k * 12;
    if (at + 12 > segment.length) return undefined;
    if (view.getUint16(at, little) !== ORIENTATION) continue;
    const value = view.getUint16(at + 8, little);
    return value >= 1 && value <= 8 ? value : undefined;
  }
  return undefined;
}

function webpSize(bytes: Uint8Array, view: DataView, ascii: (at: number, text: string) => boolean): ImageSize {
  if (ascii(12, 'VP8X') && bytes.length >= 30) {
    const three = (at: number) => bytes[at] + (bytes[at + 1] << 8) + (bytes[at + 2] << 16) + 1;
    return { width: three(24), height: three(27) };
  }
  if (ascii(12, 'VP8 ') && bytes.length >= 30)
    return { width: view.getUint16(26, true) & 0x3fff, height: view.getUint16(28, true) & 0x3fff };
  if (ascii(12, 'VP8L')) {
    const bits = view.getUint32(21, true);
    return { width: (bits & 0x3fff) + 1, height: ((bits >> 14) & 0x3fff) + 1 };
  }
  return NONE;
}
