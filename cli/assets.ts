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
import type { FaceTable } from '../src/core/model/spec/faces';

export interface NodeAssets {
  readonly faces: FaceTable;
  /** A context with all faces and patterns that the books need. */
  readonly contextFor: (...books: Book[]) => TypesetContext;
  readonly subsetter: () => HarfBuzzSubsetter;
}

/** `folder`: the generated public folder. */
export function nodeAssets(folder: string): NodeAssets {
  const bytes = (name: string) => new Uint8Array(readFileSync(join(folder, name)));
  const json = (name: string) => JSON.parse(readFileSync(join(folder, name), 'utf8'));
  const faces = json('faces.json') as FaceTable;
  return {
    faces,
    contextFor(...books) {
      const library = new FaceLibrary(new HarfBuzz(bytes('harfbuzz.wasm')), faces);
      const context = createTypesetContext(library, () => performance.now(), new Date().toISOString().slice(0, 10));
      const needs = books.map((book) => needsOf(book, faces));
      for (const id of new Set(needs.flatMap((one) => one.faces)))
        library.add(id, bytes(`fonts/${library.record(id).file}`));
      for (const language of new Set(needs.flatMap((one) => one.languages)))
        addPatterns(context, language, json(`patterns/${language}.json`));
      return context;
    },
    subsetter: () => new HarfBuzzSubsetter(bytes('harfbuzz-subset.wasm')),
  };
}
