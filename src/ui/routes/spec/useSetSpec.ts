// Sets a value of the spec from a control.
import type { Plain } from '../../../core/model/copy/bookEdit';
import { setSpec } from '../../../state/spec/specThunks';
import { useAppDispatch, useAppSelector } from '../../../state/hooks';

export function useSpec() {
  const dispatch = useAppDispatch();
  const spec = useAppSelector((state) => state.book.book)!.spec;
  const readOnly = useAppSelector((state) => state.book.readOnly);
  /** Answers what is wrong, or null when the value was taken. */
  const set = (path: string, to: unknown, name: string, gesture?: string): string | null =>
    dispatch(setSpec(path.split('.'), to as Plain, name, gesture));
  return { spec, readOnly, set };
}
