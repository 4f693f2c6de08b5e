// Pictures as the browser shows them: read once from the database, drawn on pages and shown in the galley.
import { mediaTypeOf } from '../../core/model/copy/pictureTypes';
import type { PictureKind } from '../../core/model/copy/streams';
import { ScreenCopies, type WantedPicture } from './screenCopies';

/** Kinds that no browser shows by itself. */
const UNSHOWN: ReadonlySet<PictureKind> = new Set<PictureKind>(['tiff']);

/** A drawing that a browser would set in faces of its own. */
const HAS_WORDS = /<(?:\w+:)?text[\s>]/;

export class PictureCache {
  private readonly addresses = new Map<string, Promise<string | null>>();
  private readonly copies: ScreenCopies;

  /** `onLoaded`: another picture can be drawn now. */
  constructor(
    private readonly find: (asset: string) => Promise<Blob | undefined>,
    onLoaded: () => void,
    /** A picture of a kind that no browser shows, as one that it does; null where it cannot be read. */
    private readonly convert: (file: Blob, format: PictureKind) => Promise<Blob | null>,
  ) {
    this.copies = new ScreenCopies((asset, format) => this.address(asset, format), onLoaded);
  }

  /** An address for an element; null when the picture is not here. */
  address(asset: string, format: PictureKind): Promise<string | null> {
    if (asset === '') return Promise.resolve(null);
    let address = this.addresses.get(asset);
    if (address === undefined) this.addresses.set(asset, (address = this.load(asset, format)));
    return address;
  }

  /** The picture for a canvas; undefined until it is here, and when it never will be. */
  image(wanted: WantedPicture): CanvasImageSource | undefined {
    return wanted.asset === '' ? undefined : this.copies.of(wanted);
  }

  /** Another book is open: what is shown of the last one is let go. */
  clear(): void {
    for (const address of this.addresses.values())
      void address.then((made) => made !== null && URL.revokeObjectURL(made));
    this.addresses.clear();
    this.copies.clear();
  }

  private async load(asset: string, format: PictureKind): Promise<string | null> {
    const blob = await this.find(asset);
    if (blob === undefined) {
      // It may be kept a moment later.
      this.addresses.delete(asset);
      return null;
    }
    const asItIs = blob.slice(0, blob.size, mediaTypeOf({ format }));
    let shown: Blob | null = asItIs;
    if (UNSHOWN.has(format)) shown = await this.convert(blob, format);
    else if (format === 'svg' && HAS_WORDS.test(await blob.text()))
      shown = (await this.convert(blob, format)) ?? asItIs;
    return shown && URL.createObjectURL(shown);
  }
}
