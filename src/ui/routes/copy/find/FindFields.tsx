// The fields of find and replace: words with their tokens, ticks and choices.
import { EMPTY_PARAGRAPH, FIND_TOKENS } from '../../../../core/model/answers/find';

/** A field into which tokens are put from a list. */
export function TokenField({
  label,
  value,
  onChange,
  onEnter,
}: {
  label: string;
  value: string;
  onChange: (to: string) => void;
  onEnter?: (step: 1 | -1) => void;
}) {
  const ends = [value.startsWith(' ') && 'begins', value.length > 1 && value.endsWith(' ') && 'ends'].filter(Boolean);
  return (
    <div className="grid grid-cols-[1fr_auto] items-center gap-x-2">
      <label className="flex min-w-0 items-center gap-2">
        <span className="w-20 shrink-0">{label}</span>
        <input
          className="setting-input w-full min-w-0 text-left"
          value={value}
          onChange={(event) => onChange(event.target.value)}
          onKeyDown={(event) => {
            if (event.key !== 'Enter' || onEnter === undefined) return;
            event.preventDefault();
            onEnter(event.shiftKey ? -1 : 1);
          }}
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
        {[...Object.keys(FIND_TOKENS), ...(onEnter === undefined ? [] : [EMPTY_PARAGRAPH])].map((token) => (
          <option key={token} value={token}>
            {token.slice(1, -1)}
          </option>
        ))}
      </select>
      {ends.length > 0 && (
        <p className="col-span-2 pl-[88px] text-[12px] text-quiet">{`${ends.join(' and ')} with a space`}</p>
      )}
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
    <label className="flex items-center justify-between gap-2 whitespace-nowrap">
      {label}
      <select className="select select-xs w-[136px]" value={value} onChange={(event) => onChange(event.target.value)}>
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
