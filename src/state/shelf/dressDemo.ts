// A demonstration book with its figures, tables and ornaments: what a person would put in, from a table of where and how.
import { figuresIn } from '../../core/model/copy/holders';
import { OBJECT_CHARACTER, paragraph, type Block, type PictureFacts } from '../../core/model/copy/streams';
import type { Book, Division } from '../../core/model/copy/book';
import { withTable, withTableNumbers, type DemoTable } from './demoTables';
import type { Figure } from '../../core/model/copy/figures';
import { PLAIN_AROUND, PLAIN_FIGURE, type Around, type FigureSetting } from '../../core/model/copy/figureSetting';

export interface DemoFigure {
  /** How the paragraph begins after which its mark stands. */
  readonly after: string;
  /** Names of the files of its parts. */
  readonly files: readonly string[];
  readonly alt: string;
  /** Its number is given by its place among those of the book. */
  readonly caption: string;
  readonly setting: Omit<FigureSetting, 'around'> & { readonly around?: Partial<Around> };
}

export interface DemoDress {
  readonly figures: readonly DemoFigure[];
  readonly tables?: readonly DemoTable[];
  /** Of its scene breaks. */
  readonly ornament?: string;
  /** Of the pictures, by the names of their files. */
  readonly facts: Readonly<Record<string, PictureFacts>>;
}

/** The book with them; a figure of which the book has no such paragraph is left out. */
export function dressDemo(book: Book, { figures, tables = [], ornament, facts }: DemoDress): Book {
  const made = figures.reduce((current, figure) => withFigure(current, figure, facts), book);
  const numbered =
    tables.length === 0 ? withNumbers(made) : withTableNumbers(tables.reduce(withTable, withNumbers(made)));
  if (ornament === undefined) return numbered;
  const { spec } = numbered;
  return { ...numbered, spec: { ...spec, styles: { ...spec.styles, SB: { ...spec.styles.SB, ornament } } } };
}

const wordsOf = (text: string) => text.replaceAll(OBJECT_CHARACTER, '');

function withFigure(book: Book, of: DemoFigure, facts: Readonly<Record<string, PictureFacts>>): Book {
  let { nextId } = book;
  const id = (letter: string) => `${letter}${nextId++}`;
  const mark = paragraph(id('p'), 'TX', OBJECT_CHARACTER, { objects: [] });
  const divisions = book.divisions.map((division): Division => {
    const at = division.blocks.findIndex(
      (block) => block.kind === 'paragraph' && wordsOf(block.text).startsWith(of.after),
    );
    if (at < 0) return division;
    const own: Block = { ...mark, objects: [{ at: 0, kind: 'figure', figure: `f${nextId}` }] };
    return { ...division, blocks: division.blocks.toSpliced(at + 1, 0, own) };
  });
  if (divisions.every((division, k) => division === book.divisions[k])) return book;
  const { around, ...setting } = of.setting;
  const figure: Figure = {
    ...PLAIN_FIGURE,
    ...setting,
    ...(around === undefined ? {} : { around: { ...PLAIN_AROUND, ...around } }),
    id: id('f'),
    parts: of.files.map((name) => ({ picture: { ...facts[name], alt: of.alt } })),
    caption: { id: id('s'), blocks: of.caption === '' ? [] : [paragraph(id('p'), 'CAP', of.caption)] },
    credit: { id: id('s'), blocks: [] },
  };
  return { ...book, nextId, divisions, figures: { ...book.figures, [figure.id]: figure } };
}

/** The book with the typed numbers of its captions in the order of their figures. */
function withNumbers(book: Book): Book {
  const figures: Record<string, Figure> = { ...book.figures };
  let number = 0;
  for (const id of book.divisions.flatMap(({ blocks }) => blocks.flatMap(figuresIn))) {
    const figure = figures[id];
    const [first, ...rest] = figure.caption.blocks;
    if (first?.kind !== 'paragraph' || !/^Figure \d+\./.test(first.text)) continue;
    number += 1;
    const before = first.text.length;
    const text = first.text.replace(/^Figure \d+\./, `Figure ${number}.`);
    const by = text.length - before;
    const objects = first.objects.map((object) => ({ ...object, at: object.at + by }));
    const spans = first.spans.map((span) => ({ ...span, from: span.from + by, to: span.to + by }));
    figures[id] = { ...figure, caption: { ...figure.caption, blocks: [{ ...first, text, objects, spans }, ...rest] } };
  }
  return { ...book, figures };
}
