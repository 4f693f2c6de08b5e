// A few numbers that belong together, written with a colon between: shares of widths. Empty: none of one's own.
import { useId } from 'react';
import { SettingRow } from './Setting';
import { useDraft } from './useDraft';

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
  const { field, problem } = useDraft(value?.join(' : ') ?? none, (draft) => {
    const parts = draft.split(/[\s:,/]+/).filter((part) => part !== '');
    if (parts.length === 0 || draft.trim() === none) return onChange(null);
    const numbers = parts.map(Number);
    const isList = numbers.length === count && numbers.every((number) => Number.isFinite(number) && number > 0);
    const sample = Array.from({ length: count }, (_, k) => count - k).join(' : ');
    return isList ? onChange(numbers) : `“${draft}” is not ${count} numbers above nothing: write them as ${sample}.`;
  });
  return (
    <SettingRow label={label} id={id} problem={problem} note={hint}>
      <input
        {...field}
        id={id}
        className={`setting-input w-[92px] ${problem ? 'border-error' : ''}`}
        disabled={disabled}
        onFocus={(event) => event.target.select()}
      />
    </SettingRow>
  );
}
