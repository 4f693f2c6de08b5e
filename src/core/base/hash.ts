// A small hash for names that must be the same for the same content: no protection against anybody.

/** 32-bit FNV-1a over bytes or the code units of a text. */
export function fnv1a(data: Uint8Array | string, seed = 0x811c9dc5): number {
  let hash = seed;
  for (let k = 0; k < data.length; k += 1) {
    const value = typeof data === 'string' ? data.charCodeAt(k) : data[k];
    hash = Math.imul(hash ^ (value & 0xff), 0x01000193);
    if (value > 0xff) hash = Math.imul(hash ^ (value >> 8), 0x01000193);
  }
  return hash >>> 0;
}

/** 128 bits as 32 hexadecimal digits: four hashes with different seeds. */
export function fingerprint(data: Uint8Array | string): string {
  const whole = new Fingerprint();
  return (typeof data === 'string' ? whole.addText(data) : whole.add(data)).digits;
}

const SEEDS = [1, 2, 3, 4].map((seed) => Math.imul(0x811c9dc5, seed));
const digitsOf = (hash: number) => hash.toString(16).padStart(8, '0');

/** The fingerprint of bytes that come one after another. */
export class Fingerprint {
  private hashes = Int32Array.from(SEEDS);

  add(bytes: Uint8Array): this {
    let [a, b, c, d] = this.hashes;
    for (let k = 0; k < bytes.length; k += 1) {
      const byte = bytes[k];
      a = Math.imul(a ^ byte, 0x01000193);
      b = Math.imul(b ^ byte, 0x01000193);
      c = Math.imul(c ^ byte, 0x01000193);
      d = Math.imul(d ^ byte, 0x01000193);
    }
    this.hashes.set([a, b, c, d]);
    return this;
  }

  /** The code units of a text, as `fnv1a` takes them. */
  addText(text: string): this {
    let [a, b, c, d] = this.hashes;
    for (let k = 0; k < text.length; k += 1) {
      const unit = text.charCodeAt(k);
      const low = unit & 0xff;
      a = Math.imul(a ^ low, 0x01000193);
      b = Math.imul(b ^ low, 0x01000193);
      c = Math.imul(c ^ low, 0x01000193);
      d = Math.imul(d ^ low, 0x01000193);
      if (unit <= 0xff) continue;
      const high = unit >> 8;
      a = Math.imul(a ^ high, 0x01000193);
      b = Math.imul(b ^ high, 0x01000193);
      c = Math.imul(c ^ high, 0x01000193);
      d = Math.imul(d ^ high, 0x01000193);
    }
    this.hashes.set([a, b, c, d]);
    return this;
  }

  get digits(): string {
    return Array.from(this.hashes, (hash) => digitsOf(hash >>> 0)).join('');
  }
}
