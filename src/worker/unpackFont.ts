// Font files packed as WOFF2, unpacked; what unpacks them comes only when it is needed.
import { isWoff2, unpackWoff2 } from '../core/index';

/** The file as TTF or OTF; throws ImportError with a sentence that names it. */
export async function unpackFont(fileName: string, bytes: Uint8Array): Promise<Uint8Array> {
  if (!isWoff2(bytes)) return bytes;
  const { default: decompress } = await import('brotli/decompress');
  return unpackWoff2(fileName, bytes, decompress);
}
