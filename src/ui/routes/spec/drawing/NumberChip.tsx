// A count on the drawing, typed where it stands.
import { useState } from 'react';
import { useSpec } from '../useSetSpec';

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
  const [draft, setDraft] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const take = () => {
    if (draft === null) return;
    const number = Number.parseFloat(draft);
    const fault = Number.isFinite(number) ? onChange(number) : `“${draft}” is not a number.`;
    setProblem(fault);
    if (fault === null) setDraft(null);
  };
  return (
    <div className="absolute z-10" style={{ left: x - SIZE.width / 2, top: y - SIZE.height / 2 }}>
      <input
        aria-label={`${label}, on the drawing`}
        aria-invalid={problem !== null}
        className={`rounded-sm border bg-base-100 text-center text-base-content ${problem ? 'border-error' : 'border-base-300'}`}
        style={SIZE}
        value={draft ?? `${unit === 'line' ? 'line ' : ''}${value}${unit === 'line' ? '' : ` ${unit}`}`}
        disabled={readOnly}
        onChange={(event) => setDraft(event.target.value)}
        onFocus={(event) => {
          setDraft(String(value));
          event.target.select();
        }}
        onBlur={() => {
          take();
          if (problem === null) setDraft(null);
        }}
        onKeyDown={(event) => {
          if (event.key === 'Enter') take();
          if (event.key === 'Escape') {
            setDraft(null);
            setProblem(null);
          }
        }}
      />
      {problem && (
        <p
          role="alert"
          className="absolute left-1/2 top-full z-20 mt-1 w-56 -translate-x-1/2 rounded-sm border border-error bg-base-100 px-2 py-1 text-[12px] text-error"
        >
          {problem}
        </p>
      )}
    </div>
  );
}
