// A choice of the slip among few ways, each with what it comes to, and grey with the reason where it cannot be.
import type { SettingFacts } from '../../../core/model/paragraphFacts';

interface ChoicesProps<T extends number | null> {
  readonly label: string;
  /** Groups the buttons. */
  readonly name: string;
  readonly value: T;
  readonly disabled: boolean;
  /** Value, name, what it comes to (null: impossible), and why not. */
  readonly choices: readonly (readonly [T, string, SettingFacts | null | undefined, string])[];
  readonly onChange: (to: T) => void;
}

export function Choices<T extends number | null>({
  label,
  name: group,
  value,
  disabled,
  choices,
  onChange,
}: ChoicesProps<T>) {
  return (
    <fieldset className="border-b border-hairline px-3.5 py-1.5" disabled={disabled}>
      <legend className="float-left mb-0.5 w-full font-medium">{label}</legend>
      {choices.map(([own, name, facts, why]) => {
        const isImpossible = facts === null;
        return (
          <label
            key={String(own)}
            className={`flex w-full items-baseline gap-2 py-0.5 ${isImpossible ? 'text-quiet' : ''}`}
            title={isImpossible ? why : undefined}
          >
            <input
              type="radio"
              className="radio radio-primary radio-xs translate-y-0.5"
              name={group}
              checked={own === value}
              disabled={isImpossible && own !== value}
              onChange={() => onChange(own)}
            />
            <span className="grow whitespace-nowrap">{name}</span>
            <span className="text-right text-[12px] text-quiet">
              {isImpossible ? why : facts && facts.widest > 0 ? `${facts.widest.toFixed(2)} em` : ''}
            </span>
          </label>
        );
      })}
    </fieldset>
  );
}
