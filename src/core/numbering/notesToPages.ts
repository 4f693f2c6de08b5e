// The running head of gathered notes: the pages of the text that they belong to.

import { table } from '../base/table';
interface Wording {
  readonly page: (folio: string) => string;
  readonly pages: (range: string) => string;
}

const WORDS: Readonly<Record<string, Wording>> = table({
  en: { page: (folio) => `Note to page ${folio}`, pages: (range) => `Notes to pages ${range}` },
  de: { page: (folio) => `Anmerkungen zu Seite ${folio}`, pages: (range) => `Anmerkungen zu den Seiten ${range}` },
  fr: { page: (folio) => `Notes de la page ${folio}`, pages: (range) => `Notes des pages ${range}` },
  es: { page: (folio) => `Notas de la página ${folio}`, pages: (range) => `Notas de las páginas ${range}` },
});

/** `Notes to pages 12–13`, by the folios of the first and the last; `count`: how many notes. Empty where a folio is. */
export function notesToPages(first: string, last: string, count: number, language: string): string {
  if (first === '' || last === '') return '';
  const primary = language.split('-')[0];
  const words = WORDS[primary] ?? WORDS.en;
  if (first !== last) return words.pages(`${first}–${last}`);
  return primary in WORDS && primary !== 'en'
    ? words.page(first)
    : `${count === 1 ? 'Note' : 'Notes'} to page ${first}`;
}
