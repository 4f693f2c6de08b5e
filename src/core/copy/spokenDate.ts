// A day as it is written in a line of type.

import { table } from '../base/table';
const MONTHS: Readonly<Record<string, readonly string[]>> = table({
  en: 'January February March April May June July August September October November December'.split(' '),
  de: 'Januar Februar März April Mai Juni Juli August September Oktober November Dezember'.split(' '),
  fr: 'janvier février mars avril mai juin juillet août septembre octobre novembre décembre'.split(' '),
  es: 'enero febrero marzo abril mayo junio julio agosto septiembre octubre noviembre diciembre'.split(' '),
});

/** `27 November 2026` from an ISO 8601 day; empty for anything else. */
export function spokenDate(iso: string, language: string): string {
  const parts = /^(\d{4})-(\d{2})-(\d{2})/.exec(iso);
  if (parts === null) return '';
  const [year, month, day] = [parts[1], Number(parts[2]), Number(parts[3])];
  const name = (MONTHS[language.split('-')[0]] ?? MONTHS.en)[month - 1];
  if (name === undefined) return '';
  switch (language.split('-')[0]) {
    case 'de':
      return `${day}. ${name} ${year}`;
    case 'es':
      return `${day} de ${name} de ${year}`;
    default:
      return language === 'en' ? `${name} ${day}, ${year}` : `${day} ${name} ${year}`;
  }
}
