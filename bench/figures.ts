// A book with figures spread over it, each with a caption: their places alone, without files.
import { drain } from '../cli/compose';
import { typesetBook, typesetReach, type TypesetContext } from '../src/core/index';
import type { Book } from '../src/core/model/copy/book';
import type { Figure } from '../src/core/model/copy/figures';
import { PLAIN_AROUND, PLAIN_FRAME, type FigurePlace } from '../src/core/model/copy/figureSetting';
import type { Paragraph, PictureFacts } from '../src/core/model/copy/streams';

/** Points. */
const [WIDTH, LEAST, MOST] = [200, 90, 350];
const CAPTION = 'Figure. The lower wall and its keeper, in the year of the high surge.';

const FACTS: Omit<PictureFacts, 'shownHeight'> = {
  ...{ kind: 'picture', asset: '', format: 'other', name: 'weir.png', alt: 'A weir' },
  ...{ width: 0, height: 0, shownWidth: WIDTH },
};

const plain = (id: string, style: string, text: string): Paragraph => ({
  ...{ kind: 'paragraph', id, style, text },
  ...{ spans: [], objects: [] },
});

/** About `count` of them, of many depths and of the places in turn, none on an opener’s first lines. */
export function withFigures(book: Book, count: number, places: readonly FigurePlace[]): Book {
  const total = book.divisions.reduce((sum, { blocks }) => sum + blocks.length, 0);
  const every = Math.max(1, Math.floor(total / count));
  const figures: Record<string, Figure> = {};
  let [met, made] = [0, 0];
  const mark = (): Paragraph => {
    made += 1;
    const id = `f9${made}`;
    const picture = { ...FACTS, shownHeight: LEAST + ((made * 37) % (MOST - LEAST)) };
    figures[id] = {
      ...{ id, place: places[made % places.length], width: 'shown', parts: [{ picture }] },
      caption: { id: `s9${made}0`, blocks: [plain(`p9${made}1`, 'CAP', CAPTION)] },
      credit: { id: `s9${made}1`, blocks: [] },
    };
    return { ...plain(`p9${made}0`, 'TX', '\uFFFC'), objects: [{ at: 0, kind: 'figure', figure: id }] };
  };
  const divisions = book.divisions.map((division) => ({
    ...division,
    blocks: division.blocks.flatMap((block, k) => {
      met += 1;
      return division.role === 'chapter' && met % every === 0 && k > 3 ? [block, mark()] : [block];
    }),
  }));
  return { ...book, divisions, figures };
}

/** Ms in which the chapter of a figure is composed as it is dragged point by point, its text along an ellipse; sorted. */
export function dragFigure(start: Book, context: TypesetContext, steps: number): number[] {
  let book = withFigures(start, 6, ['beside']);
  const [id] = Object.keys(book.figures);
  const division = book.divisions.find(({ blocks }) =>
    blocks.some((block) => block.kind === 'paragraph' && block.objects.some((one) => one.kind === 'figure')),
  )!;
  const frame = { ...PLAIN_FRAME, shape: 'ellipse' } as const;
  let composed = drain(typesetBook(book, context));
  const times = Array.from({ length: steps }, (_, k) => {
    const around = { ...PLAIN_AROUND, text: 'both', outline: true, inset: (k * 3) % 100, from: k % 7 } as const;
    const figure = { ...book.figures[id], frame, width: 110, around };
    book = { ...book, figures: { ...book.figures, [id]: figure } };
    const from = performance.now();
    drain(typesetReach(book, context, division.id, composed));
    const time = performance.now() - from;
    composed = drain(typesetBook(book, context));
    return time;
  });
  return times.sort((a, b) => a - b);
}
