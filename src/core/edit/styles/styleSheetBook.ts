// A book that is the style sheet of another: each style that is used, told in a line and set in itself.
import type { Book, Division } from '../../model/copy/book';
import type { ParagraphStyle } from '../../model/spec/spec';
import { paragraph, type Block, type StyleTag } from '../../model/copy/streams';
import { countStyles } from './styleEdits';
import { valueOf } from '../../model/spec/inheritance';
import { usesOf } from './styleFacts';

/** Told in this style, that no book has of its own. */
const TOLD = 'STYLESHEET';

/** The book of one division: its style sheet under the spec as it is. Its styles break no page and stand in order of use. */
export function styleSheetBook(book: Book): Book {
  const { styles } = book.spec;
  const counts = countStyles(book);
  const tags = Object.keys(styles).filter((tag) => (counts.get(tag) ?? 0) > 0 && tag !== 'TB');
  let next = 1;
  const put = (style: StyleTag, text: string): Block => paragraph(`p${(next += 1)}`, style, text);
  const blocks = tags.flatMap((tag) => {
    const [first] = usesOf(book, tag);
    const words = first === undefined || first.words === '' ? styles[tag].name : first.words;
    return [put(TOLD, told(book, tag, counts.get(tag) ?? 0)), put(tag, words)];
  });
  const plain = Object.fromEntries(
    Object.entries(styles).map(([tag, style]): [string, ParagraphStyle] => [tag, { ...style, breakBefore: 'none' }]),
  );
  const label: ParagraphStyle = {
    name: 'Told',
    basedOn: 'TX',
    size: 8.5,
    leading: 11,
    firstIndent: 0,
    align: 'left',
    above: 1,
    withNext: true,
    hyphenate: false,
  };
  const division: Division = { id: 'd1', role: 'afterword', matter: 'body', listed: false, blocks };
  return {
    ...book,
    divisions: [division],
    notes: {},
    particulars: { ...book.particulars, title: `${book.particulars.title}: styles` },
    spec: { ...book.spec, styles: { ...plain, [TOLD]: label } },
  };
}

/** A style in a line: tag, name, what it takes from, size, leading and uses. */
function told({ spec }: Book, tag: StyleTag, count: number): string {
  const { styles, text } = spec;
  const size = valueOf(styles, tag, 'size') ?? text.size.pt;
  const own = valueOf(styles, tag, 'leading');
  const leading = own === undefined ? text.leading.pt : typeof own === 'number' ? own : own.grid * text.leading.pt;
  const from = styles[tag].basedOn === undefined ? '' : `, from ${styles[tag].basedOn}`;
  const face = valueOf(styles, tag, 'face') ?? text.face;
  return `${tag}  ${styles[tag].name}${from}: ${face} ${round(size)}/${round(leading)}, ${count} ${count === 1 ? 'paragraph' : 'paragraphs'}`;
}

const round = (value: number) => Math.round(value * 100) / 100;
