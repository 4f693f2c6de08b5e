// Finds out what the pages say: on which page each heading stands, and under which folio.
import { OBJECT_CHARACTER, type Paragraph } from '../model/streams';
import type { Division } from '../model/book';
import type { Page } from '../model/pages';
import type { HeadingPlace, ReferenceTable } from '../model/referenceTable';

/** The table of a book whose pages are made; `pages` empty before the first pass. */
export function readReferences(
  divisions: readonly Division[],
  pages: readonly Page[],
  firstPages: ReadonlyMap<string, number>,
): ReferenceTable {
  const headings: HeadingPlace[] = [];
  for (const division of divisions) {
    if (!division.listed) continue;
    const words = headingWords(division);
    const page = firstPages.get(division.id) ?? -1;
    const role = division.role === 'part' ? 'part' : division.role === 'chapter' ? 'chapter' : 'other';
    headings.push({ division: division.id, role, level: 1, ...words, page, folio: pages[page]?.folio ?? '' });
  }
  return { headings };
}

/** Number and title at the head of a division; both empty when it has none. A person's break in a title is a space. */
export function headingWords(division: Division): { number: string; title: string } {
  const find = (tags: readonly string[]) => {
    const block = division.blocks.find((candidate) => tags.includes(candidate.style));
    return block?.kind === 'paragraph' ? plainWords(block) : '';
  };
  return { number: find(['CN', 'PN']), title: find(['CT', 'PT', 'TOH']) };
}

/** Text without notes; breaks, tabs and runs of spaces become one space. */
export function plainWords(paragraph: Paragraph): string {
  const kinds = new Map(paragraph.objects.map((object) => [object.at, object.kind]));
  let text = '';
  for (let k = 0; k < paragraph.text.length; k += 1) {
    if (paragraph.text[k] !== OBJECT_CHARACTER) text += paragraph.text[k];
    else if (kinds.get(k) !== 'note') text += ' ';
  }
  return text.replace(/\s+/g, ' ').trim();
}
