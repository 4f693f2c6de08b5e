// TIFF 6.0, its first image, by package code: grey, RGB, CMYK, palettes, in strips and tiles, pressed or not. Its directory is looked at before: a
// count that the file cannot hold would keep the package busy without end.
import UTIF from 'utif2';
import { MOST_PIXELS, rasterOf, type Raster } from './raster';

/** Tags that the pixels hang on (TIFF 6.0); others may lead into directories of their own. */
const NEEDED: ReadonlySet<number> = new Set([
  ...[256, 257, 258, 259, 262, 266, 273, 277, 278, 279, 284, 292, 293, 317, 320, 322, 323, 324, 325],
  ...[338, 339, 347, 512, 513, 514, 515, 519, 520, 521, 530, 531, 532],
]);
const [WIDTH, HEIGHT, DEPTH, PRESSING, PHOTOMETRIC, SAMPLES] = [256, 257, 258, 259, 262, 277];
/** Bytes of a value by its type (TIFF 6.0, 2), from 0. */
const SIZES = [0, 1, 1, 2, 4, 8, 1, 1, 2, 4, 8, 4, 8];
const [SHORT, LONG] = [3, 4];
const ENTRY = 12;
/** No entry of a directory; private tags begin here. */
const UNUSED = 65_000;

interface TiffHead {
  /** The first number of each tag that is needed. */
  readonly numbers: ReadonlyMap<number, number>;
  /** The file with its first directory alone, and in it what is needed. */
  readonly plain: ArrayBuffer;
}

/** Null where the directory is cut, or a value stands beyond the end of the file. */
function headOf(bytes: Uint8Array): TiffHead | null {
  if (bytes.length < 8) return null;
  const plain = bytes.slice().buffer;
  const view = new DataView(plain);
  const little = bytes[0] === 0x49;
  const first = view.getUint32(4, little);
  if (first + 2 > bytes.length) return null;
  const count = view.getUint16(first, little);
  const end = first + 2 + count * ENTRY;
  if (end > bytes.length) return null;
  const numbers = new Map<number, number>();
  for (let at = first + 2; at < end; at += ENTRY) {
    const [tag, type] = [view.getUint16(at, little), view.getUint16(at + 2, little)];
    const values = view.getUint32(at + 4, little);
    const size = (SIZES[type] ?? 0) * values;
    const from = size > 4 ? view.getUint32(at + 8, little) : at + 8;
    if (!NEEDED.has(tag)) {
      view.setUint16(at, UNUSED, little);
      view.setUint16(at + 2, SHORT, little);
      view.setUint32(at + 4, 1, little);
    } else if (size === 0 || from + size > bytes.length) return null;
    else if (type === SHORT) numbers.set(tag, view.getUint16(from, little));
    else if (type === LONG) numbers.set(tag, view.getUint32(from, little));
  }
  // The directory after it.
  if (end + 4 <= bytes.length) view.setUint32(end, 0, little);
  return { numbers, plain };
}

/** Pixels of the first image; 0 by 0 where nothing says. */
export function tiffSize(bytes: Uint8Array): { readonly width: number; readonly height: number } {
  const numbers = headOf(bytes)?.numbers;
  const [width, height] = [numbers?.get(WIDTH) ?? 0, numbers?.get(HEIGHT) ?? 0];
  return width * height === 0 ? { width: 0, height: 0 } : { width, height };
}

/** Bytes of pixels that a byte of a file can press at most: what says more is made to fill memory. */
const MOST_PRESSED = 2000;
const PLAIN = 1;

/** Null for what is damaged, or larger than any picture of a book. */
export function decodeTiff(bytes: Uint8Array): Raster | null {
  const head = headOf(bytes);
  if (head === null) return null;
  const { numbers, plain } = head;
  const [width, height] = [numbers.get(WIDTH) ?? 0, numbers.get(HEIGHT) ?? 0];
  const size = (width * height * (numbers.get(SAMPLES) ?? 1) * (numbers.get(DEPTH) ?? 1)) / 8;
  if (size === 0 || width * height > MOST_PIXELS) return null;
  if (size > bytes.length * (numbers.get(PRESSING) === PLAIN ? 1 : MOST_PRESSED)) return null;
  try {
    const [first] = UTIF.decode(plain);
    UTIF.decodeImage(plain, first);
    if (numbers.get(PHOTOMETRIC) === SEPARATED) return inksOf(first.data, numbers, width, height);
    return rasterOf(UTIF.toRGBA8(first), width, height);
  } catch {
    return null;
  }
}

/** Photometric interpretation (TIFF 6.0, 16): inks. */
const SEPARATED = 5;

/** The four inks as they are, of eight or sixteen bits; null for other counts of them. */
function inksOf(
  samples: Uint8Array,
  numbers: ReadonlyMap<number, number>,
  width: number,
  height: number,
): Raster | null {
  const bytes = (numbers.get(DEPTH) ?? 8) / 8;
  const count = width * height * 4;
  if (numbers.get(SAMPLES) !== 4 || (bytes !== 1 && bytes !== 2) || samples.length < count * bytes) return null;
  const data = bytes === 1 ? samples.subarray(0, count) : new Uint8Array(count);
  // The package puts the high byte of two behind, whatever the order of the file.
  if (bytes === 2) for (let k = 0; k < count; k += 1) data[k] = samples[k * 2 + 1];
  return { width, height, channels: 4, data, alpha: null };
}
