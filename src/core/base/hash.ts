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
  return [1, 2, 3, 4].map((seed) => fnv1a(data, Math.imul(0x811c9dc5, seed)).toString(16).padStart(8, '0')).join('');
}
