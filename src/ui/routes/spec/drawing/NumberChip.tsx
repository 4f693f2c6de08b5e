// A count on the drawing, typed where it stands: `5 lines`, `line 12`, or the number alone.
import { useDraft } from '../../../components/useDraft';
import { useSpec } from '../useSetSpec';
import { ProblemNote } from './ProblemNote';

interface Props {
  readonly label: string;
  readonly unit: string;
  readonly value: number;
  /** Middle, in pixels of the drawing. */
  readonly x: number;
  readonly y: number;
  readonly onChange: (to: number) => string | null;
}

const SIZE = { width: 64, height: 24 };

export function NumberChip({ label, unit, value, x, y, onChange }: Props) {
  const { readOnly } = useSpec();
  const { field, problem } = useDraft(unit === 'line' ? `line ${value}` : `${value} ${unit}`, (draft) => {
    const number = /-?\d+(?:\.\d+)?/.exec(draft)?.[0];
    return number === undefined ? `“${draft}” is not a number.` : onChange(Number(number));
  });
  return (
    <div className="absolute z-10" style={{ left: x - SIZE.width / 2, top: y - SIZE.height / 2 }}>
      <input
        {...field}
        aria-label={`${label}, on the drawing`}
        className={`rounded-sm border bg-base-100 text-center text-base-content ${problem ? 'border-error' : 'border-base-300'}`}
        style={SIZE}
        disabled={readOnly}
        onFocus={(event) => event.target.select()}
      />
      <ProblemNote problem={problem} />
    </div>
  );
}
