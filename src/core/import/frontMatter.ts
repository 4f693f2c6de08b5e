// The display pages that every new book gets: half-title, title page, imprint, contents. Their
// words are paragraphs with fields, edited like any other text.
import type { Division, DivisionRole } from '../model/copy/book';
import { madeHead } from '../copy/madeWords';
import { roleFacts } from '../model/copy/roles';
import type { Block, FieldName, Paragraph } from '../model/copy/streams';
import { ParagraphBuilder, type IdCounter } from './paragraphBuilder';

/** The front matter in reading order; display pages that come with a manuscript find their places in it later. */
export function frontMatter(ids: IdCounter, withContents: boolean, language: string): Division[] {
  const division = (role: DivisionRole, blocks: readonly Block[]): Division => ({
    id: ids.take('d'),
    role,
    matter: 'front',
    listed: false,
    ...(roleFacts(role).printOnly ? { notInEbook: true } : {}),
    blocks,
  });
  const field = (style: string, name: FieldName): Paragraph => {
    const builder = new ParagraphBuilder();
    builder.addObject({ kind: 'field', field: name });
    return builder.build(ids.take('p'), style);
  };
  const words = (style: string, text: string): Paragraph => {
    const builder = new ParagraphBuilder();
    builder.add(text);
    return builder.build(ids.take('p'), style);
  };
  return [
    division('half-title', [field('HT', 'title')]),
    division('title', [
      field('BT', 'title'),
      field('BS', 'subtitle'),
      field('BA', 'author'),
      field('BP', 'publisherAndPlace'),
    ]),
    division('imprint', [
      field('IMP', 'rights'),
      field('IMP', 'edition'),
      field('IMP', 'credits'),
      field('IMP', 'publisherAndPlace'),
      field('IMP', 'isbn'),
    ]),
    ...(withContents ? [division('contents', [words('TOH', madeHead('contents', language)!)])] : []),
  ];
}
