// A labelled line of text in a form. Changes are told with every key.
import { useId } from 'react';

interface Props {
  readonly label: string;
  readonly value: string;
  readonly onChange: (value: string) => void;
  readonly hint?: string;
  readonly isLong?: boolean;
  readonly disabled?: boolean;
  readonly maxLength?: number;
}

export function TextField({ label, value, onChange, hint, isLong = false, disabled = false, maxLength = 400 }: Props) {
  const id = useId();
  const shared = {
    id,
    value,
    disabled,
    maxLength,
    // Every key is a change of the book: its history is the book's.
    'data-live': '',
    'aria-describedby': hint ? `${id}-hint` : undefined,
  };
  return (
    <div className="grid grid-cols-[132px_minmax(0,1fr)] items-start gap-x-3">
      <label htmlFor={id} className="pt-1 text-right">
        {label}
      </label>
      <div>
        {isLong ? (
          <textarea
            {...shared}
            rows={2}
            className="form-field block"
            onChange={(event) => onChange(event.target.value)}
          />
        ) : (
          <input {...shared} className="form-field" onChange={(event) => onChange(event.target.value)} />
        )}
        {hint && (
          <p id={`${id}-hint`} className="mt-0.5 text-[12px] text-quiet">
            {hint}
          </p>
        )}
      </div>
    </div>
  );
}
