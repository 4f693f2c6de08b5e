// The shipped assets as Node reads them: face table, fonts, patterns, HarfBuzz.
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import {
  addPatterns,
  createTypesetContext,
  FaceLibrary,
  HarfBuzz,
  HarfBuzzSubsetter,
  needsOf,
  type TypesetContext,
} from '../src/core/index';
import type { Book } from '../src/core/model/copy/book';
import type { FaceTable, OwnFont } from '../src/core/model/spec/faces';

export interface NodeAssets {
  readonly faces: FaceTable;
  /** A shipped file by its name. */
  readonly bytes: (name: string) => Uint8Array;
  /** A context with all faces and patterns that books need; `own`: faces that came with them. */
  readonly contextFor: (books: Book | readonly Book[], own?: readonly OwnFont[]) => TypesetContext;
  readonly subsetter: () => HarfBuzzSubsetter;
}

/** `folder`: the generated public folder. */
export function nodeAssets(folder: string): NodeAssets {
  const bytes = (name: string) => new Uint8Array(readFileSync(join(folder, name)));
  const json = (name: string) => JSON.parse(readFileSync(join(folder, name), 'utf8'));
  const faces = json('faces.json') as FaceTable;
  return {
    faces,
    bytes,
    contextFor(books, own = []) {
      const all = [...faces, ...own.map(({ record }) => record)];
      const library = new FaceLibrary(new HarfBuzz(bytes('harfbuzz.wasm')), all);
      const context = createTypesetContext(library, () => performance.now(), new Date().toISOString().slice(0, 10));
      const needs = [books].flat().map((book) => needsOf(book as Book, all));
      for (const id of new Set(needs.flatMap((one) => one.faces))) {
        const brought = own.find(({ record }) => record.id === id);
        library.add(id, brought?.bytes ?? bytes(`fonts/${library.record(id).file}`));
      }
      for (const language of new Set(needs.flatMap((one) => one.languages)))
        addPatterns(context, language, json(`patterns/${language}.json`));
      return context;
    },
    subsetter: () => new HarfBuzzSubsetter(bytes('harfbuzz-subset.wasm')),
  };
}
