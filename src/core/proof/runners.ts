// The checks of paragraphs and pages, by the kind of what they find. One that finds several kinds stands at each of them.
import type { CHECKS, CheckScope, FindingKind } from '../model/checks/checks';
import type { PageRunner, ParagraphRunner } from './hits';
import { lineEnds, rivers } from './lineEnds';
import { looseLines } from './looseLines';
import { missingCharacters } from './missingCharacters';
import { offPage } from './offPage';
import { overfullLines } from './overfullLines';
import { pictures } from './pictures';
import { shortLines } from './shortLines';
import { unpairedQuotes } from './unpairedQuotes';
import { unweighed } from './unweighed';

/** The kinds that checks of a scope find. */
export type KindsOf<S extends CheckScope> = {
  [K in FindingKind]: (typeof CHECKS)[K]['scope'] extends S ? K : never;
}[FindingKind];

export const PARAGRAPH_RUNNERS: Readonly<Record<KindsOf<'paragraph'>, ParagraphRunner>> = {
  'missing-character': missingCharacters,
  'overfull-line': overfullLines,
  'loose-line': looseLines,
  'short-line': shortLines,
  'unpaired-quote': unpairedQuotes,
  'picture-missing': pictures,
  'picture-not-printed': pictures,
  'picture-coarse': pictures,
  'picture-oversized': pictures,
  'picture-without-bleed': pictures,
  'picture-without-words': pictures,
  unweighed,
};

export const PAGE_RUNNERS: Readonly<Record<KindsOf<'page'>, PageRunner>> = {
  'off-page': offPage,
  ladder: lineEnds,
  'stacked-words': lineEnds,
  'short-last-line': lineEnds,
  'marks-running': lineEnds,
  river: rivers,
};

/** The runners of a record, each once, in the order in which they come. */
export const runnersOf = <R>(record: Readonly<Record<string, R>>): readonly R[] => [...new Set(Object.values(record))];
