// The book as it is in print, or as an ebook: without the blocks and figures that are for the other alone. Divisions that are left out of one
// stay: what they are numbered as, and what refers to them, does not change with them.
import type { Book, Division } from '../model/copy/book';
import type { Edition } from '../model/copy/editions';
import type { Figures } from '../model/copy/figures';
import type { Block } from '../model/copy/streams';

/** The edition that a block is for; undefined: both. */
export const onlyInOf = (block: Block): Edition | undefined =>
  block.kind === 'table' ? block.setting?.onlyIn : block.touches?.onlyIn;

/** What was left of something for each edition. It is asked at every compose, and most of a book is as it was. */
type Kept<K extends object, V> = Readonly<Record<Edition, WeakMap<K, V>>>;
const kept = <K extends object, V>(): Kept<K, V> => ({ print: new WeakMap(), ebook: new WeakMap() });

const books = kept<Pick<Book, 'divisions' | 'figures'>, object>();
const divisions = kept<Division, Division>();
const figures = kept<Figures, Figures>();

function keptIn<K extends object, V>(map: WeakMap<K, V>, key: K, make: () => V): V {
  let value = map.get(key);
  if (value === undefined) map.set(key, (value = make()));
  return value;
}

/** The book of an edition; the same book where all of it is in both. Parts of which nothing is left out keep their identity. */
export function editionOf<T extends Pick<Book, 'divisions' | 'figures'>>(book: T, edition: Edition): T {
  return keptIn(books[edition], book, () => {
    const own = book.divisions.map((division) =>
      keptIn(divisions[edition], division, () => divisionIn(division, edition)),
    );
    const shown = keptIn(figures[edition], book.figures, () => figuresOf(book.figures, edition));
    const isWhole = shown === book.figures && own.every((division, k) => division === book.divisions[k]);
    return isWhole ? book : { ...book, divisions: own, figures: shown };
  }) as T;
}

function divisionIn(division: Division, edition: Edition): Division {
  const isIn = (block: Block) => (onlyInOf(block) ?? edition) === edition;
  return division.blocks.every(isIn) ? division : { ...division, blocks: division.blocks.filter(isIn) };
}

/** A mark whose figure is gone stands for nothing. */
function figuresOf(all: Figures, edition: Edition): Figures {
  const isIn = ({ onlyIn = edition }: Figures[string]) => onlyIn === edition;
  const entries = Object.entries(all);
  return entries.every(([, figure]) => isIn(figure))
    ? all
    : Object.fromEntries(entries.filter(([, figure]) => isIn(figure)));
}
