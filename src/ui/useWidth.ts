import { useLayoutEffect, useRef, useState, type RefObject } from 'react';

/** The width of an element in CSS pixels, followed as it changes. Measured before the first paint, so that nothing is
 *  seen at the initial width. */
export function useWidth<E extends Element>(initial: number): [RefObject<E | null>, number] {
  const ref = useRef<E>(null);
  const [width, setWidth] = useState(initial);
  useLayoutEffect(() => {
    const element = ref.current;
    if (!element) return undefined;
    const take = (px: number): void => setWidth(Math.max(1, Math.round(px)));
    take(element.getBoundingClientRect().width);
    const observer = new ResizeObserver(([entry]) => {
      if (entry) take(entry.contentRect.width);
    });
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  return [ref, width];
}
