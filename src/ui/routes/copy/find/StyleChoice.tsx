// A choice of a style, with a way to make one that is not there yet.
import { useState, type FormEvent } from 'react';
import { useAppDispatch, useAppSelector } from '../../../../state/hooks';
import { makeStyle, type StyleSort } from '../../../../state/spec/styleThunks';
import { Choice } from './FindFields';

const NEW = ' new';

interface Props {
  readonly label: string;
  readonly none: string;
  readonly sort: StyleSort;
  readonly value: string;
  readonly mayMake?: boolean;
  readonly onChange: (tag: string) => void;
}

export function StyleChoice({ label, none, sort, value, mayMake = false, onChange }: Props) {
  const dispatch = useAppDispatch();
  const spec = useAppSelector((state) => state.book.book?.spec);
  const readOnly = useAppSelector((state) => state.book.readOnly);
  const [name, setName] = useState<string | null>(null);
  const styles = Object.entries((sort === 'paragraph' ? spec?.styles : spec?.characterStyles) ?? {});
  const choices = [
    ...styles.map(([tag, style]) => [tag, style.name] as const),
    ...(mayMake && !readOnly ? [[NEW, 'New style …'] as const] : []),
  ];
  const make = (event: FormEvent) => {
    event.preventDefault();
    const tag = dispatch(makeStyle(sort, name ?? ''));
    if (tag === null) return;
    setName(null);
    onChange(tag);
  };
  return (
    <>
      <Choice
        label={label}
        none={none}
        value={name === null ? value : NEW}
        choices={choices}
        onChange={(to) => {
          setName(to === NEW ? '' : null);
          if (to !== NEW) onChange(to);
        }}
      />
      {name !== null && (
        <form className="flex items-center gap-2" onSubmit={make}>
          <input
            autoFocus
            aria-label={`Name of the new style, ${label.toLowerCase()}`}
            className="setting-input min-w-0 grow text-left"
            placeholder="Name of the style"
            maxLength={80}
            value={name}
            onChange={(event) => setName(event.target.value)}
            onKeyDown={(event) => event.key === 'Escape' && setName(null)}
          />
          <button className="btn btn-xs border-base-300 bg-base-100" disabled={name.trim() === ''}>
            Add
          </button>
        </form>
      )}
    </>
  );
}
