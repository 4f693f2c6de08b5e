// One value of a style: its control, where it comes from, and the way back to what it takes from.
import type { ReactNode } from 'react';
import { FAMILY_NAMES } from '../../../../core/defaults/familyNames';
import { LANGUAGES } from '../../../../core/model/copy/languages';
import type {
  DropCapital,
  LeadIn,
  ParagraphRule,
  SpotRule,
  TabStop,
  WordDivision,
  WordSpace,
} from '../../../../core/model/spec/spec';
import type { InkUse } from '../../../../core/model/spec/inks';
import { BeginSettings } from '../../../components/BeginSettings';
import { ChoiceSetting, LengthSetting, NumberSetting } from '../../../components/Setting';
import { TextSetting } from '../../../components/TextSetting';
import { useSpec } from '../useSetSpec';
import { DropField, InkField, LeadField, RuleField } from './compoundFields';
import { OrnamentField } from './OrnamentField';
import { SpotsField } from './SpotsField';
import type { NumberScheme } from '../../../../core/model/spec/numbering';
import { NumberSchemeField } from './NumberSchemeField';
import { DivisionField, SpacesField } from './spacingFields';
import { tabsInWords, tabsOf } from '../../../../core/looks/tabsText';
import type { Value } from './values';

interface Props {
  readonly value: Value<string>;
  /** What counts, from wherever it comes; undefined: no style says. */
  readonly effective: unknown;
  /** The style that says it; null: none. */
  readonly origin: string | null;
  readonly tag: string;
  readonly set: (to: unknown) => string | null;
}

export function ValueRow({ value, effective, origin, tag, set }: Props) {
  const { readOnly } = useSpec();
  const isOwn = origin === tag;
  const note: ReactNode = isOwn ? (
    <span className="flex items-center justify-between">
      <span className="font-semibold text-primary">set here</span>
      <button className="underline disabled:no-underline" disabled={readOnly} onClick={() => set(undefined)}>
        reset
      </button>
    </span>
  ) : origin === null ? undefined : (
    `from ${origin}`
  );
  return <Control value={value} effective={effective} tag={tag} set={set} note={note} disabled={readOnly} />;
}

interface ControlProps {
  readonly value: Value<string>;
  readonly tag: string;
  readonly effective: unknown;
  readonly set: (to: unknown) => string | null;
  readonly note: ReactNode;
  readonly disabled: boolean;
}

function Control({ value, effective, tag, set, note, disabled }: ControlProps) {
  const { label, is, none } = value;
  const { spec } = useSpec();
  const shared = { label, note, disabled };
  const unset: readonly (readonly [string, string])[] = effective === undefined ? [['', none || 'not set']] : [];
  switch (is.kind) {
    case 'pt':
      return (
        <LengthSetting
          {...shared}
          value={{ pt: (effective as number | undefined) ?? defaultOf(none, spec.text.size.pt), unit: 'pt' }}
          onChange={({ pt }) => set(pt)}
        />
      );
    case 'indent': {
      const own = typeof effective === 'number' ? effective : spec.text.indent.pt;
      return <LengthSetting {...shared} value={{ pt: own, unit: 'pt' }} onChange={({ pt }) => set(pt)} />;
    }
    case 'leading':
      return <LeadingField {...shared} effective={effective} set={set} />;
    case 'number':
      return <NumberSetting {...shared} unit={is.unit} value={(effective as number | undefined) ?? 0} onChange={set} />;
    case 'flag':
      return (
        <ChoiceSetting
          {...shared}
          value={(effective ?? none === 'yes') ? 'yes' : 'no'}
          choices={[
            ['yes', 'Yes'],
            ['no', 'No'],
          ]}
          onChange={(to) => set(to === 'yes')}
        />
      );
    case 'choice':
      return (
        <ChoiceSetting
          {...shared}
          value={String(effective ?? (is.choices.some(([key]) => key === none) ? none : ''))}
          choices={is.choices.some(([key]) => key === none) ? is.choices : [...unset, ...is.choices]}
          onChange={(to) => set(to === '' ? undefined : to)}
        />
      );
    case 'number-choice': {
      const own = String(effective ?? none);
      const known = is.choices.some(([key]) => key === own);
      return (
        <ChoiceSetting
          {...shared}
          value={own}
          choices={known ? is.choices : [[own, own === '' ? 'not set' : own] as const, ...is.choices]}
          onChange={(to) => set(to === '' ? undefined : Number(to))}
        />
      );
    }
    case 'family':
      return (
        <ChoiceSetting
          {...shared}
          value={(effective as string | undefined) ?? ''}
          choices={[...unset, ...familyChoices(effective as string | undefined)]}
          onChange={(to) => set(to === '' ? undefined : to)}
        />
      );
    case 'language':
      return (
        <ChoiceSetting
          {...shared}
          value={(effective as string | undefined) ?? ''}
          choices={[...unset, ...Object.entries(LANGUAGES)]}
          onChange={(to) => set(to === '' ? undefined : to)}
        />
      );
    case 'text':
      return (
        <TextSetting
          {...shared}
          value={(effective as string | undefined) ?? ''}
          placeholder={is.placeholder}
          onChange={(to) => set(to.trim() === '' ? undefined : to.replace(/\s/g, ''))}
        />
      );
    case 'tabs':
      return (
        <TextSetting
          {...shared}
          value={tabsInWords((effective as readonly TabStop[] | undefined) ?? [])}
          placeholder="36pt left, end right ."
          onChange={(to) => {
            const tabs = tabsOf(to);
            return typeof tabs === 'string' ? tabs : set(tabs);
          }}
        />
      );
    case 'begin':
      return (
        <BeginSettings
          note={note}
          disabled={disabled}
          value={String(effective ?? none)}
          eitherSide="page"
          choices={[
            ['none', 'where it falls'],
            ['column', 'at a new column'],
            ['page', 'on a new page'],
          ]}
          onChange={set}
        />
      );
    case 'style':
      return null;
    default:
      return (
        <CompoundControl value={value} effective={effective} tag={tag} set={set} note={note} disabled={disabled} />
      );
  }
}

/** Values that are several controls together. */
function CompoundControl({ value, effective, tag, set, note, disabled }: ControlProps) {
  const { label, is, none } = value;
  const shared = { label, note, disabled };
  switch (is.kind) {
    case 'ink':
      return <InkField {...shared} none={none} value={effective as InkUse | undefined} onChange={set} />;
    case 'ground':
      return (
        <InkField {...shared} none={none} value={effective as InkUse | null | undefined} onChange={set} isGround />
      );
    case 'rule':
      return <RuleField {...shared} value={(effective as ParagraphRule | null | undefined) ?? null} onChange={set} />;
    case 'ornament':
      return <OrnamentField {...shared} value={(effective as string | null | undefined) || null} onChange={set} />;
    case 'drop':
      return <DropField {...shared} value={(effective as DropCapital | null | undefined) ?? null} onChange={set} />;
    case 'lead':
      return <LeadField {...shared} value={(effective as LeadIn | null | undefined) ?? null} onChange={set} />;
    case 'spaces':
      return <SpacesField {...shared} value={(effective as WordSpace | null | undefined) ?? null} onChange={set} />;
    case 'division':
      return (
        <DivisionField {...shared} value={(effective as WordDivision | null | undefined) ?? null} onChange={set} />
      );
    case 'scheme':
      return (
        <NumberSchemeField {...shared} value={(effective as NumberScheme | null | undefined) ?? null} onChange={set} />
      );
    case 'spots':
      return (
        <SpotsField {...shared} tag={tag} value={(effective as readonly SpotRule[] | undefined) ?? []} onChange={set} />
      );
    default:
      return null;
  }
}

const defaultOf = (none: string, text: number) => (none === '0' ? 0 : text);

function familyChoices(own: string | undefined): readonly (readonly [string, string])[] {
  const known = Object.entries(FAMILY_NAMES);
  return own === undefined || own in FAMILY_NAMES ? known : [...known, [own, own]];
}

/** Points, or whole lines of the grid. */
function LeadingField({
  effective,
  set,
  ...shared
}: {
  label: string;
  note: ReactNode;
  disabled: boolean;
  effective: unknown;
  set: (to: unknown) => string | null;
}) {
  const { spec } = useSpec();
  const grid = typeof effective === 'object' && effective !== null ? (effective as { grid: number }).grid : null;
  const pt = typeof effective === 'number' ? effective : spec.text.leading.pt * (grid ?? 1);
  return (
    <>
      {grid === null ? (
        <LengthSetting {...shared} value={{ pt, unit: 'pt' }} onChange={(to) => set(to.pt)} />
      ) : (
        <NumberSetting {...shared} unit="lines" value={grid} onChange={(lines) => set({ grid: lines })} />
      )}
      <ChoiceSetting
        label="Leading in"
        disabled={shared.disabled}
        value={grid === null ? 'pt' : 'grid'}
        choices={[
          ['pt', 'points'],
          ['grid', 'lines of the grid'],
        ]}
        onChange={(to) => set(to === 'pt' ? pt : { grid: Math.max(1, Math.round(pt / spec.text.leading.pt)) })}
      />
    </>
  );
}
