// The few names of the platform that core may use, the same in a browser, a worker and Node. Nothing else of the
// platform exists here: the line at the end fails the build if a dependency ever brings the DOM types in.

declare class TextEncoder {
  encode(text: string): Uint8Array<ArrayBuffer>;
}

declare class TextDecoder {
  constructor(label?: string, options?: { fatal?: boolean; ignoreBOM?: boolean });
  decode(bytes?: Uint8Array, options?: { stream?: boolean }): string;
}

declare namespace WebAssembly {
  class Module {
    constructor(bytes: Uint8Array);
  }
  class Instance {
    constructor(module: Module, imports?: Record<string, Record<string, unknown>>);
    readonly exports: Record<string, unknown>;
  }
  class Memory {
    readonly buffer: ArrayBuffer;
    grow(pages: number): number;
  }
  class Table {
    readonly length: number;
    grow(by: number): number;
    set(index: number, value: unknown): void;
  }
}
