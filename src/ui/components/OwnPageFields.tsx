// The page of one division or role: its columns, and margins where they differ from the book's.
import type { OtherPages } from '../../core/model/spec/spec';
import type { Margins } from '../../core/model/spec/pageSpec';
import { ChoiceSetting, LengthSetting } from './Setting';

const MARGINS = [
  ['head', 'Its head margin'],
  ['foot', 'Its foot margin'],
  ['back', 'Its back margin'],
  ['foreEdge', 'Its fore-edge margin'],
] as const;

interface Props {
  readonly own: OtherPages;
  /** Those of the book. */
  readonly margins: Margins;
  readonly disabled: boolean;
  /** Answers what is wrong, or null when it was taken. */
  readonly onChange: (own: OtherPages) => string | null;
}

export function OwnPageFields({ own, margins, disabled, onChange }: Props) {
  const withMargins = (to: boolean): OtherPages => {
    const { margins: _, ...rest } = own;
    return to ? { ...rest, margins } : rest;
  };
  return (
    <>
      <ChoiceSetting
        label="Its columns"
        value={String(own.columns)}
        disabled={disabled}
        choices={[1, 2, 3, 4].map((count) => [String(count), String(count)] as const)}
        onChange={(to) => onChange({ ...own, columns: Number(to) })}
      />
      {own.columns > 1 && (
        <LengthSetting
          label="White between them"
          value={own.columnGap}
          disabled={disabled}
          onChange={(columnGap) => onChange({ ...own, columnGap })}
        />
      )}
      <ChoiceSetting
        label="Its margins"
        value={own.margins === undefined ? 'book' : 'own'}
        disabled={disabled}
        choices={[
          ['book', 'As the book'],
          ['own', 'Separate'],
        ]}
        onChange={(to) => onChange(withMargins(to === 'own'))}
      />
      {own.margins !== undefined &&
        MARGINS.map(([side, label]) => (
          <LengthSetting
            key={side}
            label={label}
            value={own.margins![side]}
            disabled={disabled}
            onChange={(to) => onChange({ ...own, margins: { ...own.margins!, [side]: to } })}
          />
        ))}
    </>
  );
}
