import { useLayoutEffect, useRef, useState, type RefObject } from 'react';

/** What elements of an initial width came to last: the next one mostly has the same room, and is drawn once. */
const lastPx = new Map<number, number>();

/** The width of an element in CSS pixels, followed as it changes. Measured before the first paint, so that nothing is
 *  seen at the initial width. */
export function useWidth<E extends Element>(initial: number): [RefObject<E | null>, number] {
  const ref = useRef<E>(null);
  const [width, setWidth] = useState(() => lastPx.get(initial) ?? initial);
  useLayoutEffect(() => {
    const element = ref.current;
    if (!element) return undefined;
    const take = (px: number): void => {
      const rounded = Math.max(1, Math.round(px));
      lastPx.set(initial, rounded);
      setWidth(rounded);
    };
    take(element.getBoundingClientRect().width);
    const observer = new ResizeObserver(([entry]) => {
      if (entry) take(entry.contentRect.width);
    });
    observer.observe(element);
    return () => observer.disconnect();
  }, [initial]);
  return [ref, width];
}
