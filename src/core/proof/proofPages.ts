// Runs the checks of paragraphs and pages. A paragraph is looked at once: it never changes, only its page does; and a page once.
import { append } from '../base/append';
import type { Finding } from '../model/checks/finding';
import type { ComposedParagraph, Page, TypesetBook } from '../model/composed/pages';
import { findingOf } from './findingOf';
import type { LineHit } from './hits';
import { linesOf } from './quality/placedLines';
import type { FaceMeasures } from './quality/rivers';
import { PAGE_RUNNERS, PARAGRAPH_RUNNERS, runnersOf } from './runners';

const OF_PARAGRAPHS = runnersOf(PARAGRAPH_RUNNERS);
const OF_PAGES = runnersOf(PAGE_RUNNERS);

const NONE: readonly LineHit[] = [];
const known = new WeakMap<ComposedParagraph, readonly LineHit[]>();

function hitsOf(paragraph: ComposedParagraph): readonly LineHit[] {
  let hits = known.get(paragraph);
  if (hits === undefined) {
    const all = OF_PARAGRAPHS.flatMap((run) => run(paragraph));
    known.set(paragraph, (hits = all.length === 0 ? NONE : all));
  }
  return hits;
}

/** The findings of a page that stands where it stood. */
const knownPages = new WeakMap<Page, readonly Finding[]>();

/** Findings of the paragraphs and pages of a book, in page order. */
export function* proofPages(
  { pages, geometry }: Pick<TypesetBook, 'pages' | 'geometry'>,
  faces: FaceMeasures,
): Generator<void, Finding[]> {
  const findings: Finding[] = [];
  let done = 0;
  for (const page of pages) {
    let onPage = knownPages.get(page);
    if (onPage === undefined) {
      const facts = { page, geometry, faces, lines: linesOf(page, { geometry }) };
      const hits = OF_PAGES.flatMap((run) => run(facts));
      knownPages.set(page, (onPage = [...onLines(page), ...hits.map((hit) => findingOf(hit, page.index))]));
      if ((done += 1) % 20 === 0) yield;
    }
    if (onPage.length > 0) append(findings, onPage);
  }
  return findings;
}

function onLines(page: Page): Finding[] {
  const findings: Finding[] = [];
  for (const fragments of [page.fragments, page.notes])
    for (const { paragraph, from, to, isRepeated } of fragments)
      for (const { line, ...hit } of hitsOf(paragraph))
        if (line >= from && line < to && !isRepeated) findings.push(findingOf(hit, page.index));
  return findings;
}
