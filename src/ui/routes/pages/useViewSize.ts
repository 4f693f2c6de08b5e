// The inner size of an element in CSS pixels, as it is now.
import { useLayoutEffect, useState, type RefObject } from 'react';

export interface ViewSize {
  readonly width: number;
  readonly height: number;
}

/** 0 by 0 until the element is there. */
export function useViewSize(box: RefObject<HTMLElement | null>): ViewSize {
  const [size, setSize] = useState<ViewSize>({ width: 0, height: 0 });
  useLayoutEffect(() => {
    const element = box.current!;
    const measure = () =>
      setSize((old) =>
        old.width === element.clientWidth && old.height === element.clientHeight
          ? old
          : { width: element.clientWidth, height: element.clientHeight },
      );
    const observer = new ResizeObserver(measure);
    observer.observe(element);
    measure();
    return () => observer.disconnect();
  }, [box]);
  return size;
}
