// Copies of pictures for the screen: no wider than they are drawn, in black alone where the press has them so. The least used are let go when
// they fill their room; the files stay as they are.
import { greyPixels } from '../../core/base/images/grey';
import type { PictureKind } from '../../core/model/copy/streams';
import type { Tone } from '../../core/model/spec/inks';

/** A picture that is wanted: `across` in device pixels, as wide as it is drawn. */
export interface WantedPicture {
  readonly asset: string;
  readonly format: PictureKind;
  readonly tone?: Tone | undefined;
  readonly across: number;
}

interface Copy {
  readonly image: HTMLImageElement | ImageBitmap | OffscreenCanvas;
  /** As wide as asked for, or as the file is. */
  readonly across: number;
  readonly isWhole: boolean;
  /** Of memory. */
  readonly bytes: number;
}

/** Widths at which copies are kept, in pixels. */
const WIDTHS = [512, 1024, 2048, 4096];
/** Bytes of all copies together. */
export const ROOM = 256 * 1024 * 1024;
/** Rows made grey at a time: the screen waits for no more than that. */
const BAND = 512 * 1024;

const stepFor = (across: number) => WIDTHS.find((width) => width >= across) ?? WIDTHS[WIDTHS.length - 1];

export class ScreenCopies {
  /** The least used first. */
  private readonly copies = new Map<string, Copy>();
  private readonly loading = new Set<string>();
  /** What cannot be shown is not tried again while the book is open. */
  private readonly failed = new Set<string>();
  private bytes = 0;
  private generation = 0;

  /** `address`: of the file for an element; null when it is not here. `onLoaded`: another copy can be drawn now. */
  constructor(
    private readonly address: (asset: string, format: PictureKind) => Promise<string | null>,
    private readonly onLoaded: () => void,
  ) {}

  /** The best copy that is here, while a better one comes; undefined until there is one, and for what cannot be shown. */
  of(wanted: WantedPicture): Copy['image'] | undefined {
    const key = `${wanted.asset} ${wanted.tone?.join() ?? ''}`;
    const step = stepFor(wanted.across);
    const known = this.copies.get(key);
    if (known !== undefined) {
      this.copies.delete(key);
      this.copies.set(key, known);
    }
    const isEnough = known !== undefined && (known.isWhole || known.across >= step);
    if (!isEnough && !this.loading.has(key) && !this.failed.has(key)) void this.load(key, wanted, step);
    return known?.image;
  }

  clear(): void {
    this.generation += 1;
    this.copies.clear();
    this.loading.clear();
    this.failed.clear();
    this.bytes = 0;
  }

  private async load(key: string, { asset, format, tone }: WantedPicture, step: number): Promise<void> {
    const { generation } = this;
    this.loading.add(key);
    let copy: Copy | null = null;
    const address = await this.address(asset, format).catch(() => null);
    // One that is not kept yet may be a moment later.
    if (address !== null) copy = await copyOf(address, format === 'svg', tone, step).catch(() => null);
    if (generation !== this.generation) return;
    this.loading.delete(key);
    if (copy === null) {
      if (address !== null) this.failed.add(key);
      return;
    }
    this.put(key, copy);
    this.onLoaded();
  }

  private put(key: string, copy: Copy): void {
    this.bytes += copy.bytes - (this.copies.get(key)?.bytes ?? 0);
    this.copies.delete(key);
    this.copies.set(key, copy);
    for (const [oldest, { bytes }] of this.copies) {
      if (this.bytes <= ROOM || oldest === key) break;
      this.copies.delete(oldest);
      this.bytes -= bytes;
    }
  }
}

async function copyOf(address: string, isDrawing: boolean, tone: Tone | undefined, step: number): Promise<Copy> {
  const image = new Image();
  image.src = address;
  await image.decode();
  const { naturalWidth, naturalHeight } = image;
  // A drawing is drawn anew at every size.
  if (isDrawing && tone === undefined) return { image, across: step, isWhole: true, bytes: 0 };
  const width = isDrawing ? step : Math.min(step, naturalWidth);
  const height = Math.max(1, Math.round((width * naturalHeight) / naturalWidth));
  const size = { across: width, isWhole: !isDrawing && width === naturalWidth, bytes: width * height * 4 };
  if (tone === undefined) {
    const options = { resizeWidth: width, resizeHeight: height, resizeQuality: 'high' } as const;
    return { ...size, image: await createImageBitmap(image, options) };
  }
  const canvas = new OffscreenCanvas(width, height);
  const context = canvas.getContext('2d', { willReadFrequently: true })!;
  context.imageSmoothingQuality = 'high';
  context.drawImage(image, 0, 0, width, height);
  await makeGrey(context, width, height, tone);
  return { ...size, image: canvas };
}

/** In bands, with the screen free between them. */
async function makeGrey(
  context: OffscreenCanvasRenderingContext2D,
  width: number,
  height: number,
  tone: Tone,
): Promise<void> {
  const rows = Math.max(1, Math.floor(BAND / width));
  for (let y = 0; y < height; y += rows) {
    const band = context.getImageData(0, y, width, Math.min(rows, height - y));
    greyPixels(band.data, tone);
    context.putImageData(band, 0, y);
    await new Promise((resolve) => setTimeout(resolve));
  }
}
