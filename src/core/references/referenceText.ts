// What a cross-reference says: always what is true now.
import { table } from '../base/table';
import type { ReferenceTable } from '../model/composed/referenceTable';
import type { BlockId, CrossReference } from '../model/copy/streams';

interface ReferenceWords {
  readonly page: (folio: string) => string;
  readonly opposite: string;
  readonly here: string;
}

const WORDS: Readonly<Record<string, ReferenceWords>> = table({
  en: { page: (folio) => `page\u00a0${folio}`, opposite: 'opposite', here: 'this page' },
  de: { page: (folio) => `Seite\u00a0${folio}`, opposite: 'gegenüber', here: 'dieser Seite' },
  fr: { page: (folio) => `page\u00a0${folio}`, opposite: 'ci-contre', here: 'cette page' },
  es: { page: (folio) => `página\u00a0${folio}`, opposite: 'enfrente', here: 'esta página' },
});

/** What stands for a target that is gone. */
export const GONE = '??';

/** `block` and `at`: where the reference stands. `facing`: whether pages have one opposite. */
export function referenceText(
  { target, shows }: CrossReference,
  block: BlockId,
  at: number,
  references: ReferenceTable,
  language: string,
  facing: boolean,
): string {
  const place = references.targets[target];
  if (place === undefined) return GONE;
  if (shows === 'title') return place.title || GONE;
  if (shows === 'number') return place.number || place.title || GONE;
  if (shows === 'page') return place.folio || GONE;
  const words = WORDS[language.split('-')[0]] ?? WORDS.en;
  const own = references.sources[`${block}:${at}`] ?? -1;
  if (own >= 0 && own === place.page) return words.here;
  // Page 0 is a recto alone; a verso and the recto after it are one spread.
  const spread = (page: number) => Math.floor((page + 1) / 2);
  if (facing && own >= 0 && place.page >= 0 && spread(own) === spread(place.page)) return words.opposite;
  return place.folio === '' ? GONE : words.page(place.folio);
}
