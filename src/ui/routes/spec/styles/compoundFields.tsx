// Values of a style that have parts: an ink with its tint, rules, drop capitals, lead-ins, spot rules.
import type { ReactNode } from 'react';
import { BLACK, type InkUse } from '../../../../core/model/spec/inks';
import type { DropCapital, LeadIn, ParagraphRule } from '../../../../core/model/spec/spec';
import { ChoiceSetting, LengthSetting, NumberSetting } from '../../../components/Setting';
import { TextSetting } from '../../../components/TextSetting';
import { useSpec } from '../useSetSpec';

export interface Field<T> {
  readonly label: string;
  readonly note: ReactNode;
  readonly disabled: boolean;
  readonly value: T;
  readonly onChange: (value: unknown) => string | null;
}

function useInks(): readonly string[] {
  const { inks } = useSpec().spec;
  return Object.keys(inks.sets[inks.set] ?? {});
}

export function InkField({
  label,
  note,
  disabled,
  value,
  onChange,
  none,
  isGround = false,
}: Field<InkUse | null | undefined> & { none: string; isGround?: boolean }) {
  const names = useInks();
  // Nothing said is black; said or not, it is one entry of the list.
  const hasNone = isGround || none !== 'black';
  const own = value?.ink ?? (hasNone ? '' : BLACK);
  const known = own === '' || names.includes(own);
  return (
    <>
      <ChoiceSetting
        label={label}
        note={known ? note : `“${own}” is not in this set: set in black.`}
        disabled={disabled}
        value={own}
        choices={[
          ...(hasNone ? [['', none] as const] : []),
          ...(known ? names : [...names, own]).map((name) => [name, name] as const),
        ]}
        onChange={(to) =>
          onChange(to === '' ? (isGround ? null : undefined) : { ink: to, tint: value?.tint ?? (isGround ? 15 : 100) })
        }
      />
      {value != null && (
        <NumberSetting
          label="Tint"
          unit="%"
          disabled={disabled}
          value={value.tint}
          onChange={(tint) => onChange({ ...value, tint })}
        />
      )}
    </>
  );
}

export function RuleField({ label, note, disabled, value, onChange }: Field<ParagraphRule | null>) {
  const names = useInks();
  const first = { weight: 0.5, width: 'paragraph', offset: label.endsWith('above') ? 12 : 5 } as const;
  const put = (change: Partial<ParagraphRule>) => onChange({ ...value, ...change });
  const kind = typeof value?.width === 'number' ? 'length' : (value?.width ?? 'paragraph');
  return (
    <>
      <ChoiceSetting
        label={label}
        note={note}
        disabled={disabled}
        value={value === null ? 'none' : 'rule'}
        choices={[
          ['none', 'none'],
          ['rule', 'a rule'],
        ]}
        onChange={(to) => onChange(to === 'none' ? null : first)}
      />
      {value !== null && (
        <>
          <LengthSetting
            label="Weight"
            disabled={disabled}
            value={{ pt: value.weight, unit: 'pt' }}
            onChange={({ pt }) => put({ weight: pt })}
          />
          <ChoiceSetting
            label="As wide as"
            disabled={disabled}
            value={kind}
            choices={[
              ['paragraph', 'the paragraph'],
              ['words', 'its words'],
              ['length', 'a set width'],
            ]}
            onChange={(to) => put({ width: to === 'length' ? 72 : (to as 'paragraph' | 'words') })}
          />
          {typeof value.width === 'number' && (
            <LengthSetting
              label="Length"
              disabled={disabled}
              value={{ pt: value.width, unit: 'pt' }}
              onChange={({ pt }) => put({ width: pt })}
            />
          )}
          <LengthSetting
            label="From the baseline"
            disabled={disabled}
            value={{ pt: value.offset, unit: 'pt' }}
            onChange={({ pt }) => put({ offset: pt })}
          />
          <ChoiceSetting
            label="Its ink"
            disabled={disabled}
            value={value.ink?.ink ?? BLACK}
            choices={names.map((name) => [name, name] as const)}
            onChange={(to) => put({ ink: { ink: to, tint: value.ink?.tint ?? 100 } })}
          />
        </>
      )}
    </>
  );
}

export function DropField({ label, note, disabled, value, onChange }: Field<DropCapital | null>) {
  return (
    <>
      <ChoiceSetting
        label={label}
        note={note}
        disabled={disabled}
        value={String(value?.lines ?? 0)}
        choices={[['0', 'none'], ...[2, 3, 4, 5].map((lines) => [String(lines), `over ${lines} lines`] as const)]}
        onChange={(to) => onChange(to === '0' ? null : { lines: Number(to), letters: value?.letters ?? 1 })}
      />
      {value !== null && (
        <NumberSetting
          label="Its letters"
          disabled={disabled}
          value={value.letters}
          onChange={(letters) => onChange({ ...value, letters })}
        />
      )}
    </>
  );
}

export function LeadField({ label, note, disabled, value, onChange }: Field<LeadIn | null>) {
  const { characterStyles } = useSpec().spec;
  const put = (change: Partial<LeadIn>) => onChange({ ...value, ...change });
  const first: LeadIn = { kind: 'words', count: 3, mark: '.', style: null };
  return (
    <>
      <ChoiceSetting
        label={label}
        note={note}
        disabled={disabled}
        value={value?.kind ?? 'none'}
        choices={[
          ['none', 'none'],
          ['words', 'first words'],
          ['letters', 'first letters'],
          ['line', 'first line'],
          ['mark', 'up to a character'],
        ]}
        onChange={(to) => onChange(to === 'none' ? null : { ...first, ...value, kind: to })}
      />
      {(value?.kind === 'words' || value?.kind === 'letters') && (
        <NumberSetting
          label="How many"
          unit={value.kind}
          disabled={disabled}
          value={value.count}
          onChange={(count) => put({ count })}
        />
      )}
      {value?.kind === 'mark' && (
        <TextSetting
          label="The character"
          disabled={disabled}
          value={value.mark}
          maxLength={20}
          onChange={(mark) => (mark === '' ? 'Type the character, such as a full stop.' : put({ mark }))}
        />
      )}
      {value !== null && (
        <ChoiceSetting
          label="Set in"
          disabled={disabled}
          value={value.style ?? ''}
          choices={[
            ['', 'small capitals'],
            ...Object.entries(characterStyles).map(([tag, { name }]) => [tag, name] as const),
          ]}
          onChange={(to) => put({ style: to === '' ? null : to })}
        />
      )}
    </>
  );
}
