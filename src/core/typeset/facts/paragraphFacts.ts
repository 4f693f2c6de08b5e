// Tells what a paragraph would come to if it ran a line shorter or longer: asked for when a person points at it.
import { editionOf } from '../../copy/editionOf';
import { flatBook } from '../../copy/figures/flatBook';
import type { BrokenParagraph } from '../../model/composed/broken';
import type { Book } from '../../model/copy/book';
import type { TypesetBook } from '../../model/composed/pages';
import type { ParagraphFacts, PictureSetting, SettingFacts } from '../../model/answers/paragraphFacts';
import type { ResolvedStyle } from '../../model/composed/styled';
import { paragraphTies } from './bookTies';
import { variantOnWish } from '../flow/composeParagraph';
import type { TypesetContext } from '../context';

/** Null when the paragraph stands on no page. */
export function paragraphFacts(
  book: Book,
  composed: TypesetBook,
  context: TypesetContext,
  stream: string,
  id: string,
): ParagraphFacts | null {
  const entry = entryOf(book, context, id);
  const places = composed.pages.flatMap((page) =>
    [...page.fragments, ...page.notes]
      .filter(({ paragraph }) => paragraph.styled.stream === stream && paragraph.styled.block === id)
      .map(({ paragraph }) => ({ page: page.index, paragraph })),
  );
  if (entry === undefined || places.length === 0) return null;
  const variant = (step: -1 | 1) => {
    const broken = variantOnWish(entry, step, context);
    return broken === null ? null : factsOf(broken);
  };
  return {
    tag: entry.style.tag,
    look: lookOf(entry.style),
    set: factsOf(places[0].paragraph.broken),
    best: factsOf(entry.composed.broken),
    shorter: variant(-1),
    longer: variant(1),
    pages: [places[0].page, places[places.length - 1].page],
    pictures: picturesOf(entry.style),
    ties: paragraphTies(entry.composed),
  };
}

/** The paragraph as it was composed, of whatever stream; that of a figure is its picture. */
function entryOf(book: Book, { cache }: TypesetContext, id: string) {
  const { divisions, notes } = flatBook(editionOf(book, 'print'));
  for (const { blocks } of [...divisions, ...Object.values(notes)])
    for (const block of blocks)
      if (block.id === id && block.kind === 'paragraph') return cache.tables.paragraphs.get(block);
  return undefined;
}

function lookOf(style: ResolvedStyle): ParagraphFacts['look'] {
  const { family: face, size, leading, weight, caps, tracking } = style;
  const { firstIndent, leftIndent, rightIndent, above, below, italic } = style;
  return { face, size, leading, weight, caps, tracking, firstIndent, leftIndent, rightIndent, above, below, italic };
}

const picturesOf = ({ pictures = [] }: ResolvedStyle): PictureSetting[] =>
  pictures.map(({ name, width, height, resolution }) => ({ name, width, height, resolution }));

function factsOf(broken: BrokenParagraph): SettingFacts {
  let widest = 0;
  for (let line = 0; line < broken.count - 1; line += 1) widest = Math.max(widest, broken.spaceEm[line]);
  return { lines: broken.count, widest };
}
