// On the arrival sheet: how many places of the copy the house's marks set otherwise than the author typed them, and the choice.
import type { MarkCounts } from '../../../../core/looks/countHouseMarks';
import { selectMarkCounts } from '../../../../state/book/selectors';
import { useAppSelector } from '../../../../state/hooks';
import { groupDigits } from '../../../frame/useStageFacts';
import { MarksChoice } from '../../spec/MarksChoice';

const NAMES: readonly (readonly [keyof MarkCounts, string])[] = [
  ['quotes', 'Quotes and apostrophes'],
  ['ellipses', 'Ellipses'],
  ['dashes', 'Dashes and ranges'],
  ['spaces', 'Spaces of fixed width'],
];

export function HouseMarks() {
  const counts = useAppSelector(selectMarkCounts);
  const isTyped = useAppSelector((state) => state.book.book?.spec.marks.set) === 'typed';
  const some = NAMES.filter(([key]) => counts[key] > 0);
  const total = some.reduce((sum, [key]) => sum + counts[key], 0);
  const told = isTyped
    ? 'Every mark is set as the author typed it.'
    : total === 0
      ? 'The author’s marks are those of the house: none is set otherwise.'
      : `${groupDigits(total)} ${total === 1 ? 'place is' : 'places are'} set otherwise than typed; the copy stays as it is.`;
  return (
    <>
      <MarksChoice note={told} />
      {some.length > 0 && (
        <dl aria-label="Places set by the house’s marks">
          {some.map(([key, name]) => (
            <div key={key} className="flex justify-between border-b border-hairline px-3.5 py-1">
              <dt>{name}</dt>
              <dd>{groupDigits(counts[key])}</dd>
            </div>
          ))}
        </dl>
      )}
    </>
  );
}
