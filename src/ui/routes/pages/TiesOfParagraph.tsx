// The ties of the paragraph pointed at: each lifted here, in the whole book, or tied again.
import { tieState, type TieState } from '../../../core/model/answers/ties';
import { setTouches } from '../../../state/book/bookThunks';
import { setSpec } from '../../../state/spec/specThunks';
import { useAppDispatch, useAppSelector } from '../../../state/hooks';
import { selectParagraph } from '../../../state/book/selectors';
import type { ParagraphPlace } from '../../../state/view/viewSlice';

const STATES: Readonly<Record<TieState, string>> = {
  tied: 'Tied',
  here: 'Untied here',
  book: 'Untied in all',
};

export function TiesOfParagraph({ place, ties }: { place: ParagraphPlace; ties: readonly string[] }) {
  const dispatch = useAppDispatch();
  const readOnly = useAppSelector((state) => state.book.readOnly);
  const inBook = useAppSelector((state) => state.book.book!.spec.text.liftedTies);
  const here = useAppSelector((state) => selectParagraph(state, place.stream, place.block)?.touches?.liftedTies);
  if (ties.length === 0) return null;
  const without = (list: readonly string[], words: string) => list.filter((one) => one !== words);
  const lift = (words: string, to: TieState) => {
    const own = without(here ?? [], words);
    const liftedHere = to === 'here' ? [...own, words] : own;
    const isChangedHere = to === 'here' || own.length !== (here ?? []).length;
    if (isChangedHere) {
      const name = to === 'here' ? `“${words}” untied here` : `“${words}” tied again`;
      dispatch(setTouches(place, { liftedTies: liftedHere.length === 0 ? undefined : liftedHere }, name));
    }
    const others = without(inBook, words);
    if (to === 'book') dispatch(setSpec(['text', 'liftedTies'], [...others, words], `“${words}” untied in the book`));
    else if (others.length !== inBook.length)
      dispatch(setSpec(['text', 'liftedTies'], others, `“${words}” tied again`));
  };
  return (
    <fieldset className="min-w-0 border-b border-hairline px-3.5 py-1.5" disabled={readOnly}>
      <legend className="float-left mb-1 w-full">Ties</legend>
      <ul className="clear-both">
        {ties.map((words) => (
          <li key={words} className="flex items-center justify-between gap-2 py-0.5">
            <span className="min-w-0 truncate font-book text-[14px]" title={words}>
              {words}
            </span>
            <select
              className="select select-xs w-[118px] shrink-0"
              aria-label={`The tie of ${words}`}
              value={tieState(words, here ?? [], inBook)}
              onChange={(event) => lift(words, event.target.value as TieState)}
            >
              {Object.entries(STATES).map(([value, name]) => (
                <option key={value} value={value}>
                  {name}
                </option>
              ))}
            </select>
          </li>
        ))}
      </ul>
    </fieldset>
  );
}
