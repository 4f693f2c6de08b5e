// The checks of the composed book, in one list. Each looks at one paragraph as it was set.
import type { Finding } from '../model/finding';
import type { ComposedParagraph, TypesetBook } from '../model/pages';
import { looseLines } from './looseLines';
import { missingCharacters } from './missingCharacters';
import { overfullLines } from './overfullLines';

/** A check of a paragraph; `page` is the page of a line. */
export type ParagraphCheck = (paragraph: ComposedParagraph, pageOfLine: (line: number) => number) => Finding[];

export const CHECKS: readonly ParagraphCheck[] = [missingCharacters, overfullLines, looseLines];

/** Findings of all checks over the pages, in page order. */
export function* proofBook(pages: TypesetBook['pages']): Generator<void, Finding[]> {
  const places = new Map<ComposedParagraph, { line: number; page: number }[]>();
  for (const page of pages) {
    for (const fragment of [...page.fragments, ...page.notes]) {
      const starts = places.get(fragment.paragraph) ?? [];
      starts.push({ line: fragment.from, page: page.index });
      places.set(fragment.paragraph, starts);
    }
  }
  yield;
  const findings: Finding[] = [];
  let done = 0;
  for (const [paragraph, starts] of places) {
    const pageOfLine = (line: number) => starts.findLast((start) => start.line <= line)?.page ?? -1;
    for (const check of CHECKS) findings.push(...check(paragraph, pageOfLine));
    if ((done += 1) % 200 === 0) yield;
  }
  return findings;
}
