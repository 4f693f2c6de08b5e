// The checks of the composed book, in one list.
import { append } from '../base/append';
import type { Finding } from '../model/answers/finding';
import { geometryOf, type ComposedParagraph, type Page, type TypesetBook } from '../model/composed/pages';
import { looseLines } from './looseLines';
import { missingCharacters } from './missingCharacters';
import { pictures } from './pictures';
import { unpairedQuotes } from './unpairedQuotes';
import { overfullLines } from './overfullLines';
import { offPage } from './offPage';
import { pageLines } from './pageLines';
import type { LineFinding, ParagraphCheck } from './paragraphCheck';
import { unweighed } from './unweighed';
import type { FaceMeasures } from './quality/rivers';

export const CHECKS: readonly ParagraphCheck[] = [
  missingCharacters,
  overfullLines,
  looseLines,
  unpairedQuotes,
  pictures,
  unweighed,
];

const NONE: readonly LineFinding[] = [];
/** A paragraph is looked at once: it never changes, only its page does. */
const known = new WeakMap<ComposedParagraph, readonly LineFinding[]>();

function findingsOf(paragraph: ComposedParagraph): readonly LineFinding[] {
  let found = known.get(paragraph);
  if (found === undefined) {
    const all = CHECKS.flatMap((check) => check(paragraph));
    known.set(paragraph, (found = all.length === 0 ? NONE : all));
  }
  return found;
}

/** The findings of a page that stands where it stood. */
const knownPages = new WeakMap<Page, readonly Finding[]>();

/** Findings of all checks over the pages, in page order. */
export function* proofBook(
  { pages, geometry }: Pick<TypesetBook, 'pages' | 'geometry'>,
  faces: FaceMeasures,
): Generator<void, Finding[]> {
  const findings: Finding[] = [];
  let done = 0;
  for (const page of pages) {
    let own = knownPages.get(page);
    if (own === undefined) {
      knownPages.set(
        page,
        (own = [...proofPage(page), ...offPage(page, geometryOf(page, geometry)), ...pageLines(page, geometry, faces)]),
      );
      if ((done += 1) % 20 === 0) yield;
    }
    if (own.length > 0) append(findings, own);
  }
  return findings;
}

function proofPage(page: Page): Finding[] {
  const findings: Finding[] = [];
  for (const fragments of [page.fragments, page.notes]) {
    for (const { paragraph, from, to } of fragments) {
      for (const { line, finding } of findingsOf(paragraph))
        if (line >= from && line < to) findings.push({ ...finding, page: page.index });
    }
  }
  return findings;
}
