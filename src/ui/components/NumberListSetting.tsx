// A few numbers that belong together, written with a colon between: shares of widths. Empty: none of one's own.
import { useId, useState } from 'react';
import { SettingRow } from './Setting';

interface Props {
  readonly label: string;
  readonly hint: string;
  /** How many there must be. */
  readonly count: number;
  readonly value: readonly number[] | null;
  /** What stands in the field when there are none. */
  readonly none: string;
  readonly disabled: boolean;
  readonly onChange: (value: readonly number[] | null) => string | null;
}

export function NumberListSetting({ label, hint, count, value, none, disabled, onChange }: Props) {
  const id = useId();
  const [draft, setDraft] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const take = () => {
    if (draft === null) return;
    const parts = draft.split(/[\s:,/]+/).filter((part) => part !== '');
    const numbers = parts.map(Number);
    const isNone = parts.length === 0 || draft.trim() === none;
    const isList = numbers.length === count && numbers.every((number) => Number.isFinite(number) && number > 0);
    const fault = isNone
      ? onChange(null)
      : isList
        ? onChange(numbers)
        : `“${draft}” is not ${count} numbers above nothing: write them as ${Array.from({ length: count }, (_, k) => count - k).join(' : ')}.`;
    setProblem(fault);
    if (fault === null) setDraft(null);
  };
  return (
    <SettingRow label={label} id={id} problem={problem} note={hint}>
      <input
        id={id}
        className={`setting-input w-[92px] ${problem ? 'border-error' : ''}`}
        value={draft ?? value?.join(' : ') ?? none}
        disabled={disabled}
        aria-invalid={problem !== null}
        onChange={(event) => setDraft(event.target.value)}
        onFocus={(event) => event.target.select()}
        onBlur={take}
        onKeyDown={(event) => event.key === 'Enter' && take()}
      />
    </SettingRow>
  );
}
