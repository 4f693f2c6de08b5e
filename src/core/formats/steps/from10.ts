// Format 11: the parts of an opener and tables have meanings, which had hung on the codes of their styles; what is tied to the copy is tied to it by
// anchors, where page touches had places of their own.
import { part, withSpec, type Migration, type Plain, type PlainBook } from '../plainBook';

const MEANINGS: readonly (readonly [tag: string, meaning: string])[] = [
  ['CN', 'chapterNumber'],
  ['PN', 'partNumber'],
  ['CST', 'subtitle'],
  ['CAU', 'chapterAuthor'],
  ['CEP', 'epigraph'],
  ['COR', 'ornament'],
  ['TB', 'table'],
];

export const from10: Migration = (book) => withAnchors(withSpec(book, 11, withOpenerMeanings));

/** The spec with the meanings of openers' parts; styles that a person made heads stay heads. */
export function withOpenerMeanings(spec: Plain): Plain {
  const styles = part(spec, 'styles');
  const changed: Record<string, unknown> = { ...styles };
  for (const [tag] of MEANINGS) if (tag in styles) changed[tag] = withOpenerMeaning(tag, part(styles, tag));
  return { ...spec, styles: changed };
}

/** A style of an opener's part with its meaning; any other as it is. */
export function withOpenerMeaning(tag: string, style: Plain): Plain {
  const meaning = MEANINGS.find(([own]) => own === tag)?.[1];
  const isHead = typeof style.meaning === 'string' && style.meaning.startsWith('heading');
  // What is laid over another spec may say but the size of a style.
  const isWhole = 'name' in style || 'meaning' in style;
  return meaning === undefined || isHead || !isWhole ? style : { ...style, meaning };
}

function withAnchors(book: PlainBook): PlainBook {
  const touches: readonly Plain[] = Array.isArray(book.pageTouches) ? book.pageTouches : [];
  const anchors = touches.map((touch) => {
    const { stream, block, offset } = touch;
    return [anchorOf(touch), { stream, block, from: offset, to: offset, words: '' }];
  });
  return { ...book, anchors: Object.fromEntries(anchors), pageTouches: touches.map(withAnchor) };
}

/** A touch of format 10 has the number of its own anchor. */
const anchorOf = ({ id }: Plain) => `a${String(id).slice(1)}`;

export function withAnchor(touch: Plain): Plain {
  const { stream: _stream, block: _block, offset: _offset, ...rest } = touch;
  return { ...rest, anchor: anchorOf(touch) };
}
