// Where something begins, and, of what begins a page, on which side: one value of a spec or division as two choices.
import type { ReactNode } from 'react';
import { ChoiceSetting } from './Setting';

interface Props {
  /** `recto` and `verso` are pages begun on that side. */
  readonly value: string;
  /** The value of a new page on either side. */
  readonly eitherSide: string;
  /** Where it may begin; `eitherSide` is among them. */
  readonly choices: readonly (readonly [string, string])[];
  readonly disabled: boolean;
  readonly note?: ReactNode;
  readonly onChange: (value: string) => void;
}

const isSide = (value: string) => value === 'recto' || value === 'verso';

export function BeginSettings({ value, eitherSide, choices, disabled, note, onChange }: Props) {
  const beginsPage = value === eitherSide || isSide(value);
  return (
    <>
      <ChoiceSetting
        label="Begins"
        value={beginsPage ? eitherSide : value}
        choices={choices}
        disabled={disabled}
        note={note}
        onChange={onChange}
      />
      {beginsPage && (
        <ChoiceSetting
          label="On which side"
          value={isSide(value) ? value : ''}
          choices={[
            ['', 'either'],
            ['recto', 'recto'],
            ['verso', 'verso'],
          ]}
          disabled={disabled}
          onChange={(side) => onChange(side || eitherSide)}
        />
      )}
    </>
  );
}
