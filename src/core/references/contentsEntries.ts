// The entries of the contents: one per listed division, with the folio of its page.
import type { HeadingPlace, ReferenceTable } from '../model/referenceTable';

export interface ContentsEntry {
  readonly tag: 'TOP' | 'TOC';
  readonly text: string;
  readonly folio: string;
  readonly division: string;
}

export function contentsEntries(references: ReferenceTable): ContentsEntry[] {
  return references.headings.map((heading) => ({
    tag: heading.role === 'part' ? 'TOP' : 'TOC',
    text: entryText(heading),
    folio: heading.folio,
    division: heading.division,
  }));
}

/** A part says its number in words; a chapter its figure before the title; a number spelt out says nothing there. */
function entryText(heading: HeadingPlace): string {
  if (heading.number === '' || heading.title === '') return heading.title || heading.number;
  if (heading.role === 'part') return `${heading.number}\u2002${heading.title}`;
  const figure = /^(?:chapter\s+)?(\d+|[ivxlc]+)\.?$/i.exec(heading.number);
  return figure === null ? heading.title : `${figure[1]}\u2002${heading.title}`;
}
