// Decoders of compiled code, loaded for the kinds of pictures that a book holds: WebP by libwebp, SVG by resvg. A worker and the command line
// load them alike; where the bytes come from is theirs.
import createWebp from '@jsquash/webp/codec/dec/webp_dec.js';
import { initEmscriptenModule } from '@jsquash/webp/utils.js';
import { initWasm, Resvg } from '@resvg/resvg-wasm';
import { giveDecoder, giveSimplifier, type CompiledKind } from '../core/base/images/decoders';
import { imageSize } from '../core/base/images/imageSize';
import { decodePng } from '../core/base/images/pngAndGif';
import { MOST_PIXELS, rasterOf, type Raster } from '../core/base/images/raster';
import { cleanSvg, withSize } from '../core/base/images/svg';

/** The bytes of a shipped file by its name. */
type ReadAsset = (name: string) => Promise<Uint8Array> | Uint8Array;

const loading = new Map<CompiledKind, Promise<void>>();

/** Loads what is needed for the kinds; what is loaded already is not loaded again. */
export async function loadDecoders(kinds: Iterable<string>, read: ReadAsset): Promise<void> {
  const loaders = { webp: loadWebp, svg: loadSvg };
  const wanted = [...kinds].filter((kind): kind is CompiledKind => kind in loaders);
  await Promise.all(
    wanted.map((kind) => {
      const known = loading.get(kind);
      if (known !== undefined) return known;
      const made = loaders[kind](read);
      loading.set(kind, made);
      // One that failed may be tried again.
      made.catch(() => loading.delete(kind));
      return made;
    }),
  );
}

const moduleOf = async (read: ReadAsset, name: string) =>
  new WebAssembly.Module((await read(name)) as Uint8Array<ArrayBuffer>);

/** What the decoder makes of its pixels; Node has none of its own. */
class Pixels {
  constructor(
    readonly data: Uint8ClampedArray,
    readonly width: number,
    readonly height: number,
  ) {}
}

async function loadWebp(read: ReadAsset): Promise<void> {
  const scope = globalThis as { ImageData?: unknown };
  scope.ImageData ??= Pixels;
  const webp = await initEmscriptenModule(createWebp, await moduleOf(read, 'webp.wasm'));
  giveDecoder('webp', (bytes): Raster | null => {
    const { width, height } = imageSize(bytes);
    if (width * height === 0 || width * height > MOST_PIXELS) return null;
    const image = webp.decode(bytes.slice().buffer);
    return image === null ? null : rasterOf(image.data, image.width, image.height);
  });
}

/** Faces for the words of drawings: the first for those that name none of ours. */
const FACES = ['source-sans-3/400', 'source-sans-3/600', 'eb-garamond/400'];
/** Pixels across and down, at most. */
const MOST_ACROSS = 8000;

async function loadSvg(read: ReadAsset): Promise<void> {
  await initWasm(await moduleOf(read, 'resvg.wasm'));
  const table = JSON.parse(new TextDecoder().decode(await read('faces.json'))) as { id: string; file: string }[];
  const files = FACES.flatMap((id) => table.find((face) => face.id === id)?.file ?? []);
  const fontBuffers = await Promise.all(files.map((file) => read(`fonts/${file}`)));
  const font = {
    fontBuffers,
    defaultFontFamily: 'Source Sans 3',
    sansSerifFamily: 'Source Sans 3',
    serifFamily: 'EB Garamond',
  };
  giveSimplifier((bytes) => {
    const text = cleanSvg(new TextDecoder().decode(bytes));
    if (text === null) return null;
    const drawing = new Resvg(withSize(text, imageSize(bytes)), { font });
    try {
      return drawing.toString();
    } finally {
      drawing.free();
    }
  });
  giveDecoder('svg', (bytes, width): Raster | null => {
    const text = cleanSvg(new TextDecoder().decode(bytes));
    const size = imageSize(bytes);
    if (text === null || size.width * size.height === 0) return null;
    const deep = size.height > size.width;
    const across = Math.min(width, MOST_ACROSS);
    const fitTo = deep
      ? ({ mode: 'height', value: Math.min(MOST_ACROSS, Math.ceil((across * size.height) / size.width)) } as const)
      : ({ mode: 'width', value: across } as const);
    const drawing = new Resvg(withSize(text, size), { font, fitTo });
    const image = drawing.render();
    try {
      return decodePng(image.asPng());
    } finally {
      image.free();
      drawing.free();
    }
  });
}
