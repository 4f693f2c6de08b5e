// A setting that is a short text: taken with Enter or on leaving, with what is wrong below.
import { useId, type ReactNode } from 'react';
import { SettingRow } from './Setting';
import { useDraft } from './useDraft';

interface Props {
  readonly label: string;
  readonly value: string;
  readonly onChange: (value: string) => string | null;
  readonly disabled?: boolean;
  readonly note?: ReactNode;
  readonly isWide?: boolean;
  readonly placeholder?: string;
  readonly maxLength?: number;
}

export function TextSetting({
  label,
  value,
  onChange,
  disabled = false,
  note,
  isWide = false,
  placeholder,
  maxLength = 200,
}: Props) {
  const id = useId();
  const { field, problem } = useDraft(value, onChange);
  return (
    <SettingRow label={label} id={id} problem={problem} note={note} isWide={isWide}>
      <input
        {...field}
        id={id}
        className={`setting-input text-left ${isWide ? 'w-full' : 'w-[150px]'} ${problem ? 'border-error' : ''}`}
        placeholder={placeholder}
        maxLength={maxLength}
        disabled={disabled}
      />
    </SettingRow>
  );
}
