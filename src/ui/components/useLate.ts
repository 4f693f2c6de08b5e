// Work that is done at once is not worth a sign: a flag that turns on only when it has been on for a while.
import { useEffect, useState } from 'react';

/** True when `isOn` has been so for `after` ms; off at once. */
export function useLate(isOn: boolean, after = 150): boolean {
  const [isLate, setLate] = useState(false);
  useEffect(() => {
    if (!isOn) return;
    const timer = setTimeout(() => setLate(true), after);
    return () => {
      clearTimeout(timer);
      setLate(false);
    };
  }, [isOn, after]);
  return isOn && isLate;
}
