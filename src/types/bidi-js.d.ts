// The part of bidi-js that base/bidi uses: it ships no types.
declare module 'bidi-js' {
  interface EmbeddingLevels {
    readonly levels: Uint8Array;
    readonly paragraphs: readonly { readonly start: number; readonly end: number; readonly level: number }[];
  }
  export default function bidiFactory(): {
    getEmbeddingLevels(text: string, direction?: 'ltr' | 'rtl' | 'auto'): EmbeddingLevels;
  };
}
