// Searches kept by name: picked from a list, kept under a name, dropped.
import { useEffect, useState } from 'react';
import { useAppDispatch } from '../../../../state/hooks';
import { dropSearch, keepSearch, readKeptSearches, type KeptSearch } from '../../../../state/keptSearches';

interface Props {
  readonly search: Omit<KeptSearch, 'name'>;
  readonly isAsked: boolean;
  readonly onPick: (search: KeptSearch) => void;
}

export function KeptSearches({ search, isAsked, onPick }: Props) {
  const dispatch = useAppDispatch();
  const [kept, setKept] = useState<readonly KeptSearch[]>([]);
  const [picked, setPicked] = useState('');
  const [name, setName] = useState<string | null>(null);
  useEffect(() => {
    let isCurrent = true;
    void dispatch(readKeptSearches()).then((found) => isCurrent && setKept(found));
    return () => {
      isCurrent = false;
    };
  }, [dispatch]);
  const keep = async () => {
    if (name === null || name.trim() === '') return;
    setKept(await dispatch(keepSearch({ ...search, name: name.trim().slice(0, 80) })));
    setPicked(name.trim());
    setName(null);
  };
  if (name !== null)
    return (
      <form
        className="flex items-center gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          void keep();
        }}
      >
        <input
          autoFocus
          aria-label="Name of the search"
          className="setting-input min-w-0 grow text-left"
          value={name}
          onChange={(event) => setName(event.target.value)}
          onKeyDown={(event) => event.key === 'Escape' && setName(null)}
        />
        <button className="btn btn-xs border-base-300 bg-base-100" disabled={name.trim() === ''}>
          Keep
        </button>
      </form>
    );
  return (
    <div className="flex items-center justify-between gap-2">
      <select
        aria-label="Kept searches"
        className="select select-xs w-40"
        value={picked}
        disabled={kept.length === 0}
        onChange={(event) => {
          setPicked(event.target.value);
          const found = kept.find((one) => one.name === event.target.value);
          if (found !== undefined) onPick(found);
        }}
      >
        <option value="">{kept.length === 0 ? 'no search kept' : 'kept searches'}</option>
        {kept.map((one) => (
          <option key={one.name} value={one.name}>
            {one.name}
          </option>
        ))}
      </select>
      {picked === '' ? (
        <button
          className="btn btn-xs border-base-300 bg-base-100"
          disabled={!isAsked}
          onClick={() => setName(search.words.slice(0, 40))}
        >
          Keep this
        </button>
      ) : (
        <button
          className="btn btn-xs border-base-300 bg-base-100"
          onClick={() =>
            void dispatch(dropSearch(picked)).then((left) => {
              setKept(left);
              setPicked('');
            })
          }
        >
          Drop it
        </button>
      )}
    </div>
  );
}
