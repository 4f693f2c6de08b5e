// What can be put in, found by its name or its code.
import { useEffect, useRef, type ReactNode } from 'react';
import type { Insertable } from './insertables';

interface Props {
  readonly words: string;
  readonly found: readonly Insertable[];
  /** Place in `found` of the one that Enter puts in. */
  readonly chosen: number;
  readonly onWords: (words: string) => void;
  readonly onTake: (one: Insertable) => void;
  readonly children: ReactNode;
}

export function InsertByName({ words, found, chosen, onWords, onTake, children }: Props) {
  const list = useRef<HTMLUListElement>(null);
  useEffect(() => {
    list.current?.children[chosen]?.scrollIntoView({ block: 'nearest' });
  }, [chosen, words]);
  return (
    <>
      <input
        autoFocus
        aria-label="Find by name"
        role="combobox"
        aria-expanded="true"
        aria-controls="insertables"
        aria-activedescendant={`insertable-${chosen}`}
        placeholder="A name, or a code such as 2767"
        className="border-b border-[#d8d2c7] bg-transparent px-3 py-1.5"
        value={words}
        onChange={(event) => onWords(event.target.value)}
      />
      <ul
        id="insertables"
        ref={list}
        role="listbox"
        aria-label="What can be put in"
        className="max-h-72 overflow-y-auto"
      >
        {found.map((one, at) => (
          <li
            key={`${one.kind} ${one.name}`}
            id={`insertable-${at}`}
            role="option"
            aria-selected={at === chosen}
            className={`flex cursor-pointer items-baseline gap-3 px-3 py-[3px] ${at === chosen ? 'bg-[#dcebe2] text-[#1f1d1a]' : ''}`}
            onMouseDown={(event) => {
              event.preventDefault();
              onTake(one);
            }}
          >
            <span className="w-6 text-center font-book text-[17px] text-paper-ink">{one.shown}</span>
            <span className="grow">{one.name}</span>
          </li>
        ))}
        {found.length === 0 && <li className="px-3 py-1.5">Nothing has that name.</li>}
      </ul>
      {children}
    </>
  );
}
