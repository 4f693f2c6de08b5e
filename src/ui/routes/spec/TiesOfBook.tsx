// The ties by rule of the whole book, as the pages have them: how often, and lifted or not.
import { useEffect, useState } from 'react';

import type { BookTie } from '../../../core/model/answers/ties';
import { askTies } from '../../../state/book/bookThunks';
import { setSpec } from '../../../state/spec/specThunks';
import { useAppDispatch, useAppSelector } from '../../../state/hooks';
import { groupDigits } from '../../frame/useStageFacts';

export function TiesOfBook() {
  const dispatch = useAppDispatch();
  const readOnly = useAppSelector((state) => state.book.readOnly);
  const lifted = useAppSelector((state) => state.book.book!.spec.text.liftedTies);
  const revision = useAppSelector((state) => state.compose.summary?.revision);
  const [ties, setTies] = useState<readonly BookTie[] | null>(null);
  const [isOpen, setIsOpen] = useState(false);
  useEffect(() => {
    let isCurrent = true;
    void dispatch(askTies()).then((found) => isCurrent && setTies(found));
    return () => {
      isCurrent = false;
    };
  }, [dispatch, revision]);
  if (ties === null) return null;
  const set = (words: string, isTied: boolean) => {
    const others = lifted.filter((one) => one !== words);
    const name = isTied ? `“${words}” tied again` : `“${words}” untied in the book`;
    dispatch(setSpec(['text', 'liftedTies'], isTied ? others : [...others, words], name));
  };
  const count = ties.reduce((sum, tie) => sum + tie.count, 0);
  return (
    <div className="border-b border-hairline px-3.5 py-1.5">
      <button
        className="flex w-full items-center justify-between text-left"
        aria-expanded={isOpen}
        onClick={() => setIsOpen(!isOpen)}
      >
        <span>Ties in the book</span>
        <span className="text-quiet">
          {groupDigits(count)} <span aria-hidden="true">{isOpen ? '▾' : '▸'}</span>
        </span>
      </button>
      {isOpen && ties.length === 0 && <p className="pt-1 text-quiet">No rule ties any words of this book.</p>}
      {isOpen && ties.length > 0 && (
        <ul className="max-h-64 overflow-y-auto pt-1" aria-label="Ties in the book">
          {ties.map(({ words, count: own }) => (
            <li key={words}>
              <label className="flex items-center gap-2 py-[2px]">
                <input
                  type="checkbox"
                  className="checkbox checkbox-primary checkbox-xs"
                  aria-label={`${words} tied`}
                  checked={!lifted.includes(words)}
                  disabled={readOnly}
                  onChange={(event) => set(words, event.target.checked)}
                />
                <span className="min-w-0 grow truncate font-book text-[14px]" title={words}>
                  {words}
                </span>
                <span className="text-quiet">{groupDigits(own)}</span>
              </label>
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}
