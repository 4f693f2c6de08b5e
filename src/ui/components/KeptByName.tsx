// A list of things kept by name: one is picked and used, the present one is kept under a name, one is dropped.
import { useEffect, useState, type FormEvent } from 'react';

interface Named {
  readonly name: string;
}

interface Props<T extends Named> {
  /** What the list is called, and the field for a new name. */
  readonly label: string;
  readonly nameLabel: string;
  readonly none: string;
  readonly some: string;
  readonly keepWords: string;
  readonly suggested: string;
  readonly mayKeep: boolean;
  readonly mayUse: boolean;
  readonly read: () => Promise<readonly T[]>;
  readonly keep: (name: string) => Promise<readonly T[]>;
  readonly drop: (name: string) => Promise<readonly T[]>;
  readonly onPick: (one: T) => void;
}

const BUTTON = 'btn btn-xs border-base-300 bg-base-100';
const LONGEST_NAME = 80;

export function KeptByName<T extends Named>(props: Props<T>) {
  const { read, keep, drop, onPick } = props;
  const [kept, setKept] = useState<readonly T[]>([]);
  const [picked, setPicked] = useState('');
  const [name, setName] = useState<string | null>(null);
  useEffect(() => {
    let isCurrent = true;
    void read().then((found) => isCurrent && setKept(found));
    return () => {
      isCurrent = false;
    };
  }, [read]);
  const submit = (event: FormEvent) => {
    event.preventDefault();
    const own = name?.trim().slice(0, LONGEST_NAME) ?? '';
    if (own === '') return;
    void keep(own).then((list) => {
      setKept(list);
      setPicked(own);
      setName(null);
    });
  };
  if (name !== null)
    return (
      <form className="flex items-center gap-2" onSubmit={submit}>
        <input
          autoFocus
          aria-label={props.nameLabel}
          className="setting-input min-w-0 grow text-left"
          value={name}
          onChange={(event) => setName(event.target.value)}
          onKeyDown={(event) => event.key === 'Escape' && setName(null)}
        />
        <button className={BUTTON} disabled={name.trim() === ''}>
          Keep
        </button>
      </form>
    );
  return (
    <div className="flex flex-wrap items-center justify-between gap-2">
      <select
        aria-label={props.label}
        className="select select-xs min-w-[118px] grow basis-0"
        value={picked}
        disabled={!props.mayUse || kept.length === 0}
        onChange={(event) => {
          setPicked(event.target.value);
          const found = kept.find((one) => one.name === event.target.value);
          if (found !== undefined) onPick(found);
        }}
      >
        <option value="">{kept.length === 0 ? props.none : props.some}</option>
        {kept.map((one) => (
          <option key={one.name} value={one.name}>
            {one.name}
          </option>
        ))}
      </select>
      {picked !== '' && (
        <button
          className={BUTTON}
          onClick={() =>
            void drop(picked).then((list) => {
              setKept(list);
              setPicked('');
            })
          }
        >
          Remove it
        </button>
      )}
      <button className={BUTTON} disabled={!props.mayKeep} onClick={() => setName(props.suggested)}>
        {props.keepWords}
      </button>
    </div>
  );
}
