// A person's wish for the depth of the spread in view. It is kept with the first paragraph that begins on it, and so goes
// with the text.
import type { DisplayList } from '../../../core/model/composed/displayList';
import { setTouches } from '../../../state/book/bookThunks';
import { useAppDispatch, useAppSelector } from '../../../state/hooks';
import { selectParagraph } from '../../../state/book/selectors';
import type { ParagraphPlace } from '../../../state/view/viewSlice';
import { Choices } from './Choices';
import { costInWords, useWishCosts } from './useWishCosts';

type Wish = -1 | 0 | 1 | null;

export function SpreadDepth({ lists }: { lists: readonly (DisplayList | undefined)[] }) {
  const dispatch = useAppDispatch();
  const readOnly = useAppSelector((state) => state.book.readOnly);
  const begun = lists.flatMap((list) => (list === undefined ? [] : begunOn(list)));
  const wished = useAppSelector((state) =>
    begun.findIndex(({ stream, block }) => selectParagraph(state, stream, block)?.touches?.spread !== undefined),
  );
  const place = begun[Math.max(0, wished)];
  const touched = useAppSelector((state) => place && selectParagraph(state, place.stream, place.block));
  const isPart = useAppSelector((state) => state.book.book?.spec.pages.footFree);
  const costs = useWishCosts(touched === undefined || isPart ? undefined : place, DEPTHS);
  if (place === undefined || touched === undefined) return null;
  const wish: Wish = touched.touches?.spread ?? null;
  return (
    <Choices<Wish>
      label="Depth"
      name="Depth of the spread"
      disabled={readOnly || isPart === true}
      value={wish}
      choices={[
        { value: null, name: 'as it falls', cost: costInWords(costs[0]) },
        { value: -1, name: 'a line short', cost: costInWords(costs[1]) },
        { value: 0, name: 'standard depth', cost: costInWords(costs[2]) },
        { value: 1, name: 'a line long', cost: costInWords(costs[3]) },
      ]}
      onChange={(to) => dispatch(setTouches(place, { spread: to ?? undefined }, NAMES[to === null ? 3 : to + 1]))}
    />
  );
}

const DEPTHS = [{ spread: undefined }, { spread: -1 }, { spread: 0 }, { spread: 1 }];
const NAMES = ['Spread a line short', 'Spread at standard depth', 'Spread a line long', 'Spread as it falls'];

/** Paragraphs of running text whose first line stands on a page, in order. */
function begunOn(list: DisplayList): ParagraphPlace[] {
  const places: ParagraphPlace[] = [];
  for (const { source, first } of list.items) {
    if (source === null || list.sourceOffsets[first] !== 0 || source.meaning === 'note') continue;
    if (places[places.length - 1]?.block !== source.block) places.push({ stream: source.stream, block: source.block });
  }
  return places;
}
