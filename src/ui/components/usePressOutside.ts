// Closes a panel when somebody presses anywhere else.
import { useEffect, type RefObject } from 'react';

export function usePressOutside(panel: RefObject<HTMLElement | null>, onPress: () => void): void {
  useEffect(() => {
    const press = (event: MouseEvent) => {
      if (!panel.current?.contains(event.target as Node)) onPress();
    };
    // The click that opened it is still under way.
    const timer = setTimeout(() => document.addEventListener('mousedown', press));
    return () => {
      clearTimeout(timer);
      document.removeEventListener('mousedown', press);
    };
  }, [panel, onPress]);
}
