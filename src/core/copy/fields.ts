// The words that fields stand for, taken from the particulars.
import { namesOf, type Particulars } from '../model/copy/book';
import type { FieldName } from '../model/copy/streams';

/** The words of a field; empty when the particulars do not give them. A line break is U+2028. */
export function fieldText(field: FieldName, particulars: Particulars): string {
  switch (field) {
    case 'author':
      return namesOf(particulars, 'author');
    case 'otherPeople':
      return particulars.people
        .filter((person) => person.role !== 'author')
        .map((person) => person.name)
        .join(', ');
    case 'publisherAndPlace':
      return [particulars.publisher, particulars.place].filter((part) => part !== '').join('\u2028');
    case 'isbn':
      return particulars.isbnPrint === '' ? '' : `ISBN ${particulars.isbnPrint}`;
    case 'rights':
      return particulars.rights !== '' ? particulars.rights : defaultRights(particulars);
    default:
      return particulars[field];
  }
}

function defaultRights(particulars: Particulars): string {
  const author = namesOf(particulars, 'author');
  if (author === '') return '';
  return `Copyright © ${particulars.year !== '' ? `${particulars.year} ` : ''}${author}`;
}
