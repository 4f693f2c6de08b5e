// The words that fields stand for, taken from the particulars.
import { namesOf, type Particulars } from '../model/copy/book';
import type { Edition } from '../model/copy/editions';
import type { FieldName } from '../model/copy/streams';

/** The words of a field in an edition; empty when the particulars do not give them. A line break is U+2028. */
export function fieldText(field: FieldName, particulars: Particulars, edition: Edition = 'print'): string {
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
      return withIsbn(edition === 'ebook' ? particulars.isbnEbook : particulars.isbnPrint);
    case 'isbnPrint':
      return withIsbn(particulars.isbnPrint);
    case 'printAddress':
      return particulars.printAddress ?? '';
    case 'rights':
      return particulars.rights !== '' ? particulars.rights : defaultRights(particulars);
    default:
      return particulars[field];
  }
}

const withIsbn = (isbn: string) => (isbn === '' ? '' : `ISBN ${isbn}`);

function defaultRights(particulars: Particulars): string {
  const author = namesOf(particulars, 'author');
  if (author === '') return '';
  return `Copyright © ${particulars.year !== '' ? `${particulars.year} ` : ''}${author}`;
}
