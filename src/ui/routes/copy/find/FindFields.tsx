// The fields of find and replace: words with their tokens, ticks and choices.
import { FIND_TOKENS } from '../../../../core/model/answers/find';

/** A field into which tokens are put from a list. */
export function TokenField({
  label,
  value,
  onChange,
}: {
  label: string;
  value: string;
  onChange: (to: string) => void;
}) {
  return (
    <div className="flex items-center gap-2">
      <label className="flex min-w-0 grow items-center gap-2">
        <span className="w-9 shrink-0">{label}</span>
        <input
          className="setting-input min-w-0 grow text-left"
          value={value}
          onChange={(event) => onChange(event.target.value)}
        />
      </label>
      <select
        aria-label={`A sign for ${label}`}
        className="select select-xs w-14 shrink-0"
        value=""
        onChange={(event) => onChange(value + event.target.value)}
      >
        <option value="" disabled>
          ¶
        </option>
        {Object.keys(FIND_TOKENS).map((token) => (
          <option key={token} value={token}>
            {token.slice(1, -1)}
          </option>
        ))}
      </select>
    </div>
  );
}

interface CheckProps {
  readonly label: string;
  readonly isOn: boolean;
  readonly disabled?: boolean;
  readonly onChange: (to: boolean) => void;
}

export function Check({ label, isOn, disabled = false, onChange }: CheckProps) {
  return (
    <label className="flex items-center gap-1.5">
      <input
        type="checkbox"
        className="checkbox checkbox-primary checkbox-xs"
        checked={isOn}
        disabled={disabled}
        onChange={(event) => onChange(event.target.checked)}
      />
      {label}
    </label>
  );
}

interface ChoiceProps {
  readonly label: string;
  readonly none: string;
  readonly value: string;
  readonly choices: readonly (readonly [string, string])[];
  readonly onChange: (to: string) => void;
}

export function Choice({ label, none, value, choices, onChange }: ChoiceProps) {
  return (
    <label className="flex items-center justify-between gap-3">
      {label}
      <select className="select select-xs w-40" value={value} onChange={(event) => onChange(event.target.value)}>
        <option value="">{none}</option>
        {choices.map(([key, name]) => (
          <option key={key} value={key}>
            {name}
          </option>
        ))}
      </select>
    </label>
  );
}
