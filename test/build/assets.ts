// The shipped assets for tests, read from generated/: face table, a context with the faces that a book needs, patterns.
import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import {
  addPatterns,
  createTypesetContext,
  FaceLibrary,
  HarfBuzz,
  HarfBuzzSubsetter,
  needsOf,
  typesetBook,
} from '../../src/core/index';
import type { TypesetContext } from '../../src/core/index';
import type { Book } from '../../src/core/model/copy/book';
import type { FaceTable } from '../../src/core/model/spec/faces';
import type { TypesetBook } from '../../src/core/model/composed/pages';

const folder = new URL('../../generated/public/', import.meta.url);

export const readAsset = (name: string): Uint8Array<ArrayBuffer> =>
  new Uint8Array(readFileSync(fileURLToPath(new URL(name, folder))));
export const readJson = (name: string) => JSON.parse(readFileSync(fileURLToPath(new URL(name, folder)), 'utf8'));
export const faceTable = readJson('faces.json') as FaceTable;

export function newContext(): TypesetContext {
  return createTypesetContext(new FaceLibrary(new HarfBuzz(readAsset('harfbuzz.wasm')), faceTable), () =>
    performance.now(),
  );
}

/** Gives a context what a book needs. */
export function prepare(context: TypesetContext, book: Book): TypesetContext {
  const needs = needsOf(book, faceTable);
  for (const id of needs.faces) context.library.add(id, readAsset(`fonts/${context.library.record(id).file}`));
  for (const language of needs.languages) addPatterns(context, language, readJson(`patterns/${language}.json`));
  return context;
}

export function drain<T>(work: Generator<unknown, T>): T {
  for (;;) {
    const step = work.next();
    if (step.done) return step.value;
  }
}

/** Composes a book from scratch, or in a context that has composed before. */
export function compose(book: Book, context: TypesetContext = newContext()): TypesetBook {
  return drain(typesetBook(book, prepare(context, book)));
}

export const newSubsetter = () => new HarfBuzzSubsetter(readAsset('harfbuzz-subset.wasm'));

/** The set text of all pages in reading order, furniture left out, a space between lines. */
export function textOfPages(composed: TypesetBook): string {
  const lines: string[] = [];
  for (const page of composed.pages) {
    for (const { paragraph, from, to } of page.fragments) {
      for (let line = from; line < to; line += 1) {
        const { styled, broken } = paragraph;
        lines.push(styled.text.slice(broken.from[line], broken.to[line]) + (broken.end[line] === 1 ? '\u00AD' : ' '));
      }
    }
  }
  return lines.join('').replaceAll('\u00AD', '');
}
