// The part of `brotli` that is used.
declare module 'brotli/decompress' {
  export default function decompress(bytes: Uint8Array, size?: number): Uint8Array;
}
