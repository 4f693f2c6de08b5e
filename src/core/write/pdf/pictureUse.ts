// The pictures of a PDF (ISO 32000-1, 8.9): a JPEG goes in as it is, and so do the pressed rows of a PNG that needs no mask;
// drawings go in as paths; all others are decoded, with what shows through as a soft mask (11.6.5.3), and so are those that lose their colours.
import type { ByteRange, FileJob } from '../../base/fileJob';
import { decodeDrawing, decodePicture } from '../../base/images/decoders';
import { greyOf, inGrey } from '../../base/images/grey';
import type { Raster } from '../../base/images/raster';
import { imageSize, jpegFrame } from '../../base/images/imageSize';
import type { PictureKind } from '../../model/copy/streams';
import { PLAIN_TONE, type Tone } from '../../model/spec/inks';
import { addDrawing, type ColourOf } from './drawingUse';
import { pdfArray, pdfDictionary, pdfNumber, type PdfFile, type PdfValue } from './objects';

const SPACES: Readonly<Record<number, PdfValue>> = { 1: '/DeviceGray', 3: '/DeviceRGB', 4: '/DeviceCMYK' };

/** Pixels to the inch at which drawings are drawn. */
const DRAWN_AT = 600;

/**
 * From the unit square of the rows as they lie in the file to that of the picture as it is seen: what the way across and the way up add
 * to either side, and where the lower left corner comes to.
 */
export type Turn = readonly [number, number, number, number, number, number];

const UPRIGHT: Turn = [1, 0, 0, 1, 0, 0];
/** By the orientation that a JPEG says (Exif 2.3, 4.6.4), from 1. */
const TURNS: readonly Turn[] = [
  UPRIGHT,
  [-1, 0, 0, 1, 1, 0],
  [-1, 0, 0, -1, 1, 1],
  [1, 0, 0, -1, 0, 1],
  [0, -1, -1, 0, 1, 1],
  [0, -1, 1, 0, 0, 1],
  [0, 1, 1, 0, 0, 0],
  [0, 1, -1, 0, 1, 0],
];

interface UsedPicture {
  readonly name: string;
  readonly value: PdfValue;
  readonly turn: Turn;
  /** Width by height of the rows in the file. */
  readonly shape: number;
}

export class PictureUse {
  private readonly known = new Map<string, UsedPicture | null>();

  constructor(private readonly file: PdfFile) {}

  /** Puts pictures into the file that are not in it yet; each is asked for alone. */
  *take(pictures: readonly PictureInFile[]): FileJob {
    for (const { asset, format, width, tone } of pictures) {
      const key = keyOf(asset, tone);
      if (this.known.has(key)) continue;
      const bytes = asset === '' ? undefined : yield { kind: 'picture', asset };
      const across = Math.ceil((width / 72) * DRAWN_AT);
      const value = bytes === undefined ? null : addPicture(this.file, asset, bytes, format, across, tone);
      const frame = bytes !== undefined && format === 'jpeg' ? jpegFrame(bytes) : null;
      const turn = TURNS[(frame?.orientation ?? 1) - 1];
      const shape = frame === null ? 1 : frame.width / frame.height;
      this.known.set(key, value === null ? null : { name: `P${this.known.size + 1}`, value, turn, shape });
      yield* this.file.flush();
    }
  }

  /**
   * The name under which a content stream draws a picture that was taken, and how it lies; null when it cannot be drawn. `shape`: width by
   * height of its area. One that was put in before its orientation was read, as it lies in the file, stays so.
   */
  drawnAs(
    { asset, tone }: Pick<PictureInFile, 'asset' | 'tone'>,
    shape: number,
  ): Pick<UsedPicture, 'name' | 'turn'> | null {
    const used = this.known.get(keyOf(asset, tone));
    if (used === undefined || used === null) return null;
    const isSideways = used.turn[0] === 0;
    const fitsAsItLies = Math.abs(Math.log(shape / used.shape)) < Math.abs(Math.log(shape * used.shape));
    return { name: used.name, turn: isSideways && fitsAsItLies ? UPRIGHT : used.turn };
  }

  /** The entries of the resources, by name. */
  get entries(): Readonly<Record<string, PdfValue>> {
    const entries: Record<string, PdfValue> = {};
    for (const made of this.known.values()) if (made !== null) entries[made.name] = made.value;
    return entries;
  }
}

const keyOf = (asset: string, tone: Tone | undefined) => (tone === undefined ? asset : `${asset} ${tone.join()}`);

interface PictureInFile {
  readonly asset: string;
  readonly format: PictureKind;
  /** Points, where it first stands. */
  readonly width: number;
  /** In black alone. */
  readonly tone?: Tone;
}

function addPicture(
  file: PdfFile,
  asset: string,
  bytes: Uint8Array,
  format: PictureKind,
  across: number,
  tone: Tone | undefined,
): PdfValue | null {
  const drawing = format === 'svg' ? decodeDrawing(bytes) : null;
  if (drawing !== null) return addDrawing(file, drawing, coloursBy(tone));
  const isGrey = tone === undefined || (isPlain(tone) && hasNoColour(bytes, format));
  const passed = isGrey ? addAsItIs(file, asset, bytes, format) : null;
  if (passed !== null) return passed;
  const raster = decodePicture(bytes, format, across);
  // What cannot be decoded here may be read where the file is.
  if (raster === null) return isGrey ? null : addAsItIs(file, asset, bytes, format);
  return addRaster(file, tone === undefined ? raster : inGrey(raster, tone));
}

const isPlain = (tone: Tone) => tone.every((ink, k) => ink === PLAIN_TONE[k]);

/** Whether the pixels of a file are grey already, as it says itself. */
function hasNoColour(bytes: Uint8Array, format: PictureKind): boolean {
  if (format === 'jpeg') return jpegFrame(bytes)?.components === 1;
  return format === 'png' && bytes[25] === 0;
}

function addAsItIs(file: PdfFile, asset: string, bytes: Uint8Array, format: PictureKind): PdfValue | null {
  if (format === 'jpeg') return addJpeg(file, asset, bytes);
  return format === 'png' ? addPngAsItIs(file, asset, bytes) : null;
}

/** Colours of drawings as the press has them; grey ones on the black plate alone. */
function coloursBy(tone: Tone | undefined): ColourOf {
  return (colour) => {
    const isGrey = colour[0] === colour[1] && colour[1] === colour[2];
    if (tone === undefined && !isGrey)
      return { operands: colour.map((part) => pdfNumber(part / 255)).join(' '), fill: 'rg', stroke: 'RG' };
    const value = tone === undefined ? colour[0] : greyOf(colour, tone);
    return { operands: pdfNumber(value / 255), fill: 'g', stroke: 'G' };
  };
}

function addJpeg(file: PdfFile, asset: string, bytes: Uint8Array): PdfValue | null {
  const frame = jpegFrame(bytes);
  const space = frame === null ? undefined : SPACES[frame.components];
  if (frame === null || space === undefined || frame.width === 0 || frame.height === 0) return null;
  const { width, height, components, isAdobe } = frame;
  return file.addCopy(asset, [{ from: 0, to: bytes.length }], {
    ...imageEntries(width, height, space, 8),
    Filter: '/DCTDecode',
    // Adobe's programs write the four inks turned round (Technical Note 5116).
    ...(components === 4 && isAdobe ? { Decode: '[1 0 1 0 1 0 1 0]' } : {}),
  });
}

/** The rows of a PNG as they are pressed: its predictors are those of PDF (7.4.4.4). Null where it needs more. */
function addPngAsItIs(file: PdfFile, asset: string, bytes: Uint8Array): PdfValue | null {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const { width, height } = imageSize(bytes);
  const [bits, type, interlace] = [bytes[24], bytes[25], bytes[28]];
  if (width === 0 || height === 0 || bits > 8 || interlace !== 0 || ![0, 2, 3].includes(type)) return null;
  const parts: ByteRange[] = [];
  let palette: Uint8Array | null = null;
  for (let at = 8; at + 12 <= bytes.length;) {
    const length = view.getUint32(at);
    const name = String.fromCharCode(...bytes.subarray(at + 4, at + 8));
    const data = bytes.subarray(at + 8, at + 8 + length);
    if (data.length < length || name === 'tRNS') return null;
    if (name === 'IDAT') parts.push({ from: at + 8, to: at + 8 + length });
    else if (name === 'PLTE') palette = data;
    else if (name === 'IEND') break;
    at += 12 + length;
  }
  if (parts.length === 0 || (type === 3 && palette === null)) return null;
  const hex = (from: Uint8Array) => [...from].map((byte) => byte.toString(16).padStart(2, '0')).join('');
  const space =
    type === 0
      ? '/DeviceGray'
      : type === 2
        ? '/DeviceRGB'
        : pdfArray(['/Indexed', '/DeviceRGB', String(palette!.length / 3 - 1), `<${hex(palette!)}>`]);
  const rows = {
    Predictor: '15',
    Colors: type === 2 ? '3' : '1',
    BitsPerComponent: String(bits),
    Columns: String(width),
  };
  return file.addCopy(asset, parts, {
    ...imageEntries(width, height, space, bits),
    Filter: '/FlateDecode',
    DecodeParms: pdfDictionary(rows),
  });
}

function addRaster(file: PdfFile, { width, height, channels, data, alpha }: Raster): PdfValue {
  const mask = alpha === null ? undefined : file.addStream(alpha, imageEntries(width, height, '/DeviceGray', 8));
  const space = SPACES[channels];
  return file.addStream(data, { ...imageEntries(width, height, space, 8), ...(mask ? { SMask: mask } : {}) });
}

function imageEntries(width: number, height: number, space: PdfValue, bits: number): Record<string, PdfValue> {
  return {
    Type: '/XObject',
    Subtype: '/Image',
    Width: pdfNumber(width, 0),
    Height: pdfNumber(height, 0),
    ColorSpace: space,
    BitsPerComponent: String(bits),
  };
}
