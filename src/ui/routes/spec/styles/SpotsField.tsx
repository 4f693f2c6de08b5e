// Pattern rules of a style: what matches a pattern is set in a character style. A rule is at work when both are said, and tells
// how many stretches it meets.
import { useMemo, useState } from 'react';
import { spotPattern } from '../../../../core/looks/spotPatterns';
import type { SpotRule } from '../../../../core/model/spec/spec';
import { countPattern } from '../../../../state/spec/styleThunks';
import { useAppSelector } from '../../../../state/hooks';
import { ChoiceSetting } from '../../../components/Setting';
import { TextSetting } from '../../../components/TextSetting';
import { useSpec } from '../useSetSpec';
import type { Field } from './compoundFields';

const BUTTON = 'btn btn-xs border-base-300 bg-base-100';
const EMPTY: SpotRule = { pattern: '', style: '' };

export function SpotsField({
  label,
  note,
  disabled,
  value,
  tag,
  onChange,
}: Field<readonly SpotRule[]> & { readonly tag: string }) {
  /** A rule that is not complete yet. */
  const [draft, setDraft] = useState<SpotRule | null>(null);
  const take = (rule: SpotRule): string | null => {
    if (rule.pattern === '' || rule.style === '') {
      setDraft(rule);
      return null;
    }
    setDraft(null);
    return onChange([...value, rule]);
  };
  return (
    <>
      <div className="flex items-center justify-between border-b border-hairline px-3.5 py-1">
        <span>
          {label}
          {note && <span className="block text-[12px] text-quiet">{note}</span>}
        </span>
        <button className={BUTTON} disabled={disabled || draft !== null} onClick={() => setDraft(EMPTY)}>
          Add
        </button>
      </div>
      {value.map((spot, index) => (
        <Rule
          key={index}
          name={`Pattern ${index + 1}`}
          spot={spot}
          tag={tag}
          disabled={disabled}
          onChange={(to) => onChange(value.with(index, to))}
          onRemove={() => onChange(value.toSpliced(index, 1))}
        />
      ))}
      {draft !== null && (
        <Rule
          name={`Pattern ${value.length + 1}`}
          spot={draft}
          tag={tag}
          disabled={disabled}
          onChange={take}
          onRemove={() => setDraft(null)}
        />
      )}
    </>
  );
}

interface RuleProps {
  readonly name: string;
  readonly spot: SpotRule;
  readonly tag: string;
  readonly disabled: boolean;
  readonly onChange: (to: SpotRule) => string | null;
  readonly onRemove: () => void;
}

function Rule({ name, spot, tag, disabled, onChange, onRemove }: RuleProps) {
  const { characterStyles } = useSpec().spec;
  const book = useAppSelector((state) => state.book.book)!;
  const count = useMemo(
    () => (spot.pattern === '' ? 0 : countPattern(book, tag, spot.pattern)),
    [book, tag, spot.pattern],
  );
  const check = (pattern: string): string | null => {
    try {
      spotPattern(pattern);
      return null;
    } catch (error) {
      return (error as Error).message;
    }
  };
  const styles = Object.entries(characterStyles).map(([key, style]) => [key, style.name] as const);
  const isComplete = spot.pattern !== '' && spot.style !== '';
  return (
    <div className="border-l-2 border-base-300">
      <TextSetting
        label={name}
        disabled={disabled}
        value={spot.pattern}
        placeholder="such as \\d+"
        onChange={(pattern) => check(pattern) ?? onChange({ ...spot, pattern })}
      />
      <ChoiceSetting
        label="Set in"
        disabled={disabled}
        value={spot.style}
        choices={spot.style === '' ? [['', 'choose …'] as const, ...styles] : styles}
        onChange={(style) => void onChange({ ...spot, style })}
      />
      <p className="flex items-center justify-between px-3.5 pb-1">
        <span className="text-[12px] text-quiet">
          {spot.pattern === '' ? '' : `Meets ${count} ${count === 1 ? 'stretch' : 'stretches'}`}
          {isComplete ? '' : `${spot.pattern === '' ? 'Not' : '; not'} at work until it is complete.`}
        </span>
        <button className={BUTTON} disabled={disabled} onClick={onRemove}>
          Remove
        </button>
      </p>
    </div>
  );
}
