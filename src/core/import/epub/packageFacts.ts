// What a package says of its book (Dublin Core; EPUB 3.3, 5.5, with its refinements; OPF 2.0.1, 2.2 for EPUB 2).
import { elements, maybeChild, textOf, type XmlElement } from '../../base/xml';
import type { Person } from '../../model/copy/book';
import type { IncomingMetadata } from '../../model/copy/manuscript';

/** MARC relators of those whom a book names; others are not persons of ours. */
const ROLES: Readonly<Record<string, Person['role']>> = {
  ...{ aut: 'author', cre: 'author', edt: 'editor', trl: 'translator' },
  ...{ ill: 'illustrator', aui: 'foreword', wpr: 'foreword' },
};

export function packageFacts(metadata: XmlElement | undefined): IncomingMetadata {
  if (metadata === undefined) return {};
  const all = elements(metadata);
  const named = (name: string) => all.filter((one) => one.name === `dc:${name}` && wordsOf(one) !== '');
  const first = (name: string) => {
    const [element] = named(name);
    return element === undefined ? undefined : wordsOf(element);
  };
  const refined = refinements(all);
  const saysOf = (element: XmlElement, property: string) => refined.get(`${element.attributes.id}\u0000${property}`);
  const titles = named('title');
  const title = titles.find((one) => saysOf(one, 'title-type') === 'main') ?? titles[0];
  const subtitle = titles.find((one) => saysOf(one, 'title-type') === 'subtitle');
  const people = [...named('creator'), ...named('contributor')].flatMap((element): Person[] => {
    const said = saysOf(element, 'role') ?? element.attributes['opf:role'];
    const role =
      said === undefined ? (element.name === 'dc:creator' ? 'author' : undefined) : ROLES[said.toLowerCase()];
    return role === undefined ? [] : [{ name: wordsOf(element), role }];
  });
  const series = all.find((one) => one.attributes.property === 'belongs-to-collection');
  const position = series && saysOf(series, 'group-position');
  const subjects = named('subject').map(wordsOf).join('; ');
  return {
    title: title && wordsOf(title),
    ...(subtitle === undefined ? {} : { subtitle: wordsOf(subtitle) }),
    author: people
      .filter(({ role }) => role === 'author')
      .map(({ name }) => name)
      .join('; '),
    language: first('language'),
    more: {
      people,
      publisher: first('publisher') ?? '',
      rights: first('rights') ?? '',
      year: /^(\d{4})\b/.exec(first('date') ?? '')?.[1] ?? '',
      description: first('description') ?? '',
      subjects,
      isbnEbook: named('identifier').map(isbnOf).find(Boolean) ?? '',
      isbnPrint: named('source').map(isbnOf).find(Boolean) ?? '',
      series: series === undefined ? '' : [wordsOf(series), position].filter(Boolean).join(', '),
    },
  };
}

const wordsOf = (element: XmlElement): string => textOf(element).replace(/\s+/g, ' ').trim();

/** The ISBN of 10 or 13 digits that an element says; empty for any other identifier. */
function isbnOf(element: XmlElement): string {
  const found = /^(?:urn:)?(?:isbn[:\s]*)?([\dXx][\dXx\s–-]{8,16})$/i.exec(wordsOf(element))?.[1] ?? '';
  const digits = found.replace(/[^\dXx]/g, '');
  return /^(?:97[89]\d{10}|\d{9}[\dXx])$/.test(digits) ? found.trim() : '';
}

/** What is said of an element by its id and the name of a property. */
function refinements(all: readonly XmlElement[]): ReadonlyMap<string, string> {
  const found = new Map<string, string>();
  for (const element of all) {
    const { refines, property } = element.attributes;
    if (refines?.startsWith('#') && property !== undefined)
      found.set(`${refines.slice(1)}\u0000${property}`, wordsOf(element));
  }
  return found;
}

/** The address of the picture on the cover; undefined: none is said. */
export function coverAddress(
  metadata: XmlElement | undefined,
  items: ReadonlyMap<string, XmlElement>,
): string | undefined {
  const byProperty = [...items.values()].find(({ attributes }) =>
    attributes.properties?.split(/\s+/).includes('cover-image'),
  );
  const named =
    metadata && elements(metadata).find(({ name, attributes }) => name === 'meta' && attributes.name === 'cover');
  const item = byProperty ?? items.get(named?.attributes.content ?? '');
  return item?.attributes['media-type']?.startsWith('image/') ? item.attributes.href : undefined;
}

export const metadataOf = (opf: XmlElement): XmlElement | undefined =>
  maybeChild(opf, 'metadata') ?? maybeChild(opf, 'opf:metadata');
