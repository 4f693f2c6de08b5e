// Putting in a cross-reference: the head is found by its words, and what is told of it chosen.
import { useState, type KeyboardEvent } from 'react';
import type { CrossReference, ReferenceShows } from '../../../../core/model/copy/streams';
import { useAppSelector } from '../../../../state/hooks';
import { referenceTargets } from '../../../../state/book/references';

const SHOWS: readonly (readonly [ReferenceShows, string])[] = [
  ['page', 'its folio: 12'],
  ['pageOrOpposite', 'page 12, or opposite'],
  ['number', 'its number'],
  ['title', 'its title'],
];

interface Props {
  /** The reference that is changed. */
  readonly first: CrossReference | undefined;
  readonly onTake: (reference: CrossReference) => void;
}

export function ReferenceForm({ first, onTake }: Props) {
  const book = useAppSelector((state) => state.book.book)!;
  const [words, setWords] = useState('');
  const [shows, setShows] = useState<ReferenceShows>(first?.shows ?? 'page');
  const all = referenceTargets(book);
  const needle = words.trim().toLowerCase();
  const found = all.filter(({ number, title }) => `${number} ${title}`.toLowerCase().includes(needle));
  const [chosen, setChosen] = useState(() =>
    Math.max(
      0,
      all.findIndex(({ block }) => block === first?.target),
    ),
  );
  const take = (at: number) => {
    if (found[at] !== undefined) onTake({ target: found[at].block, shows });
  };
  const press = (event: KeyboardEvent) => {
    const step = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0;
    if (step !== 0) setChosen((at) => Math.max(0, Math.min(found.length - 1, at + step)));
    else if (event.key === 'Enter') take(chosen);
    else return;
    event.preventDefault();
  };
  return (
    <div onKeyDown={press}>
      <label className="flex items-center justify-between gap-2 border-b border-[#d8d2c7] px-3 py-1.5">
        Says
        <select
          className="galley-select w-44"
          value={shows}
          onChange={(event) => setShows(event.target.value as ReferenceShows)}
        >
          {SHOWS.map(([key, name]) => (
            <option key={key} value={key}>
              {name}
            </option>
          ))}
        </select>
      </label>
      <input
        autoFocus
        role="combobox"
        aria-label="Find the head"
        aria-expanded="true"
        aria-controls="reference-targets"
        aria-activedescendant={`target-${chosen}`}
        placeholder="Words or number of the head"
        className="w-full border-b border-[#d8d2c7] bg-transparent px-3 py-1.5"
        value={words}
        onChange={(event) => {
          setWords(event.target.value);
          setChosen(0);
        }}
      />
      <ul id="reference-targets" role="listbox" aria-label="Heads of the book" className="max-h-72 overflow-y-auto">
        {found.map(({ block, number, title, level }, at) => (
          <li
            key={block}
            id={`target-${at}`}
            role="option"
            aria-selected={at === chosen}
            className={`cursor-pointer truncate py-[3px] pr-3 ${at === chosen ? 'bg-[#dcebe2] text-[#1f1d1a]' : ''}`}
            style={{ paddingLeft: 12 + (level - 1) * 14 }}
            onMouseDown={(event) => {
              event.preventDefault();
              take(at);
            }}
          >
            {[number, title].filter(Boolean).join('  ')}
          </li>
        ))}
        {found.length === 0 && <li className="px-3 py-1.5">No head says that.</li>}
      </ul>
    </div>
  );
}
