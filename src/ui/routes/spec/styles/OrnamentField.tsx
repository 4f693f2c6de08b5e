// The ornament of a style: one of those that ship, seen as it is drawn, or characters of the face.
import { useId, type ReactNode } from 'react';
import { ORNAMENT_EXTENT, ORNAMENTS, type Ornament } from '../../../../core/looks/ornaments';
import { SettingRow } from '../../../components/Setting';
import { useDraft } from '../../../components/useDraft';

interface Props {
  readonly label: string;
  readonly note: ReactNode;
  readonly disabled: boolean;
  /** Null: what the paragraph has. */
  readonly value: string | null;
  readonly onChange: (to: string | null) => string | null;
}

const { up: UP, down: DOWN } = ORNAMENT_EXTENT;

export function OrnamentField({ label, note, disabled, value, onChange }: Props) {
  const id = useId();
  const isShipped = ORNAMENTS.some(({ character }) => character === value);
  const { field, problem } = useDraft(isShipped ? '' : (value ?? ''), (draft) => onChange(draft === '' ? null : draft));
  return (
    <SettingRow label={label} id={id} note={note} problem={problem} isWide>
      <div role="radiogroup" aria-label={`${label}: those that ship`} className="grid grid-cols-4 gap-1">
        <Choice title="As the copy has it" isOn={value === null} disabled={disabled} onChoose={() => onChange(null)}>
          <span className="text-[12px] text-quiet">as it is</span>
        </Choice>
        {ORNAMENTS.map((ornament) => (
          <Choice
            key={ornament.character}
            title={ornament.title}
            isOn={value === ornament.character}
            disabled={disabled}
            onChoose={() => onChange(ornament.character)}
          >
            <Drawn ornament={ornament} />
          </Choice>
        ))}
      </div>
      <label className="mt-1 flex items-center justify-between gap-2">
        <span className="text-quiet">Characters of the face</span>
        <input {...field} id={id} className="setting-input w-[92px] text-left" maxLength={12} disabled={disabled} />
      </label>
    </SettingRow>
  );
}

interface ChoiceProps {
  readonly title: string;
  readonly isOn: boolean;
  readonly disabled: boolean;
  readonly onChoose: () => void;
  readonly children: ReactNode;
}

function Choice({ title, isOn, disabled, onChoose, children }: ChoiceProps) {
  return (
    <button
      type="button"
      role="radio"
      aria-checked={isOn}
      aria-label={title}
      title={title}
      disabled={disabled}
      className={`flex h-8 items-center justify-center rounded-sm border bg-base-100 ${isOn ? 'border-primary ring-1 ring-primary' : 'border-base-300'}`}
      onClick={onChoose}
    >
      {children}
    </button>
  );
}

const Drawn = ({ ornament: { advance, path } }: { readonly ornament: Ornament }) => (
  <svg viewBox={`0 ${-UP} ${advance} ${UP + DOWN}`} className="h-6 max-w-[52px] fill-base-content" aria-hidden>
    <path d={path} transform="scale(1 -1)" />
  </svg>
);
