// A book with pictures and captions spread over it: their places alone, without files.
import type { Book } from '../src/core/model/copy/book';
import type { Block, Paragraph, PictureFacts } from '../src/core/model/copy/streams';

/** Points. */
const [WIDTH, LEAST, MOST] = [200, 90, 350];
const CAPTION = 'Figure. The lower wall and its keeper, in the year of the high surge.';

const FACTS: Omit<PictureFacts, 'shownHeight'> = {
  ...{ kind: 'picture', asset: '', format: 'other', name: 'weir.png', alt: 'A weir' },
  ...{ width: 0, height: 0, shownWidth: WIDTH },
};

/** About `count` of them, of many depths, none on an opener’s first lines. */
export function withFigures(book: Book, count: number): Book {
  const total = book.divisions.reduce((sum, { blocks }) => sum + blocks.length, 0);
  const every = Math.max(1, Math.floor(total / count));
  let [met, made] = [0, 0];
  const figure = (): Block[] => {
    made += 1;
    const shownHeight = LEAST + ((made * 37) % (MOST - LEAST));
    const plain: Paragraph = {
      kind: 'paragraph',
      id: `p9${made}0`,
      style: 'TX',
      text: '\uFFFC',
      spans: [],
      objects: [],
    };
    return [
      { ...plain, objects: [{ ...FACTS, shownHeight, at: 0 }] },
      { ...plain, id: `p9${made}1`, style: 'CAP', text: CAPTION },
    ];
  };
  const divisions = book.divisions.map((division) => ({
    ...division,
    blocks: division.blocks.flatMap((block, k) => {
      met += 1;
      return division.role === 'chapter' && met % every === 0 && k > 3 ? [block, ...figure()] : [block];
    }),
  }));
  return { ...book, divisions };
}
