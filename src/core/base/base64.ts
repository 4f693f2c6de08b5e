// Base64 (RFC 4648, section 4), without the platform.
const ALPHABET = 'ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789+/';
const VALUES = new Int8Array(128).fill(-1);
for (let k = 0; k < ALPHABET.length; k += 1) VALUES[ALPHABET.charCodeAt(k)] = k;
/** Bytes that are made into text at once: a multiple of three. */
const PIECE = 3 * 4096;

/** The bytes; what is no sign of the alphabet is passed over. */
export function fromBase64(text: string): Uint8Array<ArrayBuffer> {
  const bytes = new Uint8Array(Math.floor((text.length * 3) / 4));
  let [bits, held, count] = [0, 0, 0];
  for (let k = 0; k < text.length; k += 1) {
    const code = text.charCodeAt(k);
    const value = code < 128 ? VALUES[code] : -1;
    if (value < 0) continue;
    bits = ((bits << 6) | value) & 0xffffff;
    held += 6;
    if (held < 8) continue;
    held -= 8;
    bytes[count] = (bits >> held) & 0xff;
    count += 1;
  }
  return bytes.slice(0, count);
}

export function toBase64(bytes: Uint8Array): string {
  const pieces: string[] = [];
  for (let from = 0; from < bytes.length; from += PIECE) {
    let text = '';
    for (let k = from; k < Math.min(bytes.length, from + PIECE); k += 3) {
      const [a, b, c] = [bytes[k], bytes[k + 1] ?? 0, bytes[k + 2] ?? 0];
      text += ALPHABET[a >> 2] + ALPHABET[((a & 3) << 4) | (b >> 4)];
      text += k + 1 < bytes.length ? ALPHABET[((b & 15) << 2) | (c >> 6)] : '=';
      text += k + 2 < bytes.length ? ALPHABET[c & 63] : '=';
    }
    pieces.push(text);
  }
  return pieces.join('');
}
