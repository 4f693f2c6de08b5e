// A length on the drawing, typed where it stands.
import type { Length } from '../../../../core/model/spec/length';
import { useLengthField } from '../../../components/Setting';
import { ProblemNote } from './ProblemNote';
import { useSpec } from '../useSetSpec';

export const CHIP_WIDTH = 72;
const HEIGHT = 24;

interface Props {
  readonly label: string;
  readonly path: string;
  readonly value: Length;
  /** Its middle, in pixels of the drawing. */
  readonly x: number;
  readonly y: number;
  /** Its label stands above it. */
  readonly isNamed?: boolean;
}

export function LengthChip({ label, path, value, x, y, isNamed = false }: Props) {
  const { readOnly, set } = useSpec();
  const { field, problem } = useLengthField(value, (to) => set(path, to, label));
  return (
    <div className="absolute z-10" style={{ left: x - CHIP_WIDTH / 2, top: y - HEIGHT / 2 }}>
      {isNamed && (
        <span aria-hidden className="absolute -top-4 left-0 whitespace-nowrap text-[11px] leading-4 text-[#27694b]">
          {label}
        </span>
      )}
      <input
        {...field}
        aria-label={`${label}, on the drawing`}
        aria-invalid={problem !== null}
        disabled={readOnly}
        className={`rounded-sm border bg-base-100 text-center text-base-content ${problem ? 'border-error' : 'border-base-300'}`}
        style={{ width: CHIP_WIDTH, height: HEIGHT }}
      />
      <ProblemNote problem={problem} />
    </div>
  );
}
