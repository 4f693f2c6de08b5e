// Folios: which run each page belongs to, and the number it has there. What is counted is told apart from what is shown.
import { inNumerals } from '../numbering/numerals';
import type { Division } from '../model/copy/book';
import type { FolioRun } from '../model/spec/numbering';
import type { Page } from '../model/composed/pages';
import type { Spec } from '../model/spec/spec';

/** Runs that begin on a page besides those of divisions, by its index. */
export type RunsByPage = ReadonlyMap<number, FolioRun>;

const run = (numerals: FolioRun['numerals'], start: number | null): FolioRun => ({
  numerals,
  start,
  prefix: '',
  hidden: false,
});

const numbered = new WeakMap<Page, Page>();

/**
 * The pages with their folios. Without runs of its own the front matter is roman and the body begins at 1, or all is one
 * arabic run. A run that goes on takes its number from the page before.
 */
export function withFolios(
  pages: readonly Page[],
  divisions: readonly Division[],
  spec: Spec,
  firstPages: ReadonlyMap<string, number>,
  touched: RunsByPage = new Map(),
): Page[] {
  const begins = runsOfDivisions(divisions, spec, firstPages);
  let current = run(spec.folios.front === 'roman' && divisions[0]?.matter === 'front' ? 'roman' : 'arabic', 1);
  let number = 0;
  return pages.map((page, index) => {
    const begun = touched.get(index) ?? begins.get(index);
    if (begun === undefined && page.role === 'plate' && spec.folios.plates === 'uncounted')
      return withFolio(page, number, { ...current, hidden: true });
    if (begun !== undefined) current = begun;
    number = begun !== undefined && begun.start !== null ? begun.start : number + 1;
    return withFolio(page, number, current);
  });
}

function runsOfDivisions(
  divisions: readonly Division[],
  spec: Spec,
  firstPages: ReadonlyMap<string, number>,
): Map<number, FolioRun> {
  const begins = new Map<number, FolioRun>();
  let isBody = spec.folios.front === 'arabic' || divisions[0]?.matter !== 'front';
  for (const division of divisions) {
    const page = firstPages.get(division.id);
    if (page === undefined) continue;
    const opensBody = !isBody && division.matter !== 'front';
    if (opensBody) isBody = true;
    if (division.run !== undefined) begins.set(page, division.run);
    else if (opensBody) begins.set(page, run('arabic', 1));
  }
  return begins;
}

function withFolio(page: Page, number: number, { numerals, prefix, hidden }: FolioRun): Page {
  const figure = inNumerals(number, numerals);
  const folio = figure === '' ? '' : prefix + figure;
  const known = numbered.get(page);
  if (known?.folio === folio && known.number === number && (known.folioHidden ?? false) === hidden) return known;
  const made: Page = { ...page, folio, number, ...(hidden ? { folioHidden: true } : {}) };
  numbered.set(page, made);
  return made;
}
