// The languages that can be set: those with hyphenation patterns, by BCP 47 tag, with the family of their house marks.
import { table } from '../../base/table';

/** Habits of quotes and dashes that languages share (`looks/markFamilies`). */
export type MarkFamily =
  | 'american'
  | 'british'
  | 'french'
  | 'german'
  | 'danish'
  | 'swedish'
  | 'polish'
  | 'hungarian'
  | 'romanian'
  | 'russian'
  | 'spanish'
  | 'swiss'
  | 'italian'
  | 'english';

export interface LanguageFacts {
  /** In English, as the list shows it. */
  readonly name: string;
  /** The patterns of the package `hyphen` that divide it. */
  readonly patterns: string;
  readonly marks: MarkFamily;
}

const facts = (name: string, patterns: string, marks: MarkFamily): LanguageFacts => ({ name, patterns, marks });

const FACTS = {
  af: facts('Afrikaans', 'af', 'english'),
  sq: facts('Albanian', 'sq', 'german'),
  am: facts('Amharic', 'mul-ethi', 'swiss'),
  hy: facts('Armenian', 'hy', 'russian'),
  as: facts('Assamese', 'as', 'english'),
  eu: facts('Basque', 'eu', 'spanish'),
  be: facts('Belarusian', 'be', 'russian'),
  bn: facts('Bengali', 'bn', 'english'),
  bg: facts('Bulgarian', 'bg', 'german'),
  ca: facts('Catalan', 'ca', 'spanish'),
  'zh-Latn': facts('Chinese in pinyin', 'zh-latn-pinyin', 'english'),
  cu: facts('Church Slavonic', 'cu', 'russian'),
  cop: facts('Coptic', 'cop', 'english'),
  hr: facts('Croatian', 'hr', 'polish'),
  cs: facts('Czech', 'cs', 'german'),
  da: facts('Danish', 'da', 'danish'),
  nl: facts('Dutch', 'nl', 'english'),
  en: facts('English (US)', 'en-us', 'american'),
  'en-GB': facts('English (British)', 'en-gb', 'british'),
  et: facts('Estonian', 'et', 'polish'),
  fi: facts('Finnish', 'fi', 'swedish'),
  fr: facts('French', 'fr', 'french'),
  fur: facts('Friulian', 'fur', 'italian'),
  gl: facts('Galician', 'gl', 'spanish'),
  ka: facts('Georgian', 'ka', 'german'),
  de: facts('German', 'de-1996', 'german'),
  'de-1901': facts('German (spelling of 1901)', 'de-1901', 'german'),
  'de-CH-1901': facts('German (Swiss, spelling of 1901)', 'de-ch-1901', 'swiss'),
  el: facts('Greek', 'el-monoton', 'italian'),
  grc: facts('Greek, ancient', 'grc', 'italian'),
  'el-polyton': facts('Greek, polytonic', 'el-polyton', 'italian'),
  gu: facts('Gujarati', 'gu', 'english'),
  hi: facts('Hindi', 'hi', 'english'),
  hu: facts('Hungarian', 'hu', 'hungarian'),
  is: facts('Icelandic', 'is', 'german'),
  id: facts('Indonesian', 'id', 'english'),
  ia: facts('Interlingua', 'ia', 'english'),
  ga: facts('Irish', 'ga', 'english'),
  it: facts('Italian', 'it', 'italian'),
  kn: facts('Kannada', 'kn', 'english'),
  kmr: facts('Kurmanji', 'kmr', 'english'),
  la: facts('Latin', 'la', 'english'),
  'la-x-classic': facts('Latin, classical', 'la-x-classic', 'english'),
  'la-x-liturgic': facts('Latin, liturgical', 'la-x-liturgic', 'english'),
  lv: facts('Latvian', 'lv', 'english'),
  lt: facts('Lithuanian', 'lt', 'german'),
  mk: facts('Macedonian', 'mk', 'german'),
  ml: facts('Malayalam', 'ml', 'english'),
  mr: facts('Marathi', 'mr', 'english'),
  mn: facts('Mongolian', 'mn-cyrl', 'russian'),
  nb: facts('Norwegian (bokmål)', 'nb', 'italian'),
  nn: facts('Norwegian (nynorsk)', 'nn', 'italian'),
  oc: facts('Occitan', 'oc', 'french'),
  or: facts('Odia', 'or', 'english'),
  pi: facts('Pali', 'pi', 'english'),
  pa: facts('Panjabi', 'pa', 'english'),
  pms: facts('Piedmontese', 'pms', 'italian'),
  pl: facts('Polish', 'pl', 'polish'),
  pt: facts('Portuguese', 'pt', 'english'),
  ro: facts('Romanian', 'ro', 'romanian'),
  rm: facts('Romansh', 'rm', 'swiss'),
  ru: facts('Russian', 'ru', 'russian'),
  sa: facts('Sanskrit', 'sa', 'english'),
  sr: facts('Serbian', 'sr-cyrl', 'polish'),
  'sr-Latn': facts('Serbian in Latin letters', 'sh-latn', 'polish'),
  sk: facts('Slovak', 'sk', 'german'),
  sl: facts('Slovenian', 'sl', 'german'),
  hsb: facts('Sorbian, Upper', 'hsb', 'german'),
  es: facts('Spanish', 'es', 'spanish'),
  sv: facts('Swedish', 'sv', 'swedish'),
  ta: facts('Tamil', 'ta', 'english'),
  te: facts('Telugu', 'te', 'english'),
  th: facts('Thai', 'th', 'english'),
  ti: facts('Tigrinya', 'mul-ethi', 'swiss'),
  tr: facts('Turkish', 'tr', 'english'),
  tk: facts('Turkmen', 'tk', 'english'),
  uk: facts('Ukrainian', 'uk', 'russian'),
  cy: facts('Welsh', 'cy', 'british'),
} as const satisfies Readonly<Record<string, LanguageFacts>>;

/** In the order of the list: by name. */
export const LANGUAGE_TABLE: Readonly<Record<string, LanguageFacts>> = table(FACTS);

/** Names by tag. */
export const LANGUAGES: Readonly<Record<string, string>> = table(
  Object.fromEntries(Object.entries(FACTS).map(([tag, { name }]) => [tag, name])),
);

/** Tags that say the same as one of the table. */
const SAME: Readonly<Record<string, string>> = {
  no: 'nb',
  'sr-Cyrl': 'sr',
  sh: 'sr-Latn',
  bs: 'hr',
  'hr-HR': 'hr',
  'mn-Cyrl': 'mn',
  ku: 'kmr',
  nds: 'de',
};

/** The language of the table that a BCP 47 tag asks for, whatever its case; undefined: none. */
export function settableLanguage(tag: string): string | undefined {
  const wanted = tag.trim().replaceAll('_', '-').toLowerCase();
  const parts = wanted.split('-');
  for (let count = parts.length; count > 0; count -= 1) {
    const prefix = parts.slice(0, count).join('-');
    for (const [key, to] of Object.entries(SAME)) if (key.toLowerCase() === prefix) return to;
    for (const key of Object.keys(LANGUAGE_TABLE)) if (key.toLowerCase() === prefix) return key;
  }
  return undefined;
}
