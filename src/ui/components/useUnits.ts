// The unit in which the open book shows its lengths.
import { CSS_DPI, formatLength } from '../../core/measure/units';
import type { Length, Unit } from '../../core/model/spec/length';
import { useAppSelector } from '../../state/hooks';

export interface Units {
  /** Null: each length in the unit in which it was typed. */
  readonly unit: Unit | null;
  readonly dpi: number;
  readonly show: (value: Length) => string;
}

export function useUnits(): Units {
  const page = useAppSelector((state) => state.book.book?.spec.page);
  const unit = page?.unit ?? null;
  const dpi = page?.dpi ?? CSS_DPI;
  return { unit, dpi, show: (value) => formatLength({ ...value, unit: unit ?? value.unit }, dpi) };
}
