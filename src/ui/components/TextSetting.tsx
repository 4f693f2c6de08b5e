// A setting that is a short text: taken with Enter or on leaving, with what is wrong below.
import { useId, useState, type ReactNode } from 'react';
import { SettingRow } from './Setting';

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
  const [draft, setDraft] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const take = () => {
    if (draft === null) return;
    const fault = draft === value ? null : onChange(draft);
    setProblem(fault);
    if (fault === null) setDraft(null);
  };
  return (
    <SettingRow label={label} id={id} problem={problem} note={note} isWide={isWide}>
      <input
        id={id}
        className={`setting-input text-left ${isWide ? 'w-full' : 'w-[150px]'} ${problem ? 'border-error' : ''}`}
        value={draft ?? value}
        placeholder={placeholder}
        maxLength={maxLength}
        disabled={disabled}
        aria-invalid={problem !== null}
        onChange={(event) => setDraft(event.target.value)}
        onBlur={take}
        onKeyDown={(event) => {
          if (event.key === 'Enter') take();
          if (event.key === 'Escape') {
            setDraft(null);
            setProblem(null);
          }
        }}
      />
    </SettingRow>
  );
}
