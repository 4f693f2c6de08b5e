// Pictures as the browser shows them: read once from the database, drawn on pages and shown in the galley.
import { mediaTypeOf } from '../../core/model/copy/pictureTypes';
import type { PictureKind } from '../../core/model/copy/streams';

/** Kinds that no browser shows by itself. */
const UNSHOWN: ReadonlySet<PictureKind> = new Set<PictureKind>(['tiff']);

interface Shown {
  readonly address: Promise<string | null>;
  /** Once it is decoded. */
  image: HTMLImageElement | null;
}

export class PictureCache {
  private readonly shown = new Map<string, Shown>();

  /** `onLoaded`: another picture can be drawn now. */
  constructor(
    private readonly find: (asset: string) => Promise<Blob | undefined>,
    private readonly onLoaded: () => void,
    /** A picture of a kind that no browser shows, as one that it does; null where it cannot be read. */
    private readonly convert: (file: Blob, format: PictureKind) => Promise<Blob | null>,
  ) {}

  /** An address for an element; null when the picture is not here. */
  address(asset: string, format: PictureKind): Promise<string | null> {
    return this.of(asset, format).address;
  }

  /** The picture for a canvas; undefined until it is here, and when it never will be. */
  image(asset: string, format: PictureKind): HTMLImageElement | undefined {
    return this.of(asset, format).image ?? undefined;
  }

  /** Another book is open: what is shown of the last one is let go. */
  clear(): void {
    for (const { address } of this.shown.values())
      void address.then((made) => made !== null && URL.revokeObjectURL(made));
    this.shown.clear();
  }

  private of(asset: string, format: PictureKind): Shown {
    const known = this.shown.get(asset);
    if (known !== undefined) return known;
    const address = asset === '' ? Promise.resolve(null) : this.load(asset, format);
    const made: Shown = { address, image: null };
    this.shown.set(asset, made);
    void this.decode(made);
    return made;
  }

  private async load(asset: string, format: PictureKind): Promise<string | null> {
    const blob = await this.find(asset);
    if (blob === undefined) {
      // It may be kept a moment later.
      this.shown.delete(asset);
      return null;
    }
    const shown = UNSHOWN.has(format)
      ? await this.convert(blob, format)
      : blob.slice(0, blob.size, mediaTypeOf({ format }));
    return shown && URL.createObjectURL(shown);
  }

  private async decode(shown: Shown): Promise<void> {
    const address = await shown.address;
    if (address === null) return;
    const image = new Image();
    image.src = address;
    await image.decode().then(
      () => {
        shown.image = image;
        this.onLoaded();
      },
      // It stays the frame that it is.
      () => undefined,
    );
  }
}
