// A choice of the slip among few ways, each with what it comes to, and grey with the reason where it cannot be.
import type { SettingFacts } from '../../../core/model/answers/paragraphFacts';

export interface Choice<T> {
  readonly value: T;
  readonly name: string;
  /** What its lines come to; null: they cannot be set so. */
  readonly facts?: SettingFacts | null;
  /** Why they cannot. */
  readonly why?: string;
  /** What becomes of the pages. */
  readonly cost?: string;
}

interface ChoicesProps<T extends number | string | null> {
  readonly label: string;
  /** Groups the buttons. */
  readonly name: string;
  readonly value: T;
  readonly disabled: boolean;
  readonly choices: readonly Choice<T>[];
  readonly onChange: (to: T) => void;
}

export function Choices<T extends number | string | null>({
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
      {choices.map(({ value: own, name, facts, why = '', cost = '' }) => {
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
              {isImpossible ? why : told(facts, own === value ? '' : cost)}
            </span>
          </label>
        );
      })}
    </fieldset>
  );
}

/** The widest space and what becomes of the pages, each on a line. */
function told(facts: SettingFacts | undefined, cost: string) {
  const space = facts !== undefined && facts.widest > 0 ? `${facts.widest.toFixed(2)} em` : '';
  return [space, cost]
    .filter((words) => words !== '')
    .map((words) => (
      <span key={words} className="block">
        {words}
      </span>
    ));
}
