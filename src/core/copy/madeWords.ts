// Words that a book says of itself, in its language: heads of contents, notes and index, and what the index says to its reader.
import { table } from '../base/table';
import type { DivisionRole } from '../model/copy/roles';

export interface MadeWords {
  /** Heads of divisions by their role. */
  readonly heads: Readonly<Partial<Record<DivisionRole, string>>>;
  readonly see: string;
  readonly seeAlso: string;
  readonly continued: string;
  /** On the imprint page of an ebook, before what is said of the printed book. */
  readonly printed: string;
}

/** Heads in this order: contents, figures, tables, notes, index, foreword, preface, introduction, afterword, glossary, bibliography. */
const ROLES: readonly DivisionRole[] = [
  ...(['contents', 'figures', 'tables', 'notes', 'index', 'foreword', 'preface'] as const),
  ...(['introduction', 'afterword', 'glossary', 'bibliography'] as const),
];

const words = (
  heads: string,
  [see, seeAlso, continued, printed]: readonly [string, string, string, string],
): MadeWords => ({
  heads: Object.fromEntries(heads.split('|').map((head, k) => [ROLES[k], head])),
  see,
  seeAlso,
  continued,
  printed,
});

const WORDS: Readonly<Record<string, MadeWords>> = table({
  en: words('Contents|Figures|Tables|Notes|Index|Foreword|Preface|Introduction|Afterword|Glossary|Bibliography', [
    'see',
    'see also',
    'continued',
    'Printed edition',
  ]),
  de: words(
    'Inhalt|Abbildungen|Tabellen|Anmerkungen|Register|Geleitwort|Vorwort|Einleitung|Nachwort|Glossar|Literatur',
    ['siehe', 'siehe auch', 'Fortsetzung', 'Gedruckte Ausgabe'],
  ),
  fr: words(
    'Table des matières|Figures|Tableaux|Notes|Index|Avant-propos|Préface|Introduction|Postface|Glossaire|Bibliographie',
    ['voir', 'voir aussi', 'suite', 'Édition imprimée'],
  ),
  es: words(
    'Índice|Figuras|Tablas|Notas|Índice alfabético|Prólogo|Prefacio|Introducción|Epílogo|Glosario|Bibliografía',
    ['véase', 'véase también', 'continuación', 'Edición impresa'],
  ),
  it: words(
    'Indice|Figure|Tabelle|Note|Indice analitico|Premessa|Prefazione|Introduzione|Postfazione|Glossario|Bibliografia',
    ['vedi', 'vedi anche', 'continua', 'Edizione a stampa'],
  ),
  pt: words(
    'Índice|Figuras|Tabelas|Notas|Índice remissivo|Apresentação|Prefácio|Introdução|Posfácio|Glossário|Bibliografia',
    ['ver', 'ver também', 'continuação', 'Edição impressa'],
  ),
  nl: words(
    'Inhoud|Figuren|Tabellen|Noten|Register|Ten geleide|Voorwoord|Inleiding|Nawoord|Woordenlijst|Bibliografie',
    ['zie', 'zie ook', 'vervolg', 'Gedrukte uitgave'],
  ),
  sv: words('Innehåll|Figurer|Tabeller|Noter|Register|Förord|Förord|Inledning|Efterord|Ordlista|Litteratur', [
    'se',
    'se även',
    'forts.',
    'Tryckt utgåva',
  ]),
  da: words('Indhold|Figurer|Tabeller|Noter|Register|Forord|Forord|Indledning|Efterskrift|Ordliste|Litteratur', [
    'se',
    'se også',
    'fortsat',
    'Trykt udgave',
  ]),
  nb: words('Innhold|Figurer|Tabeller|Noter|Register|Forord|Forord|Innledning|Etterord|Ordliste|Litteratur', [
    'se',
    'se også',
    'forts.',
    'Trykt utgave',
  ]),
  fi: words('Sisällys|Kuvat|Taulukot|Viitteet|Hakemisto|Esipuhe|Alkusanat|Johdanto|Jälkisanat|Sanasto|Kirjallisuus', [
    'ks.',
    'ks. myös',
    'jatkuu',
    'Painettu laitos',
  ]),
  pl: words(
    'Spis treści|Ilustracje|Tabele|Przypisy|Indeks|Słowo wstępne|Przedmowa|Wstęp|Posłowie|Słownik|Bibliografia',
    ['zob.', 'zob. też', 'cd.', 'Wydanie papierowe'],
  ),
  cs: words('Obsah|Obrázky|Tabulky|Poznámky|Rejstřík|Slovo úvodem|Předmluva|Úvod|Doslov|Slovník|Literatura', [
    'viz',
    'viz též',
    'pokračování',
    'Tištěné vydání',
  ]),
  ru: words(
    'Содержание|Иллюстрации|Таблицы|Примечания|Указатель|Вступительное слово|Предисловие|Введение|Послесловие|Словарь|Библиография',
    ['см.', 'см. также', 'продолжение', 'Печатное издание'],
  ),
});

/** The words of a language by its tag (BCP 47); those of English for one that has none of its own. */
export const madeWords = (language: string): MadeWords => WORDS[language.split('-')[0]] ?? WORDS.en;

/** The head of a division that the book makes, or that is added to it; undefined: it has none. */
export const madeHead = (role: DivisionRole, language: string): string | undefined => madeWords(language).heads[role];

/** Whether words are the made head of a role in a language: nobody wrote them. */
export const isMadeHead = (text: string, role: DivisionRole, language: string): boolean =>
  text === madeHead(role, language);
