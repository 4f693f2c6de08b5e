// Mappings kept by name: what this author's styles become and which Tidy jobs the copy needs, used again for another file.
import { useEffect, useState } from 'react';
import { applyKeptMapping, keepMapping, readKeptMappings, type KeptMapping } from '../../../../state/arrivalThunks';
import { useAppDispatch, useAppSelector } from '../../../../state/hooks';

export function KeptMappings() {
  const dispatch = useAppDispatch();
  const readOnly = useAppSelector((state) => state.book.readOnly);
  const [kept, setKept] = useState<readonly KeptMapping[]>([]);
  const [picked, setPicked] = useState('');
  const [name, setName] = useState<string | null>(null);
  useEffect(() => {
    let isCurrent = true;
    void dispatch(readKeptMappings()).then((found) => isCurrent && setKept(found));
    return () => {
      isCurrent = false;
    };
  }, [dispatch]);
  if (name !== null)
    return (
      <form
        className="flex items-center gap-2 border-b border-hairline px-3.5 py-1.5"
        onSubmit={(event) => {
          event.preventDefault();
          if (name.trim() === '') return;
          void dispatch(keepMapping(name.trim().slice(0, 80))).then((list) => {
            setKept(list);
            setPicked(name.trim());
            setName(null);
          });
        }}
      >
        <input
          autoFocus
          aria-label="Name of the mapping"
          placeholder="A name, such as the author’s"
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
    <div className="flex items-center justify-between gap-2 border-b border-hairline px-3.5 py-1.5">
      <select
        aria-label="Use a kept mapping"
        className="select select-xs w-32"
        value={picked}
        disabled={readOnly || kept.length === 0}
        onChange={(event) => {
          const found = kept.find((one) => one.name === event.target.value);
          setPicked(event.target.value);
          if (found !== undefined) void dispatch(applyKeptMapping(found));
        }}
      >
        <option value="">{kept.length === 0 ? 'none kept' : 'use a kept one'}</option>
        {kept.map((one) => (
          <option key={one.name} value={one.name}>
            {one.name}
          </option>
        ))}
      </select>
      <button className="btn btn-xs border-base-300 bg-base-100" onClick={() => setName('')}>
        Keep this mapping
      </button>
    </div>
  );
}
