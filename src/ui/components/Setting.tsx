// One row of settings: the label at the left, its control at the right, what is wrong below. Controls of one column align.
import { useId, useRef, useState, type ReactNode } from 'react';
import { ValueError } from '../../core/base/errors';
import type { Length } from '../../core/model/spec/length';
import { parseLength } from '../../core/measure/units';
import { useDraft } from './useDraft';
import { useUnits } from './useUnits';

interface RowProps {
  readonly label: string;
  readonly id: string;
  readonly problem?: string | null;
  readonly note?: ReactNode;
  readonly isWide?: boolean;
  readonly children: ReactNode;
}

export function SettingRow({ label, id, problem = null, note, isWide = false, children }: RowProps) {
  return (
    <div className="border-b border-hairline px-3.5 py-1">
      <div className={isWide ? 'space-y-1 py-1' : 'flex min-h-7 items-center justify-between gap-3'}>
        <label htmlFor={id}>{label}</label>
        {children}
      </div>
      {note && <p className="pb-1 text-[12px] text-quiet">{note}</p>}
      {problem && (
        <p role="alert" className="pb-1 text-[12px] text-error">
          {problem}
        </p>
      )}
    </div>
  );
}

interface LengthProps {
  readonly label: string;
  readonly value: Length;
  /** Answers what is wrong with the length, or null when it was taken. */
  readonly onChange: (value: Length) => string | null;
  readonly disabled?: boolean;
  readonly note?: ReactNode;
}

/** A length in any unit, with arithmetic: taken with Enter or on leaving, given up with Escape. */
export function LengthSetting({ label, value, onChange, disabled = false, note }: LengthProps) {
  const id = useId();
  const { field, problem } = useLengthField(value, onChange);
  return (
    <SettingRow label={label} id={id} problem={problem} note={note}>
      <input
        id={id}
        {...field}
        disabled={disabled}
        aria-invalid={problem !== null}
        className={`setting-input w-[92px] ${problem ? 'border-error' : ''}`}
      />
    </SettingRow>
  );
}

/** The behaviour of a length field, for wherever it stands. */
export function useLengthField(value: Length, onChange: (value: Length) => string | null) {
  // What is being typed belongs to the value that it was typed over: when that changes, as by undo, it is dropped.
  const [typed, setTyped] = useState<{ over: string; draft: string; problem: string | null } | null>(null);
  const leaving = useRef(false);
  const units = useUnits();
  const unit = units.unit ?? value.unit;
  const shown = units.show(value);
  const draft = typed?.over === shown ? typed.draft : null;
  const problem = typed?.over === shown ? typed.problem : null;

  const take = () => {
    if (draft === null || leaving.current) return;
    if (draft.trim() === shown) {
      setTyped(null);
      return;
    }
    try {
      const typedLength = parseLength(draft, unit, units.dpi);
      const fault = onChange(units.unit === null ? typedLength : { ...typedLength, unit: units.unit });
      setTyped(fault === null ? null : { over: shown, draft, problem: fault });
    } catch (error) {
      if (!(error instanceof ValueError)) throw error;
      setTyped({ over: shown, draft, problem: error.message });
    }
  };
  const field = {
    value: draft ?? shown,
    inputMode: 'text' as const,
    autoComplete: 'off',
    spellCheck: false,
    onChange: (event: React.ChangeEvent<HTMLInputElement>) =>
      setTyped({ over: shown, draft: event.target.value, problem: null }),
    onFocus: (event: React.FocusEvent<HTMLInputElement>) => event.target.select(),
    onBlur: take,
    onKeyDown: (event: React.KeyboardEvent<HTMLInputElement>) => {
      if (event.key === 'Enter') take();
      if (event.key !== 'Escape') return;
      setTyped(null);
      leaving.current = true;
      event.currentTarget.blur();
      leaving.current = false;
    },
  };
  return { field, problem };
}

interface NumberProps {
  readonly label: string;
  readonly value: number;
  readonly unit?: string;
  readonly onChange: (value: number) => string | null;
  readonly disabled?: boolean;
  readonly note?: ReactNode;
}

/** A plain number, such as a count of grid lines. */
export function NumberSetting({ label, value, unit = '', onChange, disabled = false, note }: NumberProps) {
  const id = useId();
  const { field, problem } = useDraft(String(value), (draft) => {
    const number = Number(draft.replace(',', '.'));
    return draft.trim() === '' || !Number.isFinite(number) ? `“${draft}” is not a number.` : onChange(number);
  });
  return (
    <SettingRow label={label} id={id} problem={problem} note={note}>
      <span className="flex items-center gap-1.5">
        <input
          {...field}
          id={id}
          className={`setting-input w-[64px] ${problem ? 'border-error' : ''}`}
          disabled={disabled}
          onFocus={(event) => event.target.select()}
        />
        {unit && <span className="w-[36px] text-quiet">{unit}</span>}
      </span>
    </SettingRow>
  );
}

interface ChoiceProps {
  readonly label: string;
  readonly value: string;
  /** Key, name, and the group under which it is listed: choices of one group follow each other. */
  readonly choices: readonly (readonly [string, string, string?])[];
  readonly onChange: (value: string) => void;
  readonly disabled?: boolean;
  readonly note?: ReactNode;
  /** The control stands below its label, as wide as the column. */
  readonly isWide?: boolean;
}

export function ChoiceSetting({
  label,
  value,
  choices,
  onChange,
  disabled = false,
  note,
  isWide = false,
}: ChoiceProps) {
  const id = useId();
  return (
    <SettingRow label={label} id={id} note={note} isWide={isWide}>
      <select
        id={id}
        className={`setting-select ${isWide ? 'w-full' : 'field-sizing-content max-w-[205px] min-w-[150px]'}`}
        value={value}
        disabled={disabled}
        onChange={(event) => onChange(event.target.value)}
      >
        {grouped(choices).map(([group, members]) => {
          const options = members.map(([key, name]) => (
            <option key={key} value={key}>
              {name}
            </option>
          ));
          return group === '' ? (
            options
          ) : (
            <optgroup key={group} label={group}>
              {options}
            </optgroup>
          );
        })}
      </select>
    </SettingRow>
  );
}

type Choices = ChoiceProps['choices'];

function grouped(choices: Choices): [string, Choices][] {
  const groups: [string, Choices[number][]][] = [];
  for (const choice of choices) {
    const name = choice[2] ?? '';
    const last = groups.at(-1);
    if (last?.[0] === name) last[1].push(choice);
    else groups.push([name, [choice]]);
  }
  return groups;
}

export function SettingGroup({ title, aside, children }: { title: string; aside?: ReactNode; children: ReactNode }) {
  return (
    <section className="mb-3">
      <h2 className="flex items-baseline justify-between border-b border-base-300 px-3.5 pb-1.5 pt-3 font-semibold">
        <span>{title}</span>
        {aside && <span className="font-normal text-quiet">{aside}</span>}
      </h2>
      {children}
    </section>
  );
}
