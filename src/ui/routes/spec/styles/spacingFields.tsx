// Spacing and word division of one style, where they differ from those of the text.
import type { WordDivision, WordSpace } from '../../../../core/model/spec/spec';
import { ChoiceSetting, NumberSetting } from '../../../components/Setting';
import { useSpec } from '../useSetSpec';
import type { Field } from './compoundFields';

const OWN: readonly (readonly [string, string])[] = [
  ['text', 'as the text'],
  ['own', 'separate'],
];
/** Where the text has no limits of its own: those of its face, roughly. */
const FIRST: WordSpace = { least: 0.18, wished: 0.23, most: 0.34 };

/** Whether the style has values of its own, which begin as `first`. */
function OwnChoice<T>({ label, note, disabled, value, onChange, first }: Field<T | null> & { first: T }) {
  return (
    <ChoiceSetting
      label={label}
      note={note}
      disabled={disabled}
      value={value === null ? 'text' : 'own'}
      choices={OWN}
      onChange={(to) => onChange(to === 'text' ? null : first)}
    />
  );
}

const SPACES: readonly (readonly [keyof WordSpace, string])[] = [
  ['least', 'Least'],
  ['wished', 'Ideal'],
  ['most', 'Most'],
];

export function SpacesField({ label, note, disabled, value, onChange }: Field<WordSpace | null>) {
  const { text } = useSpec().spec;
  return (
    <>
      <OwnChoice {...{ label, note, disabled, value, onChange }} first={text.wordSpace ?? FIRST} />
      {value !== null &&
        SPACES.map(([key, name]) => (
          <NumberSetting
            key={key}
            label={name}
            unit="em"
            disabled={disabled}
            value={value[key]}
            onChange={(to) => onChange({ ...value, [key]: to })}
          />
        ))}
    </>
  );
}

const COUNTS: readonly (readonly ['smallestWord' | 'before' | 'after' | 'running', string, string])[] = [
  ['smallestWord', 'Shortest word divided', 'letters'],
  ['before', 'Letters before the hyphen', 'letters'],
  ['after', 'Letters after the hyphen', 'letters'],
  ['running', 'Hyphens in a row, at most', 'lines'],
];

export function DivisionField({ label, note, disabled, value, onChange }: Field<WordDivision | null>) {
  const { on: _, exceptions: __, ...ofText } = useSpec().spec.text.hyphenation;
  return (
    <>
      <OwnChoice {...{ label, note, disabled, value, onChange }} first={ofText} />
      {value !== null && (
        <>
          {COUNTS.map(([key, name, unit]) => (
            <NumberSetting
              key={key}
              label={name}
              unit={unit}
              disabled={disabled}
              value={value[key]}
              onChange={(to) => onChange({ ...value, [key]: to })}
            />
          ))}
          <ChoiceSetting
            label="Capitalised words"
            disabled={disabled}
            value={value.capitals}
            choices={[
              ['dear', 'At a cost'],
              ['never', 'Never'],
            ]}
            onChange={(capitals) => onChange({ ...value, capitals })}
          />
        </>
      )}
    </>
  );
}
