// The parts of a rich text file: groups, control words with their numbers, control symbols, text bytes (RTF 1.9.1).

export type RtfToken =
  | { readonly kind: 'open' | 'close' }
  | { readonly kind: 'word'; readonly word: string; readonly value: number | null }
  | { readonly kind: 'symbol'; readonly symbol: string }
  /** A byte in the code page of the run. */
  | { readonly kind: 'byte'; readonly byte: number }
  | { readonly kind: 'text'; readonly text: string }
  | { readonly kind: 'binary'; readonly bytes: Uint8Array };

const SPACE = 0x20;
const BACKSLASH = 0x5c;
const isLetter = (code: number) => (code >= 0x61 && code <= 0x7a) || (code >= 0x41 && code <= 0x5a);
const isDigit = (code: number) => code >= 0x30 && code <= 0x39;

/** Walks over the file without looking ahead further than one token. */
export function* rtfTokens(bytes: Uint8Array): Generator<RtfToken> {
  let at = 0;
  while (at < bytes.length) {
    const code = bytes[at];
    if (code === 0x7b || code === 0x7d) {
      at += 1;
      yield { kind: code === 0x7b ? 'open' : 'close' };
    } else if (code === 0x0d || code === 0x0a) at += 1;
    else if (code !== BACKSLASH) {
      const from = at;
      while (at < bytes.length && bytes[at] < 0x80 && ![0x7b, 0x7d, BACKSLASH, 0x0d, 0x0a].includes(bytes[at])) at += 1;
      if (at > from) yield { kind: 'text', text: ascii(bytes, from, at) };
      else yield { kind: 'byte', byte: bytes[at++] };
    } else {
      at += 1;
      const next = bytes[at];
      if (next === undefined) return;
      if (!isLetter(next)) {
        at += 1;
        if (next !== 0x27) {
          yield { kind: 'symbol', symbol: String.fromCharCode(next) };
          continue;
        }
        const value = Number.parseInt(ascii(bytes, at, at + 2), 16);
        at += 2;
        if (!Number.isNaN(value)) yield { kind: 'byte', byte: value };
        continue;
      }
      const from = at;
      while (at < bytes.length && at - from < 32 && isLetter(bytes[at])) at += 1;
      const word = ascii(bytes, from, at);
      const start = at;
      if (bytes[at] === 0x2d) at += 1;
      while (at < bytes.length && at - start < 12 && isDigit(bytes[at])) at += 1;
      const value = at > start ? Number.parseInt(ascii(bytes, start, at), 10) : null;
      if (bytes[at] === SPACE) at += 1;
      if (word === 'bin' && value !== null && value > 0) {
        const count = Math.min(value, bytes.length - at);
        at += count;
        yield { kind: 'binary', bytes: bytes.subarray(at - count, at) };
      } else yield { kind: 'word', word, value: Number.isNaN(value) ? null : value };
    }
  }
}

function ascii(bytes: Uint8Array, from: number, to: number): string {
  let text = '';
  for (let k = from; k < Math.min(to, bytes.length); k += 1) text += String.fromCharCode(bytes[k]);
  return text;
}
