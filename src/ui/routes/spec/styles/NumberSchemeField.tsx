// How the heads of a style are numbered: numerals, what stands around them, where the number stands, and when it begins again.
import { inNumerals } from '../../../../core/numbering/numerals';
import { PLAIN_SCHEME, type Numerals, type NumberScheme } from '../../../../core/model/spec/numbering';
import { NUMERAL_CHOICES } from '../../../components/FolioRunFields';
import { ChoiceSetting, NumberSetting } from '../../../components/Setting';
import { TextSetting } from '../../../components/TextSetting';
import { useSpec } from '../useSetSpec';
import type { Field } from './compoundFields';

/** The second number by a scheme, as it is set. */
export function schemeSample(scheme: NumberScheme | null, level: number): string {
  if (scheme === null) return 'not numbered';
  const above = scheme.whole ? '1.'.repeat(Math.max(0, level - 1)) : '';
  const own = inNumerals(2, scheme.numerals);
  return own === '' ? 'not numbered' : `${scheme.before}${above}${own}${scheme.after}`;
}

export function NumberSchemeField({ label, note, disabled, value, onChange }: Field<NumberScheme | null>) {
  const { spec } = useSpec();
  const put = (change: Partial<NumberScheme>) => onChange({ ...PLAIN_SCHEME, ...value, ...change });
  const styles = value?.place === 'ownLine' ? spec.styles : spec.characterStyles;
  return (
    <>
      <ChoiceSetting
        label={label}
        note={note}
        disabled={disabled}
        value={value === null ? 'none' : value.numerals}
        choices={NUMERAL_CHOICES}
        onChange={(to) => (to === 'none' ? onChange(null) : put({ numerals: to as Numerals }))}
      />
      {value !== null && (
        <>
          <TextSetting
            label="Text before"
            value={value.before}
            placeholder="such as Chapter"
            maxLength={40}
            disabled={disabled}
            onChange={(before) => put({ before: before.trim() === '' ? '' : before.replace(/(\p{L})$/u, '$1 ') })}
          />
          <TextSetting
            label="Text after"
            value={value.after}
            placeholder="such as a point"
            maxLength={40}
            disabled={disabled}
            onChange={(after) => put({ after })}
          />
          <ChoiceSetting
            label="Numbers above"
            disabled={disabled}
            value={value.whole ? 'whole' : 'own'}
            choices={[
              ['own', 'left out: 2'],
              ['whole', 'shown: 1.1.2'],
            ]}
            onChange={(to) => put({ whole: to === 'whole' })}
          />
          <ChoiceSetting
            label="Position"
            disabled={disabled}
            value={value.place}
            choices={[
              ['runIn', 'before the words'],
              ['hanging', 'hanging at the left'],
              ['ownLine', 'on a line above'],
            ]}
            onChange={(to) => put({ place: to as NumberScheme['place'], style: null })}
          />
          {value.place !== 'ownLine' && (
            <NumberSetting
              label={value.place === 'hanging' ? 'Hanging indent' : 'Space after'}
              unit="em"
              value={value.gap}
              disabled={disabled}
              onChange={(gap) => put({ gap })}
            />
          )}
          <ChoiceSetting
            label="Set in"
            disabled={disabled}
            value={value.style ?? ''}
            choices={[
              ['', value.place === 'ownLine' ? 'CN or PN' : 'as the words'],
              ...Object.entries(styles).map(([tag, { name }]) => [tag, name] as const),
            ]}
            onChange={(to) => put({ style: to || null })}
          />
          <ChoiceSetting
            label="Restarts"
            disabled={disabled}
            value={value.restart}
            choices={[
              ['above', 'under each head above'],
              ['part', 'in each part'],
              ['never', 'never'],
            ]}
            onChange={(to) => put({ restart: to as NumberScheme['restart'] })}
          />
        </>
      )}
    </>
  );
}
